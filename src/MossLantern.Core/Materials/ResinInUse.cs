namespace MossLantern.Core.Materials;

/// <summary>A resin system as one layer uses it: the typical data, with the artist's own wherever they are known.</summary>
/// <param name="System">The system with the artist's own data in place.</param>
/// <param name="OwnRatio">Whether the ratio is the artist's own.</param>
/// <param name="OwnDensities">Whether a density is the artist's own.</param>
public sealed record ResinInUse(ResinSystem System, bool OwnRatio, bool OwnDensities)
{
    /// <summary>A system with the artist's own data in place of the typical; null keeps the typical.</summary>
    /// <param name="typical">The system.</param>
    /// <param name="ratio">The maker's mix ratio.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    public static ResinInUse Of(ResinSystem typical, MixRatio? ratio = null, double? resinDensity = null, double? hardenerDensity = null)
    {
        ArgumentNullException.ThrowIfNull(typical);
        return new(
            typical with
            {
                Ratio = ratio ?? typical.Ratio,
                ResinDensity = resinDensity ?? typical.ResinDensity,
                HardenerDensity = hardenerDensity ?? typical.HardenerDensity,
            },
            ratio is not null,
            resinDensity is not null || hardenerDensity is not null);
    }
}
