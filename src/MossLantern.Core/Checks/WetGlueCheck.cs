using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>Paint, filler, sealant, a wall, a raised line or something of one's own that is not dry when the resin comes that meets it.</summary>
internal sealed class WetGlueCheck : ICheck
{
    public string Id => "wet-glue";

    public IEnumerable<Finding> Look(Looked looked) => Ground(looked).Concat(Lines(looked));

    /// <summary>Lines that are laid, and not ready when the sitting pours that they have to be ready for.</summary>
    private IEnumerable<Finding> Lines(Looked looked)
    {
        foreach (var (layer, waits, plan, start) in Waiting(looked))
        {
            if (waits.Ready is { } ready && ready > start)
            {
                yield return Wet($"wet-glue@{layer.LayerId}/{waits.Id}", layer, start, plan, ready, "Not dry yet",
                    $"{waits.What} is ready at {Clock(ready)}, but {plan.Name} starts at {Clock(start)}: "
                        + "it would cloud, creep or lift.");
            }
        }
    }

    private static Finding Wet(string key, LayerPlan layer, LocalDateTime start, SittingPlan plan, LocalDateTime ready, string title,
        string reason, double? worth = null) => new(
        "wet-glue", key, Grade.Mend, title, reason, [], new(Station.Walls, layer.LayerId),
        [Remedy.Of("later", $"Start {plan.Name} at {Clock(ready)}", new PourFromThenOn(start, ready))], Worth: worth);

    /// <summary>What a sitting with a start waits for which has not poured yet.</summary>
    private static IEnumerable<(LayerPlan Layer, Waits Waits, SittingPlan Plan, LocalDateTime Start)> Waiting(Looked looked) =>
        from layer in looked.Layers
        from waits in layer.Waits
        let at = looked.Piece.Sittings.ToList().FindIndex(s => s.Id == waits.BeforeId)
        where at >= 0 && looked.Piece.Sittings[at].Start is not null && !looked.Sittings[at].Poured && waits.Dry is not null
        select (layer, waits, looked.Sittings[at], looked.Piece.Sittings[at].Start!.Value);

    /// <summary>What is not laid yet, and cannot be ready any more when the sitting is to pour; null where they can.</summary>
    public static Finding? LinesNotBegun(Looked looked, Instant now)
    {
        var zone = looked.Around.Zone;
        foreach (var sitting in Waiting(looked).Where(w => !w.Waits.Laid).GroupBy(w => w.Plan.SittingId))
        {
            var (layer, waits, plan, start) = sitting.MaxBy(w => w.Waits.Dry!.Value);
            var (from, ready) = (zone.AtLeniently(start).ToInstant(), now + Duration.FromHours(waits.Dry!.Value));
            if (from > now && from < ready)
            {
                var whole = PouredOver.Whole(ready, zone);
                return Wet($"wet-glue@{layer.LayerId}/lines", layer, start, plan, whole, "Not dry by then",
                    $"{waits.What} is still to do. Begun now, it is ready at {Clock(whole)} at the earliest, but "
                        + $"{plan.Name} starts at {Clock(start)}.", (ready - from).TotalHours);
            }
        }

        return null;
    }

    private IEnumerable<Finding> Ground(Looked looked)
    {
        var ground = looked.Piece.Layers[0];
        if (!looked.Bare || First(looked, ground.Id) is not { } first)
        {
            yield break;
        }

        var (start, plan) = first;
        foreach (var step in looked.Ground.Preparation.Where(s => s.ReadyAt > start && s.DryHours is not null))
        {
            var ready = step.ReadyAt!.Value;
            var others = looked.Piece.Sittings.Any(s => s.Id != plan.SittingId && s.Start >= start)
                ? ", and what follows later by as much" : "";
            yield return new(
                Id, $"wet-glue@ground/{step.Id}", Grade.Mend, "Not dry yet",
                $"\"{step.What}\" is dry at {Clock(ready)}, but {plan.Name} starts at {Clock(start)}: it would cloud or lift.",
                [], new(Station.Ground, ground.Id),
                [Remedy.Of("later", $"Start at {Clock(ready)}{others}", new PourFromThenOn(start, ready))]);
        }
    }

    /// <summary>What is not even begun, and cannot be dry any more when the first resin is to come; null where it can,
    /// or that hour is past.</summary>
    public static Finding? NotBegun(Looked looked, Instant now)
    {
        var (ground, zone) = (looked.Piece.Layers[0], looked.Around.Zone);
        if (!looked.Bare || First(looked, ground.Id) is not var (start, plan)
            || StillToDry.Of(looked.Ground.Preparation, zone, now) is not { } open
            || zone.AtLeniently(start).ToInstant() is var from && (from <= now || from >= open.Ready))
        {
            return null;
        }

        var ready = PouredOver.Whole(open.Ready, zone);
        var what = string.Join(" and ", open.Steps.Select(s => $"\"{s.What}\""));
        return new(
            "wet-glue", "wet-glue@ground", Grade.Mend, "Not dry by then",
            $"{what} {(open.Steps.Length == 1 ? "is" : "are")} still to do. Begun now, that is dry at {Clock(ready)} "
                + $"at the earliest, but {plan.Name} starts at {Clock(start)}.",
            [], new(Station.Ground, ground.Id),
            [Remedy.Of("later", $"Start at {Clock(ready)}", new PourFromThenOn(start, ready))], Worth: (open.Ready - from).TotalHours);
    }

    /// <summary>The sitting that comes first of those that pour on the ground, and when; null where no start is known.</summary>
    private static (LocalDateTime Start, SittingPlan Plan)? First(Looked looked, string layerId) =>
        looked.Piece.Sittings.Zip(looked.Sittings)
            .Where(s => s.First.Start is not null && s.Second.LayerIds.Contains(layerId) && !s.Second.Pours.IsEmpty)
            .OrderBy(s => s.First.Start).Select(s => ((LocalDateTime, SittingPlan)?)(s.First.Start!.Value, s.Second)).FirstOrDefault();

    private static string Clock(LocalDateTime time) => time.ToString("ddd d MMM, HH:mm", CultureInfo.InvariantCulture);
}
