using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>The curve of a slice goes through so many handles.</summary>
/// <param name="Handles">How many.</param>
public sealed record PutHandles(int Handles) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "put other handles on the rim";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Outline is SliceOutline slice && Handles is >= SliceOutline.FewestHandles and <= SliceOutline.MostHandles
        ? ground with { Outline = Becoming.Through(slice, Handles) } : null;

    private protected override string Place => "ground.outline.reach";

    private protected override string Refusal =>
        FormattableString.Invariant($"A slice has from {SliceOutline.FewestHandles} to {SliceOutline.MostHandles} handles.");
}
