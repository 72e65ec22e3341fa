namespace MossLantern.Core.Map;

/// <summary>Three-dimensional gradient noise of unit variance: smooth, without grain, the same for the same seed.</summary>
internal sealed class GradientNoise
{
    // The measured spread of this lattice's raw values; dividing by it gives unit variance.
    private const float RawDeviation = 0.2712f;

    private static readonly float[] GradientXs = [1, -1, 1, -1, 1, -1, 1, -1, 0, 0, 0, 0, 1, -1, 0, 0];
    private static readonly float[] GradientYs = [1, 1, -1, -1, 0, 0, 0, 0, 1, -1, 1, -1, 1, 1, -1, -1];
    private static readonly float[] GradientZs = [0, 0, 0, 0, 1, 1, -1, -1, 1, 1, -1, -1, 0, 0, 1, -1];

    private readonly byte[] lattice = new byte[512];

    public GradientNoise(int seed)
    {
        var random = new SplitMix((ulong)(uint)seed);
        for (var i = 0; i < 256; i++)
        {
            lattice[i] = (byte)i;
        }

        for (var i = 255; i > 0; i--)
        {
            var j = random.Below(i + 1);
            (lattice[i], lattice[j]) = (lattice[j], lattice[i]);
        }

        lattice.AsSpan(0, 256).CopyTo(lattice.AsSpan(256));
    }

    public float At(float x, float y, float z)
    {
        float floorX = MathF.Floor(x), floorY = MathF.Floor(y), floorZ = MathF.Floor(z);
        int ix = (int)floorX & 255, iy = (int)floorY & 255, iz = (int)floorZ & 255;
        x -= floorX;
        y -= floorY;
        z -= floorZ;
        float u = Fade(x), v = Fade(y), w = Fade(z);
        int a = lattice[ix] + iy, b = lattice[ix + 1] + iy;
        int aa = lattice[a] + iz, ab = lattice[a + 1] + iz, ba = lattice[b] + iz, bb = lattice[b + 1] + iz;
        var near = Lerp(v,
            Lerp(u, Slope(lattice[aa], x, y, z), Slope(lattice[ba], x - 1, y, z)),
            Lerp(u, Slope(lattice[ab], x, y - 1, z), Slope(lattice[bb], x - 1, y - 1, z)));
        var far = Lerp(v,
            Lerp(u, Slope(lattice[aa + 1], x, y, z - 1), Slope(lattice[ba + 1], x - 1, y, z - 1)),
            Lerp(u, Slope(lattice[ab + 1], x, y - 1, z - 1), Slope(lattice[bb + 1], x - 1, y - 1, z - 1)));
        return Lerp(w, near, far) / RawDeviation;
    }

    private static float Fade(float t) => t * t * t * (t * (t * 6 - 15) + 10);

    private static float Lerp(float t, float a, float b) => a + t * (b - a);

    private static float Slope(byte hash, float x, float y, float z)
    {
        var h = hash & 15;
        return GradientXs[h] * x + GradientYs[h] * y + GradientZs[h] * z;
    }
}

/// <summary>A small seeded generator whose numbers are the same on every machine and runtime.</summary>
internal struct SplitMix(ulong seed)
{
    private ulong state = seed * 0x9E3779B97F4A7C15 + 0x1234567;

    public ulong Next()
    {
        state += 0x9E3779B97F4A7C15;
        var z = state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }

    /// <summary>From 0 (included) to 1 (excluded).</summary>
    public double Unit() => (Next() >> 11) * (1.0 / (1UL << 53));

    public int Below(int n) => (int)(Unit() * n);

    public double Between(double from, double to) => from + (to - from) * Unit();
}
