using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Changes sent as commands: kept once, planned first, told in words, refused where they belong.</summary>
public sealed class EditApiTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    private static JsonObject OnLayer(string what, params (string Key, JsonNode? Value)[] with) =>
        Do(what, [("layer", "layer-1"), .. with]);

    private static JsonObject Body(JsonNode view, params JsonObject[] commands) => Body(view, Guid.NewGuid(), commands);

    private static JsonObject Body(JsonNode view, Guid id, params JsonObject[] commands) =>
        new() { ["id"] = id, ["basedOn"] = (int)view["version"]!, ["commands"] = new JsonArray([.. commands.Select(c => c.DeepClone())]) };

    private Task<HttpResponseMessage> TryEdit(string id, JsonObject body) => host.Client.PostAsJsonAsync($"/api/pieces/{id}/edit", body);

    private async Task<JsonObject> Edit(string id, JsonObject body) => await Read(await TryEdit(id, body), HttpStatusCode.OK);

    [Fact]
    public async Task A_command_is_kept_as_a_step_that_says_what_it_did()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var edited = await Edit(id, Body(view, OnLayer("add-band")));
        Assert.Equal((2, true, "add a band"), ((int)edited["version"]!, (bool)edited["canUndo"]!, (string)edited["undoes"]!));
        Assert.Equal("layers[layer-1].layout.bands[band-2]", (string?)edited["made"]);
        var kept = await host.Get($"/api/pieces/{id}");
        Assert.Equal(edited["piece"]!.ToJsonString(), kept["piece"]!.ToJsonString());
        Assert.Equal("add a band", (string?)kept["undoes"]);

        var back = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/step", new { basedOn = 2, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(view["piece"]!.ToJsonString(), back["piece"]!.ToJsonString());
        Assert.Null((string?)back["undoes"]);
        Assert.Equal("add a band", (string?)back["redoes"]);
    }

    [Fact]
    public async Task A_piece_is_marked_anew_only_where_it_is_painted_otherwise()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var named = await Edit(id, Body(view, Do("set-field", ("place", "name"), ("value", "Fen"))));
        Assert.Equal((string)view["painted"]!, (string)named["painted"]!);
        var deeper = await Edit(id, Body(named, Do("nudge", ("place", "layers[layer-1].depthMm"), ("by", 1))));
        Assert.NotEqual((string)view["painted"]!, (string)deeper["painted"]!);
        Assert.Equal((string)deeper["painted"]!, (string)(await host.Get($"/api/pieces/{id}"))["painted"]!);
    }

    [Fact]
    public async Task A_change_or_a_step_that_is_sent_again_is_taken_once_on_the_newest_version_and_after_an_undo_too()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var change = Guid.NewGuid();
        JsonObject On(int version) => new()
        {
            ["id"] = change,
            ["basedOn"] = version,
            ["commands"] = new JsonArray(OnLayer("add-band")),
        };
        await Edit(id, On(1));
        Assert.Equal(2, (int)(await Edit(id, On(2)))["version"]!);
        async Task<JsonObject> Step(int version, Guid step) => await Read(await host.Client.PostAsJsonAsync(
            $"/api/pieces/{id}/step", new { basedOn = version, step = "undo", id = step }), HttpStatusCode.OK);
        await Edit(id, Body(await host.Get($"/api/pieces/{id}"), Guid.NewGuid(), OnLayer("add-band")));
        var undo = Guid.NewGuid();
        foreach (var version in new[] { 3, 3, 4 })
        {
            var back = await Step(version, undo);
            Assert.Equal((4, 2), ((int)back["version"]!, back["piece"]!["layers"]![0]!["layout"]!["bands"]!.AsArray().Count));
        }

        // What was undone stays undone when it is sent again.
        Assert.Single((await Step(4, Guid.NewGuid()))["piece"]!["layers"]![0]!["layout"]!["bands"]!.AsArray());
        var again = await Edit(id, On(5));
        Assert.Equal((5, 1), ((int)again["version"]!, again["piece"]!["layers"]![0]!["layout"]!["bands"]!.AsArray().Count));
    }

    [Theory]
    [InlineData(50, 1, true)]
    [InlineData(1, 50, true)]
    [InlineData(50.5, 1, false)]
    [InlineData(1, 50.5, false)]
    [InlineData(0.1, 1000, false)]
    public async Task A_ratio_is_from_one_in_fifty_to_fifty_to_one(double resin, double hardener, bool taken)
    {
        foreach (var name in new[] { "water-mint", "marsh-light", "marigold-dozen" })
        {
            using var demo = new TestHost(demo: true);
            var view = await demo.Get($"/api/pieces/{name}");
            var sitting = (string)view["piece"]!["sittings"]![0]!["id"]!;
            var ratio = view["piece"]!["sittings"]![0]!["resin"]!;
            ratio["ratio"] = new JsonObject { ["basis"] = "volume", ["resin"] = resin, ["hardener"] = hardener };
            using var answer = await demo.TrySave(view);
            if (taken)
            {
                var kept = await Read(answer, HttpStatusCode.OK);
                Assert.NotNull(kept["plan"]);
            }
            else
            {
                var errors = (await Problem(answer, HttpStatusCode.BadRequest))["errors"]!.AsObject();
                Assert.Equal("A ratio must be from 1 : 50 to 50 : 1.",
                    (string)errors[$"sittings[{sitting}].resin.ratio.hardener"]![0]!);
            }
        }
    }

    [Fact]
    public async Task A_burst_is_one_step()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var nudge = Do("nudge", ("place", "layers[layer-1].depthMm"), ("by", 1));
        var edited = await Edit(id, Body(view, nudge, nudge, nudge));
        Assert.Equal(6, (double)edited["piece"]!["layers"]![0]!["depthMm"]!);
        Assert.Equal("set layer depth", (string?)edited["undoes"]);
        var back = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/step", new { basedOn = 2, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(3, (double)back["piece"]!["layers"]![0]!["depthMm"]!);
    }

    [Fact]
    public async Task Every_command_is_described_and_every_one_described_is_there()
    {
        var root = Directory.GetParent(AppContext.BaseDirectory)!;
        while (!Directory.Exists(Path.Combine(root.FullName, "docs")))
        {
            root = root.Parent!;
        }

        var described = (await File.ReadAllLinesAsync(Path.Combine(root.FullName, "docs", "craft", "editing.md")))
            .Where(l => l.StartsWith("| `", StringComparison.Ordinal)).Select(l => l.Split('`')[1]).Where(n => n != "do");
        var schemas = (await host.Get("/openapi/v1.json"))["components"]!["schemas"]!.AsObject();
        var there = schemas.Select(s => s.Value!["properties"]?["do"]?["enum"]?[0]).OfType<JsonNode>().Select(n => (string)n!);
        Assert.Equal(there.Order(StringComparer.Ordinal), described.Order(StringComparer.Ordinal));
    }

    [Fact]
    public async Task A_change_that_changes_nothing_is_no_step()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var same = await Edit(id, Body(view, Do("set-field", ("place", "layers[layer-1].depthMm"), ("value", 3))));
        Assert.Equal((1, false), ((int)same["version"]!, (bool)same["canUndo"]!));
        Assert.Empty(same["plan"]!["layers"]!.AsArray());
        Assert.Null(same["plan"]!["ground"]);
        Assert.Equal(2, (int)(await Edit(id, Body(view, Do("set-field", ("place", "layers[layer-1].depthMm"), ("value", 4)))))["version"]!);
    }

    [Fact]
    public async Task The_same_change_that_arrives_again_while_it_is_worked_out_is_taken_once()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        for (var version = 1; version <= 5; version++)
        {
            var body = Body(await host.Get($"/api/pieces/{id}"), OnLayer("add-band"));
            var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => Task.Run(() => Edit(id, (JsonObject)body.DeepClone()))));
            Assert.All(answers, a => Assert.Equal((version + 1, "add a band"), ((int)a["version"]!, (string?)a["undoes"])));
        }
    }

    [Fact]
    public async Task The_same_change_sent_twice_is_taken_once()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var body = Body(view, Guid.NewGuid(), OnLayer("add-band"));
        var first = await Edit(id, body);
        var again = await Edit(id, body);
        Assert.Equal((int)first["version"]!, (int)again["version"]!);
        Assert.Equal(first["piece"]!.ToJsonString(), again["piece"]!.ToJsonString());
        Assert.Equal(2, (await host.Get($"/api/pieces/{id}"))["piece"]!["layers"]![0]!["layout"]!["bands"]!.AsArray().Count);

        // A change of its own with the same words is another change.
        await Edit(id, Body(again, OnLayer("add-band")));
        Assert.Equal(3, (await host.Get($"/api/pieces/{id}"))["piece"]!["layers"]![0]!["layout"]!["bands"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_change_that_is_refused_names_its_place_and_keeps_nothing()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        Assert.Contains("from 0.1 to 100 mm", Sentence(await Problem(
            await TryEdit(id, Body(view, OnLayer("add-band"),
                Do("set-field", ("place", "layers[layer-1].depthMm"), ("value", 400)))), HttpStatusCode.BadRequest),
            "layers[layer-1].depthMm"), StringComparison.Ordinal);
        Assert.Contains("That band is no longer there", Sentence(await Problem(
            await TryEdit(id, Body(view, OnLayer("widen-band", ("band", "gone"), ("byMm", 2)))),
            HttpStatusCode.BadRequest), "layers[layer-1].layout.bands[gone]"), StringComparison.Ordinal);
        await Problem(await TryEdit(id, Body(view)), HttpStatusCode.BadRequest);
        await Problem(await TryEdit(id, Body(view, Do("burn-it"))), HttpStatusCode.BadRequest);
        await Problem(await TryEdit(id, Body(view, Do("widen-band", ("layer", "layer-1")))), HttpStatusCode.BadRequest);
        await Problem(await TryEdit(id, Body(view, Do("draw-wall", ("layer", "layer-1"), ("spots", null)))), HttpStatusCode.BadRequest);
        await Problem(await TryEdit("nowhere", Body(view, OnLayer("add-band"))), HttpStatusCode.NotFound);
        Assert.Equal(1, (int)(await host.Get($"/api/pieces/{id}"))["version"]!);

        await Edit(id, Body(view, OnLayer("add-band")));
        var stale = await Problem(await TryEdit(id, Body(view, OnLayer("add-band"))), HttpStatusCode.Conflict);
        Assert.Equal(2, (int)stale["newest"]!);
    }

    [Fact]
    public async Task Only_what_changed_of_the_plan_is_sent()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        var two = await Edit(id, Body(view, Do("add-layer")));
        Assert.Equal("layers[layer-2]", (string?)two["made"]);
        var deeper = await Edit(id, Body(two, Do("set-field", ("place", "layers[layer-2].depthMm"), ("value", 4))));
        Assert.Equal(["layer-2"], deeper["plan"]!["layers"]!.AsArray().Select(l => (string)l!["layerId"]!));
        var renamed = await Edit(id, Body(deeper, Do("set-field", ("place", "name"), ("value", "Fen"))));
        Assert.Empty(renamed["plan"]!["layers"]!.AsArray());
        Assert.Null(renamed["plan"]!["ground"]);

        // However often it is changed.
        for (var i = 0; i < 40; i++)
        {
            renamed = await Edit(id, Body(renamed, Do("set-field", ("place", "name"), ("value", $"Fen {i}"))));
            Assert.Empty(renamed["plan"]!["layers"]!.AsArray());
        }

        // What was left out is as it was: put together they are the plan.
        var whole = (await host.Get($"/api/pieces/{id}"))["plan"]!;
        Assert.Equal(whole["layers"]![1]!.ToJsonString(), deeper["plan"]!["layers"]![0]!.ToJsonString());
    }

    [Fact]
    public async Task A_preview_of_commands_is_what_they_would_give_and_keeps_nothing()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        JsonObject Preview(JsonObject command, int revision = 1) => new()
        {
            ["layerId"] = "layer-1",
            ["detail"] = "draft",
            ["numbers"] = true,
            ["revision"] = revision,
            ["commands"] = new JsonArray(command),
        };
        var shown = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/preview", Preview(OnLayer("add-heart"))), HttpStatusCode.OK);
        Assert.NotNull(shown["painting"]);
        Assert.Single(shown["piece"]!["layers"]![0]!["layout"]!["hearts"]!.AsArray());
        Assert.Equal(1, (int)(await host.Get($"/api/pieces/{id}"))["version"]!);
        var edited = await Edit(id, Body(view, OnLayer("add-heart")));
        Assert.Equal(edited["piece"]!.ToJsonString(), shown["piece"]!.ToJsonString());

        // A revision stays what it was, whatever was saved since; a step of a drag made to it is never too late.
        var again = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/preview", Preview(OnLayer("add-heart"))), HttpStatusCode.OK);
        Assert.Equal(shown["piece"]!.ToJsonString(), again["piece"]!.ToJsonString());
        await Problem(await host.Client.PostAsJsonAsync($"/api/pieces/{id}/preview", Preview(OnLayer("add-heart"), 9)),
            HttpStatusCode.NotFound);
        await Problem(await host.Client.PostAsJsonAsync($"/api/pieces/{id}/preview", Preview(OnLayer("add-vein"), 2)),
            HttpStatusCode.BadRequest);
        await Problem(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/preview", new JsonObject { ["layerId"] = null }), HttpStatusCode.BadRequest);
        await Problem(await host.Client.PostAsJsonAsync("/api/pieces/nowhere/preview", Preview(OnLayer("add-heart"))),
            HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_remedy_is_a_command_and_the_cupboard_gives_what_a_command_takes_from_it()
    {
        using var demo = new TestHost(demo: true);
        var shelf = await demo.List("/api/pieces");
        var taken = 0;
        foreach (var id in shelf.Select(p => (string)p!["id"]!))
        {
            var view = await demo.Get($"/api/pieces/{id}");
            var found = view["plan"]!["findings"]!.AsArray()
                .SelectMany(f => f!["remedies"]!.AsArray().Where(r => r!["field"] is null)
                    .Select(r => (Finding: (string)f!["key"]!, Edits: Commands(r!))));
            foreach (var (finding, edits) in found.Take(1))
            {
                var answer = await demo.Client.PostAsJsonAsync($"/api/pieces/{id}/edit", Body(view, edits));
                var edited = await Read(answer, HttpStatusCode.OK);
                Assert.DoesNotContain(edited["plan"]!["findings"]?.AsArray() ?? [],
                    f => (string)f!["key"]! == finding && f["wavedOff"] is null);
                taken++;
            }
        }

        Assert.True(taken > 2, $"{taken} remedies were taken.");
        var piece = await demo.Get($"/api/pieces/{(string)shelf[0]!["id"]!}");

        var rings = await demo.Get($"/api/pieces/{(await Piece("Marsh Light"))["id"]}");
        var sequence = (await demo.List("/api/sequences"))[0]!;
        var layer = rings["piece"]!["layers"]!.AsArray().First(l => l!["layout"]!["bands"] is not null)!;
        var laid = await Read(await demo.Client.PostAsJsonAsync($"/api/pieces/{rings["id"]}/edit",
            Body(rings, Do("lay-sequence", ("layer", (string)layer["id"]!), ("sequence", (string)sequence["id"]!)))), HttpStatusCode.OK);
        Assert.Equal(
            sequence["sequence"]!["bands"]!.AsArray().Count,
            laid["piece"]!["layers"]!.AsArray()
                .First(l => (string)l!["id"]! == (string)layer["id"]!)!["layout"]!["bands"]!.AsArray().Count);

        async Task<JsonNode> Piece(string name) => (await demo.List("/api/pieces")).First(p => (string)p!["name"]! == name)!;
    }
}
