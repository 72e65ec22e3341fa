using System.Collections.Immutable;
using System.Text.Json.Nodes;

namespace MossLantern.Core.Documents.Upgrades;

/// <summary>Brings a piece's document of an earlier format to the one of today, a format at a time.</summary>
/// <remarks>Source: docs/formats.md, Earlier formats.</remarks>
public static class Upgrade
{
    /// <summary>From each earlier format to the next, the first first.</summary>
    private static readonly ImmutableArray<Action<JsonObject>> Steps =
        [FromFormat1.Piece, OnlyAdded, FromFormat3.Piece, OnlyAdded, OnlyAdded, FromFormat6.Piece, OnlyAdded];

    /// <summary>Brings a piece to today's format, in place. What is not shaped as that format says stays as it is, for
    /// the reader to refuse.</summary>
    /// <param name="piece">The piece's own object.</param>
    /// <param name="format">The format it is in, from 1 to <see cref="Piece.FormatVersion"/>.</param>
    /// <exception cref="FluentValidation.ValidationException">It holds more of something than any piece may.</exception>
    public static void ToToday(JsonObject piece, int format)
    {
        foreach (var step in Steps.Skip(format - 1))
        {
            step(piece);
        }
    }

    /// <summary>Format 3 only added to format 2, batches of a sitting and its jug; format 5 to format 4, second
    /// cups and what is measured by eye; format 6 to format 5, shares that several batches have in a cup; and format 8 to
    /// format 7, what lines are laid of, how they run and that they are laid, and how the edge is taped.</summary>
    private static void OnlyAdded(JsonObject piece)
    {
    }

    /// <summary>Brings a kept sequence to today's format, in place: the first had cups where later ones have recipes.</summary>
    public static void SequenceToToday(JsonObject sequence)
    {
        ArgumentNullException.ThrowIfNull(sequence);
        if (sequence.ContainsKey("cups"))
        {
            FromFormat1.Sequence(sequence);
            FromFormat3.Recipes(sequence);
        }
    }
}
