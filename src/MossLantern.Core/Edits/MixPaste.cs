using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>What granules a line of paste is mixed of.</summary>
/// <param name="Line">The line.</param>
/// <param name="Granules">Each kind with its parts.</param>
public sealed record MixPaste(string Line, ImmutableArray<Granules> Granules) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "mix the paste otherwise";

    /// <inheritdoc/>
    public bool Equals(MixPaste? other) =>
        other is not null && Line == other.Line && Granules.AsSpan().SequenceEqual(other.Granules.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Line, Granules.IsDefault ? 0 : Granules.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return (piece.Lines ?? []).FirstOrDefault(l => l.Id == Line) is not { Material: PasteLine paste } line
            ? Edited.No(PlaceIn.Line(Line), "That line of paste is no longer there.")
            : new(piece with { Lines = piece.Lines!.Value.Replace(line, line with { Material = paste with { Granules = Granules } }) });
    }
}
