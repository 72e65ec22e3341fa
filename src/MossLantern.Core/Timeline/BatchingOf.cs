using MossLantern.Core.Curing;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Timeline;

/// <summary>What the batches of a sitting are worked out in: its resin, its tools and its room.</summary>
/// <param name="tools">How the sitting measures.</param>
/// <param name="roomC">The room, °C.</param>
internal sealed class BatchingOf(Measuring tools, double roomC)
{
    public Measuring Tools => tools;

    public double RoomC => roomC;

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
            state = Model.Next(state, body, roomC, seconds - state.Seconds);
        }

        return state;
    }

    /// <summary>The hottest that it gets on the way to a moment, °C: what stood too long has cooled down again by then.</summary>
    public double HottestUntil(CureState from, CuringBody body, double seconds)
    {
        var (state, hottest) = (from, from.Celsius);
        while (seconds - state.Seconds > 1e-6)
        {
            state = Model.Next(state, body, roomC, seconds - state.Seconds);
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
            (before, state) = (state, Model.Next(state, body, roomC));
        }

        var share = state.Degree > before.Degree ? (CureModel.WorkingDegree - before.Degree) / (state.Degree - before.Degree) : 0;
        return (before.Seconds + share * (state.Seconds - before.Seconds)) / 60;
    }
}
