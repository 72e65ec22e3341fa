using System.Text.Json.Nodes;

namespace MossLantern.Core.Documents.Upgrades;

/// <summary>
/// Format 3 to 4: a recipe that is filled from others may be tinted further. Until then what was stirred into one counted for nothing, so
/// it goes.
/// </summary>
internal static class FromFormat3
{
    /// <summary>A piece, and the older work beneath it.</summary>
    public static void Piece(JsonObject piece)
    {
        Recipes(piece);
        if (piece["ground"] is JsonObject ground && ground["old"] is JsonObject old)
        {
            Piece(old);
        }
    }

    /// <summary>The recipes of a piece or of a sequence.</summary>
    public static void Recipes(JsonObject holder)
    {
        foreach (var recipe in (holder["recipes"] as JsonArray ?? []).OfType<JsonObject>()
            .Where(r => r["of"] is JsonArray && r["doses"] is JsonArray))
        {
            recipe["doses"] = new JsonArray();
        }
    }
}
