using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A colour is tinted with paint from a pot: its name and colour are the pot's.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Pot">The pot, by its id in the cupboard.</param>
public sealed record TintFromPot(string Recipe, string Pot) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "tint from a pot";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        if (piece.Recipes.FirstOrDefault(r => r.Id == Recipe) is not { } recipe || !cupboard.Pots.TryGetValue(Pot, out var pot))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "There is no such colour, or no such pot, by now.");
        }

        return pot.Kind == PaintKind.Oil ? Edited.No(PlaceIn.Recipe(Recipe), "Oil does not go into resin.")
            : piece with
            {
                Recipes = piece.Recipes.Replace(recipe, recipe with
                {
                    Name = pot.Name,
                    Colour = pot.Colour,
                    Doses = [new(ColourantClass.Acrylic, cupboard.Catalogue.Of(ColourantClass.Acrylic).UsualFromPercent)],
                }),
            };
    }
}
