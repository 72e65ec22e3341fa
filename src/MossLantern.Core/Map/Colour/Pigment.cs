using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>What two colours give that blend.</summary>
/// <remarks>Source: docs/craft/map.md, Mixing and mud.</remarks>
public static class Pigment
{
    /// <summary>A mix is mud where its chroma is below this share of the weaker colour's.</summary>
    public const double MudShare = 0.5;

    /// <summary>A mix is mud where its chroma is below this as well.</summary>
    public const double MudChroma = 20;

    /// <summary>Nothing that is painted is blacker.</summary>
    internal const double LeastReflectance = 0.002;

    /// <summary>Reflectance of a mix, 0 to 1.</summary>
    /// <param name="first">Reflectance of one, 0 to 1.</param>
    /// <param name="second">Reflectance of the other, 0 to 1.</param>
    /// <param name="share">Share of the other, 0 to 1.</param>
    public static double Reflectance(double first, double second, double share) =>
        Reflects((1 - share) * Absorbs(first) + share * Absorbs(second));

    /// <summary>Reflectance of an absorption over scattering.</summary>
    internal static double Reflects(double k) => 1 + k - Math.Sqrt(k * k + 2 * k);

    /// <summary>The mix of two colours by their loads, channel by channel in linear light; in equal parts where both loads are 0.</summary>
    public static Colour Mix(Colour first, double firstLoad, Colour second, double secondLoad)
    {
        var share = firstLoad + secondLoad > 0 ? secondLoad / (firstLoad + secondLoad) : 0.5;
        return new(
            Reflectance(first.R, second.R, share), Reflectance(first.G, second.G, share), Reflectance(first.B, second.B, share));
    }

    /// <summary>Whether two colours mix to a dull one.</summary>
    public static bool IsMud(Colour first, double firstLoad, Colour second, double secondLoad)
    {
        var chroma = Lab.Of(Mix(first, firstLoad, second, secondLoad)).Chroma;
        return chroma < MudChroma && chroma < MudShare * Math.Min(Lab.Of(first).Chroma, Lab.Of(second).Chroma);
    }

    /// <summary>Absorption over scattering, of a reflectance.</summary>
    internal static double Absorbs(double reflectance)
    {
        var r = Math.Clamp(reflectance, LeastReflectance, 1);
        return (1 - r) * (1 - r) / (2 * r);
    }
}
