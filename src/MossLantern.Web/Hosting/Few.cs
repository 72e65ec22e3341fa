using Microsoft.Extensions.Caching.Memory;

namespace MossLantern.Web.Hosting;

/// <summary>
/// A few things that were used lately. The cache beneath takes in nothing new while it is full: room is made first, of
/// what was used longest ago.
/// </summary>
/// <param name="most">How many are kept.</param>
internal sealed class Few<TKey, TValue>(int most) : IDisposable
    where TKey : notnull
    where TValue : class
{
    private const double Room = 0.25;

    private readonly MemoryCache kept = new(new MemoryCacheOptions());

    /// <summary>What is kept by a key; null where nothing is any more.</summary>
    public TValue? Of(TKey key) => kept.Get<TValue>(key);

    /// <summary>Keeps a thing by a key, in place of what was kept by it.</summary>
    public TValue Keep(TKey key, TValue value)
    {
        if (kept.Count >= most)
        {
            kept.Compact(Room);
        }

        return kept.Set(key, value);
    }

    /// <inheritdoc/>
    public void Dispose() => kept.Dispose();
}
