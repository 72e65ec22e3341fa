using System.Collections.Immutable;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Prepared;
using NetTopologySuite.Operation.Polygonize;
using NetTopologySuite.Simplify;
using NetTopologySuite.Triangulate;

namespace MossLantern.Core.Map;

/// <summary>
/// Fields of a few colours: many small cells grown together into as many fields as are asked for, every shared border
/// smoothed once, and colours spread so that none lies beside itself and each is met all over the piece.
/// </summary>
/// <remarks>Source: docs/craft/layouts.md, Fields in threes.</remarks>
internal sealed class FieldGrower
{
    private const int Kept = 32;

    /// <summary>How far the shape of a vein may be off the border that it runs along, mm.</summary>
    private const double VeinToleranceMm = 0.05;

    private readonly Recent<(Outline, int Fields, int Colours, int Seed), int[]> spread = new(Kept);
    private readonly Recent<(Outline, int Fields, int Seed), FieldSites> sites = new(Kept);

    /// <summary>The map of a layout.</summary>
    public RegionMap Grow(Outline outline, GrowthScale growth, FieldsLayout layout)
    {
        var cells = Cells(outline, layout, layout.Moved ?? []);
        var colours = Colours(outline, layout, cells);
        var patches = ImmutableArray.CreateBuilder<Patch>(layout.Fields + 1);
        for (var field = 0; field < layout.Fields; field++)
        {
            var chosen = (layout.Recoloured ?? []).LastOrDefault(r => r.Field == field + 1)?.Cup;
            patches.Add(new(
                FieldsLayout.IdOf(field + 1), RegionKind.Field, chosen ?? layout.Colours[colours[field]], cells.Areas[field], null, cells.Centres[field]));
        }

        if (layout.Vein is { } vein)
        {
            var along = cells.BordersInside();
            var line = DouglasPeuckerSimplifier.Simplify(along, VeinToleranceMm);
            patches.Add(new(
                FieldsLayout.VeinId, RegionKind.Vein, vein.Cup, new Lazy<Geometry>(() => Flat.Shared(line.Buffer(vein.WidthMm / 2, 6), Flat.Of(outline))),
                new(along.Length * vein.WidthMm * vein.ThicknessMm / 1000, along.Length, vein.WidthMm, vein.ThicknessMm), null, new PatchDraft([], line, vein.WidthMm)));
        }

        return new(outline, patches.ToImmutable(), growth.GridMm / 2);
    }

    /// <summary>The points are kept between calls: a drag of one field's centre finds them where they were.</summary>
    private FieldCells Cells(Outline outline, FieldsLayout layout, ImmutableArray<FieldPlace> moved) =>
        new(outline, layout, moved, sites.Of((outline, layout.Fields, layout.Seed), () => FieldSites.Of(outline, layout)));

    /// <summary>Colours are spread over the fields as they were before any was moved, so that a moved one keeps the rest; only where it now meets its own colour is something changed.</summary>
    private int[] Colours(Outline outline, FieldsLayout layout, FieldCells cells)
    {
        var colours = spread.Of((outline, layout.Fields, layout.Colours.Length, layout.Seed), () =>
        {
            var unmoved = layout.Moved is null or { IsEmpty: true } ? cells : Cells(outline, layout, []);
            return FieldColours.Spread(unmoved.Centres, unmoved.Touch(), layout.Colours.Length, layout.Seed);
        });

        return layout.Moved is null or { IsEmpty: true } ? colours : FieldColours.Mend(colours, cells.Centres, cells.Touch(), layout.Colours.Length);
    }
}

