using System.Collections.Immutable;
using MossLantern.Core.Map;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Mixing;

/// <summary>A part of a region with the depth of resin in it.</summary>
/// <param name="Where">Which part, in words; empty for the whole region.</param>
/// <param name="AreaMm2">Its area, mm².</param>
/// <param name="DepthMm">The depth there, mm.</param>
public sealed record DepthShare(string Where, double AreaMm2, double DepthMm)
{
    /// <summary>Its volume, ml.</summary>
    public double Ml => CupPlanner.RegionMl(AreaMm2, DepthMm);
}

/// <summary>Where a layer is deeper or shallower than it is elsewhere: in some letters or cavities, over inserts, round older work.</summary>
/// <remarks>Source: docs/craft/mixing.md, Region volume.</remarks>
public static class DepthZones
{
    /// <summary>A part of what a layer is poured in, and the depth there.</summary>
    private sealed record Zone(string Where, Outline Outline, double DepthMm);

    /// <summary>The shares of every region of a layer, in the order of the map's regions; together they are the region.</summary>
    /// <param name="mapper">Grows the maps.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    public static ImmutableArray<ImmutableArray<DepthShare>> Of(LayerMapper mapper, Piece piece, Layer layer)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        var regions = mapper.Map(piece, layer).Regions;
        var (remainder, elsewhere, zones) = ZonesOf(piece, layer);
        if (zones.Count == 0)
        {
            return [.. regions.Select(r => ImmutableArray.Create(new DepthShare("", r.AreaMm2, DepthOf(layer, r, elsewhere))))];
        }

        var within = zones.Select(z => mapper.AreasWithin(piece, layer, z.Outline)).ToList();
        return
        [
            .. regions.Select((region, k) => ImmutableArray.CreateRange<DepthShare>(
            [
                .. zones.Select((z, i) => new DepthShare(z.Where, within[i][k], DepthOf(layer, region, z.DepthMm))),
                new(remainder, Math.Max(0, region.AreaMm2 - within.Sum(w => w[k])), DepthOf(layer, region, elsewhere)),
            ])),
        ];
    }

    /// <summary>Lines lie on a film: where they are, the film is a part of the depth.</summary>
    private static double DepthOf(Layer layer, Region region, double depthMm)
    {
        var zone = (layer.Zones ?? []).FirstOrDefault(z => region.Id.StartsWith($"{z.Id}/", StringComparison.Ordinal));
        return (zone is null ? layer : zone.Of(layer)).DepthOf(region.Kind, depthMm);
    }

    private static (string Remainder, double ElsewhereMm, List<Zone> Zones) ZonesOf(Piece piece, Layer layer)
    {
        var ground = piece.Ground;
        if (layer.Within is not null)
        {
            return ("", layer.DepthMm, []);
        }

        var at = piece.Layers.IndexOf(layer);
        if (at == 0 && ground is { Set: null, Old: { StandsMm: > 0 } old })
        {
            return ("round the older work", layer.DepthMm + old.StandsMm, [new("on the older work", old.Placed, layer.DepthMm)]);
        }

        if (ground.Outline is DrawnOutline drawn && layer.PartDepths is { IsDefaultOrEmpty: false } depths)
        {
            return ("in the other parts", layer.DepthMm, [.. depths.Select(d => new Zone($"in part {d.Part}", new PartOutline(drawn, d.Part - 1), d.DepthMm))]);
        }

        // An insert keeps resin out until its hollow is filled; what runs in below its foot does not count as kept out.
        var before = piece.Layers.Take(at).ToList();
        var bottom = before.Where(l => l.Within is null).Sum(l => l.DepthMm);
        return (
            "beside the inserts", layer.DepthMm,
            [
                .. (ground.Mould?.Inserts ?? [])
                    .Where(i => before.All(l => l.Within != i.Id))
                    .Select(i => new Zone($"under {i.Name}", i.Placed, Math.Clamp(i.FloorMm - bottom, 0, layer.DepthMm))),
            ]);
    }
}
