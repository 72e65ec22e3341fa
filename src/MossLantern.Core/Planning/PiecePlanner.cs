using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Journal;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;
using NodaTime;

namespace MossLantern.Core.Planning;

/// <summary>The chain from a piece's document to everything worked out for it: map, cups, pours, windows.</summary>
/// <param name="mapper">Grows the maps.</param>
public sealed class PiecePlanner(LayerMapper mapper)
{
    /// <summary>Works a piece out.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="poured">What has really been poured.</param>
    /// <param name="around">What it is worked out in.</param>
    public PiecePlan Plan(Piece piece, IReadOnlyList<PouredSitting> poured, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(poured);
        ArgumentNullException.ThrowIfNull(around);
        var (laid, sittings) = Sittings(piece, poured, around);
        ImmutableArray<LayerPlan> layers = [.. laid
            .Select((l, i) => Layer(piece, l, laid[..i].LastOrDefault(b => b.Layer.Within == l.Layer.Within), sittings, around))];
        var areaCm2 = layers[0].Regions.Where(r => r.CupId is not null).GroupBy(r => r.CupId!)
            .ToDictionary(g => g.Key, g => g.Sum(r => r.Area.Value));
        var ground = GroundMeasures.Of(piece, [.. layers.Select(l => l.LoadOn(piece.Ground))], areaCm2, around) with
        {
            Parts = CavityVolumes.Of(mapper, piece, layers),
            Beneath = WorkBeneath.Of(mapper, around.Catalogue, piece.Ground, CoreCut.AtMm(piece)),
        };
        var tape = Taping.Of(piece, around.Catalogue.TapeWidthsMm, around.Habits.Tape,
            sittings.Count(s => layers.Any(l => s.LayerIds.Contains(l.LayerId) && l.Regions.Any(r => r.OpenEdgeMm > 0))));
        var rubber = RubberPlan.All(piece.Ground, around.Catalogue);
        return new(ground, layers, sittings, SecondLook.Over(new(piece, ground, layers, sittings, around, mapper,
            new(piece, Cupboard.Of(around.Catalogue), other => Sittings(other, poured, around).Sittings))
        { Tape = tape, Rubber = rubber }),
            PieceNeed.Of(piece, sittings, around.Catalogue), PotTake.Of(piece, ground, sittings, around), tape, DamPlan.For(piece),
            SidesPlan.Of(piece.Ground), rubber);
    }

    private (ImmutableArray<LaidLayer> Laid, ImmutableArray<SittingPlan> Sittings) Sittings(Piece piece,
        IReadOnlyList<PouredSitting> poured, Surroundings around)
    {
        ImmutableArray<LaidLayer> laid = [.. piece.Filled
            .Select(l => new LaidLayer(l, mapper.Map(piece, l), DepthZones.Of(mapper, piece, l)))];
        var portions = Portion.All(piece, laid, new ReallyPoured(piece, poured, around.Catalogue).Of);
        var orders = laid.ToDictionary(l => l.Layer.Id, l => PourOrder.Usual(l.Layer, l.Map));
        var volumes = PouredVolumes.Of(piece, portions, around.Catalogue);
        return (laid, SittingWindows.Of(piece, laid, [.. piece.Sittings.Select(s => Sitting(piece, s, laid, portions[s.Id], volumes[s.Id],
            orders, [.. poured.Where(p => p.SittingId == s.Id)], around))]));
    }