/// <summary>The points that fields are grown from, and the fields before any is moved. A drag of one finds them where they were.</summary>
/// <param name="Sites">A point for every cell.</param>
/// <param name="Own">The point that each field grows from.</param>
/// <param name="Sides">The sides between the cells.</param>
/// <param name="FieldOf">The field of each point.</param>
internal sealed record FieldSites(
    Coordinate[] Sites, int[] Own, List<(Coordinate From, Coordinate To, int First, int Second)> Sides, int[] FieldOf)
{
    private const int LeastCells = 70;
    private const double CellsPerField = 4.6;

    /// <summary>The points of a layout.</summary>
    public static FieldSites Of(Outline outline, FieldsLayout layout)
    {
        var sites = Spread(outline, layout);
        var own = SpreadOut(sites, layout.Fields);
        var sides = FieldCells.Sides(outline, sites, out var near);
        return new(sites, own, sides, FieldCells.Grow(sites, own, near, layout.Seed));
    }

    /// <summary>Points spread over the outline, each far from those before.</summary>
    private static Coordinate[] Spread(Outline outline, FieldsLayout layout)
    {
        const int tries = 12;
        var random = new SplitMix((ulong)(uint)layout.Seed * 2654435761 + (ulong)layout.Fields);
        var count = Math.Max(LeastCells, (int)(CellsPerField * layout.Fields));
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm;
        var sites = new List<Coordinate>(count);
        for (var misses = 0; sites.Count < count && misses < 400 * count;)
        {
            Coordinate? best = null;
            var farthest = -1.0;
            for (var t = 0; t < tries; t++)
            {
                var candidate = new Coordinate(width * random.Unit(), height * random.Unit());
                if (outline.SignedDistanceMm(candidate.X, candidate.Y) > 0)
                {
                    misses++;
                    continue;
                }

                var nearest = sites.Count == 0 ? 0 : sites.Min(s => s.Distance(candidate));
                if (nearest > farthest)
                {
                    (best, farthest) = (candidate, nearest);
                }
            }

            if (best is not null)
            {
                sites.Add(best);
            }
        }

        // An outline that is nearly nothing of its box is filled anyhow.
        while (sites.Count < count)
        {
            sites.Add(new(width * random.Unit(), height * random.Unit()));
        }

        return [.. sites];
    }

    /// <summary>As many of the sites as there are fields, each as far as can be from those before.</summary>
    private static int[] SpreadOut(Coordinate[] sites, int fields)
    {
        var own = new List<int> { 0 };
        while (own.Count < fields)
        {
            own.Add(Enumerable.Range(0, sites.Length).Where(i => !own.Contains(i)).MaxBy(i => own.Min(o => sites[o].Distance(sites[i]))));
        }

        return [.. own];
    }
}

/// <summary>The shapes of fields.</summary>
internal sealed class FieldCells
{
    private const double SameMm = 1e-5;
    private const double LeastFieldMm2 = 1;

    /// <summary>How often corners are drawn straight, from the usual to not at all.</summary>
    private static readonly int[] SmoothingRounds = [14, 5, 1, 0];

    private readonly List<(LineString Line, int First, int Second)> borders = [];
    private readonly Outline outline;
    private readonly Lazy<List<(Geometry Line, int First, int Second)>> inside;

    /// <param name="outline">What the fields lie in.</param>
    /// <param name="layout">The layout.</param>
    /// <param name="moved">Fields moved by hand.</param>
    /// <param name="points">The points of the layout before any field is moved; they stay as they are.</param>
    public FieldCells(Outline outline, FieldsLayout layout, ImmutableArray<FieldPlace> moved, FieldSites points)
    {
        this.outline = outline;
        inside = new(CutByRim);
        var (unmoved, own, sides, fieldOf) = points;
        Coordinate[] sites = [.. unmoved];
        if (!moved.IsEmpty)
        {
            Move(sites, own, fieldOf, moved);
            sides = Sides(outline, sites, out var near);
            fieldOf = Grow(sites, own, near, layout.Seed);
        }

        Centres = [.. own.Select(i => new Spot(sites[i].X, sites[i].Y))];

        // Smoothing can wipe out a field that is a sliver; then less of it has to do.
        Areas = [];
        foreach (var rounds in SmoothingRounds)
        {
            borders.Clear();
            Chain(sides, fieldOf, layout.Seed, rounds);
            Areas = Faces(sites, own, fieldOf);
            if (Areas.Zip(Centres).All(f => f.First.Area > LeastFieldMm2 || outline.SignedDistanceMm(f.Second.XMm, f.Second.YMm) > 0))
            {
                return;
            }
        }
    }

    /// <summary>Where each field was grown from.</summary>
    public ImmutableArray<Spot> Centres { get; }

    /// <summary>What each field covers; together the outline.</summary>
    public Geometry[] Areas { get; }

    /// <summary>Which fields touch along more than a millimetre.</summary>
    public HashSet<(int, int)> Touch() => [.. inside.Value.Where(b => b.First != b.Second && b.Line.Length > 1).Select(b => (Math.Min(b.First, b.Second), Math.Max(b.First, b.Second)))];

