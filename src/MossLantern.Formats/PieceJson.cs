using System.Text.Json;
using System.Text.Json.Nodes;
using MossLantern.Core.Documents;
using MossLantern.Core.Documents.Upgrades;

namespace MossLantern.Formats;

/// <summary>A piece's document that cannot be read.</summary>
public sealed class PieceFormatException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>Reads and writes a piece as a versioned JSON document.</summary>
public static class PieceJson
{
    /// <summary>Marks a document as ours.</summary>
    public const string Format = "moss-lantern-piece";

    private static readonly JsonDocumentOptions Reading = new() { MaxDepth = WorkshopJson.MaxDepth };

    private sealed record Document(string Format, int FormatVersion, Piece Piece);

    /// <summary>Writes a piece.</summary>
    public static string Write(Piece piece) =>
        JsonSerializer.Serialize(new Document(Format, Piece.FormatVersion, piece), WorkshopJson.Options);

    /// <summary>Reads a piece that this or an earlier version of the program has kept.</summary>
    /// <exception cref="PieceFormatException">The text is not such a document; the message says where.</exception>
    public static Piece Read(string text) => Read(text, WorkshopJson.Options);

    /// <summary>Reads a piece from a file that comes from elsewhere; a byte-order mark at its start is passed over.</summary>
    /// <exception cref="PieceFormatException">The text is not such a document, or holds what cannot be kept; the
    /// message says where.</exception>
    public static Piece ReadFromOutside(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return Read(text.TrimStart('\ufeff'), WorkshopJson.FromOutside);
    }

    /// <summary>An earlier document in today's format; nothing of it is written back.</summary>
    private static JsonNode Upgraded(string text, int format)
    {
        var document = JsonNode.Parse(text, null, Reading with { AllowDuplicateProperties = false })!;
        if (document["piece"] is JsonObject piece)
        {
            Upgrade.ToToday(piece, format);
            document["formatVersion"] = Piece.FormatVersion;
        }

        return document;
    }

    private static Piece Read(string text, JsonSerializerOptions options)
    {
        try
        {
            using var json = JsonDocument.Parse(text, Reading);
            if (json.RootElement.ValueKind != JsonValueKind.Object
                || !json.RootElement.TryGetProperty("format", out var format)
                || format.ValueKind != JsonValueKind.String || format.GetString() != Format)
            {
                throw new PieceFormatException("This is not a Moss Lantern piece.");
            }

            if (!json.RootElement.TryGetProperty("formatVersion", out var version)
                || version.ValueKind != JsonValueKind.Number || !version.TryGetInt32(out var number) || number < 1)
            {
                throw new PieceFormatException("The piece does not say which version of the format it is in.");
            }

            if (number > Piece.FormatVersion)
            {
                throw new PieceFormatException($"The piece is in format version {number}; this program reads up to {Piece.FormatVersion}.");
            }

            return number == Piece.FormatVersion ? json.Deserialize<Document>(options)!.Piece
                : Upgraded(text, number).Deserialize<Document>(options)!.Piece;
        }
        catch (UnsoundValueException e)
        {
            throw new PieceFormatException($"The piece cannot be read: {e.Path?.TrimStart('$').TrimStart('.')} {e.Message}.", e);
        }
        catch (JsonException e)
        {
            throw new PieceFormatException($"The piece cannot be read at {e.Path ?? "its start"}.", e);
        }
        catch (NotSupportedException e)
        {
            // What is of several kinds does not say which it is; only the message knows where.
            var at = e.Message.IndexOf("Path: ", StringComparison.Ordinal) is >= 0 and var from
                ? e.Message[(from + 6)..].Split(' ')[0].TrimEnd('.') : "some place";
            throw new PieceFormatException($"The piece cannot be read at {at}: it does not say of which kind that is.", e);
        }
    }
}
