using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Data;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>What is kept of pieces stands in for working them out, and never for what they are.</summary>
public sealed class KeptTests
{
    private static SqliteConnection File(string folder) =>
        new($"Data Source={Path.Combine(folder, WorkshopDatabase.FileName)};Pooling=False");

    [Fact]
    public async Task Shelf_and_ribbon_read_no_document_of_a_piece_that_has_not_changed()
    {
        const string picture = "/api/pieces/sundew-pair/picture.png?width=32";
        string folder, shelf, ribbon;
        byte[] painted;
        using (var first = new TestHost(demo: true, keep: true))
        {
            folder = first.Folder;
            await first.AllWritten();
            (shelf, ribbon) = ((await first.List("/api/pieces")).ToJsonString(), (await first.Get("/api/ribbon")).ToJsonString());
            Assert.Contains("\"renewing\":false", ribbon, StringComparison.Ordinal);
            painted = await first.Client.GetByteArrayAsync(picture);
        }

        using (var file = File(folder))
        {
            file.Execute("update piece_revision set document = 'nothing'");
        }

        using var second = new TestHost(folder: folder);
        Assert.Equal(shelf, (await second.List("/api/pieces")).ToJsonString());
        Assert.Equal(ribbon, (await second.Get("/api/ribbon")).ToJsonString());

        Assert.Equal(painted, await second.Client.GetByteArrayAsync(picture));
        Assert.False((await second.Client.GetAsync($"{picture}1")).IsSuccessStatusCode);

        // One that has changed is looked at: it cannot be read, and hides no other.
        using (var file = File(folder))
        {
            file.Execute("update piece set version = version + 1 where id = 'marsh-light'");
        }

        var now = await second.List("/api/pieces");
        Assert.Equal("marsh-light", (string)Assert.Single(now, p => p!["problem"] is not null)!["id"]!);
        Assert.Equal(JsonNode.Parse(shelf)!.AsArray().Count, now.Count);
        Assert.Equal("marsh-light", (string)Assert.Single((await second.Get("/api/ribbon"))["failed"]!.AsArray())!["id"]!);
    }

    [Fact]
    public async Task A_save_a_log_and_a_step_back_are_in_the_ribbon_at_once()
    {
        using var host = new TestHost();
        async Task<string[]> Spans() =>
            [.. (await host.Get("/api/ribbon"))["spans"]!.AsArray().Select(s => $"{s!["milestone"]} {s["opens"]!["local"]} {s["poured"]}")];
        var view = await host.AddPiece();
        Assert.Empty(await Spans());
        view["piece"]!["sittings"]![0]!["start"] = "2026-05-01T12:00:00";
        view = await host.Save(view);
        var planned = await Spans();
        Assert.NotEmpty(planned);
        Assert.All(planned, s => Assert.EndsWith("false", s, StringComparison.Ordinal));

        var layer = view["piece"]!["layers"]![0]!["id"];
        await Read(await host.Client.PutAsJsonAsync(
            $"/api/pieces/{view["id"]}/runs/{Guid.NewGuid()}",
            new
            {
                basedOn = 0,
                sittingId = layer,
                start = "2026-05-01T09:00:00",
                end = (string?)null,
                roomC = (double?)null,
                note = "",
                pours = Array.Empty<object>()
            }), HttpStatusCode.OK);
        var poured = await Spans();
        Assert.All(poured, s => Assert.EndsWith("true", s, StringComparison.Ordinal));
        Assert.Equal(1, (int)(await host.List("/api/pieces"))[0]!["poured"]!);

        await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{view["id"]}/step", new { basedOn = (int)view["version"]!, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(poured, await Spans());
    }

    [Fact]
    public async Task A_small_picture_is_kept_beside_the_workshop_and_only_as_the_piece_is_now()
    {
        string folder;
        byte[] kept;
        using (var first = new TestHost(demo: true, keep: true))
        {
            folder = first.Folder;
            kept = await first.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=64");
            _ = await first.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=64&wet=true");
            _ = await first.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=128");
        }

        var files = Directory.GetFiles(Path.Combine(folder, "pictures"));
        Assert.Equal(2, files.Length);
        Assert.All(files, f => Assert.EndsWith(".png", f, StringComparison.Ordinal));
        var small = Assert.Single(files, f => f.EndsWith("-64.png", StringComparison.Ordinal));
        Assert.Equal(kept, await System.IO.File.ReadAllBytesAsync(small));
        await System.IO.File.WriteAllBytesAsync(small, [1, 2, 3]);
        using var second = new TestHost(folder: folder);
        Assert.Equal([1, 2, 3], await second.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=64"));

        var view = await second.Get("/api/pieces/marsh-light");
        view["piece"]!["name"] = "Marsh Light again";
        await second.Save(view);
        Assert.Equal(kept, await second.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=64"));
        Assert.EndsWith("-64.png", Assert.Single(Directory.GetFiles(Path.Combine(folder, "pictures"))), StringComparison.Ordinal);

        // Where nothing can be kept, it is painted all the same.
        Directory.Delete(Path.Combine(folder, "pictures"), recursive: true);
        await System.IO.File.WriteAllTextAsync(Path.Combine(folder, "pictures"), "in the way");
        Assert.NotEmpty(await second.Client.GetByteArrayAsync("/api/pieces/marsh-light/picture.png?width=96"));
    }
}
