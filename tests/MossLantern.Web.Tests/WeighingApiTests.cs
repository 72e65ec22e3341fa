using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using MossLantern.Web.StandIns;
using NodaTime;
using NodaTime.Testing;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Weighing at the bench: what was weighed is kept in the journal, once, and the scale's stand-in behaves as
/// it is steered.</summary>
public sealed class WeighingApiTests : IDisposable
{
    private const string Path = "/api/pieces/bogbean-round/sittings/layer-1/weighing";

    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    private Task<HttpResponseMessage> Post(string path, object body) => host.Client.PostAsJsonAsync(path, body);

    [Fact]
    public async Task What_is_weighed_is_kept_once_and_is_there_after_a_reload()
    {
        var view = await host.Get(Path);
        var (resin, hardener) = (view["steps"]![0]!, view["steps"]![1]!);
        Assert.Equal((0, "resin", "hardener"), ((int)view["next"]!, (string)resin["part"]!, (string)hardener["part"]!));
        var id = Guid.NewGuid();
        foreach (var _ in new[] { 1, 2 })
        {
            view = await Read(await Post(Path, new { id, stepId = (string)resin["id"]!, grams = 90.1 }), HttpStatusCode.OK);
            Assert.Equal(1, (int)view["next"]!);
        }

        Assert.Equal(90.1 / 1.16, (double)view["steps"]![1]!["target"]!["value"]!, 1e-9);
        view = await host.Get(Path);
        Assert.Equal(90.1, (double)view["steps"]![0]!["weighedG"]!);
        var judged = await Read(await Post(Path + "/judge", new { stepId = (string)hardener["id"]!, grams = 82.0 }), HttpStatusCode.OK);
        Assert.Equal(("over", Math.Round(82 * 1.16 - 90.1, 9)), ((string)judged["how"]!, Math.Round((double)judged["add"]!["value"]!, 9)));

        // Weighed anew it is what was weighed last; taken back, it is to be weighed.
        view = await Read(await Post(Path, new { id = Guid.NewGuid(), stepId = (string)resin["id"]!, grams = 95 }), HttpStatusCode.OK);
        Assert.Equal(95, (double)view["steps"]![0]!["weighedG"]!);
        await Post(Path, new { id = Guid.NewGuid(), stepId = (string)hardener["id"]!, grams = 81 });
        view = await Read(await Post(Path + "/back", new { everything = false }), HttpStatusCode.OK);
        Assert.Equal((1, null), ((int)view["next"]!, view["steps"]![1]!["weighedG"]));
        view = await Read(await Post(Path + "/back", new { everything = true }), HttpStatusCode.OK);
        Assert.Equal((0, null), ((int)view["next"]!, view["steps"]![0]!["weighedG"]));
        Assert.Equal(0, (int)(await Read(await Post(Path + "/back", new { everything = false }), HttpStatusCode.OK))["next"]!);

        // Taken back under one id it is taken back once, however often it is sent; nothing weighs less than nothing.
        foreach (var (step, grams) in new[] { (resin, 95.0), (hardener, 81.0) })
        {
            await Post(Path, new { id = Guid.NewGuid(), stepId = (string)step["id"]!, grams });
        }

        var back = Guid.NewGuid();
        foreach (var _ in new[] { 1, 2 })
        {
            var once = await Read(await Post(Path + "/back", new { everything = false, id = back }), HttpStatusCode.OK);
            Assert.Equal(1, (int)once["next"]!);
        }

        var below = await Problem(await Post(Path, new { id = Guid.NewGuid(), stepId = (string)hardener["id"]!, grams = -0.1 }),
            HttpStatusCode.BadRequest);
        Assert.Equal("What was weighed must be from 0 to 20000 g.", (string)below["errors"]!["grams"]![0]!);
        Assert.Equal("under", (string)(await Read(
            await Post(Path + "/judge", new { stepId = (string)hardener["id"]!, grams = -10 }), HttpStatusCode.OK))["how"]!);

        // What is weighed is no log of a pour.
        Assert.Empty((await host.Get("/api/pieces/bogbean-round"))["runs"]!.AsArray());
    }

