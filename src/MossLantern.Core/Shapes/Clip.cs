namespace MossLantern.Core.Shapes;

/// <summary>
/// A small polygon that is cut by half planes in place (Sutherland-Hodgman). Cutting a polygon that is not convex can
/// leave edges that run forth and back; its signed area stays right, which is all it is used for.
/// </summary>
internal sealed class Clip
{
    private double[] xs = new double[64];
    private double[] ys = new double[64];
    private double[] nextXs = new double[64];
    private double[] nextYs = new double[64];

    public int Count { get; private set; }

    public double X(int i) => xs[i];

    public double Y(int i) => ys[i];

    public void Clear() => Count = 0;

    public void Add(double x, double y)
    {
        if (Count == xs.Length)
        {
            Array.Resize(ref xs, Count * 2);
            Array.Resize(ref ys, Count * 2);
        }

        xs[Count] = x;
        ys[Count] = y;
        Count++;
    }

    public void Set(ReadOnlySpan<double> fromXs, ReadOnlySpan<double> fromYs)
    {
        Clear();
        for (var i = 0; i < fromXs.Length; i++)
        {
            Add(fromXs[i], fromYs[i]);
        }
    }

    public void Set(Clip other) => Set(other.xs.AsSpan(0, other.Count), other.ys.AsSpan(0, other.Count));

    /// <summary>Keeps the part where <c>a·x + b·y ≥ c</c>.</summary>
    public void Keep(double a, double b, double c)
    {
        if (nextXs.Length < Count * 2 + 2)
        {
            nextXs = new double[Count * 4];
            nextYs = new double[Count * 4];
        }

        var kept = 0;
        for (int i = 0, j = Count - 1; i < Count; j = i++)
        {
            var from = a * xs[j] + b * ys[j] - c;
            var to = a * xs[i] + b * ys[i] - c;
            if (from >= 0 != to >= 0)
            {
                var t = from / (from - to);
                nextXs[kept] = xs[j] + t * (xs[i] - xs[j]);
                nextYs[kept++] = ys[j] + t * (ys[i] - ys[j]);
            }

            if (to >= 0)
            {
                nextXs[kept] = xs[i];
                nextYs[kept++] = ys[i];
            }
        }

        (xs, nextXs) = (nextXs, xs);
        (ys, nextYs) = (nextYs, ys);
        Count = kept;
    }

    public double SignedArea
    {
        get
        {
            if (Count < 3)
            {
                return 0;
            }

            var twice = 0.0;
            for (int i = 0, j = Count - 1; i < Count; j = i++)
            {
                // Taken from the first point, so that small polygons far from the origin keep their digits.
                twice += (xs[j] - xs[0]) * (ys[i] - ys[0]) - (xs[i] - xs[0]) * (ys[j] - ys[0]);
            }

            return twice / 2;
        }
    }
}
