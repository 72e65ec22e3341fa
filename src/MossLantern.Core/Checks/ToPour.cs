using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A sitting that is still to be poured, with what was worked out for it and what it is mixed from.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Plan">What was worked out for it.</param>
/// <param name="System">Its resin.</param>
internal sealed record ToPour(Sitting Sitting, SittingPlan Plan, ResinSystem System)
{
    /// <summary>Every sitting that is still to be poured and pours something.</summary>
    public static IEnumerable<ToPour> Of(Looked looked) =>
        looked.Piece.Sittings.Zip(looked.Sittings).Where(s => !s.Second.Poured && !s.Second.Pours.IsEmpty)
            .Select(s => new ToPour(s.First, s.Second, s.First.Resin.From(looked.Around.Catalogue)));

    /// <summary>How deep it is poured in a layer at the deepest, all of its passes over a region together, mm; 0 where that
    /// is by the millilitre alone.</summary>
    public double DeepestMm(string layerId) => DeepestMm(Plan, layerId);

    /// <summary>How deep a layer stands wet when it is poured: with what it pours below that, and with what others poured
    /// that does not hold yet, mm.</summary>
    /// <param name="looked">The piece.</param>
    /// <param name="over">What of it is planned over what.</param>
    /// <param name="layerId">The layer.</param>
    public double WetMm(Looked looked, IReadOnlyList<PouredOver> over, string layerId) => WetMm(looked, over, Plan, layerId, []);

    private static double WetMm(Looked looked, IReadOnlyList<PouredOver> over, SittingPlan plan, string layerId,
        HashSet<(string, string)> met)
    {
        if (!met.Add((plan.SittingId, layerId)))
        {
            return 0;
        }

        var within = looked.Piece.Layers.Single(l => l.Id == layerId).Within;
        var below = looked.Piece.Layers.TakeWhile(l => l.Id != layerId).LastOrDefault(l => l.Within == within);
        return DeepestMm(plan, layerId) + Math.Max(
            below is not null && plan.Pours.Any(p => p.LayerId == below.Id) ? WetMm(looked, over, plan, below.Id, met) : 0,
            over.Where(o => o.Plan.SittingId == plan.SittingId && o.Layer.Id == layerId && o.IsWetInWet)
                .SelectMany(o => o.Under.Select(s => WetMm(looked, over, s, o.BelowId, met))).DefaultIfEmpty(0).Max());
    }

    private static double DeepestMm(SittingPlan plan, string layerId) =>
        plan.Cups.Regions.Where(r => r.LayerId == layerId && r.PourMl.Value > 0)
        .GroupBy(r => r.RegionId).Select(passes => passes.Sum(DepthMm)).DefaultIfEmpty(0).Max();

    private static double DepthMm(RegionVolume pass) => pass.LayerMl.Inputs
        .Where(i => i.Unit == "mm" && i.Name.StartsWith("depth", StringComparison.Ordinal)).Select(i => i.Value).DefaultIfEmpty(0).Max();

    /// <summary>Where it is decided, and at which of its cups.</summary>
    public FindingPin At(Station station, string? cupId = null) => new(station, Plan.LayerIds[0], CupId: cupId, SittingId: Plan.SittingId);

    /// <summary>A number that was worked out already, with its name.</summary>
    public static Reckoned Limit(string name, double value, string unit) =>
        Reckoned.Of(value, unit, Formulas.Stated, new ReckonedInput(name, value, unit, Origin.Default));
}
