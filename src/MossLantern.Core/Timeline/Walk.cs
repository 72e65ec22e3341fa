using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;

namespace MossLantern.Core.Timeline;

/// <summary>
/// One pair of hands walks through a sitting as its pours are listed, copy by copy in the turn that the artist chose. A batch is begun
/// when the pour that is listed before its first one is done; while it is mixed, stands, is divided and coloured nothing is poured.
/// </summary>
/// <remarks>Source: docs/craft/mixing.md, Batches; One colour from several batches.</remarks>
internal sealed class Walk
{
    private readonly InTurn hands;
    private readonly IReadOnlyList<BatchTiming> batches;
    private readonly double[] begun;
    private readonly double[] pouring;
    private readonly double[] done;
    private readonly double[] pouringUntil;
    private readonly double[][] poured;
    private readonly Dictionary<string, Tap> taps = [];
    private readonly List<(int Pour, ImmutableArray<Stream> Streams)> joined = [];
    private double now;
    private double pouredMinutes;

    /// <summary>Walks.</summary>
    /// <param name="hands">What is poured.</param>
    /// <param name="batches">The batches.</param>
    public Walk(InTurn hands, IReadOnlyList<BatchTiming> batches)
    {
        (this.hands, this.batches) = (hands, batches);
        (begun, pouring) = (new double[batches.Count], new double[batches.Count]);
        (done, pouringUntil) = (new double[hands.Pours.Length], new double[hands.Pours.Length]);
        Array.Fill(begun, double.NaN);
        poured = [.. batches.Select(b => Enumerable.Repeat(double.NaN, b.Cups.Count).ToArray())];
        Tapped();
        var goes = hands.CopyByCopy ? 1 : hands.Copies;
        for (var copy = goes; copy <= hands.Copies; copy++)
        {
            for (var at = 0; at < hands.Pours.Length; at++)
            {
                Pour(at, goes);
            }
        }

        // What nothing is poured from is mixed last.
        for (var b = 0; b < batches.Count; b++)
        {
            Begin(b);
        }

        EndMinutes = now;
        Batches = [.. batches.Select((b, i) =>
            b.Poured([.. poured[i].Select(end => double.IsNaN(end) ? b.ReadyMinutes : end - begun[i])]))];
    }

    /// <summary>What each cup is filled from: a part for each of its batches, in their turn.</summary>
    private void Tapped()
    {
        for (var b = 0; b < batches.Count; b++)
        {
            for (var i = 0; i < batches[b].Cups.Count; i++)
            {
                var cup = batches[b].Cups[i];
                if (!taps.TryGetValue(cup.CupId, out var tap))
                {
                    taps.Add(cup.CupId, tap = new());
                }

                tap.Left.Add((b, i));
            }
        }

        foreach (var (id, tap) in taps.Where(t => t.Value.Left.Count > 1))
        {
            tap.AllMl = hands.Copies * hands.Pours.Where(p => p.ClockOf == id).Sum(p => p.Ml);
        }
    }

    /// <summary>The part of a cup that is poured next: of a batch that is mixed already, the oldest first, else of the next one.</summary>
    private void Open(Tap tap)
    {
        var next = tap.Left.OrderBy(p => double.IsNaN(begun[p.Batch])).ThenBy(p => begun[p.Batch]).ThenBy(p => p.Batch).First();
        tap.Left.Remove(next);
        tap.Part = next;
        tap.LeftMl = tap.AllMl * batches[next.Batch].Cups[next.Cup].Percent / 100;
        Begin(next.Batch);
    }

    private void Begin(int batch)
    {
        if (double.IsNaN(begun[batch]))
        {
            (begun[batch], pouring[batch]) = (now, pouredMinutes);
            now += batches[batch].ReadyMinutes;
        }
    }

    /// <summary>Pours on a region: where what a batch filled of the cup is used up, its next one is mixed, and hands come back to the
    /// region.</summary>
    private void Pour(int at, int goes)
    {
        var pour = hands.Pours[at];
        foreach (var id in pour.FilledFrom)
        {
            if (taps.TryGetValue(id, out var filled) && filled.Part is null)
            {
                Open(filled);
            }
        }

        FirstPourMinutes ??= now;
        var visit = ImmutableArray.CreateBuilder<Stream>();
        var (leftMl, allMl) = (goes * pour.Ml, goes * pour.Ml);
        var tap = taps.GetValueOrDefault(pour.ClockOf);
        while (true)
        {
            var last = tap is null || tap.Left.Count == 0 || leftMl <= tap.LeftMl + HairMl;
            var ml = last ? leftMl : tap!.LeftMl;
            var from = now;
            var minutes = (allMl > 0 ? ml / allMl * goes * pour.Minutes : goes * pour.Minutes)
                + (visit.Count > 0 ? Pace.RegionSeconds / 60 : 0);
            (now, pouredMinutes) = (now + minutes, pouredMinutes + minutes);
            if (tap?.Part is var (batch, cup))
            {
                poured[batch][cup] = now;
                tap.LeftMl -= ml;
                visit.Add(new(batch, cup, ml, from, now));
            }

            if (last)
            {
                break;
            }

            leftMl -= ml;
            Open(tap!);
        }

        (done[at], pouringUntil[at]) = (now, pouredMinutes);
        (First, Last) = (First ?? visit.ToImmutable(), visit.ToImmutable());
        if (visit.Count > 1)
        {
            joined.Add((at, Last));
        }
    }

