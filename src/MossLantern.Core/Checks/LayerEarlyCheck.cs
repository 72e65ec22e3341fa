using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A layer that is planned or logged before the one below it takes it, or is there.</summary>
internal sealed class LayerEarlyCheck : ICheck
{
    public string Id => "layer-early";

    public IEnumerable<Finding> Look(Looked looked) =>
        PouredOver.Of(looked).Select(o => Early(looked, o)).OfType<Finding>().Concat(Logged(looked)).DistinctBy(f => f.Key);

    /// <summary>What was logged early is told as long as nothing lies over it: then it can still be looked at, and the
    /// log mended.</summary>
    private IEnumerable<Finding> Logged(Looked looked)
    {
        var layers = looked.Piece.Filled.Zip(looked.Layers).Where(l => l.First.Within is null).ToList();
        var top = layers.FindLastIndex(l => l.Second.Poured);
        if (top < 1)
        {
            yield break;
        }

        var ((layer, plan), (below, under)) = (layers[top], layers[top - 1]);
        const string mend = "correct the log if the layer or the time is wrong.";
        foreach (var sitting in plan.Sittings.Where(s => s.Poured && !under.Sittings.Contains(s)))
        {
            if (!under.Poured)
            {
                yield return Told($"{layer.Name} is in the log, but {below.Name} below it is not. Log that too, or {mend}", []);
            }
            else if (under.NextLayer is { } opens && sitting.Span!.Start < opens.Opens)
            {
                var told =
                    Told($"By the log {layer.Name} was poured before {below.Name} below was ready for it, {{0}} after "
                        + $"its pour. Look for wrinkles and soft spots before anything goes over it, or {mend}",
                        [opens.OpensAfterHours]);
                yield return told with { Worth = (opens.Opens - sitting.Span.Start).TotalHours };
            }

            Finding Told(string reason, ImmutableArray<Reckoned> numbers) =>
                new(Id, $"layer-early@{sitting.SittingId}", Grade.Mind, "Poured early?", reason, numbers,
                    new(Station.Story, layer.Id, SittingId: sitting.SittingId), []);
        }
    }

    private Finding? Early(Looked looked, PouredOver over)
    {
        var (sitting, layer, below) = (over.Sitting, over.Layer, over.Below);
        if (over.Under.NextLayer is not { } opens)
        {
            return new(
                Id, $"layer-early@{sitting.Id}", Grade.Mend, "Too early",
                $"{layer.Name} has a start, but {below.Name} below it has none yet.", [],
                new(Station.Cure, layer.Id, SittingId: sitting.Id),
                [Remedy.Of("undecided", $"Leave the start of {layer.Name} open",
                    SetField.To(PlaceIn.Sitting(sitting.Id) + ".start", null), SetField.To(PlaceIn.Sitting(sitting.Id) + ".end", null))]);
        }

        return over.Plan.Span!.Start >= opens.Opens ? null : new(
            Id, $"layer-early@{sitting.Id}", Grade.Mend, "Too early",
            $"{layer.Name} is planned before {below.Name} below is ready for it: it would sink in or wrinkle.", [opens.OpensAfterHours],
            new(Station.Cure, layer.Id, SittingId: sitting.Id),
            [over.At(PouredOver.Whole(opens.Opens, looked.Around.Zone))], Worth: (opens.Opens - over.Plan.Span.Start).TotalHours);
    }
}
