using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Checks;

/// <summary>Oil paint as ground.</summary>
internal sealed class PaintOilCheck : ICheck
{
    public string Id => "paint-oil";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground.Paint is { Kind: PaintKind.Oil, Sealed: false })
        {
            yield return new(
                Id, "paint-oil@ground", Grade.Mend, "Oil paint below", "Sooner or later resin peels off oil paint.", [],
                new(Station.Ground),
                [
                    Remedy.Set("seal", "Seal it under a thin coat", "ground.paint.sealed", true),
                    Remedy.Of("water", "Paint with water-based paint instead", new PaintGround(PaintKind.Water)),
                ]);
        }
    }
}
