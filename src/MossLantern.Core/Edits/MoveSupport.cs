using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;

namespace MossLantern.Core.Edits;

/// <summary>A support comes to stand elsewhere.</summary>
/// <param name="Support">Which, from 0.</param>
/// <param name="ByXMm">By how much to the right, mm.</param>
/// <param name="ByYMm">By how much down, mm.</param>
public sealed record MoveSupport(int Support, double ByXMm, double ByYMm) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "move a support";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Standing.SupportsOf(ground) is var supports && Support >= 0 && Support < supports.Length
        ? ground with
        {
            Supports = supports
            .SetItem(Support, new(Rounded.Whole(supports[Support].XMm + ByXMm), Rounded.Whole(supports[Support].YMm + ByYMm)))
        } : null;

    private protected override string Place => "ground.supports";

    private protected override string Refusal => "There is no such support.";
}
