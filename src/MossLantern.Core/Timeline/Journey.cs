using System.Collections.Immutable;
using MossLantern.Core.Curing;

namespace MossLantern.Core.Timeline;

/// <summary>How resin is at a moment of its way.</summary>
/// <param name="Minutes">Minutes from mixing.</param>
/// <param name="Degree">Degree of cure, 0 to 1.</param>
/// <param name="Celsius">Temperature, °C.</param>
/// <param name="PaS">Viscosity, Pa·s; infinite from gel on.</param>
public sealed record JourneyPoint(double Minutes, double Degree, double Celsius, double PaS);

/// <summary>How it is when it leaves a vessel.</summary>
/// <param name="At">The end of the stay.</param>
/// <param name="PeakC">The warmest it was there, °C.</param>
public sealed record StayEnd(JourneyPoint At, double PeakC);

/// <summary>What becomes of resin on its way from vessel to vessel: degree and temperature travel with it and never begin anew.</summary>
/// <param name="WorkingMinutes">When its working time ends, minutes from mixing; null where that is not reached.</param>
/// <param name="Stages">When it comes to each stage after runny, minutes from mixing, 0 where it starts so; what it
/// does not reach is not among them.</param>
/// <param name="Stays">How it leaves each vessel.</param>
/// <param name="Line">Its way, state by state.</param>
/// <remarks>Source: docs/craft/curing.md, From vessel to vessel.</remarks>
public sealed record Journey(
    double? WorkingMinutes, ImmutableSortedDictionary<FilmStage, double> Stages, ImmutableArray<StayEnd> Stays,
    ImmutableArray<JourneyPoint> Line)
{
    /// <summary>As far as it is followed where it is left, and as late as a stage is told, h.</summary>
    public const double LongestHours = 48;

    private const double LongestSeconds = LongestHours * 3600;

    /// <summary>What ends at so much is at its end, s.</summary>
    private const double HairSeconds = 1e-6;

    /// <summary>The stages after runny, and the viscosity that each begins at, Pa·s: infinite for gel.</summary>
    public static ImmutableArray<(FilmStage Stage, double FromPaS)> Begins { get; } =
    [
        (FilmStage.Flowing, Viscosity.FlowsPaS), (FilmStage.Holding, Viscosity.HoldsPaS), (FilmStage.Setting, Viscosity.SetsPaS),
        (FilmStage.Gelled, double.PositiveInfinity),
    ];

    /// <summary>Follows resin on its way.</summary>
    /// <param name="model">The resin's cure.</param>
    /// <param name="mixedPaS">Viscosity of the fresh mix at the reference temperature, Pa·s.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    /// <param name="room">The room, stretch by stretch from mixing; the last goes on for ever.</param>
    /// <param name="stays">Its vessels in turn; one that it is left in is the last.</param>
    /// <param name="from">How it is at the beginning; null for fresh, and as warm as the room.</param>
    /// <exception cref="ArgumentException">There is no room or no stay, or one that it is left in is followed by another.</exception>
    public static Journey Of(
        CureModel model, double mixedPaS, double referenceC, ImmutableArray<RoomSegment> room,
        ImmutableArray<Stay> stays, CureState? from = null)
    {
        ArgumentNullException.ThrowIfNull(model);
        if (room.IsDefaultOrEmpty)
        {
            throw new ArgumentException("A room has at least one stretch.", nameof(room));
        }

        if (stays.IsDefaultOrEmpty || stays.SkipLast(1).Any(s => s.Minutes is null))
        {
            throw new ArgumentException("Resin stands somewhere, and is left only where it stands last.", nameof(stays));
        }

        var state = from ?? new CureState(0, 0, room[0].Celsius);
        var line = ImmutableArray.CreateBuilder<JourneyPoint>();
        var ends = ImmutableArray.CreateBuilder<StayEnd>(stays.Length);
        var stages = ImmutableSortedDictionary.CreateBuilder<FilmStage, double>();
        double? working = state.Degree >= CureModel.WorkingDegree ? state.Seconds / 60 : null;
        line.Add(Point(state));
        foreach (var (stage, _) in Begins.Where(f => line[0].PaS >= f.FromPaS))
        {
            stages[stage] = line[0].Minutes;
        }

        foreach (var stay in stays)
        {
            var body = stay.In.Body(model);
            var (end, peak) = (stay.Minutes is { } minutes ? state.Seconds + 60 * minutes
                : Math.Max(state.Seconds, LongestSeconds), state.Celsius);
            while (end - state.Seconds > HairSeconds)
            {
                var (celsius, until) = RoomAt(room, state.Seconds);
                var before = line[^1];
                state = model.Next(state, body, celsius, Math.Min(end, until) - state.Seconds);
                var point = Point(state);
                line.Add(point);
                peak = Math.Max(peak, state.Celsius);
                if (working is null && state.Degree >= CureModel.WorkingDegree)
                {
                    working = Known(Between(before, point, (CureModel.WorkingDegree - before.Degree) / (point.Degree - before.Degree)));
                }

                foreach (var (stage, paS) in Begins)
                {
                    if (point.PaS >= paS && !stages.ContainsKey(stage) && Known(Reached(before, point, paS)) is { } at)
                    {
                        stages[stage] = at;
                    }
                }
            }

            ends.Add(new(Point(state), peak));
        }

        return new(working, stages.ToImmutable(), ends.MoveToImmutable(), line.ToImmutable());

        JourneyPoint Point(CureState s) => new(s.Seconds / 60, s.Degree, s.Celsius, Viscosity.PaS(mixedPaS, referenceC, s));
    }

    private static double? Known(double minutes) => minutes <= LongestHours * 60 ? minutes : null;

    /// <summary>When between two states a viscosity is reached: it grows evenly by its logarithm; at gel it is the
    /// degree that counts.</summary>
    private static double Reached(JourneyPoint before, JourneyPoint after, double paS) => Between(
        before, after,
        double.IsInfinity(paS) ? (CureModel.GelDegree - before.Degree) / (after.Degree - before.Degree)
        : double.IsInfinity(after.PaS) ? 1
        : Math.Log(paS / before.PaS) / Math.Log(after.PaS / before.PaS));

    private static double Between(JourneyPoint before, JourneyPoint after, double share) =>
        before.Minutes + Math.Clamp(share, 0, 1) * (after.Minutes - before.Minutes);

    /// <summary>How warm it is, and until when, s from mixing.</summary>
    private static (double Celsius, double Until) RoomAt(ImmutableArray<RoomSegment> room, double seconds)
    {
        var until = 0.0;
        foreach (var stretch in room.AsSpan()[..^1])
        {
            until += stretch.Hours * 3600;
            if (until - seconds > HairSeconds)
            {
                return (stretch.Celsius, until);
            }
        }

        return (room[^1].Celsius, double.PositiveInfinity);
    }
}
