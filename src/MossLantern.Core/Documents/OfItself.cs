namespace MossLantern.Core.Documents;

/// <summary>
/// Something that follows from a record, worked out at most once and no part of what makes two records equal. A copy with
/// other values works it out anew.
/// </summary>
/// <typeparam name="T">What follows.</typeparam>
internal sealed class OfItself<T> : IEquatable<OfItself<T>>
{
    private sealed record Known(object Of, T Value);

    private Known? known;

    public T Get(object of, Func<T> workOut)
    {
        var have = known;
        if (have is null || !ReferenceEquals(have.Of, of))
        {
            known = have = new(of, workOut());
        }

        return have.Value;
    }

    public bool Equals(OfItself<T>? other) => other is not null;

    public override bool Equals(object? obj) => obj is OfItself<T>;

    public override int GetHashCode() => 0;
}
