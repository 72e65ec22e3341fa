using System.Text.Json;
using System.Text.Json.Serialization;

namespace MossLantern.Formats;

/// <summary>Something in a JSON text is of the right type and yet nothing that can be kept; the message says what it is.</summary>
public sealed class UnsoundValueException(string message, Exception? inner = null) : JsonException(message, inner);

/// <summary>Text that can be shown, searched and written to any format: characters that steer a terminal or end a
/// string are refused.</summary>
internal sealed class SoundText : JsonConverter<string>
{
    private const string Sentence = "holds a character that cannot be shown";

    public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.String)
        {
            throw new JsonException();
        }

        string? text;
        try
        {
            text = reader.GetString();
        }
        catch (InvalidOperationException e)
        {
            // Half a character, escaped.
            throw new UnsoundValueException(Sentence, e);
        }

        return text is null || text.All(IsSound) ? text : throw new UnsoundValueException(Sentence);
    }

    public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(writer);
        writer.WriteStringValue(value);
    }

    /// <summary>Lines may end and words may be set apart; other control characters are not text.</summary>
    internal static bool IsSound(char c) => c is '\n' or '\r' or '\t' || !(char.IsControl(c) || c is '\ufffe' or '\uffff');
}

/// <summary>Text as an earlier program kept it: what cannot be shown is left out, so that the rest can be read.</summary>
internal sealed class KeptText : JsonConverter<string>
{
    public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.String)
        {
            throw new JsonException();
        }

        var text = reader.GetString();
        return text is null || text.All(SoundText.IsSound) ? text : string.Concat(text.Where(SoundText.IsSound));
    }

    public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(writer);
        writer.WriteStringValue(value);
    }
}
