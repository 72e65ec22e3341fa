using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Pieces;

/// <summary>What is known of a layer that was really poured.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour; null while it is not known.</param>
/// <param name="RoomC">Room temperature, °C; null where nobody read it.</param>
/// <param name="Regions">The regions that were poured; null where no amount was noted, which counts as all of them.</param>
public sealed record PouredLayer(string LayerId, Instant Start, Instant? End, double? RoomC, ImmutableArray<string>? Regions = null);

/// <summary>A region with the colour it shows on the ground.</summary>
/// <param name="Id">The region.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup; null where nothing is poured, or nobody has said from which.</param>
/// <param name="Area">Its area, cm².</param>
/// <param name="OpenEdgeMm">Length of the outline's edge it touches, mm.</param>
/// <param name="Fits">False where no room is left for it and its area is 0.</param>
/// <param name="Anchor">Where it is held by a hand; null for what is held otherwise.</param>
/// <param name="Narrow">How narrow a band is; null for what has no width, or no room.</param>
/// <param name="Wide">How wide it is.</param>
public sealed record RegionPlan(
    string Id, RegionKind Kind, string? CupId, Reckoned Area, double OpenEdgeMm, bool Fits, Spot? Anchor, Reckoned? Narrow = null, Reckoned? Wide = null);

/// <summary>A box on a piece.</summary>
/// <param name="XMm">Left, mm.</param>
/// <param name="YMm">Top, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
public sealed record PieceBox(double XMm, double YMm, double WidthMm, double HeightMm);

/// <summary>Everything worked out for one layer.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Box">The box of what its map is grown over.</param>
/// <param name="Regions">Its regions.</param>
/// <param name="Cut">A straight cut across it, through its first heart, or through the middle.</param>
/// <param name="CutAtMm">Where that cut runs, mm from the top.</param>
/// <param name="Cups">Its cups.</param>
/// <param name="Steps">Its pours in order.</param>
/// <param name="Opacity">Opacity of every cup's resin at the layer's depth.</param>
/// <param name="Pour">The pour its windows count from; null while no start is known.</param>
/// <param name="Poured">Whether it has really been poured.</param>
/// <param name="Windows">Its windows; empty while no start is known.</param>
/// <param name="ResinG">Mass of its resin, without reserve and losses, g.</param>
/// <param name="Facts">The numbers of its layout.</param>
/// <param name="Borders">Which of its regions touch.</param>
/// <param name="Balance">How its colours lie.</param>
/// <param name="OrderSays">Its usual order of pours, in a sentence.</param>
/// <param name="OpenRegions">Of a layer that was begun, the regions that are not poured yet.</param>
public sealed record LayerPlan(
    string LayerId,
    PieceBox Box,
    ImmutableArray<RegionPlan> Regions,
    ImmutableArray<CutSpan> Cut,
    double CutAtMm,
    CupPlan Cups,
    ImmutableArray<PourStep> Steps,
    ImmutableDictionary<string, Reckoned> Opacity,
    Pour? Pour,
    bool Poured,
    ImmutableArray<CureWindow> Windows,
    double ResinG,
    ImmutableArray<LayoutFact> Facts,
    ImmutableArray<Border> Borders,
    ImmutableArray<ColourBalance> Balance,
    string OrderSays,
    ImmutableArray<string> OpenRegions)
{
    /// <summary>Whether it is done: each of its regions has been poured.</summary>
    public bool Done => Poured && OpenRegions.IsEmpty;
}

