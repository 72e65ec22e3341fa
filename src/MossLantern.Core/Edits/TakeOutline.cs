using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>The outline of a drawing.</summary>
/// <param name="Outline">The outline.</param>
public sealed record TakeOutline(DrawnOutline Outline) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take the outline of a drawing";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Outline is { Problem: null } ? ground with { Outline = Outline } : null;

    private protected override string Place => "ground.outline";

    private protected override string Refusal => Outline?.Problem ?? "The outline is missing.";
}
