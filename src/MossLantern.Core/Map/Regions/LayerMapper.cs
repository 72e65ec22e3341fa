using NetTopologySuite.Algorithm.Construct;
using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>
/// Lays out a piece's layers. The same piece always gives the same map; what depends only on a heart's form, on a seed
/// or on the outline is kept between calls. Safe to share between threads.
/// </summary>
/// <param name="outlines">Outlines that are known; null for none yet.</param>
/// <remarks>Source: docs/craft/map.md and docs/craft/layouts.md.</remarks>
public sealed class LayerMapper(KnownOutlines? outlines = null)
{
    /// <summary>As many as the layers of a shelf and the last steps of a drag.</summary>
    private const int Kept = 32;

    /// <summary>As many lines as several pieces have.</summary>
    private const int KeptLines = 256;

    private readonly Recent<(Heart Form, double GrainMm, double GridMm, double ReachMm), HeartForm> forms = new(Kept);
    private const double ReachToleranceMm = 0.05;

    private readonly Recent<Outline, double> reaches = new(Kept);
    private readonly Recent<(Outline, GrowthGrid Grid), OutlineCover> covers = new(Kept);
    private readonly Recent<(Outline, GrowthScale, string Layout), LayerMap> maps = new(Kept);
    private readonly Recent<(Outline Left, string Kept), ZonePlaces> places = new(Kept);
    private readonly Recent<(Outline, GrowthScale, int Seed, double WavinessMm), RimFront> fronts = new(Kept);
    private readonly Recent<(Outline, GrowthScale, int Seed, double DirectionDeg), MarbleGrain> grains = new(Kept);
    private readonly Recent<(Outline, string Line), Patch> courses = new(KeptLines);
    private readonly FieldGrower fields = new();
    private readonly KnownOutlines outlines = outlines ?? new();

