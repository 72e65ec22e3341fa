using MossLantern.Core.Documents;

namespace MossLantern.Core.Painting;

/// <summary>What of a piece is painted.</summary>
/// <remarks>Source: docs/craft/map.md, Painting.</remarks>
public static class Painted
{
    /// <summary>A piece without what its painting never shows: names, times, amounts, and what was waved off. Two pieces of
    /// which this is the same are painted alike.</summary>
    /// <param name="piece">The piece.</param>
    public static Piece Of(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return piece with
        {
            Name = "",
            WavedOff = null,
            Recipes = [.. piece.Recipes.Select(r => r with { Name = "", Frozen = false, Trials = null })],
            Layers = [.. piece.Layers.Select(l => l with { Name = "" })],
            Sittings =
            [
                .. piece.Sittings.Select(s =>
                    new Sitting(s.Id, s.Rest, s.Resin, default, Fills: s.Fills, Order: s.Order)),
            ],
        };
    }
}
