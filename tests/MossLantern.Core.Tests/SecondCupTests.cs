using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>A colour that is needed early and late comes from two cups of different batches.</summary>
public class SecondCupTests
{
    private const string Layer = "l1";

    private static readonly PiecePlanner Planner = new(new LayerMapper());

    /// <summary>Rings of moss, bone and moss again round an amber heart.</summary>
    private static readonly Piece Rings = Repeated();

    private static Piece Repeated()
    {
        var piece = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0));
        return Made(piece, new PourFrom(Layer, null, R("b3"), "c1"));
    }

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], DateTimeZone.Utc);

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Piece is not null, made.Refusal);
        return made.Piece!;
    }

    private static string Refused(Piece piece, params Edit[] edits) => Editing.Checked(piece, edits, AnyEdit.Cupboard).Refusal!;

    private static SecondCup Later(params string[] regions) =>
        new(Layer, "c1", [.. regions.Select(r => new PourRef(Layer, RegionId.Parse(r)))]);

    [Fact]
    public void What_is_poured_later_comes_from_a_cup_of_its_own_that_can_be_of_another_batch()
    {
        var (one, two) = (Plan(Rings).Sittings[0], Plan(Made(Rings, Later("b3"))).Sittings[0]);
        Assert.Equal(2, one.Cups.Regions.Count(r => r.CupId == "c1"));
        var second = Assert.Single(two.Cups.Cups.Select(c => c.CupId).Except(one.Cups.Cups.Select(c => c.CupId)));
        Assert.Equal("b3", Assert.Single(two.Cups.Regions, r => r.CupId == second).RegionId.ToString());
        Assert.Equal("b1", Assert.Single(two.Cups.Regions, r => r.CupId == "c1").RegionId.ToString());

        // As much is poured, and what stays in a cup stays in two.
        double Poured(SittingPlan s) => s.Cups.Regions.Sum(r => r.PourMl.Value);
        Assert.Equal(Poured(one), Poured(two), 1e-9);
        Assert.True(two.Cups.TotalMl.Value > one.Cups.TotalMl.Value);
        var apart = Made(Rings, Later("b3"), new ArrangeBatches(Layer, [new("one", ["c1", "c2"]), new("two", [second])]));
        Assert.Contains(Plan(apart).Sittings[0].Batches.All, b => b.CupIds.Contains("c1") && !b.CupIds.Contains(second));
        Assert.Contains(Plan(apart).Sittings[0].Batches.All, b => b.CupIds.SequenceEqual([second]));
    }

    [Fact]
    public void A_second_cup_is_mixed_as_its_first_whichever_of_the_two_is_changed()
    {
        var second = Made(Rings, Later("b3"));
        var id = second.Recipes[^1].Id;
        Assert.Equal(("c1, cup 2", "c1"), (second.Recipes[^1].Name, second.Recipes[^1].SecondOf));
        foreach (var edit in (Edit[])[new DoseColour("c1", 0, 4.5, DoseUnit.Percent), new DoseColour(id, 0, 4.5, DoseUnit.Percent)])
        {
            var dosed = Made(second, edit);
            Assert.All(dosed.Recipes.Where(r => r.Id == "c1" || r.Id == id), r => Assert.Equal(4.5, r.LoadPercent));
        }

        // A third one follows the second, and the frozen stays as it was with its cups.
        var third = Made(second, Later("b1"));
        Assert.Equal(["c1, cup 2", "c1, cup 3"], third.Recipes.Where(r => r.SecondOf == "c1").Select(r => r.Name));
        var frozen = Made(second with
        {
            Recipes = [.. second.Recipes
            .Select(r => r.Id == "c1" ? r with { Frozen = true } : r)]
        }, new DoseColour("c1", 0, 4.5, DoseUnit.Percent));
        Assert.All(frozen.Recipes.Where(r => r.Id == "c1" || r.Id == id), r => Assert.Equal((4.5, false), (r.LoadPercent, r.Frozen)));
        Assert.Single(frozen.Recipes, r => r.Frozen);
    }

    [Fact]
    public void All_of_it_comes_from_one_cup_again_as_if_nothing_had_been()
    {
        var second = Made(Rings, Later("b3"));
        Assert.Equal(Rings, Made(second, new OneCup(second.Recipes[^1].Id)) with { Recipes = Rings.Recipes, Sittings = Rings.Sittings });
        Assert.True(Rings.Sittings.SequenceEqual(Made(second, new OneCup(second.Recipes[^1].Id)).Sittings));
        Assert.True(Rings.Recipes.SequenceEqual(Made(second, new OneCup(second.Recipes[^1].Id)).Recipes));

        // Of a pass that has a depth only the cup goes.
        var passes = Made(Rings, new AddPass(Layer, R("b3"), null, false, "c1"));
        var later = Made(passes, new SecondCup(Layer, "c1", [new(Layer, R("b3"), 1)]));
        Assert.Single(Plan(later).Sittings[0].Cups.Regions, r => r.CupId == later.Recipes[^1].Id && r.Pass == 1);
        Assert.True(passes.Sittings[0].Fills!.Value.SequenceEqual(Made(later, new OneCup(later.Recipes[^1].Id)).Sittings[0].Fills!.Value));
    }

    [Fact]
    public void A_region_that_gets_another_colour_leaves_the_second_cup_and_a_cup_that_nothing_names_goes()
    {
        var second = Made(Rings, Later("b3"));
        var id = second.Recipes[^1].Id;
        var recoloured = Made(second, new PourFrom(Layer, null, R("b3"), "c2"));
        Assert.Equal("c2", Plan(recoloured).Sittings[0].Cups.Regions.Single(r => r.RegionId == "b3").CupId);
        Assert.Equal("c1", (Made(second, new PourFrom(Layer, null, R("b2"), id)).Layers[0].Layout as RingsLayout)!.Bands[1].RecipeId);
        Assert.DoesNotContain(Made(second, new PourWithRest(Layer, [R("b3")])).Recipes, r => r.Id == id);
    }

    [Fact]
    public void A_second_cup_that_cannot_be_is_refused_in_words()
    {
        Assert.Contains("no such sitting", Refused(Rings, Later("b3") with { Sitting = "gone" }), StringComparison.Ordinal);
        Assert.Contains("That colour is no longer there", Refused(Rings, Later("b3") with { Recipe = "gone" }), StringComparison.Ordinal);
        Assert.Contains("at least one pour", Refused(Rings, Later()), StringComparison.Ordinal);
        Assert.Contains("at least one pour", Refused(Rings, Later("gone")), StringComparison.Ordinal);
        Assert.Contains("does not pour that", Refused(Rings, new SecondCup(Layer, "c1", [new(Layer, R("b3"), 1)])),
            StringComparison.Ordinal);
        Assert.Contains("not a second cup", Refused(Rings, new OneCup("c1")), StringComparison.Ordinal);
        var validator = new PieceValidator();
        var second = Made(Rings, Later("b3"));
        ImmutableArray<Recipe> With(Func<Recipe, Recipe> change) =>
            second.Recipes.SetItem(second.Recipes.Length - 1, change(second.Recipes[^1]));
        Assert.Contains(validator.Validate(second with { Recipes = With(r => r with { Colour = "#123456" }) }).Errors,
            e => e.PropertyName.EndsWith("secondOf", StringComparison.Ordinal));
        Assert.Contains(validator.Validate(second with { Recipes = With(r => r with { SecondOf = r.Id }) }).Errors,
            e => e.PropertyName.EndsWith("secondOf", StringComparison.Ordinal));
        Assert.Contains(validator.Validate(second with { Recipes = With(r => r with { SecondOf = null }) }).Errors,
            e => e.PropertyName.EndsWith("cupId", StringComparison.Ordinal));
    }
}
