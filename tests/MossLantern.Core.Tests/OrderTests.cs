using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>In what order regions and layers are poured, and a heart that is nowhere.</summary>
public class OrderTests
{
    private static readonly PiecePlanner Planner = new(new());

    private static LayerPlan Plan(Sketch layer) => Planner.Plan(Samples.Piece(Samples.Panel(), layer), [], DateTimeZone.Utc).Layers[0];

    private static List<RegionId> Order(Sketch layer) => [.. Plan(layer).Pours.Select(s => s.RegionId)];

    [Fact]
    public void Lines_begin_with_the_film_run_inward_and_end_with_the_push()
    {
        var layer = LayoutTests.Layer(Samples.Lines("clear", 1, 3, 3), 0, 8, 12);
        Assert.Equal(["start", "b3", "b2", "b1"], Order(layer).Written());
        Assert.StartsWith("The film first", Plan(layer).OrderSays, StringComparison.Ordinal);

        // The artist's own order wins, and what it does not name follows in the usual one.
        Assert.Equal(["b2", "start", "b3", "b1"], Order(layer with { PourOrder = [R("b2")] }).Written());
    }

    [Fact]
    public void Marble_has_its_ground_before_its_streaks() =>
        Assert.Equal([MarbleLayout.GroundId, MarbleLayout.StreakId],
            Order(LayoutTests.Layer(new MarbleLayout("moss", "bone", 30, 0.5, 20, 3))));

    [Fact]
    public void A_puddle_is_poured_as_it_is_listed_and_what_lies_round_it_last() =>
        Assert.Equal([R("a"), R("b"), R("c"), PuddleLayout.RestId],
            Order(LayoutTests.Layer(new PuddleLayout(300, 200,
                [new("a", "moss", 20), new("b", "bone", 60), new("c", "rust", 10)], RestRecipeId: "clear"))));

    [Fact]
    public void Fields_and_pools_begin_with_the_largest_and_a_vein_is_last()
    {
        var fields = Plan(LayoutTests.Layer(LayoutTests.Fields(9, 4).Veined("gilt", 3, 1)));
        var areas = fields.Regions.ToDictionary(r => r.Id, r => r.Area.Value);
        Assert.Equal(RegionId.Parse("vein"), fields.Pours[^1].RegionId);
        Assert.Equal(fields.Pours.SkipLast(1).Select(s => areas[s.RegionId]).OrderDescending(),
            fields.Pours.SkipLast(1).Select(s => areas[s.RegionId]));
        var pools = LayoutTests.Layer(Draw.Pools([new("w", [new(0, 100), new(600, 100)])], 3,
            [new("small", 5, 5, "moss"), new("large", 5, 300, "bone")]));
        Assert.Equal(["large", "small"], Order(pools).Written());
    }

    [Fact]
    public void Rings_begin_with_the_heart_and_zones_follow_one_by_one()
    {
        var zone = new Zone("z", "inlay", new RoundOutline(80), 20, 20, new MarbleLayout("c1", "c2", 40, 0, 0, 3));
        var layer = Samples.Layer(Samples.Heart(400, 200), 20, 0) with { Zones = [zone] };
        Assert.Equal(["heart", "b1", "b2", "z/ground", "z/streaks"], Order(layer).Written());
        Assert.Equal("Ring by ring from the heart. Then part by part.", Plan(layer).OrderSays);
    }

    [Fact]
    public void Every_way_says_its_order_and_names_every_region_once()
    {
        foreach (var layout in new Layout?[] { null, Samples.Lines("clear", 1, 3, 3),
            Samples.Petals(300, 200, 6, 20, true, 8, 0), LayoutTests.Fields(6, 3), new FloodLayout("clear") })
        {
            var layer = layout is null ? Samples.Layer(Samples.Heart(300, 200), 20, 0) : LayoutTests.Layer(layout, 20, 0);
            var plan = Plan(layer);
            Assert.EndsWith(".", plan.OrderSays, StringComparison.Ordinal);
            Assert.Equal(plan.Cups.Regions.Where(r => r.PourMl.Value > 0).Select(r => r.RegionId).Order(),
                plan.Pours.Select(s => s.RegionId).Order());
        }
    }

    private static readonly LocalDateTime Noon = new(2027, 3, 1, 12, 0);

