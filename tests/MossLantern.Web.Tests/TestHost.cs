global using Xunit;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using MossLantern.Data;
using NodaTime;
using NodaTime.Testing;

namespace MossLantern.Web.Tests;

/// <summary>The real program on a real workshop file, with a clock that stands still until it is moved.</summary>
public sealed class TestHost : IDisposable
{
    private readonly WebApplicationFactory<Program> factory;
    private readonly bool keep;

    /// <param name="demo">Whether it is the demo.</param>
    /// <param name="folder">Its data folder; null for a new one.</param>
    /// <param name="restore">A copy to be brought back.</param>
    /// <param name="keep">Whether the folder stays when it ends.</param>
    /// <param name="services">What is to be other than in the program.</param>
    public TestHost(bool demo = false, string? folder = null, string? restore = null, bool keep = false,
        Action<IServiceCollection>? services = null)
    {
        this.keep = keep;
        if (folder is null && restore is null)
        {
            // Seeding is the same each time; only what changes afterwards matters to a case.
            File.Copy((demo ? Seeded : Empty).Value,
                Path.Combine(Folder = Directory.CreateTempSubdirectory("moss-lantern-").FullName, WorkshopDatabase.FileName));
            folder = Folder;
        }

        Folder = folder ?? Directory.CreateTempSubdirectory("moss-lantern-").FullName;
        factory = new WebApplicationFactory<Program>().WithWebHostBuilder(builder =>
        {
            builder.UseSetting("MossLantern:Data", Folder);
            builder.UseSetting("MossLantern:WarmUp", "false");
            builder.UseSetting("MossLantern:Demo", demo ? "true" : "false");
            builder.UseSetting("MossLantern:Restore", restore);
            builder.UseSetting("Serilog:MinimumLevel:Default", "Fatal");
            builder.UseSetting("Serilog:MinimumLevel:Override:Microsoft", "Fatal");
            builder.UseSetting("Serilog:MinimumLevel:Override:Microsoft.Hosting.Lifetime", "Fatal");
            builder.ConfigureTestServices(own =>
            {
                own.AddSingleton<IClock>(Clock);
                services?.Invoke(own);
            });
        });
        Client = factory.CreateClient();
    }

    private static readonly Lazy<string> Seeded = new(() => Made(demo: true));
    private static readonly Lazy<string> Empty = new(() => Made(demo: false));

