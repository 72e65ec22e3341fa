using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Areas between nested levels of a field on a grid, within an outline.</summary>
/// <remarks>Source: docs/craft/map.md, Areas.</remarks>
internal static class BandAreas
{
    private const int RowsAtOnce = 16;

    /// <summary>
    /// Area where the field is below each level, mm², the last being the whole outline. Levels must not fall.
    /// </summary>
    public static double[] Below(OutlineCover cover, float[] field, double[] levels)
    {
        var grid = cover.Grid;
        var rows = grid.Rows - 1;

        // Strips of rows are summed on every core, and always in the same order, so that sums do not depend on their number.
        var strips = new (double[] Below, double[] Wholly)[(rows + RowsAtOnce - 1) / RowsAtOnce];
        Parallel.For(0, strips.Length, i => strips[i] = Below(cover, field, levels, i * RowsAtOnce, Math.Min(rows, (i + 1) * RowsAtOnce)));

        var below = new double[levels.Length + 1];
        var cellArea = grid.SpacingMm * grid.SpacingMm;
        var sum = 0.0;
        for (var k = 0; k < below.Length; k++)
        {
            sum += strips.Sum(s => s.Wholly[k]);
            below[k] = (strips.Sum(s => s.Below[k]) + sum) * cellArea;
        }

        return below;
    }

    private static (double[] Below, double[] Wholly) Below(OutlineCover cover, float[] field, double[] levels, int fromRow, int toRow)
    {
        var below = new double[levels.Length + 1];
        var wholly = new double[levels.Length + 1];
        var columns = cover.Grid.Columns;
        var low = new Clip();
        var part = new Clip();
        for (var row = fromRow; row < toRow; row++)
        {
            for (var column = 0; column < columns - 1; column++)
            {
                var cell = row * (columns - 1) + column;
                var share = cover.Share(cell);
                if (share == 0)
                {
                    continue;
                }

                var node = row * columns + column;
                float a = field[node], b = field[node + 1], c = field[node + columns + 1], d = field[node + columns];
                var least = Math.Min(Math.Min(a, b), Math.Min(c, d));
                var most = Math.Max(Math.Max(a, b), Math.Max(c, d));
                var (xs, ys) = share < 1 ? cover.Part(cell) : (null, null);
                var full = xs is null ? 1.0 : PartArea(part, xs, ys!);
                var k = 0;
                while (k < levels.Length && levels[k] <= least)
                {
                    k++;
                }

                for (; k < levels.Length && levels[k] <= most; k++)
                {
                    below[k] += xs is null
                        ? CellLevel.ShareBelow(a, b, c, d, levels[k])
                        : PartBelow(low, part, xs, ys!, a, b, c, d, levels[k]);
                }

                // The cell lies wholly below the next level, and so below all that follow.
                wholly[k] += full;
            }
        }

        return (below, wholly);
    }

    private static double PartArea(Clip part, double[] xs, double[] ys)
    {
        part.Set(xs, ys);
        return part.SignedArea;
    }

    /// <summary>The part of a cut cell that lies below a level: the cut part, clipped by the convex low part.</summary>
    private static double PartBelow(
        Clip low, Clip part, double[] xs, double[] ys, float a, float b, float c, float d, double level)
    {
        var sum = 0.0;
        foreach (var corner in CellLevel.Pieces(a, b, c, d, level, low))
        {
            part.Set(xs, ys);
            for (int i = 0, j = corner.Count - 1; i < corner.Count && part.Count >= 3; j = i++)
            {
                // Inside lies to the right of an edge walked clockwise as seen (y down).
                double dx = corner.X(i) - corner.X(j), dy = corner.Y(i) - corner.Y(j);
                part.Keep(-dy, dx, -dy * corner.X(j) + dx * corner.Y(j));
            }

            sum += part.SignedArea;
        }

        return sum;
    }
}

/// <summary>
/// A level within one cell, its corners a, b, c, d clockwise from the top left: straight between the crossings of the
/// cell's sides, and by the cell's saddle value where two readings are possible. One reading for areas and contours.
/// </summary>
internal static class CellLevel
{
    /// <summary>Whether the low corners of a cell with two low corners across join through its middle.</summary>
    public static bool LowJoins(double a, double b, double c, double d, double level)
    {
        var sum = a + c - b - d;
        return sum == 0 || (a * c - b * d) / sum < level;
    }

