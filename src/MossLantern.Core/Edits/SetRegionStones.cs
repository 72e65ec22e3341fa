using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Stones lie in the resin of a region, so and so much of them, or none.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Region">The region.</param>
/// <param name="Stone">Which stones, of the cupboard's.</param>
/// <param name="Grams">What lies below the level of the resin, of one piece, g; null for none.</param>
public sealed record SetRegionStones(string Layer, RegionId Region, string Stone, double? Grams) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Grams is null ? "take stones out" : "set the stones in a region";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) =>
        next is SetRegionStones other && (other.Layer, other.Region, other.Stone) == (Layer, Region, Stone) ? other : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.ByAmount(piece, Layer, Region, "This is poured by the millilitre, so stones in it change nothing.") is { } refused)
        {
            return refused;
        }

        var layer = piece.Layers.Single(l => l.Id == Layer);
        var all = layer.Stones ?? [];
        var had = all.FirstOrDefault(s => s.Region == Region && s.StoneId == Stone);
        var stones = (Grams, had) switch
        {
            (null, null) => all,
            (null, { } old) => all.Remove(old),
            ({ } g, null) => all.Add(new(Region, Stone, g)),
            ({ } g, { } old) => all.Replace(old, old with { Grams = g }),
        };
        return piece with { Layers = piece.Layers.Replace(layer, layer with { Stones = stones.IsEmpty ? null : stones }) };
    }
}
