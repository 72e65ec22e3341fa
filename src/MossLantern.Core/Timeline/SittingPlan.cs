using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;

namespace MossLantern.Core.Timeline;

/// <summary>Everything worked out for one sitting.</summary>
/// <param name="SittingId">The sitting.</param>
/// <param name="Name">Its name, or that of what it fills.</param>
/// <param name="LayerIds">The layers that it fills something of, lowest first.</param>
/// <param name="Cups">Its cups.</param>
/// <param name="Batches">What it mixes.</param>
/// <param name="Steps">Its pours in order.</param>
/// <param name="OrderSays">Its usual order of pours, in a sentence.</param>
/// <param name="Pour">The pour its windows count from; null while no start is known.</param>
/// <param name="Poured">Whether it is in the journal.</param>
/// <param name="Windows">Its windows; empty while no start is known.</param>
/// <param name="OpenRegions">Of a sitting that was begun, the regions that are not poured yet.</param>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
public sealed record SittingPlan(
    string SittingId,
    string Name,
    ImmutableArray<string> LayerIds,
    CupPlan Cups,
    BatchesPlan Batches,
    ImmutableArray<PourStep> Steps,
    string OrderSays,
    Pour? Pour,
    bool Poured,
    ImmutableArray<CureWindow> Windows,
    ImmutableArray<RegionOf> OpenRegions)
{
    /// <summary>Whether it is done: each of its regions has been poured.</summary>
    public bool Done => Poured && OpenRegions.IsEmpty;
}
