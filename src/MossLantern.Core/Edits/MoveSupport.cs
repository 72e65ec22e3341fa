using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;

namespace MossLantern.Core.Edits;

/// <summary>A support comes to stand elsewhere.</summary>
/// <param name="Support">Which, from 0.</param>
/// <param name="XMm">mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
public sealed record MoveSupport(int Support, double XMm, double YMm) : GroundEdit
{
    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveSupport other && other.Support == Support ? other : null;

    /// <inheritdoc/>
    public override string Words(Piece before) => "move a support";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => Standing.SupportsOf(ground) is var supports && Support >= 0 && Support < supports.Length
        ? ground with { Supports = supports.SetItem(Support, new(Rounded.Whole(XMm), Rounded.Whole(YMm))) } : null;

    private protected override string Place => "ground.supports";

    private protected override string Refusal => "There is no such support.";
}
