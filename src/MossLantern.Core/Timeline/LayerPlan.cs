using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Timeline;

/// <summary>Everything worked out for one layer.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Box">The box of what its map is grown over.</param>
/// <param name="Regions">Its regions.</param>
/// <param name="Cut">A straight cut across it, through its first heart, or through the middle.</param>
/// <param name="CutAtMm">Where that cut runs, mm from the top.</param>
/// <param name="Cups">Its cups.</param>
/// <param name="Steps">Its pours in order.</param>
/// <param name="Opacity">Opacity of every cup's resin at the layer's depth.</param>
/// <param name="Pour">The pour its windows count from; null while no start is known.</param>
/// <param name="Poured">Whether it has really been poured.</param>
/// <param name="Windows">Its windows; empty while no start is known.</param>
/// <param name="ResinG">Mass of its resin, without reserve and losses, g.</param>
/// <param name="Facts">The numbers of its layout.</param>
/// <param name="Borders">Which of its regions touch.</param>
/// <param name="Balance">How its colours lie.</param>
/// <param name="OrderSays">Its usual order of pours, in a sentence.</param>
/// <param name="OpenRegions">Of a layer that was begun, the regions that are not poured yet.</param>
public sealed record LayerPlan(
    string LayerId,
    PieceBox Box,
    ImmutableArray<RegionPlan> Regions,
    ImmutableArray<CutSpan> Cut,
    double CutAtMm,
    CupPlan Cups,
    ImmutableArray<PourStep> Steps,
    ImmutableDictionary<string, Reckoned> Opacity,
    Pour? Pour,
    bool Poured,
    ImmutableArray<CureWindow> Windows,
    double ResinG,
    ImmutableArray<LayoutFact> Facts,
    ImmutableArray<Border> Borders,
    ImmutableArray<ColourBalance> Balance,
    string OrderSays,
    ImmutableArray<RegionId> OpenRegions)
{
    /// <summary>Whether it is done: each of its regions has been poured.</summary>
    public bool Done => Poured && OpenRegions.IsEmpty;

    /// <summary>Its resin as what stands under it carries it.</summary>
    internal LayerLoad LoadOn(Ground ground) => new(Poured, ResinG, Cups.Regions.Sum(r => r.LayerMl.Value) / ground.AtOnce);
}
