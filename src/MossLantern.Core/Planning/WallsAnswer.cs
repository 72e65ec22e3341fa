using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Planning;

/// <summary>How it stands with what holds resin back in a layer.</summary>
public enum WallsState
{
    /// <summary>All of it holds.</summary>
    Holds,

    /// <summary>Something is filled nearly to its brim, or above it.</summary>
    Full,

    /// <summary>Something runs over.</summary>
    RunsOver,

    /// <summary>Nobody has said yet how high walls are, or what they are laid of.</summary>
    Unknown,

    /// <summary>Nothing inside the rim holds it back.</summary>
    NoWalls,
}

/// <summary>Whether it holds, and from when one may pour: what a person asks at the walls of a layer.</summary>
/// <param name="State">How it stands.</param>
/// <param name="Says">That in a few words; numbers stand in as <c>{0}</c>.</param>
/// <param name="Numbers">Those numbers.</param>
/// <param name="RegionId">The pool that it is about; null where it is about all.</param>
/// <param name="PourFrom">When all that resin meets is dry; null where nothing has to dry.</param>
/// <param name="ToLay">The lines that are still to be laid first.</param>
/// <remarks>Source: docs/craft/walls.md, Does it hold.</remarks>
public sealed record WallsAnswer(
    WallsState State, string Says, ImmutableArray<Reckoned> Numbers, RegionId? RegionId, Instant? PourFrom, ImmutableArray<string> ToLay)
{
    /// <summary>Of a layer.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="plan">What was worked out for it.</param>
    /// <param name="layerId">The layer.</param>
    /// <param name="zone">The workshop's time zone.</param>
    /// <param name="now">When this is asked.</param>
    public static WallsAnswer Of(Piece piece, PiecePlan plan, string layerId, DateTimeZone zone, Instant now)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(zone);
        var layer = plan.Layers.Single(l => l.LayerId == layerId);
        var (from, toLay) = Ready(piece, plan, layer, zone, now);
        WallsAnswer Say(WallsState state, string says, RegionId? pool = null, params ReadOnlySpan<Reckoned> numbers) =>
            new(state, says, [.. numbers], pool, from, toLay);
        if (plan.Ground.Edges.FirstOrDefault(e => e.LayerId == layerId && e.RunsOver) is { } edge)
        {
            return Say(WallsState.RunsOver, $"{edge.What} runs over: {{0}} deep where it holds {{1}}", null, edge.Filled, edge.Holds);
        }

        if (layer.Holds.Where(h => h.State != PoolState.Holds).MaxBy(h => h.Gets.Value - h.Over.Value) is { } hold)
        {
            var (name, into) = (Capital(layer.NameOf(hold)), hold.Into is { } i ? $" into {layer.NameOf(i)}" : "");
            return hold.State switch
            {
                PoolState.RunsOver => Say(WallsState.RunsOver, $"{name} runs over{into}: {{0}}", hold.RegionId, hold.Spills!),
                PoolState.AboveBrim => Say(WallsState.Full, $"{name} stands above its walls: it gets {{0}}, they hold {{1}}",
                    hold.RegionId, hold.Gets, hold.Brim),
                _ => Say(WallsState.Full, $"{name} is filled nearly to the brim: {{0}} of {{1}}", hold.RegionId, hold.Gets, hold.Brim),
            };
        }

        var walls = piece.Filled.Single(l => l.Id == layerId).Filling.Lines.Where(l => l.IsBarrier).ToList();
        return walls.Any(w => w.Class is null || w.Section.HeightMm is null)
                ? Say(WallsState.Unknown, "Say of what the walls are, and how high: then it is known whether they hold")
            : walls.Count > 0 && layer.Holds.IsEmpty ? Say(WallsState.NoWalls, "The walls close nothing in: resin runs round their ends")
            : walls.Count > 0 ? Say(WallsState.Holds, walls.Count == 1 ? "The wall holds" : "All hold")
            : plan.Ground.Edges.FirstOrDefault(e => e.LayerId == layerId) is { } filled
                ? Say(WallsState.Holds, $"{filled.What} holds it: {{0}} deep of {{1}}", null, filled.Filled, filled.Holds)
            : layer.Sittings.LastOrDefault()?.Batches.Holds is { } minutes
                ? Say(WallsState.NoWalls, "No walls inside: veins keep their edge {0} after mixing starts", null, minutes)
                : Say(WallsState.NoWalls, "No walls inside");
    }

    /// <summary>The next whole minute: what counts from now is told alike for as long.</summary>
    private static Instant Whole(Instant at)
    {
        var past = at.ToUnixTimeTicks() % NodaConstants.TicksPerMinute;
        return past == 0 ? at : at + Duration.FromTicks(NodaConstants.TicksPerMinute - past);
    }

    private static string Capital(string name) => name.Length == 0 ? name : char.ToUpperInvariant(name[0]) + name[1..];

    /// <summary>When all is dry that the next sitting of the layer meets, and which lines are still to be laid for it.</summary>
    private static (Instant? From, ImmutableArray<string> ToLay) Ready(
        Piece piece, PiecePlan plan, LayerPlan layer, DateTimeZone zone, Instant now)
    {
        if (layer.Done || layer.Sittings.FirstOrDefault(s => !s.Done) is not { } next)
        {
            return (null, []);
        }

        var waits = plan.Layers.SelectMany(l => l.Waits).Where(w => w.BeforeId == next.SittingId
            || (w.BeforeId is not null && layer.Waits.Contains(w))).ToList();
        var open = waits.Where(w => !w.Laid && w.Dry is not null).ToList();

        // They dry side by side: what is not begun is begun now, at best.
        var times = waits.Where(l => l.Ready is not null).Select(l => zone.AtLeniently(l.Ready!.Value).ToInstant())
            .Concat(open.Select(l => now + Duration.FromHours(l.Dry!.Value))).ToList();
        if (layer.LayerId == piece.Layers[0].Id && plan.Layers.All(l => !l.Poured))
        {
            times.AddRange(plan.Ground.Preparation.Where(s => s.DryHours is not null && s.ReadyAt is not null)
                .Select(s => zone.AtLeniently(s.ReadyAt!.Value).ToInstant()));
            if (StillToDry.Of(plan.Ground.Preparation, zone, now) is { } ground)
            {
                times.Add(ground.Ready + Duration.FromHours(open.Select(l => l.Dry!.Value).DefaultIfEmpty(0).Max()));
            }
        }

        return (times.Count == 0 || times.Max() <= now ? null : Whole(times.Max()), [.. open.Select(l => l.Id)]);
    }
}
