using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;
using Geometry = NetTopologySuite.Geometries.Geometry;
using Polygon = NetTopologySuite.Geometries.Polygon;

namespace MossLantern.Core.Tests;

public class LayoutTests
{
    private static readonly LayerMapper Mapper = new();
    private static readonly string[] Names = ["moss", "bone", "umber", "lichen", "gilt", "smoke", "rust", "mere"];

    internal static Sketch Layer(Layout layout, params double[] widths) => Samples.Layer(null, widths.Length == 0 ? [0] : widths) with
    {
        Layout = layout is BandedLayout banded
            ? banded with { Bands = Samples.Layer(null, widths.Length == 0 ? [0] : widths).Bands } : layout,
        Recipes = [.. Samples.Layer(null, widths.Length == 0 ? [0] : widths).Cups, .. Names.Select(n => Samples.Cup(n)),
            Samples.Cup("clear", null, 0)],
    };

    internal static FieldsLayout Fields(int fields = 15, int colours = 5, int seed = 3) => new(fields, [.. Names.Take(colours)], seed);

    private static LayerMap Map(Ground ground, Sketch layer) => Mapper.Map(Samples.Piece(ground, layer), layer);

    private static LayerMap Map(Ground ground, Sketch layer, bool fine)
    {
        var piece = Samples.Piece(ground, layer);
        return Mapper.Map(fine ? piece : piece with { Growth = Samples.Coarse(ground.Outline) }, layer);
    }

    private static PiecePlan Plan(Ground ground, Sketch layer) =>
        new PiecePlanner(Mapper).Plan(Samples.Piece(ground, layer), [], DateTimeZone.Utc);

    private static void SumsToTheOutline(Outline outline, LayerMap map)
    {
        Assert.All(map.Regions, r => Assert.True(r.AreaMm2 >= 0));
        Assert.Equal(outline.AreaMm2, map.Regions.Where(r => r.TakesArea).Sum(r => r.AreaMm2), outline.AreaMm2 * 1e-4);
        Assert.Equal(outline.PerimeterMm, map.Regions.Where(r => r.TakesArea).Sum(r => r.OpenEdgeMm), outline.PerimeterMm * 1e-3);
    }

    private static readonly Gen<Layout> AnyLayout =
        from kind in Gen.Int[0, 6]
        from x in Gen.Double[40, 400]
        from y in Gen.Double[40, 400]
        from seed in Gen.Int[0, 10_000]
        from count in Gen.Int[3, 18]
        from share in Gen.Double[0.05, 0.95]
        from turn in Gen.Double[-180, 180]
        select kind switch
        {
            0 => (Layout)Samples.Lines("clear", 1, 12 * share, seed),
            1 => Samples.Petals(x, y, count, 60 * share, seed % 2 == 0, 4 + 10 * share, turn),
            2 => Fields(count, 3 + seed % 5, seed).Veined("gilt", 3, 1),
            3 => Draw.Pools([new("w1", [new(0, y), new(x, y + 20), new(900, y)]),
                new("w2", [new(x, 0), new(x + 15, 900)])], 3, [new("p1", 5, 5, "moss")]),
            4 => new PuddleLayout(x, y, [.. Enumerable.Range(0, count)
                .Select(i => new PuddlePour($"p{i}", Names[i % 8], 4 + 40 * share))], turn, 100 * share, "clear"),
            5 => new MarbleLayout("moss", "bone", 100 * share, share, turn, seed),
            _ => new FloodLayout("clear"),
        };

    [Trait("Pace", "long")]
    [Fact]
    public void Regions_of_every_layout_sum_to_the_outline_and_its_edge() =>
        (from outline in Samples.AnyOutline
         from layout in AnyLayout
         from widths in Gen.Double[2, 30].Array[2, 6]
         from fine in Samples.IsFine
         select (outline, layout, widths, fine)).Sample(
            sample =>
            {
                var ground = new Ground(sample.outline, EdgeStyle.DrippedOver, 10, "#ffffff");
                SumsToTheOutline(sample.outline, Map(ground, Layer(sample.layout, [0, .. sample.widths]), sample.fine));
            },
            iter: 400);

