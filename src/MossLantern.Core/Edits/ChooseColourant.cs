using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A colour is tinted with another class of colourant, or left clear; its load goes with the class.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Colourant">The class; null for clear resin.</param>
public sealed record ChooseColourant(string Recipe, ColourantClass? Colourant) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "tint with another colourant";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        if (piece.Recipes.FirstOrDefault(r => r.Id == Recipe) is not { } recipe || (Colourant is { } c && !Enum.IsDefined(c)))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "There is no such colour, or no such class of colourant.");
        }

        if (Colourant is not { } to || to == ColourantClass.Lacing)
        {
            return piece with { Recipes = piece.Recipes.Replace(recipe, recipe with { Doses = Colourant is null ? [] : [new(ColourantClass.Lacing, recipe.LoadPercent)] }) };
        }

        var known = cupboard.Catalogue.Of(to);
        var load = Math.Min(recipe.LoadPercent > 0 ? recipe.LoadPercent : known.UsualFromPercent, known.LimitPercent);
        return piece with { Recipes = piece.Recipes.Replace(recipe, recipe with { Doses = [new(to, load)] }) };
    }
}
