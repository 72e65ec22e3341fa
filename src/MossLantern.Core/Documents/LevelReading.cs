namespace MossLantern.Core.Documents;

/// <summary>How level a piece stands, as it was read. Either tilts or corner heights.</summary>
/// <param name="WhereItCures">Whether it was read at the spot where the piece will cure.</param>
/// <param name="TiltXDeg">Tilt along x, degrees; positive where the right side is higher.</param>
/// <param name="TiltYDeg">Tilt along y, degrees; positive where the lower edge as drawn is higher.</param>
/// <param name="Corners">Heights of the box's corners, instead of tilts.</param>
/// <param name="StepDeg">Step in which the level shows tilts, degrees; null where nobody said.</param>
/// <param name="WaterChecked">Whether a water check at that spot showed it level, where the level is too coarse to tell.</param>
public sealed record LevelReading(
    bool WhereItCures, double? TiltXDeg = null, double? TiltYDeg = null, CornerHeights? Corners = null,
    double? StepDeg = null, bool WaterChecked = false)
{
    /// <summary>The tilts on both axes over a box, degrees; null while the reading is not complete.</summary>
    /// <param name="boxWidthMm">Width of the box, mm.</param>
    /// <param name="boxHeightMm">Height of the box, mm.</param>
    /// <remarks>Source: docs/craft/grounds.md, Level.</remarks>
    public (double XDeg, double YDeg)? Tilts(double boxWidthMm, double boxHeightMm)
    {
        if (Corners is not { } c)
        {
            return TiltXDeg is { } x && TiltYDeg is { } y ? (x, y) : null;
        }

        var across = (c.TopRightMm + c.BottomRightMm - c.TopLeftMm - c.BottomLeftMm) / 2;
        var along = (c.BottomLeftMm + c.BottomRightMm - c.TopLeftMm - c.TopRightMm) / 2;
        return (Math.Atan2(across, boxWidthMm) * 180 / Math.PI, Math.Atan2(along, boxHeightMm) * 180 / Math.PI);
    }
}

/// <summary>Heights of a box's corners over any level line, mm.</summary>
/// <param name="TopLeftMm">Top left as drawn.</param>
/// <param name="TopRightMm">Top right.</param>
/// <param name="BottomLeftMm">Bottom left.</param>
/// <param name="BottomRightMm">Bottom right.</param>
public sealed record CornerHeights(double TopLeftMm, double TopRightMm, double BottomLeftMm, double BottomRightMm);

/// <summary>A support, mm from the left and the top of the piece.</summary>
public sealed record Support(double XMm, double YMm);