    [Fact]
    public void A_region_is_written_on_where_it_is_and_none_that_is_large_is_forgotten() =>
        (from outline in Samples.AnyOutline
         from layout in AnyLayout
         from widths in Gen.Double[2, 30].Array[2, 6]
         select (outline, layout, widths)).Sample(
            sample =>
            {
                var map = Map(new Ground(sample.outline, EdgeStyle.DrippedOver, 10, "#ffffff"),
                    Layer(sample.layout, [0, .. sample.widths]));
                var middles = map.MiddlesIn(sample.outline);
                Assert.All(middles, m => Assert.Equal(m.Key, map.RegionAt(m.Value.XMm, m.Value.YMm)));
                Assert.All(map.Regions.Where(r => r.TakesArea && r.AreaMm2 > 0.02 * sample.outline.AreaMm2),
                    r => Assert.Contains(r.Id, middles.Keys));
            },
            iter: 60);

    [Fact]
    public void A_plain_flood_is_written_on_as_far_from_its_rim_as_can_be()
    {
        var at = Map(Samples.Panel(600, 400), Layer(new FloodLayout("moss")))
            .MiddlesIn(new RectangleOutline(600, 400))[FloodLayout.FloodId];
        Assert.Equal(200, at.YMm, 6.0);
        Assert.InRange(at.XMm, 190, 410);
    }

    [Fact]
    public void The_same_seed_gives_the_same_map_and_another_one_does_not()
    {
        var ground = Samples.Panel();
        double[] Areas(int seed) => [.. new LayerMapper()
            .Map(Samples.Piece(ground, Layer(Fields(seed: seed))), Layer(Fields(seed: seed))).Regions.Select(r => r.AreaMm2)];
        Assert.Equal(Areas(3), Areas(3));
        Assert.NotEqual(Areas(3), Areas(4));
    }

    /// <summary>The seed is of four colours that no single change can part.</summary>
    [Trait("Pace", "long")]
    [Theory]
    [InlineData(null, 150)]
    [InlineData("cURbWNKIpSY1", 1)]
    public void No_field_lies_beside_its_own_colour_over_many_seeds_and_outlines(string? start, int times) =>
        (from outline in Samples.AnyOutline
         from colours in Gen.Int[4, 7]
         from seed in Gen.Int[0, 100_000]
         select (outline, colours, seed)).Sample(
            s =>
            {
                var map = Map(new Ground(s.outline, EdgeStyle.TapedClean, 10, "#ffffff"), Layer(Fields(3 * s.colours, s.colours, s.seed)));
                var cup = map.Regions.ToDictionary(r => r.Id, r => r.CupId);
                Assert.All(map.Touching, b => Assert.NotEqual(cup[b.First], cup[b.Second]));
                Assert.Equal(3 * s.colours, map.Regions.Length);
                Assert.All(map.Regions, r => Assert.True(r.AreaMm2 > 0, r.Id.ToString()));
            },
            seed: start,
            iter: times);

    [Fact]
    public void A_field_that_is_a_sliver_is_not_smoothed_away()
    {
        var map = Map(new Ground(new RoundOutline(264), EdgeStyle.TapedClean, 10, "#ffffff"), Layer(Fields(21, 7, 59046)));
        Assert.All(map.Regions, r => Assert.True(r.AreaMm2 > 1, r.Id.ToString()));
    }

    [Fact]
    public void Every_colour_of_fields_is_met_about_equally_often()
    {
        var map = Map(Samples.Panel(), Layer(Fields()));
        Assert.All(map.Regions.GroupBy(r => r.CupId), g => Assert.InRange(g.Count(), 2, 4));
    }

