using MossLantern.Core.Documents;

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
