using System.Buffers;
using System.Collections.Immutable;
using System.Numerics;
using System.Runtime.InteropServices;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>Lays out what nests: rings from hearts, lines from the rim, petals, streaks.</summary>
/// <remarks>Source: docs/craft/map.md and docs/craft/layouts.md.</remarks>
internal static class BandGrower
{
    /// <summary>Rings that grow outward from hearts.</summary>
    public static BandMap Rings(OutlineCover cover, Layer layer, List<PlacedHeart> hearts)
    {
        // Rented: a drag grows dozens of maps a second, and arrays of this size are dear to collect. The field itself
        // stays with the map.
        var grid = cover.Grid;
        var follows = layer.RimFollow > 0;
        var arrival = follows ? ArrayPool<float>.Shared.Rent(grid.Count) : new float[grid.Count];
        var held = ArrayPool<bool>.Shared.Rent(grid.Count);
        var slowness = ArrayPool<float>.Shared.Rent(grid.Count);
        held.AsSpan(0, grid.Count).Clear();
        SlownessField.Fill(grid, hearts, slowness);
        HeldHearts.Hold(grid, hearts, slowness, arrival, held);
        Eikonal.Solve(grid, arrival, held, slowness);

        var widths = layer.BandWidthsMm();
        var fixedMm = widths.Sum();
        if (follows && layer.RimWay == RimWay.Even)
        {
            var even = EvenRim.Of(cover, arrival, layer, widths);
            ArrayPool<bool>.Shared.Return(held);
            ArrayPool<float>.Shared.Return(slowness);
            ArrayPool<float>.Shared.Return(arrival);
            var at = Edges(layer.Bands, widths, even.FarMm);
            var straight = new DepthScale([0, even.FarMm], [0, even.FarMm]);
            return new(cover, even.Field, [0, .. at.SkipLast(1).Select(straight.Level)], straight, Strips(layer, widths, at, hearts: true));
        }

        var field = follows
            ? FollowRim(grid, cover, slowness, arrival, (float)Math.Max(fixedMm, 1), (float)layer.RimFollow)
            : arrival;
        ArrayPool<bool>.Shared.Return(held);
        ArrayPool<float>.Shared.Return(slowness);
        if (follows)
        {
            ArrayPool<float>.Shared.Return(arrival);
        }

        var depths = DepthScale.Over(cover, field);
        var edges = Edges(layer.Bands, widths, depths.FarMm);
        return new(cover, field, [0, .. edges.SkipLast(1).Select(depths.Level)], depths, Strips(layer, widths, edges, hearts: true));
    }

    /// <summary>Without hearts there is nothing to run round: the band that fills the rest takes all.</summary>
    public static BandMap WithoutHearts(OutlineCover cover, Layer layer)
    {
        var field = new float[cover.Grid.Count];
        Array.Fill(field, 1f);
        var widths = layer.BandWidthsMm();
        var fill = layer.Bands.TakeWhile(b => !b.FillsRest).Count();
        var levels = Enumerable.Range(0, layer.Bands.Length).Select(k => k <= fill ? 0.0 : Eikonal.Far / 2).ToArray();
        return new(cover, field, levels, new([0, 1], [0, 1]), Strips(layer, widths, [.. widths.Select((_, k) => k < fill ? 0.0 : 1)], hearts: true));
    }

    /// <summary>Lines from the rim inward: the field rises from the innermost place to the rim.</summary>
    public static BandMap Lines(OutlineCover cover, Layer layer, LinesLayout lines, RimFront front)
    {
        var (fromRim, deepest, depths) = front;

        // Counted from the rim: lines that find no room are the innermost ones.
        var widths = layer.BandWidthsMm();
        var edges = new double[widths.Length];
        var left = depths.Depth(deepest);
        for (var k = widths.Length - 1; k >= 0; k--)
        {
            edges[k] = Math.Max(0, left);
            left = layer.Bands[k].FillsRest ? Math.Min(left, widths.Take(k).Sum()) : left - widths[k];
        }

        var film = new Region(LinesLayout.StartId, RegionKind.Film, lines.StartCup, 0, 0);
        return new(cover, fromRim, [.. edges.SkipLast(1).Select(depths.Level)], depths, Strips(layer, widths, edges, hearts: false), film);
    }

    /// <summary>Rings round a middle that a tool was drawn through: each keeps the area it had before.</summary>
    public static BandMap Petals(OutlineCover cover, Layer layer, PetalsLayout petals)
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
        var widths = layer.BandWidthsMm();
        var edges = Edges(layer.Bands, widths, far);
        double[] plain = [.. edges.SkipLast(1).Select(e => e >= far ? Eikonal.Far / 2 : e)];
        var most = DepthScale.Farthest(cover, drawn);

