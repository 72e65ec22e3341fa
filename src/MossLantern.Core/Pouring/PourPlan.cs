using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pouring;

/// <summary>One pour of a sitting.</summary>
/// <param name="LayerId">The layer of the region it fills.</param>
/// <param name="RegionId">The region it fills.</param>
/// <param name="CupId">The cup it comes from.</param>
/// <param name="PourMl">How much, ml.</param>
/// <param name="LeftInCupMl">What should be left in the cup after it, ml, loss included; null where it is mixed by eye.</param>
/// <param name="Pass">Which pass of the sitting over the region, from 0.</param>
/// <param name="EachMl">How much for each copy, ml; null where there is one.</param>
/// <param name="Done">Whether it was poured, by the log of the sitting.</param>
public sealed record PlannedPour(string LayerId, RegionId RegionId, string CupId, Reckoned PourMl,
    Reckoned? LeftInCupMl, int Pass = 0, Reckoned? EachMl = null, bool Done = false)
{
    /// <summary>The region, and whose it is.</summary>
    internal RegionOf Of => new(LayerId, RegionId);
}

/// <summary>The order of pours.</summary>
/// <remarks>Source: docs/craft/pouring.md, Order.</remarks>
public static class PourPlan
{
    /// <summary>
    /// What a sitting pours, in turn: the artist's order first, then the regions it does not name in the usual one,
    /// layer by layer. A region
    /// that is poured in several passes takes its place again in each. What takes nothing is left out.
    /// </summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="regions">What it pours.</param>
    /// <param name="usual">The usual order of its layers, lowest first.</param>
    public static ImmutableArray<RegionVolume> InOrder(Sitting sitting, ImmutableArray<RegionVolume> regions,
        ImmutableArray<(string LayerId, PourOrder Order)> usual)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        var place = (sitting.Order ?? []).Concat(usual.SelectMany(u => u.Order.RegionIds.Select(id => new RegionOf(u.LayerId, id))))
            .Distinct().Select((of, at) => (of, at)).ToDictionary(p => p.of, p => p.at);
        return [.. regions.Where(r => r.PourMl.Value > 0).OrderBy(r => r.Pass)
            .ThenBy(r => place.GetValueOrDefault(new(r.LayerId, r.RegionId), int.MaxValue))];
    }

    /// <summary>The pours of a sitting, with what is left in the cups after each.</summary>
    /// <param name="inOrder">What it pours, in turn.</param>
    /// <param name="cups">Its cups.</param>
    /// <param name="copies">For how many copies it is mixed.</param>
    /// <param name="choices">How much is mixed in single cups, where it is not what is planned; null for nothing.</param>
    /// <param name="amounts">What was poured where that was noted: it counts in place of what is planned; null for nowhere.</param>
    public static ImmutableArray<PlannedPour> Of(ImmutableArray<RegionVolume> inOrder, CupPlan cups, int copies = 1,
        ImmutableArray<CupChoice>? choices = null, ImmutableArray<PouredAmount>? amounts = null)
    {
        ArgumentNullException.ThrowIfNull(cups);
        var noted = (amounts ?? []).ToLookup(a => (a.Of, a.Pass), a => a.Ml);
        var byEye = (choices ?? []).Where(c => c.ByEye).Select(c => c.RecipeId).ToHashSet();
        var left = cups.Cups
            .ToDictionary(c => c.CupId, c => c.ReallyMixedMl(choices) - c.DrawnMl);
        return [.. inOrder.Select(Step)];

        PlannedPour Step(RegionVolume region)
        {
            var before = left[region.CupId];
            var told = noted[(new(region.LayerId, region.RegionId), region.Pass)].Select(ml => (double?)ml).FirstOrDefault();
            var after = left[region.CupId] = before - (told ?? region.PourMl.Value);
            return new(region.LayerId, region.RegionId, region.CupId, region.PourMl,
                byEye.Contains(region.CupId) ? null : Reckoned.Of(after, "ml", Formulas.LeftInCup,
                new("in the cup before", before, "ml", Origin.Reckoned),
                new("poured", told ?? region.PourMl.Value, "ml", told is null ? Origin.Reckoned : Origin.Measured)), region.Pass,
                copies == 1 ? null : Reckoned.Of(region.PourMl.Value / copies, "ml", Formulas.EachCopy,
                    new("poured", region.PourMl.Value, "ml", Origin.Reckoned), new("copies", copies, "", Origin.Reckoned)));
        }
    }
}
