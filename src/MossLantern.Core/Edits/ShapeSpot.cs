using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A zone, or what is kept, gets another shape in about the same place.</summary>
/// <param name="Layer">The layer of the zone; null for a spot that the piece keeps.</param>
/// <param name="Id">The zone, or what is kept.</param>
/// <param name="Shape">The shape.</param>
public sealed record ShapeSpot(string? Layer, string Id, OutlineShape Shape) : SpotEdit(Layer, Id)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"reshape {Name(before)}";

    private protected override (Outline Outline, double XMm, double YMm) Change(Outline outline, double xMm, double yMm) =>
        Spots.Shaped(outline, xMm, yMm, Shape);
}
