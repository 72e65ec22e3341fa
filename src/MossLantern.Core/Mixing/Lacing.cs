using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>The cells that open in a colour with a lacing additive, where it meets another.</summary>
/// <param name="Share">How much of it they take up, 0 to 1.</param>
/// <param name="AcrossMm">How wide they are, mm.</param>
/// <remarks>
/// Source: docs/craft/mixing.md, Lacing and cells. A guess to see by: how cells open is told of by those who pour, and
/// was measured by nobody.
/// </remarks>
public readonly record struct Lacing(double Share, double AcrossMm)
{
    /// <summary>Each drop to 30 ml opens so much more of the colour, and so much wider cells, mm, from the least.</summary>
    private const double ShareADrop = 0.09, MmADrop = 2, LeastMm = 3;

    /// <summary>More than this part of a colour does not open.</summary>
    private const double MostShare = 0.55;

    /// <summary>A colour that is heavier than the one it meets sinks through it and opens more; a lighter one less.</summary>
    private const double Heavier = 1.3, Lighter = 0.7;

    /// <summary>A torch or a gun opens more of it, and wider.</summary>
    private const double TorchedShare = 1.6, TorchedMm = 1.4;

    /// <summary>Resin that drops are counted to, ml.</summary>
    private const double DropsInMl = 30;

    /// <summary>The cells of a colour; null where no additive is in it, or where it meets nothing else.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="laced">The colour with the additive.</param>
    /// <param name="other">The colour that it meets.</param>
    /// <param name="mixDensity">Density of the mixed resin, g/ml.</param>
    /// <param name="torched">Whether a torch or a gun goes over it.</param>
    public static Lacing? Of(Catalogue catalogue, Recipe laced, Recipe other, double mixDensity, bool torched)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(laced);
        ArgumentNullException.ThrowIfNull(other);
        if (laced.Doses.FirstOrDefault(d => d.Colourant == ColourantClass.Lacing) is not { Percent: > 0 } additive || other.Id == laced.Id)
        {
            return null;
        }

        var known = catalogue.Of(ColourantClass.Lacing, additive.ColourantId);
        var percent = known.Percent(additive.Percent, additive.By, RatioBasis.Weight, mixDensity);
        var drops = percent / 100 * DropsInMl * mixDensity / ((known.DropMl ?? TypicalMaterials.DropMl) * known.DensityGPerMl);
        var pair = Density(catalogue, laced, mixDensity) >= Density(catalogue, other, mixDensity) ? Heavier : Lighter;
        return new(
            Math.Min(MostShare, ShareADrop * drops * pair * (torched ? TorchedShare : 1)),
            (LeastMm + MmADrop * Math.Min(drops, known.LimitPercent / percent * drops)) * (torched ? TorchedMm : 1));
    }

    /// <summary>Density of a colour with all that is stirred into it, g/ml.</summary>
    internal static double Density(Catalogue catalogue, Recipe recipe, double mixDensity)
    {
        var (mass, volume) = (100.0, 100 / mixDensity);
        foreach (var dose in recipe.Doses)
        {
            var known = catalogue.Of(dose.Colourant, dose.ColourantId);
            var grams = known.Percent(dose.Percent, dose.By, RatioBasis.Weight, mixDensity);
            (mass, volume) = (mass + grams, volume + grams / known.DensityGPerMl);
        }

        return mass / volume;
    }
}
