using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
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
            foreach (var told in new[] { Planned(pour), AtOnce(looked, pour) }.OfType<Finding>())
            {
                yield return told;
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

    /// <summary>A sitting that begins while another of the piece is still being poured.</summary>
    private Finding? AtOnce(Looked looked, ToPour pour)
    {
        if (pour.Plan.Span is not { } own || looked.Sittings.Where(s => s.SittingId != pour.Plan.SittingId && !s.Pours.IsEmpty
            && s.Span is { } span && span.Start <= own.Start && own.Start < span.End && (span.Start < own.Start || s.Poured
                || Before(s, pour.Plan))).MaxBy(s => s.Span!.End) is not { } other)
        {
            return null;
        }

        var at = PouredOver.Whole(other.Span!.End, looked.Around.Zone);
        return new(
            Id, $"clock@{pour.Sitting.Id}/at-once", Grade.Mend, "Two at once",
            $"{pour.Plan.Name} begins while {other.Name} is still being poured: one pair of hands cannot do both.", [],
            pour.At(Station.Cure),
            [Remedy.Of("later", FormattableString.Invariant($"Pour it at {at:ddd d MMM, HH:mm}"), new PourAt(pour.Sitting.Id, at))],
            Worth: (other.Span.End - own.Start).TotalMinutes);

        // Of two that begin at once the later one of the piece moves.
        bool Before(SittingPlan one, SittingPlan another) => looked.Sittings.IndexOf(one) < looked.Sittings.IndexOf(another);
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
