using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A sitting is mixed from another resin; the maker's data of the last one goes.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Resin">The resin, by its id in the cupboard.</param>
public sealed record ChooseResin(string Sitting, string Resin) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "mix from another resin";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        return piece.Sittings.FirstOrDefault(s => s.Id == Sitting) is not { } sitting || cupboard.Catalogue.Resin(Resin) is null
            ? Edited.No($"{PlaceIn.Sitting(Sitting)}.resin.system", "The resin must be one of the cupboard's.")
            : piece with { Sittings = piece.Sittings.Replace(sitting, sitting with { Resin = new(Resin) }) };
    }
}
