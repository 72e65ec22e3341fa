using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>An edge that drips over has to be looked at again until the resin gels.</summary>
internal sealed class DripsCheck : ICheck
{
    /// <summary>Drips are wiped off every so many minutes.</summary>
    public const int RoundMinutes = 30;

    public string Id => "drips";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Piece.Ground.Edge != EdgeStyle.DrippedOver)
        {
            yield break;
        }

        foreach (var pour in ToPour.Of(looked).Where(p => p.Plan.Span is not null && p.Plan.Batches.GelMinutes is not null))
        {
            var lasts = pour.Plan.Batches.GelMinutes!.Value - pour.Plan.Batches.EndMinutes.Value;
            var gels = (pour.Plan.Span!.End + Duration.FromMinutes(lasts)).InZone(looked.Around.Zone).LocalDateTime;
            yield return new(
                Id, $"drips@{pour.Sitting.Id}", Grade.Mind, "Drips",
                string.Create(CultureInfo.InvariantCulture,
                    $"What runs over the edge sets in drips underneath. Wipe them off every {{0}} until {pour.Plan.Name} gels, "
                        + $"at about {gels:ddd HH:mm}."),
                [Reckoned.Of(RoundMinutes, "min", Formulas.Stated, new ReckonedInput("a round", RoundMinutes, "min", Origin.Default))],
                pour.At(Station.Cure),
                [Remedy.Set("tape", "Tape the edge instead", "ground.edge", "taped-clean")]);
        }
    }
}
