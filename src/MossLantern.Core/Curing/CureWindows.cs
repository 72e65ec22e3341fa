using System.Collections.Immutable;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using NodaTime;
using P = MossLantern.Core.Materials.MaterialProperties;

namespace MossLantern.Core.Curing;

/// <summary>What a window is for.</summary>
public enum Milestone
{
    /// <summary>The run of tape that covers the side comes off.</summary>
    TapePull,

    /// <summary>The run of tape that stands out as the dam comes off.</summary>
    DamPull,

    /// <summary>The next layer bonds without sanding.</summary>
    NextLayer,

    /// <summary>Dry to the touch.</summary>
    TouchDry,

    /// <summary>Firm enough to leave its mould, still flexible.</summary>
    Demould,

    /// <summary>Cured through.</summary>
    FullCure,

    /// <summary>Firm enough for the sheet it was cast on to be bent away.</summary>
    OffSheet,

    /// <summary>Firm enough for the tape over the open back to come off.</summary>
    BackTape,

    /// <summary>What stands at the edge is rolled over it, the tape off.</summary>
    EdgeRoll,
}

/// <summary>What holds the resin at its edge.</summary>
public enum HeldBy
{
    /// <summary>Tape, which comes off in its window.</summary>
    Tape,

    /// <summary>A rim or dam of its own, which stays.</summary>
    Wall,

    /// <summary>A mould, which it leaves.</summary>
    Mould,
}

/// <summary>How a window stands at a moment.</summary>
public enum WindowState
{
    /// <summary>Not yet open.</summary>
    Ahead,

    /// <summary>Open now.</summary>
    Open,

    /// <summary>Closed: its time is past.</summary>
    Closed,

    /// <summary>Reached; it has no end.</summary>
    Reached,

    /// <summary>It would close before it opens: the pour took longer than the window.</summary>
    Never,
}

/// <summary>When something may be done to a layer.</summary>
/// <param name="Milestone">What for.</param>
/// <param name="Opens">When it opens.</param>
/// <param name="Closes">When it closes; null where it stays open.</param>
/// <param name="OpensAfterHours">Clock hours from the end of the last pour until it opens.</param>
/// <param name="ClosesAfterHours">Clock hours from the start of the first pour until it closes; null where it stays open.</param>
/// <param name="Age">The ages that it opens and closes at.</param>
public sealed record CureWindow(
    Milestone Milestone, Instant Opens, Instant? Closes, Reckoned OpensAfterHours, Reckoned? ClosesAfterHours, WindowAge Age)
{
    /// <summary>The window as it closes with that of what was poured before.</summary>
    internal CureWindow ClosingWith(CureWindow first) => first.Closes is null || ReferenceEquals(first, this) ? this : this with
    {
        Closes = first.Closes,
        ClosesAfterHours = first.ClosesAfterHours,
        Age = Age with
        {
            ClosesHours = first.Age.ClosesHours * EquivalentAge.Speed(first.Age.ReferenceC, Age.ReferenceC),
            ClosesFrom = first.Age.ClosesFrom,
        },
    };

    /// <summary>How the window stands at a moment. The opening instant is open, the closing instant is closed.</summary>
    public WindowState StateAt(Instant now) => StateAt(Opens, Closes, now);

    /// <summary>How a window stands at a moment.</summary>
    /// <param name="opens">When it opens.</param>
    /// <param name="closes">When it closes; null where it stays open.</param>
    /// <param name="now">The moment.</param>
    public static WindowState StateAt(Instant opens, Instant? closes, Instant now) =>
        closes is { } end && end <= opens ? WindowState.Never
        : now < opens ? WindowState.Ahead
        : closes is null ? WindowState.Reached
        : now < closes ? WindowState.Open
        : WindowState.Closed;
}

/// <summary>A window as what it follows from: it can be told in whatever room it turns out to be.</summary>
/// <param name="OpensHours">Equivalent age at which it opens, h.</param>
/// <param name="ClosesHours">Equivalent age at which it closes, h; null where it stays open.</param>
/// <param name="ReferenceC">What the resin's ages are at, °C.</param>
/// <param name="From">What the opening counts from: the end of the last pour.</param>
/// <param name="ClosesFrom">What the closing counts from: the start of the first pour.</param>
public sealed record WindowAge(double OpensHours, double? ClosesHours, double ReferenceC, Instant From, Instant ClosesFrom)
{
    /// <summary>When it opens in a room.</summary>
    public Instant OpensIn(RoomCurve room) => From + Duration.FromHours(EquivalentAge.ClockHours(OpensHours, room, From, ReferenceC));

    /// <summary>When it closes in a room; null where it stays open.</summary>
    public Instant? ClosesIn(RoomCurve room) =>
        ClosesHours is { } hours ? ClosesFrom + Duration.FromHours(EquivalentAge.ClockHours(hours, room, ClosesFrom, ReferenceC)) : null;
}

/// <summary>From when to when a sitting was poured, as curing counts from it.</summary>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour, not before the start.</param>
/// <param name="Room">How warm it is where it cures.</param>
public sealed record PourSpan(Instant Start, Instant End, RoomCurve Room);

