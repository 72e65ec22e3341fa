using MossLantern.Web.Hosting;

namespace MossLantern.Web.Tests;

/// <summary>A request is bounded by the work that it is, on a machine that has nothing else to do and on one that has.</summary>
public class WorkBoundTests
{
    [Theory]
    [InlineData(10, 10, null)]
    [InlineData(10, 6, null)]
    [InlineData(9.7, 10, 0.3)]
    [InlineData(3, 10, 0.5)]
    [InlineData(9.99, 10, 0.1)]
    [InlineData(0, 10, 0.5)]
    [InlineData(5, 119.8, 0.2)]
    [InlineData(5, 120, null)]
    public void Work_goes_on_until_it_was_worked_for_ten_seconds_or_two_minutes_have_passed(double workedS,
        double passedS, double? pauseS) =>
        Assert.Equal(pauseS is null ? null : TimeSpan.FromSeconds(pauseS.Value),
            WorkBound.Pause(TimeSpan.FromSeconds(workedS), TimeSpan.FromSeconds(passedS), WorkBound.MostWork));

    [Fact]
    public void Work_that_holds_more_than_it_may_is_told_and_what_can_be_cleared_up_does_not_count()
    {
        // More than anything beside it makes meanwhile.
        const int Held = 128 * 1024 * 1024;
        var before = GC.GetTotalMemory(true);
        _ = new byte[2 * Held].Length;
        Assert.False(WorkBound.Holds(before, Held));
        var kept = new byte[2 * Held];
        Assert.True(WorkBound.Holds(before, Held));
        GC.KeepAlive(kept);
    }

    [Fact]
    public async Task What_nobody_waits_for_ends_at_once_counted_or_not()
    {
        foreach (var counted in new[] { true, false })
        {
            using var gone = new CancellationTokenSource();
            using var bound = new WorkBound(gone.Token, counted);
            Assert.False(bound.IsOver);
            await gone.CancelAsync();
            Assert.True(bound.IsOver);
        }
    }

    [Fact]
    public async Task Work_without_an_end_is_ended_and_what_is_not_counted_goes_on()
    {
        using var counted = new WorkBound(CancellationToken.None, mostWork: TimeSpan.FromMilliseconds(200));
        using var uncounted = new WorkBound(CancellationToken.None, counted: false);
        await Task.Run(() =>
        {
            while (!counted.IsOver)
            {
                TestContext.Current.CancellationToken.ThrowIfCancellationRequested();
            }
        }, TestContext.Current.CancellationToken);
        Assert.False(uncounted.IsOver);
    }
}
