using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>What is worked out for the sitting of a layer that has one.</summary>
internal static class OfOneSitting
{
    extension(LayerPlan layer)
    {
        public SittingPlan Sitting => layer.Sittings.Single();

        public CupPlan Cups => layer.Sitting.Cups;

        public ImmutableArray<PlannedPour> Pours => layer.Sitting.Pours;

        public PourSpan? Span => layer.Sitting.Span;

        public ImmutableArray<CureWindow> Windows => layer.Sitting.Windows;

        public string OrderSays => layer.Sitting.OrderSays;

        public ImmutableDictionary<string, Reckoned> Opacity => layer.Colours.ToImmutableDictionary(c => c.CupId, c => c.Opacity);
    }

    extension(CupVolume cup)
    {
        public ImmutableArray<RegionId> RegionIds => [.. cup.Regions.Select(r => r.Region)];

        public Reckoned ResinMl => cup.Measured!.ResinMl;

        public Reckoned ResinG => cup.Measured!.ResinG;

        public Reckoned HardenerMl => cup.Measured!.HardenerMl;

        public Reckoned HardenerG => cup.Measured!.HardenerG;

        public Reckoned? Smallest => cup.Measured?.Smallest;
    }
}
