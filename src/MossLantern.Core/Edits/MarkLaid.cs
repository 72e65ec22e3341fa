using System.Collections.Immutable;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Core.Edits;

/// <summary>Lines and what else dries are laid, or are not.</summary>
/// <param name="Lines">The lines, and what else dries.</param>
/// <param name="Done">Whether they are laid.</param>
/// <param name="At">When the last of them was, in the workshop's local time; null for not known.</param>
public sealed record MarkLaid(ImmutableArray<string> Lines, bool Done, LocalDateTime? At = null) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Done ? "mark lines as laid" : "mark lines as not laid";

    /// <inheritdoc/>
    public bool Equals(MarkLaid? other) => other is not null && Done == other.Done && At == other.At
        && Lines.AsSpan().SequenceEqual(other.Lines.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Done, At, Lines.IsDefault ? 0 : Lines.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var all = piece.Lines ?? [];
        if (Lines.IsDefaultOrEmpty || Lines.Length > Line.Most
            || Lines.Any(id => all.All(l => l.Id != id || l.IsPoured) && (piece.Dries ?? []).All(d => d.Id != id)))
        {
            return Edited.No("lines", "What is laid and dries is a wall, a dam, a raised line or something of one's own.");
        }

        var laid = Done ? new LineLaid(At) : null;
        return new(piece with
        {
            Lines = piece.Lines is null ? null : [.. all.Select(l => Lines.Contains(l.Id) ? l with { Laid = laid } : l)],
            Dries = piece.Dries is { } dries ? [.. dries.Select(d => Lines.Contains(d.Id) ? d with { Laid = laid } : d)] : null,
        });
    }
}
