using MossLantern.Data;
using NodaTime;

namespace MossLantern.Web.Hosting;

/// <summary>The workshop's clock and its one time zone: the setting, else the machine's, else UTC.</summary>
public sealed class WorkshopTime(IClock clock, SettingStore settings)
{
    /// <summary>Now.</summary>
    public Instant Now => clock.GetCurrentInstant();

    /// <summary>Whether hours are told to 24 or to 12.</summary>
    public int Hours => settings.Find(SettingStore.Hours) == "12" ? 12 : 24;

    /// <summary>The zone.</summary>
    public DateTimeZone Zone =>
        (settings.Find(SettingStore.TimeZone) is { } id ? DateTimeZoneProviders.Tzdb.GetZoneOrNull(id) : null)
        ?? DateTimeZoneProviders.Tzdb.GetZoneOrNull(TimeZoneInfo.Local.Id)
        ?? DateTimeZone.Utc;

    /// <summary>An instant on the workshop's wall clock, to the second.</summary>
    public Moment Local(Instant instant) => Local(instant, Zone);

    /// <summary>An instant on a zone's wall clock, to the second.</summary>
    public static Moment Local(Instant instant, DateTimeZone zone)
    {
        ArgumentNullException.ThrowIfNull(zone);
        return new(instant, instant.InZone(zone).LocalDateTime.With(TimeAdjusters.TruncateToSecond));
    }
}

/// <summary>A moment as an instant and as the workshop's wall clock shows it.</summary>
/// <param name="At">The instant.</param>
/// <param name="Local">Local date and time.</param>
public sealed record Moment(Instant At, LocalDateTime Local);
