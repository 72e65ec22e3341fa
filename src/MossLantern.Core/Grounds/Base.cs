using System.Collections.Immutable;
using NodaTime;

namespace MossLantern.Core.Grounds;

/// <summary>What kind of piece it is; drives its walls and its preparation.</summary>
public enum PieceKind
{
    /// <summary>A panel: a flat base with sides, taped or dripped over.</summary>
    Panel,

    /// <summary>A freeform slice on a cut board or on release paper, inside a dam of its own.</summary>
    Slice,

    /// <summary>A rimmed frame: its rim is the wall, its gaps are sealed from behind.</summary>
    Frame,

    /// <summary>A casting: the mould is the wall, and the first resin poured is the face.</summary>
    Casting,
}

/// <summary>What a base is made of.</summary>
public enum BaseMaterial
{
    /// <summary>Birch plywood.</summary>
    BirchPly,

    /// <summary>MDF.</summary>
    Mdf,

    /// <summary>Solid pine.</summary>
    Pine,

    /// <summary>Acrylic sheet.</summary>
    Acrylic,

    /// <summary>Glass.</summary>
    Glass,

    /// <summary>Stretched canvas.</summary>
    Canvas,

    /// <summary>A silicone mould: it does not stay with the piece.</summary>
    Silicone,

    /// <summary>Cured resin: an older casting that is poured over again.</summary>
    Resin,

    /// <summary>A casting sheet of acrylic or release paper: the piece is bent off it, with a glossy face.</summary>
    CastingSheet,

    /// <summary>A metal rim with an open back.</summary>
    MetalRim,

    /// <summary>A cradled panel: a thin face on bars.</summary>
    CradledPanel,

    /// <summary>A finished painting.</summary>
    Painting,
}

/// <summary>The base of a piece.</summary>
/// <param name="Kind">What kind of piece stands on it.</param>
/// <param name="Material">What it is made of.</param>
/// <param name="ThicknessMm">Its thickness, mm; null while not known, and for canvas.</param>
/// <param name="BackStiffened">Whether a canvas has its back stiffened.</param>
/// <param name="GapsSealed">Whether gaps and the dam's foot are sealed.</param>
/// <param name="SealTested">Whether the seal held water in a test.</param>
/// <param name="BarWidthMm">Width of the bars of a cradled panel, mm; null takes the usual.</param>
public sealed record Base(
    PieceKind Kind, BaseMaterial Material, double? ThicknessMm = null, bool BackStiffened = false, bool GapsSealed = false,
    bool SealTested = false, double? BarWidthMm = null)
{
    /// <summary>Width of the bars of a cradled panel where nobody says another, mm.</summary>
    public const double UsualBarMm = 18;

    /// <summary>Density of the bars: solid pine, kg/m³.</summary>
    public const double BarDensity = 500;
}

/// <summary>What a ground is painted with.</summary>
public enum PaintKind
{
    /// <summary>Water-based paint or gesso; must be dry before resin comes.</summary>
    Water,

    /// <summary>Oil paint: resin lets go of it.</summary>
    Oil,
}

/// <summary>The paint of a ground.</summary>
/// <param name="Kind">What paint.</param>
/// <param name="Coats">Number of coats.</param>
/// <param name="DryHours">Drying time by its label, h; null takes the default.</param>
/// <param name="Sealed">Whether it is sealed under a thin coat that resin holds to.</param>
/// <param name="AsMap">Whether the map is painted, each band of the first layer in its own colour; else all in one.</param>
/// <param name="PotId">The pot it comes from; null where it comes from none that is kept.</param>
public sealed record GroundPaint(
    PaintKind Kind, int Coats = 1, double? DryHours = null, bool Sealed = false, bool AsMap = false, string? PotId = null);

/// <summary>A preparation that is done.</summary>
/// <param name="Id">Its id.</param>
/// <param name="At">When, in local time; null where nobody noted it.</param>
public sealed record PreparationDone(string Id, LocalDateTime? At = null);

/// <summary>How level a piece stands, as it was read. Either tilts or corner heights.</summary>
/// <param name="WhereItCures">Whether it was read at the spot where the piece will cure.</param>
/// <param name="TiltXDeg">Tilt along x, degrees; positive where the right side is higher.</param>
/// <param name="TiltYDeg">Tilt along y, degrees; positive where the lower edge as drawn is higher.</param>
/// <param name="Corners">Heights of the box's corners, instead of tilts.</param>
/// <param name="StepDeg">Step in which the level shows tilts, degrees; null where nobody said.</param>
/// <param name="WaterChecked">Whether a water check at that spot showed it level, where the level is too coarse to tell.</param>
public sealed record LevelReading(
    bool WhereItCures, double? TiltXDeg = null, double? TiltYDeg = null, CornerHeights? Corners = null, double? StepDeg = null, bool WaterChecked = false)
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

/// <summary>Typical data of bases by material.</summary>
/// <param name="Material">The material.</param>
/// <param name="Name">Its name.</param>
/// <param name="DensityKgPerM3">Density, kg/m³; null where it is weighed by the area.</param>
/// <param name="MassKgPerM2">Mass by area, kg/m²; null where it goes by the thickness.</param>
/// <param name="StiffnessGPa">Young's modulus, GPa; null where the sag of a board does not apply.</param>
/// <remarks>Source: docs/craft/grounds.md, Bases.</remarks>
public sealed record BaseData(BaseMaterial Material, string Name, double? DensityKgPerM3, double? MassKgPerM2, double? StiffnessGPa)
{
    /// <summary>Every material.</summary>
    public static ImmutableArray<BaseData> All { get; } =
    [
        new(BaseMaterial.BirchPly, "birch ply", 680, null, 8),
        new(BaseMaterial.Mdf, "MDF", 750, null, 3.5),
        new(BaseMaterial.Pine, "solid pine", 500, null, 10),
        new(BaseMaterial.Acrylic, "acrylic sheet", 1190, null, 3),
        new(BaseMaterial.Glass, "glass", 2500, null, 70),
        new(BaseMaterial.Canvas, "stretched canvas", null, 0.5, null),
        new(BaseMaterial.Silicone, "silicone mould", null, 0, null),
        new(BaseMaterial.Resin, "cured resin", 1100, null, 3),
        new(BaseMaterial.CastingSheet, "casting sheet", null, 0, null),
        new(BaseMaterial.MetalRim, "metal rim", null, null, null),
        new(BaseMaterial.CradledPanel, "cradled panel", 680, null, 8),
        new(BaseMaterial.Painting, "finished painting", null, null, null),
    ];

    /// <summary>The data of a material.</summary>
    public static BaseData Of(BaseMaterial material) => All.Single(m => m.Material == material);
}
