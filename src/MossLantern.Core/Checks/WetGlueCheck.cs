using System.Globalization;
using MossLantern.Core.Documents;
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
            var others = looked.Piece.Sittings.Any(s => s.Id != plan.SittingId && s.Start >= start) ? ", and what follows as much later" : "";
            yield return new(
                Id, $"wet-glue@ground/{step.Id}", Grade.Mend, "Not dry yet",
                $"\"{step.What}\" is dry at {Clock(ready)}, and {plan.Name} starts at {Clock(start)}: it clouds or lifts.",
                [], new("ground", ground.Id),
                [Remedy.Change("later", $"Start at {Clock(ready)}{others}", piece => Later(piece, start, ready))]);
        }
    }

    /// <summary>The sitting that comes first of those that pour on the ground, and when; null where no start is known.</summary>
    private static (LocalDateTime Start, SittingPlan Plan)? First(Looked looked, string layerId) =>
        looked.Piece.Sittings.Zip(looked.Sittings)
            .Where(s => s.First.Start is not null && s.Second.LayerIds.Contains(layerId) && !s.Second.Steps.IsEmpty)
            .OrderBy(s => s.First.Start).Select(s => ((LocalDateTime, SittingPlan)?)(s.First.Start!.Value, s.Second)).FirstOrDefault();

    /// <summary>The piece with everything from a moment on as much later as brings that moment to another.</summary>
    private static Piece Later(Piece piece, LocalDateTime from, LocalDateTime to)
    {
        var by = Period.Between(from, to, PeriodUnits.Days | PeriodUnits.AllTimeUnits);
        return piece with { Sittings = [.. piece.Sittings.Select(s => s.Start >= from ? s.At(s.Plan.MovedTo(s.Start.Value + by)) : s)] };
    }

    private static string Clock(LocalDateTime time) => time.ToString("ddd d MMM, HH:mm", CultureInfo.InvariantCulture);
}
