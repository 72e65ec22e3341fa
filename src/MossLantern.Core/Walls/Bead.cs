using MossLantern.Core.Shapes;

namespace MossLantern.Core.Walls;

/// <summary>A bead of outliner, silicone or the like: half an ellipse in section.</summary>
/// <remarks>
/// Plain arithmetic: 0 gives 0, less than nothing gives less, not-a-number stays one, and nothing is thrown. What a person may enter
/// is held to its range before it comes here. Source: docs/craft/walls.md, Beads.
/// </remarks>
public static class Bead
{
    /// <summary>Height at which a drying time is usually given, mm.</summary>
    public const double ReferenceHeightMm = 1.5;

    /// <summary>Drying time of a water-based bead of that height, h.</summary>
    public const double ReferenceDryHours = 1;

    /// <summary>Width of an outliner's bead of a height, mm.</summary>
    public static double OutlinerWidthMm(double heightMm) => 2 * heightMm;

    /// <summary>Width of a bead of silicone of a height, mm.</summary>
    public static double SiliconeWidthMm(double heightMm) => 1.2 * heightMm;

    /// <summary>Cross-section, mm².</summary>
    public static double SectionMm2(double heightMm, double widthMm) => LineSection.HalfRoundMm2(widthMm, heightMm);

    /// <summary>Length that a volume lays, mm; without end for a section of 0.</summary>
    public static double LengthMm(double volumeMl, double sectionMm2) => volumeMl * 1000 / sectionMm2;

    /// <summary>Volume of a length, ml.</summary>
    public static double VolumeMl(double lengthMm, double sectionMm2) => lengthMm * sectionMm2 / 1000;

    /// <summary>Drying time of a water-based bead, h: with the square of its height, and so the same for one less than nothing.</summary>
    public static double DryHours(
        double heightMm, double referenceHeightMm = ReferenceHeightMm, double referenceDryHours = ReferenceDryHours) =>
        referenceDryHours * Math.Pow(heightMm / referenceHeightMm, 2);
}
