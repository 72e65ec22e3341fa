using System.Collections;
using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using MossLantern.Core.Edits;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;

namespace MossLantern.Formats;

/// <summary>One way of writing JSON, for the interface and for stored documents.</summary>
public static class WorkshopJson
{
    /// <summary>Camel-case names, kebab-case enums, strict numbers, unknown and missing fields refused. For what this
    /// program has kept.</summary>
    public static JsonSerializerOptions Options { get; } = Create(new KeptText());

    /// <summary>The same for what comes from elsewhere: text that cannot be shown is refused, not left out.</summary>
    public static JsonSerializerOptions FromOutside { get; } = Create(new SoundText());

    /// <summary>How deep values may be nested.</summary>
    internal const int MaxDepth = 32;

    /// <summary>The shape alone, to be described: a schema cannot look into converters.</summary>
    internal static JsonSerializerOptions Shape { get; } = Create();

    /// <summary>Applies the rules for what comes from elsewhere to options that something else owns.</summary>
    /// <param name="options">The options.</param>
    /// <param name="described">Whether only the shape is described with them.</param>
    public static void Apply(JsonSerializerOptions options, bool described = false)
    {
        ArgumentNullException.ThrowIfNull(options);
        if (described)
        {
            Apply(options, []);
            return;
        }

        // Options that are alike to the instance share what was found out of the types, which takes a second.
        Rules(options);
        options.TypeInfoResolver = FromOutside.TypeInfoResolver;
        foreach (var converter in FromOutside.Converters)
        {
            options.Converters.Add(converter);
        }
    }

    private static void Apply(JsonSerializerOptions options, JsonConverter[] values)
    {
        ArgumentNullException.ThrowIfNull(options);
        foreach (var converter in values)
        {
            options.Converters.Add(converter);
        }

        Rules(options);
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false));
        options.Converters.Add(new RegionIdText());
        options.ConfigureForNodaTime(DateTimeZoneProviders.Tzdb);
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver())
            .WithAddedModifier(RefuseEmptyEntries).WithAddedModifier(Kinds.Name).WithAddedModifier(LeaveOut);
    }

    private static void Rules(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.PropertyNameCaseInsensitive = false;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.AllowOutOfOrderMetadataProperties = true;
        options.MaxDepth = MaxDepth;
    }

    /// <summary>What a command may have none of need not be sent.</summary>
    private static void LeaveOut(JsonTypeInfo info)
    {
        if (info.Type.IsSubclassOf(typeof(Edit)))
        {
            foreach (var property in info.Properties.Where(p => p.IsSetNullable))
            {
                property.IsRequired = false;
            }
        }
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

    private static JsonSerializerOptions Create(params JsonConverter[] values)
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        Apply(options, values);
        return options;
    }
}
