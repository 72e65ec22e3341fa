using System.Globalization;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>Paint, filler or sealant that is not dry when the first resin comes.</summary>
internal sealed class WetGlueCheck : ICheck
{
    public string Id => "wet-glue";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var layer = looked.Piece.Filled[0];
        if (!looked.Bare || layer.Plan.Start is not { } start)
        {
            yield break;
        }

        foreach (var step in looked.Ground.Preparation.Where(s => s.ReadyAt > start && s.DryHours is not null))
        {
            var ready = step.ReadyAt!.Value;
            yield return new(
                Id, $"wet-glue@ground/{step.Id}", Grade.Mend, "Not dry yet",
                $"\"{step.What}\" is dry at {Clock(ready)}, and {layer.Name} starts at {Clock(start)}: it clouds or lifts.",
                [], new("ground", layer.Id),
                [Remedy.OnLayer("later", $"Start at {Clock(ready)}", layer.Id, l => l with { Plan = Later(l.Plan, ready) })]);
        }
    }

    private static PourTimes Later(PourTimes plan, LocalDateTime start) => plan with
    {
        Start = start,
        End = plan.End is { } end && plan.Start is { } was ? start + Period.Between(was, end) : plan.End,
    };

    private static string Clock(LocalDateTime time) => time.ToString("ddd d MMM, HH:mm", CultureInfo.InvariantCulture);
}
