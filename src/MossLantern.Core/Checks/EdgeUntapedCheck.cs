using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Checks;

/// <summary>An edge that is to be clean, and nothing keeps what is poured to it off the sides.</summary>
internal sealed class EdgeUntapedCheck : ICheck
{
    public string Id => "edge-untaped";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var ground = looked.Piece.Ground;
        if (looked.Tape is not { Runs: TapeRuns.None or TapeRuns.Back } || ground.Edge == EdgeStyle.DrippedOver
            || (ground.Sides == SideFinish.Brushed && !looked.Bare))
        {
            yield break;
        }

        var rims = looked.Layers.SelectMany(l => l.Regions.Where(r => r.OpenEdgeMm > 0).Select(r => (l.LayerId, r.Id))).ToHashSet();
        if (looked.Sittings.FirstOrDefault(s => s.Pours.Any(p => !p.Done && rims.Contains((p.LayerId, p.RegionId)))) is { } sitting)
        {
            yield return new(
                Id, "edge-untaped@ground", Grade.Mend, "The edge is not taped",
                $"{sitting.Name} is poured to an edge that is to be {(ground.Edge == EdgeStyle.RolledOver ? "rolled over" : "clean")}, and no "
                    + "tape holds it: it runs down the sides.",
                [], new(Station.Walls, looked.Piece.Layers[0].Id),
                [
                    Remedy.Of("tape", "Tape it in one run, side and dam", new TapeEdge(TapeRuns.One)),
                    Remedy.Set("drip", "Let it drip over", "ground.edge", "dripped-over"),
                ]);
        }
    }
}
