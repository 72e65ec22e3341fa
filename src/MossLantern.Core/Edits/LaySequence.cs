using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A sequence of colours that was kept by name is laid in place of the bands.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Sequence">Its id in the cupboard.</param>
/// <param name="AcrossMm">What it is fitted to, mm; null to lay it as it is.</param>
public sealed record LaySequence(string Layer, string? Zone, string Sequence, double? AcrossMm = null) : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "lay a kept sequence";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (!cupboard.Sequences.TryGetValue(Sequence, out var sequence) || laid.Layout is not BandedLayout layout)
        {
            return Edited.No($"{laid.Place}.layout.bands", "The cupboard has no such sequence, or nothing here is laid out in bands.");
        }

        if (AcrossMm is { } across && !Accepted.OutlineMm.Contains(across))
        {
            return Edited.No($"{laid.Place}.layout.bands", (Accepted.OutlineMm with { What = "What a sequence is fitted to" }).Sentence);
        }

        var to = sequence.LaidIn(layout, laid.Piece.Recipes, AcrossMm);
        return (laid with { Piece = laid.Piece with { Recipes = to.Recipes } }).With(to.Layout).Done();
    }
}
