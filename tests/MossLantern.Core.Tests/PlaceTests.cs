using MossLantern.Core.Documents;

namespace MossLantern.Core.Tests;

/// <summary>One spelling of where a field stands.</summary>
public class PlaceTests
{
    private static readonly Recipe Moss = Samples.Cup("moss"), Bone = Samples.Cup("bone");
    private static readonly Piece Of = Samples.Piece(
        Samples.Panel() with { Done = [new("sand")] },
        Samples.Layer(Samples.Heart(100, 100), 8, 0) with
        {
            Id = "a.b",
            Recipes = [Moss, Bone, new("mix", "mix", "#ffffff", [], [new("moss", 1), new("bone", 2)]),
                Samples.Cup("bed"), Samples.Cup("c1"), Samples.Cup("c2")],
        });

    [Theory]
    [InlineData("", "")]
    [InlineData("Name", "name")]
    [InlineData("Layers[0].DepthMm", "layers[a.b].depthMm")]
    [InlineData("Layers[0].layout.Bands[1].WidthMm", "layers[a.b].layout.bands[b2].widthMm")]
    [InlineData("layers[0].Layout.hearts[0]", "layers[a.b].layout.hearts[h1]")]
    [InlineData("recipes[2].Of[1].Parts", "recipes[mix].of[bone].parts")]
    [InlineData("recipes[0].Doses[0].Percent", "recipes[moss].doses[0].percent")]
    [InlineData("Sittings[0].Resin.Ratio.Hardener", "sittings[a.b].resin.ratio.hardener")]
    [InlineData("Ground.Done[0].At", "ground.done[sand].at")]
    [InlineData("Layers[7].DepthMm", "layers[7].depthMm")]
    [InlineData("Nothing[0].Here", "nothing[0].here")]
    public void A_place_is_told_by_ids(string told, string spelled) => Assert.Equal(spelled, PlaceIn.Spelled(Of, told));

    [Fact]
    public void Every_range_is_of_a_field_that_a_piece_has()
    {
        // Zones are laid out as layers are.
        foreach (var field in PieceFields.Ranges.Keys.Where(k => k.StartsWith("layers.layout.", StringComparison.Ordinal)))
        {
            Assert.Equal(PieceFields.Ranges[field], PieceFields.Ranges["layers.zones." + field["layers.".Length..]]);
        }

        Assert.All(PieceFields.Ranges.Keys,
            k => Assert.Contains(k.Split('.')[0], (string[])["ground", "layers", "recipes", "sittings", "kept", "lines", "dries", "runs"]));
    }

    [Fact]
    public void Refusals_name_what_they_are_of()
    {
        var errors = new PieceValidator().Validate(Of with
        {
            Recipes = [.. Of.Recipes.Select(r => r.WithLoad(r.Id == "bone" ? 400 : 4))],
            Sittings = [Of.Sittings[0] with { RoomC = 900, Fills = [new("f", "a.b", R("b1"), DepthMm: 900)] }],
        }).Errors;
        Assert.Equal(["recipes[bone].doses[0].percent", "sittings[a.b].fills[f].depthMm", "sittings[a.b].roomC"],
            errors.Select(e => e.PropertyName).Order(StringComparer.Ordinal));
    }
}
