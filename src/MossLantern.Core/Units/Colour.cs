using System.Globalization;

namespace MossLantern.Core.Units;

/// <summary>A colour in linear light, each channel from 0 to 1.</summary>
/// <param name="R">Red.</param>
/// <param name="G">Green.</param>
/// <param name="B">Blue.</param>
/// <remarks>Source: docs/craft/map.md, Shown colour.</remarks>
public readonly record struct Colour(double R, double G, double B)
{
    /// <summary>Reads <c>#rrggbb</c>; null when the text is anything else.</summary>
    public static Colour? Parse(string? text) =>
        text is ['#', ..] && text.Length == 7
        && int.TryParse(text.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var rgb)
            ? new(ToLinear(rgb >> 16), ToLinear((rgb >> 8) & 255), ToLinear(rgb & 255))
            : null;

    /// <summary>Reads <c>#rrggbb</c>.</summary>
    /// <exception cref="FormatException">The text is not such a colour.</exception>
    public static Colour Of(string text) => Parse(text) ?? throw new FormatException($"'{text}' is not a colour like #33523f.");

    /// <summary>The colour as <c>#rrggbb</c>.</summary>
    public string ToHex() => $"#{ToByte(R):x2}{ToByte(G):x2}{ToByte(B):x2}";

    /// <summary>Light of this colour and another, by share of the other: this one at 0, the other at 1; a share beyond
    /// them goes on the same way.</summary>
    public Colour Mix(Colour other, double share) => new(
        R + share * (other.R - R), G + share * (other.G - G), B + share * (other.B - B));

    /// <summary>Lighter for a positive tone, darker for a negative one, each up to 1.</summary>
    public Colour Tone(double tone) => tone >= 0
        ? Mix(new(1, 1, 1), tone)
        : new(R * (1 + tone), G * (1 + tone), B * (1 + tone));

    private static double ToLinear(int value)
    {
        var v = value / 255.0;
        return v <= 0.04045 ? v / 12.92 : Math.Pow((v + 0.055) / 1.055, 2.4);
    }

    private static int ToByte(double linear)
    {
        var v = Math.Clamp(linear, 0, 1);
        return (int)Math.Round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * Math.Pow(v, 1 / 2.4) - 0.055));
    }
}
