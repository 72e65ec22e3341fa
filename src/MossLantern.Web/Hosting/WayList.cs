using System.Text.Json;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Formats;

namespace MossLantern.Web.Hosting;

/// <summary>How the person of this workshop works: a setting of its own.</summary>
public sealed class WayList(SettingStore settings)
{
    private readonly Lock reading = new();
    private Habits? kept;

    /// <summary>The ways as they stand. A drag asks for them many times a second: they are read once.</summary>
    public Habits Now
    {
        get
        {
            lock (reading)
            {
                return kept ??= settings.Find(SettingStore.Ways) is { } text
                    ? JsonSerializer.Deserialize<Habits>(text, WorkshopJson.Options)! : Habits.Usual;
            }
        }

        set
        {
            lock (reading)
            {
                settings.Set(SettingStore.Ways, JsonSerializer.Serialize(value, WorkshopJson.Options));
                kept = value;
            }
        }
    }

    /// <summary>What is wrong with ways, by field; empty where nothing is.</summary>
    public static Dictionary<string, string[]> Problems(Habits ways)
    {
        ArgumentNullException.ThrowIfNull(ways);
        var errors = new Dictionary<string, string[]>();
        foreach (var (field, value, range) in new[]
        {
            ("reservePercent", ways.ReservePercent, Accepted.ReservePercent), ("cupStepMl", ways.CupStepMl, Accepted.CupStepMl),
            ("scaleStepG", ways.ScaleStepG, Accepted.ScaleStepG), ("jugMl", ways.JugMl, Accepted.JugMl),
        })
        {
            if (!range.Contains(value))
            {
                errors[field] = [range.Sentence];
            }
        }

        if (!Enum.IsDefined(ways.Tape))
        {
            errors["tape"] = ["The edge is taped in one run, in two, at the back alone or not at all."];
        }

        if (ways.WallsOf is { } of && Enum.GetValues<BarrierClass>().All(c => c.MaterialId != of))
        {
            errors["wallsOf"] =
                [$"Walls are laid of one of: {string.Join(", ", Enum.GetValues<BarrierClass>().Select(c => c.MaterialId))}."];
        }

        return errors;
    }
}