        // What a round encloses before the tool is known exactly, however few cells it has.
        var (whole, inside) = (cover.Outline.AreaMm2, new Lazy<Geometry>(() => Flat.Of(cover.Outline)));
        var levels = new AreaCurve(cover, drawn).Levels([.. plain.Select(p => Enclosed(petals, p, far, whole, inside))]);
        return new(
            cover, drawn, levels, new([0, .. edges], [0, .. levels.Select(l => Math.Min(l, most)), most]), Strips(layer, widths, edges, hearts: false));
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
        return Flat.Shared(Flat.Of([new Ring([.. angles.Select(a => petals.XMm + reach * Math.Cos(a))], [.. angles.Select(a => petals.YMm + reach * Math.Sin(a))])]), inside.Value).Area;
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
            new(MarbleLayout.StreakId, RegionKind.Streaks, marble.StreakCup, null, Math.Min(levels[0], far)),
            new(MarbleLayout.GroundId, RegionKind.Flood, marble.GroundCup, null, far),
        ]);
    }

    /// <summary>Holds what lies within two cells of the rim, by exact distance, and all that lies outside: at a start of its own, or below nothing.</summary>
    internal static void HoldRim(OutlineCover cover, float[] slowness, float[] fromRim, bool[] held, Func<int, float>? start)
    {
        Array.Fill(fromRim, Eikonal.Far);
        var depths = cover.RimDepths;
        var near = (float)(2 * cover.Grid.SpacingMm);
        for (var node = 0; node < depths.Length; node++)
        {
            var depth = depths[node];
            if (depth <= near)
            {
                held[node] = true;
                fromRim[node] = start is null ? depth * slowness[node] : start(node) + Math.Max(0, depth) * slowness[node];
            }
        }
    }

    /// <summary>Bends the outer levels towards the rim, where a second front grows inward from the outline.</summary>
    private static float[] FollowRim(
        GrowthGrid grid, OutlineCover cover, float[] slowness, float[] arrival, float widthsMm, float follow)
    {
        // The front from the rim is turned into the field in place.
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        HoldRim(cover, slowness, fromRim, held, node => Math.Max(0, widthsMm - arrival[node]));
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

    private static ImmutableArray<Strip> Strips(Layer layer, double[] widths, double[] edges, bool hearts) =>
    [
        .. hearts ? [new Strip(BandMap.HeartBedId, RegionKind.HeartBed, layer.HeartCup, null, 0)] : Array.Empty<Strip>(),
        .. layer.Bands.Select((b, k) => new Strip(b.Id, RegionKind.Band, b.Cup, b.FillsRest ? null : widths[k], edges[k])),
    ];
}

/// <summary>
/// Rings whose outer bands keep their width to the rim: those before the band that fills the rest are counted from the
/// hearts, those after it from the rim, and it takes up what lies between.
/// </summary>
/// <param name="Field">Per node, mm: below nothing in a heart.</param>
/// <param name="FarMm">The field at the rim.</param>
/// <remarks>Source: docs/craft/map.md, Following the rim.</remarks>
internal sealed record EvenRim(float[] Field, double FarMm)
{
    /// <summary>Where there is little room, the band that fills the rest keeps so much of it.</summary>
    private const double LeastRest = 0.04;

    /// <summary>Bends the field of rings.</summary>
    /// <param name="cover">What they are laid out in.</param>
    /// <param name="arrival">When the front from the hearts arrives.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="widths">Its bands' widths, mm.</param>
    public static EvenRim Of(OutlineCover cover, float[] arrival, Layer layer, double[] widths)
    {
        var grid = cover.Grid;
        var fromHearts = arrival.AsSpan(0, grid.Count).ToArray();
        var depths = DepthScale.Over(cover, fromHearts);

        // The way to the rim is told without the grain: there a band is as wide as it is typed.
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        var plain = new float[grid.Count];
        Array.Fill(plain, 1f);
        BandGrower.HoldRim(cover, plain, fromRim, held, null);
        Eikonal.Solve(grid, fromRim, held, plain);

        var fill = layer.Bands.TakeWhile(b => !b.FillsRest).Count();
        double inner = widths.Take(fill).Sum(), outer = widths.Skip(fill + 1).Sum(), follow = layer.RimFollow;
        var room = MeanRoom(cover, fromHearts, fromRim, depths);
        var far = Math.Max(inner + outer + 1, room);
        var field = new float[grid.Count];
        Parallel.For(0, grid.Rows, row =>
        {
            for (var node = row * grid.Columns; node < (row + 1) * grid.Columns; node++)
            {
                double t = fromHearts[node], rim = fromRim[node];
                if (t <= 0)
                {
                    field[node] = (float)t;
                    continue;
                }

                t = depths.Extended(t);
                var even = rim <= 0 ? far - rim : Even(t, rim, inner, outer, far);
                field[node] = (float)((1 - follow) * t + follow * even);
            }
        });
        return new(field, (1 - follow) * depths.FarMm + follow * far);
    }