/// <summary>The measures of the ground.</summary>
/// <param name="WidthMm">Width of the box round all that is seen, mm.</param>
/// <param name="HeightMm">Height of that box, mm.</param>
/// <param name="Area">Area, cm²; of all panels where it is several.</param>
/// <param name="Perimeter">Perimeter, mm; of all panels.</param>
/// <param name="SideArea">Area of the sides, cm²; of all panels.</param>
/// <param name="Standing">How it stands; each panel by itself.</param>
/// <param name="Preparation">What has to be done before resin comes.</param>
/// <param name="SealWays">Ways to seal it; none where nothing is to be sealed.</param>
/// <param name="PaintZones">The paint for each zone of a painted map; none where the ground is of one colour.</param>
/// <param name="Parts">The parts of a drawn outline, such as letters, from left to right; none for other outlines.</param>
/// <param name="Mould">The mould of a casting; null for anything else.</param>
/// <param name="Beneath">The layers of older work in the cut, lowest first; none over a new ground.</param>
/// <param name="SpanWidthMm">How wide it really is, mm: a slice's curve seldom reaches its box.</param>
/// <param name="SpanHeightMm">How high it really is, mm.</param>
/// <param name="Panels">How the other panels of a set stand; null for a single one.</param>
public sealed record GroundPlan(
    double WidthMm, double HeightMm, Reckoned Area, Reckoned Perimeter, Reckoned SideArea, Standing Standing, ImmutableArray<PreparationStep> Preparation,
    ImmutableArray<SealWay> SealWays, ImmutableArray<PaintZone> PaintZones, ImmutableArray<PartPlan> Parts, MouldPlan? Mould,
    ImmutableArray<StratumBeneath> Beneath, double SpanWidthMm = 0, double SpanHeightMm = 0,
    ImmutableArray<PanelStanding>? Panels = null);

/// <summary>How another panel of a set stands.</summary>
/// <param name="Panel">Which, from 2.</param>
/// <param name="Standing">How it stands.</param>
public sealed record PanelStanding(int Panel, Standing Standing);

/// <summary>A layer of older work in the cut.</summary>
/// <param name="Name">Its name.</param>
/// <param name="DepthMm">Its depth, mm.</param>
/// <param name="Spans">What the cut passes, from left to right.</param>
public sealed record StratumBeneath(string Name, double DepthMm, ImmutableArray<SpanBeneath> Spans);

/// <summary>A stretch of a layer of older work.</summary>
/// <param name="FromMm">Left end, mm from the left of the new outline.</param>
/// <param name="ToMm">Right end, mm.</param>
/// <param name="Colour">Its colour, as <c>#rrggbb</c>; null for clear resin.</param>
public sealed record SpanBeneath(double FromMm, double ToMm, string? Colour);

/// <summary>One part of a drawn outline.</summary>
/// <param name="Area">Its area, cm².</param>
/// <param name="Perimeter">Length of its edges, mm.</param>
/// <param name="LayerDepthMm">How deep each layer is in it, mm, lowest first.</param>
/// <param name="LayerMl">What each layer takes in it, ml, lowest first; of all panels or pieces that are poured at once.</param>
public sealed record PartPlan(Reckoned Area, Reckoned Perimeter, ImmutableArray<double> LayerDepthMm, ImmutableArray<Reckoned> LayerMl);

/// <summary>Everything worked out for a piece.</summary>
/// <param name="Ground">Measures of its ground.</param>
/// <param name="Layers">Its layers, lowest first.</param>
/// <param name="Findings">What the second look sees.</param>
public sealed record PiecePlan(GroundPlan Ground, ImmutableArray<LayerPlan> Layers, ImmutableArray<Finding> Findings);

