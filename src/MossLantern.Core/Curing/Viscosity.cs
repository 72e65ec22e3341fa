using System.Collections.Immutable;

namespace MossLantern.Core.Curing;

/// <summary>What people wait for, by the film's viscosity.</summary>
public enum FilmStage
{
    /// <summary>Under 3 Pa·s: floods, levels itself, lets bubbles rise.</summary>
    Runny,

    /// <summary>From 3 Pa·s: veins blend softly.</summary>
    Flowing,

    /// <summary>From 8 Pa·s: lines keep their edge.</summary>
    Holding,

    /// <summary>From 80 Pa·s: stones pressed in stay.</summary>
    Setting,

    /// <summary>Past gel: drips no longer run.</summary>
    Gelled,
}

/// <summary>When a film comes to a stage.</summary>
/// <param name="Stage">The stage.</param>
/// <param name="Minutes">Minutes since mixing.</param>
public sealed record StageStart(FilmStage Stage, double Minutes);

/// <summary>Viscosity of mixed resin as it cures.</summary>
/// <remarks>Source: docs/craft/curing.md, Viscosity and stages.</remarks>
public static class Viscosity
{
    /// <summary>Activation energy of flow, kJ/mol.</summary>
    public const double FlowKj = 50;

    /// <summary>From here veins blend softly, Pa·s.</summary>
    public const double FlowsPaS = 3;

    /// <summary>From here lines keep their edge, Pa·s.</summary>
    public const double HoldsPaS = 8;

    /// <summary>From here stones pressed in stay, Pa·s.</summary>
    public const double SetsPaS = 80;

    /// <summary>Viscosity, Pa·s; infinite from gel on.</summary>
    /// <param name="mixedPaS">Viscosity of the fresh mix at the reference temperature, Pa·s.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    /// <param name="state">How far and how warm it is.</param>
    public static double PaS(double mixedPaS, double referenceC, CureState state) => state.Degree >= CureModel.GelDegree
        ? double.PositiveInfinity
        : mixedPaS / EquivalentAge.Speed(state.Celsius, referenceC, FlowKj)
            * Math.Pow(CureModel.GelDegree / (CureModel.GelDegree - state.Degree), 3);

    /// <summary>The stage of a viscosity: gelled where it is without end, or not a number.</summary>
    public static FilmStage Stage(double paS) => paS switch
    {
        < FlowsPaS => FilmStage.Runny,
        < HoldsPaS => FilmStage.Flowing,
        < SetsPaS => FilmStage.Holding,
        < double.PositiveInfinity => FilmStage.Setting,
        _ => FilmStage.Gelled,
    };

    /// <summary>Whether other resin may still join a film or a cup of a stage: while it is runny or flows.</summary>
    public static bool MayJoin(FilmStage stage) => stage <= FilmStage.Flowing;

    /// <summary>The stages a film goes through, in order, from the one it starts in to gel.</summary>
    /// <param name="model">The resin's cure.</param>
    /// <param name="mixedPaS">Viscosity of the fresh mix at the reference temperature, Pa·s.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    /// <param name="depthMm">Depth of the film, mm.</param>
    /// <param name="roomC">Room, °C.</param>
    /// <exception cref="ArgumentNullException">There is no model.</exception>
    public static ImmutableArray<StageStart> Stages(
        CureModel model, double mixedPaS, double referenceC, double depthMm, double roomC)
    {
        ArgumentNullException.ThrowIfNull(model);
        var stages = ImmutableArray.CreateBuilder<StageStart>();
        FilmStage? last = null;
        foreach (var state in model.From(new(0, 0, roomC), CuringBody.Film(depthMm), roomC))
        {
            var stage = Stage(PaS(mixedPaS, referenceC, state));
            if (last is null || stage > last)
            {
                stages.Add(new(stage, state.Seconds / 60));
                last = stage;
            }

            if (stage == FilmStage.Gelled)
            {
                break;
            }
        }

        return stages.ToImmutable();
    }
}