    /// <summary>A workshop's file as a first start makes it.</summary>
    private static string Made(bool demo)
    {
        var folder = Directory.CreateTempSubdirectory("moss-lantern-made-").FullName;
        using var host = new TestHost(demo, Path.Combine(folder, "first"));
        using var connection = new SqliteConnection($"Data Source={Path.Combine(host.Folder, WorkshopDatabase.FileName)};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();

        // With what is kept of every piece, so that each case need not work all of them out again.
        command.CommandText =
            "select count(*) from piece p left join kept_plan k on k.piece_id = p.id where k.of is null or k.of like '%.'";
        for (var end = DateTime.UtcNow.AddSeconds(60); ;)
        {
            _ = host.Client.GetStringAsync("/api/ribbon").GetAwaiter().GetResult();
            if ((long)command.ExecuteScalar()! == 0 || DateTime.UtcNow > end)
            {
                break;
            }

            Thread.Sleep(20);
        }

        command.CommandText = $"vacuum into '{Path.Combine(folder, "made.db")}'";
        command.ExecuteNonQuery();
        return Path.Combine(folder, "made.db");
    }

    public static async Task Until(Func<Task<bool>> so)
    {
        for (var end = DateTime.UtcNow.AddSeconds(30); !await so();)
        {
            Assert.True(DateTime.UtcNow < end, "It did not come about.");
            await Task.Delay(20);
        }
    }

    /// <summary>Ends when what is kept of every piece as it is now has been written, so that nothing writes by itself.</summary>
    public Task AllWritten() => Until(async () =>
    {
        _ = await Get("/api/ribbon");
        using var file = new SqliteConnection($"Data Source={Path.Combine(Folder, WorkshopDatabase.FileName)};Pooling=False");
        return file
            .ExecuteScalar<long>(
                "select count(*) from piece p join kept_plan k on k.piece_id = p.id where k.of like p.version || '.' || p.logged || '._%'")
            == file.ExecuteScalar<long>("select count(*) from piece");
    });

    public string Folder { get; }

    public FakeClock Clock { get; } = new(Instant.FromUtc(2026, 5, 1, 9, 30));

    public HttpClient Client { get; }

    public static JsonObject Ground(double width = 600, double height = 400) => Parsed(
        $$"""
        {
          "outline": { "shape": "rectangle", "widthMm": {{width}}, "heightMm": {{height}} },
          "edge": "taped-clean", "sideHeightMm": 38, "colour": "#d8bd8c"
        }
        """);

    public static JsonObject Parsed(string text) => JsonNode.Parse(text)!.AsObject();

    public static StringContent Body(string text, string type = "application/json") => new(text, Encoding.UTF8, type);

    public async Task<JsonObject> Get(string path) => await Read(await Client.GetAsync(path), HttpStatusCode.OK);

    public async Task<JsonArray> List(string path) => JsonNode.Parse(await Client.GetStringAsync(path))!.AsArray();

    /// <summary>A new piece, as the interface answers it.</summary>
    public async Task<JsonObject> AddPiece(string name = "Fen Tray", JsonObject? ground = null) =>
        await Read(await Client.PostAsJsonAsync("/api/pieces", new { name, ground = ground ?? Ground() }), HttpStatusCode.Created);

    public async Task<JsonObject> Save(JsonObject view, int? basedOn = null) => await Read(await TrySave(view, basedOn), HttpStatusCode.OK);

    public Task<HttpResponseMessage> TrySave(JsonObject view, int? basedOn = null) => Client.PutAsJsonAsync(
        $"/api/pieces/{view["id"]}", new { basedOn = basedOn ?? (int)view["version"]!, piece = view["piece"] });

    /// <summary>The commands of a remedy, as a press sends them.</summary>
    public static JsonObject[] Commands(JsonNode remedy) => [.. remedy["edits"]!.AsArray().Select(e => e!.DeepClone().AsObject())];

    /// <summary>A command.</summary>
    public static JsonObject Do(string what, params (string Key, JsonNode? Value)[] with) =>
        new([KeyValuePair.Create("do", (JsonNode?)what), .. with.Select(w => KeyValuePair.Create(w.Key, w.Value?.DeepClone()))]);

    /// <summary>Commands to be kept, based on the version of a view.</summary>
    public static JsonObject Change(JsonNode view, params JsonObject[] commands) =>
        new()
        {
            ["id"] = Guid.NewGuid(),
            ["basedOn"] = (int)view["version"]!,
            ["commands"] = new JsonArray([.. commands.Select(c => c.DeepClone())])
        };

    public Task<HttpResponseMessage> TryEdit(JsonNode view, params JsonObject[] commands) =>
        Client.PostAsJsonAsync($"/api/pieces/{view["id"]}/edit", Change(view, commands));

    /// <summary>A piece with commands made and kept, as it is answered whole.</summary>
    public async Task<JsonObject> Edit(JsonNode view, params JsonObject[] commands)
    {
        await Read(await TryEdit(view, commands), HttpStatusCode.OK);
        return await Get($"/api/pieces/{view["id"]}");
    }

    public Task<HttpResponseMessage> TryEditGround(JsonNode ground, params JsonObject[] commands) => Client.PostAsJsonAsync(
        "/api/grounds/edit",
        new JsonObject { ["ground"] = ground.DeepClone(), ["commands"] = new JsonArray([.. commands.Select(c => c.DeepClone())]) });

    /// <summary>A ground that belongs to no piece yet, with commands made.</summary>
    public async Task<JsonObject> EditGround(JsonNode ground, params JsonObject[] commands) =>
        await Read(await TryEditGround(ground, commands), HttpStatusCode.OK);

    public static async Task<JsonObject> Read(HttpResponseMessage answer, HttpStatusCode status)
    {
        var text = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.StatusCode == status, $"{(int)answer.StatusCode}: {text}");
        return Parsed(text);
    }

    /// <summary>Problem details; fails when the answer is anything else.</summary>
    public static async Task<JsonObject> Problem(HttpResponseMessage answer, HttpStatusCode status)
    {
        var problem = await Read(answer, status);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        Assert.Equal((int)status, (int)problem["status"]!);
        Assert.NotEmpty((string)problem["title"]!);
        return problem;
    }

    /// <summary>A place with entries by their number as the program spells it: by their ids, a share of a mixed colour
    /// by what it is of.</summary>
    public static string ById(JsonNode? document, string place)
    {
        var (spelled, at) = (new List<string>(), document);
        foreach (var part in place.Split('.'))
        {
            var (name, number) = part.Split('[') is [var own, var rest] ? (own, rest.TrimEnd(']')) : (part, null);
            at = (at as JsonObject)?[name];
            if (number is null)
            {
                spelled.Add(name);
                continue;
            }

            at = at is JsonArray list && int.TryParse(number, CultureInfo.InvariantCulture, out var index)
                && index < list.Count ? list[index] : null;
            var id = (at as JsonObject)?["id"] ?? ((at as JsonObject)?["parts"] is null && name != "cupChoices" ? null
                : at!["recipeId"]) ?? ((at as JsonObject)?["depthMm"] is null ? null : at["region"])
                ?? (name == "granules" ? (at as JsonObject)?["stoneId"]?.DeepClone() : null)
                ?? (name == "stones" ? (JsonNode)$"{(at as JsonObject)?["region"]} {(at as JsonObject)?["stoneId"]}" : null);
            spelled.Add($"{name}[{id?.ToString() ?? number}]");
        }

        return string.Join('.', spelled);
    }

    /// <summary>The sentence for a field of a refusal.</summary>
    public static string Sentence(JsonObject problem, string field)
    {
        var errors = problem["errors"]!.AsObject();
        Assert.True(errors.ContainsKey(field), $"'{field}' is not in {errors.ToJsonString()}");
        return string.Join(' ', errors[field]!.AsArray().Select(s => (string)s!));
    }

    public void Dispose()
    {
        factory.Dispose();
        SqliteConnection.ClearAllPools();
        if (!keep && Directory.Exists(Folder))
        {
            Directory.Delete(Folder, recursive: true);
        }
    }
}
