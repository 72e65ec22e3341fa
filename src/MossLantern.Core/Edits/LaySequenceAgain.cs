using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A sequence of lines once more, further in.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Repeats">How often it is laid already.</param>
public sealed record LaySequenceAgain(string Layer, string? Zone, int Repeats) : LayoutEdit<StripesLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "lay the sequence again";

    private protected override Edited Change(LaidOut laid, StripesLayout layout, Cupboard cupboard)
    {
        var lines = layout.Bands.Where(b => !b.FillsRest).ToList();
        if (Repeats < 1 || lines.Count == 0)
        {
            return Edited.No($"{laid.Place}.layout.bands", "There is no sequence of stripes to lay again.");
        }

        var taken = layout.Bands.Select(b => b.Id).ToList();
        var again = lines.Take((int)Rounded.Whole((double)lines.Count / Repeats)).Select(line =>
        {
            taken.Add(FreeId.Of("line", taken));
            return line with { Id = taken[^1] };
        });
        return laid
            .With(layout with { Bands = layout.Bands.InsertRange(layout.Bands.ToList().FindIndex(b => b.FillsRest) + 1, again) }).Done();
    }
}
