using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A change of a zone of a layer, or of a spot that the piece keeps.</summary>
/// <param name="Layer">The layer of the zone; null for a spot that the piece keeps.</param>
/// <param name="Id">The zone, or what is kept.</param>
public abstract record SpotEdit(string? Layer, string Id) : Edit
{
    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Layer is null)
        {
            return (piece.Kept ?? []).FirstOrDefault(k => k.Id == Id) is not { } kept ? Gone()
                : piece with { Kept = piece.Kept!.Value.Replace(kept, At(kept, Change(kept.Outline, kept.XMm, kept.YMm))) };
        }

        if (LaidOut.Of(piece, Layer, Id) is not { Zone: { } zone } laid)
        {
            return Gone();
        }

        var (outline, x, y) = Change(zone.Outline, zone.XMm, zone.YMm);
        return laid.OnLayer(l => l with { Zones = l.Zones!.Value.Replace(zone, zone with { Outline = outline, XMm = x, YMm = y }) }).Piece;
    }

    /// <summary>Its outline and place with the change made.</summary>
    private protected abstract (Outline Outline, double XMm, double YMm) Change(Outline outline, double xMm, double yMm);

    /// <summary>The name of the zone, or of what is kept.</summary>
    private protected string Name(Piece piece) => Layer is null
        ? (piece.Kept ?? []).FirstOrDefault(k => k.Id == Id)?.Name ?? "what is reserved"
        : (piece.Layers.FirstOrDefault(l => l.Id == Layer)?.Zones ?? []).FirstOrDefault(z => z.Id == Id)?.Name ?? "a part";

    private static ReservedSpot At(ReservedSpot kept, (Outline Outline, double XMm, double YMm) to) =>
        kept with { Outline = to.Outline, XMm = to.XMm, YMm = to.YMm };

    private Edited Gone() => Edited.No(Layer is null ? $"kept[{Id}]" : PlaceIn.LaidOut(Layer, Id), "That place is no longer there.");
}
