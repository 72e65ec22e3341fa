using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A spot of a wall, or of another line that was drawn by hand, comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Wall">The line.</param>
/// <param name="Spot">Which spot, from 0.</param>
/// <param name="ByXMm">By how much to the right, mm.</param>
/// <param name="ByYMm">By how much down, mm.</param>
public sealed record MoveWallSpot(string Layer, string? Zone, string Wall, int Spot, double ByXMm, double ByYMm)
    : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) =>
        before?.Lines?.FirstOrDefault(l => l.Id == Wall) is { IsBarrier: false } ? "move a line" : "move a wall";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (laid.DrawnOf(Wall) is not var (line, wall) || Spot < 0 || Spot >= wall.Spots.Length)
        {
            return Edited.No(PlaceIn.Line(Wall), "That line is no longer there.");
        }

        var to = new Spot(Rounded.Whole(wall.Spots[Spot].XMm + ByXMm), Rounded.Whole(wall.Spots[Spot].YMm + ByYMm));
        return laid.WithLine(line, line with { Course = new DrawnCourse(wall.Spots.SetItem(Spot, to)) }).Done();
    }
}
