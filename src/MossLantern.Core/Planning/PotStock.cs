using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Planning;

/// <summary>What a piece takes out of a pot.</summary>
/// <param name="Piece">The piece's name.</param>
/// <param name="Take">What it takes.</param>
public sealed record PotUse(string Piece, PotTake Take);

/// <summary>How a pot stands: what was measured in it, less what was taken since, beside what is still to be taken.</summary>
/// <param name="Left">What is left in it now.</param>
/// <param name="SpokenFor">What pieces are still to take of it; null for nothing.</param>
/// <param name="Short">What is missing for all of that; null where nothing is.</param>
/// <param name="Uses">What has been taken since it was measured, and what is still to be.</param>
/// <remarks>Source: docs/craft/grounds.md, Pots.</remarks>
public sealed record PotStock(Reckoned Left, Reckoned? SpokenFor, Reckoned? Short, ImmutableArray<PotUse> Uses)
{
    /// <summary>How a pot stands.</summary>
    /// <param name="pot">The pot.</param>
    /// <param name="uses">All that is taken out of it, or was at any time.</param>
    public static PotStock Of(PaintPot pot, IEnumerable<PotUse> uses)
    {
        ArgumentNullException.ThrowIfNull(pot);
        ArgumentNullException.ThrowIfNull(uses);

        // What was taken before it was measured is not in it any more already. Where nobody noted when, it counts:
        // paint that may be gone is not promised.
        ImmutableArray<PotUse> counted = [.. uses
            .Where(u => !u.Take.Taken || u.Take.At is not { } at || pot.MeasuredAt is not { } measured || at > measured)];
        ReckonedInput was = new("measured in the pot", pot.LeftMl, "ml", Origin.Measured);
        ImmutableArray<ReckonedInput> taken = [.. counted.Where(u => u.Take.Taken).Select(Told)],
        spoken = [.. counted.Where(u => !u.Take.Taken).Select(Told)];
        var left = Math.Max(0, pot.LeftMl - taken.Sum(t => t.Value));
        var wanted = spoken.Sum(t => t.Value);
        return new(
            new(left, "ml", taken.IsEmpty ? Formulas.Stated : Formulas.PotNow, [was, .. taken]),
            spoken.IsEmpty ? null : new(wanted, "ml", Formulas.PotSpokenFor, spoken),
            wanted > left ? Reckoned.Of(wanted - left, "ml", Formulas.PotShort,
                new("spoken for", wanted, "ml", Origin.Reckoned), new("left in the pot", left, "ml", Origin.Reckoned)) : null,
            counted);
    }

    private static ReckonedInput Told(PotUse use) => new($"{use.Piece}: {use.Take.What}", use.Take.Ml, "ml", Origin.Reckoned);
}
