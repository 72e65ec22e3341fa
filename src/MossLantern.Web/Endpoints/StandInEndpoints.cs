using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Web.Hosting;
using MossLantern.Web.StandIns;

namespace MossLantern.Web.Endpoints;

/// <summary>What the devices of the bench show now.</summary>
public sealed record LiveView(LevelShows Level, ScaleShows? Scale);

/// <summary>The devices of the bench, live, and how their stand-ins are steered.</summary>
internal static class StandInEndpoints
{
    /// <summary>What a scale shows is on the page within a tenth of a second.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(40);

    /// <summary>A level is looked at so many times less often.</summary>
    private const int LevelEvery = 6;

    public static void MapStandIns(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/live", (ILevel level, IScale scale) => new LiveView(level.Read(), scale.Read()));

        // One stream for every device: a browser allows few connections to a host.
        app.MapGet("/api/live/stream", (ILevel level, IScale scale, IHostApplicationLifetime host, CancellationToken gone) =>
            TypedResults.ServerSentEvents(Stream(level, scale, host.ApplicationStopping, gone)));
        app.MapGet("/api/stand-ins/level", (LevelStandIn level) => level.Steering);
        app.MapPut("/api/stand-ins/level", Results<Ok<LevelSteering>, ProblemHttpResult> (LevelSteering to, LevelStandIn level) =>
        {
            if (LevelStandIn.Problems(to) is { Count: > 0 } problems)
            {
                return ProblemHandler.Invalid(problems);
            }

            level.Steering = to;
            return TypedResults.Ok(to);
        });
    }

    /// <summary>What is shown, each time that it changes.</summary>
    private static async IAsyncEnumerable<SseItem<LiveView>> Stream(ILevel level, IScale scale,
        CancellationToken stopping, [EnumeratorCancellation] CancellationToken gone)
    {
        using var either = CancellationTokenSource.CreateLinkedTokenSource(stopping, gone);
        using var timer = new PeriodicTimer(Every);
        LiveView? before = null;
        var levelShows = level.Read();
        for (var turn = 1; !either.IsCancellationRequested; turn++)
        {
            levelShows = turn % LevelEvery == 0 ? level.Read() : levelShows;
            var now = new LiveView(levelShows, scale.Read());
            if (now != before)
            {
                yield return new(now, "live");
                before = now;
            }

            try
            {
                await timer.WaitForNextTickAsync(either.Token);
            }
            catch (OperationCanceledException)
            {
                yield break;
            }
        }
    }
}
