using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A layer is of its own depth in one part of a drawn outline, or as deep as elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Part">Which part, from 1, counted from left to right.</param>
/// <param name="DepthMm">The depth there, mm; null for that of the layer.</param>
public sealed record SetPartDepth(string Layer, int Part, double? DepthMm) : LayoutEdit(Layer, null)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"set the depth in part {Part}");

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) =>
        laid.Piece.Ground.Outline is not DrawnOutline drawn || Part < 1 || Part > drawn.Parts.Length ? Edited.No($"{laid.Place}.partDepths", "There is no such part.")
        : laid.OnLayer(l => l with { PartDepths = In(l.PartDepths, Part, DepthMm == l.DepthMm ? null : DepthMm) }).Done();

    /// <summary>Depths of parts with one of them changed; none is the usual depth.</summary>
    internal static ImmutableArray<PartDepth>? In(ImmutableArray<PartDepth>? depths, int part, double? depthMm)
    {
        ImmutableArray<PartDepth> next =
        [
            .. (depths ?? []).Where(d => d.Part != part).Concat(depthMm is { } mm ? [new PartDepth(part, mm)] : []).OrderBy(d => d.Part),
        ];
        return next.IsEmpty ? null : next;
    }
}
