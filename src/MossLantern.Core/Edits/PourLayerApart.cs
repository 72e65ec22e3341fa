using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The rest of a layer, which is poured together with that of others, is poured in a sitting of its own, after them.</summary>
/// <param name="Layer">The layer.</param>
public sealed record PourLayerApart(string Layer) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour a layer by itself";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Layers.All(l => l.Id != Layer))
        {
            return Edited.No(PlaceIn.Layer(Layer), "There is no such layer.");
        }

        var together = piece.SittingOf(Layer);
        if (together.Rest.Length == 1)
        {
            return Edited.No(PlaceIn.Sitting(together.Id), "It is poured by itself already.");
        }

        if (piece.Sittings.Length >= PieceValidator.MostSittings)
        {
            return Edited.No("sittings", FormattableString.Invariant($"A piece has from 1 to {PieceValidator.MostSittings} sittings."));
        }

        var id = piece.Sittings.Any(s => s.Id == Layer) ? Filling.FreeSitting(piece) : Layer;
        var order = (together.Order ?? []).RemoveAll(o => o.LayerId == Layer && (together.Fills ?? []).All(f => f.LayerId != Layer));
        return new(piece with
        {
            Sittings = piece.Sittings
                .Replace(together, together with { Rest = together.Rest.Remove(Layer), Order = order.IsEmpty ? null : order })
                .Insert(piece.Sittings.IndexOf(together) + 1, Filling.Like(together, id) with { Rest = [Layer] }),
        }, null, PlaceIn.Sitting(id));
    }
}
