using MossLantern.Core.Documents;

namespace MossLantern.Core.Checks;

/// <summary>A rim or an insert of rubber whose side leans over the resin: what sets under it cannot come out.</summary>
internal sealed class UndercutCheck : ICheck
{
    public string Id => "undercut";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var rubber in looked.Rubber.Where(r => r.Undercut is not null))
        {
            yield return new(
                Id, $"undercut@ground/{rubber.Id}", Grade.Mend, "Undercut",
                $"The side of the {rubber.Name} that resin meets leans over it by {{0}}: what sets under it has to be cut out. Smaller "
                    + "crystals, or a mould in two parts, come out whole.",
                [rubber.Undercut!], new(Station.Walls, looked.Piece.Layers[0].Id),
                [Remedy.Set("upright", "Let that side stand upright", $"ground.rubber[{rubber.Id}].faceDeg", 0)]);
        }
    }
}