    [Fact]
    public void Moving_the_centre_of_one_field_keeps_the_rest()
    {
        var ground = Samples.Panel();
        var before = Map(ground, Layer(Fields()));
        var centre = before.Regions[4].Anchor!;
        var after = Map(ground, Layer(Fields() with { Moved = [new(5, centre.XMm + 25, centre.YMm + 12)] }));
        var same = before.Regions.Zip(after.Regions).Count(p => Math.Abs(p.First.AreaMm2 - p.Second.AreaMm2) < 1);
        Assert.True(same >= 7, $"only {same} of 15 fields kept their area");
        Assert.True(before.Regions.Zip(after.Regions).Count(p => p.First.CupId != p.Second.CupId) <= 2);
        Assert.NotEqual(before.Regions[4].AreaMm2, after.Regions[4].AreaMm2);
    }

    [Fact]
    public void A_colour_chosen_by_hand_stays()
    {
        var map = Map(Samples.Panel(), Layer(Fields() with { Recoloured = [new(2, "rust")] }));
        Assert.Equal("rust", map.Regions.Single(r => r.Id == "field-2").CupId);
    }

    [Fact]
    public void A_vein_adds_length_by_width_by_thickness_and_takes_no_area()
    {
        // 800 mm × 4 mm × 1 mm are 3.2 ml.
        var plan = Plan(Samples.Panel(), Layer(Fields().Veined("gilt", 4, 1))).Layers[0];
        var length = plan.Lines.Single(l => l.LineId == "vein").Length.Value;
        var vein = plan.Cups.Regions.Single(r => r.RegionId == RegionId.Parse("vein"));
        Assert.Equal(3.2 * length / 800, vein.LayerMl.Value, 1e-9);
        Assert.Equal(240_000 * 3 / 1000.0,
            plan.Cups.Regions.Where(r => r.RegionId != RegionId.Parse("vein")).Sum(r => r.LayerMl.Value), 0.01);
        Assert.InRange(length, 1500, 6000);
    }

    [Fact]
    public void A_puddle_has_the_radii_of_its_volumes_and_the_newest_lies_innermost()
    {
        var ground = new Ground(new RoundOutline(400), EdgeStyle.Walled, 10, "#ffffff");
        var layer = Layer(new PuddleLayout(200, 200, [new("a", "moss", 60), new("b", "bone", 40), new("c", "umber", 80)]));
        var plan = Plan(ground, layer).Layers[0];
        Assert.Equal([79.79, 103.01, 138.20],
            plan.Facts.Where(f => f.Id.StartsWith("radius", StringComparison.Ordinal)).Select(f => Math.Round(f.Number.Value, 2)));
        Assert.Equal([60, 40, 80], plan.Cups.Regions.Select(r => r.PourMl.Value));
        var map = Map(ground, layer);
        Assert.Equal(60 * 1000 / 3.0, map.Area(R("a")), 0.5);
        Assert.Equal("c", map.RegionAt(200, 200).ToString());
        Assert.Equal("c", map.RegionAt(200 + 92, 200).ToString());
        Assert.Equal("b", map.RegionAt(200 + 93, 200).ToString());
        Assert.Equal("a", map.RegionAt(200 + 138, 200).ToString());
        Assert.Equal("rest", map.RegionAt(200 + 138.5, 200).ToString());
        Assert.Null(map.Regions.Single(r => r.Id == "rest").CupId);
    }

    [Fact]
    public void A_tilted_puddle_keeps_its_areas_and_its_upper_end()
    {
        var ground = Samples.Panel();
        var layout = new PuddleLayout(250, 200, [new("a", "moss", 40), new("b", "bone", 30)], TiltDeg: 0, TiltPercent: 60);
        var map = Map(ground, Layer(layout));
        Assert.Equal(40 * 1000 / 3.0, map.Area(R("a")), 0.5);
        var radius = Math.Sqrt(70 * 1000 / 3.0 / Math.PI);
        Assert.Equal("rest", map.RegionAt(250 - radius - 0.5, 200).ToString());
        Assert.Equal("a", map.RegionAt(250 - radius + 0.5, 200).ToString());
        Assert.Equal("a", map.RegionAt(250 + 1.5 * radius, 200).ToString());
    }

