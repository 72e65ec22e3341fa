using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pouring;

/// <summary>A number that only one way of laying out has.</summary>
/// <param name="Id">Stable id, unique in the layer.</param>
/// <param name="Label">What it is, in words.</param>
/// <param name="Number">The number.</param>
public sealed record LayoutFact(string Id, string Label, Reckoned Number);

/// <summary>The numbers of a layer's layout.</summary>
/// <remarks>Source: docs/craft/layouts.md.</remarks>
public static class LayoutFacts
{
    /// <summary>Id of the room that lines have.</summary>
    public const string RimRoom = "rim-room";

    /// <summary>Share of a puddle that is told as running over: what is less comes from the edges of the map's grid.</summary>
    private const double LeastOverShare = 0.005;

    /// <summary>Id of the room that lines need.</summary>
    public const string StripesNeed = "stripes-need";

    /// <summary>The numbers of a layer's layout, and of the layouts of its zones, whose ids and regions come after the
    /// zone's id and a slash.</summary>
    /// <param name="mapper">Lays out the maps.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="map">The layer's map.</param>
    /// <param name="ml">What each of its regions takes without its edges, ml.</param>
    public static ImmutableArray<LayoutFact> Of(LayerMapper mapper, Piece piece, FilledLayer layer, LayerMap map,
        IReadOnlyDictionary<RegionId, double> ml)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        return
        [
            .. ZonedMap.PartsOf(piece, layer, map).SelectMany(p => (p.Of(layer).Layout switch
            {
                StripesLayout lines => Stripes(piece, p.Of(layer), lines, p.ZoneId is null
                    ? mapper.RimRoomMm(piece, layer) : ((BandMap)LinedMap.Below(p.Map!)).FarFromRimMm(), p.ZoneId, ml),
                PuddleLayout puddle => PuddleOf(piece.Ground, p.Of(layer), puddle, p.Map!),
                PoolsLayout => Walls(p.Outline, p.Of(layer), p.Map!),
                _ => Array.Empty<LayoutFact>(),
            }).Select(f => p.ZoneId is null ? f : f with { Id = $"{p.ZoneId}/{f.Id}" })),
        ];
    }

    private static IEnumerable<LayoutFact> Stripes(
        Piece piece, FilledLayer layer, StripesLayout lines, double room, string? zoneId, IReadOnlyDictionary<RegionId, double> ml)
    {
        var own = layer.Bands.Where(b => !b.FillsRest).ToList();
        var widths = lines.BandWidthsMm();
        yield return new(RimRoom, "Room from the rim to the middle", Reckoned.Of(room, "mm", Formulas.RimRoom,
            new("grid spacing", piece.Growth.GridMm, "mm", Origin.Default),
            new("waviness", lines.WavinessMm, "mm", Origin.Own, layer.LaidOutPlace + ".layout.wavinessMm")));
        yield return new(StripesNeed, $"{own.Count} stripes need", new(widths.Sum(), "mm", Formulas.StripesNeed,
            [.. layer.Bands.Select((b, k) => (b, k)).Where(p => !p.b.FillsRest)
                .Select(p => new ReckonedInput($"stripe {own.Count - own.IndexOf(p.b)}", widths[p.k], "mm", Origin.Own,
                    $"{layer.LaidOutPlace}.layout.bands[{p.b.Id}].widthMm"))]));

        // Laid from the rim inward; the same sequence again and again is told repeat by repeat.
        var laid = layer.Bands.Reverse().Where(b => !b.FillsRest).ToList();
        var period = Period(laid);
        if (period < laid.Count)
        {
            foreach (var (repeat, number) in laid.Chunk(period).Select((r, i) => (r, i + 1)))
            {
                var sum = repeat.Select(b => (b, Ml: ml.GetValueOrDefault(b.Region.In(zoneId)))).ToList();
                yield return new(
                    string.Create(CultureInfo.InvariantCulture, $"repeat-{number}"),
                    number == 1 ? "Repeat 1, at the rim" : $"Repeat {number}",
                    new(sum.Sum(s => s.Ml), "ml", Formulas.Repeat,
                        [.. sum.Select(s => new ReckonedInput(layer.Recipes.Single(c => c.Id == s.b.RecipeId).Name,
                            s.Ml, "ml", Origin.Reckoned))]));
            }
        }
    }

    /// <summary>After how many lines the sequence begins again; all of them where it does not.</summary>
    private static int Period(List<Band> laid) =>
        Enumerable.Range(1, Math.Max(1, laid.Count)).First(p => p == laid.Count || laid.Count == 0
            || (laid.Count % p == 0 && Enumerable.Range(p, laid.Count - p)
                .All(i => laid[i].RecipeId == laid[i - p].RecipeId && laid[i].WidthMm == laid[i - p].WidthMm)));

    private static IEnumerable<LayoutFact> PuddleOf(Ground ground, FilledLayer layer, PuddleLayout puddle, LayerMap map)
    {
        var radii = Puddle.OuterRadiiMm(puddle.Pours.Select(p => p.Ml), layer.DepthMm);
        var ml = 0.0;
        for (var k = 0; k < puddle.Pours.Length; k++)
        {
            ml += puddle.Pours[k].Ml;
            yield return new(
                $"radius-{puddle.Pours[k].Id}", $"Radius after {layer.Recipes.Single(c => c.Id == puddle.Pours[k].RecipeId).Name}",
                Reckoned.Of(radii[k], "mm", Formulas.Puddle,
                    new("all poured so far", ml, "ml", Origin.Reckoned),
                    new("depth", layer.DepthMm, "mm", Origin.Own, layer.Place + ".depthMm")));
        }

        // What is poured by the millilitre is that much: what hangs on the edge and drips is told, and is a part of it.
        var open = map.Regions.Where(r => r.By == PouredBy.Amount).Sum(r => r.OpenEdgeMm);
        if (ground.RunsOver && open > 0)
        {
            var (film, drip) = (layer.Sitting.Losses?.FilmMm ?? CupPlanner.SideFilmMm,
                CupPlanner.DripPercent(ground, layer));
            yield return new("edges", "Of that, on the edge and in drips", Reckoned.Of(
                CupPlanner.EdgeMl(open, ground.SideHeightMm, ml, film, drip / 100), "ml", Formulas.EdgeVolume,
                new("open perimeter", open, "mm", Origin.Reckoned),
                new("side height", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm"),
                new("film thickness", film, "mm", layer.Sitting.Losses?.FilmMm is null ? Origin.Default : Origin.Own,
                    layer.SittingPlace + ".losses.filmMm"),
                new("drip share", drip, "%", layer.Sitting.Losses?.DripPercent is null ? Origin.Default : Origin.Own,
                    layer.SittingPlace + ".losses.dripPercent"),
                new("layer volume", ml, "ml", Origin.Reckoned)));
        }

        var areas = map.Regions.ToDictionary(r => r.Id, r => r.AreaMm2);
        var over = puddle.Pours.Sum(p => p.Ml - Math.Min(p.Ml, Volume.Ml(areas.GetValueOrDefault(p.Region), layer.DepthMm)));
        if (over > LeastOverShare * ml)
        {
            yield return new("run-off", "Runs over the rim, or stands higher", Reckoned.Of(over, "ml", Formulas.RunOff,
                new("poured", ml, "ml", Origin.Reckoned), new("on the piece", ml - over, "ml", Origin.Reckoned)));
        }
    }

    private static IEnumerable<LayoutFact> Walls(Outline outline, FilledLayer layer, LayerMap map)
    {
        var walls = layer.Walls;
        var length = Pools.LengthsMm(outline, Wall.Among(walls)).Sum();
        var area = map.Regions.FirstOrDefault(r => r.Id == PoolsLayout.WallId)?.AreaMm2 ?? 0;
        yield return new("wall-length", "Walls",
            Reckoned.Of(length, "mm", Formulas.WallLength, new ReckonedInput("walls", walls.Length, "", Origin.Own)));
        yield return new("wall-area", "Walls take up", new(area / 100, "cm²", Formulas.WallLength,
        [
            new("length", length, "mm", Origin.Reckoned),
            .. walls.DistinctBy(w => w.Section.WidthMm)
                .Select(w => new ReckonedInput("bead width", w.Section.WidthMm, "mm", Origin.Own, w.Place + ".section.widthMm")),
        ]));
    }
}
