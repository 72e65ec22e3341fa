using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The cups of a sitting are poured off these jugs; one that stands alone is mixed in itself.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Batches">The batches in turn; none for as the program proposes them.</param>
public sealed record ArrangeBatches(string Sitting, ImmutableArray<Batch> Batches) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Batches.IsDefaultOrEmpty ? "mix in the jugs that are proposed" : "mix in other jugs";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is ArrangeBatches other && other.Sitting == Sitting ? other : null;

    /// <inheritdoc/>
    public bool Equals(ArrangeBatches? other) =>
        other is not null && other.Sitting == Sitting && Batches.AsSpan().SequenceEqual(other.Batches.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Sitting, Batches.IsDefault ? 0 : Batches.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Filling.Unknown(piece, Sitting)
            ?? (Batches.IsDefaultOrEmpty ? Filling.On(piece, Sitting, s => s with { Batches = null })
                : Batches.Length > PieceValidator.MostBatches
                    || Batches.Any(b => b.RecipeIds.IsDefaultOrEmpty || b.RecipeIds.Length > PieceValidator.MostRecipes)
                    ? Edited.No($"{PlaceIn.Sitting(Sitting)}.batches",
                        FormattableString.Invariant(
                            $"A sitting mixes up to {PieceValidator.MostBatches} batches, and each is divided into at least one cup."))
                : Filling.On(piece, Sitting, s => s with { Batches = Batches }));
    }
}
