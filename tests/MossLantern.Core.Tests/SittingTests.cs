using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>A piece that is poured in several goes.</summary>
public class SittingTests
{
    private const string Layer = "l1";

    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0));

    private static PiecePlan Plan(Piece piece, params PouredSitting[] poured) => Planner.Plan(piece, poured, DateTimeZone.Utc);

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Piece is not null, made.Refusal);
        return made.Piece!;
    }

    private static string Refused(Piece piece, params Edit[] edits) => Editing.Checked(piece, edits, AnyEdit.Cupboard).Refusal!;

    private static double Ml(PiecePlan plan, RegionId region) =>
        plan.Sittings.SelectMany(s => s.Cups.Regions).Where(r => r.RegionId == region).Sum(r => r.LayerMl.Value);

    [Fact]
    public void A_layer_is_poured_in_goes_that_each_take_their_regions_and_together_what_one_would()
    {
        var one = Plan(Rings);
        var apart = Made(Rings, new PourApart(Layer, [R("b1"), R("heart")], null));
        Assert.Equal(["sitting-1", Layer], apart.Sittings.Select(s => s.Id));
        var plan = Plan(apart);
        Assert.Equal(["b1", "heart"], plan.Sittings[0].Pours.Select(s => s.RegionId.ToString()).Order());
        Assert.Equal(["b2", "b3"], plan.Sittings[1].Pours.Select(s => s.RegionId.ToString()).Order());
        Assert.All(one.Layers[0].Regions, r => Assert.Equal(Ml(one, r.Id), Ml(plan, r.Id), 1e-9));
        Assert.Equal(one.Layers[0].LayerMl, plan.Layers[0].LayerMl, 1e-9);
        Assert.Equal(one.Layers[0].ResinG, plan.Layers[0].ResinG, 1e-9);
        Assert.Equal(2, plan.Layers[0].Sittings.Length);

        // By colour, into one that is there, and back.
        var more = Made(apart, new PourApart(Layer, [R("b2")], apart.Sittings[0].Id));
        Assert.Equal(3, Plan(more).Sittings[0].Pours.Length);
        Assert.Equal(Rings.Sittings, Made(more, new PourWithRest(Layer, [R("b1"), R("b2"), R("heart")])).Sittings);
    }

    [Fact]
    public void What_is_kept_visible_in_a_mould_is_thin_clear_against_the_face_and_what_lies_round_it_behind()
    {
        var spot = new ReservedSpot("k1", "Shell", new RoundOutline(30), 30, 30, Keep.Visible);
        var second = Samples.Layer(Samples.Heart(150, 100), 12, 20, 0) with { Id = "l2" };
        var panel = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0) with { DepthMm = 4 }, second);
        panel = panel with { Recipes = panel.Recipes.Add(Recipe.Clear("clear")), Kept = [spot] };
        var mould = panel with
        {
            Ground = new(new RectangleOutline(300, 200), EdgeStyle.Walled, 12, "#d8bd8c",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(12, CapacityFrom.Dimensions, null, 1, 1, 0))
        };
        Assert.True(new PieceValidator().Validate(mould).IsValid, new PieceValidator().Validate(mould).ToString());
        (string Cup, double Ml)[] Of(Piece piece, string layer) =>
            [.. Plan(piece).Sittings.SelectMany(s => s.Cups.Regions)
                .Where(r => r.LayerId == layer && r.RegionId == "kept/k1").Select(r => (r.CupId, r.LayerMl.Value))];
        var area = Math.PI * 15 * 15 / 1000;

        // Seen from above it is clear to the ground; seen through the face the clear is thin, and the layers behind go over it.
        Assert.Equal("clear", Assert.Single(Of(panel, "l1")).Cup);
        Assert.Equal(4 * area, Of(panel, "l1")[0].Ml, 0.02);
        var behind = Plan(mould).Layers[0].Regions.Where(r => r.Id != "kept/k1").MaxBy(r => r.Area.Value)!.CupId!;
        Assert.Equal(["clear", behind], Of(mould, "l1").Select(p => p.Cup));
        Assert.Equal(0.8 * area, Of(mould, "l1")[0].Ml, 0.01);
        Assert.Equal(3.2 * area, Of(mould, "l1")[1].Ml, 0.02);
        Assert.NotEqual("clear", Assert.Single(Of(mould, "l2")).Cup);
        Assert.Equal(1 * area, Of(mould with { Kept = [spot with { ClearMm = 1 }] }, "l1")[0].Ml, 0.01);
        Assert.Equal("clear", Assert.Single(Of(mould with { Kept = [spot with { ClearMm = 4 }] }, "l1")).Cup);
        Assert.Contains(new PieceValidator().Validate(mould with { Kept = [spot with { ClearMm = 0.05 }] }).Errors,
            e => e.PropertyName == "kept[k1].clearMm");
        Assert.Equal(Plan(panel).Layers[0].LayerMl, Plan(mould).Layers[0].LayerMl, 1e-6);
    }

    [Fact]
    public void A_region_is_filled_in_passes_that_make_room_for_each_other_and_the_last_is_seen()
    {
        var clear = Made(Rings, new AddPass(Layer, R("b2"), null, true, null));
        var fills = clear.Sittings[0].Fills!.Value;
        Assert.Equal([1, null], fills.Select(f => f.DepthMm));
        Assert.True(clear.Recipes.Single(r => r.Id == fills[0].RecipeId).IsClear);
        var plan = Plan(clear);
        var passes = plan.Sittings[0].Cups.Regions.Where(r => r.RegionId == "b2").ToList();
        Assert.Equal(2 * passes[0].LayerMl.Value, passes[1].LayerMl.Value, 1e-9);
        Assert.Equal(Ml(Plan(Rings), R("b2")), Ml(plan, R("b2")), 1e-9);
        Assert.Equal([0, 1], plan.Sittings[0].Pours.Where(s => s.RegionId == "b2").Select(s => s.Pass));
        Assert.Equal(1, plan.Sittings[0].Pours[^1].Pass);

        // Clear to lock it in, from the other side; what is seen is as before but for what is thinner.
        var locked = Made(clear, new AddPass(Layer, R("b2"), null, false, null));
        Assert.Equal([1, null, 1], locked.Sittings[0].Fills!.Value.Select(f => f.DepthMm));
        var three = Plan(locked).Sittings[0].Cups.Regions.Where(r => r.RegionId == "b2").Select(r => r.LayerMl.Value).ToList();
        Assert.All(three, ml => Assert.Equal(Ml(Plan(Rings), R("b2")) / 3, ml, 1e-9));
        Assert.Contains("come to more than the 3 mm",
            Refused(locked, new SetField($"sittings[{Layer}].fills[{locked.Sittings[0].Fills!.Value[0].Id}].depthMm",
                System.Text.Json.JsonSerializer.SerializeToElement(2.5))), StringComparison.Ordinal);
        var red = Made(locked, new ColourPass(locked.Sittings[0].Fills!.Value[2].Id, "c1"));
        string Shown(Piece p) => Planner.Paint(p, Catalogue.Typical, null, PaintDetail.Draft).Paths
            .First(x => x.Region == "b2" && x.Role == PaintRole.Body).Fill!;
        Assert.NotEqual(Shown(locked), Shown(red));

        // Left out again, it is as it was.
        var without = Made(locked,
            [.. locked.Sittings[0].Fills!.Value.Where(f => f.DepthMm is not null).Select(f => new LeavePassOut(f.Id))]);
        Assert.Null(without.Sittings[0].Fills);
    }

    [Fact]
    public void A_region_that_stays_bare_takes_nothing_and_is_nobodys_to_pour()
    {
        var bare = Made(Rings, new LeaveBare(Layer, [R("b2")]));
        var plan = Plan(bare);
        Assert.Equal(0, Ml(plan, R("b2")));
        Assert.Equal(Ml(Plan(Rings), R("b1")), Ml(plan, R("b1")));
        Assert.True(plan.Layers[0].Regions.Single(r => r.Id == "b2").Bare);
        Assert.Null(plan.Layers[0].Regions.Single(r => r.Id == "b2").CupId);
        Assert.DoesNotContain(plan.Layers[0].Balance, b => b.CupId == "c2");
        Assert.Equal(Ml(Plan(Rings), R("b2")), plan.Layers[0].LevelClear.Single().Ml.Value, 1e-9);
        var done = Plan(bare, new PouredSitting(Layer, Instant.FromUtc(2027, 3, 1, 9, 0), null, null,
            [new(Layer, R("b1")), new(Layer, R("b3")), new(Layer, R("heart"))]));
        Assert.True(done.Layers[0].Done);
        Assert.Contains(
            new PieceValidator().Validate(bare with { Sittings = [bare.Sittings[0] with { Fills = [new("f", Layer, R("b2"))] }] }).Errors,
            e => e.ErrorMessage.Contains("stays bare", StringComparison.Ordinal));
        Assert.Null(Made(bare, new PourWithRest(Layer, [R("b2")])).Layers[0].Bare);
        Assert.Null(Made(bare, new PourApart(Layer, [R("b2")], null)).Layers[0].Bare);
    }

    [Fact]
    public void A_region_has_a_depth_of_its_own_and_the_clear_that_levels_it_is_told()
    {
        var deep = Made(Rings, new SetRegionDepth(Layer, R("b1"), 5));
        var (before, plan) = (Plan(Rings), Plan(deep));
        Assert.Equal(Ml(before, R("b1")) * 5 / 3, Ml(plan, R("b1")), 1e-9);
        Assert.Equal(Ml(before, R("b2")), Ml(plan, R("b2")), 1e-9);
        Assert.Equal(["b2", "b3", "heart"], plan.Layers[0].LevelClear.Select(l => l.RegionId.ToString()).Order());
        Assert.Equal(Ml(before, R("b2")) * 2 / 3, plan.Layers[0].LevelClear.Single(l => l.RegionId == "b2").Ml.Value, 1e-9);
        Assert.Empty(before.Layers[0].LevelClear);
        Assert.Equal(5, plan.Layers[0].Regions.Single(r => r.Id == "b1").OwnDepthMm);
        Assert.Equal(Rings.Layers, Made(deep, new SetRegionDepth(Layer, R("b1"), null)).Layers);
        Assert.Contains("from 0.1 to 100 mm", Refused(Rings, new SetRegionDepth(Layer, R("b1"), 0)), StringComparison.Ordinal);
    }

    [Fact]
    public void Each_sitting_has_its_own_windows_and_what_lies_over_all_opens_with_the_last_and_closes_with_the_first()
    {
        var apart = Made(Rings, new PourApart(Layer, [R("b1")], null));
        apart = apart with
        {
            Sittings = [apart.Sittings[0].At(new(new(2027, 3, 1, 9, 0), null, 22)),
            apart.Sittings[1].At(new(new(2027, 3, 2, 9, 0), null, 22))]
        };
        var plan = Plan(apart);
        CureWindow Next(int at) => plan.Sittings[at].Windows.Single(w => w.Milestone == Milestone.NextLayer);
        var later = plan.Sittings[1].Batches.EndMinutes.Value - plan.Sittings[0].Batches.EndMinutes.Value;
        Assert.Equal(24 * 60 + later, (Next(1).Opens - Next(0).Opens).TotalMinutes, 1e-6);
        Assert.Equal((Next(1).Opens, Next(0).Closes), (plan.Layers[0].NextLayer!.Opens, plan.Layers[0].NextLayer!.Closes));

        // One of them begun: the layer is begun, and not done.
        var begun = Plan(apart, new PouredSitting(apart.Sittings[0].Id, Instant.FromUtc(2027, 3, 1, 9, 0), null, 21));
        Assert.Equal((true, false), (begun.Layers[0].Poured, begun.Layers[0].Done));
        Assert.Equal((true, false), (begun.Sittings[0].Poured, begun.Sittings[1].Poured));
        Assert.Equal(["b2", "b3", "heart"], begun.Layers[0].OpenRegions.Select(r => r.ToString()).Order());

        // Nobody said when one of them is poured.
        Assert.Null(Plan(apart with { Sittings = [apart.Sittings[0], apart.Sittings[1].At(PlannedTimes.None)] }).Layers[0].NextLayer);
    }

    [Fact]
    public void One_colour_in_several_hollows_of_one_sitting_is_one_cup()
    {
        var moss = Samples.Cup("moss");
        Sketch Flood(string id) =>
            new(id, id, 4, new FloodLayout("moss"), [moss], new("coating"), Measure.ByVolume, null, [], PlannedTimes.None);
        var several = Samples.Piece(Samples.Panel(300, 200), Flood("a"), Flood("b"), Flood("c"));
        Assert.Equal(3, Plan(several).Sittings.Length);
        var together = Made(several, new JoinSittings("b", "a"), new JoinSittings("c", "a"));
        var plan = Plan(together);
        var sitting = Assert.Single(plan.Sittings);
        Assert.Equal(["a", "b", "c"], sitting.LayerIds);
        var cup = Assert.Single(sitting.Cups.Cups);
        Assert.Equal(3, cup.Regions.Length);
        Assert.Equal(Plan(several).Sittings.Sum(s => s.Cups.Regions.Sum(r => r.LayerMl.Value)),
            sitting.Cups.Regions.Sum(r => r.LayerMl.Value), 1e-9);
        Assert.Equal(["a", "b", "c"], sitting.Pours.Select(s => s.LayerId));
        Assert.Equal(["a", "b"], Made(together, new PourLayerApart("c")).Sittings[0].Rest);
        Assert.Contains("by itself already", Refused(several, new PourLayerApart("c")), StringComparison.Ordinal);
    }

    [Fact]
    public void A_sitting_that_is_poured_earlier_lies_lower()
    {
        var passes = Made(Rings, new PourApart(Layer, [R("b1")], null));
        passes = Made(passes, new AddPass(Layer, R("b1"), Layer, false, "c2"));
        var (first, second) = (passes.Sittings[0].Id, passes.Sittings[1].Id);
        Assert.Equal([null, "c2"], passes.Sittings.SelectMany(s => s.Fills ?? []).Select(f => f.RecipeId));
        var moved = Made(passes, new MoveSitting(first, 1));
        Assert.Equal([second, first], moved.Sittings.Select(s => s.Id));
        Assert.Equal(["c2", null], moved.Sittings.SelectMany(s => s.Fills ?? []).Select(f => f.RecipeId));
        Assert.Equal(Ml(Plan(passes), R("b1")), Ml(Plan(moved), R("b1")), 1e-9);
    }

    [Theory]
    [InlineData("nothing", "A sitting fills something")]
    [InlineData("twice", "come to more than the 3 mm")]
    [InlineData("nowhere", "names a region")]
    [InlineData("unknown colour", "one of the piece's recipes")]
    [InlineData("same id", "id of its own")]
    [InlineData("two rests", "filled by one sitting")]
    [InlineData("bare twice", "named once")]
    [InlineData("no region", "named once")]
    public void Sittings_that_cannot_be_are_refused_in_words(string what, string sentence)
    {
        var (sitting, layer) = (Rings.Sittings[0], Rings.Layers[0]);
        Sitting With(params ImmutableArray<Fill> fills) => sitting with { Fills = fills };
        var piece = what switch
        {
            "nothing" => Rings with { Sittings = [sitting, sitting with { Id = "idle", Rest = [] }] },
            "twice" => Rings with { Sittings = [With(new Fill("a", Layer, R("b1"), null, 2), new Fill("b", Layer, R("b1"), null, 2))] },
            "nowhere" => Rings with { Sittings = [With(new Fill("a", Layer, R("b9")))] },
            "unknown colour" => Rings with { Sittings = [With(new Fill("a", Layer, R("b1"), "peat"))] },
            "same id" => Rings with { Sittings = [With(new Fill("a", Layer, R("b1")), new Fill("a", Layer, R("b2")))] },
            "two rests" => Rings with { Sittings = [sitting, sitting with { Id = "again" }] },
            "bare twice" => Rings with { Layers = [layer with { Bare = [R("b1"), R("b1")] }] },
            _ => Rings with { Layers = [layer with { RegionDepths = [new(R("b9"), 2)] }] },
        };
        Assert.Contains(new PieceValidator().Validate(piece).Errors, e => e.ErrorMessage.Contains(sentence, StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_poured_by_the_millilitre_has_no_passes_and_no_depth()
    {
        var puddle = Samples.Piece(Samples.Panel(300, 200),
            LayoutTests.Layer(new PuddleLayout(150, 100, [new("p1", "moss", 40), new("p2", "bone", 20)], 0, 0)));
        Assert.Contains("by the millilitre", Refused(puddle, new SetRegionDepth(Layer, R("p1"), 2)), StringComparison.Ordinal);
        Assert.Contains("by the millilitre", Refused(puddle, new AddPass(Layer, R("p1"), null, false, null)), StringComparison.Ordinal);
        var apart = Plan(Made(puddle, new PourApart(Layer, [R("p2")], null)));
        Assert.Equal(20, apart.Sittings[0].Cups.Regions.Single().LayerMl.Value);
        Assert.Equal(40, apart.Sittings[1].Cups.Regions.Single().LayerMl.Value);
    }

    [Fact]
    public void Castings_of_five_five_and_two_say_what_each_takes_and_a_batch_is_for_one_or_for_all()
    {
        // A round of 100 mm, 4 mm deep: 31.416 ml a copy.
        var moss = Samples.Cup("moss");
        Sketch flood = new(Layer, "Body", 4, new FloodLayout("moss"), [moss], new("coating"), Measure.ByVolume, null,
            [], PlannedTimes.None);
        var ground = new Ground(new RoundOutline(100), EdgeStyle.Walled, 10, "#ffffff",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(10, CapacityFrom.Dimensions, null, 12, 5, 0));
        var dozen = Samples.Piece(ground, flood);
        var each = Math.PI * 50 * 50 * 4 / 1000;
        var one = Plan(dozen);
        Assert.Equal([5, 5, 2], one.Sittings[0].Castings.Select(c => c.Copies));
        Assert.All(one.Sittings[0].Castings, c => Assert.Equal(c.Copies * each * 1.1, c.NeedMl.Value, 0.05));
        Assert.Equal((5, 5 * each), (one.Sittings[0].Copies, one.Sittings[0].Pours[0].PourMl.Value),
            (a, b) => a.Item1 == b.Item1 && Math.Abs(a.Item2 - b.Item2) < 0.05);
        Assert.Equal(each, one.Sittings[0].Pours[0].EachMl!.Value, 0.01);

        // Twelve at once: the last is not starved, and a copy weighs what it weighed.
        var all = Plan(dozen with { Sittings = [dozen.Sittings[0] with { Copies = 12 }] });
        Assert.Equal(12 * each, all.Sittings[0].Pours[0].PourMl.Value, 0.1);
        Assert.Equal(each, all.Sittings[0].Pours[0].EachMl!.Value, 0.01);
        Assert.True(all.Sittings[0].Pours[^1].LeftInCupMl!.Value > 0);
        Assert.Equal(one.Layers[0].ResinG, all.Layers[0].ResinG, 1e-9);
        Assert.Equal(one.Layers[0].LayerMl, all.Layers[0].LayerMl, 1e-9);

        // No more than are wanted; of a single piece there is one.
        Assert.Equal(12, Plan(dozen with { Sittings = [dozen.Sittings[0] with { Copies = 40 }] }).Sittings[0].Copies);
        Assert.Equal(1, Plan(Rings with { Sittings = [Rings.Sittings[0] with { Copies = 40 }] }).Sittings[0].Copies);
        Assert.Null(Plan(Rings).Sittings[0].Pours[0].EachMl);
        Assert.Empty(Plan(Rings).Sittings[0].Castings);
    }

    [Fact]
    public void A_way_of_laying_gives_the_depth_and_a_dome_holds_less_than_what_is_flat()
    {
        var moss = Samples.Cup("moss");
        Sketch flood = new(Layer, "Coat", 2, new FloodLayout("moss"), [moss], new("coating"), Measure.ByVolume, null,
            [], PlannedTimes.None);
        var round = Samples.Piece(new Ground(new RoundOutline(100), EdgeStyle.TapedClean, 10, "#ffffff"), flood);
        double Laid(FillWay way) =>
            Plan(Made(round, new LayRegion(Layer, FloodLayout.FloodId, null, way))).Sittings[0].Cups.Regions.Single().LayerMl.Value;
        var area = Math.PI * 2500;
        Assert.Equal(area * 0.4 / 1000, Laid(FillWay.Fingered), 0.01);
        Assert.Equal(area * 2 / 1000, Laid(FillWay.Combed), 0.05);
        Assert.Equal(8.67, Laid(FillWay.Domed), 0.02);
        Assert.Equal(Math.PI * 2.5 * 0.5, Laid(FillWay.Drizzled), 0.02);
        Assert.Equal(area * 2 / 1000, Laid(FillWay.Poured), 0.05);

        // The artist's own depth wins; back to poured it needs no fill.
        var domed = Made(round, new LayRegion(Layer, FloodLayout.FloodId, null, FillWay.Domed));
        var fill = domed.Sittings[0].Fills!.Value.Single();
        Assert.Equal(1.2, fill.TakesMm);
        var own = Made(domed,
            new SetField($"sittings[{Layer}].fills[{fill.Id}].depthMm", System.Text.Json.JsonSerializer.SerializeToElement(0.8)));
        Assert.Equal(area * 0.8 / 1000 - Math.PI * 100 * 0.8 * 2 / 1000, Plan(own).Sittings[0].Cups.Regions.Single().LayerMl.Value, 0.02);
        Assert.Null(Made(domed, new LayRegion(Layer, FloodLayout.FloodId, null, FillWay.Poured)).Sittings[0].Fills);
    }

    /// <summary>However a piece is divided into sittings and passes, as much lies on it as before: no region is lost
    /// and none is poured twice.</summary>
    [Fact]
    public void Volumes_are_conserved_however_the_pours_are_divided()
    {
        Gen.Int[0, 100_000].Sample(
            seed =>
            {
                var random = new Random(seed);
                var start = random.Next(2) == 0 ? Rings
                    : Samples.Piece(Samples.Panel(260, 180, EdgeStyle.DrippedOver),
                        Samples.Layer(Samples.Heart(130, 90), 10, 0), Samples.Layer(null, 0, 14) with { Id = "l2", DepthMm = 2 });
                var (before, piece) = (Plan(start), start);
                for (var i = 0; i < 8; i++)
                {
                    var type = (Type[])[typeof(PourApart), typeof(AddPass), typeof(PourWithRest), typeof(LeavePassOut),
                        typeof(MoveSitting), typeof(JoinSittings), typeof(ColourPass), typeof(PourLayerApart)];
                    piece = Editing.Checked(piece, [AnyEdit.Of(type[random.Next(type.Length)], piece, random)],
                        AnyEdit.Cupboard).Piece ?? piece;
                }

                var plan = Plan(piece);
                foreach (var (layer, had) in plan.Layers.Zip(before.Layers))
                {
                    // A fill of its own depth may stay below what its region aims at, and never exceeds it.
                    var whole = piece.Sittings.SelectMany(s => s.Fills ?? []).Where(f => f.LayerId == layer.LayerId)
                        .GroupBy(f => f.Region).Where(g => g.All(f => f.DepthMm is not null)).Select(g => g.Key).ToHashSet();
                    foreach (var region in had.RegionMl)
                    {
                        var now = layer.RegionMl.GetValueOrDefault(region.Key);
                        Assert.True(now <= region.Value + 1e-6, $"{layer.LayerId} {region.Key}: {now} of {region.Value}");
                        Assert.True(whole.Contains(region.Key) || Math.Abs(now - region.Value) < 1e-6,
                            $"{layer.LayerId} {region.Key}: {now} of {region.Value}");
                    }
                }
            },
            iter: 150);
    }

    [Fact]
    public void What_the_whole_piece_takes_is_the_sum_over_its_sittings_resin_by_resin()
    {
        var two = Editing.Checked(FirstPiece.Of("Two", Samples.Panel()), [new AddLayer(), new AddLayer()], AnyEdit.Cupboard).Piece!;
        two = two with { Sittings = [two.Sittings[0], two.Sittings[1], two.Sittings[2] with { Resin = new("casting") }] };
        var plan = new PiecePlanner(new LayerMapper()).Plan(two, [], DateTimeZone.Utc);
        Assert.Equal(["Coating resin", "Casting resin"], plan.Need.Select(n => n.Resin));
        Assert.Equal(plan.Sittings.Sum(s => s.Batches.TotalMl.Value), plan.Need.Sum(n => n.MixMl.Value), 1e-9);
        Assert.All(plan.Need, n => Assert.Equal(n.MixMl.Value, n.ResinMl.Value + n.HardenerMl.Value, 1e-9));
        Assert.Equal(2, plan.Need[0].MixMl.Inputs.Length);
    }

    /// <summary>The depth of a stripe counts from the ground: the film below it is a part of that, and levelling counts the same.</summary>
    [Fact]
    public void Stripes_with_a_depth_of_their_own_count_it_from_the_ground_and_so_does_levelling()
    {
        var piece = Samples.Piece(Samples.Panel(300, 200), LayoutTests.Layer(Samples.Lines("clear", 2, 0, 3), 20, 0) with { DepthMm = 3 });
        var plain = Plan(piece);
        double Area(string region) => plain.Layers[0].Regions.Single(r => r.Id.ToString() == region).Area.Value * 100;
        Assert.Equal(Area("b1") * 1 / 1000, Ml(plain, R("b1")), 1e-6);
        var deep = Plan(Made(piece, new SetRegionDepth(Layer, R("b1"), 5)));
        Assert.Equal(Area("b1") * 3 / 1000, Ml(deep, R("b1")), 1e-6);
        Assert.Equal(Ml(plain, R("b2")), Ml(deep, R("b2")), 1e-9);
        Assert.Equal(Area("b2") * 2 / 1000, deep.Layers[0].LevelClear.Single(c => c.RegionId == R("b2")).Ml.Value, 1e-6);

        // The film of its own depth takes what it takes from the stripes over it, so that a box never holds more than it does.
        var film = Plan(Made(piece, new SetRegionDepth(Layer, R("start"), 2.5)));
        Assert.Equal(plain.Layers[0].LayerMl, film.Layers[0].LayerMl, 1e-6);
        Assert.Equal(Area("b1") * 0.5 / 1000, Ml(film, R("b1")), 1e-6);

        // A stripe that is to be lower than its film takes nothing, and is as high as that.
        var low = Plan(Made(piece, new SetRegionDepth(Layer, R("b1"), 1)));
        Assert.Equal(0, Ml(low, R("b1")));
        Assert.Equal(Area("b1") * 1 / 1000, low.Layers[0].LevelClear.Single(c => c.RegionId == R("b1")).Ml.Value, 1e-6);
    }
}
