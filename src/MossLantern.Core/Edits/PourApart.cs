using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Regions of a layer are poured in another sitting than its rest: in one that is there, or in a new one before it.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Regions">The regions.</param>
/// <param name="Sitting">The sitting; null for a new one.</param>
public sealed record PourApart(string Layer, ImmutableArray<RegionId> Regions, string? Sitting) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour it in another sitting";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Layer, Regions) is { } refused)
        {
            return refused;
        }

        var rest = piece.SittingOf(Layer);
        if (Sitting == rest.Id)
        {
            return new PourWithRest(Layer, Regions).Apply(piece, cupboard);
        }

        var to = Filling.WithBare(Filling.WithoutFills(piece, Layer, Regions), Layer, b => b.RemoveAll(Regions.Contains));
        var id = Sitting ?? Filling.FreeSitting(piece);
        if (Sitting is null)
        {
            if (piece.Sittings.Length >= PieceValidator.MostSittings)
            {
                return Edited.No("sittings", FormattableString.Invariant($"A piece has from 1 to {PieceValidator.MostSittings} sittings."));
            }

            to = to with
            {
                Sittings = to.Sittings.Insert(piece.Sittings.IndexOf(rest),
                Filling.Like(rest, id) with { Name = FormattableString.Invariant($"Sitting {piece.Sittings.Length + 1}") })
            };
        }
        else if (Filling.Unknown(piece, id) is { } unknown)
        {
            return unknown;
        }

        foreach (var region in Regions.Distinct())
        {
            var fill = new Fill(Filling.FreeFill(to), Layer, region);
            to = Filling.On(to, id, s => s with { Fills = (s.Fills ?? []).Add(fill) });
        }

        return new(to, null, PlaceIn.Sitting(id));
    }
}
