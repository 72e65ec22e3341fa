using System.Text.Json.Nodes;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Tests;

/// <summary>Every operation says what it is called, what it does and how it can refuse; and the index under /api tells them all.</summary>
public sealed class OperationTests : IDisposable
{
    private readonly TestHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task Every_operation_is_described_and_told_under_api()
    {
        var paths = (await host.Get("/openapi/v1.json"))["paths"]!.AsObject();
        var there = paths.SelectMany(p => p.Value!.AsObject()
            .Select(m => (Method: m.Key.ToUpperInvariant(), Path: Operations.Told(p.Key), Told: m.Value!))).ToList();
        Assert.Equal(Operations.All.Select(o => $"{o.Method} {o.Path}").Order(StringComparer.Ordinal),
            there.Select(o => $"{o.Method} {o.Path}").Order(StringComparer.Ordinal));
        Assert.Equal(there.Count, there.Select(o => (string)o.Told["operationId"]!).Distinct().Count());
        Assert.All(there, o => Assert.EndsWith(".", (string)o.Told["summary"]!, StringComparison.Ordinal));
        foreach (var (method, path, told) in there)
        {
            var known = Operations.All.Single(o => o.Method == method && o.Path == path);
            Assert.Subset(told["responses"]!.AsObject().Select(r => r.Key).ToHashSet(), known.Problems.Select(p => $"{p}").ToHashSet());
        }

        var index = await host.List("/api");
        Assert.Equal(Operations.All.Select(o => o.Id), index.Select(o => (string)o!["id"]!));
    }

    /// <summary>What names a thing that is not there is answered as it says it would be.</summary>
    [Fact]
    public async Task What_is_not_there_is_a_problem_that_was_announced()
    {
        foreach (var operation in Operations.All.Where(o => o.Method == "GET" && o.Path.Contains("{id}", StringComparison.Ordinal)))
        {
            using var answer = await host.Client.GetAsync(operation.Path.Replace("{id}", "nowhere", StringComparison.Ordinal));
            Assert.True(operation.Problems.Contains((int)answer.StatusCode), $"{operation.Id}: {answer.StatusCode}");
            Assert.NotNull(JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["title"]);
        }
    }
}
