using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The outline gets another shape in the same box; an opening stays where it fits.</summary>
/// <param name="Shape">The shape.</param>
public sealed record ShapeOutline(OutlineShape Shape) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "reshape the outline";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Enum.IsDefined(Shape) ? ground with { Outline = Becoming.Shaped(ground.Outline, Shape) } : null;

    private protected override string Place => "ground.outline";

    private protected override string Refusal => "There is no such shape.";
}
