using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Materials;

/// <summary>Classes of colourant.</summary>
public enum ColourantClass
{
    /// <summary>Opaque paste.</summary>
    Paste,

    /// <summary>Metallic paste.</summary>
    MetallicPaste,

    /// <summary>Mica or pearl powder.</summary>
    Mica,

    /// <summary>Interference or colour-shift powder.</summary>
    Interference,

    /// <summary>Alcohol ink.</summary>
    AlcoholInk,

    /// <summary>Resin ink or liquid dye.</summary>
    Dye,

    /// <summary>Acrylic paint or ink.</summary>
    Acrylic,

    /// <summary>Metallic acrylic.</summary>
    AcrylicMetallic,

    /// <summary>Glitter, flake or foil.</summary>
    Glitter,

    /// <summary>Lacing additive, silicone.</summary>
    Lacing,
}

/// <summary>Typical data of a class of colourant.</summary>
/// <param name="Class">The class.</param>
/// <param name="Name">Its name.</param>
/// <param name="UsualFromPercent">Usual load from, % of the mixed resin by weight.</param>
/// <param name="UsualToPercent">Usual load to, %.</param>
/// <param name="LimitPercent">Highest load, %.</param>
/// <param name="DensityGPerMl">Density, g/ml.</param>
/// <param name="Cover">Cover κ: opacity is 1 − exp(−κ · load % · depth mm).</param>
/// <param name="Own">The properties that the person has entered, by their ids; all others are typical.</param>
public sealed record Colourant(
    ColourantClass Class,
    string Name,
    double UsualFromPercent,
    double UsualToPercent,
    double LimitPercent,
    double DensityGPerMl,
    double Cover,
    ImmutableSortedSet<string> Own)
{
    /// <summary>Where a property came from.</summary>
    public Origin OriginOf(string property) => Own.Contains(property) ? Origin.Own : Origin.Default;

    internal static Colourant Of(ColourantClass colourant, Material m) => new(
        colourant, m.Name, m[MaterialProperties.UsualFromPercent], m[MaterialProperties.UsualToPercent], m[MaterialProperties.LimitPercent],
        m[MaterialProperties.Density], m[MaterialProperties.Cover], m.Own);
}
