using System.Collections;
using System.Globalization;
using System.Reflection;
using System.Text;

namespace MossLantern.Core.Documents;

/// <summary>
/// Where a field of a piece stands, in the one spelling that ranges, inputs of numbers, errors, findings and the page share: names joined
/// by dots, an entry of a list by its id, such as <c>layers[field].layout.bands[moss].widthMm</c>. A share of a mixed recipe goes by what
/// it is of, and an entry without an id by its number from 0.
/// </summary>
/// <remarks>Source: docs/formats.md, Places.</remarks>
public static class PlaceIn
{
    /// <summary>A layer.</summary>
    public static string Layer(string layerId) => $"layers[{layerId}]";

    /// <summary>What is laid out by itself: a layer, or a zone of it.</summary>
    public static string LaidOut(string layerId, string? zoneId) => zoneId is null ? Layer(layerId) : $"{Layer(layerId)}.zones[{zoneId}]";

    /// <summary>A region of a layer, be it in a zone.</summary>
    public static string Region(string layerId, RegionId regionId) => $"{Layer(layerId)}.regions[{regionId}]";

    /// <summary>The region that a place spells; null where it spells something else.</summary>
    public static RegionOf? RegionAt(string place)
    {
        ArgumentNullException.ThrowIfNull(place);
        const string before = "layers[", between = "].regions[";
        return place.StartsWith(before, StringComparison.Ordinal) && place.EndsWith(']')
            && place.IndexOf(between, StringComparison.Ordinal) is > 0 and var at
            ? new(place[before.Length..at], RegionId.Parse(place[(at + between.Length)..^1]))
            : null;
    }

    /// <summary>Stones in a region of a layer.</summary>
    public static string Stones(string layerId, RegionId regionId, string stoneId) =>
        $"{Layer(layerId)}.stones[{LaidStones.NameOf(regionId, stoneId)}]";

    /// <summary>A line.</summary>
    public static string Line(string lineId) => $"lines[{lineId}]";

    /// <summary>Something that has to dry.</summary>
    public static string Drying(string dryingId) => $"dries[{dryingId}]";

    /// <summary>A sitting.</summary>
    public static string Sitting(string sittingId) => $"sittings[{sittingId}]";

    /// <summary>A recipe.</summary>
    public static string Recipe(string recipeId) => $"recipes[{recipeId}]";

    /// <summary>A place told by names in any case and entries by their number, such as <c>Layers[0].DepthMm</c>, as it
    /// is spelled.</summary>
    /// <param name="document">What it is a place in. Where it has nothing there, the rest is kept as it is told.</param>
    /// <param name="told">The place; may be empty.</param>
    public static string Spelled(object document, string told)
    {
        ArgumentNullException.ThrowIfNull(document);
        ArgumentNullException.ThrowIfNull(told);
        var (spelled, at) = (new StringBuilder(), (object?)document);
        foreach (var part in told.Split('.'))
        {
            var name = part.Split('[', 2)[0];
            at = at?.GetType().GetProperty(name, BindingFlags.Instance | BindingFlags.Public | BindingFlags.IgnoreCase)?.GetValue(at);
            spelled.Append(spelled.Length > 0 ? "." : "").Append(name.Length > 0 ? char.ToLowerInvariant(name[0]) + name[1..] : name);
            if (part.Length > name.Length)
            {
                var number = part[(name.Length + 1)..^1];
                at = int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var index)
                    && at is IEnumerable list && at is not string
                    ? list.Cast<object?>().ElementAtOrDefault(index)
                    : null;
                spelled.Append('[').Append(NameOf(at) ?? number).Append(']');
            }
        }

        return spelled.ToString();
    }

    /// <summary>What an entry of a list is called in a place; null for one that goes by its number.</summary>
    internal static string? NameOf(object? entry) => entry switch
    {
        RecipeShare share => share.RecipeId,
        CupChoice choice => choice.RecipeId,
        RegionDepth depth => depth.Region.ToString(),
        Granules granules => granules.StoneId,
        LaidStones stones => LaidStones.NameOf(stones.Region, stones.StoneId),
        null => null,
        _ => entry.GetType().GetProperty("Id", BindingFlags.Instance | BindingFlags.Public)?.GetValue(entry) as string,
    };
}
