using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>From the jug to every cup.</summary>
public class BatchTests
{
    /// <summary>The cups of a layer of eight colours, in the order of their first pour, each with its regions.</summary>
    private static readonly (string Id, double Ml, ColourantClass Colourant, int Regions)[] EightColours =
    [
        ("amber", 27, ColourantClass.Dye, 1), ("honey", 11, ColourantClass.Mica, 1),
        ("bone", 36, ColourantClass.Paste, 3), ("umber", 28, ColourantClass.Paste, 1),
        ("gilt", 16, ColourantClass.MetallicPaste, 2), ("moss", 214, ColourantClass.Mica, 2),
        ("lichen", 82, ColourantClass.Mica, 1), ("smoke", 408, ColourantClass.Mica, 1),
    ];

    private static BatchingOf In(double roomC = 22, string resin = "coating", MeasuringTools? tools = null,
        Measure measure = Measure.ByVolume) =>
        new(new(Samples.Layer(null, 10) with { Resin = new(resin), Tools = tools, Measure = measure },
            Surroundings.Usual(DateTimeZone.Utc)), RoomCurve.Constant(roomC), null);

    private static List<BatchCup> Cups(IEnumerable<(string Id, double Ml, ColourantClass Colourant, int Regions)> cups) =>
    [
        .. cups.Select(c => new BatchCup(
            c.Id, c.Ml, c.Ml, Pace.Colouring(Recipe.Plain(c.Id, c.Id, "#445566", c.Colourant, 3)),
            c.Regions * Pace.RegionSeconds + c.Ml / Pace.PourMlPerS)),
    ];

    private static List<BatchTiming> Best(BatchingOf on, List<BatchCup> cups, double jugMl) =>
        Proposing.Best([.. cups.Select(c => (IReadOnlyList<BatchCup>)[c])], c => new(on, c, jugMl));

    [Fact]
    public void Eight_colours_are_two_batches_from_a_usual_jug_and_one_from_a_large_one()
    {
        var cups = Cups(EightColours);
        var usual = Best(In(), cups, 500);
        Assert.Equal([424, 408], usual.Select(b => b.MixMl));
        Assert.Equal(["smoke"], usual[1].Cups.Select(c => c.CupId));
        Assert.Equal(414, usual[0].CupsMl);
        Assert.Equal(0, usual[1].LossMl);

        var large = Assert.Single(Best(In(), cups, 1000));
        Assert.Equal(840, large.MixMl);
        Assert.Equal(14.9, large.DividedMinutes, 0.05);
        Assert.Equal(30, large.PouredMinutes[^1], 1.0);
        Assert.Equal(11, large.LeastInHand, 1.0);

        // Left standing.
        var standing = CureModel.Of(45, 22).Cup(In().Tools.MassG(840), 22);
        Assert.Equal(55, standing.GelMinutes!.Value, 1.0);
        Assert.Equal(130, standing.PeakC, 1.5);
    }

    [Fact]
    public void The_state_of_a_jug_goes_with_what_is_poured_off_it()
    {
        var on = In();
        var jug = on.Until(new(0, 0, 22), CuringBody.Cup(452), 60 * 14.5);
        Assert.Equal(27.0, jug.Celsius, 0.3);
        Assert.Equal(28.9, on.Until(jug, CuringBody.Cup(29), 60 * 24.3).Celsius, 0.3);
        Assert.Equal(32.0, on.Until(jug, CuringBody.Cup(228), 60 * 27.6).Celsius, 0.3);
    }

    [Fact]
    public void Fresh_resin_joins_a_batch_that_still_runs_and_the_mixture_has_its_own_clock()
    {
        var on = In();
        var old = on.Until(new(0, 0, 22), CuringBody.Cup(300), 60 * 20);
        Assert.Equal((0.0624, 28.9), (Math.Round(old.Degree, 4), Math.Round(old.Celsius, 1)));
        var joined = old.Joined(300, new(0, 0, 22), 100);
        Assert.Equal((0.0468, 27.2), (Math.Round(joined.Degree, 4), Math.Round(joined.Celsius, 1)));
        Assert.Equal(46.1, on.WorkingEnd(joined, CuringBody.Cup(400)), 0.3);
    }

