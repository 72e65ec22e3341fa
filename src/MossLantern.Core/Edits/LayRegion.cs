using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>How a region, or a pass over it, is laid: poured to its depth, rubbed on, combed, domed or drizzled. Its
/// depth is then what that way gives.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Region">The region.</param>
/// <param name="Fill">The pass, by its id; null for the region as a whole.</param>
/// <param name="Way">The way.</param>
public sealed record LayRegion(string Layer, RegionId Region, string? Fill, FillWay Way) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "lay it in another way";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Layer, [Region]) is { } refused)
        {
            return refused;
        }

        var own = piece.Sittings.SelectMany(s => s.Fills ?? []).Where(f => f.LayerId == Layer && f.Region == Region).ToList();
        if (!Enum.IsDefined(Way) || !piece.Lined(Layer)!.HasDepth(Region)
            || own.Count > 1 && Fill is null || Fill is not null && own.All(f => f.Id != Fill))
        {
            return Edited.No(PlaceIn.Region(Layer, Region), "This is laid in one way; a region of several passes is laid pass by pass.");
        }

        // Poured in one go with the rest it needs no fill of its own.
        if (own.Count == 0)
        {
            var rest = piece.SittingOf(Layer);
            var fill = new Fill(Filling.FreeFill(piece), Layer, Region, Way: Way);
            return Way == FillWay.Poured ? piece : Filling.On(Filling.WithBare(piece, Layer, b => b.Remove(Region)),
                rest.Id, s => s with { Fills = (s.Fills ?? []).Add(fill) });
        }

        var id = Fill ?? own[0].Id;
        var plain = Way == FillWay.Poured && own is [{ RecipeId: null }] && (piece.SittingOf(Layer).Fills ?? []).Any(f => f.Id == id);
        return Filling.Each(piece, s => s.Fills is not { } fills ? s : s with
        {
            Fills = plain && fills.RemoveAll(f => f.Id == id) is var left ? left.IsEmpty ? null : left
                : [.. fills.Select(f => f.Id == id ? f with { Way = Way, DepthMm = null } : f)],
        });
    }
}