/// <summary>The chain from a piece's document to everything worked out for it: map, cups, pours, windows.</summary>
/// <param name="mapper">Grows the maps.</param>
public sealed class PiecePlanner(LayerMapper mapper)
{
    /// <summary>Works a piece out.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="poured">What has really been poured.</param>
    /// <param name="zone">The workshop's time zone.</param>
    public PiecePlan Plan(Piece piece, IReadOnlyList<PouredLayer> poured, DateTimeZone zone)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(poured);
        ArgumentNullException.ThrowIfNull(zone);
        ImmutableArray<LayerPlan> layers =
            [.. piece.Layers.Select(layer => Layer(piece, layer, poured.LastOrDefault(p => p.LayerId == layer.Id), zone))];
        var plan = new PiecePlan(Measures(piece, layers, zone) with { Beneath = Beneath(piece.Ground, CutAt(piece), 0) }, layers, []);
        return plan with { Findings = SecondLook.Over(new(piece, plan, zone)) };
    }

    /// <summary>A painting of a piece's layers up to and including one.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layerId">The topmost layer to paint; null paints all.</param>
    /// <param name="detail">How much to paint.</param>
    /// <param name="look">How it is looked at; null for as usual.</param>
    /// <exception cref="ArgumentException">The piece cannot be looked at in that way.</exception>
    public Painting Paint(Piece piece, string? layerId, PaintDetail detail, Look? look = null)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var upTo = layerId is null ? piece.Layers.Length - 1 : piece.Layers.Select(l => l.Id).ToList().IndexOf(layerId);
        return Painter.Paint(mapper, piece, upTo, detail, look);
    }

    private GroundPlan Measures(Piece piece, ImmutableArray<LayerPlan> layers, DateTimeZone zone)
    {
        var ground = piece.Ground;
        var (outline, whole) = (ground.Outline, ground.Whole);
        var size = outline is RoundOutline round
            ? [new ReckonedInput("diameter", round.DiameterMm, "mm", Origin.Own, "ground.outline.diameterMm")]
            : outline is SliceOutline slice ? SliceInputs(slice)
            : outline is DrawnOutline drawn ? [.. drawn.Parts.Select((p, i) => new ReckonedInput($"part {i + 1}", p.AreaMm2 / 100, "cm²", Origin.Own))]
            : ImmutableArray.Create(
                new ReckonedInput("width", outline.BoxWidthMm, "mm", Origin.Own, "ground.outline.widthMm"),
                new ReckonedInput("height", outline.BoxHeightMm, "mm", Origin.Own, "ground.outline.heightMm"));
        size = ground.Set is { } set ? size.Add(new("panels", set.Count, "", Origin.Own, "ground.set.count")) : size;
        var (areaOf, perimeterOf) = outline switch
        {
            { OpeningOf: not null } => (Formulas.ShapeArea, Formulas.ShapePerimeter),
            RectangleOutline => (Formulas.OutlineArea, Formulas.OutlinePerimeter),
            RoundOutline => (Formulas.RoundArea, Formulas.RoundPerimeter),
            OvalOutline => (Formulas.OvalArea, Formulas.ShapePerimeter),
            _ => (Formulas.ShapeArea, Formulas.ShapePerimeter),
        };
        var span = SpanOf(whole);
        return new(
            whole.BoxWidthMm,
            whole.BoxHeightMm,
            new(whole.AreaMm2 / 100, "cm²", areaOf, size),
            new(whole.PerimeterMm, "mm", perimeterOf, size),
            Reckoned.Of(whole.PerimeterMm * ground.SideHeightMm / 100, "cm²", Formulas.SideArea,
                new("perimeter", whole.PerimeterMm, "mm", Origin.Reckoned),
                new("side height", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm")),
            Standing.Of(piece, layers),
            Preparation.Of(ground, zone),
            ground is { Old: null, Base.Material: BaseMaterial.BirchPly or BaseMaterial.Mdf or BaseMaterial.Pine or BaseMaterial.CradledPanel } ? Preparation.SealWays(ground) : [],
            Preparation.PaintZones(ground, piece.Layers[0], layers[0].Regions),
            PartsOf(piece, layers),
            MouldPlan.Of(piece),
            [],
            span.WidthMm,
            span.HeightMm,
            ground.Set is { } several ? [.. Enumerable.Range(2, several.Count - 1).Select(p => new PanelStanding(p, Standing.Of(piece, layers, p)))] : null);
    }

    /// <summary>How wide and high an outline really is: a slice's curve seldom reaches its box.</summary>
    private static (double WidthMm, double HeightMm) SpanOf(Outline outline)
    {
        var (xs, ys) = (outline.Rings.SelectMany(r => r.Xs.ToArray()).ToList(), outline.Rings.SelectMany(r => r.Ys.ToArray()).ToList());
        return (xs.Max() - xs.Min(), ys.Max() - ys.Min());
    }

    /// <summary>The layers of older work where the cut goes through them, lowest first.</summary>
    private ImmutableArray<StratumBeneath> Beneath(Ground ground, double y, double left)
    {
        if (ground.Old is not { } old)
        {
            return [];
        }

        var at = y - old.YMm;
        var from = left + old.XMm;
        return
        [
            .. Beneath(old.Ground, at, from),
            .. old.Layers.Where(l => l.Within is null).Select(layer =>
            {
                var outline = old.Ground.OutlineOf(layer);
                var map = mapper.Map(old.Itself, layer);
                var cupOf = map.Regions.ToDictionary(r => r.Id, r => r.CupId);
                return new StratumBeneath(layer.Name, layer.DepthMm,
                [
                    .. CutOf(old.Ground, outline, map, at).Where(s => cupOf[s.RegionId] is not null).Select(span =>
                    {
                        var look = CupLook.Of(layer, layer.Cups.Single(c => c.Id == cupOf[span.RegionId]));
                        return new SpanBeneath(from + span.FromMm, from + span.ToMm, look.CoverPerMm == 0 ? null : look.Colour.ToHex());
                    }),
                ]);
            }),
        ];
    }

    private ImmutableArray<PartPlan> PartsOf(Piece piece, ImmutableArray<LayerPlan> layers) => piece.Ground is not { Outline: DrawnOutline drawn } ground ? [] :
    [
        .. drawn.Parts.Select((part, i) => new PartPlan(
            Reckoned.Of(part.AreaMm2 / 100, "cm²", Formulas.ShapeArea, new ReckonedInput("corners", part.Rings.Sum(r => r.Count), "", Origin.Own)),
            Reckoned.Of(part.PerimeterMm, "mm", Formulas.ShapePerimeter, new ReckonedInput("corners", part.Rings.Sum(r => r.Count), "", Origin.Own)),
            [.. piece.Layers.Select(l => l.DepthIn(i + 1))],
            [.. piece.Layers.Zip(layers).Select(l => PartMl(piece, ground, l.First, l.Second, new(drawn, i)))])),
    ];

    /// <summary>What a layer takes in a part: of each of its regions as much as lies there.</summary>
    private Reckoned PartMl(Piece piece, Ground ground, Layer layer, LayerPlan plan, PartOutline part)
    {
        if (layer.Within is not null && ground.MouldPart(layer.Within) != part.Number + 1)
        {
            return CupPlanner.AllOf(ground, [new("", 0, layer.DepthMm)], layer);
        }

        var map = mapper.Map(piece, layer);
        var shares = layer.Within is not null ? DepthZones.Of(mapper, piece, layer)
            : ground.OnEachPanel(part).Select(p => DepthZones.Of(mapper, piece, layer, p)).Aggregate((all, next) => [.. all.Zip(next, (a, b) => a.AddRange(b))]);
        var poured = plan.Cups.Regions.ToDictionary(r => r.RegionId, r => r.LayerMl.Value);
        List<DepthShare> all = [];
        var own = 0.0;
        foreach (var (region, here) in map.Regions.Zip(shares).Where(r => poured.ContainsKey(r.First.Id)))
        {
            if (region.Own is null)
            {
                all.AddRange(here);
            }
            else if (region.AreaMm2 > 0)
            {
                own += poured[region.Id] * here.Sum(h => h.AreaMm2) / region.AreaMm2;
            }
        }

        return CupPlanner.AllOf(ground, [.. all.GroupBy(s => (s.Where, s.DepthMm)).Select(g => new DepthShare(g.Key.Where, g.Sum(s => s.AreaMm2), g.Key.DepthMm))], layer, own);
    }

    private static ImmutableArray<ReckonedInput> SliceInputs(SliceOutline slice) =>
    [
        new("width", slice.WidthMm, "mm", Origin.Own, "ground.outline.widthMm"),
        new("height", slice.HeightMm, "mm", Origin.Own, "ground.outline.heightMm"),
        new("handles", slice.Reach.Length, "", Origin.Own),
        new("wobble", slice.WobbleMm, "mm", Origin.Own, "ground.outline.wobbleMm"),
        .. slice.Rings.Skip(1).Select(r => new ReckonedInput("opening", -r.SignedAreaMm2 / 100, "cm²", Origin.Reckoned)),
    ];

    private LayerPlan Layer(Piece piece, Layer layer, PouredLayer? poured, DateTimeZone zone)
    {
        var outline = piece.Ground.OutlineOf(layer);
        var map = mapper.Map(piece, layer);
        var cups = CupPlanner.Plan(piece.Ground, layer, map, DepthZones.Of(mapper, piece, layer));
        var system = ResinInUse.Of(layer.Resin).System;
        var pour = PourOf(layer.Plan, poured, zone);
        var usual = PourOrder.Usual(layer, map);
        var steps = PourPlan.Of(layer, cups, usual);
        var placed = outline as PlacedOutline;
        var cutAt = placed is null ? CutAt(piece) : placed.YMm + placed.Inner.BoxHeightMm / 2;
        return new(
            layer.Id,
            placed is null ? new(0, 0, outline.BoxWidthMm, outline.BoxHeightMm) : new(placed.XMm, placed.YMm, placed.Inner.BoxWidthMm, placed.Inner.BoxHeightMm),
            [.. map.Regions.Where(r => r.Kind != RegionKind.HeartBed || r.AreaMm2 > 0).Select(r => Region(piece, layer, r))],
            CutOf(piece.Ground, outline, map, cutAt),
            cutAt,
            cups,
            steps,
            layer.Cups.ToImmutableDictionary(c => c.Id, c => OpacityOf(layer, c, DeepestOf(layer, map, c))),
            pour,
            poured is not null,
            pour is null ? [] : CureWindows.Of(system, pour, HeldOf(piece.Ground)),
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

    /// <summary>One height for the whole piece, so that the strata of its layers lie above each other.</summary>
    private static double CutAt(Piece piece)
    {
        var height = piece.Ground.MapOutline.BoxHeightMm;
        var middle = piece.Layers.Where(l => l.Within is null).Select(l => l.Layout switch
        {
            null => l.Hearts.FirstOrDefault()?.YMm,
            PuddleLayout puddle => puddle.YMm,
            PetalsLayout petals => petals.YMm,
            _ => null,
        }).FirstOrDefault(y => y is not null);
        return middle is > 0 && middle < height ? middle.Value : height / 2;
    }

    /// <summary>The cut through what a layer is poured in, over every mirrored panel.</summary>
    private static ImmutableArray<CutSpan> CutOf(Ground ground, Outline outline, LayerMap map, double y)
    {
        ImmutableArray<CutSpan> spans = [.. outline.Chords(y).SelectMany(c => map.Cut(y, c.FromMm, c.ToMm))];
        return ground.Set is { Mirrored: true }
            ? [.. ground.Panels!.Copies.SelectMany(copy => copy.Mirrored
                ? spans.Reverse().Select(s => new CutSpan(s.RegionId, copy.X(s.ToMm), copy.X(s.FromMm)))
                : spans.Select(s => new CutSpan(s.RegionId, copy.X(s.FromMm), copy.X(s.ToMm))))]
            : spans;
    }

    private static RegionPlan Region(Piece piece, Layer layer, Region region)
    {
        var width = region.PlannedWidthMm;
        var area = new Reckoned(region.AreaMm2 / 100, "cm²", Formulas.RegionArea,
        [
            new("whole outline", piece.Ground.OutlineOf(layer).AreaMm2 / 100, "cm²", Origin.Reckoned),
            .. width is { } mm && layer.Bands.Any(b => b.Id == region.Id) ? WidthInputs(layer, region.Id, mm) : [],
            new("grid spacing", piece.Growth.GridMm, "mm", Origin.Default),
        ]);
        Reckoned? Width(double? mm) => mm is { } value
            ? Reckoned.Of(value, "mm", Formulas.BandWidth, new ReckonedInput("width on average", width!.Value, "mm", Origin.Own), new("grid spacing", piece.Growth.GridMm, "mm", Origin.Default))
            : null;
        return new(
            region.Id, region.Kind, region.CupId, area, region.OpenEdgeMm, region.AreaMm2 > 0, region.Anchor, Width(region.Widths?.FromMm), Width(region.Widths?.ToMm));
    }

    private static ReckonedInput[] WidthInputs(Layer layer, string bandId, double widthMm)
    {
        var field = $"bands[{bandId}].widthMm";
        return layer.Widening == 1
            ? [new("width on average", widthMm, "mm", Origin.Own, field)]
            :
            [
                new("own width", layer.Bands.Single(b => b.Id == bandId).WidthMm, "mm", Origin.Own, field),
                new("widening", layer.Widening, "×", Origin.Own, "widening"),
                new("width on average", widthMm, "mm", Origin.Reckoned),
            ];
    }

    /// <summary>How deep the deepest region is that is poured from a cup, mm; the layer's depth for a cup that fills none.</summary>
    private static double DeepestOf(Layer layer, LayerMap map, Cup cup) => map.Regions.Where(r => r.CupId == cup.Id).Select(region =>
    {
        var zone = (layer.Zones ?? []).FirstOrDefault(z => region.Id.StartsWith($"{z.Id}/", StringComparison.Ordinal));
        return region.Own?.ThicknessMm ?? (zone is null ? layer : zone.Of(layer)).DepthOf(region.Kind, layer.DepthMm);
    }).DefaultIfEmpty(layer.DepthMm).Max();

    private static Reckoned OpacityOf(Layer layer, Cup cup, double depthMm)
    {
        var look = CupLook.Of(layer, cup);
        var value = 100 * look.Opacity(depthMm);
        ReckonedInput depth = depthMm == layer.DepthMm ? new("depth", depthMm, "mm", Origin.Own, "depthMm") : new("depth", depthMm, "mm", Origin.Reckoned);
        return cup.Of is not null
            ? Reckoned.Of(value, "%", Formulas.Opacity, depth, new("cover κ", look.CoverPerMm, "per mm", Origin.Reckoned))
            : Reckoned.Of(value, "%", Formulas.Opacity, depth,
                new("cover κ", cup.Colourant is null or ColourantClass.Lacing ? 0 : TypicalMaterials.Of(cup.Colourant.Value).Cover, "per % and mm", Origin.Default),
                new("load", cup.LoadPercent, "%", Origin.Own, $"cups[{cup.Id}].loadPercent"));
    }

    /// <summary>What really happened wins over the plan; what nobody noted falls back to the plan, then to defaults.</summary>
    private static Pour? PourOf(PourTimes plan, PouredLayer? poured, DateTimeZone zone)
    {
        var start = poured?.Start ?? AtLocal(plan.Start, zone);
        if (start is null)
        {
            return null;
        }

        var end = poured?.End
            ?? (poured is null ? PlannedEnd(plan, start.Value, zone) : null)
            ?? start.Value + Duration.FromMinutes((long)TypicalMaterials.PourMinutes);
        var room = poured?.RoomC is { } read ? (read, Origin.Measured)
            : plan.RoomC is { } planned ? (planned, Origin.Own)
            : (TypicalMaterials.ReferenceC, Origin.Default);
        return new(start.Value, Instant.Max(end, start.Value), room.Item1, room.Item2);
    }

    /// <summary>A pour keeps its length where its planned start falls into an hour that the clocks skip.</summary>
    private static Instant? PlannedEnd(PourTimes plan, Instant start, DateTimeZone zone)
    {
        if (plan is not { Start: { } from, End: { } to } || to < from || start.InZone(zone).LocalDateTime == from)
        {
            return AtLocal(plan.End, zone);
        }

        return start + (to.InUtc() - from.InUtc());
    }

    /// <summary>A local time as an instant; one that the clocks skip is moved on by the skipped hour.</summary>
    private static Instant? AtLocal(LocalDateTime? local, DateTimeZone zone) =>
        local is { } time ? zone.AtLeniently(time).ToInstant() : null;
}
