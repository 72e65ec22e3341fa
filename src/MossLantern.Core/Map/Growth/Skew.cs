using System.Buffers;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace MossLantern.Core.Map;

/// <summary>
/// A grid stored with its diagonals as lines, along which nodes are counted by column. Spare nodes at both ends of each
/// line, and a line before and after all others, stand for what lies outside.
/// </summary>
/// <param name="grid">The grid; at least as many columns as <see cref="Lanes"/>.</param>
/// <remarks>
/// Nodes of one row lie on as many lines. So the storage is filled, turned over and read eight columns at once: all
/// three come down to a stream of vectors in which each lane is to be one place behind the lane before it.
/// </remarks>
internal readonly struct Skew(GrowthGrid grid)
{
    /// <summary>Nodes that are worked on at once.</summary>
    public const int Lanes = 8;

    private const int Spare = Lanes + 1;

    private readonly int columns = grid.Columns;
    private readonly int rows = grid.Rows;

    public int Lines => rows + columns - 1;

    /// <summary>From a node to the one in its column on the next line.</summary>
    public int Stride => columns + 2 * Spare;

    /// <summary>Where the first column of a line is.</summary>
    public int At(int line) => (line + 1) * Stride + Spare;

    /// <summary>First and last column of a line.</summary>
    public (int First, int Last) Span(int line) => (Math.Max(0, line - rows + 1), Math.Min(columns - 1, line));

    /// <summary>A storage with nothing but what lies outside in it; the nodes themselves are not cleared.</summary>
    public float[] Rent()
    {
        var array = ArrayPool<float>.Shared.Rent((Lines + 2) * Stride);
        array.AsSpan(0, Stride).Fill(Eikonal.Far);
        array.AsSpan((Lines + 1) * Stride, Stride).Fill(Eikonal.Far);
        for (var line = 0; line < Lines; line++)
        {
            var (first, last) = Span(line);
            array.AsSpan(At(line) + first - Spare, Spare).Fill(Eikonal.Far);
            array.AsSpan(At(line) + last + 1, Spare).Fill(Eikonal.Far);
        }

        return array;
    }

    /// <summary>Fills a storage from a grid's rows, before and after which lies a row of what is outside.</summary>
    public void Fill(float[] storage, float[] padded)
    {
        foreach (var from in Blocks())
        {
            Delay(padded, columns + from, columns, (from, (rows + 1) * columns + from), storage, At(from) + from, Stride, rows + Lanes - 1);
        }
    }

    /// <summary>Turns a storage over, the last row first.</summary>
    public void TurnOver(float[] source, float[] target)
    {
        foreach (var from in Blocks())
        {
            var lines = Math.Min(Lines - from, rows + Lanes - 1);
            (int, int) within = (At(-1) + from, At(Lines) + from);
            Delay(source, At(from + rows - 1) + from, -2 * Stride, within, target, At(from) + from, 2 * Stride, (lines + 1) / 2);
            Delay(source, At(from + rows - 2) + from, -2 * Stride, within, target, At(from + 1) + from, 2 * Stride, lines / 2);
        }
    }

    /// <summary>Reads a grid's rows from a storage that was turned over.</summary>
    public void ReadTurnedOver(float[] storage, float[] values)
    {
        foreach (var from in Blocks())
        {
            Delay(storage, At(from + rows - 1) + from, -Stride, (At(-1) + from, At(Lines) + from), values, from, columns, rows);
        }
    }

    /// <summary>Where blocks of columns start that together are all; the last may overlap the one before.</summary>
    private IEnumerable<int> Blocks()
    {
        for (var from = 0; from < columns; from += Lanes)
        {
            yield return Math.Min(from, columns - Lanes);
        }
    }

    /// <summary>
    /// Copies vectors from evenly spaced places to others, lane k of each from k places before; a place beyond the two
    /// given ones is taken as the nearer of them.
    /// </summary>
    private static void Delay(
        float[] source, int at, int step, (int Low, int High) within, float[] target, int to, int stepTo, int count)
    {
        // By one place where a lane's number has its first bit, then by two and by four.
        var first = Vector256.Create(0, -1, 0, -1, 0, -1, 0, -1).AsSingle();
        var second = Vector256.Create(0, 0, -1, -1, 0, 0, -1, -1).AsSingle();
        var third = Vector256.Create(0, 0, 0, 0, -1, -1, -1, -1).AsSingle();
        Vector256<float> y1 = default, a1 = default, a2 = default, b1 = default, b2 = default, b3 = default, b4 = default;
        ref var from = ref MemoryMarshal.GetArrayDataReference(source);
        ref var into = ref MemoryMarshal.GetArrayDataReference(target);
        at -= (Lanes - 1) * step;
        for (var j = 1 - Lanes; j < count; j++, at += step)
        {
            var y = Vector256.LoadUnsafe(ref from, (nuint)Math.Clamp(at, within.Low, within.High));
            var a = Vector256.ConditionalSelect(first, y1, y);
            var b = Vector256.ConditionalSelect(second, a2, a);
            if (j >= 0)
            {
                Vector256.ConditionalSelect(third, b4, b).StoreUnsafe(ref into, (nuint)to);
                to += stepTo;
            }

            (y1, a1, a2, b1, b2, b3, b4) = (y, a, a1, b, b1, b2, b3);
        }
    }
}
