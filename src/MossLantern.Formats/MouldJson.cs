using System.Text.Json;
using MossLantern.Core.Grounds;

namespace MossLantern.Formats;

/// <summary>Reads and writes a mould of the library as JSON.</summary>
public static class MouldJson
{
    /// <summary>Writes a mould.</summary>
    public static string Write(LibraryMould mould) => JsonSerializer.Serialize(mould, WorkshopJson.Options);

    /// <summary>Reads a mould that was written by this program.</summary>
    /// <exception cref="PieceFormatException">The text is not such a document; the message says where.</exception>
    public static LibraryMould Read(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<LibraryMould>(text, WorkshopJson.Options)!;
        }
        catch (JsonException e)
        {
            throw new PieceFormatException($"The mould cannot be read at {e.Path ?? "its start"}.", e);
        }
    }
}
