using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Regions stay bare in a layer: no sitting pours them.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Regions">The regions.</param>
public sealed record LeaveBare(string Layer, ImmutableArray<RegionId> Regions) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "leave it bare";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Filling.Unknown(piece, Layer, Regions)
            ?? Filling.WithBare(Filling.WithoutFills(piece, Layer, Regions), Layer, b => [.. b.Union(Regions)]);
    }
}
