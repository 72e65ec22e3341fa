using System.Text.Json.Nodes;
using FluentValidation;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Formats;

namespace MossLantern.Data.Tests;

/// <summary>A document of the first format becomes one of today's: what was told of a layer is told of recipes, a
/// layout and a sitting.</summary>
public class UpgradeTests
{
    private const string Ground = """
        { "outline": { "shape": "rectangle", "widthMm": 200, "heightMm": 100 }, "edge": "walled", "sideHeightMm": 9,
        "colour": "#ffffff" }
        """;

    private static string Cup(string id, string name = "", string colourant = "\"mica\"", double load = 3, string of = "null") =>
        FormattableString.Invariant($$"""
            { "id": "{{id}}", "name": "{{(name.Length > 0 ? name : id)}}", "colour": "#30503a",
            "colourant": {{colourant}}, "loadPercent": {{load}}, "of": {{of}} }
            """);

    private static string Layer(string id, string cups, string layout = "null", string hearts = "",
        string bands = """{ "id": "b1", "widthMm": 9, "fillsRest": true, "cup": "a" }""", string more = "") =>
        $$"""
        {
          "id": "{{id}}", "name": "Layer {{id}}", "depthMm": 3, "hearts": [{{hearts}}], "bands": [{{bands}}],
            "rimFollow": 0.5, "heartCup": "a", "cups": [{{cups}}],
          "resin": { "system": "thick", "ratio": null, "resinDensity": 1.1, "hardenerDensity": null },
            "measure": "by-weight", "reservePercent": 12,
          "pourOrder": [], "plan": { "start": "2026-05-01T09:00:00", "end": null, "roomC": 21 }, "widening": 1.2,
            "rimWay": "even", "layout": {{layout}}{{more}}
        }
        """;

    private const string Heart = """
        { "id": "h", "xMm": 60, "yMm": 50, "widthMm": 20, "heightMm": 15, "turnDeg": 0, "wavinessMm": 4, "seed": 3 }
        """;
    private const string TwoBands = """
        { "id": "b1", "widthMm": 9, "fillsRest": true, "cup": "a" }, { "id": "b2", "widthMm": 4, "fillsRest": false,
        "cup": "b" }
        """;

    private static string Document(string layers, string ground = Ground) =>
        $$"""
            { "format": "moss-lantern-piece", "formatVersion": 1, "piece": { "name": "Fen", "ground": {{ground}},
            "growth": { "gridMm": 0.6, "grainMm": 25 }, "layers": [{{layers}}] } }
            """;

    private static Piece Read(string layers)
    {
        var piece = PieceJson.ReadFromOutside(Document(layers));
        Assert.Equal([], new PieceValidator().Validate(piece).Errors.Select(e => e.ToString()));
        return piece;
    }

    [Fact]
    public void What_a_layer_said_of_pouring_is_its_sitting()
    {
        var piece = Read(Layer("one", Cup("a"), hearts: Heart,
            more: """, "losses": { "filmMm": 0.4 }, "tools": { "cupStepMl": 2 }""")
        .Replace("\"pourOrder\": []", "\"pourOrder\": [\"b1\", \"heart\"]", StringComparison.Ordinal));
        var sitting = Assert.Single(piece.Sittings);
        Assert.Equal(("one", "one", "thick", Measure.ByWeight, 12, 21, 0.4, 2),
            (sitting.Id, sitting.Rest.Single(), sitting.Resin.System, sitting.Measure,
            sitting.ReservePercent, sitting.RoomC, sitting.Losses!.FilmMm, sitting.Tools!.CupStepMl));
        Assert.Equal([new("one", RegionId.Parse("b1")), new("one", RegionId.Heart)], sitting.Order!.Value);
        Assert.Equal(new(2026, 5, 1, 9, 0), sitting.Start);
        var rings = Assert.IsType<RingsLayout>(piece.Layers[0].Layout);
        Assert.Equal((0.5, 1.2, RimWay.Even, "a"), (rings.RimFollow, rings.Widening, rings.RimWay, rings.HeartRecipeId));
        Assert.Equal(["h"], rings.Hearts.Select(h => h.Id));
    }

