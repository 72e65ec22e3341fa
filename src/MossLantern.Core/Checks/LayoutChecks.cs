using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Checks;

/// <summary>A cup that nothing is poured from, or a region that nobody has given a cup.</summary>
internal sealed class NoHomeCheck : ICheck
{
    public string Id => "no-home";

    public IEnumerable<Finding> Look(Looked looked)
    {
        HashSet<string> told = [];
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            // What no layer names is a cup of each: it is told once. What another recipe is filled from cannot be put away before it.
            var used = layer.RecipesInUse;
            var filledFrom = layer.Recipes.SelectMany(r => r.Of ?? []).Select(s => s.RecipeId).ToHashSet();
            foreach (var cup in layer.Cups.Where(c => !used.Contains(c.Id) && !filledFrom.Contains(c.Id) && !(looked.Piece.Kept is { IsEmpty: false } && c.Id == layer.ClearRecipe) && told.Add(c.Id)))
            {
                yield return new(
                    Id, $"no-home@{layer.Id}/{cup.Id}", Grade.Mind, "Cup without a place", $"Nothing of {layer.Name} is poured from {cup.Name}.", [],
                    new("cups", layer.Id), [Remedy.OnLayer("away", $"Put {cup.Name} away", layer.Id, l => Without(l, cup.Id))]);
            }

            foreach (var region in plan.Regions.Where(r => r.Fits && r.CupId is null))
            {
                if (region.Kind == RegionKind.KeptVisible)
                {
                    yield return new(
                        Id, $"no-home@{layer.Id}/{region.Id}", Grade.Mind, "Spot without a cup",
                        $"{NameOf(looked.Piece, region.Id)} is to stay visible, and {layer.Name} has no cup of clear for it.", [], Place(layer, region),
                        [Remedy.OnLayer("clear", "Take a cup of clear for it", layer.Id, WithClear)]);
                }
                else if (region.Kind == RegionKind.Pool && layer.Layout is PoolsLayout)
                {
                    yield return new(
                        Id, $"no-home@{layer.Id}/{region.Id}", Grade.Mind, "Pool without a cup", "Nobody has said what this pool of {0} is poured from.", [region.Area],
                        Place(layer, region), [.. Colours(layer, plan, region)]);
                }
            }

            foreach (var region in plan.Regions.Where(r => r is { Fits: false, Kind: RegionKind.Pool }))
            {
                yield return new(
                    Id, $"no-home@{layer.Id}/{region.Id}", Grade.Mind, "Colour without a pool",
                    $"{layer.Recipes.Single(c => c.Id == region.CupId).Name} has no pool of its own any more: its walls leave it in another's.", [], Place(layer, region),
                    [Remedy.OnLayer("let-go", "Let it go", layer.Id, l => l.Layout is PoolsLayout p
                        ? l with { Layout = p with { Pools = p.Pools.RemoveAll(x => x.Id == region.Id) } } : l)]);
            }
        }
    }

    /// <summary>A layer without a recipe that nothing is poured from.</summary>
    private static FilledLayer Without(FilledLayer layer, string recipeId)
    {
        var left = layer.Recipes.RemoveAll(r => r.Id == recipeId);
        return left.IsEmpty ? layer : layer with { Recipes = left };
    }

    internal static FilledLayer WithClear(FilledLayer layer) => layer.Recipes.Any(r => r.IsClear) || layer.Recipes.Length >= PieceValidator.MostRecipes ? layer
        : layer with { Recipes = layer.Recipes.Add(Recipe.Clear(FreeId.Of("clear", layer.Recipes.Select(c => c.Id)))) };

    internal static string NameOf(Piece piece, RegionId regionId) =>
        (piece.Kept ?? []).FirstOrDefault(k => regionId.Kept == k.Id)?.Name ?? "What is kept";

    internal static FindingPlace Place(FilledLayer layer, RegionPlan region) => new("map", layer.Id, region.Anchor?.XMm, region.Anchor?.YMm);

    /// <summary>The layer's cups that stand out most from what the other pools hold.</summary>
    private static IEnumerable<Remedy> Colours(FilledLayer layer, LayerPlan plan, RegionPlan region)
    {
        var shares = plan.Regions.Where(r => r.CupId is not null).GroupBy(r => r.CupId!).ToDictionary(g => g.Key, g => g.Sum(r => r.Area.Value));
        foreach (var cup in layer.Cups.Where(c => c.Of is null).OrderBy(c => shares.GetValueOrDefault(c.Id)).Take(2))
        {
            yield return Remedy.OnLayer($"pour-{cup.Id}", $"Pour it from {cup.Name}", layer.Id, l => l.Layout is PoolsLayout pools && region.Anchor is { } at
                ? l with { Layout = pools with { Pools = pools.Pools.Add(new(FreeId.Of("pool", pools.Pools.Select(p => p.Id)), at.XMm, at.YMm, cup.Id)) } }
                : l);
        }
    }
}

