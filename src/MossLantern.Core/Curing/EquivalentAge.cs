using System.Collections.Immutable;
using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Curing;

/// <summary>A stretch of time at one temperature.</summary>
/// <param name="Hours">How long, h.</param>
/// <param name="Celsius">How warm, °C.</param>
public sealed record RoomSegment(double Hours, double Celsius);

/// <summary>Equivalent age: the hours at the reference temperature that would have cured a resin as far.</summary>
/// <remarks>Source: docs/craft/curing.md, Equivalent age.</remarks>
public static class EquivalentAge
{
    /// <summary>Activation energy of cure, kJ/mol.</summary>
    public const double ActivationKj = 50;

    private const double GasConstant = 8.314;
    private const double Kelvin = 273.15;

    /// <summary>How many times faster than at the reference temperature a resin cures: 1 there, less where it is
    /// colder. Not-a-number stays one; at absolute zero it is 0.</summary>
    /// <param name="celsius">Temperature, °C.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    /// <param name="activationKj">Activation energy, kJ/mol.</param>
    public static double Speed(double celsius, double referenceC, double activationKj = ActivationKj) =>
        Math.Exp(-activationKj * 1000 / GasConstant * (1 / (celsius + Kelvin) - 1 / (referenceC + Kelvin)));

    /// <summary>The Arrhenius factor exp(−Ea ÷ RT).</summary>
    /// <param name="celsius">Temperature, °C.</param>
    /// <param name="activationKj">Activation energy, kJ/mol.</param>
    public static double Arrhenius(double celsius, double activationKj) =>
        Math.Exp(-activationKj * 1000 / (GasConstant * (celsius + Kelvin)));

    /// <summary>Equivalent age after a profile, h; 0 for an empty one.</summary>
    /// <exception cref="ArgumentNullException">There is no profile.</exception>
    public static double Hours(
        IEnumerable<RoomSegment> profile, double referenceC, double activationKj = ActivationKj)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return profile.Sum(s => s.Hours * Speed(s.Celsius, referenceC, activationKj));
    }

    /// <summary>Clock hours from a moment on until an equivalent age is reached in a room.</summary>
    /// <param name="ageHours">Equivalent age, h.</param>
    /// <param name="room">The room.</param>
    /// <param name="from">The moment.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    public static double ClockHours(double ageHours, RoomCurve room, Instant from, double referenceC)
    {
        ArgumentNullException.ThrowIfNull(room);
        return ClockHours(ageHours, [.. room.After(from).Select(s => new RoomSegment(s.Hours, s.Celsius))], referenceC);
    }

    /// <summary>Clock hours until an equivalent age is reached; the last segment goes on for ever. An age of 0 or less
    /// is there at once.</summary>
    /// <param name="ageHours">Equivalent age, h.</param>
    /// <param name="profile">At least one segment.</param>
    /// <param name="referenceC">Reference temperature, °C.</param>
    /// <param name="activationKj">Activation energy, kJ/mol.</param>
    /// <exception cref="ArgumentException">The profile is empty.</exception>
    public static double ClockHours(
        double ageHours, ImmutableArray<RoomSegment> profile, double referenceC, double activationKj = ActivationKj)
    {
        if (profile.IsDefaultOrEmpty)
        {
            throw new ArgumentException("A profile has at least one segment.", nameof(profile));
        }

        double clock = 0, age = 0;
        for (var i = 0; i < profile.Length; i++)
        {
            var speed = Speed(profile[i].Celsius, referenceC, activationKj);
            var left = (ageHours - age) / speed;
            if (left <= profile[i].Hours || i == profile.Length - 1)
            {
                return clock + Math.Max(0, left);
            }

            clock += profile[i].Hours;
            age += profile[i].Hours * speed;
        }

        return clock;
    }
}
