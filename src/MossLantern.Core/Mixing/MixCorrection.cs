using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>What is in a mixing cup against the maker's ratio, and what brings it back.</summary>
/// <param name="TargetHardenerG">Hardener for the resin that is in the cup, g.</param>
/// <param name="AcceptFromG">Least hardener within the tolerance, g.</param>
/// <param name="AcceptToG">Most hardener within the tolerance, g.</param>
/// <param name="AddResinG">Resin to add, g; 0 on ratio or short of hardener.</param>
/// <param name="AddHardenerG">Hardener to add, g; 0 on ratio or over.</param>
/// <param name="After">The batch with the addition in it.</param>
/// <remarks>Source: docs/craft/mixing.md, On the scale.</remarks>
public sealed record MixCorrection(
    double TargetHardenerG, double AcceptFromG, double AcceptToG, double AddResinG, double AddHardenerG, Mixed After)
{
    /// <summary>Whether the batch is within the tolerance as it is.</summary>
    public bool OnRatio => AddResinG == 0 && AddHardenerG == 0;

    /// <summary>
    /// Weighs a batch against its ratio. An empty cup is on ratio; hardener alone asks for all of its resin, resin alone for all of its
    /// hardener. Not-a-number is never found off and stays in the sums.
    /// </summary>
    /// <param name="ratio">The maker's ratio.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    /// <param name="resinG">Resin in the cup, g.</param>
    /// <param name="hardenerG">Hardener in the cup, g.</param>
    /// <param name="tolerance">Tolerance of the ratio, as a share; 0 takes the ratio exactly.</param>
    /// <exception cref="ArgumentNullException">There is no ratio.</exception>
    public static MixCorrection Of(
        MixRatio ratio, double resinDensity, double hardenerDensity, double resinG, double hardenerG,
        double tolerance = TypicalMaterials.RatioTolerance)
    {
        var wanted = Parts.OfMass(ratio, resinDensity, hardenerDensity, 1);
        var hardenerPerResin = wanted.HardenerG / wanted.ResinG;
        var target = resinG * hardenerPerResin;
        double from = target * (1 - tolerance), to = target * (1 + tolerance);
        var addHardener = hardenerG < from ? target - hardenerG : 0;
        var addResin = hardenerG > to ? hardenerG / hardenerPerResin - resinG : 0;
        double resin = resinG + addResin, hardener = hardenerG + addHardener;
        return new(
            target, from, to, addResin, addHardener,
            new(resin / resinDensity, resin, hardener / hardenerDensity, hardener));
    }
}
