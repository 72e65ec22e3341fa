using System.Collections.Immutable;
using MossLantern.Core.Documents;

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
                        new("map", layer.Id, Math.Clamp(heart.XMm, 0, outline.BoxWidthMm), Math.Clamp(heart.YMm, 0, outline.BoxHeightMm)),
                        [
                            Remedy.OnLayer("inside", "Move it back inside the rim", layer.Id, l => With(l, [.. l.Hearts.Select(h => h.Id == heart.Id ? Inside(outline, h, x, y) : h)])),
                            Remedy.OnLayer("out", "Take it out", layer.Id, l => With(l, [.. l.Hearts.Where(h => h.Id != heart.Id)])),
                        ]);
                }
            }
        }
    }

    private static FilledLayer With(FilledLayer layer, ImmutableArray<Heart> hearts) => layer.Layout is RingsLayout rings ? layer with { Layout = rings with { Hearts = hearts } } : layer;

    /// <summary>From where it lies towards the middle until its own middle lies on the piece.</summary>
    private static Heart Inside(Shapes.Outline outline, Heart heart, double x, double y)
    {
        const int steps = 100;
        for (var i = 1; i < steps; i++)
        {
            double share = (double)i / steps, atX = heart.XMm + share * (x - heart.XMm), atY = heart.YMm + share * (y - heart.YMm);
            if (outline.SignedDistanceMm(atX, atY) < 0)
            {
                return heart with { XMm = Math.Round(atX, 1), YMm = Math.Round(atY, 1) };
            }
        }

        return heart with { XMm = Math.Round(x, 1), YMm = Math.Round(y, 1) };
    }
}
