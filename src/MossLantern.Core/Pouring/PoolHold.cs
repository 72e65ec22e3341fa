using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Stones;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Pouring;

/// <summary>How full a pool is.</summary>
public enum PoolState
{
    /// <summary>There is room to spare.</summary>
    Holds,

    /// <summary>It is filled nearly to the brim.</summary>
    NearlyFull,

    /// <summary>It stands above its walls, and only the bulge holds it.</summary>
    AboveBrim,

    /// <summary>It runs over.</summary>
    RunsOver,
}

/// <summary>What a pool holds behind its walls, and what it gets over all layers.</summary>
/// <param name="Key">Its name among those of its layer: of several parts of a region each has one of its own.</param>
/// <param name="At">A spot well inside it; null for a pool, which has its own.</param>
/// <param name="RegionId">The pool; where walls close in more than one region, the one of them with the most area there.</param>
/// <param name="With">The other regions that the walls close in with it.</param>
/// <param name="CrestMm">To what height its lowest wall holds, mm.</param>
/// <param name="Room">What it takes with room to spare, ml.</param>
/// <param name="Brim">What it takes to the brim, ml.</param>
/// <param name="Over">What it takes until it runs over a dry edge, ml.</param>
/// <param name="Gets">What is poured into it with the stones in that, ml.</param>
/// <param name="Level">How deep that stands in it, mm.</param>
/// <param name="State">How full that makes it.</param>
/// <param name="More">What it still takes to the brim, ml; less than nothing above it.</param>
/// <param name="Spills">What of it runs over, ml; null where nothing does.</param>
/// <param name="Into">The pool on the other side of its lowest wall that it runs into first; null where there is none.</param>
/// <param name="Walls">The walls that stand round it.</param>
/// <param name="LowMm">How much deeper resin stands on its low side, mm: what that holds counts.</param>
/// <param name="Side">The side of it that lies low; null where it is level, or nobody measured.</param>
/// <remarks>Source: docs/craft/walls.md, What a pool holds.</remarks>
public sealed record PoolHold(
    string Key, Spot? At, RegionId RegionId, ImmutableArray<RegionId> With, double CrestMm, Reckoned Room, Reckoned Brim, Reckoned Over,
    Reckoned Gets, Reckoned Level,
    PoolState State, Reckoned More, Reckoned? Spills, RegionId? Into, ImmutableArray<string> Walls, double LowMm, string? Side)
{
    private const double Hair = 1e-6;

    /// <summary>So much lower than the lowest crest there is room to spare, mm.</summary>
    public const double SpareMm = 0.5;

    /// <summary>So much higher than a dry crest resin stands before it runs over, mm.</summary>
    public const double BulgeMm = 1;

    /// <summary>The pools of a layer whose walls all have a height.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="map">Its map.</param>
    /// <param name="ml">What each of its regions takes without its edges, of all that are poured at once, ml.</param>
    /// <param name="catalogue">What stones displace.</param>
    public static ImmutableArray<PoolHold> Of(
        Piece piece, FilledLayer layer, LayerMap map, IReadOnlyDictionary<RegionId, double> ml, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        ArgumentNullException.ThrowIfNull(ml);
        ArgumentNullException.ThrowIfNull(catalogue);

        // What floods goes over the walls on purpose.
        var later = layer.Within is not null ? [] : piece.Filled.SkipWhile(l => l.Id != layer.Id).Skip(1)
            .Where(l => l.Within is null && l.Layout is not FloodLayout).ToList();
        return
        [
            .. ZonedMap.PartsOf(piece, layer, map).SelectMany(p => In(piece, p.Of(layer), p, later, ml, catalogue)),
        ];
    }

    private static IEnumerable<PoolHold> In(Piece piece, FilledLayer layer, ZonePart part, List<FilledLayer> later,
        IReadOnlyDictionary<RegionId, double> ml, Catalogue catalogue)
    {
        var pools = WalledIn.All(layer, part);
        double LevelMm(WalledIn pool) => Gets(pool).Sum(g => g.Ml) * 1000 / pool.Area.Area;
        var told = new Dictionary<RegionId, int>();
        foreach (var pool in pools)
        {
            var number = told[pool.Id] = told.GetValueOrDefault(pool.Id) + 1;
            var own = pool.Walls;
            if (own.IsEmpty || own.Any(w => w.Section.HeightMm is null))
            {
                continue;
            }

            var lowest = own.MinBy(CrestOf)!;
            var crest = CrestOf(lowest);
            var box = pool.Area.EnvelopeInternal;

            // On a tilt what its low side holds counts.
            var low = LowSide.Of(piece.Ground, box.Width, box.Height);
            var level = Math.Max(0, crest - (low?.DeeperMm ?? 0));
            var area = new ReckonedInput("area", pool.Area.Area / 100, "cm²", Origin.Reckoned);
            ReckonedInput[] holds =
            [
                new("lowest crest", level, "mm", Origin.Reckoned, lowest.Place + ".section.heightMm"),
                .. low is null ? Array.Empty<ReckonedInput>()
                    : [new("of that deeper at its low side", low.DeeperMm, "mm", Origin.Measured)],
            ];
            Reckoned Up(double byMm, string formula, params ReadOnlySpan<ReckonedInput> more) =>
                new(Math.Max(0, Volume.Ml(pool.Area.Area, level + byMm)), "ml", formula, [area, .. holds, .. more]);
            var (room, brim, over) = (
                Up(-SpareMm, Formulas.PoolRoom, new ReckonedInput("to spare", SpareMm, "mm", Origin.Default)),
                Up(0, Formulas.PoolBrim),
                Up(BulgeMm, Formulas.PoolOver, new ReckonedInput("bulge at a dry edge", BulgeMm, "mm", Origin.Default)));
            Reckoned gets = new(Gets(pool).Sum(g => g.Ml), "ml", Formulas.PoolGets,
                [.. Gets(pool).Select(g => new ReckonedInput(g.Of, g.Ml, "ml", Origin.Reckoned))]);
            ReckonedInput all = new("gets", gets.Value, "ml", Origin.Reckoned);
            var state = gets.Value > over.Value + Hair ? PoolState.RunsOver : gets.Value > brim.Value + Hair ? PoolState.AboveBrim
                : gets.Value > room.Value + Hair ? PoolState.NearlyFull : PoolState.Holds;
            yield return new(
                pool.Id.In(part.ZoneId) + (number == 1 ? "" : FormattableString.Invariant($"~{number}")), pool.At,
                pool.Id.In(part.ZoneId), [.. pool.Regions.Skip(1).Select(r => r.Region.In(part.ZoneId))], crest, room, brim, over, gets,
                Reckoned.Of(LevelMm(pool), "mm", Formulas.PoolLevel, all, area), state,
                Reckoned.Of(brim.Value - gets.Value, "ml", Formulas.PoolMore, new("to the brim", brim.Value, "ml", Origin.Reckoned), all),
                state != PoolState.RunsOver ? null : Reckoned.Of(gets.Value - over.Value, "ml", Formulas.RunsOver,
                    all, new("until it runs over", over.Value, "ml", Origin.Reckoned)),
                pools.Where(p => p != pool && p.Walls.Contains(lowest)).OrderBy(LevelMm).FirstOrDefault()?.Id.In(part.ZoneId),
                [.. own.Select(w => w.Id)], low?.DeeperMm ?? 0, low?.Name);
        }

        List<(string Of, double Ml)> Gets(WalledIn pool)
        {
            var shares = pool.Regions.ToDictionary(r => r.Region.In(part.ZoneId), r => r.Share);
            var stones = (layer.Layer.Stones ?? []).Sum(s => catalogue.Find(MaterialKind.Stone, s.StoneId) is { } kind
                ? shares.GetValueOrDefault(s.Region) * Displacement.Ml(s.Grams, kind.Values[MaterialProperties.SolidDensity]) : 0);
            return
            [
                (layer.Name, shares.Sum(s => s.Value * ml.GetValueOrDefault(s.Key)) / piece.Ground.AtOnce),
                .. stones > 0 ? [("stones", stones)] : Array.Empty<(string, double)>(),
                .. later.Select(l => (l.Name, Volume.Ml(pool.Area.Area, l.DepthMm))),
            ];
        }
    }

    private static double CrestOf(Line wall) => wall is { Section.HeightMm: { } mm, Material: BarrierLine { Class: { } of } }
        ? BarrierBead.HoldsMm(of, mm) : wall.Section.HeightMm ?? 0;
}

