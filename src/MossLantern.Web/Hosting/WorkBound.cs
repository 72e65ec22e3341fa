namespace MossLantern.Web.Hosting;

/// <summary>
/// Bounds a piece of work by what the processor spent on it, not by the clock: what can be made is
/// not refused because other programs have the machine. What only waits ends too, later.
/// </summary>
internal sealed class WorkBound : IDisposable
{
    /// <summary>The most that one request may work.</summary>
    public static TimeSpan MostWork { get; } = TimeSpan.FromSeconds(30);

    /// <summary>The most that one request may take, however little of the processor it was given.</summary>
    public static TimeSpan MostTime { get; } = TimeSpan.FromMinutes(2);

    private static readonly TimeSpan LeastPause = TimeSpan.FromMilliseconds(100);

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
        var (began, workedBefore) = (TimeProvider.System.GetTimestamp(), Worked);
        timer = new(_ =>
        {
            if (Pause(Worked - workedBefore, TimeProvider.System.GetElapsedTime(began), most) is { } pause)
            {
                Again(pause);
            }
            else
            {
                End();
            }
        });
        Again(most);
    }

    /// <summary>Ends with the work.</summary>
    public CancellationToken Token => bound.Token;

    /// <summary>Whether the work was ended.</summary>
    public bool IsOver => bound.IsCancellationRequested;

    /// <summary>How long to wait until what was worked is looked at again, or null where it was too much.</summary>
    /// <param name="worked">What the processor spent since the work began; of all of the program, so never less than on this work.</param>
    /// <param name="passed">The time that passed since.</param>
    /// <param name="mostWork">The most that may be worked.</param>
    public static TimeSpan? Pause(TimeSpan worked, TimeSpan passed, TimeSpan mostWork)
    {
        // Two cores work off a pause twice as fast; to look a little late does no harm.
        var left = TimeSpan.FromTicks(Math.Min((mostWork - worked).Ticks, (MostTime - passed).Ticks));
        return left <= TimeSpan.Zero ? null : left < LeastPause ? LeastPause : left;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        timer?.Dispose();
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