    /// <summary>Less than this is nothing, ml.</summary>
    private const double HairMl = 1e-6;

    /// <summary>What a cup is poured from: parts of it, one from each of its batches.</summary>
    private sealed class Tap
    {
        /// <summary>Parts that nothing was poured from yet.</summary>
        public List<(int Batch, int Cup)> Left { get; } = [];

        /// <summary>The part that is poured now; null before the first.</summary>
        public (int Batch, int Cup)? Part { get; set; }

        public double AllMl { get; set; }

        /// <summary>What is left of the part that is poured now, ml.</summary>
        public double LeftMl { get; set; }
    }

    /// <summary>The regions that were poured from several batches: what came on them from each, in turn.</summary>
    public IReadOnlyList<(int Pour, ImmutableArray<Stream> Streams)> Joined => joined;

    /// <summary>What came on what is poured first, and on what is poured last; null where nothing is poured.</summary>
    public ImmutableArray<Stream>? First { get; private set; }

    /// <inheritdoc cref="First"/>
    public ImmutableArray<Stream> Last { get; private set; } = [];

    /// <summary>The batches, with when each of their cups has been poured.</summary>
    public ImmutableArray<BatchTiming> Batches { get; }

    /// <summary>When all has been poured, min from when the first batch is begun.</summary>
    public double EndMinutes { get; }

    /// <summary>When the first pour begins, min from when the first batch is begun; null where nothing is poured.</summary>
    public double? FirstPourMinutes { get; private set; }

    /// <summary>When a batch is begun, min from the first.</summary>
    public double BegunMinutes(int batch) => begun[batch];

    /// <summary>How much of the time until then is pouring, min.</summary>
    public double PouringBefore(int batch) => pouring[batch];

    /// <summary>When a pour is done in every copy, min from when the first batch is begun.</summary>
    public double DoneMinutes(int pour) => done[pour];

    /// <summary>How much of the time until then is pouring, min.</summary>
    public double PouringUntil(int pour) => pouringUntil[pour];

    /// <summary>How good it is.</summary>
    public Worth Worth => Batches.Aggregate(Worth.Nothing, (w, b) => w.And(b));
}

/// <summary>What comes on a region from one batch.</summary>
/// <param name="Batch">Which batch.</param>
/// <param name="Cup">Which of its cups.</param>
/// <param name="Ml">How much, ml.</param>
/// <param name="FromMinutes">From when on, min from when the first batch is begun.</param>
/// <param name="ToMinutes">Until when, min from when the first batch is begun.</param>
internal readonly record struct Stream(int Batch, int Cup, double Ml, double FromMinutes, double ToMinutes);

/// <summary>A pour as hands make it, of one copy.</summary>
/// <param name="FilledFrom">The cups that are mixed before it: its own, or those that it is mixed from.</param>
/// <param name="ClockOf">The cup by whose clock it is poured: its own, or the last of those.</param>
/// <param name="Ml">How much it is, ml.</param>
/// <param name="Minutes">How long it takes, min.</param>
internal sealed record HandPour(ImmutableArray<string> FilledFrom, string ClockOf, double Ml, double Minutes);

/// <summary>What a sitting pours, as hands make it.</summary>
/// <param name="Pours">The pours as they are listed.</param>
/// <param name="Copies">For how many copies.</param>
/// <param name="CopyByCopy">Whether each copy is poured whole before the next; else each pour goes into every copy.</param>
internal sealed record InTurn(ImmutableArray<HandPour> Pours, int Copies, bool CopyByCopy)
{
    /// <summary>What a sitting pours.</summary>
    /// <param name="inOrder">The pours, in turn.</param>
    /// <param name="recipes">The recipes they are poured from.</param>
    /// <param name="copies">For how many copies.</param>
    /// <param name="copyByCopy">Whether each copy is poured whole before the next.</param>
    public static InTurn Of(ImmutableArray<RegionVolume> inOrder, IReadOnlyDictionary<string, Recipe> recipes, int copies, bool copyByCopy)
    {
        // Of what is mixed from several, the clock that counts is that of the one that is met last.
        List<string> met = [];
        foreach (var id in inOrder.SelectMany(p => FilledFrom(recipes[p.CupId])))
        {
            if (!met.Contains(id))
            {
                met.Add(id);
            }
        }

        return new(
        [
            .. inOrder.Select(p => (Pour: p, From: FilledFrom(recipes[p.CupId]))).Select(p => new HandPour(
                p.From, p.From.MaxBy(met.IndexOf)!, p.Pour.PourMl.Value / copies, Pace.Pouring(p.Pour.PourMl.Value / copies) / 60)),
        ], copies, copyByCopy);
    }

    /// <summary>How much later the last copy gets its resin than the first, of whichever pour that is most, min.</summary>
    public double ApartMinutes => Copies < 2 || Pours.IsEmpty ? 0
        : (Copies - 1) * (CopyByCopy ? Pours.Sum(p => p.Minutes) : Pours.Max(p => p.Minutes));

    private static ImmutableArray<string> FilledFrom(Recipe recipe) =>
        recipe.Of is { IsEmpty: false } of ? [.. of.Select(s => s.RecipeId)] : [recipe.Id];
}