    [Trait("Pace", "long")]
    [Fact]
    public void A_puddle_is_drawn_while_dragged_as_what_it_covers() =>
        (from outline in Samples.AnyOutline
         from x in Gen.Double[-50, 450]
         from y in Gen.Double[-50, 450]
         from ml in Gen.Double[3, 60].Array[1, 5]
         from tilt in Gen.Double[0, 90]
         select (outline, x, y, ml, tilt)).Sample(
            s =>
            {
                var puddle = new PuddleLayout(s.x, s.y,
                    [.. s.ml.Select((v, i) => new PuddlePour($"p{i}", Names[i], v))], 30, s.tilt, "clear");
                var map = Assert.IsType<RegionMap>(Map(new Ground(s.outline, EdgeStyle.DrippedOver, 10, "#ffffff"), Layer(puddle)));
                Assert.All(map.Patches, patch =>
                {
                    var drawn = patch.Draft!.Rings.Select(r => (Geometry)new Polygon(Flat.Closed(r)))
                        .Aggregate((all, ring) => Flat.Together([Flat.Without(all, ring), Flat.Without(ring, all)]));
                    var seen = Flat.SharedArea(drawn, Flat.Of(s.outline));
                    Assert.Equal(0, Flat.Without(seen, patch.Area).Area + Flat.Without(patch.Area, seen).Area, 0.1);
                });
            },
            iter: 100);

    [Fact]
    public void A_puddle_over_the_rim_says_what_runs_off()
    {
        var ground = new Ground(new RoundOutline(200), EdgeStyle.DrippedOver, 10, "#ffffff");
        var plan = Plan(ground, Layer(new PuddleLayout(100, 100, [new("a", "moss", 120)]))).Layers[0];
        Assert.Equal(120 - Math.PI * 100 * 100 * 3 / 1000, plan.Facts.Single(f => f.Id == "run-off").Number.Value, 0.01);
    }

    [Fact]
    public void Lines_count_from_the_rim_and_share_the_depth_with_the_film_they_lie_on()
    {
        var ground = new Ground(new RectangleOutline(300, 200), EdgeStyle.Walled, 10, "#ffffff");
        var layer = Layer(Samples.Lines("clear", 1, 0, 5), 0, 4, 6);
        var plan = Plan(ground, layer).Layers[0];
        var map = Map(ground, layer);

        // 6 mm along the rim, then 4 mm inside that, the rest in the middle.
        Assert.Equal(300 * 200 - 288 * 188, map.Area(R("b3")), 60.0);
        Assert.Equal(288 * 188 - 280 * 180, map.Area(R("b2")), 60.0);
        var ml = plan.Cups.Regions.ToDictionary(r => r.RegionId, r => r.LayerMl.Value);
        Assert.Equal(60.0, ml[R("start")], 1e-6);
        Assert.Equal(map.Area(R("b3")) * 2 / 1000, ml[R("b3")], 1e-6);
        Assert.Equal(180, ml.Values.Sum(), 0.01);
        Assert.Equal(100, plan.Facts.Single(f => f.Id == LayoutFacts.RimRoom).Number.Value, 2.0);
    }

    [Fact]
    public void A_sequence_laid_three_times_tells_the_ml_of_each_repeat()
    {
        var ground = new Ground(new RoundOutline(260), EdgeStyle.Walled, 10, "#ffffff");
        var layer = Layer(Samples.Lines("clear", 0, 0, 5), 0, 3, 5, 3, 5, 3, 5);
        layer = layer.WithBands([.. layer.Bands.Select((b, i) => i == 0 ? b : b with { RecipeId = i % 2 == 0 ? "moss" : "bone" })]);
        var plan = Plan(ground, layer).Layers[0];
        var repeats = plan.Facts.Where(f => f.Id.StartsWith("repeat", StringComparison.Ordinal)).Select(f => f.Number.Value).ToList();
        Assert.Equal(3, repeats.Count);

        // Rings of 8 mm, 3 mm deep, from a radius of 130 mm inward.
        Assert.Equal(Math.PI * (130 * 130 - 122 * 122) * 3 / 1000, repeats[0], 0.3);
        Assert.Equal(Math.PI * (114 * 114 - 106 * 106) * 3 / 1000, repeats[2], 0.3);
    }

