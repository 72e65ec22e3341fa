using NodaTime;

namespace MossLantern.Core.Materials;

/// <summary>How a person works, where a piece does not say otherwise.</summary>
/// <param name="ReservePercent">Reserve in every cup, %.</param>
/// <param name="CupStepMl">Step of the marked cups, ml.</param>
/// <param name="ScaleStepG">Step of the scale, g.</param>
/// <param name="PourMinutes">Minutes from the first pour to the last.</param>
/// <param name="JugMl">What the largest jug holds, ml.</param>
/// <remarks>Source: docs/craft/mixing.md.</remarks>
public sealed record Habits(double ReservePercent = 10, double CupStepMl = 1, double ScaleStepG = 0.1, double PourMinutes = 20, double JugMl = 500)
{
    /// <summary>The usual ones.</summary>
    public static Habits Usual { get; } = new();
}

/// <summary>What everything is worked out in: where, how warm, from which materials and with which habits. The moment it is now is no part of it.</summary>
/// <param name="Zone">The workshop's time zone.</param>
/// <param name="Catalogue">Its materials.</param>
/// <param name="RoomC">How warm it is there where nobody says otherwise, °C.</param>
/// <param name="Habits">How the person works.</param>
public sealed record Surroundings(DateTimeZone Zone, Catalogue Catalogue, double RoomC, Habits Habits)
{
    /// <summary>The usual surroundings in a zone: typical materials, the temperature that typical times are given at.</summary>
    public static Surroundings Usual(DateTimeZone zone) => new(zone, Catalogue.Typical, TypicalMaterials.ReferenceC, Habits.Usual);

    /// <summary>A text that is the same for surroundings that give the same numbers.</summary>
    public string Key => FormattableString.Invariant($"{Zone.Id}/{Catalogue.Key}/{RoomC:R}/{Habits}");
}
