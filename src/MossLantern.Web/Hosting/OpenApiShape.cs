using System.Text.Json;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Web.Hosting;

/// <summary>Tells the OpenAPI document what it cannot see: how times are written, and which fields always come.</summary>
internal static class OpenApiShape
{
    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer((document, _, _) =>
        {
            // The generator loses the type of a list that it has met deeper down before.
            if (document.Components?.Schemas?[nameof(Reckoned)].Properties is { } reckoned)
            {
                reckoned["inputs"] = new OpenApiSchema
                {
                    Type = JsonSchemaType.Array,
                    Items = new OpenApiSchemaReference(nameof(ReckonedInput), document),
                };
            }

            document.Info = new() { Title = "Moss Lantern", Version = "1" };
            document.Servers?.Clear();
            return Task.CompletedTask;
        });
        options.AddSchemaTransformer((schema, context, _) =>
        {
            var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
            if (type == typeof(Instant) || type == typeof(LocalDateTime))
            {
                // A field that may be empty says so itself; the type is shared and never empty.
                schema.Type = JsonSchemaType.String;
                schema.Format = type == typeof(Instant) ? "date-time" : "local-date-time";
                schema.Properties = null;
            }

            // The same holds for choices.
            if (type.IsEnum && schema.Enum is { } choices)
            {
                schema.Enum = [.. choices.Where(c => c?.GetValueKind() == JsonValueKind.String)];
            }

            if (typeof(Outline).IsAssignableFrom(type) && schema.Properties?.ContainsKey("shape") == true)
            {
                schema.Required ??= new HashSet<string>();
                schema.Required.Add("shape");
            }

            return Task.CompletedTask;
        });
    }
}
