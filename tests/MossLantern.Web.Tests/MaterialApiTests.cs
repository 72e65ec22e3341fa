using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Materials in the cupboard, and what follows from them.</summary>
public sealed class MaterialApiTests : IDisposable
{
    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    private Task<HttpResponseMessage> Put(string id, int basedOn, object material) =>
        host.Client.PutAsJsonAsync($"/api/cupboard/materials/{id}", new { basedOn, material });

    private async Task<JsonNode> Enter(string id, int basedOn, object material)
    {
        var answer = await Put(id, basedOn, material);
        Assert.True(answer.StatusCode == HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<JsonArray>())!.Single(m => (string)m!["id"]! == id)!;
    }

    private static object Coating(object values) => new { kind = "resin", name = "Coating resin", like = "coating", values };

    private static JsonNode Property(JsonNode material, string id) =>
        material["properties"]!.AsArray().Single(p => (string)p!["id"]! == id)!;

    [Fact]
    public async Task Every_typical_value_is_shown_as_typical_until_the_maker_s_is_entered()
    {
        var all = await host.List("/api/cupboard/materials");
        Assert.Equal(["resin", "colourant", "stone", "barrier", "base", "pen", "leaf", "rubber", "tape"],
            all.Select(m => (string)m!["kind"]!).Distinct());
        // The demo's studio has colourants of its own, and has looked how full its casting resin is; everything else is as it came.
        var own = all.Where(m => (bool)m!["own"]!).ToList();
        Assert.Equal(["colourant"], own.Select(m => (string)m!["kind"]!).Distinct());
        Assert.All(own, m => Assert.NotNull(m!["colour"]));
        var typical = all.Except(own).ToList();
        Assert.All(typical.SelectMany(m => m!["properties"]!.AsArray()), p => Assert.Equal("default", (string)p!["origin"]!));
        Assert.All(typical, m => Assert.Null(m!["colour"]));
        Assert.Equal(["casting"],
            typical.Where(m => (int)m!["version"]! != 0 || m["leftPercent"] is not null).Select(m => (string)m!["id"]!));
        var scoop = typical.Single(m => (string)m!["id"]! == "mica")!["properties"]!.AsArray().Single(p => (string)p!["id"]! == "scoopG")!;
        Assert.Equal((null, null), (scoop["value"], scoop["typical"]));

        var coating = await Enter("coating", 0, Coating(new { recoatToHours = 20, resinDensity = 1.17 }));
        Assert.Equal((20.0, 24.0, "own"), ((double)Property(coating, "recoatToHours")["value"]!,
            (double)Property(coating, "recoatToHours")["typical"]!, (string)Property(coating, "recoatToHours")["origin"]!));
        Assert.Equal("default", (string)Property(coating, "hardenerDensity")["origin"]!);
        Assert.Equal((1, "Next layer until"), ((int)coating["version"]!, (string)Property(coating, "recoatToHours")["range"]!["what"]!));

        // What is taken out again is typical again.
        coating = await Enter("coating", 1, Coating(new { resinDensity = 1.17 }));
        Assert.Equal((24.0, "default"),
            ((double)Property(coating, "recoatToHours")["value"]!, (string)Property(coating, "recoatToHours")["origin"]!));
    }

    [Fact]
    public async Task How_full_a_bottle_is_is_kept_and_changes_no_piece()
    {
        object Full(double? leftPercent, string kind = "resin", string like = "coating") =>
            new { kind, name = "Coating resin", like, values = new { }, leftPercent };
        async Task<string> Plan() => (await host.Get("/api/pieces/marsh-light"))["plan"]!.ToJsonString();
        var before = await Plan();
        Assert.Equal(62.5, (double)(await Enter("coating", 0, Full(62.5)))["leftPercent"]!);
        Assert.Equal(0, (double)(await Enter("coating", 1, Full(0)))["leftPercent"]!);
        Assert.Equal(100, (double)(await Enter("coating", 2, Full(100)))["leftPercent"]!);
        Assert.Null((await Enter("coating", 3, Full(null)))["leftPercent"]);
        Assert.Equal(before, await Plan());
        foreach (var wrong in new[] { -0.5, 100.5 })
        {
            var problem = await Problem(await Put("coating", 4, Full(wrong)), HttpStatusCode.BadRequest);
            Assert.Equal("How full it is must be from 0 to 100 %.", (string)problem["errors"]!["leftPercent"]![0]!);
        }

        foreach (var (kind, id) in new[] { ("stone", "crushed-glass"), ("rubber", "mould-rubber"),
            ("colourant", "mica"), ("barrier", "tape"), ("base", "canvas"), ("pen", "solvent-marker"), ("leaf", "leaf-size") })
        {
            var answer = await Put(id, 0, Full(50, kind, id));
            Assert.Equal(kind is "stone" or "rubber" or "colourant" ? HttpStatusCode.OK : HttpStatusCode.BadRequest, answer.StatusCode);
            Assert.Equal(answer.StatusCode == HttpStatusCode.OK, (bool)(await host.List("/api/cupboard/materials"))
                .Single(m => ((string)m!["kind"]!, (string)m["id"]!) == (kind, id))!["inVessel"]!);
        }
    }

