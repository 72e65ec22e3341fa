using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Timeline;
using MossLantern.Data;

namespace MossLantern.Web.Hosting;

/// <summary>What the journal tells of what was poured, as the core takes it.</summary>
internal static class Poured
{
    /// <summary>A run as the pour of a layer.</summary>
    public static PouredLayer Of(Run run) => new(run.LayerId, run.Start, run.End, run.RoomC, Regions(run));

    /// <summary>The regions of a run that were poured; null where no amount was noted, which counts as all.</summary>
    public static ImmutableArray<RegionId>? Regions(Run run) =>
        run.Pours.All(p => p.PouredMl is null) ? null : [.. run.Pours.Where(p => p.PouredMl > 0).Select(p => p.RegionId)];

    /// <summary>Whether a layer is done: it is in the journal, and each of its regions was poured.</summary>
    public static bool IsDone(Layer layer, ImmutableArray<Run> logged) =>
        logged.LastOrDefault(r => r.LayerId == layer.Id) is { } run && (Regions(run) is not { } regions || run.Pours.All(p => regions.Contains(p.RegionId)));
}
