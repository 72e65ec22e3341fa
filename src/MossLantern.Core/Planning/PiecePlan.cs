using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Grounds;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Planning;

/// <summary>Everything worked out for a piece.</summary>
/// <param name="Ground">Measures of its ground.</param>
/// <param name="Layers">Its layers, lowest first.</param>
/// <param name="Sittings">Its sittings, in their order.</param>
/// <param name="Findings">What the second look sees.</param>
/// <param name="Need">What it takes over all of its sittings, resin by resin.</param>
/// <param name="Pots">What it takes out of pots of paint.</param>
/// <param name="Tape">How its edge is taped; null where it is held otherwise.</param>
/// <param name="Dam">The dam all round it; null where it has none.</param>
/// <param name="Rubber">What is cast of mould rubber for it.</param>
/// <param name="Sides">What its sides take when the face is done; null where they stay as they are.</param>
public sealed record PiecePlan(
    GroundPlan Ground, ImmutableArray<LayerPlan> Layers, ImmutableArray<SittingPlan> Sittings,
    ImmutableArray<Finding> Findings, ImmutableArray<PieceNeed> Need, ImmutableArray<PotTake> Pots, Taping? Tape, DamPlan? Dam,
    SidesPlan? Sides, ImmutableArray<RubberPlan> Rubber);
