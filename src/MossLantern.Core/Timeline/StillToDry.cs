using System.Collections.Immutable;
using MossLantern.Core.Grounds;
using NodaTime;

namespace MossLantern.Core.Timeline;

/// <summary>What of a ground is still to be done and has to dry before resin comes.</summary>
/// <param name="Steps">The steps, in the order they are done.</param>
/// <param name="Ready">When the last of them is dry at the earliest: each is begun when the one before it is dry, the first now.</param>
/// <remarks>Source: docs/craft/grounds.md, Preparation.</remarks>
public sealed record StillToDry(ImmutableArray<PreparationStep> Steps, Instant Ready)
{
    /// <summary>What is still to dry; null where nothing is.</summary>
    /// <param name="steps">The list of a ground.</param>
    /// <param name="zone">The workshop's time zone.</param>
    /// <param name="now">When this is asked.</param>
    public static StillToDry? Of(ImmutableArray<PreparationStep> steps, DateTimeZone zone, Instant now)
    {
        ArgumentNullException.ThrowIfNull(zone);
        ImmutableArray<PreparationStep> open = [.. steps.Where(s => !s.Done && s.DryHours is not null)];
        if (open.IsEmpty)
        {
            return null;
        }

        var free = steps.Where(s => s.ReadyAt is not null).Select(s => zone.AtLeniently(s.ReadyAt!.Value).ToInstant()).Append(now).Max();
        return new(open, free + Duration.FromHours(open.Sum(s => s.DryHours!.Value)));
    }
}
