using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Dapper;
using FluentValidation;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>What must not be lost, whatever is sent or found.</summary>
public sealed class LossTests : IDisposable
{
    private const string Run = "0c4b2a52-6b0f-4a7e-9f0e-3f2d7d0f4a11";
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    private sealed class TakesAll : AbstractValidator<Piece>;

    [Fact]
    public async Task What_cannot_be_worked_out_is_never_kept()
    {
        using var open = new TestHost(services: s => s.AddSingleton<IValidator<Piece>, TakesAll>());
        var view = await open.AddPiece();
        var before = await open.Get($"/api/pieces/{view["id"]}");
        Broken(view["piece"]!);
        var problem = await Problem(await open.TrySave(view), HttpStatusCode.UnprocessableEntity);
        Assert.Contains("Nothing was saved", (string)problem["detail"]!, StringComparison.Ordinal);
        Assert.Equal(before.ToJsonString(), (await open.Get($"/api/pieces/{view["id"]}")).ToJsonString());

        var text = new JsonObject
        {
            ["format"] = "moss-lantern-piece",
            ["formatVersion"] = Piece.FormatVersion,
            ["piece"] = view["piece"]!.DeepClone()
        }.ToJsonString();
        await Problem(await open.Client.PostAsJsonAsync("/api/pieces/import", new { text }), HttpStatusCode.UnprocessableEntity);
        Assert.Single(await open.List("/api/pieces"));

        // Nor is it a fault to look at it.
        await Problem(await open.Client.PostAsJsonAsync($"/api/pieces/{view["id"]}/preview",
            new { piece = view["piece"], layerId = (string?)null }), HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_stored_piece_that_cannot_be_worked_out_opens_says_so_and_can_be_stepped_back_exported_and_copied()
    {
        var sound = await host.AddPiece("Sound");
        await Start(sound);
        var view = await host.Save(await host.AddPiece("Odd"));
        var id = (string)view["id"]!;
        Broken(view["piece"]!);
        using (var connection = new SqliteConnection($"Data Source={Path.Combine(host.Folder, WorkshopDatabase.FileName)};Pooling=False"))
        {
            connection.Execute(
                "update piece_revision set document = @document where piece_id = @id and revision = 2; update piece "
                    + "set version = 3 where id = @id",
                new
                {
                    id,
                    document = new JsonObject
                    {
                        ["format"] = "moss-lantern-piece",
                        ["formatVersion"] = Piece.FormatVersion,
                        ["piece"] = view["piece"]!.DeepClone()
                    }.ToJsonString()
                });
        }

        var odd = await host.Get($"/api/pieces/{id}");
        Assert.Null(odd["plan"]);
        Assert.Contains("cannot be worked out", (string)odd["problem"]!, StringComparison.Ordinal);
        Assert.True((bool)odd["canUndo"]!);

        // It hides no other, and is told.
        Assert.Equal(2, (await host.List("/api/pieces")).Count);
        var ribbon = await host.Get("/api/ribbon");
        Assert.Equal("Odd", (string?)Assert.Single(ribbon["failed"]!.AsArray())!["name"]);
        Assert.Contains(ribbon["spans"]!.AsArray(), s => (string?)s!["pieceName"] == "Sound");

        Assert.Contains("Odd", await host.Client.GetStringAsync($"/api/pieces/{id}/piece.json"), StringComparison.Ordinal);
        var copy = await Read(await host.Client.PostAsJsonAsync($"/api/pieces/{id}/copy",
            new { name = "Odd once more", colours = Array.Empty<object>() }), HttpStatusCode.Created);
        Assert.NotNull(copy["problem"]);
        var back = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/step", new { basedOn = 3, step = "undo" }), HttpStatusCode.OK);
        Assert.NotNull(back["plan"]);
        Assert.Null(back["problem"]);
    }

    [Fact]
    public async Task Fields_of_one_colour_are_all_of_it_and_no_twins()
    {
        var view = await host.AddPiece();
        var cup = (string)view["piece"]!["recipes"]![0]!["id"]!;
        view["piece"]!["layers"]![0]!["layout"] = new JsonObject
        {
            ["kind"] = "fields",
            ["fields"] = 9,
            ["colours"] = new JsonArray(cup),
            ["seed"] = 4
        };
        var kept = await host.Save(view);
        var regions = kept["plan"]!["layers"]![0]!["regions"]!.AsArray();
        Assert.Equal(9, regions.Count);
        Assert.All(regions, r => Assert.Equal(cup, (string?)r!["cupId"]));
        Assert.DoesNotContain(kept["plan"]!["findings"]!.AsArray(),
            f => ((string)f!["key"]!).StartsWith("twins@", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("9999-12-31T23:59:59", false)]
    [InlineData("2201-01-01T00:00:00", false)]
    [InlineData("2200-12-31T23:59:59", true)]
    [InlineData("1970-01-01T00:00:00", true)]
    [InlineData("1969-12-31T23:59:59", false)]
    public async Task A_date_out_of_the_years_is_refused_wherever_it_stands_and_poisons_nothing(string at, bool taken)
    {
        var view = await host.AddPiece();
        foreach (var (field, set) in new (string, Action<JsonNode>)[]
        {
            ("ground.done[sand].at", p => p["ground"]!["done"] = new JsonArray(new JsonObject { ["id"] = "sand", ["at"] = at })),
            ("sittings[layer-1].start", p => p["sittings"]![0]!["start"] = at),
            ("sittings[layer-1].end", p => p["sittings"]![0]!["end"] = at),
        })
        {
            var changed = view.DeepClone().AsObject();
            set(changed["piece"]!);
            if (taken)
            {
                view["version"] = (await host.Save(changed))["version"]!.DeepClone();
            }
            else
            {
                var problem = await Problem(await host.TrySave(changed), HttpStatusCode.BadRequest);
                Assert.Contains("in the years 1970 to 2200", Sentence(problem, field), StringComparison.Ordinal);
            }

            Assert.Empty((await host.Get("/api/ribbon"))["failed"]!.AsArray());
        }

        if (!taken)
        {
            Assert.Contains("1970", Sentence(await Problem(await Log(view, at), HttpStatusCode.BadRequest), "start"),
                StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task A_log_entry_is_never_written_over_that_of_another_piece()
    {
        var mine = await host.AddPiece("Mine");
        var other = await host.AddPiece("Other");
        await Read(await Log(mine, note: "mine"), HttpStatusCode.OK);
        var problem = await Problem(await Log(other, note: "other", basedOn: 1), HttpStatusCode.Conflict);
        Assert.Contains("another piece", (string)problem["detail"]!, StringComparison.Ordinal);
        Assert.Equal("mine", (string?)(await host.Get($"/api/pieces/{mine["id"]}"))["runs"]![0]!["note"]);
    }

    [Fact]
    public async Task A_region_that_nobody_knows_is_refused_in_a_log_and_one_of_the_poured_revision_is_known()
    {
        var view = await host.Save(PieceApiTests.WithBands(await host.AddPiece()));
        var problem = await Problem(await Log(view, pours: """
            [{"regionId":"moss","pouredMl":1},{"regionId":"nowhere","pouredMl":1}]
            """), HttpStatusCode.BadRequest);
        Assert.Contains("no such region", Sentence(problem, "pours[1].regionId"), StringComparison.Ordinal);
        var logged = await Read(await Log(view, pours: """[{"regionId":"moss","pouredMl":1}]"""), HttpStatusCode.OK);
        Assert.Equal(2, (int)logged["runs"]![0]!["revision"]!);

        // The band is taken out of the plan; what was poured is still told, and can be corrected.
        logged["piece"]!["layers"]![0]!["layout"]!["bands"]!.AsArray().RemoveAt(0);
        var changed = await host.Save(logged);
        var again = await Read(await Log(changed, basedOn: 1, pours: """[{"regionId":"moss","pouredMl":2}]"""), HttpStatusCode.OK);
        Assert.Equal(2, (int)again["runs"]![0]!["revision"]!);
        Assert.Equal(2, (double)again["runs"]![0]!["pours"]!.AsArray().Single(p => (string?)p!["regionId"] == "moss")!["pouredMl"]!);
    }

    [Fact]
    public async Task A_piece_is_taken_off_the_shelf_and_put_back_until_its_time_is_over()
    {
        var view = await host.AddPiece("Fen Tray");
        var aside = JsonNode.Parse(await (await host.Client.DeleteAsync($"/api/pieces/{view["id"]}")).Content
            .ReadAsStringAsync())!.AsArray();
        Assert.Equal("2026-05-31T09:30:00Z", (string?)aside[0]!["until"]!["at"]);
        Assert.Empty(await host.List("/api/pieces"));
        await Problem(await host.Client.GetAsync($"/api/pieces/{view["id"]}"), HttpStatusCode.NotFound);
        await Problem(await host.Client.DeleteAsync($"/api/pieces/{view["id"]}"), HttpStatusCode.NotFound);

        host.Clock.Advance(Duration.FromDays(30));
        Assert.Single(await host.List("/api/aside"));
        Assert.True((await host.Client.PostAsync($"/api/aside/{view["id"]}/put-back", null)).IsSuccessStatusCode);
        Assert.Single(await host.List("/api/pieces"));

        await host.Client.DeleteAsync($"/api/pieces/{view["id"]}");
        for (var day = 1; day <= 30; day++)
        {
            Assert.Single(await host.List("/api/aside"));
            host.Clock.Advance(Duration.FromDays(1) + Duration.FromSeconds(1));
        }

        Assert.Empty(await host.List("/api/aside"));
        await Problem(await host.Client.PostAsync($"/api/aside/{view["id"]}/put-back", null), HttpStatusCode.NotFound);
    }

    [Fact]
    public void Only_names_of_our_own_are_read_from_what_a_start_is_given()
    {
        StartOptions Read(params (string Key, string Value)[] given) => StartOptions.From(
            new ConfigurationBuilder().AddInMemoryCollection(given.Select(g => KeyValuePair.Create(g.Key, (string?)g.Value))).Build());
        Assert.Equal(new(null, null, false, false, true),
            Read(("DATA", "/tmp/a"), ("RESTORE", "/tmp/b"), ("DEMO", "true"), ("FRESH", "true"), ("WARM-UP", "false")));
        Assert.Equal(new("/tmp/a", "/tmp/b", true, true, false), Read(
            ("MossLantern:Data", "/tmp/a"), ("MossLantern:Restore", "/tmp/b"), ("MossLantern:Demo", "true"),
            ("MossLantern:Fresh", "true"), ("MossLantern:WarmUp", "false")));
    }

    [Fact]
    public async Task A_demo_that_was_cut_short_while_it_was_seeded_is_seeded_at_the_next_start()
    {
        var folder = Directory.CreateTempSubdirectory("moss-lantern-").FullName;
        var database = WorkshopDatabase.Open(folder, host.Clock.GetCurrentInstant());
        new SettingStore(database).Set(SettingStore.Demo, "seeded");
        new PotStore(database).Save("peat-black", 0, new("Half", "#2b2a26", PaintKind.Water, 1, ""), host.Clock.GetCurrentInstant());
        using var demo = new TestHost(demo: true, folder: folder);
        Assert.Equal(11, (await demo.List("/api/pieces")).Count);
        Assert.DoesNotContain("Half", await demo.Client.GetStringAsync("/api/pots"), StringComparison.Ordinal);
    }

    /// <summary>A document that no validator lets through: a band of a cup that is not there.</summary>
    private static void Broken(JsonNode piece) => piece["layers"]![0]!["layout"]!["bands"]![0]!["recipeId"] = "gone";

    private async Task Start(JsonObject view)
    {
        var sitting = view["piece"]!["sittings"]![0]!;
        (sitting["start"], sitting["roomC"]) = ("2026-05-01T11:00:00", 22);
        await host.Save(view);
    }

    private Task<HttpResponseMessage> Log(JsonObject view, string start = "2026-05-01T09:00:00", string note = "",
        int basedOn = 0, string pours = "[]") =>
        host.Client.PutAsJsonAsync($"/api/pieces/{view["id"]}/runs/{Run}", new JsonObject
        {
            ["basedOn"] = basedOn,
            ["sittingId"] = view["piece"]!["layers"]![0]!["id"]!.DeepClone(),
            ["start"] = start,
            ["end"] = null,
            ["roomC"] = null,
            ["note"] = note,
            ["pours"] = JsonNode.Parse(pours),
        });
}
