using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Hosting.Internal;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Time.Testing;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Tests;

/// <summary>What can wait after a start waits until nothing is asked for, and not for ever.</summary>
public class LullTests
{
    private static readonly TimeSpan Step = TimeSpan.FromMilliseconds(100);

    private readonly FakeTimeProvider clock = new();
    private readonly ApplicationLifetime life = new(NullLogger<ApplicationLifetime>.Instance);

    /// <summary>Lets time pass until something has come, or for so long.</summary>
    private async Task<TimeSpan> Pass(Task until, TimeSpan? atMost = null)
    {
        var begun = clock.GetTimestamp();
        for (var steps = 0; !until.IsCompleted && clock.GetElapsedTime(begun) < (atMost ?? TimeSpan.MaxValue); steps++)
        {
            Assert.True(steps < 5000, "It did not come.");
            clock.Advance(Step);
            await Task.WhenAny(until, Task.Delay(2));
        }

        return clock.GetElapsedTime(begun);
    }

    [Fact]
    public async Task Nothing_has_ended_before_the_start_or_sooner_than_a_lull_after_it()
    {
        var first = new Lull(life, clock).First(CancellationToken.None);
        await Pass(first, TimeSpan.FromMinutes(1));
        Assert.False(first.IsCompleted);
        life.NotifyStarted();
        Assert.InRange(await Pass(first), TimeSpan.FromMilliseconds(800), TimeSpan.FromMinutes(5));
    }

    [Fact]
    public async Task A_lull_begins_when_the_last_answer_has_been_given()
    {
        var lull = new Lull(life, clock);
        var answer = new TaskCompletionSource();
        var asked = new Lull.Watch(_ => answer.Task, lull).InvokeAsync(new DefaultHttpContext());
        life.NotifyStarted();
        var first = lull.First(CancellationToken.None);
        await Pass(first, Lull.Patience / 2);
        Assert.False(first.IsCompleted);
        answer.SetResult();
        await asked;
        Assert.InRange(await Pass(first), TimeSpan.FromMilliseconds(800), TimeSpan.FromMinutes(5));
    }

    [Fact]
    public async Task One_who_asks_without_end_holds_nothing_up_for_ever()
    {
        var lull = new Lull(life, clock);
        _ = new Lull.Watch(_ => new TaskCompletionSource().Task, lull).InvokeAsync(new DefaultHttpContext());
        life.NotifyStarted();
        Assert.InRange(await Pass(lull.First(CancellationToken.None)), TimeSpan.FromSeconds(10), TimeSpan.FromMinutes(10));
    }

    [Fact]
    public async Task An_answer_that_fails_is_one_too()
    {
        var lull = new Lull(life, clock);
        await Assert.ThrowsAsync<InvalidOperationException>(() => new Lull.Watch(_ => throw new InvalidOperationException(), lull)
            .InvokeAsync(new DefaultHttpContext()));
        life.NotifyStarted();
        Assert.InRange(await Pass(lull.First(CancellationToken.None)), Lull.Quiet, Lull.Patience - Step);
    }
}
