using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A finding that is let be, with a reason; or one that is told again.</summary>
/// <param name="Finding">The finding's key.</param>
/// <param name="Reason">Why; null to be told again.</param>
/// <param name="Grade">How much it weighs; null for not known. When it weighs more, it is told again.</param>
/// <param name="Worth">How far it goes; null for not known, or where it has no measure. When it goes further, it is told again.</param>
public sealed record WaveOff(string Finding, string? Reason, Grade? Grade = null, double? Worth = null) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Reason is null ? "be told again" : "let it be";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var others = (piece.WavedOff ?? []).RemoveAll(w => w.Finding == Finding);
        var now = Reason is null ? others : others.Add(new(Finding, Reason, Grade, Worth));
        return piece with { WavedOff = now.IsEmpty ? null : now };
    }
}
