using System.Collections.Immutable;
using Microsoft.Extensions.Caching.Memory;
using MossLantern.Core.Curing;
using MossLantern.Data;
using NodaTime;

namespace MossLantern.Web.Hosting;

/// <summary>The windows of one layer, as they fall whatever the time is now.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Name">Its name.</param>
/// <param name="FillsHollow">Whether it fills a hollow, and so covers no other.</param>
/// <param name="Poured">Whether it has really been poured.</param>
/// <param name="Windows">Its windows; empty while no start is known.</param>
public sealed record LayerWindows(string LayerId, string Name, bool FillsHollow, bool Poured, ImmutableArray<CureWindow> Windows);

/// <summary>
/// Keeps the windows of every piece by its version, its logs and the zone: the ribbon stands above every page, and a piece that has
/// not changed is not planned again for it.
/// </summary>
public sealed class KeptWindows : IDisposable
{
    /// <summary>Most pieces kept.</summary>
    private const int Most = 2000;

    private readonly MemoryCache kept = new(new MemoryCacheOptions { SizeLimit = Most });

    /// <summary>The windows of a piece's layers; null where it cannot be worked out, which is tried again each time.</summary>
    /// <param name="stored">The piece.</param>
    /// <param name="runs">Its logs.</param>
    /// <param name="zone">The workshop's time zone.</param>
    /// <param name="work">Works them out.</param>
    public ImmutableArray<LayerWindows>? Of(StoredPiece stored, ImmutableArray<Run> runs, DateTimeZone zone, Func<ImmutableArray<LayerWindows>?> work)
    {
        ArgumentNullException.ThrowIfNull(stored);
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(work);
        var key = (stored.Id, stored.Version, zone.Id, string.Join(' ', runs.Select(r => $"{r.Id}:{r.Version}")));
        if (kept.TryGetValue(key, out ImmutableArray<LayerWindows> known))
        {
            return known;
        }

        if (work() is not { } found)
        {
            return null;
        }

        kept.Set(key, found, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = TimeSpan.FromHours(12) });
        return found;
    }

    /// <inheritdoc/>
    public void Dispose() => kept.Dispose();
}
