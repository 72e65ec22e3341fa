using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>A region with the colour it shows on the ground.</summary>
/// <param name="Id">The region.</param>
/// <param name="Name">What it is called: by its colour and where it lies.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup; null where nothing is poured, or nobody has said from which.</param>
/// <param name="Area">Its area, cm².</param>
/// <param name="OpenEdgeMm">Length of the outline's edge it touches, mm.</param>
/// <param name="Fits">False where no room is left for it and its area is 0.</param>
/// <param name="Anchor">Where it is held by a hand; null for what is held otherwise.</param>
/// <param name="Narrow">How narrow a band is; null for what has no width, or no room.</param>
/// <param name="Wide">How wide it is.</param>
/// <param name="Bare">Whether it stays bare in its layer.</param>
/// <param name="OwnDepthMm">How deep it is, mm, where it is another depth than its layer; else null.</param>
/// <param name="Middle">Where it is written on: as far as can be from everything else; null for what is too small to be met.</param>
public sealed record RegionPlan(
    RegionId Id, string Name, RegionKind Kind, string? CupId, Reckoned Area, double OpenEdgeMm, bool Fits, Spot? Anchor,
    Reckoned? Narrow = null, Reckoned? Wide = null,
    bool Bare = false, double? OwnDepthMm = null, Spot? Middle = null)
{
    /// <summary>A region of a layer's map, with its numbers open.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="region">The region.</param>
    /// <param name="name">What it is called.</param>
    public static RegionPlan Of(Piece piece, FilledLayer layer, Region region, string name)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(region);
        var width = region.PlannedWidthMm;
        var area = new Reckoned(region.AreaMm2 / 100, "cm²", Formulas.RegionArea,
        [
            new("whole outline", piece.Ground.OutlineWithin(layer.Within).AreaMm2 / 100, "cm²", Origin.Reckoned),
            .. width is { } mm && layer.Bands.Any(b => b.Region == region.Id) ? WidthInputs(layer, region.Id.Own, mm) : [],
            new("grid spacing", piece.Growth.GridMm, "mm", Origin.Default),
        ], PlaceIn.Region(layer.Id, region.Id));
        Reckoned? Width(double? mm) => mm is { } value
            ? Reckoned.Of(value, "mm", Formulas.BandWidth,
                new ReckonedInput("width on average", width!.Value, "mm", Origin.Own),
                new("grid spacing", piece.Growth.GridMm, "mm", Origin.Default)) with
            { Place = PlaceIn.Region(layer.Id, region.Id) }
            : null;
        return new(
            region.Id, name, region.Kind, layer.IsBare(region.Id) ? null : region.CupId, area, region.OpenEdgeMm,
            region.AreaMm2 > 0, region.Anchor, Width(region.Widths?.FromMm), Width(region.Widths?.ToMm),
            layer.IsBare(region.Id), layer.OwnDepthMm(region.Id));
    }

    private static ReckonedInput[] WidthInputs(FilledLayer layer, string bandId, double widthMm)
    {
        var field = $"{layer.LaidOutPlace}.layout.bands[{bandId}].widthMm";
        return layer.Layout is not BandedLayout { Widening: not 1 and var widening }
            ? [new("width on average", widthMm, "mm", Origin.Own, field)]
            :
            [
                new("own width", layer.Bands.Single(b => b.Id == bandId).WidthMm, "mm", Origin.Own, field),
                new("widening", widening, "×", Origin.Own, layer.LaidOutPlace + ".layout.widening"),
                new("width on average", widthMm, "mm", Origin.Reckoned),
            ];
    }
}
