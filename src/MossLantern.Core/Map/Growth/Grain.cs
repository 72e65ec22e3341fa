namespace MossLantern.Core.Map;

/// <summary>How slowly a front grows where no heart gives it a frame: a noise tied to the piece.</summary>
/// <remarks>Source: docs/craft/map.md, Slowness.</remarks>
internal static class Grain
{
    /// <summary>Slowness per node, near 1.</summary>
    /// <param name="grid">The grid.</param>
    /// <param name="seed">Seed of the noise.</param>
    /// <param name="wavinessMm">How far a front wanders, mm.</param>
    /// <param name="grainMm">Wavelength, mm.</param>
    public static float[] Slowness(GrowthGrid grid, int seed, double wavinessMm, double grainMm)
    {
        var slowness = new float[grid.Count];
        if (wavinessMm <= 0)
        {
            Array.Fill(slowness, 1f);
            return slowness;
        }

        var noise = new GradientNoise(seed);
        var sigma = (float)(wavinessMm / Math.Sqrt(2 * 0.35 * grainMm * 150));
        Parallel.For(0, grid.Rows, row =>
        {
            var y = (float)(grid.Y(row) / grainMm);
            var line = slowness.AsSpan(row * grid.Columns, grid.Columns);
            for (var column = 0; column < line.Length; column++)
            {
                var x = (float)(grid.X(column) / grainMm);
                var value = sigma * (0.8f * noise.At(x, y, 0.5f) + 0.6f * noise.At(2.3f * x + 17, 2.3f * y, 1.5f));
                line[column] = MathF.Exp(Math.Clamp(value, -0.9f, 0.9f));
            }
        });
        return slowness;
    }
}
