using System.Collections.Immutable;
using System.Text.Json;

namespace MossLantern.Web.Hosting;

/// <summary>A value of a query, by the word that the interface's document lists; capitals do not count.</summary>
/// <typeparam name="T">What it is one of.</typeparam>
/// <param name="Value">The value.</param>
internal readonly record struct Word<T>(T Value)
    where T : struct, Enum
{
    /// <summary>The words.</summary>
    public static ImmutableArray<string> All { get; } =
        [.. Enum.GetNames<T>().Select(n => JsonNamingPolicy.KebabCaseLower.ConvertName(n))];

    /// <summary>Reads a word.</summary>
    public static bool TryParse(string? text, IFormatProvider? provider, out Word<T> word)
    {
        var at = All.Select((w, i) => (w, i)).Where(w => string.Equals(w.w, text, StringComparison.OrdinalIgnoreCase))
            .Select(w => w.i).DefaultIfEmpty(-1).First();
        word = at < 0 ? default : new(Enum.GetValues<T>()[at]);
        return at >= 0;
    }
}
