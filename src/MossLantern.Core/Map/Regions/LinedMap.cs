using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Algorithm.Locate;
using NetTopologySuite.Geometries;
using NetTopologySuite.LinearReferencing;
using NetTopologySuite.Operation.Buffer;
using NetTopologySuite.Operation.Linemerge;
using NetTopologySuite.Simplify;

namespace MossLantern.Core.Map;

/// <summary>A map with lines on it, which is not grown anew for them. Those that are poured are regions and take no area from what they
/// lie on; walls take it from what lies beside them.</summary>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
internal sealed class LinedMap : LayerMap
{
    /// <summary>How far the shape of a line may be off the border that it runs along, mm.</summary>
    private const double ToleranceMm = 0.05;

    /// <summary>Less of a border than this beside a wall is no border, mm.</summary>
    private const double LeastBorderMm = 1;

    /// <summary>Less than this between walls is not poured into, mm².</summary>
    private const double LeastPartMm2 = 20;

    /// <summary>A wall this near to a part stands beside it, mm.</summary>
    private const double BesideMm = 0.5;

    private readonly Outline outline;
    private readonly Func<Outline, OutlineCover> cover;
    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<Border>> touching;
    private readonly Lazy<Geometry?> walls;
    private readonly Lazy<ImmutableArray<Patch>> apart;
    private readonly Lazy<IndexedPointInAreaLocator[]> locators;
    private readonly Lazy<ImmutableArray<Compartment>> compartments;

    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="on">What the lines lie on.</param>
    /// <param name="lines">The lines, in the layout that they are laid on.</param>
    /// <param name="known">A line whose course does not hang on the map is laid out once: what was is asked of this.</param>
    /// <param name="cover">How a part of the outline covers the grid.</param>
    public LinedMap(Outline outline, LayerMap on, ImmutableArray<Line> lines, Func<Line, Func<Patch>, Patch> known,
        Func<Outline, OutlineCover> cover)
    {
        (this.outline, this.cover, On) = (outline, cover, on);
        var snapped = Pools.Snapped(outline, Wall.Among(lines)).ToDictionary(w => w.Id, w => w.Spots);
        Lines = [.. lines.Select(l => snapped.TryGetValue(l.Id, out var spots) ? l with { Course = new DrawnCourse(spots) } : l)
            .Select(l => l.Course is DrawnCourse or RingCourse ? known(l, () => Patch(outline, on, l)) : Patch(outline, on, l))];
        Walls = [.. Lines.Where(p => p.Kind == RegionKind.Wall)];
        walls = new(() => !Walls.IsEmpty ? Flat.Together(Walls.Select(p => p.Area)) : null);
        apart = new(() => [.. Own()]);
        locators = new(() => [.. Walls.Select(p => new IndexedPointInAreaLocator(p.Area))]);
        regions = new(Measure);
        touching = new(FindTouching);
        compartments = new(FindCompartments);
    }

    /// <summary>What the lines lie on.</summary>
    public LayerMap On { get; }

    /// <summary>The lines.</summary>
    public ImmutableArray<Patch> Lines { get; }

    private IEnumerable<Patch> Poured => Lines.Where(p => p.CupId is not null);

    /// <summary>The walls among them.</summary>
    public ImmutableArray<Patch> Walls { get; }

    /// <summary>What all walls cover; null where there are none.</summary>
    public Geometry? Walled => walls.Value;

    /// <summary>What walls part what they stand in into; none where they close nothing in.</summary>
    public ImmutableArray<Compartment> Compartments => compartments.Value;

    public override ImmutableArray<Region> Regions => regions.Value;

    public override ImmutableArray<Border> Touching => touching.Value;

    internal override double StepMm => On.StepMm;

    public override RegionId RegionAt(double xMm, double yMm)
    {
        if (!Walls.IsEmpty)
        {
            var (at, each) = (new Coordinate(xMm, yMm), locators.Value);
            var wall = Array.FindIndex(each, l => l.Locate(at) != Location.Exterior);
            if (wall >= 0)
            {
                return Walls[wall].Id;
            }
        }

        return On.RegionAt(xMm, yMm);
    }

    private protected override ImmutableArray<BorderLine> FindLines() => On.Borders();

    internal override double[] AreasWithin(OutlineCover part)
    {
        var within = Flat.Of(part.Outline);
        double Within(Patch patch) => patch.Area.IsEmpty ? 0 : Flat.Shared(patch.Area, within).Area;
        var below = On.AreasWithin(part);
        return
        [
            .. Walled is { } walled ? Left(below, Taken(Flat.SharedArea(walled, within))) : below,
            .. apart.Value.Select(Within), .. Poured.Select(Within),
        ];
    }

