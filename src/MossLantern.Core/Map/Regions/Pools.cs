using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Distance;

namespace MossLantern.Core.Map;

/// <summary>The end of a wall that stops short of another, so that two pools are one.</summary>
/// <param name="WallId">The wall.</param>
/// <param name="From">Where it ends.</param>
/// <param name="To">The nearest place on a wall or on the rim.</param>
/// <param name="AtStart">Whether it is the beginning of the wall.</param>
public sealed record NearMiss(string WallId, Spot From, Spot To, bool AtStart)
{
    /// <summary>How wide the gap is, mm.</summary>
    public double GapMm => Math.Sqrt((To.XMm - From.XMm) * (To.XMm - From.XMm) + (To.YMm - From.YMm) * (To.YMm - From.YMm));
}

/// <summary>A wall as it was drawn.</summary>
/// <param name="Id">The line.</param>
/// <param name="Spots">Its course.</param>
/// <param name="WidthMm">How wide it is laid, mm.</param>
public sealed record Wall(string Id, ImmutableArray<Spot> Spots, double WidthMm)
{
    /// <summary>The walls among lines that were drawn by hand.</summary>
    public static ImmutableArray<Wall> Among(IEnumerable<Line> lines) =>
        [.. lines.Where(l => l.IsBarrier).Select(l => l.Course is DrawnCourse drawn ? new Wall(l.Id, drawn.Spots, l.Section.WidthMm) : null)
            .OfType<Wall>()];
}

/// <summary>Pools: what the walls leave of the outline. A wall takes up as much as its bead is wide.</summary>
/// <remarks>Source: docs/craft/layouts.md, Pools.</remarks>
public static class Pools
{
    /// <summary>An end joins on to what lies within so many bead widths.</summary>
    public const double SnapBeads = 1.5;

    /// <summary>An end that lies within so many bead widths of something, and would make another pool, has missed it.</summary>
    private const double NearBeads = 6;

    /// <summary>A wall was meant to close a pool where it stops short by up to this share of its own length, however wide it is.</summary>
    public const double OfItsLength = 0.25;

    /// <summary>Less than this is not poured into, mm².</summary>
    private const double LeastPoolMm2 = 20;

    /// <summary>Half circles at the ends of a bead are drawn with so many corners to a quarter.</summary>
    private const int Corners = 8;

    internal static RegionMap Map(Outline outline, GrowthScale growth, PoolsLayout layout, ImmutableArray<Wall> all)
    {
        var inside = Flat.Of(outline);
        var beads = Beads(outline, all);
        var left = Left(inside, beads).ToList();
        var open = left.Where(p => p.Area > LeastPoolMm2).OrderByDescending(p => p.Area).ToList();
        var patches = ImmutableArray.CreateBuilder<Patch>();
        foreach (var pool in layout.Pools)
        {
            var at = open.FirstOrDefault(p => p.Contains(new Point(pool.XMm, pool.YMm)));
            open.Remove(at!);
            patches.Add(new(pool.Region, RegionKind.Pool, pool.RecipeId, at ?? GeometryFactory.Default.CreatePolygon(),
                null, new(pool.XMm, pool.YMm)));
        }

        for (var i = 0; i < open.Count; i++)
        {
            var middle = open[i].InteriorPoint;
            patches.Add(new(RegionId.Parse(FormattableString.Invariant($"open-{i + 1}")), RegionKind.Pool, null,
                open[i], null, new(middle.X, middle.Y)));
        }

        // What the beads cover, with what between them is too small to be poured into.
        Polygon[] walls =
        [
            .. beads is null ? [] : Flat.Polygons(Flat.Shared(inside, beads)),
            .. left.Where(p => p.Area <= LeastPoolMm2),
        ];
        if (walls.Length > 0)
        {
            patches.Add(new(PoolsLayout.WallId, RegionKind.Wall, null, walls.Length == 1 ? walls[0] : new MultiPolygon(walls)));
        }

        return new(outline, patches.ToImmutable(), growth.GridMm / 2);
    }

