using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A layer or a pass that is planned after what it lies on takes it without sanding.</summary>
internal sealed class RecoatClosedCheck : ICheck
{
    public string Id => "recoat-closed";

    public IEnumerable<Finding> Look(Looked looked) => PouredOver.Of(looked, poured: false).Where(o => !o.Hollow)
        .Select(o => Late(looked, o)).OfType<Finding>().DistinctBy(f => f.Key);

    private Finding? Late(Looked looked, PouredOver over)
    {
        if (over.Sitting.SandFirst || over.Opens is not { Closes: { } closes } window
            || over.Plan.Span!.Start is var start && start < closes)
        {
            return null;
        }

        var at = PouredOver.Whole(window.Opens, looked.Around.Zone);
        return new(
            Id, $"recoat-closed@{over.Sitting.Id}", Grade.Mend, "No bond",
            $"{over.What} is planned {{0}} after the recoat window of {over.Below} has closed: without sanding it will not bond.",
            [Reckoned.Of((start - closes).TotalHours, "h", Formulas.Stated,
                new ReckonedInput("after the window", (start - closes).TotalHours, "h", Origin.Reckoned))],
            new(Station.Cure, over.Layer.Id, SittingId: over.Plan.SittingId),
            [
                Remedy.Set("sand", "Sand and wipe it first", PlaceIn.Sitting(over.Sitting.Id) + ".sandFirst", true),
                .. window.Opens < closes && at.InZoneLeniently(looked.Around.Zone).ToInstant() < closes
                    && !over.IsUnderPoured ? [over.At(at)] : Array.Empty<Remedy>(),
            ], Worth: (start - closes).TotalHours);
    }
}
