using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NodaTime.Text;
using NodaTime;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

public sealed class RunApiTests : IDisposable
{
    private const string Run = "0c4b2a52-6b0f-4a7e-9f0e-3f2d7d0f4a11";
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task Windows_follow_the_plan_and_then_what_was_logged()
    {
        await SetZone("Europe/Dublin");
        var view = await Planned("2026-05-01T11:00:00", 22);
        Assert.Equal("2026-05-01T13:20:00", Local(Window(view, 0), "opens"));
        Assert.Equal("2026-05-01T14:30:00", Local(Window(view, 0), "closes"));
        Assert.Equal("ahead", (string?)Window(view, 0)["state"]);

        // 09:30 UTC is 10:30 in Dublin; the pour was logged as begun at 10:00.
        var logged = await Log(view, start: "2026-05-01T10:00:00", end: "2026-05-01T10:24:00", roomC: 22);
        Assert.True((bool)logged["plan"]!["sittings"]![0]!["poured"]!);
        Assert.Equal("2026-05-01T12:24:00", Local(Window(logged, 0), "opens"));
        Assert.Equal("measured", (string?)logged["plan"]!["sittings"]![0]!["span"]!["roomOrigin"]);
        host.Clock.Advance(Duration.FromHours(2));
        Assert.Equal("open", (string?)Window(await host.Get($"/api/pieces/{view["id"]}"), 0)["state"]);
    }

    [Fact]
    public async Task A_log_keeps_the_plan_beside_what_was_poured_and_leaves_unknown_unknown()
    {
        var view = PieceApiTests.WithBands(await host.AddPiece());
        view = await host.Save(view);
        var logged = await Log(view, pours: """[{"regionId":"moss","pouredMl":171}]""", note: " Moss ran. ");
        var run = logged["runs"]![0]!;
        Assert.Equal("Moss ran.", (string?)run["note"]);
        Assert.Null(run["end"]);
        Assert.Null(run["roomC"]);
        var pours = run["pours"]!.AsArray().ToDictionary(p => (string)p!["regionId"]!, p => p!);
        Assert.Equal(171, (double)pours["moss"]["pouredMl"]!);
        Assert.Null(pours["rest"]["pouredMl"]);
        var planned = (double)pours["moss"]["plannedMl"]!;

        // The plan changes afterwards; what was planned at the time stays.
        view = await host.Get($"/api/pieces/{view["id"]}");
        view["piece"]!["layers"]![0]!["depthMm"] = 6;
        await host.Save(view);
        var again = await Log(view, basedOn: 1, pours: """[{"regionId":"moss","pouredMl":172}]""");
        var moss = again["runs"]![0]!["pours"]!.AsArray().Single(p => (string?)p!["regionId"] == "moss")!;
        Assert.Equal((planned, 172), ((double)moss["plannedMl"]!, (double)moss["pouredMl"]!));
    }

    [Fact]
    public async Task Layouts_put_by_go_with_the_first_save_after_the_pour()
    {
        var view = PieceApiTests.WithBands(await host.AddPiece());
        var layer = view["piece"]!["layers"]![0]!.AsObject();
        var flood = new JsonObject { ["kind"] = "flood", ["recipeId"] = (string?)view["piece"]!["recipes"]![0]!["id"] };
        layer["aside"] = new JsonArray(flood);
        view = await host.Save(view);
        Assert.Single(view["piece"]!["layers"]![0]!["aside"]!.AsArray());

        await Log(view);
        view = await host.Get($"/api/pieces/{view["id"]}");
        Assert.Single(view["piece"]!["layers"]![0]!["aside"]!.AsArray());
        view["piece"]!["layers"]![0]!["depthMm"] = 6;
        Assert.Null((await host.Save(view))["piece"]!["layers"]![0]!["aside"]);
    }

    [Fact]
    public async Task The_same_log_sent_twice_is_kept_once()
    {
        var view = await host.AddPiece();
        await Log(view);
        await Problem(await TryLog(view), HttpStatusCode.Conflict);
        Assert.Single((await Log(view, basedOn: 1))["runs"]!.AsArray());
    }

    [Fact]
    public async Task What_was_logged_is_there_after_a_new_start()
    {
        var folder = Directory.CreateTempSubdirectory("moss-lantern-").FullName;
        var copy = Path.Combine(folder, "kept");
        using (var first = new TestHost(folder: Path.Combine(folder, "first")))
        {
            var view = await first.AddPiece();
            await Read(await first.Client.PutAsync($"/api/pieces/{view["id"]}/runs/{Run}", Body(Request())), HttpStatusCode.OK);
            Directory.CreateDirectory(copy);
            foreach (var file in Directory.GetFiles(first.Folder, "workshop*"))
            {
                File.Copy(file, Path.Combine(copy, Path.GetFileName(file)));
            }
        }

        // A copy of the files of a running program is what a power cut leaves.
        using (var second = new TestHost(folder: copy))
        {
            var shelf = Assert.Single(await second.List("/api/pieces"))!;
            Assert.Equal(1, (int)shelf["poured"]!);
        }

        Directory.Delete(folder, recursive: true);
    }

