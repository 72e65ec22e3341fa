using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>What the regions of a layer are called: by their colour and where they lie, never by a number of ours.</summary>
/// <remarks>Source: docs/craft/layouts.md, Names.</remarks>
public static class RegionNames
{
    private static readonly ImmutableArray<string> Ordinals =
        ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth", "eleventh", "twelfth"];

    /// <summary>The names of all regions of a layer, no two alike.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="map">Its map.</param>
    public static ImmutableDictionary<RegionId, string> Of(Piece piece, FilledLayer layer, LayerMap map)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        var outline = piece.Ground.OutlineWithin(layer.Within);
        var centres = map.CentresIn(outline);
        var colours = layer.Recipes.ToDictionary(r => r.Id, r => r.Name);
        var spots = (piece.Kept ?? []).ToDictionary(k => k.Id, k => k.Name);
        var zones = layer.Zones.ToDictionary(z => z.Id);
        var named = map.Regions.ToDictionary(r => r.Id, r => r.Id.Kept is { } kept ? Spot(spots, kept, r.Kind) : "");
        foreach (var part in map.Regions.Where(r => r.Id.Kept is null).GroupBy(r => r.Id.Zone))
        {
            var zone = part.Key is { } id ? zones[id] : null;
            var of = zone is null ? layer : layer.Inside(zone);
            foreach (var (region, name) in InLayout(of, [.. part], colours, centres, BoxOf(zone, outline)))
            {
                named[region] = zone is null ? name : $"{zone.Name}: {name}";
            }
        }

