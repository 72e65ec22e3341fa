using System.Text;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Writes closed lines in SVG path syntax.</summary>
internal static class PathText
{
    /// <summary>The rings of an outline, corners joined by straight lines.</summary>
    public static string Straight(Outline outline) => Straight(outline.Rings);

    /// <summary>Rings, corners joined by straight lines.</summary>
    public static string Straight(IEnumerable<Ring> rings)
    {
        var text = new StringBuilder();
        foreach (var ring in rings)
        {
            for (var i = 0; i < ring.Count; i++)
            {
                Append(text, i == 0 ? 'M' : 'L', ring.Xs[i], ring.Ys[i]);
            }

            text.Append('Z');
        }

        return text.ToString();
    }

    /// <summary>Open lines, corners joined by straight lines.</summary>
    public static string Open(IEnumerable<IReadOnlyList<(double X, double Y)>> lines)
    {
        var text = new StringBuilder();
        foreach (var line in lines)
        {
            for (var i = 0; i < line.Count; i++)
            {
                Append(text, i == 0 ? 'M' : 'L', line[i].X, line[i].Y);
            }
        }

        return text.ToString();
    }

    /// <summary>
    /// Contours simplified to a tolerance, their corners rounded by quadratic curves that begin and end in the middle of
    /// a side, or <paramref name="roundMm"/> from the corner where the side is long.
    /// </summary>
    public static string Smooth(IEnumerable<Contour> contours, double toleranceMm, double roundMm)
    {
        var text = new StringBuilder();
        foreach (var contour in contours)
        {
            AppendSmooth(text, contour, toleranceMm, roundMm);
        }

        return text.ToString();
    }

    private static void AppendSmooth(StringBuilder text, Contour contour, double toleranceMm, double roundMm)
    {
        var (xs, ys) = (contour.Xs, contour.Ys);
        var kept = Simplify.Closed(xs, ys, toleranceMm);
        if (kept.Count < 3)
        {
            return;
        }

        (xs, ys) = Through(xs, ys, kept, 2 * toleranceMm);

        // Whole hundredths of a millimetre, written relative to the point before: short, and without drift.
        int x = 0, y = 0;
        for (var i = 0; i < kept.Count; i++)
        {
            int before = (i + kept.Count - 1) % kept.Count, here = i, after = (i + 1) % kept.Count;
            var (fromX, fromY) = Towards(here, before);
            if (i == 0)
            {
                Number(text.Append('M'), fromX);
                Number(text.Append(' '), fromY);
            }
            else if (fromX != x || fromY != y)
            {
                Number(text.Append('l'), fromX - x);
                Number(text.Append(' '), fromY - y);
            }

            (x, y) = (fromX, fromY);
            var (toX, toY) = Towards(here, after);
            Number(text.Append('q'), Hundredths(xs[here]) - x);
            Number(text.Append(' '), Hundredths(ys[here]) - y);
            Number(text.Append(' '), toX - x);
            Number(text.Append(' '), toY - y);
            (x, y) = (toX, toY);
        }

        text.Append('Z');

        (int X, int Y) Towards(int corner, int other)
        {
            double dx = xs[other] - xs[corner], dy = ys[other] - ys[corner];
            var squared = dx * dx + dy * dy;
            var share = squared > 4 * roundMm * roundMm ? roundMm / Math.Sqrt(squared) : 0.5;
            return (Hundredths(xs[corner] + share * dx), Hundredths(ys[corner] + share * dy));
        }
    }

    /// <summary>
    /// Corners that are moved out by as much as rounding them takes away, so that the curve runs through the points and
    /// not always inside of them: a thin band must not grow or shrink by it.
    /// </summary>
    private static (double[] Xs, double[] Ys) Through(double[] xs, double[] ys, List<int> kept, double mostMm)
    {
        var (outX, outY) = (new double[kept.Count], new double[kept.Count]);
        for (var i = 0; i < kept.Count; i++)
        {
            int before = kept[(i + kept.Count - 1) % kept.Count], here = kept[i], after = kept[(i + 1) % kept.Count];
            double dx = (2 * xs[here] - xs[before] - xs[after]) / 8, dy = (2 * ys[here] - ys[before] - ys[after]) / 8;
            var share = Math.Min(1, mostMm / Math.Max(1e-9, Math.Sqrt(dx * dx + dy * dy)));
            (outX[i], outY[i]) = (xs[here] + share * dx, ys[here] + share * dy);
        }

        return (outX, outY);
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

    private static void Append(StringBuilder text, char command, double x, double y)
    {
        Number(text.Append(command), Hundredths(x));
        Number(text.Append(' '), Hundredths(y));
    }

    private static int Hundredths(double mm) => (int)Math.Round(mm * 100);
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
