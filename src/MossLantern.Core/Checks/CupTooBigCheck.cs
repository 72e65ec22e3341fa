using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A cup that is hot by the time the last of it is poured. What becomes of a jug that is left standing is told at the jug.</summary>
internal sealed class CupTooBigCheck : ICheck
{
    /// <summary>Hotter than this it runs away, °C.</summary>
    public const double WarmC = 45;

    /// <summary>Hotter than this somebody gets burnt, °C.</summary>
    public const double DangerC = 60;

    public string Id => "cup-too-big";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var pour in ToPour.Of(looked))
        {
            if (pour.Plan.Batches.All.SelectMany(b => b.Cups).MaxBy(c => c.Celsius.Value) is not { } cup || cup.Celsius.Value <= WarmC)
            {
                continue;
            }

            var name = looked.Piece.Recipes.Single(r => r.Id == cup.CupId).Name;
            yield return new(
                Id, $"cup-too-big@{pour.Sitting.Id}", cup.Celsius.Value > DangerC ? Grade.Stop : Grade.Mend, "Hot cup",
                $"{name} is {{0}} hot when the last of it is poured, {{1}} after mixing: above {{2}} it runs away, smokes and sets in the cup.",
                [cup.Celsius, cup.PouredMinutes, ToPour.Limit("hottest", WarmC, "°C")],
                pour.At("cups"), [.. Apart.Remedies(looked, pour, cup.CupId)], Worth: cup.Celsius.Value);
        }
    }
}
