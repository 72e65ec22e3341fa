using System.Collections.Immutable;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
using NetTopologySuite.Algorithm.Locate;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>One part of a map that is laid out as polygons.</summary>
/// <param name="Id">The region's id.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup, or null.</param>
/// <param name="Area">What it covers.</param>
/// <param name="Own">The volume that the layout itself sets, or null.</param>
/// <param name="Anchor">Where it is held, or null.</param>
internal sealed record Patch(string Id, RegionKind Kind, string? CupId, Geometry Area, OwnVolume? Own = null, Spot? Anchor = null);

/// <summary>A map whose regions are polygons: fields, pools, puddles.</summary>
internal sealed class RegionMap : LayerMap
{
    /// <summary>Corners of neighbours that are nearer than this are one, mm.</summary>
    private const double SameMm = 1e-5;

    private readonly Outline outline;
    private readonly bool whole;
    private readonly IndexedPointInAreaLocator[] locators;
    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<Border>> borders;

    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="patches">Parts that take area, together the outline; then what lies on them.</param>
    /// <param name="stepMm">How finely a cut has to step, mm.</param>
    /// <param name="whole">Whether the patches are all of the outline; else only a few places on it.</param>
    public RegionMap(Outline outline, ImmutableArray<Patch> patches, double stepMm, bool whole = true)
    {
        this.outline = outline;
        this.whole = whole;
        Patches = patches;
        StepMm = stepMm;
        locators = [.. patches.Where(TakesArea).Select(p => new IndexedPointInAreaLocator(p.Area))];
        regions = new(Measure);
        borders = new(FindBorders);
    }

    public ImmutableArray<Patch> Patches { get; }

    public override ImmutableArray<Region> Regions => regions.Value;

    public override ImmutableArray<Border> Borders => borders.Value;

    internal override double StepMm { get; }

    public override string RegionAt(double xMm, double yMm)
    {
        if (Holds(xMm, yMm) is { } id)
        {
            return id;
        }

        // Between two polygons by a hair, or outside: the nearest.
        var point = new Point(xMm, yMm);
        return Patches.Where(TakesArea).MinBy(p => p.Area.IsEmpty ? double.MaxValue : p.Area.Distance(point))!.Id;
    }

    /// <summary>The region that a place lies in; null for none.</summary>
    public string? Holds(double xMm, double yMm)
    {
        var at = new Coordinate(xMm, yMm);
        for (var i = 0; i < locators.Length; i++)
        {
            if (locators[i].Locate(at) != Location.Exterior)
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

    private static bool TakesArea(Patch patch) => patch.Kind is not (RegionKind.Vein or RegionKind.Film);

    private ImmutableArray<Region> Measure()
    {
        var edges = OpenEdges();
        return [.. Patches.Select(p => new Region(p.Id, p.Kind, p.CupId, p.Area.Area, edges.GetValueOrDefault(p.Id), null, p.Own, p.Anchor))];
    }

    /// <summary>The rim, walked in short steps, each told to the region it touches.</summary>
    private Dictionary<string, double> OpenEdges()
    {
        var edges = new Dictionary<string, double>();
        foreach (var ring in outline.Rings)
        {
            for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
            {
                double x = ring.Xs[j], y = ring.Ys[j], dx = ring.Xs[i] - x, dy = ring.Ys[i] - y;
                var length = Math.Sqrt(dx * dx + dy * dy);
                var steps = Math.Max(1, (int)Math.Ceiling(length / (2 * StepMm)));
                for (var s = 0; s < steps; s++)
                {
                    double midX = x + dx * (s + 0.5) / steps, midY = y + dy * (s + 0.5) / steps;
                    if (length > 0 && outline.OnRim(midX, midY))
                    {
                        // A hair inside, which lies to the right of a ring walked clockwise as seen.
                        double inX = midX - dy / length * 0.01, inY = midY + dx / length * 0.01;
                        if ((whole ? RegionAt(inX, inY) : Holds(inX, inY)) is { } id)
                        {
                            edges[id] = edges.GetValueOrDefault(id) + length / steps;
                        }
                    }
                }
            }
        }

        return edges;
    }

    /// <summary>Polygons that touch share sides corner by corner.</summary>
    private ImmutableArray<Border> FindBorders()
    {
        var sides = new Dictionary<(long, long, long, long), string>();
        var found = new Dictionary<(string, string), (double Length, double Longest, Spot At)>();
        foreach (var patch in Patches.Where(TakesArea))
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
                        var key = string.CompareOrdinal(other, patch.Id) < 0 ? (other, patch.Id) : (patch.Id, other);
                        double dx = ring.Xs[i] - ring.Xs[j], dy = ring.Ys[i] - ring.Ys[j];
                        var length = Math.Sqrt(dx * dx + dy * dy);
                        var (sum, longest, at) = found.GetValueOrDefault(key);
                        found[key] = length > longest
                            ? (sum + length, length, new((ring.Xs[i] + ring.Xs[j]) / 2, (ring.Ys[i] + ring.Ys[j]) / 2))
                            : (sum + length, longest, at);
                    }
                }
            }
        }

        return [.. found.Where(f => f.Value.Length > 1).OrderBy(f => f.Key).Select(f => new Border(f.Key.Item1, f.Key.Item2, f.Value.At))];

        static (long, long, long, long) Side(Ring ring, int from, int to) => (
            (long)Math.Round(ring.Xs[from] / SameMm), (long)Math.Round(ring.Ys[from] / SameMm),
            (long)Math.Round(ring.Xs[to] / SameMm), (long)Math.Round(ring.Ys[to] / SameMm));
    }
}