    /// <summary>All borders between fields, as far as they lie inside the outline.</summary>
    public Geometry BordersInside() => new MultiLineString([.. inside.Value.SelectMany(b => Enumerable.Range(0, b.Line.NumGeometries).Select(b.Line.GetGeometryN)).OfType<LineString>()]);

    /// <summary>Most borders lie inside; only those that cross the rim are cut by it.</summary>
    private List<(Geometry Line, int First, int Second)> CutByRim()
    {
        var area = Flat.Of(outline);
        var whole = PreparedGeometryFactory.Prepare(area);
        return
        [
            .. from border in borders
               let line = whole.Covers(border.Line) ? border.Line : whole.Intersects(border.Line) ? Flat.Shared(border.Line, area) : null
               where line is not null
               select (line, border.First, border.Second),
        ];
    }

    /// <summary>A field is moved with all its cells, so that it keeps its shape as far as the others leave it room.</summary>
    private static void Move(Coordinate[] sites, int[] own, int[] fieldOf, ImmutableArray<FieldPlace> moved)
    {
        foreach (var move in moved)
        {
            var centre = sites[own[move.Field - 1]];
            double byX = move.XMm - centre.X, byY = move.YMm - centre.Y;
            for (var i = 0; i < sites.Length; i++)
            {
                if (fieldOf[i] == move.Field - 1)
                {
                    sites[i] = new(sites[i].X + byX, sites[i].Y + byY);
                }
            }
        }
    }

    /// <summary>The sides between the cells round the sites.</summary>
    internal static List<(Coordinate From, Coordinate To, int First, int Second)> Sides(Outline outline, Coordinate[] sites, out List<int>[] near)
    {
        var margin = 0.4 * Math.Max(outline.BoxWidthMm, outline.BoxHeightMm);
        var box = new Envelope(-margin, outline.BoxWidthMm + margin, -margin, outline.BoxHeightMm + margin);
        var builder = new VoronoiDiagramBuilder { ClipEnvelope = box };
        builder.SetSites(sites);

        // The cells as they are: sides are cut to the box one by one, which is far cheaper than overlaying cells.
        var cells = builder.GetSubdivision().GetVoronoiCellPolygons(GeometryFactory.Default);
        var numberOf = sites.Select((s, i) => (s, i)).GroupBy(p => (p.s.X, p.s.Y)).ToDictionary(g => g.Key, g => g.First().i);
        var seen = new Dictionary<(long, long, long, long), int>();
        var sides = new List<(Coordinate, Coordinate, int, int)>();
        near = [.. sites.Select(_ => new List<int>())];
        foreach (var cell in cells)
        {
            var at = (Coordinate)cell.UserData;
            var number = numberOf[(at.X, at.Y)];
            var corners = cell.Coordinates;
            for (var i = 1; i < corners.Length; i++)
            {
                var (from, to) = (Round(corners[i - 1]), Round(corners[i]));
                if (from == to || Cut(box, corners[i - 1], corners[i]) is not { } cut)
                {
                    continue;
                }

                var key = from.CompareTo(to) < 0 ? (from.Item1, from.Item2, to.Item1, to.Item2) : (to.Item1, to.Item2, from.Item1, from.Item2);
                if (seen.Remove(key, out var other))
                {
                    sides.Add((Snap(Round(cut.From)), Snap(Round(cut.To)), other, number));
                    near[other].Add(number);
                    near[number].Add(other);
                }
                else
                {
                    seen[key] = number;
                }
            }
        }

        return sides;

        static (long, long) Round(Coordinate c) => ((long)Math.Round(c.X / SameMm), (long)Math.Round(c.Y / SameMm));
        static Coordinate Snap((long X, long Y) c) => new(c.X * SameMm, c.Y * SameMm);
    }

    /// <summary>The part of a line that lies in a box; null where none of it does.</summary>
    private static (Coordinate From, Coordinate To)? Cut(Envelope box, Coordinate from, Coordinate to)
    {
        if (box.Contains(from) && box.Contains(to))
        {
            return (from, to);
        }

        double dx = to.X - from.X, dy = to.Y - from.Y, enters = 0, leaves = 1;
        foreach (var (step, room) in ((double, double)[])[(-dx, from.X - box.MinX), (dx, box.MaxX - from.X), (-dy, from.Y - box.MinY), (dy, box.MaxY - from.Y)])
        {
            if (step < 0)
            {
                enters = Math.Max(enters, room / step);
            }
            else if (step > 0)
            {
                leaves = Math.Min(leaves, room / step);
            }
            else if (room < 0)
            {
                return null;
            }
        }

        return enters >= leaves ? null : (At(enters), At(leaves));

        Coordinate At(double share) => share == 0 ? from : share == 1 ? to : new(from.X + share * dx, from.Y + share * dy);
    }

