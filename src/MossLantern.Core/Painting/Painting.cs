using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Painting;

/// <summary>What a path of a painting is, so that a brush can treat it.</summary>
public enum PaintRole
{
    /// <summary>A region's body with all that lies further in, which is painted over it.</summary>
    Body,

    /// <summary>A region's body by itself.</summary>
    Part,

    /// <summary>A growth line inside a region: a tone of its body.</summary>
    GrowthLine,

    /// <summary>A fine line along an edge, or across a metal: dark or light beside its body.</summary>
    FineLine,

    /// <summary>The edge between two regions.</summary>
    Edge,

    /// <summary>A facet of the crystals in a heart.</summary>
    Facet,

    /// <summary>A wall or a dam.</summary>
    Wall,

    /// <summary>Where two wet colours blend.</summary>
    Bleed,

    /// <summary>The rind of a slice, along its rim.</summary>
    Rind,
}

/// <summary>One path of a painting.</summary>
/// <param name="Role">What it is.</param>
/// <param name="Path">Closed path in millimetres, in SVG path syntax; filled by the even-odd rule.</param>
/// <param name="Fill">Fill colour, <c>#rrggbb</c>, or null.</param>
/// <param name="Stroke">Stroke colour, <c>#rrggbb</c>, or null.</param>
/// <param name="StrokeMm">Width of the stroke, mm.</param>
/// <param name="Opacity">Opacity of the whole path, 0 to 1; a clear region has 0: it is there to be pointed at, not seen.</param>
/// <param name="Region">Region it belongs to, or null.</param>
/// <param name="Material">Id in <see cref="Painting.Materials"/>, or null.</param>
/// <param name="Clip">Number in <see cref="Painting.Clips"/> of the part it is clipped by; null for the whole outline.</param>
/// <param name="Glass">Whether it deepens what is painted before it (colours are multiplied) instead of lying over it.</param>
public sealed record PaintPath(
    PaintRole Role, string Path, string? Fill, string? Stroke, double StrokeMm, double Opacity, RegionId? Region,
    string? Material, int? Clip = null,
    bool Glass = false);

/// <summary>How a material takes the light.</summary>
/// <param name="Id">Id of its cup, within its layer.</param>
/// <param name="Finish">Class of its colourant; null for clear.</param>
/// <param name="Light">Its lightest tone, for a sheen.</param>
/// <param name="Dark">Its darkest tone, for a sheen.</param>
/// <param name="Angles">How it looks at each of <see cref="Shimmer.AnglesDeg"/>, as <c>#rrggbb</c>; null for what looks
/// alike from everywhere.</param>
public sealed record PaintMaterial(string Id, ColourantClass? Finish, string Light, string Dark, ImmutableArray<string>? Angles = null);

/// <summary>A painting inside another.</summary>
/// <param name="Below">Whether it lies below the paths of the other; else above them.</param>
/// <param name="XMm">Where its left comes to lie, mm.</param>
/// <param name="YMm">Where its top comes to lie, mm.</param>
/// <param name="Painting">The painting, clipped by its own outline.</param>
public sealed record PaintInset(bool Below, double XMm, double YMm, Painting Painting);

/// <summary>The panels of a piece whose paths are painted for each.</summary>
/// <param name="Outline">The outline of one panel, in SVG path syntax, mm.</param>
/// <param name="Copies">Where the panels lie.</param>
public sealed record PaintedPanels(string Outline, ImmutableArray<PanelCopy> Copies);

/// <summary>How a painting is looked at.</summary>
/// <param name="Full">Whether all is painted, how colourants take the light and the weather over it too; else it is a draft.</param>
/// <param name="Wet">Whether its topmost layer is wet: it has a gloss.</param>
/// <param name="FiltersFrom">
/// In light from behind, the number of the first path that only takes its share of the light that comes through what is
/// painted before it (colours are multiplied); null in light from the front.
/// </param>
/// <param name="TiltDeg">How far it is tilted to be looked at, degrees from straight above: what shimmers looks otherwise then.</param>
public sealed record PaintedLook(bool Full, bool Wet, int? FiltersFrom, double TiltDeg);

/// <summary>A picture of a piece: an ordered list of paths, lowest first, to be clipped by the outline.</summary>
/// <param name="WidthMm">Width of the box round it, mm.</param>
/// <param name="HeightMm">Height of the box round it, mm.</param>
/// <param name="Outline">The outline of all that is painted, in SVG path syntax, mm.</param>
/// <param name="Ground">Colour of the ground, or of the light from behind; null where something is painted below already.</param>
/// <param name="Materials">The materials its paths name.</param>
/// <param name="Paths">The paths.</param>
/// <param name="Clips">Outlines of parts that are laid out in ways of their own, in SVG path syntax, mm.</param>
/// <param name="Panels">The panels that the paths are painted for; null for once, as they are.</param>
/// <param name="Insets">Paintings inside it: older work below, filled hollows above.</param>
/// <param name="Look">How it is looked at.</param>
public sealed record Painting(
    double WidthMm,
    double HeightMm,
    string Outline,
    string? Ground,
    ImmutableArray<PaintMaterial> Materials,
    ImmutableArray<PaintPath> Paths,
    ImmutableArray<string> Clips,
    PaintedPanels? Panels,
    ImmutableArray<PaintInset> Insets,
    PaintedLook Look);
