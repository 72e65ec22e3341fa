using MossLantern.Core.Documents;
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

    /// <summary>Cells across a tile of the table; a tile is worked out when it is first needed.</summary>
    private const int Tile = 16;

    private readonly float[]?[] tiles;
    private readonly int tilesAcross;
    private readonly int side;
    private readonly double cellMm;
    private readonly double reachMm;
    private readonly GradientNoise noise;
    private readonly float lambda;
    private readonly float sigma;
    private readonly float lobes;
    private readonly float unevenness;

    public HeartForm(Heart heart, double grainMm, double gridMm, double reachMm)
    {
        Outline = Form(heart);
        RadiusMm = Math.Sqrt(Math.Abs(Outline.SignedAreaMm2) / Math.PI);
        this.reachMm = reachMm;
        cellMm = 2 * gridMm;
        side = (int)Math.Ceiling(2 * reachMm / cellMm) + 2;
        tilesAcross = side / Tile + 1;
        tiles = new float[]?[tilesAcross * tilesAcross];
        noise = new GradientNoise(heart.Seed);
        lambda = (float)grainMm;
        sigma = (float)(heart.WavinessMm / Math.Sqrt(2 * 0.35 * grainMm * 150));
        lobes = (float)(Lobes * Math.Min(1, heart.WavinessMm / 10));
        unevenness = (float)(0.45 * Unevenness * Math.Min(1, heart.WavinessMm / 10));
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
        var number = j / Tile * tilesAcross + i / Tile;

        // Two threads may work out the same tile; they get the same values.
        var tile = tiles[number] ??= WorkOut(i / Tile * Tile, j / Tile * Tile);
        var at = j % Tile * (Tile + 1) + i % Tile;
        var top = tile[at] + s * (tile[at + 1] - tile[at]);
        var bottom = tile[at + Tile + 1] + s * (tile[at + Tile + 2] - tile[at + Tile + 1]);
        return top + t * (bottom - top);
    }

    private float[] WorkOut(int firstColumn, int firstRow)
    {
        var tile = new float[(Tile + 1) * (Tile + 1)];
        var lobeReach = 0.75f * lambda;
        var distance = new TileDistance(this, firstColumn, firstRow);
        for (var j = 0; j <= Tile; j++)
        {
            var y = (float)((firstRow + j) * cellMm - reachMm);
            for (var i = 0; i <= Tile; i++)
            {
                var x = (float)((firstColumn + i) * cellMm - reachMm);
                var d = (float)Math.Max(0, distance.At(i, j));
                float px = x / lambda, py = y / lambda;
                var value = sigma * (0.8f * noise.At(px, py, d / (2 * lambda))
                        + 0.6f * noise.At(2.3f * px + 17, 2.3f * py, 1.2f * d / lambda))
                    + unevenness * noise.At(3.7f * px, 3.7f * py + 31, 6 * d / lambda);
                if (d < lobeReach)
                {
                    value += lobes * (1 - d / lobeReach) * (0.75f - Math.Abs(noise.At(3.2f * px + 7, 3.2f * py + 11, 0.006f * d)));
                }

                tile[j * (Tile + 1) + i] = Math.Clamp(value, -0.9f, 0.9f);
            }
        }

        return tile;
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

    /// <summary>Distance from the outline over a tile: exact near it, and between every fourth point elsewhere.</summary>
    private readonly struct TileDistance
    {
        private const int Skip = 4;
        private const int Across = Tile / Skip + 1;
        private readonly HeartForm form;
        private readonly int firstColumn;
        private readonly int firstRow;
        private readonly double[] coarse;

        public TileDistance(HeartForm form, int firstColumn, int firstRow)
        {
            (this.form, this.firstColumn, this.firstRow) = (form, firstColumn, firstRow);
            coarse = new double[Across * Across];
            for (var j = 0; j < Across; j++)
            {
                for (var i = 0; i < Across; i++)
                {
                    coarse[j * Across + i] = Exact(i * Skip, j * Skip);
                }
            }
        }

        public double At(int i, int j)
        {
            int ci = Math.Min(i / Skip, Across - 2), cj = Math.Min(j / Skip, Across - 2);
            double s = (double)(i - ci * Skip) / Skip, t = (double)(j - cj * Skip) / Skip;
            var at = cj * Across + ci;
            var top = coarse[at] + s * (coarse[at + 1] - coarse[at]);
            var bottom = coarse[at + Across] + s * (coarse[at + Across + 1] - coarse[at + Across]);
            var between = top + t * (bottom - top);
            return Math.Abs(between) > 2 * Skip * form.cellMm ? between : Exact(i, j);
        }

        private double Exact(int i, int j) => form.Outline.SignedDistanceMm(
            (firstColumn + i) * form.cellMm - form.reachMm, (firstRow + j) * form.cellMm - form.reachMm);
    }
}
