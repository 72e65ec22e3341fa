using MossLantern.Core.Units;

namespace MossLantern.Web.Hosting;

/// <summary>A turn to paint a picture. Large ones take seconds on every core: one is painted at a time, the others wait.</summary>
internal sealed class PictureTurn : IDisposable
{
    /// <summary>Pictures of more pixels than this are large.</summary>
    private const double LargePixels = 8_000_000;

    private static readonly SemaphoreSlim Large = new(1);

    private readonly WorkBound? bound;

    private PictureTurn(WorkBound? bound) => this.bound = bound;

    /// <summary>Waits for a turn, for as long as somebody waits for the picture; the time to paint it counts from then on.</summary>
    /// <param name="width">Width of the picture, pixels.</param>
    /// <param name="highOverWide">Its height over its width.</param>
    /// <param name="stop">Ends the wait and the painting.</param>
    public static async Task<PictureTurn> For(int width, double highOverWide, CancellationToken stop)
    {
        if (width * (width * highOverWide) <= LargePixels)
        {
            return new(null);
        }

        await Large.WaitAsync(stop);
        return new(new WorkBound(stop));
    }

    /// <summary>Bounds what follows in this flow of work by the turn.</summary>
    public void Begin()
    {
        if (bound is not null)
        {
            Effort.Until(bound.Token);
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        if (bound is not null)
        {
            bound.Dispose();
            Large.Release();
        }
    }
}
