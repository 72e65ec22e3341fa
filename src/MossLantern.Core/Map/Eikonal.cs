using System.Buffers;
using System.Numerics;
using System.Runtime.InteropServices;

namespace MossLantern.Core.Map;

/// <summary>
/// First arrival of a front that grows at a slowness given per node: |∇T| = s, by fast sweeping.
/// </summary>
/// <remarks>
/// Nodes on one diagonal do not depend on each other within a sweep, so the grid is stored with its diagonals as rows
/// and a sweep works on many nodes at once. Two of the four sweep directions share a storage; for the other two the
/// grid is mirrored. Source: docs/craft/map.md, Growth front.
/// </remarks>
internal static class Eikonal
{
    public const float Far = 1e9f;

    /// <summary>Rounds of four sweeps; three leave about 0.01 mm.</summary>
    private const int Rounds = 3;

    /// <summary>Solves in place.</summary>
    /// <param name="grid">The grid.</param>
    /// <param name="arrival">
    /// Arrival per node: the given one where <paramref name="held"/>, elsewhere a bound to start from, <see cref="Far"/> for none.
    /// </param>
    /// <param name="held">Nodes whose arrival is given.</param>
    /// <param name="slowness">Slowness per node; <see cref="Far"/> is a wall.</param>
    public static void Solve(GrowthGrid grid, float[] arrival, bool[] held, float[] slowness)
    {
        int columns = grid.Columns, rows = grid.Rows;
        var stride = columns + 2 + Vector<float>.Count;
        var diagonals = columns + rows - 1;

        // One spare row at each end and one spare node before each row stand for what lies outside.
        var size = (diagonals + 2) * stride;
        var straight = Blank();
        var mirrored = Blank();
        var straightCost = Blank();
        var mirroredCost = Blank();
        var h = (float)grid.SpacingMm;
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                var node = row * columns + column;
                var cost = held[node] ? Far : Math.Min(slowness[node] * h, Far);
                straightCost[At(row, column)] = cost;
                mirroredCost[At(row, columns - 1 - column)] = cost;
                straight[At(row, column)] = arrival[node];
            }
        }

        for (var round = 0; round < Rounds; round++)
        {
            Sweep(straight, straightCost, stride, diagonals, columns, rows);
            Mirror(straight, mirrored);
            Sweep(mirrored, mirroredCost, stride, diagonals, columns, rows);
            Mirror(mirrored, straight);
        }

        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                arrival[row * columns + column] = straight[At(row, column)];
            }
        }

        foreach (var array in (float[][])[straight, mirrored, straightCost, mirroredCost])
        {
            ArrayPool<float>.Shared.Return(array);
        }

        // Rented: a drag solves dozens of times a second, and arrays of this size are dear to collect.
        float[] Blank()
        {
            var array = ArrayPool<float>.Shared.Rent(size);
            array.AsSpan(0, size).Fill(Far);
            return array;
        }

        int At(int row, int column) => (row + column + 1) * stride + column + 1;

        void Mirror(float[] from, float[] to)
        {
            for (var row = 0; row < rows; row++)
            {
                for (var column = 0; column < columns; column++)
                {
                    to[At(row, columns - 1 - column)] = from[At(row, column)];
                }
            }
        }
    }

    /// <summary>One sweep down the diagonals and one back up.</summary>
    private static void Sweep(float[] arrival, float[] cost, int stride, int diagonals, int columns, int rows)
    {
        for (var d = 0; d < diagonals; d++)
        {
            Diagonal(arrival, cost, stride, d, columns, rows);
        }

        for (var d = diagonals - 1; d >= 0; d--)
        {
            Diagonal(arrival, cost, stride, d, columns, rows);
        }
    }

    private static void Diagonal(float[] arrival, float[] cost, int stride, int d, int columns, int rows)
    {
        int first = Math.Max(0, d - rows + 1), last = Math.Min(columns - 1, d);
        var here = (d + 1) * stride + 1;
        ref var t = ref MemoryMarshal.GetArrayDataReference(arrival);
        ref var c = ref MemoryMarshal.GetArrayDataReference(cost);
        var half = new Vector<float>(0.5f);
        for (var i = first; i <= last; i += Vector<float>.Count)
        {
            // Left and up lie on the diagonal before, right and down on the one after.
            var left = Vector.LoadUnsafe(ref t, (nuint)(here - stride + i - 1));
            var up = Vector.LoadUnsafe(ref t, (nuint)(here - stride + i));
            var right = Vector.LoadUnsafe(ref t, (nuint)(here + stride + i + 1));
            var down = Vector.LoadUnsafe(ref t, (nuint)(here + stride + i));
            var f = Vector.LoadUnsafe(ref c, (nuint)(here + i));
            var a = Vector.Min(left, right);
            var b = Vector.Min(up, down);
            var gap = a - b;
            var inner = Vector.Max(f * f + f * f - gap * gap, Vector<float>.Zero);
            var both = (a + b + Vector.SquareRoot(inner)) * half;
            var one = Vector.Min(a, b) + f;
            var next = Vector.ConditionalSelect(Vector.LessThan(Vector.Abs(gap), f), both, one);
            var old = Vector.LoadUnsafe(ref t, (nuint)(here + i));
            Vector.Min(old, next).StoreUnsafe(ref t, (nuint)(here + i));
        }
    }
}
