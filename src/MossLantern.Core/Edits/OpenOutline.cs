using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>The outline gets an opening off the middle, or loses it.</summary>
/// <param name="Open">Whether it has one.</param>
public sealed record OpenOutline(bool Open) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Open ? "cut an opening" : "close the opening";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Outline is DrawnOutline ? null : ground with { Outline = Becoming.Opened(ground.Outline, Open) };

    private protected override string Place => "ground.outline.opening";

    private protected override string Refusal => "A drawn outline has the openings it was drawn with.";
}
