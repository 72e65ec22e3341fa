using System.Collections.Immutable;

namespace MossLantern.Core.Map;

/// <summary>Colours poured in turn in one place on a level open surface.</summary>
/// <remarks>Source: docs/craft/pouring.md, Puddles.</remarks>
public static class Puddle
{
    /// <summary>Outer radius of the puddle after each pour, mm; a newer colour sits inside the older ones. A pour of 0
    /// makes it no larger, none at all gives none; over no depth it spreads without end.</summary>
    /// <param name="volumesMl">Volumes in pour order, ml.</param>
    /// <param name="depthMm">Depth it spreads to, mm.</param>
    /// <exception cref="ArgumentNullException">There is no list of volumes.</exception>
    public static ImmutableArray<double> OuterRadiiMm(IEnumerable<double> volumesMl, double depthMm)
    {
        ArgumentNullException.ThrowIfNull(volumesMl);
        var sum = 0.0;
        return [.. volumesMl.Select(v => Math.Sqrt(1000 * (sum += v) / (Math.PI * depthMm)))];
    }
}

/// <summary>A bubble on its way up.</summary>
/// <remarks>Source: docs/craft/pouring.md, Bubbles.</remarks>
public static class Bubble
{
    private const double GravityMPerS2 = 9.81;

    /// <summary>How fast it rises, mm/s; a bubble of 0 stays where it is, and in resin past gel (without end) so does every one.</summary>
    /// <param name="radiusMm">Its radius, mm.</param>
    /// <param name="viscosityPaS">Viscosity of the resin, Pa·s.</param>
    /// <param name="densityGPerMl">Density of the resin, g/ml.</param>
    public static double RiseMmPerS(double radiusMm, double viscosityPaS, double densityGPerMl)
    {
        var radiusM = radiusMm / 1000;
        return 1000 * (2 * densityGPerMl * 1000 * GravityMPerS2 * radiusM * radiusM / (9 * viscosityPaS));
    }
}