    [Theory]
    [InlineData(200, 4)]
    [InlineData(400, 5)]
    [InlineData(840, 7.2)]
    [InlineData(20, 4)]
    public void Mixing_takes_four_minutes_and_one_more_for_each_200_ml_over_200(double ml, double minutes) =>
        Assert.Equal(minutes, Pace.Mixing(ml), 1e-9);

    [Fact]
    public void Powder_takes_longer_to_stir_in_and_clear_takes_no_time()
    {
        Assert.Equal((0, 60, 90, 90, 90), (
            Pace.Colouring(Recipe.Clear("c")), Pace.Colouring(Samples.Cup("p")), Pace.Colouring(Samples.Cup("m", ColourantClass.Mica)),
            Pace.Colouring(Samples.Cup("i", ColourantClass.Interference)), Pace.Colouring(Samples.Cup("g", ColourantClass.Glitter))));
        Assert.Equal(90, Pace.Colouring(Samples.Cup("two") with { Doses = [new(ColourantClass.Paste, 2), new(ColourantClass.Mica, 1)] }));
        Assert.Equal(20, Pace.Pouring(40));
    }

    [Fact]
    public void What_cannot_be_one_batch_is_told_from_both_sides()
    {
        var cups = Cups(EightColours[..7]);
        Assert.Equal(Unfit.None, new BatchTiming(In(), cups, 424).Fits);
        Assert.Equal(Unfit.Jug, new BatchTiming(In(), cups, 423.9).Fits);

        // The smaller part of 1 : 1 is 20 ml at 40 ml, in cups of 1 ml; on a scale of 0.1 g 2 g are enough.
        Assert.Equal(Unfit.None, new BatchTiming(In(), Cups([("a", 40, ColourantClass.Paste, 1)]), 500).Fits);
        Assert.Equal(Unfit.TooLittle, new BatchTiming(In(), Cups([("a", 38, ColourantClass.Paste, 1)]), 500).Fits);
        Assert.Equal(Unfit.None, new BatchTiming(In(measure: Measure.ByWeight), Cups([("a", 38, ColourantClass.Paste, 1)]), 500).Fits);

        // So many cups that the last is poured when five minutes are left, and one with less.
        BatchTiming Poured(double seconds) => new(In(), [new("a", 150, 150, 60, 60), new("b", 150, 150, 60, seconds)], 500);
        var room = 60 * (Poured(60).LeastInHand - BatchTiming.InHandMinutes);
        Assert.Equal(Unfit.None, Poured(60 + room - 3).Fits);
        Assert.Equal(Unfit.LateCup, Poured(60 + room + 3).Fits);
    }

    [Fact]
    public void A_jug_that_is_too_hot_or_too_late_when_it_is_divided_is_no_batch()
    {
        // Many cups take long to divide; a warm room makes a large jug run away.
        BatchTiming Many(int count, double roomC) =>
            new(In(roomC),
                [.. Enumerable.Range(0, count).Select(i => new BatchCup($"c{i}", 3000.0 / count, 3000.0 / count, 0, 0))], 20_000);
        Assert.True(Many(40, 28).Divided.Celsius > BatchTiming.HottestC);
        Assert.Equal(Unfit.SetJug, Many(40, 28).Fits);
        Assert.Equal(Unfit.HotJug, Many(8, 28).Fits);
        var late = new BatchTiming(In(10), [.. Enumerable.Range(0, 400).Select(i => new BatchCup($"c{i}", 1, 1, 0, 0))], 20_000);
        Assert.Equal(Unfit.LateJug, late.Fits);
        var hot = new BatchTiming(In(28), [new("a", 400, 400, 0, 60 * 16), new("b", 20, 20, 0, 0)], 20_000);
        Assert.Equal(Unfit.HotCup, hot.Fits);
    }

