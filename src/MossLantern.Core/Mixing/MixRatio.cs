namespace MossLantern.Core.Mixing;

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

    /// <summary>Mixed density, g/ml.</summary>
    public double DensityGPerMl => TotalG / TotalMl;

    /// <summary>The ratio by weight: hardener to 100 g of resin, g.</summary>
    public double HardenerGPer100GResin => 100 * HardenerG / ResinG;
}

/// <summary>Splits a volume or a mass into its two parts.</summary>
/// <remarks>Source: docs/craft/mixing.md, Parts.</remarks>
public static class Parts
{
    /// <summary>The parts of a mixed volume.</summary>
    /// <param name="ratio">The maker's ratio, by volume or by weight.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    /// <param name="volumeMl">Mixed volume, ml.</param>
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

    /// <summary>How much more than what is needed may be mixed so that both parts fall on whole steps exactly, as a share.</summary>
    public const double ExactMore = 0.02;

    /// <summary>Share of the maker's tolerance that rounding both parts to whole steps may take up.</summary>
    public const double RoundingShare = 0.25;

    /// <summary>What is rounded up to a step, a hair over one aside: binary sums must not cost the artist a step.</summary>
    public static double Up(double amount, double step) => Math.Ceiling(amount / step - 1e-9) * step;

    /// <summary>
    /// The least volume of at least so much that can be measured in whole steps of both parts: exactly, where that adds at
    /// most <see cref="ExactMore"/>; else the first at which rounding the parts keeps the ratio within a share of its tolerance.
    /// Where none is found near, the need is rounded up to its step.
    /// </summary>
    /// <param name="resinShare">Share of the resin by volume, 0 to 1.</param>
    /// <param name="needMl">What is needed, ml.</param>
    /// <param name="stepMl">The step, ml.</param>
    /// <param name="tolerance">The maker's tolerance as a share.</param>
    public static double InSteps(double resinShare, double needMl, double stepMl, double tolerance)
    {
        var first = Math.Ceiling(needMl / stepMl - 1e-9);
        var last = first + 2000;
        double? kept = null;
        for (var steps = first; steps <= last; steps++)
        {
            var resin = Math.Round(steps * resinShare, MidpointRounding.AwayFromZero);
            var exact = Math.Abs(steps * resinShare - resin) < 1e-6;
            if (exact && steps * stepMl <= needMl * (1 + ExactMore) + 1e-9)
            {
                return steps * stepMl;
            }

            var off = resin > 0 && resin < steps ? (steps - resin) / resin * resinShare / (1 - resinShare) - 1 : double.MaxValue;
            kept ??= Math.Abs(off) <= RoundingShare * tolerance + 1e-12 ? steps : null;
            if (kept is { } least && (steps + 1) * stepMl > needMl * (1 + ExactMore) + 1e-9)
            {
                return least * stepMl;
            }
        }

        return first * stepMl;
    }

    /// <summary>The parts of a volume, the resin to the nearest step and the hardener what is left.</summary>
    /// <param name="resinShare">Share of the resin by volume, 0 to 1.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    /// <param name="volumeMl">Mixed volume, in whole steps, ml.</param>
    /// <param name="stepMl">The step, ml.</param>
    public static Mixed ToStep(double resinShare, double resinDensity, double hardenerDensity, double volumeMl, double stepMl)
    {
        var resinMl = Math.Round(volumeMl * resinShare / stepMl, MidpointRounding.AwayFromZero) * stepMl;
        return new(resinMl, resinMl * resinDensity, volumeMl - resinMl, (volumeMl - resinMl) * hardenerDensity);
    }

    /// <summary>
    /// The smallest amount of the smaller part that a tool can measure: half its step is then half the tolerance.
    /// </summary>
    /// <param name="step">The tool's step, ml or g.</param>
    /// <param name="tolerance">The maker's tolerance as a share, such as 0.05.</param>
    public static double SmallestMeasurable(double step, double tolerance) => step / tolerance;
}
