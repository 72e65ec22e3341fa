using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Web.Hosting;
using MossLantern.Web.StandIns;

namespace MossLantern.Web.Endpoints;

/// <summary>What the devices of the bench show now.</summary>
public sealed record LiveView(LevelShows Level);

/// <summary>The devices of the bench, live, and how their stand-ins are steered.</summary>
internal static class StandInEndpoints
{
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(250);

    public static void MapStandIns(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/live", (ILevel level) => new LiveView(level.Read()));

        // One stream for every device: a browser allows few connections to a host.
        app.MapGet("/api/live/stream", (ILevel level, IHostApplicationLifetime host, CancellationToken gone) =>
            TypedResults.ServerSentEvents(Stream(level, host.ApplicationStopping, gone)));
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
    private static async IAsyncEnumerable<SseItem<LiveView>> Stream(ILevel level, CancellationToken stopping, [EnumeratorCancellation] CancellationToken gone)
    {
        using var either = CancellationTokenSource.CreateLinkedTokenSource(stopping, gone);
        using var timer = new PeriodicTimer(Every);
        LiveView? before = null;
        while (!either.IsCancellationRequested)
        {
            var now = new LiveView(level.Read());
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
