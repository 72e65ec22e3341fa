using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A handle of a slice is pulled.</summary>
/// <param name="Handle">Which, from 0.</param>
/// <param name="By">How much farther the curve reaches there, as a share of the way to the frame; it stays within the
/// accepted range.</param>
public sealed record PullRim(int Handle, double By) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pull the rim";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Outline is SliceOutline slice && Handle >= 0 && Handle < slice.Reach.Length && double.IsFinite(By)
        ? ground with
        {
            Outline = slice with
            {
                Reach = slice.Reach
            .SetItem(Handle, Math.Clamp(Rounded.Thousandth(slice.Reach[Handle] + By), Accepted.Reach.From, Accepted.Reach.To))
            }
        } : null;

    private protected override string Place => "ground.outline.reach";

    private protected override string Refusal => "The outline has no such handle.";
}
