using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>What a sitting pours over something that others poured: over the layer below, over an earlier pass, or into
/// the hollow of an insert.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Plan">What was worked out for it; its start is known.</param>
/// <param name="Layer">The layer that it pours.</param>
/// <param name="What">What it pours, in words.</param>
/// <param name="Below">What that lies on, in words.</param>
/// <param name="BelowId">The layer of that.</param>
/// <param name="Under">The sittings that pour what it lies on, without itself.</param>
/// <param name="Opens">When it may be poured; null while one of those has no start.</param>
/// <param name="Hollow">Whether it fills a hollow, which an insert leaves when what stands round it is firm.</param>
internal sealed record PouredOver(Sitting Sitting, SittingPlan Plan, FilledLayer Layer, string What, string Below,
    string BelowId, ImmutableArray<SittingPlan> Under, NextLayerWindow? Opens, bool Hollow = false)
{
    /// <summary>All that are not poured yet, and those that the journal tells of.</summary>
    /// <param name="looked">The piece.</param>
    /// <param name="poured">Which of the two.</param>
    public static IEnumerable<PouredOver> Of(Looked looked, bool poured)
    {
        foreach (var (sitting, plan) in looked.Piece.Sittings.Zip(looked.Sittings).Where(s => s.Second.Span is not null
            && s.Second.Poured == poured))
        {
            foreach (var layer in looked.Piece.Filled.Where(l => poured ? plan.HasBegun(l.Id) : plan.Pours.Any(p => p.LayerId == l.Id)))
            {
                foreach (var over in Passes(looked, sitting, plan, layer).Concat(Layers(looked, sitting, plan, layer)))
                {
                    yield return over;
                }
            }
        }
    }

    /// <summary>Whether it comes when all that it lies on is poured and none of that holds: they run into each other.</summary>
    public bool IsWetInWet => !Hollow && Plan.Span!.Start is var start
        && Under.All(s => s.Span is { } span && start >= span.End && s.Holds is { } holds && start < holds);

    /// <summary>Whether something of what it lies on was really poured.</summary>
    public bool IsUnderPoured => Under.Any(s => s.Poured);

    /// <summary>The next full five minutes.</summary>
    public static LocalDateTime Whole(Instant at, DateTimeZone zone)
    {
        var local = at.InZone(zone).LocalDateTime;
        var over = local.Minute % 5 * 60 + local.Second;
        return over == 0 && local.NanosecondOfSecond == 0 ? local
            : local.PlusSeconds(300 - over).PlusNanoseconds(-local.NanosecondOfSecond);
    }

    /// <summary>It poured at another time.</summary>
    public Remedy At(LocalDateTime to) =>
        Remedy.Of("later", FormattableString.Invariant($"Pour it at {to:ddd d MMM, HH:mm}"), new PourAt(Sitting.Id, to));

    /// <summary>Over earlier passes of the same regions, by the sitting that poured them.</summary>
    private static IEnumerable<PouredOver> Passes(Looked looked, Sitting sitting, SittingPlan plan, FilledLayer layer)
    {
        var before = looked.Sittings.TakeWhile(s => s.SittingId != plan.SittingId).Reverse().ToList();
        var over = plan.Pours.Where(p => p.LayerId == layer.Id && p.Pass == 0)
            .Select(p => (Pour: p, Under: before.FirstOrDefault(s => s.Pours.Any(o => o.Of == p.Of))))
            .Where(p => p.Under is not null).GroupBy(p => p.Under!);
        foreach (var group in over)
        {
            var names = group.Select(p => looked.Layers.Single(l => l.LayerId == layer.Id).NameOf(p.Pour.RegionId)).ToList();
            var one = names.Count == 1 ? names[0] : $"{names.Count} regions of {layer.Name}";
            yield return new(sitting, plan, layer, $"What is poured over {one}", names.Count == 1 ? "the pass below" : "the passes below",
                layer.Id, [group.Key], NextLayerWindow.Of([group.Key]));
        }
    }

    /// <summary>Over the layer below, or into a hollow; where the sitting itself pours some of that, it is poured wet in wet
    /// by plan.</summary>
    private static IEnumerable<PouredOver> Layers(Looked looked, Sitting sitting, SittingPlan plan, FilledLayer layer)
    {
        var before = looked.Piece.Filled.TakeWhile(l => l.Id != layer.Id).ToList();
        if (before.LastOrDefault(l => l.Within == layer.Within) is { } below)
        {
            var under = SittingsOnTop.Of(below.Id, looked.Sittings);
            if (!under.IsEmpty && under.All(s => s.SittingId != plan.SittingId) && IsFirst(looked, plan, layer))
            {
                yield return new(sitting, plan, layer, layer.Name, $"{below.Name} below", below.Id, under, NextLayerWindow.Of(under));
            }
        }
        else if (layer.Within is { } insert && before.LastOrDefault(l => l.Within is null) is { } body)
        {
            ImmutableArray<SittingPlan> round = [.. looked.Sittings.Where(s => s.Pours.Any(p => p.LayerId == body.Id)
                && s.SittingId != plan.SittingId)];
            if (!round.IsEmpty)
            {
                var name = looked.Piece.Ground.Mould?.Inserts?.FirstOrDefault(i => i.Id == insert)?.Name ?? "The insert";
                yield return new(sitting, plan, layer, layer.Name, $"{name} is out of {body.Name}", body.Id, round, OutAt(round), true);
            }
        }
    }

    /// <summary>Whether it pours the first pass over some region of a layer.</summary>
    private static bool IsFirst(Looked looked, SittingPlan plan, FilledLayer layer)
    {
        var before = looked.Sittings.TakeWhile(s => s.SittingId != plan.SittingId).SelectMany(s => s.Pours).Select(p => p.Of).ToHashSet();
        return plan.Pours.Any(p => p.LayerId == layer.Id && !before.Contains(p.Of));
    }

    /// <summary>When an insert comes out of what stands round it: as late as that leaves its mould.</summary>
    private static NextLayerWindow? OutAt(ImmutableArray<SittingPlan> round)
    {
        var leaves = round.Select(s => s.Demould).ToList();
        return leaves.Contains(null) || leaves.MaxBy(w => w!.Opens) is not { } last ? null : new(last.Opens, null, last.OpensAfterHours);
    }
}
