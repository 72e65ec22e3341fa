using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;

namespace MossLantern.Core.Checks;

/// <summary>An amount that somebody mixed, or is about to, that does not reach; and what is left in a cup in the middle
/// of a pour.</summary>
internal sealed class RunsShortCheck : ICheck
{
    public string Id => "runs-short";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (pour, choice, reach, name) in MixedAmount.Of(looked).Where(m => m.Reach.Lacks is not null))
        {
            yield return new(
                Id, $"runs-short@{pour.Sitting.Id}/{choice.RecipeId}", Grade.Mend, "Runs short",
                $"{name} is {{0}} short of what is poured from it: a batch mixed halfway through a pour never matches.",
                [reach.Lacks!], pour.At(Station.Cups, choice.RecipeId), [MixedAmount.AsPlanned(pour, choice)],
                Worth: reach.Lacks!.Value);
        }

        // Nothing of the piece mends that: it is told while more can still be mixed.
        var names = looked.Piece.Recipes.ToDictionary(r => r.Id, r => r.Name);
        foreach (var (plan, reach) in looked.Sittings.Where(s => s.Poured && !s.OpenRegions.IsEmpty)
            .SelectMany(s => s.Reach.Where(r => r.Lacks is not null).Select(r => (s, r))))
        {
            var mixed = plan.Cups.Cups.Single(c => c.CupId == reach.CupId)
                .ReallyMixedMl(looked.Piece.Sittings.Single(s => s.Id == plan.SittingId).CupChoices);
            yield return new(
                Id, $"runs-short@{plan.SittingId}/{reach.CupId}", Grade.Mend, "Runs short",
                $"After what has been poured, {names[reach.CupId]} is {{0}} short for the rest. Mix that much more by "
                    + "the same recipe, by weight, while what is down is still wet, or pour the rest thinner.",
                [reach.Lacks!], new(Station.Cups, plan.LayerIds[0], CupId: reach.CupId, SittingId: plan.SittingId),
                [
                    Remedy.Of("more", "That much more is mixed", new MixInCup(plan.SittingId, reach.CupId,
                        Math.Ceiling(mixed + reach.Lacks!.Value))),
                    Remedy.Ask("thinner", "Pour the rest thinner", PlaceIn.Layer(plan.LayerIds[0]) + ".depthMm"),
                ],
                Worth: reach.Lacks!.Value);
        }
    }
}
