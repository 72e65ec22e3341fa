using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
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

    /// <summary>How deep it is poured in one pass of a layer at the deepest, mm; 0 where that is by the millilitre alone.</summary>
    public double DeepestMm(string layerId) => Plan.Cups.Regions.Where(r => r.LayerId == layerId && r.PourMl.Value > 0)
        .SelectMany(r => r.LayerMl.Inputs).Where(i => i.Unit == "mm"
            && i.Name.StartsWith("depth", StringComparison.Ordinal)).Select(i => i.Value).DefaultIfEmpty(0).Max();

    /// <summary>Where it is decided, and at which of its cups.</summary>
    public FindingPin At(Station station, string? cupId = null) => new(station, Plan.LayerIds[0], CupId: cupId, SittingId: Plan.SittingId);

    /// <summary>A number that was worked out already, with its name.</summary>
    public static Reckoned Limit(string name, double value, string unit) =>
        Reckoned.Of(value, unit, Formulas.Stated, new ReckonedInput(name, value, unit, Origin.Default));
}
