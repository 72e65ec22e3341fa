using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Timeline;

/// <summary>How warm it is where a sitting is poured and cures: the one place that says so.</summary>
/// <remarks>Source: docs/craft/curing.md, The room.</remarks>
public static class SittingRoom
{
    /// <summary>What was read wins over what is planned, and that over the workshop's own.</summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="poured">What is known of its pour; null where it is still to come.</param>
    /// <param name="around">What it is worked out in.</param>
    public static RoomCurve Of(Sitting sitting, PouredSitting? poured, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        ArgumentNullException.ThrowIfNull(around);
        var place = PlaceIn.Sitting(sitting.Id) + ".roomC";
        return poured?.RoomC is { } read ? RoomCurve.Constant(read, Origin.Measured, place)
            : sitting.RoomC is { } planned ? RoomCurve.Constant(planned, Origin.Own, place)
            : around.Room with { Place = place };
    }
}