/// <summary>A colour of fields that lies all on one side.</summary>
internal sealed class OneSideCheck : ICheck
{
    /// <summary>A colour leans to one side from so much of the piece's diagonal on.</summary>
    private const double LeanShare = 0.17;

    /// <summary>Seeds that are tried for one that leans nowhere.</summary>
    private const int Seeds = 25;

    public string Id => "one-side";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            if (layer.Layout is not FieldsLayout fields)
            {
                continue;
            }

            var placed = Placed(looked.Mapper.Map(looked.Piece, layer));
            foreach (var cup in Bunched(placed, plan.Box))
            {
                var balance = plan.Balance.First(b => b.CupId == cup);
                yield return new(
                    Id, $"one-side@{layer.Id}/{cup}", Grade.Mind, "On one side",
                    $"All of {layer.Recipes.Single(c => c.Id == cup).Name} lies on one side: its middle is {{0}} off the middle of the piece.", [balance.Lean],
                    new("map", layer.Id, balance.Middle.XMm, balance.Middle.YMm),
                    [
                        .. Swap(layer, plan, fields, placed, cup),
                        Remedy.Change("again", "Lay the fields differently", p => Again(looked.Mapper, p, layer.Id, plan.Box)),
                    ]);
            }
        }
    }

    private static List<(int Field, string Cup, Spot At, double Area)> Placed(LayerMap map) =>
    [
        .. map.Regions.Where(r => r is { Kind: RegionKind.Field, AreaMm2: > 0, CupId: not null, Anchor: not null } && r.Id is { Zone: null, Field: not null })
            .Select(r => (r.Id.Field!.Value, r.CupId!, r.Anchor!, r.AreaMm2)),
    ];

    /// <summary>Colours with two fields or more, all of them on the side to which they lean.</summary>
    private static HashSet<string> Bunched(List<(int Field, string Cup, Spot At, double Area)> placed, PieceBox box)
    {
        double midX = placed.Sum(p => p.At.XMm * p.Area) / placed.Sum(p => p.Area), midY = placed.Sum(p => p.At.YMm * p.Area) / placed.Sum(p => p.Area);
        var least = LeanShare * Math.Sqrt(box.WidthMm * box.WidthMm + box.HeightMm * box.HeightMm);
        return
        [
            .. placed.GroupBy(p => p.Cup).Where(g => g.Count() > 1).Where(g =>
            {
                var area = g.Sum(p => p.Area);
                double x = g.Sum(p => p.At.XMm * p.Area) / area - midX, y = g.Sum(p => p.At.YMm * p.Area) / area - midY;
                return Math.Sqrt(x * x + y * y) > least && g.All(p => (p.At.XMm - midX) * x + (p.At.YMm - midY) * y > 0);
            }).Select(g => g.Key),
        ];
    }

    /// <summary>The first swap that bunches nothing and puts no colour beside itself.</summary>
    private static IEnumerable<Remedy> Swap(
        FilledLayer layer, LayerPlan plan, FieldsLayout fields, List<(int Field, string Cup, Spot At, double Area)> placed, string cup)
    {
        foreach (var one in placed.Where(p => p.Cup == cup))
        {
            foreach (var other in placed.Where(p => p.Cup != cup))
            {
                var swapped = placed.Select(p => p.Field == one.Field ? p with { Cup = other.Cup } : p.Field == other.Field ? p with { Cup = one.Cup } : p).ToList();
                var cupOf = swapped.ToDictionary(p => RegionId.OfField(p.Field), p => p.Cup);
                if (Bunched(swapped, plan.Box).Count == 0
                    && plan.Borders.All(b => !cupOf.TryGetValue(b.First, out var a) || !cupOf.TryGetValue(b.Second, out var c) || a != c))
                {
                    ImmutableArray<FieldColour> recoloured =
                    [
                        .. (fields.Recoloured ?? []).Where(r => r.Field != one.Field && r.Field != other.Field),
                        new(one.Field, other.Cup), new(other.Field, one.Cup),
                    ];
                    yield return Remedy.OnLayer(
                        "swap", FormattableString.Invariant($"Swap field {one.Field} and field {other.Field}"), layer.Id,
                        l => l with { Layout = fields with { Recoloured = recoloured } });
                    yield break;
                }
            }
        }
    }

    /// <summary>The next seed that leans nowhere.</summary>
    private static Piece Again(LayerMapper mapper, Piece piece, string layerId, PieceBox box)
    {
        var number = piece.Layers.Select(l => l.Id).ToList().IndexOf(layerId);
        var fields = (FieldsLayout)piece.Layers[number].Layout;
        Piece With(int seed) => piece with
        {
            Layers = piece.Layers.SetItem(number, piece.Layers[number] with { Layout = fields with { Seed = seed, Moved = null, Recoloured = null } }),
        };
        return Enumerable.Range(1, Seeds).Select(i => With((fields.Seed + i) % 100_000)).FirstOrDefault(p => Bunched(Placed(mapper.Map(p, p.Filled[number])), box).Count == 0)
            ?? With(fields.Seed + 1);
    }
}

