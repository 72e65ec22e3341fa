using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The piece is of another kind: what it is made of, its edge and its mould go with it.</summary>
/// <param name="Kind">The kind.</param>
public sealed record BecomeKind(PieceKind Kind) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "make it another kind of piece";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Enum.IsDefined(Kind) ? Becoming.OfKind(ground, Kind) : null;

    private protected override string Place => "ground.base.kind";

    private protected override string Refusal => "There is no such kind of piece.";
}
