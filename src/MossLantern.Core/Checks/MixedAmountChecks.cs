using MossLantern.Core.Documents;
using MossLantern.Core.Pouring;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>An amount that somebody mixed, or is about to, that does not reach.</summary>
internal sealed class RunsShortCheck : ICheck
{
    public string Id => "runs-short";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (pour, choice, reach, name) in MixedAmount.Of(looked).Where(m => m.Reach.Lacks is not null))
        {
            yield return new(
                Id, $"runs-short@{pour.Sitting.Id}/{choice.RecipeId}", Grade.Mend, "Runs short",
                $"{name} lacks {{0}} for what is poured from it: what is mixed in the middle of a pour never matches.", [reach.Lacks!], pour.At("cups"), [MixedAmount.AsPlanned(pour, choice)],
                Worth: reach.Lacks!.Value);
        }
    }
}

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
            var wanted = pour.Plan.Steps.Where(s => s.CupId == choice.RecipeId).Sum(s => s.PourMl.Value);
            if (reach.Left is not { } left || left.Value <= wanted * MostPercent / 100)
            {
                continue;
            }

            yield return new(
                Id, $"leftover@{pour.Sitting.Id}/{choice.RecipeId}", Grade.Mind, "Left over", $"{{0}} of {name} are left over, more than a fifth of what is poured.", [left], pour.At("cups"),
                [MixedAmount.AsPlanned(pour, choice)], Worth: left.Value);
        }
    }
}

/// <summary>A cup of which somebody has said how much is mixed.</summary>
internal static class MixedAmount
{
    public static IEnumerable<(ToPour Pour, CupChoice Choice, CupReach Reach, string Name)> Of(Looked looked) =>
        from pour in ToPour.Of(looked)
        from choice in pour.Sitting.CupChoices ?? []
        where choice.MixedMl is not null
        let reach = pour.Plan.Reach.FirstOrDefault(r => r.CupId == choice.RecipeId)
        where reach is not null
        select (pour, choice, reach, looked.Piece.Recipes.Single(r => r.Id == choice.RecipeId).Name);

    public static Remedy AsPlanned(ToPour pour, CupChoice choice) => Remedy.OnSitting("planned", "Mix as much as is planned", pour.Sitting.Id, s =>
    {
        var others = s.CupChoices!.Value.RemoveAll(c => c.RecipeId == choice.RecipeId);
        var own = s.CupChoices.Value.First(c => c.RecipeId == choice.RecipeId) with { MixedMl = null };
        var all = own == new CupChoice(choice.RecipeId) ? others : others.Add(own);
        return s with { CupChoices = all.IsEmpty ? null : all };
    });
}
