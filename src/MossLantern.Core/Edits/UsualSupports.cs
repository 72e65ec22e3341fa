using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The piece stands on the usual supports.</summary>
public sealed record UsualSupports : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "stand it on the usual supports";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => ground with { Supports = null };
}
