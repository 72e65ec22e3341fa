using System.Collections.Immutable;
using System.Numerics;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using MossLantern.Core.Pieces;

namespace MossLantern.Core.Map;

/// <summary>One of the strips that a field is cut into by its levels, from the lowest to the highest.</summary>
/// <param name="Id">Id of its region.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup.</param>
/// <param name="PlannedWidthMm">The width asked for, mm; null for the one that fills the rest.</param>
/// <param name="ToMm">Depth of its far edge, mm.</param>
internal sealed record Strip(string Id, RegionKind Kind, string CupId, double? PlannedWidthMm, double ToMm);

/// <summary>A map whose regions nest: strips between rising levels of a field, the first of them the hearts' bed.</summary>
internal sealed class BandMap : LayerMap
{
    /// <summary>Id of the region of the hearts' bed.</summary>
    public const string HeartBedId = "heart";

    private const double LineToleranceMm = 0.15;

    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<string>> edgeLines;

    /// <summary>A map whose regions are measured when they are first asked for: a drag that only paints does not ask.</summary>
    /// <param name="cover">What it is laid out in.</param>
    /// <param name="field">The field per node; below the first level in a heart.</param>
    /// <param name="levels">Outer edge of every strip but the last, in rising order.</param>
    /// <param name="depths">Levels as millimetres and back.</param>
    /// <param name="strips">The hearts' bed, then the others from the lowest out.</param>
    /// <param name="film">What they lie on; null for nothing.</param>
    public BandMap(OutlineCover cover, float[] field, double[] levels, DepthScale depths, ImmutableArray<Strip> strips, Region? film = null)
    {
        (Cover, Field, Levels, Depths, Strips, Film) = (cover, field, levels, depths, strips, film);
        regions = new(Measure);
        edgeLines = new(() => Lines(levels));
    }

    /// <summary>The hearts' bed, then the strips outward, then what they lie on.</summary>
    public override ImmutableArray<Region> Regions => regions.Value;

    /// <inheritdoc/>
    public override ImmutableArray<Border> Borders =>
    [
        .. Regions.Where(r => r.TakesArea).Zip(Regions.Skip(1).Where(r => r.TakesArea))
            .Where(pair => pair.First.AreaMm2 > 0 && pair.Second.AreaMm2 > 0)
            .Select(pair => new Border(pair.First.Id, pair.Second.Id, null)),
    ];

    internal override double StepMm => Grid.SpacingMm / 2;

    internal OutlineCover Cover { get; }

    internal GrowthGrid Grid => Cover.Grid;

    internal ImmutableArray<Strip> Strips { get; }

    internal Region? Film { get; }

    /// <inheritdoc/>
    public override string RegionAt(double xMm, double yMm)
    {
        var value = RimLengths.Value(Grid, Field, xMm, yMm);
        var strip = 0;
        while (strip < Levels.Length && value >= Levels[strip])
        {
            strip++;
        }

        return Strips[strip].Id;
    }

    internal override double[] AreasWithin(OutlineCover part)
    {
        var below = BandAreas.Below(part, Field, Levels);
        return
        [
            .. below.Select((area, k) => Math.Max(0, area - (k == 0 ? 0 : below[k - 1]))),
            .. Film is null ? Array.Empty<double>() : [below[^1]],
        ];
    }

    /// <summary>How deep the map reaches, counted from its far end, mm.</summary>
    internal double FarFromRimMm() => FarFromRimMm(Cover);

    /// <summary>How deep the map reaches in a part of the outline, counted from its far end, mm.</summary>
    internal double FarFromRimMm(OutlineCover part)
    {
        var least = float.MaxValue;
        for (var row = 0; row < Grid.Rows - 1; row++)
        {
            var shares = part.Shares(row);
            for (var column = 0; column < shares.Length; column++)
            {
                if (shares[column] > 0)
                {
                    least = Math.Min(least, Field[row * Grid.Columns + column]);
                }
            }
        }

        return Math.Max(0, Strips[^1].ToMm - Depths.Depth(least));
    }

