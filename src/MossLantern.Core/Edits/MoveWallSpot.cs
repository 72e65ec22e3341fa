using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A spot of a wall comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Wall">The wall.</param>
/// <param name="Spot">Which spot, from 0.</param>
/// <param name="ByXMm">By how much to the right, mm.</param>
/// <param name="ByYMm">By how much down, mm.</param>
public sealed record MoveWallSpot(string Layer, string? Zone, string Wall, int Spot, double ByXMm, double ByYMm)
    : LayoutEdit<PoolsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "move a wall";

    private protected override Edited Change(LaidOut laid, PoolsLayout layout)
    {
        if (laid.WallOf(Wall) is not var (line, wall) || Spot < 0 || Spot >= wall.Spots.Length)
        {
            return Edited.No(PlaceIn.Line(Wall), "That wall is no longer there.");
        }

        var to = new Spot(Rounded.Whole(wall.Spots[Spot].XMm + ByXMm), Rounded.Whole(wall.Spots[Spot].YMm + ByYMm));
        return laid.WithLine(line, line with { Course = new DrawnCourse(wall.Spots.SetItem(Spot, to)) }).Done();
    }
}