    /// <summary>What is proposed is as good as the best of all ways of cutting the cups.</summary>
    [Fact]
    public void No_other_way_of_cutting_the_cups_is_better()
    {
        var cup =
            from ml in Gen.OneOf(Gen.Int[3, 60], Gen.Int[40, 400])
            from colour in Gen.OneOf(Gen.Const(ColourantClass.Paste), Gen.Const(ColourantClass.Mica))
            from regions in Gen.Int[1, 4]
            select (Ml: (double)ml, Colour: colour, Regions: regions);
        (from cups in cup.List[1, 9]
         from jug in Gen.OneOf(Gen.Const(60.0), Gen.Const(200.0), Gen.Const(500.0), Gen.Const(1000.0), Gen.Const(3000.0))
         from room in Gen.Int[16, 30]
         from resin in Gen.OneOf(Gen.Const("coating"), Gen.Const("casting"), Gen.Const("thick"))
         select (cups, jug, room, resin)).Sample(
            s =>
            {
                var on = In(s.room, s.resin);
                var cups = Cups(s.cups.Select((c, i) => ($"c{i}", c.Ml, c.Colour, c.Regions)));
                var found = Best(on, cups, s.jug).Aggregate(Worth.Nothing, (w, b) => w.And(b));
                var best = Ways(cups).Select(way => way.Select(c => new BatchTiming(on, c, s.jug)).ToList())
                    .Where(way => way.All(b => b.CanBe || b.Cups.Count == 1))
                        .Select(way => way.Aggregate(Worth.Nothing, (w, b) => w.And(b))).Min();
                Assert.Equal(best, found);
            },
            iter: 60);
    }

    private static IEnumerable<List<List<BatchCup>>> Ways(List<BatchCup> cups)
    {
        for (var cuts = 0; cuts < 1 << (cups.Count - 1); cuts++)
        {
            List<List<BatchCup>> way = [[cups[0]]];
            for (var i = 1; i < cups.Count; i++)
            {
                if ((cuts >> (i - 1) & 1) == 1)
                {
                    way.Add([]);
                }

                way[^1].Add(cups[i]);
            }

            yield return way;
        }
    }

    private static SittingPlan Sitting(Piece piece, int at = 0) =>
        new Planning.PiecePlanner(new Map.LayerMapper()).Plan(piece, [], DateTimeZone.Utc).Sittings[at];

    private static Piece Rings(params double[] widths)
    {
        var layer = Samples.Layer(Samples.Heart(150, 100), widths);
        return Samples.Piece(Samples.Panel(300, 200), layer.WithBands([.. layer.Bands[..^1], layer.Bands[^1] with { FillsRest = true }]));
    }

    [Fact]
    public void A_batch_is_the_sum_of_its_cups_and_what_stays_in_the_jug_and_only_a_cup_by_itself_is_measured()
    {
        var plan = Sitting(Rings(10, 10, 30, 20));
        var batch = Assert.Single(plan.Batches.All);
        var cups = plan.Cups.Cups.Where(c => c.MixMl.Value > 0).ToList();
        Assert.True(cups.Count > 2);
        Assert.Equal(cups.Sum(c => c.MixMl.Value), batch.MixMl.Inputs.Single(i => i.Name == "cups").Value);
        Assert.Equal(1.5 + 0.02 * cups.Sum(c => c.MixMl.Value), batch.JugLossMl, 1e-9);
        Assert.Equal(batch.MixMl.Value, batch.Measured.ResinMl.Value + batch.Measured.HardenerMl.Value, 1e-9);
        Assert.All(cups, c => Assert.Null(c.Measured));
        Assert.All(cups, c => Assert.Equal(c.MixMl.Value, Math.Round(c.MixMl.Value)));
        Assert.True(plan.Batches.Proposed);
        Assert.Empty(plan.Batches.Why);
        Assert.Equal(plan.Batches.All.Sum(b => b.MixMl.Value), plan.Batches.TotalMl.Value);
    }

    [Fact]
    public void Cups_that_the_artist_puts_into_jugs_stay_there_and_a_new_colour_gets_one_that_is_proposed()
    {
        var piece = Rings(10, 10, 30, 20);
        var ids = Sitting(piece).Batches.All[0].CupIds;
        var each = piece
            with
        { Sittings = [piece.Sittings[0] with { Batches = [.. ids.Skip(1).Select(id => new Batch($"own-{id}", [id]))] }] };
        Assert.Empty(new PieceValidator().Validate(each).Errors);
        var plan = Sitting(each);
        Assert.False(plan.Batches.Proposed);
        Assert.Equal(ids, plan.Batches.All.SelectMany(b => b.CupIds));
        Assert.Equal(ids.Length, plan.Batches.All.Length);
        Assert.Equal(ids.Length, plan.Batches.All.Select(b => b.Id).Distinct().Count());
        Assert.All(plan.Cups.Cups.Where(c => c.MixMl.Value > 0), c => Assert.NotNull(c.Measured));

        // One after the other, each begun when the one before has been poured.
        Assert.Equal(0, plan.Batches.All[0].StartMinutes.Value);
        Assert.Equal(plan.Batches.All[0].Cups[^1].PouredMinutes.Value, plan.Batches.All[1].StartMinutes.Value);
        Assert.Null(plan.Batches.All[0].LatestMinutes);
        Assert.All(plan.Batches.All.Skip(1), b => Assert.NotNull(b.LatestMinutes));
    }

