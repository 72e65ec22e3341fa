using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>How much of an outline's edge lies between nested levels of a field.</summary>
internal static class RimLengths
{
    /// <summary>Length below the first level, between each pair, and above the last, mm; they sum to the perimeter.</summary>
    public static double[] Between(GrowthGrid grid, Outline outline, float[] field, ReadOnlySpan<double> levels)
    {
        var lengths = new double[levels.Length + 1];
        var rings = outline.Rings;
        var onRim = outline.SidesOnRim();
        for (var r = 0; r < rings.Length; r++)
        {
            var number = r;
            Add(lengths, grid, rings[r], side => onRim(number, side), field, levels);
        }

        // The polygon of a round is longer or shorter than the round by a hair.
        var correction = outline is CombinedOutline ? 1 : outline.PerimeterMm / lengths.Sum();
        for (var k = 0; k < lengths.Length; k++)
        {
            lengths[k] *= correction;
        }

        return lengths;
    }

    private static void Add(double[] lengths, GrowthGrid grid, Ring ring, Func<int, bool> counts, float[] field,
        ReadOnlySpan<double> levels)
    {
        var stepMm = grid.SpacingMm / 4;
        for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
        {
            if (!counts(i))
            {
                continue;
            }

            double x0 = ring.Xs[j], y0 = ring.Ys[j], dx = ring.Xs[i] - x0, dy = ring.Ys[i] - y0;
            var length = Math.Sqrt(dx * dx + dy * dy);
            var steps = Math.Max(1, (int)Math.Ceiling(length / stepMm));
            var from = Value(grid, field, x0, y0);
            for (var s = 1; s <= steps; s++)
            {
                var to = Value(grid, field, x0 + dx * s / steps, y0 + dy * s / steps);
                Share(lengths, levels, Math.Min(from, to), Math.Max(from, to), length / steps);
                from = to;
            }
        }
    }

    private static void Share(double[] lengths, ReadOnlySpan<double> levels, double low, double high, double length)
    {
        var from = low;
        for (var k = 0; k <= levels.Length; k++)
        {
            var top = k < levels.Length ? levels[k] : double.MaxValue;
            if (high < top)
            {
                lengths[k] += high > low ? length * (high - from) / (high - low) : length;
                return;
            }

            if (from < top)
            {
                lengths[k] += length * (top - from) / (high - low);
                from = top;
                if (high == top)
                {
                    return;
                }
            }
        }
    }

    /// <summary>The field between its nodes.</summary>
    internal static double Value(GrowthGrid grid, float[] field, double x, double y)
    {
        var u = Math.Clamp(x / grid.SpacingMm + GrowthGrid.Padding, 0, grid.Columns - 1.001);
        var v = Math.Clamp(y / grid.SpacingMm + GrowthGrid.Padding, 0, grid.Rows - 1.001);
        int i = (int)u, j = (int)v;
        double s = u - i, t = v - j;
        var at = j * grid.Columns + i;
        var top = field[at] + s * (field[at + 1] - field[at]);
        var bottom = field[at + grid.Columns] + s * (field[at + grid.Columns + 1] - field[at + grid.Columns]);
        return top + t * (bottom - top);
    }
}