    /// <summary>The findings of a plan, with those that the hour brings: nothing that is kept depends on it.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="plan">What was worked out for it.</param>
    /// <param name="around">What it was worked out in.</param>
    /// <param name="now">When this is asked.</param>
    public ImmutableArray<Finding> FindingsAt(Piece piece, PiecePlan plan, Surroundings around, NodaTime.Instant now)
    {
        ArgumentNullException.ThrowIfNull(plan);
        return SecondLook.At(new(piece, plan.Ground, plan.Layers, plan.Sittings, around, mapper), plan.Findings, now);
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

    private static SittingPlan Sitting(
        Piece piece, Sitting sitting, ImmutableArray<LaidLayer> laid, ImmutableArray<Portion> portions,
        ImmutableArray<RegionVolume> volumes, Dictionary<string, PourOrder> orders,
        ImmutableArray<PouredSitting> castings, Surroundings around)
    {
        // Where a piece is cast several times, the last casting counts.
        var poured = castings.LastOrDefault();
        ImmutableArray<LaidLayer> layers = [.. laid.Where(l => sitting.LayerIds.Contains(l.Layer.Id))];
        var lead = layers[0].Layer.In(sitting);
        var tools = new Measuring(lead, around);
        var used = layers.SelectMany(l => l.Layer.Cups).Select(c => c.Id).ToHashSet();
        ImmutableArray<Recipe> recipes = [.. piece.Recipes.Where(r => used.Contains(r.Id))];
        var inOrder = PourPlan.InOrder(sitting, volumes, [.. layers.Select(l => (l.Layer.Id, orders[l.Layer.Id]))]);
        var start = PourMoments.StartOf(sitting, poured, around);
        var room = SittingRoom.Of(sitting, poured, around);
        var jugs = CupPlanner.Plan(lead, recipes, volumes, _ => CupPart.Whole(false), around, sitting.CupChoices);
        var passes = portions.ToLookup(p => (p.Of, p.Pass));
        ImmutableArray<double> films =
            [.. inOrder.Select(v => passes[(new RegionOf(v.LayerId, v.RegionId), v.Pass)].First()).Select(p => p.FilmMm)];
        var copies = Casting.Copies(lead, piece.Ground);
        var batches = Batching.Of(tools, sitting, recipes, jugs, inOrder, copies, films, room, start);
        var pour = PourMoments.Of(sitting, poured, around, batches);
        var parts = batches.All.SelectMany(b => b.Cups.Select(c => (c.CupId, Part: new CupPart(b.Id, c.Percent, b.Cups.Length == 1))))
            .GroupBy(c => c.CupId).ToDictionary(g => g.Key, g => g.Select(c => c.Part).ToImmutableArray());
        var cups = CupPlanner.Plan(lead, recipes, volumes, id => parts.GetValueOrDefault(id, CupPart.Whole(false)), around,
            sitting.CupChoices);
        ImmutableArray<PlannedPour> steps = [.. PourPlan.Of(inOrder, cups, copies, sitting.CupChoices, poured?.Amounts)
            .Select(s => s with { Done = poured?.HasPoured(s) == true })];
        Instant? holds = pour is not null && batches.Holds is { Value: var minutes }
            ? pour.Start + Duration.FromMinutes(minutes - (poured is null ? 0 : batches.FirstPourMinutes)) : null;
        var windows = pour is null || inOrder.IsEmpty ? []
            : CureWindows.Of(tools.System, pour, HeldOf(piece.Ground), CureWindows.Left(piece.Ground.Base?.Material),
                Taping.RunsOf(piece.Ground, around.Habits.Tape) == TapeRuns.Two ? holds : null,
                piece.Ground.Edge == EdgeStyle.RolledOver && holds is { } from && batches.GelMinutes is { } gel
                    ? (from, pour.Start + Duration.FromMinutes(gel - (poured is null ? 0 : batches.FirstPourMinutes))) : null);
        return new(
            sitting.Id, sitting.Name ?? string.Join(", ", layers.Select(l => l.Layer.Name)),
            [.. layers.Select(l => l.Layer.Id)], cups, batches, steps,
            layers.Length == 1 ? orders[layers[0].Layer.Id].Says
                : string.Join(" ", layers.Select(l => $"{l.Layer.Name}: {orders[l.Layer.Id].Says}")),
            pour, poured is not null,
            windows,
            poured is null ? [] : [.. steps.Where(s => !s.Done).Select(s => s.Of).Distinct()],
            copies, [.. Castings(piece.Ground, copies, inOrder, lead, around)],
            CupReach.Of(sitting, recipes, cups, inOrder, copies, poured?.Amounts),
            Logged.CopiesLeft(piece, sitting, castings.Count(c =>
                c.Regions is not { } all || steps.All(s => all.Contains(s.Of)) || steps.All(c.HasPoured))))
        {
            Begun = poured is null ? []
                : [.. poured.Regions is { } done ? done.Concat((poured.Amounts ?? []).Select(a => a.Of)) : steps.Select(s => s.Of)],
            Demould = windows.FirstOrDefault(w => w.Milestone == Milestone.Demould),
            Recoat = windows.FirstOrDefault(w => w.Milestone == Milestone.NextLayer),
            Holds = holds,
        };
    }

    /// <summary>What each casting takes, where more copies are wanted than are poured at once; none where all are.</summary>
    private static IEnumerable<CastingNeed> Castings(Ground ground, int copies, ImmutableArray<RegionVolume> pours,
        FilledLayer lead, Surroundings around)
    {
        if (ground.Wanted <= ground.AtOnce || pours.IsEmpty)
        {
            yield break;
        }

        var each = pours.Sum(p => p.PourMl.Value) / copies;
        var reserve = lead.Sitting.ReservePercent ?? around.Habits.ReservePercent;
        for (var left = ground.Wanted; left > 0; left -= ground.AtOnce)
        {
            var now = Math.Min(left, ground.AtOnce);
            yield return new(now, Reckoned.Of(now * each * (1 + reserve / 100), "ml", Formulas.CastingNeed,
                new("copies", now, "", Origin.Reckoned), new("a copy takes", each, "ml", Origin.Reckoned),
                new("reserve", reserve, "%",
                    lead.Sitting.ReservePercent is null ? around.Habits.OriginOf(h => h.ReservePercent) : Origin.Own,
                    lead.SittingPlace + ".reservePercent")));
        }
    }

    private LayerPlan Layer(Piece piece, LaidLayer laid, LaidLayer? below, ImmutableArray<SittingPlan> sittings, Surroundings around)
    {
        var (layer, map) = (laid.Layer, laid.Map);
        var outline = piece.Ground.OutlineWithin(layer.Within);
        var placed = outline as PlacedOutline;
        var cutAt = placed is null ? CoreCut.AtMm(piece) : placed.YMm + placed.Inner.BoxHeightMm / 2;
        var filling = sittings.Where(s => s.Pours.Any(p => p.LayerId == layer.Id)).ToList();

        // Of as many copies as are poured at once, for however many a sitting is mixed.
        var volumes = filling.SelectMany(s => s.Cups.Regions.Where(r => r.LayerId == layer.Id)
            .Select(r => (r.RegionId, Ml: r.LayerMl.Value * piece.Ground.AtOnce / s.Copies)))
            .GroupBy(r => r.RegionId).ToDictionary(g => g.Key, g => g.Sum(r => r.Ml));
        var opacity = CupOpacity.Of(around.Catalogue, layer, map);
        var poured = filling.Any(s => s.HasBegun(layer.Id));
        var middles = map.MiddlesIn(outline);
        var names = RegionNames.Of(piece, layer, map);
        var lines = LinePlan.Of(piece, layer, map, names, around);
        return new(
            layer.Id,
            placed is null ? new(0, 0, outline.BoxWidthMm, outline.BoxHeightMm)
                : new(placed.XMm, placed.YMm, placed.Inner.BoxWidthMm, placed.Inner.BoxHeightMm),
            [.. map.Regions.Where(r => r.Kind != RegionKind.HeartBed || r.AreaMm2 > 0)
                .Select(r => RegionPlan.Of(piece, layer, r, names[r.Id]) with { Middle = middles.GetValueOrDefault(r.Id) })],
            CoreCut.Of(piece.Ground, outline, map, cutAt),
            cutAt,
            [.. layer.Cups.Select(c => new LayerColour(c.Id,
                CupLook.Of(around.Catalogue, layer, c) is { CoverPerMm: > 0 } look ? look.Colour.ToHex() : null,
                opacity[c.Id], Beneath.Of(piece, around.Catalogue, laid, c, below)))],
            [.. filling],
            poured,
            poured && filling.All(s => !s.OpenIn(layer.Id).Any()),
            poured ? [.. filling.SelectMany(s => s.OpenIn(layer.Id)).Select(r => r.Region).Distinct()] : [],
            NextLayerWindow.Of(SittingsOnTop.Of(layer.Id, sittings)),
            [.. LevelClear(piece, laid)],
            filling.Sum(s => MassG(piece, s, layer, around)),
            volumes.Values.Sum(),
            (layer.Layer.Stones ?? []).Sum(s => s.Grams) * piece.Ground.AtOnce,
            [.. StonesOut(layer.Layer, filling)],
            LayoutFacts.Of(mapper, piece, layer, map, volumes),
            map.Touching,
            ColourBalance.Of(outline, map, layer.IsBare))
        {
            RegionMl = volumes,
            Holds = PoolHold.Of(piece, layer, map, volumes, around.Catalogue),
            Lines = lines,
            Waits = Waits.Of(piece, layer, lines, around),
            Walls = WallsTogether.Of(layer, lines),
        };
    }

    /// <summary>A scale for stones shows no less, g.</summary>
    private const double LeastStonesG = 0.5;

    /// <summary>Where there are more stones than what is poured between them reaches.</summary>
    private static IEnumerable<StonesOut> StonesOut(Layer layer, List<SittingPlan> filling)
    {
        var under = filling.SelectMany(s => s.Cups.Regions).Where(r => r.LayerId == layer.Id)
            .GroupBy(r => r.RegionId).ToDictionary(g => g.Key, g => g.Sum(r => r.StonesUnderG));
        foreach (var (region, grams) in (layer.Stones ?? []).GroupBy(s => s.Region).Select(g => (g.Key, g.Sum(s => s.Grams))))
        {
            if (under.TryGetValue(region, out var below) && grams - below >= LeastStonesG)
            {
                yield return new(region, Reckoned.Of(grams - below, "g", Formulas.StonesOut,
                    new("stones in the region", grams, "g", Origin.Own), new("below the level", below, "g", Origin.Reckoned)));
            }
        }
    }

    /// <summary>A sitting's resin in a layer, of one piece, g.</summary>
    private static double MassG(Piece piece, SittingPlan sitting, FilledLayer layer, Surroundings around)
    {
        var system = piece.Sittings.Single(s => s.Id == sitting.SittingId).Resin.From(around.Catalogue);
        return sitting.Cups.Regions.Where(r => r.LayerId == layer.Id).Sum(r => r.LayerMl.Value) / sitting.Copies
            * Parts.OfVolume(system.Ratio, system.ResinDensity, system.HardenerDensity, 100).DensityGPerMl;
    }

    /// <summary>Clear per region that brings all to the highest, where the artist gave regions depths of their own or
    /// leaves some below what they aim at.</summary>
    private static IEnumerable<ClearToLevel> LevelClear(Piece piece, LaidLayer laid)
    {
        var layer = laid.Layer;
        var fills = piece.Sittings.SelectMany(s => s.Fills ?? []).Where(f => f.LayerId == layer.Id).ToLookup(f => f.Region);
        if (layer.Layer.RegionDepths is null && layer.Layer.Bare is null && !fills.SelectMany(f => f).Any(f => f.TakesMm is not null))
        {
            yield break;
        }

        var itself = piece.Layers.Single(l => l.Id == layer.Id);
        var regions = laid.Map.Regions
            .Where(r => r.TakesArea && r.AreaMm2 > 0 && r.By == PouredBy.Area && (r.CupId is not null || layer.IsBare(r.Id)))
            .Select(r => (Region: r, Mm: layer.IsBare(r.Id) ? 0 : Height(r))).ToList();
        var highest = regions.Select(r => r.Mm).DefaultIfEmpty(0).Max();
        foreach (var (region, mm) in regions.Where(r => highest - r.Mm > 1e-6))
        {
            yield return new(region.Id, Reckoned.Of(region.AreaMm2 * (highest - mm) / 1000 * piece.Ground.AtOnce, "ml", Formulas.LevelClear,
                new("area", region.AreaMm2 / 100, "cm²", Origin.Reckoned),
                new("highest region", highest, "mm", Origin.Reckoned), new("this one", mm, "mm", Origin.Reckoned),
                new("pieces at once", piece.Ground.AtOnce, "", Origin.Reckoned)));
        }

        // Lines lie on their film: with it they are as high as the layer.
        double Height(Region region)
        {
            var aim = itself.AimMm(region.Id);
            var own = fills[region.Id].ToList();
            var filled = own.Count == 0 || own.Any(f => f.TakesMm is null) ? aim : own.Sum(f => f.TakesMm!.Value);
            return filled + (itself.FilmUnderMm(region.Id) ?? 0);
        }
    }

    private static HeldBy HeldOf(Ground ground) =>
        ground.Mould is not null ? HeldBy.Mould : ground.Edge == EdgeStyle.Walled ? HeldBy.Wall : HeldBy.Tape;
}
