using System.Text.Json;
using System.Text.Json.Nodes;
using MossLantern.Core.Documents;
using MossLantern.Core.Documents.Upgrades;

namespace MossLantern.Formats;

/// <summary>Reads and writes what the cupboard keeps, a mould or a pot of paint, as JSON.</summary>
public static class CupboardJson
{
    /// <summary>Writes a thing.</summary>
    public static string Write<T>(T thing) => JsonSerializer.Serialize(thing, WorkshopJson.Options);

    /// <summary>Reads a thing that was written by this program.</summary>
    /// <exception cref="PieceFormatException">The text is not such a document; the message says where.</exception>
    public static T Read<T>(string text)
    {
        try
        {
            var thing = JsonNode.Parse(text);
            if (typeof(T) == typeof(KeptSequence) && thing is JsonObject sequence)
            {
                Upgrade.SequenceToToday(sequence);
            }

            return thing.Deserialize<T>(WorkshopJson.Options)!;
        }
        catch (JsonException e)
        {
            throw new PieceFormatException($"What is saved in the Cupboard cannot be read at {e.Path ?? "its start"}.", e);
        }
    }
}
