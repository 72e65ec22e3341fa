using MossLantern.Core.Documents;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A cup that gets hot before the last of it is poured. What becomes of a jug that is left standing is told at the jug.</summary>
internal sealed class CupTooBigCheck : ICheck
{
    /// <summary>Hotter than this it runs away, °C.</summary>
    public const double WarmC = 45;

    /// <summary>Hotter than this somebody gets burnt, °C.</summary>
    public const double DangerC = 60;

    /// <summary>From here on a little more may be too much, °C.</summary>
    private const double NearC = 38;

    /// <summary>A remedy that makes the hottest cup hotter by more than this share makes it hot.</summary>
    private const double HotterBy = 0.02;

    /// <summary>Whether a remedy of something else would end in a cup that is a danger, and was none before; one that
    /// cannot be tried counts as such.</summary>
    public static bool IsMadeBy(Looked looked, Remedy remedy) => looked.Trials is { } trials
        && (trials.Of(remedy) is not { } after
            || (Hottest(after) is var hottest && hottest > DangerC && hottest > Hottest(looked.Sittings) * (1 + HotterBy)));

    /// <summary>Whether a cup is so warm that a little more of anything may end in a danger.</summary>
    public static bool IsNear(Looked looked) => Hottest(looked.Sittings) > NearC;

    private static double Hottest(IEnumerable<SittingPlan> sittings) =>
        sittings.Where(s => !s.Poured).SelectMany(s => s.Batches.All).SelectMany(b => b.Cups)
        .Select(c => c.Celsius.Value).DefaultIfEmpty(0).Max();

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
                $"{name} heats up to {{0}} before the last of it is poured, {{1}} after mixing. Above {{2}} it can "
                    + "run away: it smokes and sets in the cup.",
                [cup.Celsius, cup.PouredMinutes, ToPour.Limit("hottest", WarmC, "°C")],
                pour.At(Station.Cups, cup.CupId), [.. Apart.Remedies(looked, pour, cup.CupId, c => c.Celsius.Value > WarmC)],
                Worth: cup.Celsius.Value);
        }
    }
}
