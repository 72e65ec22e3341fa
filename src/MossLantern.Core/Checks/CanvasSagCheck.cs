using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Checks;

/// <summary>A canvas whose back is not stiffened.</summary>
internal sealed class CanvasSagCheck : ICheck
{
    public string Id => "canvas-sag";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground is { Base: { Material: BaseMaterial.Canvas, BackStiffened: false }, Outline: var outline })
        {
            yield return new(
                Id, "canvas-sag@ground", Grade.Mend, "Canvas sags",
                "A stretched canvas sags in the middle under the weight of resin, and the layer pools there.",
                [], new(Station.Ground, null, outline.BoxWidthMm / 2, outline.BoxHeightMm / 2),
                [Remedy.Set("stiffen", "Stiffen the back first", "ground.base.backStiffened", true)]);
        }
    }
}
