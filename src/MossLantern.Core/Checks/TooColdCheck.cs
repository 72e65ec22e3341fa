using MossLantern.Core.Documents;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A layer is to be poured in a room that is too cold for it to cure well.</summary>
internal sealed class TooColdCheck : ICheck
{
    /// <summary>Below it resin cures slowly and clouds, °C.</summary>
    internal const double LeastC = 15;

    public string Id => "too-cold";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (sitting, plan) in looked.Piece.Sittings.Zip(looked.Sittings).Where(s => !s.Second.Poured && !s.Second.Pours.IsEmpty))
        {
            var room = SittingRoom.Of(sitting, null, looked.Around).InputAt(plan.Span?.Start);
            if (room.Value >= LeastC)
            {
                continue;
            }

            var place = PlaceIn.Sitting(sitting.Id) + ".roomC";
            yield return new(
                Id, $"too-cold@{sitting.Id}", Grade.Mend, "Too cold",
                $"{plan.Name} is to be poured at {{0}}: below {{1}} resin cures slowly and turns cloudy.",
                [
                    Reckoned.Of(room.Value, "°C", Formulas.Stated, room),
                    Reckoned.Of(LeastC, "°C", Formulas.Stated, new ReckonedInput("least", LeastC, "°C", Origin.Default)),
                ],
                new(Station.Cure, plan.LayerIds[0], SittingId: plan.SittingId),
                [Remedy.Ask("warm", "Warm the room and enter how warm it is", place)]);
        }
    }
}
