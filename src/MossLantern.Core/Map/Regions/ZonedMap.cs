using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>A part of a zoned map.</summary>
/// <param name="ZoneId">The zone of the layer that it is; null for what they leave of the layer itself.</param>
/// <param name="Outline">Where it lies.</param>
/// <param name="Map">Its map; null where nothing is left for it.</param>
internal sealed record ZonePart(string? ZoneId, Outline Outline, LayerMap? Map)
{
    /// <summary>
    /// The layer as it is laid out there. A map is kept while its geometry stays, so what it is poured from is asked of
    /// the layer as it is now.
    /// </summary>
    public FilledLayer Of(FilledLayer layer) => ZoneId is { } id ? layer.Inside(layer.Zones.Single(z => z.Id == id)) : layer.Outside();
}

/// <summary>A map of parts that are laid out in ways of their own, and of what a piece keeps visible or bare.</summary>
/// <remarks>Source: docs/craft/layouts.md, Zones.</remarks>
internal sealed class ZonedMap : LayerMap
{
    private const double LeastMm2 = 1;

    /// <summary>In what steps an edge is walked, and how far to both sides of it is looked, mm.</summary>
    private const double EdgeStepMm = 4, BesideMm = 0.05;

    /// <summary>In what steps an edge is walked where it becomes a line; what is shorter touches in a corner only, mm.</summary>
    private const double LineStepMm = 0.5, LeastBorderMm = 1;

    private readonly Outline whole;
    private readonly Func<Outline, Outline, Outline> shared;
    private readonly Func<Outline, OutlineCover> cover;
    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<Border>> touching;

    /// <param name="places">Where the layer itself, its zones and what is kept lie.</param>
    /// <param name="layer">A valid layer.</param>
    /// <param name="map">Lays out a layer in an outline that is a part of another.</param>
    /// <param name="shared">What two outlines share.</param>
    /// <param name="cover">How an outline covers the grid.</param>
    public ZonedMap(
        ZonePlaces places, FilledLayer layer, Func<Outline, Outline, FilledLayer, LayerMap> map, Func<Outline, Outline, Outline> shared,
        Func<Outline, OutlineCover> cover)
    {
        (whole, this.shared, this.cover) = (places.Whole, shared, cover);
        Kept = places.Kept;
        Parts =
        [
            Part(null, places.Left, places.Whole),
            .. layer.Zones.Select((z, i) => Part(z.Id, places.Zones[i], places.Zones[i])),
        ];
        StepMm = Parts.Where(p => p.Map is not null).Select(p => p.Map!.StepMm).DefaultIfEmpty(1).Min();
        regions = new(() =>
        [
            .. Parts.Where(p => p.Map is not null).SelectMany(p => p.Map!.Regions.Select(r => r with { Id = r.Id.In(p.ZoneId) })),
            .. Kept.Regions.Where(r => r.AreaMm2 > 0),
        ]);
        touching = new(FindTouching);

        ZonePart Part(string? zoneId, Outline where, Outline whole)
        {
            var part = new ZonePart(zoneId, where, null);
            return where.AreaMm2 >= LeastMm2 ? part with { Map = map(where, whole, part.Of(layer)) } : part;
        }
    }

    /// <summary>The layer itself, then its zones.</summary>
    public ImmutableArray<ZonePart> Parts { get; }

    /// <summary>The parts of a layer's map that are laid out; a layer without zones is one part.</summary>
    public static IEnumerable<ZonePart> PartsOf(Piece piece, FilledLayer layer, LayerMap map) =>
        (map is ZonedMap zoned ? zoned.Parts : [new(null, piece.Ground.OutlineWithin(layer.Within), map)]).Where(p => p.Map is not null);

    /// <summary>What the piece keeps.</summary>
    public RegionMap Kept { get; }

    public override ImmutableArray<Region> Regions => regions.Value;

    public override ImmutableArray<Border> Touching => touching.Value;

    internal override double StepMm { get; }

