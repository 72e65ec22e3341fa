using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using NodaTime;
using static MossLantern.Core.Tests.Samples;

namespace MossLantern.Core.Tests;

/// <summary>Walls through layouts that are not pools: they take from what lies beside them, hold, and part.</summary>
public class WallThroughTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], Around);

    private static Piece Rings() => Piece(Panel(300, 200), Layer(Heart(140, 100), 18, 12, 0));

    private static Piece Laid(LayoutKind kind) => kind == LayoutKind.Rings ? Rings() : Made(Rings(), new LayOutAs("l1", null, kind));

    private static readonly Course Across = new DrawnCourse([new(0, 90), new(150, 110), new(300, 90)]);

    private static double Sum(LayerPlan plan) =>
        plan.Regions.Where(r => r.Kind is not (RegionKind.Line or RegionKind.Film)).Sum(r => r.Area.Value);

    public static TheoryData<LayoutKind> Kinds() => [.. Enum.GetValues<LayoutKind>().Where(k => k != LayoutKind.Pools)];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void What_a_wall_covers_is_what_its_neighbours_lack_and_nothing_is_grown_anew(LayoutKind kind)
    {
        var before = Laid(kind);
        var without = Plan(before).Layers[0];
        List<Course> courses = [Across, new RingCourse(140, 100, 90)];
        if (new LayerMapper().Map(before, before.Filled[0]).Borders() is [var border, ..])
        {
            courses.Add(new BorderCourse(border.First, border.Second));
            courses.Add(new AllBordersCourse());
        }

        foreach (var course in courses)
        {
            var piece = Made(before, new LayLine("l1", null, course, LineOf.Wall, WidthMm: 6));
            var plan = Plan(piece).Layers[0];
            Assert.Equal(Sum(without), Sum(plan), Sum(without) * 1e-6);
            var wall = plan.Regions.Single(r => r.Kind == RegionKind.Wall);
            var line = plan.Lines.Single();
            Assert.Equal(line.Length.Value * 6 / 100, wall.Area.Value, 0.06 * wall.Area.Value + 0.3);
            Assert.All(without.Regions, r =>
                Assert.InRange(plan.Regions.Single(p => p.Id == r.Id).Area.Value, 0, r.Area.Value + 1e-9));

            // Laid a second time along the same way it takes nothing more, and nothing is poured there.
            var twice = Plan(Made(piece, new LayLine("l1", null, course, LineOf.Wall, WidthMm: 6))).Layers[0];
            Assert.Equal(wall.Area.Value,
                twice.Regions.Where(r => r.Kind == RegionKind.Wall).Sum(r => r.Area.Value), 0.01 * wall.Area.Value);
            Assert.DoesNotContain(twice.Cups.Regions, r => r.RegionId == wall.Id && r.PourMl.Value > 0);
        }
    }

    [Theory]
    [InlineData(3.4, PoolState.Holds)]
    [InlineData(3.6, PoolState.NearlyFull)]
    [InlineData(4.1, PoolState.AboveBrim)]
    [InlineData(5.1, PoolState.RunsOver)]
    public void A_ring_of_putty_round_a_hundred_square_centimetres_holds_thirty_five_forty_and_fifty(double deep, PoolState state)
    {
        // Four millimetres high and six wide: so far from the middle of the bead to what it closes in.
        var inside = Math.Sqrt(10_000 / Math.PI);
        var piece = Made(Laid(LayoutKind.Flood), SetField.To("layers[l1].depthMm", deep),
            new LayLine("l1", null, new RingCourse(150, 100, 2 * inside + 6), LineOf.Wall, WidthMm: 6),
            SetField.To("lines[wall-1].material.class", "putty"), SetField.To("lines[wall-1].section.heightMm", 4));
        var plan = Plan(piece);
        Assert.Equal(2, plan.Layers[0].Holds.Length);
        var hold = plan.Layers[0].Holds.MinBy(h => h.Brim.Value)!;
        Assert.Equal([35, 40, 50], new[] { hold.Room, hold.Brim, hold.Over }.Select(v => v.Value), (a, b) => Math.Abs(a - b) < 0.1);
        Assert.Equal(10 * deep, hold.Gets.Value, 0.1);
        Assert.Equal(state, hold.State);
        var told = plan.Findings.Where(f => f.Key.StartsWith("overfill@l1/", StringComparison.Ordinal)).ToList();
        Assert.Equal(state != PoolState.Holds, told.Count > 0);
        foreach (var finding in told)
        {
            Assert.NotEmpty(finding.Remedies);
            Assert.DoesNotContain(Plan(Made(piece, [.. finding.Remedies[0].Edits])).Findings, f => f.Key == finding.Key);
        }
    }

    [Fact]
    public void What_walls_close_in_gets_its_share_of_each_region_and_all_that_is_poured_lies_somewhere()
    {
        var piece = Made(Rings(), new LayLine("l1", null, Across, LineOf.Wall, WidthMm: 6),
            SetField.To("lines[wall-1].material.class", "putty"), SetField.To("lines[wall-1].section.heightMm", 5));
        var plan = Plan(piece).Layers[0];
        Assert.Equal(2, plan.Holds.Length);
        Assert.All(plan.Holds, h => Assert.NotEmpty(h.With));
        Assert.Equal(plan.RegionMl.Values.Sum(), plan.Holds.Sum(h => h.Gets.Value), 0.02 * plan.RegionMl.Values.Sum());
        Assert.Contains(" and ", plan.NameOf(plan.Holds[0]), StringComparison.Ordinal);
    }

    [Fact]
    public void Parts_of_one_region_are_told_apart_each_by_a_spot_in_it()
    {
        var piece = Made(Laid(LayoutKind.Flood), SetField.To("layers[l1].depthMm", 6),
            new LayLine("l1", null, new DrawnCourse([new(0, 60), new(300, 60)]), LineOf.Wall),
            new LayLine("l1", null, new DrawnCourse([new(0, 140), new(300, 140)]), LineOf.Wall));
        piece = Made(piece, [.. piece.Lines!.Value.SelectMany(l => new[]
        {
            SetField.To(l.Place + ".material.class", "putty"), SetField.To(l.Place + ".section.heightMm", 4),
        })]);
        var plan = Plan(piece);
        Assert.Equal(3, plan.Layers[0].Holds.Select(h => h.Key).Distinct().Count());
        Assert.Single(plan.Layers[0].Holds.Select(h => h.RegionId).Distinct());
        Assert.Equal(["above", "below", "between"],
            plan.Layers[0].Holds.Select(h => h.At!.YMm switch { < 60 => "above", < 140 => "between", _ => "below" }).Order());
        Assert.Equal(3, plan.Findings.Count(f => f.Key.StartsWith("overfill@l1/", StringComparison.Ordinal)));
        Assert.Equal(plan.Findings.Length, plan.Findings.Select(f => f.Key).Distinct().Count());
    }

    [Fact]
    public void Neighbours_with_a_wall_all_along_between_them_do_not_touch_and_a_line_may_lie_on_it()
    {
        var border = new BorderCourse(R("b1"), R("b2"));
        var gold = Made(Rings(), new LayLine("l1", null, border, LineOf.Resin, "c1"));
        var walled = Made(Rings(), new LayLine("l1", null, border, LineOf.Wall), new LayLine("l1", null, border, LineOf.Resin, "c1"));
        bool Touch(Piece piece) => Plan(piece).Layers[0].Borders.Any(b => border.IsBetween(b.First, b.Second));
        Assert.True(Touch(gold));
        Assert.False(Touch(walled));
        Assert.True(Touch(Made(Rings(), new LayLine("l1", null, border with { To = 0.5 }, LineOf.Wall))));
        Assert.Equal(Plan(gold).Layers[0].Lines.Single().Length.Value,
            Plan(walled).Layers[0].Lines.Single(l => l.LineId == "line-1").Length.Value, 1e-9);
    }

    [Fact]
    public void A_wall_that_closes_nothing_in_holds_nothing_and_one_that_stops_short_is_told_and_drawn_on()
    {
        var open = Made(Rings(), new LayLine("l1", null, new DrawnCourse([new(40, 90), new(260, 90)]), LineOf.Wall),
            SetField.To("lines[wall-1].material.class", "putty"), SetField.To("lines[wall-1].section.heightMm", 5));
        Assert.Empty(Plan(open).Layers[0].Holds);
        var answer = WallsAnswer.Of(open, Plan(open), "l1", DateTimeZone.Utc, Instant.FromUtc(2026, 5, 4, 10, 0));
        Assert.Equal(WallsState.NoWalls, answer.State);
        Assert.Contains("close nothing in", answer.Says, StringComparison.Ordinal);

        var near = Made(Rings(), new LayLine("l1", null, new DrawnCourse([new(0, 90), new(288, 90)]), LineOf.Wall));
        var miss = Plan(near).Findings.Single(f => f.Key == "near-miss@l1/wall-1/end");
        var joined = Made(near, [.. miss.Remedies[0].Edits]);
        Assert.DoesNotContain(Plan(joined).Findings, f => f.Key == miss.Key);
        Assert.Equal(2, new LayerMapper().Map(joined, joined.Filled[0]) is LinedMap lined ? lined.Compartments.Length : 0);
    }

    [Fact]
    public void Between_pools_a_wall_is_drawn_by_hand_and_a_height_regrows_nothing()
    {
        Assert.NotNull(Editing.Checked(Laid(LayoutKind.Pools), [new LayLine("l1", null, new RingCourse(150, 100, 90), LineOf.Wall)],
            AnyEdit.Cupboard).Refusal);
        var piece = Made(Rings(), new LayLine("l1", null, Across, LineOf.Wall));
        var mapper = new LayerMapper();
        var map = mapper.Map(piece, piece.Filled[0]);
        var higher = Made(piece, SetField.To("lines[wall-1].section.heightMm", 7));
        Assert.Same(map, mapper.Map(higher, higher.Filled[0]));
        var swelling = Made(piece, SetField.To("lines[wall-1].section.swell", 0.8));
        Assert.NotEqual(map.Area(R("wall")), mapper.Map(swelling, swelling.Filled[0]).Area(R("wall")), 1e-3);
    }

    [Fact]
    public void A_wall_is_painted_over_what_it_parts_and_can_be_pointed_at()
    {
        var piece = Made(Rings(), new LayLine("l1", null, Across, LineOf.Wall, WidthMm: 6),
            SetField.To("lines[wall-1].material.class", "putty"));
        var full = Planner.Paint(piece, null, PaintDetail.Full);
        Assert.Contains(full.Paths, p => p.Role == PaintRole.Wall && p.Region == R("wall"));
        var draft = Planner.Paint(piece, null, PaintDetail.Draft);
        Assert.Contains(draft.Paths, p => p.Role == PaintRole.Wall && p.StrokeMm == 6);
        Assert.Equal(R("wall"), new LayerMapper().Map(piece, piece.Filled[0]).RegionAt(150, 110));
    }
}