    private ImmutableArray<Region> Measure()
    {
        var areas = AreasWithin(Cover);

        // One strip alone is the outline, without the rounding of many cells.
        if (Film is null && areas.Count(a => a > 0) == 1)
        {
            areas[Array.FindIndex(areas, a => a > 0)] = Cover.Outline.AreaMm2;
        }

        var edges = RimLengths.Between(Grid, Cover.Outline, Field, Levels);
        var strips = Strips.Select((s, k) => new Region(
            s.Id, s.Kind, s.CupId, areas[k], edges[k], s.PlannedWidthMm, Widths: s.PlannedWidthMm is null || areas[k] == 0 ? null : WidthsOf(k)));
        return [.. strips, .. Film is null ? Array.Empty<Region>() : [Film with { AreaMm2 = areas[^1] }]];
    }

    /// <summary>Of a hundred places along a strip, so many are narrower than the range that is told, and as many wider.</summary>
    private const double Outside = 0.05;

    /// <summary>How narrow and how wide a strip is along its middle, mm; null where no cell lies there.</summary>
    private WidthRange? WidthsOf(int strip)
    {
        if (strip == 0 || strip >= Levels.Length)
        {
            return strip == 0 || Levels.Length == 0 ? null : Between(Levels[^1], Depths.Level(Depths.FarMm - 1e-9));
        }

        return Between(Levels[strip - 1], Levels[strip]);

        WidthRange? Between(double from, double to)
        {
            var middle = (from + to) / 2;
            List<(double Mm, double Share)> places = [];
            var half = 0.5 / Grid.SpacingMm;
            for (var row = 0; row < Grid.Rows - 1; row++)
            {
                var shares = Cover.Shares(row);
                for (var column = 0; column < shares.Length; column++)
                {
                    var node = row * Grid.Columns + column;
                    float a = Field[node], b = Field[node + 1], c = Field[node + Grid.Columns + 1], d = Field[node + Grid.Columns];
                    if (shares[column] > 0 && Math.Min(Math.Min(a, b), Math.Min(c, d)) <= middle && Math.Max(Math.Max(a, b), Math.Max(c, d)) > middle)
                    {
                        double across = (b - a + c - d) * half, down = (d - a + c - b) * half, slope = Math.Sqrt(across * across + down * down);
                        if (slope > 1e-6)
                        {
                            places.Add(((to - from) / slope, shares[column]));
                        }
                    }
                }
            }

            if (places.Count == 0)
            {
                return null;
            }

            places.Sort();
            var all = places.Sum(p => p.Share);
            return new(At(Outside * all), At((1 - Outside) * all));

            double At(double share) => places.First(p => (share -= p.Share) <= 0 || p == places[^1]).Mm;
        }
    }

    /// <summary>The outer edge of every region but the last, as SVG paths; kept, since a drag changes one layer of several.</summary>
    internal ImmutableArray<string> EdgeLines => edgeLines.Value;

    /// <summary>Where the field is at each of some rising levels, as SVG paths.</summary>
    internal ImmutableArray<string> Lines(double[] levels)
    {
        var contours = Contours.Trace(Grid, Field, levels);
        var lines = new string[contours.Length];
        Parallel.For(0, lines.Length, k => lines[k] = PathText.Smooth(contours[k], LineToleranceMm, 3 * Grid.SpacingMm));
        return ImmutableCollectionsMarshal.AsImmutableArray(lines);
    }

    /// <summary>The field per node; below the first level in a heart.</summary>
    internal float[] Field { get; }

    /// <summary>Outer edge of every strip but the last, in rising order.</summary>
    internal double[] Levels { get; }

    internal DepthScale Depths { get; }
}

