using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Where the core sample is taken, and what it passes.</summary>
/// <remarks>Source: docs/craft/map.md, Areas.</remarks>
public static class CoreCut
{
    /// <summary>One height for the whole piece, so that the strata of its layers lie above each other.</summary>
    public static double AtMm(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var height = piece.Ground.MapOutline.BoxHeightMm;
        var middle = piece.Filled.Where(l => l.Within is null).Select(l => l.Layout switch
        {
            RingsLayout rings => rings.Hearts.FirstOrDefault()?.YMm,
            PuddleLayout puddle => puddle.YMm,
            PetalsLayout petals => petals.YMm,
            _ => null,
        }).FirstOrDefault(y => y is not null);
        return middle is > 0 && middle < height ? middle.Value : height / 2;
    }

    /// <summary>The cut through what a layer is poured in, over every mirrored panel.</summary>
    public static ImmutableArray<CutSpan> Of(Ground ground, Outline outline, LayerMap map, double y)
    {
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(outline);
        ArgumentNullException.ThrowIfNull(map);
        ImmutableArray<CutSpan> spans = [.. outline.Chords(y).SelectMany(c => map.Cut(y, c.FromMm, c.ToMm))];
        return ground.Set is { Mirrored: true }
            ? [.. ground.Panels!.Copies.SelectMany(copy => copy.Mirrored
                ? spans.Reverse().Select(s => new CutSpan(s.RegionId, copy.X(s.ToMm), copy.X(s.FromMm)))
                : spans.Select(s => new CutSpan(s.RegionId, copy.X(s.FromMm), copy.X(s.ToMm))))]
            : spans;
    }
}
