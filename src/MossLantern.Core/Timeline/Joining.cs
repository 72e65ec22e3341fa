using System.Collections.Immutable;
using MossLantern.Core.Curing;

namespace MossLantern.Core.Timeline;

/// <summary>What comes of fresh resin that joins a batch which is some minutes old.</summary>
/// <param name="Stage">How the batch is then.</param>
/// <param name="MayJoin">Whether other resin may still join it: while it is runny or flows.</param>
/// <param name="Joined">How the mixture is.</param>
/// <param name="WorkingMinutes">When its working time ends, min from when the first was mixed.</param>
/// <param name="InHandMinutes">How much of it is left, min; below 0 where it is over.</param>
/// <remarks>Source: docs/craft/curing.md, Joining.</remarks>
public sealed record Joining(FilmStage Stage, bool MayJoin, CureState Joined, double WorkingMinutes, double InHandMinutes)
{
    /// <summary>Joins fresh resin, as warm as the room, to a batch that stands in its cup.</summary>
    /// <param name="model">The resin's cure.</param>
    /// <param name="mixedPaS">Viscosity of the fresh mix at the reference temperature, Pa·s.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    /// <param name="massG">How much of the batch there is, g; above 0.</param>
    /// <param name="minutes">How old it is, min.</param>
    /// <param name="freshG">How much joins it, g.</param>
    /// <param name="roomC">The room, °C.</param>
    public static Joining Of(CureModel model, double mixedPaS, double referenceC, double massG, double minutes, double freshG, double roomC)
    {
        ArgumentNullException.ThrowIfNull(model);
        ImmutableArray<RoomSegment> room = [new(1, roomC)];
        var old = Journey.Of(model, mixedPaS, referenceC, room, [new(new CupVessel(massG), minutes)]).Stays[0].At;
        var stage = Viscosity.Stage(old.PaS);
        var joined = new CureState(60 * old.Minutes, old.Degree, old.Celsius).Joined(massG, new(0, 0, roomC), freshG);
        var end = joined.Degree >= CureModel.WorkingDegree ? joined.Seconds / 60
            : Journey.Of(model, mixedPaS, referenceC, room, [new(new CupVessel(massG + freshG), null)],
                joined).WorkingMinutes ?? double.PositiveInfinity;
        return new(stage, Viscosity.MayJoin(stage), joined, end, end - minutes);
    }
}
