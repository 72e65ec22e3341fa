using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Planning;

/// <summary>What the parts of a drawn outline take, each by itself.</summary>
/// <remarks>Source: docs/craft/mixing.md, Region volume.</remarks>
internal static class CavityVolumes
{
    /// <summary>The parts, from left to right; none for other outlines.</summary>
    public static ImmutableArray<CavityPlan> Of(LayerMapper mapper, Piece piece, ImmutableArray<LayerPlan> layers) =>
        piece.Ground is not { Outline: DrawnOutline drawn } ground ? [] :
    [
        .. drawn.Parts.Select((part, i) => new CavityPlan(
            Reckoned.Of(part.AreaMm2 / 100, "cm²", Formulas.ShapeArea,
                new ReckonedInput("corners", part.Rings.Sum(r => r.Count), "", Origin.Own)),
            Reckoned.Of(part.PerimeterMm, "mm", Formulas.ShapePerimeter,
                new ReckonedInput("corners", part.Rings.Sum(r => r.Count), "", Origin.Own)),
            [.. piece.Filled.Select(l => l.DepthIn(i + 1))],
            [.. piece.Filled.Zip(layers).Select(l => PartMl(mapper, piece, ground, l.First, l.Second, new(drawn, i)))])),
    ];

    /// <summary>What a layer takes in a part: of each of its regions as much as lies there.</summary>
    private static Reckoned PartMl(LayerMapper mapper, Piece piece, Ground ground, FilledLayer layer, LayerPlan plan, PartOutline part)
    {
        if (layer.Within is not null && ground.MouldPart(layer.Within) != part.Number + 1)
        {
            return CupPlanner.AllOf(ground, [new("", 0, layer.DepthMm)], layer);
        }

        var map = mapper.Map(piece, layer);
        var shares = layer.Within is not null ? DepthZones.Of(mapper, piece, layer)
            : ground.OnEachPanel(part).Select(p => DepthZones.Of(mapper, piece, layer, p))
                .Aggregate((all, next) => [.. all.Zip(next, (a, b) => a.AddRange(b))]);
        var poured = plan.RegionMl;
        List<DepthShare> all = [];
        var own = 0.0;
        foreach (var (region, here) in map.Regions.Zip(shares).Where(r => poured.ContainsKey(r.First.Id)))
        {
            if (region.By == PouredBy.Area)
            {
                all.AddRange(here);
            }
            else if (region.AreaMm2 > 0)
            {
                own += poured[region.Id] * here.Sum(h => h.AreaMm2) / region.AreaMm2;
            }
        }

        return CupPlanner.AllOf(ground, [.. all.GroupBy(s => (s.Where, s.DepthMm))
            .Select(g => new DepthShare(g.Key.Where, g.Sum(s => s.AreaMm2), g.Key.DepthMm))], layer, own);
    }
}
