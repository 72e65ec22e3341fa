using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A pour that ends after its cup's working time.</summary>
internal sealed class ClockCheck : ICheck
{
    public string Id => "clock";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var pour in ToPour.Of(looked))
        {
            if (Planned(pour) is { } planned)
            {
                yield return planned;
            }

            if (pour.Plan.Batches.All.SelectMany(b => b.Cups).MinBy(c => c.InHandMinutes.Value) is not { } cup
                || cup.InHandMinutes.Value >= 0)
            {
                continue;
            }

            var name = looked.Piece.Recipes.Single(r => r.Id == cup.CupId).Name;
            yield return new(
                Id, $"clock@{pour.Sitting.Id}", Grade.Mend, "Too late",
                $"The last of {name} is poured {{0}} after mixing, but it works for only {{1}}: by then it strings and leaves holes.",
                [cup.PouredMinutes, cup.WorkingMinutes],
                pour.At(Station.Cups, cup.CupId), [.. Apart.Remedies(looked, pour, cup.CupId, c => c.InHandMinutes.Value < 0)],
                Worth: -cup.InHandMinutes.Value);
        }
    }

    /// <summary>A pour that is planned to last longer than all of its batches work, one after the other.</summary>
    private Finding? Planned(ToPour pour)
    {
        if (pour.Sitting is not { Start: not null, End: not null } || pour.Plan.Span is not { } times)
        {
            return null;
        }

        var (lasts, works) = ((times.End - times.Start).TotalMinutes,
            pour.Plan.Batches.All.Sum(b => b.Cups.Select(c => c.WorkingMinutes.Value).DefaultIfEmpty(0).Max()));
        return lasts <= works ? null : new(
            Id, $"clock@{pour.Sitting.Id}/planned", Grade.Mend, "Pours too long",
            $"{pour.Plan.Name} is planned to take {{0}} to pour, but what is mixed for it works for only {{1}}.",
            [
                Reckoned.Of(lasts, "min", Formulas.Stated,
                    new ReckonedInput("planned", lasts, "min", Origin.Own, PlaceIn.Sitting(pour.Sitting.Id) + ".end")),
                Reckoned.Of(works, "min", Formulas.Stated, new ReckonedInput("batch after batch", works, "min", Origin.Reckoned)),
            ],
            pour.At(Station.Cure),
            [
                Remedy.Set("shorter", "Leave its end open", PlaceIn.Sitting(pour.Sitting.Id) + ".end", null),
                Remedy.Ask("end", "Set when it ends", PlaceIn.Sitting(pour.Sitting.Id) + ".end"),
            ], Worth: lasts - works);
    }
}
