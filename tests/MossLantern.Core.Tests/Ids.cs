global using static MossLantern.Core.Tests.Ids;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Tests;

/// <summary>Regions by their ids as they are written, so that a test reads as it is meant.</summary>
internal static class Ids
{
    /// <summary>A region by its id.</summary>
    public static RegionId R(string id) => RegionId.Parse(id);

    /// <summary>Ids as they are written.</summary>
    public static IEnumerable<string> Written(this IEnumerable<RegionId> ids) => ids.Select(r => r.ToString());

    /// <summary>Ids as they are written.</summary>
    public static IEnumerable<string?> Written(this IEnumerable<RegionId?> ids) => ids.Select(r => r?.ToString());

    extension(RegionId?)
    {
        public static bool operator ==(RegionId? id, string written) => id?.ToString() == written;

        public static bool operator !=(RegionId? id, string written) => id?.ToString() != written;
    }

    extension(RegionId)
    {
        public static bool operator ==(RegionId id, string written) => id.ToString() == written;

        public static bool operator !=(RegionId id, string written) => id.ToString() != written;
    }
}
