namespace MossLantern.Core.Shapes;

/// <summary>Sections of what is laid in a line.</summary>
/// <remarks>Plain arithmetic: nothing is thrown. Source: docs/craft/walls.md, Beads.</remarks>
public static class LineSection
{
    /// <summary>Half an ellipse, as what comes from a tube or a bag, mm².</summary>
    public static double HalfRoundMm2(double widthMm, double heightMm) => Math.PI * widthMm * heightMm / 4;

    /// <summary>A dot: half an ellipsoid, mm³.</summary>
    public static double DomeMm3(double widthMm, double heightMm) => Math.PI * widthMm * widthMm * heightMm / 6;

    /// <summary>A rectangle, as putty that is set, or resin that lies flat, mm².</summary>
    public static double FlatMm2(double widthMm, double heightMm) => widthMm * heightMm;
}
