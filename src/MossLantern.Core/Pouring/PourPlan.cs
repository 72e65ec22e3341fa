using System.Collections.Immutable;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pouring;

/// <summary>One pour of a layer.</summary>
/// <param name="RegionId">The region it fills.</param>
/// <param name="CupId">The cup it comes from.</param>
/// <param name="PourMl">How much, ml.</param>
/// <param name="LeftInCupMl">What should be left in the cup after it, ml, loss included.</param>
public sealed record PourStep(string RegionId, string CupId, Reckoned PourMl, Reckoned LeftInCupMl);

/// <summary>The order of pours.</summary>
/// <remarks>Source: docs/craft/pouring.md, Order.</remarks>
public static class PourPlan
{
    /// <summary>
    /// The pours of a layer: the artist's order first, then the regions it does not name, ring by ring from the heart.
    /// Regions without area are left out.
    /// </summary>
    public static ImmutableArray<PourStep> Of(Layer layer, CupPlan cups)
    {
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(cups);
        var fromHeart = cups.Regions.Where(r => r.PourMl.Value > 0).ToDictionary(r => r.RegionId);
        var order = layer.PourOrder.Where(fromHeart.ContainsKey).Distinct()
            .Concat(fromHeart.Keys.Where(id => !layer.PourOrder.Contains(id)));
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
