using CsCheck;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Walls;
using NodaTime;
using static MossLantern.Core.Tests.Samples;
using Surroundings = MossLantern.Core.Materials.Surroundings;

namespace MossLantern.Core.Tests;

/// <summary>Lines of resin along borders, what walls are laid of, and what pools hold behind them.</summary>
public class LineTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], Surroundings.Usual(DateTimeZone.Utc));

    private static Piece Rings(params double[] widths) =>
        Piece(Panel(300, 200), Layer(Heart(140, 100), widths.Length == 0 ? [18, 12, 0] : widths));

    [Theory]
    [InlineData(BarrierClass.Liner, 1.2, 2400, 2.4, 5.43)]
    [InlineData(BarrierClass.Putty, 24, 1500, 8, 288)]
    [InlineData(BarrierClass.Putty, 3, 1000, 6, 18)]
    [InlineData(BarrierClass.Outliner, 1.5, 5658.84, 3, 20)]
    [InlineData(BarrierClass.Silicone, 5, 1000, 6, 23.56)]
    [InlineData(BarrierClass.HotGlue, 4, 1000, 4.8, 15.08)]
    public void A_bead_is_as_wide_as_its_material_lies_and_takes_so_much(BarrierClass of, double high, double long1, double wide, double ml)
    {
        Assert.Equal(wide, BarrierBead.WidthMm(of, high), 1e-9);
        Assert.Equal(ml, Bead.VolumeMl(long1, BarrierBead.SectionMm2(of, wide, high)), 0.005);
    }

    [Fact]
    public void A_wall_is_ready_by_its_material_and_what_has_water_in_it_holds_by_its_dry_height()
    {
        Assert.Equal(490, 288 * BarrierBead.PuttyGPerMl, 0.5);
        Assert.Equal([1.778, 2.778, 24, 3, 0.5, 0.0333], new (BarrierClass Of, double Mm)[]
        {
            (BarrierClass.Outliner, 2), (BarrierClass.Outliner, 2.5), (BarrierClass.Liner, 1.2), (BarrierClass.Putty, 4),
            (BarrierClass.Silicone, 6), (BarrierClass.HotGlue, 4),
        }.Select(b => BarrierBead.ReadyHours(b.Of, b.Mm)), (a, b) => Math.Abs(a - b) < 5e-4);
        Assert.Equal((24.0, 20.0), (BarrierBead.PeelsHours(6, 5), BarrierBead.PeelsHours(6, 2.5)));
        foreach (var of in Enum.GetValues<BarrierClass>())
        {
            Assert.Equal(of is BarrierClass.Outliner or BarrierClass.Liner ? 1.3 : 2, BarrierBead.HoldsMm(of, 2), 1e-9);
            Assert.Equal(2, BarrierBead.LaidMm(of, BarrierBead.HoldsMm(of, 2)), 1e-9);
        }

        Assert.Equal(0.1, BarrierBead.StaysShare);
    }

    [Fact]
    public void A_line_between_two_rings_is_as_long_as_their_border_and_takes_no_area()
    {
        var piece = Made(Rings(), new LayLine("l1", null, new BorderCourse(R("b1"), R("b2")), Recipe: "c1"));
        var line = Assert.Single(piece.Lines!.Value);
        var plan = Plan(piece).Layers[0];
        var border = new LayerMapper().Map(piece, piece.Filled[0]).Along(R("b1"), R("b2"))!.LengthMm;
        Assert.Equal(border, plan.Lines.Single(l => l.LineId == line.Id).Length.Value, border * 1e-3);
        Assert.Equal(border * 3 * 1 / 1000, plan.Cups.Regions.Single(r => r.RegionId == line.Region).LayerMl.Value, 1e-6);
        Assert.Equal(Plan(Rings()).Layers[0].Regions.Select(r => (r.Id, r.Area.Value)),
            plan.Regions.Where(r => r.Id != line.Region).Select(r => (r.Id, r.Area.Value)));
        Assert.Equal(line.Region, plan.Pours[^1].RegionId);
    }

    private static readonly LayoutKind[] Lineable =
        [LayoutKind.Rings, LayoutKind.Stripes, LayoutKind.Petals, LayoutKind.Fields, LayoutKind.Marble];

    /// <summary>Whatever is laid out, a line adds what its length takes, and nothing else changes.</summary>
    [Fact]
    public void Lines_laid_on_any_layout_change_nothing_of_what_they_lie_on() =>
        (from kind in Gen.Int[0, 4].Select(i => Lineable[i])
         from width in Gen.Double[0.6, 8]
         select (kind, width)).Sample(
            s =>
            {
                var bare = s.kind == LayoutKind.Rings ? Rings() : Made(Rings(), new LayOutAs("l1", null, s.kind));
                var touching = new LayerMapper().Map(bare, bare.Filled[0]).Touching;
                var lined = Made(bare, new LayLine("l1", null),
                    new LayLine("l1", null, new BorderCourse(touching[0].First, touching[0].Second), Recipe: bare.Recipes[0].Id));
                lined = Made(lined, SetField.To(lined.Lines!.Value[1].Place + ".section.widthMm", s.width));
                var (before, after) = (Plan(bare).Layers[0], Plan(lined).Layers[0]);
                var own = lined.Lines!.Value.Select(l => l.Region).ToHashSet();
                Assert.Equal(before.Regions.Select(r => (r.Id, r.Area.Value)),
                    after.Regions.Where(r => !own.Contains(r.Id)).Select(r => (r.Id, r.Area.Value)));
                Assert.Equal(2, after.Regions.Count(r => own.Contains(r.Id) && r.Area.Value > 0));
                Assert.Equal(before.LayerMl + own.Sum(r => after.Cups.Regions.Single(x => x.RegionId == r).LayerMl.Value),
                    after.LayerMl, 1e-6);

                // Put by with its layout, they come back with it; gone with it, they are gone.
                var away = Made(lined, new LayOutAs("l1", null, LayoutKind.Flood));
                Assert.Empty(away.Filled[0].Lines);
                Assert.Equal(lined.Lines!.Value, Made(away, new LayOutAs("l1", null, s.kind)).Lines!.Value);
            }, iter: 12);

    /// <summary>Lines of every course and material on every layout, with a layer over them, in copies: what lies below keeps its areas, what
    /// is poured is the sum of its parts, and each line is painted.</summary>
    [Fact]
    public void Lines_of_every_kind_on_any_layout_add_up() =>
        (from kind in Gen.Int[0, 4].Select(i => Lineable[i])
         from of in Gen.Enum<LineOf>()
         from course in Gen.Int[0, 3]
         from swell in Gen.Bool
         from copies in Gen.Bool
         select (kind, of, course, swell, copies)).Sample(
            s =>
            {
                var rings = s.copies ? Rings() is var r ? r with { Ground = r.Ground with { Set = new(2, 10, true) } } : null! : Rings();
                var bare = Made(rings, s.kind == LayoutKind.Rings ? new AddLayer() : new LayOutAs("l1", null, s.kind));
                var touching = new LayerMapper().Map(bare, bare.Filled[0]).Touching;
                Course along = s.course switch
                {
                    0 => new BorderCourse(touching[0].First, touching[0].Second, 0, 0.1, 0.8),
                    1 => new AllBordersCourse(),
                    2 => new RingCourse(140, 100, 90, s.swell ? 2 : null),
                    _ => new DrawnCourse([new(10, 20), new(150, 180), new(290, 60)]),
                };
                var lined = Made(bare, new LayLine("l1", null, along, s.of, bare.Recipes[0].Id));
                var line = lined.Lines!.Value[^1];
                lined = s.swell ? Made(lined, SetField.To(line.Place + ".section.swell", 0.5)) : lined;
                var (before, after) = (Plan(bare), Plan(lined));
                Assert.NotEmpty(Planner.Paint(lined, Core.Materials.Catalogue.Typical, null, Painting.PaintDetail.Full).Paths);
                if (s.of == LineOf.Wall)
                {
                    // What a wall covers is what its neighbours lack, and nothing is poured there.
                    double Sum(PiecePlan plan) => plan.Layers[0].Regions
                        .Where(x => x.Kind is not (RegionKind.Line or RegionKind.Film)).Sum(x => x.Area.Value);
                    Assert.Equal(Sum(before), Sum(after), 1e-6 * Sum(before));
                    Assert.True(after.Layers[0].Regions.Single(x => x.Id == line.Region).Area.Value > 0);
                    Assert.InRange(after.Layers[0].LayerMl, 0.5 * before.Layers[0].LayerMl, before.Layers[0].LayerMl);
                    return;
                }

                Assert.Equal(before.Layers[0].Regions.Select(x => (x.Id, x.Area.Value)),
                    after.Layers[0].Regions.Where(x => x.Id != line.Region).Select(x => (x.Id, x.Area.Value)));
                var own = after.Layers[0].Cups.Regions.Where(x => x.RegionId == line.Region).Sum(x => x.LayerMl.Value);
                Assert.Equal(s.of == LineOf.Relief, own == 0);
                Assert.Equal(before.Layers[0].LayerMl + own, after.Layers[0].LayerMl, 1e-6);
                var told = after.Layers[0].Lines.Single(l => l.LineId == line.Id);
                Assert.Equal(line.SectionMm2!.Value * told.Length.Value * (s.copies ? 2 : 1) / 1000, told.Ml!.Value, 1e-9);
                Assert.Equal(s.of == LineOf.Relief, told.Dry is not null);
            }, iter: 24);

    [Fact]
    public void A_line_whose_border_is_gone_takes_nothing_and_is_back_when_that_is()
    {
        var piece = Made(Rings(18, 12, 8, 0), new LayLine("l1", null, new BorderCourse(R("b1"), R("b2")), Recipe: "c1"));
        double Ml(Piece of) => Plan(of).Layers[0].Cups.Regions.FirstOrDefault(r => r.RegionId == "line")?.LayerMl.Value ?? 0;
        var moved = Made(piece, new MoveBand("l1", null, "b2", 1));
        Assert.True(Ml(piece) > 0);
        Assert.Equal(0, Ml(moved));
        Assert.Equal(Ml(piece), Ml(Made(moved, new MoveBand("l1", null, "b2", -1))), 1e-9);
    }

    [Fact]
    public void Layers_that_a_layer_is_divided_into_each_have_its_lines_and_a_line_is_poured_from_another_colour()
    {
        var piece = Made(Rings(), new LayLine("l1", null, new BorderCourse(R("b1"), R("b2")), Recipe: "c1"), new DivideLayer("l1", 3));
        Assert.Equal(piece.Layers.Select(l => l.Id), piece.Lines!.Value.Select(l => l.LayerId));
        Assert.Equal("c2", Made(piece, new PourFrom("l1", null, R("line"), "c2")).Lines!.Value[0].RecipeId);
    }

    private static Piece Pools(double heightMm, double depthMm, BarrierClass? of = BarrierClass.Putty, params double[] over)
    {
        // A square of 100 × 100 mm between two walls, and what lies left and right of it.
        var layer = LayoutTests.Layer(Draw.Pools(
            [new("w1", [new(98, -5), new(98, 105)]), new("w2", [new(202, -5), new(202, 105)])], 4,
            [new("a", 40, 50, "moss"), new("b", 150, 50, "bone"), new("c", 250, 50, "rust")])) with
        { Id = "l1", DepthMm = depthMm };
        var piece = Piece(Panel(300, 100),
            [layer, .. over.Select((mm, i) => LayoutTests.Layer(LayoutTests.Fields(3, 3)) with { Id = $"over-{i}", DepthMm = mm })]);
        return piece with
        {
            Lines = [.. piece.Lines!.Value.Select(l => l with { Section = new(4, heightMm), Material = new BarrierLine(of) })],
        };
    }

    private static PoolHold Hold(Piece piece) => Plan(piece).Layers[0].Holds.Single(h => h.RegionId == "b");

    [Fact]
    public void A_pool_of_100_square_centimetres_behind_4_mm_of_putty_holds_35_40_and_50_ml()
    {
        var hold = Hold(Pools(4, 3));
        Assert.Equal((35.0, 40.0, 50.0, 30.0), (Math.Round(hold.Room.Value, 2), Math.Round(hold.Brim.Value, 2),
            Math.Round(hold.Over.Value, 2), Math.Round(hold.Gets.Value, 2)));
        Assert.Equal(["w1", "w2"], hold.Walls);

        // By its dry height where it is of outliner; unknown while no height is known.
        Assert.Equal(26, Hold(Pools(4, 3, BarrierClass.Outliner)).Brim.Value, 0.01);
        var unknown = Pools(4, 3);
        unknown = unknown with { Lines = [.. unknown.Lines!.Value.Select(l => l.Id == "w1" ? l with { Section = new(4) } : l)] };
        Assert.Equal(["c"], Plan(unknown).Layers[0].Holds.Select(h => h.RegionId.ToString()));
    }

    [Theory]
    [InlineData(3.49, null)]
    [InlineData(3.51, Grade.Mind)]
    [InlineData(3.99, Grade.Mind)]
    [InlineData(4.01, Grade.Mend)]
    [InlineData(5.3, Grade.Mend)]
    public void What_a_pool_gets_over_its_walls_is_told_and_mended(double depthMm, Grade? grade)
    {
        var piece = Pools(4, depthMm);
        var found = Found(piece);
        Assert.Equal(grade, found?.Grade);
        if (found is null)
        {
            return;
        }

        Assert.Equal(depthMm > 5 ? "Runs over" : depthMm > 4 ? "Above its walls" : "Nearly full", found.Title);
        Assert.Equal(2, found.Remedies.Length);
        foreach (var remedy in found.Remedies)
        {
            Assert.Null(Found(Made(piece, [.. remedy.Edits])));
        }
    }

    [Fact]
    public void Later_layers_count_and_a_flood_does_not()
    {
        // 20 + 10 + 8 ml over three layers: 2 ml to the brim.
        var three = Pools(4, 2, BarrierClass.Putty, 1, 0.8);
        Assert.Equal(38, Hold(three).Gets.Value, 0.02);
        Assert.Equal(Grade.Mind, Found(three)!.Grade);
        Assert.Equal(3, Hold(Pools(4, 2, BarrierClass.Putty, 1, 2.3)).Gets.Value - Hold(three).Over.Value, 0.02);
        var flooded = Made(Pools(4, 2, BarrierClass.Putty, 5), new LayOutAs("over-0", null, LayoutKind.Flood));
        Assert.Equal(20, Hold(flooded).Gets.Value, 0.02);
    }

    private static Finding? Found(Piece piece)
    {
        var plan = Plan(piece);
        return plan.Findings.FirstOrDefault(f => f.Key == "overfill@l1/b");
    }
}