    /// <summary>Grows every field from its own cell to its neighbours, the shortest way first: no field falls apart.</summary>
    internal static int[] Grow(Coordinate[] sites, int[] own, List<int>[] near, int seed)
    {
        var fieldOf = new int[sites.Length];
        Array.Fill(fieldOf, -1);
        var queue = new PriorityQueue<(int Site, int Field), double>();
        for (var field = 0; field < own.Length; field++)
        {
            queue.Enqueue((own[field], field), 0);
        }

        while (queue.TryDequeue(out var next, out var far))
        {
            if (fieldOf[next.Site] >= 0)
            {
                continue;
            }

            fieldOf[next.Site] = next.Field;
            foreach (var other in near[next.Site].Where(o => fieldOf[o] < 0))
            {
                // Some ways are longer than they look, so that fields are of many shapes.
                var random = new SplitMix((ulong)(uint)seed * 31 + (ulong)Math.Min(next.Site, other) * 997 + (ulong)Math.Max(next.Site, other));
                queue.Enqueue((other, next.Field), far + sites[next.Site].Distance(sites[other]) * random.Between(0.7, 1.5));
            }
        }

        // A site without a neighbour belongs to the nearest field.
        for (var i = 0; i < fieldOf.Length; i++)
        {
            if (fieldOf[i] < 0)
            {
                fieldOf[i] = Enumerable.Range(0, own.Length).MinBy(f => sites[own[f]].Distance(sites[i]));
            }
        }

        return fieldOf;
    }

    /// <summary>Joins the sides between two fields from meeting point to meeting point, and smooths each such line once.</summary>
    private void Chain(List<(Coordinate From, Coordinate To, int First, int Second)> sides, int[] fieldOf, int seed, int rounds)
    {
        var open = sides.Where(s => fieldOf[s.First] != fieldOf[s.Second])
            .Select(s => (s.From, s.To, First: Math.Min(fieldOf[s.First], fieldOf[s.Second]), Second: Math.Max(fieldOf[s.First], fieldOf[s.Second]))).ToList();
        var at = open.SelectMany((s, i) => new[] { (s.From, i), (s.To, i) }).ToLookup(p => (p.Item1.X, p.Item1.Y), p => p.i);
        var used = new bool[open.Count];
        bool Joins(Coordinate c) => at[(c.X, c.Y)].Count() == 2;

        // Lines between meeting points first; what is left then are closed rounds.
        foreach (var start in Enumerable.Range(0, open.Count).OrderBy(i => Joins(open[i].From) && Joins(open[i].To)).ThenBy(i => i))
        {
            if (used[start])
            {
                continue;
            }

            used[start] = true;
            var (from, to) = Joins(open[start].From) && !Joins(open[start].To) ? (open[start].To, open[start].From) : (open[start].From, open[start].To);
            List<Coordinate> line = [from, to];
            while (Joins(line[^1]) && at[(line[^1].X, line[^1].Y)].Where(i => !used[i]).Select(i => (int?)i).FirstOrDefault() is { } next)
            {
                used[next] = true;
                line.Add(open[next].From.Equals2D(line[^1]) ? open[next].To : open[next].From);
            }

            borders.Add((new LineString([.. Smooth(line, seed, rounds)]), open[start].First, open[start].Second));
        }
    }

