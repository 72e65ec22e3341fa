using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Painting;

/// <summary>Which side of a piece is seen.</summary>
public enum Face
{
    /// <summary>The side that lies up while it is poured.</summary>
    Top,

    /// <summary>The side that lies down: of a casting, the one that takes the mould's face.</summary>
    Underside,
}

/// <summary>Where the light comes from.</summary>
public enum LightFrom
{
    /// <summary>From where it is looked at.</summary>
    Front,

    /// <summary>From behind it.</summary>
    Back,
}

/// <summary>How a piece is looked at.</summary>
/// <param name="Face">Which side is seen.</param>
/// <param name="Wet">Whether the topmost layer is seen as it lies just after it was poured; else everything has cured.</param>
/// <param name="Light">Where the light comes from.</param>
/// <param name="TiltDeg">How far it is tilted to be looked at, degrees from straight above.</param>
/// <param name="Torched">Whether a torch or a gun went over it: lacing opens wider then.</param>
/// <remarks>Source: docs/craft/map.md, Faces, wet resin and light from behind.</remarks>
public sealed record Look(Face Face = Face.Top, bool Wet = false, LightFrom Light = LightFrom.Front, double TiltDeg = 0,
    bool Torched = false)
{
    /// <summary>From above, cured, in light from the front.</summary>
    public static readonly Look Usual = new();

    /// <summary>How far wet colours blend across their border, mm; half of it on each side.</summary>
    public const double BleedMm = 3;

    /// <summary>Why a piece's underside is not seen and no light comes through it, as a sentence; null where both can be.</summary>
    public static string? Hidden(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return piece.Ground switch
        {
            { Base: null } => "The base has no material yet, so nobody knows whether it lets light through.",
            { Base.Material: BaseMaterial.Silicone or BaseMaterial.Resin or BaseMaterial.CastingSheet } => null,
            { Base.Material: not (BaseMaterial.Acrylic or BaseMaterial.Glass) } =>
                "Only castings and pieces on clear acrylic or glass can be seen from below or lit from behind.",
            { Paint: not null } => "The ground is painted, so nothing shows from below and no light comes through.",
            _ => null,
        };
    }

    /// <summary>Why a piece cannot be looked at in this way, as a sentence; null where it can.</summary>
    public string? Refused(Piece piece) =>
        (Face == Face.Underside || Light == LightFrom.Back) && Hidden(piece) is { } hidden ? hidden
        : !(TiltDeg >= 0 && TiltDeg <= Shimmer.MostDeg)
            ? FormattableString.Invariant($"A piece is tilted by 0 to {Shimmer.MostDeg}° to be looked at.")
        : Wet && Face == Face.Underside ? "A piece is turned over only once it has cured, so its underside is never seen wet."
        : null;
}
