using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A change of the ground; what only the ground before it had a place for goes with it.</summary>
public abstract record GroundEdit : Edit
{
    /// <inheritdoc/>
    public sealed override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        return Change(piece.Ground, cupboard) is { } to ? Settle.OnGround(piece, to) : Edited.No(Place, Refusal);
    }

    /// <summary>The ground with the change made; null where it is refused.</summary>
    private protected abstract Ground? Change(Ground ground, Cupboard cupboard);

    /// <summary>Where a refusal belongs.</summary>
    private protected virtual string Place => "ground";

    /// <summary>Why a change is refused.</summary>
    private protected virtual string Refusal => "The ground cannot be changed to that.";
}
