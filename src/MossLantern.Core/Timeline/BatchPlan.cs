using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Timeline;

/// <summary>How a cup is when the last of what a batch fills of it is poured, from when the batch is mixed.</summary>
/// <param name="CupId">The cup.</param>
/// <param name="PouredMinutes">When it has been poured, min.</param>
/// <param name="WorkingMinutes">When its working time ends, min.</param>
/// <param name="InHandMinutes">What is left between the two, min; below 0 where it is too late.</param>
/// <param name="Celsius">How warm it gets until it has been poured, °C.</param>
/// <param name="Percent">The batch's share of what has to leave the cup, %; 100 where it fills all of it.</param>
public sealed record CupClock(
    string CupId, Reckoned PouredMinutes, Reckoned WorkingMinutes, Reckoned InHandMinutes, Reckoned Celsius, double Percent)
{
    /// <summary>Whether less is left than a proposed batch leaves every cup.</summary>
    public bool Short => InHandMinutes.Value < BatchTiming.InHandMinutes;
}

/// <summary>A sentence with its numbers.</summary>
/// <param name="Words">The sentence; <c>{0}</c>, <c>{1}</c> stand for its numbers.</param>
/// <param name="Numbers">The numbers, each open to its formula.</param>
public sealed record Because(string Words, ImmutableArray<Reckoned> Numbers);

/// <summary>A batch worked out: resin and hardener that are mixed in one vessel.</summary>
/// <param name="Id">Its id in the sitting.</param>
/// <param name="CupIds">The cups that are poured off it, the first to be poured first; a single one is mixed in itself.</param>
/// <param name="MixMl">What is mixed, ml.</param>
/// <param name="JugLossMl">What stays in the jug, ml; 0 for a cup that is mixed in itself.</param>
/// <param name="Measured">Resin and hardener of it.</param>
/// <param name="StartMinutes">When it is begun, min after the first batch: when the pour before its first one is done.</param>
/// <param name="LatestMinutes">When it has to be begun so that it still runs into what was poured first, min after the
/// first batch; null for the first.</param>
/// <param name="DividedMinutes">When it is divided, min from when it is mixed.</param>
/// <param name="DividedC">How warm it is then, °C.</param>
/// <param name="Cups">How its cups are when they have been poured.</param>
/// <param name="GelMinutes">When it would gel if it were left standing, min; null where that takes more than a week.</param>
/// <param name="PeakC">How hot it would become, °C.</param>
/// <param name="Grade">How that is judged.</param>
/// <param name="Problems">What does not fit.</param>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
public sealed record BatchPlan(
    string Id,
    ImmutableArray<string> CupIds,
    Reckoned MixMl,
    double JugLossMl,
    MeasuredMix Measured,
    Reckoned StartMinutes,
    Reckoned? LatestMinutes,
    Reckoned DividedMinutes,
    Reckoned DividedC,
    ImmutableArray<CupClock> Cups,
    Reckoned? GelMinutes,
    Reckoned PeakC,
    HeatGrade Grade,
    ImmutableArray<Because> Problems)
{
    /// <summary>What a sitting holds that keeps to it, whatever is proposed later.</summary>
    public Batch Kept() => new(Id, CupIds, null,
        Cups.Where(c => c.Percent < 100).Select(c => new BatchShare(c.CupId, c.Percent)).ToImmutableArray() is { IsEmpty: false } shares
            ? shares : null);
}

/// <summary>What a sitting mixes, batch by batch.</summary>
/// <param name="All">The batches, the first to be mixed first.</param>
/// <param name="Proposed">Whether they are as the program proposes them.</param>
/// <param name="Why">Why they are so many.</param>
/// <param name="TotalMl">All of them together, ml.</param>
/// <param name="EndMinutes">When the last pour is done, min from when the first batch is begun.</param>
/// <param name="PouredMinutes">When each pour of the sitting is done in every copy, as they are listed, min from when the first batch
/// is begun.</param>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
public sealed record BatchesPlan(
    ImmutableArray<BatchPlan> All, bool Proposed, ImmutableArray<Because> Why, Reckoned TotalMl, Reckoned EndMinutes,
    ImmutableArray<Reckoned> PouredMinutes)
{
    /// <summary>When the first pour begins, min from when the first batch is begun.</summary>
    internal double FirstPourMinutes { get; init; }

    /// <summary>When what is poured first holds, min from when the first batch is begun; null where it never does, or nothing is
    /// poured.</summary>
    internal Reckoned? Holds { get; init; }

    /// <summary>When the film of what is poured last gels, min from when the first batch is begun; null where it never does.</summary>
    internal double? GelMinutes { get; init; }

    /// <summary>How much older the resin of the last copy is than that of the first, min; 0 for one copy.</summary>
    internal double CopiesApartMinutes { get; init; }
}
