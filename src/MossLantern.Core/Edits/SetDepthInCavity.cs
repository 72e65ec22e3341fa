using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A layer is of its own depth in one letter or cavity of a drawn outline, or as deep as elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Cavity">Which letter or cavity, from 1, counted from left to right.</param>
/// <param name="DepthMm">The depth there, mm; null for that of the layer.</param>
public sealed record SetDepthInCavity(string Layer, int Cavity, double? DepthMm) : LayoutEdit(Layer, null)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"set the depth in cavity {Cavity}");

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) =>
        laid.Piece.Ground.Outline is not DrawnOutline drawn || Cavity < 1 || Cavity > drawn.Parts.Length
            ? Edited.No($"{laid.Place}.partDepths", "There is no such cavity.")
        : laid.OnLayer(l => l with { PartDepths = In(l.PartDepths, Cavity, DepthMm == l.DepthMm ? null : DepthMm) }).Done();

    /// <summary>Depths of cavities with one of them changed; none is the usual depth.</summary>
    internal static ImmutableArray<CavityDepth>? In(ImmutableArray<CavityDepth>? depths, int cavity, double? depthMm)
    {
        ImmutableArray<CavityDepth> next =
        [
            .. (depths ?? []).Where(d => d.Part != cavity)
                .Concat(depthMm is { } mm ? [new CavityDepth(cavity, mm)] : []).OrderBy(d => d.Part),
        ];
        return next.IsEmpty ? null : next;
    }
}
