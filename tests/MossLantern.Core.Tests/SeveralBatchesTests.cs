using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>One colour from several batches: where no jug holds it, or its own heat forbids it.</summary>
public class SeveralBatchesTests
{
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);

    private static SittingPlan Plan(Piece piece) => new PiecePlanner(new LayerMapper()).Plan(piece, [], Around).Sittings[0];

    /// <summary>A coat of one colour over a panel, of so many ml.</summary>
    private static Piece Coat(double ml, double jugMl = 500, double roomC = 22, double depthMm = 3, Measure measure = Measure.ByVolume)
    {
        var side = Math.Sqrt(1000 * ml / depthMm);
        var piece = Samples.Piece(Samples.Panel(side, side), LayoutTests.Layer(new FloodLayout("moss")) with { DepthMm = depthMm });
        return With(piece, s => s with { Tools = new(JugMl: jugMl), RoomC = roomC, ReservePercent = 0, Measure = measure });
    }

    private static Piece With(Piece piece, Func<Sitting, Sitting> change) =>
        piece with { Sittings = [change(piece.Sittings[0]), .. piece.Sittings.Skip(1)] };

    private static CupVolume Cup(SittingPlan plan, string id = "moss") => plan.Cups.Cups.Single(c => c.CupId == id);

    /// <summary>900 ml, 1 : 1, 1 ml steps, a jug of 500: two of 450 + 1.5 + 2 % of 450, each in whole steps of both parts.</summary>
    [Fact]
    public void Nine_hundred_ml_from_a_jug_of_500_are_two_mixes_of_one_region_one_depth_and_one_colour()
    {
        var plan = Plan(Coat(900));
        var cup = Cup(plan);
        Assert.Equal([462, 462], plan.Batches.All.Select(b => b.MixMl.Value));
        Assert.Equal([462, 462], cup.Mixes.Select(m => m.MixMl.Value));
        Assert.Equal([50, 50], plan.Batches.All.Select(b => b.Cups[0].Percent));
        Assert.Equal((924, 924), (cup.MixMl.Value, plan.Batches.TotalMl.Value));
        Assert.Equal(2 * 1.5 + 0.02 * 900, cup.Loss.Value, 1e-9);
        Assert.All(plan.Batches.All, b => Assert.Equal((231, 231), (b.Measured.ResinMl.Value, b.Measured.HardenerMl.Value)));
        Assert.Empty(plan.Batches.All.SelectMany(b => b.Problems));
        Assert.Equal(cup.Doses.All[0].G!.Value, cup.Mixes.Sum(m => m.Doses.All[0].G!.Value), 1e-9);

        // One pour, to all of its depth.
        Assert.Equal(900, Assert.Single(plan.Pours).PourMl.Value, 1e-6);
        Assert.Equal(900, plan.Cups.Regions.Single().LayerMl.Value, 1e-6);

        // The second is begun when the first is poured; hands come back to the region with it.
        var (first, second) = (plan.Batches.All[0], plan.Batches.All[1]);
        Assert.Equal(first.Cups[0].PouredMinutes.Value, second.StartMinutes.Value, 1e-9);
        var pouring = (900 / Pace.PourMlPerS + 2 * Pace.RegionSeconds) / 60;
        Assert.Equal(pouring, plan.Batches.EndMinutes.Input("pouring").Value, 1e-9);
        Assert.Equal(plan.Batches.EndMinutes.Value, second.StartMinutes.Value + second.Cups[0].PouredMinutes.Value, 1e-9);
        Assert.True(second.LatestMinutes!.Value > second.StartMinutes.Value + 20);
        Assert.Contains("would be {0} together, and the jug holds {1}", Assert.Single(plan.Batches.Why).Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_jug_that_just_holds_it_takes_all_of_it()
    {
        var all = Cup(Plan(Coat(460, 600))).MixMl.Value;
        Assert.Empty(Cup(Plan(Coat(460, all))).Mixes);
        Assert.Equal(2, Cup(Plan(Coat(460, all - 0.1))).Mixes.Length);
    }

    /// <summary>A flood of 6 l: from larger jugs its heat asks for three, from smaller ones the jug for more.</summary>
    [Theory]
    [InlineData(6500, 22, 3)]
    [InlineData(3100, 22, 3)]
    [InlineData(1600, 22, 4)]
    [InlineData(500, 22, 13)]
    public void A_flood_of_six_litres_takes_as_few_mixes_as_its_jug_and_its_heat_allow(double jugMl, double roomC, int mixes)
    {
        var plan = Plan(Coat(6000, jugMl, roomC));
        Assert.Equal(mixes, plan.Batches.All.Length);
        Assert.All(plan.Batches.All, b => Assert.True(b.MixMl.Value <= jugMl));
        Assert.All(plan.Batches.All.SelectMany(b => b.Cups), c => Assert.True(c.Celsius.Value < BatchTiming.HottestC));
        Assert.All(plan.Batches.All.SelectMany(b => b.Cups), c => Assert.False(c.Short));
    }

    [Fact]
    public void Heat_forbids_a_jug_that_holds_it()
    {
        Assert.Single(Plan(Coat(1500, 3000, 18)).Batches.All);
        var warm = Plan(Coat(1500, 3000, 32));
        Assert.True(warm.Batches.All.Length > 1);
        Assert.All(warm.Batches.All.SelectMany(b => b.Cups), c => Assert.True(c.Celsius.Value < BatchTiming.HottestC));
    }

    /// <summary>What comes later joins what lies there: the mean of degree and temperature, by mass.</summary>
    [Fact]
    public void The_film_is_the_mean_of_its_mixes()
    {
        var plan = Plan(Coat(900));
        var on = new BatchingOf(new(Samples.Layer(null, 10) with { Resin = new("coating") }, Around), RoomCurve.Constant(22), null);
        var (first, second) = (plan.Batches.All[0], plan.Batches.All[1]);
        CureState Poured(BatchPlan b)
        {
            var mass = on.Tools.MassG(b.MixMl.Value);
            var body = CuringBody.Cup(mass, on.Model.CupLoss);
            return on.Until(on.Until(new(0, 0, 22), body, 60 * b.DividedMinutes.Value), body, 60 * b.Cups[0].PouredMinutes.Value);
        }

        var lies = on.Until(Poured(first), CuringBody.Film(1.5), 60 * plan.Batches.EndMinutes.Value);
        var film = lies.Joined(450, Poured(second), 450);
        Assert.Equal((lies.Degree + Poured(second).Degree) / 2, film.Degree, 1e-12);
        while (film.Degree < CureModel.GelDegree)
        {
            film = on.Model.Next(film, CuringBody.Film(3), 22);
        }

        Assert.Equal(film.Seconds / 60, plan.Batches.GelMinutes!.Value, 0.5);
    }

    /// <summary>A mix that comes after what lies there keeps its edge is told, and one that comes before is not.</summary>
    [Fact]
    public void A_mix_that_comes_too_late_is_told_from_either_side()
    {
        bool Late(double roomC) => Plan(Coat(4200, 500, roomC)).Batches.All.SelectMany(b => b.Problems)
            .Any(p => p.Words.Contains("keeps its edge", StringComparison.Ordinal));
        Assert.False(Late(14));
        Assert.True(Late(30));
        var (from, to) = (14.0, 30.0);
        while (to - from > 0.01)
        {
            (from, to) = Late((from + to) / 2) ? (from, (from + to) / 2) : ((from + to) / 2, to);
        }

        var late = Plan(Coat(4200, 500, to)).Batches.All.Single(b => b.Problems.Any(p => p.Words.Contains("keeps its edge")));
        Assert.InRange(late.Problems.Single(p => p.Words.Contains("keeps its edge")).Numbers[0].Value, 0, 1);
        Assert.True(late.LatestMinutes!.Value < late.StartMinutes.Value + 0.5);
    }

    private static Piece Shared(params Batch[] batches) => With(Coat(900), s => s with { Batches = [.. batches] });

    [Fact]
    public void Mixes_are_arranged_like_other_batches_each_with_its_own_share_and_jug()
    {
        var plan = Plan(Shared(new("large", ["moss"], 700, [new("moss", 70)]), new("small", ["moss"], 300, [new("moss", 30)])));
        Assert.False(plan.Batches.Proposed);
        Assert.Equal(["large", "small"], plan.Batches.All.Select(b => b.Id));
        Assert.Empty(plan.Batches.All.SelectMany(b => b.Problems));
        Assert.Equal([70, 30], Cup(plan).Mixes.Select(m => m.Percent));
        Assert.Equal(MeasuringSteps.Up(630 + 1.5 + 12.6, 2), plan.Batches.All[0].MixMl.Value);
        Assert.Equal(MeasuringSteps.Up(270 + 1.5 + 5.4, 2), plan.Batches.All[1].MixMl.Value);

        // Of the pour the first makes 70 %.
        Assert.Equal(0.7 * Pace.Pouring(900),
            60 * (plan.Batches.All[0].Cups[0].PouredMinutes.Value - plan.Batches.All[0].DividedMinutes.Value)
                - Pace.Colouring(Coat(900).Recipes.Single(r => r.Id == "moss")), 1e-6);
    }

    [Fact]
    public void Each_mix_is_weighed_by_itself_and_stands_on_the_sheet()
    {
        var piece = Coat(900, measure: Measure.ByWeight);
        var plan = Plan(piece);
        var weighing = Weighing.Of(piece, plan, Around, new Dictionary<string, double>());
        Assert.Equal([WeighedPart.Resin, WeighedPart.Hardener, WeighedPart.Colourant, WeighedPart.Resin, WeighedPart.Hardener,
            WeighedPart.Colourant], weighing.Steps.Select(s => s.Part));
        Assert.Equal(6, weighing.Steps.Select(s => s.Id).Distinct().Count());
        Assert.Equal(["mix 1 of moss", "mix 2 of moss"], weighing.Steps.Select(s => s.Into).Distinct());
        Assert.Equal(plan.Cups.Cups.Sum(c => c.MixG.Value),
            weighing.Steps.Where(s => s.Part != WeighedPart.Colourant).Sum(s => s.Target.Value), 1e-6);
        Assert.Equal(Cup(plan).Doses.All[0].G!.Value,
            weighing.Steps.Where(s => s.Part == WeighedPart.Colourant).Sum(s => s.Target.Value), 1e-6);
        var sheet = MixingSheet.Of(piece, plan, [], null, Around);
        Assert.Equal(["moss, 1 of 2", "moss, 2 of 2"], sheet.Batches.SelectMany(b => b.Cups).Select(c => c.Name));
        Assert.Equal(Cup(plan).MixMl.Value, sheet.Batches.SelectMany(b => b.Cups).Sum(c => c.Ml), 1e-9);
    }

    [Theory]
    [InlineData(50.0, 50.0, null)]
    [InlineData(50.0, 50.009, null)]
    [InlineData(50.0, 50.02, "add up to 100 %")]
    [InlineData(99.0, 1.0, null)]
    [InlineData(99.5, 0.5, "Share of a batch in a cup must be from 1 to 99 %.")]
    [InlineData(50.0, null, "each names its share")]
    [InlineData(null, null, "each names its share")]
    public void Shares_that_are_not_all_of_a_cup_are_refused_in_words(double? first, double? second, string? says)
    {
        Batch Of(string id, double? percent) => new(id, ["moss"], null, percent is { } p ? [new("moss", p)] : null);
        var errors = new PieceValidator().Validate(Shared(Of("a", first), Of("b", second))).Errors.Select(e => e.ErrorMessage).ToList();
        if (says is null)
        {
            Assert.Empty(errors);
        }
        else
        {
            Assert.Contains(errors, e => e.Contains(says, StringComparison.Ordinal));
        }
    }

    [Fact]
    public void A_share_of_what_one_batch_fills_and_a_cup_that_others_are_filled_from_are_refused()
    {
        Assert.Contains(new PieceValidator().Validate(Shared(new Batch("a", ["moss"], null, [new("moss", 60)]))).Errors,
            e => e.ErrorMessage.Contains("a cup of one batch has no share", StringComparison.Ordinal));
        var mixed = Shared(new("a", ["moss"], null, [new("moss", 50)]), new("b", ["moss"], null, [new("moss", 50)]));
        mixed = mixed with { Recipes = mixed.Recipes.Add(new("fog", "fog", "#aabbcc", [], [new("moss", 1), new("bone", 1)])) };
        Assert.Contains(new PieceValidator().Validate(mixed).Errors,
            e => e.ErrorMessage == "A cup that others are filled from is filled from one batch.");

        // An edit that makes it so lets the first batch fill all of it.
        var mended = mixed.Mended();
        Assert.Equal(("a", null), (mended.Sittings[0].Batches!.Value.Single().Id, mended.Sittings[0].Batches!.Value.Single().Shares));
        Assert.Empty(new PieceValidator().Validate(mended).Errors);
    }

    [Fact]
    public void Nothing_is_proposed_apart_that_others_are_filled_from_and_what_is_kept_can_always_be_kept()
    {
        var piece = Coat(900);
        piece = piece with { Recipes = piece.Recipes.Add(new("fog", "fog", "#aabbcc", [], [new("moss", 1), new("bone", 1)])) };
        var plan = Plan(piece);
        Assert.Single(plan.Batches.All);
        Assert.NotEmpty(plan.Batches.All[0].Problems);
    }

    /// <summary>The walk is what hands do ml by ml: a batch is begun when the one before it is used up.</summary>
    [Fact]
    public void The_walk_with_shares_is_what_hands_do_step_by_step()
    {
        var on = new BatchingOf(new(Samples.Layer(null, 10) with { Resin = new("coating") }, Around), RoomCurve.Constant(22), null);
        (from shares in Gen.Double[1, 10].Array[2, 4]
         from pours in Gen.Select(Gen.Bool, Gen.Double[5, 60]).Array[1, 8]
         from copies in Gen.Int[1, 5]
         from copyByCopy in Gen.Bool
         select (shares, pours, copies, copyByCopy)).Sample(
            s =>
            {
                var percent = s.shares.Select(x => 100 * x / s.shares.Sum()).ToArray();
                var batches = percent.Select(p => new BatchTiming(on, [new("clear", p, p, 0, 30, p)], 5000))
                    .Append(new(on, [new("moss", 50, 50, 60, 30)], 5000)).ToList();
                var hands = new InTurn([.. s.pours.Select(p => new HandPour([p.Item1 ? "clear" : "moss"], p.Item1 ? "clear" : "moss",
                    p.Item2, Pace.Pouring(p.Item2) / 60))], s.copies, s.copyByCopy);
                var walk = new Walk(hands, batches);
                var all = s.copies * s.pours.Where(p => p.Item1).Sum(p => p.Item2);
                var (now, at, left) = (0.0, 0, all * percent[0] / 100);
                HashSet<int> begun = [];
                void Begin(int batch) => now += begun.Add(batch) ? batches[batch].ReadyMinutes : 0;
                foreach (var pour in s.copyByCopy ? Enumerable.Repeat(s.pours, s.copies).SelectMany(p => p)
                    : s.pours.Select(p => (p.Item1, s.copies * p.Item2)))
                {
                    var ml = pour.Item2;
                    var goes = s.copyByCopy ? 1 : s.copies;
                    Begin(pour.Item1 ? at : percent.Length);
                    now += goes * Pace.RegionSeconds / 60;
                    while (pour.Item1 && at < percent.Length - 1 && ml > left + 1e-6)
                    {
                        now += left / Pace.PourMlPerS / 60;
                        ml -= left;
                        at++;
                        left = all * percent[at] / 100;
                        Begin(at);
                        now += Pace.RegionSeconds / 60;
                    }

                    left -= pour.Item1 ? ml : 0;
                    now += ml / Pace.PourMlPerS / 60;
                }

                for (var b = 0; b < batches.Count; b++)
                {
                    Begin(b);
                }

                Assert.Equal(now, walk.EndMinutes, 1e-6);
                var used = walk.Joined.SelectMany(j => j.Streams).GroupBy(j => j.Batch).ToDictionary(g => g.Key, g => g.Sum(x => x.Ml));
                Assert.All(used, u => Assert.True(u.Value <= all * percent[u.Key] / 100 + 1e-6));
            },
            iter: 300);
    }

    /// <summary>Whatever the piece, the jug, the room and the copies: a cup that several batches fill is filled, no batch is more than its
    /// jug holds unless it says so, and everything is begun in its turn.</summary>
    [Fact]
    public void Whatever_is_poured_its_mixes_fill_it() =>
        (from kind in Gen.Int[0, 3]
         from size in Gen.Double[120, 900]
         from copies in Gen.Int[1, 6]
         from inTurn in Gen.Bool
         from jug in Gen.OneOf(Gen.Const(60.0), Gen.Const(150.0), Gen.Const(500.0), Gen.Const(2000.0))
         from depth in Gen.Double[1, 6]
         from room in Gen.Int[15, 32]
         from resin in Gen.OneOf(Gen.Const("coating"), Gen.Const("casting"), Gen.Const("thick"))
         from weigh in Gen.Bool
         from held in Gen.Bool
         select (kind, size, copies, inTurn, jug, depth, room, resin, weigh, held)).Sample(
            s =>
            {
                var layer = s.kind switch
                {
                    0 => LayoutTests.Layer(new FloodLayout("moss")),
                    1 => LayoutTests.Layer(LayoutTests.Fields(4, 3)),
                    2 => LayoutTests.Layer(new MarbleLayout("moss", "bone", 40, 0.3, 0, 3)),
                    _ => Samples.Layer(Samples.Heart(s.size / 3, s.size / 3, 40, 30), 12, 9, 0),
                };
                var ground = s.copies == 1 ? Samples.Panel(s.size, s.size * 0.7)
                    : new Ground(new OvalOutline(s.size / 2, s.size / 3), EdgeStyle.Walled, 9, "#ffffff",
                        new(PieceKind.Casting, BaseMaterial.Silicone),
                        Mould: new(9, CapacityFrom.Dimensions, null, s.copies, s.copies, 1));
                var piece = With(Samples.Piece(ground, layer with { DepthMm = s.depth, Resin = new(s.resin) }), x => x with
                {
                    CopiesInTurn = s.inTurn,
                    Tools = new(JugMl: s.jug),
                    RoomC = s.room,
                    Measure = s.weigh ? Measure.ByWeight : Measure.ByVolume,
                });
                piece = s.held ? With(piece, x => x with { CupChoices = [new(piece.Recipes[0].Id, 5, new("a corner", 12))] }) : piece;
                var plan = Plan(piece);
                foreach (var cup in plan.Cups.Cups.Where(c => c.MixMl.Value > 0 && c.Draws.IsEmpty))
                {
                    var from = plan.Batches.All.SelectMany(b => b.Cups.Select(c => (Batch: b, Cup: c)))
                        .Where(b => b.Cup.CupId == cup.CupId).ToList();
                    Assert.Equal(100, from.Sum(b => b.Cup.Percent), 1e-6);
                    Assert.Equal(from.Count == 1 ? [] : from.Select(b => b.Batch.Id), cup.Mixes.Select(m => m.BatchId));
                    Assert.True(cup.MixMl.Value >= cup.NeedMl + cup.Loss.Value - 1e-6);
                    Assert.True(cup.MixMl.Value <= (cup.NeedMl + cup.Loss.Value) * 1.03 + 45 * from.Count);
                    Assert.Equal(cup.MixMl.Value, from.Count == 1 ? cup.MixMl.Value : cup.Mixes.Sum(m => m.MixMl.Value), 1e-6);
                    Assert.Equal(from.Count * 1.5 + 0.02 * cup.NeedMl, cup.Loss.Value, 1e-6);
                }

                foreach (var batch in plan.Batches.All)
                {
                    Assert.True(batch.MixMl.Value <= s.jug || !batch.Problems.IsEmpty);
                    var cups = batch.CupIds.Select(id => plan.Cups.Cups.Single(c => c.CupId == id)).Sum(c =>
                        (c.MixIn(batch.Id)?.MixMl ?? c.MixMl).Value);
                    Assert.True(batch.MixMl.Value >= cups + batch.JugLossMl - 1e-6);
                    Assert.Equal(batch.CupIds.Length, batch.CupIds.Distinct().Count());
                }

                var begun = plan.Batches.All.Select(b => b.StartMinutes.Value).ToList();
                Assert.Equal(begun.Order(), begun);
                Assert.Equal(plan.Batches.TotalMl.Value, plan.Batches.All.Sum(b => b.MixMl.Value), 1e-6);

                // What is proposed can be kept, and is the same then.
                var kept = Editing.Checked(piece, [new ArrangeBatches(piece.Sittings[0].Id, [.. plan.Batches.All.Select(b => b.Kept())])],
                    AnyEdit.Cupboard).Piece!;
                Assert.Equal(plan.Batches.All.Select(b => (b.MixMl.Value, string.Join(',', b.CupIds))).Order(),
                    Plan(kept).Batches.All.Select(b => (b.MixMl.Value, string.Join(',', b.CupIds))).Order());
            },
            iter: 120);
}
