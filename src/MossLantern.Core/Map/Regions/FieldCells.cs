using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Prepared;
using NetTopologySuite.Operation.Polygonize;

namespace MossLantern.Core.Map;

/// <summary>The shapes of fields.</summary>
internal sealed class FieldCells
{
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
            sides = CellSides.Of(outline, sites, out var near);
            fieldOf = FieldSites.Grow(sites, own, near, layout.Seed);
        }

        Centres = [.. own.Select(i => new Spot(sites[i].X, sites[i].Y))];

        // Smoothing can wipe out a field that is a sliver; then less of it has to do.
        Areas = [];
        foreach (var rounds in SmoothingRounds)
        {
            borders.Clear();
            Chain(sides, fieldOf, layout.Seed, rounds);
            Areas = Faces(sites, own, fieldOf);
            if (Areas.Zip(Centres).All(f => f.First.Area > LeastFieldMm2 || !outline.Holds(f.Second.XMm, f.Second.YMm)))
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
    public HashSet<(int, int)> Touch() =>
        [.. inside.Value.Where(b => b.First != b.Second && b.Line.Length > 1)
            .Select(b => (Math.Min(b.First, b.Second), Math.Max(b.First, b.Second)))];

    /// <summary>All borders between fields, as far as they lie inside the outline.</summary>
    public Geometry BordersInside() =>
        new MultiLineString([.. inside.Value
            .SelectMany(b => Enumerable.Range(0, b.Line.NumGeometries).Select(b.Line.GetGeometryN)).OfType<LineString>()]);

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

    /// <summary>Joins the sides between two fields from meeting point to meeting point, and smooths each such line once.</summary>
    private void Chain(List<(Coordinate From, Coordinate To, int First, int Second)> sides, int[] fieldOf, int seed, int rounds)
    {
        var open = sides.Where(s => fieldOf[s.First] != fieldOf[s.Second])
            .Select(s => (s.From, s.To, First: Math.Min(fieldOf[s.First], fieldOf[s.Second]),
                Second: Math.Max(fieldOf[s.First], fieldOf[s.Second]))).ToList();
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
            var (from, to) = Joins(open[start].From) && !Joins(open[start].To) ? (open[start].To, open[start].From)
                : (open[start].From, open[start].To);
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
            if (!outline.Holds(at.X, at.Y))
            {
                continue;
            }

            // Where smoothing moved a border past the point, the field whose own site lies inside wins.
            var grown = fieldOf[Enumerable.Range(0, sites.Length).MinBy(i => sites[i].Distance(at))];
            var holds = Enumerable.Range(0, own.Length).Where(f => face.Contains(new Point(sites[own[f]])))
                .Select(f => (int?)f).FirstOrDefault();
            parts[holds ?? grown].Add(face);
        }

        // Faces of one field that lie side by side are one area: there is no seam between them.
        return [.. parts.Select(p => p.Count == 1 ? p[0] : Flat.Together(p))];
    }
}
