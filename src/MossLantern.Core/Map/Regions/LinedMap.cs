using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.LinearReferencing;
using NetTopologySuite.Operation.Buffer;
using NetTopologySuite.Operation.Linemerge;
using NetTopologySuite.Simplify;

namespace MossLantern.Core.Map;

/// <summary>A map with lines laid on it: they take no area from what they lie on, and it is not grown anew for them. Those that are
/// poured are regions.</summary>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
internal sealed class LinedMap : LayerMap
{
    /// <summary>How far the shape of a line may be off the border that it runs along, mm.</summary>
    private const double ToleranceMm = 0.05;

    private readonly Lazy<ImmutableArray<Region>> regions;

    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="on">What the lines lie on.</param>
    /// <param name="lines">The lines, in the layout that they are laid on.</param>
    /// <param name="known">A line whose course does not hang on the map is laid out once: what was is asked of this.</param>
    public LinedMap(Outline outline, LayerMap on, ImmutableArray<Line> lines, Func<Line, Func<Patch>, Patch> known)
    {
        On = on;
        Lines = [.. lines.Select(l => l.Course is DrawnCourse or RingCourse
            ? known(l, () => Patch(outline, on, l)) : Patch(outline, on, l))];
        regions = new(() =>
        {
            // Shapes that were not asked for yet are worked out on every core.
            Parallel.ForEach(Lines, p => _ = p.Area);
            return [.. on.Regions, .. Poured.Select(p => new Region(p.Id, p.Kind, p.CupId, p.Area.Area, 0, null, p.Own))];
        });
    }

    /// <summary>What the lines lie on.</summary>
    public LayerMap On { get; }

    /// <summary>The lines.</summary>
    public ImmutableArray<Patch> Lines { get; }

    private IEnumerable<Patch> Poured => Lines.Where(p => p.CupId is not null);

    public override ImmutableArray<Region> Regions => regions.Value;

    public override ImmutableArray<Border> Touching => On.Touching;

    internal override double StepMm => On.StepMm;

    public override RegionId RegionAt(double xMm, double yMm) => On.RegionAt(xMm, yMm);

    private protected override ImmutableArray<BorderLine> FindLines() => On.Borders();

    internal override double[] AreasWithin(OutlineCover part)
    {
        var within = Flat.Of(part.Outline);
        return [.. On.AreasWithin(part), .. Poured.Select(p => p.Area.IsEmpty ? 0 : Flat.Shared(p.Area, within).Area)];
    }

    /// <summary>The map below lines, if there are any.</summary>
    public static LayerMap Below(LayerMap map) => map is LinedMap lined ? lined.On : map;

    private static Patch Patch(Outline outline, LayerMap on, Line line)
    {
        var (width, height) = (line.Section.WidthMm, line.Section.HeightMm ?? 0);
        var along = Along(on, line.Course);
        // What a hand drew over the edge is laid as far as there is something to lie on.
        along = line.Course is DrawnCourse or RingCourse or BorderCourse { OffMm: not 0 } ? along.Intersection(Flat.Of(outline)) : along;
        var drawn = DouglasPeuckerSimplifier.Simplify(along, ToleranceMm);
        return new(
            line.Region.InLayout, RegionKind.Line, line.RecipeId,
            new Lazy<Geometry>(() => Flat.Shared(LineShape.Of(drawn, line.Section), Flat.Of(outline))),
            new(along.Length * (line.SectionMm2 ?? 0) / 1000, along.Length, width, height, line.Id), null,
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
