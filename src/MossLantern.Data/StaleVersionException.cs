
namespace MossLantern.Data;

/// <summary>A save that was based on a version that is no longer the newest. Nothing was written.</summary>
/// <param name="Newest">The newest version.</param>
public sealed class StaleVersionException(int newest) : Exception($"It was changed elsewhere: version {newest} is the newest.")
{
    /// <summary>The newest version.</summary>
    public int Newest { get; } = newest;
}
