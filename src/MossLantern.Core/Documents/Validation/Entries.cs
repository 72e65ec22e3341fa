using System.Globalization;

namespace MossLantern.Core.Documents;

/// <summary>Entries of lists, as rules tell them.</summary>
internal static class Entries
{
    /// <summary>Whether ids are each there once, none empty or too long.</summary>
    public static bool Unique(IEnumerable<string> ids) => ids.GroupBy(id => id).All(g => g.Key.Length is > 0 and <= 40 && g.Count() == 1);

    /// <summary>The place of an entry, by its number.</summary>
    public static string At(string list, int index) => string.Create(CultureInfo.InvariantCulture, $"{list}[{index}]");
}
