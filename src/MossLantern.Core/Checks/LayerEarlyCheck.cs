using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A layer or a pass that is planned or logged before what it lies on takes it, or is there.</summary>
internal sealed class LayerEarlyCheck : ICheck
{
    public string Id => "layer-early";

    public IEnumerable<Finding> Look(Looked looked) =>
        PouredOver.Of(looked, poured: false).Select(o => Early(looked, o)).OfType<Finding>()
            .Concat(PouredOver.Of(looked, poured: true).Where(o => IsOnTop(looked, o)).SelectMany(Logged))
            .Concat(Castings(looked)).DistinctBy(f => f.Key);

    /// <summary>The next casting comes when the last is out of the mould: what is planned after a log is planned of that.</summary>
    private IEnumerable<Finding> Castings(Looked looked)
    {
        foreach (var (sitting, plan) in looked.Piece.Sittings.Zip(looked.Sittings).Where(s => s.Second is { Done: true, CopiesLeft: > 0 }))
        {
            if (plan.Demould is { } leaves && PourMoments.StartOf(sitting, null, looked.Around) is { } start && start > plan.Span!.Start
                && start < leaves.Opens)
            {
                var at = PouredOver.Whole(leaves.Opens, looked.Around.Zone);
                yield return new(
                    Id, $"layer-early@{sitting.Id}/next", Grade.Mend, "Mould still full",
                    $"The next casting of {plan.Name} is planned before the last is out of the mould, {{0}} after it was poured.",
                    [leaves.OpensAfterHours], new(Station.Cure, plan.LayerIds[0], SittingId: sitting.Id),
                    [Remedy.Of("later", FormattableString.Invariant($"Pour it at {at:ddd d MMM, HH:mm}"), new PourAt(sitting.Id, at))],
                    Worth: (leaves.Opens - start).TotalHours);
            }
        }
    }

    /// <summary>What was logged early is told as long as nothing lies over it: then it can still be looked at, and the
    /// log mended.</summary>
    private static bool IsOnTop(Looked looked, PouredOver over) => looked.Piece.Layers.SkipWhile(l => l.Id != over.Layer.Id).Skip(1)
        .Where(l => l.Within == over.Layer.Within).All(l => !looked.Layers.Single(p => p.LayerId == l.Id).Poured);

    private IEnumerable<Finding> Logged(PouredOver over)
    {
        const string mend = "correct the log if the layer or the time is wrong.";
        var key = $"layer-early@{over.Sitting.Id}";
        var at = new FindingPin(Station.Story, over.Layer.Id, SittingId: over.Sitting.Id);
        var start = over.Plan.Span!.Start;
        if (!over.IsUnderPoured)
        {
            yield return new(Id, key, Grade.Mind, "Poured early?",
                over.Hollow ? $"{over.What} is in the log, but what stands round its hollow is not. Log that too, or {mend}"
                    : $"{over.What} is in the log, but {over.Below} it is not. Log that too, or {mend}", [], at, []);
        }
        else if (over.Opens is { } opens && start < opens.Opens && !over.IsWetInWet)
        {
            yield return new(Id, key, Grade.Mind, "Poured early?",
                over.Hollow ? $"By the log {over.What} was poured before {over.Below}: that takes {{0}} after its pour. "
                        + $"Look for leaks into the hollow's walls, or {mend}"
                    : $"By the log {over.What} was poured before {over.Below} was ready for it, {{0}} after "
                        + $"its pour. Look for wrinkles and soft spots before anything goes over it, or {mend}",
                [opens.OpensAfterHours], at, [], Worth: (opens.Opens - start).TotalHours);
        }
    }

    private Finding? Early(Looked looked, PouredOver over)
    {
        var (sitting, layer) = (over.Sitting, over.Layer);
        var key = $"layer-early@{sitting.Id}";
        var at = new FindingPin(Station.Cure, layer.Id, SittingId: sitting.Id);
        var undecided = Remedy.Of("undecided", $"Leave the start of {over.Plan.Name} open",
            SetField.To(PlaceIn.Sitting(sitting.Id) + ".start", null), SetField.To(PlaceIn.Sitting(sitting.Id) + ".end", null));
        if (over.Opens is not { } opens)
        {
            return new(
                Id, key, Grade.Mend, "Too early",
                over.Hollow ? $"{over.What} has a start, but what stands round its hollow has none yet."
                    : $"{over.What} has a start, but {over.Below} it has none yet.", [], at, [undecided]);
        }

        var start = over.Plan.Span!.Start;
        if (start >= opens.Opens)
        {
            // What was begun may be poured to its end at any time, so its windows say nothing of that.
            var left = over.Under.Where(s => s.Poured).SelectMany(s => s.OpenIn(over.BelowId)).Distinct().Count();
            return left == 0 ? null : new(
                Id, key, Grade.Mend, "Not all below is poured",
                $"{over.What} has a start, but by the log {(left == 1 ? "a region" : $"{left} regions")} of "
                    + $"{looked.Piece.Layers.Single(l => l.Id == over.BelowId).Name} {(left == 1 ? "is" : "are")} not poured yet.",
                [], at, [undecided]);
        }

        var later = over.At(PouredOver.Whole(opens.Opens, looked.Around.Zone));
        return over.IsWetInWet
            ? new(
                Id, key, Grade.Mind, "Wet in wet",
                $"{over.What} is planned while {over.Below} is still wet: the two run into each other.", [], at, [later],
                Worth: (opens.Opens - start).TotalHours)
            : new(
                Id, key, Grade.Mend, "Too early",
                over.Hollow ? $"{over.What} is planned before {over.Below}, {{0}} after that was poured: there is no hollow to fill yet."
                    : start < over.Under.Min(s => s.Span!.Start) ? $"{over.What} is planned before {over.Below} it is poured."
                    : $"{over.What} is planned before {over.Below} is ready for it: it would sink in or wrinkle.",
                over.Hollow || start >= over.Under.Min(s => s.Span!.Start) ? [opens.OpensAfterHours] : [], at, [later],
                Worth: (opens.Opens - start).TotalHours);
    }
}