    /// <summary>Area of the low part of a whole cell, as a share of the cell.</summary>
    public static double ShareBelow(float a, float b, float c, float d, double level)
    {
        bool la = a < level, lb = b < level, lc = c < level, ld = d < level;
        if (la == lc && lb == ld && la != lb)
        {
            var acLow = la ? Cut(a, b, d, level) + Cut(c, d, b, level) : 1 - Cut(a, b, d, level) - Cut(c, d, b, level);
            var bdLow = lb ? Cut(b, c, a, level) + Cut(d, a, c, level) : 1 - Cut(b, c, a, level) - Cut(d, a, c, level);
            return LowJoins(a, b, c, d, level) == la ? bdLow : acLow;
        }

        if (la == lb && lc == ld)
        {
            return la == lc ? (la ? 1 : 0) : Half(la, Cross(a, d, level), Cross(b, c, level));
        }

        if (la == ld && lb == lc)
        {
            return Half(la, Cross(a, b, level), Cross(d, c, level));
        }

        // One corner stands alone.
        var (alone, corner) = la != lb && la != ld ? (la, Cut(a, b, d, level))
            : lb != la && lb != lc ? (lb, Cut(b, c, a, level))
            : lc != lb && lc != ld ? (lc, Cut(c, d, b, level))
            : (ld, Cut(d, a, c, level));
        return alone ? corner : 1 - corner;

        static double Cut(double here, double next, double before, double level) =>
            0.5 * Cross(here, next, level) * Cross(here, before, level);

        static double Half(bool low, double first, double second) => low ? (first + second) / 2 : 1 - (first + second) / 2;
    }

    /// <summary>
    /// The low part of a cell in its unit frame. Where it falls into two corners, <paramref name="other"/> is the area
    /// of the second.
    /// </summary>
    public static void Below(float a, float b, float c, float d, double level, Clip low, out double other)
    {
        other = 0;
        bool la = a < level, lb = b < level, lc = c < level, ld = d < level;
        if (la == lc && lb == ld && la != lb && !LowJoins(a, b, c, d, level))
        {
            low.Clear();
            if (la)
            {
                Corner(low, 0, a, b, d, level);
                other = 0.5 * Cross(c, d, level) * Cross(c, b, level);
            }
            else
            {
                Corner(low, 1, b, c, a, level);
                other = 0.5 * Cross(d, a, level) * Cross(d, c, level);
            }

            return;
        }

        low.Clear();
        if (la)
        {
            low.Add(0, 0);
        }

        if (la != lb)
        {
            low.Add(Cross(a, b, level), 0);
        }

        if (lb)
        {
            low.Add(1, 0);
        }

        if (lb != lc)
        {
            low.Add(1, Cross(b, c, level));
        }

        if (lc)
        {
            low.Add(1, 1);
        }

        if (lc != ld)
        {
            low.Add(1 - Cross(c, d, level), 1);
        }

        if (ld)
        {
            low.Add(0, 1);
        }

        if (ld != la)
        {
            low.Add(0, 1 - Cross(d, a, level));
        }
    }

    /// <summary>The low part of a cell as one or two convex polygons, clockwise as seen.</summary>
    public static IEnumerable<Clip> Pieces(float a, float b, float c, float d, double level, Clip low)
    {
        Below(a, b, c, d, level, low, out var other);
        yield return low;
        if (other > 0)
        {
            low.Clear();
            if (a < level)
            {
                Corner(low, 2, c, d, b, level);
            }
            else
            {
                Corner(low, 3, d, a, c, level);
            }

            yield return low;
        }
    }

    /// <summary>How far along a side, from its first corner, the level is crossed.</summary>
    public static double Cross(double from, double to, double level) => (level - from) / (to - from);

    private static void Corner(Clip low, int corner, double here, double next, double before, double level)
    {
        double along = Cross(here, next, level), back = Cross(here, before, level);
        switch (corner)
        {
            case 0:
                low.Add(0, 0);
                low.Add(along, 0);
                low.Add(0, back);
                break;
            case 1:
                low.Add(1, 0);
                low.Add(1, along);
                low.Add(1 - back, 0);
                break;
            case 2:
                low.Add(1, 1);
                low.Add(1 - along, 1);
                low.Add(1, 1 - back);
                break;
            default:
                low.Add(0, 1);
                low.Add(0, 1 - along);
                low.Add(back, 1);
                break;
        }
    }
}
