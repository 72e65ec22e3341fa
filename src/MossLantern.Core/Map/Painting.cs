using System.Collections.Immutable;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Map;

/// <summary>What a path of a painting is, so that a brush can treat it.</summary>
public enum PaintRole
{
    /// <summary>A region's body.</summary>
    Body,

    /// <summary>A growth line inside a region: a tone of its body.</summary>
    GrowthLine,

    /// <summary>The edge between two regions.</summary>
    Edge,

    /// <summary>A facet of the crystals in a heart.</summary>
    Facet,
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
public sealed record PaintPath(
    PaintRole Role, string Path, string? Fill, string? Stroke, double StrokeMm, double Opacity, string? Region, string? Material);

/// <summary>How a material takes the light.</summary>
/// <param name="Id">Id of its cup, within its layer.</param>
/// <param name="Finish">Class of its colourant; null for clear.</param>
/// <param name="Light">Its lightest tone, for a sheen.</param>
/// <param name="Dark">Its darkest tone, for a sheen.</param>
public sealed record PaintMaterial(string Id, ColourantClass? Finish, string Light, string Dark);

/// <summary>A picture of a piece: an ordered list of paths, lowest first, to be clipped by the outline.</summary>
/// <param name="WidthMm">Width of the outline's box, mm.</param>
/// <param name="HeightMm">Height of the outline's box, mm.</param>
/// <param name="Outline">The outline, in SVG path syntax, mm.</param>
/// <param name="Ground">Colour of the ground.</param>
/// <param name="Materials">The materials its paths name.</param>
/// <param name="Paths">The paths.</param>
public sealed record Painting(
    double WidthMm,
    double HeightMm,
    string Outline,
    string Ground,
    ImmutableArray<PaintMaterial> Materials,
    ImmutableArray<PaintPath> Paths);
