using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Planning;

/// <summary>The chain from a piece's document to everything worked out for it: map, cups, pours, windows.</summary>
/// <param name="mapper">Grows the maps.</param>
public sealed class PiecePlanner(LayerMapper mapper)
{
    /// <summary>Works a piece out.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="poured">What has really been poured.</param>
    /// <param name="around">What it is worked out in.</param>
    public PiecePlan Plan(Piece piece, IReadOnlyList<PouredLayer> poured, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(poured);
        ArgumentNullException.ThrowIfNull(around);
        ImmutableArray<LayerPlan> layers =
            [.. piece.Filled.Select(layer => Layer(piece, layer, poured.LastOrDefault(p => p.LayerId == layer.Id), around))];
        var areaCm2 = layers[0].Regions.Where(r => r.CupId is not null).GroupBy(r => r.CupId!).ToDictionary(g => g.Key, g => g.Sum(r => r.Area.Value));
        var ground = GroundMeasures.Of(piece, [.. layers.Select(l => l.LoadOn(piece.Ground))], areaCm2, around) with
        {
            Parts = PartVolumes.Of(mapper, piece, layers),
            Beneath = WorkBeneath.Of(mapper, around.Catalogue, piece.Ground, CoreCut.AtMm(piece)),
        };
        return new(ground, layers, SecondLook.Over(new(piece, ground, layers, around, mapper)));
    }

    /// <summary>A painting of a piece's layers up to and including one.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="layerId">The topmost layer to paint; null paints all.</param>
    /// <param name="detail">How much to paint.</param>
    /// <param name="look">How it is looked at; null for as usual.</param>
    /// <exception cref="ArgumentException">The piece cannot be looked at in that way.</exception>
    public Painting.Painting Paint(Piece piece, Catalogue catalogue, string? layerId, PaintDetail detail, Look? look = null)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var upTo = layerId is null ? piece.Filled.Length - 1 : piece.Filled.Select(l => l.Id).ToList().IndexOf(layerId);
        return Painter.Paint(mapper, catalogue, piece, upTo, detail, look);
    }

    private LayerPlan Layer(Piece piece, FilledLayer layer, PouredLayer? poured, Surroundings around)
    {
        var outline = piece.Ground.OutlineWithin(layer.Within);
        var map = mapper.Map(piece, layer);
        var cups = CupPlanner.Plan(piece.Ground, layer, map, DepthZones.Of(mapper, piece, layer), around);
        var system = layer.Resin.From(around.Catalogue);
        var pour = PourMoments.Of(layer.Plan, poured, around);
        var usual = PourOrder.Usual(layer, map);
        var steps = PourPlan.Of(layer, cups, usual);
        var placed = outline as PlacedOutline;
        var cutAt = placed is null ? CoreCut.AtMm(piece) : placed.YMm + placed.Inner.BoxHeightMm / 2;
        return new(
            layer.Id,
            placed is null ? new(0, 0, outline.BoxWidthMm, outline.BoxHeightMm) : new(placed.XMm, placed.YMm, placed.Inner.BoxWidthMm, placed.Inner.BoxHeightMm),
            [.. map.Regions.Where(r => r.Kind != RegionKind.HeartBed || r.AreaMm2 > 0).Select(r => RegionPlan.Of(piece, layer, r))],
            CoreCut.Of(piece.Ground, outline, map, cutAt),
            cutAt,
            cups,
            steps,
            CupOpacity.Of(around.Catalogue, layer, map),
            pour,
            poured is not null,
            pour is null ? [] : CureWindows.Of(system, pour, HeldOf(piece.Ground), layer.SittingPlace + ".roomC"),
            cups.Regions.Sum(r => r.LayerMl.Value) / piece.Ground.AtOnce
                * Parts.OfVolume(system.Ratio, system.ResinDensity, system.HardenerDensity, 100).DensityGPerMl,
            LayoutFacts.Of(mapper, piece, layer, map, cups),
            map.Borders,
            ColourBalance.Of(outline, map),
            usual.Says,
            poured?.Regions is { } known ? [.. steps.Select(s => s.RegionId).Where(id => !known.Contains(id))] : []);
    }

    private static HeldBy HeldOf(Ground ground) =>
        ground.Mould is not null ? HeldBy.Mould : ground.Edge == EdgeStyle.Walled ? HeldBy.Wall : HeldBy.Tape;
}
