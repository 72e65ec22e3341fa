using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour is mixed as a recipe says that was kept by name: its name and colour come with it.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Kept">The kept recipe, by its id in the cupboard.</param>
public sealed record TakeRecipe(string Recipe, string Kept) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a kept recipe";

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        if (!cupboard.Recipes.TryGetValue(Kept, out var kept))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That recipe is no longer in the Cupboard.");
        }

        if (!kept.Others.IsEmpty && piece.Recipes.Any(r => (r.Of ?? []).Any(s => s.RecipeId == Recipe)))
        {
            return Edited.No($"{PlaceIn.Recipe(Recipe)}.of", $"{recipe.Name} fills another cup: that one would be poured off twice.");
        }

        // What it is filled from comes with it, or is there already.
        var (recipes, ids) = Documents.Recipe.Brought(kept.Others, piece.Recipes, Recipe);
        var to = kept.Recipe with
        {
            Id = Recipe,
            Of = kept.Recipe.Of is { } of
            ? [.. of.Select(s => s with { RecipeId = ids[s.RecipeId] })] : null,
            Frozen = false,
            SecondOf = null
        };
        return Settle.Of(piece, piece with { Recipes = [.. recipes.Select(r => r.Id == Recipe ? to : r)] });
    }
}
