using System.Collections.Immutable;

namespace MossLantern.Core.Materials;

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
