using System.Globalization;
using System.Text.Json.Nodes;

namespace MossLantern.Web.Tests;

/// <summary>The values of a request by their place, and what to put there to see it refused.</summary>
internal static class Places
{
    /// <summary>What a field may be sent instead of its value, as JSON; the first leaves it out.</summary>
    public static readonly string?[] BadValues = [null, "null", "\"12 apples\"", "true", "{}", "[]", "-1e9", "1e9",
        "1e999", "[null]", "{\"x\":1}"];

    /// <summary>Every value of a request, by its place.</summary>
    public static IEnumerable<(string Place, JsonNode? Leaf)> All(JsonNode node, string at = "") => node switch
    {
        JsonObject o => o.SelectMany(p => Below(p.Value, at.Length == 0 ? p.Key : $"{at}.{p.Key}")),
        JsonArray a => a.SelectMany((item, i) => Below(item, $"{at}[{i}]")),
        _ => [],
    };

    private static IEnumerable<(string, JsonNode?)> Below(JsonNode? node, string place) =>
        node is null ? [(place, null)] : All(node, place).Prepend((place, node));

    public static JsonNode? At(JsonNode root, string place) =>
        place.Replace("[", ".", StringComparison.Ordinal).Replace("]", "", StringComparison.Ordinal).Split('.')
            .Aggregate((JsonNode?)root,
                (node, step) => node is JsonArray list ? list[int.Parse(step, CultureInfo.InvariantCulture)] : node?[step]);

    public static void Set(JsonObject root, string place, JsonNode? value, bool remove)
    {
        var steps = place.Replace("[", ".", StringComparison.Ordinal).Replace("]", "", StringComparison.Ordinal).Split('.');
        var parent = steps.Length == 1 ? root : At(root, string.Join('.', steps[..^1]));
        switch (parent)
        {
            case JsonArray list when remove:
                list[int.Parse(steps[^1], CultureInfo.InvariantCulture)] = null;
                break;
            case JsonArray list:
                list[int.Parse(steps[^1], CultureInfo.InvariantCulture)] = value;
                break;
            case JsonObject o when remove:
                o.Remove(steps[^1]);
                break;
            default:
                parent![steps[^1]] = value;
                break;
        }
    }
}
