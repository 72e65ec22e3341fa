using MossLantern.Core.Units;

namespace MossLantern.Core.Timeline;

/// <summary>Cuts cups in the order of their first pour into batches.</summary>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal static class Proposing
{
    /// <summary>How good a way of cutting is: the fewer batches that do not fit the better, then the fewer batches,
    /// then the more time the worst cup has in hand.</summary>
    public readonly record struct Worth(int Unfit, int Batches, double InHand) : IComparable<Worth>
    {
        public static Worth Nothing { get; } = new(0, 0, double.PositiveInfinity);

        /// <summary>With one more batch.</summary>
        public Worth And(BatchTiming run) =>
            new(Unfit + (run.Fits == Timeline.Unfit.None ? 0 : 1), Batches + 1, Math.Min(InHand, run.LeastInHand));

        public int CompareTo(Worth other) =>
            Unfit != other.Unfit ? Unfit.CompareTo(other.Unfit) : Batches != other.Batches
                ? Batches.CompareTo(other.Batches) : other.InHand.CompareTo(InHand);
    }

    /// <summary>
    /// The best way of cutting. What cannot be one batch is cut, unless it must stay together: the cups that one mixed
    /// cup is filled from do.
    /// </summary>
    /// <param name="groups">Cups that stay together, in the order of their first pour.</param>
    /// <param name="run">Works some of them out as one batch.</param>
    public static List<BatchTiming> Best(IReadOnlyList<IReadOnlyList<BatchCup>> groups, Func<IReadOnlyList<BatchCup>, BatchTiming> run)
    {
        var best = new (Worth Worth, int From, BatchTiming? Run)[groups.Count + 1];
        best[0].Worth = Worth.Nothing;
        for (var to = 1; to <= groups.Count; to++)
        {
            best[to].Worth = new(int.MaxValue, int.MaxValue, double.NegativeInfinity);
        }

        for (var from = 0; from < groups.Count; from++)
        {
            Effort.Check();
            List<BatchCup> cups = [];
            for (var to = from + 1; to <= groups.Count; to++)
            {
                cups.AddRange(groups[to - 1]);
                var batch = run([.. cups]);
                if (!batch.CanBe && to > from + 1)
                {
                    // One more cup makes it larger, later and hotter.
                    break;
                }

                var worth = best[from].Worth.And(batch);
                if (worth.CompareTo(best[to].Worth) < 0)
                {
                    best[to] = (worth, from, batch);
                }
            }
        }

        List<BatchTiming> found = [];
        for (var at = groups.Count; at > 0; at = best[at].From)
        {
            found.Insert(0, best[at].Run!);
        }

        return found;
    }
}
