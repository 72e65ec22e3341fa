using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Documents of every demo piece, spoilt at random in several places at once: none is answered by a fault,
/// none takes long.</summary>
public sealed class FuzzTests : IDisposable
{
    private const int Usual = 500;

    private static readonly string[] Values =
    [
        "null", "true", "\"\"", "\"x\"", "\"\\u0000\"", "[]", "{}", "[[]]", "-1", "0", "1e-12", "0.5", "1", "2", "3",
        "7", "60", "61", "399", "1000", "50000000",
        "-1e9", "1e9", "1e308", "-1e400", "1e999", "2147483647", "-2147483648", "\"9999-12-31T23:59:59\"",
        "\"#000000\"", "\"heart\"", "\"vein\"", "\"wall\"", "\"kept\"", "\"cup-1\"",
    ];

    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    /// <summary>MOSS_LANTERN_FUZZ asks for more documents, such as 20000, and MOSS_LANTERN_FUZZ_SEED for others.</summary>
    [Fact]
    public async Task Spoilt_documents_are_refused_in_words_or_worked_out()
    {
        var documents = Asked("MOSS_LANTERN_FUZZ") ?? Usual;
        var seed = Asked("MOSS_LANTERN_FUZZ_SEED") ?? 20261127;
        var pieces = new List<(string Id, JsonObject Piece)>();
        foreach (var shown in await host.List("/api/pieces"))
        {
            var view = await host.Get($"/api/pieces/{shown!["id"]}");
            pieces.Add(((string)view["id"]!, view["piece"]!.AsObject()));
        }

        var (slowest, what) = (TimeSpan.Zero, "");
        var (taken, most) = (0, 0L);
        for (var i = 0; i < documents; i++)
        {
            var random = new Random(seed + i);
            var (id, piece) = pieces[i % pieces.Count];
            var spoilt = piece.DeepClone().AsObject();
            var done = string.Join("; ", Enumerable.Range(0, random.Next(1, 4)).Select(_ => Spoil(spoilt, random)));
            var clock = Stopwatch.StartNew();
            using var answer = await Answer(
                id, new()
                {
                    ["piece"] = spoilt,
                    ["layerId"] = null,
                    ["detail"] = i % 4 == 0 ? "full" : "draft",
                    ["numbers"] = true
                }, $"document {i} of {id}: {done}");
            var text = await answer.Content.ReadAsStringAsync();
            if (clock.Elapsed > slowest)
            {
                (slowest, what) = (clock.Elapsed, $"document {i} of {id}: {done}");
            }

            Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.BadRequest,
                $"document {i} of {id}: {done}: {(int)answer.StatusCode} {text}");
            taken += answer.StatusCode == HttpStatusCode.OK ? 1 : 0;
            most = Math.Max(most, GC.GetTotalMemory(forceFullCollection: i % 100 == 99));
        }

        TestContext.Current.SendDiagnosticMessage(
            "{0} documents, {1} of them worked out; slowest {2:0} ms ({3}); at most {4} MB held", documents, taken,
            slowest.TotalMilliseconds, what, most >> 20);
        Assert.True(taken > documents / 5, $"only {taken} were worked out");
        Assert.True(most < 1_500_000_000, $"{most >> 20} MB were held");
        Assert.True(slowest < TimeSpan.FromSeconds(10), what);
    }

    /// <summary>What is not answered at all comes here as the fault itself.</summary>
    private async Task<HttpResponseMessage> Answer(string id, JsonObject request, string what)
    {
        try
        {
            return await host.Client.PostAsync($"/api/pieces/{id}/preview", Body(request.ToJsonString()));
        }
        catch (Exception e) when (e is not Xunit.Sdk.XunitException)
        {
            throw new InvalidOperationException(what, e);
        }
    }

    private static int? Asked(string name) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), CultureInfo.InvariantCulture, out var number) ? number : null;

    /// <summary>Spoils one place: another value, one less, one more, many more, two swapped.</summary>
    private static string Spoil(JsonObject piece, Random random)
    {
        var all = Places.All(piece).Select(p => p.Place).ToList();
        var place = all[random.Next(all.Count)];
        var node = Places.At(piece, place);
        switch (random.Next(12))
        {
            case 0:
                Places.Set(piece, place, null, remove: true);
                return $"{place} taken away";
            case 1 when node is JsonArray { Count: > 0 } list:
                var times = random.Next(2) == 0 ? 1 : random.Next(2, 3000);
                var copied = list[random.Next(list.Count)];
                for (var i = 0; i < times; i++)
                {
                    list.Add(copied?.DeepClone());
                }

                return $"{place} with {times} entries more";
            case 2 when node is JsonArray { Count: > 0 } list:
                list.Clear();
                return $"{place} emptied";
            case 3:
                var other = Places.At(piece, all[random.Next(all.Count)]);
                Places.Set(piece, place, other?.DeepClone(), remove: false);
                return $"{place} swapped for another";
            case > 4:
                // Most are numbers, moved a little or a lot: such a document is often a good one.
                var numbers = all
                    .Where(p => Places.At(piece, p) is JsonValue v && v.TryGetValue<double>(out var n) && double.IsFinite(n)).ToList();
                place = numbers[random.Next(numbers.Count)];
                var was = Places.At(piece, place)!.AsValue();
                var harsh = random.Next(4) == 0;
                var factor = harsh ? Math.Pow(10, random.NextDouble() * 6 - 3) * (random.Next(5) == 0 ? -1 : 1)
                    : 0.5 + 1.5 * random.NextDouble();
                var changed = was.TryGetValue<int>(out var whole) ? Math.Round(whole * factor + random.Next(-1, 2)) : (double)was * factor;
                Places.Set(piece, place,
                    Math.Abs(changed) < 2e9 && changed == Math.Round(changed) ? (JsonNode)(int)changed : changed, remove: false);
                return string.Create(CultureInfo.InvariantCulture, $"{place} = {changed}");
            default:
                var text = Values[random.Next(Values.Length)];
                Places.Set(piece, place, JsonNode.Parse(text), remove: false);
                return $"{place} = {text}";
        }
    }
}
