using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>A sitting in the night, or tape that must come off in it.</summary>
internal sealed class AsleepCheck : ICheck
{
    /// <summary>The night begins.</summary>
    public static readonly LocalTime From = new(22, 0);

    /// <summary>The night ends.</summary>
    public static readonly LocalTime To = new(7, 0);

    public string Id => "asleep";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var zone = looked.Around.Zone;
        foreach (var pour in ToPour.Of(looked).Where(p => p.Plan.Pour is not null && p.Sitting.Start is not null))
        {
            var start = pour.Plan.Pour!.Start.InZone(zone).LocalDateTime;
            var end = pour.Plan.Pour.End.InZone(zone).LocalDateTime;
            if (InNight(start.TimeOfDay) || InNight(end.TimeOfDay))
            {
                yield return new(
                    Id, $"asleep@{pour.Sitting.Id}", Grade.Mend, "In the night",
                    FormattableString.Invariant($"{pour.Plan.Name} is poured from {start:HH:mm} to {end:HH:mm}, when you are asleep."), [], pour.At("cure"), [Move(pour, Morning(start))]);
                continue;
            }

            if (pour.Plan.Windows.FirstOrDefault(w => w.Milestone == Milestone.TapePull) is { Closes: { } closes } tape && tape.Opens < closes
                && NightAt(tape.Opens.InZone(zone).LocalDateTime) is { } ends && closes <= ends.InZoneLeniently(zone).ToInstant())
            {
                yield return new(
                    Id, $"asleep@{pour.Sitting.Id}", Grade.Mend, "In the night",
                    FormattableString.Invariant($"The tape of {pour.Plan.Name} comes off from {tape.Opens.InZone(zone):HH:mm} to {closes.InZone(zone):HH:mm}, when you are asleep."), [],
                    pour.At("cure"), [Move(pour, Later(pour, start, ends, tape.Opens.InZone(zone).LocalDateTime))]);
            }
        }
    }

    private static bool InNight(LocalTime time) => time >= From || time < To;

    /// <summary>The end of the night that a moment lies in; null by day.</summary>
    private static LocalDateTime? NightAt(LocalDateTime at) => at.TimeOfDay < To ? at.Date + To : at.TimeOfDay >= From ? at.Date.PlusDays(1) + To : null;

    /// <summary>The morning after the night that a moment lies in; of a sitting that runs into the night, the next one.</summary>
    private static LocalDateTime Morning(LocalDateTime at) => NightAt(at) ?? at.Date.PlusDays(1) + To;

    /// <summary>So much later that the tape comes off in the morning; in the morning, where it would be poured in the night then.</summary>
    private static LocalDateTime Later(ToPour pour, LocalDateTime start, LocalDateTime ends, LocalDateTime opens)
    {
        var to = start + Period.Between(opens, ends, PeriodUnits.AllTimeUnits);
        var lasts = pour.Plan.Pour!.End - pour.Plan.Pour.Start;
        return InNight(to.TimeOfDay) || InNight((to + Period.FromTicks((long)lasts.TotalTicks)).TimeOfDay) ? ends : to;
    }

    private static Remedy Move(ToPour pour, LocalDateTime to) =>
        Remedy.OnSitting("later", FormattableString.Invariant($"Pour it at {to:ddd d MMM, HH:mm}"), pour.Sitting.Id, s => s.At(s.Plan.MovedTo(to)));
}
