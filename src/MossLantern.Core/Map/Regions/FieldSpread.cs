using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>A field with its colour, by where it lies.</summary>
/// <param name="Field">Which field, from 1.</param>
/// <param name="Cup">The recipe it is poured from.</param>
/// <param name="At">Where it lies.</param>
/// <param name="AreaMm2">How large it is, mm².</param>
internal sealed record PlacedField(int Field, string Cup, Spot At, double AreaMm2);

/// <summary>Whether the colours of fields lie all over a piece, or bunched on one side of it.</summary>
/// <remarks>Source: docs/craft/layouts.md, Fields.</remarks>
internal static class FieldSpread
{
    /// <summary>A colour leans to one side from so much of the piece's diagonal on.</summary>
    public const double LeanShare = 0.17;

    /// <summary>The fields of a map that have a colour.</summary>
    public static List<PlacedField> Placed(LayerMap map) =>
    [
        .. map.Regions.Where(r => r is { Kind: RegionKind.Field, AreaMm2: > 0, CupId: not null, Anchor: not null }
            && r.Id is { Zone: null, Field: not null })
            .Select(r => new PlacedField(r.Id.Field!.Value, r.CupId!, r.Anchor!, r.AreaMm2)),
    ];

    /// <summary>How far off the middle a colour may lean, mm.</summary>
    public static double MostLeanMm(PieceBox box) => LeanShare * Math.Sqrt(box.WidthMm * box.WidthMm + box.HeightMm * box.HeightMm);

    /// <summary>Colours with two fields or more, all of them on the side to which they lean.</summary>
    public static HashSet<string> Bunched(List<PlacedField> placed, PieceBox box)
    {
        double midX = placed.Sum(p => p.At.XMm * p.AreaMm2) / placed.Sum(p => p.AreaMm2),
        midY = placed.Sum(p => p.At.YMm * p.AreaMm2) / placed.Sum(p => p.AreaMm2);
        var least = MostLeanMm(box);
        return
        [
            .. placed.GroupBy(p => p.Cup).Where(g => g.Count() > 1).Where(g =>
            {
                var area = g.Sum(p => p.AreaMm2);
                double x = g.Sum(p => p.At.XMm * p.AreaMm2) / area - midX, y = g.Sum(p => p.At.YMm * p.AreaMm2) / area - midY;
                return Math.Sqrt(x * x + y * y) > least && g.All(p => (p.At.XMm - midX) * x + (p.At.YMm - midY) * y > 0);
            }).Select(g => g.Key),
        ];
    }
}
