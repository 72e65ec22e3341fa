using Microsoft.Extensions.Caching.Memory;
using MossLantern.Core.Painting;

namespace MossLantern.Web.Hosting;

/// <summary>What a picture shows: a piece as a version of it is, so wide, looked at in a way.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Version">Its version: every change counts it up, and no number comes again.</param>
/// <param name="Pixels">Width, pixels.</param>
/// <param name="Look">How it is looked at.</param>
public sealed record PictureKey(string PieceId, int Version, int Pixels, Look Look);

/// <summary>Keeps the small pictures that were painted last: the shelf shows the same ones again and again.</summary>
public sealed class KeptPictures : IDisposable
{
    /// <summary>Most bytes kept.</summary>
    private const long Most = 64 * 1024 * 1024;

    /// <summary>Pictures of more bytes than this are painted when they are asked for.</summary>
    private const long Small = 1024 * 1024;

    private readonly MemoryCache kept = new(new MemoryCacheOptions { SizeLimit = Most });

    /// <summary>A picture that is kept, or null.</summary>
    /// <param name="key">What it shows; null for what is never kept.</param>
    public byte[]? Of(PictureKey? key) => key is not null && kept.TryGetValue(key, out byte[]? png) ? png : null;

    /// <summary>Keeps a picture, if it is small.</summary>
    /// <param name="key">What it shows; null for what is never kept.</param>
    /// <param name="png">The picture.</param>
    public void Keep(PictureKey? key, byte[] png)
    {
        ArgumentNullException.ThrowIfNull(png);
        if (key is not null && png.Length <= Small)
        {
            kept.Set(key, png, new MemoryCacheEntryOptions { Size = png.Length });
        }
    }

    /// <inheritdoc/>
    public void Dispose() => kept.Dispose();
}