    /// <summary>The walls as they run once their ends have joined on.</summary>
    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="walls">The walls.</param>
    public static ImmutableArray<Wall> Snapped(Outline outline, ImmutableArray<Wall> walls)
    {
        ArgumentNullException.ThrowIfNull(outline);
        var rim = Flat.Of(outline).Boundary;
        return [.. walls.Select(w => Snapped(rim, walls, w))];
    }

    /// <summary>Length of each wall, as far as it lies on the piece, mm.</summary>
    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="walls">The walls.</param>
    public static ImmutableArray<double> LengthsMm(Outline outline, ImmutableArray<Wall> walls)
    {
        var inside = Flat.Of(outline);
        return [.. Snapped(outline, walls).Select(w => Laid(w.Spots).Intersection(inside).Length)];
    }

    /// <summary>Ends that stop short although joining on would make another pool.</summary>
    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="walls">The walls.</param>
    public static ImmutableArray<NearMiss> NearMisses(Outline outline, ImmutableArray<Wall> walls)
    {
        ArgumentNullException.ThrowIfNull(outline);
        var inside = Flat.Of(outline);
        var misses = ImmutableArray.CreateBuilder<NearMiss>();
        var pools = Open(inside, outline, walls).Count();
        foreach (var wall in walls)
        {
            foreach (var atStart in new[] { true, false })
            {
                var end = atStart ? wall.Spots[0] : wall.Spots[^1];
                if (Nearest(inside.Boundary, walls, wall, atStart) is { } to)
                {
                    var miss = new NearMiss(wall.Id, end, to, atStart);
                    if (miss.GapMm > SnapBeads * wall.WidthMm
                        && miss.GapMm <= Math.Max(NearBeads * wall.WidthMm, OfItsLength * LengthMm(wall))
                        && Open(inside, outline, [.. walls.Select(w => w.Id == wall.Id ? Closed(w, miss) : w)]).Count() > pools)
                    {
                        misses.Add(miss);
                    }
                }
            }
        }

        return misses.ToImmutable();
    }

    private static double LengthMm(Wall wall) =>
        wall.Spots.Zip(wall.Spots.Skip(1))
            .Sum(s => Math.Sqrt(Math.Pow(s.Second.XMm - s.First.XMm, 2) + Math.Pow(s.Second.YMm - s.First.YMm, 2)));

    /// <summary>A wall drawn on over the gap that it left.</summary>
    public static Wall Closed(Wall wall, NearMiss miss)
    {
        ArgumentNullException.ThrowIfNull(wall);
        ArgumentNullException.ThrowIfNull(miss);
        return wall with { Spots = miss.AtStart ? wall.Spots.Insert(0, miss.To) : wall.Spots.Add(miss.To) };
    }

    private static IEnumerable<Polygon> Open(Geometry inside, Outline outline, ImmutableArray<Wall> walls) =>
        Left(inside, Beads(outline, walls)).Where(p => p.Area > LeastPoolMm2);

    private static IEnumerable<Polygon> Left(Geometry inside, Geometry? beads) =>
        Flat.Polygons(beads is null ? inside : Flat.Without(inside, beads));

    /// <summary>What the beads cover; null where there are none.</summary>
    private static Geometry? Beads(Outline outline, ImmutableArray<Wall> walls) => walls.IsEmpty
        ? null
        : Flat.Together(Snapped(outline, walls).Select(w => Laid(w.Spots).Buffer(w.WidthMm / 2, Corners)));

    private static Wall Snapped(Geometry rim, ImmutableArray<Wall> walls, Wall wall)
    {
        var reach = SnapBeads * wall.WidthMm;
        var spots = wall.Spots;
        foreach (var atStart in new[] { true, false })
        {
            var end = atStart ? wall.Spots[0] : wall.Spots[^1];
            if (Nearest(rim, walls, wall, atStart) is { } to && Apart(end, to) <= reach && Apart(end, to) > 0)
            {
                spots = atStart ? spots.Insert(0, to) : spots.Add(to);
            }
        }

        return wall with { Spots = spots };
    }

