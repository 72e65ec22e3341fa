using Dapper;

namespace MossLantern.Data;

/// <summary>Keeps the workshop's settings.</summary>
public sealed class SettingStore(WorkshopDatabase database)
{
    /// <summary>Key of the workshop's time zone.</summary>
    public const string TimeZone = "time-zone";

    /// <summary>Whether hours are told to 24 or to 12.</summary>
    public const string Hours = "hours";

    /// <summary>Key that marks a workshop that was seeded with the demo.</summary>
    public const string Demo = "demo";

    /// <summary>Key of what things cost.</summary>
    public const string Prices = "prices";

    /// <summary>Key of how the person works.</summary>
    public const string Ways = "ways";

    /// <summary>The value of a setting, or null.</summary>
    public string? Find(string key) =>
        database.Read(connection => connection.ExecuteScalar<string?>("select value from setting where key = @key", new { key }));

    /// <summary>Sets a setting.</summary>
    public void Set(string key, string value) =>
        database.Write(connection => connection.Execute(
            "insert into setting (key, value) values (@key, @value) on conflict (key) do update set value = @value",
            new { key, value }));
}
