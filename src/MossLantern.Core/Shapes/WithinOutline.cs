namespace MossLantern.Core.Shapes;

/// <summary>A closed line cut to what lies in an outline.</summary>
internal static class WithinOutline
{
    /// <summary>So often a crossing is halved: from a few millimetres to a few nanometres.</summary>
    private const int Halvings = 20;

    /// <summary>The pieces of a closed line that lie in an outline, each of two corners at least; one that never leaves
    /// it is closed.</summary>
    /// <param name="outline">The outline.</param>
    /// <param name="xs">Corners of the line, mm from the left; the last is joined to the first.</param>
    /// <param name="ys">mm from the top.</param>
    public static List<List<(double X, double Y)>> Of(Outline outline, double[] xs, double[] ys)
    {
        var inside = new bool[xs.Length];
        for (var i = 0; i < xs.Length; i++)
        {
            inside[i] = outline.Holds(xs[i], ys[i]);
        }

        if (Array.IndexOf(inside, true) < 0)
        {
            return [];
        }

        // From a corner outside on, so that no piece is cut where the corners begin; where there is none, all of it is one.
        var start = Array.IndexOf(inside, false);
        if (start < 0)
        {
            return [[.. xs.Zip(ys), (xs[0], ys[0])]];
        }

        List<List<(double X, double Y)>> pieces = [];
        for (var step = 0; step < xs.Length; step++)
        {
            int i = (start + step) % xs.Length, next = (i + 1) % xs.Length;
            if (inside[i] != inside[next])
            {
                var at = Crossing(outline, (xs[i], ys[i]), (xs[next], ys[next]), inside[i]);
                if (inside[next])
                {
                    pieces.Add([at]);
                }
                else
                {
                    pieces[^1].Add(at);
                }
            }

            if (inside[next])
            {
                pieces[^1].Add((xs[next], ys[next]));
            }
        }

        return pieces.FindAll(p => p.Count > 1);
    }

    private static (double X, double Y) Crossing(Outline outline, (double X, double Y) from, (double X, double Y) to, bool fromInside)
    {
        for (var i = 0; i < Halvings; i++)
        {
            var middle = ((from.X + to.X) / 2, (from.Y + to.Y) / 2);
            (from, to) = outline.Holds(middle.Item1, middle.Item2) == fromInside ? (middle, to) : (from, middle);
        }

        return ((from.X + to.X) / 2, (from.Y + to.Y) / 2);
    }
}
