using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Materials;

/// <summary>How a person works, where a piece does not say otherwise.</summary>
/// <param name="ReservePercent">Reserve in every cup, %.</param>
/// <param name="CupStepMl">Step of the marked cups, ml.</param>
/// <param name="ScaleStepG">Step of the scale, g.</param>
/// <param name="JugMl">What the largest jug holds, ml.</param>
/// <remarks>Source: docs/craft/mixing.md.</remarks>
public sealed record Habits(double ReservePercent = 10, double CupStepMl = 1, double ScaleStepG = 0.1,
    double JugMl = 500)
{
    /// <summary>When nobody is at the bench: from this hour on.</summary>
    public LocalTime NightFrom { get; init; } = new(22, 0);

    /// <summary>And until this one, of the next day.</summary>
    public LocalTime NightTo { get; init; } = new(7, 0);

    /// <summary>How an edge is taped.</summary>
    public TapeRuns Tape { get; init; } = TapeRuns.One;

    /// <summary>Whether a new piece is measured by weight.</summary>
    public bool ByWeight { get; init; }

    /// <summary>The barrier that a first wall is laid of; null where that is said of each.</summary>
    public string? WallsOf { get; init; }

    /// <summary>Whether an hour lies in the night.</summary>
    public bool IsNight(LocalTime time) => NightFrom <= NightTo ? time >= NightFrom && time < NightTo : time >= NightFrom || time < NightTo;

    /// <summary>The end of the night that a moment lies in; null by day.</summary>
    public LocalDateTime? NightEnds(LocalDateTime at) =>
        !IsNight(at.TimeOfDay) ? null : at.TimeOfDay < NightTo ? at.Date + NightTo : at.Date.PlusDays(1) + NightTo;

    /// <summary>Where a habit comes from: as usual, or the person's own.</summary>
    public Origin OriginOf(Func<Habits, double> habit)
    {
        ArgumentNullException.ThrowIfNull(habit);
        return habit(this) == habit(Usual) ? Origin.Default : Origin.Own;
    }

    /// <summary>The usual ones.</summary>
    public static Habits Usual { get; } = new();
}

/// <summary>What everything is worked out in: where, how warm, from which materials and with which habits. The moment
/// it is now is no part of it.</summary>
/// <param name="Zone">The workshop's time zone.</param>
/// <param name="Catalogue">Its materials.</param>
/// <param name="Room">How warm it is there where nobody says otherwise.</param>
/// <param name="Habits">How the person works.</param>
public sealed record Surroundings(DateTimeZone Zone, Catalogue Catalogue, RoomCurve Room, Habits Habits)
{
    /// <summary>The usual surroundings in a zone: typical materials, the temperature that typical times are given at.</summary>
    public static Surroundings Usual(DateTimeZone zone) =>
        new(zone, Catalogue.Typical, RoomCurve.Constant(TypicalMaterials.ReferenceC), Habits.Usual);

    /// <summary>A text that is the same for surroundings that give the same numbers.</summary>
    public string Key => FormattableString.Invariant($"{Zone.Id}/{Catalogue.Key}/{Room.Key}/{Habits}");
}
