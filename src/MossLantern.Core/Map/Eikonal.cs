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
        var skew = new Skew(grid.Rows, grid.Columns);

        // Rented: a drag solves dozens of times a second, and arrays of this size are dear to collect.
        var straight = skew.Rent();
        var mirrored = skew.Rent();
        var straightCost = skew.Rent();
        var mirroredCost = skew.Rent();
        var h = (float)grid.SpacingMm;
        int columns = grid.Columns, step = skew.Step;
        for (var row = 0; row < grid.Rows; row++)
        {
            int at = skew.At(row, 0), mirror = skew.At(row, columns - 1);
            var given = held.AsSpan(row * columns, columns);
            var costs = slowness.AsSpan(row * columns, columns);
            var starts = arrival.AsSpan(row * columns, columns);
            for (var i = 0; i < given.Length; i++, at += step, mirror -= step)
            {
                straightCost[at] = mirroredCost[mirror] = given[i] ? Far : Math.Min(costs[i] * h, Far);
                straight[at] = starts[i];
            }
        }

        for (var round = 0; round < Rounds; round++)
        {
            Sweep(straight, straightCost, skew);
            skew.Mirror(straight, mirrored);
            Sweep(mirrored, mirroredCost, skew);
            if (round < Rounds - 1)
            {
                skew.Mirror(mirrored, straight);
            }
        }

        for (var row = 0; row < grid.Rows; row++)
        {
            var mirror = skew.At(row, columns - 1);
            foreach (ref var solved in arrival.AsSpan(row * columns, columns))
            {
                solved = mirrored[mirror];
                mirror -= step;
            }
        }

        foreach (var array in (float[][])[straight, mirrored, straightCost, mirroredCost])
        {
            ArrayPool<float>.Shared.Return(array);
        }
    }

    /// <summary>
    /// The grid with its diagonals as rows. Along a diagonal nodes are counted by the grid's shorter side, so that the
    /// storage stays small. Spare nodes round each diagonal stand for what lies outside.
    /// </summary>
    private readonly struct Skew(int rows, int columns)
    {
        private static readonly int Spare = Vector<float>.Count + 1;
        private readonly bool byColumn = columns <= rows;

        public int Diagonals { get; } = rows + columns - 1;

        public int Stride { get; } = Math.Min(rows, columns) + 1 + Spare;

        /// <summary>From a node to the one on its right.</summary>
        public int Step => byColumn ? Stride + 1 : Stride;

        public int At(int row, int column) => (row + column + 1) * Stride + 1 + (byColumn ? column : row);

        /// <summary>First and last node of a diagonal.</summary>
        public (int First, int Last) Span(int diagonal) => byColumn
            ? (Math.Max(0, diagonal - rows + 1), Math.Min(columns - 1, diagonal))
            : (Math.Max(0, diagonal - columns + 1), Math.Min(rows - 1, diagonal));

        /// <summary>A storage with nothing but what lies outside in it; the nodes themselves are not cleared.</summary>
        public float[] Rent()
        {
            var size = (Diagonals + 2) * Stride;
            var array = ArrayPool<float>.Shared.Rent(size + Spare);
            array.AsSpan(0, Stride).Fill(Far);
            array.AsSpan(size - Stride, Stride + Spare).Fill(Far);
            for (var d = 0; d < Diagonals; d++)
            {
                var (first, last) = Span(d);
                var here = (d + 1) * Stride + 1;
                array[here + first - 1] = Far;
                array.AsSpan(here + last + 1, Spare).Fill(Far);
            }

            return array;
        }

        /// <summary>Turns the grid over, left to right.</summary>
        public void Mirror(float[] source, float[] target)
        {
            var step = Step;
            for (var row = 0; row < rows; row++)
            {
                int at = At(row, 0), other = At(row, columns - 1);
                for (var i = 0; i < columns; i++, at += step, other -= step)
                {
                    target[other] = source[at];
                }
            }
        }
    }

    /// <summary>One sweep down the diagonals and one back up.</summary>
    private static void Sweep(float[] arrival, float[] cost, in Skew skew)
    {
        for (var d = 0; d < skew.Diagonals; d++)
        {
            Diagonal(arrival, cost, d, skew);
        }

        for (var d = skew.Diagonals - 1; d >= 0; d--)
        {
            Diagonal(arrival, cost, d, skew);
        }
    }

    private static void Diagonal(float[] arrival, float[] cost, int d, in Skew skew)
    {
        var (first, last) = skew.Span(d);
        var here = (d + 1) * skew.Stride + 1;

        // The neighbours before and after lie on the diagonals before and after: one in place, one a place off.
        int before = here - skew.Stride, after = here + skew.Stride;
        ref var t = ref MemoryMarshal.GetArrayDataReference(arrival);
        ref var c = ref MemoryMarshal.GetArrayDataReference(cost);
        var half = new Vector<float>(0.5f);
        for (var i = first; i <= last; i += Vector<float>.Count)
        {
            var a = Vector.MinNative(Vector.LoadUnsafe(ref t, (nuint)(before + i - 1)), Vector.LoadUnsafe(ref t, (nuint)(after + i + 1)));
            var b = Vector.MinNative(Vector.LoadUnsafe(ref t, (nuint)(before + i)), Vector.LoadUnsafe(ref t, (nuint)(after + i)));
            var f = Vector.LoadUnsafe(ref c, (nuint)(here + i));

            // From both sides while they differ by less than the cost; beyond that this is the nearer side plus the cost.
            var gap = Vector.MinNative(Vector.Abs(a - b), f);
            var next = Vector.MinNative(a, b) + (gap + Vector.SquareRoot(f * f + f * f - gap * gap)) * half;
            Vector.MinNative(Vector.LoadUnsafe(ref t, (nuint)(here + i)), next).StoreUnsafe(ref t, (nuint)(here + i));
        }
    }
}
