using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Older work, moulds and their log, devices and prices, through the interface.</summary>
public sealed class KindsApiTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task Only_a_finished_piece_is_poured_over_again_and_then_it_lies_beneath()
    {
        var old = await host.AddPiece("Kiln");
        var id = (string)old["id"]!;
        var problem = await Problem(await host.Client.PostAsync($"/api/pieces/{id}/rework", null), HttpStatusCode.Conflict);
        Assert.Contains("still to be poured", (string)problem["detail"]!, StringComparison.Ordinal);
        Assert.False((bool)old["finished"]!);
        await Problem(await host.Client.PostAsync("/api/pieces/nowhere/rework", null), HttpStatusCode.NotFound);

        await Pour(id);
        var again = await Read(await host.Client.PostAsync($"/api/pieces/{id}/rework", null), HttpStatusCode.Created);
        Assert.Equal("Kiln, again", (string)again["piece"]!["name"]!);
        var beneath = again["piece"]!["ground"]!["old"]!;
        Assert.Equal(id, (string)beneath["pieceId"]!);
        Assert.Equal("First layer", (string)beneath["layers"]![0]!["name"]!);
        Assert.Equal("First layer", (string)again["plan"]!["ground"]!["beneath"]![0]!["name"]!);

        // They are one thing on the shelf; the old one's page and its log are still there and know what lies over it.
        Assert.Equal([(string)again["id"]!], (await host.List("/api/pieces")).Select(p => (string)p!["id"]!));
        var kept = await host.Get($"/api/pieces/{id}");
        Assert.Equal("Kiln, again", (string)kept["beneath"]!["name"]!);
        Assert.Single(kept["runs"]!.AsArray());

        var painting = await host.Get($"/api/pieces/{again["id"]}/painting");
        var inset = Assert.Single(painting["insets"]!.AsArray())!;
        Assert.True((bool)inset["below"]!);
        Assert.Equal(painting["outline"]!.ToJsonString(), inset["painting"]!["outline"]!.ToJsonString());
        using var png = await host.Client.GetAsync($"/api/pieces/{again["id"]}/picture.png?width=200");
        Assert.Equal("image/png", png.Content.Headers.ContentType!.MediaType);
    }

    [Fact]
    public async Task A_ground_goes_over_older_work_grows_a_rim_and_goes_back()
    {
        var ground = Ground(200, 100);
        var over = await host.EditGround(ground, Do("pour-over-old", ("over", true)));
        Assert.Equal("older work", (string)over["old"]!["name"]!);
        var grown = await host.EditGround(over, Do("grow-rim", ("mm", 20)));
        Assert.Equal((240, 140), ((int)grown["outline"]!["widthMm"]!, (int)grown["outline"]!["heightMm"]!));
        Assert.Equal((20, 20), ((int)grown["old"]!["xMm"]!, (int)grown["old"]!["yMm"]!));
        var back = await host.EditGround(grown, Do("pour-over-old", ("over", false)));
        Assert.Null(back["old"]);
        Assert.Equal(200, (int)back["outline"]!["widthMm"]!);
        var problem = await Problem(await host.TryEditGround(over, Do("grow-rim", ("mm", 900))), HttpStatusCode.BadRequest);
        Assert.Equal("New rim must be from 1 to 500 mm.", Sentence(problem, "ground.old"));
    }

    [Fact]
    public async Task A_pair_stands_on_the_shelf_as_one_and_its_cups_are_for_both()
    {
        var single = await host.AddPiece("One");
        var ground = Ground();
        ground["set"] = Parsed("""{ "count": 2, "gapMm": 30, "mirrored": true }""");
        var pair = await host.AddPiece("Two", ground);
        var shelf = (await host.List("/api/pieces")).Single(p => (string)p!["name"]! == "Two")!;
        Assert.Equal((1230, 400), ((int)shelf["widthMm"]!, (int)shelf["heightMm"]!));
        double Ml(JsonObject view) => (double)view["plan"]!["sittings"]![0]!["cups"]!["regions"]![0]!["layerMl"]!["value"]!;
        Assert.Equal(2 * Ml(single), Ml(pair), 1e-9);
        var painting = await host.Get($"/api/pieces/{pair["id"]}/painting");
        Assert.Equal([0.0, 1230.0], painting["panels"]!["copies"]!.AsArray().Select(c => (double)c!["fromMm"]!));
        Assert.Equal([false, true], painting["panels"]!["copies"]!.AsArray().Select(c => (bool)c!["mirrored"]!));
        Assert.NotNull(painting["panels"]!["outline"]);

        ground["set"]!["count"] = 6;
        var problem = await Problem(await host.Client.PostAsJsonAsync("/api/pieces", new { name = "Six", ground }),
            HttpStatusCode.BadRequest);
        Assert.Equal("Panels must be from 2 to 5.", Sentence(problem, "ground.set.count"));
    }

    [Fact]
    public async Task A_mould_is_kept_changed_and_a_stale_change_is_told()
    {
        Assert.Empty(await host.List("/api/moulds"));
        var kept = await SaveMould("m1", 0, Mould());
        Assert.Equal(Math.PI * 2500 * 10 / 1000, (double)kept["capacity"]!["value"]!, 1e-9);
        Assert.Equal((0, 100), ((int)kept["castings"]!, (int)kept["widthMm"]!));
        var mould = Mould();
        mould["owned"] = 6;
        Assert.Equal(6, (int)(await SaveMould("m1", 1, mould))["mould"]!["owned"]!);
        await Problem(await TrySaveMould("m1", 1, mould), HttpStatusCode.Conflict);
        await Problem(await TrySaveMould("m2", 3, mould), HttpStatusCode.NotFound);
        (mould["depthMm"], mould["owned"]) = (200, -1);
        var problem = await Problem(await TrySaveMould("m1", 2, mould), HttpStatusCode.BadRequest);
        Assert.Equal("Depth of the cavity must be from 0.1 to 100 mm.", Sentence(problem, "depthMm"));
        Assert.Equal("Owned must be from 0 to 500.", Sentence(problem, "owned"));
    }

    [Fact]
    public async Task A_casting_takes_its_mould_from_the_library_and_its_log_goes_there()
    {
        await SaveMould("m1", 0, Mould());
        var ground = await Cast(Casting(), "m1");
        Assert.Equal((4, "m1"), ((int)ground["mould"]!["cavities"]!, (string)ground["mould"]!["libraryIds"]![0]!));
        ground["mould"]!["pieces"] = 6;
        var piece = await host.AddPiece("Coasters", ground);
        await Pour((string)piece["id"]!, 21);
        var mould = (await host.List("/api/moulds"))[0]!;
        Assert.Equal(4, (int)mould["castings"]!);
        var use = mould["uses"]![0]!;
        Assert.Equal("Coasters, First layer", (string)use["what"]!);
        Assert.Equal("heat", (string)use["hottest"]!["formula"]!);
        Assert.InRange((double)use["hottest"]!["value"]!, 21, 40);

        var noted = await host.Client.PostAsJsonAsync("/api/moulds/m1/uses",
            new { at = "2026-04-30T08:00:00", what = " Washed ", castings = 0, hottestC = (double?)null });
        var uses = JsonNode.Parse(await noted.Content.ReadAsStringAsync())![0]!["uses"]!.AsArray();
        Assert.Equal(["Coasters, First layer", "Washed"], uses.Select(u => (string)u!["what"]!));
        var late = await Problem(
            await host.Client.PostAsJsonAsync("/api/moulds/m1/uses",
                new { at = "2027-04-30T08:00:00", what = "", castings = -1, hottestC = 900 }), HttpStatusCode.BadRequest);
        Assert.Equal(["at", "castings", "hottestC", "what"], late["errors"]!.AsObject().Select(e => e.Key).Order());
        await Problem(await host.Client.PostAsJsonAsync("/api/moulds/none/uses",
            new { at = "2026-04-30T08:00:00", what = "x", castings = 0 }), HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_filled_hollow_and_what_is_round_it_leave_the_mould_each_by_its_own_clock()
    {
        var ground = Casting();
        ground["mould"]!["inserts"] = new JsonArray(Parsed(
            """
                { "id": "i1", "name": "well", "outline": { "shape": "round", "diameterMm": 30 }, "xMm": 35,
                "yMm": 35, "floorMm": 0, "recessMm": 0 }
                """));
        var view = await host.AddPiece("Nest", ground);
        var saved = await host.Edit(view, Do("fill-hollow", ("insert", "i1")));
        Assert.Equal("i1", (string)saved["piece"]!["layers"]![1]!["within"]!);
        var hollow = (string)saved["plan"]!["ground"]!["mould"]!["inserts"]![0]!["layerId"]!;
        await Pour((string)saved["id"]!, 20);
        await Pour((string)saved["id"]!, 20, hollow);
        var spans = (await host.Get("/api/ribbon"))["spans"]!.AsArray()
            .Where(s => (string)s!["milestone"]! == "demould").Select(s => (string)s!["layerId"]!);
        Assert.Equal(["layer-1", hollow], spans.Order());

        // It is filled once, and a hollow that is not there cannot be.
        saved = await host.Get($"/api/pieces/{saved["id"]}");
        foreach (var insert in new[] { "i1", "gone" })
        {
            var problem = await Problem(await host.TryEdit(saved, Do("fill-hollow", ("insert", insert))), HttpStatusCode.BadRequest);
            Assert.Contains("filled already", Sentence(problem, $"ground.mould.inserts[{insert}]"), StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task Different_moulds_are_filled_together_each_as_deep_as_it_is()
    {
        await SaveMould("m1", 0, Mould());
        var tray = Mould();
        (tray["name"], tray["outline"], tray["depthMm"]) = ("Tray",
            Parsed("""{ "shape": "rectangle", "widthMm": 200, "heightMm": 120 }"""), 18);
        await SaveMould("m2", 0, tray);
        var ground = await Cast(Casting(), "m1", "m2");
        Assert.Equal("drawn", (string)ground["outline"]!["shape"]!);
        Assert.Equal((18, 1, 10), ((int)ground["mould"]!["depthMm"]!,
            (int)ground["mould"]!["cavityDepths"]![0]!["part"]!, (int)ground["mould"]!["cavityDepths"]![0]!["depthMm"]!));
        var piece = await host.AddPiece("Both", ground);
        var parts = piece["plan"]!["ground"]!["parts"]!.AsArray();
        Assert.Equal([Math.PI * 25, 240], parts.Select(p => (double)p!["area"]!["value"]!), (a, b) => Math.Abs(a - b) < 0.01);
        Assert.Equal((Math.PI * 2500 * 10 + 200 * 120 * 18) / 1000,
            (double)piece["plan"]!["ground"]!["mould"]!["capacity"]!["value"]!, 0.1);
        await Problem(await host.TryEditGround(Casting(), Do("cast-in-moulds", ("moulds", new JsonArray("gone")))),
            HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task The_level_shows_whole_steps_of_what_it_is_steered_to()
    {
        await host.Client.PutAsJsonAsync("/api/stand-ins/level", new { acrossDeg = 0.32, alongDeg = -1.18, stepDeg = 0.1 });
        var level = (await host.Get("/api/live"))["level"]!;
        Assert.Equal((0.3, -1.2, 0.1), ((double)level["acrossDeg"]!, (double)level["alongDeg"]!, (double)level["stepDeg"]!));
        var problem = await Problem(await host.Client
            .PutAsJsonAsync("/api/stand-ins/level", new { acrossDeg = 11, alongDeg = 0, stepDeg = 0 }), HttpStatusCode.BadRequest);
        Assert.Equal("Tilt across must be from -10 to 10 degrees.", Sentence(problem, "acrossDeg"));
        Assert.Equal("Step of the level must be from 0.001 to 1 degrees.", Sentence(problem, "stepDeg"));

        // The stream begins with what it shows, and tells what changes.
        using var answer = await host.Client.GetAsync("/api/live/stream", HttpCompletionOption.ResponseHeadersRead);
        Assert.Equal("text/event-stream", answer.Content.Headers.ContentType!.MediaType);
        using var reader = new StreamReader(await answer.Content.ReadAsStreamAsync());
        Assert.Contains("\"acrossDeg\":0.3", await Data(reader), StringComparison.Ordinal);
        await host.Client.PutAsJsonAsync("/api/stand-ins/level", new { acrossDeg = 2, alongDeg = 0, stepDeg = 0.5 });
        Assert.Contains("\"acrossDeg\":2", await Data(reader), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_sealing_costs_is_known_once_a_litre_has_its_price()
    {
        var ground = Ground();
        ground["base"] = Parsed("""
            { "kind": "panel", "material": "mdf", "thicknessMm": 9, "backStiffened": false, "gapsSealed": false,
            "sealTested": false }
            """);
        var piece = await host.AddPiece("Board", ground);
        async Task<JsonArray> Ways() => (await host.Get($"/api/pieces/{piece["id"]}"))["plan"]!["ground"]!["sealWays"]!.AsArray();
        Assert.All(await Ways(), w => Assert.Null(w!["cost"]));
        await host.Client
            .PutAsJsonAsync("/api/prices", new { money = "kr", perLitre = new Dictionary<string, double> { ["primer"] = 120 } });
        var primer = (await Ways())[0]!;

        // 2 coats of 0.1 mm on 0.24 m²: 48 ml.
        Assert.Equal(5.76, (double)primer["cost"]!["value"]!, 1e-9);
        Assert.Equal((24.0, "kr/m²"), ((double)primer["costPerM2"]!["value"]!, (string)primer["costPerM2"]!["unit"]!));
        Assert.Null((await Ways())[1]!["cost"]);
        var problem = await Problem(
            await host.Client.PutAsJsonAsync("/api/prices",
                new { money = "", perLitre = new Dictionary<string, double> { ["gold"] = 1, ["resin"] = -1 } }), HttpStatusCode.BadRequest);
        Assert.Equal(["money", "perLitre.gold", "perLitre.resin"], problem["errors"]!.AsObject().Select(e => e.Key).Order());

        // A resin of the cupboard has a price of its own, and what its sittings cost follows.
        await host.Client
            .PutAsJsonAsync("/api/prices", new { money = "kr", perLitre = new Dictionary<string, double> { ["resin/coating"] = 300 } });
        var view = await host.AddPiece("Priced", Ground());
        var sitting = view["plan"]!["sittings"]![0]!;
        Assert.Equal((double)sitting["batches"]!["totalMl"]!["value"]! / 1000 * 300, (double)sitting["cost"]!["value"]!, 1e-9);
        await Problem(await host.Client.PutAsJsonAsync("/api/prices",
            new { money = "kr", perLitre = new Dictionary<string, double> { ["resin/gone"] = 1 } }), HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_pot_paints_a_ground_and_says_when_there_is_too_little_in_it()
    {
        var pot = Parsed("""{ "name": " Peat black ", "colour": "#2b2a26", "kind": "water", "leftMl": 40, "note": "" }""");
        async Task<JsonNode> Save(int basedOn, HttpStatusCode status = HttpStatusCode.OK)
        {
            var answer = await host.Client.PutAsJsonAsync("/api/pots/p1", new { basedOn, pot });
            Assert.Equal(status, answer.StatusCode);
            return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
        }

        Assert.Equal("Peat black", (string)(await Save(0))[0]!["pot"]!["name"]!);
        var ground = Ground();
        ground["paint"] = Parsed("""{ "kind": "water", "coats": 2, "dryHours": null, "sealed": false, "potId": "p1" }""");
        var piece = await host.AddPiece("Board", ground);

        // Two coats of 0.1 mm on 0.24 m² are 48 ml.
        Assert.Equal((40.0, 8.0),
            ((double)piece["plan"]!["pot"]!["left"]!["value"]!, Math.Round((double)piece["plan"]!["pot"]!["short"]!["value"]!, 9)));
        pot["leftMl"] = 90;
        await Save(1);
        Assert.Null((await host.Get($"/api/pieces/{piece["id"]}"))["plan"]!["pot"]!["short"]);
        await Save(1, HttpStatusCode.Conflict);
        pot["colour"] = "black";
        Assert.Equal("The pot's colour must be a colour like #33523f.",
            Sentence((await Save(2, HttpStatusCode.BadRequest)).AsObject(), "colour"));

        // What the ground is to take is spoken for, and taken once it is ticked; with the undo it is back.
        async Task<(double Left, double? Spoken, int Uses)> Stock()
        {
            var stock = (await host.List("/api/pots"))[0]!["stock"]!;
            return ((double)stock["left"]!["value"]!,
                (double?)stock["spokenFor"]?["value"] is { } ml ? Math.Round(ml, 9) : null, stock["uses"]!.AsArray().Count);
        }

        Assert.Equal((90.0, 48.0, 1), await Stock());
        var id = (string)piece["id"]!;
        piece = await host.Edit(piece, Do("mark-prepared", ("step", "paint"), ("done", true), ("at", "2090-05-01T08:00:00")));
        Assert.Equal((42.0, (double?)null, 1), await Stock());
        Assert.Null((await host.Get($"/api/pieces/{id}"))["plan"]!["pot"]!["short"]);
        var second = await host.AddPiece("Second board", ground);
        Assert.Equal((42.0, 6.0),
            ((double)second["plan"]!["pot"]!["left"]!["value"]!, Math.Round((double)second["plan"]!["pot"]!["short"]!["value"]!, 9)));
        await host.Edit(piece, Do("mark-prepared", ("step", "paint"), ("done", false), ("at", null)));
        Assert.Equal((90.0, 96.0, 2), await Stock());

        // A pot is measured when somebody says what is left, not when it gets another name.
        pot["colour"] = "#2b2a27";
        var measured = (string)(await host.List("/api/pots"))[0]!["pot"]!["measuredAt"]!;
        Assert.Equal(measured, (string)(await Save(2))[0]!["pot"]!["measuredAt"]!);

        // A pot that is not in the cupboard is no pot; nothing is made up about it.
        ground["paint"]!["potId"] = "gone";
        Assert.Null((await host.AddPiece("Other", ground))["plan"]!["pot"]);
    }

    [Fact]
    public async Task Every_mould_of_the_demo_could_have_been_typed()
    {
        using var demo = new TestHost(demo: true);
        var moulds = await demo.List("/api/moulds");
        Assert.Equal(4, moulds.Count);
        foreach (var mould in moulds)
        {
            Assert.NotEmpty((string)mould!["path"]!);
            var saved = await demo.Client.PutAsJsonAsync($"/api/moulds/{mould["id"]}", new { basedOn = 1, mould = mould["mould"] });
            Assert.Equal(HttpStatusCode.OK, saved.StatusCode);
        }

        Assert.Equal(7, (int)moulds.Single(m => (string)m!["id"]! == "marsh-round")!["castings"]!);
        Assert.Equal(11, (await demo.List("/api/pieces")).Count);
    }

    private static async Task<string> Data(StreamReader reader)
    {
        while (await reader.ReadLineAsync() is { } line)
        {
            if (line.StartsWith("data:", StringComparison.Ordinal))
            {
                return line;
            }
        }

        return "the stream ended";
    }

    private static JsonObject Mould() => Parsed(
        """
        {
          "name": "Round", "outline": { "shape": "round", "diameterMm": 100 }, "depthMm": 10, "from": "dimensions", "capacityMl": null,
          "cavitiesEach": 2, "owned": 2, "note": ""
        }
        """);

    private static JsonObject Casting()
    {
        var ground = Ground(100, 100);
        ground["edge"] = "walled";
        ground["base"] = Parsed("""
            { "kind": "casting", "material": "silicone", "backStiffened": false, "gapsSealed": false,
            "sealTested": false }
            """);
        ground["mould"] = Parsed("""
            { "depthMm": 10, "from": "dimensions", "capacityMl": null, "pieces": 1, "cavities": 1, "keepMm": 0 }
            """);
        return ground;
    }

    private Task<JsonObject> Cast(JsonObject ground, params string[] mouldIds) =>
        host.EditGround(ground, Do("cast-in-moulds", ("moulds", new JsonArray([.. mouldIds.Select(m => (JsonNode)m)]))));

    private Task<HttpResponseMessage> TrySaveMould(string id, int basedOn, JsonObject mould) =>
        host.Client.PutAsJsonAsync($"/api/moulds/{id}", new { basedOn, mould });

    private async Task<JsonNode> SaveMould(string id, int basedOn, JsonObject mould)
    {
        var answer = await TrySaveMould(id, basedOn, mould);
        var text = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.StatusCode == HttpStatusCode.OK, text);
        return JsonNode.Parse(text)!.AsArray().Single(m => (string)m!["id"]! == id)!;
    }

    private async Task Pour(string id, double? roomC = null, string layerId = "layer-1")
    {
        var answer = await host.Client.PutAsJsonAsync(
            $"/api/pieces/{id}/runs/{Guid.NewGuid()}",
            new
            {
                basedOn = 0,
                sittingId = layerId,
                start = "2026-05-01T08:00:00",
                end = (string?)null,
                roomC,
                note = "",
                pours = Array.Empty<object>()
            });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }
}
