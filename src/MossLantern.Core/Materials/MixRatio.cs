namespace MossLantern.Core.Materials;

/// <summary>What the parts of a mix ratio are parts of.</summary>
public enum RatioBasis
{
    /// <summary>Parts by volume.</summary>
    Volume,

    /// <summary>Parts by weight.</summary>
    Weight,
}

/// <summary>The maker's mix ratio. Its basis is never swapped silently.</summary>
/// <param name="Basis">What the parts are parts of.</param>
/// <param name="Resin">Parts of resin.</param>
/// <param name="Hardener">Parts of hardener.</param>
public sealed record MixRatio(RatioBasis Basis, double Resin, double Hardener);

/// <summary>Two parts, measured out.</summary>
/// <param name="ResinMl">Resin, ml.</param>
/// <param name="ResinG">Resin, g.</param>
/// <param name="HardenerMl">Hardener, ml.</param>
/// <param name="HardenerG">Hardener, g.</param>
public sealed record Mixed(double ResinMl, double ResinG, double HardenerMl, double HardenerG)
{
    /// <summary>Mixed volume, ml.</summary>
    public double TotalMl => ResinMl + HardenerMl;

    /// <summary>Mixed mass, g.</summary>
    public double TotalG => ResinG + HardenerG;

    /// <summary>Mixed density, g/ml; not-a-number where nothing is mixed.</summary>
    public double DensityGPerMl => TotalG / TotalMl;

    /// <summary>The ratio by weight: hardener to 100 g of resin, g; not-a-number where nothing is mixed.</summary>
    public double HardenerGPer100GResin => 100 * HardenerG / ResinG;
}

/// <summary>
/// Splits a volume or a mass into its two parts. Nothing is split into nothing, less than nothing into less; parts that sum to 0, and
/// not-a-number, give not-a-number.
/// </summary>
/// <remarks>Source: docs/craft/mixing.md, Parts.</remarks>
public static class Parts
{
    /// <summary>The parts of a mixed volume.</summary>
    /// <param name="ratio">The maker's ratio, by volume or by weight.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    /// <param name="volumeMl">Mixed volume, ml.</param>
    /// <exception cref="ArgumentNullException">There is no ratio.</exception>
    public static Mixed OfVolume(MixRatio ratio, double resinDensity, double hardenerDensity, double volumeMl)
    {
        ArgumentNullException.ThrowIfNull(ratio);
        if (ratio.Basis == RatioBasis.Weight)
        {
            // Millilitres that one gram of the mix takes up.
            var parts = ratio.Resin + ratio.Hardener;
            var mlPerG = ratio.Resin / parts / resinDensity + ratio.Hardener / parts / hardenerDensity;
            return OfMass(ratio, resinDensity, hardenerDensity, volumeMl / mlPerG);
        }

        var resinMl = volumeMl * ratio.Resin / (ratio.Resin + ratio.Hardener);
        var hardenerMl = volumeMl - resinMl;
        return new(resinMl, resinMl * resinDensity, hardenerMl, hardenerMl * hardenerDensity);
    }

    /// <summary>The parts of a mixed mass.</summary>
    /// <param name="ratio">The maker's ratio, by volume or by weight.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    /// <param name="massG">Mixed mass, g.</param>
    /// <exception cref="ArgumentNullException">There is no ratio.</exception>
    public static Mixed OfMass(MixRatio ratio, double resinDensity, double hardenerDensity, double massG)
    {
        ArgumentNullException.ThrowIfNull(ratio);
        if (ratio.Basis == RatioBasis.Volume)
        {
            var one = OfVolume(ratio, resinDensity, hardenerDensity, 1);
            return OfVolume(ratio, resinDensity, hardenerDensity, massG / one.TotalG);
        }

        var resinG = massG * ratio.Resin / (ratio.Resin + ratio.Hardener);
        var hardenerG = massG - resinG;
        return new(resinG / resinDensity, resinG, hardenerG / hardenerDensity, hardenerG);
    }
}
