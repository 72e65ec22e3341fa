using System.Text.Json;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Formats;

namespace MossLantern.Web.Hosting;

/// <summary>What things cost in this workshop: a setting of its own.</summary>
public sealed class PriceList(SettingStore settings)
{
    /// <summary>Most characters of the money's sign.</summary>
    public const int LongestMoney = 4;

    /// <summary>The prices as they stand.</summary>
    public Prices Now
    {
        get => settings.Find(SettingStore.Prices) is { } text
            ? JsonSerializer.Deserialize<Prices>(text, WorkshopJson.Options)! : Prices.None;
        set => settings.Set(SettingStore.Prices, JsonSerializer.Serialize(value, WorkshopJson.Options));
    }

    /// <summary>What is wrong with prices, by field; empty where nothing is.</summary>
    public static Dictionary<string, string[]> Problems(Prices prices, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(prices);
        ArgumentNullException.ThrowIfNull(catalogue);
        var resins = catalogue.Resins.Select(r => Prices.IdOf(r.Id)).ToHashSet();
        var errors = new Dictionary<string, string[]>();
        if (string.IsNullOrWhiteSpace(prices.Money) || prices.Money.Length > LongestMoney)
        {
            errors["money"] = [$"The money's sign has from 1 to {LongestMoney} characters."];
        }

        foreach (var (id, price) in prices.PerLitre)
        {
            if (!Preparation.PricedIds.Contains(id) && !resins.Contains(id))
            {
                errors[$"perLitre.{id}"] =
                    [$"Prices are kept for: {string.Join(", ", Preparation.PricedIds)}, and for resins of the cupboard."];
            }
            else if (!Accepted.PricePerLitre.Contains(price))
            {
                errors[$"perLitre.{id}"] = [Accepted.PricePerLitre.Sentence];
            }
        }

        return errors;
    }
}
