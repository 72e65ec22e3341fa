using System.Buffers;
using System.Collections.Immutable;
using System.Numerics;
using System.Runtime.InteropServices;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>Lays out what nests: rings from hearts, lines from the rim, petals, streaks.</summary>
/// <remarks>Source: docs/craft/map.md and docs/craft/layouts.md.</remarks>
internal static class BandGrower
{
    /// <summary>Rings that grow outward from hearts.</summary>
    public static BandMap Rings(OutlineCover cover, RingsLayout rings, List<PlacedHeart> hearts)
    {
        // Rented: a drag grows dozens of maps a second, and arrays of this size are dear to collect. The field itself
        // stays with the map.
        var grid = cover.Grid;
        var follows = rings.RimFollow > 0;
        var arrival = follows ? ArrayPool<float>.Shared.Rent(grid.Count) : new float[grid.Count];
        var held = ArrayPool<bool>.Shared.Rent(grid.Count);
        var slowness = ArrayPool<float>.Shared.Rent(grid.Count);
        held.AsSpan(0, grid.Count).Clear();
        SlownessField.Fill(grid, hearts, slowness);
        HeldHearts.Hold(grid, hearts, slowness, arrival, held);
        Eikonal.Solve(grid, arrival, held, slowness);

        var widths = rings.BandWidthsMm();
        var fixedMm = widths.Sum();
        if (follows && rings.RimWay == RimWay.Even)
        {
            var even = EvenRim.Of(cover, arrival, rings, widths);
            ArrayPool<bool>.Shared.Return(held);
            ArrayPool<float>.Shared.Return(slowness);
            ArrayPool<float>.Shared.Return(arrival);
            var at = Edges(rings.Bands, widths, even.FarMm);
            var straight = new DepthScale([0, even.FarMm], [0, even.FarMm]);
            return new(cover, even.Field, [0, .. at.SkipLast(1).Select(straight.Level)], straight, Strips(rings, widths, at));
        }

        var field = follows
            ? FollowRim(grid, cover, slowness, arrival, (float)Math.Max(fixedMm, 1), (float)rings.RimFollow)
            : arrival;
        ArrayPool<bool>.Shared.Return(held);
        ArrayPool<float>.Shared.Return(slowness);
        if (follows)
        {
            ArrayPool<float>.Shared.Return(arrival);
        }

        var depths = DepthScale.Over(cover, field);
        var edges = Edges(rings.Bands, widths, depths.FarMm);
        return new(cover, field, [0, .. edges.SkipLast(1).Select(depths.Level)], depths, Strips(rings, widths, edges));
    }

    /// <summary>Without hearts there is nothing to run round: the band that fills the rest takes all.</summary>
    public static BandMap WithoutHearts(OutlineCover cover, RingsLayout rings)
    {
        var field = new float[cover.Grid.Count];
        Array.Fill(field, 1f);
        var widths = rings.BandWidthsMm();
        var fill = rings.Bands.TakeWhile(b => !b.FillsRest).Count();
        var levels = Enumerable.Range(0, rings.Bands.Length).Select(k => k <= fill ? 0.0 : Eikonal.Far / 2).ToArray();
        return new(cover, field, levels, new([0, 1], [0, 1]), Strips(rings, widths, [.. widths.Select((_, k) => k < fill ? 0.0 : 1)]));
    }

    /// <summary>Lines from the rim inward: the field rises from the innermost place to the rim.</summary>
    public static BandMap Lines(OutlineCover cover, StripesLayout lines, RimFront front)
    {
        var (fromRim, deepest, depths) = front;

        // Counted from the rim: lines that find no room are the innermost ones.
        var widths = lines.BandWidthsMm();
        var edges = new double[widths.Length];
        var left = depths.Depth(deepest);
        for (var k = widths.Length - 1; k >= 0; k--)
        {
            edges[k] = Math.Max(0, left);
            left = lines.Bands[k].FillsRest ? Math.Min(left, widths.Take(k).Sum()) : left - widths[k];
        }

        var film = new Region(StripesLayout.StartId, RegionKind.Film, lines.StartRecipeId, 0, 0);
        return new(cover, fromRim, [.. edges.SkipLast(1).Select(depths.Level)], depths, Strips(lines, widths, edges), film);
    }

    /// <summary>Rings round a middle that a tool was drawn through: each keeps the area it had before.</summary>
    public static BandMap Petals(OutlineCover cover, PetalsLayout petals)
    {
        var grid = cover.Grid;
        var radius = new float[grid.Count];
        var drawn = new float[grid.Count];
        Parallel.For(0, grid.Rows, row =>
        {
            for (var column = 0; column < grid.Columns; column++)
            {
                double x = grid.X(column) - petals.XMm, y = grid.Y(row) - petals.YMm;
                var r = Math.Sqrt(x * x + y * y);
                var node = row * grid.Columns + column;
                radius[node] = (float)r;
                drawn[node] = (float)Drawn(petals, r, Math.Atan2(y, x));
            }
        });

        var far = DepthScale.Farthest(cover, radius);
        var widths = petals.BandWidthsMm();
        var edges = Edges(petals.Bands, widths, far);
        double[] plain = [.. edges.SkipLast(1).Select(e => e >= far ? Eikonal.Far / 2 : e)];
        var most = DepthScale.Farthest(cover, drawn);

        // What a round encloses before the tool is known exactly, however few cells it has.
        var (whole, inside) = (cover.Outline.AreaMm2, new Lazy<Geometry>(() => Flat.Of(cover.Outline)));
        var levels = new AreaCurve(cover, drawn).Levels([.. plain.Select(p => Enclosed(petals, p, far, whole, inside))]);
        return new(
            cover, drawn, levels, new([0, .. edges], [0, .. levels.Select(l => Math.Min(l, most)), most]), Strips(petals, widths, edges));
    }

