using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>Grounds that are cast in moulds of the library.</summary>
/// <remarks>Source: docs/craft/grounds.md, Mould library.</remarks>
public static class InMoulds
{
    /// <summary>A ground cast in one mould of the library, or in several different ones that stand beside each other
    /// and are filled together.</summary>
    /// <param name="ground">The ground of a casting.</param>
    /// <param name="moulds">The moulds with their ids, at least one.</param>
    public static Ground Cast(Ground ground, ImmutableArray<(string Id, LibraryMould Mould)> moulds)
    {
        ArgumentNullException.ThrowIfNull(ground);
        var was = ground.Mould;
        var ids = moulds.Select(m => m.Id).Where(id => id.Length > 0).ToImmutableArray();
        var first = moulds[0].Mould;
        if (moulds.Length == 1)
        {
            return ground with
            {
                Outline = first.Outline,
                SideHeightMm = first.DepthMm,
                Supports = null,
                Mould = first.AsMould(was?.Pieces ?? 1, was?.KeepMm ?? 0, ids),
            };
        }

        var depth = moulds.Max(m => m.Mould.DepthMm);
        var (outline, depths) = Beside([.. moulds.Select(m => m.Mould)], depth);
        return ground with
        {
            Outline = outline,
            SideHeightMm = depth,
            Supports = null,
            Mould = moulds.All(m => m.Mould.From == CapacityFrom.Dimensions)
                ? new(depth, CapacityFrom.Dimensions, null, 1, 1, Math.Min(was?.KeepMm ?? 0, depth / 2), ids, depths)
                : new(depth, CapacityFrom.Water, moulds.Sum(m => MouldPlan.CapacityOf(m.Mould).Value), 1, 1,
                    Math.Min(was?.KeepMm ?? 0, depth / 2), ids, depths),
        };
    }

    /// <summary>The cavities beside each other, and the depth of those that are not the deepest.</summary>
    private static (DrawnOutline Outline, ImmutableArray<CavityDepth> Depths) Beside(List<LibraryMould> moulds, double deepest)
    {
        var all = new List<Ring>();
        var placed = new List<(double LeftMm, double DepthMm)>();
        var left = 0.0;
        foreach (var mould in moulds)
        {
            var rings = mould.Outline.Rings;
            double fromX = rings.Min(r => r.Xs.ToArray().Min()), fromY = rings.Min(r => r.Ys.ToArray().Min());
            all.AddRange(rings.Select(r => r.Moved(left - fromX, -fromY)));
            var parts = mould.Outline is DrawnOutline drawn
                ? drawn.Parts.Select((p, i) => (p.Rings[0].Xs.ToArray().Min() - fromX + left,
                    (mould.CavityDepths ?? []).FirstOrDefault(d => d.Part == i + 1)?.DepthMm ?? mould.DepthMm))
                : [(left, mould.DepthMm)];
            placed.AddRange(parts);
            left += rings.Max(r => r.Xs.ToArray().Max()) - fromX + LibraryMould.BesideMm;
        }

        // Parts are counted from left to right, as the outline counts them.
        return (
            DrawnOutline.Of(all),
            [.. placed.Select((p, i) => (p, i)).OrderBy(x => x.p.LeftMm).ThenBy(x => x.i)
                .Select((x, n) => new CavityDepth(n + 1, x.p.DepthMm)).Where(d => d.DepthMm != deepest)]);
    }
}
