using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Planning;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>A colour is chosen as what is stirred in: what is offered, how it looks, and what it is called.</summary>
public class ColourChoiceTests
{
    private static readonly Catalogue Own = Catalogue.Typical.With(
        [("fen-gold",
            new(MaterialKind.Colourant, "fen gold", "mica", ImmutableSortedDictionary<string, double>.Empty, Colour: "#c9a23b"))]);

    private static readonly Cupboard Cupboard = AnyEdit.Cupboard with { Catalogue = Own };
    private static readonly PouredOn Board = new(Colour.Of("#d9c29a"), 3, TypicalMaterials.MixedDensity);

    private static Piece With(params Recipe[] recipes)
    {
        var piece = Samples.Piece(Samples.Panel(), Samples.Layer(Samples.Heart(250, 180), 9, 6, 0));
        return piece with { Recipes = [.. piece.Recipes.Select((r, i) => i < recipes.Length ? recipes[i] with { Id = r.Id } : r)] };
    }

    private static Recipe First(Edited made) => Assert.IsType<Piece>(made.Piece).Recipes[0];

    private static Edited Make(Piece piece, params Edit[] edits) => Editing.Checked(piece, edits, Cupboard);

    private static Recipe Moss(string name = "moss") => Recipe.Plain("", name, "#30503a", ColourantClass.Mica, 3);

    [Theory]
    [InlineData("moss", "cranberry")]
    [InlineData("Moss 2", "cranberry")]
    [InlineData("colour 7", "cranberry")]
    [InlineData("moss of the fen", "moss of the fen")]
    [InlineData("Ann's", "Ann's")]
    public void A_word_for_a_colour_goes_with_the_shade_and_a_name_of_ones_own_stays(string before, string after)
    {
        var piece = With(Moss(before));
        var made = First(Make(piece, new Recolour(piece.Recipes[0].Id, "#9c1b2f")));
        Assert.Equal((after, "#9c1b2f"), (made.Name, made.Colour));
        Assert.Equal(piece.Recipes[0].Doses, made.Doses);
    }

    [Fact]
    public void Two_colours_of_a_piece_are_not_called_the_same_by_themselves()
    {
        var piece = With(Moss(), Recipe.Plain("", "cranberry", "#9c1b2f", ColourantClass.Dye, 2));
        Assert.Equal("cranberry 2", First(Make(piece, new Recolour(piece.Recipes[0].Id, "#9c1b30"))).Name);
        Assert.Equal("cranberry", First(Make(piece, new Recolour(piece.Recipes[0].Id, "#9c1b30", "cranberry"))).Name);
    }

    [Fact]
    public void Another_shade_is_another_colourant_than_the_one_in_the_cupboard_and_not_what_was_seen()
    {
        var gold = new Recipe("", "fen gold", "#c9a23b", [new(ColourantClass.Mica, 2, ColourantId: "fen-gold")], Seen: "#aa8822");
        var piece = With(gold);
        var made = First(Make(piece, new Recolour(piece.Recipes[0].Id, "#9c1b2f")));
        Assert.Equal((null, null), (made.Doses[0].ColourantId, made.Seen));
    }

    [Fact]
    public void Clear_and_mixed_resin_have_no_shade_of_their_own()
    {
        var piece = With(Recipe.Clear(""), new("", "two", "#30503a", [new(ColourantClass.Mica, 2), new(ColourantClass.Dye, 1)]));
        Assert.Equal("Clear resin has no shade: choose a colourant first.",
            Make(piece, new Recolour(piece.Recipes[0].Id, "#9c1b2f")).Refusal);
        Assert.Equal("It is mixed from several colours, and its colour comes from theirs.",
            Make(piece, new Recolour(piece.Recipes[1].Id, "#9c1b2f")).Refusal);
        Assert.Equal("A colour must be written like #33523f.", Make(piece, new Recolour(piece.Recipes[0].Id, "red")).Refusal);
        Assert.Equal("A colour must be written like #33523f.", Make(piece, new ChooseColour(piece.Recipes[0].Id, "x", "red", [])).Refusal);
    }