    /// <summary>A batch that is being weighed keeps its cups whatever is changed; what is planned no more is told.</summary>
    [Fact]
    public async Task Jugs_stay_as_they_were_when_somebody_began_to_weigh()
    {
        const string of = "/api/pieces/bogbean-round";
        var before = await host.Get(of);
        Assert.Null(before["piece"]!["sittings"]![0]!["batches"]);
        string Cups(JsonNode view) => string.Join(' ', view["plan"]!["sittings"]![0]!["batches"]!["all"]!.AsArray()
            .Select(b => $"{b!["id"]}:{string.Join(',', b["cupIds"]!.AsArray().Select(c => (string)c!).Order())}"));
        var first = (await host.Get(Path))["steps"]![0]!;
        var view = await Read(await Post(Path, new { id = Guid.NewGuid(), stepId = (string)first["id"]!, grams = 90 }), HttpStatusCode.OK);
        Assert.True((bool)view["keepsJugs"]!);
        Assert.Empty(view["unplanned"]!.AsArray());
        var after = await host.Get(of);
        Assert.Equal(Cups(before), Cups(after));
        Assert.NotNull(after["piece"]!["sittings"]![0]!["batches"]);

        // Five times as deep other batches would be proposed: these stay.
        after = await host.Edit(after, Do("set-field", ("place", "layers[layer-1].depthMm"), ("value", 15)));
        Assert.Equal(Cups(before), Cups(after));
        Assert.Equal(90, (double)(await host.Get(Path))["steps"]![0]!["weighedG"]!);

        // Where a batch goes all the same, what stands in its jug is told.
        await host.Edit(after, Do("arrange-batches", ("sitting", "layer-1"), ("batches",
            new JsonArray([.. after["plan"]!["sittings"]![0]!["batches"]!["all"]!.AsArray().Select((b, i) => (JsonNode)new JsonObject
            {
                ["id"] = $"own-{i}",
                ["recipeIds"] = b!["cupIds"]!.DeepClone(),
            })]))));
        var told = (await host.Get(Path))["unplanned"]!.AsArray().Single()!;
        Assert.Equal(("resin of batch 1", 90), ((string)told["what"]!, (double)told["grams"]!));
    }

