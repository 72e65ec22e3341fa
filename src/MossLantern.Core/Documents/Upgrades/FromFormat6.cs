using System.Text.Json;
using System.Text.Json.Nodes;

namespace MossLantern.Core.Documents.Upgrades;

/// <summary>
/// Format 6 to 7. The vein of fields, the strokes of pools with the width of their bead, and the dam round a reserved spot become lines of
/// the piece. Their regions keep their ids, and a line its number; how high a wall or dam is, and of what, nobody had said.
/// </summary>
/// <remarks>Source: docs/formats.md, Earlier formats.</remarks>
internal static class FromFormat6
{
    /// <summary>A piece, and the older work beneath it.</summary>
    public static void Piece(JsonObject piece)
    {
        var lines = new Lines(piece);
        foreach (var layer in Objects(piece["layers"]))
        {
            lines.TakeLayouts(layer, Text(layer["id"]), null);
            foreach (var zone in Objects(layer["zones"]))
            {
                lines.TakeLayouts(zone, Text(layer["id"]), Text(zone["id"]));
            }
        }

        foreach (var spot in Objects(piece["kept"]))
        {
            lines.TakeDam(spot);
        }

        Forget(piece, lines.Veinless);
        if (lines.All.Count > 0)
        {
            piece["lines"] = lines.All;
        }

        if (piece["ground"] is JsonObject ground && ground["old"] is JsonObject old)
        {
            Piece(old);
        }
    }

    /// <summary>Fields had the region of a vein whether one was laid or not: what names one that is not there goes.</summary>
    private static void Forget(JsonObject piece, HashSet<(string Layer, string Region)> gone)
    {
        foreach (var sitting in Objects(piece["sittings"]))
        {
            foreach (var list in new[] { "order", "fills" })
            {
                Left(sitting, list, entry => entry is not JsonObject o || Text(o["layerId"]) is not { } layer
                    || Text(o["region"]) is not { } region || !gone.Contains((layer, region)));
            }
        }

        foreach (var layer in Objects(piece["layers"]).Where(l => Text(l["id"]) is not null))
        {
            Left(layer, "bare", entry => Text(entry) is not { } region || !gone.Contains((Text(layer["id"])!, region)));
        }
    }

    private static void Left(JsonObject of, string list, Func<JsonNode?, bool> stays)
    {
        if (of[list] is JsonArray all && all.ToList() is var was && was.Where(stays).ToList() is var left && left.Count < was.Count)
        {
            all.Clear();
            of[list] = left.Count == 0 ? null : new JsonArray([.. left]);
        }
    }

    private static IEnumerable<JsonObject> Objects(JsonNode? list) => (list as JsonArray ?? []).OfType<JsonObject>();

    private static string? Text(JsonNode? node) =>
        node is JsonValue value && value.GetValueKind() == JsonValueKind.String ? value.GetValue<string>() : null;

    private static JsonNode? Taken(JsonObject from, string field)
    {
        var value = from[field];
        from.Remove(field);
        return value;
    }

    /// <summary>The lines of a piece, gathered from where they were.</summary>
    private sealed class Lines(JsonObject piece)
    {
        private readonly HashSet<string> ids = [];

        public JsonArray All { get; } = [];

        /// <summary>Veins that fields do not have.</summary>
        public HashSet<(string Layer, string Region)> Veinless { get; } = [];

        public void TakeLayouts(JsonObject owner, string? layerId, string? zoneId)
        {
            if (owner["layout"] is JsonObject now && Text(now["kind"]) == "fields" && now["vein"] is null && layerId is not null)
            {
                Veinless.Add((layerId, zoneId is null ? "vein" : $"{zoneId}/vein"));
            }

            foreach (var layout in new[] { owner["layout"] as JsonObject }.OfType<JsonObject>().Concat(Objects(owner["aside"])))
            {
                Take(layout, layerId, zoneId);
            }
        }

        public void TakeDam(JsonObject spot)
        {
            if (Taken(spot, "damMm") is { } width && Text(spot["id"]) is { } id)
            {
                Add("dam", $"kept/{id}/dam", new JsonObject { ["kind"] = "round", ["spot"] = id },
                    new JsonObject { ["widthMm"] = width }, new JsonObject { ["kind"] = "barrier" });
            }
        }

        private void Take(JsonObject layout, string? layerId, string? zoneId)
        {
            string In(string region) => zoneId is null ? region : $"{zoneId}/{region}";
            if (Text(layout["kind"]) == "fields" && Taken(layout, "vein") is JsonObject vein)
            {
                var line = Add("vein", In("vein"), new JsonObject { ["kind"] = "borders" },
                    new JsonObject { ["widthMm"] = Taken(vein, "widthMm"), ["heightMm"] = Taken(vein, "thicknessMm") },
                    new JsonObject { ["kind"] = "resin", ["recipeId"] = Taken(vein, "recipeId") });
                Place(line, "fields", layerId, zoneId);
            }

            if (Text(layout["kind"]) == "pools" && Taken(layout, "beadMm") is var bead)
            {
                foreach (var stroke in Objects(Taken(layout, "strokes")))
                {
                    var was = Text(stroke["id"]) ?? "wall";
                    var line = Add(was, In("wall"), new JsonObject { ["kind"] = "drawn", ["spots"] = Taken(stroke, "spots") },
                        new JsonObject { ["widthMm"] = bead?.DeepClone() }, new JsonObject { ["kind"] = "barrier" });
                    Place(line, "pools", layerId, zoneId);
                    Renamed(was, Text(line["id"])!, layerId, zoneId);
                }
            }
        }

        private JsonObject Add(string id, string region, JsonObject course, JsonObject section, JsonObject material)
        {
            var free = ids.Contains(id) ? FreeId.Of(id[..Math.Min(id.Length, LongestStem)], ids) : id;
            ids.Add(free);
            var line = new JsonObject
            {
                ["id"] = free,
                ["region"] = region,
                ["course"] = course,
                ["section"] = section,
                ["material"] = material,
            };
            All.Add(line);
            return line;
        }

        private static void Place(JsonObject line, string kind, string? layerId, string? zoneId)
        {
            line["layerId"] = layerId;
            line["in"] = new JsonObject { ["kind"] = kind, ["zone"] = zoneId };
        }

        /// <summary>A finding that was dismissed at a wall names it by its id.</summary>
        private void Renamed(string was, string now, string? layerId, string? zoneId)
        {
            var at = zoneId is null ? $"near-miss@{layerId}/" : $"near-miss@{layerId}/{zoneId}/";
            foreach (var waved in Objects(piece["wavedOff"]).Where(_ => was != now))
            {
                foreach (var end in new[] { "start", "end" })
                {
                    if (Text(waved["finding"]) == $"{at}{was}/{end}")
                    {
                        waved["finding"] = $"{at}{now}/{end}";
                    }
                }
            }
        }

        /// <summary>So much of an id is kept where it needs a number: an id has up to 40 characters.</summary>
        private const int LongestStem = 34;
    }
}
