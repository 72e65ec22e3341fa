using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Microsoft.Extensions.Caching.Memory;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;

namespace MossLantern.Web.Hosting;

/// <summary>What a picture shows: a piece as a version of it is, so wide, looked at in a way, painted from materials.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Version">Its version: every change counts it up, and no number comes again.</param>
/// <param name="Pixels">Width, pixels.</param>
/// <param name="Look">How it is looked at.</param>
/// <param name="Mark">The mark of what it is painted from besides (<see cref="KeptPictures.MarkOf"/>).</param>
public sealed record PictureKey(string PieceId, int Version, int Pixels, Look Look, string Mark);

/// <summary>
/// Keeps the small pictures that were painted last: the shelf shows the same ones again and again. Those that show pieces as they usually
/// are stay in a folder beside the workshop when the program ends; whatever is there can be painted again.
/// </summary>
public sealed class KeptPictures : IDisposable
{
    /// <summary>Most bytes kept in memory.</summary>
    private const long Most = 64 * 1024 * 1024;

    /// <summary>Pictures of more bytes than this are painted when they are asked for.</summary>
    private const long Small = 1024 * 1024;

    /// <summary>What another build of the program painted is painted anew.</summary>
    private static readonly string Build = typeof(Painter).Module.ModuleVersionId.ToString("n")[..12];

    private readonly MemoryCache kept = new(new MemoryCacheOptions { SizeLimit = Most });
    private readonly string folder;
    private readonly ILogger<KeptPictures> log;

    /// <summary>Pictures beside a workshop.</summary>
    public KeptPictures(WorkshopFolder workshop, ILogger<KeptPictures> log)
    {
        ArgumentNullException.ThrowIfNull(workshop);
        folder = Path.Combine(workshop.Path, "pictures");
        this.log = log;
    }

    /// <summary>A mark that changes with whatever pictures are painted from besides their pieces: the materials, and the program.</summary>
    public static string MarkOf(Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        return $"{catalogue.ColourKey}{Build}";
    }

    /// <summary>A picture that is kept, or null.</summary>
    /// <param name="key">What it shows; null for what is never kept.</param>
    public byte[]? Of(PictureKey? key)
    {
        if (key is null)
        {
            return null;
        }

        if (kept.TryGetValue(key, out byte[]? png))
        {
            return png;
        }

        try
        {
            var file = Path.Combine(folder, FileOf(key));
            if (key.Look == Look.Usual && File.Exists(file))
            {
                png = File.ReadAllBytes(file);
                kept.Set(key, png, new MemoryCacheEntryOptions { Size = png.Length });
                return png;
            }
        }
        catch (IOException e)
        {
            log.LogWarning(e, "A kept picture could not be read");
        }

        return null;
    }

    /// <summary>Keeps a picture, if it is small; others of the same piece that show it as it was go.</summary>
    /// <param name="key">What it shows; null for what is never kept.</param>
    /// <param name="png">The picture.</param>
    public void Keep(PictureKey? key, byte[] png)
    {
        ArgumentNullException.ThrowIfNull(png);
        if (key is null || png.Length > Small)
        {
            return;
        }

        kept.Set(key, png, new MemoryCacheEntryOptions { Size = png.Length });
        if (key.Look != Look.Usual)
        {
            return;
        }

        try
        {
            Directory.CreateDirectory(folder);
            var file = Path.Combine(folder, FileOf(key));

            // Put in place when it is whole: the program may end at any time.
            var half = $"{file}.{Guid.NewGuid():n}.half";
            File.WriteAllBytes(half, png);
            File.Move(half, file, overwrite: true);
            var now = StateOf(key);
            foreach (var other in Directory.EnumerateFiles(folder, $"{PieceOf(key)}-*")
                .Where(f => !Path.GetFileName(f).StartsWith(now, StringComparison.Ordinal)))
            {
                File.Delete(other);
            }
        }
        catch (IOException e)
        {
            log.LogWarning(e, "A picture could not be kept");
        }
        catch (UnauthorizedAccessException e)
        {
            log.LogWarning(e, "A picture could not be kept");
        }
    }

    /// <inheritdoc/>
    public void Dispose() => kept.Dispose();

    /// <summary>Names of files are hashes: an id is never a path.</summary>
    private static string PieceOf(PictureKey key) => Hash(key.PieceId);

    private static string StateOf(PictureKey key) =>
        string.Create(CultureInfo.InvariantCulture, $"{PieceOf(key)}-{Hash($"{key.Version} {key.Mark}")}-");

    private static string FileOf(PictureKey key) => string.Create(CultureInfo.InvariantCulture, $"{StateOf(key)}{key.Pixels}.png");

    private static string Hash(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..16];
}
