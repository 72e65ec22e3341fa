using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>What is done with a colourant before it goes into resin.</summary>
/// <remarks>Source: docs/craft/mixing.md, Preparing colourants.</remarks>
public static class Preparing
{
    /// <summary>In words that follow the amount; null where there is nothing to do.</summary>
    /// <param name="colourant">The class.</param>
    /// <param name="among">Whether other colourants go into the same cup.</param>
    public static string? Of(ColourantClass colourant, bool among) => colourant switch
    {
        ColourantClass.Paste or ColourantClass.MetallicPaste => "stir it in its pot first",
        ColourantClass.Mica or ColourantClass.Interference => "wet the powder with a little of the resin, then the rest",
        ColourantClass.AlcoholInk or ColourantClass.Dye or ColourantClass.Acrylic or ColourantClass.AcrylicMetallic =>
            "shake the bottle first",
        ColourantClass.Glitter => among ? "cut flakes small; in last of all" : "cut flakes small",
        ColourantClass.Lacing => "in last, stirred once",
        _ => null,
    };

    /// <summary>Which goes in when: what is stirred in for long first, glitter last, then what is stirred only once.</summary>
    /// <param name="colourant">The class.</param>
    public static int Turn(ColourantClass colourant) => colourant switch
    {
        ColourantClass.Lacing => 2,
        ColourantClass.Glitter => 1,
        _ => 0,
    };
}
