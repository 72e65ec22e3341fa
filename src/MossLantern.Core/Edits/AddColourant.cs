using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Edits;

/// <summary>One more colourant goes into a colour: as little as is usual, to begin with.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Colourant">Its class.</param>
/// <param name="ColourantId">The colourant of the cupboard; null for any of its class.</param>
public sealed record AddColourant(string Recipe, ColourantClass Colourant, string? ColourantId = null) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "add a colourant";

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        if (!Enum.IsDefined(Colourant))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "There is no such class of colourant.");
        }

        var known = cupboard.Catalogue.Of(Colourant, ColourantId);
        var colour = known.Colour ?? Palette.Of(Colourant);
        Dose dose = new(Colourant, Usual(known), known.LimitBy, known.Id == ColourantId ? ColourantId : null,
            recipe.Doses.IsEmpty ? null : colour);

        // The first gives the recipe its colour; each keeps its own when the order changes.
        var doses = recipe.Doses.IsEmpty ? [dose]
            : InTurn([.. recipe.Doses.Select(d => d.Colour is null ? d with { Colour = recipe.Colour } : d), dose]);
        return With(piece, recipe, recipe with { Colour = recipe.Doses.IsEmpty ? colour : doses[0].Colour!, Doses = doses });
    }
}
