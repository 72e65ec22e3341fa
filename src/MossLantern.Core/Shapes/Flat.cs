using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Overlay;
using NetTopologySuite.Operation.OverlayNG;
using NetTopologySuite.Operation.Union;

namespace MossLantern.Core.Shapes;

/// <summary>Outlines as geometries of the library that overlays polygons, and back.</summary>
internal static class Flat
{
    /// <summary>Parts smaller than this come from rounding, mm².</summary>
    public const double LeastMm2 = 0.01;

    /// <summary>The area inside an outline.</summary>
    public static Geometry Of(Outline outline) => Of(outline.Rings);

    /// <summary>The area inside rings: outer ones clockwise as seen, openings the other way.</summary>
    public static Geometry Of(ImmutableArray<Ring> rings)
    {
        var outer = rings.Where(r => r.SignedAreaMm2 > 0).ToList();
        var openings = rings.Where(r => r.SignedAreaMm2 <= 0 && r.Count >= 3).ToList();
        if (outer.Count == 1)
        {
            return new Polygon(Closed(outer[0]), [.. openings.Select(Closed)]);
        }

        return new MultiPolygon(
        [
            .. outer.Select(o => new Polygon(
                Closed(o), [.. openings.Where(i => o.SignedDistanceMm(i.Xs[0], i.Ys[0]) < 0).Select(Closed)])),
        ]);
    }

    /// <summary>The rings of an area: outer ones clockwise as seen, openings the other way.</summary>
    public static ImmutableArray<Ring> Rings(Geometry area)
    {
        var rings = ImmutableArray.CreateBuilder<Ring>();
        foreach (var polygon in Polygons(area))
        {
            rings.Add(Of(polygon.Shell, clockwise: true));
            rings.AddRange(polygon.Holes.Select(h => Of((LinearRing)h, clockwise: false)));
        }

        return rings.ToImmutable();
    }

    /// <summary>The polygons of an area that are more than rounding.</summary>
    public static IEnumerable<Polygon> Polygons(Geometry area) =>
        Enumerable.Range(0, area.NumGeometries).Select(area.GetGeometryN).OfType<Polygon>().Where(p => p.Area > LeastMm2);

    /// <summary>The corners of the lines of a geometry.</summary>
    public static IEnumerable<IReadOnlyList<(double X, double Y)>> Lines(Geometry lines) => Enumerable.Range(0, lines.NumGeometries)
        .Select(lines.GetGeometryN).OfType<LineString>().Select(l => l.Coordinates.Select(c => (c.X, c.Y)).ToArray());

    /// <summary>What both areas share, without the lines and points along which they only touch.</summary>
    public static Geometry SharedArea(Geometry first, Geometry second) =>
        Shared(first, second) is var shared && shared is Polygon or MultiPolygon ? shared : new MultiPolygon([.. Polygons(shared)]);

    /// <summary>What both areas share.</summary>
    public static Geometry Shared(Geometry first, Geometry second) => OverlayNGRobust.Overlay(first, second, SpatialFunction.Intersection);

    /// <summary>What is left of one area without another.</summary>
    public static Geometry Without(Geometry first, Geometry second) => OverlayNGRobust.Overlay(first, second, SpatialFunction.Difference);

    /// <summary>All areas or lines together.</summary>
    public static Geometry Together(IEnumerable<Geometry> all) =>
        UnaryUnionOp.Union(all.ToList()) ?? GeometryFactory.Default.CreatePolygon();

    /// <summary>A ring, its first corner repeated at the end.</summary>
    public static LinearRing Closed(Ring ring) => new(
        [.. Enumerable.Range(0, ring.Count + 1).Select(i => new Coordinate(ring.Xs[i % ring.Count], ring.Ys[i % ring.Count]))]);

    private static Ring Of(LinearRing line, bool clockwise)
    {
        var corners = line.Coordinates.Take(line.NumPoints - 1).ToList();
        var ring = new Ring([.. corners.Select(c => c.X)], [.. corners.Select(c => c.Y)]);
        return ring.SignedAreaMm2 > 0 == clockwise ? ring : ring.Reversed();
    }
}
