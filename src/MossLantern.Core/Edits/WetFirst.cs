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

        // It comes when the first layer was to come; when that and all after it come is to be said again.
        var start = with.Sittings.Select(s => s.Start).Where(s => s is not null).Min();
        return with with
        {
            Layers = with.Layers
                .Insert(0, new(id, "Wetting coat", Rework.WettingMm, new RingsLayout([], [new("band-1", 10, true, clear)], 0, null))),
            Sittings = [new(id, [id], over.Resin, over.Measure, Start: start, RoomC: over.RoomC),
                .. with.Sittings.Select(s => s with { Start = null, End = null })],
        };
    }
}
