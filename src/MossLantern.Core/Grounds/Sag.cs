namespace MossLantern.Core.Grounds;

/// <summary>How far a board bows between its supports.</summary>
/// <remarks>
/// Plain arithmetic: no span or no load gives no sag, a board of no thickness or stiffness one without end, not-a-number stays one.
/// Source: docs/craft/grounds.md, Sag.
/// </remarks>
public static class Sag
{
    /// <summary>Acceleration of fall, m/s².</summary>
    public const double Gravity = 9.81;

    /// <summary>Share of the thinnest layer that a sag may take up.</summary>
    public const double AcceptedShare = 0.1;

    /// <summary>Weight of base and resin on every square millimetre, N/mm².</summary>
    /// <param name="thicknessMm">Thickness of the base, mm.</param>
    /// <param name="densityKgPerM3">Its density, kg/m³.</param>
    /// <param name="resinMm">Depth of resin on it, mm.</param>
    /// <param name="resinGPerMl">Density of the resin, g/ml.</param>
    public static double LoadNPerMm2(double thicknessMm, double densityKgPerM3, double resinMm, double resinGPerMl) =>
        Gravity * (thicknessMm * densityKgPerM3 / 1000 + resinMm * resinGPerMl) * 1e-6;

    /// <summary>Sag in the middle between supports, mm.</summary>
    /// <param name="loadNPerMm2">Weight of base and resin, N/mm².</param>
    /// <param name="spanMm">Distance between the supports, mm.</param>
    /// <param name="stiffnessGPa">Young's modulus, GPa.</param>
    /// <param name="thicknessMm">Thickness of the base, mm.</param>
    public static double Mm(double loadNPerMm2, double spanMm, double stiffnessGPa, double thicknessMm) =>
        5 * loadNPerMm2 * Math.Pow(spanMm, 4) / (32 * stiffnessGPa * 1000 * Math.Pow(thicknessMm, 3));
}
