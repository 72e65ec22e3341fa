using System.Collections.Immutable;

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

    private readonly Lazy<ImmutableArray<Region>> regions;

    /// <summary>A map whose regions are measured when they are first asked for: a drag that only paints does not ask.</summary>
    internal BandMap(GrowthGrid grid, float[] field, double[] levels, DepthScale depths, Func<ImmutableArray<Region>> measure)
    {
        Grid = grid;
        Field = field;
        Levels = levels;
        Depths = depths;
        regions = new(measure);
    }

    /// <summary>The hearts' bed, then the bands from the hearts outward. Their areas sum to the outline's.</summary>
    public ImmutableArray<Region> Regions => regions.Value;

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
        int columns = grid.Columns, rows = grid.Rows;
        var most = 1f;
        for (var row = 0; row < rows - 1; row++)
        {
            for (var column = 0; column < columns - 1; column++)
            {
                if (cover.Share(row * (columns - 1) + column) > 0)
                {
                    var node = row * columns + column;
                    most = Math.Max(most, Math.Max(
                        Math.Max(field[node], field[node + 1]),
                        Math.Max(field[node + columns], field[node + columns + 1])));
                }
            }
        }

        var step = (double)most / bins;
        var slope = new double[bins];
        var weight = new double[bins];
        var inverse = 1 / step;
        var half = (float)(0.5 / grid.SpacingMm);
        for (var row = 0; row < rows - 1; row++)
        {
            for (var column = 0; column < columns - 1; column++)
            {
                var share = cover.Share(row * (columns - 1) + column);
                if (share == 0)
                {
                    continue;
                }

                var node = row * columns + column;
                float a = field[node], b = field[node + 1], c = field[node + columns + 1], d = field[node + columns];
                var middle = (a + b + c + d) / 4;
                if (middle < 0)
                {
                    continue;
                }

                float across = (b - a + c - d) * half, down = (d - a + c - b) * half;
                var bin = Math.Min(bins - 1, (int)(middle * inverse));
                slope[bin] += share * MathF.Sqrt(across * across + down * down);
                weight[bin] += share;
            }
        }

        var depth = new double[bins + 1];
        var mean = 1.0;
        for (var bin = 0; bin < bins; bin++)
        {
            if (weight[bin] > 0)
            {
                mean = Math.Max(slope[bin] / weight[bin], 1e-3);
            }

            depth[bin + 1] = depth[bin] + step / mean;
        }

        return new(depth, step);
    }
}