        return named.ToImmutableDictionary();
    }

    private static PieceBox BoxOf(Zone? zone, Outline outline) => zone is null ? new(0, 0, outline.BoxWidthMm, outline.BoxHeightMm)
        : new(zone.XMm, zone.YMm, zone.Outline.BoxWidthMm, zone.Outline.BoxHeightMm);

    private static string Spot(Dictionary<string, string> spots, string kept, RegionKind kind) =>
        kind == RegionKind.Wall ? $"dam round {spots.GetValueOrDefault(kept.Split('/')[0], "a reserved spot")}"
            : spots.GetValueOrDefault(kept, "reserved spot");

    private static IEnumerable<(RegionId Id, string Name)> InLayout(
        FilledLayer of, List<Region> regions, Dictionary<string, string> colours, IReadOnlyDictionary<RegionId, Spot> centres, PieceBox box)
    {
        var layout = of.Layout;
        string Colour(Region region) => region.CupId is { } cup ? colours.GetValueOrDefault(cup, "no colour") : "no colour yet";
        var ringed = regions.Where(r => r.Kind is RegionKind.Band or RegionKind.PuddleRing).ToList();

        // Each pour of a puddle lies inside the one before.
        var fromMiddle = layout is PuddleLayout ? Enumerable.Reverse(ringed).ToList() : ringed;
        foreach (var alike in fromMiddle.GroupBy(Colour))
        {
            foreach (var (region, at) in alike.Select((r, i) => (r, i)))
            {
                yield return (region.Id, alike.Count() == 1 ? alike.Key
                    : $"{alike.Key}, {Ring(at, alike.Count(), layout is StripesLayout ? "stripe" : "ring")}");
            }
        }

        var placed = regions.Where(r => r.Kind is RegionKind.Field or RegionKind.Pool)
            .Select(r => (Region: r, At: centres.GetValueOrDefault(r.Id) ?? r.Anchor)).ToList();
        foreach (var alike in placed.GroupBy(p => $"{Colour(p.Region)}, {Where(p.At, box, p.Region.AreaMm2 > 0)}"))
        {
            var together = alike.ToList();
            foreach (var (id, name) in together.Count == 1 ? [(together[0].Region.Id, alike.Key)] : Apart(alike.Key, together))
            {
                yield return (id, name);
            }
        }

        foreach (var (region, name) in Lines(of, [.. regions.Where(r => r.Kind == RegionKind.Line)], Colour))
        {
            yield return (region, name);
        }

        foreach (var region in regions.Except(ringed).Except(placed.Select(p => p.Region)).Where(r => r.Kind != RegionKind.Line))
        {
            yield return (region.Id, region.Kind switch
            {
                RegionKind.HeartBed => $"{Colour(region)}, heart bed",
                RegionKind.Film => $"{Colour(region)}, film below",
                RegionKind.Streaks => $"{Colour(region)}, streaks",
                RegionKind.Wall => layout is PoolsLayout ? "walls" : "wall",
                _ => layout switch
                {
                    PuddleLayout => $"{Colour(region)}, round the puddle",
                    MarbleLayout => $"{Colour(region)}, ground",
                    _ => $"{Colour(region)}, all over",
                },
            });
        }
    }

    /// <summary>Lines by their colour, and by where they run where there are several of it.</summary>
    private static IEnumerable<(RegionId Id, string Name)> Lines(FilledLayer of, List<Region> lines, Func<Region, string> colour)
    {
        var all = of.Lines.Where(l => l.Course is AllBordersCourse).Select(l => l.Region.InLayout).ToHashSet();
        foreach (var alike in lines.GroupBy(r => $"{colour(r)}, {(all.Contains(r.Id.InLayout) ? "vein" : "line")}"))
        {
            foreach (var (region, at) in alike.Select((r, i) => (r, i)))
            {
                yield return (region.Id, alike.Count() == 1 ? alike.Key : $"{alike.Key}, the {Ordinal(at)}");
            }
        }
    }

    /// <summary>One ring of several of a colour, counted from the middle.</summary>
    private static string Ring(int at, int of, string what) => (at, of) switch
    {
        (0, 2 or 3) => $"inner {what}",
        (1, 2) or (2, 3) => $"outer {what}",
        (1, 3) or (2, 5) => $"middle {what}",
        (0, 4 or 5) => $"innermost {what}",
        (1, 4 or 5) => $"inner {what}",
        (2, 4) or (3, 5) => $"outer {what}",
        (3, 4) or (4, 5) => $"outermost {what}",
        _ => $"{Ordinal(at)} {what} from the middle",
    };

    /// <summary>In which third of a box something lies, across and down.</summary>
    private static string Where(Spot? at, PieceBox box, bool fits)
    {
        if (!fits || at is null)
        {
            return "without room";
        }

        int Third(double share) => share < 1.0 / 3 ? 0 : share < 2.0 / 3 ? 1 : 2;
        return (Third((at.YMm - box.YMm) / box.HeightMm), Third((at.XMm - box.XMm) / box.WidthMm)) switch
        {
            (0, 0) => "upper left",
            (0, 1) => "upper middle",
            (0, 2) => "upper right",
            (1, 0) => "left",
            (1, 1) => "middle",
            (1, 2) => "right",
            (2, 0) => "lower left",
            (2, 1) => "lower middle",
            _ => "lower right",
        };
    }

    /// <summary>Several of a colour in one place, told apart along the way on which they lie further from each other.</summary>
    private static IEnumerable<(RegionId Id, string Name)> Apart(string name, List<(Region Region, Spot? At)> together)
    {
        double Spread(Func<Spot, double> along) =>
            together.Max(p => p.At is { } at ? along(at) : 0) - together.Min(p => p.At is { } at ? along(at) : 0);
        var across = Spread(s => s.XMm) >= Spread(s => s.YMm);
        var inTurn = together.OrderBy(p => p.At is { } at ? across ? at.XMm : at.YMm : 0).ThenBy(p => p.Region.Id).ToList();
        return inTurn.Select((p, i) => (p.Region.Id, inTurn.Count == 2
            ? $"{name}, {OfTwo(across, i == 0)}"
            : $"{name}, {Ordinal(i)} from {(across ? "the left" : "above")}"));
    }

    private static string OfTwo(bool across, bool first) => (across, first) switch
    {
        (true, true) => "further left",
        (true, false) => "further right",
        (false, true) => "higher up",
        (false, false) => "further down",
    };

    private static string Ordinal(int at) => at < Ordinals.Length ? Ordinals[at] : FormattableString.Invariant($"{at + 1}th");
}
