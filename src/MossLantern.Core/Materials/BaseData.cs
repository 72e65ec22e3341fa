using System.Collections.Immutable;
using MossLantern.Core.Units;

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

/// <summary>What follows from what a base is made of.</summary>
/// <remarks>Source: docs/craft/grounds.md, Bases.</remarks>
public static class BaseMaterials
{
    /// <summary>Whether its own face, unpainted, takes colour away: raw wood.</summary>
    public static bool IsBareWood(this BaseMaterial material) =>
        material is BaseMaterial.BirchPly or BaseMaterial.Mdf or BaseMaterial.Pine or BaseMaterial.CradledPanel;

    /// <summary>Whether it can be painted: a casting sheet is to be bent off, and a metal rim has no face.</summary>
    public static bool TakesPaint(this BaseMaterial material) => material is not (BaseMaterial.CastingSheet or BaseMaterial.MetalRim);

    /// <summary>Whether it carries the piece, and bows under it.</summary>
    public static bool Carries(this BaseMaterial material) =>
        material is not (BaseMaterial.CastingSheet or BaseMaterial.MetalRim or BaseMaterial.Canvas);
}

/// <summary>Data of a base.</summary>
/// <param name="Material">The material.</param>
/// <param name="Name">Its name.</param>
/// <param name="DensityKgPerM3">Density, kg/m³; null where it is weighed by the area.</param>
/// <param name="MassKgPerM2">Mass by area, kg/m²; null where it goes by the thickness.</param>
/// <param name="StiffnessGPa">Young's modulus, GPa; null where the sag of a board does not apply.</param>
/// <param name="Own">The properties that the person has entered, by their ids; all others are typical.</param>
/// <remarks>Source: docs/craft/materials.md, Bases.</remarks>
public sealed record BaseData(
    BaseMaterial Material, string Name, double? DensityKgPerM3, double? MassKgPerM2, double? StiffnessGPa, ImmutableSortedSet<string> Own)
{
    /// <summary>Where a property came from.</summary>
    public Origin OriginOf(string property) => Own.Contains(property) ? Origin.Own : Origin.Default;

    internal static BaseData Of(BaseMaterial material, Material m) => new(
        material, m.Name, m.Find(MaterialProperties.BoardDensity), m.Find(MaterialProperties.MassByArea),
        m.Find(MaterialProperties.Stiffness), m.Own);
}
