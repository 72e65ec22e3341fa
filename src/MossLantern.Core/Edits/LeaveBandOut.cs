using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A band goes.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
public sealed record LeaveBandOut(string Layer, string? Zone, string Band) : BandEdit(Layer, Zone, Band)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"take {BandName(before)} out";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard) => layout.Bands[at].FillsRest
        ? Edited.No($"{laid.Place}.layout.bands[{Band}]", "The band that fills the rest has to stay.")
        : laid.With(layout with { Bands = layout.Bands.RemoveAt(at) }).Done();
}
