using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Plans;

/// <summary>What lies on top of a layer that several sittings fill.</summary>
/// <remarks>Source: docs/craft/curing.md, Windows.</remarks>
internal static class SittingsOnTop
{
    /// <summary>The sittings that pour the last pass over some region of a layer, in their order.</summary>
    /// <param name="layerId">The layer.</param>
    /// <param name="sittings">The sittings of its piece, in their order.</param>
    /// <param name="poured">Whether only what was really poured lies over what is below it; else what is planned does, too.</param>
    public static ImmutableArray<SittingPlan> Of(string layerId, ImmutableArray<SittingPlan> sittings, bool poured = false)
    {
        // Read from the top down, a region is first met in its last pass.
        var covered = new HashSet<RegionOf>();
        List<SittingPlan> found = [];
        foreach (var sitting in sittings.Reverse())
        {
            var own = sitting.Pours.Select(p => p.Of).Where(r => r.LayerId == layerId).Distinct().ToList();
            if (own.Any(r => !covered.Contains(r)))
            {
                found.Insert(0, sitting);
            }

            covered.UnionWith(poured ? own.Where(sitting.Begun.Contains) : own);
        }

        return [.. found];
    }
}