/// <summary>
/// Turns levels of the field into millimetres from the hearts and back: on average over the outline, a band between
/// two levels is as wide as the difference of their depths.
/// </summary>
/// <remarks>Source: docs/craft/map.md, Widths in millimetres.</remarks>
internal sealed class DepthScale
{
    private const int Bins = 1024;
    private const int Strips = 4;

    private readonly double[] depthAt;
    private readonly double[] levelAt;

    /// <param name="depthAt">Rising depths, mm, the first 0.</param>
    /// <param name="levelAt">The level at each.</param>
    public DepthScale(double[] depthAt, double[] levelAt) => (this.depthAt, this.levelAt) = (depthAt, levelAt);

    /// <summary>Depth of the outermost point, mm.</summary>
    public double FarMm => depthAt[^1];

    /// <summary>The level at a depth, mm.</summary>
    public double Level(double depthMm)
    {
        if (depthMm <= 0)
        {
            return 0;
        }

        if (depthMm >= FarMm)
        {
            return Eikonal.Far / 2;
        }

        var at = Array.BinarySearch(depthAt, depthMm);
        if (at < 0)
        {
            at = ~at;
        }

        at = Math.Max(at, 1);
        double from = depthAt[at - 1], to = depthAt[at];
        return levelAt[at - 1] + (to > from ? (depthMm - from) / (to - from) : 0) * (levelAt[at] - levelAt[at - 1]);
    }

    /// <summary>The depth of a level, mm.</summary>
    public double Depth(double level)
    {
        var at = Array.BinarySearch(levelAt, level);
        at = Math.Clamp(at < 0 ? ~at : at, 1, levelAt.Length - 1);
        double from = levelAt[at - 1], to = levelAt[at];
        return depthAt[at - 1] + (to > from ? Math.Clamp((level - from) / (to - from), 0, 1) : 0) * (depthAt[at] - depthAt[at - 1]);
    }

    /// <summary>The depth of a level, mm; beyond the outermost point it goes on at the same rate.</summary>
    public double Extended(double level) => level <= levelAt[^1] ? Depth(level) : depthAt[^1] + (level - levelAt[^1]);

    /// <summary>From the mean slope of the field at each level, over the cells of an outline.</summary>
    /// <param name="cover">The outline.</param>
    /// <param name="field">The field.</param>
    /// <param name="even">
    /// Whether each level is met by cells up to one spacing off: a front that runs along the grid meets only a few levels
    /// exactly, and what lies between would be told by its corners alone.
    /// </param>
    public static DepthScale Over(OutlineCover cover, float[] field, bool even = false)
    {
        var grid = cover.Grid;
        var step = Farthest(cover, field) / Bins;

        // Sum of the slopes, weighed by the cells' shares, and of the shares; strips are summed on every core, and
        // always in the same order.
        var strips = new Vector128<double>[Math.Min(Strips, grid.Rows - 1)][];
        Parallel.For(0, strips.Length, strip => strips[strip] = Summed(
            cover, field, (grid.Rows - 1) * strip / strips.Length, (grid.Rows - 1) * (strip + 1) / strips.Length, (float)(1 / step)));
        var sums = strips[0];
        foreach (var strip in strips.Skip(1))
        {
            for (var bin = 0; bin < Bins; bin++)
            {
                sums[bin] += strip[bin];
            }
        }

        if (even)
        {
            sums = Even(sums, (int)Math.Ceiling(grid.SpacingMm / step));
        }

        var depth = new double[Bins + 1];
        var mean = 1.0;
        for (var bin = 0; bin < Bins; bin++)
        {
            if (sums[bin][1] > 1e-9)
            {
                mean = Math.Max(sums[bin][0] / sums[bin][1], 1e-3);
            }

            depth[bin + 1] = depth[bin] + step / mean;
        }

        return new(depth, [.. Enumerable.Range(0, Bins + 1).Select(bin => step * bin)]);
    }