/// <summary>The windows of a poured sitting.</summary>
/// <remarks>Source: docs/craft/curing.md, Windows.</remarks>
public static class CureWindows
{
    /// <summary>What a piece leaves when it is firm; null for a base that stays, and for a mould, which has a window of its own.</summary>
    /// <param name="material">What it lies on; null while nobody has said.</param>
    public static Milestone? Left(BaseMaterial? material) => material switch
    {
        BaseMaterial.CastingSheet => Milestone.OffSheet,
        BaseMaterial.MetalRim => Milestone.BackTape,
        _ => null,
    };

    /// <summary>
    /// The windows, in the order they usually open in: of the tape or of the mould only where there is one. Each opens
    /// counted from the end of the last pour and closes counted
    /// from the start of the first.
    /// </summary>
    /// <param name="system">The resin.</param>
    /// <param name="pour">When it was poured, and in what room.</param>
    /// <param name="held">What keeps the layer in.</param>
    /// <param name="on">What it lies on until it is firm; null for a base that stays.</param>
    /// <param name="holds">When its film holds, where a run of tape of its own stands out as the dam; null where none does.</param>
    /// <param name="rolls">From when to when its film holds and does not gel, where it is rolled over the edge; null where it is not.</param>
    public static ImmutableArray<CureWindow> Of(ResinSystem system, PourSpan pour, HeldBy held = HeldBy.Tape, Milestone? on = null,
        Instant? holds = null, (Instant From, Instant To)? rolls = null)
    {
        ArgumentNullException.ThrowIfNull(system);
        ArgumentNullException.ThrowIfNull(pour);
        return
        [
            .. held == HeldBy.Tape && holds is { } from ? [Dam(from)] : Array.Empty<CureWindow>(),
            .. held == HeldBy.Tape && rolls is { } film ? [Rolled(film.From, film.To)] : Array.Empty<CureWindow>(),
            .. held == HeldBy.Tape ? [Window(Milestone.TapePull, system.TapePull.FromHours, P.TapeFromHours,
                system.TapePull.ToHours, P.TapeToHours)] : Array.Empty<CureWindow>(),
            Window(Milestone.NextLayer, system.Recoat.FromHours, P.RecoatFromHours, system.Recoat.ToHours, P.RecoatToHours),
            Window(Milestone.TouchDry, system.TackFreeHours, P.TackFreeHours),
            .. held == HeldBy.Mould ? [Window(Milestone.Demould, system.DemouldHours, P.DemouldHours)] : Array.Empty<CureWindow>(),
            .. on is { } leaves ? [Window(leaves, system.DemouldHours, P.DemouldHours)] : Array.Empty<CureWindow>(),
            Window(Milestone.FullCure, system.FullCureHours, P.FullCureHours),
        ];

        // The dam is pulled while the film holds its edge, and until the side tape is to be off.
        CureWindow Dam(Instant from) => Opening(
            Window(Milestone.DamPull, 0, P.TapeFromHours, system.TapePull.ToHours, P.TapeToHours), from);

        // It is rolled from when its film holds until it gels.
        CureWindow Rolled(Instant from, Instant to)
        {
            var hours = Math.Max(0, (to - pour.Start).TotalHours);
            var window = Opening(Window(Milestone.EdgeRoll, 0, P.TapeFromHours, system.TapePull.ToHours, P.TapeToHours), from);
            return window with
            {
                Closes = Instant.Max(to, window.Opens),
                ClosesAfterHours = Reckoned.Of(hours, "h", Formulas.Stated,
                    new ReckonedInput("its film gels", hours, "h", Origin.Reckoned)),
                Age = window.Age with { ClosesHours = hours * EquivalentAge.Speed(pour.Room.InputAt(pour.Start).Value, system.ReferenceC) },
            };
        }

        CureWindow Opening(CureWindow window, Instant from)
        {
            var hours = Math.Max(0, (from - pour.End).TotalHours);
            return window with
            {
                Opens = Instant.Max(from, pour.End),
                OpensAfterHours = Reckoned.Of(hours, "h", Formulas.Stated,
                    new ReckonedInput("its film holds", hours, "h", Origin.Reckoned)),
                Age = window.Age with
                {
                    OpensHours = hours * EquivalentAge.Speed(pour.Room.InputAt(pour.End).Value, system.ReferenceC),
                },
            };
        }

        CureWindow Window(Milestone milestone, double from, string opening, double? to = null, string closing = "")
        {
            var opens = Clock(from, opening, pour.End);
            var closes = to is { } age ? Clock(age, closing, pour.Start) : null;
            return new(
                milestone,
                pour.End + Duration.FromHours(opens.Value),
                closes is null ? null : pour.Start + Duration.FromHours(closes.Value),
                opens,
                closes,
                new(from, to, system.ReferenceC, pour.End, pour.Start));
        }

        Reckoned Clock(double ageHours, string property, Instant counted)
        {
            var room = pour.Room.InputAt(counted);
            var speed = EquivalentAge.Speed(room.Value, system.ReferenceC);
            return Reckoned.Of(
                EquivalentAge.ClockHours(ageHours, pour.Room, counted, system.ReferenceC), "h", Formulas.Milestone,
                new("at the reference temperature", ageHours, "h", system.OriginOf(property)),
                new("reference temperature", system.ReferenceC, "°C", system.OriginOf(P.ReferenceC)),
                room,
                new("activation energy Ea", EquivalentAge.ActivationKj, "kJ/mol", Origin.Default),
                new("speed of cure", speed, "×", Origin.Reckoned));
        }
    }
}
