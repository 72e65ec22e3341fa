using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>How far a wall is sealed.</summary>
public enum WallSeal
{
    /// <summary>Not yet.</summary>
    Open,

    /// <summary>Its gaps are.</summary>
    Sealed,

    /// <summary>It held water.</summary>
    Tested,
}

/// <summary>How far the wall that holds the resin is sealed.</summary>
/// <param name="Seal">How far.</param>
public sealed record SealWall(WallSeal Seal) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "seal the wall";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => !Enum.IsDefined(Seal) ? null : ground with
    {
        Base = (ground.Base ?? new(PieceKind.Panel, BaseMaterial.BirchPly))
            with
        { GapsSealed = Seal != WallSeal.Open, SealTested = Seal == WallSeal.Tested },
    };

    private protected override string Place => "ground.base.gapsSealed";

    private protected override string Refusal => "There is no such seal.";
}
