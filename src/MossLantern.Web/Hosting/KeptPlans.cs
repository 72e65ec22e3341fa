using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Diagnostics;
using System.Threading.Channels;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Formats;

namespace MossLantern.Web.Hosting;

/// <summary>What is kept of a piece, and whether it still holds as everything stands now.</summary>
/// <param name="Head">The piece.</param>
/// <param name="Plan">What is kept; null where nothing is yet.</param>
/// <param name="Holds">Whether it was worked out of the piece as it is, in the surroundings as they are; else it is
/// being worked out anew.</param>
public sealed record Known(PieceHead Head, KeptPlan? Plan, bool Holds);

/// <summary>
/// Keeps what the shelf and the ribbon ask of every piece by its version, its journal and the surroundings: a piece that has not changed is
/// never worked out for them. What changed is worked out when it is asked for; where only the surroundings changed, in the background.
/// </summary>
public sealed class KeptPlans(PieceStore pieces, RunStore runs, KeptPlanStore store, PiecePlanner planner,
    WorkshopSurroundings around, ILogger<KeptPlans> log)
    : IDisposable
{
    /// <summary>Most whole plans that are kept in memory: those of the pieces that are being worked at.</summary>
    private const int MostPlans = 32;

    /// <summary>The plan of a piece, and what it was worked out of.</summary>
    private sealed record Whole(string Of, PiecePlan Plan);

    /// <summary>Stands for a document that cannot be read.</summary>
    public const string Unreadable = "unreadable";

    /// <summary>Stands for a document that cannot be worked out.</summary>
    public const string Unplannable = "unplannable";

    /// <summary>How long one who asks waits for pieces that have changed; the rest is worked out in the background.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1);

    /// <summary>What another build of the program worked out does not hold for this one.</summary>
    private static readonly string Build = typeof(PiecePlanner).Module.ModuleVersionId.ToString("n")[..12];

    private readonly Lazy<ConcurrentDictionary<string, KeptPlan>> kept = new(() => new(store.All()
        .Select(p => KeyValuePair.Create(p.PieceId, p))));
    private readonly Few<string, Whole> whole = new(MostPlans);
    private readonly ConcurrentDictionary<string, KeptPlan> unwritten = new();
    private readonly Channel<string> waiting = Channel.CreateUnbounded<string>(new() { SingleReader = true });
    private readonly ConcurrentDictionary<string, bool> awaited = new();

    /// <summary>Every piece on the shelf with what is kept of it.</summary>
    public ImmutableArray<Known> All()
    {
        var within = around.Now;
        var key = KeyOf(within);
        var begun = Stopwatch.GetTimestamp();
        return [.. pieces.Heads().Select(head => Of(head, within, key, Stopwatch.GetElapsedTime(begun) < Patience))];
    }

    /// <summary>Every piece on the shelf with what its document and its journal tell by themselves: its windows may be
    /// those of before.</summary>
    public ImmutableArray<Known> Documents() => [.. pieces.Heads().Select(head =>
    {
        var known = kept.Value.GetValueOrDefault(head.Id);
        return new Known(head, IsOf(known, head) ? known : Told(head), true);
    })];

    /// <summary>Keeps what was worked out of a piece just now, for whatever reason.</summary>
    /// <param name="stored">The piece.</param>
    /// <param name="logged">Its journal.</param>
    /// <param name="plan">Its plan; null where it cannot be worked out.</param>
    /// <param name="within">What it was worked out in.</param>
    public void Keep(StoredPiece stored, ImmutableArray<LoggedSitting> logged, PiecePlan? plan, Surroundings within)
    {
        ArgumentNullException.ThrowIfNull(stored);
        var of = KeyOf(stored.Version, stored.Logged, KeyOf(within));
        if (plan is not null)
        {
            whole.Keep(stored.Id, new(of, plan));
        }

        if (kept.Value.TryGetValue(stored.Id, out var known) && known.Of == of && known.Problem is null == plan is not null)
        {
            return;
        }

        Put(Worked(stored, of, logged, plan?.Layers, plan?.Sittings ?? [], plan?.Pots ?? []));
    }

    /// <summary>The plan of a piece as it was worked out last, if nothing has changed since; else null.</summary>
    public PiecePlan? PlanOf(StoredPiece stored, Surroundings within)
    {
        ArgumentNullException.ThrowIfNull(stored);
        return whole.Of(stored.Id) is { } kept && kept.Of == KeyOf(stored.Version, stored.Logged, KeyOf(within)) ? kept.Plan : null;
    }

    /// <inheritdoc/>
    public void Dispose() => whole.Dispose();

    /// <summary>Has everything renewed that does not hold any more, in the background: another build or other
    /// surroundings may have worked it out.</summary>
    public void Refresh()
    {
        foreach (var head in pieces.Heads())
        {
            Await(head.Id);
        }
    }

    /// <summary>Works out what waits, and writes what is not written yet, until the program ends.</summary>
    public async Task Renew(CancellationToken stop)
    {
        await foreach (var id in waiting.Reader.ReadAllAsync(stop))
        {
            try
            {
                if (awaited.TryRemove(id, out _) && pieces.Heads().FirstOrDefault(h => h.Id == id) is { } head)
                {
                    var within = around.Now;
                    _ = Of(head, within, KeyOf(within), now: true, surely: true);
                }

                Write();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "What is kept of piece {Id} was not renewed", id);
            }
        }
    }

    private static string KeyOf(Surroundings within) => $"{within.Key}.{Build}";

    private static string KeyOf(int version, int logged, string surroundings) => $"{version}.{logged}.{surroundings}";

    private Known Of(PieceHead head, Surroundings within, string key, bool now, bool surely = false)
    {
        var of = KeyOf(head.Version, head.Logged, key);
        var known = kept.Value.GetValueOrDefault(head.Id);
        if (known?.Of == of)
        {
            return new(head, known, true);
        }

        // What only the document told is not worked out yet.
        var changed = !IsOf(known, head) || known!.Of == KeyOf(head.Version, head.Logged, "");
        if ((changed || surely) && now)
        {
            return new(head, Put(WorkOut(head, of, within)), true);
        }

        // Until it is worked out, what its document tells by itself is known.
        Await(head.Id);
        return new(head, IsOf(known, head) ? known : Told(head), false);
    }

    /// <summary>Whether what is kept is of a piece as it is now, in whatever surroundings.</summary>
    private static bool IsOf(KeptPlan? known, PieceHead head) =>
        known?.Of.StartsWith(KeyOf(head.Version, head.Logged, ""), StringComparison.Ordinal) == true;

    private KeptPlan Told(PieceHead head) => kept.Value[head.Id] = WorkOut(head, KeyOf(head.Version, head.Logged, ""), null);

    private void Await(string id)
    {
        if (awaited.TryAdd(id, true))
        {
            waiting.Writer.TryWrite(id);
        }
    }

    private KeptPlan WorkOut(PieceHead head, string of, Surroundings? within)
    {
        var stored = default(StoredPiece);
        try
        {
            stored = pieces.Find(head.Id);
            if (stored is null)
            {
                return new(head.Id, of, 0, 0, 0, 0, null, null, [], []);
            }

            var logged = runs.Of(head.Id);
            if (within is null)
            {
                return Worked(stored, of, logged, [], [], []);
            }

            var plan = planner.Plan(stored.Piece, [.. logged.Select(PouredSitting.Of)], within);
            return Worked(stored, of, logged, plan.Layers, plan.Sittings, plan.Pots);
        }
        catch (PieceFormatException e)
        {
            log.LogError(e, "Piece {Id} cannot be read", head.Id);
            return new(head.Id, of, 0, 0, 0, 0, null, Unreadable, [], []);
        }
        catch (Exception e) when (stored is not null && e is not OperationCanceledException and not Microsoft.Data.Sqlite.SqliteException)
        {
            log.LogError(e, "Piece {Id}, version {Version}, cannot be worked out", head.Id, head.Version);
            return Worked(stored, of, runs.Of(head.Id), null, [], []);
        }
    }

    private static KeptPlan Worked(StoredPiece stored, string of, ImmutableArray<LoggedSitting> logged,
        ImmutableArray<LayerPlan>? layers, ImmutableArray<SittingPlan> sittings, ImmutableArray<PotTake> pots)
    {
        var piece = stored.Piece;
        return new(
            stored.Id, of, FootOf(piece.Ground.Whole), piece.Layers.Length,
            // Until it is worked out its logs tell what is poured: all but a pass that was added after them.
            layers is { IsEmpty: false } known ? known.Count(l => l.Done) : piece.Layers.Count(l => Logged.IsDone(piece, l, logged)),
            layers is { IsEmpty: false } begun ? begun.Count(l => l.Poured && !l.Done)
                : piece.Layers.Count(l => Logged.IsBegun(piece, l, logged)),
            // One of several castings that is poured over leaves the others on the shelf.
            piece.Ground.Old is { IsOneOfSeveral: false, PieceId: { } beneath } ? beneath : null, layers is null ? Unplannable : null,
            layers is { } all ? [.. Uncovered(piece, all, sittings).SelectMany(s => s.Windows.Select(w => new KeptWindow(
                s.SittingId, s.LayerIds[0], s.Name, s.Poured, w.Milestone, w.Age,
                s.Span!.Room.At(s.Span.Start) is { Origin: not Origin.Default } own ? own.Celsius : null, s.Poured && !s.Done)))] : [],
            pots);
    }

    /// <summary>What another layer has been poured over has no windows of its own any more; a filled hollow covers
    /// nothing and keeps its own.</summary>
    private static IEnumerable<SittingPlan> Uncovered(Piece piece, ImmutableArray<LayerPlan> layers, ImmutableArray<SittingPlan> sittings)
    {
        var open = new HashSet<string>();
        var covered = false;
        foreach (var (layer, plan) in piece.Layers.Zip(layers).Reverse())
        {
            if (layer.Within is not null)
            {
                open.Add(layer.Id);
                continue;
            }

            if (!covered)
            {
                open.Add(layer.Id);
            }

            covered |= plan.Poured;
        }

        // The newest first, as they come on the ribbon; hollows after all others.
        return sittings.Where(s => s.LayerIds.Any(open.Contains)).Reverse()
            .OrderBy(s => s.LayerIds.All(id => piece.Layers.Single(l => l.Id == id).Within is not null));
    }

    /// <summary>A slice seldom reaches the lower side of its frame.</summary>
    private static double FootOf(Outline outline) => Math.Max(0, outline.BoxHeightMm - outline.Rings.Max(r => r.Ys.ToArray().Max()));

    private KeptPlan Put(KeptPlan plan)
    {
        kept.Value[plan.PieceId] = plan;
        unwritten[plan.PieceId] = plan;
        waiting.Writer.TryWrite(plan.PieceId);
        return plan;
    }

    private void Write()
    {
        List<KeptPlan> written = [];
        foreach (var id in unwritten.Keys)
        {
            if (unwritten.TryRemove(id, out var plan))
            {
                written.Add(plan);
            }
        }

        if (written.Count > 0)
        {
            store.Keep(written);
        }
    }
}

/// <summary>Renews what is kept, beside everything else; what may have grown old while the program was away is looked
/// over in the first lull.</summary>
public sealed class Renewal(KeptPlans kept, Lull lull, StartOptions asked, ILogger<Renewal> log) : BackgroundService
{
    /// <inheritdoc/>
    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll(Task.Run(() => kept.Renew(stoppingToken), stoppingToken), asked.WarmUp ? LookOver(stoppingToken) : Task.CompletedTask);

    private async Task LookOver(CancellationToken stop)
    {
        await lull.First(stop);
        try
        {
            kept.Refresh();
        }
        catch (Microsoft.Data.Sqlite.SqliteException e)
        {
            log.LogWarning(e, "What is kept of the pieces was not looked over");
        }
    }
}
