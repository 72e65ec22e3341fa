using System.Text.Json;
using System.Text.Json.Nodes;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Formats;

namespace MossLantern.Data.Tests;

public class PieceJsonTests
{
    private static readonly Piece Full = Workshop.Piece() with
    {
        Ground = new(new RoundOutline(300), EdgeStyle.DrippedOver, 12, "#efe9dc"),
        Recipes = [Recipe.Plain("c1", "rose", "#c98f93", ColourantClass.AcrylicMetallic, 3), Recipe.Clear("c2")],
        Layers =
        [
            new(
                "l1", "Rings", 2.5,
                new RingsLayout([new("h1", 128, 160, 46, 34, 25, 11, 8)],
                    [new("b1", 3, false, "c1"), new("b2", 10, true, "c2")], 0.5, "c1"),
                [new FloodLayout("c1")]),
        ],
        Sittings =
        [
            new(
                "l1", ["l1"], new("thick", new(RatioBasis.Weight, 100, 45), 1.12, null), Measure.ByWeight, ReservePercent: 12.5,
                Start: new(2026, 5, 1, 9, 0), RoomC: 20.5, Order: [new("l1", RegionId.Parse("b2"))]),
        ],
    };

    [Fact]
    public void A_piece_survives_writing_and_reading()
    {
        var text = PieceJson.Write(Full);
        var read = PieceJson.Read(text);
        Assert.Equal(text, PieceJson.Write(read));
        Assert.Equal(Full.Ground, read.Ground);
        Assert.Equal(Full.Sittings[0].Resin, read.Sittings[0].Resin);
        Assert.Equal(Full.Sittings[0].Plan, read.Sittings[0].Plan);
        Assert.Equal(Full.Sittings[0].Order, read.Sittings[0].Order!.Value);
        Assert.Equal(Full.Recipes.Select(r => (r.Id, r.Colourant, r.LoadPercent)),
            read.Recipes.Select(r => (r.Id, r.Colourant, r.LoadPercent)));
    }

    [Fact]
    public void Every_kind_survives_and_nothing_that_is_worked_out_is_written()
    {
        var tray = Full with
        {
            Ground = new(
                new OvalOutline(320, 220), EdgeStyle.Walled, 18, "#efe9dc", new(PieceKind.Casting, BaseMaterial.Silicone),
                Mould: new(18, CapacityFrom.Water, 975, 3, 2, 1.5, ["tray"], [new(1, 9)],
                    [new("i1", "well", new RoundOutline(60), 40, 50, 1, 2)])),
            Layers = [Full.Layers[0], Full.Layers[0] with { Id = "l2", Within = "i1", PartDepths = [new(1, 4)] }],
        };
        var pair = Full
            with
        { Ground = Rework.OverUnknown(Full.Ground) with { Set = new(2, 24, true), Level = new(true, 0.1, 0, null, 0.1, true) } };
        foreach (var piece in new[] { tray, pair })
        {
            var text = PieceJson.Write(piece);
            Assert.Equal(text, PieceJson.Write(PieceJson.Read(text)));
            foreach (var reckoned in new[] { "whole", "mapOutline", "panels", "boards", "placed", "atOnce" })
            {
                Assert.DoesNotContain($"\"{reckoned}\"", text, StringComparison.Ordinal);
            }
        }

        // An earlier program wrote it, and its documents are still read.
        var earlier = PieceJson.Write(tray).Replace("\"keepMm\"", "\"atOnce\":2,\"keepMm\"", StringComparison.Ordinal);
        Assert.Equal(2, PieceJson.Read(earlier).Ground.Mould!.AtOnce);
    }

    [Fact]
    public void A_document_names_its_format_its_version_and_its_units()
    {
        var json = JsonNode.Parse(PieceJson.Write(Full))!;
        Assert.Equal("moss-lantern-piece", (string?)json["format"]);
        Assert.Equal(8, (int?)json["formatVersion"]);
        Assert.Equal("round", (string?)json["piece"]!["ground"]!["outline"]!["shape"]);
        Assert.Equal("acrylic-metallic", (string?)json["piece"]!["recipes"]![0]!["doses"]![0]!["colourant"]);
        Assert.Equal("2026-05-01T09:00:00", (string?)json["piece"]!["sittings"]![0]!["start"]);
        Assert.Null(json["piece"]!["ground"]!["outline"]!["areaMm2"]);
    }

    [Theory]
    [InlineData("", "cannot be read")]
    [InlineData("[]", "not a Moss Lantern piece")]
    [InlineData("""{"format":"sketch","formatVersion":1}""", "not a Moss Lantern piece")]
    [InlineData("""{"format":"moss-lantern-piece"}""", "which version")]
    [InlineData("""{"format":"moss-lantern-piece","formatVersion":"1"}""", "which version")]
    [InlineData("""{"format":"moss-lantern-piece","formatVersion":9}""", "version 9; this program reads up to 8")]
    [InlineData("""{"format":"moss-lantern-piece","formatVersion":1,"piece":null}""", "$.piece")]
    public void Other_documents_are_refused_with_a_sentence(string text, string sentence) =>
        Assert.Contains(sentence, Assert.Throws<PieceFormatException>(() => PieceJson.Read(text)).Message, StringComparison.Ordinal);

    [Theory]
    [InlineData("\"depthMm\":2.5", "\"depthMm\":\"2.5\"", "$.piece.layers[0].depthMm")]
    [InlineData("\"depthMm\":2.5", "\"depth\":2.5", "$.piece.layers[0]")]
    [InlineData("\"depthMm\":2.5,", "", "$.piece.layers[0]")]
    [InlineData("\"shape\":\"round\"", "\"shape\":\"star\"", "$.piece.ground.outline")]
    [InlineData("\"measure\":\"by-weight\"", "\"measure\":1", "$.piece.sittings[0].measure")]
    public void A_damaged_document_says_where(string part, string damaged, string place)
    {
        var text = PieceJson.Write(Full);
        Assert.Contains(part, text, StringComparison.Ordinal);
        var refusal = Assert.Throws<PieceFormatException>(() => PieceJson.Read(text.Replace(part, damaged, StringComparison.Ordinal)));
        Assert.Contains(place, refusal.Message, StringComparison.Ordinal);
    }

    /// <summary>Each host has options of its own; what a type is made of takes long to find out and is found out once.</summary>
    [Fact]
    public void Options_that_are_alike_share_what_was_found_out_of_the_types()
    {
        JsonSerializerOptions Like()
        {
            var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
            WorkshopJson.Apply(options);
            options.MakeReadOnly();
            return options;
        }

        var one = Like().GetTypeInfo(typeof(Piece));
        Assert.Same(one, Like().GetTypeInfo(typeof(Piece)));
        Assert.NotSame(one, WorkshopJson.Options.GetTypeInfo(typeof(Piece)));
    }
}