    private static double Even(double t, double rim, double inner, double outer, double far)
    {
        var way = t + rim;
        var rest = Math.Max(way - inner - outer, LeastRest * way);
        var scale = way / (inner + rest + outer);
        return t <= inner * scale ? t / scale
            : rim <= outer * scale ? far - rim / scale
            : inner + (t - inner * scale) / (rest * scale) * (far - inner - outer);
    }

    /// <summary>How far it is from the hearts to the rim, on average over the outline, mm.</summary>
    private static double MeanRoom(OutlineCover cover, float[] fromHearts, float[] fromRim, DepthScale depths)
    {
        var (sum, cells) = (0.0, 0.0);
        for (var row = 0; row < cover.Grid.Rows - 1; row++)
        {
            var shares = cover.Shares(row);
            for (var column = 0; column < shares.Length; column++)
            {
                var node = row * cover.Grid.Columns + column;
                if (shares[column] > 0 && fromHearts[node] > 0)
                {
                    sum += shares[column] * (depths.Depth(fromHearts[node]) + Math.Max(0, fromRim[node]));
                    cells += shares[column];
                }
            }
        }

        return cells > 0 ? sum / cells : 0;
    }
}

/// <summary>How much of an outline lies below each level of a field.</summary>
internal sealed class AreaCurve
{
    private const int Bins = 2048;

    /// <summary>Rounds in which a level is moved until it encloses the area asked for; each leaves about a thirtieth.</summary>
    private const int Rounds = 4;

    /// <summary>Rounds more in which what is still off by more than a share of its own is found by halves: small dots in few cells.</summary>
    private const int Halvings = 24;

    /// <summary>A share of what is asked for that does not matter.</summary>
    private const double NearOwn = 5e-4;

    /// <summary>A part of the whole that does not matter.</summary>
    private const double Near = 1e-6;

    private readonly OutlineCover cover;
    private readonly float[] field;
    private readonly double[] below = new double[Bins + 1];
    private readonly double step;

    public AreaCurve(OutlineCover cover, float[] field)
    {
        (this.cover, this.field) = (cover, field);
        var grid = cover.Grid;
        step = DepthScale.Farthest(cover, field) / Bins;
        for (var row = 0; row < grid.Rows - 1; row++)
        {
            var shares = cover.Shares(row);
            for (var column = 0; column < shares.Length; column++)
            {
                if (shares[column] > 0)
                {
                    var node = row * grid.Columns + column;
                    var mean = (field[node] + field[node + 1] + field[node + grid.Columns] + field[node + grid.Columns + 1]) / 4;
                    below[1 + Math.Clamp((int)(mean / step), 0, Bins - 1)] += shares[column] * grid.SpacingMm * grid.SpacingMm;
                }
            }
        }

        for (var bin = 0; bin < Bins; bin++)
        {
            below[bin + 1] += below[bin];
        }
    }

    /// <summary>Rising levels that enclose rising areas, mm²; beyond everything where an area is the whole outline.</summary>
    public double[] Levels(double[] areas)
    {
        var whole = below[^1];
        var beyond = areas.Select(a => a >= whole * (1 - 1e-9)).ToArray();
        var aims = areas.ToArray();
        var levels = Found();
        for (var round = 0; round < Rounds; round++)
        {
            var enclosed = BandAreas.Below(cover, field, levels);
            if (areas.Zip(enclosed, beyond).All(a => a.Third || Math.Abs(a.First - a.Second) < Near * whole))
            {
                return levels;
            }

            for (var k = 0; k < aims.Length; k++)
            {
                aims[k] += areas[k] - enclosed[k];
            }

            levels = Found();
        }

        return Halved(areas, levels, beyond);

        double[] Found()
        {
            var found = new double[aims.Length];
            for (var k = 0; k < found.Length; k++)
            {
                found[k] = Math.Max(k == 0 ? 0 : found[k - 1], beyond[k] ? Eikonal.Far / 2 : areas[k] <= 0 ? 0 : Level(aims[k]));
            }

            return found;
        }
    }

