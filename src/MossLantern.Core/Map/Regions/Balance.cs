using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>How much of a layer a colour takes up, and how it lies.</summary>
/// <param name="CupId">The colour's cup.</param>
/// <param name="Share">Its share of the area, %.</param>
/// <param name="Lean">How far its middle lies from the middle of the whole, mm.</param>
/// <param name="Middle">Its middle.</param>
/// <remarks>Source: docs/craft/layouts.md, Balance.</remarks>
public sealed record ColourBalance(string CupId, Reckoned Share, Reckoned Lean, Spot Middle)
{
    /// <summary>Places along the longer side of the box at which it is looked what lies there.</summary>
    private const int Places = 64;

    /// <summary>The balance of every colour of a map, the largest first.</summary>
    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="map">Its map.</param>
    /// <param name="bare">Whether a region stays bare.</param>
    public static ImmutableArray<ColourBalance> Of(Outline outline, LayerMap map, Func<RegionId, bool> bare)
    {
        ArgumentNullException.ThrowIfNull(outline);
        ArgumentNullException.ThrowIfNull(map);
        ArgumentNullException.ThrowIfNull(bare);
        var all = outline.AreaMm2;
        var areas = map.Regions.Where(r => r.TakesArea && r.CupId is not null && r.AreaMm2 > 0 && !bare(r.Id))
            .GroupBy(r => r.CupId!).ToDictionary(g => g.Key, g => g.Sum(r => r.AreaMm2));
        if (areas.Count == 0)
        {
            return [];
        }

        var cupOf = map.Regions.ToDictionary(r => r.Id, r => bare(r.Id) ? null : r.CupId);
        var sums = areas.Keys.ToDictionary(c => c, _ => (X: 0.0, Y: 0.0, N: 0));
        var whole = (X: 0.0, Y: 0.0, N: 0);
        var step = Math.Max(outline.BoxWidthMm, outline.BoxHeightMm) / Places;
        for (var y = step / 2; y < outline.BoxHeightMm; y += step)
        {
            foreach (var (from, to) in outline.Chords(y))
            {
                for (var x = (Math.Ceiling(from / step - 0.5) + 0.5) * step; x < to; x += step)
                {
                    whole = (whole.X + x, whole.Y + y, whole.N + 1);
                    if (cupOf.GetValueOrDefault(map.RegionAt(x, y)) is { } cup && sums.TryGetValue(cup, out var sum))
                    {
                        sums[cup] = (sum.X + x, sum.Y + y, sum.N + 1);
                    }
                }
            }
        }

        var (midX, midY) = whole.N == 0 ? (outline.BoxWidthMm / 2, outline.BoxHeightMm / 2) : (whole.X / whole.N, whole.Y / whole.N);
        return
        [
            .. areas.OrderByDescending(a => a.Value).ThenBy(a => a.Key, StringComparer.Ordinal).Select(a =>
            {
                var sum = sums[a.Key];
                Spot at = sum.N == 0 ? new(midX, midY) : new(sum.X / sum.N, sum.Y / sum.N);
                var lean = Math.Sqrt((at.XMm - midX) * (at.XMm - midX) + (at.YMm - midY) * (at.YMm - midY));
                return new ColourBalance(
                    a.Key,
                    Reckoned.Of(100 * a.Value / all, "%", Formulas.ColourShare,
                        new("area of the colour", a.Value / 100, "cm²", Origin.Reckoned),
                        new("area of the piece", all / 100, "cm²", Origin.Reckoned)),
                    Reckoned.Of(lean, "mm", Formulas.ColourLean,
                        new("across", at.XMm - midX, "mm", Origin.Reckoned), new("down", at.YMm - midY, "mm", Origin.Reckoned)),
                    at);
            }),
        ];
    }
}
