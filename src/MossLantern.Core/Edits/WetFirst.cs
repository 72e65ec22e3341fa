using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A thin clear coat goes over what stands up from older work, before everything else.</summary>
public sealed record WetFirst : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour a wetting coat first";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Layers.Length >= PieceValidator.MostLayers || piece.Sittings.Length >= PieceValidator.MostSittings)
        {
            return Edited.No("layers",
                FormattableString.Invariant(
                    $"A piece has up to {PieceValidator.MostLayers} layers and {PieceValidator.MostSittings} sittings."));
        }

        var over = piece.SittingOf(piece.Layers[0].Id);
        var id = FreeId.Of("wetting", piece.Layers.Select(l => l.Id).Concat(piece.Sittings.Select(s => s.Id)));
        var (with, clear) = LaidOut.ClearIn(piece, piece.Recipes);
        return with with
        {
            Layers = with.Layers
                .Insert(0, new(id, "Wetting coat", Rework.WettingMm, new RingsLayout([], [new("band-1", 10, true, clear)], 0, null))),
            Sittings = with.Sittings.Insert(0, new(id, [id], over.Resin, over.Measure)),
        };
    }
}