    [Fact]
    public async Task Windows_follow_at_once_in_the_piece_and_in_the_ribbon()
    {
        async Task<JsonNode> Next() => (await host.Get("/api/pieces/marsh-light"))["plan"]!["sittings"]!.AsArray()
            .SelectMany(l => l!["windows"]!.AsArray()).First(w => (string)w!["milestone"]! == "next-layer")!["opensAfterHours"]!;
        async Task<string> Ribbon() => (await host.Get("/api/ribbon"))["spans"]!.ToJsonString();

        var (before, ribbon) = (await Next(), await Ribbon());
        foreach (var id in (string[])["coating"])
        {
            await Enter(id, 0, new { kind = "resin", name = id, like = id, values = new { recoatFromHours = 7.5 } });
        }

        var after = await Next();
        Assert.True((double)after["value"]! > (double)before["value"]!, $"{after["value"]} > {before["value"]}");
        var at = after["inputs"]!.AsArray().Single(i => (string)i!["name"]! == "at the reference temperature")!;
        Assert.Equal((7.5, "own"), ((double)at["value"]!, (string)at["origin"]!));

        // The ribbon shows what it had, marked, until every piece is worked out anew.
        var (now, renewed) = (await host.Get("/api/ribbon"), DateTime.UtcNow.AddSeconds(30));
        Assert.All(now["spans"]!.AsArray().Where(_ => !(bool)now["renewing"]!), s => Assert.False((bool)s!["renewing"]!));
        while ((bool)now["renewing"]! && DateTime.UtcNow < renewed)
        {
            await Task.Delay(20);
            now = await host.Get("/api/ribbon");
        }

        Assert.False((bool)now["renewing"]!);
        Assert.All(now["spans"]!.AsArray(), s => Assert.False((bool)s!["renewing"]!));
        Assert.NotEqual(ribbon, now["spans"]!.ToJsonString());
    }

