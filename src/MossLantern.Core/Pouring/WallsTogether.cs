using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pouring;

/// <summary>All walls of a layout together.</summary>
/// <param name="ZoneId">The zone of the layer that they stand in; null for the layer itself.</param>
/// <param name="Length">How long they are.</param>
/// <param name="Ml">What they take; null while that is not known of one.</param>
/// <param name="Grams">Their mass; null where one is not mixed by weight.</param>
/// <param name="Tubes">Tubes for them; null where one comes from none.</param>
/// <param name="Dry">How long the last of them takes until resin may meet it; null while that is not known of one.</param>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
public sealed record WallsTogether(
    string? ZoneId, Reckoned Length, Reckoned? Ml, Reckoned? Grams, Reckoned? Tubes, Reckoned? Dry)
{
    /// <summary>The walls of each layout of a layer that has some.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="lines">What was worked out for its lines.</param>
    public static ImmutableArray<WallsTogether> Of(FilledLayer layer, ImmutableArray<LinePlan> lines)
    {
        ArgumentNullException.ThrowIfNull(layer);
        var walls = layer.Filling.Lines.Where(l => l.IsBarrier).ToDictionary(l => l.Id);
        return [.. lines.Where(l => walls.ContainsKey(l.LineId)).GroupBy(l => walls[l.LineId].In!.Zone).Select(g => Of(g.Key, [.. g]))];
    }

    private static WallsTogether Of(string? zoneId, ImmutableArray<LinePlan> walls)
    {
        return new(zoneId, Sum(l => l.Length)!, Sum(l => l.Ml), Sum(l => l.Grams), Sum(l => l.Tubes),
            All(l => l.Dry, Formulas.WallsReady, i => i.Max()));

        Reckoned? Sum(Func<LinePlan, Reckoned?> of) => All(of, Formulas.WallsTogether, i => i.Sum());

        // What is not known of one wall is not known of all.
        Reckoned? All(Func<LinePlan, Reckoned?> of, string formula, Func<IEnumerable<double>, double> over) =>
            walls.Any(w => of(w) is null) ? null : new(over(walls.Select(w => of(w)!.Value)), of(walls[0])!.Unit, formula,
                [.. walls.Select((w, i) => new ReckonedInput(FormattableString.Invariant($"{i + 1}: {w.Name}"), of(w)!.Value,
                    of(w)!.Unit, Origin.Reckoned))]);
    }
}
