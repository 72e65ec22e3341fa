using System.Numerics;
using System.Runtime.InteropServices;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Map;

/// <summary>A heart where it stands, with its form.</summary>
internal readonly record struct PlacedHeart(Heart Heart, HeartForm Form);

/// <summary>How slowly the front grows at every node, from all hearts together.</summary>
/// <remarks>Source: docs/craft/map.md, Slowness.</remarks>
internal static class SlownessField
{
    /// <summary>The hearts' slowness, blended on every second node and taken between those elsewhere.</summary>
    public static void Fill(GrowthGrid grid, List<PlacedHeart> hearts, float[] slowness)
    {
        int across = grid.Columns / 2 + 2, down = grid.Rows / 2 + 2;
        var lattice = new float[across * down];
        Parallel.For(0, down, row =>
        {
            for (var column = 0; column < across; column++)
            {
                lattice[row * across + column] = LogSlowness(hearts, grid.X(2 * column), grid.Y(2 * row));
            }
        });

        Parallel.For(0, grid.Rows, row =>
        {
            // Four lattice nodes round each node, some of them the same one.
            var above = lattice.AsSpan(row / 2 * across, across);
            var below = lattice.AsSpan((row + 1) / 2 * across, across);
            var line = slowness.AsSpan(row * grid.Columns, grid.Columns);
            var left = above[0] + below[0];
            for (var column = 0; column < line.Length; column += 2)
            {
                var right = above[column / 2 + 1] + below[column / 2 + 1];
                line[column] = left / 2;
                if (column + 1 < line.Length)
                {
                    line[column + 1] = (left + right) / 4;
                }

                left = right;
            }

            foreach (ref var values in MemoryMarshal.Cast<float, Vector<float>>(line))
            {
                values = Vector.Exp(values);
            }

            foreach (ref var value in line[(line.Length / Vector<float>.Count * Vector<float>.Count)..])
            {
                value = MathF.Exp(value);
            }
        });
    }

    private static float LogSlowness(List<PlacedHeart> hearts, double x, double y)
    {
        if (hearts.Count == 1)
        {
            return hearts[0].Form.LogSlowness(x - hearts[0].Heart.XMm, y - hearts[0].Heart.YMm);
        }

        double sum = 0, weights = 0;
        foreach (var (heart, form) in hearts)
        {
            double dx = x - heart.XMm, dy = y - heart.YMm;
            var away = Math.Max(0, Math.Sqrt(dx * dx + dy * dy) - form.RadiusMm) + 15;
            var weight = 1 / (away * away * away);
            sum += weight * form.LogSlowness(dx, dy);
            weights += weight;
        }

        return (float)(sum / weights);
    }
}
