using System.Collections.Frozen;
using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>What the number fields of a piece take, by their place in the document without indices, such as
/// <c>layers.layout.bands.widthMm</c>.</summary>
/// <remarks>The validator refuses what is outside; this table lets it be said while it is being typed.</remarks>
public static class PieceFields
{
    /// <summary>Range of every number field.</summary>
    public static ImmutableSortedDictionary<string, AcceptedRange> Ranges => All;

    /// <summary>How many entries lists of a piece take, by their place in the document without indices; beyond them the
    /// validator refuses.</summary>
    public static ImmutableSortedDictionary<string, int> Most { get; } = new Dictionary<string, int>
    {
        ["dries"] = Drying.Most,
        ["ground.rubber"] = RubberCast.Most,
        ["kept"] = Zone.Most,
        ["layers"] = PieceValidator.MostLayers,
        ["layers.layout.bands"] = (int)Accepted.BandCount.To,
        ["layers.layout.hearts"] = (int)Accepted.HeartCount.To,
        ["layers.zones"] = Zone.Most,
        ["lines.material.granules"] = PasteLine.Most,
        ["sittings.batches"] = PieceValidator.MostBatches,
    }.ToImmutableSortedDictionary(StringComparer.Ordinal);

    private const string OfLayout = "layers.layout.";

