using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using MossLantern.Core.Pouring;
using NodaTime;

namespace MossLantern.Core.Timeline;

/// <summary>What is known of a sitting that was really poured.</summary>
/// <param name="SittingId">The sitting.</param>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour; null while it is not known.</param>
/// <param name="RoomC">Room temperature, °C; null where nobody read it.</param>
/// <param name="Regions">The regions that were poured; null where no amount was noted, which counts as all of them.</param>
/// <param name="Amounts">What was poured where that was noted; null for nowhere.</param>
/// <param name="Told">The passes that its log tells of; null where that is not known.</param>
public sealed record PouredSitting(
    string SittingId, Instant Start, Instant? End, double? RoomC, ImmutableArray<RegionOf>? Regions = null,
    ImmutableArray<PouredAmount>? Amounts = null, ImmutableArray<(RegionOf Of, int Pass)>? Told = null)
{
    /// <summary>What a log tells of a sitting.</summary>
    public static PouredSitting Of(LoggedSitting logged)
    {
        ArgumentNullException.ThrowIfNull(logged);
        return new(
            logged.SittingId, logged.Start, logged.End, logged.RoomC, logged.PouredRegions,
            [.. logged.Pours.Where(p => p.PouredMl > 0)
                .Select(p => new PouredAmount(p.Region, p.Pass, p.PouredMl!.Value, p.PlannedMl, p.Done))],
            [.. logged.Pours.Select(p => (p.Region, p.Pass))]);
    }

    /// <summary>Whether a pour of it is done: as the log says, or nearly all of what is planned of it by now. A pass that the log of its
    /// region does not know was added later.</summary>
    internal bool HasPoured(PlannedPour pour)
    {
        if (Told is { } told && told.Any(t => t.Of == pour.Of) && !told.Contains((pour.Of, pour.Pass)))
        {
            return false;
        }

        return Regions is not { } done || done.Contains(pour.Of) || (Amounts ?? []).Any(a =>
            a.Of == pour.Of && a.Pass == pour.Pass && a.Ml >= LoggedPour.DoneShare * pour.PourMl.Value);
    }
}
