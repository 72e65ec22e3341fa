using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Algorithm.Locate;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>One part of a map that is laid out as polygons.</summary>
/// <param name="Id">The region's id.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup, or null.</param>
/// <param name="Shape">What it covers.</param>
/// <param name="Own">The volume that the layout itself sets, or null.</param>
/// <param name="Anchor">Where it is held, or null.</param>
/// <param name="Draft">How it is drawn while it is dragged, or null for by its shape, which may be dear.</param>
internal sealed record Patch(
    RegionId Id, RegionKind Kind, string? CupId, Lazy<Geometry> Shape, OwnVolume? Own = null, Spot? Anchor = null, PatchDraft? Draft = null)
{
    public Patch(RegionId id, RegionKind kind, string? cupId, Geometry area, OwnVolume? own = null, Spot? anchor = null)
        : this(id, kind, cupId, new Lazy<Geometry>(area), own, anchor)
    {
    }

    /// <summary>What it covers.</summary>
    public Geometry Area => Shape.Value;
}

/// <summary>What a patch looks like within the outline it is laid out in; outside of it may be anything.</summary>
/// <param name="Rings">It is what lies inside an odd number of these.</param>
/// <param name="Line">Or what lies within half a width of this line.</param>
/// <param name="WidthMm">The width of the line, mm.</param>
/// <param name="Even">Whether it is so wide all along.</param>
internal sealed record PatchDraft(ImmutableArray<Ring> Rings, Geometry? Line = null, double WidthMm = 0, bool Even = true);

/// <summary>A map whose regions are polygons: fields, pools, puddles.</summary>
internal sealed class RegionMap : LayerMap
{
    /// <summary>Corners of neighbours that are nearer than this are one, mm.</summary>
    private const double SameMm = 1e-5;

    /// <summary>How far inside the rim it is looked for what touches it, mm.</summary>
    private const double InsideMm = 0.01;

    private readonly Outline outline;
    private readonly bool whole;
    private readonly Lazy<IndexedPointInAreaLocator[]> locators;
    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<Border>> touching;

    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="patches">Parts that take area, together the outline; then what lies on them.</param>
    /// <param name="stepMm">How finely a cut has to step, mm.</param>
    /// <param name="whole">Whether the patches are all of the outline; else only a few places on it.</param>
    /// <param name="inner">All borders of its regions as one; null for the lines that they have in common.</param>
    public RegionMap(Outline outline, ImmutableArray<Patch> patches, double stepMm, bool whole = true, Lazy<Geometry>? inner = null)
    {
        Inner = inner;
        this.outline = outline;
        this.whole = whole;
        Patches = patches;
        StepMm = stepMm;
        locators = new(() => [.. patches.Where(p => p.Kind.TakesArea()).Select(p => new IndexedPointInAreaLocator(p.Area))]);
        regions = new(Measure);
        touching = new(() => [.. Borders().Select(l => new Border(l.First, l.Second, l.At))]);
    }

    public ImmutableArray<Patch> Patches { get; }

    /// <summary>All borders of its regions as one; null for the lines that they have in common.</summary>
    public Lazy<Geometry>? Inner { get; }

    /// <summary>Whether its patches are all of the outline; else only a few places on it.</summary>
    public bool IsWhole => whole;

    public override ImmutableArray<Region> Regions => regions.Value;

    public override ImmutableArray<Border> Touching => touching.Value;

    internal override double StepMm { get; }

    public override RegionId RegionAt(double xMm, double yMm)
    {
        if (Holds(xMm, yMm) is { } id)
        {
            return id;
        }

        // Between two polygons by a hair, or outside: the nearest.
        var point = new Point(xMm, yMm);
        return Patches.Where(p => p.Kind.TakesArea()).MinBy(p => p.Area.IsEmpty ? double.MaxValue : p.Area.Distance(point))!.Id;
    }

    /// <summary>The region that a place lies in; null for none.</summary>
    public RegionId? Holds(double xMm, double yMm)
    {
        var at = new Coordinate(xMm, yMm);
        var each = locators.Value;
        for (var i = 0; i < each.Length; i++)
        {
            if (each[i].Locate(at) != Location.Exterior)
            {
                return Patches[i].Id;
            }
        }

        return null;
    }