    /// <summary>Each wall by itself: where two lie on each other the first has it.</summary>
    private IEnumerable<Patch> Own()
    {
        for (var i = 0; i < Walls.Length; i++)
        {
            var (wall, box) = (Walls[i], Walls[i].Area.EnvelopeInternal);
            List<Geometry> before = [.. Walls[..i].Select(w => w.Area).Where(a => a.EnvelopeInternal.Intersects(box))];
            yield return before.Count == 0 ? wall : wall with { Shape = new(Flat.Without(wall.Area, Flat.Together(before))) };
        }
    }

    /// <summary>What an area takes from each region below, mm².</summary>
    private double[] Taken(Geometry area) =>
        area.IsEmpty ? new double[On.Regions.Length] : On.AreasWithin(cover(new AreaOutline(area, outline)));

    private double[] Left(double[] all, double[] taken) =>
        [.. all.Zip(taken, On.Regions).Select(r => r.Third.TakesArea ? Math.Max(0, r.First - r.Second) : r.First)];

    private ImmutableArray<Region> Measure()
    {
        // Shapes that were not asked for yet are worked out on every core.
        Parallel.ForEach(Lines, p => _ = p.Area);
        var poured = Poured.Select(p => new Region(p.Id, p.Kind, p.CupId, p.Area.Area, 0, null, p.Own));
        if (Walled is not { } walled)
        {
            return [.. On.Regions, .. poured];
        }

        var left = Left([.. On.Regions.Select(r => r.AreaMm2)], Taken(walled));
        var edges = new Dictionary<RegionId, double>();
        var own = apart.Value.Select(wall =>
        {
            var rim = 0.0;
            foreach (var line in Flat.Lines(Flat.Of(outline).Boundary.Intersection(wall.Area)).Where(l => l.Count > 1))
            {
                var (x, y) = Middle(line);
                if (outline.OnRim(x, y))
                {
                    var mm = line.Zip(line.Skip(1)).Sum(s => double.Hypot(s.Second.X - s.First.X, s.Second.Y - s.First.Y));
                    var under = On.RegionAt(x, y);
                    edges[under] = edges.GetValueOrDefault(under) + mm;
                    rim += mm;
                }
            }

            return new Region(wall.Id, wall.Kind, null, wall.Area.Area, rim);
        }).ToList();

        // What the walls take is what the regions lack: rounding of their shapes is theirs.
        var (covered, lacking) = (own.Sum(w => w.AreaMm2),
            On.Regions.Zip(left).Where(r => r.First.TakesArea).Sum(r => r.First.AreaMm2 - r.Second));
        return
        [
            .. On.Regions.Zip(left).Select(r => r.First with
            {
                AreaMm2 = r.Second, OpenEdgeMm = Math.Max(0, r.First.OpenEdgeMm - edges.GetValueOrDefault(r.First.Id)),
            }),
            .. own.Select(w => w with { AreaMm2 = covered > 0 ? w.AreaMm2 * lacking / covered : 0 }),
            .. poured,
        ];
    }

    /// <summary>What has a wall all along between it does not touch.</summary>
    private ImmutableArray<Border> FindTouching()
    {
        if (Walled is not { } walled)
        {
            return On.Touching;
        }

        var found = ImmutableArray.CreateBuilder<Border>();
        foreach (var border in On.Touching)
        {
            if (On.Along(border.First, border.Second) is not { } line)
            {
                found.Add(border);
                continue;
            }

            var left = Of([line]).Difference(walled);
            if (left.Length > LeastBorderMm)
            {
                var (x, y) = Middle(Flat.Lines(left).MaxBy(l => l.Count)!);
                found.Add(border.At is { } at && !walled.Contains(new Point(at.XMm, at.YMm)) ? border : border with { At = new(x, y) });
            }
        }

        return found.ToImmutable();
    }

    private static (double X, double Y) Middle(IReadOnlyList<(double X, double Y)> line)
    {
        var (one, other) = (line[(line.Count - 1) / 2], line[line.Count / 2]);
        return ((one.X + other.X) / 2, (one.Y + other.Y) / 2);
    }

    private ImmutableArray<Compartment> FindCompartments()
    {
        if (Walled is not { } walled)
        {
            return [];
        }

        // Each part of an outline by itself; what no wall parts is none.
        var parts = Flat.Polygons(Flat.Of(outline)).Select(whole => Flat.Polygons(Flat.Without(whole, walled))
            .Where(p => p.Area > LeastPartMm2).ToList()).Where(p => p.Count > 1).SelectMany(p => p).ToList();
        Region[] all = [.. Regions.Where(r => r.Kind != RegionKind.Wall)];
        return [.. parts.AsParallel().AsOrdered().Select(Compartment)];

        // No wall lies in it, so that what lies there is asked of the map below.
        Compartment Compartment(Polygon part)
        {
            var areas = On.AreasWithin(cover(new AreaOutline(part, outline)))
                .Concat(Poured.Select(p => p.Area.IsEmpty ? 0 : Flat.Shared(p.Area, part).Area));
            return new(part,
                [
                    .. all.Zip(areas).Where(r => r is { Second: > 1, First.AreaMm2: > 0 })
                        .OrderByDescending(r => r.First.TakesArea).ThenByDescending(r => r.Second)
                        .Select(r => (r.First.Id, Math.Min(1, r.Second / r.First.AreaMm2))),
                ],
                [
                    .. Walls.Where(w => w.Draft!.Line!.IsWithinDistance(part, w.Draft.WidthMm / 2 + BesideMm))
                        .Select(w => w.Own!.LineId!),
                ]);
        }
    }

