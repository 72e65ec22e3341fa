using SkiaSharp;

namespace MossLantern.Pictures;

/// <summary>The seamless tiles of the brush, drawn once. Their random numbers are those of the page's brush.</summary>
internal static class Tiles
{
    private const int Side = 256;

    public static SKBitmap Clouds { get; } = Noise((4, 0.5), (8, 0.28), (16, 0.15), (32, 0.07));

    public static SKBitmap Grain { get; } = Noise((128, 0.6), (256, 0.4));

    public static SKBitmap FineSpecks { get; } = Specks(77, 900, 0.5f, 0.9f);

    public static SKBitmap CoarseSpecks { get; } = Specks(411, 260, 1.2f, 2.6f);

    /// <summary>A tile repeated all over, so many millimetres across.</summary>
    public static SKShader Shader(SKBitmap tile, float mm, float movedMm = 0) => Repeated(tile, mm, movedMm, Smoothly);

    /// <summary>The same, brought to its size on the picture once and not anew for every pixel, which takes three times as long.</summary>
    /// <param name="tile">The tile.</param>
    /// <param name="mm">Its side on the piece.</param>
    /// <param name="pixelsPerMm">The scale of the picture.</param>
    public static SKShader Sized(SKBitmap tile, float mm, float pixelsPerMm)
    {
        var side = (int)MathF.Round(mm * pixelsPerMm);
        if (side is < 1 or > MostSizedPixels)
        {
            return Shader(tile, mm);
        }

        using var sized = new SKBitmap(tile.Info.WithSize(side, side));
        using var canvas = new SKCanvas(sized);
        using var paint = SkiaBrush.Fill(SKColors.White);
        paint.Shader = Shader(tile, side);
        canvas.DrawPaint(paint);
        return Repeated(sized, mm, 0, new(SKFilterMode.Nearest));
    }

    /// <summary>A larger tile covers so much of a picture that nothing is won.</summary>
    private const int MostSizedPixels = 2000;

    private static readonly SKSamplingOptions Smoothly = new(SKFilterMode.Linear, SKMipmapMode.Linear);

    private static SKShader Repeated(SKBitmap tile, float mm, float movedMm, SKSamplingOptions sampling) => tile.ToShader(
        SKShaderTileMode.Repeat, SKShaderTileMode.Repeat, sampling,
        SKMatrix.CreateScaleTranslation(mm / tile.Width, mm / tile.Width, movedMm, movedMm / 2));

    /// <summary>Grey value noise: octaves of so many cells across, each with its share.</summary>
    private static SKBitmap Noise(params ReadOnlySpan<(int Cells, double Share)> octaves)
    {
        var values = new double[Side * Side];
        var random = new Congruential(20261);
        foreach (var (cells, share) in octaves)
        {
            var lattice = Enumerable.Range(0, cells * cells).Select(_ => (double)(float)random.Next()).ToArray();
            var step = (double)cells / Side;
            for (var y = 0; y < Side; y++)
            {
                for (var x = 0; x < Side; x++)
                {
                    int i = (int)(x * step), j = (int)(y * step);
                    double s = Smooth(x * step - i), t = Smooth(y * step - j);
                    double At(int a, int b) => lattice[b % cells * cells + a % cells];
                    var top = At(i, j) + s * (At(i + 1, j) - At(i, j));
                    var bottom = At(i, j + 1) + s * (At(i + 1, j + 1) - At(i, j + 1));
                    values[y * Side + x] += share * (top + t * (bottom - top));
                }
            }
        }

        var bitmap = new SKBitmap(new SKImageInfo(Side, Side, SKColorType.Rgba8888, SKAlphaType.Opaque));
        bitmap.Pixels = [.. values.Select(v =>
        {
            var grey = (byte)Math.Clamp(Math.Round(128 + (v - 0.5) * 380), 0, 255);
            return new SKColor(grey, grey, grey);
        })];
        return bitmap;

        static double Smooth(double t) => t * t * (3 - 2 * t);
    }

    private static SKBitmap Specks(uint seed, int count, float least, float more)
    {
        var bitmap = new SKBitmap(new SKImageInfo(Side, Side, SKColorType.Rgba8888, SKAlphaType.Premul));
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColors.Transparent);
        var random = new Congruential(seed);
        for (var i = 0; i < count; i++)
        {
            float x = (float)random.Next() * Side, y = (float)random.Next() * Side;
            var size = least + more * (float)random.Next();
            var bright = random.Next();
            using var paint = SkiaBrush.Fill(bright < 0.75
                ? new SKColor(255, 252, 240, (byte)Math.Round(255 * (0.25 + 0.5 * random.Next())))
                : new SKColor(20, 18, 10, 71));
            foreach (var dx in (int[])[0, -Side])
            {
                foreach (var dy in (int[])[0, -Side])
                {
                    canvas.DrawRect(x + dx, y + dy, size, size, paint);
                }
            }
        }

        return bitmap;
    }

    private sealed class Congruential(uint seed)
    {
        private uint state = seed;

        public double Next() => (state = unchecked(state * 1664525 + 1013904223)) / 4294967296.0;
    }
}
