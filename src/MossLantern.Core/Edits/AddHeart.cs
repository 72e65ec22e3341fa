using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Edits;

/// <summary>A heart: the first off the middle, with amber in its bed; each further one where there is most room beside
/// the others.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record AddHeart(string Layer, string? Zone) : LayoutEdit<RingsLayout>(Layer, Zone)
{
    private const double LaterShare = 0.6;
    private const double LeastMm = 8;

    private static readonly ImmutableArray<(double X, double Y)> Places = [(0.42, 0.46), (0.76, 0.3), (0.72, 0.76),
        (0.2, 0.2), (0.18, 0.8), (0.5, 0.1)];

    /// <inheritdoc/>
    public override string Words(Piece before) => "put a heart";

    private protected override Edited Change(LaidOut laid, RingsLayout layout, Cupboard cupboard)
    {
        var box = laid.Box;
        double Room((double X, double Y) place) =>
            layout.Hearts.Select(h => double
                .Hypot(h.XMm - box.XMm - place.X * box.WidthMm, h.YMm - box.YMm - place.Y * box.HeightMm)).DefaultIfEmpty(0).Min();
        var first = layout.Hearts.IsEmpty;
        var (x, y) = first ? Places[0] : Places.MaxBy(Room);
        var size = Math.Min(box.WidthMm, box.HeightMm) * (first ? 1 : LaterShare);
        var heart = new Heart(
            FreeId.Of("heart", layout.Hearts.Select(h => h.Id)),
            Rounded.Whole(box.XMm + box.WidthMm * x), Rounded.Whole(box.YMm + box.HeightMm * y),
            Rounded.Whole(Math.Max(LeastMm, size * 0.26)), Rounded.Whole(Math.Max(LeastMm, size * 0.18)), -15, 14,
            7 + 11 * layout.Hearts.Length);
        var bed = layout.HeartRecipeId;
        if (first)
        {
            var known = laid.Cups.FirstOrDefault(c => c.Name == Palette.Amber.Name)?.Id;
            (laid, bed) = known is null ? laid.WithNew(Palette.Amber) : (laid, known);
        }

        return laid.With(layout with { Hearts = layout.Hearts.Add(heart), HeartRecipeId = bed }).Done($"layout.hearts[{heart.Id}]");
    }
}
