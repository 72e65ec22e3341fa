using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The regions of a sitting are poured in another order.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Regions">Its regions in turn; none for the usual order. Those left out follow in that.</param>
public sealed record OrderPours(string Sitting, ImmutableArray<RegionOf> Regions) : Edit
{
    private const int MostRegions = 1000;

    /// <inheritdoc/>
    public override string Words(Piece before) => Regions.IsDefaultOrEmpty ? "pour in the usual order" : "pour in another order";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is OrderPours other && other.Sitting == Sitting ? other : null;

    /// <inheritdoc/>
    public bool Equals(OrderPours? other) =>
        other is not null && other.Sitting == Sitting && Regions.AsSpan().SequenceEqual(other.Regions.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Sitting, Regions.IsDefault ? 0 : Regions.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Regions.IsDefault || Regions.Length > MostRegions || piece.Sittings.All(s => s.Id != Sitting)
            ? Edited.No(PlaceIn.Sitting(Sitting),
                FormattableString.Invariant($"There is no such sitting, or its order names more than {MostRegions} regions."))
            : Filling.On(piece, Sitting, s => s with { Order = Regions.IsEmpty ? null : [.. Regions.Distinct()] });
    }
}
