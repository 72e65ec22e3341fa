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

/// <summary>How far what is in a cup reaches, copy by copy; what is held back, lacks, or is left over.</summary>
public class ReachTests
{
    private static readonly Piece Rings = Samples.Piece(Samples.Panel(),
        Samples.Layer(Samples.Heart(250, 180), 9, 6, 0) with { Resin = new("coating"), Tools = new(JugMl: 2000) });

    /// <summary>Twelve rounds from one mould of five.</summary>
    private static readonly Piece Dozen = Samples.Piece(
        new(new RoundOutline(100), EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone),
            Mould: new(10, CapacityFrom.Dimensions, null, 12, 5, 0)),
        Samples.Layer(Samples.Heart(50, 50, 20, 18, 4), 9, 6, 0) with { Resin = new("casting") });

    private static SittingPlan Plan(Piece piece) => new PiecePlanner(new LayerMapper()).Plan(piece, [], DateTimeZone.Utc).Sittings[0];

    private static CupReach Of(Piece piece, string cup) => Plan(piece).Reach.Single(r => r.CupId == cup);

    private static Piece With(Piece piece, params CupChoice[] choices) =>
        piece with { Sittings = [piece.Sittings[0] with { CupChoices = [.. choices] }, .. piece.Sittings.Skip(1)] };

    [Fact]
    public void What_is_planned_reaches_for_all_and_leaves_its_reserve()
    {
        foreach (var reach in Plan(Rings).Reach)
        {
            var cup = Plan(Rings).Cups.Cups.Single(c => c.CupId == reach.CupId);
            Assert.Null(reach.First);
            Assert.Null(reach.Lacks);
            Assert.InRange(reach.Left!.Value, cup.Reserve.Value - 1e-6, cup.Reserve.Value + 2 + 1e-6);
        }
    }

    /// <summary>The last of twelve copies is not starved, whatever the reserve, the step of the cups and the order.</summary>
    [Fact]
    public void As_it_is_planned_no_copy_is_starved() =>
        (from copies in Gen.Int[1, 12]
         from reserve in Gen.Double[0, 30]
         from step in Gen.OneOf(Gen.Const(0.5),
            Gen.Const(1.0), Gen.Const(5.0))
         from inTurn in Gen.Bool
         select (copies, reserve, step, inTurn)).Sample(
            a =>
            {
                var piece = Dozen with
                {
                    Sittings = [Dozen.Sittings[0]
                    with { Copies = a.copies, ReservePercent = a.reserve, Tools = new(a.step), CopiesInTurn = a.inTurn }]
                };
                Assert.All(Plan(piece).Reach, r => Assert.Equal((true, a.copies), (r.First is null && r.Lacks is null, r.Copies)));
            },
            iter: 12, threads: 1);

    [Fact]
    public void The_first_pour_that_cannot_be_filled_is_named_with_its_copy_in_either_order()
    {
        var piece = Dozen with { Sittings = [Dozen.Sittings[0] with { Copies = 12 }] };
        var all = Plan(piece).Pours.Where(s => s.CupId == "c1").Sum(s => s.PourMl.Value);
        var loss = Plan(piece).Cups.Cups.Single(c => c.CupId == "c1").Loss.Value;

        // Half of it: six of twelve copies, whichever order; the seventh is short.
        var half = With(piece, new CupChoice("c1", MixedMl: all / 2 + loss + 0.01));
        Assert.Equal((6, 7, "b1"), (Of(half, "c1").Copies, Of(half, "c1").First!.Copy, Of(half, "c1").First!.RegionId.ToString()));
        Assert.Equal(all / 2, Of(half, "c1").Lacks!.Value, 0.02);
        Assert.Empty(Of(half, "c1").Uses);
        Assert.Equal(12, Of(half, "c2").Copies);

        // One colour in two regions: colour by colour the second region runs short, piece by piece the later copies do.
        var two = Editing.Checked(half, [new PourFrom("l1", null, R("b2"), "c1")], AnyEdit.Cupboard).Piece!;
        var again = Plan(two);
        var both = again.Pours.Where(s => s.CupId == "c1").ToList();
        Assert.Equal(2, both.Count);
        var part = With(two,
            new CupChoice("c1", MixedMl: both.Sum(s => s.PourMl.Value) * 0.75 + again.Cups.Cups.Single(c => c.CupId == "c1").Loss.Value));
        var byColour = Of(part, "c1");
        var inTurn = Of(part with { Sittings = [part.Sittings[0] with { CopiesInTurn = true }] }, "c1");
        Assert.Equal(both[1].RegionId, byColour.First!.RegionId);
        Assert.Equal((9, 10), (inTurn.Copies, inTurn.First!.Copy));
        Assert.True(byColour.Copies < inTurn.Copies);
        Assert.Equal(byColour.Lacks!.Value, inTurn.Lacks!.Value);
    }

    [Fact]
    public void Nothing_mixed_fills_no_copy_and_what_is_just_enough_lacks_nothing()
    {
        Assert.Equal(0, Of(With(Dozen, new CupChoice("c1", MixedMl: 0)), "c1").Copies);
        var need = Of(Dozen, "c1");
        var cup = Plan(Dozen).Cups.Cups.Single(c => c.CupId == "c1");
        var just = cup.MixMl.Value - need.Left!.Value;
        Assert.Null(Of(With(Dozen, new CupChoice("c1", MixedMl: just)), "c1").Lacks);
        Assert.Null(Of(With(Dozen, new CupChoice("c1", MixedMl: just - 0.04)), "c1").Lacks);
        Assert.NotNull(Of(With(Dozen, new CupChoice("c1", MixedMl: just - 0.06)), "c1").Lacks);
    }

    [Fact]
    public void What_is_held_back_by_name_is_mixed_and_not_poured_and_a_cup_has_a_reserve_of_its_own()
    {
        double Mix(Piece piece, string cup) => Plan(piece).Cups.Cups.Single(c => c.CupId == cup).MixMl.Value;
        var held = With(Rings, new CupChoice("c3", HeldBack: new("the last corner", 40)));
        Assert.InRange(Mix(held, "c3") - Mix(Rings, "c3"), 40, 42);
        Assert.Equal(Of(Rings, "c3").Left!.Value, Of(held, "c3").Left!.Value, 1.01);
        Assert.Equal(Mix(Rings, "c1"), Mix(held, "c1"));
        var none = With(Rings, new CupChoice("c3", ReservePercent: 0));
        Assert.True(Of(none, "c3").Left is null or { Value: < 1.01 });
        Assert.True(Mix(none, "c3") < Mix(Rings, "c3"));
    }

    [Fact]
    public void Of_what_is_left_over_stones_are_cast_and_clear_seals_and_tops_up()
    {
        var clear = Editing.Checked(Rings, [new ChooseColourant("c3", null)], AnyEdit.Cupboard).Piece!;
        var uses = Of(clear, "c3").Uses;
        Assert.Equal([LeftOverUse.CastStones, LeftOverUse.SpareCasting, LeftOverUse.SealCoat, LeftOverUse.TopUp], uses.Select(u => u.Use));
        var left = Of(clear, "c3").Left!.Value;
        Assert.Equal(left * 1.065, uses[0].Amount.Value, 0.01);
        Assert.Equal(left * 10 / 0.2, uses[2].Amount.Value, 1e-9);
        Assert.Equal([LeftOverUse.CastStones, LeftOverUse.SpareCasting], Of(Rings, "c3").Uses.Select(u => u.Use));

        // From 10 ml on a small mould is filled, from 3 ml on anything is made of it.
        ImmutableArray<LeftOverWay> With(double leftMl)
        {
            var planned = Of(Rings, "c1");
            var cup = Plan(Rings).Cups.Cups.Single(c => c.CupId == "c1");
            return Of(ReachTests.With(Rings, new CupChoice("c1", MixedMl: cup.MixMl.Value - planned.Left!.Value + leftMl)), "c1").Uses;
        }

        Assert.Empty(With(2.99));
        Assert.Single(With(3.01));
        Assert.Single(With(9.99));
        Assert.Equal(2, With(10.01).Length);
    }

    [Fact]
    public void What_is_mixed_by_eye_stays_unknown_and_its_batch_is_counted_by_itself()
    {
        var by = Editing.Checked(Rings, [new MixByEye("l1", "c1", true)], AnyEdit.Cupboard).Piece!;
        var (plan, whole) = (Plan(by), new PiecePlanner(new LayerMapper()).Plan(by, [], Surroundings.Usual(DateTimeZone.Utc)));
        Assert.DoesNotContain(plan.Reach, r => r.CupId == "c1");
        Assert.All(plan.Pours, s => Assert.Equal(s.CupId == "c1", s.LeftInCupMl is null));
        var need = Assert.Single(whole.Need);
        var batch = plan.Batches.All.Single(b => b.CupIds.Contains("c1"));
        Assert.Equal([$"{plan.Name}: {string.Join(", ", batch.CupIds)}"], need.Unmeasured);
        Assert.Equal(plan.Batches.All.Sum(b => b.MixMl.Value) - batch.MixMl.Value, need.MixMl.Value, 1e-9);
        Assert.Empty(new PiecePlanner(new LayerMapper()).Plan(Rings, [], Surroundings.Usual(DateTimeZone.Utc)).Need[0].Unmeasured);
        var measured = Editing.Checked(by, [new MixInCup("l1", "c1", 20)], AnyEdit.Cupboard).Piece!;
        Assert.Equal(new CupChoice("c1", MixedMl: 20), measured.Sittings[0].CupChoices!.Value.Single());
        Assert.Contains(new PieceValidator().Validate(ReachTests.With(Rings,
            new CupChoice("c1", MixedMl: 3, ByEye: true))).Errors, e => e.ErrorMessage.Contains("by eye", StringComparison.Ordinal));
    }

    [Fact]
    public void A_choice_for_a_cup_is_made_taken_back_and_goes_with_its_cup()
    {
        Piece Made(params Edit[] edits) => Editing.Checked(Rings, edits, AnyEdit.Cupboard).Piece!;
        var chosen = Made(new ReserveInCup("l1", "c1", 5), new HoldBack("l1", "c1", " the last corner ", 12), new MixInCup("l1", "c1", 40));
        Assert.Equal(new CupChoice("c1", 5, new("the last corner", 12), 40), chosen.Sittings[0].CupChoices!.Value.Single());

        // Each is taken back by itself, and the others stay.
        Assert.Equal(
            new CupChoice("c1", 7, null, 40),
            Editing.Checked(chosen, [new HoldBack("l1", "c1", null, null), new ReserveInCup("l1", "c1", 7)],
                AnyEdit.Cupboard).Piece!.Sittings[0].CupChoices!.Value.Single());
        Assert.Null(Made(new ReserveInCup("l1", "c1", 5), new ReserveInCup("l1", "c1", null)).Sittings[0].CupChoices);
        Assert.Null(Made(new ReserveInCup("l1", "c1", 5), new PourFrom("l1", null, R("b1"), "c2")).Sittings[0].CupChoices);
        string Refused(params Edit[] edits) => Editing.Checked(Rings, edits, AnyEdit.Cupboard).Refusal!;
        Assert.Contains("held back for", Refused(new HoldBack("l1", "c1", null, 12)), StringComparison.Ordinal);
        Assert.Contains("from 0 to 100 %", Refused(new ReserveInCup("l1", "c1", 101)), StringComparison.Ordinal);
        Assert.Contains("from 0.01 to 100000 ml", Refused(new HoldBack("l1", "c1", "x", 0)), StringComparison.Ordinal);
        Assert.Contains("That colour is no longer there", Refused(new ReserveInCup("l1", "gone", 3)), StringComparison.Ordinal);
        Assert.Contains("no such sitting", Refused(new MixByEye("gone", "c1", true)), StringComparison.Ordinal);
    }
}
