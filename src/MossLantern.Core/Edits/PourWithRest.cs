using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Regions of a layer are poured with its rest, each in one go. A sitting that is left with nothing goes.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Regions">The regions.</param>
public sealed record PourWithRest(string Layer, ImmutableArray<RegionId> Regions) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour it with the rest";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Filling.Unknown(piece, Layer, Regions)
            ?? Filling.WithBare(Filling.WithoutFills(piece, Layer, Regions), Layer, b => b.RemoveAll(Regions.Contains));
    }
}
