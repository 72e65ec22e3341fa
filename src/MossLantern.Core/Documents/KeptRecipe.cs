using System.Collections.Immutable;

namespace MossLantern.Core.Documents;

/// <summary>A recipe that is kept by name, to be mixed again in any piece and in any amount.</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="Others">What it is filled from, where it is a mixed one; else empty.</param>
/// <param name="Note">A note; may be empty.</param>
/// <remarks>Source: docs/craft/mixing.md, Kept recipes.</remarks>
public sealed record KeptRecipe(Recipe Recipe, ImmutableArray<Recipe> Others, string Note = "")
{
    /// <summary>A recipe of a piece to be kept.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="all">All recipes of its piece.</param>
    /// <param name="note">A note; may be empty.</param>
    public static KeptRecipe Of(Recipe recipe, ImmutableArray<Recipe> all, string note = "")
    {
        ArgumentNullException.ThrowIfNull(recipe);
        return new(
            recipe with { Frozen = false, Trials = null },
            [.. (recipe.Of ?? []).Select(s => all.FirstOrDefault(r => r.Id == s.RecipeId)).OfType<Recipe>()
                .Select(r => r with { Frozen = false, Trials = null })], note);
    }
}
