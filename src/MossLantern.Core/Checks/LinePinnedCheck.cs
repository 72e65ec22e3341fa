using MossLantern.Core.Documents;
using MossLantern.Core.Edits;

namespace MossLantern.Core.Checks;

/// <summary>A raised line that is drawn on the bare mould.</summary>
internal sealed class LinePinnedCheck : ICheck
{
    public string Id => "line-pinned";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Piece.Ground.Mould is null || looked.Layers[0].Poured)
        {
            yield break;
        }

        var lowest = looked.Piece.Filled[0];
        foreach (var line in lowest.Filling.Lines.Where(l => l.Material is ReliefLine))
        {
            yield return new(
                Id, $"line-pinned@{lowest.Id}/{line.Id}", Grade.Mend, "Drawn on the bare mould",
                $"A line on the bare mould stays put or smears when {lowest.Name} comes over it, and shows on the face as it is.", [],
                new(Station.Walls, lowest.Id),
                [Remedy.Of("later", "Leave it out, and draw it when the piece is out of the mould", new TakeLineAway(line.Id))]);
        }
    }
}
