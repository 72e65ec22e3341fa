using System.Buffers;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace MossLantern.Core.Map;

/// <summary>A closed line of equal field, its low side on the right, in millimetres.</summary>
internal sealed record Contour(double[] Xs, double[] Ys);

/// <summary>Closed contours of a field on a grid, all levels in one pass.</summary>
/// <remarks>
/// The set below a level lies inside the set below the next: crossings on a cell's side keep the order of the levels,
/// and within a cell lines of different levels cannot cross. The border of the grid counts as high, so every line closes.
/// </remarks>
internal static class Contours
{
    /// <summary>For each level, in rising order, the boundary of the set below it.</summary>
    public static List<Contour>[] Trace(GrowthGrid grid, float[] field, ReadOnlySpan<double> levels)
    {
        int columns = grid.Columns, rows = grid.Rows;
        var count = grid.Count;
        var values = ArrayPool<float>.Shared.Rent(count);
        field.AsSpan(0, count).CopyTo(values);
        for (var row = 0; row < rows; row++)
        {
            values[row * columns] = values[row * columns + columns - 1] = Eikonal.Far;
        }

        for (var column = 0; column < columns; column++)
        {
            values[column] = values[(rows - 1) * columns + column] = Eikonal.Far;
        }

        var ranks = ArrayPool<byte>.Shared.Rent(count);
        Rank(values.AsSpan(0, count), levels, ranks);

        var segments = new List<(int From, int To)>[levels.Length];
        for (var k = 0; k < segments.Length; k++)
        {
            segments[k] = [];
        }

        for (var row = 0; row < rows - 1; row++)
        {
            for (var column = 0; column < columns - 1; column++)
            {
                column += Alike(ranks, row * columns + column, columns, columns - 1 - column);
                if (column >= columns - 1)
                {
                    break;
                }

                var node = row * columns + column;
                int ra = ranks[node], rb = ranks[node + 1], rc = ranks[node + columns + 1], rd = ranks[node + columns];
                var least = Math.Min(Math.Min(ra, rb), Math.Min(rc, rd));
                var most = Math.Max(Math.Max(ra, rb), Math.Max(rc, rd));
                for (var k = least; k < most; k++)
                {
                    Cell(values, columns, node, ra <= k, rb <= k, rc <= k, rd <= k, levels[k], segments[k]);
                }
            }
        }

        var result = new List<Contour>[levels.Length];
        var next = ArrayPool<int>.Shared.Rent(2 * count);
        next.AsSpan(0, 2 * count).Fill(-1);
        for (var k = 0; k < levels.Length; k++)
        {
            result[k] = Chain(grid, values, levels[k], segments[k], next);
        }

        ArrayPool<int>.Shared.Return(next);
        ArrayPool<byte>.Shared.Return(ranks);
        ArrayPool<float>.Shared.Return(values);
        return result;
    }

    /// <summary>How many levels each node is at or above: it is low for level k when its rank is at most k.</summary>
    private static void Rank(ReadOnlySpan<float> values, ReadOnlySpan<double> levels, Span<byte> ranks)
    {
        // A value of single precision is at or above a level if it is at or above the next single up from it.
        var limits = new float[levels.Length];
        for (var k = 0; k < limits.Length; k++)
        {
            var nearest = (float)levels[k];
            limits[k] = nearest < levels[k] ? MathF.BitIncrement(nearest) : nearest;
        }

        for (var at = 0; at < values.Length; at += Vector256<byte>.Count)
        {
            at = Math.Min(at, values.Length - Vector256<byte>.Count);
            var few = Vector256.Narrow(Ranks(values[at..], limits), Ranks(values[(at + 8)..], limits));
            var more = Vector256.Narrow(Ranks(values[(at + 16)..], limits), Ranks(values[(at + 24)..], limits));
            Vector256.Narrow(few, more).AsByte().CopyTo(ranks[at..]);
        }

        static Vector256<int> Ranks(ReadOnlySpan<float> values, float[] limits)
        {
            var value = Vector256.Create(values);
            var rank = Vector256<int>.Zero;
            foreach (var limit in limits)
            {
                // True is minus one.
                rank -= Vector256.GreaterThanOrEqual(value, Vector256.Create(limit)).AsInt32();
            }

            return rank;
        }
    }

    /// <summary>How many cells from a node on no level passes through, as far as can be told for many at once.</summary>
    private static int Alike(byte[] ranks, int node, int columns, int cells)
    {
        var passed = 0;
        ref var rank = ref MemoryMarshal.GetArrayDataReference(ranks);
        while (passed + Vector128<byte>.Count <= cells)
        {
            var at = (nuint)(node + passed);
            var here = Vector128.LoadUnsafe(ref rank, at);
            var others = (here ^ Vector128.LoadUnsafe(ref rank, at + 1))
                | (here ^ Vector128.LoadUnsafe(ref rank, at + (nuint)columns))
                | (here ^ Vector128.LoadUnsafe(ref rank, at + (nuint)columns + 1));
            if (others != Vector128<byte>.Zero)
            {
                break;
            }

            passed += Vector128<byte>.Count;
        }

        return passed;
    }

    private static void Cell(
        float[] values, int columns, int node, bool la, bool lb, bool lc, bool ld, double level, List<(int, int)> segments)
    {
        // Sides of the cell by the id of the grid edge they lie on.
        int top = 2 * node, right = 2 * (node + 1) + 1, bottom = 2 * (node + columns), left = 2 * node + 1;
        if (la == lc && lb == ld && la != lb)
        {
            var joins = CellLevel.LowJoins(
                values[node], values[node + 1], values[node + columns + 1], values[node + columns], level);
            if (la)
            {
                // Out of the low part over the top and the bottom, back in over the right and the left.
                segments.Add((top, joins ? right : left));
                segments.Add((bottom, joins ? left : right));
            }
            else
            {
                segments.Add((right, joins ? bottom : top));
                segments.Add((left, joins ? top : bottom));
            }

            return;
        }

        var exit = la && !lb ? top : lb && !lc ? right : lc && !ld ? bottom : left;
        var entry = !la && lb ? top : !lb && lc ? right : !lc && ld ? bottom : left;
        segments.Add((exit, entry));
    }

    private static List<Contour> Chain(
        GrowthGrid grid, float[] values, double level, List<(int From, int To)> segments, int[] next)
    {
        foreach (var (from, to) in segments)
        {
            next[from] = to;
        }

        var contours = new List<Contour>();
        var xs = new List<double>();
        var ys = new List<double>();
        foreach (var (start, _) in segments)
        {
            if (next[start] < 0)
            {
                continue;
            }

            xs.Clear();
            ys.Clear();
            for (var edge = start; next[edge] >= 0;)
            {
                var node = edge / 2;
                int column = node % grid.Columns, row = node / grid.Columns;
                var other = (edge & 1) == 0 ? node + 1 : node + grid.Columns;
                var t = CellLevel.Cross(values[node], values[other], level);
                xs.Add(grid.X(column) + ((edge & 1) == 0 ? t * grid.SpacingMm : 0));
                ys.Add(grid.Y(row) + ((edge & 1) == 1 ? t * grid.SpacingMm : 0));
                (edge, next[edge]) = (next[edge], -1);
            }

            if (xs.Count >= 3)
            {
                contours.Add(new([.. xs], [.. ys]));
            }
        }

        return contours;
    }
}
