using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Formats;

/// <summary>The published JSON schema of a piece's document.</summary>
/// <remarks>Source: docs/formats.md, A piece as JSON.</remarks>
public static class PieceSchema
{
    private static readonly Lazy<string> Written = new(Write);

    /// <summary>The schema, JSON Schema 2020-12.</summary>
    public static string Text => Written.Value;

    private static string Write()
    {
        var options = new JsonSchemaExporterOptions
        {
            TreatNullObliviousAsNonNullable = true,
            TransformSchemaNode = (context, node) =>
            {
                var type = Nullable.GetUnderlyingType(context.TypeInfo.Type) ?? context.TypeInfo.Type;
                if (type == typeof(LocalDateTime))
                {
                    return new JsonObject
                    {
                        ["type"] = Nullable.GetUnderlyingType(context.TypeInfo.Type) is null ? "string" : new JsonArray("string", "null"),
                        ["pattern"] = @"^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?$",
                    };
                }

                // Ids of regions are read by a converter, which a schema cannot look into.
                if (type == typeof(ImmutableArray<RegionId>))
                {
                    node["items"] = new JsonObject { ["type"] = "string" };
                }

                return type == typeof(RegionId) ? new JsonObject { ["type"] = "string" } : node;
            },
        };
        var piece = WorkshopJson.Shape.GetJsonSchemaAsNode(typeof(Piece), options);
        var schema = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "A Moss Lantern piece",
            ["type"] = "object",
            ["properties"] = new JsonObject
            {
                ["format"] = new JsonObject { ["const"] = PieceJson.Format },
                ["formatVersion"] = new JsonObject { ["type"] = "integer", ["minimum"] = 1, ["maximum"] = Piece.FormatVersion },
                ["piece"] = piece,
            },
            ["required"] = new JsonArray("format", "formatVersion", "piece"),
            ["additionalProperties"] = false,
        };

        // Places inside the piece are told from the root of the document.
        Move(schema["properties"]!["piece"]!);
        return schema.ToJsonString(new JsonSerializerOptions(WorkshopJson.Shape) { WriteIndented = true }) + "\n";
    }

    private static void Move(JsonNode node)
    {
        switch (node)
        {
            case JsonObject fields:
                foreach (var (name, value) in fields.ToList())
                {
                    if (name == "$ref" && value is JsonValue place && place.GetValueKind() == JsonValueKind.String)
                    {
                        fields[name] = "#/properties/piece" + place.GetValue<string>()[1..];
                    }
                    else if (value is not null)
                    {
                        Move(value);
                    }
                }

                break;
            case JsonArray items:
                foreach (var item in items.Where(i => i is not null).ToList())
                {
                    Move(item!);
                }

                break;
        }
    }
}
