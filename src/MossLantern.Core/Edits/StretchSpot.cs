using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A zone, or what is kept, is stretched about its middle; a round takes the width, a drawn outline stays.</summary>
/// <param name="Layer">The layer of the zone; null for a spot that the piece keeps.</param>
/// <param name="Id">The zone, or what is kept.</param>
/// <param name="WidthMm">Width it is to have, mm; it stays within what a spot may be.</param>
/// <param name="HeightMm">Height it is to have, mm.</param>
public sealed record StretchSpot(string? Layer, string Id, double WidthMm, double HeightMm) : SpotEdit(Layer, Id)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"stretch {Name(before)}";

    private protected override (Outline Outline, double XMm, double YMm) Change(Outline outline, double xMm, double yMm) =>
        Spots.Stretched(outline, xMm, yMm, WidthMm, HeightMm);
}
