using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NodaTime;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>What the program says of itself, old steps that go, moments and hours, and what ships with it.</summary>
public sealed class AboutApiTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task Old_steps_go_and_what_is_shown_named_or_logged_stays_with_a_copy_made_first()
    {
        var view = await host.AddPiece();
        var id = (string)view["id"]!;
        for (var depth = 2; depth <= 7; depth++)
        {
            view["piece"]!["layers"]![0]!["depthMm"] = depth;
            view = await host.Save(view);
            if (depth == 3)
            {
                (await host.Client.PostAsJsonAsync($"/api/pieces/{id}/versions",
                    new { basedOn = (int)view["version"]!, name = "Thin" })).EnsureSuccessStatusCode();
            }
        }

        host.Clock.Advance(Duration.FromDays(200));
        view["piece"]!["layers"]![0]!["depthMm"] = 8;
        view = await host.Save(view);
        var about = await host.Get("/api/about");
        Assert.Equal(8, (int)about["steps"]!);
        Assert.Equal(6, (int)about["oldSteps"]!);
        Assert.True((long)about["fileBytes"]! > 10_000);
        Assert.Matches(@"^\d+\.\d+\.\d+$", (string)about["version"]!);
        Assert.Equal(host.Folder, (string)about["dataFolder"]!);
        var copies = Directory.GetFiles(host.Folder, "*.db", SearchOption.AllDirectories).Length;

        about = await Read(await host.Client
            .PostAsJsonAsync("/api/about/let-steps-go", new { before = (string)about["before"]! }), HttpStatusCode.OK);
        Assert.Equal((2, 0), ((int)about["steps"]!, (int)about["oldSteps"]!));
        Assert.Equal(copies + 1, Directory.GetFiles(host.Folder, "*.db", SearchOption.AllDirectories).Length);

        // A step back goes to the one before that is still there, and what is named can be taken up.
        var back = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/step", new { basedOn = (int)view["version"]!, step = "undo" }), HttpStatusCode.OK);
        Assert.Equal(3, (double)back["piece"]!["layers"]![0]!["depthMm"]!);
        Assert.False((bool)back["canUndo"]!);
        Assert.True((bool)back["canRedo"]!);
        var on = await Read(await host.Client
            .PostAsJsonAsync($"/api/pieces/{id}/step", new { basedOn = (int)back["version"]!, step = "redo" }), HttpStatusCode.OK);
        Assert.Equal(8, (double)on["piece"]!["layers"]![0]!["depthMm"]!);
    }

    [Theory]
    [InlineData("1969-12-31")]
    [InlineData("9999-12-31")]
    public async Task Steps_go_only_by_a_day_from_1970_to_today(string before)
    {
        Assert.Equal(HttpStatusCode.BadRequest, (await host.Client.GetAsync($"/api/about?before={before}")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await host.Client.PostAsJsonAsync("/api/about/let-steps-go", new { before })).StatusCode);
    }

    [Fact]
    public async Task A_step_that_a_log_was_poured_from_stays()
    {
        var view = await host.Save(await host.AddPiece());
        var id = (string)view["id"]!;
        await Read(await host.Client.PutAsJsonAsync($"/api/pieces/{id}/runs/{Guid.NewGuid()}", new
        {
            basedOn = 0,
            sittingId = "layer-1",
            start = "2026-05-01T09:00:00",
            end = (string?)null,
            roomC = (double?)null,
            note = "",
            pours = Array.Empty<object>(),
        }), HttpStatusCode.OK);
        view["piece"]!["layers"]![0]!["depthMm"] = 6;
        await host.Save(view);
        host.Clock.Advance(Duration.FromDays(200));
        var about = await host.Get("/api/about");
        Assert.Equal((int)about["steps"]! - 2, (int)about["oldSteps"]!);
    }

    [Fact]
    public async Task The_workshop_reads_moments_by_its_own_clock_and_tells_hours_as_it_is_asked_to()
    {
        var workshop = await host.Get("/api/workshop");
        Assert.Equal(24, (int)workshop["hours"]!);
        Assert.Equal(HttpStatusCode.BadRequest, (await host.Client.PutAsJsonAsync("/api/workshop", new { hours = 13 })).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await host.Client.PutAsJsonAsync("/api/workshop", new { })).StatusCode);
        var zone = (string)workshop["timeZone"]!;
        workshop = await Read(await host.Client.PutAsJsonAsync("/api/workshop", new { hours = 12 }), HttpStatusCode.OK);
        Assert.Equal((12, zone), ((int)workshop["hours"]!, (string)workshop["timeZone"]!));
        var now = (string)workshop["now"]!["local"]!;
        var read = await Read(await host.Client.PostAsJsonAsync("/api/reckon/moment", new { text = "now" }), HttpStatusCode.OK);
        Assert.Equal(now[..16], ((string)read["local"]!)[..16]);
        foreach (var text in new[] { "soon", "", new string('9', 4000) })
        {
            var refused = await Read(await host.Client.PostAsJsonAsync("/api/reckon/moment", new { text }), HttpStatusCode.BadRequest);
            Assert.StartsWith("Type a moment", (string)refused["errors"]!["text"]![0]!, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void Everything_that_ships_is_in_the_notices()
    {
        var root = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(root, "MossLantern.slnx")))
        {
            root = Path.GetDirectoryName(root)!;
        }

        var notices = File.ReadAllText(Path.Combine(root, "web", "public", "notices.txt"));
        var package = JsonNode.Parse(File.ReadAllText(Path.Combine(root, "web", "package.json")))!;
        Assert.All(package["dependencies"]!.AsObject(), d => Assert.Contains($"\n{d.Key} ", notices, StringComparison.Ordinal));
        foreach (var project in Directory.GetFiles(Path.Combine(root, "src"), "*.csproj", SearchOption.AllDirectories))
        {
            var shipped = System.Xml.Linq.XDocument.Load(project).Descendants("PackageReference")
                .Where(p => (string?)p.Attribute("PrivateAssets") != "all"
                    && p.Element("PrivateAssets")?.Value != "all").Select(p => (string)p.Attribute("Include")!);
            Assert.All(shipped, name => Assert.Contains($"\n{name} ", notices, StringComparison.OrdinalIgnoreCase));
        }

        Assert.Contains("SIL OPEN FONT LICENSE", notices, StringComparison.Ordinal);
    }
}
