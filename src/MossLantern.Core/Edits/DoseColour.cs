using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colourant of a colour is dosed: in percent, in grams, drops, level scoops or stick tips to so much resin,
/// or by eye.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Dose">Which of its colourants, from 0.</param>
/// <param name="Amount">How much of it.</param>
/// <param name="Unit">What in.</param>
/// <param name="InMl">To how much resin, ml; null for percent.</param>
/// <param name="Sitting">The sitting whose resin it is; null for the first.</param>
public sealed record DoseColour(string Recipe, int Dose, double Amount, DoseUnit Unit, double? InMl = null,
    string? Sitting = null) : DoseEdit(Recipe, Dose)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "dose a colourant";

    private protected override Edited Change(Piece piece, Recipe recipe, Dose dose, Cupboard cupboard)
    {
        var (percent, refusal) = DoseAmount.Of(piece, dose, Amount, Unit, InMl, Sitting, cupboard);
        return refusal is null ? With(piece, recipe, With(recipe, percent, Unit == DoseUnit.ByEye)) : Edited.No(Place, refusal);
    }
}
