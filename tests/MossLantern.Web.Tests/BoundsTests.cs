using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>A few bytes that ask for much work: refused by the count before any of it is done.</summary>
public sealed class BoundsTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    private static JsonArray Many(int count, Func<int, JsonNode> one) => new([.. Enumerable.Range(0, count).Select(one)]);

    private static JsonObject Zone(int i, string outline = """{ "shape": "round", "diameterMm": 30 }""") => Parsed(
        $$"""
            { "id": "z{{i}}", "name": "z", "outline": {{outline}}, "xMm": 10, "yMm": 10, "layout": { "kind": "flood",
            "recipeId": "cup-1" } }
            """);

    private static JsonObject Kept(int i) => Parsed($$"""
        { "id": "k{{i}}", "name": "k", "outline": { "shape": "round", "diameterMm": 10 }, "xMm": {{i % 500}},
        "yMm": 10, "keep": "bare" }
        """);

    private static JsonObject Wall(int number, int spots) => new()
    {
        ["id"] = $"w{number}",
        ["region"] = "wall",
        ["layerId"] = "layer-1",
        ["in"] = Parsed("""{ "kind": "pools" }"""),
        ["course"] = new JsonObject
        {
            ["kind"] = "drawn",
            ["spots"] = Many(spots, i => new JsonObject { ["xMm"] = i % 2 == 0 ? 5 : 595, ["yMm"] = 1 + i * 0.9 }),
        },
        ["section"] = Parsed("""{ "widthMm": 2 }"""),
        ["material"] = Parsed("""{ "kind": "barrier" }"""),
    };

    private static void WithWalls(JsonNode piece, params JsonNode[] walls)
    {
        piece["layers"]![0]!["layout"] = Parsed("""{ "kind": "pools", "pools": [] }""");
        piece["lines"] = new JsonArray(walls);
    }

    private static JsonObject Old(string ground) => Parsed($$"""
        { "name": "Peat", "pieceId": null, "ground": {{ground}}, "growth": { "gridMm": 2, "grainMm": 60 },
        "recipes": [], "layers": [], "sittings": [] }
        """);

    private const string NoHandles = """{ "shape": "slice", "widthMm": 60, "heightMm": 60, "reach": [], "wobbleMm": 1, "seed": 3 }""";

    public static TheoryData<string, string, Action<JsonNode>> TooMuch => new()
    {
        { "layers[0].layout.fields", "from 1 to 60", p => p["layers"]![0]!["layout"] = Parsed("""
            { "kind": "fields", "fields": -1, "colours": ["cup-1"], "seed": 1 }
            """) },
        { "layers[0].layout.fields", "from 1 to 60", p => p["layers"]![0]!["layout"] = Parsed("""
            { "kind": "fields", "fields": 50000000, "colours": ["cup-1"], "seed": 1 }
            """) },
        { "layers[0].layout.colours", "from 1 to 20",
            p => p["layers"]![0]!["layout"] = new JsonObject { ["kind"] = "fields", ["fields"] = 9,
                ["colours"] = Many(21, i => $"c{i}"), ["seed"] = 1 } },
        { "ground.old.ground.set.count", "from 2 to 5", p => p["ground"]!["old"] = Old("""
            { "outline": { "shape": "round", "diameterMm": 90 }, "edge": "walled", "sideHeightMm": 9,
            "colour": "#ffffff", "set": { "count": 10000000, "gapMm": 1, "mirrored": false } }
            """) },
        { "ground.old.ground.outline.reach", "from 3 to 24 handles", p => p["ground"]!["old"] = Old($$"""
            { "outline": {{NoHandles}}, "edge": "walled", "sideHeightMm": 9, "colour": "#ffffff" }
            """) },
        { "layers[0].zones[0].outline.reach", "from 3 to 24 handles", p => p["layers"]![0]!["zones"] = new JsonArray(Zone(1, NoHandles)) },
        { "ground.mould.inserts[0].outline.reach", "from 3 to 24 handles", p =>
            {
                p["ground"]!["base"] = Parsed("""{ "kind": "casting", "material": "silicone" }""");
                p["ground"]!["mould"] = Parsed($$"""
                    { "depthMm": 9, "from": "dimensions", "capacityMl": null, "pieces": 1, "cavities": 1,
                    "keepMm": 0, "inserts": [{ "id": "i", "name": "i", "outline": {{NoHandles}}, "xMm": 9, "yMm": 9,
                    "floorMm": 1, "recessMm": 1 }] }
                    """);
            }
        },
        { "layers[0].zones", "up to 12 parts", p => p["layers"]![0]!["zones"] = Many(2000, i => Zone(i)) },
        { "kept", "Up to 12 spots", p => p["kept"] = Many(500, Kept) },
        { "layers[0].layout.bands", "from 1 to 40", p => p["layers"]![0]!["layout"]!["bands"] = Many(15_000, i => Parsed($$"""
            { "id": "b{{i}}", "widthMm": 1, "fillsRest": false, "recipeId": "c{{i % 10_000}}" }
            """)) },
        { "recipes", "up to 800", p => p["recipes"] = Many(10_000, i => Parsed($$"""
            { "id": "c{{i}}", "name": "c", "colour": "#102030", "doses": [] }
            """)) },
        { "recipes[0].trials", "Up to 40 steps", p => p["recipes"]![0]!["trials"] = Many(41, _ => Parsed("""
            { "colourant": "mica", "amount": 1, "unit": "percent", "inMl": null, "toPercent": 1 }
            """)) },
        { "recipes[0].doses", "up to 6 colourants",
            p => p["recipes"]![0]!["doses"] = Many(7, _ => Parsed("""{ "colourant": "mica", "percent": 1 }""")) },
        { "sittings", "from 1 to 60", p => p["sittings"] = Many(61, i => Parsed($$"""
            { "id": "s{{i}}", "rest": [], "resin": { "system": "coating" }, "measure": "by-volume" }
            """)) },
        { "sittings[0].order", "up to 1000",
            p => p["sittings"]![0]!["order"] = Many(1001, _ => Parsed("""{ "layerId": "layer-1", "region": "heart" }""")) },
        { "layers[0].aside", "Up to 7",
            p => p["layers"]![0]!["aside"] = Many(8, _ => Parsed("""{ "kind": "flood", "recipeId": "cup-1" }""")) },
        { "lines", "up to 2000 spots", p => WithWalls(p, [.. Enumerable.Range(0, 6).Select(i => Wall(i, i == 5 ? 2 : 400))]) },
        { "lines[0].course.spots", "2 to 400 spots", p => WithWalls(p, Wall(1, 401)) },
        { "lines[0].course.spots", "2 to 400 spots", p => WithWalls(p, Wall(1, 1)) },
        { "lines", "up to 60 walls", p => WithWalls(p, [.. Enumerable.Range(0, 61).Select(i => Wall(i, 2))]) },
        { "lines", "up to 1000 lines", p => WithWalls(p, [.. Enumerable.Range(0, 1001).Select(i => Wall(i, 2))]) },
        { "wavedOff", "Up to 200", p => p["wavedOff"] = Many(201, i => new JsonObject { ["finding"] = $"f{i}", ["reason"] = "so" }) },
        { "recipes[0].doses[0].percent", "from 0 to 100",
            p => p["recipes"]![0]!["doses"] = JsonNode.Parse("""[{ "colourant": "mica", "percent": -1e400 }]""") },
        { "piece.name", "cannot be shown", p => p["name"] = "Fen\0Tray" },
        { "piece.recipes[0].name", "cannot be shown", p => p["recipes"]![0]!["name"] = "\u001b[31m" },
    };

    [Theory]
    [MemberData(nameof(TooMuch))]
    public async Task What_asks_for_too_much_is_refused_by_its_count(string field, string sentence, Action<JsonNode> change)
    {
        var view = await host.AddPiece();
        var text = view["piece"]!.ToJsonString().Replace((string)view["piece"]!["recipes"]![0]!["id"]!, "cup-1", StringComparison.Ordinal);
        view["piece"] = JsonNode.Parse(text);
        change(view["piece"]!);
        var clock = Stopwatch.StartNew();
        var problem = await Problem(await host.TrySave(view), HttpStatusCode.BadRequest);
        TestContext.Current.SendDiagnosticMessage("{0}: {1:0} ms", field, clock.Elapsed.TotalMilliseconds);
        Assert.Contains(sentence, Sentence(problem,
            field.StartsWith("piece.", StringComparison.Ordinal) ? field : ById(view["piece"], field)), StringComparison.Ordinal);
        Assert.Equal(1, (int)(await host.Get($"/api/pieces/{view["id"]}"))["version"]!);
    }

    /// <summary>As many spots as are taken, in walls that cross each other from side to side.</summary>
    [Fact]
    public async Task Walls_at_their_bounds_are_worked_out()
    {
        var view = await host.AddPiece();
        WithWalls(view["piece"]!, Wall(1, 315));
        var clock = Stopwatch.StartNew();
        using var answer = await host.TrySave(view);
        TestContext.Current.SendDiagnosticMessage("a wall of 315 spots: {0:0} ms", clock.Elapsed.TotalMilliseconds);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Fact]
    public async Task Half_a_character_is_refused_wherever_it_stands()
    {
        foreach (var body in new[] { """{ "name": "\ud800", "ground": null }""", """{ "\ud800": 1 }""" })
        {
            await Problem(await host.Client.PostAsync("/api/pieces", Body(body)), HttpStatusCode.BadRequest);
        }
    }

    [Fact]
    public async Task A_piece_with_a_byte_order_mark_is_read_and_one_with_what_cannot_be_shown_is_not()
    {
        var view = await host.AddPiece("Fen Tray");
        var text = await host.Client.GetStringAsync($"/api/pieces/{view["id"]}/piece.json");
        await Read(await host.Client.PostAsJsonAsync("/api/pieces/import", new { text = "\ufeff" + text }), HttpStatusCode.Created);
        var problem = await Problem(await host.Client
            .PostAsJsonAsync("/api/pieces/import",
                new { text = text.Replace("Fen Tray", "Fen\\u0000Tray", StringComparison.Ordinal) }), HttpStatusCode.BadRequest);
        Assert.Contains("piece.name holds a character that cannot be shown", Sentence(problem, "text"), StringComparison.Ordinal);
    }

    /// <summary>A star of as many corners as are taken is refused by what it would take to look at it; an outline of as
    /// many short sides is not.</summary>
    [Fact]
    public async Task A_drawing_is_bounded_by_the_pairs_of_its_sides_not_by_its_corners()
    {
        static string Svg(string path) =>
            $"<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' viewBox='0 0 90 90'><path d='{path}'/></svg>";
        var problem = await Problem(await host.Client
            .PostAsJsonAsync("/api/outlines/svg", new { svg = Svg(Star(19_000)) }), HttpStatusCode.BadRequest);
        Assert.Contains("too many long sides", Sentence(problem, "svg"), StringComparison.Ordinal);
        await Read(await host.Client.PostAsJsonAsync("/api/outlines/svg", new { svg = Svg(Star(19_000, 43.9)) }), HttpStatusCode.OK);
        await Read(await host.Client.PostAsJsonAsync("/api/outlines/svg", new { svg = Svg(Star(2_000)) }), HttpStatusCode.OK);

        var view = await host.AddPiece();
        view["piece"]!["ground"]!["outline"] = new JsonObject { ["shape"] = "drawn", ["path"] = Star(19_000, shift: 44) };
        Assert.Contains("too many long sides",
            (await Problem(await host.TrySave(view), HttpStatusCode.BadRequest))["detail"]!.ToString(), StringComparison.Ordinal);
    }

    public static TheoryData<string, string> Drawings => new()
    {
        { "groups in groups", string.Concat(Enumerable.Repeat("<g>", 50_000)) + "<rect width='9' height='9'/>"
            + string.Concat(Enumerable.Repeat("</g>", 50_000)) },
        { "comments that never end", $"<style>{string.Concat(Enumerable.Repeat("/* ", 300_000))}</style><rect width='60' height='60'/>" },
        { "rules that never begin", $"<style>{new string('a', 1_000_000)}</style><rect width='60' height='60'/>" },
        { "a rectangle of negative width", "<rect width='-60' height='60'/>" },
        { "a star of 19,000 corners", $"<path d='{Star(19_000)}'/>" },
    };

    [Theory]
    [MemberData(nameof(Drawings))]
    public async Task A_drawing_that_asks_for_much_is_read_or_refused_in_words(string what, string body)
    {
        var clock = Stopwatch.StartNew();
        using var answer = await host.Client.PostAsJsonAsync("/api/outlines/svg",
            new { svg = $"<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' viewBox='0 0 90 90'>{body}</svg>" });
        TestContext.Current.SendDiagnosticMessage("{0}: {1} after {2:0} ms", what, (int)answer.StatusCode, clock.Elapsed.TotalMilliseconds);
        Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.BadRequest
            or HttpStatusCode.UnprocessableEntity, await answer.Content.ReadAsStringAsync());
    }

    [Theory]
    [InlineData("""
        <!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">
        """, HttpStatusCode.OK)]
    [InlineData("""<!DOCTYPE svg>""", HttpStatusCode.OK)]
    [InlineData("""<!DOCTYPE svg [<!ENTITY a "b">]>""", HttpStatusCode.BadRequest)]
    [InlineData("""<!DOCTYPE svg SYSTEM "file:///etc/hostname">""", HttpStatusCode.BadRequest)]
    public async Task A_plain_document_type_is_passed_over_and_one_with_entities_is_not(string type, HttpStatusCode status)
    {
        var svg =
            $"<?xml version='1.0'?>{type}<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' "
                + "viewBox='0 0 90 90'><rect width='60' height='60'/></svg>";
        using var answer = await host.Client.PostAsJsonAsync("/api/outlines/svg", new { svg });
        Assert.Equal(status, answer.StatusCode);
    }

    private static string Star(int corners, double inner = 4, double shift = 45)
    {
        var path = new StringBuilder();
        for (var i = 0; i < corners; i++)
        {
            var turn = i * Math.Tau / corners;
            var reach = i % 2 == 0 ? 44 : inner;
            path.Append(CultureInfo.InvariantCulture,
                $"{(i == 0 ? 'M' : 'L')}{shift + reach * Math.Cos(turn):0.####} {shift + reach * Math.Sin(turn):0.####}");
        }

        return path.Append('Z').ToString();
    }
}
