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
                    Inside(outline, zone.Outline) is var (x, y) ? new MoveSpot(layer.Id, zone.Id, x, y) : null,
                    new LeaveZoneOut(layer.Id, zone.Id));
            }
        }

        var whole = looked.Piece.Ground.MapOutline;
        foreach (var kept in (looked.Piece.Kept ?? []).Where(k => IsOff(whole, k.Placed)))
        {
            yield return Told(whole, $"kept/{kept.Id}", kept.Name, looked.Piece.Layers[0].Id, kept.XMm, kept.YMm,
                Inside(whole, kept.Outline) is var (x, y) ? new MoveSpot(null, kept.Id, x, y) : null, new FreeSpot(kept.Id));
        }
    }

    private Finding Told(Outline outline, string key, string name, string layerId, double xMm, double yMm, Edit? inside, Edit away) =>
        new(Id, $"part-outside@{key}", Grade.Mind, "Part outside", $"{name} lies wholly off the piece: nothing of it is poured.", [],
            new(Station.Map, layerId, Math.Clamp(xMm, 0, outline.BoxWidthMm), Math.Clamp(yMm, 0, outline.BoxHeightMm)),
            [
                .. inside is null ? Array.Empty<Remedy>() : [Remedy.Of("inside", "Move it onto the piece", inside)],
                Remedy.Of("out", "Take it out", away),
            ]);

    /// <summary>Whether it shares nothing with the piece. A corner on the piece tells at once; only without one are the areas laid
    /// over each other.</summary>
    private static bool IsOff(Outline outline, Outline placed)
    {
        var ring = placed.Rings[0];
        return Enumerable.Range(0, ring.Count).All(i => outline.SignedDistanceMm(ring.Xs[i], ring.Ys[i]) > 0)
            && Flat.SharedArea(Flat.Of(outline), Flat.Of(placed)).Area <= Flat.LeastMm2;
    }

    /// <summary>Where it lies with the middle of its box in the middle of the piece's; null where that is no place on the piece, such as
    /// an opening.</summary>
    private static (double XMm, double YMm)? Inside(Outline outline, Outline part)
    {
        var (x, y) = (Math.Round((outline.BoxWidthMm - part.BoxWidthMm) / 2), Math.Round((outline.BoxHeightMm - part.BoxHeightMm) / 2));
        return IsOff(outline, new PlacedOutline(part, x, y)) ? null : (x, y);
    }
}