    [Fact]
    public void A_cup_takes_a_colour_as_a_whole_or_becomes_clear()
    {
        var piece = With(Moss() with { Seen = "#113311", Trials = [] });
        var id = piece.Recipes[0].Id;
        var made = First(Make(piece, new ChooseColour(id, "gold vein", "#c99b3a", [new(ColourantClass.MetallicPaste, 5)])));
        Assert.Equal(Recipe.Plain(id, "gold vein", "#c99b3a", ColourantClass.MetallicPaste, 5) with { Doses = made.Doses }, made);
        Assert.Equal([new Dose(ColourantClass.MetallicPaste, 5)], made.Doses);
        var clear = First(Make(piece, new ChooseColour(id, "whatever", "#c99b3a", [])));
        Assert.True(clear.IsClear);
        Assert.Equal(("clear", id), (clear.Name, clear.Id));
    }

    [Fact]
    public void A_frozen_colour_stays_and_a_second_cup_changes_with_its_first()
    {
        var piece = With(Moss() with { Frozen = true });
        var id = piece.Recipes[0].Id;
        foreach (var edit in new Edit[] { new Recolour(id, "#9c1b2f"),
            new ChooseColour(id, "gold", "#c99b3a", [new(ColourantClass.MetallicPaste, 5)]) })
        {
            var made = Assert.IsType<Piece>(Make(piece, edit).Piece);
            Assert.Equal(("moss", "#30503a"), made.Recipes.Where(r => r.Frozen).Select(r => (r.Name, r.Colour)).Single());
            Assert.NotEqual("#30503a", made.Recipes.Single(r => r.Id == id).Colour);
            Assert.Equal(piece.Recipes.Length + 1, made.Recipes.Length);
        }

        var layer = piece.Layers[0].Id;
        var two = Make(Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0)),
            new PourFrom(layer, null, R("b3"), "c1"), new SecondCup(piece.Sittings[0].Id, "c1", [new(layer, R("b3"))])).Piece!;
        var after = Make(two, new Recolour(two.Recipes.Single(r => r.SecondOf == "c1").Id, "#9c1b2f")).Piece!;
        Assert.Equal(["#9c1b2f", "#9c1b2f"], after.Recipes.Where(r => r.FirstId == "c1").Select(r => r.Colour));
    }

    [Fact]
    public void Shades_in_a_burst_are_one_step()
    {
        Assert.Equal([new Recolour("c", "#222222")], Editing.Merged([new Recolour("c", "#111111"), new Recolour("c", "#222222")]));
        Assert.Equal(2, Editing.Merged([new Recolour("c", "#111111"), new Recolour("d", "#222222")]).Length);

        // A name that was given stays where none is given later.
        Assert.Equal(2, Editing.Merged([new Recolour("c", "#111111", "fog"), new Recolour("c", "#222222")]).Length);
        Assert.Single(Editing.Merged([new Recolour("c", "#111111", "fog"), new Recolour("c", "#222222", "mist")]));
    }

    [Fact]
    public void A_wedge_runs_from_the_ground_to_what_is_shown_and_dye_hides_nothing()
    {
        var paste = ColourSeen.Of(Own, Moss(), [], Board);
        Assert.Equal(7, paste.Wedge.Length);
        Assert.Equal(("#d9c29a", paste.Shown), (paste.Wedge[0], paste.Wedge[^1]));

        // κ 0.25 × 3 % × 3 mm.
        Assert.Equal(100 * (1 - Math.Exp(-2.25)), paste.Hides.Value, 9);
        Assert.Equal("moss", paste.Word);
        var dye = ColourSeen.Of(Own, Recipe.Plain("", "amber", "#d07d1c", ColourantClass.Dye, 4), [], Board);
        Assert.Equal(0, dye.Hides.Value, 12);
        Assert.NotEqual("#d9c29a", dye.Shown);
        var clear = ColourSeen.Of(Own, Recipe.Clear(""), [], Board);
        Assert.Equal(("#d9c29a", "clear"), (clear.Shown, clear.Word));
    }

    [Fact]
    public void Over_paint_of_its_own_colour_a_colour_is_what_it_is_and_clear_shows_the_ground()
    {
        var painted = Board with { AsMap = true };
        Assert.Equal("#30503a", ColourSeen.Of(Own, Moss(), [], painted).Wedge[0]);
        Assert.Equal("#d9c29a", ColourSeen.Of(Own, Recipe.Clear(""), [], painted).Shown);
    }

    [Fact]
    public void What_is_offered_comes_from_the_cupboard_its_sequences_and_the_usual_colours()
    {
        KeptSequence sequence = new("Peat", [new("a", 4, true, "x")],
            [Moss("a") with { Id = "x" }, Moss("a") with { Id = "y" }, Recipe.Clear("z"),
                new("m", "m", "#445566", [], [new("x", 1), new("z", 1)])], 200);
        var offers = ColourOffers.Of(Own, Cupboard.Recipes, [sequence], Board);
        Assert.Equal(["fen gold"], Names(OfferFrom.Colourant));
        Assert.Equal(["k", "m"], Names(OfferFrom.Recipe).Order());
        Assert.Equal(["a"], Names(OfferFrom.Sequence));
        Assert.Equal(["moss", "bone", "umber", "lichen", "gilt", "smoke", "heather", "rust", "mere", "amber"], Names(OfferFrom.Usual));
        Assert.All(offers, o => Assert.Equal(o.From == OfferFrom.Recipe, o.Kept is not null));
        Assert.All(offers, o => Assert.Equal(o.From == OfferFrom.Sequence ? "Peat" : null, o.Of));
        Assert.Equal(1, offers.Single(o => o.Kept == "mixed").MixedFrom);
        var gold = offers[0];
        Assert.Equal(new Dose(ColourantClass.Mica, 1, ColourantId: "fen-gold"), gold.Doses.Single());
        Assert.Empty(ColourOffers.Of(Catalogue.Typical, [], [], Board).Where(o => o.From != OfferFrom.Usual));

        string[] Names(OfferFrom from) => [.. offers.Where(o => o.From == from).Select(o => o.Name)];
    }

    [Fact]
    public void A_cup_lies_over_the_ground_its_own_paint_or_most_of_the_layer_below()
    {
        Beneath Of(Piece piece, int layer = 0) => new PiecePlanner(new LayerMapper())
            .Plan(piece, [], NodaTime.DateTimeZone.Utc).Layers[layer].Colours.First(c => c.CupId == "c1" || layer > 0).Beneath;
        var ground = With(Moss());
        Assert.Equal(new Beneath(PouredOver.Ground, ground.Ground.Colour, ground.Layers[0].DepthMm), Of(ground));
        Assert.Equal(PouredOver.OwnPaint,
            Of(ground with { Ground = ground.Ground with { Paint = new(PaintKind.Water, AsMap: true) } }).Over);
        Assert.Equal(PouredOver.Ground, Of(ground with { Ground = ground.Ground with { Paint = new(PaintKind.Water) } }).Over);

        // The band that fills the rest is most of it: black paste that hides all.
        var first = Samples.Layer(Samples.Heart(250, 180), 9, 6, 0);
        first = first with
        {
            Recipes = [.. first.Recipes
            .Select(r => r.Id == "c3" ? Recipe.Plain("c3", "c3", "#101010", ColourantClass.Paste, 10) : r)]
        };
        var two = Samples.Piece(Samples.Panel(), first, Samples.Layer(null, 0) with { Id = "l2", DepthMm = 1.5 });
        Assert.Equal(new Beneath(PouredOver.LayerBelow, "#101010", 1.5), Of(two, 1));
        var bare = two with { Layers = [two.Layers[0] with { Bare = [R("b3")] }, two.Layers[1]] };
        Assert.NotEqual("#101010", Of(bare, 1).Colour);
    }

    /// <summary>Whatever is offered can be taken, is valid, and looks as it was offered.</summary>
    [Fact]
    public void What_is_offered_can_be_taken_and_looks_so()
    {
        var piece = With(Moss());
        var offers = ColourOffers.Of(Own, Cupboard.Recipes, Cupboard.Sequences.Values, Board);
        Gen.Int[0, offers.Length - 1].Sample(
            at =>
            {
                var offer = offers[at];
                Edit edit = offer.Kept is { } kept ? new TakeRecipe(piece.Recipes[0].Id, kept)
                    : new ChooseColour(piece.Recipes[0].Id, offer.Name, offer.Colour, offer.Doses);
                var made = Make(piece, edit).Piece!;
                var recipe = made.Recipes.Single(r => r.Id == piece.Recipes[0].Id);
                return recipe.Name == offer.Name && ColourSeen.Of(Own, recipe, made.Recipes, Board).Shown == offer.Seen.Shown;
            },
            iter: 60);
    }
}
