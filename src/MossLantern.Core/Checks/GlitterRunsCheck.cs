using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Checks;

/// <summary>Glitter that is poured into the middle of a puddle before its last colour.</summary>
internal sealed class GlitterRunsCheck : ICheck
{
    public string Id => "glitter-runs";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var part in LaidOut.All(looked))
        {
            if (part.Of.Layout is not PuddleLayout puddle)
            {
                continue;
            }

            var glitter = part.Layer.Recipes.Where(r => r.Doses.Any(d => d.Colourant == ColourantClass.Glitter)).ToDictionary(r => r.Id);
            var early = puddle.Pours.Take(puddle.Pours.Length - 1)
                .FirstOrDefault(p => glitter.ContainsKey(p.RecipeId) && p.RecipeId != puddle.Pours[^1].RecipeId);
            if (early is null)
            {
                continue;
            }

            yield return new(
                Id, $"glitter-runs@{part.Key}", Grade.Mind, "Glitter runs",
                $"{glitter[early.RecipeId].Name} goes in early, and all that follows is poured into its middle: the "
                    + "glitter threads through every colour.",
                [],
                new(Station.Map, part.Layer.Id, puddle.XMm, puddle.YMm),
                [
                    Remedy.Of("last", $"Pour {glitter[early.RecipeId].Name} last",
                        [.. puddle.Pours.Where(p => glitter.ContainsKey(p.RecipeId))
                            .Select(p => new PourLast(part.Layer.Id, part.ZoneId, p.Id))]),
                ]);
        }
    }
}
