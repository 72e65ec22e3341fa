using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>A layer that is planned before the one below it takes it, or is there.</summary>
internal sealed class LayerEarlyCheck : ICheck
{
    public string Id => "layer-early";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var layers = looked.Piece.Filled.Zip(looked.Layers).Where(l => l.First.Within is null).ToList();
        foreach (var (sitting, plan) in looked.Piece.Sittings.Zip(looked.Sittings).Where(s => s.Second is { Poured: false, Pour: not null }))
        {
            // What it pours over: the layers right below those that it fills, where it does not fill them itself.
            foreach (var at in Enumerable.Range(1, Math.Max(0, layers.Count - 1)).Where(i => layers[i].Second.Sittings.Contains(plan) && !layers[i - 1].Second.Sittings.Contains(plan)))
            {
                if (Early(looked, sitting, plan, layers[at].First, layers[at - 1].First, layers[at - 1].Second) is { } finding)
                {
                    yield return finding;
                    break;
                }
            }
        }
    }

    private Finding? Early(Looked looked, Sitting sitting, SittingPlan plan, FilledLayer layer, FilledLayer below, LayerPlan under)
    {
        if (under.NextLayer is not { } opens)
        {
            return new(
                Id, $"layer-early@{sitting.Id}", Grade.Mend, "Too early",
                $"{layer.Name} is planned, and nobody has said when {below.Name} below it is poured.", [],
                new("cure", layer.Id), [Remedy.OnSitting("undecided", $"Leave open when {layer.Name} is poured", sitting.Id, s => s with { Start = null, End = null })]);
        }

        if (plan.Pour!.Start >= opens.Opens)
        {
            return null;
        }

        var at = Whole(opens.Opens, looked.Around.Zone);
        return new(
            Id, $"layer-early@{sitting.Id}", Grade.Mend, "Too early",
            $"{layer.Name} is planned before {below.Name} below it takes it: it would sink in or wrinkle.", [opens.OpensAfterHours],
            new("cure", layer.Id), [Remedy.OnSitting("later", FormattableString.Invariant($"Pour it at {at:ddd d MMM, HH:mm}"), sitting.Id, s => s.At(s.Plan.MovedTo(at)))]);
    }

    /// <summary>The next full five minutes.</summary>
    private static LocalDateTime Whole(Instant at, DateTimeZone zone)
    {
        var local = at.InZone(zone).LocalDateTime;
        var over = local.Minute % 5 * 60 + local.Second;
        return over == 0 && local.NanosecondOfSecond == 0 ? local : local.PlusSeconds(300 - over).PlusNanoseconds(-local.NanosecondOfSecond);
    }
}
