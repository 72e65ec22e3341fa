using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Documents;

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
