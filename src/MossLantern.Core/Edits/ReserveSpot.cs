using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A spot off the middle that every layer keeps visible.</summary>
public sealed record ReserveSpot : Edit
{
    private const double Share = 0.16;
    private const double LeastMm = 8;

    /// <inheritdoc/>
    public override string Words(Piece before) => "reserve a spot";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var kept = piece.Kept ?? [];
        double width = piece.Ground.MapOutline.BoxWidthMm, height = piece.Ground.MapOutline.BoxHeightMm;
        var across = Rounded.Whole(Math.Max(LeastMm, Math.Min(width, height) * Share));
        var spot = new ReservedSpot(
            FreeId.Of("kept", kept.Select(k => k.Id)), "Inlay", new RoundOutline(across), Rounded.Whole(width * 0.25 - across / 2),
            Rounded.Whole(height * (0.3 + 0.2 * (kept.Length % 3)) - across / 2), Keep.Visible);
        return new(LaidOut.ClearIn(piece, piece.Recipes).Piece with { Kept = kept.Add(spot) }, null, $"kept[{spot.Id}]");
    }
}
