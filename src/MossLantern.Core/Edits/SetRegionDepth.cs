using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A region aims at a depth of its own, or at that of its layer.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Region">The region.</param>
/// <param name="DepthMm">The depth, mm; null for that of the layer.</param>
public sealed record SetRegionDepth(string Layer, RegionId Region, double? DepthMm) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "set the depth of a region";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is SetRegionDepth other && (other.Layer, other.Region) == (Layer, Region) ? other : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.ByAmount(piece, Layer, Region, "This is poured by the millilitre, so it has no depth.") is { } refused)
        {
            return refused;
        }

        var layer = piece.Layers.Single(l => l.Id == Layer);
        var others = (layer.RegionDepths ?? []).RemoveAll(d => d.Region == Region);
        var depths = DepthMm is { } mm ? others.Add(new(Region, mm)) : others;
        return piece with { Layers = piece.Layers.Replace(layer, layer with { RegionDepths = depths.IsEmpty ? null : depths }) };
    }
}
