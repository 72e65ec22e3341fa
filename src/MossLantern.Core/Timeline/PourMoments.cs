using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Timeline;

/// <summary>When a sitting is poured: as it was, or as it is planned.</summary>
/// <remarks>Source: docs/craft/curing.md, Windows.</remarks>
public static class PourMoments
{
    /// <summary>When it is begun: as it was, or as it is planned; null while no start is known.</summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="poured">What is known of its pour; null where it is still to come.</param>
    /// <param name="around">What it is worked out in.</param>
    public static Instant? StartOf(Sitting sitting, PouredSitting? poured, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        ArgumentNullException.ThrowIfNull(around);
        return poured?.Start ?? AtLocal(sitting.Plan.Start, around.Zone);
    }

    /// <summary>What really happened wins over the plan; what nobody noted falls back to the plan, then to what its pours come
    /// to.</summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="poured">What is known of its pour; null where it is still to come.</param>
    /// <param name="around">What it is worked out in.</param>
    /// <param name="batches">Its batches, and how long they and its pours take. A plan begins with mixing, a log with the first
    /// pour.</param>
    /// <returns>The pour; null while no start is known.</returns>
    public static PourSpan? Of(Sitting sitting, PouredSitting? poured, Surroundings around, BatchesPlan batches)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        ArgumentNullException.ThrowIfNull(around);
        ArgumentNullException.ThrowIfNull(batches);
        var lasts = batches.EndMinutes.Value - (poured is null ? 0 : batches.FirstPourMinutes);
        var (plan, zone) = (sitting.Plan, around.Zone);
        var start = StartOf(sitting, poured, around);
        if (start is null)
        {
            return null;
        }

        var end = poured?.End
            ?? (poured is null ? PlannedEnd(plan, start.Value, zone) : null)
            ?? start.Value + Duration.FromMinutes(lasts);
        return new(start.Value, Instant.Max(end, start.Value), SittingRoom.Of(sitting, poured, around));
    }

    /// <summary>A pour keeps its length where its planned start falls into an hour that the clocks skip.</summary>
    private static Instant? PlannedEnd(PlannedTimes plan, Instant start, DateTimeZone zone)
    {
        if (plan is not { Start: { } from, End: { } to } || to < from || start.InZone(zone).LocalDateTime == from)
        {
            return AtLocal(plan.End, zone);
        }

        return start + (to.InUtc() - from.InUtc());
    }

    /// <summary>A local time as an instant; one that the clocks skip is moved on by the skipped hour.</summary>
    private static Instant? AtLocal(LocalDateTime? local, DateTimeZone zone) =>
        local is { } time ? zone.AtLeniently(time).ToInstant() : null;
}
