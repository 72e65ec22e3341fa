using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Tests;

/// <summary>Sequences that are kept by name and laid again.</summary>
public class KeptSequenceTests
{
    private static readonly Recipe Tea = Recipe.Plain("tea", "black tea", "#6b3f1f", ColourantClass.Dye, 4);
    private static readonly Recipe Cream = Recipe.Plain("cream", "cream", "#efe4cb", ColourantClass.Paste, 3);
    private static readonly Recipe Milk = new("milk", "milk tea", "#b09070", [], [new("tea", 1), new("cream", 2)]);
    private static readonly ImmutableArray<Recipe> Recipes = [Tea, Cream, Milk, Samples.Cup("idle")];
    private static readonly StripesLayout Source =
        new([new("push", 10, true, "cream"), new("inner", 6, false, "milk"), new("outer", 12.4, false, "milk")], "cream", 1, 5, 3, 1.2);

    private static readonly KeptSequence Kept = KeptSequence.Of(Source, Recipes, "Tea with milk", 200);

    [Fact]
    public void A_sequence_keeps_its_bands_and_the_cups_they_are_poured_and_mixed_from()
    {
        Assert.Equal(["tea", "cream", "milk"], Kept.Recipes.Select(c => c.Id));
        Assert.Equal(Source.Bands, Kept.Bands);
        Assert.Equal((200, 1.2), (Kept.AcrossMm, Kept.Widening));
        Assert.True(new KeptSequenceValidator().Validate(Kept).IsValid);
    }

    [Fact]
    public void Its_lines_take_up_what_they_are_wide_with_the_widening()
    {
        Assert.Equal([0, 6 * 1.2, 12.4 * 1.44], Kept.WidthsMm);
        Assert.Equal(6 * 1.2 + 12.4 * 1.44, Kept.Together.Value, 1e-9);
        Assert.Equal(("mm", 2), (Kept.Together.Unit, Kept.Together.Inputs.Length));
        Assert.Equal(Source.BandWidthsMm(), Kept.WidthsMm);
    }

    [Fact]
    public void Laid_where_it_came_from_nothing_changes()
    {
        var laid = Kept.LaidIn(Source, Recipes, null);
        Assert.Equal(Source.Bands, ((StripesLayout)laid.Layout).Bands);
        Assert.Equal((Source, Recipes), ((StripesLayout)laid.Layout with { Bands = Source.Bands }, laid.Recipes));
    }

    [Fact]
    public void Laid_in_another_layer_it_brings_the_cups_that_are_missing_there_by_free_ids()
    {
        // There is a recipe of the same id that is another colour, and the same colour by another id.
        var other = Samples.Layer(Samples.Heart(100, 80), 8, 0)
            with
        { Recipes = [Samples.Cup("tea"), Cream with { Id = "c9" }, Samples.Cup("bed"), Samples.Cup("c1"), Samples.Cup("c2")] };
        var rings = (RingsLayout)other.Layout;
        var laid = Kept.LaidIn(rings, other.Recipes, null);
        Assert.Equal(["tea", "c9", "bed", "c1", "c2", "tea-1", "milk"], laid.Recipes.Select(c => c.Id));
        Assert.Equal([new("tea-1", 1), new("c9", 2)], laid.Recipes[^1].Of!.Value);
        var layout = Assert.IsType<RingsLayout>(laid.Layout);
        Assert.Equal([("push", "c9"), ("inner", "milk"), ("outer", "milk")], layout.Bands.Select(b => (b.Id, b.RecipeId)));
        Assert.Equal(rings.Hearts, layout.Hearts);
        Assert.Equal(1.2, layout.Widening);
        Assert.True(new PieceValidator()
            .Validate(Samples.Piece(Samples.Panel(), other with { Layout = layout, Recipes = laid.Recipes })).IsValid);

        // Once they are there they are found again.
        Assert.Equal(laid.Recipes, Kept.LaidIn(layout, laid.Recipes, null).Recipes);
    }

    [Theory]
    [InlineData(null, 6, 12.4)]
    [InlineData(200.0, 6, 12.4)]
    [InlineData(100.0, 3, 6.2)]
    [InlineData(300.0, 9, 18.6)]
    [InlineData(5.0, 0.5, 0.5)]
    public void Fitted_it_is_as_much_wider_as_the_place_is(double? acrossMm, double inner, double outer)
    {
        var laid = (StripesLayout)Kept.LaidIn(Source, Recipes, acrossMm).Layout;
        Assert.Equal([inner, outer], laid.Bands.Where(b => !b.FillsRest).Select(b => b.WidthMm));
        Assert.Equal(1.2, laid.Widening);
    }

    public static TheoryData<string, KeptSequence> Bad => new()
    {
        { "name", Kept with { Name = " " } },
        { "fill the rest", Kept with { Bands = [new("a", 3, false, "tea")] } },
        { "Number of bands", Kept with { Bands = [] } },
        { "Band width", Kept with { Bands = [new("a", 3, true, "tea"), new("b", 0, false, "tea")] } },
        { "one of the sequence's cups", Kept with { Bands = [new("a", 3, true, "none")] } },
        { "from 1 to 40 cups", Kept with { Recipes = [] } },
        { "id of its own", Kept with { Recipes = [Tea, Tea, Cream, Milk] } },
        { "filled from other cups", Kept with { Recipes = [Tea, Milk, Cream with { Of = [new("tea", 1), new("milk", 1)] }] } },
        { "colour like #33523f", Kept with { Recipes = [Tea with { Colour = "brown" }, Cream, Milk] } },
        { "across", Kept with { AcrossMm = 0 } },
        { "Each band wider by", Kept with { Widening = 9 } },
        { "note", Kept with { Note = new string('x', 5000) } },
    };

    [Theory]
    [MemberData(nameof(Bad))]
    public void A_bad_one_is_refused_in_words(string says, KeptSequence sequence) =>
        Assert.Contains(new KeptSequenceValidator().Validate(sequence).Errors,
            e => e.ErrorMessage.Contains(says, StringComparison.Ordinal));
}