    /// <summary>Rounds the corners of a line and lets it wander a little; its ends stay.</summary>
    private static List<Coordinate> Smooth(List<Coordinate> line, int seed, int rounds)
    {
        const double stepMm = 9;
        var wanders = 3.2 * rounds / SmoothingRounds[0];
        var noise = new GradientNoise(seed);
        var closed = line[0].Equals2D(line[^1]);
        var fine = new List<Coordinate> { line[0] };
        for (var i = 1; i < line.Count; i++)
        {
            Coordinate from = line[i - 1], to = line[i];
            var steps = Math.Max(1, (int)Math.Round(from.Distance(to) / stepMm));
            for (var s = 1; s <= steps; s++)
            {
                fine.Add(s == steps ? to : new(from.X + (to.X - from.X) * s / steps, from.Y + (to.Y - from.Y) * s / steps));
            }
        }

        // Drawn straight between neighbours again and again, the corners of the cells go and a bend is left.
        for (var round = 0; round < rounds; round++)
        {
            var before = fine;
            fine = [.. before.Select((c, i) => i == 0 || i == before.Count - 1
                ? c
                : new Coordinate((before[i - 1].X + 2 * c.X + before[i + 1].X) / 4, (before[i - 1].Y + 2 * c.Y + before[i + 1].Y) / 4))];
        }

        // It wanders a little, and not at its ends.
        var bent = fine;
        fine = [.. bent.Select((c, i) =>
        {
            var wander = wanders * Math.Sin(Math.PI * i / (bent.Count - 1)) * noise.At((float)(c.X / 70), (float)(c.Y / 70), 0.5f);
            var other = wanders * Math.Sin(Math.PI * i / (bent.Count - 1)) * noise.At((float)(c.X / 70) + 31, (float)(c.Y / 70), 0.5f);
            return i == 0 || i == bent.Count - 1 ? c : new Coordinate(c.X + wander, c.Y + other);
        })];

        for (var round = 0; round < 2 && rounds > 0; round++)
        {
            var rounded = new List<Coordinate> { fine[0] };
            for (var i = 1; i < fine.Count; i++)
            {
                if (i > 1 || closed)
                {
                    rounded.Add(new(0.75 * fine[i - 1].X + 0.25 * fine[i].X, 0.75 * fine[i - 1].Y + 0.25 * fine[i].Y));
                }

                if (i < fine.Count - 1 || closed)
                {
                    rounded.Add(new(0.25 * fine[i - 1].X + 0.75 * fine[i].X, 0.25 * fine[i - 1].Y + 0.75 * fine[i].Y));
                }
            }

            rounded.Add(fine[^1]);
            fine = rounded;
        }

        return fine;
    }

    /// <summary>The faces between the borders and the rim, each told to its field.</summary>
    private Geometry[] Faces(Coordinate[] sites, int[] own, int[] fieldOf)
    {
        var inside = Flat.Of(outline);
        var lines = Flat.Together([.. borders.Select(b => (Geometry)b.Line), inside.Boundary]);
        var polygonizer = new Polygonizer();
        polygonizer.Add(lines);
        var faces = polygonizer.GetPolygons().Cast<Polygon>().ToList();
        var parts = own.Select(_ => new List<Polygon>()).ToArray();
        foreach (var face in faces)
        {
            var at = face.InteriorPoint.Coordinate;
            if (outline.SignedDistanceMm(at.X, at.Y) > 0)
            {
                continue;
            }

            // Where smoothing moved a border past the point, the field whose own site lies inside wins.
            var grown = fieldOf[Enumerable.Range(0, sites.Length).MinBy(i => sites[i].Distance(at))];
            var holds = Enumerable.Range(0, own.Length).Where(f => face.Contains(new Point(sites[own[f]]))).Select(f => (int?)f).FirstOrDefault();
            parts[holds ?? grown].Add(face);
        }

        return [.. parts.Select(p => p.Count == 1 ? p[0] : (Geometry)new MultiPolygon([.. p]))];
    }
}

/// <summary>Spreads colours over fields.</summary>
internal static class FieldColours
{
    private const int Steps = 6000;

    /// <summary>Weight of a colour that lies beside itself, against the spread.</summary>
    private const double Clash = 10;

    /// <summary>A colour for every field: all used equally often, none beside itself where that can be, each spread wide.</summary>
    /// <param name="centres">Where the fields lie.</param>
    /// <param name="touch">Which of them touch.</param>
    /// <param name="colours">How many colours.</param>
    /// <param name="seed">Seed.</param>
    public static int[] Spread(ImmutableArray<Spot> centres, HashSet<(int, int)> touch, int colours, int seed)
    {
        var random = new SplitMix((ulong)(uint)seed * 7919 + 13);
        var colour = Enumerable.Range(0, centres.Length).Select(i => i % colours).ToArray();
        var size = Size(centres);
        var energy = Energy(colour, centres, touch, size);
        var (best, least) = (colour.ToArray(), energy);
        for (var step = 0; step < Steps && centres.Length > 1; step++)
        {
            if (step % 100 == 0)
            {
                Effort.Check();
            }

            var heat = 2.0 * (Steps - step) / Steps;
            int a = random.Below(centres.Length), b = random.Below(centres.Length);
            if (colour[a] == colour[b])
            {
                continue;
            }

            (colour[a], colour[b]) = (colour[b], colour[a]);
            var next = Energy(colour, centres, touch, size);
            if (next <= energy || random.Unit() < Math.Exp((energy - next) / Math.Max(heat, 1e-6)))
            {
                energy = next;
                if (energy < least)
                {
                    (best, least) = (colour.ToArray(), energy);
                }
            }
            else
            {
                (colour[a], colour[b]) = (colour[b], colour[a]);
            }
        }

        return Mend(best, centres, touch, colours);
    }