    [Fact]
    public void Lines_that_find_no_room_are_the_innermost()
    {
        var map = Map(new Ground(new RoundOutline(60), EdgeStyle.Walled, 10, "#ffffff"),
            Layer(Samples.Lines("clear", 1, 0, 5), 0, 20, 20, 20));
        Assert.Equal(0, map.Area(R("b1")), 1.0);
        Assert.Equal(0, map.Area(R("b2")), 1.0);
        Assert.True(map.Area(R("b3")) > 0 && map.Area(R("b4")) > map.Area(R("b3")));
    }

    [Fact]
    public void Rim_room_is_that_of_the_narrowest_cavity()
    {
        var drawn = DrawnOutline.Of([Ellipse.Ring(60, 60, 60, 60), Ellipse.Ring(160, 25, 25, 25)]);
        var layer = Layer(Samples.Lines("clear", 1, 0, 5), 0, 4);
        var plan = Plan(new(drawn, EdgeStyle.Walled, 10, "#ffffff"), layer).Layers[0];
        Assert.Equal(25, plan.Facts.Single(f => f.Id == LayoutFacts.RimRoom).Number.Value, 1.5);
    }

    [Fact]
    public void A_tool_drawn_through_rings_keeps_every_colours_area()
    {
        var ground = Samples.Panel();
        var rings = Layer(Samples.Petals(300, 200, 8, 0, true, 8, 10), 40, 30, 30, 0);
        var drawn = rings with { Layout = (PetalsLayout)rings.Layout with { PullMm = 45 } };
        var (before, after) = (Map(ground, rings), Map(ground, drawn));
        Assert.Equal(Math.PI * 40 * 40, before.Area(R("b1")), 3.0);
        foreach (var region in before.Regions)
        {
            Assert.Equal(region.AreaMm2, after.Area(region.Id), region.AreaMm2 * 1e-3);
        }

        // Along a stroke the tool has carried the outer colour inward.
        var angle = 10 * Math.PI / 180;
        Assert.Equal("b2", before.RegionAt(300 + 60 * Math.Cos(angle), 200 + 60 * Math.Sin(angle)).ToString());
        Assert.NotEqual("b2", after.RegionAt(300 + 60 * Math.Cos(angle), 200 + 60 * Math.Sin(angle)).ToString());
    }

    [Fact]
    public void Streaks_take_the_share_that_is_asked_for_whatever_their_direction() =>
        (from share in Gen.Double[2, 98]
         from turn in Gen.Double[-180, 180]
         from seed in Gen.Int[0, 1000]
         select (share, turn, seed)).Sample(
            s => Assert.Equal(
                240_000 * s.share / 100,
                Map(Samples.Panel(), Layer(new MarbleLayout("moss", "bone", s.share, 0.5, s.turn, s.seed)))
                    .Area(MarbleLayout.StreakId), 240.0),
            iter: 60);

    [Fact]
    public void A_mixed_cup_draws_its_ml_from_its_colours_cups()
    {
        var layer = Layer(new MarbleLayout("moss", "mix", 40, 0.5, 20, 3));
        layer = layer with { Recipes = layer.Recipes.Add(new Recipe("mix", "storm", "#888888", [], [new("bone", 2), new("smoke", 1)])) };
        var plan = Plan(Samples.Panel(), layer).Layers[0].Cups;
        CupVolume Cup(string id) => plan.Cups.Single(c => c.CupId == id);
        var mix = Cup("mix");

        // 40 % of 720 ml, a tenth of reserve, what stays in the cup, and up to the next millilitre.
        Assert.Equal(Math.Ceiling(316.8 + 1.5 + 0.02 * 316.8), mix.MixMl.Value, 1.0);
        Assert.Equal([mix.MixMl.Value * 2 / 3, mix.MixMl.Value / 3], mix.Draws.Select(d => d.Ml.Value));
        Assert.Equal(mix.Draws[0].Ml.Value, Cup("bone").DrawnMl);
        Assert.Equal(Math.Ceiling(Cup("bone").DrawnMl * 1.02 + 1.5 - 1e-9), Cup("bone").MixMl.Value);
        Assert.Equal(Cup("moss").MixMl.Value + Cup("bone").MixMl.Value + Cup("smoke").MixMl.Value, plan.TotalMl.Value);
        Assert.Null(mix.Measured);
    }

