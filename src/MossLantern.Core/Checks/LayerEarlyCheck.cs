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
        (FilledLayer Layer, LayerPlan Plan)? below = null;
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => l.First.Within is null))
        {
            if (below is { } under && !plan.Poured && plan.Pour is { } pour)
            {
                var opens = under.Plan.Windows.FirstOrDefault(w => w.Milestone == Milestone.NextLayer)?.Opens;
                if (opens is null)
                {
                    yield return new(
                        Id, $"layer-early@{layer.Id}", Grade.Mend, "Too early",
                        $"{layer.Name} is planned, and nobody has said when {under.Layer.Name} below it is poured.", [],
                        new("cure", layer.Id), [Remedy.OnLayer("undecided", $"Leave open when {layer.Name} is poured", layer.Id, l => l with { Plan = l.Plan with { Start = null, End = null } })]);
                }
                else if (pour.Start < opens)
                {
                    var at = Whole(opens.Value, looked.Around.Zone);
                    yield return new(
                        Id, $"layer-early@{layer.Id}", Grade.Mend, "Too early",
                        $"{layer.Name} is planned before {under.Layer.Name} below it takes it: it would sink in or wrinkle.", [under.Plan.Windows.First(w => w.Milestone == Milestone.NextLayer).OpensAfterHours],
                        new("cure", layer.Id), [Remedy.OnLayer("later", FormattableString.Invariant($"Pour it at {at:ddd d MMM, HH:mm}"), layer.Id, l => l with { Plan = Moved(l.Plan, at) })]);
                }
            }

            below = (layer, plan);
        }
    }

    /// <summary>The next full five minutes.</summary>
    private static LocalDateTime Whole(Instant at, DateTimeZone zone)
    {
        var local = at.InZone(zone).LocalDateTime;
        var over = local.Minute % 5 * 60 + local.Second;
        return over == 0 && local.NanosecondOfSecond == 0 ? local : local.PlusSeconds(300 - over).PlusNanoseconds(-local.NanosecondOfSecond);
    }

    private static PourTimes Moved(PourTimes plan, LocalDateTime to) =>
        plan with { Start = to, End = plan is { Start: { } from, End: { } end } ? to + (end - from) : null };
}
