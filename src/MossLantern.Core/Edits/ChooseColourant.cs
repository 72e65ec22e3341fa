using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A colour is tinted with another class of colourant, or left clear; its load goes with the class.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Colourant">The class; null for clear resin.</param>
/// <param name="Dose">Which of its colourants, from 0.</param>
/// <param name="ColourantId">The colourant of the cupboard, whose colour comes with it; null for any of the class.</param>
public sealed record ChooseColourant(string Recipe, ColourantClass? Colourant, int Dose = 0, string? ColourantId = null)
    : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "tint with another colourant";

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        if ((Colourant is { } c && !Enum.IsDefined(c)) || Dose < 0 || Dose > 0 && Dose >= recipe.Doses.Length)
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "There is no such class of colourant, or no such colourant in it.");
        }

        if (Colourant is not { } to)
        {
            return recipe.Of is null ? With(piece, recipe, recipe with { Doses = [], Trials = null })
                : Edited.No(PlaceIn.Recipe(Recipe), "It is poured off another cup and tinted further: mix it by itself first.");
        }

        var known = cupboard.Catalogue.Of(to, ColourantId);
        var before = Dose < recipe.Doses.Length ? recipe.Doses[Dose] : null;
        var own = known.Id == ColourantId;
        var load = Math.Min(before is { Percent: > 0 } ? before.Percent : known.UsualFromPercent, known.LimitPercent);
        Dose dose = new(to, load, known.LimitBy, own ? ColourantId : null,
            own && known.Colour is { } colour ? Dose == 0 && recipe.Doses.Length < 2 ? null : colour : before?.Colour);
        var changed = recipe with { Doses = before is null ? [dose] : recipe.Doses.SetItem(Dose, dose) };
        return With(piece, recipe, own && known.Colour is { } of && Dose == 0
            ? changed with { Colour = of, Name = recipe.Doses.Length < 2 ? known.Name : recipe.Name }
            : changed);
    }
}
