using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A band changes its place among the others.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
/// <param name="By">How many places outward, to the rim; below 0 inward. It stops at either end.</param>
public sealed record MoveBand(string Layer, string? Zone, string Band, int By) : BandEdit(Layer, Zone, Band)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"move {BandName(before)} {(By < 0 ? "inward" : "outward")}";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard)
    {
        var to = (int)Math.Clamp((long)at + By, 0, layout.Bands.Length - 1);
        return laid.With(layout with { Bands = layout.Bands.RemoveAt(at).Insert(to, layout.Bands[at]) }).Done();
    }
}
