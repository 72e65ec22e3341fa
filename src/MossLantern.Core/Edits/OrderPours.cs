using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The regions of a layer are poured in another order.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Regions">Its regions in turn; none for the usual order. Those left out follow in that.</param>
public sealed record OrderPours(string Layer, ImmutableArray<RegionId> Regions) : Edit
{
    private const int MostRegions = 1000;

    /// <inheritdoc/>
    public override string Words(Piece before) => Regions.IsDefaultOrEmpty ? "pour in the usual order" : "pour in another order";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is OrderPours other && other.Layer == Layer ? other : null;

    /// <inheritdoc/>
    public bool Equals(OrderPours? other) => other is not null && other.Layer == Layer && Regions.AsSpan().SequenceEqual(other.Regions.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Layer, Regions.IsDefault ? 0 : Regions.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Regions.IsDefault || Regions.Length > MostRegions || piece.Filled.FirstOrDefault(l => l.Id == Layer) is not { } layer
            ? Edited.No($"{PlaceIn.Layer(Layer)}", FormattableString.Invariant($"There is no such layer, or its order names more than {MostRegions} regions."))
            : piece.With(layer with { PourOrder = [.. Regions.Distinct()] });
    }
}
