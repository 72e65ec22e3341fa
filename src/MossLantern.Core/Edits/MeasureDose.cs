using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A colourant is dosed by weight, or by volume; it stays as much as it is.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Dose">Which of its colourants, from 0.</param>
/// <param name="By">What it is percent of.</param>
/// <param name="Sitting">The sitting whose resin it is; null for the first.</param>
public sealed record MeasureDose(string Recipe, int Dose, RatioBasis By, string? Sitting = null) : DoseEdit(Recipe, Dose)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "dose it in another way";

    private protected override Edited Change(Piece piece, Recipe recipe, Dose dose, Cupboard cupboard)
    {
        var resin = piece.Sittings.FirstOrDefault(s => s.Id == (Sitting ?? piece.Sittings[0].Id));
        if (resin is null || !Enum.IsDefined(By) || cupboard.Catalogue.Resin(resin.Resin.System) is null)
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That sitting is no longer there, or there is no such way of dosing.");
        }

        var percent = cupboard.Catalogue.Of(dose.Colourant, dose.ColourantId)
            .Percent(dose.Percent, dose.By, By, resin.Resin.From(cupboard.Catalogue).MixDensity);
        return With(piece, recipe,
            recipe with { Doses = recipe.Doses.SetItem(Dose, dose with { By = By, Percent = percent, ByEye = false }) });
    }
}
