using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>A region as a shape of its own.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup, or null.</param>
/// <param name="Rings">Its boundary, mm: outer rings clockwise as seen, openings the other way.</param>
/// <param name="Inside">A spot well inside it, for a name.</param>
public sealed record RegionShape(RegionId RegionId, RegionKind Kind, string? CupId, ImmutableArray<Ring> Rings, Spot Inside);

/// <summary>The regions of a layer as polygons, for drawings that leave the program; dearer than a map.</summary>
/// <remarks>Source: docs/formats.md, The map as SVG.</remarks>
public static class RegionShapes
{
    /// <summary>What is smaller comes from rounding and is not drawn, mm².</summary>
    private const double LeastMm2 = 0.5;

    /// <summary>The regions that have an area, in the order of the map, cut by the outline.</summary>
    /// <param name="mapper">Lays out the maps.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    public static ImmutableArray<RegionShape> Of(LayerMapper mapper, Piece piece, FilledLayer layer)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        var outline = piece.Ground.OutlineWithin(layer.Within);
        return
        [
            .. Patches(mapper.Map(piece, layer), outline, null).Where(p => p.Area.Area > LeastMm2).Select(p =>
            {
                var inside = p.Area.InteriorPoint;
                return new RegionShape(p.Id, p.Kind, p.CupId, Flat.Rings(p.Area), new(inside.X, inside.Y));
            }),
        ];
    }

    private static IEnumerable<Patch> Patches(LayerMap map, Outline outline, string? zoneId) => map switch
    {
        LinedMap lined =>
        [
            .. Patches(lined.On, outline, zoneId).Select(p => lined.Walled is { } walled && p.Kind.TakesArea()
                ? p with { Shape = new(() => Flat.Without(p.Area, walled)) } : p),
            .. lined.Lines.Where(p => !p.Area.IsEmpty).Select(p => p with { Id = p.Id.In(zoneId) }),
        ],
        BandMap bands => Bands(bands, Flat.Of(outline), zoneId),
        RegionMap regions => regions.Patches.Where(p => !p.Area.IsEmpty).Select(p => p with { Id = p.Id.In(zoneId) }),
        ZonedMap zoned =>
        [
            .. zoned.Parts.Where(p => p.Map is not null).SelectMany(p => Patches(p.Map!, p.Outline, p.ZoneId)),
            .. Patches(zoned.Kept, outline, null),
        ],
        _ => [],
    };

    private static IEnumerable<Patch> Bands(BandMap map, Geometry outline, string? zoneId)
    {
        Geometry? below = null;
        var sets = Contours.Trace(map.Grid, map.Field, map.Levels);
        for (var k = 0; k < map.Strips.Length; k++)
        {
            Effort.Check();
            // Corners of one set may touch at a grid node; that is mended here.
            var upTo = k < sets.Length
                ? Flat.Shared(sets[k].Count == 0 ? new Polygon(null)
                    : Flat.Of([.. sets[k].Select(c => new Ring(c.Xs, c.Ys))]).Buffer(0), outline)
                : outline;
            var strip = map.Strips[k];
            yield return new(strip.Id.In(zoneId), strip.Kind, strip.CupId, below is null ? upTo : Flat.Without(upTo, below));
            below = upTo;
        }
    }
}
