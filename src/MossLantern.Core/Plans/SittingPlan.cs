using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Plans;

/// <summary>What one casting of several takes.</summary>
/// <param name="Copies">How many copies are cast at once.</param>
/// <param name="NeedMl">What must leave the cups for them, reserve included, before what stays in cups, ml.</param>
/// <remarks>Source: docs/craft/mixing.md, Castings.</remarks>
public sealed record CastingNeed(int Copies, Reckoned NeedMl);

/// <summary>Everything worked out for one sitting.</summary>
/// <param name="SittingId">The sitting.</param>
/// <param name="Name">Its name, or that of what it fills.</param>
/// <param name="LayerIds">The layers that it fills something of, lowest first.</param>
/// <param name="Cups">Its cups.</param>
/// <param name="Batches">What it mixes.</param>
/// <param name="Pours">Its pours in order.</param>
/// <param name="OrderSays">Its usual order of pours, in a sentence.</param>
/// <param name="Span">The pour its windows count from; null while no start is known.</param>
/// <param name="Poured">Whether it is in the journal.</param>
/// <param name="Windows">Its windows; empty while no start is known.</param>
/// <param name="OpenRegions">Of a sitting that was begun, the regions that are not poured yet.</param>
/// <param name="Copies">For how many copies it is mixed.</param>
/// <param name="Castings">What each casting takes where more copies are wanted than are poured at once; empty where all are.</param>
/// <param name="Reach">How far each of its cups reaches.</param>
/// <param name="CopiesLeft">How many copies are still to be poured, by what is logged.</param>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
public sealed record SittingPlan(
    string SittingId,
    string Name,
    ImmutableArray<string> LayerIds,
    CupPlan Cups,
    BatchesPlan Batches,
    ImmutableArray<PlannedPour> Pours,
    string OrderSays,
    PourSpan? Span,
    bool Poured,
    ImmutableArray<CureWindow> Windows,
    ImmutableArray<RegionOf> OpenRegions,
    int Copies,
    ImmutableArray<CastingNeed> Castings,
    ImmutableArray<CupReach> Reach,
    int CopiesLeft)
{
    /// <summary>What the resin of all its batches costs; null where nobody has entered its price.</summary>
    /// <param name="resin">The resin's name.</param>
    /// <param name="resinId">The resin, by its id in the catalogue.</param>
    /// <param name="prices">What things cost.</param>
    public Reckoned? Cost(string resin, string resinId, Prices prices)
    {
        ArgumentNullException.ThrowIfNull(prices);
        return !prices.PerLitre.TryGetValue(Prices.IdOf(resinId), out var litre) ? null
            : Reckoned.Of(Batches.TotalMl.Value / 1000 * litre, prices.Money, Formulas.SittingCost,
                new("mixed in all", Batches.TotalMl.Value, "ml", Origin.Reckoned),
                new($"a litre of {resin}", litre, prices.Money, Origin.Own));
    }

    /// <summary>Whether it is done: each of its regions has been poured.</summary>
    public bool Done => Poured && OpenRegions.IsEmpty;

    /// <summary>The regions of it that something was really poured on.</summary>
    internal ImmutableHashSet<RegionOf> Begun { get; init; } = [];

    /// <summary>When what it pours may leave its mould, whatever else is in that; null for none, or while no start is known.</summary>
    internal CureWindow? Demould { get; init; }

    /// <summary>When what it pours takes another layer, whatever else is poured on it; null while no start is known.</summary>
    internal CureWindow? Recoat { get; init; }

    /// <summary>When what it poured first holds: until then all of it is wet, and what is poured on it runs into it. Null where that is
    /// not known.</summary>
    internal NodaTime.Instant? Holds { get; init; }

    /// <summary>Whether something of a layer was really poured in it.</summary>
    internal bool HasBegun(string layerId) => Begun.Any(r => r.LayerId == layerId);

    /// <summary>The regions of a layer that it pours, and that were not poured to their end.</summary>
    internal IEnumerable<RegionOf> OpenIn(string layerId) =>
        (Poured ? OpenRegions.AsEnumerable() : Pours.Select(p => p.Of)).Where(r => r.LayerId == layerId).Distinct();
}
