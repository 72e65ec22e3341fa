using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pouring;

/// <summary>One pour of a layer.</summary>
/// <param name="RegionId">The region it fills.</param>
/// <param name="CupId">The cup it comes from.</param>
/// <param name="PourMl">How much, ml.</param>
/// <param name="LeftInCupMl">What should be left in the cup after it, ml, loss included.</param>
public sealed record PourStep(RegionId RegionId, string CupId, Reckoned PourMl, Reckoned LeftInCupMl);

/// <summary>The order of pours.</summary>
/// <remarks>Source: docs/craft/pouring.md, Order.</remarks>
public static class PourPlan
{
    /// <summary>
    /// The pours of a layer: the artist's order first, then the regions it does not name in the usual one. Regions without
    /// area are left out.
    /// </summary>
    /// <param name="layer">A valid layer.</param>
    /// <param name="cups">Its cups.</param>
    /// <param name="usual">The usual order of its regions.</param>
    public static ImmutableArray<PourStep> Of(FilledLayer layer, CupPlan cups, PourOrder usual)
    {
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(cups);
        ArgumentNullException.ThrowIfNull(usual);
        var fromHeart = cups.Regions.Where(r => r.PourMl.Value > 0).ToDictionary(r => r.RegionId);
        var order = layer.PourOrder.Where(fromHeart.ContainsKey).Distinct()
            .Concat(usual.RegionIds.Where(id => fromHeart.ContainsKey(id) && !layer.PourOrder.Contains(id)));
        var left = cups.Cups.ToDictionary(c => c.CupId, c => c.MixMl.Value - c.DrawnMl);
        return [.. order.Select(id => fromHeart[id]).Select(Step)];

        PourStep Step(RegionVolume region)
        {
            var before = left[region.CupId];
            var after = left[region.CupId] = before - region.PourMl.Value;
            return new(region.RegionId, region.CupId, region.PourMl, Reckoned.Of(after, "ml", Formulas.LeftInCup,
                new("in the cup before", before, "ml", Origin.Reckoned),
                new("poured", region.PourMl.Value, "ml", Origin.Reckoned)));
        }
    }
}
