using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Grounds;

/// <summary>How a tilt shows across a piece, and what levels it.</summary>
/// <param name="WedgeMm">Difference in depth across the supports' box, mm.</param>
/// <param name="Accept">Whether the thinnest layer can take it.</param>
/// <param name="ShimsMm">Thickness to put under each support, mm; the highest gets none.</param>
/// <param name="HighestMm">How high the highest support lies over the corner that heights are counted from, mm.</param>
/// <remarks>Source: docs/craft/walls.md, Level.</remarks>
public sealed record Levelling(double WedgeMm, bool Accept, ImmutableArray<double> ShimsMm, double HighestMm = 0)
{
    /// <summary>Share of the thinnest layer that a wedge may take up.</summary>
    public const double AcceptedShare = 0.1;

    /// <summary>From a tilt on two axes. A level piece needs no shims; a layer of 0 takes none but a level one; a tilt
    /// that is not a number is not accepted.</summary>
    /// <param name="tiltXDeg">Tilt along x, degrees; positive where the +x side is higher.</param>
    /// <param name="tiltYDeg">Tilt along y, degrees; positive where the +y side is higher.</param>
    /// <param name="supports">At least one support.</param>
    /// <param name="thinnestLayerMm">Depth of the thinnest layer, mm.</param>
    /// <exception cref="ArgumentException">There is no support.</exception>
    public static Levelling Of(double tiltXDeg, double tiltYDeg, ImmutableArray<Support> supports, double thinnestLayerMm)
    {
        if (supports.IsDefaultOrEmpty)
        {
            throw new ArgumentException("A piece stands on at least one support.", nameof(supports));
        }

        double slopeX = Slope(tiltXDeg), slopeY = Slope(tiltYDeg);
        var wedge = WedgeOver(tiltXDeg, tiltYDeg, Spread(supports.Select(s => s.XMm)), Spread(supports.Select(s => s.YMm)));
        var heights = supports.Select(s => s.XMm * slopeX + s.YMm * slopeY).ToList();
        var highest = heights.Max();
        return new(wedge, wedge <= AcceptedShare * thinnestLayerMm, [.. heights.Select(h => highest - h)], highest);
    }

    /// <summary>Difference in depth across a box that is tilted on two axes, mm; the same whichever side is higher.</summary>
    public static double WedgeOver(double tiltXDeg, double tiltYDeg, double widthMm, double heightMm) =>
        widthMm * Math.Abs(Slope(tiltXDeg)) + heightMm * Math.Abs(Slope(tiltYDeg));

    /// <summary>By how much a film is deeper at the corners of a tilted box than in its middle, mm: top left, top
    /// right, bottom left, bottom right. They sum to nothing.</summary>
    /// <param name="tiltXDeg">Tilt along x, degrees; positive where the +x side is higher.</param>
    /// <param name="tiltYDeg">Tilt along y, degrees; positive where the +y side is higher.</param>
    /// <param name="widthMm">Width of the box, mm.</param>
    /// <param name="heightMm">Height of the box, mm.</param>
    public static ImmutableArray<double> DeeperAtCorners(double tiltXDeg, double tiltYDeg, double widthMm, double heightMm) =>
        [.. CornersOf(widthMm, heightMm).Select(c => (widthMm / 2 - c.XMm) * Slope(tiltXDeg) + (heightMm / 2 - c.YMm) * Slope(tiltYDeg))];

    /// <summary>The corners of a box: top left, top right, bottom left, bottom right.</summary>
    internal static ImmutableArray<(double XMm, double YMm)> CornersOf(double widthMm, double heightMm) =>
        [(0, 0), (widthMm, 0), (0, heightMm), (widthMm, heightMm)];

    private static double Slope(double degrees) => Math.Tan(degrees * Math.PI / 180);

    private static double Spread(IEnumerable<double> values)
    {
        var all = values.ToList();
        return all.Max() - all.Min();
    }
}
