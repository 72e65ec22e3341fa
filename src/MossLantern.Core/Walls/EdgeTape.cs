namespace MossLantern.Core.Walls;

/// <summary>The two runs of tape round an edge. A width is null where no stock width will do.</summary>
/// <param name="MaskWidthMm">First run, flush with the top edge: the narrowest stock that covers the side, mm.</param>
/// <param name="DamWidthMm">Second run, standing proud: the narrowest stock for the dam and its overlap, mm.</param>
/// <param name="DamHeightMm">How far the dam stands above the edge, mm.</param>
/// <param name="LengthEachMm">Length of each run, mm.</param>
/// <remarks>Source: docs/craft/walls.md, Edge tape.</remarks>
public sealed record EdgeTape(double? MaskWidthMm, double? DamWidthMm, double DamHeightMm, double LengthEachMm)
{
    /// <summary>A dam stands so much higher than the resin, mm.</summary>
    public const double AboveMm = 3;

    /// <summary>So much of the dam's run lies on the side, mm.</summary>
    public const double OverlapMm = 10;

    /// <summary>A break at a corner takes so much more, mm, and the tab to pull at so much.</summary>
    public const double CornerMm = 25, TabMm = 20;

    /// <summary>Chooses tape. Without widths at hand, or with not-a-number, no width will do; nothing is thrown for them.</summary>
    /// <param name="perimeterMm">Length of the edge, mm.</param>
    /// <param name="corners">Breaks at corners.</param>
    /// <param name="sideMm">Height of the side, mm.</param>
    /// <param name="openDepthMm">Final depth of the layers that the dam holds, mm.</param>
    /// <param name="stockWidthsMm">Widths at hand, mm; may be empty.</param>
    /// <exception cref="ArgumentNullException">There is no list of widths.</exception>
    public static EdgeTape Of(
        double perimeterMm, int corners, double sideMm, double openDepthMm, IReadOnlyCollection<double> stockWidthsMm)
    {
        ArgumentNullException.ThrowIfNull(stockWidthsMm);
        var dam = LeastDamHeightMm(openDepthMm);
        return new(
            Narrowest(stockWidthsMm, sideMm), Narrowest(stockWidthsMm, dam + OverlapMm), dam,
            RunMm(perimeterMm, corners));
    }

    /// <summary>Length of a run round an edge, mm.</summary>
    public static double RunMm(double perimeterMm, int corners) => perimeterMm + CornerMm * corners + TabMm;

    /// <summary>Least width of the mask run, mm.</summary>
    public static double LeastMaskMm(double sideMm) => sideMm;

    /// <summary>Least width of the dam run, mm.</summary>
    public static double LeastDamMm(double openDepthMm) => LeastDamHeightMm(openDepthMm) + OverlapMm;

    /// <summary>Least height of a dam that holds layers back, mm.</summary>
    public static double LeastDamHeightMm(double openDepthMm) => openDepthMm + AboveMm;

    /// <summary>The narrowest width that will do; null where none does.</summary>
    internal static double? Narrowest(IReadOnlyCollection<double> widths, double least) =>
        widths.Where(w => w >= least).Order().Cast<double?>().FirstOrDefault();
}
