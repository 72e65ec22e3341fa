using System.Globalization;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>A sitting in the night, or tape that must come off in it.</summary>
internal sealed class AsleepCheck : ICheck
{
    /// <summary>An hour is looked for in steps of so many minutes.</summary>
    private const int StepMinutes = 15;

    /// <summary>How many of them: for two days.</summary>
    private const int MostSteps = 2 * 24 * 60 / StepMinutes;

    public string Id => "asleep";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var (zone, night) = (looked.Around.Zone, looked.Around.Habits);
        foreach (var pour in ToPour.Of(looked).Where(p => p.Plan.Span is not null && p.Sitting.Start is not null))
        {
            var start = pour.Plan.Span!.Start.InZone(zone).LocalDateTime;
            var end = pour.Plan.Span.End.InZone(zone).LocalDateTime;
            if (night.IsNight(start.TimeOfDay) || night.IsNight(end.TimeOfDay))
            {
                yield return new(
                    Id, $"asleep@{pour.Sitting.Id}", Grade.Mend, "In the night",
                    FormattableString.Invariant($"{pour.Plan.Name} is poured from {start:HH:mm} to {end:HH:mm}, when you are asleep."), [],
                    pour.At(Station.Cure), [Move(looked, pour, Morning(night, start))]);
                continue;
            }

            if (pour.Plan.Windows.FirstOrDefault(w => w.Milestone == Milestone.TapePull) is { Closes: { } closes } tape
                && TapeInNight(looked.Around, tape.Opens, closes) is { } ends)
            {
                yield return new(
                    Id, $"asleep@{pour.Sitting.Id}", Grade.Mend, "In the night",
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"The tape of {pour.Plan.Name} comes off from {tape.Opens.InZone(zone):HH:mm} to "
                            + $"{closes.InZone(zone):HH:mm}, when you are asleep."),
                    [],
                    pour.At(Station.Cure), [Move(looked, pour, Later(night, pour, start, ends, tape.Opens.InZone(zone).LocalDateTime))]);
            }
        }
    }

    /// <summary>The morning after the night that a moment lies in; of a sitting that runs into the night, the next one.</summary>
    private static LocalDateTime Morning(Habits night, LocalDateTime at) => night.NightEnds(at) ?? at.Date.PlusDays(1) + night.NightTo;

    /// <summary>So much later that the tape comes off in the morning; in the morning, where it would be poured in the night then.</summary>
    private static LocalDateTime Later(Habits night, ToPour pour, LocalDateTime start, LocalDateTime ends, LocalDateTime opens)
    {
        var to = start + Period.Between(opens, ends, PeriodUnits.AllTimeUnits);
        var lasts = pour.Plan.Span!.End - pour.Plan.Span.Start;
        return night.IsNight(to.TimeOfDay) || night.IsNight((to + Period.FromTicks((long)lasts.TotalTicks)).TimeOfDay) ? ends : to;
    }

    /// <summary>It poured at an hour, or as soon after it as neither hands nor tape are wanted in the night; where
    /// there is no such hour in the next days, it is the person's to say.</summary>
    private static Remedy Move(Looked looked, ToPour pour, LocalDateTime to)
    {
        var (zone, night, times, id) = (looked.Around.Zone, looked.Around.Habits, pour.Plan.Span!, pour.Sitting.Id);
        var tape = pour.Plan.Windows.FirstOrDefault(w => w.Milestone == Milestone.TapePull);
        foreach (var at in Enumerable.Range(0, MostSteps).Select(i => to.PlusMinutes(i * StepMinutes)))
        {
            var by = at.InZoneLeniently(zone).ToInstant() - times.Start;
            if (!night.IsNight(at.TimeOfDay) && !night.IsNight((times.End + by).InZone(zone).TimeOfDay)
                && !(tape is { Closes: { } closes }
                    && TapeInNight(looked.Around, tape.Opens + by, tape.Age.ClosesFrom == times.Start ? closes + by : closes) is not null))
            {
                return Remedy.Of("later", FormattableString.Invariant($"Pour it at {at:ddd d MMM, HH:mm}"), new PourAt(id, at));
            }
        }

        return Remedy.Ask("start", "Set when it is poured", PlaceIn.Sitting(id) + ".start");
    }

    /// <summary>The end of the night in which all of the tape's window lies; null where some of it is by day.</summary>
    private static LocalDateTime? TapeInNight(Surroundings around, Instant opens, Instant closes) =>
        opens < closes && around.Habits.NightEnds(opens.InZone(around.Zone).LocalDateTime) is { } ends
        && closes <= ends.InZoneLeniently(around.Zone).ToInstant() ? ends : null;
}
