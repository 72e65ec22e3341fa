using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;

namespace MossLantern.Core.Timeline;

/// <summary>
/// One pair of hands walks through a sitting as its pours are listed, copy by copy in the turn that the artist chose. A batch is begun
/// when the pour that is listed before its first one is done; while it is mixed, stands, is divided and coloured nothing is poured.
/// </summary>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal sealed class Walk
{
    private readonly double[] begun;
    private readonly double[] pouring;
    private readonly double[] done;
    private readonly double[] pouringUntil;
    private readonly Dictionary<string, double> cups = [];

    /// <summary>Walks.</summary>
    /// <param name="hands">What is poured.</param>
    /// <param name="batches">The batches.</param>
    public Walk(InTurn hands, IReadOnlyList<BatchTiming> batches)
    {
        (begun, pouring) = (new double[batches.Count], new double[batches.Count]);
        (done, pouringUntil) = (new double[hands.Pours.Length], new double[hands.Pours.Length]);
        Array.Fill(begun, double.NaN);
        var from = new Dictionary<string, int>();
        for (var b = 0; b < batches.Count; b++)
        {
            foreach (var cup in batches[b].Cups)
            {
                from[cup.CupId] = b;
            }
        }

        double now = 0, poured = 0;
        var goes = hands.CopyByCopy ? 1 : hands.Copies;
        for (var at = 0; at < hands.Pours.Length; at++)
        {
            var pour = hands.Pours[at];
            foreach (var id in pour.FilledFrom)
            {
                if (from.TryGetValue(id, out var b) && double.IsNaN(begun[b]))
                {
                    (begun[b], pouring[b]) = (now, poured);
                    now += batches[b].ReadyMinutes;
                }
            }

            FirstPourMinutes = at == 0 ? now : FirstPourMinutes;
            now += goes * pour.Minutes;
            poured += goes * pour.Minutes;
            (done[at], pouringUntil[at], cups[pour.ClockOf]) = (now, poured, now);
        }

        if (hands.CopyByCopy && hands.Copies > 1)
        {
            // By the second copy all is mixed: from there on only pouring is left, and the last copy counts.
            var copy = poured;
            var (last, until) = (now + (hands.Copies - 2) * copy, 0.0);
            for (var at = 0; at < hands.Pours.Length; at++)
            {
                until += hands.Pours[at].Minutes;
                (done[at], pouringUntil[at]) = (last + until, (hands.Copies - 1) * copy + until);
                cups[hands.Pours[at].ClockOf] = done[at];
            }

            (now, poured) = (last + copy, hands.Copies * copy);
        }

        // What nothing is poured from is mixed last.
        for (var b = 0; b < batches.Count; b++)
        {
            if (double.IsNaN(begun[b]))
            {
                (begun[b], pouring[b]) = (now, poured);
                now += batches[b].ReadyMinutes;
            }
        }

        EndMinutes = now;
        Batches = [.. batches.Select((b, i) =>
            b.Poured([.. b.Cups.Select(c => cups.TryGetValue(c.CupId, out var end) ? end - begun[i] : b.ReadyMinutes)]))];
    }

    /// <summary>The batches, with when each of their cups has been poured.</summary>
    public ImmutableArray<BatchTiming> Batches { get; }

    /// <summary>When all has been poured, min from when the first batch is begun.</summary>
    public double EndMinutes { get; }

    /// <summary>When the first pour begins, min from when the first batch is begun; 0 where nothing is poured.</summary>
    public double FirstPourMinutes { get; }

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

/// <summary>A pour as hands make it, of one copy.</summary>
/// <param name="FilledFrom">The cups that are mixed before it: its own, or those that it is mixed from.</param>
/// <param name="ClockOf">The cup by whose clock it is poured: its own, or the last of those.</param>
/// <param name="Minutes">How long it takes, min.</param>
internal sealed record HandPour(ImmutableArray<string> FilledFrom, string ClockOf, double Minutes);

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
                p.From, p.From.MaxBy(met.IndexOf)!, Pace.Pouring(p.Pour.PourMl.Value / copies) / 60)),
        ], copies, copyByCopy);
    }

    /// <summary>How much later the last copy gets its resin than the first, of whichever pour that is most, min.</summary>
    public double ApartMinutes => Copies < 2 || Pours.IsEmpty ? 0
        : (Copies - 1) * (CopyByCopy ? Pours.Sum(p => p.Minutes) : Pours.Max(p => p.Minutes));

    private static ImmutableArray<string> FilledFrom(Recipe recipe) =>
        recipe.Of is { IsEmpty: false } of ? [.. of.Select(s => s.RecipeId)] : [recipe.Id];
}
