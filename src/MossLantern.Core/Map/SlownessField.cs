using System.Numerics;
using System.Runtime.InteropServices;
using MossLantern.Core.Pieces;

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

        for (var row = 0; row < grid.Rows; row++)
        {
            var above = row / 2 * across;
            var below = (row + 1) / 2 * across;
            for (var column = 0; column < grid.Columns; column++)
            {
                int left = column / 2, right = (column + 1) / 2;
                slowness[row * grid.Columns + column] =
                    (lattice[above + left] + lattice[above + right] + lattice[below + left] + lattice[below + right]) / 4;
            }
        }

        var whole = MemoryMarshal.Cast<float, Vector<float>>(slowness.AsSpan(0, grid.Count));
        for (var i = 0; i < whole.Length; i++)
        {
            whole[i] = Vector.Exp(whole[i]);
        }

        for (var i = whole.Length * Vector<float>.Count; i < grid.Count; i++)
        {
            slowness[i] = MathF.Exp(slowness[i]);
        }
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
