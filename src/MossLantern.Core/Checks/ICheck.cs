using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Checks;

/// <summary>What a check looks at: a piece with everything worked out for it.</summary>
/// <param name="Piece">The piece.</param>
/// <param name="Ground">What was worked out for its ground.</param>
/// <param name="Layers">What was worked out for its layers, lowest first.</param>
/// <param name="Sittings">What was worked out for its sittings.</param>
/// <param name="Around">What it was worked out in.</param>
/// <param name="Mapper">Lays out what a remedy would change.</param>
/// <param name="Trials">Tries what remedies would do; null where nothing is tried.</param>
public sealed record Looked(
    Piece Piece, GroundPlan Ground, ImmutableArray<LayerPlan> Layers, ImmutableArray<SittingPlan> Sittings,
    Surroundings Around, LayerMapper Mapper,
    Trials? Trials = null)
{
    /// <summary>How its edge is taped; null where it is held otherwise.</summary>
    public Taping? Tape { get; init; }

    /// <summary>What is cast of mould rubber for it.</summary>
    public ImmutableArray<RubberPlan> Rubber { get; init; } = [];

    /// <summary>Whether any layer is still to be poured.</summary>
    public bool MoreToPour => Layers.Any(l => !l.Poured);

    /// <summary>Whether nothing has been poured yet: only then can what lies below still be changed.</summary>
    public bool Bare => Layers.All(l => !l.Poured);
}

/// <summary>One judgement call.</summary>
public interface ICheck
{
    /// <summary>Its stable id.</summary>
    string Id { get; }

    /// <summary>What it sees.</summary>
    IEnumerable<Finding> Look(Looked looked);
}