    /// <summary>What the end of a wall would join on to: the rim, another wall, or its own beginning.</summary>
    private static Spot? Nearest(Geometry rim, ImmutableArray<Wall> walls, Wall wall, bool atStart)
    {
        var end = atStart ? wall.Spots[0] : wall.Spots[^1];
        var point = new Point(end.XMm, end.YMm);
        var others = walls.Where(w => w.Id != wall.Id).Select(w => (Geometry)Laid(w.Spots)).Append(rim);
        var nearest = others.Select(o => new DistanceOp(point, o).NearestPoints()[1]).Select(c => new Spot(c.X, c.Y))
            .MinBy(s => Apart(end, s));

        // Its own course counts from where that lies well away from the end.
        var own = OwnCourse(wall, atStart, 4 * wall.WidthMm);
        var ownNearest = own is null ? null : new DistanceOp(point, own).NearestPoints()[1];
        return ownNearest is not null
            && (nearest is null || ownNearest.Distance(point.Coordinate) < Apart(end, nearest)) ? new(ownNearest.X, ownNearest.Y) : nearest;
    }

    private static LineString? OwnCourse(Wall wall, bool atStart, double fromMm)
    {
        var spots = (atStart ? wall.Spots : wall.Spots.Reverse()).ToList();
        var walked = 0.0;
        for (var i = 1; i < spots.Count; i++)
        {
            walked += Apart(spots[i - 1], spots[i]);
            if (walked >= fromMm)
            {
                return spots.Count - i >= 2 ? Line([.. spots.Skip(i)]) : null;
            }
        }

        return null;
    }

    private static double Apart(Spot a, Spot b) => Math.Sqrt((a.XMm - b.XMm) * (a.XMm - b.XMm) + (a.YMm - b.YMm) * (a.YMm - b.YMm));

    private static LineString Line(ImmutableArray<Spot> spots) => new([.. spots.Select(s => new Coordinate(s.XMm, s.YMm))]);

    /// <summary>How many short sides a wall is drawn with between two spots.</summary>
    private const int Sides = 8;

    /// <summary>A wall as it is laid: a smooth line through every spot that was drawn.</summary>
    internal static LineString Laid(ImmutableArray<Spot> spots)
    {
        List<Spot> own = [.. spots.Where((s, i) => i == 0 || Apart(s, spots[i - 1]) > 1e-9)];
        if (own.Count < 3)
        {
            return Line(own.Count == 2 ? [.. own] : spots);
        }

        // A Catmull-Rom curve whose knots lie by the root of the distance: it has no loops and does not overshoot.
        List<Spot> line = [own[0]];
        for (var i = 0; i + 1 < own.Count; i++)
        {
            Spot from = own[i], to = own[i + 1];
            var before = i > 0 ? own[i - 1] : Past(from, to);
            var after = i + 2 < own.Count ? own[i + 2] : Past(to, from);
            line.AddRange(Enumerable.Range(1, Sides).Select(k => k == Sides ? to : On(before, from, to, after, (double)k / Sides)));
        }

        return Line([.. line]);

        static Spot Past(Spot end, Spot next) => new(2 * end.XMm - next.XMm, 2 * end.YMm - next.YMm);
    }

    private static Spot On(Spot a, Spot b, Spot c, Spot d, double share)
    {
        double t1 = Math.Sqrt(Apart(a, b)), t2 = t1 + Math.Sqrt(Apart(b, c)), t3 = t2 + Math.Sqrt(Apart(c, d)), t = t1 + share * (t2 - t1);
        Spot ab = Between(a, b, 0, t1, t), bc = Between(b, c, t1, t2, t), cd = Between(c, d, t2, t3, t);
        return Between(Between(ab, bc, 0, t2, t), Between(bc, cd, t1, t3, t), t1, t2, t);

        static Spot Between(Spot from, Spot to, double at, double till, double t)
        {
            var share = (t - at) / (till - at);
            return new(from.XMm + share * (to.XMm - from.XMm), from.YMm + share * (to.YMm - from.YMm));
        }
    }
}