    private static readonly FrozenDictionary<string, AcceptedRange> Own = new Dictionary<string, AcceptedRange>
    {
        ["ground.outline.widthMm"] = Accepted.OutlineMm with { What = "Width" },
        ["ground.outline.heightMm"] = Accepted.OutlineMm with { What = "Height" },
        ["ground.outline.diameterMm"] = Accepted.OutlineMm with { What = "Diameter" },
        ["ground.outline.reach"] = Accepted.Reach,
        ["ground.outline.wobbleMm"] = Accepted.WobbleMm,
        ["ground.outline.opening.widthMm"] = Accepted.OpeningMm with { What = "Width of the opening" },
        ["ground.outline.opening.heightMm"] = Accepted.OpeningMm with { What = "Height of the opening" },
        ["ground.base.thicknessMm"] = Accepted.ThicknessMm,
        ["ground.base.barWidthMm"] = Accepted.BarMm,
        ["ground.paint.coats"] = Accepted.Coats,
        ["ground.paint.dryHours"] = Accepted.DryHours,
        ["ground.level.tiltXDeg"] = Accepted.TiltDeg with { What = "Tilt across" },
        ["ground.level.tiltYDeg"] = Accepted.TiltDeg with { What = "Tilt along" },
        ["ground.level.stepDeg"] = Accepted.LevelStepDeg,
        ["ground.level.corners.topLeftMm"] = Accepted.CornerMm,
        ["ground.level.corners.topRightMm"] = Accepted.CornerMm,
        ["ground.level.corners.bottomLeftMm"] = Accepted.CornerMm,
        ["ground.level.corners.bottomRightMm"] = Accepted.CornerMm,
        ["ground.mould.depthMm"] = Accepted.MouldDepthMm,
        ["ground.mould.capacityMl"] = Accepted.VolumeMl with { What = "Capacity" },
        ["ground.mould.pieces"] = Accepted.Copies with { What = "Pieces" },
        ["ground.mould.cavities"] = Accepted.Copies with { What = "Cavities" },
        ["ground.mould.keepMm"] = Accepted.KeepMm,
        ["ground.mould.cavityDepths.depthMm"] = Accepted.MouldDepthMm,
        ["ground.mould.inserts.outline.widthMm"] = Accepted.InsertMm with { What = "Width of the insert" },
        ["ground.mould.inserts.outline.heightMm"] = Accepted.InsertMm with { What = "Height of the insert" },
        ["ground.mould.inserts.outline.diameterMm"] = Accepted.InsertMm with { What = "Diameter of the insert" },
        ["ground.mould.inserts.floorMm"] = Accepted.FloorMm,
        ["ground.mould.inserts.recessMm"] = Accepted.RecessMm,
        ["ground.mould.inserts.heightMm"] = Accepted.MouldDepthMm with { What = "Height of the insert above its foot" },
        ["ground.set.count"] = Accepted.Panels,
        ["ground.set.gapMm"] = Accepted.GapMm,
        ["ground.old.standsMm"] = Accepted.StandsMm,
        ["ground.old.reliefMm"] = Accepted.ReliefMm,
        ["ground.sideHeightMm"] = Accepted.SideMm,
        ["layers.depthMm"] = Accepted.DepthMm,
        ["layers.partDepths.depthMm"] = Accepted.DepthMm,
        ["layers.layout.rimFollow"] = Accepted.RimFollow,
        ["layers.layout.widening"] = Accepted.Widening,
        ["layers.layout.bands.widthMm"] = Accepted.BandMm,
        ["layers.layout.hearts.xMm"] = Accepted.HeartPlaceMm,
        ["layers.layout.hearts.yMm"] = Accepted.HeartPlaceMm,
        ["layers.layout.hearts.widthMm"] = Accepted.HeartMm with { What = "Heart width" },
        ["layers.layout.hearts.heightMm"] = Accepted.HeartMm with { What = "Heart height" },
        ["layers.layout.hearts.wavinessMm"] = Accepted.WavinessMm,
        ["layers.layout.hearts.turnDeg"] = Accepted.TurnDeg,
        ["layers.layout.startMm"] = Accepted.FilmBelowMm,
        ["layers.layout.wavinessMm"] = Accepted.WavinessMm,
        ["layers.layout.xMm"] = Accepted.PlaceMm with { What = "From the left" },
        ["layers.layout.yMm"] = Accepted.PlaceMm with { What = "From the top" },
        ["layers.layout.petals"] = Accepted.PetalCount,
        ["layers.layout.pullMm"] = Accepted.PullMm,
        ["layers.layout.toolMm"] = Accepted.ToolMm,
        ["layers.layout.turnDeg"] = Accepted.TurnDeg,
        ["layers.layout.fields"] = Accepted.FieldCount,
        ["layers.layout.moved.xMm"] = Accepted.PlaceMm,
        ["layers.layout.moved.yMm"] = Accepted.PlaceMm,
        ["layers.layout.pools.xMm"] = Accepted.PlaceMm,
        ["layers.layout.pools.yMm"] = Accepted.PlaceMm,
        ["layers.layout.pours.ml"] = Accepted.VolumeMl with { What = "Pour" },
        ["layers.layout.tiltDeg"] = Accepted.TurnDeg with { What = "Direction of the tilt" },
        ["layers.layout.tiltPercent"] = Accepted.TiltPercent,
        ["layers.layout.streakPercent"] = Accepted.StreakPercent,
        ["layers.layout.blend"] = Accepted.Blend,
        ["layers.layout.directionDeg"] = Accepted.TurnDeg with { What = "Direction of the streaks" },
        ["layers.zones.xMm"] = Accepted.PlaceMm with { What = "Part from the left" },
        ["layers.zones.yMm"] = Accepted.PlaceMm with { What = "Part from the top" },
        ["layers.zones.outline.diameterMm"] = Accepted.InsertMm with { What = "Diameter of the part" },
        ["layers.zones.outline.widthMm"] = Accepted.InsertMm with { What = "Width of the part" },
        ["layers.zones.outline.heightMm"] = Accepted.InsertMm with { What = "Height of the part" },
        ["recipes.of.parts"] = Accepted.RatioPart with { What = "Parts" },
        ["kept.xMm"] = Accepted.PlaceMm with { What = "Reserved spot from the left" },
        ["kept.yMm"] = Accepted.PlaceMm with { What = "Reserved spot from the top" },
        ["kept.outline.diameterMm"] = Accepted.InsertMm with { What = "Diameter of the reserved spot" },
        ["kept.outline.widthMm"] = Accepted.InsertMm with { What = "Width of the reserved spot" },
        ["kept.outline.heightMm"] = Accepted.InsertMm with { What = "Height of the reserved spot" },
        ["lines.section.widthMm"] = Accepted.LineMm,
        ["lines.section.heightMm"] = Accepted.LineHeightMm,
        ["lines.section.swell"] = Accepted.Swell,
        ["lines.section.everyMm"] = Accepted.DotsMm,
        ["lines.course.offMm"] = Accepted.OffBorderMm,
        ["lines.course.from"] = Accepted.BorderShare with { What = "Begin of the line" },
        ["lines.course.to"] = Accepted.BorderShare with { What = "End of the line" },
        ["lines.course.xMm"] = Accepted.PlaceMm with { What = "Ring from the left" },
        ["lines.course.yMm"] = Accepted.PlaceMm with { What = "Ring from the top" },
        ["lines.course.diameterMm"] = Accepted.RingMm,
        ["lines.course.turns"] = Accepted.Turns,
        ["lines.material.granules.parts"] = Accepted.GranuleParts,
        ["dries.hours"] = Accepted.DryHours,
        ["ground.rubber.widthMm"] = Accepted.RubberWidthMm,
        ["ground.rubber.heightMm"] = Accepted.RubberHeightMm,
        ["ground.rubber.faceDeg"] = Accepted.RubberLeanDeg,
        ["ground.rubber.backDeg"] = Accepted.RubberLeanDeg,
        ["ground.rubber.crystalsG"] = Accepted.StonesG with { What = "Crystals in the rubber" },
        ["ground.tape.damMm"] = Accepted.TapeDamMm,
        ["kept.clearMm"] = Accepted.FaceClearMm,
        ["recipes.doses.percent"] = Accepted.LoadPercent,
        ["sittings.resin.ratio.resin"] = Accepted.RatioPart with { What = "Resin parts" },
        ["sittings.resin.ratio.hardener"] = Accepted.RatioPart with { What = "Hardener parts" },
        ["sittings.resin.resinDensity"] = Accepted.DensityGPerMl with { What = "Density of the resin" },
        ["sittings.resin.hardenerDensity"] = Accepted.DensityGPerMl with { What = "Density of the hardener" },
        ["sittings.reservePercent"] = Accepted.ReservePercent,
        ["sittings.losses.filmMm"] = Accepted.FilmMm,
        ["sittings.losses.dripPercent"] = Accepted.LossPercent with { What = "Drip share" },
        ["sittings.losses.cupMl"] = Accepted.CupLossMl,
        ["sittings.losses.cupPercent"] = Accepted.LossPercent with { What = "Share that stays in a cup" },
        ["sittings.tools.cupStepMl"] = Accepted.CupStepMl,
        ["sittings.tools.scaleStepG"] = Accepted.ScaleStepG,
        ["sittings.tools.jugMl"] = Accepted.JugMl,
        ["sittings.batches.jugMl"] = Accepted.JugMl,
        ["sittings.fills.depthMm"] = Accepted.DepthMm with { What = "Depth of the fill" },
        ["layers.stones.grams"] = Accepted.StonesG,
        ["layers.regionDepths.depthMm"] = Accepted.DepthMm with { What = "Depth of the region" },
        ["sittings.cupChoices.reservePercent"] = Accepted.ReservePercent with { What = "Reserve of the cup" },
        ["sittings.cupChoices.heldBack.ml"] = Accepted.VolumeMl with { What = "What is held back" },
        ["sittings.cupChoices.mixedMl"] = Accepted.PouredMl with { What = "What is mixed" },
        ["sittings.copies"] = Accepted.Copies with { What = "Copies of the sitting" },
        ["sittings.roomC"] = Accepted.RoomC,
        ["runs.pouredMl"] = Accepted.PouredMl,
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>A zone is laid out as a layer is.</summary>
    private static readonly ImmutableSortedDictionary<string, AcceptedRange> All = Own
        .Concat(Own.Where(r => r.Key.StartsWith(OfLayout, StringComparison.Ordinal))
            .Select(r => KeyValuePair.Create("layers.zones.layout." + r.Key[OfLayout.Length..], r.Value)))
        .ToImmutableSortedDictionary(StringComparer.Ordinal);
}