    [Fact]
    public void Two_strokes_make_pools_whose_areas_and_beads_are_the_outline()
    {
        var layout = Draw.Pools([new("w1", [new(0, 100), new(400, 100)]),
            new("w2", [new(200, 100), new(200, 300)])], 4, [new("top", 50, 50, "moss"), new("left", 50, 200, "bone")]);
        var map = Map(Samples.Panel(400, 300), Layer(layout));
        Assert.Equal(400 * 98, map.Area(R("top")), 1.0);
        Assert.Equal(198 * 198, map.Area(R("left")), 1.0);
        Assert.Equal(198 * 198, map.Area(R("open-1")), 1.0);
        Assert.Equal(400 * 4 + 198 * 4, map.Area(R("wall")), 1.0);
        Assert.Null(map.Regions.Single(r => r.Id == "open-1").CupId);
        Assert.Empty(map.Touching.Where(b => b.First != "wall" && b.Second != "wall"));
    }

    [Theory]
    [InlineData(2, 2)]
    [InlineData(5, 2)]
    [InlineData(9, 1)]
    public void A_stroke_that_stops_short_by_little_joins_on(double gapMm, int pools)
    {
        var layout = Draw.Pools([new("w1", [new(0, 100), new(400 - gapMm, 100)])], 4, []);
        Assert.Equal(pools, Map(Samples.Panel(400, 300), Layer(layout)).Regions.Count(r => r.Kind == RegionKind.Pool));
    }

    [Fact]
    public void A_stroke_that_nearly_closes_on_itself_is_a_ring()
    {
        var spots = Enumerable.Range(0, 35).Select(i => new Spot(200 + 60 * Math.Cos(i * 0.183), 150 + 60 * Math.Sin(i * 0.183))).ToArray();
        var map = Map(Samples.Panel(400, 300), Layer(Draw.Pools([new("w1", [.. spots])], 4, [new("in", 200, 150, "moss")])));
        Assert.Equal(Math.PI * 58 * 58, map.Area(R("in")), 120.0);
    }

    [Fact]
    public void A_near_miss_is_told_and_closing_it_makes_two_pools()
    {
        var outline = new RectangleOutline(400, 300);
        var layout = Draw.Pools([new("w1", [new(0, 100), new(388, 100)])], 4, []);
        var miss = Assert.Single(Pools.NearMisses(outline, Draw.WallsOf(layout)));
        Assert.Equal(12, miss.GapMm, 1e-6);
        var closed = Pools.Closed(Draw.WallsOf(layout)[0], miss);
        Assert.Empty(Pools.NearMisses(outline, [closed]));
        Assert.Equal(2, Map(Samples.Panel(400, 300),
            Layer(Draw.Pools([new("w1", closed.Spots)], 4, []))).Regions.Count(r => r.Kind == RegionKind.Pool));

        // A wall that ends in the open on purpose has missed nothing.
        Assert.Empty(Pools.NearMisses(outline, [new("w1", [new(0, 100), new(300, 100)], 4)]));
    }

    [Fact]
    public void Pools_that_run_together_keep_the_first_colour_and_the_other_has_no_place()
    {
        var layout = Draw.Pools([], 4, [new("a", 50, 50, "moss"), new("b", 300, 200, "bone")]);
        var map = Map(Samples.Panel(400, 300), Layer(layout));
        Assert.Equal(120_000, map.Area(R("a")), 1e-6);
        Assert.Equal(0, map.Area(R("b")));
    }

