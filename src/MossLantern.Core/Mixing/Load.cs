using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>Load of colourant in resin.</summary>
/// <remarks>Source: docs/craft/mixing.md, Load.</remarks>
public static class Load
{
    /// <summary>Least limit of all colourants of a cup together, %.</summary>
    public const double TotalLimitPercent = 10;

    /// <summary>Load of a colourant, % of the mixed resin by weight; in no resin without end, of nothing in nothing not a number.</summary>
    public static double Percent(double colourantG, double resinG) => 100 * colourantG / resinG;

    /// <summary>Mass of a number of drops, g; parts of a drop count as parts.</summary>
    public static double DropsG(double drops, double densityGPerMl) => drops * TypicalMaterials.DropMl * densityGPerMl;

    /// <summary>Drops in a mass, rounded to whole drops, a half upward; of a liquid of no density as many as a number
    /// holds, and 0 for not-a-number.</summary>
    public static int Drops(double grams, double densityGPerMl) =>
        (int)Math.Round(grams / (TypicalMaterials.DropMl * densityGPerMl), MidpointRounding.AwayFromZero);

    /// <summary>Highest load of a class, %: where it is counted in drops, that in resin of
    /// <see cref="TypicalMaterials.MixedDensity"/>.</summary>
    public static double LimitPercent(Catalogue catalogue, ColourantClass colourant) => catalogue.Of(colourant).LimitPercent;

    /// <summary>Density of a class, g/ml.</summary>
    public static double DensityGPerMl(Catalogue catalogue, ColourantClass colourant) => catalogue.Of(colourant).DensityGPerMl;

    /// <summary>Highest load of all colourants together, %: ten, or the highest limit of a class that is in the cup;
    /// ten where none is.</summary>
    /// <exception cref="ArgumentNullException">There is no catalogue or no list of colourants.</exception>
    public static double TotalLimit(Catalogue catalogue, IEnumerable<ColourantClass> colourants)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(colourants);
        return colourants.Select(c => LimitPercent(catalogue, c)).Append(TotalLimitPercent).Max();
    }
}
