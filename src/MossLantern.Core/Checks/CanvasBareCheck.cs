using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Checks;

/// <summary>A canvas that nobody has sealed.</summary>
internal sealed class CanvasBareCheck : ICheck
{
    public string Id => "canvas-bare";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground is { Base.Material: BaseMaterial.Canvas, Outline: var outline }
            && looked.Ground.Preparation.FirstOrDefault(s => s.Id == "seal") is { Done: false })
        {
            yield return new(
                Id, "canvas-bare@ground", Grade.Mind, "Canvas not sealed", "Bare canvas drinks resin, and its weave gives off bubbles.", [],
                new(Station.Ground, null, outline.BoxWidthMm / 2, outline.BoxHeightMm / 2),
                [Remedy.Of("sealed", "It is sealed", new MarkPrepared("seal", true))]);
        }
    }
}
