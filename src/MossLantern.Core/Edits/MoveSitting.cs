using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A sitting comes earlier or later: what is poured first lies lowest.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="By">How many places; below 0 for earlier.</param>
public sealed record MoveSitting(string Sitting, int By) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => By < 0 ? "pour a sitting earlier" : "pour a sitting later";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Sitting) is { } refused)
        {
            return refused;
        }

        var at = piece.Sittings.Select(s => s.Id).ToList().IndexOf(Sitting);
        var to = (int)Math.Clamp((long)at + By, 0, piece.Sittings.Length - 1);
        return to == at ? piece : piece with { Sittings = piece.Sittings.RemoveAt(at).Insert(to, piece.Sittings[at]) };
    }
}