    /// <summary>The map below lines, if there are any.</summary>
    public static LayerMap Below(LayerMap map) => map is LinedMap lined ? lined.On : map;

    private static Patch Patch(Outline outline, LayerMap on, Line line)
    {
        var (width, height) = (line.Section.WidthMm, line.Section.HeightMm ?? 0);
        var (course, along) = (line.Course, Along(on, line.Course));
        // What a hand drew over the edge is laid as far as there is something to lie on.
        along = course is DrawnCourse or RingCourse or BorderCourse { OffMm: not 0 } ? along.Intersection(Flat.Of(outline)) : along;
        var drawn = DouglasPeuckerSimplifier.Simplify(along, ToleranceMm);
        return new(
            line.Region.InLayout, line.IsBarrier ? RegionKind.Wall : RegionKind.Line, line.RecipeId,
            new Lazy<Geometry>(() => Flat.Shared(LineShape.Of(drawn, line.Section), Flat.Of(outline))),
            // How high a wall is changes nothing on the map.
            line.IsBarrier ? new(0, along.Length, width, null, line.Id)
                : new(along.Length * (line.SectionMm2 ?? 0) / 1000, along.Length, width, height, line.Id), null,
            new PatchDraft([], drawn, width, line.Section is { Swell: 0, EveryMm: null }));
    }

    /// <summary>What a line runs along; nothing where its border is gone.</summary>
    private static Geometry Along(LayerMap on, Course course) => course switch
    {
        AllBordersCourse when on is RegionMap { Inner: { } inner } => inner.Value,
        AllBordersCourse => Of(on.Borders()),
        BorderCourse border when on.Along(border.First, border.Second) is { } line => Beside(on, border, Stretch(border, Of([line]))),
        DrawnCourse drawn => Pools.Laid(drawn.Spots),
        RingCourse ring => Spiral(ring, ring.Turns),
        _ => Of([]),
    };

    /// <summary>A stretch of a border, by shares of its length.</summary>
    private static Geometry Stretch(BorderCourse border, MultiLineString whole)
    {
        if (border is { From: 0, To: 1 })
        {
            return whole;
        }

        var merger = new LineMerger();
        merger.Add((Geometry)whole);
        MultiLineString merged = new([.. merger.GetMergedLineStrings().Cast<LineString>()]);
        var along = new LengthIndexedLine(merged);
        var (from, to) = border.From <= border.To ? (border.From, border.To) : (border.To, border.From);
        return from == to ? Of([]) : along.ExtractLine(from * merged.Length, to * merged.Length);
    }

    /// <summary>A border moved to one side of itself.</summary>
    private static Geometry Beside(LayerMap on, BorderCourse border, Geometry line)
    {
        if (border.OffMm == 0 || line.IsEmpty)
        {
            return line;
        }

        // On which side the second lies is asked of the map, halfway along.
        var into = border.OffMm > 0 ? border.Second : border.First;
        var (one, other) = (OffsetCurve.GetCurve(line, Math.Abs(border.OffMm)), OffsetCurve.GetCurve(line, -Math.Abs(border.OffMm)));
        return Lies(one) >= Lies(other) ? one : other;

        int Lies(Geometry curve) => curve.Coordinates.Count(c => on.RegionAt(c.X, c.Y) == into);
    }

    /// <summary>So many corners to a turn.</summary>
    private const int Corners = 96;

    private static LineString Spiral(RingCourse ring, double? turns)
    {
        var steps = (int)Math.Ceiling(Corners * (turns ?? 1));
        var radius = ring.DiameterMm / 2;
        return new([.. Enumerable.Range(0, steps + 1).Select(i =>
        {
            var (share, angle) = ((double)i / steps, 2 * Math.PI * (turns ?? 1) * i / steps);
            var r = turns is null ? radius : radius * (1 - share);
            return new Coordinate(ring.XMm + r * Math.Sin(angle), ring.YMm - r * Math.Cos(angle));
        })]);
    }

    private static MultiLineString Of(IEnumerable<BorderLine> borders) => new([.. borders.SelectMany(b => b.Lines)
        .Select(l => new LineString([.. l.Select(p => new Coordinate(p.X, p.Y))]))]);
}

/// <summary>A part of a layout that walls close in.</summary>
/// <param name="Area">Where it lies.</param>
/// <param name="Regions">What lies in it, each with the share of it that does; what has the most area there is first.</param>
/// <param name="Walls">The lines that stand beside it.</param>
internal sealed record Compartment(Geometry Area, ImmutableArray<(RegionId Region, double Share)> Regions, ImmutableArray<string> Walls);