    [Fact]
    public void Equal_cups_of_several_layers_are_one_recipe_and_those_of_one_layer_stay_apart()
    {
        var piece = Read(string.Join(',',
            Layer("one", $"{Cup("a", "moss")}, {Cup("b", "moss")}, {Cup("c", "clear", "null", 0)}", bands: TwoBands),
            Layer("two", $"{Cup("a", "moss")}, {Cup("b", "clear", "null", 7)}", bands: TwoBands),
            Layer("three", $"{Cup("b", "moss")}, {Cup("a", "moss", load: 4)}", bands: TwoBands)));
        Assert.Equal([("a", "moss", 3), ("b", "moss", 3), ("c", "clear", 0), ("a-1", "moss", 4)],
            piece.Recipes.Select(r => (r.Id, r.Name, r.LoadPercent)));

        // Clear resin has no load that could tell it from other clear resin.
        Assert.Equal([["a", "b"], ["a", "c"], ["a-1", "a"]], piece.Layers.Select(l => l.RecipeIds));
    }

    [Fact]
    public void Mixed_cups_follow_what_they_are_filled_from_and_keep_their_place()
    {
        var mix = Cup("m", "mix", "null", 0, """[{ "cup": "a", "parts": 2 }, { "cup": "b", "parts": 1 }]""");
        var piece = Read(string.Join(',',
            Layer("one", $"{mix}, {Cup("a")}, {Cup("b")}", """
                { "kind": "marble", "groundCup": "a", "streakCup": "m", "streakPercent": 30, "blend": 0.2,
                "directionDeg": 0, "seed": 1 }
                """),
            Layer("two", $"{Cup("a", load: 5)}, {Cup("b")}, {mix}", """{ "kind": "flood", "cup": "m" }"""),
            Layer("three", $"{Cup("b")}, {Cup("a")}, {mix}", """{ "kind": "flood", "cup": "m" }""")));
        Assert.Equal(["m", "a", "b", "a-1", "m-1"], piece.Recipes.Select(r => r.Id));
        Assert.Equal([new("a", 2), new("b", 1)], piece.Recipes[0].Of!.Value);
        Assert.Equal([new("a-1", 2), new("b", 1)], piece.Recipes[4].Of!.Value);
        Assert.Equal([["a", "m"], ["m-1"], ["m"]], piece.Layers.Select(l => l.RecipeIds));
    }

    /// <summary>Walls of a layer, of a layout put by and of a zone, a vein, and a dam become lines with the regions that they were.</summary>
    [Fact]
    public void Walls_veins_and_dams_of_format_6_become_lines()
    {
        var document = JsonNode.Parse(PieceJson.Write(DemoPiece()))!;
        document["formatVersion"] = 6;
        var piece = document["piece"]!.AsObject();
        var recipe = (string)piece["recipes"]![0]!["id"]!;
        string Pools(double bead) => $$"""
            { "kind": "pools", "beadMm": {{bead}}, "pools": [],
              "strokes": [{ "id": "wall-1", "spots": [{ "xMm": 10, "yMm": 20 }, { "xMm": 90, "yMm": 30 }] }] }
            """;
        var vein = $$"""
            { "kind": "fields", "fields": 5, "colours": ["{{recipe}}"], "seed": 2,
              "vein": { "recipeId": "{{recipe}}", "widthMm": 4, "thicknessMm": 0.8 } }
            """;
        var layer = piece["layers"]![0]!.AsObject();
        var id = (string)layer["id"]!;
        layer["layout"] = JsonNode.Parse(vein);
        layer["aside"] = new JsonArray(JsonNode.Parse(Pools(2)));
        layer["zones"] = new JsonArray(JsonNode.Parse($$"""
            { "id": "z", "name": "Pond", "outline": { "shape": "round", "diameterMm": 80 }, "xMm": 20, "yMm": 20, "layout": {{Pools(3)}} }
            """));
        piece["kept"] = new JsonArray(JsonNode.Parse("""
            { "id": "k", "name": "Shell", "outline": { "shape": "round", "diameterMm": 20 }, "xMm": 130, "yMm": 60, "keep": "bare", "damMm": 5 }
            """));
        piece["wavedOff"] = new JsonArray(
            JsonNode.Parse($$"""{ "finding": "near-miss@{{id}}/z/wall-1/end", "reason": "meant so" }"""),
            JsonNode.Parse($$"""{ "finding": "near-miss@{{id}}/wall-1/end", "reason": "meant so too" }"""));
        var read = PieceJson.Read(document.ToJsonString());
        Assert.Equal(
        [
            $"vein vein {id} Fields  4 0.8", $"wall-1 wall {id} Pools  2 ", $"wall-1-1 z/wall {id} Pools z 3 ", "dam kept/k/dam    5 ",
        ],
            read.Lines!.Value.Select(l => FormattableString.Invariant(
                $"{l.Id} {l.Region} {l.LayerId} {l.In?.Kind} {l.In?.Zone} {l.Section.WidthMm} {l.Section.HeightMm}")));
        Assert.All(read.Lines!.Value.Where(l => l.IsBarrier), l => Assert.Equal(new BarrierLine(), l.Material));
        Assert.Equal(recipe, read.Lines!.Value[0].RecipeId);
        Assert.Equal([$"near-miss@{id}/z/wall-1-1/end", $"near-miss@{id}/wall-1/end"], read.WavedOff!.Value.Select(w => w.Finding));
        Assert.Equal([], new PieceValidator().Validate(read).Errors.Select(e => e.ToString()));

        // Beneath another piece they are the same.
        var over = JsonNode.Parse(PieceJson.Write(DemoPiece()))!;
        over["formatVersion"] = 6;
        var old = JsonNode.Parse(PieceJson.Write(Rework.Over(DemoPiece(), "old")))!["piece"]!["ground"]!["old"]!.AsObject();
        foreach (var field in new[] { "layers", "kept" })
        {
            old[field] = piece[field]!.DeepClone();
        }

        over["piece"]!["ground"]!["old"] = old.DeepClone();
        Assert.Equal(read.Lines.Value.Select(l => l.Id), PieceJson.Read(over.ToJsonString()).Ground.Old!.Lines!.Value.Select(l => l.Id));
    }