/// <summary>A large region of one flat colour.</summary>
internal sealed class DullFieldCheck : ICheck
{
    /// <summary>A region is large from so much of the piece on.</summary>
    public const double LargePercent = 30;

    /// <summary>Below this much cover what lies beneath gives it life.</summary>
    private const double CoversPercent = 50;

    private const double LineMm = 2;

    public string Id => "dull-field";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured && l.First.Contrast != Contrast.Any))
        {
            var whole = looked.Piece.Ground.OutlineWithin(layer.Within).AreaMm2 / 100;
            var cups = layer.Recipes.ToDictionary(c => c.Id);
            foreach (var region in plan.Regions.Where(r => r.CupId is not null && r.Kind is RegionKind.Band or RegionKind.Field or RegionKind.Pool or RegionKind.Flood))
            {
                var cup = cups[region.CupId!];
                var share = 100 * region.Area.Value / whole;
                if (share < LargePercent || !IsFlat(cup) || layer.Layout is FieldsLayout { Vein: not null } or MarbleLayout || plan.Opacity[cup.Id].Value < CoversPercent)
                {
                    continue;
                }

                yield return new(
                    Id, $"dull-field@{layer.Id}/{region.Id}", Grade.Mind, "Dull field",
                    $"{cup.Name} is flat and takes up {{0}}: over so much it reads dull. A vein, leaf, crackle or a shimmer gives it life.",
                    [
                        Reckoned.Of(share, "%", Formulas.ColourShare,
                            new("area of the colour", region.Area.Value, "cm²", Origin.Reckoned), new("area of the piece", whole, "cm²", Origin.Reckoned)),
                    ],
                    NoHomeCheck.Place(layer, region),
                    [
                        .. Vein(layer, region, share, cup),
                        Shimmers(looked, layer, cup),
                    ]);
            }
        }
    }

    /// <summary>Mica in place of its colourant; not where that would change what has been poured of it already.</summary>
    private static Remedy Shimmers(Looked looked, FilledLayer layer, Recipe cup) =>
        looked.Piece.Filled.Zip(looked.Layers).Any(l => l.Second.Poured && l.First.RecipesInUse.Contains(cup.Id))
            ? Remedy.OnLayer("any", "It does not matter here", layer.Id, l => l with { Contrast = Contrast.Any })
            : Remedy.OnLayer("shimmer", $"Let {cup.Name} shimmer: mica in place of {looked.Around.Catalogue.Of(cup.Colourant!.Value).Name}", layer.Id, l => l with
            {
                Recipes = [.. l.Recipes.Select(c => c.Id == cup.Id ? c.WithColourant(ColourantClass.Mica).WithLoad(Math.Max(3, c.LoadPercent)) : c)],
            });

    private static bool IsFlat(Recipe cup) => cup.Colourant is ColourantClass.Paste or ColourantClass.Acrylic or ColourantClass.Dye or ColourantClass.AlcoholInk;

    /// <summary>A band falls into two halves with a metallic line between; fields get a vein along their borders.</summary>
    private static IEnumerable<Remedy> Vein(FilledLayer layer, RegionPlan region, double share, Recipe cup)
    {
        var metal = layer.Recipes.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)
            ?? Recipe.Plain(FreeId.Of("gilt", layer.Recipes.Select(c => c.Id)), "gilt", "#c99b3a", ColourantClass.MetallicPaste, 5);
        FilledLayer With(FilledLayer l) => l.Recipes.Any(c => c.Id == metal.Id) ? l : l with { Recipes = l.Recipes.Add(metal) };
        if (layer.Recipes.Length >= PieceValidator.MostRecipes)
        {
            yield break;
        }

        if (layer.Layout is FieldsLayout fields)
        {
            yield return Remedy.OnLayer("vein", $"Lay a vein of {metal.Name} along the fields", layer.Id, l => With(l) with { Layout = fields with { Vein = new(metal.Id, 3, 1) } });
        }

        var at = layer.Layout is BandedLayout ? layer.Bands.Select(b => (RegionId)b.Id).ToList().IndexOf(region.Id) : -1;
        if (at >= 0 && layer.Bands[at] is { FillsRest: false, WidthMm: > 3 * LineMm } band && share < 1.7 * LargePercent && layer.Bands.Length + 2 <= Accepted.BandCount.To)
        {
            var ids = layer.Bands.Select(b => b.Id).ToList();
            var line = new Band(FreeId.Of("line", ids), LineMm, false, metal.Id);
            var half = band with { WidthMm = Math.Round((band.WidthMm - LineMm) / 2, 1) };
            var other = half with { Id = FreeId.Of("half", ids) };
            yield return Remedy.OnLayer("vein", $"Lay a line of {metal.Name}, {{0}} wide, through it", layer.Id, l => With(l) with
            {
                Layout = (BandedLayout)l.Layout with { Bands = [.. l.Bands.Take(at), half, line, other, .. l.Bands.Skip(at + 1)] },
            }, LineMm);
        }
    }
}

