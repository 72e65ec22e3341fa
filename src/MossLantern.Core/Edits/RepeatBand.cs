using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The same band once more, two places further out: its colour again, with the next band between.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
public sealed record RepeatBand(string Layer, string? Zone, string Band) : BandEdit(Layer, Zone, Band)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"repeat {BandName(before)}";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard)
    {
        var band = layout.Bands[at];
        var copy = band with
        {
            Id = FreeId.Of("band", layout.Bands.Select(b => b.Id)),
            FillsRest = false,
            WidthMm = band.FillsRest ? AddBand.WidthMm : band.WidthMm,
        };
        return laid.With(layout with { Bands = layout.Bands.Insert(Math.Min(at + 2, layout.Bands.Length), copy) })
            .Done($"layout.bands[{copy.Id}]");
    }
}