    /// <summary>Levels that are still off are found between nothing and the next that encloses enough.</summary>
    private double[] Halved(double[] areas, double[] levels, bool[] beyond)
    {
        var enclosed = BandAreas.Below(cover, field, levels);
        bool Off(int k) => !beyond[k] && areas[k] > 0 && Math.Abs(enclosed[k] - areas[k]) > Math.Max(1e-3, NearOwn * (areas[k] - (k == 0 ? 0 : areas[k - 1])));
        if (!Enumerable.Range(0, levels.Length).Any(Off))
        {
            return levels;
        }

        var (low, high) = (new double[levels.Length], new double[levels.Length]);
        for (var k = 0; k < levels.Length; k++)
        {
            (low[k], high[k]) = enclosed[k] < areas[k] ? (levels[k], step * Bins) : (0, levels[k]);
        }

        for (var round = 0; round < Halvings && Enumerable.Range(0, levels.Length).Any(Off); round++)
        {
            var found = levels.ToArray();
            for (var k = 0; k < found.Length; k++)
            {
                found[k] = Off(k) ? (low[k] + high[k]) / 2 : levels[k];
                found[k] = Math.Max(found[k], k == 0 ? 0 : found[k - 1]);
            }

            var now = BandAreas.Below(cover, field, found);
            for (var k = 0; k < found.Length; k++)
            {
                if (Off(k))
                {
                    (low[k], high[k]) = now[k] < areas[k] ? (found[k], high[k]) : (low[k], found[k]);
                }
            }

            (levels, enclosed) = (found, now);
        }

        return levels;
    }

    private double Level(double area)
    {
        var at = Array.BinarySearch(below, area);
        at = Math.Clamp(at < 0 ? ~at : at, 1, Bins);
        double from = below[at - 1], to = below[at];
        return step * (at - 1 + (to > from ? Math.Clamp((area - from) / (to - from), 0, 1) : 0));
    }
}

/// <summary>How far every place is from the rim, as lines see it; only their widths are laid on it.</summary>
/// <param name="Field">Per node, falling from the middle to the rim.</param>
/// <param name="Deepest">The field's value in the middle.</param>
/// <param name="Depths">Levels as millimetres and back.</param>
internal sealed record RimFront(float[] Field, float Deepest, DepthScale Depths)
{
    /// <summary>The front of lines.</summary>
    public static RimFront Of(OutlineCover cover, GrowthScale growth, LinesLayout lines)
    {
        var grid = cover.Grid;
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        var slowness = Grain.Slowness(grid, lines.Seed, lines.WavinessMm, growth.GrainMm);
        BandGrower.HoldRim(cover, slowness, fromRim, held, null);
        Eikonal.Solve(grid, fromRim, held, slowness);

        var deepest = (float)DepthScale.Farthest(cover, fromRim) + 1e-3f;
        for (var node = 0; node < fromRim.Length; node++)
        {
            fromRim[node] = deepest - fromRim[node];
        }

        return new(fromRim, deepest, DepthScale.Over(cover, fromRim, even: true));
    }
}

/// <summary>The grain that marble's streaks follow; only their share is laid on it.</summary>
/// <param name="Field">Per node, nothing in the middle of a streak.</param>
/// <param name="Far">The field's greatest value.</param>
/// <param name="Curve">How much lies below a level.</param>
internal sealed record MarbleGrain(float[] Field, double Far, AreaCurve Curve)
{
    /// <summary>The grain of a layout.</summary>
    public static MarbleGrain Of(OutlineCover cover, GrowthScale growth, MarbleLayout marble)
    {
        var grid = cover.Grid;
        var field = new float[grid.Count];
        var noise = new GradientNoise(marble.Seed);
        double cos = Math.Cos(marble.DirectionDeg * Math.PI / 180), sin = Math.Sin(marble.DirectionDeg * Math.PI / 180);
        var lambda = growth.GrainMm * 1.1;
        Parallel.For(0, grid.Rows, row =>
        {
            for (var column = 0; column < grid.Columns; column++)
            {
                double x = grid.X(column), y = grid.Y(row);
                float along = (float)((x * cos + y * sin) / (4.5 * lambda)), across = (float)((y * cos - x * sin) / lambda);
                var bend = 0.6f * noise.At(1.9f * along, 0.9f * across, 3.7f);
                var value = noise.At(along + 0.25f * bend, across + bend, 0.5f) + 0.1f * noise.At(3.3f * along, 2.6f * across, 7.1f);
                field[row * grid.Columns + column] = 50 * Math.Abs(value);
            }
        });
        return new(field, DepthScale.Farthest(cover, field), new(cover, field));
    }
}
