using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A band becomes wider on the map, the layout's widening counted in.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
/// <param name="ByMm">By how much, mm; below 0 it becomes narrower. It stays within the accepted widths.</param>
public sealed record WidenBand(string Layer, string? Zone, string Band, double ByMm) : BandEdit(Layer, Zone, Band)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"{(ByMm < 0 ? "narrow" : "widen")} {BandName(before)}";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard)
    {
        var band = layout.Bands[at];
        if (band.FillsRest || !double.IsFinite(ByMm))
        {
            return Edited.No($"{laid.Place}.layout.bands[{Band}].widthMm",
                band.FillsRest ? "This band fills the rest: it is as wide as the others leave it." : Accepted.BandMm.Sentence);
        }

        var own = band.WidthMm + ByMm / Math.Pow(layout.Widening, at);
        return laid.With(layout with
        {
            Bands = layout.Bands
            .SetItem(at, band with { WidthMm = Math.Clamp(Rounded.Tenth(own), Accepted.BandMm.From, Accepted.BandMm.To) })
        }).Done();
    }
}
