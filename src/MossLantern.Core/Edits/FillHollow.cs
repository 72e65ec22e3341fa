using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A layer that fills the hollow an insert leaves.</summary>
/// <param name="Insert">The insert.</param>
public sealed record FillHollow(string Insert) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "plan the fill of a hollow";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var filled = Rework.Filled(piece, Insert);
        return ReferenceEquals(filled, piece)
            ? Edited.No($"ground.mould.inserts[{Insert}]", "There is no such insert, or its hollow is filled already.")
            : new(filled, null, PlaceIn.Layer(filled.Layers[^1].Id));
    }
}
