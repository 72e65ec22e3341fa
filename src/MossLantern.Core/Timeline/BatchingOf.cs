using MossLantern.Core.Curing;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using NodaTime;

namespace MossLantern.Core.Timeline;

/// <summary>What the batches of a sitting are worked out in: its resin, its tools and its room.</summary>
/// <param name="tools">How the sitting measures.</param>
/// <param name="room">The room.</param>
/// <param name="begun">When its first batch is begun; null while no start is known.</param>
internal sealed class BatchingOf(Measuring tools, RoomCurve room, Instant? begun)
{
    public Measuring Tools => tools;

    /// <summary>How warm the room is, °C.</summary>
    /// <param name="seconds">When, s from the start.</param>
    public double RoomC(double seconds = 0) => room.At(begun is { } start ? start + Duration.FromSeconds(seconds) : null).Celsius;

    public CureModel Model { get; } = CureModel.Of(tools.System.WorkingMinutes, tools.System.ReferenceC, tools.System.ReactionHeatJPerG);

    /// <summary>How resin is at a moment that it spends in a body.</summary>
    /// <param name="from">How it comes there.</param>
    /// <param name="body">The body.</param>
    /// <param name="seconds">The moment, s from mixing.</param>
    public CureState Until(CureState from, CuringBody body, double seconds)
    {
        var state = from;
        while (seconds - state.Seconds > 1e-6)
        {
            state = Model.Next(state, body, RoomC(state.Seconds), seconds - state.Seconds);
        }

        return state;
    }

    /// <summary>The hottest that it gets on the way to a moment, °C: what stood too long has cooled down again by then.</summary>
    public double HottestUntil(CureState from, CuringBody body, double seconds)
    {
        var (state, hottest) = (from, from.Celsius);
        while (seconds - state.Seconds > 1e-6)
        {
            state = Model.Next(state, body, RoomC(state.Seconds), seconds - state.Seconds);
            hottest = Math.Max(hottest, state.Celsius);
        }

        return hottest;
    }

    /// <summary>When the working time of resin ends that stays in a body, min from mixing.</summary>
    public double WorkingEnd(CureState from, CuringBody body)
    {
        var (before, state) = (from, from);
        while (state.Degree < CureModel.WorkingDegree)
        {
            (before, state) = (state, Model.Next(state, body, RoomC(state.Seconds)));
        }

        var share = state.Degree > before.Degree ? (CureModel.WorkingDegree - before.Degree) / (state.Degree - before.Degree) : 0;
        return (before.Seconds + share * (state.Seconds - before.Seconds)) / 60;
    }
}
