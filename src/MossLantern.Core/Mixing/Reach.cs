namespace MossLantern.Core.Mixing;

/// <summary>What an amount that is mixed reaches.</summary>
/// <param name="Filled">How many it fills whole, of those that are wanted.</param>
/// <param name="LeftMl">What is left once those are filled, ml.</param>
/// <param name="LackMl">What is missing for all that are wanted, ml; 0 where it reaches.</param>
/// <remarks>Source: docs/craft/mixing.md, Castings.</remarks>
public sealed record Reach(int Filled, double LeftMl, double LackMl)
{
    /// <summary>Share of one by which an amount may fall short and still count as enough: what sums lose on the way,
    /// not what a cup does.</summary>
    private const double Rounding = 1e-9;

    /// <summary>Works out what an amount reaches. What takes nothing is filled by nothing.</summary>
    /// <param name="mixedMl">How much is mixed, ml; 0 or above.</param>
    /// <param name="eachMl">What each takes, ml; 0 or above.</param>
    /// <param name="wanted">How many are wanted; 0 or above.</param>
    public static Reach Of(double mixedMl, double eachMl, int wanted)
    {
        var filled = mixedMl >= wanted * eachMl ? wanted : (int)Math.Min(wanted, Math.Floor(mixedMl / eachMl + Rounding));
        return new(filled, Math.Max(0, mixedMl - filled * eachMl), filled == wanted ? 0 : wanted * eachMl - mixedMl);
    }
}