    /// <summary>Changes as few colours as it can so that none lies beside itself.</summary>
    public static int[] Mend(int[] colours, ImmutableArray<Spot> centres, HashSet<(int, int)> touch, int count)
    {
        var mended = colours.ToArray();
        if (count < 2)
        {
            // One colour lies beside itself wherever fields touch, and there is no other to take.
            return mended;
        }

        var size = Size(centres);
        for (var round = 0; round < 4 * mended.Length; round++)
        {
            var clash = touch.Where(t => mended[t.Item1] == mended[t.Item2]).Order().Select(t => ((int, int)?)t).FirstOrDefault();
            if (clash is not { } pair)
            {
                return mended;
            }

            var before = Energy(mended, centres, touch, size);
            var best = new[] { pair.Item1, pair.Item2 }
                .SelectMany(field => Enumerable.Range(0, count).Where(c => c != mended[field]).Select(c => (Field: field, Colour: c)))
                .Select(change =>
                {
                    var tried = mended.ToArray();
                    tried[change.Field] = change.Colour;
                    return (Tried: tried, Energy: Energy(tried, centres, touch, size));
                })
                .MinBy(t => t.Energy);
            if (best.Energy >= before)
            {
                // No single change helps: then as many fields as need be are coloured anew.
                return Anew(mended, touch, count) ?? mended;
            }

            mended = best.Tried;
        }

        return mended;
    }

    /// <summary>
    /// Colours every field so that none lies beside itself, each in its own colour where that can be: the field with the
    /// fewest colours left comes next, and a way that leads nowhere is gone back. Null where no way was found.
    /// </summary>
    private static int[]? Anew(int[] colours, HashSet<(int, int)> touch, int count)
    {
        const int mostSteps = 20_000;
        var beside = colours.Select(_ => new List<int>()).ToArray();
        foreach (var (a, b) in touch.Order())
        {
            beside[a].Add(b);
            beside[b].Add(a);
        }

        var chosen = new int[colours.Length];
        Array.Fill(chosen, -1);
        var steps = 0;
        return Next() ? chosen : null;

        bool Next()
        {
            var open = Enumerable.Range(0, chosen.Length).Where(f => chosen[f] < 0).ToList();
            if (open.Count == 0)
            {
                return true;
            }

            var field = open.MinBy(f => (Free(f).Count(), -beside[f].Count, f));
            foreach (var colour in Free(field).OrderBy(c => c == colours[field] ? 0 : 1).ToList())
            {
                if (++steps > mostSteps)
                {
                    return false;
                }

                chosen[field] = colour;
                if (Next())
                {
                    return true;
                }

                chosen[field] = -1;
            }

            return false;
        }

        IEnumerable<int> Free(int field) => Enumerable.Range(0, count).Where(c => !beside[field].Exists(b => chosen[b] == c));
    }

    private static double Energy(int[] colour, ImmutableArray<Spot> centres, HashSet<(int, int)> touch, double size)
    {
        var energy = 0.0;
        foreach (var (a, b) in touch)
        {
            if (colour[a] == colour[b])
            {
                energy += Clash;
            }
        }

        for (var i = 0; i < colour.Length; i++)
        {
            for (var j = i + 1; j < colour.Length; j++)
            {
                if (colour[i] == colour[j])
                {
                    double dx = centres[i].XMm - centres[j].XMm, dy = centres[i].YMm - centres[j].YMm;
                    energy += 0.15 / (0.05 + (dx * dx + dy * dy) / (size * size));
                }
            }
        }

        return energy;
    }

    private static double Size(ImmutableArray<Spot> centres) => Math.Max(1, Math.Max(
        centres.Max(c => c.XMm) - centres.Min(c => c.XMm), centres.Max(c => c.YMm) - centres.Min(c => c.YMm)));
}
