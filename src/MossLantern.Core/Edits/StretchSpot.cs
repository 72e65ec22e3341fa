using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A zone, or what is kept, is stretched about its middle; a round takes the width, a drawn outline stays.</summary>
/// <param name="Layer">The layer of the zone; null for a spot that the piece keeps.</param>
/// <param name="Id">The zone, or what is kept.</param>
/// <param name="ByWidthMm">By how much it becomes wider, mm; it stays within what a spot may be.</param>
/// <param name="ByHeightMm">By how much it becomes higher, mm.</param>
public sealed record StretchSpot(string? Layer, string Id, double ByWidthMm, double ByHeightMm) : SpotEdit(Layer, Id)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"stretch {Name(before)}";

    private protected override (Outline Outline, double XMm, double YMm) Change(Outline outline, double xMm, double yMm) =>
        Spots.Stretched(outline, xMm, yMm, outline.BoxWidthMm + ByWidthMm, outline.BoxHeightMm + ByHeightMm);
}
