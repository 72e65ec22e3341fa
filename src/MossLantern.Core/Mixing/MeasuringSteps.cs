using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>What can be measured with tools that have steps.</summary>
/// <remarks>Source: docs/craft/mixing.md, Measurable.</remarks>
public static class MeasuringSteps
{
    /// <summary>How much more than what is needed may be mixed so that both parts fall on whole steps exactly, as a share.</summary>
    public const double ExactMore = 0.02;

    /// <summary>Share of the maker's tolerance that rounding both parts to whole steps may take up.</summary>
    public const double RoundingShare = 0.25;

    /// <summary>What is rounded up to a step, a hair over one aside: binary sums must not cost the artist a step. 0
    /// stays 0, less than nothing goes up towards it; a step of 0 gives not-a-number.</summary>
    public static double Up(double amount, double step) => Math.Ceiling(amount / step - 1e-9) * step;

    /// <summary>
    /// The least volume of at least so much that can be measured in whole steps of both parts: exactly, where that adds at
    /// most <see cref="ExactMore"/>; else the first at which rounding the parts keeps the ratio within a share of its tolerance.
    /// Where none is found near, the need is rounded up to its step. Not-a-number for a step of 0, for a need without end, and for
    /// not-a-number.
    /// </summary>
    /// <param name="resinShare">Share of the resin by volume, 0 to 1.</param>
    /// <param name="needMl">What is needed, ml.</param>
    /// <param name="stepMl">The step, ml.</param>
    /// <param name="tolerance">The maker's tolerance as a share.</param>
    public static double InSteps(double resinShare, double needMl, double stepMl, double tolerance)
    {
        var first = Math.Ceiling(needMl / stepMl - 1e-9);
        if (!double.IsFinite(first))
        {
            return double.NaN;
        }

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