/// <summary>What walls close in: a pool, or what lies between walls of another layout.</summary>
/// <param name="Area">Where it lies.</param>
/// <param name="Regions">The regions in it, each with the share of it that is; the one with the most area there first.</param>
/// <param name="Walls">The walls that stand beside it.</param>
/// <param name="At">A spot well inside it; null for a pool.</param>
internal sealed record WalledIn(
    Geometry Area, ImmutableArray<(RegionId Region, double Share)> Regions, ImmutableArray<Line> Walls, Spot? At = null)
{
    /// <summary>A wall this near to a pool stands beside it, mm.</summary>
    private const double BesideMm = 0.5;

    /// <summary>The region that it is told as.</summary>
    public RegionId Id => Regions[0].Region;

    /// <summary>Of a part of a layer.</summary>
    public static ImmutableArray<WalledIn> All(FilledLayer layer, ZonePart part)
    {
        var lines = layer.Walls.ToDictionary(w => w.Id);
        if (layer.Layout is not PoolsLayout)
        {
            return part.Map is not LinedMap lined ? [] :
            [
                .. lined.Compartments.Where(c => !c.Regions.IsEmpty)
                    .Select(c => new WalledIn(c.Area, c.Regions, [.. c.Walls.Select(w => lines[w])],
                        new(c.Area.InteriorPoint.X, c.Area.InteriorPoint.Y))),
            ];
        }

        var walls = Pools.Snapped(part.Outline, Wall.Among(layer.Walls))
            .Select(w => (w.Id, Line: (Geometry)Pools.Laid(w.Spots), w.WidthMm)).ToList();
        return
        [
            .. ((RegionMap)LinedMap.Below(part.Map!)).Patches.Where(p => p.Kind == RegionKind.Pool && !p.Area.IsEmpty)
                .Select(p => new WalledIn(p.Area, [(p.Id, 1)],
                    [.. walls.Where(w => Near(p.Area, w.Line, w.WidthMm / 2 + BesideMm)).Select(w => lines[w.Id])])),
        ];
    }

    private static bool Near(Geometry pool, Geometry line, double mm) =>
        pool.EnvelopeInternal.Distance(line.EnvelopeInternal) <= mm && pool.IsWithinDistance(line, mm);
}