    /// <summary>Fields had a region for a vein that was taken away again: an order of pours, a pass or a bare region could still name it.</summary>
    [Fact]
    public void What_names_a_vein_that_fields_do_not_have_is_forgotten()
    {
        var document = JsonNode.Parse(PieceJson.Write(DemoPiece()))!;
        document["formatVersion"] = 6;
        var piece = document["piece"]!.AsObject();
        var (layer, sitting) = (piece["layers"]![0]!.AsObject(), piece["sittings"]![0]!.AsObject());
        var id = (string)layer["id"]!;
        layer["layout"] = JsonNode.Parse($$"""
            { "kind": "fields", "fields": 5, "colours": ["{{piece["recipes"]![0]!["id"]}}"], "seed": 2, "vein": null }
            """);
        layer["bare"] = new JsonArray("vein");
        sitting["order"] = JsonNode.Parse(
            $$"""[{ "layerId": "{{id}}", "region": "vein" }, { "layerId": "{{id}}", "region": "field-2" }]""");
        sitting["fills"] = JsonNode.Parse($$"""[{ "id": "f", "layerId": "{{id}}", "region": "vein" }]""");
        var read = PieceJson.Read(document.ToJsonString());
        Assert.Equal(["field-2"], read.Sittings[0].Order!.Value.Select(o => o.Region.ToString()));
        Assert.Null(read.Sittings[0].Fills);
        Assert.Null(read.Layers[0].Bare);
        Assert.Equal([], new PieceValidator().Validate(read).Errors.Select(e => e.ToString()));
    }

    private static Piece DemoPiece() => FirstPiece.Of("Fen Panel", new(
        new RectangleOutline(300, 200), EdgeStyle.TapedClean, 20, "#d9c29a", new(PieceKind.Panel, BaseMaterial.BirchPly, 18)));

    public static TheoryData<string, string, bool, string[]> Layouts => new()
    {
        { """{ "kind": "lines", "startCup": "b", "startMm": 1, "wavinessMm": 2, "seed": 3 }""", "StripesLayout", false, ["a", "b", "b"] },
        { """
            { "kind": "petals", "xMm": 90, "yMm": 50, "petals": 5, "pullMm": 6, "inward": true, "toolMm": 2,
            "turnDeg": 10 }
            """, "PetalsLayout", false, ["a", "b"] },
        { """
            { "kind": "fields", "fields": 6, "colours": ["a", "b"], "seed": 4, "recoloured": [{ "field": 2,
            "cup": "b" }], "vein": { "cup": "a", "widthMm": 2, "thicknessMm": 1 } }
            """, "FieldsLayout", true, ["a", "b", "b"] },
        { """
            { "kind": "pools", "strokes": [], "beadMm": 3, "pools": [{ "id": "p", "xMm": 9, "yMm": 9, "cup": "b" }] }
            """, "PoolsLayout", true, ["b"] },
        { """
            { "kind": "puddle", "xMm": 90, "yMm": 50, "pours": [{ "id": "p", "cup": "a", "ml": 9 }], "tiltDeg": 0,
            "tiltPercent": 0, "restCup": "b" }
            """, "PuddleLayout", true, ["a", "b"] },
        { """
            { "kind": "marble", "groundCup": "a", "streakCup": "b", "streakPercent": 30, "blend": 0.2,
            "directionDeg": 0, "seed": 1 }
            """, "MarbleLayout", true, ["a", "b"] },
        { """{ "kind": "flood", "cup": "b" }""", "FloodLayout", true, ["b"] },
    };