    [Fact]
    public void Zones_and_what_is_kept_partition_the_outline()
    {
        var ground = Samples.Panel();
        var layer = Samples.Layer(Samples.Heart(250, 180), 12, 20, 0);
        layer = layer with
        {
            Recipes = [.. layer.Cups, Samples.Cup("moss"), Samples.Cup("bone"), Samples.Cup("clear", null, 0)],
            Zones =
            [
                new("z1", "Corner", new RoundOutline(160), 420, 220, new MarbleLayout("moss", "bone", 30, 0, 0, 3)),
                new("z2", "Patch", new RectangleOutline(120, 90), 500, 180, new FloodLayout("bone")),
            ],
        };
        var piece = Samples.Piece(ground, layer) with
        {
            Kept =
            [
                new("k1", "Shell", new RoundOutline(60), 20, 20, Keep.Visible),
                new("k2", "Foil", new RoundOutline(80), 40, 280, Keep.Bare),
            ],
            Lines = [Draw.Dam("k2", 6)],
        };
        Assert.True(new PieceValidator().Validate(piece).IsValid);
        var map = Mapper.Map(piece, layer);
        SumsToTheOutline(ground.Outline, map);
        Assert.Equal(Math.PI * 30 * 30, map.Area(R("kept/k1")), 0.5);
        Assert.Equal("clear", map.Regions.Single(r => r.Id == "kept/k1").CupId);
        Assert.Equal(Math.PI * (46 * 46 - 40 * 40), map.Area(R("kept/k2/dam")), 8.0);
        Assert.Equal("kept/k2", map.RegionAt(80, 320).ToString());
        Assert.Equal("z2/flood", map.RegionAt(550, 230).ToString());
        Assert.Equal("z1", map.RegionAt(440, 300).Zone);
        Assert.Equal(100 * 90, map.Area(R("z2/flood")), 1.0);

        // No resin is planned for what is kept bare, nor for its dam.
        var plan = new PiecePlanner(Mapper).Plan(piece, [], DateTimeZone.Utc).Layers[0];
        Assert.DoesNotContain(plan.Cups.Regions, r => r.RegionId.Kept == "k2");
        Assert.Equal((240_000 - map.Area(R("kept/k2")) - map.Area(R("kept/k2/dam"))) * 3 / 1000,
            plan.Cups.Regions.Sum(r => r.LayerMl.Value), 0.05);
    }

    [Fact]
    public void Balance_tells_shares_that_sum_to_all_and_where_a_colour_leans()
    {
        var layout = Draw.Pools([new("w1", [new(200, 0), new(200, 300)])], 4, [new("l", 50, 50, "moss"), new("r", 350, 50, "bone")]);
        var balance = Plan(Samples.Panel(400, 300), Layer(layout)).Layers[0].Balance;
        Assert.All(balance, b => Assert.Equal(49.5, b.Share.Value, 0.01));
        Assert.All(balance, b => Assert.Equal(100, b.Lean.Value, 4.0));
    }

    [Fact]
    public void A_document_with_every_layout_is_valid_and_a_cup_from_elsewhere_is_not() =>
        AnyLayout.Sample(
            layout =>
            {
                var layer = Layer(layout, 0, 5);
                Assert.Empty(new PieceValidator().Validate(Samples.Piece(Samples.Panel(), layer)).Errors);
                var lost = layer with { Recipes = [.. layer.Cups.Take(1)] };
                Assert.NotEmpty(new PieceValidator().Validate(Samples.Piece(Samples.Panel(), lost)).Errors);
            },
            iter: 100);

    [Fact]
    public void What_was_kept_bare_is_still_bare_when_the_piece_is_poured_over_again()
    {
        var layer = Samples.Layer(Samples.Heart(250, 180), 12, 0);
        var piece = Samples.Piece(Samples.Panel(), layer) with
        {
            Kept = [new("k", "Foil", new RoundOutline(80), 40, 280, Keep.Bare)],
            Lines = [Draw.Dam("k", 6)],
        };
        var over = Rework.Over(piece, "old");
        Assert.Empty(new PieceValidator().Validate(over).Errors);
        var beneath = new PiecePlanner(Mapper).Paint(over, null, PaintDetail.Draft).Insets.Single(i => i.Below).Painting;
        Assert.Equal(
            new PiecePlanner(Mapper).Paint(piece, null, PaintDetail.Draft).Paths.Select(p => (p.Region, p.Path, p.Fill)),
            beneath.Paths.Select(p => (p.Region, p.Path, p.Fill)));
        Assert.Contains(beneath.Paths, p => p.Region == "kept/k/dam");
    }

