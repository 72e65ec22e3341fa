using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Timeline;

/// <summary>
/// Cuts cups in the order of their first pour into batches: first by a quick estimate, in which the cups of a batch are poured one
/// after the other; then the best of it and its neighbours are walked, pour by pour.
/// </summary>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal static class Proposing
{
    /// <summary>Most neighbours of a way of cutting that are walked.</summary>
    public const int MostNeighbours = 30;

    /// <summary>The best way of cutting, and those next to it, walked.</summary>
    /// <param name="groups">Cups that stay together, in the order of their first pour.</param>
    /// <param name="run">Works some of them out as one batch.</param>
    /// <param name="walk">Walks through batches.</param>
    public static Walk Walked(IReadOnlyList<IReadOnlyList<BatchCup>> groups, Func<IReadOnlyList<BatchCup>, BatchTiming> run,
        Func<IReadOnlyList<BatchTiming>, Walk> walk)
    {
        Dictionary<(int, int), BatchTiming> known = [];
        BatchTiming Of(int from, int to) => known.TryGetValue((from, to), out var found) ? found
            : known[(from, to)] = run([.. groups.Skip(from).Take(to - from).SelectMany(g => g)]);
        var cut = Cut(groups.Count, Of);
        return Neighbours(cut, groups.Count).Take(MostNeighbours).Prepend(cut)
            .Select(c => walk([.. Batches(c, Of)])).MinBy(w => w.Worth)!;
    }

    private static IEnumerable<BatchTiming> Batches(ImmutableArray<int> cut, Func<int, int, BatchTiming> of) =>
        cut.Zip(cut.Skip(1), of);

    /// <summary>Ways of cutting that differ in one place: a boundary moved by a cup, two batches joined, one divided.</summary>
    private static IEnumerable<ImmutableArray<int>> Neighbours(ImmutableArray<int> cut, int count)
    {
        for (var i = 1; i < cut.Length - 1; i++)
        {
            foreach (var to in new[] { cut[i] - 1, cut[i] + 1 }.Where(to => to > cut[i - 1] && to < cut[i + 1]))
            {
                yield return cut.SetItem(i, to);
            }
        }

        for (var i = 1; i < cut.Length - 1; i++)
        {
            yield return cut.RemoveAt(i);
        }

        foreach (var at in Enumerable.Range(1, Math.Max(0, count - 1)).Where(at => !cut.Contains(at)))
        {
            yield return [.. cut.Add(at).Order()];
        }
    }

    /// <summary>
    /// The best way of cutting. What cannot be one batch is cut, unless it must stay together: the cups that one mixed
    /// cup is filled from do.
    /// </summary>
    /// <param name="groups">Cups that stay together, in the order of their first pour.</param>
    /// <param name="run">Works some of them out as one batch.</param>
    public static List<BatchTiming> Best(IReadOnlyList<IReadOnlyList<BatchCup>> groups, Func<IReadOnlyList<BatchCup>, BatchTiming> run)
    {
        BatchTiming Of(int from, int to) => run([.. groups.Skip(from).Take(to - from).SelectMany(g => g)]);
        return [.. Batches(Cut(groups.Count, Of), Of)];
    }

    /// <summary>Where the best way cuts: from 0 to as many groups as there are.</summary>
    private static ImmutableArray<int> Cut(int count, Func<int, int, BatchTiming> of)
    {
        var best = new (Worth Worth, int From)[count + 1];
        best[0].Worth = Worth.Nothing;
        for (var to = 1; to <= count; to++)
        {
            best[to].Worth = Worth.None;
        }

        for (var from = 0; from < count; from++)
        {
            Effort.Check();
            for (var to = from + 1; to <= count; to++)
            {
                var batch = of(from, to);
                if (!batch.CanBe && to > from + 1)
                {
                    // One more cup makes it larger, later and hotter.
                    break;
                }

                var worth = best[from].Worth.And(batch);
                if (worth.CompareTo(best[to].Worth) < 0)
                {
                    best[to] = (worth, from);
                }
            }
        }

        List<int> cut = [count];
        while (cut[0] > 0)
        {
            cut.Insert(0, best[cut[0]].From);
        }

        return [.. cut];
    }
}
