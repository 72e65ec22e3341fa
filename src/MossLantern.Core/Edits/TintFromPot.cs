using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A colour is tinted with paint from a pot: its name and colour are the pot's.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Pot">The pot, by its id in the cupboard.</param>
public sealed record TintFromPot(string Recipe, string Pot) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "tint from a pot";

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard) =>
        !cupboard.Pots.TryGetValue(Pot, out var pot) ? Edited.No(PlaceIn.Recipe(Recipe), "That colour, or that pot, is no longer there.")
        : pot.Kind == PaintKind.Oil ? Edited.No(PlaceIn.Recipe(Recipe), "Oil does not go into resin.")
        : With(piece, recipe, recipe with
        {
            Name = pot.Name,
            Colour = pot.Colour,
            Doses = [new(ColourantClass.Acrylic, cupboard.Catalogue.Of(ColourantClass.Acrylic).UsualFromPercent, PotId: Pot)],
        });
}
