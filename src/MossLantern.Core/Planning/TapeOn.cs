using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Plans;
using NodaTime;

namespace MossLantern.Core.Planning;

/// <summary>How a run of tape comes off.</summary>
public enum TapePull
{
    /// <summary>Not yet: the film would run.</summary>
    Wait,

    /// <summary>By itself: the film is soft.</summary>
    Soft,

    /// <summary>Warmed first.</summary>
    Warm,

    /// <summary>Warmed, and scored along: the film is dry to the touch.</summary>
    Score,
}

/// <summary>A run of tape that is on a sitting which was poured.</summary>
/// <param name="SittingId">The sitting.</param>
/// <param name="Milestone">Which run: that of the dam, or that of the side.</param>
/// <param name="Pull">How it comes off.</param>
/// <param name="Opens">When its window opens.</param>
/// <remarks>Source: docs/craft/walls.md, Edge tape.</remarks>
public sealed record TapeOn(string SittingId, Milestone Milestone, TapePull Pull, Instant Opens)
{
    /// <summary>All tape that is on a piece.</summary>
    /// <param name="sittings">Its sittings.</param>
    /// <param name="now">When this is asked.</param>
    public static ImmutableArray<TapeOn> All(ImmutableArray<SittingPlan> sittings, Instant now) =>
    [
        .. from sitting in sittings
           where sitting.Poured
           from window in sitting.Windows
           where window.Milestone is Milestone.DamPull or Milestone.TapePull
           select new TapeOn(sitting.SittingId, window.Milestone, Of(sitting, window, now), window.Opens),
    ];

    private static TapePull Of(SittingPlan sitting, CureWindow window, Instant now) =>
        sitting.Windows.FirstOrDefault(w => w.Milestone == Milestone.TouchDry) is { } dry && now >= dry.Opens ? TapePull.Score
        : window.StateAt(now) switch
        {
            WindowState.Ahead => TapePull.Wait,
            WindowState.Open or WindowState.Reached => TapePull.Soft,
            _ => TapePull.Warm,
        };
}
