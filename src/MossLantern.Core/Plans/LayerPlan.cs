using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Plans;

/// <summary>A colour of a layer.</summary>
/// <param name="CupId">Its recipe.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>: of a mixed one, that of the mix; null for clear resin.</param>
/// <param name="Opacity">How much it hides where it is deepest.</param>
/// <param name="Beneath">What it is poured over, and how deep.</param>
public sealed record LayerColour(string CupId, string? Colour, Reckoned Opacity, Beneath Beneath);

/// <summary>Clear that brings a region up to the highest of its layer.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record ClearToLevel(RegionId RegionId, Reckoned Ml);

/// <summary>Everything worked out for one layer.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Box">The box of what its map is grown over.</param>
/// <param name="Regions">Its regions.</param>
/// <param name="Cut">A straight cut across it, through its first heart, or through the middle.</param>
/// <param name="CutAtMm">Where that cut runs, mm from the top.</param>
/// <param name="Colours">Its colours.</param>
/// <param name="Sittings">The sittings that fill something of it, in their order.</param>
/// <param name="Poured">Whether something of it has really been poured.</param>
/// <param name="Done">Whether each of its regions has been poured, or stays bare.</param>
/// <param name="OpenRegions">Of a layer that was begun, the regions that are not poured yet.</param>
/// <param name="NextLayer">When what lies over all of it may be poured: opens with the last of its sittings and closes
/// with the first; null while one of them has no start.</param>
/// <param name="LevelClear">Clear that brings its regions to one height; empty where they are level, or nobody decided
/// depths of their own.</param>
/// <param name="ResinG">Mass of its resin, without reserve and losses, g.</param>
/// <param name="LayerMl">Its resin, without reserve and losses, ml.</param>
/// <param name="StonesG">Mass of the stones in it, of all pieces that are poured at once, g.</param>
/// <param name="StonesOut">Where stones stand out of what is poured round them, and how much of them.</param>
/// <param name="Facts">The numbers of its layout.</param>
/// <param name="Borders">Which of its regions touch.</param>
/// <param name="Balance">How its colours lie.</param>
public sealed record LayerPlan(
    string LayerId,
    PieceBox Box,
    ImmutableArray<RegionPlan> Regions,
    ImmutableArray<CutSpan> Cut,
    double CutAtMm,
    ImmutableArray<LayerColour> Colours,
    ImmutableArray<SittingPlan> Sittings,
    bool Poured,
    bool Done,
    ImmutableArray<RegionId> OpenRegions,
    NextLayerWindow? NextLayer,
    ImmutableArray<ClearToLevel> LevelClear,
    double ResinG,
    double LayerMl,
    double StonesG,
    ImmutableArray<StonesOut> StonesOut,
    ImmutableArray<LayoutFact> Facts,
    ImmutableArray<Border> Borders,
    ImmutableArray<ColourBalance> Balance)
{
    /// <summary>How much one of its colours hides where it is deepest.</summary>
    public Reckoned OpacityOf(string cupId) => Colours.Single(c => c.CupId == cupId).Opacity;

    /// <summary>What one of its regions is called.</summary>
    public string NameOf(RegionId region) => Regions.FirstOrDefault(r => r.Id == region)?.Name ?? region.ToString();

    /// <summary>What a pool is called, with what its walls close in besides.</summary>
    public string NameOf(PoolHold hold)
    {
        ArgumentNullException.ThrowIfNull(hold);
        return hold.With switch
        {
            [] => NameOf(hold.RegionId),
            [var other] => $"{NameOf(hold.RegionId)} and {NameOf(other)}",
            _ => $"{NameOf(hold.RegionId)} and {hold.With.Length} more",
        };
    }

    /// <summary>What each of its regions takes without its edges, ml.</summary>
    internal IReadOnlyDictionary<RegionId, double> RegionMl { get; init; } = ImmutableDictionary<RegionId, double>.Empty;

    /// <summary>What its pools hold behind their walls; none where a wall has no height yet.</summary>
    public ImmutableArray<PoolHold> Holds { get; init; } = [];

    /// <summary>Its lines, and with the lowest layer those that go through all.</summary>
    public ImmutableArray<LinePlan> Lines { get; init; } = [];

    /// <summary>All that has to dry before it is poured.</summary>
    public ImmutableArray<Waits> Waits { get; init; } = [];

    /// <summary>Its walls together, of each of its layouts that has some.</summary>
    public ImmutableArray<WallsTogether> Walls { get; init; } = [];

    /// <summary>Its resin as what stands under it carries it.</summary>
    internal LayerLoad LoadOn(Ground ground) => new(Poured, ResinG, LayerMl / ground.AtOnce, StonesG / ground.AtOnce);
}

/// <summary>What of the stones in a region no resin reaches.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="Grams">Their mass, of one copy, g.</param>
public sealed record StonesOut(RegionId RegionId, Reckoned Grams);

/// <summary>When the next layer may be poured over everything of one.</summary>
/// <param name="Opens">When it opens.</param>
/// <param name="Closes">When it closes; null where it stays open.</param>
/// <param name="OpensAfterHours">How long after the last sitting was poured.</param>
public sealed record NextLayerWindow(NodaTime.Instant Opens, NodaTime.Instant? Closes, Reckoned OpensAfterHours)
{
    /// <summary>What lies over several sittings opens with the last of them and closes with the first; null while one of
    /// them has no start.</summary>
    /// <param name="sittings">Those that poured what lies on top.</param>
    public static NextLayerWindow? Of(IReadOnlyCollection<SittingPlan> sittings)
    {
        ArgumentNullException.ThrowIfNull(sittings);
        if (sittings.Count == 0 || sittings.Any(s => s.Recoat is null))
        {
            return null;
        }

        var last = sittings.Select(s => s.Recoat!).MaxBy(w => w.Opens)!;
        return new(last.Opens, sittings.Min(s => s.Recoat!.Closes), last.OpensAfterHours);
    }
}
