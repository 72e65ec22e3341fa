using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using MossLantern.Data;

namespace MossLantern.Web.Hosting;

/// <summary>What the journal tells of what was poured, as the core takes it.</summary>
internal static class Poured
{
    /// <summary>A run as the pour of a sitting.</summary>
    public static PouredSitting Of(Run run) => new(
        run.SittingId, run.Start, run.End, run.RoomC, Regions(run), [.. run.Pours.Where(p => p.PouredMl > 0).Select(p => new PouredAmount(p.Of, p.Pass, p.PouredMl!.Value))]);

    /// <summary>The regions of a run that were poured, in every pass; null where no amount was noted, which counts as all.</summary>
    public static ImmutableArray<RegionOf>? Regions(Run run) => run.Pours.All(p => p.PouredMl is null) ? null
        : [.. run.Pours.GroupBy(p => p.Of).Where(g => g.All(p => p.PouredMl > 0)).Select(g => g.Key)];

    /// <summary>Whether a layer is done: every sitting that fills something of it is in the journal, and each of its regions was poured.</summary>
    public static bool IsDone(Piece piece, Layer layer, ImmutableArray<Run> logged)
    {
        var filling = piece.SittingsOf(layer).ToList();
        return filling.Count > 0 && filling.All(s => logged.LastOrDefault(r => r.SittingId == s.Id) is { } run
            && (Regions(run) is not { } regions || run.Pours.Where(p => p.LayerId == layer.Id).All(p => regions.Contains(p.Of))));
    }

    /// <summary>The layers that something was poured of.</summary>
    public static IEnumerable<string> LayerIds(Piece piece, ImmutableArray<Run> logged)
    {
        var sittings = logged.Select(r => r.SittingId).ToHashSet();
        return piece.Sittings.Where(s => sittings.Contains(s.Id)).SelectMany(s => s.LayerIds);
    }
}
