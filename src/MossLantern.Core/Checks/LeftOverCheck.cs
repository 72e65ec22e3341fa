using MossLantern.Core.Documents;

namespace MossLantern.Core.Checks;

/// <summary>An amount that somebody mixed, or is about to, of which much is left over.</summary>
internal sealed class LeftOverCheck : ICheck
{
    /// <summary>More than this of what is poured is waste, %.</summary>
    public const double MostPercent = 20;

    public string Id => "leftover";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (pour, choice, reach, name) in MixedAmount.Of(looked))
        {
            var wanted = pour.Plan.Pours.Where(s => s.CupId == choice.RecipeId).Sum(s => s.PourMl.Value);
            if (reach.Left is not { } left || left.Value <= wanted * MostPercent / 100)
            {
                continue;
            }

            yield return new(
                Id, $"leftover@{pour.Sitting.Id}/{choice.RecipeId}", Grade.Mind, "Left over",
                $"{{0}} of {name} will be left over, more than a fifth of what is poured.", [left], pour.At(Station.Cups, choice.RecipeId),
                [MixedAmount.AsPlanned(pour, choice)], Worth: left.Value);
        }
    }
}
