using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A spot is not kept any more.</summary>
/// <param name="Id">What was kept.</param>
public sealed record LetKeptGo(string Id) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take out what was kept";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var left = (piece.Kept ?? []).RemoveAll(k => k.Id == Id);
        return Settle.Of(piece, piece with { Kept = left.IsEmpty ? null : left });
    }
}
