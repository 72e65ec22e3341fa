using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;

namespace MossLantern.Core.Pouring;

/// <summary>In what order the regions of a layer are poured, and how that is said.</summary>
/// <param name="RegionIds">The regions, first to last.</param>
/// <param name="Says">The order in a sentence.</param>
/// <remarks>Source: docs/craft/pouring.md, Order.</remarks>
public sealed record PourOrder(ImmutableArray<RegionId> RegionIds, string Says)
{
    /// <summary>
    /// The usual order of a layer by the way it is laid out: a film before what lies on it, lines from the rim inward and
    /// what pushes them last, ground before streaks, a puddle as it is listed, fields and pools by size, a vein on what is
    /// wet. Then its zones, one after the other, and last the clear over what is kept visible.
    /// </summary>
    /// <param name="layer">A valid layer.</param>
    /// <param name="map">Its map.</param>
    public static PourOrder Usual(FilledLayer layer, LayerMap map)
    {
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        var regions = map.Regions.ToList();
        var zones = layer.Zones.Select(z => (Zone: z, Own: regions.Where(r => r.Id.Zone == z.Id).ToList())).ToList();
        var kept = regions.Where(r => r.Kind is RegionKind.KeptVisible or RegionKind.KeptBare).ToList();
        var own = regions.Except(zones.SelectMany(z => z.Own)).Except(kept).ToList();
        var says = Sentence(layer, own);
        return new(
        [
            .. InOrder(layer, own, null).Concat(zones.SelectMany(z => InOrder(layer.Inside(z.Zone), z.Own, z.Zone.Id)))
                .Concat(kept).Select(r => r.Id),
        ],
        zones.Any(z => z.Own.Count > 0) ? $"{says} Then part by part." : says);
    }

    private static IEnumerable<Region> InOrder(FilledLayer layer, List<Region> regions, string? zoneId)
    {
        Band? BandOf(Region region) => layer.Bands.FirstOrDefault(b => b.Region.In(zoneId) == region.Id);
        return layer.Layout switch
        {
            // A map counts its lines from the middle to the rim.
            StripesLayout => regions.Where(r => r.Kind == RegionKind.Film)
                .Concat(regions.Where(r => r.Kind != RegionKind.Film && BandOf(r) is { FillsRest: false }).Reverse())
                .Concat(regions.Where(r => r.Kind != RegionKind.Film && BandOf(r) is not { FillsRest: false })),
            MarbleLayout => regions.OrderBy(r => r.Kind == RegionKind.Streaks),
            PuddleLayout => regions.OrderBy(r => r.Kind != RegionKind.PuddleRing),
            FieldsLayout or PoolsLayout => regions.OrderByDescending(r => r.AreaMm2),
            _ => regions,
        };
    }

    private static string Sentence(FilledLayer layer, List<Region> own) => layer.Layout switch
    {
        StripesLayout => "The film first, then stripe by stripe from the rim inward. What fills the middle comes last and pushes them out.",
        MarbleLayout => "The ground first, the streaks into it.",
        PuddleLayout { RestRecipeId: null } => "One pour on top of another, in the order listed.",
        PuddleLayout => "One pour on top of another, in the order listed; what lies round the puddle comes last.",
        FieldsLayout when own.Any(r => r.Kind == RegionKind.Line) => "The largest field first; the vein last, onto the wet fields.",
        FieldsLayout => "The largest field first.",
        PoolsLayout => "The largest pool first.",
        FloodLayout => "All in one go.",
        PetalsLayout => "Ring by ring from the middle; then the tool.",
        _ => "Ring by ring from the heart.",
    };
}
