using MossLantern.Core.Documents;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Edits;

/// <summary>A little more of a colourant on trial: it is added to what is in the colour, and kept with how it looked.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Dose">Which of its colourants, from 0.</param>
/// <param name="Amount">How much more.</param>
/// <param name="Unit">What in.</param>
/// <param name="InMl">To how much resin, ml; null for percent.</param>
/// <param name="Sitting">The sitting whose resin it is; null for the first.</param>
/// <param name="Note">How it looked; null for nothing.</param>
/// <param name="Anew">Whether it is the first of a trial: then what is in the colour is put in place of.</param>
/// <param name="At">When, in the workshop's local time; null for not known.</param>
public sealed record TryDose(
    string Recipe, int Dose, double Amount, DoseUnit Unit, double? InMl = null, string? Sitting = null,
    string? Note = null, bool Anew = false, LocalDateTime? At = null) : DoseEdit(Recipe, Dose)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "try a little more";

    private protected override Edited Change(Piece piece, Recipe recipe, Dose dose, Cupboard cupboard)
    {
        if (Unit == DoseUnit.ByEye)
        {
            return Edited.No(Place, "By eye gives no amount: use drops, tips, scoops, grams or percent instead.");
        }

        var (more, refusal) = DoseAmount.Of(piece, dose, Amount, Unit, InMl, Sitting, cupboard);
        if (refusal is not null)
        {
            return Edited.No(Place, refusal);
        }

        var percent = (Anew ? 0 : dose.Percent) + more;
        var trials = Anew ? [] : recipe.Trials ?? [];
        return !Accepted.LoadPercent.Contains(percent) ? Edited.No(Place, Accepted.LoadPercent.Sentence)
            : trials.Length >= PieceValidator.MostTrials
                ? Edited.No($"{PlaceIn.Recipe(Recipe)}.trials",
                    FormattableString.Invariant($"Up to {PieceValidator.MostTrials} steps of a trial are kept: begin it anew."))
            : With(piece, recipe, With(recipe, percent)
                with
            {
                Trials = trials.Add(new(dose.Colourant, Amount, Unit, Unit == DoseUnit.Percent ? null : InMl,
                    percent, Note?.Trim() ?? "", dose.ColourantId, At))
            });
    }
}
