using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Tests;

/// <summary>A wall as tests draw it.</summary>
internal sealed record Stroke(string Id, ImmutableArray<Spot> Spots);

/// <summary>Layouts that tests draw up together with the lines in them: a sketch finds the lines of its layouts here.</summary>
internal static class Draw
{
    private static readonly ConditionalWeakTable<Layout, Func<string, string?, IEnumerable<Line>>> Drawn = [];

    /// <summary>Pools between walls of one width.</summary>
    public static PoolsLayout Pools(ImmutableArray<Stroke> strokes, double widthMm, ImmutableArray<PoolColour> pools)
    {
        var layout = new PoolsLayout(pools);
        Drawn.Add(layout, (layer, zone) => strokes.Select(s => new Line(
            s.Id, PoolsLayout.WallId.In(zone), new DrawnCourse(s.Spots), new(widthMm), new BarrierLine(), layer,
            new(LayoutKind.Pools, zone))));
        return layout;
    }

    /// <summary>A layout with a line of resin along all its borders, the region <c>vein</c>.</summary>
    public static Layout Veined(this Layout of, string recipe, double widthMm, double heightMm)
    {
        var layout = of with { };
        Drawn.Add(layout, (layer, zone) => [new Line(
            "vein", RegionId.Parse("vein").In(zone), new AllBordersCourse(), new(widthMm, heightMm), new ResinLine(recipe), layer,
            new(LayoutKinds.Of(layout), zone))]);
        return layout;
    }

    /// <summary>A dam round a spot that is reserved.</summary>
    public static Line Dam(string spot, double widthMm) =>
        new($"dam-{spot}", RegionId.OfDam(spot), new RoundCourse(spot), new(widthMm), new BarrierLine());

    /// <summary>The walls of a layout.</summary>
    public static ImmutableArray<MossLantern.Core.Map.Wall> WallsOf(Layout layout) =>
        MossLantern.Core.Map.Wall.Among(LinesOf(layout, "", null));

    /// <summary>The lines that were drawn in the layouts of a layer, each with an id of its own.</summary>
    public static ImmutableArray<Line> LinesOf(Sketch of)
    {
        var lines = LinesOf(of.Layout, of.Id, null).Concat((of.Zones ?? []).SelectMany(z => LinesOf(z.Layout, of.Id, z.Id))).ToList();
        return [.. lines.Select((l, i) => lines.Take(i).Any(o => o.Id == l.Id) ? l with { Id = $"{l.Id}-{i}" } : l)];
    }

    private static IEnumerable<Line> LinesOf(Layout layout, string layerId, string? zoneId) =>
        Drawn.TryGetValue(layout, out var lines) ? lines(layerId, zoneId) : [];
}
