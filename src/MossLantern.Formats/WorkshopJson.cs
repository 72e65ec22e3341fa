using System.Collections;
using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;

namespace MossLantern.Formats;

/// <summary>One way of writing JSON, for the interface and for stored documents.</summary>
public static class WorkshopJson
{
    /// <summary>Camel-case names, kebab-case enums, strict numbers, unknown and missing fields refused.</summary>
    public static JsonSerializerOptions Options { get; } = Create();

    /// <summary>Applies the same rules to options that something else owns.</summary>
    public static void Apply(JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(options);
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.PropertyNameCaseInsensitive = false;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.AllowOutOfOrderMetadataProperties = true;
        options.MaxDepth = 32;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false));
        options.ConfigureForNodaTime(DateTimeZoneProviders.Tzdb);
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(RefuseEmptyEntries);
    }

    /// <summary>An entry of a list is never null; the serializer looks only at fields.</summary>
    private static void RefuseEmptyEntries(JsonTypeInfo info)
    {
        if (info.Kind == JsonTypeInfoKind.Enumerable
            && info.Type is { IsGenericType: true } type && type.GetGenericTypeDefinition() == typeof(ImmutableArray<>)
            && !type.GenericTypeArguments[0].IsValueType)
        {
            info.OnDeserialized = list =>
            {
                if (((IEnumerable)list).Cast<object?>().Contains(null))
                {
                    throw new JsonException("An entry of a list is null.");
                }
            };
        }
    }

    private static JsonSerializerOptions Create()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        Apply(options);
        return options;
    }
}
