using MossLantern.Core.Documents;

namespace MossLantern.Core.Checks;

/// <summary>A pour that ends after its cup's working time.</summary>
internal sealed class ClockCheck : ICheck
{
    public string Id => "clock";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var pour in ToPour.Of(looked))
        {
            if (pour.Plan.Batches.All.SelectMany(b => b.Cups).MinBy(c => c.InHandMinutes.Value) is not { } cup || cup.InHandMinutes.Value >= 0)
            {
                continue;
            }

            var name = looked.Piece.Recipes.Single(r => r.Id == cup.CupId).Name;
            yield return new(
                Id, $"clock@{pour.Sitting.Id}", Grade.Mend, "Too late",
                $"The last of {name} is poured {{0}} after mixing, and it works for {{1}}: it pulls strings and leaves holes.",
                [cup.PouredMinutes, cup.WorkingMinutes],
                pour.At("cups"), [.. Apart.Remedies(looked, pour, cup.CupId)], Worth: -cup.InHandMinutes.Value);
        }
    }
}
