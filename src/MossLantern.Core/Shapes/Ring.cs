namespace MossLantern.Core.Shapes;

/// <summary>A polygon's boundary in millimetres, not closed: the last point joins the first.</summary>
/// <param name="xs">x of each point, mm.</param>
/// <param name="ys">y of each point, mm.</param>
public sealed class Ring(double[] xs, double[] ys)
{
    /// <summary>Number of points.</summary>
    public int Count => xs.Length;

    /// <summary>x of each point, mm.</summary>
    public ReadOnlySpan<double> Xs => xs;

    /// <summary>y of each point, mm.</summary>
    public ReadOnlySpan<double> Ys => ys;

    /// <summary>Area, mm², positive when the points run clockwise as seen (y down).</summary>
    public double SignedAreaMm2
    {
        get
        {
            var twice = 0.0;
            for (int i = 0, j = Count - 1; i < Count; j = i++)
            {
                twice += xs[j] * ys[i] - xs[i] * ys[j];
            }

            return twice / 2;
        }
    }

    /// <summary>Length all round, mm.</summary>
    public double LengthMm
    {
        get
        {
            var sum = 0.0;
            for (int i = 0, j = Count - 1; i < Count; j = i++)
            {
                sum += Math.Sqrt((xs[i] - xs[j]) * (xs[i] - xs[j]) + (ys[i] - ys[j]) * (ys[i] - ys[j]));
            }

            return sum;
        }
    }

    /// <summary>Distance from a point to the boundary, mm; negative inside.</summary>
    public double SignedDistanceMm(double x, double y)
    {
        var best = double.MaxValue;
        for (int i = 0, j = Count - 1; i < Count; j = i++)
        {
            best = Math.Min(best, SegmentDistanceSquared(x, y, xs[j], ys[j], xs[i], ys[i]));
        }

        return Holds(x, y) ? -Math.Sqrt(best) : Math.Sqrt(best);
    }

    /// <summary>Whether a point lies inside.</summary>
    public bool Holds(double x, double y)
    {
        var inside = false;
        for (int i = 0, j = Count - 1; i < Count; j = i++)
        {
            if (ys[i] > y != ys[j] > y && x < (xs[j] - xs[i]) * (y - ys[i]) / (ys[j] - ys[i]) + xs[i])
            {
                inside = !inside;
            }
        }

        return inside;
    }

    /// <summary>Whether a point lies nearer to the boundary than so many mm.</summary>
    public bool PassesWithin(double x, double y, double mm)
    {
        for (int i = 0, j = Count - 1; i < Count; j = i++)
        {
            if (Math.Min(xs[i], xs[j]) - mm < x && x < Math.Max(xs[i], xs[j]) + mm
                && Math.Min(ys[i], ys[j]) - mm < y && y < Math.Max(ys[i], ys[j]) + mm
                && SegmentDistanceSquared(x, y, xs[j], ys[j], xs[i], ys[i]) < mm * mm)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Where the horizontal line at a height crosses the boundary, mm, in no order.</summary>
    public IEnumerable<double> Crossings(double y)
    {
        for (int i = 0, j = Count - 1; i < Count; j = i++)
        {
            if (ys[i] > y != ys[j] > y)
            {
                yield return (xs[j] - xs[i]) * (y - ys[i]) / (ys[j] - ys[i]) + xs[i];
            }
        }
    }

    /// <summary>The same ring, moved.</summary>
    /// <param name="byX">To the right, mm.</param>
    /// <param name="byY">Down, mm.</param>
    public Ring Moved(double byX, double byY) => new([.. xs.Select(x => x + byX)], [.. ys.Select(y => y + byY)]);

    /// <summary>The same ring, walked the other way round.</summary>
    public Ring Reversed() => new([.. xs.Reverse()], [.. ys.Reverse()]);

    /// <summary>Squared distance from a point to a segment, mm².</summary>
    internal static double SegmentDistanceSquared(double x, double y, double x0, double y0, double x1, double y1)
    {
        double dx = x1 - x0, dy = y1 - y0;
        var length = dx * dx + dy * dy;
        var t = length > 0 ? Math.Clamp(((x - x0) * dx + (y - y0) * dy) / length, 0, 1) : 0;
        double ex = x - x0 - t * dx, ey = y - y0 - t * dy;
        return ex * ex + ey * ey;
    }
}
