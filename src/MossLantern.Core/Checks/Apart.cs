using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Checks;

/// <summary>What helps a sitting that takes too long, or mixes too much at once.</summary>
internal static class Apart
{
    /// <summary>Jugs as they are proposed, a second cup for the later pours, or the later half of the pours in a
    /// sitting of their own, as far as they help; and another resin, which is the person's to choose.</summary>
    /// <param name="looked">What is looked at.</param>
    /// <param name="pour">The sitting.</param>
    /// <param name="cupId">The cup that is the worst of it.</param>
    /// <param name="isWrong">What is wrong about a cup.</param>
    public static IEnumerable<Remedy> Remedies(Looked looked, ToPour pour, string cupId, Func<CupClock, bool> isWrong)
    {
        foreach (var remedy in Ways(pour, cupId).Where(r => Clears(looked, pour, r, isWrong)))
        {
            yield return remedy;
        }

        yield return Remedy.Ask("resin", "Choose a resin with a longer working time", PlaceIn.Sitting(pour.Sitting.Id) + ".resin.system");
    }

    private static IEnumerable<Remedy> Ways(ToPour pour, string cupId)
    {
        var (id, steps) = (pour.Sitting.Id, pour.Plan.Pours);
        var proposed = pour.Plan.Batches.Proposed ? null : new ArrangeBatches(id, []);
        if (proposed is not null)
        {
            yield return Remedy.Of("proposed", "Mix in the suggested jugs", proposed);
        }

        if (Later(pour, cupId) is { IsEmpty: false } later)
        {
            var regions = Last(later.Length);
            var second = new SecondCup(id, cupId, later);
            yield return Remedy.Of("second", $"Pour {regions} from a second cup, mixed later", second);
            if (proposed is not null)
            {
                yield return Remedy.Of("second-proposed", $"Pour {regions} from a second cup, in the suggested jugs", proposed, second);
            }
        }

        // The later ones of one layer, whole.
        var layers = steps.Select(s => s.LayerId).Distinct().ToList();
        var own = steps.Where(s => s.LayerId == layers[^1]).Select(s => s.RegionId).Distinct().ToList();
        if (own.Count > 1 || layers.Count > 1)
        {
            var half = layers.Count > 1 ? own : [.. own.Skip((own.Count + 1) / 2)];
            yield return Remedy.Of("apart",
                half.Count == 1 ? "Pour the last region in a sitting of its own" : $"Pour {Last(half.Count)} in a sitting of their own",
                new PourApart(layers[^1], [.. half], null));
        }
    }

    private static string Last(int regions) =>
        regions == 1 ? "the last region" : FormattableString.Invariant($"the last {regions} regions");

    /// <summary>The pours of a cup that come too late for it; the later half of them where all do, or none does.</summary>
    private static ImmutableArray<PourRef> Later(ToPour pour, string cupId)
    {
        var batches = pour.Plan.Batches;
        var (batch, cup) = batches.All.SelectMany(b => b.Cups.Select(c => (Batch: b, Cup: c))).Where(b => b.Cup.CupId == cupId)
            .MinBy(b => b.Cup.InHandMinutes.Value);
        var inTime = batch.StartMinutes.Value + cup.WorkingMinutes.Value - BatchTiming.InHandMinutes;
        var own = pour.Plan.Pours.Zip(batches.PouredMinutes).Where(p => p.First.CupId == cupId).ToList();
        var late = own.Where(p => p.Second.Value > inTime).ToList();
        return [.. (late.Count > 0 && late.Count < own.Count ? late : own.Skip((own.Count + 1) / 2))
            .Select(p => new PourRef(p.First.LayerId, p.First.RegionId, p.First.Pass))];
    }

    private static bool Clears(Looked looked, ToPour pour, Remedy remedy, Func<CupClock, bool> isWrong) =>
        looked.Trials is not { } trials || (trials.Of(remedy) is { } after
            && !after.Where(s => s.SittingId == pour.Sitting.Id || looked.Sittings.All(b => b.SittingId != s.SittingId))
                .SelectMany(s => s.Batches.All).SelectMany(b => b.Cups).Any(isWrong));
}
