using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.Simplify;

namespace MossLantern.Core.Map;

/// <summary>A map with lines of resin laid on it: they take no area from what they lie on, and it is not grown anew for them.</summary>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
internal sealed class LinedMap : LayerMap
{
    /// <summary>How far the shape of a line may be off the border that it runs along, mm.</summary>
    private const double ToleranceMm = 0.05;

    private readonly Lazy<ImmutableArray<Region>> regions;

    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="on">What the lines lie on.</param>
    /// <param name="lines">The lines, in the layout that they are laid on.</param>
    public LinedMap(Outline outline, LayerMap on, ImmutableArray<Line> lines)
    {
        On = on;
        Lines = [.. lines.Select(l => Patch(outline, on, l))];
        regions = new(() =>
        {
            // Shapes that were not asked for yet are worked out on every core.
            Parallel.ForEach(Lines, p => _ = p.Area);
            return [.. on.Regions, .. Lines.Select(p => new Region(p.Id, p.Kind, p.CupId, p.Area.Area, 0, null, p.Own))];
        });
    }

    /// <summary>What the lines lie on.</summary>
    public LayerMap On { get; }

    /// <summary>The lines.</summary>
    public ImmutableArray<Patch> Lines { get; }

    public override ImmutableArray<Region> Regions => regions.Value;

    public override ImmutableArray<Border> Touching => On.Touching;

    internal override double StepMm => On.StepMm;

    public override RegionId RegionAt(double xMm, double yMm) => On.RegionAt(xMm, yMm);

    private protected override ImmutableArray<BorderLine> FindLines() => On.Borders();

    internal override double[] AreasWithin(OutlineCover part)
    {
        var within = Flat.Of(part.Outline);
        return [.. On.AreasWithin(part), .. Lines.Select(p => p.Area.IsEmpty ? 0 : Flat.Shared(p.Area, within).Area)];
    }

    /// <summary>The map below lines, if there are any.</summary>
    public static LayerMap Below(LayerMap map) => map is LinedMap lined ? lined.On : map;

    private static Patch Patch(Outline outline, LayerMap on, Line line)
    {
        var (width, height) = (line.Section.WidthMm, line.Section.HeightMm ?? 0);
        var along = Along(on, line.Course);
        var drawn = DouglasPeuckerSimplifier.Simplify(along, ToleranceMm);
        return new(
            line.Region.InLayout, RegionKind.Line, line.RecipeId,
            new Lazy<Geometry>(() => Flat.Shared(drawn.Buffer(width / 2, 6), Flat.Of(outline))),
            new(along.Length * width * height / 1000, along.Length, width, height, line.Id), null, new PatchDraft([], drawn, width));
    }

    /// <summary>What a line runs along; nothing where its border is gone.</summary>
    private static Geometry Along(LayerMap on, Course course) => course switch
    {
        AllBordersCourse when on is RegionMap { Inner: { } inner } => inner.Value,
        AllBordersCourse => Of(on.Borders()),
        BorderCourse border => Of(on.Along(border.First, border.Second) is { } line ? [line] : []),
        _ => Of([]),
    };

    private static MultiLineString Of(IEnumerable<BorderLine> borders) => new([.. borders.SelectMany(b => b.Lines)
        .Select(l => new LineString([.. l.Select(p => new Coordinate(p.X, p.Y))]))]);
}
