namespace MossLantern.Core.Mixing;

/// <summary>Load of colourant in resin.</summary>
/// <remarks>Source: docs/craft/mixing.md, Load.</remarks>
public static class Load
{
    /// <summary>Load of a colourant, % of the mixed resin by weight.</summary>
    public static double Percent(double colourantG, double resinG) => 100 * colourantG / resinG;

    /// <summary>Mass of a number of drops, g.</summary>
    public static double DropsG(double drops, double densityGPerMl) => drops * TypicalMaterials.DropMl * densityGPerMl;

    /// <summary>Drops in a mass, rounded to whole drops.</summary>
    public static int Drops(double grams, double densityGPerMl) =>
        (int)Math.Round(grams / (TypicalMaterials.DropMl * densityGPerMl), MidpointRounding.AwayFromZero);
}
