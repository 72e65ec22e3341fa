using MossLantern.Core.Documents;
using MossLantern.Core.Map;

namespace MossLantern.Core.Edits;

/// <summary>A wall that stopped short is drawn on to the next one, or to the rim.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Wall">The wall.</param>
/// <param name="AtStart">Whether its beginning is drawn on; else its end.</param>
/// <param name="XMm">Where to, mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
public sealed record JoinWall(string Layer, string? Zone, string Wall, bool AtStart, double XMm, double YMm)
    : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "draw a wall on";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) =>
        laid.WallOf(Wall) is not var (line, wall) ? Edited.No(PlaceIn.Line(Wall), "That wall is no longer there.")
        : laid.WithLine(line, line with
        {
            Course = new DrawnCourse(Pools.Closed(wall, new(Wall, AtStart ? wall.Spots[0] : wall.Spots[^1], new(XMm, YMm), AtStart)).Spots),
        }).Done();
}
