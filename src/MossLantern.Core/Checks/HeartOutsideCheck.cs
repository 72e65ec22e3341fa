using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;

namespace MossLantern.Core.Checks;

/// <summary>A heart that lies outside of the piece: its bands run past it, or leave it blank.</summary>
internal sealed class HeartOutsideCheck : ICheck
{
    public string Id => "heart-outside";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var layer in looked.Piece.Filled)
        {
            var outline = looked.Piece.Ground.OutlineWithin(layer.Within);
            foreach (var heart in layer.Hearts)
            {
                var apart = outline.SignedDistanceMm(heart.XMm, heart.YMm);
                if (apart > Math.Max(heart.WidthMm, heart.HeightMm) / 2)
                {
                    var (x, y) = (outline.BoxWidthMm / 2, outline.BoxHeightMm / 2);
                    yield return new(
                        Id, $"heart-outside@{layer.Id}/{heart.Id}", Grade.Mind, "Heart outside",
                        "A heart lies wholly outside the piece: it will not be seen, and the bands round it may miss the piece.", [],
                        new(Station.Map, layer.Id, Math.Clamp(heart.XMm, 0, outline.BoxWidthMm),
                            Math.Clamp(heart.YMm, 0, outline.BoxHeightMm)),
                        [
                            Inside(layer.Id, outline, heart, x, y),
                            Remedy.Of("out", "Take it out", new LeaveHeartOut(layer.Id, null, heart.Id)),
                        ]);
                }
            }
        }
    }

    /// <summary>From where it lies towards the middle until its own middle lies on the piece.</summary>
    private static Remedy Inside(string layerId, Shapes.Outline outline, Heart heart, double x, double y)
    {
        const int steps = 100;
        var (toX, toY) = Enumerable.Range(1, steps - 1).Select(i => (double)i / steps)
            .Select(share => (X: Math.Round(heart.XMm + share * (x - heart.XMm)), Y: Math.Round(heart.YMm + share * (y - heart.YMm))))
            .FirstOrDefault(to => outline.SignedDistanceMm(to.X, to.Y) < 0, (X: Math.Round(x), Y: Math.Round(y)));
        return Remedy.Of("inside", "Move it back inside the rim", new MoveHeart(layerId, null, heart.Id, toX, toY));
    }
}
