using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Numbers that were wrong where two features meet.</summary>
public class TrueNumbersTests
{
    private static readonly LayerMapper Mapper = new();
    private static readonly PiecePlanner Planner = new(Mapper);

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], DateTimeZone.Utc);

    private static double Ml(PiecePlan plan, int layer = 0) => plan.Layers[layer].Cups.Regions.Sum(r => r.LayerMl.Value);

    private const string TwoCavities = "M0 0L100 0L100 60L0 60ZM120 0L180 0L180 60L120 60Z";

    private static Piece Cast(Mould mould, params Sketch[] layers) => Samples.Piece(
        new(new DrawnOutline(TwoCavities), EdgeStyle.Walled, 12, "#ffffff",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: mould), layers);

    private static Sketch Flood(double depth) => LayoutTests.Layer(new FloodLayout("moss")) with { DepthMm = depth };

    [Fact]
    public void An_insert_counts_in_a_cavity_of_its_own_depth()
    {
        // 100 × 60 mm and 60 × 60 mm; a round of 20 mm stands in the first, 1 mm above the floor.
        var mould = new Mould(10, CapacityFrom.Dimensions, null, 1, 1, 0,
            Inserts: [new("i", "hollow", new RoundOutline(20), 30, 20, 1, 0)]);
        var piece = Cast(mould, Flood(8) with { PartDepths = [new(1, 6), new(2, 4)] });
        Assert.Equal(6000 * 6 / 1000.0 - Math.PI * 100 * 5 / 1000 + 3600 * 4 / 1000.0, Ml(Plan(piece)), 0.05);
        Assert.Equal(Ml(Plan(piece)), Plan(piece).Ground.Parts.Sum(p => p.LayerMl[0].Value), 1e-3);

        // In the part whose depth is its own, and in the one whose depth is the layer's.
        var other = Cast(mould, Flood(8) with { PartDepths = [new(2, 4)] });
        Assert.Equal(6000 * 8 / 1000.0 - Math.PI * 100 * 7 / 1000 + 3600 * 4 / 1000.0, Ml(Plan(other)), 0.05);
    }

    [Fact]
    public void An_insert_that_is_lower_than_the_mould_is_closed_over()
    {
        var insert = new Insert("i", "hollow", new RoundOutline(20), 30, 20, 0, 1, HeightMm: 4);
        var mould = new Mould(10, CapacityFrom.Dimensions, null, 1, 1, 0, Inserts: [insert]);
        var full = 9600 * 10 / 1000.0;
        var round = Math.PI * 100 / 1000;
        Assert.Equal(full - 4 * round, Ml(Plan(Cast(mould, Flood(10)))), 0.05);
        var plan = Plan(Cast(mould, Flood(10))).Ground.Mould!.Inserts[0];
        Assert.Equal(4 * round, plan.Displaces.Value, 1e-3);
        Assert.Equal(3, plan.Depth.Value, 1e-9);

        // Layer by layer the sum is the same: below its top it is kept out, over its top it is not.
        var layers = new[] { 3.0, 4, 3 }.Select((d, i) => Flood(d) with { Id = $"l{i}" }).ToArray();
        var three = Plan(Cast(mould, layers));
        Assert.Equal(full - 4 * round, Enumerable.Range(0, 3).Sum(i => Ml(three, i)), 0.1);
        Assert.Equal(9600 * 4 / 1000.0 - round, Ml(three, 1), 0.05);
        Assert.Equal(9600 * 3 / 1000.0, Ml(three, 2), 0.05);

        // One that reaches the top, as before.
        Assert.Equal(full - 10 * round, Ml(Plan(Cast(mould with { Inserts = [insert with { HeightMm = null }] }, Flood(10)))), 0.05);
        Assert.Equal(full - 10 * round, Ml(Plan(Cast(mould with { Inserts = [insert with { HeightMm = 30 }] }, Flood(10)))), 0.05);
    }

    [Fact]
    public void Parts_take_what_the_cups_pour_for_every_mould_panel_and_copy() =>
        (from depths in Gen.Bool
         from insert in Gen.Bool
         from water in Gen.Bool
         from pieces in Gen.Int[1, 4]
         from lines in Gen.Bool
         from kept in Gen.Bool
         from mirrored in Gen.Int[0, 2]
         select (depths, insert, water, pieces, lines, kept, mirrored)).Sample(
            s =>
            {
                var layer = (s.lines ? LayoutTests.Layer(Samples.Lines("clear", 1, 3, 4), 0, 4, 5) with { DepthMm = 5 } : Flood(5)) with
                {
                    PartDepths = s.depths ? [new(1, 6), new(2, 4)] : null,
                };
                Insert[] inserts = s.insert ? [new("i", "hollow", new RoundOutline(20), 30, 20, 1, 0, 3)] : [];
                var piece = s.mirrored == 0
                    ? Cast(new(10, s.water ? CapacityFrom.Water : CapacityFrom.Dimensions, s.water ? 80 : null,
                        s.pieces, 3, 0, Inserts: [.. inserts]), layer)
                    : Samples.Piece(new(new DrawnOutline(TwoCavities), EdgeStyle.Walled, 12, "#ffffff",
                        Set: new(s.pieces + 1, 10, s.mirrored == 1)), layer);
                piece = s.kept ? piece with { Kept = [new("k", "bare", new RoundOutline(16), 70, 30, Keep.Bare)] } : piece;
                var plan = Plan(piece);
                var (cups, parts) = (Ml(plan), plan.Ground.Parts.Sum(p => p.LayerMl[0].Value));
                Assert.True(Math.Abs(cups - parts) < 2e-3 * cups, $"the cups pour {cups}, the parts take {parts}");
            },
            iter: 60);

    [Fact]
    public void A_rim_that_grows_round_a_free_casting_fills_up_its_height_too()
    {
        // A round casting of 200 mm, 10 mm high; a rim of 30 mm all round, 2 mm over it.
        var cast = Samples.Piece(
            new(new RoundOutline(200), EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone),
                Mould: new(10, CapacityFrom.Dimensions, null, 1, 1, 0)),
            Flood(10));
        var over = Rework.Over(cast, "cast");
        var grown = over with { Ground = Rework.Grown(over.Ground, 30) };
        Assert.Equal(10, grown.Ground.Old!.StandsMm);
        double inner = Math.PI * 10_000, outer = Math.PI * 130 * 130;
        Assert.Equal((outer * 2 + (outer - inner) * 10) / 1000, Ml(Plan(grown)), 0.2);
        Assert.Equal(10, Rework.Grown(grown.Ground, 20).Old!.StandsMm);

        // A slice stands as high as its board and its resin; of one that nobody knows it is said.
        var slice = Samples.Piece(
            new(new RoundOutline(200), EdgeStyle.Walled, 12, "#ffffff", new(PieceKind.Slice, BaseMaterial.Mdf, 6)), Flood(3));
        var again = Rework.Over(slice, "slice");
        again = again with { Ground = Rework.Grown(again.Ground, 30) };
        Assert.Equal(9, again.Ground.Old!.StandsMm);
        Assert.Equal((outer * 2 + (outer - inner) * 9) / 1000, Ml(Plan(again)), 0.2);

        // On a board the old face stands as high as is said.
        var board = Rework.OverUnknown(Samples.Panel());
        Assert.Equal(0, Rework.Grown(board, 30).Old!.StandsMm);
    }

    [Theory]
    [InlineData(EdgeStyle.TapedClean)]
    [InlineData(EdgeStyle.DrippedOver)]
    public void Forty_millilitres_of_a_puddle_are_forty_poured(EdgeStyle edge)
    {
        var layer = LayoutTests.Layer(new PuddleLayout(20, 100, [new("a", "moss", 40), new("b", "bone", 25)], RestRecipeId: "clear"));
        var plan = Plan(Samples.Piece(Samples.Panel(300, 200, edge), layer)).Layers[0];
        Assert.Equal(40, plan.Cups.Regions.Single(r => r.RegionId == "a").PourMl.Value, 1e-9);
        Assert.Equal(25, plan.Pours.Single(s => s.RegionId == "b").PourMl.Value, 1e-9);

        // What hangs on the edge is told apart, and is a part of it.
        var told = plan.Facts.SingleOrDefault(f => f.Id == "edges");
        Assert.Equal(edge == EdgeStyle.DrippedOver, told is not null);
        Assert.True(told is null || told.Number.Value is > 6.5 and < 20);
        Assert.Equal(edge == EdgeStyle.DrippedOver, plan.Cups.Regions.Single(r => r.RegionId == "rest").EdgeMl.Value > 0);
    }

    [Theory]
    [InlineData(2, 1, 295, 1, 297, 198)]
    [InlineData(2, 1, 4, 1, 6, 4)]
    [InlineData(1, 1, 113.7, 1, 114, 57)]
    [InlineData(1, 1, 113.2, 1, 114, 57)]
    [InlineData(1, 1, 6.1, 1, 8, 4)]
    [InlineData(1, 1, 110, 5, 110, 55)]
    [InlineData(1, 1, 111, 5, 120, 60)]
    [InlineData(100, 45, 50, 1, 52, 36)]
    [InlineData(3, 1, 100, 1, 100, 75)]
    [InlineData(3, 1, 100.0000000001, 1, 100, 75)]
    [InlineData(1, 1, 60.3, 0.1, 60.4, 30.2)]
    public void Both_parts_of_a_batch_fall_on_the_steps(double resin, double hardener, double need, double step, double mix, double resinMl)
    {
        var share = resin / (resin + hardener);
        Assert.Equal(mix, MeasuringSteps.InSteps(share, need, step, 0.05), 1e-9);
        var parts = MeasuringSteps.ToStep(share, 1.1, 1, mix, step);
        Assert.Equal(resinMl, parts.ResinMl, 1e-9);
        Assert.Equal(mix - resinMl, parts.HardenerMl, 1e-9);
    }

    [Fact]
    public void Batches_hold_the_need_keep_the_ratio_and_are_hardly_larger() =>
        (from resin in Gen.Double[0.3, 6]
         from need in Gen.Double[0.5, 900]
         from step in Gen.OneOf(Gen.Const(0.1), Gen.Const(0.5), Gen.Const(1.0), Gen.Const(5.0))
         select (resin, need, step)).Sample(
            s =>
            {
                var share = s.resin / (1 + s.resin);
                var mix = MeasuringSteps.InSteps(share, s.need, s.step, 0.05);
                var parts = MeasuringSteps.ToStep(share, 1, 1, mix, s.step);
                Assert.True(mix >= s.need - 1e-6);
                Assert.Equal(0, Math.IEEERemainder(parts.ResinMl, s.step), 1e-6);
                Assert.Equal(0, Math.IEEERemainder(parts.HardenerMl, s.step), 1e-6);
                Assert.InRange(parts.ResinMl / parts.HardenerMl / s.resin, 0.9874, 1.0127);
                Assert.True(mix < 1.02 * s.need + 600 * s.step);
            },
            iter: 2000);

    [Fact]
    public void The_smallest_measure_has_no_binary_hair_and_an_unused_cup_mixes_nothing()
    {
        // 2 : 1 in cups of 1 ml: 20 ml of the smaller part is 60 ml.
        var layer = LayoutTests.Layer(new FloodLayout("moss")) with { DepthMm = 1, Resin = new("casting") };
        for (var side = 40; side < 160; side += 7)
        {
            var cups = Plan(Samples.Piece(Samples.Panel(side, side), layer)).Layers[0].Cups.Cups;
            Assert.All(cups.Where(c => c.Smallest is not null), c => Assert.Equal(60, c.Smallest!.Value));
            var unused = cups.Single(c => c.CupId == "umber");
            Assert.Null(unused.Measured);
            Assert.All(new[] { unused.MixMl, unused.Reserve, unused.Loss }, n => Assert.False(double.IsNegative(n.Value) || n.Value > 0));
        }
    }

    [Fact]
    public void Walls_run_through_what_was_drawn_and_count_as_far_as_they_lie_on_the_piece()
    {
        // Three sides of a square: straight through its corners it is 600 mm.
        var drawn = new Stroke("w", [new(100, 50), new(100, 250), new(300, 250), new(300, 50)]);
        var outline = new RectangleOutline(400, 300);
        var laid = Pools.Laid(drawn.Spots);
        Assert.All(drawn.Spots, s => Assert.True(laid.Distance(new NetTopologySuite.Geometries.Point(s.XMm, s.YMm)) < 1e-9));
        Assert.InRange(Pools.LengthsMm(outline, [new("w", drawn.Spots, 3)])[0], 600, 680);

        // A straight wall that begins and ends outside counts inside alone.
        Assert.Equal(300, Pools.LengthsMm(outline, [new("w", [new(200, -80), new(200, 150), new(200, 400)], 3)])[0], 0.01);
        Assert.Equal(300, Pools.LengthsMm(outline, [new("w", [new(200, -80), new(200, 400)], 3)])[0], 0.01);
    }

    [Fact]
    public void A_wall_passes_through_every_spot_and_does_not_overshoot() =>
        Gen.Select(Gen.Double[0, 400], Gen.Double[0, 300], (x, y) => new Spot(x, y)).Array[2, 9].Sample(
            spots =>
            {
                var laid = Pools.Laid([.. spots]);
                Assert.All(spots, s => Assert.True(laid.Distance(new NetTopologySuite.Geometries.Point(s.XMm, s.YMm)) < 1e-6));
                var straight = spots
                    .Zip(spots.Skip(1), (a, b) => Math.Sqrt((a.XMm - b.XMm) * (a.XMm - b.XMm) + (a.YMm - b.YMm) * (a.YMm - b.YMm))).Sum();
                Assert.InRange(laid.Length, straight - 1e-6, 1.4 * straight + 1e-6);
            },
            iter: 300);

    [Theory]
    [InlineData(0, 150, 100)]
    [InlineData(20, 150, 100)]
    [InlineData(0, 148.36, 97.7)]
    public void Petals_keep_every_colours_area_whatever_the_pull(double pull, double x, double y)
    {
        // A middle on a node of the grid, and small dots in the middle.
        var ground = Samples.Panel(300, 200);
        foreach (var dot in new[] { 1.0, 2, 4, 12 })
        {
            var layer = LayoutTests.Layer(Samples.Petals(x, y, 6, pull, true, 8, 0), dot, 10, 0);
            var map = (BandMap)Mapper.Map(Samples.Piece(ground, layer), layer);
            Assert.Equal(Math.PI * dot * dot, map.Area(R("b1")), 0.02 * Math.PI * dot * dot);
            Assert.Equal(Math.PI * (dot + 10) * (dot + 10) - Math.PI * dot * dot, map.Area(R("b2")), 0.5);
        }

        var node = (BandMap)Mapper.Map(Samples.Piece(ground,
            LayoutTests.Layer(Samples.Petals(x, y, 6, pull, true, 8, 0), 4, 10, 0)),
        LayoutTests.Layer(Samples.Petals(x, y, 6, pull, true, 8, 0), 4, 10, 0));
        var on = LayoutTests.Layer(Samples.Petals(node.Grid.X(40), node.Grid.Y(30), 6, pull, true, 8, 0), 12, 10, 0);
        Assert.Equal(Math.PI * 144, Mapper.Map(Samples.Piece(ground, on), on).Area(R("b1")), 5.0);
    }

    [Fact]
    public void Followed_evenly_the_last_band_keeps_its_width_to_the_rim()
    {
        foreach (var (outline, x) in new (Outline, double)[] { (new RectangleOutline(600, 400), 300),
            (new OvalOutline(700, 450), 250), (new RectangleOutline(600, 400), 200) })
        {
            var ground = Samples.Panel() with { Outline = outline };
            Region Last(RimWay way, double follow) =>
                Mapper.Map(Samples.Piece(ground, Layer(way, follow)), Layer(way, follow)).Regions.Single(r => r.Id == "b4");
            Sketch Layer(RimWay way, double follow) =>
                Samples.Layer(Samples.Heart(x, 200, 80, 60), 12, 5, 0, 7).Rings(r => r with { RimFollow = follow, RimWay = way });
            var even = Last(RimWay.Even, 1);
            Assert.InRange(even.Widths!.FromMm, 7 * 0.95, 7 * 1.05);
            Assert.InRange(even.Widths.ToMm, 7 * 0.95, 7 * 1.05);
            Assert.Equal(outline.PerimeterMm * 7, even.AreaMm2, 0.08 * outline.PerimeterMm * 7);

            // In proportion it is wide where there is room, and the range says so.
            var shares = Last(RimWay.Proportional, 1);
            Assert.True(shares.Widths!.ToMm > 1.5 * shares.Widths.FromMm, $"{shares.Widths}");
            Assert.Equal(outline.PerimeterMm, even.OpenEdgeMm, 0.01 * outline.PerimeterMm);
        }
    }

    [Fact]
    public void Bands_that_follow_evenly_nest_and_sum_whatever_the_room() =>
        (from outline in Samples.AnyOutline
         from widths in Gen.Double[1, 60].Array[2, 7]
         from fill in Gen.Int[0, 6]
         from follow in Gen.Double[0.05, 1]
         from x in Gen.Double[0.1, 0.9]
         from y in Gen.Double[0.1, 0.9]
         select (outline, Samples.Layer(
             Samples.Heart(x * outline.BoxWidthMm, y * outline.BoxHeightMm, 30, 24),
             [.. widths.Select((w, i) => i == fill % widths.Length ? 0 : w)])
             .Rings(r => r with { RimFollow = follow, RimWay = RimWay.Even }))).Sample(
            s =>
            {
                var map = Mapper.Map(Samples.Piece(Samples.Panel() with { Outline = s.outline }, s.Item2), s.Item2);
                Assert.All(map.Regions, r => Assert.True(double.IsFinite(r.AreaMm2) && r.AreaMm2 >= 0));
                Assert.Equal(s.outline.AreaMm2, map.Regions.Sum(r => r.AreaMm2), s.outline.AreaMm2 * 1e-4);
            },
            iter: 40);

    [Fact]
    public void A_slice_says_how_far_it_really_spans()
    {
        var slice = new SliceOutline(700, 450, [0.96, 0.9, 0.95, 0.88, 0.93, 0.97], 8, 5);
        var plan = Plan(Samples.Piece(Samples.Panel() with { Outline = slice }, Samples.Layer(null, 0))).Ground;
        Assert.Equal((700, 450), (plan.WidthMm, plan.HeightMm));
        Assert.InRange(plan.SpanWidthMm, 600, 698);
        Assert.InRange(plan.SpanHeightMm, 380, 448);
        var panel = Plan(Samples.Piece(Samples.Panel(), Samples.Layer(null, 0))).Ground;
        Assert.Equal((600, 400), (panel.SpanWidthMm, panel.SpanHeightMm));
    }
}