    [Theory]
    [InlineData("sittingId", "no such sitting", "sittingId", "\"veil\"")]
    [InlineData("start", "cannot start in the future", "start", "\"2026-05-02T09:00:00\"")]
    [InlineData("start", "years 1970 to 2200", "start", "\"0001-01-01T00:00:00\"")]
    [InlineData("end", "cannot be before the first", "end", "\"2026-05-01T08:00:00\"")]
    [InlineData("end", "within two days", "end", "\"2026-05-04T09:00:00\"")]
    [InlineData("end", "cannot end in the future", "end", "\"2026-05-01T09:32:00\"")]
    [InlineData("roomC", "from -20 to 60 °C", "roomC", "75")]
    [InlineData("pours[0].pouredMl", "from 0 to 100000 ml", "pours", """[{"regionId":"band-1","pouredMl":-1}]""")]
    [InlineData("pours", "named once", "pours", """[{"regionId":"band-1","pouredMl":1},{"regionId":"band-1","pouredMl":2}]""")]
    public async Task A_log_that_cannot_be_is_refused_by_field(string field, string sentence, string change, string value)
    {
        var view = await host.AddPiece();
        var request = Parsed(Request());
        request[change] = JsonNode.Parse(value);
        var answer = await host.Client.PutAsync($"/api/pieces/{view["id"]}/runs/{Run}", Body(request.ToJsonString()));
        Assert.Contains(sentence, Sentence(await Problem(answer, HttpStatusCode.BadRequest), field), StringComparison.Ordinal);
        Assert.Empty((await host.Get($"/api/pieces/{view["id"]}"))["runs"]!.AsArray());
    }

    [Fact]
    public async Task A_log_of_no_piece_is_a_problem() =>
        await Problem(await host.Client.PutAsync($"/api/pieces/nowhere/runs/{Run}", Body(Request())), HttpStatusCode.NotFound);

    [Fact]
    public async Task The_ribbon_shows_the_coming_windows_and_the_nights_of_the_workshop()
    {
        await SetZone("Europe/Dublin");
        var view = await Planned("2026-05-01T11:00:00", 22);
        var ribbon = await host.Get("/api/ribbon");
        Assert.Equal("2026-05-01T10:30:00", (string?)ribbon["now"]!["local"]);
        Assert.Equal("2026-05-04T10:30:00", (string?)ribbon["to"]!["local"]);
        Assert.Equal(
            ["tape-pull", "next-layer", "touch-dry"], ribbon["spans"]!.AsArray().Select(s => (string?)s!["milestone"]));
        Assert.All(ribbon["spans"]!.AsArray(), s => Assert.Equal((string?)view["id"], (string?)s!["pieceId"]));
        Assert.Equal("2026-05-01T22:00:00", Local(ribbon["nights"]![0]!, "from"));
        Assert.Equal("2026-05-02T07:00:00", Local(ribbon["nights"]![0]!, "to"));
        Assert.Equal(3, ribbon["nights"]!.AsArray().Count);
    }

    [Fact]
    public async Task The_ribbon_follows_every_save_step_log_and_zone()
    {
        await SetZone("Europe/Dublin");
        var view = await Planned("2026-05-01T11:00:00", 22);
        Assert.Equal(("2026-05-01T13:20:00", false), await Tape());
        view["piece"]!["sittings"]![0]!["start"] = "2026-05-01T12:00:00";
        view["piece"]!["sittings"]![0]!["end"] = "2026-05-01T12:20:00";
        view = await host.Save(view);
        Assert.Equal(("2026-05-01T14:20:00", false), await Tape());
        await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{view["id"]}/step", new { basedOn = (int)view["version"]!, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(("2026-05-01T13:20:00", false), await Tape());
        await Log(view, start: "2026-05-01T10:00:00", end: "2026-05-01T10:24:00", roomC: 22);
        Assert.Equal(("2026-05-01T12:24:00", true), await Tape());
        await Log(view, basedOn: 1, start: "2026-05-01T10:00:00", end: "2026-05-01T10:30:00", roomC: 22);
        Assert.Equal(("2026-05-01T12:30:00", true), await Tape());
        await SetZone("Europe/Berlin");
        Assert.Equal(("2026-05-01T13:30:00", true), await Tape());

        async Task<(string?, bool)> Tape()
        {
            var span = (await host.Get("/api/ribbon"))["spans"]!.AsArray().Single(s => (string?)s!["milestone"] == "tape-pull")!;
            return (Local(span, "opens"), (bool)span["poured"]!);
        }
    }

