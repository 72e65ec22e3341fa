using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>How much of what lies beneath a cup's resin hides.</summary>
/// <remarks>Source: docs/craft/map.md, Shown colour.</remarks>
public static class CupOpacity
{
    /// <summary>The opacity of every cup of a layer, where it is poured deepest; at the layer's depth for one that fills nothing.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="layer">A valid layer.</param>
    /// <param name="map">Its map.</param>
    public static ImmutableDictionary<string, Reckoned> Of(Catalogue catalogue, FilledLayer layer, LayerMap map)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        return layer.Cups.ToImmutableDictionary(c => c.Id, c => Of(catalogue, layer, c, DeepestOf(layer, map, c)));
    }

    /// <summary>How deep the deepest region is that is poured from a cup, mm; the layer's depth for a cup that fills none.</summary>
    internal static double DeepestOf(FilledLayer layer, LayerMap map, Recipe cup) =>
        map.Regions.Where(r => r.CupId == cup.Id)
        .Select(r => r.Own?.ThicknessMm ?? DepthZones.DepthOf(layer, r,
            layer.OwnDepthMm(r.Id) ?? layer.DepthMm)).DefaultIfEmpty(layer.DepthMm).Max();

    private static Reckoned Of(Catalogue catalogue, FilledLayer layer, Recipe cup, double depthMm)
    {
        var look = CupLook.Of(catalogue, layer, cup);
        var value = 100 * look.Opacity(depthMm);
        ReckonedInput depth = depthMm == layer.DepthMm
            ? new("depth", depthMm, "mm", Origin.Own, layer.Place + ".depthMm") : new("depth", depthMm, "mm", Origin.Reckoned);
        return cup.Of is not null || cup.Doses is not [{ By: RatioBasis.Weight } dose]
            ? Reckoned.Of(value, "%", Formulas.Opacity, depth, new("cover κ", look.CoverPerMm, "per mm", Origin.Reckoned))
            : Reckoned.Of(value, "%", Formulas.Opacity, depth,
                new("cover κ", catalogue.Of(dose.Colourant, dose.ColourantId).Cover, "per % and mm",
                    catalogue.Of(dose.Colourant, dose.ColourantId).OriginOf(MaterialProperties.Cover)),
                new("load", dose.Percent, "%", Origin.Own, PlaceIn.Recipe(cup.Id) + ".doses[0].percent"));
    }
}
