using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour is mixed without one of its colourants.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Dose">Which of its colourants, from 0.</param>
public sealed record LeaveColourantOut(string Recipe, int Dose) : DoseEdit(Recipe, Dose)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "leave a colourant out";

    private protected override Edited Change(Piece piece, Recipe recipe, Dose dose, Cupboard cupboard)
    {
        var left = recipe.Doses.RemoveAt(Dose);
        return With(piece, recipe, recipe with { Doses = left, Colour = left.IsEmpty ? recipe.Colour : left[0].Colour ?? recipe.Colour });
    }
}
