using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Planning;

/// <summary>Older work in the core sample.</summary>
/// <remarks>Source: docs/craft/grounds.md, Older work.</remarks>
internal static class WorkBeneath
{
    /// <summary>The layers of older work where the cut goes through them, lowest first.</summary>
    public static ImmutableArray<StratumBeneath> Of(LayerMapper mapper, Catalogue catalogue, Ground ground, double y, double left = 0)
    {
        if (ground.Old is not { } old)
        {
            return [];
        }

        var at = y - old.YMm;
        var from = left + old.XMm;
        var itself = old.Piece;
        return
        [
            .. Of(mapper, catalogue, old.Ground, at, from),
            .. itself.Filled.Where(l => l.Within is null).Select(layer =>
            {
                var outline = old.Ground.OutlineWithin(layer.Within);
                var map = mapper.Map(itself, layer);
                var cupOf = map.Regions.ToDictionary(r => r.Id, r => r.CupId);
                return new StratumBeneath(layer.Name, layer.DepthMm,
                [
                    .. CoreCut.Of(old.Ground, outline, map, at).Where(s => cupOf[s.RegionId] is not null).Select(span =>
                    {
                        var look = CupLook.Of(catalogue, layer, layer.Recipes.Single(c => c.Id == cupOf[span.RegionId]));
                        return new SpanBeneath(from + span.FromMm, from + span.ToMm, look.CoverPerMm == 0 ? null : look.Colour.ToHex());
                    }),
                ]);
            }),
        ];
    }
}
