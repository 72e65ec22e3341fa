using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A heart comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Heart">The heart.</param>
/// <param name="XMm">Its middle, mm from the left.</param>
/// <param name="YMm">Its middle, mm from the top.</param>
public sealed record MoveHeart(string Layer, string? Zone, string Heart, double XMm, double YMm) : LayoutEdit<RingsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "move a heart";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveHeart other && IsOfTheSame(other) && other.Heart == Heart ? other : null;

    private protected override Edited Change(LaidOut laid, RingsLayout layout, Cupboard cupboard)
    {
        var at = layout.Hearts.ToList().FindIndex(h => h.Id == Heart);
        return at < 0 ? Edited.No($"{laid.Place}.layout.hearts[{Heart}]", "That heart is no longer there.")
            : laid.With(layout with
            {
                Hearts = layout.Hearts
                .SetItem(at, layout.Hearts[at] with { XMm = Rounded.Whole(XMm), YMm = Rounded.Whole(YMm) })
            }).Done();
    }
}