    [Theory]
    [MemberData(nameof(Layouts))]
    public void Bands_go_into_the_layout_that_uses_them_and_rings_that_lay_idle_are_put_by(string layout, string kind,
        bool putByBands, string[] recipes)
    {
        var cups = $"{Cup("a")}, {Cup("b")}";
        var zone = $$"""
            { "id": "z", "name": "Corner", "outline": { "shape": "round", "diameterMm": 30 }, "xMm": 20, "yMm": 20,
            "layout": {{layout}}, "hearts": [], "bands": [{{TwoBands}}], "rimFollow": 0, "heartCup": "b",
            "widening": 1 }
            """;
        var layer = Read(Layer("one", cups, layout, Heart, TwoBands, $", \"zones\": [{zone}]")).Layers[0];
        Assert.Equal((kind, kind), (layer.Layout.GetType().Name, layer.Zones!.Value[0].Layout.GetType().Name));
        Assert.Equal(recipes, layer.Layout.RecipeIds);
        Assert.Equal(recipes, layer.Zones.Value[0].Layout.RecipeIds);
        var aside = Assert.IsType<RingsLayout>(Assert.Single(layer.Aside!.Value));
        Assert.Equal(("b1 b2", "h", "a"),
            (string.Join(' ', aside.Bands.Select(b => b.Id)), string.Join(' ', aside.Hearts.Select(h => h.Id)), aside.HeartRecipeId));
        Assert.Equal(putByBands, layer.Zones.Value[0].Aside is not null);

        // One band that fills all was nothing that anybody worked on.
        Assert.Null(Read(Layer("one", cups, layout)).Layers[0].Aside);
    }

    [Fact]
    public void Older_work_beneath_is_brought_along()
    {
        var ground = $$"""
            {
              "outline": { "shape": "rectangle", "widthMm": 200, "heightMm": 100 }, "edge": "walled",
                "sideHeightMm": 9, "colour": "#ffffff",
              "old": { "name": "Kiln", "pieceId": null, "ground": {{Ground}}, "growth": { "gridMm": 0.6,
                "grainMm": 25 }, "layers": [{{Layer("old", Cup("a", "soot"))}}] }
            }
            """;
        var old = PieceJson.ReadFromOutside(Document(Layer("one", Cup("a")), ground)).Ground.Old!;
        Assert.Equal(("soot", "old", "a"),
            (old.Recipes.Single().Name, old.Sittings.Single().Rest.Single(), old.Layers[0].RecipeIds.First()));
        Assert.Single(old.Piece.Filled);
    }

    [Fact]
    public void A_long_id_that_is_taken_stays_an_id()
    {
        var id = new string('x', 40);
        var bands = $$"""{ "id": "b1", "widthMm": 9, "fillsRest": true, "cup": "{{id}}" }""";
        var piece = Read(string.Join(',', Layer("one", $"{Cup(id, "one")}, {Cup("a")}", bands: bands),
            Layer("two", $"{Cup(id, "two")}, {Cup("a")}", bands: bands)));
        Assert.Equal([id, id[..34] + "-1"], piece.Layers.Select(l => l.RecipeIds.First()));
    }

