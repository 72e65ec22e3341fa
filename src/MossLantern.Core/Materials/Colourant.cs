using System.Collections.Immutable;
using System.Text.Json.Serialization;
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

/// <summary>Data of a colourant: of a class typically, or of one of the person's own.</summary>
/// <param name="Id">Its id in the catalogue.</param>
/// <param name="Class">Its class.</param>
/// <param name="Name">Its name.</param>
/// <param name="UsualFromPercent">Usual load from, % of the mixed resin.</param>
/// <param name="UsualToPercent">Usual load to, %.</param>
/// <param name="LimitPercent">Highest load, %.</param>
/// <param name="LimitBy">What loads are percent of, the limit too: of the weight or of the volume of the mixed resin.</param>
/// <param name="DensityGPerMl">Density, g/ml.</param>
/// <param name="Cover">Cover κ: opacity is 1 − exp(−κ · load % · depth mm).</param>
/// <param name="DropMl">A drop of it, ml; null for what does not drip.</param>
/// <param name="ScoopG">A level scoop of it, g; null where nobody has weighed one.</param>
/// <param name="TipG">What the person's own stick picks up of it at its tip, g; null where nobody has weighed it.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>; null for a class of any colour.</param>
/// <param name="Own">The properties that the person has entered, by their ids; all others are typical.</param>
/// <param name="PutAway">Whether it is offered no more.</param>
public sealed record Colourant(
    string Id,
    ColourantClass Class,
    string Name,
    double UsualFromPercent,
    double UsualToPercent,
    double LimitPercent,
    RatioBasis LimitBy,
    double DensityGPerMl,
    double Cover,
    double? DropMl,
    double? ScoopG,
    double? TipG,
    string? Colour,
    ImmutableSortedSet<string> Own,
    bool PutAway = false)
{
    /// <summary>Drops of an additive are counted to so much resin, ml.</summary>
    private const double DropsInMl = 30;

    /// <summary>Whether it is dissolved: it deepens what lies below and does not veil it.</summary>
    [JsonIgnore]
    public bool IsGlass => Class is ColourantClass.Dye or ColourantClass.AlcoholInk;

    /// <summary>Where a property came from.</summary>
    public Origin OriginOf(string property) => Own.Contains(property) ? Origin.Own : Origin.Default;

    /// <summary>A load by weight as one by volume, or the other way round.</summary>
    /// <param name="percent">The load, %.</param>
    /// <param name="by">What it is percent of.</param>
    /// <param name="wanted">What it is to be percent of.</param>
    /// <param name="mixDensity">Density of the mixed resin, g/ml.</param>
    public double Percent(double percent, RatioBasis by, RatioBasis wanted, double mixDensity) =>
        by == wanted ? percent : by == RatioBasis.Volume ? percent * DensityGPerMl / mixDensity : percent * mixDensity / DensityGPerMl;

    internal static Colourant Of(ColourantClass colourant, Material m) => colourant == ColourantClass.Lacing ? Lacing(m) : new(
        m.Id, colourant, m.Name, m[MaterialProperties.UsualFromPercent], m[MaterialProperties.UsualToPercent],
        m[MaterialProperties.LimitPercent],
        m.Basis ?? RatioBasis.Weight, m[MaterialProperties.Density], m[MaterialProperties.Cover],
        m.Find(MaterialProperties.DropMl), m.Find(MaterialProperties.ScoopG), m.Find(MaterialProperties.TipG), m.Colour, m.Own, m.PutAway);

    /// <summary>What is counted in drops, as a load: in resin of the usual density. It covers nothing.</summary>
    private static Colourant Lacing(Material m)
    {
        double drop = m.Find(MaterialProperties.DropMl) ?? TypicalMaterials.DropMl, density = m[MaterialProperties.Density];
        double Load(string drops) => 100 * m[drops] * drop * density / (DropsInMl * TypicalMaterials.MixedDensity);
        return new(
            m.Id, ColourantClass.Lacing, m.Name, Load(MaterialProperties.UsualFromDrops),
            Load(MaterialProperties.UsualToDrops), Load(MaterialProperties.LimitDrops), RatioBasis.Weight,
            density, 0, drop, null, null, null, m.Own, m.PutAway);
    }
}
