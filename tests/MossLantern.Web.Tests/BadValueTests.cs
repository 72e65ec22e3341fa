using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using MossLantern.Core.Documents;
using MossLantern.Formats;
using static MossLantern.Web.Tests.Places;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Every path that takes a document, sent each kind of bad value in each of its fields.</summary>
public sealed partial class BadValueTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task A_new_piece() =>
        await Send(HttpMethod.Post, "/api/pieces", new JsonObject { ["name"] = "Fen", ["ground"] = Ground(100, 60) },
            HttpStatusCode.Created);

    [Fact]
    public async Task A_save()
    {
        var (id, piece) = await Worked();

        // Based on a version that never was: what could be saved is stale, so nothing is ever written.
        await Send(HttpMethod.Put, $"/api/pieces/{id}", new JsonObject { ["basedOn"] = 9999, ["piece"] = piece }, HttpStatusCode.Conflict);
        Assert.Equal(2, (int)(await host.Get($"/api/pieces/{id}"))["version"]!);
    }

    [Fact]
    public async Task A_preview()
    {
        var (id, piece) = await Worked();
        var request = new JsonObject { ["piece"] = piece, ["layerId"] = "layer-1", ["detail"] = "draft", ["numbers"] = true };
        await Send(HttpMethod.Post, $"/api/pieces/{id}/preview", request, HttpStatusCode.OK);
        Assert.Equal(2, (int)(await host.Get($"/api/pieces/{id}"))["version"]!);
    }

    /// <summary>Commands made to the second revision, that of a piece that was worked at once.</summary>
    private static JsonObject Drafted(params JsonObject[] commands) =>
        new() { ["revision"] = 2, ["layerId"] = "layer-1", ["numbers"] = false, ["commands"] = new JsonArray([.. commands]) };

    [Fact]
    public async Task Commands()
    {
        var (id, _) = await Worked();
        JsonObject OnLayer(string what, params (string, JsonNode?)[] with) => Do(what, [("layer", "layer-1"), ("zone", null), .. with]);
        var request = Drafted(
            Do("set-field", ("place", "layers[layer-1].depthMm"), ("value", 3)),
            Do("nudge", ("place", "layers[layer-1].depthMm"), ("by", 1), ("from", 2)),
            OnLayer("add-band"), OnLayer("widen-band", ("band", "vein"), ("byMm", 2)), OnLayer("move-band", ("band", "vein"), ("by", -1)),
            OnLayer("pour-from", ("region", "vein"), ("recipe", null)), OnLayer("move-heart", ("heart", "h1"), ("xMm", 30), ("yMm", 22)),
            Do("order-pours", ("sitting", "layer-1"),
                ("regions", new JsonArray(Parsed("""{ "layerId": "layer-1", "region": "vein" }"""),
                    Parsed("""{ "layerId": "layer-1", "region": "heart" }""")))),
            Do("leave-pass-out", ("fill", "fill-1")),
            Do("set-region-depth", ("layer", "layer-1"), ("region", "vein"), ("depthMm", 4)),
            Do("set-region-stones", ("layer", "layer-1"), ("region", "vein"), ("stone", "crushed-glass"), ("grams", 20)),
            Do("pour-apart", ("layer", "layer-1"), ("regions", new JsonArray("vein")), ("sitting", null)),
            Do("add-pass", ("layer", "layer-1"), ("region", "vein"), ("sitting", null), ("below", true), ("recipe", null)),
            Do("colour-pass", ("fill", "fill-1"), ("recipe", "clear")), Do("move-sitting", ("sitting", "sitting-1"), ("by", 1)),
            Do("join-sittings", ("sitting", "sitting-1"), ("into", "layer-1")),
            Do("pour-with-rest", ("layer", "layer-1"), ("regions", new JsonArray("vein"))),
            Do("second-cup", ("sitting", "layer-1"), ("recipe", "cup-1"),
                ("pours", new JsonArray(Parsed("""{ "layer": "layer-1", "region": "vein", "pass": 0 }""")))),
            Do("one-cup", ("recipe", "cup-1-1")),
            Do("leave-bare", ("layer", "layer-1"), ("regions", new JsonArray("vein"))),
            Do("arrange-batches", ("sitting", "layer-1"),
                ("batches", new JsonArray(
                    Parsed("""{ "id": "b", "recipeIds": ["clear"], "jugMl": 200, "shares": [{ "recipeId": "clear", "percent": 40 }] }"""),
                    Parsed("""{ "id": "c", "recipeIds": ["clear"], "shares": [{ "recipeId": "clear", "percent": 60 }] }""")))),
            Do("reserve-in-cup", ("sitting", "layer-1"), ("recipe", "cup-1"), ("percent", 9)),
            Do("hold-back", ("sitting", "layer-1"), ("recipe", "cup-1"), ("for", "the corner"), ("ml", 3)),
            Do("mix-in-cup", ("sitting", "layer-1"), ("recipe", "cup-1"), ("ml", 40)),
            Do("mix-by-eye", ("sitting", "layer-1"), ("recipe", "cup-1"), ("byEye", true)),
            Do("choose-colour", ("recipe", "cup-1"), ("name", "Fen"), ("colour", "#445566"), ("doses", new JsonArray(Parsed("""
                { "colourant": "dye", "percent": 2, "by": "weight", "colour": "#445566" }
                """)))),
            Do("recolour", ("recipe", "cup-1"), ("colour", "#7a3b6e"), ("name", "Fen")),
            Do("choose-colourant", ("recipe", "cup-1"), ("colourant", "dye"), ("dose", 0), ("colourantId", null)),
            Do("add-colourant", ("recipe", "cup-1"), ("colourant", "glitter"), ("colourantId", null)),
            Do("dose-colour", ("recipe", "cup-1"), ("dose", 0), ("amount", 3), ("unit", "drops"), ("inMl", 30), ("sitting", "layer-1")),
            Do("try-dose", ("recipe", "cup-1"), ("dose", 0), ("amount", 1), ("unit", "drops"), ("inMl", 30),
                ("sitting", "layer-1"), ("note", "paler"), ("anew", false), ("at", "2026-05-01T08:00:00")),
            Do("measure-dose", ("recipe", "cup-1"), ("dose", 0), ("by", "volume"), ("sitting", "layer-1")),
            Do("cover-below", ("recipe", "cup-1"), ("layer", "layer-1"), ("coverPercent", 20), ("depthMm", 3)),
            Do("leave-colourant-out", ("recipe", "cup-1"), ("dose", 1)),
            Do("take-mixture", ("recipe", "cup-1"), ("doses", new JsonArray(Parsed("""
                { "colourant": "mica", "percent": 2, "by": "weight", "colour": "#445566" }
                """)))),
            Do("pour-off", ("recipe", "cup-1"), ("from", "clear")), Do("pour-off", ("recipe", "cup-1"), ("from", null)),
            OnLayer("lay-out-as", ("kind", "pools")),
            OnLayer("draw-wall", ("spots", new JsonArray(Parsed("""{ "xMm": 0, "yMm": 20 }"""), Parsed("""{ "xMm": 60, "yMm": 22 }""")))),
            OnLayer("add-pool", ("xMm", 30), ("yMm", 35), ("recipe", null)),
            OnLayer("move-wall-spot", ("wall", "wall-1"), ("spot", 0), ("byXMm", 0), ("byYMm", 2)),
            OnLayer("lay-out-as", ("kind", "fields")),
            OnLayer("move-field", ("field", 2), ("xMm", 40), ("yMm", 30), ("byXMm", 1), ("byYMm", 2)),
            OnLayer("lay-out-as", ("kind", "puddle")), OnLayer("tilt-puddle", ("deg", 20), ("percent", 30)),
            OnLayer("begin-layout", ("starter", "marble")),
            Do("reserve-spot"), Do("stretch-spot", ("layer", null), ("id", "kept-1"), ("byWidthMm", 2), ("byHeightMm", 2)),
            Do("take-insert-out", ("insert", "i1")), Do("stand-insert"),
            Do("move-insert", ("insert", "insert-1"), ("xMm", 20), ("yMm", 12)), Do("fill-hollow", ("insert", "insert-1")),
            Do("read-level", ("panel", 1), ("level", Parsed("""
                { "whereItCures": true, "tiltXDeg": 0.1, "tiltYDeg": 0.1, "corners": null, "stepDeg": null,
                "waterChecked": false }
                """))),
            Do("mark-prepared", ("step", "wipe"), ("done", true), ("at", "2026-05-01T08:00:00")),
            Do("move-support", ("support", 0), ("byXMm", 1), ("byYMm", 1)),
            Do("wave-off", ("finding", "mud:1"), ("reason", "Meant.")));
        await Send(HttpMethod.Post, $"/api/pieces/{id}/preview", request,
            place => place.StartsWith("commands", StringComparison.Ordinal), HttpStatusCode.OK);
        Assert.Equal(2, (int)(await host.Get($"/api/pieces/{id}"))["version"]!);
    }

    [Fact]
    public async Task A_remedy()
    {
        var (id, _) = await Worked();
        var finding = (await host.Get($"/api/pieces/{id}"))["plan"]!["findings"]!.AsArray()
            .First(f => f!["remedies"]!.AsArray().Any(r => r!["field"] is null))!;
        var remedy = finding["remedies"]!.AsArray().First(r => r!["field"] is null)!;
        await Send(HttpMethod.Post, $"/api/pieces/{id}/preview", Drafted(TestHost.Commands(remedy)), HttpStatusCode.OK);
        Assert.Equal(2, (int)(await host.Get($"/api/pieces/{id}"))["version"]!);
    }

    [Fact]
    public async Task A_ground_that_becomes_another()
    {
        var (_, piece) = await Worked();
        var commands = new JsonArray(Do("become-kind", ("kind", "slice")), Do("put-handles", ("handles", 8)),
            Do("open-outline", ("open", true)), Do("another-rim"));
        await Send(HttpMethod.Post, "/api/grounds/edit",
            new JsonObject { ["ground"] = piece["ground"]!.DeepClone(), ["commands"] = commands }, HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_panel_over_older_work()
    {
        var (id, piece) = await Worked();
        Panel(piece["ground"]!);
        piece["layers"]!.AsArray().RemoveAt(1);
        piece["sittings"]!.AsArray().RemoveAt(1);
        await Send(HttpMethod.Put, $"/api/pieces/{id}", new JsonObject { ["basedOn"] = 9999, ["piece"] = piece }, HttpStatusCode.Conflict);
        var commands = new JsonArray(Do("pour-over-old", ("over", true)), Do("make-panels", ("count", 1)), Do("grow-rim", ("mm", 5)));
        await Send(HttpMethod.Post, "/api/grounds/edit",
            new JsonObject { ["ground"] = piece["ground"]!.DeepClone(), ["commands"] = commands }, HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_mould_and_a_use_of_it()
    {
        var mould = Parsed(
            """
            {
              "name": "Fen cup", "outline": { "shape": "drawn",
                "path": "M0 0L60 0L60 40L0 40ZM70 0L90 0L90 40L70 40Z" }, "depthMm": 10, "from": "water",
              "capacityMl": 30, "cavitiesEach": 2, "owned": 3, "note": "", "cavityDepths": [ { "part": 2, "depthMm": 8 } ]
            }
            """);
        await Send(HttpMethod.Put, "/api/moulds/m1", new JsonObject { ["basedOn"] = 9999, ["mould"] = mould },
            HttpStatusCode.OK, HttpStatusCode.NotFound);
        using (var kept = await host.Client
            .PutAsync("/api/moulds/m2", Body(new JsonObject { ["basedOn"] = 0, ["mould"] = mould.DeepClone() }.ToJsonString())))
        {
            Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        }

        var use = new JsonObject { ["at"] = "2026-05-01T08:00:00", ["what"] = "Washed", ["castings"] = 1, ["hottestC"] = 40 };
        await Send(HttpMethod.Post, "/api/moulds/m2/uses", use, HttpStatusCode.OK);
        var ground = Ground(60, 40);
        ground["base"] = Parsed("""
            { "kind": "casting", "material": "silicone", "backStiffened": false, "gapsSealed": false,
            "sealTested": false }
            """);
        ground["mould"] = Parsed("""
            { "depthMm": 10, "from": "dimensions", "capacityMl": null, "pieces": 1, "cavities": 1, "keepMm": 0 }
            """);
        await Send(
            HttpMethod.Post, "/api/grounds/edit", new JsonObject
            {
                ["ground"] = ground,
                ["commands"] = new JsonArray(Do("cast-in-moulds", ("moulds", new JsonArray("m2"))))
            }, HttpStatusCode.OK);
    }

    [Fact]
    public async Task Prices_pots_and_a_stand_in()
    {
        var pot = Parsed("""
            { "name": "Peat black", "colour": "#2b2a26", "kind": "water", "leftMl": 40,
            "note": "two black, one umber" }
            """);
        await Send(HttpMethod.Put, "/api/pots/p1", new JsonObject { ["basedOn"] = 9999, ["pot"] = pot },
            HttpStatusCode.OK, HttpStatusCode.NotFound);
        await Send(HttpMethod.Put, "/api/prices",
            new JsonObject { ["money"] = "kr", ["perLitre"] = new JsonObject { ["primer"] = 12.5 } }, HttpStatusCode.OK);
        await Send(HttpMethod.Put, "/api/stand-ins/level",
            new JsonObject { ["acrossDeg"] = 0.2, ["alongDeg"] = -0.1, ["stepDeg"] = 0.1 }, HttpStatusCode.OK);
    }

    [Fact]
    public async Task Recipes_colours_to_be_mixed_and_what_is_left_over()
    {
        const string recipe = """
            { "id": "r", "name": "Fen", "colour": "#445566", "doses": [{ "colourant": "mica", "percent": 2,
              "by": "weight", "colourantId": "own", "colour": "#445566" }], "of": [{ "recipeId": "o", "parts": 2 }],
              "frozen": false, "seen": "#455667", "trials": [{ "colourant": "mica", "amount": 2, "unit": "drops",
                "inMl": 30, "toPercent": 1, "words": "pale", "colourantId": null }] }
            """;
        const string other = """{ "id": "o", "name": "Sedge", "colour": "#556644", "doses": [{ "colourant": "paste", "percent": 3 }] }""";
        var kept = new JsonObject { ["recipe"] = Parsed(recipe), ["others"] = new JsonArray(Parsed(other)), ["note"] = "three drops" };
        await Send(HttpMethod.Put, "/api/recipes/r1", new JsonObject { ["basedOn"] = 9999, ["kept"] = kept }, HttpStatusCode.NotFound);
        await Send(HttpMethod.Post, "/api/recipes",
            new JsonObject
            {
                ["recipeId"] = "r",
                ["recipes"] = new JsonArray(Parsed(recipe), Parsed(other)),
                ["note"] = "three drops"
            }, HttpStatusCode.Created);
        var id = (string)(await host.List("/api/recipes"))[0]!["id"]!;
        await Send(HttpMethod.Post, $"/api/recipes/{id}/dosed", new JsonObject { ["ml"] = 120, ["resin"] = "coating" }, HttpStatusCode.OK);
        await Send(HttpMethod.Post, "/api/colours/mixtures", Parsed("""
            { "colour": "#7a8f6a", "ground": "#d9c29a", "depthMm": 3, "resin": "coating", "ml": 60,
              "besides": [{ "colourant": "paste", "name": "bone", "colour": "#f0e8d5" }] }
            """).AsObject(), HttpStatusCode.OK);
        await Send(HttpMethod.Post, "/api/colours/offered", Parsed("""
            { "ground": "#d9c29a", "asMap": false, "depthMm": 3, "resin": "coating" }
            """).AsObject(), HttpStatusCode.OK);
        await Send(HttpMethod.Post, "/api/colours/seen", Parsed("""
            { "ground": "#d9c29a", "asMap": false, "depthMm": 3, "resin": "coating", "colour": "#445566",
              "doses": [{ "colourant": "mica", "percent": 2, "by": "weight", "colour": "#445566" }] }
            """).AsObject(), HttpStatusCode.OK);
        await Send(HttpMethod.Put, "/api/left-overs/l1", new JsonObject { ["basedOn"] = 9999, ["leftOver"] = Parsed("""
            { "name": "amber", "colour": "#d07d1c", "use": "cast-stones", "grams": 40, "note": "" }
            """) }, HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_is_weighed_and_the_scales_stand_in()
    {
        var (id, _) = await Worked();
        var path = $"/api/pieces/{id}/sittings/layer-1/weighing";
        var step = (string)(await host.Get(path))["steps"]![0]!["id"]!;
        await Send(HttpMethod.Post, path,
            new JsonObject { ["id"] = Guid.NewGuid().ToString(), ["stepId"] = step, ["grams"] = 12.5 }, HttpStatusCode.OK);
        await Send(HttpMethod.Post, path + "/judge", new JsonObject { ["stepId"] = step, ["grams"] = 12.5 }, HttpStatusCode.OK);
        await Send(HttpMethod.Post, path + "/back", new JsonObject { ["everything"] = false }, HttpStatusCode.OK);
        await Send(HttpMethod.Put, "/api/stand-ins/scale", Parsed("""
            { "onItG": 3, "pourGPerS": 8, "pourToG": 40, "driftGPerMin": 0.1, "leanG": 0, "jumpG": 0.2,
            "behaves": "well" }
            """).AsObject(), HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_material()
    {
        var material = Parsed("""
            { "kind": "resin", "name": "Bog gloss", "like": "coating", "values": { "heatC": 60,
            "recoatFromHours": 5 }, "basis": "weight", "note": "sheet 3", "putAway": false, "leftPercent": 40 }
            """);
        await Send(HttpMethod.Put, "/api/cupboard/materials/bog",
            new JsonObject { ["basedOn"] = 9999, ["material"] = material }, HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_drawing()
    {
        const string svg =
            "<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='60mm' viewBox='0 0 90 60'><rect width='90' height='60'/></svg>";
        await Send(HttpMethod.Post, "/api/outlines/svg", new JsonObject { ["svg"] = svg, ["dpi"] = 96 }, HttpStatusCode.OK);
        var stroked = "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='20mm' viewBox='0 0 40 20'>"
            + "<line x2='9' stroke='#000'/></svg>";
        await Send(HttpMethod.Post, "/api/lines/svg", new JsonObject { ["svg"] = stroked, ["dpi"] = 96 }, HttpStatusCode.OK);
        await Send(HttpMethod.Put, "/api/ways", (JsonObject)await host.Get("/api/ways"), HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_step()
    {
        var (id, _) = await Worked();
        await Send(HttpMethod.Post, $"/api/pieces/{id}/step", new JsonObject { ["basedOn"] = 9999, ["step"] = "undo" },
            HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_run()
    {
        var (id, piece) = await Worked();
        var layer = piece["layers"]![0]!;
        var run = new JsonObject
        {
            ["basedOn"] = 0,
            ["sittingId"] = (string)layer["id"]!,
            ["start"] = "2026-05-01T09:00:00",
            ["end"] = "2026-05-01T09:20:00",
            ["roomC"] = 21,
            ["note"] = "Tape came off clean.",
            ["pours"] = new JsonArray(new JsonObject { ["regionId"] = "heart", ["pouredMl"] = 12.5 }),
            ["evenSo"] = true,
        };
        await Send(HttpMethod.Put, $"/api/pieces/{id}/runs/{Guid.NewGuid()}", run, HttpStatusCode.OK, HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task The_workshops_zone() =>
        await Send(HttpMethod.Put, "/api/workshop", new JsonObject { ["timeZone"] = "Europe/Dublin" }, HttpStatusCode.OK);

    /// <summary>What a field is said to take while it is typed is what a save takes, in the same words.</summary>
    [Fact]
    public async Task Every_range_told_is_the_one_that_counts()
    {
        var (id, piece) = await Worked();
        var round = piece.DeepClone().AsObject();
        round["ground"]!["outline"] = Parsed("""{ "shape": "round", "diameterMm": 80 }""");
        var slice = piece.DeepClone().AsObject();
        slice["ground"]!["outline"] = Parsed(
            """
                { "shape": "slice", "widthMm": 80, "heightMm": 60, "reach": [1, 0.9, 0.95, 0.9], "wobbleMm": 1,
                "seed": 3, "opening": { "xMm": 40, "yMm": 30, "widthMm": 10, "heightMm": 10 } }
                """);
        slice["ground"]!["level"] = Parsed("""
            { "whereItCures": true, "corners": { "topLeftMm": 0, "topRightMm": 1, "bottomLeftMm": 0,
            "bottomRightMm": 1 } }
            """);
        slice["ground"]!["level"]!["stepDeg"] = 0.1;
        var set = piece.DeepClone().AsObject();
        Panel(set["ground"]!);
        var drawn = piece.DeepClone().AsObject();
        drawn["ground"]!["outline"] = Parsed("""{ "shape": "drawn", "path": "M0 0L60 0L60 40L0 40ZM70 0L90 0L90 40L70 40Z" }""");
        drawn["ground"]!["mould"]!["inserts"] = null;
        drawn["ground"]!["mould"]!["cavityDepths"] = new JsonArray(Parsed("""{ "part": 2, "depthMm": 12 }"""));
        drawn["layers"]![0]!["partDepths"] = new JsonArray(Parsed("""{ "part": 2, "depthMm": 4 }"""));
        var oval = WithInsert(piece, """{ "shape": "oval", "widthMm": 9, "heightMm": 8 }""");
        var disc = WithInsert(piece, """{ "shape": "round", "diameterMm": 9 }""");
        var laid = LaidOut.Keys.Select(kind => Laid(piece, kind)).ToArray();
        var swapped = Laid(piece, "flood");
        swapped["layers"]![0]!["zones"]![0]!["outline"] = Parsed("""{ "shape": "oval", "widthMm": 9, "heightMm": 8 }""");
        swapped["kept"]![0]!["outline"] = Parsed("""{ "shape": "round", "diameterMm": 6 }""");
        var ranges = (await host.Get("/api/fields"))["ranges"]!.AsObject();
        foreach (var (field, range) in ranges.Where(r => !r.Key.StartsWith("runs.", StringComparison.Ordinal)))
        {
            var (whole, place) = ((JsonObject[])[.. laid, swapped, set, drawn, oval, disc, piece, round, slice])
                .SelectMany(w => All(w).Select(p => (Whole: w, p.Place))).Last(p => Indices().Replace(p.Place, "") == field);
            var step = field.Split('.')[^1] is "coats" or "copies" or "pieces" or "cavities" or "count" or "petals" or "fields" ? 1 : 0.001;
            foreach (var (value, taken) in new[]
            {
                ((double)range!["from"]! - step, false), ((double)range["to"]! + step, false),
                ((double)range["from"]!, true), ((double)range["to"]!, true),
            })
            {
                var changed = whole.DeepClone().AsObject();
                Set(changed, place, step == 1 ? (JsonNode)(int)value : value, remove: false);
                if (field.Contains(".ratio.", StringComparison.Ordinal) && taken)
                {
                    // A part of a ratio is looked at beside the other one, too.
                    var other = field.EndsWith("resin", StringComparison.Ordinal) ? "hardener" : "resin";
                    Set(changed, place[..place.LastIndexOf('.')] + "." + other, value, remove: false);
                }

                using var answer = await host.Client
                    .PutAsync($"/api/pieces/{id}", Body(new JsonObject { ["basedOn"] = 9999, ["piece"] = changed }.ToJsonString()));
                var text = await answer.Content.ReadAsStringAsync();
                if (taken)
                {
                    // The value alone is good; together with the others it may not be.
                    Assert.True(answer.StatusCode == HttpStatusCode.Conflict
                        || !Parsed(text)["errors"]!.AsObject().ContainsKey(ById(changed, place)), $"{place} = {value}: {text}");
                }
                else
                {
                    Assert.True(HttpStatusCode.BadRequest == answer.StatusCode, $"{place} = {value}: {text}");
                    Assert.Equal((string)range["sentence"]!, Sentence(Parsed(text), ById(changed, place)));
                }
            }
        }
    }

    /// <summary>One of every layout, for a layer with the cups "cup-1" and "other".</summary>
    public static TheoryData<string> Layouts => [.. LaidOut.Keys];

    private const string Bands = """
        "bands": [{ "id": "band-1", "widthMm": 9, "fillsRest": true, "recipeId": "cup-1" }, { "id": "vein",
          "widthMm": 5, "fillsRest": false, "recipeId": "other" }], "widening": 1
        """;

    private static readonly Dictionary<string, string> LaidOut = new()
    {
        ["rings"] = """
            { "kind": "rings", "hearts": [{ "id": "h1", "xMm": 30, "yMm": 20, "widthMm": 12, "heightMm": 9,
              "turnDeg": 10, "wavinessMm": 3, "seed": 4 }],
              BANDS, "rimFollow": 0.2, "heartRecipeId": "other", "rimWay": "even" }
            """.Replace("BANDS", Bands, StringComparison.Ordinal),
        ["lines"] = """
            { "kind": "lines", BANDS, "startRecipeId": "other", "startMm": 0.5, "wavinessMm": 2, "seed": 3 }
            """.Replace("BANDS", Bands, StringComparison.Ordinal),
        ["petals"] = """
            { "kind": "petals", BANDS, "xMm": 30, "yMm": 20, "petals": 5, "pullMm": 6, "inward": true, "toolMm": 2,
            "turnDeg": 10 }
            """.Replace("BANDS", Bands, StringComparison.Ordinal),
        ["fields"] = """
            { "kind": "fields", "fields": 6, "colours": ["cup-1", "other"], "seed": 4, "moved": [{ "field": 2, "xMm": 20, "yMm": 10 }],
              "recoloured": [{ "field": 3, "recipeId": "other" }] }
            """,
        ["pools"] = """
            { "kind": "pools",
              "pools": [{ "id": "p1", "xMm": 10, "yMm": 5, "recipeId": "other" }] }
            """,
        ["puddle"] = """
            { "kind": "puddle", "xMm": 30, "yMm": 20, "pours": [{ "id": "a", "recipeId": "other", "ml": 2 },
              { "id": "b", "recipeId": "cup-1", "ml": 1 }],
              "tiltDeg": 20, "tiltPercent": 15, "restRecipeId": "cup-1" }
            """,
        ["marble"] = """
            { "kind": "marble", "groundRecipeId": "cup-1", "streakRecipeId": "mix", "streakPercent": 30,
            "blend": 0.4, "directionDeg": 15, "seed": 2 }
            """,
        ["flood"] = """{ "kind": "flood", "recipeId": "cup-1" }""",
    };

    [Fact]
    public void Every_layout_is_tried() =>
        Assert.Equal(Kinds.All.Single(k => k.Type == typeof(Layout)).Names.Select(n => n.Name).Order(), LaidOut.Keys.Order());

    [Theory]
    [MemberData(nameof(Layouts))]
    public async Task Every_layout_a_zone_of_it_and_what_is_kept(string kind)
    {
        var (id, piece) = await Worked();
        var request = new JsonObject
        {
            ["piece"] = Laid(piece, kind),
            ["layerId"] = "layer-1",
            ["detail"] = kind is "fields" or "pools" ? "full" : "draft",
            ["numbers"] = true
        };

        // What every piece has is spoilt by the other tests; zones, what is kept and mixed cups are the same beside any layout.
        await Send(
            HttpMethod.Post, $"/api/pieces/{id}/preview", request,
            place => (kind == "puddle" ? Beside() : Own()).IsMatch(place), HttpStatusCode.OK);
    }

    [GeneratedRegex(@"layers\[0\]\.layout|\.lines")]
    private static partial Regex Own();

    [GeneratedRegex(@"\.layout|\.zones|\.kept|\.aside|recipes\[2\]")]
    private static partial Regex Beside();

    /// <summary>The worked piece with a layout, a zone that is laid out in the same way, and a reserved spot.</summary>
    internal static JsonObject Laid(JsonObject piece, string kind)
    {
        var laid = piece.DeepClone().AsObject();
        laid["ground"]!["mould"]!["inserts"] = null;
        laid["layers"]!.AsArray().RemoveAt(1);
        var layer = laid["layers"]![0]!;
        var recipes = laid["recipes"]!.AsArray();
        var own = (string)recipes[0]!["id"]!;
        recipes.Add((JsonNode)Parsed("""
            { "id": "other", "name": "other", "colour": "#102030", "doses": [{ "colourant": "paste", "percent": 3 }] }
            """));
        recipes.Add((JsonNode)Parsed(
            $$"""
                { "id": "mix", "name": "mix", "colour": "#102030", "doses": [], "of": [{ "recipeId": "other",
                "parts": 2 }, { "recipeId": "{{own}}", "parts": 1 }] }
                """));
        laid["sittings"]!.AsArray().RemoveAt(1);
        laid["sittings"]![0]!["order"] = null;
        laid["sittings"]![0]!["fills"] = null;
        layer["regionDepths"] = null;
        layer["stones"] = null;
        layer["layout"] = Parsed(LaidOut[kind].Replace("cup-1", own, StringComparison.Ordinal));
        layer["aside"] = kind == "flood" ? null : new JsonArray(Parsed($$"""{ "kind": "flood", "recipeId": "{{own}}" }"""));
        var zone = Parsed("""{ "id": "z1", "name": "Corner", "outline": { "shape": "round", "diameterMm": 18 }, "xMm": 35, "yMm": 18 }""");
        zone["layout"] = layer["layout"]!.DeepClone();
        layer["zones"] = new JsonArray(zone);
        laid["kept"] = new JsonArray(Parsed("""
            { "id": "k1", "name": "Shell", "outline": { "shape": "oval", "widthMm": 8, "heightMm": 6 }, "xMm": 4,
            "yMm": 4, "keep": "bare", "clearMm": 1 }
            """));
        laid["dries"] = new JsonArray(Parsed("""{ "id": "dry-1", "kind": "glue", "layerId": "layer-1", "hours": 6 }"""));
        laid["lines"] = new JsonArray(
        [
            Parsed("""
                { "id": "dam", "region": "kept/k1/dam", "course": { "kind": "round", "spot": "k1" }, "section": { "widthMm": 1 },
                "material": { "kind": "barrier" } }
                """),
            .. Drawn(kind, null), .. Drawn(kind, "z1"),
        ]);
        return laid;

        // Walls between pools; along the borders of what else has some, a line of resin.
        static JsonNode[] Drawn(string kind, string? zone)
        {
            var (before, id) = zone is null ? ("", "") : ($"{zone}/", $"-{zone}");
            var drawn = $$"""{ "kind": "{{kind}}", "zone": {{(zone is null ? "null" : $"\"{zone}\"")}} }""";
            return kind switch
            {
                "pools" => [Parsed($$"""
                    { "id": "w1{{id}}", "region": "{{before}}wall", "layerId": "layer-1", "in": {{drawn}},
                      "course": { "kind": "drawn", "spots": [{ "xMm": 0, "yMm": 20 }, { "xMm": 30, "yMm": 22 }, { "xMm": 60, "yMm": 18 }] },
                      "section": { "widthMm": 2, "heightMm": 4 }, "material": { "kind": "barrier", "class": "putty" } }
                    """)],
                "fields" => [Parsed($$"""
                    { "id": "vein{{id}}", "region": "{{before}}vein", "layerId": "layer-1", "in": {{drawn}},
                      "course": { "kind": "borders" }, "section": { "widthMm": 2, "heightMm": 0.5 },
                      "material": { "kind": "resin", "recipeId": "other" } }
                    """)],
                "rings" or "lines" or "petals" => [Parsed($$"""
                    { "id": "line{{id}}", "region": "{{before}}gold", "layerId": "layer-1", "in": {{drawn}},
                      "course": { "kind": "border", "first": "band-1", "second": "vein", "offMm": 0.5, "from": 0.1, "to": 0.9 },
                      "section": { "widthMm": 1, "heightMm": 0.5, "swell": 0.2, "seed": 3 },
                      "material": { "kind": "resin", "recipeId": "other" } }
                    """), .. kind == "rings" ? [Parsed($$"""
                    { "id": "paste{{id}}", "region": "{{before}}paste", "layerId": "layer-1", "in": {{drawn}},
                      "course": { "kind": "ring", "xMm": 30, "yMm": 20, "diameterMm": 12, "turns": 2 },
                      "section": { "widthMm": 1, "heightMm": 0.5, "everyMm": 2 },
                      "material": { "kind": "paste", "recipeId": "other", "stiffness": "holds",
                        "granules": [{ "stoneId": "sand", "parts": 2 }] } }
                    """)] : kind == "petals" ? [Parsed($$"""
                    { "id": "raised{{id}}", "region": "{{before}}raised", "layerId": "layer-1", "in": {{drawn}},
                      "course": { "kind": "drawn", "spots": [{ "xMm": 8, "yMm": 20 }, { "xMm": 50, "yMm": 18 }] },
                      "section": { "widthMm": 2, "heightMm": 1 }, "laid": { "at": "2026-05-01T10:00:00" },
                      "material": { "kind": "relief", "class": "outliner", "colour": "#c9a227" } }
                    """)] : Array.Empty<JsonNode>()],
                _ => [],
            };
        }
    }

    /// <summary>The worked piece as one of a pair of panels over older work.</summary>
    internal static void Panel(JsonNode ground)
    {
        ground["base"]!["kind"] = "panel";
        ground["mould"] = null;
        ground["tape"] = Parsed("""{ "runs": "two", "damMm": 8 }""");
        ground["rubber"] = new JsonArray(Parsed(
            """{ "id": "rim", "widthMm": 8, "heightMm": 12, "faceDeg": 2, "backDeg": 3, "crystalsG": 20 }"""));
        ground["set"] = Parsed("""{ "count": 2, "gapMm": 10, "mirrored": true }""");
        ground["old"] = Parsed(
            """
            {
              "name": "Peat", "pieceId": null, "xMm": 0, "yMm": 0, "standsMm": 1, "reliefMm": 1,
              "growth": { "gridMm": 0.25, "grainMm": 25 }, "recipes": [], "layers": [], "sittings": [],
              "ground": { "outline": { "shape": "rectangle", "widthMm": 40, "heightMm": 30 },
                "edge": "taped-clean", "sideHeightMm": 9, "colour": "#ffffff" }
            }
            """);
    }

    private static JsonObject WithInsert(JsonObject piece, string outline)
    {
        var with = piece.DeepClone().AsObject();
        with["ground"]!["mould"]!["inserts"]![0]!["outline"] = Parsed(outline);
        return with;
    }

    [GeneratedRegex(@"\[\d+\]")]
    private static partial Regex Indices();

    /// <summary>A small piece with a heart, a loss and a plan, so that every field has a value.</summary>
    private Task<(string Id, JsonObject Piece)> Worked() => Worked(host);

    internal static async Task<(string Id, JsonObject Piece)> Worked(TestHost host)
    {
        var view = await host.AddPiece("Fen", Ground(60, 40));
        var layer = view["piece"]!["layers"]![0]!;
        var layout = layer["layout"]!;
        layout["hearts"] = new JsonArray(Parsed("""
            { "id": "h1", "xMm": 30, "yMm": 20, "widthMm": 12, "heightMm": 9, "turnDeg": 10, "wavinessMm": 3,
            "seed": 4 }
            """));
        layout["heartRecipeId"] = "clear";
        var vein = layout["bands"]![0]!.DeepClone().AsObject();
        (vein["id"], vein["widthMm"], vein["fillsRest"]) = ("vein", 5, false);
        layout["bands"]!.AsArray().Add((JsonNode)vein);
        var sitting = view["piece"]!["sittings"]![0]!;
        sitting["losses"] = Parsed("""{ "filmMm": 0.4, "dripPercent": 9, "cupMl": 1, "cupPercent": 3 }""");
        sitting["tools"] = Parsed("""{ "cupStepMl": 0.5, "scaleStepG": 0.1, "jugMl": 400 }""");
        sitting["fills"] = new JsonArray(Parsed("""
            { "id": "fill-1", "layerId": "layer-1", "region": "vein", "recipeId": "clear", "depthMm": 0.5,
            "way": "poured" }
            """));
        sitting["batches"] = new JsonArray(Parsed("""{ "id": "batch-1", "recipeIds": ["clear"], "jugMl": 300 }"""));
        layer["regionDepths"] = new JsonArray(Parsed("""{ "region": "vein", "depthMm": 100 }"""));
        layer["stones"] = new JsonArray(Parsed("""{ "region": "vein", "stoneId": "sand", "grams": 20 }"""));
        sitting["cupChoices"] = new JsonArray(Parsed("""
            { "recipeId": "clear", "reservePercent": 9, "heldBack": { "name": "the corner", "ml": 3 }, "mixedMl": 40 }
            """));
        sitting["copiesInTurn"] = true;
        sitting["reservePercent"] = 12;
        sitting["copies"] = 2;
        sitting["order"] = JsonNode.Parse("""[{ "layerId": "layer-1", "region": "heart" }]""");
        (sitting["start"], sitting["end"], sitting["roomC"]) = ("2026-05-01T09:00:00", "2026-05-01T09:20:00", 20);
        sitting["resin"] = Parsed("""
            { "system": "coating", "ratio": { "basis": "volume", "resin": 1, "hardener": 1 }, "resinDensity": 1.15,
            "hardenerDensity": 0.98 }
            """);
        var ground = view["piece"]!["ground"]!;
        ground["base"] = Parsed("""
            { "kind": "casting", "material": "silicone", "thicknessMm": 9, "backStiffened": false,
            "gapsSealed": false, "sealTested": false }
            """);
        ground["paint"] = Parsed("""{ "kind": "water", "coats": 2, "dryHours": 3, "sealed": false }""");
        ground["level"] = Parsed("""{ "whereItCures": true, "tiltXDeg": 0.1, "tiltYDeg": 0.2 }""");
        ground["supports"] = new JsonArray(Parsed("""{ "xMm": 10, "yMm": 10 }"""), Parsed("""{ "xMm": 50, "yMm": 30 }"""));
        ground["mould"] = Parsed("""
            { "depthMm": 60, "from": "water", "capacityMl": 20, "pieces": 3, "cavities": 2, "keepMm": 1,
            "libraryIds": ["m1"], "inserts": [ { "id": "i1", "name": "well", "outline": { "shape": "rectangle",
            "widthMm": 9, "heightMm": 8 }, "xMm": 20, "yMm": 15, "floorMm": 1, "recessMm": 1 } ] }
            """);
        ground["done"] = new JsonArray(Parsed("""{ "id": "sand", "at": "2026-04-30T18:00:00" }"""));
        ground["level"]!["stepDeg"] = 0.1;
        var hollow = layer.DeepClone().AsObject();
        (hollow["id"], hollow["within"], hollow["depthMm"]) = ("hollow", "i1", 50);
        view["piece"]!["layers"]!.AsArray().Add((JsonNode)hollow);
        view["piece"]!["sittings"]!.AsArray().Add((JsonNode)Parsed("""
            { "id": "hollow", "rest": ["hollow"], "resin": { "system": "coating" }, "measure": "by-volume" }
            """));
        view["piece"]!["wavedOff"] = new JsonArray(Parsed("""{ "finding": "tilt@ground", "reason": "A test piece." }"""));
        var saved = await host.Save(view);
        return ((string)saved["id"]!, saved["piece"]!.DeepClone().AsObject());
    }

    /// <summary>Sends a request with every field spoilt in every way. It is refused with a sentence for a field, or it
    /// was as good as the whole one.</summary>
    private Task Send(HttpMethod method, string path, JsonObject request, params HttpStatusCode[] whole) =>
        Send(method, path, request, _ => true, whole);

    private async Task Send(HttpMethod method, string path, JsonObject request, Func<string, bool> spoils, params HttpStatusCode[] whole)
    {
        using (var good = await Answer(request))
        {
            Assert.True(whole.Contains(good.StatusCode), await good.Content.ReadAsStringAsync());
        }

        var refused = 0;
        foreach (var (place, _) in All(request).Where(p => spoils(p.Place)).ToList())
        {
            foreach (var bad in BadValues)
            {
                var changed = request.DeepClone().AsObject();
                Set(changed, place, bad is null or "null" ? null : JsonNode.Parse(bad), remove: bad is null);
                using var answer = await Answer(changed);
                if (whole.Contains(answer.StatusCode))
                {
                    continue;
                }

                var text = await answer.Content.ReadAsStringAsync();
                Assert.True(answer.StatusCode == HttpStatusCode.BadRequest, $"{place} = {bad}: {(int)answer.StatusCode} {text}");
                Assert.True(Parsed(text)["errors"]!.AsObject().Count > 0, $"{place} = {bad}: {text}");
                refused++;
            }
        }

        Assert.True(refused > 0, "nothing was refused");
        foreach (var body in new[] { "", "null", "[]", "{", new string('[', 100_000), "{\"a\":" + new string('{', 60), "\0" })
        {
            using var answer = await host.Client.SendAsync(new(method, path) { Content = Body(body) });
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        }

        using var large = await host.Client
            .SendAsync(new(method, path) { Content = Body($"{{\"name\":\"{new string('x', 3_000_000)}\"}}") });
        Assert.InRange((int)large.StatusCode, 400, 413);
        using var form = await host.Client.SendAsync(new(method, path) { Content = Body(request.ToJsonString(), "text/plain") });
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, form.StatusCode);

        Task<HttpResponseMessage> Answer(JsonObject body) =>
            host.Client.SendAsync(new(method, path) { Content = Body(body.ToJsonString()) });
    }
}
