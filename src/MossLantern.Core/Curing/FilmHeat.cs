using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Curing;

/// <summary>How hot a film gets.</summary>
/// <remarks>Source: docs/craft/curing.md, Degree of cure.</remarks>
public static class FilmHeat
{
    /// <summary>How hot a film gets in a mould at most, by the model of cure.</summary>
    /// <param name="system">The resin.</param>
    /// <param name="depthMm">Depth of the film, mm.</param>
    /// <param name="room">The room, °C.</param>
    public static Reckoned HottestC(ResinSystem system, double depthMm, ReckonedInput room)
    {
        ArgumentNullException.ThrowIfNull(system);
        ArgumentNullException.ThrowIfNull(room);
        return Reckoned.Of(CureModel.Of(system.WorkingMinutes, system.ReferenceC, system.ReactionHeatJPerG)
            .Film(depthMm, room.Value).PeakC, "°C", Formulas.Heat,
            new("depth", depthMm, "mm", Origin.Own),
            new("working time of 100 g in a cup", system.WorkingMinutes, "min", system.OriginOf(MaterialProperties.WorkingMinutes)),
            room);
    }
}
