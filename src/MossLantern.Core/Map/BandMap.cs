using System.Collections.Immutable;
using System.Numerics;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace MossLantern.Core.Map;

/// <summary>What a region of the map is.</summary>
public enum RegionKind
{
    /// <summary>The bed of the hearts.</summary>
    HeartBed,

    /// <summary>A band or vein.</summary>
    Band,
}

/// <summary>A region of a layer: the part of the outline that one band, or the hearts' bed, takes up.</summary>
/// <param name="Id">Id of its band, or <see cref="BandMap.HeartBedId"/>.</param>
/// <param name="Kind">What it is.</param>
/// <param name="AreaMm2">Area, mm²; 0 where it does not fit.</param>
/// <param name="OpenEdgeMm">Length of the outline's edge that it touches, mm.</param>
/// <param name="PlannedWidthMm">The width asked for, mm; null for the band that fills the rest and the hearts' bed.</param>
public sealed record Region(string Id, RegionKind Kind, double AreaMm2, double OpenEdgeMm, double? PlannedWidthMm);

/// <summary>A stretch of a cut across the map.</summary>
/// <param name="RegionId">The region it passes.</param>
/// <param name="FromMm">Where it enters, mm from the left.</param>
/// <param name="ToMm">Where it leaves, mm from the left.</param>
public sealed record CutSpan(string RegionId, double FromMm, double ToMm);

/// <summary>The map of one layer, grown from its hearts.</summary>
public sealed class BandMap
{
    /// <summary>Id of the region of the hearts' bed.</summary>
    public const string HeartBedId = "heart";

    private const double LineToleranceMm = 0.15;

    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<string>> edgeLines;

    /// <summary>A map whose regions are measured when they are first asked for: a drag that only paints does not ask.</summary>
    internal BandMap(GrowthGrid grid, float[] field, double[] levels, DepthScale depths, Func<ImmutableArray<Region>> measure)
    {
        Grid = grid;
        Field = field;
        Levels = levels;
        Depths = depths;
        regions = new(measure);
        edgeLines = new(() => Lines(levels));
    }

    /// <summary>The hearts' bed, then the bands from the hearts outward. Their areas sum to the outline's.</summary>
    public ImmutableArray<Region> Regions => regions.Value;

    /// <summary>The area of every region that lies in a part of the outline, mm², in the order of <see cref="Regions"/>.</summary>
    internal double[] AreasWithin(OutlineCover part)
    {
        var below = BandAreas.Below(part, Field, Levels);
        return [.. below.Select((area, k) => Math.Max(0, area - (k == 0 ? 0 : below[k - 1])))];
    }

    /// <summary>A straight cut across the map from left to right: the regions it passes, in order.</summary>
    /// <param name="yMm">Height of the cut, mm from the top.</param>
    /// <param name="fromMm">Left end, mm.</param>
    /// <param name="toMm">Right end, mm.</param>
    public ImmutableArray<CutSpan> Cut(double yMm, double fromMm, double toMm)
    {
        var spans = ImmutableArray.CreateBuilder<CutSpan>();
        var steps = Math.Max(1, (int)Math.Ceiling((toMm - fromMm) / (Grid.SpacingMm / 2)));
        var start = fromMm;
        var current = RegionAt(fromMm, yMm);
        for (var i = 1; i <= steps; i++)
        {
            var x = fromMm + (toMm - fromMm) * i / steps;
            var region = i == steps ? -1 : RegionAt(x, yMm);
            if (region != current)
            {
                spans.Add(new(Regions[current].Id, start, x));
                (start, current) = (x, region);
            }
        }

        return spans.ToImmutable();
    }

    private int RegionAt(double x, double y)
    {
        var value = RimLengths.Value(Grid, Field, x, y);
        var region = 0;
        while (region < Levels.Length && value >= Levels[region])
        {
            region++;
        }

        return region;
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

    internal GrowthGrid Grid { get; }

    /// <summary>The growth field per node; below zero in a heart.</summary>
    internal float[] Field { get; }

    /// <summary>Outer edge of every region but the last, in rising order.</summary>
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
    private readonly double[] depthAt;
    private readonly double step;

    public DepthScale(double[] depthAt, double step)
    {
        this.depthAt = depthAt;
        this.step = step;
    }

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
        return step * (at - 1 + (to > from ? (depthMm - from) / (to - from) : 0));
    }

    /// <summary>From the mean slope of the field at each level, over the cells of an outline.</summary>
    public static DepthScale Over(OutlineCover cover, float[] field)
    {
        const int bins = 1024;
        var grid = cover.Grid;
        var cells = grid.Columns - 1;
        var step = Farthest(cover, field) / bins;

        // Sum of the slopes, weighed by the cells' shares, and of the shares.
        var sums = new Vector128<double>[bins];
        Span<float> slopes = new float[cells], middles = new float[cells];
        for (var row = 0; row < grid.Rows - 1; row++)
        {
            var shares = cover.Shares(row);
            Slopes(field.AsSpan(row * grid.Columns), grid.Columns, (float)(0.5 / grid.SpacingMm), (float)(1 / step), slopes, middles);
            for (var i = 0; i < cells; i++)
            {
                if (shares[i] > 0 && middles[i] >= 0)
                {
                    sums[Math.Min(bins - 1, (int)middles[i])] += Vector128.Create(slopes[i], 1.0) * shares[i];
                }
            }
        }

        var depth = new double[bins + 1];
        var mean = 1.0;
        for (var bin = 0; bin < bins; bin++)
        {
            if (sums[bin][1] > 0)
            {
                mean = Math.Max(sums[bin][0] / sums[bin][1], 1e-3);
            }

            depth[bin + 1] = depth[bin] + step / mean;
        }

        return new(depth, step);
    }

    /// <summary>The greatest value of the field at the corners of the cells that an outline touches.</summary>
    private static double Farthest(OutlineCover cover, float[] field)
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