    [Fact]
    public async Task More_than_was_mixed_is_asked_about_and_taken_when_it_is_so()
    {
        var view = await host.Save(PieceApiTests.WithBands(await host.AddPiece()));
        var mixed = (double)view["plan"]!["sittings"]![0]!["cups"]!["cups"]!.AsArray()
            .Single(c => c!["regions"]!.AsArray().Any(r => (string)r!["region"]! == "moss"))!["mixMl"]!["value"]!;
        foreach (var (ml, asked) in new[] { (1.04 * mixed, false), (1.06 * mixed, true) })
        {
            var pours = FormattableString.Invariant($$"""[{"regionId":"moss","pouredMl":{{ml}}}]""");
            var answer = await host.Client
                .PutAsync($"/api/pieces/{view["id"]}/runs/{Guid.NewGuid()}", Body(Request(pours: pours, evenSo: false)));
            Assert.Equal(asked ? HttpStatusCode.BadRequest : HttpStatusCode.OK, answer.StatusCode);
            if (asked)
            {
                Assert.Contains("Was more mixed?", Sentence(await Problem(answer, HttpStatusCode.BadRequest), "evenSo"),
                    StringComparison.Ordinal);
                await Read(await host.Client
                    .PutAsync($"/api/pieces/{view["id"]}/runs/{Guid.NewGuid()}", Body(Request(pours: pours))), HttpStatusCode.OK);
            }
        }
    }

