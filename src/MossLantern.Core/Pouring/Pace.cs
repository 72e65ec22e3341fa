using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Pouring;

/// <summary>How long it takes to do things at the bench, until it is known better.</summary>
/// <remarks>Source: docs/craft/pouring.md, How long things take.</remarks>
public static class Pace
{
    /// <summary>To mix a vessel, min.</summary>
    public const double MixMinutes = 4;

    /// <summary>A minute more to mix for every so many ml beyond as many, ml.</summary>
    public const double MixMoreMl = 200;

    /// <summary>To let a jug stand, so that bubbles rise, min.</summary>
    public const double StandMinutes = 5;

    /// <summary>To pour a cup off a jug or off another cup, s.</summary>
    public const double DivideSeconds = 20;

    /// <summary>To stir colour into a cup, s; powder takes longer.</summary>
    public const double ColourSeconds = 60, PowderSeconds = 90;

    /// <summary>For each further colourant of a cup, s.</summary>
    public const double FurtherSeconds = 30;

    /// <summary>To pour, ml/s; and for each region by itself, s.</summary>
    public const double PourMlPerS = 4, RegionSeconds = 10;

    /// <summary>To mix so much in one vessel, min.</summary>
    public static double Mixing(double ml) => MixMinutes + Math.Max(0, ml - MixMoreMl) / MixMoreMl;

    /// <summary>To colour a cup, s; nothing for clear resin.</summary>
    public static double Colouring(Recipe recipe)
    {
        ArgumentNullException.ThrowIfNull(recipe);
        return recipe.Doses.Select((d, i) => i > 0 ? FurtherSeconds : IsPowder(d.Colourant) ? PowderSeconds : ColourSeconds).Sum();
    }

    /// <summary>To pour so much on a region, s.</summary>
    public static double Pouring(double ml) => RegionSeconds + ml / PourMlPerS;

    private static bool IsPowder(ColourantClass colourant) =>
        colourant is ColourantClass.Mica or ColourantClass.Interference or ColourantClass.Glitter;
}