/// <summary>Resin is poured beside a spot that is to stay bare, and nothing holds it back.</summary>
internal sealed class FloodsBareCheck : ICheck
{
    public string Id => "floods-bare";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var kept in (looked.Piece.Kept ?? []).Where(k => k.Keep == Keep.Bare && k.DamMm is null or 0))
        {
            var regionId = RegionId.OfKept(kept.Id);
            var wet = looked.Piece.Filled.Zip(looked.Layers)
                .Where(l => !l.Second.Poured && l.First.Within is null && l.Second.Regions.Any(r => r.Id == regionId && r.Fits)).Select(l => l.First).ToList();
            if (wet.Count == 0)
            {
                continue;
            }

            var depth = looked.Piece.Filled.Where(l => l.Within is null).Sum(l => l.DepthMm);
            var height = EdgeTape.LeastDamHeightMm(depth);
            var width = Math.Clamp(Math.Ceiling(2 * Bead.SiliconeWidthMm(height)) / 2, Accepted.DamMm.From, Accepted.DamMm.To);
            var anchor = looked.Layers.SelectMany(l => l.Regions).First(r => r.Id == regionId).Anchor;
            yield return new(
                Id, $"floods-bare@{kept.Id}", Grade.Mend, "Floods what stays bare",
                $"{wet[0].Name} is poured round {kept.Name} and nothing holds it back: resin fills a texture and kills a colour shift. A dam of {{0}} keeps it out.",
                [Reckoned.Of(height, "mm", Formulas.DamHeight, new("depth of all layers", depth, "mm", Origin.Own), new("above it", EdgeTape.AboveMm, "mm", Origin.Default))],
                new("map", wet[0].Id, anchor?.XMm, anchor?.YMm),
                [
                    Change("dam", "A dam {0} wide round it", k => k with { DamMm = width }, width),
                    Remedy.Change("visible", "It may be covered with clear: keep it visible instead", p => p with
                    {
                        Kept = [.. p.Kept!.Value.Select(k => k.Id == kept.Id ? k with { Keep = Keep.Visible } : k)],
                        Recipes = NoHomeCheck.WithClear(p.Filled[0]).Recipes,
                    }),
                ]);

            Remedy Change(string id, string label, Func<KeptZone, KeptZone> to, double mm) =>
                Remedy.Change(id, label, p => p with { Kept = [.. p.Kept!.Value.Select(k => k.Id == kept.Id ? to(k) : k)] }, mm);
        }
    }
}