    [Fact]
    public async Task A_resin_of_one_s_own_is_poured_and_cannot_be_lost()
    {
        var own = await Enter("bog-gloss", 0, new
        {
            kind = "resin",
            name = " Bog gloss ",
            like = "casting",
            values = new { ratioResin = 100, ratioHardener = 42 },
            basis = "weight"
        });
        Assert.Equal(("Bog gloss", true, "weight", "casting"),
            ((string)own["name"]!, (bool)own["own"]!, (string)own["basis"]!, (string)own["like"]!));
        Assert.Equal("bog-gloss", (string)(await host.Get("/api/materials"))["resinSystems"]!.AsArray()[^1]!["id"]!);

        var view = await host.AddPiece();
        view["piece"]!["sittings"]![0]!["resin"]!["system"] = "bog-gloss";
        view = await host.Save(view);
        Assert.Equal("bog-gloss", (string)view["piece"]!["sittings"]![0]!["resin"]!["system"]!);

        // Put away, it is offered no more, and what is made of it stays as it is.
        Assert.True((bool)(await Enter("bog-gloss", 1,
            new { kind = "resin", name = "Bog gloss", like = "casting", values = new { }, putAway = true }))["putAway"]!);
        Assert.NotNull((await host.Get($"/api/pieces/{view["id"]}"))["plan"]);

        view["piece"]!["sittings"]![0]!["resin"]!["system"] = "syrup";
        Assert.Contains("coating", Sentence(await Problem(await host.TrySave(view), HttpStatusCode.BadRequest),
            "sittings[layer-1].resin.system"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_reckoner_minds_the_person_s_own_limit()
    {
        async Task<bool> Over() => (bool)(await Read(await host.Client.PostAsJsonAsync(
            "/api/reckon/load", new { resinG = 100, colourants = new[] { new { @class = "mica", grams = 5 } } }),
            HttpStatusCode.OK))["loads"]![0]!["over"]!;
        Assert.False(await Over());
        await Enter("mica", 0, new { kind = "colourant", name = "mica", like = "mica", values = new { limitPercent = 4 } });
        Assert.True(await Over());
    }

    [Fact]
    public async Task A_picture_is_painted_anew_when_a_colourant_covers_otherwise()
    {
        async Task<byte[]> Picture() => await host.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=200");
        var before = await Picture();
        Assert.Equal(before, await Picture());
        foreach (var id in (string[])["paste", "metallic-paste", "mica", "dye", "alcohol-ink"])
        {
            await Enter(id, 0, new { kind = "colourant", name = id, like = id, values = new { cover = 0.01 } });
        }

        Assert.NotEqual(before, await Picture());
    }

    [Fact]
    public async Task What_cannot_be_is_refused_in_words_and_a_stale_save_too()
    {
        async Task Refused(string id, object material, string field, string says) =>
            Assert.Contains(says, Sentence(await Problem(await Put(id, 0, material), HttpStatusCode.BadRequest), field),
                StringComparison.Ordinal);

        await Refused("coating", Coating(new { viscosityPaS = 0 }), "values.viscosityPaS", "from 0.01 to 200 Pa·s");
        await Refused("coating", Coating(new { sweetness = 3 }), "values.sweetness", "no such property");
        await Refused("coating", new { kind = "resin", name = "x", like = "thick", values = new { } }, "like",
            "Only a material of your own can be like another");
        await Refused("own", new { kind = "resin", name = "x", like = "syrup", values = new { } }, "like", "one of the typical ones");
        await Problem(await Put("own", 4, new { kind = "resin", name = "x", like = "thick", values = new { } }), HttpStatusCode.NotFound);
        await Enter("coating", 0, Coating(new { heatC = 55 }));
        await Problem(await Put("coating", 0, Coating(new { heatC = 56 })), HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Ids_are_ids_a_ratio_says_what_it_is_of_and_what_nothing_names_can_be_taken_out()
    {
        object Gloss(string? basis = "weight") => new
        {
            kind = "resin",
            name = "Gloss",
            like = "casting",
            values = new { ratioResin = 100, ratioHardener = 42 },
            basis,
        };
        foreach (var id in (string[])["Bog Gloss", "bog.gloss", "bog%5Bgloss%5D", "böge"])
        {
            Assert.Contains("letters from a to z", Sentence(await Problem(await Put(id, 0, Gloss()), HttpStatusCode.BadRequest), "id"),
                StringComparison.Ordinal);
        }

        Assert.Contains("by volume or by weight",
            Sentence(await Problem(await Put("gloss", 0, Gloss(null)), HttpStatusCode.BadRequest), "basis"),
            StringComparison.Ordinal);
        await Enter("gloss", 0, Gloss());
        Task<HttpResponseMessage> TakeOut(string path) => host.Client.DeleteAsync($"/api/cupboard/materials/{path}");
        var view = await host.AddPiece();
        view["piece"]!["sittings"]![0]!["resin"]!["system"] = "gloss";
        view = await host.Save(view);
        Assert.Contains("named in Fen Tray", Sentence(await Problem(await TakeOut("resin/gloss"), HttpStatusCode.BadRequest), "id"),
            StringComparison.Ordinal);

        // A piece that is kept aside may come back.
        await host.Client.DeleteAsync($"/api/pieces/{view["id"]}");
        await Problem(await TakeOut("resin/gloss"), HttpStatusCode.BadRequest);
        Assert.True((await host.Client.PostAsync($"/api/aside/{view["id"]}/put-back", null)).IsSuccessStatusCode);
        var back = await host.Get($"/api/pieces/{view["id"]}");
        back["piece"]!["sittings"]![0]!["resin"]!["system"] = "coating";
        await host.Save(back);
        Assert.DoesNotContain((await (await TakeOut("resin/gloss")).Content.ReadFromJsonAsync<JsonArray>())!, m =>
            (string)m!["id"]! == "gloss");
        await Problem(await TakeOut("resin/gloss"), HttpStatusCode.NotFound);
        await Problem(await TakeOut("resin/coating"), HttpStatusCode.BadRequest);
        await Problem(await TakeOut("syrup/gloss"), HttpStatusCode.BadRequest);

        // A colourant that a kept recipe is dosed with stays.
        var named = (await host.List("/api/cupboard/materials")).First(m => (bool)m!["own"]! && (string)m["kind"]! == "colourant"
            && (string)m["id"]! == "fen-gold");
        Assert.NotNull(named);
        Assert.Contains("It is named in", Sentence(await Problem(await TakeOut("colourant/fen-gold"), HttpStatusCode.BadRequest), "id"),
            StringComparison.Ordinal);
    }
}
