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

    /// <summary>A template is many sheets: given up, it stops between what is drawn on one, and nothing is written.</summary>
    [Fact]
    public async Task A_template_that_is_given_up_stops_within_a_sheet()
    {
        foreach (var (name, piece) in DemoDocuments.All.Where(d => d.Name is "sundew pair" or "bracken slice"))
        {
            var mapper = new LayerMapper();
            var layer = piece.Filled[^1];
            var shapes = RegionShapes.Of(mapper, piece, layer);
            byte[] Written() => TemplatePdf.Write(piece, layer, shapes, Paper.A4, false, Catalogue.Typical);
            Written();
            var before = Environment.CpuUsage.TotalTime;
            Assert.NotEmpty(Written());
            var whole = Environment.CpuUsage.TotalTime - before;
            using var giveUp = new CancellationTokenSource();
            var running = Task.Run(() =>
            {
                Effort.Until(giveUp.Token);
                return Written();
            });
            await giveUp.CancelAsync();
            before = Environment.CpuUsage.TotalTime;
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => running);
            var after = Environment.CpuUsage.TotalTime - before;
            Assert.True(after < whole / 2, $"{name}: {after.TotalMilliseconds:0} ms of {whole.TotalMilliseconds:0} after it was given up");
        }
    }

    /// <summary>Everything that one look at a piece asks for, nothing of it known from before.</summary>
    private static void Work(Piece piece)
    {
        var planner = new PiecePlanner(new LayerMapper());
        planner.Plan(piece, [], Surroundings.Usual(DateTimeZone.Utc));
        _ = SkiaBrush.Png(planner.Paint(piece, Catalogue.Typical, null, PaintDetail.Full), 500);
    }
}