    private static IEnumerable<Finding> Early(LocalDateTime? first, LocalDateTime? second, params PouredSitting[] poured)
    {
        Sketch At(string id, LocalDateTime? start) => Samples.Layer(null, 0) with { Id = id, Name = id, Plan = new(start, null, 22) };
        var piece = Samples.Piece(Samples.Panel(), At("base", first), At("veil", second));
        return Planner.Plan(piece, poured, DateTimeZone.Utc).Findings.Where(f => f.Check == "layer-early");
    }

    [Fact]
    public void A_layer_before_the_one_below_takes_it_is_told_and_moved_to_when_it_does()
    {
        // The coating takes the next 4 h after its last pour, which is done when its batches and pours are.
        var lasts = Planner.Plan(Samples.Piece(Samples.Panel(), Samples.Layer(null, 0)), [], DateTimeZone.Utc)
            .Sittings[0].Batches.EndMinutes.Value;
        Assert.True(lasts > 10);
        var takes = Noon.PlusHours(4).PlusSeconds((long)Math.Floor(60 * lasts));
        Assert.Empty(Early(Noon, takes.PlusSeconds(2)));
        var early = Assert.Single(Early(Noon, takes.PlusSeconds(-2)));
        Assert.Equal(Grade.Mend, early.Grade);
        Assert.Equal("Pour it at Mon 1 Mar, 16:30", early.Remedies[0].Label);
        Assert.Single(Early(null, Noon));
        Assert.Empty(Early(Noon, null));
        Assert.Empty(Early(null, null));

        // What was really poured counts.
        var at = Noon.InUtc().ToInstant();
        Assert.Single(Early(null, Noon.PlusHours(3), new PouredSitting("base", at, at, 22)));
        Assert.Empty(Early(null, Noon.PlusHours(4), new PouredSitting("base", at, at, 22)));
    }

    [Theory]
    [InlineData(-39, false)]
    [InlineData(-41, true)]
    [InlineData(300, false)]
    [InlineData(639, false)]
    [InlineData(641, true)]
    public void A_heart_that_lies_wholly_outside_is_told_and_brought_back(double x, bool told)
    {
        // Its larger half is 40 mm.
        var piece = Samples.Piece(Samples.Panel(), Samples.Layer(Samples.Heart(x, 200, 80, 60), 20, 0));
        var found = Planner.Plan(piece, [], DateTimeZone.Utc).Findings.Where(f => f.Check == "heart-outside").ToList();
        Assert.Equal(told, found.Count == 1);
        foreach (var finding in found)
        {
            var back = finding.Remedies[0].Apply(piece);
            Assert.True(back.Ground.Outline.SignedDistanceMm(back.Filled[0].Hearts[0].XMm, back.Filled[0].Hearts[0].YMm) < 0);
            Assert.DoesNotContain(Planner.Plan(back, [], DateTimeZone.Utc).Findings, f => f.Check == "heart-outside");
            Assert.Empty(finding.Remedies[1].Apply(piece).Filled[0].Hearts);
        }
    }

    [Fact]
    public void Each_panel_of_a_set_stands_by_itself()
    {
        var ground = Samples.Panel() with { Set = new(3, 20, true), Level = new(true, 0, 0), PanelLevels = [new(2, new(true, 0.3, 0))] };
        var piece = Samples.Piece(ground, Samples.Layer(null, 0));
        Assert.Empty(new PieceValidator().Validate(piece).Errors);
        var plan = Planner.Plan(piece, [], DateTimeZone.Utc);
        Assert.Equal([2, 3], plan.Ground.Panels!.Value.Select(p => p.Panel));
        Assert.Equal(0, plan.Ground.Standing.Drift!.Value, 1e-9);
        Assert.Equal(600 * Math.Tan(0.3 * Math.PI / 180), plan.Ground.Panels.Value[0].Standing.Drift!.Value, 1e-9);
        Assert.Null(plan.Ground.Panels.Value[1].Standing.Drift);
        Assert.Equal(["tilt@ground/panel-2", "level-unknown@ground/panel-3"],
            plan.Findings.Where(f => f.Pin.Station == Station.Ground && f.Check is "tilt" or "level-unknown").Select(f => f.Key));
        var shimmed = plan.Findings.Single(f => f.Check == "tilt").Remedies.Single(r => r.Id == "shims").Apply(piece);
        Assert.Null(shimmed.Ground.LevelOf(2));
        Assert.NotNull(shimmed.Ground.Level);
        Assert.NotEmpty(new PieceValidator()
            .Validate(piece with { Ground = ground with { PanelLevels = [new(4, new(true, 0, 0))] } }).Errors);
        Assert.NotEmpty(new PieceValidator().Validate(piece with { Ground = ground with { Set = null } }).Errors);
    }
}