    public override RegionId RegionAt(double xMm, double yMm)
    {
        if (Kept.Patches.Any(p => !p.Area.IsEmpty) && Kept.Holds(xMm, yMm) is { } keptId)
        {
            return keptId;
        }

        var part = Parts.Where(p => p.Map is not null).LastOrDefault(p => p.ZoneId is not null && p.Outline.Holds(xMm, yMm))
            ?? Parts.First(p => p.Map is not null);
        return part.Map!.RegionAt(xMm, yMm).In(part.ZoneId);
    }

    internal override double[] AreasWithin(OutlineCover part)
    {
        var kept = Kept.Regions.Zip(Kept.AreasWithin(part)).Where(k => k.First.AreaMm2 > 0).Select(k => k.Second);
        return
        [
            .. Parts.Where(p => p.Map is not null).SelectMany(p =>
            {
                var here = shared(p.Outline, part.Outline);
                return here.AreaMm2 < LeastMm2 ? new double[p.Map!.Regions.Length] : p.Map!.AreasWithin(cover(here));
            }),
            .. kept,
        ];
    }

    /// <summary>Inside the parts, and along the zones' edges from one part to the other.</summary>
    private ImmutableArray<Border> FindTouching()
    {
        var found = new Dictionary<(RegionId, RegionId), Border>();
        foreach (var part in Parts.Where(p => p.Map is not null))
        {
            foreach (var border in part.Map!.Touching)
            {
                var (first, second) = (border.First.In(part.ZoneId), border.Second.In(part.ZoneId));
                found.TryAdd((first, second), new(first, second, border.At));
            }
        }

        foreach (var zone in Parts.Where(p => p.ZoneId is not null && p.Map is not null))
        {
            foreach (var ring in zone.Outline.Rings)
            {
                Along(ring, found);
            }
        }

        return [.. found.Values];
    }

    /// <summary>Inside the parts, along the zones' edges, and round what is kept.</summary>
    private protected override ImmutableArray<BorderLine> FindLines()
    {
        var turn = Parts.Select((p, i) => (Id: p.ZoneId ?? "", i)).ToDictionary(p => p.Id, p => p.i);
        int Turn(RegionId region) => turn[region.Zone ?? ""];
        var found = new Dictionary<(RegionId, RegionId), List<List<(double X, double Y)>>>();
        foreach (var (part, number) in Parts.Select((p, i) => (p, i)).Where(p => p.p is { ZoneId: not null, Map: not null }))
        {
            // Of two zones that touch, the edge is the later one's.
            foreach (var ring in part.Outline.Rings)
            {
                Walk(ring, found,
                    (inner, outer) => inner.Kept is null && outer.Kept is null && Turn(inner) == number && Turn(outer) < number);
            }
        }

        foreach (var patch in Kept.Patches.Where(p => !p.Area.IsEmpty))
        {
            foreach (var ring in Flat.Rings(patch.Area))
            {
                Walk(ring, found, (inner, outer) => inner == patch.Id && (outer.Kept is null || inner.CompareTo(outer) < 0));
            }
        }

        return
        [
            .. Parts.Where(p => p.Map is not null).SelectMany(p => p.Map!.Borders().Select(b => b.In(p.ZoneId))),
            .. found.OrderBy(f => f.Key).Select(f => BorderLine.Of(f.Key.Item1, f.Key.Item2, f.Value))
                .Where(b => b.LengthMm > LeastBorderMm),
        ];
    }

    /// <summary>Walks a ring in short steps, and adds each to what lies on both sides of it.</summary>
    private void Walk(Ring ring, Dictionary<(RegionId, RegionId), List<List<(double X, double Y)>>> found,
        Func<RegionId, RegionId, bool> counts)
    {
        (RegionId, RegionId)? last = null;
        for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
        {
            double dx = ring.Xs[i] - ring.Xs[j], dy = ring.Ys[i] - ring.Ys[j], length = Math.Sqrt(dx * dx + dy * dy);
            var steps = (int)Math.Ceiling(length / LineStepMm);
            for (var s = 0; s < steps; s++)
            {
                (double X, double Y) At(double share) => (ring.Xs[j] + dx * share / steps, ring.Ys[j] + dy * share / steps);
                var (x, y) = At(s + 0.5);
                double offX = -dy / length * BesideMm, offY = dx / length * BesideMm;
                var (inner, outer) = (RegionAt(x + offX, y + offY), RegionAt(x - offX, y - offY));
                if (inner == outer || !whole.Holds(x - offX, y - offY) || !whole.Holds(x + offX, y + offY) || !counts(inner, outer))
                {
                    last = null;
                    continue;
                }

                if (!found.TryGetValue((outer, inner), out var lines))
                {
                    found[(outer, inner)] = lines = [];
                }

                if (last == (outer, inner))
                {
                    lines[^1].Add(At(s + 1));
                }
                else
                {
                    lines.Add([At(s), At(s + 1)]);
                }

                last = (outer, inner);
            }
        }
    }

