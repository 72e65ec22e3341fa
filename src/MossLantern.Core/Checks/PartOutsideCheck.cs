using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Checks;

/// <summary>A part of a layer, or a reserved spot, that lies wholly off the piece.</summary>
internal sealed class PartOutsideCheck : ICheck
{
    public string Id => "part-outside";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var layer in looked.Piece.Layers)
        {
            var outline = looked.Piece.Ground.OutlineWithin(layer.Within);
            foreach (var zone in (layer.Zones ?? []).Where(z => IsOff(outline, z.Placed)))
            {
                yield return Told(outline, $"{layer.Id}/{zone.Id}", zone.Name, layer.Id, zone.XMm, zone.YMm,
                    Inside(outline, zone.Placed, zone.XMm, zone.YMm) is var (x, y) ? new MoveSpot(layer.Id, zone.Id, x, y) : null,
                    new LeaveZoneOut(layer.Id, zone.Id));
            }
        }

        var whole = looked.Piece.Ground.MapOutline;
        foreach (var kept in (looked.Piece.Kept ?? []).Where(k => IsOff(whole, k.Placed)))
        {
            yield return Told(whole, $"kept/{kept.Id}", kept.Name, looked.Piece.Layers[0].Id, kept.XMm, kept.YMm,
                Inside(whole, kept.Placed, kept.XMm, kept.YMm) is var (x, y) ? new MoveSpot(null, kept.Id, x, y) : null,
                    new FreeSpot(kept.Id));
        }
    }

    private Finding Told(Outline outline, string key, string name, string layerId, double xMm, double yMm, Edit? inside, Edit away) =>
        new(Id, $"part-outside@{key}", Grade.Mind, "Part outside", $"{name} lies wholly off the piece: nothing of it is poured.", [],
            new(Station.Map, layerId, Math.Clamp(xMm, 0, outline.BoxWidthMm), Math.Clamp(yMm, 0, outline.BoxHeightMm)),
            [
                .. inside is null ? Array.Empty<Remedy>() : [Remedy.Of("inside", "Move it onto the piece", inside)],
                Remedy.Of("out", "Take it out", away),
            ]);

    /// <summary>Whether no corner of it lies on the piece, nor the piece's middle in it.</summary>
    private static bool IsOff(Outline outline, Outline placed)
    {
        var ring = placed.Rings[0];
        return Enumerable.Range(0, ring.Count).All(i => outline.SignedDistanceMm(ring.Xs[i], ring.Ys[i]) > 0)
            && outline.Rings.All(r => Enumerable.Range(0, r.Count).All(i => placed.SignedDistanceMm(r.Xs[i], r.Ys[i]) > 0));
    }

    /// <summary>Where it lies with its middle in the middle of the piece.</summary>
    private static (double XMm, double YMm)? Inside(Outline outline, Outline placed, double xMm, double yMm)
    {
        var ring = placed.Rings[0];
        var (left, right) = (ring.Xs.ToArray().Min(), ring.Xs.ToArray().Max());
        var (top, bottom) = (ring.Ys.ToArray().Min(), ring.Ys.ToArray().Max());
        return (Math.Round(xMm + outline.BoxWidthMm / 2 - (left + right) / 2),
            Math.Round(yMm + outline.BoxHeightMm / 2 - (top + bottom) / 2));
    }
}
