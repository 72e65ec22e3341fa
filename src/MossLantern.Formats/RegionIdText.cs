using System.Text.Json;
using System.Text.Json.Serialization;
using MossLantern.Core.Documents;

namespace MossLantern.Formats;

/// <summary>Writes the id of a region as its text.</summary>
internal sealed class RegionIdText : JsonConverter<RegionId>
{
    /// <inheritdoc/>
    public override RegionId Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        RegionId.Parse(((JsonConverter<string>)options.GetConverter(typeof(string)))
            .Read(ref reader, typeof(string), options) ?? throw new JsonException());

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, RegionId value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString());
}
