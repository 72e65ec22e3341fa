using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A spot of a wall comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Wall">The wall.</param>
/// <param name="Spot">Which spot, from 0.</param>
/// <param name="XMm">mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
public sealed record MoveWallSpot(string Layer, string? Zone, string Wall, int Spot, double XMm, double YMm) : LayoutEdit<PoolsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "move a wall";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveWallSpot other && IsOfTheSame(other) && (other.Wall, other.Spot) == (Wall, Spot) ? other : null;

    private protected override Edited Change(LaidOut laid, PoolsLayout layout)
    {
        var at = layout.Strokes.ToList().FindIndex(s => s.Id == Wall);
        return at < 0 || Spot < 0 || Spot >= layout.Strokes[at].Spots.Length ? Edited.No($"{laid.Place}.layout.strokes[{Wall}]", "There is no such wall by now.")
            : laid.With(layout with
            {
                Strokes = layout.Strokes.SetItem(at, layout.Strokes[at] with { Spots = layout.Strokes[at].Spots.SetItem(Spot, new(Rounded.Whole(XMm), Rounded.Whole(YMm))) }),
            }).Done();
    }
}
