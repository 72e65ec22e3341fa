using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>An insert gets another shape in the same place.</summary>
/// <param name="Insert">The insert.</param>
/// <param name="Shape">The shape; a freeform is none.</param>
public sealed record ShapeInsert(string Insert, OutlineShape Shape) : GroundEdit
{
    private const double OvalShare = 0.7;

    /// <inheritdoc/>
    public override string Words(Piece before) => "reshape an insert";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Mould is { Inserts: { } inserts } mould && Shape is OutlineShape.Round or OutlineShape.Oval or OutlineShape.Rectangle
            && inserts.FirstOrDefault(i => i.Id == Insert) is { } insert
        ? ground with { Mould = mould with { Inserts = inserts.Replace(insert, insert with { Outline = Shaped(insert.Outline) }) } } : null;

    private protected override string Place => $"ground.mould.inserts[{Insert}]";

    private protected override string Refusal => "That insert is no longer there, or has no such shape.";

    private Outline Shaped(Outline outline)
    {
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm;
        return Shape switch
        {
            OutlineShape.Round => new RoundOutline(Math.Min(width, height)),
            OutlineShape.Oval => new OvalOutline(width, width == height ? height * OvalShare : height),
            _ => new RectangleOutline(width, height),
        };
    }
}
