using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>One colour in place of another.</summary>
/// <param name="From">The colour as it is, <c>#rrggbb</c>.</param>
/// <param name="To">The colour it becomes.</param>
public sealed record ColourChange(string From, string To);

/// <summary>A piece once more in other colours.</summary>
public static class Colourway
{
    /// <summary>A copy under another name: everything that was planned, in other colours, and nothing of what was done
    /// to the first.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="name">Name of the copy.</param>
    /// <param name="changes">The colours that change, wherever a cup has them.</param>
    public static Piece Of(Piece piece, string name, ImmutableArray<ColourChange> changes)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var to = changes.GroupBy(c => c.From.ToLowerInvariant()).ToDictionary(g => g.Key, g => g.Last().To);
        return piece with
        {
            Name = name,
            Ground = piece.Ground with { Done = null, Level = null },
            Recipes = [.. piece.Recipes.Select(r => to.TryGetValue(r.Colour.ToLowerInvariant(), out var colour)
                ? r with { Colour = colour, Seen = null } : r).Select(r => r with
            {
                Doses = [.. r.Doses.Select(d => d.Colour is { } own
                    && to.TryGetValue(own.ToLowerInvariant(), out var colour) ? d with { Colour = colour } : d)],
                Frozen = false,
            })],
            Sittings = [.. piece.Sittings.Select(s => s with { Start = null, End = null })],
            WavedOff = null,
        };
    }
}
