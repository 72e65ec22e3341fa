using System.Collections.Immutable;
using System.Text.RegularExpressions;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Tests;

/// <summary>Regions are called by their colour and where they lie.</summary>
public sealed partial class RegionNameTests
{
    private static readonly LayerMapper Mapper = new();

    private static ImmutableDictionary<RegionId, string> Names(Piece piece, int layer = 0) =>
        RegionNames.Of(piece, piece.Filled[layer], Mapper.Map(piece, piece.Filled[layer]));

    private static Sketch Rings(params string[] colours) =>
        Samples.Layer(Samples.Heart(300, 200), [.. colours.Select((_, i) => i == colours.Length - 1 ? 0.0 : 14)]) is var layer
        ? layer.Rings(r => r with { Bands = [.. r.Bands.Select((b, i) => b with { RecipeId = colours[i] })] })
            with
        { Recipes = [Samples.Cup("bed"), .. colours.Distinct().Select(c => Samples.Cup(c))] }
        : layer;

    [Theory]
    [InlineData("moss bone", "moss|bone")]
    [InlineData("moss bone moss", "moss, inner ring|bone|moss, outer ring")]
    [InlineData("moss bone moss bone moss", "moss, inner ring|bone, inner ring|moss, middle ring|bone, outer ring|moss, outer ring")]
    [InlineData("a b a b a b a",
        "a, innermost ring|b, inner ring|a, inner ring|b, middle ring|a, outer ring|b, outer ring|a, outermost ring")]
    [InlineData("a b a b a b a b a",
        "a, innermost ring|b, innermost ring|a, inner ring|b, inner ring|a, middle ring|b, outer ring|a, outer "
            + "ring|b, outermost ring|a, outermost ring")]
    public void A_band_is_called_by_its_colour_and_where_several_are_alike_by_its_ring(string colours, string names)
    {
        var piece = Samples.Piece(Samples.Panel(), Rings(colours.Split(' ')));
        var told = Names(piece);
        Assert.Equal(names.Split('|'), ((RingsLayout)piece.Layers[0].Layout).Bands.Select(b => told[RegionId.Parse(b.Id)]));
        Assert.Equal("bed, heart bed", told[RegionId.Heart]);
    }

    [Fact]
    public void Six_rings_of_a_colour_are_counted_from_the_middle()
    {
        var piece = Samples.Piece(Samples.Panel(), Rings([.. Enumerable.Range(0, 12).Select(i => i % 2 == 0 ? "moss" : "bone")]));
        Assert.Equal("moss, third ring from the middle", Names(piece)[RegionId.Parse("b5")]);
    }

    [Fact]
    public void Stripes_have_a_film_below_and_are_stripes()
    {
        var layer = Samples.Layer(null, 0, 6, 6) with { Layout = Samples.Lines("c1", 1, 0, 3) };
        layer = layer.WithBands(new("b1", 10, true, "c1"), new("b2", 6, false, "c2"), new("b3", 6, false, "c2"));
        var told = Names(Samples.Piece(Samples.Panel(), layer));
        Assert.Equal(["c1", "c2, inner stripe", "c2, outer stripe", "c1, film below"],
            new RegionId[] { RegionId.Parse("b1"), RegionId.Parse("b2"), RegionId.Parse("b3"), StripesLayout.StartId }
            .Select(id => told[id]));
    }

    [Fact]
    public void Pools_are_called_by_where_they_lie_with_a_colour_or_without()
    {
        var pools = Draw.Pools([new("w1", [new(300, -1), new(300, 401)]),
            new("w2", [new(-1, 200), new(601, 200)])], 4, [new("p1", 100, 100, "c1"), new("p2", 500, 300, "c1")]);
        var told = Names(Samples.Piece(Samples.Panel(), Samples.Layer(null, 0) with { Layout = pools }));
        Assert.Equal(
            ["c1, lower right", "c1, upper left", "no colour yet, lower left", "no colour yet, upper right", "walls"],
            told.Values.Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_puddle_counts_its_rings_from_the_middle_and_a_marble_has_a_ground()
    {
        var puddle = new PuddleLayout(300, 200, [new("p1", "c1", 60), new("p2", "c2", 40), new("p3", "c1", 30)], RestRecipeId: "c2");
        var told = Names(Samples.Piece(Samples.Panel(), Samples.Layer(null, 10, 0) with { Layout = puddle }));
        Assert.Equal(["c1, outer ring", "c2", "c1, inner ring", "c2, round the puddle"],
            new[] { R("p1"), R("p2"), R("p3"), R("rest") }.Select(id => told[id]));
        var flood = Samples.Piece(Samples.Panel(), Samples.Layer(null, 0) with { Layout = new FloodLayout("c1") });
        Assert.Equal("c1, all over", Names(flood)[FloodLayout.FloodId]);
    }

    [Fact]
    public void What_lies_in_a_part_says_the_part_and_a_spot_its_name()
    {
        var zone = new Zone("z", "Pond", new RoundOutline(120), 100, 100, new FloodLayout("c1"));
        var piece = Samples.Piece(Samples.Panel(), Samples.Layer(null, 10, 0) with { Zones = [zone] }) with
        {
            Kept = [new("k", "Shell", new RoundOutline(40), 400, 200, Keep.Bare)],
            Lines = [Draw.Dam("k", 6)],
        };
        var told = Names(piece);
        Assert.Equal(["Pond: c1, all over", "Shell", "dam round Shell"],
            new[] { FloodLayout.FloodId.In("z"), RegionId.OfSpot("k"), RegionId.Parse("kept/k/dam") }.Select(id => told[id]));
    }

    /// <summary>Whatever the layout, no two are called alike, and none by a number of ours.</summary>
    [Fact]
    public void No_two_regions_are_called_alike_and_none_by_a_number() =>
        (from fields in Gen.Int[2, 30]
         from colours in Gen.Int[1, 5]
         from seed in Gen.Int[0, 500]
         select (fields, colours, seed)).Sample(
            s =>
            {
                var cups = Enumerable.Range(0, s.colours).Select(i => $"{(char)('a' + i)}").ToList();
                var layout = new FieldsLayout(s.fields, [.. cups], s.seed).Veined("a", 3, 1);
                var piece = Samples.Piece(Samples.Panel(),
                    Samples.Layer(null, 0) with { Layout = layout, Recipes = [.. cups.Select(c => Samples.Cup(c))] });
                var told = Names(piece);
                Assert.Equal(told.Count, told.Values.Distinct().Count());
                Assert.All(told.Values, n => Assert.DoesNotMatch(Digit(), n));
            },
            iter: 12);

    [GeneratedRegex(@"\d")]
    private static partial Regex Digit();
}
