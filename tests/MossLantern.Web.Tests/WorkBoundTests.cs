using MossLantern.Web.Hosting;

namespace MossLantern.Web.Tests;

/// <summary>A request is bounded by the work that it is, on a machine that has nothing else to do and on one that has.</summary>
public class WorkBoundTests
{
    [Theory]
    [InlineData(30, 30, null)]
    [InlineData(30, 16, null)]
    [InlineData(29, 30, 1.0)]
    [InlineData(10, 30, 20.0)]
    [InlineData(29.99, 30, 0.1)]
    [InlineData(0, 30, 30.0)]
    [InlineData(5, 119, 1.0)]
    [InlineData(5, 120, null)]
    public void Work_goes_on_until_it_was_worked_for_thirty_seconds_or_two_minutes_have_passed(double workedS,
        double passedS, double? pauseS) =>
        Assert.Equal(pauseS,
            WorkBound.Pause(TimeSpan.FromSeconds(workedS), TimeSpan.FromSeconds(passedS), WorkBound.MostWork)?.TotalSeconds);

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
