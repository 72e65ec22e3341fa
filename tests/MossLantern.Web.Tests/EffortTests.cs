using System.Diagnostics;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Units;
using MossLantern.Pictures;
using NodaTime;

namespace MossLantern.Web.Tests;

/// <summary>Work that nobody waits for any more stops soon, wherever it is given up.</summary>
public class EffortTests
{
    [Fact]
    public async Task Work_that_is_given_up_stops_soon()
    {
        var (latest, where, stopped) = (TimeSpan.Zero, "", 0);
        foreach (var (name, piece) in DemoDocuments.All)
        {
            Work(piece);
            var whole = Stopwatch.StartNew();
            Work(piece);
            whole.Stop();
            foreach (var share in new[] { 0.05, 0.3, 0.6 })
            {
                using var giveUp = new CancellationTokenSource();
                var running = Task.Run(() =>
                {
                    Effort.Until(giveUp.Token);
                    Work(piece);
                });
                await Task.WhenAny(running, Task.Delay(whole.Elapsed * share));
                // What is worked counts, not how long a busy machine takes over it.
                var before = Environment.CpuUsage.TotalTime;
                await giveUp.CancelAsync();
                try
                {
                    await running;
                }
                catch (OperationCanceledException)
                {
                    stopped++;
                    var since = Environment.CpuUsage.TotalTime - before;
                    (latest, where) = since > latest
                        ? (since, $"{name} at {share:0.0} of {whole.ElapsedMilliseconds} ms") : (latest, where);
                }
            }
        }

        TestContext.Current
            .SendDiagnosticMessage("{0} given up; the last to stop took {1:0} ms: {2}", stopped, latest.TotalMilliseconds, where);
        Assert.True(stopped > 15, $"only {stopped} were stopped");
        Assert.True(latest < TimeSpan.FromSeconds(1), $"{where} went on for {latest.TotalMilliseconds:0} ms");
    }

    /// <summary>Everything that one look at a piece asks for, nothing of it known from before.</summary>
    private static void Work(Piece piece)
    {
        var planner = new PiecePlanner(new LayerMapper());
        planner.Plan(piece, [], Surroundings.Usual(DateTimeZone.Utc));
        _ = SkiaBrush.Png(planner.Paint(piece, Catalogue.Typical, null, PaintDetail.Full), 500);
    }
}