/// <summary>A layer as a whole, or a zone of it as if it were a layer, with what it is laid out in.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Plan">What is worked out for it.</param>
/// <param name="Of">It, or the zone.</param>
/// <param name="ZoneId">The zone; null for the layer.</param>
/// <param name="Outline">What it is laid out in.</param>
internal sealed record LaidOut(FilledLayer Layer, LayerPlan Plan, FilledLayer Of, string? ZoneId, Outline Outline)
{
    /// <summary>What the ids of its regions and numbers begin with.</summary>
    public string Prefix => ZoneId is null ? "" : ZoneId + "/";

    /// <summary>What names it in the key of a finding.</summary>
    public string Key => ZoneId is null ? Layer.Id : $"{Layer.Id}/{ZoneId}";

    /// <summary>Every layer that is still to be poured, and every zone of those.</summary>
    public static IEnumerable<LaidOut> All(Looked looked) =>
        from pair in looked.Piece.Filled.Zip(looked.Layers)
        where !pair.Second.Poured
        let whole = new LaidOut(pair.First, pair.Second, pair.First, null, looked.Piece.Ground.OutlineWithin(pair.First.Within))
        from part in (pair.First.Zones ?? []).Select(z => whole with { Of = pair.First.Inside(z), ZoneId = z.Id, Outline = z.Placed }).Prepend(whole)
        select part;

    /// <summary>A remedy that changes how it is laid out.</summary>
    public Remedy Change(string id, string label, Func<FilledLayer, FilledLayer> change, double? mm = null) =>
        Remedy.OnLayer(id, label, Layer.Id, ZoneId is null ? change : l => InZone(l, change), mm);

    private FilledLayer InZone(FilledLayer layer, Func<FilledLayer, FilledLayer> change)
    {
        var next = layer with
        {
            Zones = [.. (layer.Zones ?? []).Select(z => z.Id == ZoneId && change(layer.Inside(z)) is var to ? z with { Layout = to.Layout } : z)],
        };

        // Regions of the zone that are gone are not poured any more.
        var left = next.RegionIds.ToHashSet();
        return next with { PourOrder = [.. layer.PourOrder.Where(id => id.Zone != ZoneId || left.Contains(id))] };
    }
}

