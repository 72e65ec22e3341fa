namespace MossLantern.Web.Hosting;

/// <summary>Knows when nothing is asked for. What can wait after a start waits for that: the first page wants the whole machine.</summary>
public sealed class Lull(IHostApplicationLifetime lifetime, TimeProvider clock)
{
    /// <summary>How long nothing is asked for in a lull: longer than a page takes from its script to its first question.</summary>
    public static readonly TimeSpan Quiet = TimeSpan.FromMilliseconds(800);

    /// <summary>A page that asks without end does not hold everything up.</summary>
    public static readonly TimeSpan Patience = TimeSpan.FromSeconds(10);

    private int asked;
    private long since = clock.GetTimestamp();

    /// <summary>Ends with the first lull after the start.</summary>
    public async Task First(CancellationToken stop)
    {
        var started = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        await using var registration = lifetime.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stop);
        Volatile.Write(ref since, clock.GetTimestamp());
        for (var begun = clock.GetTimestamp(); !IsNow && clock.GetElapsedTime(begun) < Patience;)
        {
            await Task.Delay(Quiet / 8, clock, stop);
        }
    }

    private void Answered()
    {
        Volatile.Write(ref since, clock.GetTimestamp());
        Interlocked.Decrement(ref asked);
    }

    private bool IsNow => Volatile.Read(ref asked) == 0 && clock.GetElapsedTime(Volatile.Read(ref since)) >= Quiet;

    /// <summary>Counts what is asked for and not answered yet.</summary>
    public sealed class Watch(RequestDelegate next, Lull lull)
    {
        /// <summary>Handles a request.</summary>
        public async Task InvokeAsync(HttpContext context)
        {
            Interlocked.Increment(ref lull.asked);
            try
            {
                await next(context);
            }
            finally
            {
                lull.Answered();
            }
        }
    }
}