    [Fact]
    public async Task A_layer_over_one_that_is_not_logged_is_asked_about()
    {
        var view = PieceApiTests.WithBands(await host.AddPiece());
        var over = view["piece"]!["layers"]![0]!.DeepClone();
        over["id"] = "layer-2";
        over["name"] = "Veil";
        view["piece"]!["layers"]!.AsArray().Add(over);
        PieceApiTests.AddSitting(view["piece"]!, "layer-2");
        view = await host.Save(view);
        JsonObject Of(string layer, bool evenSo) => Parsed(Request(evenSo: evenSo).Replace("layer-1", layer, StringComparison.Ordinal));
        Task<HttpResponseMessage> Log(string layer, bool evenSo = false) =>
            host.Client.PutAsync($"/api/pieces/{view["id"]}/runs/{Guid.NewGuid()}", Body(Of(layer, evenSo).ToJsonString()));
        var problem = await Problem(await Log("layer-2"), HttpStatusCode.BadRequest);
        Assert.Contains("lies below Veil and is not in the log yet", Sentence(problem, "evenSo"), StringComparison.Ordinal);
        await Read(await Log("layer-1"), HttpStatusCode.OK);
        await Read(await Log("layer-2"), HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_piece_is_finished_when_each_region_has_been_poured_and_not_before()
    {
        var view = await host.Save(PieceApiTests.WithBands(await host.AddPiece()));
        var planned = view["plan"]!["sittings"]![0]!["pours"]!.AsArray()
            .ToDictionary(s => (string)s!["regionId"]!, s => (double)s!["pourMl"]!["value"]!);
        var regions = planned.Keys.ToList();
        string Pours(IEnumerable<string> poured, double share = 0.9, bool all = false) =>
            "[" + string.Join(',', poured.Select(r => string.Create(
            CultureInfo.InvariantCulture,
            $$"""{"regionId":"{{r}}","pouredMl":{{planned[r] * share}},"thatIsAll":{{(all ? "true" : "false")}}}"""))) + "]";
        var some = await Log(view, pours: Pours(regions.Take(1)));
        Assert.False((bool)some["finished"]!);
        var layer = some["plan"]!["layers"]![0]!;
        Assert.True((bool)layer["poured"]!);
        Assert.False((bool)layer["done"]!);
        Assert.Equal(regions.Skip(1).Order(), layer["openRegions"]!.AsArray().Select(r => (string)r!).Order());
        Assert.Equal((0, 1), await OnShelf());
        var all = await Log(view, basedOn: 1, pours: Pours(regions));
        Assert.True((bool)all["finished"]!);
        Assert.True((bool)all["plan"]!["layers"]![0]!["done"]!);
        Assert.Equal((1, 0), await OnShelf());

        // A log without amounts says that it was poured, not how much.
        var untold = await Log(view, basedOn: 2);
        Assert.True((bool)untold["finished"]!);

        // Half of what is planned is half, until the person says that it is all; what she says then is kept.
        var half = await Log(view, basedOn: 3, pours: Pours(regions, 0.89));
        Assert.False((bool)half["finished"]!);
        Assert.Equal(regions.Order(), half["plan"]!["layers"]![0]!["openRegions"]!.AsArray().Select(r => (string)r!).Order());
        Assert.All((await host.Get("/api/ribbon"))["spans"]!.AsArray(), s => Assert.True((bool)s!["half"]!));
        var enough = await Log(view, basedOn: 4, pours: Pours(regions, 0.5, all: true));
        Assert.True((bool)enough["finished"]!);
        Assert.All(enough["runs"]![0]!["pours"]!.AsArray(), p => Assert.True((bool)p!["thatIsAll"]!));
        Assert.All((await host.Get("/api/ribbon"))["spans"]!.AsArray(), s => Assert.False((bool)s!["half"]!));
        Assert.False((bool)(await Log(view, basedOn: 5, pours: Pours(regions, 0.5)))["finished"]!);

        async Task<(int, int)> OnShelf() => (await host.List("/api/pieces")).Single() is var piece
            ? ((int)piece!["poured"]!, (int)piece["begun"]!) : default;
    }

    [Fact]
    public async Task A_pour_planned_into_an_hour_that_the_clocks_skip_keeps_its_length()
    {
        await SetZone("Europe/Dublin");
        host.Clock.Reset(Instant.FromUtc(2027, 3, 20, 9, 0));
        var view = await host.AddPiece();
        var sitting = view["piece"]!["sittings"]![0]!;
        (sitting["start"], sitting["end"], sitting["roomC"]) = ("2027-03-28T01:30:00", "2027-03-28T02:10:00", 22);
        view = await host.Save(view);
        var pour = view["plan"]!["sittings"]![0]!["span"]!;
        Assert.Equal("2027-03-28T02:30:00", Local(pour, "start"));
        Assert.Equal("2027-03-28T03:10:00", Local(pour, "end"));
    }

    [Fact]
    public async Task The_story_of_a_rework_begins_with_that_of_the_piece_beneath()
    {
        var view = await host.Save(PieceApiTests.WithBands(await host.AddPiece("Fen Door")));
        var logged = await Log(view, note: "Moss ran.");
        Assert.Empty(logged["earlier"]!.AsArray());
        var over = await Read(await host.Client.PostAsync($"/api/pieces/{view["id"]}/rework", null), HttpStatusCode.Created);
        var earlier = Assert.Single(over["earlier"]!.AsArray())!;
        Assert.Equal(("Fen Door", "Moss ran.", "2026-05-01T09:00:00"),
            ((string)earlier["pieceName"]!, (string)earlier["note"]!, Local(earlier, "start")));
        Assert.Equal((string)view["id"]!, (string)earlier["pieceId"]!);
    }

    /// <summary>Three quarters of a region are logged; a pass that is added takes the last quarter, and the piece waits for it.</summary>
    [Fact]
    public async Task A_pass_that_is_added_after_a_log_takes_the_rest_and_is_waited_for()
    {
        var view = PieceApiTests.WithBands(await host.AddPiece("Half a fen"));
        view = await host.Save(view);
        var pours = view["plan"]!["sittings"]![0]!["pours"]!.AsArray();
        var first = pours[0]!;
        var (region, all) = ((string)first["regionId"]!, (double)first["pourMl"]!["value"]!);
        var told = new JsonArray([.. pours.Select((p, i) => (JsonNode)new JsonObject
        {
            ["regionId"] = (string)p!["regionId"]!,
            ["pouredMl"] = i == 0 ? 0.75 * all : (double)p["pourMl"]!["value"]!,
        })]);
        view = await Log(view, pours: told.ToJsonString());
        Assert.False((bool)view["finished"]!);
        view = await host.Edit(view, Do("add-pass", ("layer", "layer-1"), ("region", region), ("sitting", null), ("below", false),
            ("recipe", null), ("rest", true)));
        var passes = view["plan"]!["sittings"]![0]!["pours"]!.AsArray().Where(p => (string)p!["regionId"]! == region)
            .Select(p => (double)p!["pourMl"]!["value"]!).ToList();
        Assert.Equal([0.75 * all, 0.25 * all], passes, (a, b) => Math.Abs(a - b) < 1e-6);
        Assert.Equal([region], view["plan"]!["layers"]![0]!["openRegions"]!.AsArray().Select(r => (string)r!));
        var toCome = Assert.Single(view["plan"]!["sittings"]![0]!["pours"]!.AsArray(), p => !(bool)p!["done"]!)!;
        Assert.Equal((region, 1), ((string)toCome["regionId"]!, (int)toCome["pass"]!));

        told.Add((JsonNode)new JsonObject { ["regionId"] = region, ["pass"] = 1, ["pouredMl"] = 0.25 * all });
        view = await Log(view, basedOn: 1, pours: told.ToJsonString());
        Assert.True((bool)view["finished"]!);
    }

    /// <summary>Four of eight castings are done: one of them is poured over, and the piece stays with the others on the shelf.</summary>
    [Fact]
    public async Task One_of_several_castings_is_poured_over_and_the_others_stay()
    {
        var view = await host.AddPiece("Fen rounds");
        view = await host.Edit(view, Do("become-kind", ("kind", "casting")), Do("shape-outline", ("shape", "round")));
        view["piece"]!["ground"]!["mould"]!["pieces"] = 8;
        view["piece"]!["ground"]!["mould"]!["cavities"] = 4;
        view = await host.Save(view);
        Assert.False((bool)view["mayBePouredOver"]!);
        var sitting = (string)view["piece"]!["sittings"]![0]!["id"]!;
        Assert.Equal("layer-1", sitting);
        view = await Log(view);
        Assert.Equal((false, true), ((bool)view["finished"]!, (bool)view["mayBePouredOver"]!));
        Assert.Equal(4, (int)view["plan"]!["sittings"]![0]!["copiesLeft"]!);
        var over = await Read(await host.Client.PostAsync($"/api/pieces/{view["id"]}/rework", null), HttpStatusCode.Created);
        Assert.Equal((string)view["id"]!, (string)over["piece"]!["ground"]!["old"]!["pieceId"]!);
        Assert.Null(over["piece"]!["ground"]!["mould"]);
        Assert.Equal(new[] { (string)over["id"]!, (string)view["id"]! }.Order(),
            (await host.List("/api/pieces")).Select(p => (string)p!["id"]!).Order());

        // The others go on, and another of them may be poured over too.
        var still = await host.Get($"/api/pieces/{view["id"]}");
        Assert.Null(still["beneath"]);
        Assert.Equal((4, true), ((int)still["plan"]!["sittings"]![0]!["copiesLeft"]!, (bool)still["mayBePouredOver"]!));
        await Read(await host.Client.PostAsync($"/api/pieces/{view["id"]}/rework", null), HttpStatusCode.Created);
    }

    private async Task<JsonObject> Planned(string start, double roomC)
    {
        var view = await host.AddPiece();
        var sitting = view["piece"]!["sittings"]![0]!;
        (sitting["start"], sitting["roomC"]) = (start, roomC);
        sitting["end"] = Later(start);
        return await host.Save(view);
    }

    /// <summary>Twenty minutes after a local time.</summary>
    private static string Later(string start) =>
        LocalDateTimePattern.GeneralIso.Format(LocalDateTimePattern.GeneralIso.Parse(start).Value.PlusMinutes(20));

    private Task SetZone(string zone) => host.Client.PutAsJsonAsync("/api/workshop", new { timeZone = zone });

    private async Task<JsonObject> Log(
        JsonObject view, int basedOn = 0, string start = "2026-05-01T09:00:00", string? end = null, double? roomC = null,
        string pours = "[]", string note = "") =>
        await Read(await TryLog(view, basedOn, start, end, roomC, pours, note), HttpStatusCode.OK);

    private Task<HttpResponseMessage> TryLog(
        JsonObject view, int basedOn = 0, string start = "2026-05-01T09:00:00", string? end = null, double? roomC = null,
        string pours = "[]", string note = "") =>
        host.Client.PutAsync($"/api/pieces/{view["id"]}/runs/{Run}", Body(Request(basedOn, start, end, roomC, pours, note)));

    private static string Request(
        int basedOn = 0, string start = "2026-05-01T09:00:00", string? end = null, double? roomC = null,
        string pours = "[]", string note = "",
        bool evenSo = true) =>
        new JsonObject
        {
            ["basedOn"] = basedOn,
            ["sittingId"] = "layer-1",
            ["start"] = start,
            ["end"] = end,
            ["roomC"] = roomC,
            ["note"] = note,
            ["pours"] = JsonNode.Parse(pours),
            ["evenSo"] = evenSo,
        }.ToJsonString();

    private static JsonNode Window(JsonObject view, int index) => view["plan"]!["sittings"]![0]!["windows"]![index]!;

    private static string? Local(JsonNode node, string field) => (string?)node[field]!["local"];
}