    [Fact]
    public void A_jug_that_is_too_small_says_so_with_what_it_holds()
    {
        var piece = Rings(10, 10, 30, 20);
        var all = Sitting(piece).Batches.All[0];
        var small = piece with { Sittings = [piece.Sittings[0] with { Batches = [new("one", all.CupIds, 50)] }] };
        var problem = Assert.Single(Sitting(small).Batches.All[0].Problems);
        Assert.Equal([all.MixMl.Value, 50], problem.Numbers.Select(n => n.Value));
        var split = Sitting(piece
            with
        { Sittings = [piece.Sittings[0] with { Tools = new(JugMl: Math.Floor(all.MixMl.Value) - 1) }] }).Batches;
        Assert.True(split.All.Length > 1);
        Assert.Equal(split.All.Length - 1, split.Why.Length);
        Assert.All(split.Why, w => Assert.Contains("{0}", w.Words, StringComparison.Ordinal));
    }

    [Fact]
    public void The_cups_that_one_is_mixed_from_are_poured_off_one_jug()
    {
        var layer = LayoutTests.Layer(new MarbleLayout("moss", "mix", 40, 0.3, 0, 3)) with { DepthMm = 3 };
        layer = layer with { Recipes = layer.Recipes.Add(new("mix", "mix", "#aabbcc", [], [new("bone", 2), new("smoke", 1)])) };
        var piece = Samples.Piece(Samples.Panel(600, 400), layer);
        var plan = Sitting(piece);
        var from = plan.Batches.All.Where(b => b.CupIds.Contains("bone") || b.CupIds.Contains("smoke")).ToList();
        Assert.Single(from);
        Assert.DoesNotContain(plan.Batches.All, b => b.CupIds.Contains("mix"));
        Assert.Equal(plan.Cups.TotalMl.Value, plan.Batches.All.Sum(b => b.MixMl.Value), 0.04 * plan.Cups.TotalMl.Value);
    }

    [Theory]
    [InlineData("a batch without cups", "at least one cup")]
    [InlineData("a cup twice", "each of its cups once")]
    [InlineData("a mixed cup", "not filled from others")]
    [InlineData("a cup of another piece", "not filled from others")]
    [InlineData("a jug of nothing", "Jug must be from 20 to 20000 ml")]
    [InlineData("two of an id", "id of its own")]
    public void Batches_that_cannot_be_are_refused_in_words(string what, string sentence)
    {
        var piece = Rings(10, 10, 30, 20);
        piece = piece with
        {
            Recipes = piece.Recipes
            .Add(new("mix", "mix", "#aabbcc", [], [new(piece.Recipes[0].Id, 2), new(piece.Recipes[1].Id, 1)]))
        };
        var id = piece.Recipes[0].Id;
        ImmutableArray<Batch> batches = what switch
        {
            "a batch without cups" => [new("a", [])],
            "a cup twice" => [new("a", [id, id])],
            "a mixed cup" => [new("a", ["mix"])],
            "a cup of another piece" => [new("a", ["nowhere"])],
            "a jug of nothing" => [new("a", [id], 0)],
            _ => [new("a", [id]), new("a", [piece.Recipes[1].Id])],
        };
        var errors = new PieceValidator().Validate(piece with { Sittings = [piece.Sittings[0] with { Batches = batches }] }).Errors;
        Assert.Contains(errors, e => e.ErrorMessage.Contains(sentence, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(5, false)]
    [InlineData(4.99, true)]
    public void A_cup_with_less_in_hand_than_a_proposed_batch_leaves_is_short(double minutes, bool isShort)
    {
        var any = Reckoned.Of(minutes, "min", Formulas.InHand);
        Assert.Equal(isShort, new CupClock("moss", any, any, any, any, 100).Short);
    }
}
