using MossLantern.Core.Documents;
using MossLantern.Core.Edits;

namespace MossLantern.Core.Checks;

/// <summary>What helps a sitting that takes too long, or mixes too much at once.</summary>
internal static class Apart
{
    /// <summary>Jugs as they are proposed, a second cup for the later pours, or the later half of the pours in a
    /// sitting of their own; else another resin is the person's to choose.</summary>
    /// <param name="looked">What is looked at.</param>
    /// <param name="pour">The sitting.</param>
    /// <param name="cupId">The cup that is the worst of it.</param>
    public static IEnumerable<Remedy> Remedies(Looked looked, ToPour pour, string cupId)
    {
        var (id, steps) = (pour.Sitting.Id, pour.Plan.Pours);
        if (!pour.Plan.Batches.Proposed)
        {
            yield return Remedy.Of("proposed", "Mix in the suggested jugs", new ArrangeBatches(id, []));
        }

        var own = steps.Where(s => s.CupId == cupId).ToList();
        if (own.Count > 1)
        {
            var later = own.Skip((own.Count + 1) / 2).Select(s => new PourRef(s.LayerId, s.RegionId, s.Pass)).ToList();
            yield return Remedy.Of("second",
                FormattableString.Invariant(
                    $"Pour the last {later.Count} {(later.Count == 1 ? "region" : "regions")} from a second cup, mixed later"),
                new SecondCup(id, cupId, [.. later]));
        }

        // The later ones of one layer, whole.
        var layers = steps.Select(s => s.LayerId).Distinct().ToList();
        var regions = steps.Where(s => s.LayerId == layers[^1]).Select(s => s.RegionId).Distinct().ToList();
        if (regions.Count > 1 || layers.Count > 1)
        {
            var half = layers.Count > 1 ? regions : [.. regions.Skip((regions.Count + 1) / 2)];
            yield return Remedy.Of("apart",
                FormattableString.Invariant(
                    $"Pour the last {half.Count} {(half.Count == 1 ? "region" : "regions")} in a sitting of their own"),
                new PourApart(layers[^1], [.. half], null));
        }

        yield return Remedy.Ask("resin", "Choose a resin with a longer working time", PlaceIn.Sitting(id) + ".resin.system");
    }
}
