using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using Microsoft.Data.Sqlite;
using MossLantern.Data;
using MossLantern.Web.Demo;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

public sealed class HouseTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Theory]
    [InlineData("Origin", "http://elsewhere.example")]
    [InlineData("Origin", "null")]
    [InlineData("Origin", "http://localhost:81")]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Sec-Fetch-Site", "same-site")]
    public async Task A_page_of_another_origin_may_not_write(string header, string value)
    {
        var request = new HttpRequestMessage(HttpMethod.Post,
            "/api/pieces")
        { Content = JsonContent.Create(new { name = "Fen", ground = Ground() }) };
        request.Headers.Add(header, value);
        await Problem(await host.Client.SendAsync(request), HttpStatusCode.Forbidden);
        Assert.Empty(await host.List("/api/pieces"));
    }

    [Fact]
    public async Task Our_own_page_may_write()
    {
        var request = new HttpRequestMessage(HttpMethod.Post,
            "/api/pieces")
        { Content = JsonContent.Create(new { name = "Fen", ground = Ground() }) };
        request.Headers.Add("Origin", "http://localhost");
        request.Headers.Add("Sec-Fetch-Site", "same-origin");
        await Read(await host.Client.SendAsync(request), HttpStatusCode.Created);
    }

    [Theory]
    [InlineData("elsewhere.example", HttpStatusCode.BadRequest)]
    [InlineData("127.0.0.1:5180", HttpStatusCode.OK)]
    [InlineData("localhost", HttpStatusCode.OK)]
    [InlineData("[::1]:5180", HttpStatusCode.OK)]
    public async Task Only_loopback_names_are_answered(string name, HttpStatusCode status)
    {
        var request = new HttpRequestMessage(HttpMethod.Get, "/api/workshop");
        request.Headers.Host = name;
        Assert.Equal(status, (await host.Client.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task Pages_may_run_no_script_but_ours()
    {
        var policy = Assert.Single((await host.Client.GetAsync("/api/workshop")).Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("script-src 'self';", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("unsafe-eval", policy, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_zone_is_a_setting_that_must_exist()
    {
        await Read(await host.Client.PutAsJsonAsync("/api/workshop", new { timeZone = "Europe/Riga" }), HttpStatusCode.OK);
        var refused = await Problem(await host.Client
            .PutAsJsonAsync("/api/workshop", new { timeZone = "Marsh/Standard" }), HttpStatusCode.BadRequest);
        Assert.Contains("listed names", Sentence(refused, "timeZone"), StringComparison.Ordinal);
        var workshop = await host.Get("/api/workshop");
        Assert.Equal(("Europe/Riga", "2026-05-01T12:30:00"), ((string?)workshop["timeZone"], (string?)workshop["now"]!["local"]));
    }

    [Fact]
    public async Task Materials_and_formulas_are_told()
    {
        Assert.Contains((await host.Get("/api/materials"))["resinSystems"]!.AsArray(), s => (string?)s!["id"] == "coating");
        Assert.Contains(await host.List("/api/formulas"), f => (string?)f!["page"] == "mixing.md#cup-volume");
    }

    [Fact]
    public async Task A_typed_quantity_is_read_and_what_is_none_is_told()
    {
        var read = await Read(await host.Client
            .PostAsJsonAsync("/api/reckon/quantity", new { text = "1 3/4 in", kind = "length" }), HttpStatusCode.OK);
        Assert.Equal(44.45, (double)read["value"]!, 1e-9);
        Assert.Equal("44.45 mm", (string?)read["normalised"]);
        var refused = await Problem(await host.Client
            .PostAsJsonAsync("/api/reckon/quantity", new { text = "250", kind = "volume" }), HttpStatusCode.BadRequest);
        Assert.Contains("250 ml or 3 oz", Sentence(refused, "text"), StringComparison.Ordinal);
        await Problem(await host.Client.PostAsJsonAsync("/api/reckon/quantity", new { text = "3 oz", kind = "colour" }),
            HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_locked_file_is_told_and_nothing_is_lost()
    {
        var view = await host.AddPiece();
        var database = WorkshopDatabase.Open(host.Folder, host.Clock.GetCurrentInstant());
        using (var connection = database.Connect())
        using (var transaction = connection.BeginTransaction(deferred: false))
        {
            var problem = await Problem(await host.TrySave(view), HttpStatusCode.ServiceUnavailable);
            Assert.Contains("try again", (string)problem["detail"]!, StringComparison.Ordinal);
            await host.Get($"/api/pieces/{view["id"]}");
        }

        await host.Save(view);
    }

    [Fact]
    public async Task A_file_made_read_only_is_told_and_nothing_is_lost()
    {
        var view = await host.AddPiece();

        // What is open for writing already may go on: nothing is, once the background has written what it had.
        await host.AllWritten();
        using (ReadOnly(Path.Combine(host.Folder, WorkshopDatabase.FileName)))
        {
            var problem = await Problem(await host.TrySave(view), HttpStatusCode.ServiceUnavailable);
            Assert.Contains("read-only", (string)problem["detail"]!, StringComparison.Ordinal);
            Assert.Equal(1, (int)(await host.Get($"/api/pieces/{view["id"]}"))["version"]!);
        }

        await host.Save(view);
    }

    [Fact]
    public async Task The_demo_is_seeded_once_and_its_tape_comes_off_soon()
    {
        using var demo = new TestHost(demo: true);
        var shelf = await demo.List("/api/pieces");
        Assert.Equal(
            ["Marigold Dozen", "Peat Pool", "Marsh Light", "Sphagnum Pools", "Water Mint", "Heron Tray", "Rain Ring",
                "Bogbean Round", "Old Kiln", "Sundew Pair", "Bracken Slice"],
            shelf.Select(p => (string?)p!["name"]));
        Assert.Equal([0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0],
            shelf.SkipLast(1).Select(p => Math.Round((double)p!["footMm"]!, 2)));
        Assert.InRange((double)shelf[^1]!["footMm"]!, 5, 60);
        Assert.Equal([1, 1, 2, 0, 0, 0, 0, 0, 1, 0, 0], shelf.Select(p => (int)p!["poured"]!));
        var tape = (await demo.Get("/api/ribbon"))["spans"]!.AsArray().First(s => (string?)s!["milestone"] == "tape-pull")!;
        Assert.Equal("ahead", (string?)tape["state"]);
        Assert.Contains((await demo.Get("/api/ribbon"))["spans"]!.AsArray(),
            s => (string?)s!["pieceName"] == "Peat Pool" && (string?)s["milestone"] == "demould");
        Assert.True((bool)(await demo.Get("/api/workshop"))["demo"]!);
    }

    [Fact]
    public void A_workshop_of_ones_own_is_never_set_aside_for_the_demo()
    {
        var refusal = Assert.Throws<WorkshopFileException>(() => DemoWorkshop.SetAside(host.Folder, host.Clock.GetCurrentInstant()));
        Assert.Contains("a workshop of your own", refusal.Message, StringComparison.Ordinal);
        Assert.True(File.Exists(Path.Combine(host.Folder, WorkshopDatabase.FileName)));
    }

    [Fact]
    public void A_demo_is_set_aside_and_seeded_anew()
    {
        using var demo = new TestHost(demo: true);
        DemoWorkshop.SetAside(demo.Folder, demo.Clock.GetCurrentInstant());
        Assert.False(File.Exists(Path.Combine(demo.Folder, WorkshopDatabase.FileName)));
    }

    [Fact]
    public async Task A_copy_is_brought_back_at_the_start_and_what_it_replaces_is_kept()
    {
        await host.AddPiece("Then");
        var copy = Path.Combine(host.Folder, "copy.db");
        using (var connection = WorkshopDatabase.Open(host.Folder, host.Clock.GetCurrentInstant()).Connect())
        using (var target = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={copy};Pooling=False"))
        {
            target.Open();
            connection.BackupDatabase(target);
        }

        await host.AddPiece("Later");
        var folder = Directory.CreateDirectory(Path.Combine(host.Folder, "again")).FullName;
        using (var again = new TestHost(folder: folder, restore: copy, keep: true))
        {
            Assert.Equal(["Then"], (await again.List("/api/pieces")).Select(p => (string)p!["name"]!));
            await again.AddPiece("Later still");

            // A second program ends before it touches a file, and says which one is in.
            var refused = Assert.ThrowsAny<Exception>(() => new TestHost(folder: folder, restore: copy, keep: true));
            Assert.DoesNotContain(Directory.GetFiles(folder), f => f.Contains("replaced", StringComparison.Ordinal));
            Assert.Equal(2, (await again.List("/api/pieces")).Count);
        }

        using var third = new TestHost(folder: folder, restore: copy);
        Assert.Equal(["Then"], (await third.List("/api/pieces")).Select(p => (string)p!["name"]!));
        Assert.Single(Directory.GetFiles(folder, "workshop.db.replaced-*"),
            f => !f.EndsWith("-wal", StringComparison.Ordinal) && !f.EndsWith("-shm", StringComparison.Ordinal));
    }

    /// <summary>Makes a file read-only until it is given back. Root writes whatever the permissions say, so for root it
    /// is mounted so. Idle connections, which may go on writing, are let go, as the program does after a while.</summary>
    private static Undo ReadOnly(string file)
    {
        if (Environment.IsPrivilegedProcess)
        {
            Run("mount", "--bind", file, file);
            Run("mount", "-o", "remount,bind,ro", file);
            SqliteConnection.ClearAllPools();
            return new(() => Run("umount", "--lazy", file));
        }

        File.SetAttributes(file, FileAttributes.ReadOnly);
        SqliteConnection.ClearAllPools();
        return new(() => File.SetAttributes(file, FileAttributes.Normal));
    }

    private static void Run(string program, params string[] arguments)
    {
        using var process = Process.Start(program, arguments);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
    }

    private sealed class Undo(Action undo) : IDisposable
    {
        public void Dispose()
        {
            SqliteConnection.ClearAllPools();
            undo();
        }
    }
}