    /// <summary>The map of a layer of a piece, with its zones and what the piece keeps.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    public LayerMap Map(Piece piece, FilledLayer layer)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        return Map(piece.Ground.OutlineWithin(layer.Within), piece.Growth, layer, layer.Within is null ? piece.Dammed : []);
    }

    /// <summary>The map of a layer.</summary>
    /// <param name="outline">What it is poured in.</param>
    /// <param name="growth">The piece's growth scale.</param>
    /// <param name="layer">A valid layer.</param>
    /// <param name="kept">What the piece keeps visible or bare.</param>
    public LayerMap Map(Outline outline, GrowthScale growth, FilledLayer layer, ImmutableArray<DammedSpot> kept)
    {
        ArgumentNullException.ThrowIfNull(outline);
        ArgumentNullException.ThrowIfNull(growth);
        ArgumentNullException.ThrowIfNull(layer);
        if (kept.IsEmpty && layer.Zones.IsEmpty)
        {
            return Plain(outline, growth, layer, outline);
        }

        // What the zones and kept spots leave stands for their places: outlines are the same when all their values are.
        ImmutableArray<Outline> zones = [.. layer.Zones.Select(z => z.Placed)];
        var left = kept.Select(k => k.WithDam).Concat(zones)
            .Aggregate(outline, (whole, place) => new CombinedOutline(whole, place, Shared: false));
        var keeps = string.Join("||", kept.Select(k => $"{k.Spot.Id}:{k.Spot.Keep}:{k.DamMm}:{layer.ClearRecipe}"));
        var text = string.Join("||",
        [
            Layout(layer), Lines(layer.Outside()),
            .. layer.Zones.Select(layer.Inside).Select(z => $"{z.ZoneId}:{Layout(z)}:{Lines(z)}"), keeps,
        ]);
        return maps.Of((left, growth, text), () => new ZonedMap(
            places.Of((left, keeps), () => ZonePlaces.Of(outline, zones, kept, layer.ClearRecipe)), layer,
            (part, o, l) => Plain(part, growth, l, o), Shared, o => Cover(o, Grid(o, growth))));
    }

    /// <summary>The area of every region that lies in a part of what a layer is poured in, mm², in the order of the
    /// map's regions.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="part">A part of that outline, where it lies in it.</param>
    public ImmutableArray<double> AreasWithin(Piece piece, FilledLayer layer, Outline part)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(part);
        return [.. Map(piece, layer).AreasWithin(Cover(part, Grid(piece.Ground.OutlineWithin(layer.Within), piece.Growth)))];
    }

    /// <summary>
    /// How far it is from the rim to the middle, or as far as zones and kept spots leave room, for lines of a layer, mm; in
    /// a drawn outline, in the part where it is least.
    /// </summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it that is laid out as lines.</param>
    public double RimRoomMm(Piece piece, FilledLayer layer)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        var outline = piece.Ground.OutlineWithin(layer.Within);
        var laid = Map(piece, layer);
        var (left, lines) = laid is ZonedMap { Parts: [var own, ..] } ? (own.Outline, own.Map) : (outline, laid);
        if (lines is null || LinedMap.Below(lines) is not BandMap map)
        {
            return 0;
        }

        // What no part takes of each piece of the outline, and that piece itself: its rim is what counts.
        ImmutableArray<(Outline Left, Outline Whole)> parts = outline is not DrawnOutline drawn ? [(left, outline)]
            : [.. drawn.Parts.Select((_, i) => new PartOutline(drawn, i)).Select(p =>
                (left == outline ? p : (Outline)Shared(p, left), (Outline)p))];
        return parts.Where(p => p.Left.AreaMm2 > 0)
            .Select(p => Math.Min(map.FarFromRimMm(Cover(p.Left, map.Grid)), ReachMm(p.Whole))).DefaultIfEmpty(0).Min();
    }

    /// <summary>What two outlines share; asked for again, it is the one that was worked out.</summary>
    /// <param name="one">The one, whose box it keeps.</param>
    /// <param name="other">The other, where it lies on it.</param>
    public CombinedOutline Shared(Outline one, Outline other) => outlines.Of(new CombinedOutline(one, other, Shared: true));

    /// <summary>What an outline leaves of another; asked for again, it is the one that was worked out.</summary>
    /// <param name="one">What it is left of, whose box it keeps.</param>
    /// <param name="other">What goes, where it lies on it.</param>
    public CombinedOutline Without(Outline one, Outline other) => outlines.Of(new CombinedOutline(one, other, Shared: false));

    /// <summary>How far from the rim the place lies that is farthest from it, mm: the map's grid may round that up.</summary>
    private double ReachMm(Outline outline) => reaches.Of(outline, () =>
    {
        Effort.Check();
        return MaximumInscribedCircle.GetRadiusLine(Flat.Of(outline), ReachToleranceMm).Length;
    });

    private OutlineCover Cover(Outline outline, GrowthGrid grid) => covers.Of((outline, grid), () => new(grid, outline));

    private static GrowthGrid Grid(Outline outline, GrowthScale growth) =>
        GrowthGrid.Over(outline.BoxWidthMm, outline.BoxHeightMm, growth.GridMm);

    /// <summary>What the map of a layer depends on, zones aside, as one text.</summary>
    private static string Layout(FilledLayer layer) => layer.Layout switch
    {
        PuddleLayout => string.Create(CultureInfo.InvariantCulture, $"{layer.Layout.Key}|{layer.DepthMm:R}"),
        // What carves pools is grown into their map.
        PoolsLayout => string.Join('|', [layer.Layout.Key, .. layer.Walls.Select(w => w.CarvesKey)]),
        _ => layer.Layout.Key,
    };

    /// <summary>What is laid on the map of a layer, as one text.</summary>
    private static string Lines(FilledLayer layer) =>
        string.Join('|', layer.LaidOn.Select(l => l.IsBarrier
            ? FormattableString.Invariant($"wall {l.CarvesKey}:{l.Section.Swell:R}:{l.Section.Seed}") : l.Key));

    /// <summary>The map of a layer without its zones, in a part of an outline: lines are laid from the rim of the whole.</summary>
    private LayerMap Plain(Outline outline, GrowthScale growth, FilledLayer layer, Outline whole)
    {
        var on = Bare(outline, growth, layer, whole);
        return Lines(layer) is not { Length: > 0 } lines ? on : maps.Of((outline, growth, $"{Layout(layer)}||{lines}"),
            () => new LinedMap(outline, on, [.. layer.LaidOn], (line, make) => courses.Of((outline, line.Key), make),
                area => new(Grid(outline, growth), area)));
    }

    /// <summary>The map of a layer without its zones and without what is laid on it.</summary>
    private LayerMap Bare(Outline outline, GrowthScale growth, FilledLayer layer, Outline whole) =>
        maps.Of((outline, growth, Layout(layer)), () =>
        {
            Effort.Check();
            var cover = Cover(outline, Grid(outline, growth));
            return layer.Layout switch
            {
                RingsLayout { Hearts.IsEmpty: true } rings => BandGrower.WithoutHearts(cover, rings),
                RingsLayout rings => BandGrower.Rings(cover, rings, Place(rings.Hearts, growth, outline)),
                StripesLayout lines => BandGrower.Lines(
                    cover, lines, fronts
                        .Of((whole, growth, lines.Seed, lines.WavinessMm), () => RimFront.Of(Cover(whole, cover.Grid), growth, lines))),
                PetalsLayout petals => BandGrower.Petals(cover, petals),
                MarbleLayout marble => BandGrower.Marble(
                    cover, marble,
                    grains.Of((outline, growth, marble.Seed, marble.DirectionDeg), () => MarbleGrain.Of(cover, growth, marble))),
                FieldsLayout own => fields.Grow(outline, growth, own),
                PoolsLayout pools => Pools.Map(outline, growth, pools, Wall.Among(layer.Walls)),
                PuddleLayout puddle => Puddles.Map(outline, growth, puddle, layer.DepthMm),
                FloodLayout flood => new RegionMap(outline,
                    [new(FloodLayout.FloodId, RegionKind.Flood, flood.RecipeId, Flat.Of(outline))], growth.GridMm / 2),
                _ => throw new InvalidOperationException("A layout without a way to lay it out."),
            };
        });

    private List<PlacedHeart> Place(ImmutableArray<Heart> hearts, GrowthScale growth, Outline outline)
    {
        // The table reaches across the whole box from anywhere a heart of this size usually stands; beyond it the edge value holds.
        var reach = Math.Sqrt(outline.BoxWidthMm * outline.BoxWidthMm + outline.BoxHeightMm * outline.BoxHeightMm);
        return [.. hearts.Select(heart =>
        {
            var form = heart with { Id = "", XMm = 0, YMm = 0 };
            return new PlacedHeart(heart,
                forms.Of((form, growth.GrainMm, growth.GridMm, reach), () => new HeartForm(form, growth.GrainMm, growth.GridMm, reach)));
        })];
    }
}
