using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A cavity of a drawn mould is of its own depth, or as deep as the mould.</summary>
/// <param name="Part">Which, from 1, counted from left to right.</param>
/// <param name="DepthMm">Its depth, mm; null for that of the mould.</param>
public sealed record SetCavityDepth(int Part, double? DepthMm) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"set the depth of cavity {Part}");

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => ground.Mould is { } mould && ground.Outline is DrawnOutline drawn && Part >= 1 && Part <= drawn.Parts.Length
        ? ground with { Mould = mould with { CavityDepths = SetPartDepth.In(mould.CavityDepths, Part, DepthMm == mould.DepthMm ? null : DepthMm) } } : null;

    private protected override string Place => "ground.mould.cavityDepths";

    private protected override string Refusal => "There is no such cavity.";
}
