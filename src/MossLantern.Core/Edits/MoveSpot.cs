using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A zone, or what is kept, comes to lie elsewhere.</summary>
/// <param name="Layer">The layer of the zone; null for a spot that the piece keeps.</param>
/// <param name="Id">The zone, or what is kept.</param>
/// <param name="XMm">Left of its box, mm from the left.</param>
/// <param name="YMm">Top of its box, mm from the top.</param>
public sealed record MoveSpot(string? Layer, string Id, double XMm, double YMm) : SpotEdit(Layer, Id)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"move {Name(before)}";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveSpot other && (other.Layer, other.Id) == (Layer, Id) ? other : null;

    private protected override (Outline Outline, double XMm, double YMm) Change(Outline outline, double xMm, double yMm) =>
        (outline, Rounded.Whole(XMm), Rounded.Whole(YMm));
}
