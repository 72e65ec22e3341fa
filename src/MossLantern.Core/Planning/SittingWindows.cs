using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;

namespace MossLantern.Core.Planning;

/// <summary>
/// The windows of sittings that share a piece: tape goes round a layer, however many sittings fill it, and what
/// something lies over takes no other layer.
/// </summary>
/// <remarks>Source: docs/craft/curing.md, Windows.</remarks>
internal static class SittingWindows
{
    /// <summary>The sittings, each with the windows that are its own.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="laid">Its layers.</param>
    /// <param name="sittings">Its sittings, each with its windows as if it were alone.</param>
    public static ImmutableArray<SittingPlan> Of(Piece piece, ImmutableArray<LaidLayer> laid, ImmutableArray<SittingPlan> sittings)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var rims = laid.SelectMany(l => l.Map.Regions.Where(r => r.OpenEdgeMm > 0).Select(r => new RegionOf(l.Layer.Id, r.Id))).ToHashSet();
        var tapes = Tapes.SelectMany(t => piece.Layers.SelectMany(l => Tape(t, l.Id, rims, sittings)))
            .ToLookup(t => t.SittingId, t => t.Window);
        var open = piece.Layers.Where(l => !IsCovered(piece, l, sittings))
            .SelectMany(l => SittingsOnTop.Of(l.Id, sittings, poured: true)).Select(s => s.SittingId).ToHashSet();
        // A piece leaves what it was cast in once, when all of it is firm; what fills a hollow has its own clock.
        var main = piece.Layers.Where(l => l.Within is null).Select(l => l.Id).ToHashSet();
        var hollows = sittings.Where(s => !s.LayerIds.Any(main.Contains)).Select(s => s.SittingId).ToHashSet();
        var leaves = sittings.Where(s => !hollows.Contains(s.SittingId)).SelectMany(s =>
            s.Windows.Where(w => Leaves(w.Milestone)).Select(w => (s.SittingId, w.Milestone, w.Opens)))
            .GroupBy(w => w.Milestone).Select(g => g.MaxBy(w => w.Opens)).Select(w => (w.SittingId, w.Milestone)).ToHashSet();
        return
        [
            .. sittings.Select(s => s with
            {
                Windows =
                [
                    .. tapes[s.SittingId].GroupBy(w => w.Milestone).Select(g => g.MinBy(w => w.Closes)!),
                    .. s.Windows.Where(w => !Tapes.Contains(w.Milestone)
                        && (w.Milestone != Milestone.NextLayer || open.Contains(s.SittingId))
                        && (!Leaves(w.Milestone) || hollows.Contains(s.SittingId) || leaves.Contains((s.SittingId, w.Milestone)))),
                ],
            }),
        ];
    }

    /// <summary>The runs of tape, in the order they come off.</summary>
    private static readonly ImmutableArray<Milestone> Tapes = [Milestone.DamPull, Milestone.EdgeRoll, Milestone.TapePull];

    private static bool Leaves(Milestone milestone) => milestone is Milestone.Demould or Milestone.OffSheet or Milestone.BackTape;

    /// <summary>Whether something has been poured over a layer.</summary>
    private static bool IsCovered(Piece piece, Layer layer, ImmutableArray<SittingPlan> sittings) =>
        piece.Layers.SkipWhile(l => l.Id != layer.Id).Skip(1).Any(l => l.Within == layer.Within && sittings.Any(s => s.HasBegun(l.Id)));

    /// <summary>When the tape round a layer comes off: it opens with the last pour that touches an open edge and closes with the
    /// first.</summary>
    private static IEnumerable<(string SittingId, CureWindow Window)> Tape(Milestone run, string layerId, HashSet<RegionOf> rims,
        ImmutableArray<SittingPlan> sittings)
    {
        var taped = sittings.Where(s => s.Pours.Any(p => p.LayerId == layerId && rims.Contains(p.Of)))
            .SelectMany(s => s.Windows.Where(w => w.Milestone == run).Select(w => (s.SittingId, Window: w))).ToList();
        if (taped.Count > 0)
        {
            var (sittingId, last) = taped.MaxBy(t => t.Window.Opens);
            yield return (sittingId, last.ClosingWith(taped.MinBy(t => t.Window.Closes).Window));
        }
    }
}
