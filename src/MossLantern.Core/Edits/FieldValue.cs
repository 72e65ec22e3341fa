using System.Text.Json;
using NodaTime;
using NodaTime.Text;

namespace MossLantern.Core.Edits;

/// <summary>Values of fields, as they are written in documents.</summary>
internal static class FieldValue
{
    /// <summary>Reads a value for a field of a type.</summary>
    /// <returns>Whether it is one.</returns>
    public static bool TryRead(JsonElement? written, Type type, out object? value)
    {
        value = null;
        var own = Nullable.GetUnderlyingType(type) ?? type;
        if (written is not { ValueKind: not (JsonValueKind.Null or JsonValueKind.Undefined) } json)
        {
            return own != type || (!type.IsValueType && type != typeof(string));
        }

        value = json.ValueKind switch
        {
            JsonValueKind.Number when own == typeof(double) && json.TryGetDouble(out var number) && double.IsFinite(number) => number,
            JsonValueKind.Number when own == typeof(int) && json.TryGetDouble(out var number)
                && Math.Abs(number) < int.MaxValue => (int)Rounded.Whole(number),
            JsonValueKind.True or JsonValueKind.False when own == typeof(bool) => json.GetBoolean(),
            JsonValueKind.String when own == typeof(string) => json.GetString(),
            JsonValueKind.String when own == typeof(LocalDateTime)
                && LocalDateTimePattern.ExtendedIso.Parse(json.GetString()!) is { Success: true } time => time.Value,
            JsonValueKind.String when own.IsEnum =>
                Enum.GetNames(own).Where(n => JsonNamingPolicy.KebabCaseLower.ConvertName(n) == json.GetString())
                .Select(n => Enum.Parse(own, n)).FirstOrDefault(),
            _ => null,
        };
        return value is not null;
    }
}
