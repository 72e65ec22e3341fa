using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>A sitting that is planned over a layer which it does not fill itself.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Plan">What was worked out for it; its start is known.</param>
/// <param name="Layer">The layer that it fills.</param>
/// <param name="Below">The layer below that.</param>
/// <param name="Under">What was worked out for the layer below.</param>
internal sealed record PouredOver(Sitting Sitting, SittingPlan Plan, FilledLayer Layer, FilledLayer Below, LayerPlan Under)
{
    /// <summary>All that are still to be poured, each over one layer or several.</summary>
    public static IEnumerable<PouredOver> Of(Looked looked)
    {
        var layers = looked.Piece.Filled.Zip(looked.Layers).Where(l => l.First.Within is null).ToList();
        return
            from pair in looked.Piece.Sittings.Zip(looked.Sittings)
            where pair.Second is { Poured: false, Span: not null }
            from at in Enumerable.Range(1, Math.Max(0, layers.Count - 1))
            where layers[at].Second.Sittings.Contains(pair.Second) && !layers[at - 1].Second.Sittings.Contains(pair.Second)
            select new PouredOver(pair.First, pair.Second, layers[at].First, layers[at - 1].First, layers[at - 1].Second);
    }

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
}
