namespace MossLantern.Core.Mixing;

/// <summary>What stays in a vessel.</summary>
/// <remarks>Source: docs/craft/mixing.md, Cup volume.</remarks>
public static class CupLoss
{
    /// <summary>What stays in any cup, ml.</summary>
    public const double UsualMl = 1.5;

    /// <summary>Share of what must leave a cup that stays in it.</summary>
    public const double UsualShare = 0.02;

    /// <summary>What stays in the cups, ml: even of a need of 0 what clings to a cup.</summary>
    /// <param name="needMl">What must leave the cup, reserve included, ml.</param>
    /// <param name="transfers">Times the resin is moved to another cup.</param>
    /// <param name="cupMl">What stays in any cup, ml.</param>
    /// <param name="share">Share of the need that stays as well.</param>
    public static double Ml(double needMl, int transfers = 0, double cupMl = UsualMl, double share = UsualShare) =>
        (cupMl + share * needMl) * (1 + transfers);
}