    [Fact]
    public void A_mixed_cup_looks_like_the_mix_and_covers_by_the_shares_of_what_is_in_it()
    {
        var mix = new Recipe("mix", "mix", "#999999", [], [new("white", 3), new("black", 1), new("clear", 4)]);
        var layer = Samples.Layer(null, 0) with
        {
            Recipes =
            [
                Recipe.Plain("white", "white", "#e6e6e6", ColourantClass.Paste, 4),
                Recipe.Plain("black", "black", "#595959", ColourantClass.Mica, 2), Samples.Cup("clear", null, 0), mix,
            ],
        };
        var look = CupLook.Of(Catalogue.Typical, layer, mix);

        // Paste covers 1.2 and mica 0.25 for each % and mm: an eighth of each part, three of white, one of black; clear only thins.
        Assert.Equal(3.0 / 8 * 4 * 1.2 + 1.0 / 8 * 2 * 0.25, look.CoverPerMm, 1e-12);
        var (white, black) = (Colour.Of("#e6e6e6"), Colour.Of("#595959"));
        Assert.Equal(Pigment.Reflectance(white.R, black.R, 2.0 / 14), look.Colour.R, 1e-9);
        Assert.InRange(look.Colour.R, black.R, white.R);
    }

    [Fact]
    public void A_zone_tells_the_numbers_of_its_own_layout()
    {
        var layer = Layer(new FloodLayout("moss")) with
        {
            Zones =
            [
                new("z1", "Pool", new RoundOutline(160), 40, 40, new PuddleLayout(120, 120, [new("a", "bone", 20), new("b", "umber", 5)])),
                new("z2", "Rim", new RoundOutline(120), 300, 200, Samples.Lines("clear", 1, 0, 3)
                    with { Bands = [new("b1", 10, true, "clear"), new("l1", 6, false, "moss"), new("l2", 6, false, "moss")] }),
            ],
        };
        var plan = Plan(Samples.Panel(), layer).Layers[0];
        var facts = plan.Facts.ToDictionary(f => f.Id, f => f.Number.Value);

        // What can be changed where it is read is changed in the zone; the depth is the layer's.
        Assert.All(plan.Cups.Regions, r => Assert.Equal($"layers[l1].regions[{r.RegionId}]",
            Assert.Single(new[] { r.LayerMl.Place, r.EdgeMl.Place, r.PourMl.Place }.Distinct())));
        Assert.All(plan.Regions, r => Assert.Equal($"layers[l1].regions[{r.Id}]", r.Area.Place));
        Assert.Null(plan.Cups.TotalMl.Place);
        Assert.Equal("layers[l1].zones[z1].layout.pours[b].ml",
            plan.Cups.Regions.Single(r => r.RegionId == "z1/b").LayerMl.Inputs[0].Field);
        Assert.Equal("layers[l1].zones[z2].layout.bands[l1].widthMm",
            plan.Facts.Single(f => f.Id == "z2/stripes-need").Number.Inputs[0].Field);
        Assert.Equal("layers[l1].depthMm", plan.Facts.Single(f => f.Id == "z1/radius-a").Number.Input("depth").Field);
        Assert.Equal(Math.Sqrt(20_000 / (3 * Math.PI)), facts["z1/radius-a"], 1e-9);
        Assert.Equal(60, facts["z2/rim-room"], 1.5);
        Assert.Equal(12, facts["z2/stripes-need"]);

        // Two repeats of one line each, in rings of 6 mm, 2 mm of the 3 mm deep.
        Assert.Equal(Math.PI * (60 * 60 - 54 * 54) * 2 / 1000, facts["z2/repeat-1"], 0.15);
        Assert.Equal(Math.PI * (54 * 54 - 48 * 48) * 2 / 1000, facts["z2/repeat-2"], 0.15);
    }
}
