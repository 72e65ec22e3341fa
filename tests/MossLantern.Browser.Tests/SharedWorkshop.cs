using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using MossLantern.Browser.Tests;

[assembly: AssemblyFixture(typeof(SharedWorkshop))]

namespace MossLantern.Browser.Tests;

/// <summary>One seeded program for all cases that change nothing but copies of its pieces. Cases that end it have one
/// of their own.</summary>
public sealed class SharedWorkshop : IDisposable
{
    private readonly string seeded = Path.Combine(Directory.CreateTempSubdirectory("moss-lantern-seeded-").FullName, "workshop.db");

    public SharedWorkshop()
    {
        Process = new(demo: true);
        Process.SetZone("Europe/Dublin");
        using var source = new SqliteConnection($"Data Source={Path.Combine(Process.Folder, "workshop.db")};Mode=ReadOnly;Pooling=False");
        source.Open();
        using var command = source.CreateCommand();

        // With what is kept of every piece, so that a copy of the workshop need not work all of them out again.
        command.CommandText =
            "select count(*) from piece p left join kept_plan k on k.piece_id = p.id where k.of is null or k.of like '%.'";
        using var client = Process.Client;
        Waiting.Until(() => client.GetStringAsync("api/ribbon").GetAwaiter().GetResult().Length > 0
            && (long)command.ExecuteScalar()! == 0, "what is kept of the demo");
        command.CommandText = $"vacuum into '{seeded}'";
        command.ExecuteNonQuery();
    }

    internal WorkshopProcess Process { get; }

    /// <summary>A program of its own on a copy of the seeded workshop, in a folder of its own or in one that is given.</summary>
    internal WorkshopProcess Own(string? folder = null)
    {
        var own = folder ?? Directory.CreateTempSubdirectory("moss-lantern-").FullName;
        File.Copy(seeded, Path.Combine(own, "workshop.db"));
        return new(demo: true, own, ends: folder is null);
    }

    public void Dispose()
    {
        Browser.EndAll();
        Process.Dispose();
        Directory.Delete(Path.GetDirectoryName(seeded)!, recursive: true);
    }
}

/// <summary>A case on the shared workshop, with copies of the demo's pieces that are taken off its shelf when the case ends.</summary>
public abstract class WorkshopCase(SharedWorkshop shared) : IDisposable
{
    private readonly Dictionary<string, string> copies = [];

    private protected WorkshopProcess Workshop => shared.Process;

    private protected Page NewPage(int width = 1280, int height = 800) => new(Workshop.Address, width, height);

    private protected WorkshopProcess OwnWorkshop() => shared.Own();

    /// <summary>The address of a piece of the demo, turned to that of this case's own copy of it.</summary>
    private protected string Own(string path)
    {
        var piece = path.Split('/')[2];
        return path.Replace($"/pieces/{piece}/", $"/pieces/{Copy(piece)}/", StringComparison.Ordinal);
    }

    /// <summary>Whether copies come with the logs of their layers; the map of one that has been poured is asked about
    /// before it is changed.</summary>
    private protected virtual bool Poured => true;

    /// <summary>This case's own copy of a piece of the demo.</summary>
    /// <returns>The copy's id.</returns>
    private protected string Copy(string piece, string? name = null, bool? poured = null) =>
        copies.TryGetValue(piece, out var made) ? made : copies[piece] = Copied(Workshop, piece, poured ?? Poured, name);

    /// <summary>A copy of a piece, with or without its log.</summary>
    /// <returns>The copy's id.</returns>
    internal static string Copied(WorkshopProcess workshop, string piece, bool poured, string? name = null)
    {
        using var client = workshop.Client;
        var view = JsonNode.Parse(client.GetStringAsync($"api/pieces/{piece}").GetAwaiter().GetResult())!;
        var document = JsonNode.Parse(client.GetStringAsync($"api/pieces/{piece}/piece.json").GetAwaiter().GetResult())!;
        document["piece"]!["name"] = name ?? (string)view["piece"]!["name"]!;
        var id = (string)Read(client.PostAsJsonAsync("api/pieces/import", new { text = document.ToJsonString() }))["id"]!;
        foreach (var run in poured ? view["runs"]!.AsArray() : [])
        {
            Read(client.PutAsJsonAsync($"api/pieces/{id}/runs/{Guid.NewGuid()}", new
            {
                basedOn = 0,
                sittingId = run!["sittingId"],
                start = run["start"]!["local"],
                end = run["end"]?["local"],
                roomC = run["roomC"],
                note = run["note"],
                pours = run["pours"]!.AsArray()
                    .Select(p => new
                    {
                        layerId = p!["layerId"],
                        regionId = p["regionId"],
                        pass = p["pass"],
                        pouredMl = p["pouredMl"],
                        thatIsAll = p["thatIsAll"],
                    }),
                evenSo = true,
            }));
        }

        return id;
    }

    /// <summary>The page of this case's own copy of a piece of the demo, once it is painted and kept.</summary>
    private protected Page Opened(string path) => MapPage.Opened(Workshop, Own(path));

    public virtual void Dispose()
    {
        using var client = Workshop.Client;
        foreach (var id in copies.Values)
        {
            client.DeleteAsync($"api/pieces/{id}").GetAwaiter().GetResult().Dispose();
        }

        GC.SuppressFinalize(this);
    }

    private static JsonNode Read(Task<HttpResponseMessage> asked)
    {
        using var answer = asked.GetAwaiter().GetResult();
        var text = answer.Content.ReadAsStringAsync().GetAwaiter().GetResult();
        Assert.True(answer.IsSuccessStatusCode, text);
        return JsonNode.Parse(text)!;
    }
}
