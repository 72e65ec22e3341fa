using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace MossLantern.Browser.Tests;

/// <summary>The program killed in the middle of its work, over and over.</summary>
public sealed class KillTests : IDisposable
{
    private const int Clients = 4;
    private const int UsualKills = 8;

    private readonly WorkshopProcess workshop = new(demo: false);

    public void Dispose() => workshop.Dispose();

    /// <summary>MOSS_LANTERN_KILLS asks for more kills, such as 50 or 500.</summary>
    [Fact]
    public async Task Whatever_was_acknowledged_is_there_after_every_kill()
    {
        var kills = int.TryParse(Environment.GetEnvironmentVariable("MOSS_LANTERN_KILLS"), CultureInfo.InvariantCulture,
            out var asked) ? asked : UsualKills;
        var random = new Random(7);
        var hands = new List<Hand>();
        for (var i = 0; i < Clients; i++)
        {
            hands.Add(await Hand.Begin(workshop.Client, $"piece {i}"));
        }

        var started = hands.Select(h => h.Version).Sum();
        for (var kill = 0; kill < kills; kill++)
        {
            using var client = workshop.Client;
            // Killed in the middle of its work: once all hands have saved something since the start.
            var before = hands.Select(h => h.Version).ToList();
            var work = hands.Select(h => h.SaveUntilGone(client)).ToList();
            Waiting.Until(() => work.Any(w => w.IsFaulted) || hands.Zip(before).All(h => h.First.Version > h.Second), "every hand to save");
            await Task.WhenAll(work.Where(w => w.IsFaulted));
            await Task.Delay(random.Next(1, 350));
            workshop.Kill();
            await Task.WhenAll(work);

            // The start looks through the whole file and refuses one that is not sound.
            workshop.Start();
            using var after = workshop.Client;
            foreach (var hand in hands)
            {
                await hand.Check(after, kill);
            }
        }

        var saves = hands.Select(h => h.Version).Sum() - started;
        TestContext.Current.SendDiagnosticMessage("{0} kills, {1} acknowledged saves", kills, saves);
        Assert.True(saves >= Clients * kills, $"only {saves} saves in {kills} kills");
    }

    /// <summary>Somebody who saves one piece again and again, and remembers what was acknowledged.</summary>
    private sealed class Hand(string id, JsonObject piece, int version)
    {
        private JsonObject acknowledged = piece.DeepClone().AsObject();

        public int Version { get; private set; } = version;

        public static async Task<Hand> Begin(HttpClient client, string name)
        {
            using (client)
            {
                var ground = JsonNode.Parse("""
                    { "outline": { "shape": "round", "diameterMm": 100 }, "edge": "taped-clean", "sideHeightMm": 10,
                    "colour": "#d8bd8c" }
                    """);
                using var made = await client.PostAsJsonAsync("api/pieces", new JsonObject { ["name"] = name, ["ground"] = ground });
                var view = JsonNode.Parse(await made.EnsureSuccessStatusCode().Content.ReadAsStringAsync())!;
                return new((string)view["id"]!, view["piece"]!.AsObject(), (int)view["version"]!);
            }
        }

        public async Task SaveUntilGone(HttpClient client)
        {
            try
            {
                while (true)
                {
                    var next = acknowledged.DeepClone().AsObject();
                    next["name"] = $"saved {Version}";
                    using var answer = await client
                        .PutAsJsonAsync($"api/pieces/{id}", new JsonObject { ["basedOn"] = Version, ["piece"] = next });
                    var text = await answer.Content.ReadAsStringAsync();
                    if (answer.StatusCode == HttpStatusCode.ServiceUnavailable)
                    {
                        // Others were writing for long: nothing was saved, and it is sent again.
                        continue;
                    }

                    Assert.True(answer.IsSuccessStatusCode, $"{(int)answer.StatusCode}: {text}");
                    var view = JsonNode.Parse(text)!;
                    (Version, acknowledged) = ((int)view["version"]!, view["piece"]!.AsObject().DeepClone().AsObject());
                }
            }
            catch (Exception e) when (e is HttpRequestException or IOException)
            {
                // The program is gone: what it had not answered may be kept or not.
            }
        }

        public async Task Check(HttpClient client, int kill)
        {
            var view = JsonNode.Parse(await client.GetStringAsync($"api/pieces/{id}"))!;
            var version = (int)view["version"]!;
            Assert.True(version == Version || version == Version + 1, $"kill {kill}: version {version}, acknowledged {Version}");
            if (version == Version)
            {
                Assert.True(JsonNode.DeepEquals(acknowledged, view["piece"]),
                    $"kill {kill}: version {version} is not what was acknowledged");
            }
            else
            {
                Assert.Equal($"saved {Version}", (string)view["piece"]!["name"]!);
            }

            (Version, acknowledged) = (version, view["piece"]!.AsObject().DeepClone().AsObject());
        }
    }
}
