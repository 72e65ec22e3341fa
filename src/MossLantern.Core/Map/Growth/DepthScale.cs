using System.Numerics;
using System.Runtime.Intrinsics;

namespace MossLantern.Core.Map;

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
