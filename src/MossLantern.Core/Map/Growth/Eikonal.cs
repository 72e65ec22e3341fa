using System.Buffers;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>
/// First arrival of a front that grows at a slowness given per node: |∇T| = s, by fast sweeping.
/// </summary>
/// <remarks>
/// Nodes on one diagonal do not depend on each other within a sweep, so the grid is stored with its diagonals as rows
/// and a sweep works on many nodes at once. Two of the four sweep directions share a storage; for the other two the
/// grid is turned over. Source: docs/craft/map.md, Growth front.
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
        // A vector is as wide as the narrowest grid, which its padding alone makes sure of.
        ArgumentOutOfRangeException.ThrowIfLessThan(grid.Columns, Skew.Lanes, nameof(grid));
        var skew = new Skew(grid);

        // Rented: a drag solves dozens of times a second, and arrays of this size are dear to collect.
        var straight = skew.Rent();
        var turned = skew.Rent();
        var straightCost = skew.Rent();
        var turnedCost = skew.Rent();
        var padded = ArrayPool<float>.Shared.Rent(grid.Count + 2 * grid.Columns);
        padded.AsSpan(0, grid.Columns).Fill(Far);
        padded.AsSpan(grid.Columns + grid.Count, grid.Columns).Fill(Far);
        arrival.AsSpan(0, grid.Count).CopyTo(padded.AsSpan(grid.Columns));
        skew.Fill(straight, padded);
        var h = (float)grid.SpacingMm;
        for (var node = 0; node < grid.Count; node++)
        {
            padded[grid.Columns + node] = held[node] ? Far : Math.Min(slowness[node] * h, Far);
        }

        skew.Fill(straightCost, padded);
        skew.TurnOver(straightCost, turnedCost);
        for (var round = 0; round < Rounds; round++)
        {
            Effort.Check();
            Sweep(straight, straightCost, skew);
            skew.TurnOver(straight, turned);
            Sweep(turned, turnedCost, skew);
            if (round < Rounds - 1)
            {
                skew.TurnOver(turned, straight);
            }
        }

        skew.ReadTurnedOver(turned, arrival);
        foreach (var array in (float[][])[straight, turned, straightCost, turnedCost, padded])
        {
            ArrayPool<float>.Shared.Return(array);
        }
    }

    /// <summary>One sweep down the diagonals and one back up.</summary>
    private static void Sweep(float[] arrival, float[] cost, in Skew skew)
    {
        for (var d = 0; d < skew.Lines; d++)
        {
            Diagonal(arrival, cost, d, skew);
        }

        for (var d = skew.Lines - 1; d >= 0; d--)
        {
            Diagonal(arrival, cost, d, skew);
        }
    }

    private static void Diagonal(float[] arrival, float[] cost, int d, in Skew skew)
    {
        var (first, last) = skew.Span(d);
        var here = skew.At(d);

        // The neighbours before and after lie on the diagonals before and after: one in place, one a place off.
        int before = here - skew.Stride, after = here + skew.Stride;
        ref var t = ref MemoryMarshal.GetArrayDataReference(arrival);
        ref var c = ref MemoryMarshal.GetArrayDataReference(cost);
        var half = Vector256.Create(0.5f);
        for (var i = first; i <= last; i += Skew.Lanes)
        {
            var a = Vector256.MinNative(Vector256.LoadUnsafe(ref t, (nuint)(before + i - 1)),
                Vector256.LoadUnsafe(ref t, (nuint)(after + i + 1)));
            var b = Vector256.MinNative(Vector256.LoadUnsafe(ref t, (nuint)(before + i)), Vector256.LoadUnsafe(ref t, (nuint)(after + i)));
            var f = Vector256.LoadUnsafe(ref c, (nuint)(here + i));

            // From both sides while they differ by less than the cost; beyond that this is the nearer side plus the cost.
            var gap = Vector256.MinNative(Vector256.Abs(a - b), f);
            var next = Vector256.MinNative(a, b) + (gap + Vector256.Sqrt(f * f + f * f - gap * gap)) * half;
            Vector256.MinNative(Vector256.LoadUnsafe(ref t, (nuint)(here + i)), next).StoreUnsafe(ref t, (nuint)(here + i));
        }
    }
}
