using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using SkiaSharp;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

public sealed class PieceApiTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task A_new_piece_stands_on_the_shelf()
    {
        var view = await host.AddPiece("  Fen Tray ");
        Assert.Equal("Fen Tray", (string?)view["piece"]!["name"]);
        Assert.Equal(1, (int)view["version"]!);
        var shelf = Assert.Single(await host.List("/api/pieces"))!;
        Assert.Equal(("Fen Tray", 600, 400, 1, 0),
            ((string?)shelf["name"], (double)shelf["widthMm"]!, (double)shelf["heightMm"]!, (int)shelf["layers"]!, (int)shelf["poured"]!));
        Assert.Equal(view["plan"]!.ToJsonString(), (await host.Get($"/api/pieces/{view["id"]}"))["plan"]!.ToJsonString());
    }

    [Fact]
    public async Task A_saved_stack_comes_back_with_its_areas_cups_and_order()
    {
        var view = await host.Save(WithBands(await host.AddPiece()));
        Assert.Equal(2, (int)view["version"]!);
        var layer = view["plan"]!["layers"]![0]!;
        Assert.Equal(2400, layer["regions"]!.AsArray().Sum(r => (double)r!["area"]!["value"]!), 1e-3);
        var sitting = view["plan"]!["sittings"]![0]!;
        Assert.Equal(["heart", "moss", "rest"], sitting["pours"]!.AsArray().Select(s => (string?)s!["regionId"]));
        var cup = sitting["cups"]!["cups"]!.AsArray().Single(c => (string?)c!["cupId"] == "moss")!;
        var batches = sitting["batches"]!["all"]!.AsArray();
        Assert.All(batches, b => Assert.Equal((double)b!["mixMl"]!["value"]! / 2, (double)b["measured"]!["resinMl"]!["value"]!, 1e-9));
        var batch = batches.Single(b => b!["cupIds"]!.AsArray().Any(c => (string?)c == "moss"))!;
        Assert.Equal(batch["cupIds"]!.AsArray().Count == 1, cup["measured"] is not null);
        Assert.Equal(cup["measured"] is null ? ("batch-volume", "cup-rounded") : ("cup-volume", "cup-volume"),
            ((string?)batch["mixMl"]!["formula"], (string?)cup["mixMl"]!["formula"]));
        Assert.Equal("default", (string?)cup["mixMl"]!["inputs"]!.AsArray().Single(i => (string?)i!["name"] == "reserve")!["origin"]);
    }

    [Fact]
    public async Task A_stale_save_is_refused_and_changes_nothing()
    {
        var first = await host.AddPiece();
        var second = WithBands(first);
        second["piece"]!["name"] = "Second";
        await host.Save(second);
        first["piece"]!["name"] = "Late";
        var problem = await Problem(await host.TrySave(first), HttpStatusCode.Conflict);
        Assert.Equal(2, (int)problem["newest"]!);
        Assert.Equal("Second", (string?)(await host.Get($"/api/pieces/{first["id"]}"))["piece"]!["name"]);
    }

    [Theory]
    [InlineData(20, 3000, 40, 6000)]
    [InlineData(900, 400, 6000, 2667)]
    [InlineData(900, 401, 5992, 2670)]
    [InlineData(600, 600, 4000, 4000)]
    public async Task A_picture_stays_of_a_size_that_can_be_made(double widthMm, double heightMm, int width, int height)
    {
        var view = await host.AddPiece(ground: Ground(widthMm, heightMm));
        using var picture = SKBitmap.Decode(await host.Client.GetByteArrayAsync($"/api/pieces/{view["id"]}/picture.png?width=6000"));
        Assert.Equal((width, height), (picture.Width, picture.Height));
    }

    [Fact]
    public async Task Steps_walk_back_and_forward_over_the_saves()
    {
        var first = await host.AddPiece();
        Assert.False((bool)first["canUndo"]!);
        var second = await host.Save(WithBands(first));
        Assert.True((bool)second["canUndo"]!);
        var back = await Read(await Step(second, "undo"), HttpStatusCode.OK);
        Assert.Empty(back["piece"]!["layers"]![0]!["layout"]!["hearts"]!.AsArray());
        Assert.Equal((3, false, true), ((int)back["version"]!, (bool)back["canUndo"]!, (bool)back["canRedo"]!));
        await Problem(await Step(second, "redo"), HttpStatusCode.Conflict);
        var forward = await Read(await Step(back, "redo"), HttpStatusCode.OK);
        Assert.Equal(second["piece"]!.ToJsonString(), forward["piece"]!.ToJsonString());

        Task<HttpResponseMessage> Step(JsonObject view, string step) => host.Client.PostAsJsonAsync(
            $"/api/pieces/{view["id"]}/step", new { basedOn = (int)view["version"]!, step });
    }

    [Fact]
    public async Task A_preview_shows_a_change_and_saves_nothing()
    {
        var view = await host.AddPiece();
        var changed = WithBands(view);
        var preview = await Read(await host.Client.PostAsJsonAsync(
            $"/api/pieces/{view["id"]}/preview",
            new { piece = changed["piece"], layerId = "layer-1", detail = "draft" }), HttpStatusCode.OK);
        Assert.Equal(3, preview["plan"]!["layers"]![0]!["regions"]!.AsArray().Count);
        Assert.NotEmpty(preview["painting"]!["paths"]!.AsArray());
        var kept = await host.Get($"/api/pieces/{view["id"]}");
        Assert.Equal(1, (int)kept["version"]!);
        Assert.Empty(kept["piece"]!["layers"]![0]!["layout"]!["hearts"]!.AsArray());
    }

    [Fact]
    public async Task A_drag_and_its_release_give_the_same_areas_and_cups()
    {
        var view = await host.Save(WithBands(await host.AddPiece()));
        view["piece"]!["layers"]![0]!["layout"]!["hearts"]![0]!["xMm"] = 261;
        var preview = await Read(await host.Client.PostAsJsonAsync(
            $"/api/pieces/{view["id"]}/preview", new { piece = view["piece"], layerId = "layer-1", detail = "draft" }), HttpStatusCode.OK);
        var saved = await host.Save(view);
        Assert.Equal(saved["plan"]!["layers"]![0]!.ToJsonString(), preview["plan"]!["layers"]![0]!.ToJsonString());

        // What is let go is painted with the shapes of the drag.
        var shapes = (await host.Get($"/api/pieces/{view["id"]}/painting?layer=layer-1"))["paths"]!.AsArray()
            .Select(p => (string)p!["path"]!).ToHashSet();
        Assert.Subset(shapes, preview["painting"]!["paths"]!.AsArray().Select(p => (string)p!["path"]!).ToHashSet());
    }

    [Fact]
    public async Task A_preview_of_one_layer_answers_with_that_layer_and_of_all_with_all()
    {
        var view = WithBands(await host.AddPiece());
        var second = view["piece"]!["layers"]![0]!.DeepClone();
        second["id"] = "layer-2";
        view["piece"]!["layers"]!.AsArray().Add(second);
        AddSitting(view["piece"]!, "layer-2");
        Assert.Equal(["layer-2"], await LayersOf("layer-2"));
        Assert.Equal(["layer-1", "layer-2"], await LayersOf(null));
        Assert.Equal(["layer-1", "layer-2"], await LayersOf("layer-9"));

        async Task<IEnumerable<string?>> LayersOf(string? layerId) => (await Read(await host.Client.PostAsJsonAsync(
            $"/api/pieces/{view["id"]}/preview", new { piece = view["piece"], layerId, detail = "draft" }), HttpStatusCode.OK))
            ["plan"]!["layers"]!.AsArray().Select(l => (string?)l!["layerId"]);
    }

    [Fact]
    public async Task A_much_smaller_outline_gets_a_finer_grid_of_its_own()
    {
        var view = await host.AddPiece();
        view["piece"]!["ground"] = Ground(60, 40);
        var saved = await host.Save(view);
        Assert.Equal((double)view["piece"]!["growth"]!["gridMm"]! / 10, (double)saved["piece"]!["growth"]!["gridMm"]!, 0.01);
        Assert.Equal(24, (double)saved["plan"]!["ground"]!["area"]!["value"]!, 1e-9);
    }

    [Fact]
    public async Task A_painting_is_made_of_the_saved_piece()
    {
        var view = await host.Save(WithBands(await host.AddPiece()));
        var painting = await host.Get($"/api/pieces/{view["id"]}/painting?layer=layer-1");
        Assert.Equal((600, 400), ((double)painting["widthMm"]!, (double)painting["heightMm"]!));
        Assert.Contains(painting["paths"]!.AsArray(), p => (string?)p!["role"] == "facet");
    }

    [Fact]
    public async Task A_picture_that_is_kept_is_of_the_version_width_and_look_that_are_asked_for()
    {
        var view = await host.Save(WithBands(await host.AddPiece()));
        var (first, wide, wet) = (await Picture("width=120"), await Picture("width=140"), await Picture("width=120&wet=true"));
        Assert.Equal(first, await Picture("width=120"));
        Assert.Equal(4, new[] { first, wide, wet, await Picture("width=120&face=top&light=front&wet=true&revision=1") }
            .Select(Convert.ToBase64String).Distinct().Count());
        foreach (var cup in view["piece"]!["recipes"]!.AsArray())
        {
            cup!["colour"] = "#c02020";
        }

        view = await host.Save(view);
        Assert.NotEqual(first, await Picture("width=120"));
        await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{view["id"]}/step", new { basedOn = (int)view["version"]!, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(first, await Picture("width=120"));
        Assert.Equal(wet, await Picture("width=120&wet=true"));

        Task<byte[]> Picture(string query) => host.Client.GetByteArrayAsync($"/api/pieces/{view["id"]}/picture.png?{query}");
    }

    [Fact]
    public async Task A_picture_is_a_png_of_the_asked_width_and_clear_outside_the_outline()
    {
        var round = Parsed("""{"outline":{"shape":"round","diameterMm":300},"edge":"taped-clean","sideHeightMm":10,"colour":"#d8bd8c"}""");
        var view = await host.AddPiece(ground: round);
        var answer = await host.Client.GetAsync($"/api/pieces/{view["id"]}/picture.png?width=120&version=1");
        Assert.Equal("image/png", answer.Content.Headers.ContentType?.MediaType);
        Assert.True(answer.Headers.CacheControl?.MaxAge > TimeSpan.FromDays(300));
        using var picture = SKBitmap.Decode(await answer.Content.ReadAsByteArrayAsync());
        Assert.Equal((120, 120), (picture.Width, picture.Height));
        Assert.Equal(0, picture.GetPixel(2, 2).Alpha);
        Assert.Equal(255, picture.GetPixel(60, 60).Alpha);
        await Problem(await host.Client.GetAsync($"/api/pieces/{view["id"]}/picture.png?width=9000"), HttpStatusCode.BadRequest);
        await Problem(await host.Client.GetAsync($"/api/pieces/{view["id"]}/picture.png?width=wide"), HttpStatusCode.BadRequest);
        await Problem(await host.Client.GetAsync("/api/pieces/nowhere/picture.png"), HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData("ground.outline.widthMm", "Width must be from 20 to 3000 mm.", """{"shape":"rectangle","widthMm":5,"heightMm":400}""")]
    [InlineData("ground.outline.heightMm", "Height must be from 20 to 3000 mm.", """{"shape":"rectangle","widthMm":600,"heightMm":-3}""")]
    [InlineData("ground.outline.heightMm", "Height must be from 20 to 3000 mm.",
        """{"shape":"rectangle","widthMm":600,"heightMm":1e999}""")]
    [InlineData("ground.outline.diameterMm", "Diameter must be from 20 to 3000 mm.", """{"shape":"round","diameterMm":0}""")]
    public async Task A_new_piece_out_of_range_names_the_field_and_the_range(string field, string sentence, string outline)
    {
        var body = $$$"""{"name":"Fen","ground":{"outline":{{{outline}}},"edge":"taped-clean","sideHeightMm":38,"colour":"#d8bd8c"}}""";
        var problem = await Problem(await host.Client.PostAsync("/api/pieces", Body(body)), HttpStatusCode.BadRequest);
        Assert.Equal(sentence, Sentence(problem, field));
        Assert.Single(problem["errors"]!.AsObject());
        Assert.Empty(await host.List("/api/pieces"));
    }

    [Theory]
    [InlineData("layers[0].depthMm", 0.05, "Layer depth must be from 0.1 to 100 mm.")]
    [InlineData("layers[0].layout.hearts[0].xMm", 99999, "Heart position must be from -1500 to 4500 mm.")]
    [InlineData("layers[0].layout.bands[0].widthMm", 0, "Band width must be from 0.5 to 1000 mm.")]
    [InlineData("recipes[1].doses[0].percent", 101, "Load must be from 0 to 100 %.")]
    [InlineData("sittings[0].roomC", 61, "Room temperature must be from -20 to 60 °C.")]
    [InlineData("sittings[0].reservePercent", -1, "Reserve must be from 0 to 100 %.")]
    public async Task A_save_out_of_range_names_the_field_and_the_range(string field, double value, string sentence)
    {
        var view = WithBands(await host.AddPiece());
        Set(view["piece"]!, field, value);
        var problem = await Problem(await host.TrySave(view), HttpStatusCode.BadRequest);
        Assert.Equal(sentence, Sentence(problem, ById(view["piece"], field)));
        Assert.Equal(1, (int)(await host.Get($"/api/pieces/{view["id"]}"))["version"]!);
    }

    [Theory]
    [InlineData("piece.layers[0].layout.hearts", "null")]
    [InlineData("piece.layers", "null")]
    [InlineData("piece.layers[0].depthMm", "\"3\"")]
    [InlineData("piece.sittings[0].measure", "\"by-eye\"")]
    [InlineData("piece.sittings[0].measure", "1")]
    [InlineData("piece.sittings[0].start", "\"tomorrow\"")]
    [InlineData("piece.ground", "null")]
    [InlineData("basedOn", "1.5")]
    public async Task A_value_of_the_wrong_type_is_refused_by_its_path(string path, string value)
    {
        var view = WithBands(await host.AddPiece());
        var request = new JsonObject { ["basedOn"] = 1, ["piece"] = view["piece"]!.DeepClone() };
        Set(request, path, JsonNode.Parse(value));
        var problem = await Problem(await host.Client
            .PutAsync($"/api/pieces/{view["id"]}", Body(request.ToJsonString())), HttpStatusCode.BadRequest);
        Assert.NotEmpty(Sentence(problem, path));
    }

    [Fact]
    public async Task An_unknown_field_is_refused()
    {
        var view = await host.AddPiece();
        view["piece"]!["layers"]![0]!["thickness"] = 3;
        var problem = await Problem(await host.TrySave(view), HttpStatusCode.BadRequest);
        Assert.Contains("unknown", problem["detail"]!.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("{")]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{}")]
    public async Task A_request_that_is_no_such_document_is_refused_with_a_sentence(string body) =>
        Assert.NotEmpty((string)(await Problem(await host.Client.PostAsync("/api/pieces", Body(body)),
            HttpStatusCode.BadRequest))["detail"]!);

    [Fact]
    public async Task Text_that_is_not_json_is_refused() =>
        await Problem(await host.Client.PostAsync("/api/pieces", Body("name=Fen", "text/plain")), HttpStatusCode.UnsupportedMediaType);

    [Fact]
    public async Task A_name_that_does_not_fit_a_label_is_refused()
    {
        var answer = await host.Client.PostAsJsonAsync("/api/pieces", new { name = new string('x', 121), ground = Ground() });
        Assert.Contains("from 1 to 120 characters", Sentence(await Problem(answer, HttpStatusCode.BadRequest), "name"),
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("GET", "/api/pieces/nowhere", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/pieces/nowhere/painting", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/nothing", HttpStatusCode.NotFound)]
    [InlineData("DELETE", "/api/pieces", HttpStatusCode.MethodNotAllowed)]
    [InlineData("DELETE", "/api/workshop", HttpStatusCode.MethodNotAllowed)]
    [InlineData("POST", "/api/ribbon", HttpStatusCode.MethodNotAllowed)]
    [InlineData("POST", "/api/aside", HttpStatusCode.MethodNotAllowed)]
    [InlineData("POST", "/api/fields", HttpStatusCode.MethodNotAllowed)]
    [InlineData("POST", "/api/pieces/nowhere/picture.png", HttpStatusCode.MethodNotAllowed)]
    [InlineData("GET", "/api/pieces/nowhere/picture.png", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/pieces/a/b/picture.png", HttpStatusCode.NotFound)]
    public async Task What_is_not_there_is_a_problem_too(string method, string path, HttpStatusCode status) =>
        await Problem(await host.Client.SendAsync(new(new(method), path)), status);

    [Theory]
    [InlineData("/api/pieces/")]
    [InlineData("/API/Ribbon")]
    [InlineData("/api/Workshop/")]
    public async Task The_shelf_is_asked_for_in_any_case_as_all_else_is(string path) =>
        Assert.Equal(HttpStatusCode.OK, (await host.Client.GetAsync(new Uri(path, UriKind.Relative))).StatusCode);

    /// <summary>The piece with a heart and two bands.</summary>
    internal static JsonObject WithBands(JsonObject view)
    {
        var changed = view.DeepClone().AsObject();
        var layer = changed["piece"]!["layers"]![0]!;
        layer["layout"]!["heartRecipeId"] = changed["piece"]!["recipes"]![0]!["id"]!.DeepClone();
        layer["layout"]!["hearts"] = JsonNode.Parse("""
            [{"id":"h1","xMm":220,"yMm":170,"widthMm":120,"heightMm":80,"turnDeg":0,"wavinessMm":16,"seed":29}]
            """);
        layer["layout"]!["bands"] = JsonNode.Parse("""
            [{"id":"moss","widthMm":40,"fillsRest":false,"recipeId":"moss"},{"id":"rest","widthMm":10,"fillsRest":true,"recipeId":"clear"}]
            """);
        changed["piece"]!["recipes"]!.AsArray().Add(JsonNode.Parse("""
            {"id":"moss","name":"moss","colour":"#30503a","doses":[{"colourant":"mica","percent":4}]}
            """));
        return changed;
    }

    /// <summary>A sitting for a layer that was added, like that of the first.</summary>
    internal static void AddSitting(JsonNode piece, string layerId)
    {
        var sitting = piece["sittings"]![0]!.DeepClone();
        (sitting["id"], sitting["rest"]) = (layerId, new JsonArray(layerId));
        piece["sittings"]!.AsArray().Add(sitting);
    }

    /// <summary>Sets a value at a path like <c>layers[0].depthMm</c>.</summary>
    [Theory]
    [InlineData("layers", "bands", "widthMm")]
    [InlineData("layers", "hearts", "xMm")]
    public async Task A_number_that_is_too_large_to_be_one_is_refused(string list, string inner, string field)
    {
        var view = await host.AddPiece();
        var layer = view["piece"]![list]![0]!;
        layer["layout"]!["hearts"] = new JsonArray(Parsed("""
            { "id": "h1", "xMm": 30, "yMm": 20, "widthMm": 12, "heightMm": 9, "turnDeg": 10, "wavinessMm": 3,
            "seed": 4 }
            """));
        layer["layout"]!["heartRecipeId"] = "clear";
        layer["layout"]![inner]![0]![field] = JsonNode.Parse("1e999");
        using var answer = await host.Client.PutAsync(
            $"/api/pieces/{view["id"]}", Body($$"""{ "basedOn": 1, "piece": {{view["piece"]!.ToJsonString()}} }"""));
        Assert.Contains(ById(view["piece"], $"{list}[0].layout.{inner}[0].{field}"),
            (await Problem(answer, HttpStatusCode.BadRequest))["errors"]!.AsObject().Select(e => e.Key));
        Assert.Equal(1, (int)(await host.Get($"/api/pieces/{view["id"]}"))["version"]!);
    }

    private static void Set(JsonNode root, string path, JsonNode? value)
    {
        var parts = path.Replace("[", ".", StringComparison.Ordinal).Replace("]", "", StringComparison.Ordinal).Split('.');
        var at = root;
        foreach (var part in parts[..^1])
        {
            at = int.TryParse(part, CultureInfo.InvariantCulture, out var index) ? at[index]! : at[part]!;
        }

        at[parts[^1]] = value;
    }

    [Fact]
    public async Task A_finding_is_remedied_by_a_press_and_a_look_at_it_keeps_nothing()
    {
        var view = await host.AddPiece();
        view["piece"]!["ground"]!["base"] = Parsed("""{ "kind": "frame", "material": "mdf", "thicknessMm": 18 }""");
        view = await host.Save(view);
        var leaky = view["plan"]!["findings"]!.AsArray().Single(f => (string?)f!["check"] == "leaky")!;
        Assert.Equal("ground", (string?)leaky["pin"]!["station"]);
        var remedy = Assert.Single(Commands(leaky["remedies"]![0]!));
        var shown = await Read(await host.Client.PostAsJsonAsync(
            $"/api/pieces/{view["id"]}/preview",
            new JsonObject { ["revision"] = (int)view["revision"]!, ["commands"] = new JsonArray(remedy) }), HttpStatusCode.OK);
        Assert.True((bool)shown["piece"]!["ground"]!["base"]!["sealTested"]!);
        Assert.Equal((int)view["version"]!, (int)(await host.Get($"/api/pieces/{view["id"]}"))["version"]!);

        // It is undone by its own words; pressed again on the mended piece it changes nothing.
        view = await host.Edit(view, remedy.DeepClone().AsObject());
        Assert.True((bool)view["piece"]!["ground"]!["base"]!["sealTested"]!);
        Assert.Equal("seal the wall", (string?)view["undoes"]);
        Assert.DoesNotContain(view["plan"]!["findings"]!.AsArray(), f => (string?)f!["check"] == "leaky");
        Assert.Equal((int)view["version"]!, (int)(await host.Edit(view, remedy.DeepClone().AsObject()))["version"]!);
    }

    [Fact]
    public async Task A_slice_with_an_opening_is_measured_and_its_regions_fill_it()
    {
        var ground = Ground();
        ground["outline"] = Parsed(
            """
                { "shape": "slice", "widthMm": 700, "heightMm": 450, "reach": [0.96, 0.9, 0.95, 0.88, 0.93],
                "wobbleMm": 8, "seed": 5, "opening": { "xMm": 430, "yMm": 225, "widthMm": 110, "heightMm": 80 } }
                """);
        ground["edge"] = "walled";
        var view = await host.AddPiece("Bracken", ground);
        view["piece"]!["layers"]![0]!["layout"]!["heartRecipeId"] = "clear";
        view["piece"]!["layers"]![0]!["layout"]!["hearts"] = new JsonArray(
            Parsed("""
                { "id": "h1", "xMm": 240, "yMm": 200, "widthMm": 120, "heightMm": 80, "turnDeg": 0, "wavinessMm": 12,
                "seed": 4 }
                """));
        view = await host.Save(view);
        var area = (double)view["plan"]!["ground"]!["area"]!["value"]!;
        Assert.Equal(area, view["plan"]!["layers"]![0]!["regions"]!.AsArray().Sum(r => (double)r!["area"]!["value"]!), area * 1e-6);
        var outside = view["piece"]!.DeepClone();
        outside["ground"]!["outline"]!["opening"]!["xMm"] = 690;
        view["piece"] = outside;
        var refused = await Problem(await host.TrySave(view), HttpStatusCode.BadRequest);
        Assert.Contains("inside the slice", Sentence(refused, "ground.outline.opening"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Letters_from_a_drawing_are_parts_with_their_own_ml_and_come_back_as_a_drawing()
    {
        const string svg = """
            <svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="60mm" viewBox="0 0 200 60">
            <path d="M0 0h20v40h40v20h-60z"/><path d="M120 0h40v60h-40zM130 10v40h20v-40z"/></svg>
            """;
        var read = await Read(await host.Client.PostAsJsonAsync("/api/outlines/svg", new { svg }), HttpStatusCode.OK);
        Assert.Equal((160, 60, 2), ((double)read["widthMm"]!, (double)read["heightMm"]!, (int)read["parts"]!));
        var ground = Ground();
        (ground["outline"], ground["edge"]) = (read["outline"]!.DeepClone(), "walled");
        var view = await host.AddPiece("Fen sign", ground);
        var parts = view["plan"]!["ground"]!["parts"]!.AsArray();
        Assert.Equal([20.0, 16.0], parts.Select(p => Math.Round((double)p!["area"]!["value"]!, 6)));
        Assert.Equal([6.0, 4.8], parts.Select(p => Math.Round((double)p!["layerMl"]![0]!["value"]!, 6)));
        var again = await host.Client.GetStringAsync($"/api/pieces/{view["id"]}/outline.svg");
        Assert.Contains("width=\"160mm\"", again, StringComparison.Ordinal);
        var back = await Read(await host.Client.PostAsJsonAsync("/api/outlines/svg", new { svg = again }), HttpStatusCode.OK);
        Assert.Equal(Corners(read), Corners(back));

        static IEnumerable<string> Corners(JsonObject of) => ((string)of["outline"]!["path"]!).Split('M', 'L', 'Z').Order();
    }

    /// <summary>A spot, and a part of a layer, with an opening that lies in it, touches its frame, crosses it or lies outside.</summary>
    [Theory]
    [InlineData("""{ "shape": "rectangle", "widthMm": 60, "heightMm": 40""")]
    [InlineData("""{ "shape": "round", "diameterMm": 60""")]
    [InlineData("""{ "shape": "oval", "widthMm": 60, "heightMm": 40""")]
    [InlineData("""{ "shape": "slice", "widthMm": 60, "heightMm": 40, "reach": [1, 0.9, 0.95, 0.9], "wobbleMm": 1, "seed": 3""")]
    public async Task An_opening_that_crosses_the_frame_of_a_spot_or_part_is_told(string outline)
    {
        (string Opening, bool Fits)[] openings =
        [
            ("""{ "xMm": 30, "yMm": 20, "widthMm": 12, "heightMm": 8 }""", true),
            ("""{ "xMm": 58, "yMm": 20, "widthMm": 12, "heightMm": 8 }""", false),
            ("""{ "xMm": 30, "yMm": 1, "widthMm": 12, "heightMm": 8 }""", false),
            ("""{ "xMm": 300, "yMm": 20, "widthMm": 12, "heightMm": 8 }""", false),
            ("""{ "xMm": 30, "yMm": 20, "widthMm": 59.999, "heightMm": 39.999 }""", false),
            ("""{ "xMm": 30, "yMm": 20, "widthMm": 0, "heightMm": 8 }""", false),
            ("""{ "xMm": 1e300, "yMm": 20, "widthMm": 1e300, "heightMm": 8 }""", false),
        ];
        var view = await host.AddPiece("Fen spot", Ground());
        foreach (var (opening, fits) in openings)
        {
            foreach (var (list, rest) in new[]
            {
                ("kept", "\"keep\": \"visible\""),
                ("zones", $"\"layout\": {view["piece"]!["layers"]![0]!["layout"]!.ToJsonString()}"),
            })
            {
                var tried = view.DeepClone().AsObject();
                var of = list == "kept" ? tried["piece"]! : tried["piece"]!["layers"]![0]!;
                of[list] = new JsonArray(Parsed($$"""
                    { "id": "inlay", "name": "inlay", "outline": {{outline}}, "opening": {{opening}} }, "xMm": 90, "yMm": 60, {{rest}} }
                    """));
                using var answer = await host.TrySave(tried);
                var said = await answer.Content.ReadAsStringAsync();
                Assert.True(answer.StatusCode == (fits ? HttpStatusCode.OK : HttpStatusCode.BadRequest), said);
                if (fits)
                {
                    view["version"] = Parsed(said)["version"]!.DeepClone();
                }
                else
                {
                    Assert.Contains($"{list}[inlay].outline.opening", said, StringComparison.Ordinal);
                }
            }
        }
    }

    [Theory]
    [InlineData("""
        { "svg": "<svg xmlns='http://www.w3.org/2000/svg' width='9mm' height='9mm'><text>Fen</text></svg>" }
        """, "svg", "turn text into paths")]
    [InlineData("""
        { "svg": "<svg xmlns='http://www.w3.org/2000/svg' width='9mm' height='9mm' viewBox='0 0 9 9'><rect width='9' height='9'/></svg>"
        }
        """, "svg", "Is the drawing to scale?")]
    [InlineData("""{ "svg": "<svg/>", "dpi": 0 }""", "dpi", "Pixels to an inch must be from 20 to 2400.")]
    public async Task A_drawing_that_cannot_be_taken_is_told(string request, string field, string says)
    {
        var problem = await Problem(await host.Client.PostAsync("/api/outlines/svg", Body(request)), HttpStatusCode.BadRequest);
        Assert.Contains(says, Sentence(problem, field), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_drawing_of_thirty_megabytes_is_refused()
    {
        using var answer = await host.Client.PostAsync("/api/outlines/svg", Body($$"""{ "svg": "{{new string('x', 30_000_000)}}" }"""));
        Assert.InRange((int)answer.StatusCode, 400, 413);
    }

    [Theory]
    [InlineData("M0 0L90 90L90 0L0 90Z", "crosses itself at 45, 45 mm")]
    [InlineData("M0 0L90 0L90 90L0 90ZM30 30L120 30L120 60L30 60Z", "cross each other")]
    [InlineData("M5 5L90 0L90 90L5 90Z", "must begin at 0, 0")]
    [InlineData("M0 0L90 0Z", "at least three corners")]
    [InlineData("M0 0L90 0L90 90C1 2 3 4 5 6Z", "must be rings of the form")]
    [InlineData("", "from 1 to 400 rings")]
    [InlineData("M0 0L9 0L9 9L0 9Z", "from 20 to 3000 mm wide and high")]
    public async Task A_drawn_outline_of_a_document_is_looked_over(string path, string says)
    {
        var ground = Ground();
        ground["outline"] = new JsonObject { ["shape"] = "drawn", ["path"] = path };
        var problem = await Problem(await host.Client.PostAsJsonAsync("/api/pieces", new { name = "Odd", ground }),
            HttpStatusCode.BadRequest);
        Assert.Contains(says, Sentence(problem, "ground.outline"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_ground_becomes_a_slice_and_then_a_casting_and_is_a_good_piece_each_time()
    {
        var ground = Ground();
        foreach (var kind in new[] { "slice", "casting", "frame", "panel" })
        {
            ground = await host.EditGround(ground, Do("become-kind", ("kind", kind)));
            await host.AddPiece(kind, ground.DeepClone().AsObject());
            Assert.Equal(kind, (string?)ground["base"]!["kind"]);
        }

        ground = await host.EditGround(ground, Do("shape-outline", ("shape", "slice")));
        ground = await host.EditGround(ground, Do("put-handles", ("handles", 12)));
        Assert.Equal(12, ground["outline"]!["reach"]!.AsArray().Count);
        ground = await host.EditGround(ground, Do("open-outline", ("open", true)));
        Assert.NotNull(ground["outline"]!["opening"]);
        var refused = await Problem(await host.TryEditGround(ground, Do("put-handles", ("handles", 2))), HttpStatusCode.BadRequest);
        Assert.Contains("from 3 to 24 handles", Sentence(refused, "ground.outline.reach"), StringComparison.Ordinal);
        Assert.Equal(4, (await host.List("/api/pieces")).Count);
    }
}