    private void Along(Ring ring, Dictionary<(RegionId, RegionId), Border> found)
    {
        for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
        {
            double dx = ring.Xs[i] - ring.Xs[j], dy = ring.Ys[i] - ring.Ys[j], length = Math.Sqrt(dx * dx + dy * dy);
            var steps = (int)Math.Ceiling(length / EdgeStepMm);
            for (var s = 0; s < steps; s++)
            {
                double x = ring.Xs[j] + dx * (s + 0.5) / steps, y = ring.Ys[j] + dy * (s + 0.5) / steps;
                double offX = -dy / length * BesideMm, offY = dx / length * BesideMm;
                var (inner, outer) = (RegionAt(x + offX, y + offY), RegionAt(x - offX, y - offY));
                if (inner != outer && outer.Kept is null && whole.Holds(x - offX, y - offY))
                {
                    found.TryAdd((outer, inner), new(outer, inner, new(x, y)));
                }
            }
        }
    }
}

/// <summary>Where what a piece keeps, the zones of a layer, and what they leave of it lie. A drag inside any of them
/// changes none.</summary>
/// <param name="Whole">What the layer is poured in.</param>
/// <param name="Kept">What the piece keeps.</param>
/// <param name="Left">What is left for the layer itself.</param>
/// <param name="Zones">The outlines of its zones, in their order.</param>
internal sealed record ZonePlaces(Outline Whole, RegionMap Kept, Outline Left, ImmutableArray<Outline> Zones)
{
    /// <summary>What is kept comes first; of zones that overlap, the later lies above.</summary>
    public static ZonePlaces Of(Outline outline, ImmutableArray<Outline> zones, ImmutableArray<DammedSpot> kept, string? clearCup)
    {
        var left = outline;
        var keeps = ImmutableArray.CreateBuilder<Patch>();
        foreach (var dammed in kept)
        {
            var zone = dammed.Spot;
            var here = new CombinedOutline(left, zone.Placed, Shared: true);
            var id = RegionId.OfSpot(zone.Id);
            keeps.Add(zone.Keep == Keep.Visible
                ? new(id, RegionKind.KeptVisible, clearCup, Flat.Of(here), null, Middle(zone.Placed))
                : new(id, RegionKind.KeptBare, null, Flat.Of(here), null, Middle(zone.Placed)));
            if (dammed.DamMm is not null)
            {
                var ring = new CombinedOutline(new CombinedOutline(left, dammed.WithDam, Shared: true), zone.Placed, Shared: false);
                keeps.Add(new(RegionId.OfDam(zone.Id), RegionKind.Wall, null, Flat.Of(ring)));
            }

            left = new CombinedOutline(left, dammed.WithDam, Shared: false);
        }

        var places = new Outline[zones.Length];
        for (var i = zones.Length - 1; i >= 0; i--)
        {
            places[i] = new CombinedOutline(left, zones[i], Shared: true);
            left = new CombinedOutline(left, zones[i], Shared: false);
        }

        return new(outline, new(outline, keeps.ToImmutable(), 1, whole: false), left, [.. places]);
    }

    private static Spot Middle(Outline placed)
    {
        var ring = placed.Rings[0];
        double[] xs = ring.Xs.ToArray(), ys = ring.Ys.ToArray();
        return new((xs.Min() + xs.Max()) / 2, (ys.Min() + ys.Max()) / 2);
    }
}
