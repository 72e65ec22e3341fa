using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Pouring;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>More lines than there is room for between the rim and the middle.</summary>
internal sealed class RimRoomCheck : ICheck
{
    /// <summary>What is left for the clear that pushes them out, as a share of the room.</summary>
    private const double PushShare = 0.1;

    /// <summary>What is narrowed is narrowed a hair more, so that rounding does not ask for it again.</summary>
    private const double HairLess = 0.995;

    public string Id => "rim-room";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var part in LaidOut.All(looked).Where(p => p.Of.Layout is StripesLayout))
        {
            var layer = part.Of;

            // A zone of which nothing is left to pour has no numbers.
            if (part.Plan.Facts.FirstOrDefault(f => f.Id == part.Prefix + LayoutFacts.RimRoom)?.Number is not { } room
                || part.Plan.Facts.Single(f => f.Id == part.Prefix + LayoutFacts.StripesNeed).Number is not { } need
                || need.Value <= room.Value * (1 - PushShare))
            {
                continue;
            }

            var factor = room.Value * (1 - PushShare) / need.Value * HairLess;
            var widths = ((BandedLayout)layer.Layout).BandWidthsMm();
            var keep = layer.Bands.Length;
            for (var sum = 0.0; keep > 1 && sum + widths[keep - 1] <= room.Value * (1 - PushShare); keep--)
            {
                sum += widths[keep - 1];
            }

            var fill = layer.Bands.TakeWhile(b => !b.FillsRest).Count();
            yield return new(
                Id, $"rim-room@{part.Key}", Grade.Mend, "No room for all the stripes",
                "The stripes need {0}, but at the narrowest place there are {1} from the rim to the middle, less a "
                    + "tenth for the clear that pushes them out.",
                [need, room],
                new(Station.Map, part.Layer.Id),
                [
                    .. layer.Bands.All(b => b.FillsRest || b.WidthMm * factor >= Accepted.BandMm.From)
                        ? [Remedy.Of("narrow", "Make every stripe narrower",
                            [
                                .. layer.Bands.Where(b => !b.FillsRest)
                                    .Select(b => SetField.To($"{layer.LaidOutPlace}.layout.bands[{b.Id}].widthMm",
                                        Math.Floor(b.WidthMm * factor * 100) / 100)),
                            ])]
                        : Array.Empty<Remedy>(),
                    .. fill == 0 && keep < layer.Bands.Length
                        ? [Remedy.Of("fewer", FormattableString.Invariant($"Leave out the innermost {keep - 1}"),
                            [.. layer.Bands.Skip(1).Take(keep - 1).Select(b => new LeaveBandOut(part.Layer.Id, part.ZoneId, b.Id))])]
                        : Array.Empty<Remedy>(),
                ]);
        }
    }
}
