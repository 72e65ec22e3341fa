using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;

namespace MossLantern.Core.Checks;

/// <summary>The piece stands so far out of level that its thinnest layer drifts.</summary>
internal sealed class TiltCheck : ICheck
{
    public string Id => "tilt";

    public IEnumerable<Finding> Look(Looked looked)
    {
        // A tilt of another spot says nothing of this one.
        foreach (var (panel, reading, standing, named) in PanelsOf.Each(looked).Where(_ => looked.MoreToPour))
        {
            if (reading is not { WhereItCures: true } || standing is not { Drift: { } drift, Level: false })
            {
                continue;
            }

            var lowest = standing.Supports.MaxBy(s => s.Shim?.Value ?? 0)!;
            yield return new(
                Id, PanelsOf.Key("tilt@ground", panel), Grade.Mend, "Out of level",
                $"One side{named} lies {{0}} lower, more than a tenth of the thinnest layer still to pour ({{1}}): "
                    + "resin will drift there overnight.",
                [drift, standing.Thinnest], new(Station.Ground, null, lowest.XMm, lowest.YMm),
                [
                    Remedy.Of("shims", "The shims are in: measure again", new ReadLevel(panel, null)),
                    .. Deeper(looked, Math.Ceiling(drift.Value / Levelling.AcceptedShare * 10) / 10),
                ]);
        }
    }

    /// <summary>Layers to come as deep as the drift asks for, where their resins can be poured so deep.</summary>
    private static IEnumerable<Remedy> Deeper(Looked looked, double neededMm)
    {
        var thin = looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured && l.First.DepthMm < neededMm)
            .Select(l => l.First).ToList();
        if (thin.All(l => neededMm <= l.Sitting.Resin.From(looked.Around.Catalogue).DeepestMm))
        {
            yield return new(
                "deeper", "Pour the remaining layers at least {0} deep",
                [.. thin.Select(l => SetField.To(PlaceIn.Layer(l.Id) + ".depthMm", neededMm))], Mm: neededMm);
        }
    }
}
