using MossLantern.Core.Documents;
using MossLantern.Core.Edits;

namespace MossLantern.Core.Checks;

/// <summary>A frame or a dam that is not sealed, or whose seal nobody tested.</summary>
internal sealed class LeakyCheck : ICheck
{
    public string Id => "leaky";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground.Base is { Kind: PieceKind.Slice or PieceKind.Frame } board
            && !(board.GapsSealed && board.SealTested))
        {
            var what = board.Kind == PieceKind.Frame ? "frame" : "dam";
            yield return new(
                Id, "leaky@ground", Grade.Mend, "May leak",
                board.GapsSealed ? $"The {what} has not been tested with water: resin finds every gap and runs out underneath."
                    : $"The gaps of the {what} are not sealed: resin runs out underneath.",
                [], new(Station.Ground),
                [Remedy.Of("sealed", "It is sealed and holds water", new SealWall(WallSeal.Tested))]);
        }
    }
}
