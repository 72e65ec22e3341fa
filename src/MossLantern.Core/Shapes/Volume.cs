namespace MossLantern.Core.Shapes;

/// <summary>Volumes of what is flat and evenly deep.</summary>
/// <remarks>Source: docs/craft/mixing.md, Region volume.</remarks>
public static class Volume
{
    /// <summary>Area × depth, ml: less than nothing where one of them is, not a number where one of them is not.</summary>
    /// <param name="areaMm2">Area, mm².</param>
    /// <param name="depthMm">Depth, mm.</param>
    public static double Ml(double areaMm2, double depthMm) => areaMm2 * depthMm / 1000;
}