    /// <summary>Corners of a round.</summary>
    private const int RoundCorners = 240;

    /// <summary>How much of the outline a round about the middle encloses, mm².</summary>
    private static double Enclosed(PetalsLayout petals, double radius, double far, double whole, Lazy<Geometry> inside)
    {
        if (radius <= 0 || radius >= far)
        {
            return radius <= 0 ? 0 : whole;
        }

        // The corners stand out by a hair so that the area is exact.
        const double step = 2 * Math.PI / RoundCorners;
        var reach = radius * Math.Sqrt(step / Math.Sin(step));
        var angles = Enumerable.Range(0, RoundCorners).Select(i => i * step).ToList();
        return Flat.Shared(Flat.Of([new Ring([.. angles.Select(a => petals.XMm + reach * Math.Cos(a))],
            [.. angles.Select(a => petals.YMm + reach * Math.Sin(a))])]), inside.Value).Area;
    }

    /// <summary>Where the colour that lies at a place came from, mm from the middle: never two places on one ray from the same.</summary>
    private static double Drawn(PetalsLayout petals, double r, double angle)
    {
        var apart = 2 * Math.PI / petals.Petals;
        var from = angle - petals.TurnDeg * Math.PI / 180;
        var off = from - apart * Math.Round(from / apart);

        // The nearest stroke and the next one; the pull fades towards the middle, where the strokes meet.
        var pull = Math.Exp(-Square(r * off / petals.ToolMm) / 2) + Math.Exp(-Square(r * (apart - Math.Abs(off)) / petals.ToolMm) / 2);
        var fades = r + petals.PullMm > 0 ? r / (r + petals.PullMm) : 0;
        return r + (petals.Inward ? 1 : -1) * petals.PullMm * fades * Math.Min(1, pull);

        static double Square(double v) => v * v;
    }

    /// <summary>A ground colour with ribbons along the lines where a stretched noise is near nothing.</summary>
    public static BandMap Marble(OutlineCover cover, MarbleLayout marble, MarbleGrain grain)
    {
        var (field, far, curve) = grain;
        var levels = curve.Levels([cover.Outline.AreaMm2 * marble.StreakPercent / 100]);
        return new(cover, field, levels, new([0, far], [0, far]),
        [
            new(MarbleLayout.StreakId, RegionKind.Streaks, marble.StreakRecipeId, null, Math.Min(levels[0], far)),
            new(MarbleLayout.GroundId, RegionKind.Flood, marble.GroundRecipeId, null, far),
        ]);
    }

    /// <summary>Bends the outer levels towards the rim, where a second front grows inward from the outline.</summary>
    private static float[] FollowRim(
        GrowthGrid grid, OutlineCover cover, float[] slowness, float[] arrival, float widthsMm, float follow)
    {
        // The front from the rim is turned into the field in place.
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        HeldRim.Hold(cover, slowness, fromRim, held, node => Math.Max(0, widthsMm - arrival[node]));
        Eikonal.Solve(grid, fromRim, held, slowness);
        var (own, bent, least) = (new Vector<float>(1 - follow), new Vector<float>(follow * widthsMm), new Vector<float>(1e-3f));
        var times = MemoryMarshal.Cast<float, Vector<float>>(arrival.AsSpan(0, grid.Count));
        var fields = MemoryMarshal.Cast<float, Vector<float>>(fromRim.AsSpan());
        for (var i = 0; i < fields.Length; i++)
        {
            var bend = times[i] * (own + bent / Vector.Max(times[i] + fields[i], least));
            fields[i] = Vector.ConditionalSelect(Vector.LessThanOrEqual(times[i], Vector<float>.Zero), times[i], bend);
        }

        for (var node = fields.Length * Vector<float>.Count; node < fromRim.Length; node++)
        {
            var t = arrival[node];
            fromRim[node] = t <= 0 ? t : t * (1 - follow + follow * widthsMm / Math.Max(t + fromRim[node], 1e-3f));
        }

        return fromRim;
    }

    /// <summary>How far out each band reaches, mm: bands after the one that fills the rest count back from the far end.</summary>
    private static double[] Edges(ImmutableArray<Band> bands, double[] widths, double farMm)
    {
        var edges = new double[bands.Length];
        var (depth, rest) = (0.0, Math.Max(0, farMm - widths.Sum()));
        for (var k = 0; k < bands.Length; k++)
        {
            edges[k] = depth += bands[k].FillsRest ? rest : widths[k];
        }

        return edges;
    }

    private static ImmutableArray<Strip> Strips(BandedLayout layout, double[] widths, double[] edges) =>
    [
        .. layout is RingsLayout rings ? [new Strip(RegionId.Heart, RegionKind.HeartBed,
            rings.HeartRecipeId ?? rings.Bands[0].RecipeId, null, 0)] : Array.Empty<Strip>(),
        .. layout.Bands.Select((b, k) => new Strip(b.Region, RegionKind.Band, b.RecipeId, b.FillsRest ? null : widths[k], edges[k])),
    ];
}
