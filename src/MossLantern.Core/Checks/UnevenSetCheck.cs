using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Copies of one piece that are poured from resin of different age.</summary>
internal sealed class UnevenSetCheck : ICheck
{
    /// <summary>Resin so much older is thicker, and its lines and gloss come out otherwise, min.</summary>
    public const double MostMinutes = 10;

    public string Id => "uneven-set";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var pour in ToPour.Of(looked).Where(p => p.Plan.Copies > 1 && p.Plan.Batches.CopiesApartMinutes >= MostMinutes))
        {
            var apart = pour.Plan.Batches.CopiesApartMinutes;
            yield return new(
                Id, $"uneven-set@{pour.Sitting.Id}", Grade.Mind, "Uneven set",
                "The last copy is poured from resin {0} older than the first: thicker, so its lines and gloss differ.",
                [Reckoned.Of(apart, "min", Formulas.Stated,
                    new ReckonedInput("between the first copy and the last", apart, "min", Origin.Reckoned))],
                pour.At(Station.Cups),
                [
                    .. pour.Sitting.CopiesInTurn
                        ? [Remedy.Set("by-colour", "Pour colour by colour into every copy",
                            PlaceIn.Sitting(pour.Sitting.Id) + ".copiesInTurn", false)]
                        : Array.Empty<Remedy>(),
                    Remedy.Ask("fewer", "Pour fewer at once", PlaceIn.Sitting(pour.Sitting.Id) + ".copies"),
                ], Worth: apart);
        }
    }
}
