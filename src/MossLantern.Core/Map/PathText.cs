using System.Globalization;
using System.Text;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Writes closed lines in SVG path syntax.</summary>
internal static class PathText
{
    /// <summary>Corners joined by straight lines.</summary>
    public static string Straight(Ring ring)
    {
        var text = new StringBuilder();
        for (var i = 0; i < ring.Count; i++)
        {
            Append(text, i == 0 ? 'M' : 'L', ring.Xs[i], ring.Ys[i]);
        }

        return text.Append('Z').ToString();
    }

    /// <summary>Contours simplified to a tolerance and rounded by a quadratic spline through the middles of their sides.</summary>
    public static string Smooth(IEnumerable<Contour> contours, double toleranceMm)
    {
        var text = new StringBuilder();
        foreach (var contour in contours)
        {
            AppendSmooth(text, contour, toleranceMm);
        }

        return text.ToString();
    }

    private static void AppendSmooth(StringBuilder text, Contour contour, double toleranceMm)
    {
        var kept = Simplify.Closed(contour.Xs, contour.Ys, toleranceMm);
        if (kept.Count < 3)
        {
            return;
        }

        // Whole hundredths of a millimetre, written relative to the point before: short, and without drift.
        int Hundredths(double mm) => (int)Math.Round(mm * 100);
        var last = kept[^1];
        int x = Hundredths((contour.Xs[last] + contour.Xs[kept[0]]) / 2);
        int y = Hundredths((contour.Ys[last] + contour.Ys[kept[0]]) / 2);
        Number(text.Append('M'), x);
        Number(text.Append(' '), y);
        for (var i = 0; i < kept.Count; i++)
        {
            int here = kept[i], next = kept[(i + 1) % kept.Count];
            int cx = Hundredths(contour.Xs[here]), cy = Hundredths(contour.Ys[here]);
            int mx = Hundredths((contour.Xs[here] + contour.Xs[next]) / 2), my = Hundredths((contour.Ys[here] + contour.Ys[next]) / 2);
            Number(text.Append(i == 0 ? 'q' : ' '), cx - x);
            Number(text.Append(' '), cy - y);
            Number(text.Append(' '), mx - x);
            Number(text.Append(' '), my - y);
            (x, y) = (mx, my);
        }

        text.Append('Z');
    }

    private static void Number(StringBuilder text, int hundredths)
    {
        if (hundredths < 0)
        {
            text.Append('-');
            hundredths = -hundredths;
        }

        var (whole, part) = Math.DivRem(hundredths, 100);
        if (whole > 0 || part == 0)
        {
            text.Append(whole);
        }

        if (part > 0)
        {
            text.Append('.').Append((char)('0' + part / 10));
            if (part % 10 > 0)
            {
                text.Append((char)('0' + part % 10));
            }
        }
    }

    private static void Append(StringBuilder text, char command, double x, double y) =>
        text.Append(CultureInfo.InvariantCulture, $"{command}{x:0.##} {y:0.##}");
}

/// <summary>Drops points of a closed line that lie within a tolerance of the line without them (Douglas-Peucker).</summary>
internal static class Simplify
{
    /// <summary>Indices of the points kept, in order.</summary>
    public static List<int> Closed(double[] xs, double[] ys, double tolerance)
    {
        var n = xs.Length;
        var far = 0;
        for (var i = 1; i < n; i++)
        {
            if (Squared(i, 0) > Squared(far, 0))
            {
                far = i;
            }
        }

        var keep = new bool[n];
        keep[0] = keep[far] = true;
        var stack = new Stack<(int From, int To)>();
        stack.Push((0, far));
        stack.Push((far, n));
        while (stack.TryPop(out var span))
        {
            var (from, to) = span;
            int worst = -1, end = to % n;
            var limit = tolerance * tolerance;
            for (var i = from + 1; i < to; i++)
            {
                var d = Ring.SegmentDistanceSquared(xs[i], ys[i], xs[from], ys[from], xs[end], ys[end]);
                if (d > limit)
                {
                    (worst, limit) = (i, d);
                }
            }

            if (worst >= 0)
            {
                keep[worst] = true;
                stack.Push((from, worst));
                stack.Push((worst, to));
            }
        }

        return [.. Enumerable.Range(0, n).Where(i => keep[i])];

        double Squared(int i, int j) => (xs[i] - xs[j]) * (xs[i] - xs[j]) + (ys[i] - ys[j]) * (ys[i] - ys[j]);
    }
}
