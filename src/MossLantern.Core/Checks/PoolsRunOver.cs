using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Checks;

/// <summary>A pool behind walls gets more, over all layers, than they hold.</summary>
internal static class PoolsRunOver
{
    /// <summary>What is told of pools, under the id of a check.</summary>
    public static IEnumerable<Finding> Of(string check, Looked looked) =>
        from pair in looked.Piece.Filled.Zip(looked.Layers)
        where !pair.Second.Poured
        from hold in pair.Second.Holds
        where hold.State != PoolState.Holds
        select Told(check, looked.Piece, pair.First, pair.Second, hold);

    private static Finding Told(string check, Piece piece, FilledLayer layer, LayerPlan plan, PoolHold hold)
    {
        var name = plan.NameOf(hold);
        var into = hold.Into is { } other ? plan.NameOf(other) : "what lies beside it";
        var (title, reason, number) = hold.State switch
        {
            PoolState.RunsOver => ("Runs over", $"{name} gets {{0}}, and past {{1}} it runs over its lowest wall into {into}.", hold.Over),
            PoolState.AboveBrim =>
                ("Above its walls", $"{name} gets {{0}} and its walls hold {{1}}: only the bulge keeps it from {into}.", hold.Brim),
            _ => ("Nearly full", $"{name} gets {{0}}: more than {{1}} leaves less than half a millimetre to the brim.", hold.Room),
        };
        return new(
            check, $"{check}@{layer.Id}/{hold.Key}", hold.State > PoolState.NearlyFull ? Grade.Mend : Grade.Mind, title, reason,
            [hold.Gets, number], new(Station.Walls, layer.Id, Anchor(plan, hold)?.XMm, Anchor(plan, hold)?.YMm),
            [.. Higher(piece, hold), .. Less(layer, hold)], Worth: hold.Gets.Value - hold.Room.Value);
    }

    private static Shapes.Spot? Anchor(LayerPlan plan, PoolHold hold) =>
        hold.At ?? plan.Regions.FirstOrDefault(r => r.Id == hold.RegionId)?.Middle;

    /// <summary>All its walls as high as they have to be, in half millimetres.</summary>
    private static IEnumerable<Remedy> Higher(Piece piece, PoolHold hold)
    {
        var level = hold.Level.Value + hold.LowMm + PoolHold.SpareMm;
        Edit[] edits = [.. piece.Lines!.Value.Where(l => hold.Walls.Contains(l.Id)).Select(l => (Line: l, Mm: Laid(l, level)))
            .Where(l => l.Line.Section.HeightMm < l.Mm).Select(l => SetField.To(l.Line.Place + ".section.heightMm", l.Mm))];
        if (edits.Length > 0 && double.IsFinite(level)
            && Accepted.LineHeightMm.Contains(Math.Ceiling(2 * level / BarrierBead.DryShare) / 2))
        {
            yield return Remedy.Of("higher", "Lay its walls so high that they hold {0}", edits) with { Mm = level };
        }
    }

    private static double Laid(Line wall, double holdsMm) => Math.Ceiling(2 * Math.Round(
        wall.Material is BarrierLine { Class: { } of } ? BarrierBead.LaidMm(of, holdsMm) : holdsMm, 6)) / 2;

    /// <summary>The pool poured less deep.</summary>
    private static IEnumerable<Remedy> Less(FilledLayer layer, PoolHold hold)
    {
        var own = hold.Gets.Inputs[0].Value;
        var aim = layer.Layer.AimMm(hold.RegionId);
        var mm = Math.Floor(100 * aim * (own - (hold.Gets.Value - hold.Room.Value)) / own) / 100;
        if (hold.With.IsEmpty && own > 0 && mm >= Accepted.DepthMm.From && layer.Layer.HasDepth(hold.RegionId))
        {
            yield return Remedy.Of("less", "Pour it {0} deep", new SetRegionDepth(layer.Id, hold.RegionId, mm)) with { Mm = mm };
        }
    }
}
