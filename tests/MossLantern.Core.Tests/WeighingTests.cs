using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>What is weighed in turn, how much of it, and what is said when it is too little or too much.</summary>
public class WeighingTests
{
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(),
        Samples.Layer(Samples.Heart(250, 180), 9, 6, 0) with { Resin = new("coating") });

    private static Weighing Of(Piece piece, params (string, double)[] weighed) => Weighing.Of(
        piece, new PiecePlanner(new LayerMapper()).Plan(piece, [], DateTimeZone.Utc).Sittings[0], Around,
        weighed.ToDictionary(w => w.Item1, w => w.Item2));

    private static Piece Alone(string recipe)
    {
        var all = Rings.Recipes.Select(r => r.Id).Where(id => id != recipe);
        return Editing.Checked(Rings, [new ArrangeBatches("l1", [new("own", [recipe]), new("jug", [.. all])])], AnyEdit.Cupboard).Piece!;
    }

    [Fact]
    public void Resin_hardener_and_the_colourants_of_each_batch_follow_each_other()
    {
        var weighing = Of(Rings);
        var plan = new PiecePlanner(new LayerMapper()).Plan(Rings, [], DateTimeZone.Utc).Sittings[0];
        Assert.Equal(
            plan.Batches.All
                .SelectMany(b => b.CupIds.Select(_ => WeighedPart.Colourant).Prepend(WeighedPart.Hardener).Prepend(WeighedPart.Resin)),
            weighing.Steps.Select(s => s.Part));
        Assert.Equal(plan.Batches.All.Sum(b => b.Measured.ResinG.Value),
            weighing.Steps.Where(s => s.Part == WeighedPart.Resin).Sum(s => s.Target.Value), 1e-9);
        Assert.Equal(plan.Cups.Cups.Sum(c => c.Doses.All.Sum(d => d.G!.Value)),
            weighing.Steps.Where(s => s.Part == WeighedPart.Colourant).Sum(s => s.Target.Value), 1e-9);
        Assert.Equal(weighing.Steps.Length, weighing.Steps.Select(s => s.Id).Distinct().Count());
        Assert.Equal(0, weighing.Next);

        // What is left out between is still to be weighed.
        Assert.Equal(1, Of(Rings, (weighing.Steps[0].Id, 40), (weighing.Steps[2].Id, 1)).Next);
        Assert.Equal(weighing.Steps.Length, Of(Rings, [.. weighing.Steps.Select(s => (s.Id, s.Target.Value))]).Next);
    }

    /// <summary>90.1 g of the 1 : 1 resin take 76.78 g of hardener, accepted from 72.94 to 80.62; with 82.0 g in, 6.124
    /// g of resin bring it back.</summary>
    [Fact]
    public void The_hardener_goes_by_the_resin_that_is_really_in_and_too_much_of_it_asks_for_resin()
    {
        var resin = Of(Rings).Steps[0];
        var hardener = Of(Rings, (resin.Id, 90.1)).Steps[1];
        Assert.Equal(76.78, hardener.Target.Value, 0.005);
        Assert.Equal((72.94, 80.62), (Math.Round(hardener.FromG, 2), Math.Round(hardener.ToG, 2)));
        WeighedJudgement Judged(double g) => Of(Rings, (resin.Id, 90.1)).Judge(hardener.Id, g)!;
        Assert.Equal(6.124, Judged(82.0).Add!.Value, 0.0005);
        Assert.Equal(("resin", WeighedHow.Over), (Judged(82.0).AddName, Judged(82.0).How));
        Assert.Equal((90.1 + 6.124) / 1.15 + 82 / 0.98, Judged(82.0).Grows!.Value, 0.001);
        Assert.Equal(WeighedHow.Good, Judged(hardener.FromG).How);
        Assert.Equal(WeighedHow.Good, Judged(hardener.ToG).How);
        Assert.Equal((WeighedHow.Under, 76.78 - 50), (Judged(50).How, Math.Round(Judged(50).Missing!.Value, 2)));
        Assert.Equal(WeighedHow.Under, Judged(hardener.FromG - 0.001).How);
        Assert.Equal(WeighedHow.Over, Judged(hardener.ToG + 0.001).How);
        Assert.Null(Of(Rings).Judge("nowhere", 3));
    }

    [Fact]
    public void Too_much_resin_asks_for_more_hardener_and_the_batch_is_larger()
    {
        var resin = Of(Rings).Steps[0];
        var over = Of(Rings).Judge(resin.Id, resin.Target.Value * 1.2)!;
        Assert.Equal(1.2 * Of(Rings).Steps[1].Target.Value, over.Add!.Value, 0.5);
        Assert.Equal("hardener in all", over.AddName);
        Assert.Equal(resin.Target.Value * 1.2 / 1.15 * 2, over.Grows!.Value, 0.001);
    }

    [Fact]
    public void A_cup_that_grew_takes_its_colourant_along_and_one_of_a_jug_does_not()
    {
        var alone = Alone("c3");
        var steps = Of(alone).Steps;
        Assert.Equal(["the cup of c3", "the jug of batch"], steps.Where(s => s.Part == WeighedPart.Resin)
            .Select(s => s.Into[..Math.Min(16, s.Into.Length)].TrimEnd()).Order(StringComparer.Ordinal));
        WeighingStep Colourant(string cup, params (string, double)[] weighed) =>
            Of(alone, weighed).Steps.Single(s => s.CupId == cup && s.Part == WeighedPart.Colourant);
        var (resin, hardener) = (steps.Single(s => s.Id == "own/resin"), steps.Single(s => s.Id == "own/hardener"));
        var before = Colourant("c3").Target.Value;
        Assert.Equal(1.1 * before,
            Colourant("c3", (resin.Id, 1.1 * resin.Target.Value), (hardener.Id, 1.1 * hardener.Target.Value)).Target.Value, 1e-9);
        Assert.Equal(before, Colourant("c3", (resin.Id, 1.1 * resin.Target.Value)).Target.Value);
        Assert.Equal(Colourant("c1").Target.Value, Colourant("c1", ("jug/resin", 900), ("jug/hardener", 900)).Target.Value);
    }

    [Fact]
    public void A_colourant_may_be_off_by_a_tenth_or_half_a_step_of_the_scale()
    {
        var piece = Rings with { Sittings = [Rings.Sittings[0] with { Tools = new(ScaleStepG: 0.01) }] };
        var fine = Of(piece).Steps.First(s => s.Part == WeighedPart.Colourant);
        Assert.Equal((0.9 * fine.Target.Value, 1.1 * fine.Target.Value, false), (fine.FromG, fine.ToG, fine.Finer));
        var coarse = Of(Rings with { Sittings = [Rings.Sittings[0] with { Tools = new(ScaleStepG: 5) }] }).Steps
            .First(s => s.Part == WeighedPart.Colourant);
        Assert.Equal((coarse.Target.Value - 2.5, coarse.Target.Value + 2.5, true), (coarse.FromG, coarse.ToG, coarse.Finer));
        var over = Of(piece).Judge(fine.Id, 1.5 * fine.Target.Value)!;
        Assert.Equal(50, over.Add!.Value, 1e-9);
        Assert.Null(over.Grows);
    }
}
