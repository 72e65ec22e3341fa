using SkiaSharp;

namespace MossLantern.Pictures;

/// <summary>What all printed pages share: their faces, their ink, and letters of so many millimetres.</summary>
internal static class Print
{
    public const float PointsPerMm = 72 / 25.4f;

    private static readonly Lazy<SKTypeface> PlainFace = new(() => Face("400"));
    private static readonly Lazy<SKTypeface> BoldFace = new(() => Face("700"));

    public static SKTypeface Plain => PlainFace.Value;

    public static SKTypeface Bold => BoldFace.Value;

    public static SKColor Ink { get; } = new(32, 48, 42);

    public static SKColor Faint { get; } = new(130, 136, 128);

    public static (double WidthMm, double HeightMm) SizeOf(Paper paper) => paper == Paper.A4 ? (210.0, 297.0) : (215.9, 279.4);

    public static void Text(SKCanvas canvas, string text, float x, float y, float size, SKTypeface face,
        SKTextAlign align = SKTextAlign.Left)
    {
        // Letters of a few millimetres must not be set on whole units.
        using var font = new SKFont(face, size) { Subpixel = true, LinearMetrics = true, Hinting = SKFontHinting.None };
        using var paint = new SKPaint { Color = Ink, IsAntialias = true };
        canvas.DrawText(text, x, y, align, font, paint);
    }

    /// <summary>How wide a text is, mm.</summary>
    public static float WidthOf(string text, float size, SKTypeface face)
    {
        using var font = new SKFont(face, size) { Subpixel = true, LinearMetrics = true, Hinting = SKFontHinting.None };
        return font.MeasureText(text);
    }

    public static void Stroke(SKCanvas canvas, SKRect rect, float width, SKColor colour)
    {
        using var paint = new SKPaint { Color = colour, StrokeWidth = width, IsAntialias = true, Style = SKPaintStyle.Stroke };
        canvas.DrawRect(rect, paint);
    }

    private static SKTypeface Face(string weight)
    {
        using var stream = typeof(Print).Assembly
            .GetManifestResourceStream($"MossLantern.Pictures.fonts.atkinson-hyperlegible-latin-{weight}-normal.woff")!;
        return SKTypeface.FromStream(stream);
    }
}