    /// <summary>Of some rows of cells, per bin, the sum of the slopes, weighed by the cells' shares, and of the shares.</summary>
    private static Vector128<double>[] Summed(OutlineCover cover, float[] field, int fromRow, int toRow, float binsPerUnit)
    {
        var grid = cover.Grid;
        var sums = new Vector128<double>[Bins];
        Span<float> slopes = new float[grid.Columns - 1], middles = new float[grid.Columns - 1];
        for (var row = fromRow; row < toRow; row++)
        {
            var shares = cover.Shares(row);
            Slopes(field.AsSpan(row * grid.Columns), grid.Columns, (float)(0.5 / grid.SpacingMm), binsPerUnit, slopes, middles);
            for (var i = 0; i < shares.Length; i++)
            {
                if (shares[i] > 0 && middles[i] >= 0)
                {
                    sums[Math.Min(Bins - 1, (int)middles[i])] += Vector128.Create(slopes[i], 1.0) * shares[i];
                }
            }
        }

        return sums;
    }

    /// <summary>Each bin with those that lie up to so many beside it.</summary>
    private static Vector128<double>[] Even(Vector128<double>[] sums, int reach)
    {
        var evened = new Vector128<double>[sums.Length];
        var window = Vector128<double>.Zero;
        for (var i = -reach; i < sums.Length; i++)
        {
            window += i + reach < sums.Length ? sums[i + reach] : Vector128<double>.Zero;
            window -= i - reach - 1 >= 0 ? sums[i - reach - 1] : Vector128<double>.Zero;
            if (i >= 0)
            {
                evened[i] = window;
            }
        }

        return evened;
    }

    /// <summary>The greatest value of the field at the corners of the cells that an outline touches.</summary>
    public static double Farthest(OutlineCover cover, float[] field)
    {
        var grid = cover.Grid;
        var most = Vector<float>.One;
        for (var row = 0; row < grid.Rows - 1; row++)
        {
            var shares = cover.Shares(row);
            var corners = field.AsSpan(row * grid.Columns);
            foreach (var i in Blocks(shares.Length))
            {
                var far = Vector.Max(
                    Vector.Max(new Vector<float>(corners[i..]), new Vector<float>(corners[(i + 1)..])),
                    Vector.Max(new Vector<float>(corners[(i + grid.Columns)..]), new Vector<float>(corners[(i + grid.Columns + 1)..])));
                var touched = Vector.GreaterThan(new Vector<float>(shares[i..]), Vector<float>.Zero);
                most = Vector.Max(most, Vector.ConditionalSelect(touched, far, Vector<float>.One));
            }
        }

        var farthest = 1f;
        for (var lane = 0; lane < Vector<float>.Count; lane++)
        {
            farthest = Math.Max(farthest, most[lane]);
        }

        return farthest;
    }

    /// <summary>Slope of the field, and its mean in bins, over a row of cells.</summary>
    private static void Slopes(
        Span<float> corners, int columns, float half, float binsPerUnit, Span<float> slopes, Span<float> middles)
    {
        foreach (var i in Blocks(columns - 1))
        {
            Vector<float> a = new(corners[i..]), b = new(corners[(i + 1)..]);
            Vector<float> d = new(corners[(i + columns)..]), c = new(corners[(i + columns + 1)..]);
            ((a + b + c + d) * (binsPerUnit / 4)).CopyTo(middles[i..]);
            Vector<float> across = (b - a + c - d) * half, down = (d - a + c - b) * half;
            Vector.SquareRoot(across * across + down * down).CopyTo(slopes[i..]);
        }
    }

    /// <summary>Where blocks of a vector's length start that together cover a row; the last one may overlap the one before.</summary>
    private static IEnumerable<int> Blocks(int length)
    {
        for (var i = 0; i < length; i += Vector<float>.Count)
        {
            yield return Math.Min(i, length - Vector<float>.Count);
        }
    }
}
