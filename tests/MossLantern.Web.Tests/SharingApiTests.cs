using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Xml.Linq;
using Json.Schema;
using MossLantern.Formats.Svg;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>What of a piece leaves the program, and comes back.</summary>
public sealed class SharingApiTests : IDisposable
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly string[] Demo =
        ["marsh-light", "peat-pool", "marigold-dozen", "sundew-pair", "bracken-slice", "old-kiln", "bogbean-round",
            "sphagnum-pools", "water-mint", "heron-tray", "rain-ring"];

    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task Every_piece_of_the_demo_fits_the_published_schema_and_comes_back_as_it_was()
    {
        var schema = JsonSchema.FromText(await host.Client.GetStringAsync("/api/schemas/piece.json"));
        foreach (var id in Demo)
        {
            var text = await host.Client.GetStringAsync($"/api/pieces/{id}/piece.json");
            var result = schema.Evaluate(JsonNode.Parse(text), new() { OutputFormat = OutputFormat.List });
            Assert.True(result.IsValid,
                id + ": " + string.Join("; ", result.Details.Where(d => d.HasErrors)
                    .Select(d => $"{d.InstanceLocation} {string.Join(", ", d.Errors!.Values)}")));
            var back = await Read(await host.Client.PostAsJsonAsync("/api/pieces/import", new { text }), HttpStatusCode.Created);
            Assert.NotEqual(id, (string)back["id"]!);
            Assert.Equal(text, await host.Client.GetStringAsync($"/api/pieces/{back["id"]}/piece.json"));
        }
    }

    [Fact]
    public async Task The_schema_in_the_documentation_is_the_one_that_is_served()
    {
        var root = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(root, "MossLantern.slnx")))
        {
            root = Path.GetDirectoryName(root)!;
        }

        Assert.Equal(await File.ReadAllTextAsync(Path.Combine(root, "docs", "schemas", "piece.schema.json")),
            await host.Client.GetStringAsync("/api/schemas/piece.json"));
    }

    [Theory]
    [InlineData("{}", "This is not a Moss Lantern piece.")]
    [InlineData("nonsense", "The piece cannot be read")]
    [InlineData("""{ "format": "moss-lantern-piece", "formatVersion": 99 }""", "reads up to")]
    [InlineData("""{ "format": "moss-lantern-piece", "formatVersion": 1, "piece": { "name": 3 } }""", "cannot be read at")]
    public async Task A_document_that_is_none_is_refused_with_the_place_and_nothing_is_kept(string text, string says)
    {
        var before = (await host.List("/api/pieces")).Count;
        var problem = await Problem(await host.Client.PostAsJsonAsync("/api/pieces/import", new { text }), HttpStatusCode.BadRequest);
        Assert.Contains(says, Sentence(problem, "text"), StringComparison.Ordinal);
        Assert.Equal(before, (await host.List("/api/pieces")).Count);
    }

    [Fact]
    public async Task A_document_with_a_value_out_of_range_is_refused_by_the_field_and_nothing_is_kept()
    {
        var before = (await host.List("/api/pieces")).Count;
        var text = (await host.Client.GetStringAsync("/api/pieces/water-mint/piece.json"))
            .Replace("\"petals\":9", "\"petals\":900", StringComparison.Ordinal);
        var problem = await Problem(await host.Client.PostAsJsonAsync("/api/pieces/import", new { text }), HttpStatusCode.BadRequest);
        Assert.Contains("from 2 to 48", Sentence(problem, "layers[layer-1].layout.petals"), StringComparison.Ordinal);
        Assert.Equal(before, (await host.List("/api/pieces")).Count);
    }

    [Fact]
    public async Task The_map_as_svg_has_a_group_for_each_region_titled_by_its_name_in_real_millimetres()
    {
        foreach (var id in Demo)
        {
            var view = await host.Get($"/api/pieces/{id}");
            var drawing = XDocument.Parse(await host.Client.GetStringAsync($"/api/pieces/{id}/map.svg"));
            var plan = view["plan"]!;
            Assert.Equal(string.Create(CultureInfo.InvariantCulture, $"{(double)plan["ground"]!["widthMm"]!:0.##}mm"),
                (string)drawing.Root!.Attribute("width")!);
            var layers = drawing.Root.Elements(Svg + "g")
                .Where(g => ((string)g.Attribute("id")!).StartsWith("layer-", StringComparison.Ordinal)).ToList();
            Assert.Equal(view["piece"]!["layers"]!.AsArray().Count, layers.Count);
            for (var i = 0; i < layers.Count; i++)
            {
                var regions = plan["layers"]![i]!["regions"]!.AsArray()
                    .Where(r => (bool)r!["fits"]! && (string)r["kind"]! is not ("film" or "line")).ToList();
                var groups = layers[i].Elements(Svg + "g").ToDictionary(g => (string)g.Element(Svg + "desc")!);
                foreach (var region in regions.Where(r => (double)r!["area"]!["value"]! > 0.1))
                {
                    var group = groups[(string)region!["id"]!];
                    Assert.Equal((string)region["name"]!, (string)group.Element(Svg + "title")!);

                    // As large as the plan says, on every panel.
                    var copies = id == "sundew-pair" ? 2 : 1;
                    var area = Area((string)group.Element(Svg + "path")!.Attribute("d")!) / 100 / copies;
                    Assert.Equal((double)region["area"]!["value"]!, area, 0.02 + area * 0.01);
                }
            }
        }
    }

    /// <summary>The table says what the plan says, batch by batch in working order, of every sitting of the demo.</summary>
    [Fact]
    public async Task The_mixing_sheet_of_every_sitting_is_a_page_and_a_table_of_what_the_plan_mixes()
    {
        foreach (var id in (string[])["marsh-light", "marigold-dozen", "heron-tray", "bracken-slice", "old-kiln"])
        {
            foreach (var sitting in (await host.Get($"/api/pieces/{id}"))["plan"]!["sittings"]!.AsArray())
            {
                var path = $"/api/pieces/{id}/sittings/{sitting!["sittingId"]}/mixing-sheet";
                foreach (var query in (string[])["?paper=A4", "?paper=Letter&units=Us"])
                {
                    var pdf = System.Text.Encoding.Latin1.GetString(await host.Client.GetByteArrayAsync($"{path}.pdf{query}"));
                    Assert.StartsWith("%PDF", pdf, StringComparison.Ordinal);
                    Assert.Equal(1, System.Text.RegularExpressions.Regex.Count(pdf, @"/Type /Page\b(?!s)"));
                }

                using var reader = new StringReader(await host.Client.GetStringAsync($"{path}.csv"));
                using var csv = new CsvHelper.CsvReader(reader, System.Globalization.CultureInfo.InvariantCulture);
                var rows = csv.GetRecords<dynamic>().Select(r => (IDictionary<string, object>)r).ToList();
                double Sum(string what, string column) =>
                    rows.Where(r => (string)r["what"] == what && (string)r[column] != "")
                    .Sum(r => double.Parse((string)r[column], System.Globalization.CultureInfo.InvariantCulture));
                var batches = sitting["batches"]!["all"]!.AsArray();
                Assert.Equal(batches.Sum(b => (double)b!["mixMl"]!["value"]!),
                    Sum("resin", "ml") + Sum("hardener", "ml"), 0.2 * batches.Count);
                Assert.Equal(sitting["cups"]!["cups"]!.AsArray()
                    .Sum(c => c!["doses"]!["all"]!.AsArray().Sum(d => (double)d!["g"]!["value"]!)), Sum("colourant", "g"),
                    0.05 * rows.Count(r => (string)r["what"] == "colourant") + 1e-6);

                // No finer than the scale resolves; what is less than its step is told as it is.
                foreach (var g in rows.Select(r => (string)r["g"]).Where(g => g != "").Select(g => decimal.Parse(g,
                    System.Globalization.CultureInfo.InvariantCulture)).Where(g => g >= 0.1m))
                {
                    Assert.Equal(0, g * 10 % 1);
                }

                // What is laid comes first and is in no batch.
                var laid = rows.TakeWhile(r => (string)r["batch"] == "").ToList();
                Assert.All(laid, r => Assert.Contains((string)r["what"],
                    new[] { "tape", "side tape", "dam tape", "tape for the back", "wall", "dam", "raised line", "granules" }));
                var numbers = rows.Skip(laid.Count)
                    .Select(r => int.Parse((string)r["batch"], System.Globalization.CultureInfo.InvariantCulture)).ToList();
                Assert.Equal(numbers.Order(), numbers);
                Assert.Equal(batches.Count, rows.Count(r => (string)r["what"] == "resin"));
            }
        }
    }

    [Fact]
    public async Task The_outline_of_the_map_can_be_read_again_as_an_outline()
    {
        var drawing = XDocument.Parse(await host.Client.GetStringAsync("/api/pieces/rain-ring/map.svg"));
        drawing.Root!.Elements(Svg + "g").Where(g => (string)g.Attribute("id")! != "outline").Remove();
        Assert.Equal(300, SvgOutline.Read(drawing.ToString()).BoxWidthMm, 0.5);
    }

    [Theory]
    [InlineData("map.svg?layer=nowhere", HttpStatusCode.NotFound)]
    [InlineData("template.pdf?layer=nowhere", HttpStatusCode.NotFound)]
    [InlineData("template.pdf?paper=napkin", HttpStatusCode.BadRequest)]
    [InlineData("template.pdf?paper=Letter&grid=true", HttpStatusCode.OK)]
    [InlineData("template.pdf?paper=letter", HttpStatusCode.OK)]
    [InlineData("template.pdf?paper=1", HttpStatusCode.BadRequest)]
    [InlineData("sittings/layer-1/mixing-sheet.pdf?paper=a4&units=us", HttpStatusCode.OK)]
    [InlineData("sittings/layer-1/mixing-sheet.pdf?paper=letter&units=metric", HttpStatusCode.OK)]
    [InlineData("sittings/nowhere/mixing-sheet.pdf", HttpStatusCode.NotFound)]
    [InlineData("sittings/nowhere/mixing-sheet.csv", HttpStatusCode.NotFound)]
    [InlineData("sittings/layer-1/mixing-sheet.pdf?paper=napkin", HttpStatusCode.BadRequest)]
    [InlineData("sittings/layer-1/mixing-sheet.pdf?units=cubits", HttpStatusCode.BadRequest)]
    [InlineData("sittings/layer-1/mixing-sheet.pdf?paper=Letter&units=Us", HttpStatusCode.OK)]
    public async Task What_is_asked_for_is_given_or_refused_in_words(string what, HttpStatusCode status)
    {
        using var answer = await host.Client.GetAsync($"/api/pieces/heron-tray/{what}");
        Assert.Equal(status, answer.StatusCode);
        using var nowhere = await host.Client.GetAsync($"/api/pieces/none/{what}");
        Assert.True(nowhere.StatusCode is HttpStatusCode.NotFound or HttpStatusCode.BadRequest);
    }

    [Theory]
    [InlineData("peat-pool", "face=underside", null)]
    [InlineData("peat-pool", "light=back", null)]
    [InlineData("peat-pool", "face=underside&light=back", null)]
    [InlineData("peat-pool", "wet=true", null)]
    [InlineData("marsh-light", "wet=true", null)]
    [InlineData("marsh-light", "face=underside", "Only castings")]
    [InlineData("marsh-light", "light=back", "Only castings")]
    [InlineData("peat-pool", "face=underside&wet=true", "only once it has cured")]
    public async Task A_piece_is_looked_at_in_another_way_or_refused_in_words(string id, string look, string? refused)
    {
        foreach (var what in new[] { "painting?", "picture.png?width=300&" })
        {
            using var answer = await host.Client.GetAsync($"/api/pieces/{id}/{what}{look}");
            if (refused is not null)
            {
                Assert.Contains(refused, Sentence(await Problem(answer, HttpStatusCode.BadRequest), "look"), StringComparison.Ordinal);
                continue;
            }

            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.NotEqual(await host.Client.GetByteArrayAsync($"/api/pieces/{id}/{what}"), await answer.Content.ReadAsByteArrayAsync());
        }

        var view = await host.Get($"/api/pieces/{id}");
        Assert.Equal(id == "marsh-light", view["plan"]!["hidden"] is not null);
        var query = System.Web.HttpUtility.ParseQueryString(look);
        using var preview = await host.Client.PostAsJsonAsync($"/api/pieces/{id}/preview", new
        {
            piece = view["piece"],
            layerId = (string?)null,
            detail = "draft",
            numbers = false,
            look = new { face = query["face"] ?? "top", wet = query["wet"] == "true", light = query["light"] ?? "front" },
        });
        Assert.Equal(refused is null ? HttpStatusCode.OK : HttpStatusCode.BadRequest, preview.StatusCode);
    }

    [Theory]
    [InlineData("face=side", "face", "top or underside")]
    [InlineData("face=7", "face", "top or underside")]
    [InlineData("wet=rather", "wet", "true or false")]
    [InlineData("light=above", "light", "the front or the back")]
    public async Task A_look_that_is_none_is_refused_by_its_name(string look, string field, string says)
    {
        foreach (var what in new[] { "painting", "picture.png" })
        {
            var problem = await Problem(await host.Client.GetAsync($"/api/pieces/peat-pool/{what}?{look}"), HttpStatusCode.BadRequest);
            Assert.Contains(says, Sentence(problem, field), StringComparison.Ordinal);
        }
    }

    /// <summary>Area of rings with straight sides, by the even-odd rule of rings that run the other way in openings.</summary>
    private static double Area(string path) => Math.Abs(path.Split('Z', StringSplitOptions.RemoveEmptyEntries).Sum(ring =>
    {
        var spots = ring.Split(['M', 'L'], StringSplitOptions.RemoveEmptyEntries)
            .Select(p => p.Split(' ').Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray()).ToList();
        return spots.Zip(spots.Skip(1).Append(spots[0]), (a, b) => a[0] * b[1] - b[0] * a[1]).Sum() / 2;
    }));
}
