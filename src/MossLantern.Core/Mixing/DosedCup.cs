using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>A cup of a kept recipe that is dosed anew.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Ml">What it is filled with, ml.</param>
/// <param name="G">The same, g.</param>
/// <param name="Doses">What is stirred in.</param>
/// <remarks>Source: docs/craft/mixing.md, Kept recipes.</remarks>
public sealed record DosedCup(string Name, double Ml, double G, CupDoses Doses)
{
    /// <summary>A recipe for so much resin: what it is filled from by their parts, and itself last.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="kept">A valid recipe.</param>
    /// <param name="ml">How much of it, ml.</param>
    /// <param name="mixDensity">Density of the mixed resin, g/ml.</param>
    public static ImmutableArray<DosedCup> Of(Catalogue catalogue, KeptRecipe kept, double ml, double mixDensity)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(kept);
        var all = (kept.Recipe.Of ?? []).Sum(s => s.Parts);
        var others = kept.Others.ToDictionary(r => r.Id);
        return [.. (kept.Recipe.Of ?? [])
            .Select(s => Cup(kept.Others.Single(r => r.Id == s.RecipeId), ml * s.Parts / all)), Cup(kept.Recipe, ml)];

        DosedCup Cup(Recipe recipe, double of) =>
            new(recipe.Name, of, of * mixDensity, CupDoses.Of(catalogue, recipe, of, of * mixDensity, mixDensity, others));
    }
}
