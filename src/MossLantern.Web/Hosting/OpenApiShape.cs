using System.Collections.Immutable;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Planning;
using MossLantern.Core.Units;
using MossLantern.Formats;
using NodaTime;

namespace MossLantern.Web.Hosting;

/// <summary>Tells the OpenAPI document what it cannot see: how times are written, and which fields always come.</summary>
internal static class OpenApiShape
{
    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer(async (document, context, stop) =>
        {
            await ListsAsync(document, context, nameof(Reckoned), typeof(Reckoned), stop);
            foreach (var (several, one) in Kinds.All.SelectMany(k => k.Names.Select(n => (k.Type, n.Type))))
            {
                await ListsAsync(document, context, several.Name + one.Name, one, stop);
            }

            Commands(document);
            Instants(document, typeof(PaintPot), typeof(PotTake));
            document.Info = new() { Title = "Moss Lantern", Version = "1" };
            document.Servers?.Clear();
        });
        options.AddOperationTransformer((operation, context, _) =>
        {
            Operations.Describe(operation, context.Description.HttpMethod ?? "", $"/{context.Description.RelativePath}");
            foreach (var (name, type) in context.Description.ParameterDescriptions
                .Select(p => (p.Name, Type: (p.ParameterDescriptor as IParameterInfoParameterDescriptor)?.ParameterInfo.ParameterType)))
            {
                // A value that is read from a word lists its words.
                if (type is not null && (Nullable.GetUnderlyingType(type) ?? type) is { IsGenericType: true } word
                    && word.GetGenericTypeDefinition() == typeof(Word<>)
                    && operation.Parameters?.FirstOrDefault(p => p.Name == name) is OpenApiParameter parameter)
                {
                    var words = (ImmutableArray<string>)word.GetProperty(nameof(Word<>.All))!.GetValue(null)!;
                    parameter.Schema = new OpenApiSchema { Type = JsonSchemaType.String, Enum = [.. words.Select(w => (JsonNode)w)] };
                }
            }

            return Task.CompletedTask;
        });
        options.AddSchemaTransformer((schema, context, _) =>
        {
            var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
            if (type == typeof(Instant) || type == typeof(LocalDateTime) || type == typeof(LocalDate))
            {
                // A field that may be empty says so itself; the type is shared and never empty.
                schema.Type = context.JsonPropertyInfo is { } field && Nullable.GetUnderlyingType(field.PropertyType) is not null
                    ? JsonSchemaType.String | JsonSchemaType.Null
                    : JsonSchemaType.String;
                schema.Format = type == typeof(Instant) ? "date-time" : type == typeof(LocalDate) ? "date" : "local-date-time";
                schema.Properties = null;
            }

            if (type == typeof(RegionId))
            {
                schema.Type = JsonSchemaType.String;
            }

            if (type == typeof(ImmutableArray<RegionId>))
            {
                schema.Items = new OpenApiSchema { Type = JsonSchemaType.String };
            }

            // The same holds for choices.
            if (type.IsEnum && schema.Enum is { } choices)
            {
                schema.Enum = [.. choices.Where(c => c?.GetValueKind() == JsonValueKind.String)];
            }

            foreach (var kinds in Kinds.All.Where(k => k.Type.IsAssignableFrom(type) && schema.Properties?.ContainsKey(k.Field) == true))
            {
                schema.Required ??= new HashSet<string>();
                schema.Required.Add(kinds.Field);
            }

            return Task.CompletedTask;
        });
    }

    /// <summary>What a command may have none of need not be sent; and its times are texts.</summary>
    private static void Commands(OpenApiDocument document)
    {
        foreach (var (type, _) in Kinds.All.Single(k => k.Type == typeof(Edit)).Names)
        {
            var schema = document.Components!.Schemas![nameof(Edit) + type.Name];
            foreach (var property in type.GetProperties())
            {
                var name = JsonNamingPolicy.CamelCase.ConvertName(property.Name);
                if (new NullabilityInfoContext().Create(property).ReadState == NullabilityState.Nullable)
                {
                    schema.Required?.Remove(name);
                }

                if (property.PropertyType == typeof(LocalDateTime?))
                {
                    schema.Properties![name] = new OpenApiSchema
                    {
                        Type = JsonSchemaType.String | JsonSchemaType.Null,
                        Format = "local-date-time"
                    };
                }
            }
        }
    }

    /// <summary>An instant that may be empty says so itself; the shared one never is.</summary>
    private static void Instants(OpenApiDocument document, params ReadOnlySpan<Type> types)
    {
        document.Components!.Schemas![nameof(Instant)] = new OpenApiSchema { Type = JsonSchemaType.String, Format = "date-time" };
        foreach (var type in types)
        {
            foreach (var property in type.GetProperties().Where(p => p.PropertyType == typeof(Instant?)))
            {
                document.Components.Schemas[type.Name].Properties![JsonNamingPolicy.CamelCase.ConvertName(property.Name)] =
                    new OpenApiSchema { Type = JsonSchemaType.String | JsonSchemaType.Null, Format = "date-time" };
            }
        }
    }

    /// <summary>The generator loses the type of a list that it has met deeper down before: every list of a type is told anew.</summary>
    private static async Task ListsAsync(
        OpenApiDocument document, OpenApiDocumentTransformerContext context, string name, Type type, CancellationToken stop)
    {
        if (document.Components?.Schemas is not { } known || !known.TryGetValue(name, out var schema)
            || schema.Properties is not { } properties)
        {
            return;
        }

        foreach (var kinds in Kinds.All.Where(k => k.Type.IsAssignableFrom(type) && properties.ContainsKey(k.Field)))
        {
            if (schema is OpenApiSchema own)
            {
                own.Required ??= new HashSet<string>();
                own.Required.Add(kinds.Field);
            }
        }

        foreach (var property in type.GetProperties())
        {
            var list = Nullable.GetUnderlyingType(property.PropertyType) ?? property.PropertyType;
            var field = JsonNamingPolicy.CamelCase.ConvertName(property.Name);
            if (!list.IsGenericType || list.GetGenericTypeDefinition() != typeof(ImmutableArray<>) || !properties.ContainsKey(field))
            {
                continue;
            }

            var item = list.GetGenericArguments()[0];
            if (item != typeof(string) && !known.ContainsKey(item.Name))
            {
                document.AddComponent(item.Name, await context.GetOrCreateSchemaAsync(item, null, stop));
            }

            properties[field] = new OpenApiSchema
            {
                Type = list == property.PropertyType ? JsonSchemaType.Array : JsonSchemaType.Array | JsonSchemaType.Null,
                Items = item == typeof(string) ? new OpenApiSchema { Type = JsonSchemaType.String }
                    : new OpenApiSchemaReference(item.Name, document),
            };
        }
    }
}
