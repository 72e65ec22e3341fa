using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A wall, a dam, a line or something else that dries goes.</summary>
/// <param name="Line">The line, or what dries.</param>
public sealed record TakeLineAway(string Line) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) =>
        before?.Dries?.Any(d => d.Id == Line) == true ? "leave out what has to dry"
        : before?.Lines?.FirstOrDefault(l => l.Id == Line) is not { IsBarrier: true } wall ? "leave the line out"
        : wall.Course is RoundCourse ? "take the dam away" : "take a wall away";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return (piece.Dries ?? []).FirstOrDefault(d => d.Id == Line) is { } drying
            ? new(piece with { Dries = piece.Dries!.Value.Remove(drying) is { IsEmpty: false } left ? left : null })
            : (piece.Lines ?? []).All(l => l.Id != Line) ? Edited.No(PlaceIn.Line(Line), "That line is no longer there.")
            : new(Settle.Of(piece, piece with { Lines = piece.Lines!.Value.RemoveAll(l => l.Id == Line) }));
    }
}
