using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace MossLantern.Browser.Tests;

/// <summary>Drawings of many parts.</summary>
internal static class ManyParts
{
    /// <summary>Twelve letters of a sign, 700 × 130 mm: half of them with an opening, all with round corners.</summary>
    public static string Sign() => Svg(780, 130, Enumerable.Range(0, 12).Select(i =>
        Blob(5 + 65 * i + 28, 65, 28, 60, 0.12, 5 + i % 3) + (i % 2 == 0 ? Blob(5 + 65 * i + 28, 60, 10, 24, 0, 3) : "")));

    /// <summary>Twenty-four cavities of a mould, six by four.</summary>
    public static string Cavities() => Svg(360, 240, Enumerable.Range(0, 24).Select(i =>
        Blob(30 + 60 * (i % 6), 30 + 60 * (i / 6), 24, 24 - i % 5, 0.06, 3 + i % 4)));

    /// <summary>Puts a piece of a drawing's outline on the shelf, with three hearts and twelve bands that run through
    /// all its parts.</summary>
    public static async Task Add(HttpClient client, string name, string svg)
    {
        var outline = (await Read(await client.PostAsJsonAsync("api/outlines/svg", new { svg })))["outline"]!;
        var view = await Read(await client.PostAsJsonAsync("api/pieces",
            new { name, ground = new { outline, edge = "taped-clean", sideHeightMm = 12, colour = "#d9c29a" } }));
        var piece = view["piece"]!.DeepClone();
        var rings = piece["layers"]![0]!["layout"]!;
        var recipe = (string)rings["bands"]![0]!["recipeId"]!;
        rings["heartRecipeId"] = recipe;
        rings["hearts"] = new JsonArray([.. Enumerable.Range(0, 3).Select(i => new JsonObject
        {
            ["id"] = $"h{i}",
            ["xMm"] = 60 + 110 * i,
            ["yMm"] = 60,
            ["widthMm"] = 40,
            ["heightMm"] = 30,
            ["turnDeg"] = 0,
            ["wavinessMm"] = 12,
            ["seed"] = i,
        })]);
        rings["bands"] = new JsonArray([.. Enumerable.Range(0, 12)
            .Select(i => new JsonObject { ["id"] = $"b{i}", ["widthMm"] = 9, ["fillsRest"] = i == 11, ["recipeId"] = recipe })]);
        await Read(await client
            .PutAsJsonAsync($"api/pieces/{view["id"]}", new JsonObject { ["basedOn"] = (int)view["version"]!, ["piece"] = piece }));
    }

    private static async Task<JsonNode> Read(HttpResponseMessage answer)
    {
        using (answer)
        {
            var text = await answer.Content.ReadAsStringAsync();
            Assert.True(answer.IsSuccessStatusCode, text);
            return JsonNode.Parse(text)!;
        }
    }

    private static string Svg(double widthMm, double heightMm, IEnumerable<string> paths) => string.Create(
        CultureInfo.InvariantCulture,
        $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{widthMm}mm\" height=\"{heightMm}mm\" viewBox=\"0 0 "
            + $"{widthMm} {heightMm}\">{string.Concat(paths.Select(p => $"<path fill-rule=\"evenodd\" d=\"{p}\"/>"))}</svg>");

    private static string Blob(double x, double y, double wide, double high, double wobble, int lobes) =>
        string.Concat(Enumerable.Range(0, 72).Select(i =>
    {
        var turn = i * Math.Tau / 72;
        var reach = 1 - wobble * (1 + Math.Cos(lobes * turn)) / 2;
        return string.Create(CultureInfo.InvariantCulture,
            $"{(i == 0 ? 'M' : 'L')}{x + wide * reach * Math.Cos(turn):0.##} {y + high * reach * Math.Sin(turn):0.##}");
    })) + "Z";
}
