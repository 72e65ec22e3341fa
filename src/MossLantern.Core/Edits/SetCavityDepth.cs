using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A cavity of a drawn mould is of its own depth, or as deep as the mould.</summary>
/// <param name="Cavity">Which, from 1, counted from left to right.</param>
/// <param name="DepthMm">Its depth, mm; null for that of the mould.</param>
public sealed record SetCavityDepth(int Cavity, double? DepthMm) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"set the depth of cavity {Cavity}");

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Mould is { } mould && ground.Outline is DrawnOutline drawn && Cavity >= 1 && Cavity <= drawn.Parts.Length
        ? ground with
        {
            Mould = mould
            with
            { CavityDepths = SetDepthInCavity.In(mould.CavityDepths, Cavity, DepthMm == mould.DepthMm ? null : DepthMm) }
        } : null;

    private protected override string Place => "ground.mould.cavityDepths";

    private protected override string Refusal => "There is no such cavity.";
}
