using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>One pair of hands walks through the pours as they are listed.</summary>
public class WalkTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly LocalDateTime Nine = new(2026, 5, 3, 9, 0);

    private static SittingPlan Plan(Piece piece) => Planner.Plan(piece, [], DateTimeZone.Utc).Sittings[0];

    private static Piece Rings(params double[] widths)
    {
        var layer = Samples.Layer(Samples.Heart(150, 100), widths);
        return Samples.Piece(Samples.Panel(300, 200), layer.WithBands([.. layer.Bands[..^1], layer.Bands[^1] with { FillsRest = true }]));
    }

    private static Piece With(Piece piece, Func<Sitting, Sitting> change) => piece with { Sittings = [change(piece.Sittings[0])] };

    /// <summary>Castings of rings from so many cavities, poured at once.</summary>
    private static Piece Castings(int copies, bool inTurn)
    {
        var layer = Samples.Layer(Samples.Heart(47, 47, 20, 18), 6, 5, 8);
        var piece = Samples.Piece(new(new RoundOutline(95), EdgeStyle.Walled, 9, "#ffffff",
            new(PieceKind.Casting, BaseMaterial.Silicone),
            Mould: new(9, CapacityFrom.Dimensions, null, copies, copies, 1)),
            layer.WithBands([.. layer.Bands[..^1], layer.Bands[^1] with { FillsRest = true }]));
        return With(piece, s => s with { CopiesInTurn = inTurn });
    }

    private static double Minutes(SittingPlan plan, PlannedPour pour) =>
        (plan.Copies * Pace.RegionSeconds + pour.PourMl.Value / Pace.PourMlPerS) / 60;

    private static double Ready(SittingPlan plan) => plan.Batches.EndMinutes.Input("mixing, standing, dividing and colouring").Value;

    /// <summary>48 pours of 10 s are 8 min, in either turn.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Twelve_castings_of_four_regions_take_eight_minutes_of_moving(bool inTurn)
    {
        var plan = Plan(Castings(12, inTurn));
        Assert.Equal((12, 4), (plan.Copies, plan.Pours.Length));
        var pouring = plan.Batches.EndMinutes.Input("pouring").Value;
        Assert.Equal(8, pouring - plan.Pours.Sum(p => p.PourMl.Value) / Pace.PourMlPerS / 60, 1e-9);
        Assert.Equal(plan.Batches.EndMinutes.Value, plan.Batches.PouredMinutes.Max(m => m.Value), 1e-9);
    }

    [Fact]
    public void Copy_by_copy_every_colour_waits_for_the_last_copy()
    {
        var (colours, copies) = (Plan(Castings(6, false)), Plan(Castings(6, true)));
        Assert.Equal(colours.Batches.EndMinutes.Value, copies.Batches.EndMinutes.Value, 1e-9);
        Assert.True(copies.Batches.PouredMinutes[0].Value > colours.Batches.PouredMinutes[0].Value + 1);
        var (sooner, later) = (colours.Batches.All[0].Cups[0], copies.Batches.All[0].Cups[0]);
        Assert.True(later.InHandMinutes.Value < sooner.InHandMinutes.Value - 1);
    }

    /// <summary>A colour that is poured first and last stands in its cup all the while.</summary>
    [Fact]
    public void A_colour_poured_early_and_late_has_the_time_in_hand_that_is_left_after_its_last_pour()
    {
        var once = Rings(10, 10, 10, 10, 20);
        var twice = Editing.Checked(once, [new PourFrom("l1", null, R("b5"), "bed")], AnyEdit.Cupboard).Piece!;
        var plan = Plan(With(twice, s => s with { Tools = new(JugMl: 5000) }));
        var bed = plan.Batches.All.SelectMany(b => b.Cups).Single(c => c.CupId == "bed");
        Assert.Equal("bed", plan.Pours[0].CupId);
        Assert.Equal("bed", plan.Pours[^1].CupId);
        Assert.Equal(plan.Batches.EndMinutes.Value, bed.PouredMinutes.Value, 1e-9);
        Assert.Equal(bed.WorkingMinutes.Value - bed.PouredMinutes.Value, bed.InHandMinutes.Value, 1e-9);
        Assert.Equal(Ready(plan) + plan.Pours.Sum(p => Minutes(plan, p)), plan.Batches.EndMinutes.Value, 1e-9);
    }

    [Fact]
    public void A_batch_is_begun_when_the_pour_listed_before_its_first_one_is_done()
    {
        var piece = Rings(10, 10, 30, 20);
        var ids = Plan(piece).Batches.All[0].CupIds;
        var plan = Plan(With(piece, s => s with { Batches = [.. ids.Select(id => new Batch($"own-{id}", [id]))] }));
        Assert.Equal(ids.Length, plan.Batches.All.Length);
        for (var i = 1; i < plan.Pours.Length; i++)
        {
            var batch = plan.Batches.All.Single(b => b.CupIds.Contains(plan.Pours[i].CupId));
            Assert.Equal(plan.Batches.PouredMinutes[i - 1].Value, batch.StartMinutes.Value, 1e-9);
            Assert.Equal(batch.StartMinutes.Value + batch.Cups[0].PouredMinutes.Value, plan.Batches.PouredMinutes[i].Value, 1e-9);
        }
    }

    [Fact]
    public void A_sitting_ends_when_its_pours_do_unless_its_end_is_typed()
    {
        var piece = With(Rings(10, 10, 30, 20), s => s with { Start = Nine });
        var plan = Plan(piece);
        Assert.Equal(plan.Batches.EndMinutes.Value, (plan.Span!.End - plan.Span.Start).TotalMinutes, 1e-6);
        var typed = Plan(With(piece, s => s with { End = Nine.PlusMinutes(70) }));
        Assert.Equal(70, (typed.Span!.End - typed.Span.Start).TotalMinutes, 1e-9);
    }

    /// <summary>The walk is what hands do step by step, however many copies there are.</summary>
    [Fact]
    public void The_walk_is_what_hands_do_step_by_step()
    {
        var on = new BatchingOf(new(Samples.Layer(null, 10) with { Resin = new("coating") },
            Surroundings.Usual(DateTimeZone.Utc)), RoomCurve.Constant(22), null);
        (from cuts in Gen.Int[1, 4]
         from pours in Gen.Select(Gen.Int[0, 5], Gen.Double[0.1, 2]).Array[1, 12]
         from copies in Gen.Int[1, 7]
         from copyByCopy in Gen.Bool
         select (cuts, pours, copies, copyByCopy)).Sample(
            s =>
            {
                BatchCup Cup(int i) => new($"c{i}", 20 + i, 20 + i, 60, 30);
                var batches = Enumerable.Range(0, 6).GroupBy(i => i * s.cuts / 6)
                    .Select(g => new BatchTiming(on, [.. g.Select(Cup)], 500)).ToList();
                var hands = new InTurn([.. s.pours.Select(p => new HandPour([$"c{p.Item1}"], $"c{p.Item1}", 10, p.Item2))],
                    s.copies, s.copyByCopy);
                var (now, begun, done) = (0.0, new Dictionary<int, double>(), new double[s.pours.Length]);
                var turns = s.copyByCopy ? Enumerable.Range(0, s.copies).SelectMany(_ => Enumerable.Range(0, s.pours.Length))
                    : Enumerable.Range(0, s.pours.Length).SelectMany(p => Enumerable.Repeat(p, s.copies));
                foreach (var at in turns)
                {
                    var batch = batches.FindIndex(b => b.Cups.Any(c => c.CupId == hands.Pours[at].ClockOf));
                    if (begun.TryAdd(batch, now))
                    {
                        now += batches[batch].ReadyMinutes;
                    }

                    done[at] = now += hands.Pours[at].Minutes;
                }

                var walk = new Walk(hands, batches);
                Assert.All(done, (minutes, at) => Assert.Equal(minutes, walk.DoneMinutes(at), 1e-9));
                Assert.All(begun, b => Assert.Equal(b.Value, walk.BegunMinutes(b.Key), 1e-9));
                Assert.Equal(now + Enumerable.Range(0, batches.Count).Where(b => !begun.ContainsKey(b)).Sum(b => batches[b].ReadyMinutes),
                    walk.EndMinutes, 1e-9);
            },
            iter: 300);
    }

    /// <summary>In whatever piece: nothing is done before it can be, nobody does two things at once, and no cup is told more
    /// time than is left after its last pour.</summary>
    [Fact]
    public void One_pair_of_hands_does_one_thing_at_a_time() =>
        (from widths in Gen.Double[6, 30].Array[2, 7]
         from doubled in Gen.Int[0, 6]
         from copies in Gen.Int[1, 8]
         from inTurn in Gen.Bool
         from jug in Gen.OneOf(Gen.Const(60.0), Gen.Const(200.0), Gen.Const(1000.0))
         from depth in Gen.Double[1, 6]
         select (widths, doubled, copies, inTurn, jug, depth)).Sample(
            s =>
            {
                var layer = Samples.Layer(Samples.Heart(100, 75, 40, 30), [.. s.widths, 8]);
                var bands = layer.Bands.Select((b, i) => b with
                {
                    FillsRest = i == layer.Bands.Length - 1,
                    RecipeId = i > 0 && i == s.doubled ? "c1" : b.RecipeId,
                });
                var piece = With(Samples.Piece(new(new OvalOutline(200, 150), EdgeStyle.Walled, 9, "#ffffff",
                    new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(9, CapacityFrom.Dimensions, null, s.copies, s.copies, 1)),
                    layer.WithBands([.. bands]) with { DepthMm = s.depth }),
                    x => x with { CopiesInTurn = s.inTurn, Tools = new(JugMl: s.jug) });
                var plan = Plan(piece);
                var batches = plan.Batches;
                // Where a batch ends on a region, hands come back to it with the next.
                var back = (batches.EndMinutes.Value - Ready(plan) - plan.Pours.Sum(p => Minutes(plan, p))) * 60 / Pace.RegionSeconds;
                Assert.InRange(back, -1e-6, plan.Cups.Cups.Sum(c => Math.Max(0, c.Mixes.Length - 1)) + 1e-6);
                Assert.Equal(Math.Round(back), back, 1e-6);
                Assert.Equal(0, batches.All[0].StartMinutes.Value);
                Assert.Equal(batches.All.Select(b => b.StartMinutes.Value).Order(), batches.All.Select(b => b.StartMinutes.Value));
                for (var i = 0; i < plan.Pours.Length; i++)
                {
                    var pour = plan.Pours[i];
                    var from = batches.All.Where(b => b.CupIds.Contains(pour.CupId)).ToList();
                    var cup = from[^1].Cups.Single(c => c.CupId == pour.CupId);
                    Assert.True(from[^1].StartMinutes.Value + cup.PouredMinutes.Value >= batches.PouredMinutes[i].Value - 1e-6);
                    Assert.True(batches.PouredMinutes[i].Value
                        >= from[0].StartMinutes.Value + from[0].DividedMinutes.Value + Minutes(plan, pour) - 1e-6);
                    Assert.True(i == 0 || s.inTurn || batches.PouredMinutes[i].Value > batches.PouredMinutes[i - 1].Value);
                }
            },
            iter: 60);
}
