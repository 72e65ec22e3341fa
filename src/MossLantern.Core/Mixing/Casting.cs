using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Mixing;

/// <summary>Resin for a set of castings from one mould.</summary>
/// <param name="BodyMl">One piece's body, ml: the cavity less inserts and depth kept for coats; below zero where they
/// take up more than it holds.</param>
/// <param name="TotalMl">All pieces with their loss, ml.</param>
/// <param name="ShareMl">The total by shares, ml.</param>
/// <remarks>Source: docs/craft/mixing.md, Castings.</remarks>
public sealed record Casting(double BodyMl, double TotalMl, ImmutableArray<double> ShareMl)
{
    /// <summary>Share that is lost where none is given.</summary>
    public const double LossShare = 0.1;

    /// <summary>For how many copies a layer is mixed: those that are poured at once unless the artist says, and no more
    /// than are wanted.</summary>
    public static int Copies(FilledLayer layer, Ground ground)
    {
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(ground);
        return Math.Clamp(layer.Sitting.Copies ?? ground.AtOnce, 1, Math.Max(1, ground.Wanted));
    }

    /// <summary>
    /// Works out a set. No pieces need nothing; inserts and coats that take up more than a cavity holds give less than nothing, which is
    /// for who asks to refuse; shares that sum to 0 give not-a-number.
    /// </summary>
    /// <param name="capacityMl">What a cavity holds, ml.</param>
    /// <param name="pieces">Number of pieces.</param>
    /// <param name="insertsMl">What the inserts of one cavity take up, ml.</param>
    /// <param name="coatsMl">What later coats of one piece take up, ml.</param>
    /// <param name="shares">Shares of the colours, of any sum; none for one colour.</param>
    /// <param name="lossShare">Share of the body that is lost on the way.</param>
    public static Casting Of(
        double capacityMl, int pieces, double insertsMl, double coatsMl, ImmutableArray<double> shares, double lossShare = LossShare)
    {
        var body = capacityMl - insertsMl - coatsMl;
        var total = pieces * body * (1 + lossShare);
        var sum = shares.Sum();
        return new(body, total, [.. shares.Select(s => total * s / sum)]);
    }
}
