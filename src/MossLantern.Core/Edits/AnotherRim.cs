using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>The rim of a slice wanders differently.</summary>
public sealed record AnotherRim : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "another rim";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Outline is SliceOutline slice ? ground with { Outline = Becoming.Reseeded(slice) } : null;

    private protected override string Place => "ground.outline";

    private protected override string Refusal => "Only the rim of a slice wanders.";
}
