using System.Collections.Immutable;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Materials;

/// <summary>How warm a room is from a moment on.</summary>
/// <param name="From">From when on; null for since ever.</param>
/// <param name="Celsius">How warm, °C.</param>
/// <param name="Origin">How that is known.</param>
public sealed record RoomStretch(Instant? From, double Celsius, Origin Origin);

/// <summary>How warm a room is over time: measured, decided or assumed, stretch after stretch. The last one goes on for ever.</summary>
/// <param name="Stretches">The stretches in rising order, at least one; the first holds for what lies before it too.</param>
/// <param name="Place">Where in a document it is decided; null for nowhere.</param>
/// <remarks>Source: docs/craft/curing.md, The room.</remarks>
public sealed record RoomCurve(ImmutableArray<RoomStretch> Stretches, string? Place = null)
{
    /// <summary>A room that is always as warm.</summary>
    /// <param name="celsius">How warm, °C.</param>
    /// <param name="origin">How that is known.</param>
    /// <param name="place">Where in a document it is decided; null for nowhere.</param>
    public static RoomCurve Constant(double celsius, Origin origin = Origin.Default, string? place = null) =>
        new([new(null, celsius, origin)], place);

    /// <summary>A text that is the same for rooms that give the same numbers.</summary>
    public string Key => string.Join(';', Stretches.Select(s => FormattableString.Invariant($"{s.From}={s.Celsius:R}")));

    /// <summary>How warm it is at a moment.</summary>
    /// <param name="at">The moment; null where none is known, for how it begins.</param>
    public RoomStretch At(Instant? at) => Stretches.LastOrDefault(s => s.From is not { } from || from <= at) ?? Stretches[0];

    /// <summary>The same as what a number was worked out from. What was measured is decided nowhere.</summary>
    /// <param name="at">The moment; null where none is known.</param>
    public ReckonedInput InputAt(Instant? at)
    {
        var stretch = At(at);
        return new("room", stretch.Celsius, "°C", stretch.Origin, stretch.Origin == Origin.Measured ? null : Place);
    }

    /// <summary>Its stretches from a moment on, each with the hours that it lasts; the last one of an hour, to go on for ever.</summary>
    /// <param name="from">The moment.</param>
    public ImmutableArray<(double Hours, double Celsius)> After(Instant from)
    {
        var after = Stretches.Where(s => s.From > from).ToList();
        var segments = ImmutableArray.CreateBuilder<(double, double)>(after.Count + 1);
        var (start, celsius) = (from, At(from).Celsius);
        foreach (var next in after)
        {
            segments.Add(((next.From!.Value - start).TotalHours, celsius));
            (start, celsius) = (next.From.Value, next.Celsius);
        }

        segments.Add((1, celsius));
        return segments.ToImmutable();
    }

    /// <inheritdoc/>
    public bool Equals(RoomCurve? other) =>
        other is not null && other.Place == Place && Stretches.AsSpan().SequenceEqual(other.Stretches.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Stretches.Length, Stretches[0], Place);
}
