using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A new layer on top: the hearts of the one below, clear all over, in a sitting of its own.</summary>
/// <param name="ClearCoat">Whether it is clear over everything, and called so.</param>
public sealed record AddLayer(bool ClearCoat = false) : Edit
{
    private const double DepthMm = 2;

    /// <inheritdoc/>
    public override string Words(Piece before) => ClearCoat ? "pour a clear coat over it" : "pour a layer over it";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var below = piece.Layers[^1];
        var sitting = piece.SittingOf(below.Id);
        var id = FreeId.Of("layer", piece.Layers.Select(l => l.Id).Concat(piece.Sittings.Select(s => s.Id)));
        var (with, clear) = LaidOut.ClearIn(piece, piece.Recipes);
        var hearts = below.Within is null && below.Layout is RingsLayout rings ? rings : null;
        return new(with with
        {
            Layers = piece.Layers.Add(new(
                id, ClearCoat ? "Clear coat" : FormattableString.Invariant($"Layer {piece.Layers.Length + 1}"), DepthMm,
                ClearCoat ? new FloodLayout(clear) : new RingsLayout(
                    hearts?.Hearts ?? [], [new("band-1", 10, true, clear)], hearts?.RimFollow ?? 0,
                    hearts is { Hearts.IsEmpty: false } ? clear : null,
                    hearts?.Widening ?? 1, hearts?.RimWay ?? RimWay.Proportional),
                Contrast: below.Contrast)),
            Sittings = piece.Sittings.Add(new(
                id, [id], sitting.Resin, sitting.Measure, Tools: sitting.Tools, Losses: sitting.Losses,
                ReservePercent: sitting.ReservePercent, RoomC: sitting.RoomC)),
        }, null, PlaceIn.Layer(id));
    }
}