    [Theory]
    [InlineData(20, 40, true)]
    [InlineData(21, 1, false)]
    [InlineData(1, 41, false)]
    public void More_than_a_piece_may_have_is_refused_before_it_is_brought_over(int layers, int cups, bool taken)
    {
        var text = Document(string.Join(',', Enumerable.Range(0, layers).Select(l =>
            Layer($"l{l}", string.Join(',', Enumerable.Range(0, cups).Select(c => Cup(c == 0 ? "a" : $"c{c}", $"{l}/{c}")))))));
        if (taken)
        {
            Assert.Equal(layers * cups, PieceJson.ReadFromOutside(text).Recipes.Length);
        }
        else
        {
            Assert.Contains("from 1 to",
                Assert.Throws<ValidationException>(() => PieceJson.ReadFromOutside(text)).Message, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("\"measure\": \"by-weight\"", "\"measure\": \"by-eye\"", "sittings[0].measure")]
    [InlineData("\"widening\": 1.2", "\"wideness\": 1.2", "layers[0]")]
    [InlineData("\"colourant\": \"mica\"", "\"colourant\": \"gravel\"", "recipes[0].doses[0].colourant")]
    [InlineData("\"bands\": [", "\"bands\": [null, ", "layers[0].layout.bands")]
    [InlineData("\"layout\": null", "\"layout\": { \"recipeId\": \"a\" }", "layers[0].layout")]
    [InlineData("\"cups\": [", "\"cups\": [null, ", "recipes")]
    [InlineData("\"name\": \"Fen\"", "\"name\": \"Fen\", \"name\": \"Fen\"", "cannot be read")]
    public void What_the_first_format_does_not_say_so_is_refused_with_its_place(string part, string damaged, string place)
    {
        var text = Document(Layer("one", Cup("a")));
        Assert.Contains(part, text, StringComparison.Ordinal);
        Assert.Contains(place, Assert.Throws<PieceFormatException>(() => PieceJson.ReadFromOutside(text
            .Replace(part, damaged, StringComparison.Ordinal))).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_sequence_that_was_kept_with_its_cups_has_recipes()
    {
        var mix = Cup("b", "mix", "null", 0, """[{ "cup": "a", "parts": 2 }, { "cup": "c", "parts": 1 }]""");
        var kept = CupboardJson.Read<KeptSequence>(
            $$"""
            { "name": "Tea", "bands": [{{TwoBands}}], "cups": [{{Cup("a")}}, {{mix}}, {{Cup("c")}}],
              "acrossMm": 90, "widening": 1, "note": "" }
            """);
        Assert.Equal(["a", "b"], kept.Bands.Select(b => b.RecipeId));
        Assert.Equal([new("a", 2), new("c", 1)], kept.Recipes.Single(r => r.Id == "b").Of!.Value);
        Assert.Equal([], new KeptSequenceValidator().Validate(kept).Errors.Select(e => e.ToString()));
        Assert.Equal(CupboardJson.Write(kept), CupboardJson.Write(CupboardJson.Read<KeptSequence>(CupboardJson.Write(kept))));
    }

    [Fact]
    public void A_document_of_today_is_read_as_it_is_and_a_newer_one_is_refused_in_words()
    {
        var text = PieceJson.Write(Read(Layer("one", Cup("a"))));
        Assert.Equal(Piece.FormatVersion, (int)JsonNode.Parse(text)!["formatVersion"]!);
        Assert.Equal(text, PieceJson.Write(PieceJson.Read(text)));
        var newer = text
            .Replace($"\"formatVersion\":{Piece.FormatVersion}", $"\"formatVersion\":{Piece.FormatVersion + 1}", StringComparison.Ordinal);
        Assert.Contains($"reads up to {Piece.FormatVersion}",
            Assert.Throws<PieceFormatException>(() => PieceJson.Read(newer)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_stirred_into_a_mixed_cup_of_the_third_format_counted_for_nothing_and_goes()
    {
        var document = JsonNode.Parse(PieceJson.Write(Read(Layer("one", $"{Cup("a")}, {Cup("b")}", bands: TwoBands))))!;
        var recipes = document["piece"]!["recipes"]!.AsArray();
        recipes[1]!["of"] = JsonNode.Parse($$"""[{ "recipeId": "{{recipes[0]!["id"]}}", "parts": 1 }]""");
        Assert.Single(recipes[1]!["doses"]!.AsArray());
        Assert.Single(PieceJson.Read(document.ToJsonString()).Recipes[1].Doses);
        document["formatVersion"] = 3;
        var piece = PieceJson.Read(document.ToJsonString());
        Assert.Equal((0, 1), (piece.Recipes[1].Doses.Length, piece.Recipes[0].Doses.Length));
    }
}
