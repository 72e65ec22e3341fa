using MossLantern.Core.Documents;

namespace MossLantern.Core.Map;

/// <summary>
/// Rings whose outer bands keep their width to the rim: those before the band that fills the rest are counted from the
/// hearts, those after it from the rim, and it takes up what lies between.
/// </summary>
/// <param name="Field">Per node, mm: below nothing in a heart.</param>
/// <param name="FarMm">The field at the rim.</param>
/// <remarks>Source: docs/craft/map.md, Following the rim.</remarks>
internal sealed record EvenRim(float[] Field, double FarMm)
{
    /// <summary>Where there is little room, the band that fills the rest keeps so much of it.</summary>
    private const double LeastRest = 0.04;

    /// <summary>Bends the field of rings.</summary>
    /// <param name="cover">What they are laid out in.</param>
    /// <param name="arrival">When the front from the hearts arrives.</param>
    /// <param name="rings">The rings.</param>
    /// <param name="widths">Its bands' widths, mm.</param>
    public static EvenRim Of(OutlineCover cover, float[] arrival, RingsLayout rings, double[] widths)
    {
        var grid = cover.Grid;
        var fromHearts = arrival.AsSpan(0, grid.Count).ToArray();
        var depths = DepthScale.Over(cover, fromHearts);

        // The way to the rim is told without the grain: there a band is as wide as it is typed.
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        var plain = new float[grid.Count];
        Array.Fill(plain, 1f);
        HeldRim.Hold(cover, plain, fromRim, held, null);
        Eikonal.Solve(grid, fromRim, held, plain);

        var fill = rings.Bands.TakeWhile(b => !b.FillsRest).Count();
        double inner = widths.Take(fill).Sum(), outer = widths.Skip(fill + 1).Sum(), follow = rings.RimFollow;
        var room = MeanRoom(cover, fromHearts, fromRim, depths);
        var far = Math.Max(inner + outer + 1, room);
        var field = new float[grid.Count];
        Parallel.For(0, grid.Rows, row =>
        {
            for (var node = row * grid.Columns; node < (row + 1) * grid.Columns; node++)
            {
                double t = fromHearts[node], rim = fromRim[node];
                if (t <= 0)
                {
                    field[node] = (float)t;
                    continue;
                }

                t = depths.Extended(t);
                var even = rim <= 0 ? far - rim : Even(t, rim, inner, outer, far);
                field[node] = (float)((1 - follow) * t + follow * even);
            }
        });
        return new(field, (1 - follow) * depths.FarMm + follow * far);
    }

    private static double Even(double t, double rim, double inner, double outer, double far)
    {
        var way = t + rim;
        var rest = Math.Max(way - inner - outer, LeastRest * way);
        var scale = way / (inner + rest + outer);
        return t <= inner * scale ? t / scale
            : rim <= outer * scale ? far - rim / scale
            : inner + (t - inner * scale) / (rest * scale) * (far - inner - outer);
    }

    /// <summary>How far it is from the hearts to the rim, on average over the outline, mm.</summary>
    private static double MeanRoom(OutlineCover cover, float[] fromHearts, float[] fromRim, DepthScale depths)
    {
        var (sum, cells) = (0.0, 0.0);
        for (var row = 0; row < cover.Grid.Rows - 1; row++)
        {
            var shares = cover.Shares(row);
            for (var column = 0; column < shares.Length; column++)
            {
                var node = row * cover.Grid.Columns + column;
                if (shares[column] > 0 && fromHearts[node] > 0)
                {
                    sum += shares[column] * (depths.Depth(fromHearts[node]) + Math.Max(0, fromRim[node]));
                    cells += shares[column];
                }
            }
        }

        return cells > 0 ? sum / cells : 0;
    }
}

/// <summary>How far every place is from the rim, as lines see it; only their widths are laid on it.</summary>
/// <param name="Field">Per node, falling from the middle to the rim.</param>
/// <param name="Deepest">The field's value in the middle.</param>
/// <param name="Depths">Levels as millimetres and back.</param>
internal sealed record RimFront(float[] Field, float Deepest, DepthScale Depths)
{
    /// <summary>The front of lines.</summary>
    public static RimFront Of(OutlineCover cover, GrowthScale growth, StripesLayout lines)
    {
        var grid = cover.Grid;
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        var slowness = Grain.Slowness(grid, lines.Seed, lines.WavinessMm, growth.GrainMm);
        HeldRim.Hold(cover, slowness, fromRim, held, null);
        Eikonal.Solve(grid, fromRim, held, slowness);

        var deepest = (float)DepthScale.Farthest(cover, fromRim) + 1e-3f;
        for (var node = 0; node < fromRim.Length; node++)
        {
            fromRim[node] = deepest - fromRim[node];
        }

        return new(fromRim, deepest, DepthScale.Over(cover, fromRim, even: true));
    }
}