    /// <summary>A colour that no jug holds is mixed in several goes, kept so from the first weight on, and each mix is weighed.</summary>
    [Fact]
    public async Task Each_mix_of_a_colour_is_weighed_by_itself()
    {
        const string of = "/api/pieces/bogbean-round";
        var view = await host.Edit(await host.Get(of),
            Do("set-field", ("place", "sittings[layer-1].tools.jugMl"), ("value", 60)));
        JsonArray All(JsonNode of) => of["plan"]!["sittings"]![0]!["batches"]!["all"]!.AsArray();
        var shared = All(view).Where(b => (double)b!["cups"]![0]!["percent"]! < 100).ToList();
        Assert.True(shared.Count >= 2);
        Assert.Equal(All(view).Count, All(view).Count(b => (double)b!["mixMl"]!["value"]! <= 60));
        var steps = (await host.Get(Path))["steps"]!.AsArray();
        await Read(await Post(Path, new { id = Guid.NewGuid(), stepId = (string)steps[0]!["id"]!, grams = 20 }), HttpStatusCode.OK);
        var kept = await host.Get(of);
        var batches = kept["piece"]!["sittings"]![0]!["batches"]!.AsArray();
        Assert.Equal(shared.Select(b => (string)b!["id"]!), batches.Where(b => b!["shares"] is not null).Select(b => (string)b!["id"]!));
        Assert.Equal(All(view).Select(b => (double)b!["mixMl"]!["value"]!), All(kept).Select(b => (double)b!["mixMl"]!["value"]!));
        Assert.Equal(steps.Select(s => (string)s!["into"]!), (await host.Get(Path))["steps"]!.AsArray().Select(s => (string)s!["into"]!));
        Assert.Contains(steps, s => ((string)s!["into"]!).StartsWith("mix 2 of ", StringComparison.Ordinal));

        // Shares that are not all of a cup are told at their place.
        var wrong = batches.DeepClone().AsArray();
        wrong.First(b => b!["shares"] is not null)!["shares"]![0]!["percent"] = 20;
        var refused = await Problem(await host.TryEdit(kept, Do("arrange-batches", ("sitting", "layer-1"), ("batches", wrong))),
            HttpStatusCode.BadRequest);
        Assert.Contains("add up to 100 %", refused["errors"]!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_in_words()
    {
        var refused = await Problem(await Post(Path, new { id = Guid.NewGuid(), stepId = "nowhere", grams = 9e9 }),
            HttpStatusCode.BadRequest);
        Assert.Contains("no longer weighs that", (string)refused["errors"]!["stepId"]![0]!, StringComparison.Ordinal);
        Assert.Contains("from 0 to 20000 g", (string)refused["errors"]!["grams"]![0]!, StringComparison.Ordinal);
        foreach (var path in new[] { "/api/pieces/none/sittings/layer-1/weighing", "/api/pieces/bogbean-round/sittings/none/weighing" })
        {
            await Problem(await host.Client.GetAsync(path), HttpStatusCode.NotFound);
            await Problem(await Post(path, new { id = Guid.NewGuid(), stepId = "a", grams = 1 }), HttpStatusCode.NotFound);
            await Problem(await Post(path + "/judge", new { stepId = "a", grams = 1 }), HttpStatusCode.NotFound);
            await Problem(await Post(path + "/back", new { everything = true }), HttpStatusCode.NotFound);
        }

        var bad = await Problem(
            await host.Client.PutAsJsonAsync("/api/stand-ins/scale",
                new
                {
                    onItG = 1e9,
                    pourGPerS = 0,
                    pourToG = 0,
                    driftGPerMin = 9999,
                    leanG = 0,
                    jumpG = 0,
                    behaves = "well"
                }), HttpStatusCode.BadRequest);
        Assert.Equal(["driftGPerMin", "onItG"], bad["errors"]!.AsObject().Select(e => e.Key).Order());
    }

    [Fact]
    public async Task The_scale_speaks_over_the_one_stream_and_is_set_to_nothing()
    {
        await Read(await host.Client.PutAsJsonAsync("/api/stand-ins/scale",
            new
            {
                onItG = 31.27,
                pourGPerS = 0,
                pourToG = 0,
                driftGPerMin = 0,
                leanG = 0,
                jumpG = 0,
                behaves = "well"
            }), HttpStatusCode.OK);
        Assert.Equal(31.3, (double)(await host.Get("/api/live"))["scale"]!["grams"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await host.Client.PostAsync("/api/live/scale/tare", null)).StatusCode);
        Assert.Equal(0, (double)(await host.Get("/api/live"))["scale"]!["grams"]!);
        await Read(await host.Client.PutAsJsonAsync("/api/stand-ins/scale",
            new { onItG = 0, pourGPerS = 0, pourToG = 0, driftGPerMin = 0, leanG = 0, jumpG = 0, behaves = "dead" }), HttpStatusCode.OK);
        Assert.Null((await host.Get("/api/live"))["scale"]);
    }

    private static readonly ScaleSteering Still = new(0, 0, 0, 0, 0, 0, ScaleBehaves.Well);

    [Fact]
    public void A_scale_is_poured_on_until_its_end_drifts_and_is_leant_on()
    {
        var clock = new FakeClock(Instant.FromUtc(2026, 5, 1, 9, 0));
        var scale = new ScaleStandIn(clock) { Steering = Still with { PourGPerS = 8, PourToG = 20 } };
        double After(double seconds)
        {
            clock.Advance(Duration.FromSeconds(seconds));
            return scale.Read()!.Grams;
        }

        Assert.Equal([8, 16, 20, 20], new[] { After(1), After(1), After(1), After(60) });
        Assert.Equal(20, scale.Steering.OnItG);
        scale.Tare();
        Assert.Equal(0, After(0.1));
        scale.Steering = Still with { OnItG = 20, DriftGPerMin = 1 };
        Assert.Equal([0.5, 1], new[] { After(30), After(30) });
        scale.Steering = Still with { OnItG = 20, LeanG = 340 };
        Assert.Equal(340, After(1));
        scale.Steering = Still with { OnItG = 20, PourGPerS = -5, PourToG = 12 };
        Assert.Equal([-5, -8], new[] { After(1), After(1) });
    }

    [Fact]
    public void Its_readings_are_whole_steps_and_numbered_and_stop_when_it_stalls()
    {
        var clock = new FakeClock(Instant.FromUtc(2026, 5, 1, 9, 0));
        var scale = new ScaleStandIn(clock) { Steering = Still with { OnItG = 12.34 } };
        var first = scale.Read()!;
        Assert.Equal((12.3, 0.1), (first.Grams, first.StepG));
        Assert.Equal(first, scale.Read());
        clock.Advance(ScaleStandIn.Every);
        Assert.Equal((12.3, first.Reading + 1), (scale.Read()!.Grams, scale.Read()!.Reading));
        scale.Steering = Still with { OnItG = 50, Behaves = ScaleBehaves.Stalls };
        clock.Advance(Duration.FromSeconds(5));
        Assert.Equal((12.3, first.Reading + 1), (scale.Read()!.Grams, scale.Read()!.Reading));
        scale.Steering = Still with { OnItG = 50, JumpG = 3 };
        var jumps = Enumerable.Range(0, 200).Select(_ =>
        {
            clock.Advance(ScaleStandIn.Every);
            return scale.Read()!.Grams;
        }).ToList();
        Assert.All(jumps, g => Assert.InRange(g, 46.9, 53.1));
        Assert.True(jumps.Max() - jumps.Min() > 3);
        scale.Steering = Still with { Behaves = ScaleBehaves.Dead };
        Assert.Null(scale.Read());
    }
}
