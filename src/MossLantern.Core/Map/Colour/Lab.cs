using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>How near two colours are to the eye.</summary>
public enum Nearness
{
    /// <summary>Nobody sees a difference.</summary>
    Same,

    /// <summary>Only side by side.</summary>
    VeryNear,

    /// <summary>They read as one where they meet wet, and are not the same.</summary>
    Near,

    /// <summary>Another colour.</summary>
    Another,
}

/// <summary>A colour in CIELAB under daylight D65.</summary>
/// <param name="L">Lightness, 0 to 100.</param>
/// <param name="A">Green to red.</param>
/// <param name="B">Blue to yellow.</param>
/// <remarks>Source: docs/craft/map.md, Colour difference.</remarks>
public readonly record struct Lab(double L, double A, double B)
{
    /// <summary>Wet neighbours nearer than this read as one.</summary>
    public const double ReadsAsOne = 12;

    /// <summary>Below this nobody sees a difference, ΔE00.</summary>
    public const double SameToTheEye = 1;

    /// <summary>Below this a difference is only seen side by side, ΔE00.</summary>
    public const double SeenBeside = 4;

    /// <summary>How near so large a difference is to the eye; what is no number is another colour.</summary>
    /// <param name="apart">The difference, ΔE00.</param>
    public static Nearness NearnessOf(double apart) =>
        apart < SameToTheEye ? Nearness.Same : apart < SeenBeside ? Nearness.VeryNear : apart < ReadsAsOne
            ? Nearness.Near : Nearness.Another;

    /// <summary>Chroma.</summary>
    public double Chroma => Math.Sqrt(A * A + B * B);

    /// <summary>From linear light.</summary>
    public static Lab Of(Colour colour)
    {
        var x = F((0.4124564 * colour.R + 0.3575761 * colour.G + 0.1804375 * colour.B) / 0.95047);
        var y = F(0.2126729 * colour.R + 0.7151522 * colour.G + 0.0721750 * colour.B);
        var z = F((0.0193339 * colour.R + 0.1191920 * colour.G + 0.9503041 * colour.B) / 1.08883);
        return new(116 * y - 16, 500 * (x - y), 200 * (y - z));

        static double F(double t) => t > 216.0 / 24389 ? Math.Cbrt(t) : (24389.0 / 27 * t + 16) / 116;
    }

    /// <summary>The colour in linear light; a channel may lie outside of 0 to 1.</summary>
    public Colour ToColour()
    {
        var y = (L + 16) / 116;
        double fx = Back(y + A / 500) * 0.95047, fy = Back(y), fz = Back(y - B / 200) * 1.08883;
        return new(
            3.2404542 * fx - 1.5371385 * fy - 0.4985314 * fz,
            -0.9692660 * fx + 1.8760108 * fy + 0.0415560 * fz,
            0.0556434 * fx - 0.2040259 * fy + 1.0572252 * fz);

        static double Back(double f) => f > 6.0 / 29 ? f * f * f : (116 * f - 16) * 27 / 24389;
    }

    /// <summary>A colour made lighter, or darker for less than nothing, by so many L*, of the same hue; black and white
    /// are the ends.</summary>
    public static Colour Lighter(Colour colour, double lightness)
    {
        var lab = Of(colour);
        var (r, g, b) = (lab with { L = Math.Clamp(lab.L + lightness, 0, 100) }).ToColour();
        return new(Math.Clamp(r, 0, 1), Math.Clamp(g, 0, 1), Math.Clamp(b, 0, 1));
    }

    /// <summary>Difference of two colours by the CIEDE2000 formula, all weights 1.</summary>
    public static double Difference(Lab first, Lab second)
    {
        // Red-green is stretched where colours are dull.
        var dull = 0.5 * (1 - Root((first.Chroma + second.Chroma) / 2));
        double a1 = first.A * (1 + dull), a2 = second.A * (1 + dull);
        double c1 = Math.Sqrt(a1 * a1 + first.B * first.B), c2 = Math.Sqrt(a2 * a2 + second.B * second.B);
        double h1 = Hue(a1, first.B), h2 = Hue(a2, second.B);
        var grey = c1 * c2 == 0;

        var turn = grey ? 0 : h2 - h1;
        turn += turn > 180 ? -360 : turn < -180 ? 360 : 0;
        double dl = second.L - first.L, dc = c2 - c1, dh = 2 * Math.Sqrt(c1 * c2) * Sin(turn / 2);

        double l = (first.L + second.L) / 2, c = (c1 + c2) / 2;
        var h = grey ? h1 + h2
            : Math.Abs(h1 - h2) <= 180 ? (h1 + h2) / 2
            : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;

        var t = 1 - 0.17 * Cos(h - 30) + 0.24 * Cos(2 * h) + 0.32 * Cos(3 * h + 6) - 0.20 * Cos(4 * h - 63);
        var middle = (l - 50) * (l - 50);
        var sl = 1 + 0.015 * middle / Math.Sqrt(20 + middle);
        var sc = 1 + 0.045 * c;
        var sh = 1 + 0.015 * c * t;
        var rt = -2 * Root(c) * Sin(60 * Math.Exp(-Math.Pow((h - 275) / 25, 2)));
        double lightness = dl / sl, chroma = dc / sc, hue = dh / sh;
        return Math.Sqrt(lightness * lightness + chroma * chroma + hue * hue + rt * chroma * hue);

        static double Root(double chroma) => Math.Sqrt(Math.Pow(chroma, 7) / (Math.Pow(chroma, 7) + Math.Pow(25, 7)));
        static double Hue(double a, double b) => a == 0 && b == 0 ? 0 : (Math.Atan2(b, a) * 180 / Math.PI + 360) % 360;
        static double Sin(double degrees) => Math.Sin(degrees * Math.PI / 180);
        static double Cos(double degrees) => Math.Cos(degrees * Math.PI / 180);
    }
}
