using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>Paint, filler or sealant that is not dry when the first resin comes.</summary>
internal sealed class WetGlueCheck : ICheck
{
    public string Id => "wet-glue";

    public IEnumerable<Finding> Look(Looked looked)
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
