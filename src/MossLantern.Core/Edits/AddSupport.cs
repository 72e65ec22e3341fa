using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;

namespace MossLantern.Core.Edits;

/// <summary>One more support, in the middle of the others.</summary>
public sealed record AddSupport : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "add a support";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Standing.SupportsOf(ground) is var supports && supports.Length < PieceValidator.MostSupports
        ? ground with
        {
            Supports = supports
            .Add(new(Rounded.Whole(supports.Average(s => s.XMm)), Rounded.Whole(supports.Average(s => s.YMm))))
        } : null;

    private protected override string Place => "ground.supports";

    private protected override string Refusal =>
        FormattableString.Invariant($"A piece can have up to {PieceValidator.MostSupports} supports.");
}
