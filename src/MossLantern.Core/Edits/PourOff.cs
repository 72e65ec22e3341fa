using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour is poured off another and tinted further, or mixed by itself again.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="From">What it is poured off; null for mixed by itself.</param>
public sealed record PourOff(string Recipe, string? From) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => From is null ? "mix it by itself" : "pour it off another";

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        if (From is null)
        {
            return Settle.Of(piece, With(piece, recipe, recipe with { Of = null }));
        }

        return From == Recipe ? Edited.No($"{PlaceIn.Recipe(Recipe)}.of", "A cup cannot be poured off itself.")
            : piece.Recipes.FirstOrDefault(r => r.Id == From) is not { Of: null }
                ? Edited.No($"{PlaceIn.Recipe(Recipe)}.of", "It can only be poured off a colour that is mixed by itself.")
            : piece.Recipes.Any(r => (r.Of ?? []).Any(s => s.RecipeId == Recipe))
                ? Edited.No($"{PlaceIn.Recipe(Recipe)}.of", $"{recipe.Name} fills another cup: that one would be poured off twice.")
            : recipe.Doses.IsEmpty
                ? Edited.No($"{PlaceIn.Recipe(Recipe)}.of", "A cup poured off another is tinted further: add a colourant first.")
            : Settle.Of(piece, With(piece, recipe, recipe with { Of = [new(From, 1)] }));
    }
}
