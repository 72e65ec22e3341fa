using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A remedy that the second look offers is taken.</summary>
/// <param name="Finding">The finding's key.</param>
/// <param name="Remedy">The remedy's id.</param>
public sealed record TakeRemedy(string Finding, string Remedy) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a remedy";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        return cupboard.Remedied?.Invoke(piece, Finding, Remedy) is { } remedied ? Settle.Of(piece, remedied)
            : Edited.No("", "That finding is no longer there, or has no such remedy.");
    }
}
