namespace MossLantern.Web.Hosting;

/// <summary>
/// Bounds a piece of work by what the processor spent on it, not by the clock: what can be made is
/// not refused because other programs have the machine. What only waits ends too, later; and what takes too much memory.
/// </summary>
internal sealed class WorkBound : IDisposable
{
    /// <summary>The most that one request may work.</summary>
    public static TimeSpan MostWork { get; } = TimeSpan.FromSeconds(10);

    /// <summary>The most that one request may take, however little of the processor it was given.</summary>
    public static TimeSpan MostTime { get; } = TimeSpan.FromMinutes(2);

    /// <summary>The most memory that may be in use beyond what was when the work began, bytes.</summary>
    public const long MostBytes = 512L * 1024 * 1024;

    private static readonly TimeSpan LeastPause = TimeSpan.FromMilliseconds(100), MostPause = TimeSpan.FromMilliseconds(500);

    /// <summary>How much is counted at the moment: the processor's work is shared among them.</summary>
    private static int counting;

    private readonly CancellationTokenSource bound;
    private readonly Timer? timer;

    /// <summary>Begins to count.</summary>
    /// <param name="stop">Ends the work sooner.</param>
    /// <param name="counted">Whether the work is bounded, too, where nobody ends it.</param>
    /// <param name="mostWork">The most work, where it is other than usual.</param>
    public WorkBound(CancellationToken stop, bool counted = true, TimeSpan? mostWork = null)
    {
        bound = CancellationTokenSource.CreateLinkedTokenSource(stop);
        if (!counted)
        {
            return;
        }

        var most = mostWork ?? MostWork;
        var (began, heldBefore) = (TimeProvider.System.GetTimestamp(), GC.GetTotalMemory(false));
        var (before, worked) = (Worked, TimeSpan.Zero);
        Interlocked.Increment(ref counting);
        timer = new(_ =>
        {
            var now = Worked;
            worked += (now - before) / Math.Max(1, Volatile.Read(ref counting));
            before = now;
            if (Pause(worked, TimeProvider.System.GetElapsedTime(began), most) is { } pause && !Holds(heldBefore, MostBytes))
            {
                Again(pause);
            }
            else
            {
                End();
            }
        });
        Again(most < MostPause ? most : MostPause);
    }

    /// <summary>Ends with the work.</summary>
    public CancellationToken Token => bound.Token;

    /// <summary>Whether the work was ended.</summary>
    public bool IsOver => bound.IsCancellationRequested;

    /// <summary>How long to wait until what was worked is looked at again, or null where it was too much.</summary>
    /// <param name="worked">What the processor spent since the work began: of all that the program did, the share of this work among
    /// those that are counted.</param>
    /// <param name="passed">The time that passed since.</param>
    /// <param name="mostWork">The most that may be worked.</param>
    public static TimeSpan? Pause(TimeSpan worked, TimeSpan passed, TimeSpan mostWork)
    {
        // Two cores work off a pause twice as fast; to look a little late does no harm.
        var left = TimeSpan.FromTicks(Math.Min((mostWork - worked).Ticks, (MostTime - passed).Ticks));
        return left <= TimeSpan.Zero ? null : left < LeastPause ? LeastPause : left < MostPause ? left : MostPause;
    }

    /// <summary>Whether so much more is held than before. What only waits to be cleared up is cleared up first.</summary>
    /// <param name="before">What was held before, bytes.</param>
    /// <param name="most">How much more may be, bytes.</param>
    public static bool Holds(long before, long most) =>
        GC.GetTotalMemory(false) - before > most && GC.GetTotalMemory(true) - before > most;

    /// <inheritdoc/>
    public void Dispose()
    {
        if (timer is not null)
        {
            timer.Dispose();
            Interlocked.Decrement(ref counting);
        }

        bound.Dispose();
    }

    private static TimeSpan Worked => Environment.CpuUsage.TotalTime;

    private void Again(TimeSpan pause)
    {
        try
        {
            timer?.Change(pause, Timeout.InfiniteTimeSpan);
        }
        catch (ObjectDisposedException)
        {
            // The work was done meanwhile.
        }
    }

    private void End()
    {
        try
        {
            bound.Cancel();
        }
        catch (ObjectDisposedException)
        {
            // The work was done meanwhile.
        }
    }
}
