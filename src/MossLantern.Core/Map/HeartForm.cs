using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>
/// What a heart is in its own frame, its middle at the origin: its outline, and the slowness of growth round it. It is
/// the same wherever the heart is moved to, so that nothing swims while it is dragged.
/// </summary>
/// <remarks>Source: docs/craft/map.md, Slowness.</remarks>
internal sealed class HeartForm
{
    private const double Unevenness = 0.45;
    private const double Lobes = 0.5;
    private const int Corners = 120;

    private readonly float[] logSlowness;
    private readonly int side;
    private readonly double cellMm;
    private readonly double reachMm;

    public HeartForm(Heart heart, double grainMm, double gridMm, double reachMm)
    {
        Outline = Form(heart);
        RadiusMm = Math.Sqrt(Math.Abs(Outline.SignedAreaMm2) / Math.PI);
        this.reachMm = reachMm;
        cellMm = 2 * gridMm;
        side = (int)Math.Ceiling(2 * reachMm / cellMm) + 2;
        logSlowness = new float[side * side];
        var noise = new GradientNoise(heart.Seed);
        var lambda = (float)grainMm;
        var sigma = (float)(heart.WavinessMm / Math.Sqrt(2 * 0.35 * grainMm * 150));
        var lobeReach = (float)(0.75 * grainMm);
        var lobes = (float)(Lobes * Math.Min(1, heart.WavinessMm / 10));
        var unevenness = (float)(0.45 * Unevenness * Math.Min(1, heart.WavinessMm / 10));
        var distance = new FarDistance(Outline, cellMm, reachMm, side);
        for (var j = 0; j < side; j++)
        {
            var y = (float)(j * cellMm - reachMm);
            for (var i = 0; i < side; i++)
            {
                var x = (float)(i * cellMm - reachMm);
                var d = (float)Math.Max(0, distance.At(i, j));
                float px = x / lambda, py = y / lambda;
                var value = sigma * (0.8f * noise.At(px, py, d / (2 * lambda))
                        + 0.6f * noise.At(2.3f * px + 17, 2.3f * py, 1.2f * d / lambda))
                    + unevenness * noise.At(3.7f * px, 3.7f * py + 31, 6 * d / lambda);
                if (d < lobeReach)
                {
                    value += lobes * (1 - d / lobeReach) * (0.75f - Math.Abs(noise.At(3.2f * px + 7, 3.2f * py + 11, 0.006f * d)));
                }

                logSlowness[j * side + i] = Math.Clamp(value, -0.9f, 0.9f);
            }
        }
    }

    /// <summary>The heart's outline in its own frame.</summary>
    public Ring Outline { get; }

    /// <summary>Radius of the round of the same area, mm.</summary>
    public double RadiusMm { get; }

    /// <summary>Natural logarithm of the slowness at a point of the heart's frame, mm.</summary>
    public float LogSlowness(double x, double y)
    {
        var u = Math.Clamp((x + reachMm) / cellMm, 0, side - 1.001);
        var v = Math.Clamp((y + reachMm) / cellMm, 0, side - 1.001);
        int i = (int)u, j = (int)v;
        float s = (float)(u - i), t = (float)(v - j);
        var at = j * side + i;
        var top = logSlowness[at] + s * (logSlowness[at + 1] - logSlowness[at]);
        var bottom = logSlowness[at + side] + s * (logSlowness[at + side + 1] - logSlowness[at + side]);
        return top + t * (bottom - top);
    }

    /// <summary>An ellipse whose radius wanders: broad lobes, and cusps where growth met.</summary>
    private static Ring Form(Heart heart)
    {
        var noise = new GradientNoise(unchecked(heart.Seed * 31 + 5));
        var wobble = Math.Min(0.2, 0.02 + heart.WavinessMm * 0.008);
        double cos = Math.Cos(heart.TurnDeg * Math.PI / 180), sin = Math.Sin(heart.TurnDeg * Math.PI / 180);
        var xs = new double[Corners];
        var ys = new double[Corners];
        for (var i = 0; i < Corners; i++)
        {
            var angle = 2 * Math.PI * i / Corners;
            float c = (float)Math.Cos(angle), s = (float)Math.Sin(angle);
            var broad = noise.At(1.1f * c + 3, 1.1f * s + 3, 0.5f);
            var cusps = 0.6 - Math.Abs(noise.At(2.4f * c + 9, 2.4f * s + 9, 1.5f));
            var factor = Math.Max(0.45, 1 + wobble * (0.55 * broad + 0.75 * cusps));
            var x = heart.WidthMm / 2 * factor * c;
            var y = heart.HeightMm / 2 * factor * s;
            xs[i] = x * cos - y * sin;
            ys[i] = x * sin + y * cos;
        }

        return new(xs, ys);
    }

    /// <summary>Distance from an outline on a table: exact near it, and between every fourth point elsewhere.</summary>
    private sealed class FarDistance
    {
        private const int Skip = 4;
        private readonly Ring outline;
        private readonly double cellMm;
        private readonly double reachMm;
        private readonly int coarseSide;
        private readonly double[] coarse;

        public FarDistance(Ring outline, double cellMm, double reachMm, int side)
        {
            (this.outline, this.cellMm, this.reachMm) = (outline, cellMm, reachMm);
            coarseSide = side / Skip + 2;
            coarse = new double[coarseSide * coarseSide];
            for (var j = 0; j < coarseSide; j++)
            {
                for (var i = 0; i < coarseSide; i++)
                {
                    coarse[j * coarseSide + i] = Exact(i * Skip, j * Skip);
                }
            }
        }

        public double At(int i, int j)
        {
            int ci = i / Skip, cj = j / Skip;
            double s = (double)(i % Skip) / Skip, t = (double)(j % Skip) / Skip;
            var at = cj * coarseSide + ci;
            var top = coarse[at] + s * (coarse[at + 1] - coarse[at]);
            var bottom = coarse[at + coarseSide] + s * (coarse[at + coarseSide + 1] - coarse[at + coarseSide]);
            var between = top + t * (bottom - top);
            return Math.Abs(between) > 2 * Skip * cellMm ? between : Exact(i, j);
        }

        private double Exact(int i, int j) => outline.SignedDistanceMm(i * cellMm - reachMm, j * cellMm - reachMm);
    }
}
