using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A spot is not reserved any more.</summary>
/// <param name="Id">The spot.</param>
public sealed record FreeSpot(string Id) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take out a reserved spot";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var left = (piece.Kept ?? []).RemoveAll(k => k.Id == Id);
        return Settle.Of(piece, piece with { Kept = left.IsEmpty ? null : left });
    }
}
