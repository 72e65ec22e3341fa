using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>The ground is painted, or left unpainted.</summary>
/// <param name="Kind">The kind of paint; null for none.</param>
public sealed record PaintGround(PaintKind? Kind) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Kind is null ? "leave the ground unpainted" : "paint the ground";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => Kind is not { } kind ? ground with { Paint = null }
        : ground.Base?.Material.TakesPaint() == false ? null
        : Enum.IsDefined(kind) ? ground
            with
        { Paint = new(kind, ground.Paint?.Coats ?? 1, null, ground.Paint?.Sealed ?? false, ground.Paint?.AsMap ?? false) } : null;

    private protected override string Place => "ground.paint.kind";

    private protected override string Refusal =>
        "There is no such paint, or what it lies on is not painted: a casting sheet is bent off, and a metal rim has no face.";
}
