using MossLantern.Core.Documents;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Checks;

/// <summary>A layer that is planned before the one below it takes it, or is there.</summary>
internal sealed class LayerEarlyCheck : ICheck
{
    public string Id => "layer-early";

    public IEnumerable<Finding> Look(Looked looked) =>
        PouredOver.Of(looked).Select(o => Early(looked, o)).OfType<Finding>().DistinctBy(f => f.Key);

    private Finding? Early(Looked looked, PouredOver over)
    {
        var (sitting, layer, below) = (over.Sitting, over.Layer, over.Below);
        if (over.Under.NextLayer is not { } opens)
        {
            return new(
                Id, $"layer-early@{sitting.Id}", Grade.Mend, "Too early",
                $"{layer.Name} is planned, and nobody has said when {below.Name} below it is poured.", [],
                new("cure", layer.Id), [Remedy.OnSitting("undecided", $"Leave open when {layer.Name} is poured", sitting.Id, s => s with { Start = null, End = null })]);
        }

        return over.Plan.Pour!.Start >= opens.Opens ? null : new(
            Id, $"layer-early@{sitting.Id}", Grade.Mend, "Too early",
            $"{layer.Name} is planned before {below.Name} below it takes it: it would sink in or wrinkle.", [opens.OpensAfterHours],
            new("cure", layer.Id), [over.At(PouredOver.Whole(opens.Opens, looked.Around.Zone))], Worth: (opens.Opens - over.Plan.Pour.Start).TotalHours);
    }
}
