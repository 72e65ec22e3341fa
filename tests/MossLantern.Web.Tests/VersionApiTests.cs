using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Versions that the artist names, and copies in another colourway.</summary>
public sealed class VersionApiTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task A_named_version_is_taken_up_again_as_it_was_and_that_can_be_undone()
    {
        var first = await host.AddPiece();
        var id = (string)first["id"]!;
        var named = (await Named(await Name(id, 1, "First idea"))).Single()!;
        Assert.Equal("First idea", (string)named["name"]!);
        Assert.True((bool)named["shown"]!);

        first["piece"]!["layers"]![0]!["depthMm"] = 5;
        var second = await host.Save(first);
        Assert.False((bool)(await host.List($"/api/pieces/{id}/versions"))[0]!["shown"]!);

        var back = await Read(
            await host.Client.PostAsJsonAsync($"/api/pieces/{id}/versions/{named["revision"]}/take",
                new { basedOn = (int)second["version"]! }), HttpStatusCode.OK);
        Assert.NotEqual(5, (double)back["piece"]!["layers"]![0]!["depthMm"]!);
        var undone = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/step", new { basedOn = (int)back["version"]!, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(5, (double)undone["piece"]!["layers"]![0]!["depthMm"]!);

        // Its picture can be had at any time, and it does not change.
        var before = await host.Client.GetByteArrayAsync($"/api/pieces/{id}/picture.png?width=64&revision={named["revision"]}");
        Assert.Equal(before, await host.Client.GetByteArrayAsync($"/api/pieces/{id}/picture.png?width=64&revision={named["revision"]}"));
    }

    [Fact]
    public async Task A_name_is_changed_and_forgotten_and_the_revision_stays()
    {
        var id = (string)(await host.AddPiece())["id"]!;
        await Name(id, 1, "Idea");
        var named = await Named(await Name(id, 1, "Better name"));
        Assert.Equal("Better name", (string)Assert.Single(named)!["name"]!);
        using var gone = await host.Client.DeleteAsync($"/api/pieces/{id}/versions/1");
        Assert.Equal(HttpStatusCode.OK, gone.StatusCode);
        Assert.Empty(await host.List($"/api/pieces/{id}/versions"));
        await Problem(await host.Client.DeleteAsync($"/api/pieces/{id}/versions/1"), HttpStatusCode.NotFound);
        using var picture = await host.Client.GetAsync($"/api/pieces/{id}/picture.png?revision=1");
        Assert.Equal(HttpStatusCode.OK, picture.StatusCode);
    }

    [Fact]
    public async Task What_cannot_be_named_taken_or_copied_is_refused_in_words()
    {
        var id = (string)(await host.AddPiece())["id"]!;
        Assert.Contains("from 1 to 120",
            Sentence(await Problem(await Name(id, 1, " "), HttpStatusCode.BadRequest), "name"), StringComparison.Ordinal);
        await Problem(await Name(id, 7, "Too late"), HttpStatusCode.Conflict);
        await Problem(await Name("none", 1, "Nowhere"), HttpStatusCode.NotFound);
        await Problem(await host.Client.PostAsJsonAsync($"/api/pieces/{id}/versions/99/take", new { basedOn = 1 }),
            HttpStatusCode.NotFound);
        await Problem(await host.Client.GetAsync($"/api/pieces/{id}/picture.png?revision=99"), HttpStatusCode.NotFound);
        var bad = await Problem(
            await host.Client.PostAsJsonAsync($"/api/pieces/{id}/copy",
                new { name = "Copy", colours = new[] { new { from = "#112233", to = "red" } } }), HttpStatusCode.BadRequest);
        Assert.Contains("#33523f", Sentence(bad, "colours[0].to"), StringComparison.Ordinal);
        await Problem(await host.Client
            .PostAsJsonAsync("/api/pieces/none/copy", new { name = "Copy", colours = Array.Empty<object>() }), HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_copy_has_the_map_in_other_colours_and_nothing_of_what_was_done()
    {
        var view = await host.AddPiece();
        view["piece"]!["ground"]!["done"] = new JsonArray(Parsed("""{ "id": "sand" }"""));
        var sitting = view["piece"]!["sittings"]![0]!;
        (sitting["start"], sitting["roomC"]) = ("2026-05-01T09:00:00", 21);
        var saved = await host.Save(view);
        var colour = (string)saved["piece"]!["recipes"]![0]!["colour"]!;
        var copy = await Read(
            await host.Client.PostAsJsonAsync($"/api/pieces/{saved["id"]}/copy",
                new { name = "Fen Tray in rust", colours = new[] { new { from = colour.ToUpperInvariant(), to = "#9a4f26" } } }),
            HttpStatusCode.Created);
        Assert.NotEqual((string)saved["id"]!, (string)copy["id"]!);
        Assert.Equal("Fen Tray in rust", (string)copy["piece"]!["name"]!);
        Assert.Equal("#9a4f26", (string)copy["piece"]!["recipes"]![0]!["colour"]!);
        Assert.Null(copy["piece"]!["ground"]!["done"]);
        Assert.Null(copy["piece"]!["sittings"]![0]!["start"]);
        Assert.Equal(21, (double)copy["piece"]!["sittings"]![0]!["roomC"]!);
        Assert.Equal(colour, (string)(await host.Get($"/api/pieces/{saved["id"]}"))["piece"]!["recipes"]![0]!["colour"]!);
    }

    private Task<HttpResponseMessage> Name(string id, int basedOn, string name) =>
        host.Client.PostAsJsonAsync($"/api/pieces/{id}/versions", new { basedOn, name });

    private static async Task<JsonArray> Named(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.StatusCode == HttpStatusCode.OK, text);
        return JsonNode.Parse(text)!.AsArray();
    }
}
