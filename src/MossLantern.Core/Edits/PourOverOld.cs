using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The piece is poured over older work that nobody knows more of, or over nothing.</summary>
/// <param name="Over">Whether it is.</param>
public sealed record PourOverOld(bool Over) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Over ? "pour over older work" : "pour over a new ground";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Over == ground.Old is not null ? ground : Over ? Rework.OverUnknown(ground) : Rework.OverNothing(ground);
}
