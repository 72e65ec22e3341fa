using System.Collections.Immutable;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using NodaTime;
using P = MossLantern.Core.Materials.MaterialProperties;

namespace MossLantern.Core.Curing;

/// <summary>What a window is for.</summary>
public enum Milestone
{
    /// <summary>The mask run of tape comes off.</summary>
    TapePull,

    /// <summary>The next layer bonds without sanding.</summary>
    NextLayer,

    /// <summary>Dry to the touch.</summary>
    TouchDry,

    /// <summary>Firm enough to leave its mould, still flexible.</summary>
    Demould,

    /// <summary>Cured through.</summary>
    FullCure,
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
public sealed record CureWindow(
    Milestone Milestone, Instant Opens, Instant? Closes, Reckoned OpensAfterHours, Reckoned? ClosesAfterHours)
{
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

/// <summary>From when to when a sitting was poured, as curing counts from it.</summary>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour, not before the start.</param>
/// <param name="RoomC">Room temperature, °C.</param>
/// <param name="RoomOrigin">Where the temperature came from.</param>
public sealed record PourSpan(Instant Start, Instant End, double RoomC, Origin RoomOrigin);

/// <summary>The windows of a poured layer in a room of one temperature.</summary>
/// <remarks>Source: docs/craft/curing.md, Windows.</remarks>
public static class CureWindows
{
    /// <summary>
    /// The windows, in the order they usually open in: of the tape or of the mould only where there is one. Each opens counted from the end of the last pour and closes counted
    /// from the start of the first.
    /// </summary>
    /// <param name="system">The resin.</param>
    /// <param name="pour">When it was poured, and in what room.</param>
    /// <param name="held">What keeps the layer in.</param>
    /// <param name="roomPlace">The place where the room's temperature is decided; null where it is none of a document's.</param>
    public static ImmutableArray<CureWindow> Of(ResinSystem system, PourSpan pour, HeldBy held = HeldBy.Tape, string? roomPlace = null)
    {
        ArgumentNullException.ThrowIfNull(system);
        ArgumentNullException.ThrowIfNull(pour);
        return
        [
            .. held == HeldBy.Tape ? [Window(Milestone.TapePull, system.TapePull.FromHours, P.TapeFromHours, system.TapePull.ToHours, P.TapeToHours)] : Array.Empty<CureWindow>(),
            Window(Milestone.NextLayer, system.Recoat.FromHours, P.RecoatFromHours, system.Recoat.ToHours, P.RecoatToHours),
            Window(Milestone.TouchDry, system.TackFreeHours, P.TackFreeHours),
            .. held == HeldBy.Mould ? [Window(Milestone.Demould, system.DemouldHours, P.DemouldHours)] : Array.Empty<CureWindow>(),
            Window(Milestone.FullCure, system.FullCureHours, P.FullCureHours),
        ];

        CureWindow Window(Milestone milestone, double from, string opening, double? to = null, string closing = "")
        {
            var opens = Clock(from, opening);
            var closes = to is { } age ? Clock(age, closing) : null;
            return new(
                milestone,
                pour.End + Duration.FromHours(opens.Value),
                closes is null ? null : pour.Start + Duration.FromHours(closes.Value),
                opens,
                closes);
        }

        Reckoned Clock(double ageHours, string property)
        {
            var speed = EquivalentAge.Speed(pour.RoomC, system.ReferenceC);
            return Reckoned.Of(
                EquivalentAge.ClockHours(ageHours, [new(1, pour.RoomC)], system.ReferenceC), "h", Formulas.Milestone,
                new("at the reference temperature", ageHours, "h", system.OriginOf(property)),
                new("reference temperature", system.ReferenceC, "°C", system.OriginOf(P.ReferenceC)),
                new("room", pour.RoomC, "°C", pour.RoomOrigin, pour.RoomOrigin == Origin.Measured ? null : roomPlace),
                new("activation energy Ea", EquivalentAge.ActivationKj, "kJ/mol", Origin.Default),
                new("speed of cure", speed, "×", Origin.Reckoned));
        }
    }
}
