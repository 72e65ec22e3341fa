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
    /// <summary>What really happened wins over the plan; what nobody noted falls back to the plan, then to defaults.</summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="poured">What is known of its pour; null where it is still to come.</param>
    /// <param name="around">What it is worked out in.</param>
    /// <returns>The pour; null while no start is known.</returns>
    public static PourSpan? Of(Sitting sitting, PouredSitting? poured, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        ArgumentNullException.ThrowIfNull(around);
        var (plan, zone) = (sitting.Plan, around.Zone);
        var start = poured?.Start ?? AtLocal(plan.Start, zone);
        if (start is null)
        {
            return null;
        }

        var end = poured?.End
            ?? (poured is null ? PlannedEnd(plan, start.Value, zone) : null)
            ?? start.Value + Duration.FromMinutes((long)around.Habits.PourMinutes);
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