/// <summary>A wall stops short, so that two pools are one.</summary>
internal sealed class NearMissCheck : ICheck
{
    public string Id => "near-miss";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var part in LaidOut.All(looked))
        {
            if (part.Of.Layout is not PoolsLayout pools)
            {
                continue;
            }

            foreach (var miss in Pools.NearMisses(part.Outline, pools))
            {
                yield return new(
                    Id, $"near-miss@{part.Key}/{miss.StrokeId}/{(miss.AtStart ? "start" : "end")}", Grade.Mend, "Wall stops short",
                    "This wall ends {0} before the next one: what is poured on one side runs round to the other.",
                    [Reckoned.Of(miss.GapMm, "mm", Formulas.WallLength, new ReckonedInput("ends join on up to", Pools.SnapBeads * pools.BeadMm, "mm", Origin.Default))],
                    new("map", part.Layer.Id, miss.From.XMm, miss.From.YMm),
                    [part.Change("close", "Draw it on to the next", l => l.Layout is PoolsLayout p ? l with { Layout = Pools.Closed(p, miss) } : l)]);
            }
        }
    }
}

/// <summary>More lines than there is room for between the rim and the middle.</summary>
internal sealed class RimRoomCheck : ICheck
{
    /// <summary>What is left for the clear that pushes them out, as a share of the room.</summary>
    private const double PushShare = 0.1;

    public string Id => "rim-room";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var part in LaidOut.All(looked).Where(p => p.Of.Layout is LinesLayout))
        {
            var layer = part.Of;

            // A zone of which nothing is left to pour has no numbers.
            if (part.Plan.Facts.FirstOrDefault(f => f.Id == part.Prefix + LayoutFacts.RimRoom)?.Number is not { } room
                || part.Plan.Facts.Single(f => f.Id == part.Prefix + LayoutFacts.LinesNeed).Number is not { } need
                || need.Value <= room.Value * (1 - PushShare))
            {
                continue;
            }

            var factor = room.Value * (1 - PushShare) / need.Value * 0.995;
            var widths = ((BandedLayout)layer.Layout).BandWidthsMm();
            var keep = layer.Bands.Length;
            for (var sum = 0.0; keep > 1 && sum + widths[keep - 1] <= room.Value * (1 - PushShare); keep--)
            {
                sum += widths[keep - 1];
            }

            var fill = layer.Bands.TakeWhile(b => !b.FillsRest).Count();
            yield return new(
                Id, $"rim-room@{part.Key}", Grade.Mend, "No room for all lines",
                "The lines need {0}, and from the rim to the middle there are {1} in the narrowest place, a tenth of it for the clear that pushes them out.", [need, room],
                new("map", part.Layer.Id),
                [
                    .. layer.Bands.All(b => b.FillsRest || b.WidthMm * factor >= Accepted.BandMm.From)
                        ? [part.Change("narrow", "Lay every line narrower", l => l with
                        {
                            Layout = (BandedLayout)l.Layout with { Bands = [.. l.Bands.Select(b => b.FillsRest ? b : b with { WidthMm = Math.Floor(b.WidthMm * factor * 100) / 100 })] },
                        })]
                        : Array.Empty<Remedy>(),
                    .. fill == 0 && keep < layer.Bands.Length
                        ? [part.Change("fewer", FormattableString.Invariant($"Leave out the innermost {keep - 1}"), l => l with
                        {
                            Layout = (BandedLayout)l.Layout with { Bands = [l.Bands[0], .. l.Bands.Skip(keep)] },
                            PourOrder = [.. l.PourOrder.Where(id => !l.Bands.Skip(1).Take(keep - 1).Any(b => b.Id == id))],
                        })]
                        : Array.Empty<Remedy>(),
                ]);
        }
    }
}
