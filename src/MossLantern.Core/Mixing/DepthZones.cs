using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Mixing;

/// <summary>A part of a region with the depth of resin in it.</summary>
/// <param name="Where">Which part, in words; empty for the whole region.</param>
/// <param name="AreaMm2">Its area, mm².</param>
/// <param name="DepthMm">The depth there, mm.</param>
public sealed record DepthShare(string Where, double AreaMm2, double DepthMm)
{
    /// <summary>Its volume, ml.</summary>
    public double Ml => Volume.Ml(AreaMm2, DepthMm);
}

/// <summary>
/// Where a layer is deeper or shallower than it is elsewhere: in some letters or cavities, over inserts, round older work,
/// and where two of these meet.
/// </summary>
/// <remarks>Source: docs/craft/mixing.md, Region volume.</remarks>
public static class DepthZones
{
    /// <summary>A part of what a layer is poured in, and the depth there; the one without an outline is what the others leave.</summary>
    private sealed record Zone(string Where, Outline? Outline, double DepthMm);

    /// <summary>The shares of every region of a layer, in the order of the map's regions; together they are the region.</summary>
    /// <param name="mapper">Grows the maps.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="within">A part of what the layer is poured in, for what lies in it alone; null for all.</param>
    public static ImmutableArray<ImmutableArray<DepthShare>> Of(LayerMapper mapper, Piece piece, FilledLayer layer, Outline? within = null)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        var regions = mapper.Map(piece, layer).Regions;
        var whole = within is null ? [.. regions.Select(r => r.AreaMm2)] : mapper.AreasWithin(piece, layer, within);
        var at = piece.Filled.IndexOf(piece.FilledBy(layer.Id));
        Dictionary<double, (List<Zone> Zones, Dictionary<Zone, ImmutableArray<double>> Areas)> known = [];
        var usual = Zones(layer);
        return
        [
            .. regions.Select((region, k) =>
            {
                var own = layer.OwnDepthMm(region.Id);
                if (own is { } mm && !known.ContainsKey(mm))
                {
                    known[mm] = Zones(layer.AsDeepAs(mm));
                }

                var (zones, areas) = own is { } depth ? known[depth] : usual;
                return ImmutableArray.CreateRange(zones.Select(z => new DepthShare(
                    z.Where,
                    z.Outline is null ? Math.Max(0, whole[k] - areas.Values.Sum(a => a[k])) : areas[z][k],
                    layer.IsBare(region.Id) ? 0 : DepthOf(layer, region, z.DepthMm))));
            }),
        ];

        (List<Zone>, Dictionary<Zone, ImmutableArray<double>>) Zones(FilledLayer of)
        {
            var zones = ZonesOf(mapper, piece, of, at);
            return (zones, zones.Where(z => z.Outline is not null)
                .ToDictionary(z => z,
                    z => mapper.AreasWithin(piece, layer, within is null ? z.Outline! : mapper.Shared(within, z.Outline!))));
        }
    }

    /// <summary>How deep a region of a layer's own layout is, mm: lines lie on a film, which is a part of the layer's depth.</summary>
    /// <param name="layer">The layer, its zones aside.</param>
    /// <param name="kind">What the region is.</param>
    /// <param name="depthMm">The layer's depth there, mm.</param>
    /// <remarks>Source: docs/craft/layouts.md, Rim-to-middle lines.</remarks>
    public static double DepthOf(FilledLayer layer, RegionKind kind, double depthMm)
    {
        ArgumentNullException.ThrowIfNull(layer);
        return layer.Layout is not StripesLayout lines || kind is RegionKind.KeptVisible or RegionKind.KeptBare or RegionKind.Wall ? depthMm
            : kind == RegionKind.Film ? Math.Min(lines.StartMm, depthMm)
            : Math.Max(0, depthMm - lines.StartMm);
    }

    /// <summary>How deep a region is, be it in a zone of the layer, mm.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="region">A region of its map.</param>
    /// <param name="depthMm">The layer's depth there, or that of the region's own, mm; from the ground.</param>
    public static double DepthOf(FilledLayer layer, Region region, double depthMm)
    {
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(region);
        if (layer.Layer.FilmUnderMm(region.Id) is { } film)
        {
            return Math.Max(0, depthMm - film);
        }

        var zone = layer.Zones.FirstOrDefault(z => region.Id.Zone == z.Id);
        return layer.OwnDepthMm(region.Id) is null ? DepthOf(zone is null ? layer : layer.Inside(zone), region.Kind, depthMm) : depthMm;
    }

    /// <summary>Parts of their own depth, each with what stands or lies in it, and what they leave.</summary>
    private static List<Zone> ZonesOf(LayerMapper mapper, Piece piece, FilledLayer layer, int at)
    {
        var ground = piece.Ground;
        if (layer.Within is not null)
        {
            return [new("", null, layer.DepthMm)];
        }

        var drawn = ground.Outline as DrawnOutline;
        var parts = drawn is null ? [] : (layer.Layer.PartDepths ?? []).Where(d => d.Part <= drawn.Parts.Length)
            .SelectMany(d => ground.OnEachPanel(new PartOutline(drawn, d.Part - 1)).Select(o => (d.Part, Outline: o, d.DepthMm))).ToList();
        var standing = at == 0 && ground is { Set: null, Old: { StandsMm: > 0 } old } ? old : null;
        var inserts = standing is null ? InsertsIn(piece, at) : [];
        List<Zone> zones = [];
        foreach (var part in parts)
        {
            Cut(part.Outline, $"in part {part.Part}", part.Part, part.DepthMm);
        }

        Cut(null, parts.Count > 0 ? "in the other parts" : "", 0, layer.DepthMm);
        return zones;

        // A part, with what changes the depth in it told apart. What is left of everything is found by taking the others away.
        void Cut(Outline? part, string where, int number, double depthMm)
        {
            List<Outline> taken = [];
            if (standing is not null)
            {
                Add(standing.Placed, Joined("on the older work", where), depthMm);
            }

            foreach (var insert in inserts)
            {
                Add(insert.Placed, Joined($"under {insert.Name}", where), insert.LeavesMm(Below(piece, at, number), depthMm));
            }

            var rest = part;
            foreach (var place in part is null ? [] : taken)
            {
                rest = mapper.Without(rest!, place);
            }

            var named = taken.Count == 0 ? where
                : Joined(standing is not null ? "round the older work" : "beside the inserts", where);
            zones.Add(new(named, rest, depthMm + (standing?.StandsMm ?? 0)));

            void Add(Outline place, string name, double depth)
            {
                var here = part is not null ? mapper.Shared(part, place)
                    : parts.Aggregate(place, (left, p) => mapper.Without(left, p.Outline));
                if (here.AreaMm2 > 0)
                {
                    taken.Add(place);
                    zones.Add(new(name, here, depth));
                }
            }
        }

        static string Joined(string what, string where) => where.Length == 0 ? what : $"{what} {where}";
    }

    /// <summary>Inserts keep resin out until their hollow is filled.</summary>
    private static List<Insert> InsertsIn(Piece piece, int at)
    {
        var before = piece.Filled.Take(at).ToList();
        return [.. (piece.Ground.Mould?.Inserts ?? []).Where(i => before.All(l => l.Within != i.Id))];
    }

    /// <summary>How high the layers below one reach in a part, mm.</summary>
    private static double Below(Piece piece, int at, int part) =>
        piece.Filled.Take(at).Where(l => l.Within is null).Sum(l => l.DepthIn(part));
}
