using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pieces;

/// <summary>What the number fields of a piece take, by their place in the document without indices, such as <c>layers.bands.widthMm</c>.</summary>
/// <remarks>The validator refuses what is outside; this table lets it be said while it is being typed.</remarks>
public static class PieceFields
{
    /// <summary>Range of every number field.</summary>
    public static ImmutableSortedDictionary<string, AcceptedRange> Ranges { get; } = new Dictionary<string, AcceptedRange>
    {
        ["ground.outline.widthMm"] = Accepted.OutlineMm with { What = "Width" },
        ["ground.outline.heightMm"] = Accepted.OutlineMm with { What = "Height" },
        ["ground.outline.diameterMm"] = Accepted.OutlineMm with { What = "Diameter" },
        ["ground.outline.reach"] = Accepted.Reach,
        ["ground.outline.wobbleMm"] = Accepted.WobbleMm,
        ["ground.outline.opening.widthMm"] = Accepted.OpeningMm with { What = "Width of the opening" },
        ["ground.outline.opening.heightMm"] = Accepted.OpeningMm with { What = "Height of the opening" },
        ["ground.base.thicknessMm"] = Accepted.ThicknessMm,
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
        ["ground.set.count"] = Accepted.Panels,
        ["ground.set.gapMm"] = Accepted.GapMm,
        ["ground.old.standsMm"] = Accepted.StandsMm,
        ["ground.old.reliefMm"] = Accepted.ReliefMm,
        ["ground.sideHeightMm"] = Accepted.SideMm,
        ["layers.depthMm"] = Accepted.DepthMm,
        ["layers.partDepths.depthMm"] = Accepted.DepthMm,
        ["layers.rimFollow"] = Accepted.RimFollow,
        ["layers.widening"] = Accepted.Widening,
        ["layers.bands.widthMm"] = Accepted.BandMm,
        ["layers.hearts.xMm"] = Accepted.HeartPlaceMm,
        ["layers.hearts.yMm"] = Accepted.HeartPlaceMm,
        ["layers.hearts.widthMm"] = Accepted.HeartMm with { What = "Heart width" },
        ["layers.hearts.heightMm"] = Accepted.HeartMm with { What = "Heart height" },
        ["layers.hearts.wavinessMm"] = Accepted.WavinessMm,
        ["layers.hearts.turnDeg"] = Accepted.TurnDeg,
        ["layers.cups.loadPercent"] = Accepted.LoadPercent,
        ["layers.resin.ratio.resin"] = Accepted.RatioPart with { What = "Resin parts" },
        ["layers.resin.ratio.hardener"] = Accepted.RatioPart with { What = "Hardener parts" },
        ["layers.resin.resinDensity"] = Accepted.DensityGPerMl with { What = "Density of the resin" },
        ["layers.resin.hardenerDensity"] = Accepted.DensityGPerMl with { What = "Density of the hardener" },
        ["layers.reservePercent"] = Accepted.ReservePercent,
        ["layers.losses.filmMm"] = Accepted.FilmMm,
        ["layers.losses.dripPercent"] = Accepted.LossPercent with { What = "Drip share" },
        ["layers.losses.cupMl"] = Accepted.CupLossMl,
        ["layers.losses.cupPercent"] = Accepted.LossPercent with { What = "Share that stays in a cup" },
        ["layers.tools.cupStepMl"] = Accepted.CupStepMl,
        ["layers.tools.scaleStepG"] = Accepted.ScaleStepG,
        ["layers.plan.roomC"] = Accepted.RoomC,
        ["runs.pouredMl"] = Accepted.PouredMl,
    }.ToImmutableSortedDictionary(StringComparer.Ordinal);
}
