using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Sequences in the cupboard.</summary>
public sealed class SequenceApiTests : IDisposable
{
    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    private async Task<(JsonNode Layout, JsonNode Recipes)> LaidOutIn(string piece) =>
        (await host.Get($"/api/pieces/{piece}"))["piece"] is { } own ? (own["layers"]![0]!["layout"]!, own["recipes"]!) : default;

    private static async Task<JsonArray> All(HttpResponseMessage answer, HttpStatusCode expected)
    {
        Assert.Equal(expected, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<JsonArray>())!;
    }

    [Fact]
    public async Task A_sequence_is_kept_from_one_piece_and_laid_in_another()
    {
        Assert.Equal(["Peat tea"], (await host.List("/api/sequences")).Select(s => (string)s!["sequence"]!["name"]!));
        var (petals, colours) = await LaidOutIn("water-mint");
        var kept = await All(await host.Client.PostAsJsonAsync("/api/sequences",
            new { name = " Mint ", layout = petals, recipes = colours, acrossMm = 180 }), HttpStatusCode.Created);
        var mint = kept.Single(s => (string)s!["sequence"]!["name"]! == "Mint")!;
        Assert.Equal(petals["bands"]!.ToJsonString(), mint["sequence"]!["bands"]!.ToJsonString());

        // Laid in lines they stay lines, half as wide where there is half the room.
        var view = await host.Get("/api/pieces/peat-pool");
        JsonObject Lay(JsonNode? sequence, double? acrossMm) =>
            Do("lay-sequence", ("layer", view["piece"]!["layers"]![0]!["id"]), ("sequence", sequence), ("acrossMm", acrossMm));
        var layout = (await host.Edit(view, Lay(mint["id"], 90)))["piece"]!["layers"]![0]!["layout"]!;
        Assert.Equal("lines", (string)layout["kind"]!);
        Assert.Equal(petals["bands"]!.AsArray().Count, layout["bands"]!.AsArray().Count);
        var (was, now) = (petals["bands"]!.AsArray().First(b => !(bool)b!["fillsRest"]!)!,
            layout["bands"]!.AsArray().First(b => !(bool)b!["fillsRest"]!)!);
        Assert.Equal((double)was["widthMm"]! / 2, (double)now["widthMm"]!, 0.051);
        view = await host.Get("/api/pieces/peat-pool");
        var far = await Problem(await host.TryEdit(view, Lay(mint["id"], 0)), HttpStatusCode.BadRequest);
        Assert.Contains("from 20 to 3000 mm", (string)far["detail"]!, StringComparison.Ordinal);
        Assert.Contains("no such sequence", (string)(await Problem(await host.TryEdit(view, Lay("none", null)),
            HttpStatusCode.BadRequest))["detail"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_sequence_is_renamed_taken_out_and_put_back()
    {
        var tea = (await host.List("/api/sequences"))[0]!;
        var renamed = tea["sequence"]!.DeepClone();
        renamed["name"] = "Bog tea";
        var all = await All(await host.Client
            .PutAsJsonAsync("/api/sequences/peat-tea", new { basedOn = 1, sequence = renamed }), HttpStatusCode.OK);
        Assert.Equal(("Bog tea", 2), ((string)all[0]!["sequence"]!["name"]!, (int)all[0]!["version"]!));
        await Problem(await host.Client
            .PutAsJsonAsync("/api/sequences/peat-tea", new { basedOn = 1, sequence = renamed }), HttpStatusCode.Conflict);

        Assert.Empty(await All(await host.Client.DeleteAsync("/api/sequences/peat-tea"), HttpStatusCode.OK));
        await Problem(await host.Client.DeleteAsync("/api/sequences/peat-tea"), HttpStatusCode.NotFound);
        all = await All(await host.Client
            .PutAsJsonAsync("/api/sequences/again", new { basedOn = 0, sequence = renamed }), HttpStatusCode.OK);
        Assert.Equal(renamed.ToJsonString(), all[0]!["sequence"]!.ToJsonString());
    }

    [Fact]
    public async Task What_cannot_be_kept_or_laid_is_refused_in_words()
    {
        var ((lines, recipes), (fields, _)) = (await LaidOutIn("peat-pool"), await LaidOutIn("old-kiln"));
        async Task Refused(string path, object body, string field, string says) =>
            Assert.Contains(says, Sentence(await Problem(await host.Client.PostAsJsonAsync(path, body),
                HttpStatusCode.BadRequest), field), StringComparison.Ordinal);

        await Refused("/api/sequences", new { name = "", layout = lines, recipes, acrossMm = 100 }, "name", "from 1 to");
        await Refused("/api/sequences", new { name = "x", layout = lines, recipes, acrossMm = -4 }, "acrossMm", "across");
        await Refused("/api/sequences", new { name = "x", layout = fields, recipes, acrossMm = 100 }, "layout", "rings, lines and petals");
        await Problem(await host.Client.PutAsJsonAsync("/api/sequences/none",
            new { basedOn = 3, sequence = (await host.List("/api/sequences"))[0]!["sequence"] }), HttpStatusCode.NotFound);
        await Problem(await host.Client.PostAsJsonAsync("/api/sequences", new { name = "x" }), HttpStatusCode.BadRequest);
        Assert.Single(await host.List("/api/sequences"));
    }
}
