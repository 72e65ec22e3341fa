namespace MossLantern.Core.Documents;

/// <summary>Ids for what is added to a document.</summary>
internal static class FreeId
{
    /// <summary>A name with the first number that is not taken.</summary>
    public static string Of(string name, IEnumerable<string> taken)
    {
        var ids = taken.ToHashSet();
        return Enumerable.Range(1, ids.Count + 1).Select(n => FormattableString.Invariant($"{name}-{n}")).First(n => !ids.Contains(n));
    }
}