    internal override double[] AreasWithin(OutlineCover part)
    {
        var within = Flat.Of(part.Outline);
        return [.. Patches.Select(p => p.Kind == RegionKind.Film ? within.Area : p.Area.IsEmpty ? 0 : Flat.Shared(p.Area, within).Area)];
    }

    private ImmutableArray<Region> Measure()
    {
        // Shapes that were not asked for yet are worked out on every core.
        Parallel.ForEach(Patches, p => _ = p.Area);
        var edges = OpenEdges();
        return [.. Patches.Select(p => new Region(p.Id, p.Kind, p.CupId, p.Area.Area, edges.GetValueOrDefault(p.Id),
            null, p.Own, p.Anchor))];
    }

    /// <summary>The rim, walked in short steps, each told to the region it touches.</summary>
    private Dictionary<RegionId, double> OpenEdges()
    {
        var edges = new Dictionary<RegionId, double>();
        var rings = outline.Rings;
        var onRim = outline.SidesOnRim();
        for (var r = 0; r < rings.Length; r++)
        {
            var ring = rings[r];
            for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
            {
                if (!onRim(r, i))
                {
                    continue;
                }

                double x = ring.Xs[j], y = ring.Ys[j], dx = ring.Xs[i] - x, dy = ring.Ys[i] - y;
                var length = Math.Sqrt(dx * dx + dy * dy);
                var steps = Math.Max(1, (int)Math.Ceiling(length / (2 * StepMm)));
                for (var s = 0; s < steps; s++)
                {
                    double midX = x + dx * (s + 0.5) / steps, midY = y + dy * (s + 0.5) / steps;
                    if (length > 0)
                    {
                        // A hair inside, which lies to the right of a ring walked clockwise as seen.
                        double inX = midX - dy / length * InsideMm, inY = midY + dx / length * InsideMm;
                        if ((whole ? (RegionId?)RegionAt(inX, inY) : Holds(inX, inY)) is { } id)
                        {
                            edges[id] = edges.GetValueOrDefault(id) + length / steps;
                        }
                    }
                }
            }
        }

        return edges;
    }

    /// <summary>Polygons that touch share sides corner by corner; sides that follow each other are one line.</summary>
    private protected override ImmutableArray<BorderLine> FindLines()
    {
        var sides = new Dictionary<(long, long, long, long), RegionId>();
        var found = new Dictionary<(RegionId, RegionId), Found>();
        foreach (var patch in Patches.Where(p => p.Kind.TakesArea()))
        {
            foreach (var ring in Flat.Rings(patch.Area))
            {
                for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
                {
                    if (!sides.Remove(Side(ring, i, j), out var other))
                    {
                        sides[Side(ring, j, i)] = patch.Id;
                    }
                    else if (other != patch.Id)
                    {
                        var key = other.CompareTo(patch.Id) < 0 ? (other, patch.Id) : (patch.Id, other);
                        if (!found.TryGetValue(key, out var line))
                        {
                            found[key] = line = new();
                        }

                        line.Add((ring.Xs[j], ring.Ys[j]), (ring.Xs[i], ring.Ys[i]));
                    }
                }
            }
        }

        return [.. found.Where(f => f.Value.LengthMm > 1).OrderBy(f => f.Key).Select(f => f.Value.Line(f.Key))];

        static (long, long, long, long) Side(Ring ring, int from, int to) => (
            (long)Math.Round(ring.Xs[from] / SameMm), (long)Math.Round(ring.Ys[from] / SameMm),
            (long)Math.Round(ring.Xs[to] / SameMm), (long)Math.Round(ring.Ys[to] / SameMm));
    }

    /// <summary>The sides found so far that two regions share.</summary>
    private sealed class Found
    {
        private readonly List<List<(double X, double Y)>> lines = [];

        public double LengthMm { get; private set; }

        public void Add((double X, double Y) from, (double X, double Y) to)
        {
            double dx = to.X - from.X, dy = to.Y - from.Y;
            LengthMm += Math.Sqrt(dx * dx + dy * dy);
            if (lines.Count > 0 && lines[^1][^1] == from)
            {
                lines[^1].Add(to);
            }
            else
            {
                lines.Add([from, to]);
            }
        }

        public BorderLine Line((RegionId First, RegionId Second) regions) => BorderLine.Of(regions.First, regions.Second, lines);
    }
}
