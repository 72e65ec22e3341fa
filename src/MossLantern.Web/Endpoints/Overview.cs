using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Materials;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;

namespace MossLantern.Web.Endpoints;

/// <summary>
/// A piece on the shelf; its foot is what its box reaches below its outline. One that cannot be read says so. The
/// picture's mark changes with
/// whatever its picture is painted from.
/// </summary>
public sealed record ShelfView(
    string Id, int Version, string Name, double WidthMm, double HeightMm, double FootMm, int Layers, int Poured,
    int Begun, Moment SavedAt, string? Problem, string Picture);

/// <summary>A window of one of the pieces, which has so many layers, for the ribbon. One that is being worked out anew says so: it may
/// move.</summary>
public sealed record RibbonSpan(
    string PieceId, string PieceName, string SittingId, string SittingName, string LayerId, Milestone Milestone,
    Moment Opens, Moment? Closes, WindowState State, bool Poured, bool Half, int Layers,
    bool Renewing);

/// <summary>A night, when nobody is at the bench.</summary>
public sealed record RibbonNight(Moment From, Moment To);

/// <summary>The coming days across all pieces; the pieces whose windows cannot be worked out, and whether some are
/// being worked out anew.</summary>
public sealed record RibbonView(
    Moment Now, Moment To, ImmutableArray<RibbonNight> Nights, ImmutableArray<RibbonSpan> Spans,
    ImmutableArray<PieceRef> Failed, bool Renewing);

/// <summary>A piece that is kept aside, and until when.</summary>
public sealed record AsideView(string Id, string Name, Moment TakenOff, Moment Until);

/// <summary>All pieces at once, from what is kept of them: none is worked out for it that has not changed.</summary>
public sealed class Overview(PieceStore pieces, KeptPlans kept, WorkshopTime time, WorkshopSurroundings around)
{
    private const int RibbonHours = 72;

    /// <summary>How long a piece that was taken off the shelf is kept aside.</summary>
    public const int DaysAside = 30;

    private const string CannotBeRead = "Its document cannot be read. The other pieces are not touched by it.";

    /// <summary>All pieces for the shelf; what lies beneath another is one with it.</summary>
    public ImmutableArray<ShelfView> Shelf()
    {
        var zone = time.Zone;
        var all = kept.Documents();
        var beneath = all.Select(k => k.Plan?.BeneathId).ToHashSet();
        var mark = KeptPictures.MarkOf(around.Catalogue);
        var views = all.Where(k => !beneath.Contains(k.Head.Id)).Select(k => new ShelfView(
            k.Head.Id, k.Head.Version, k.Head.Name, k.Head.WidthMm, k.Head.HeightMm, k.Plan?.FootMm ?? 0,
            k.Plan?.Layers ?? 0, k.Plan?.Poured ?? 0, k.Plan?.Begun ?? 0,
            WorkshopTime.Local(k.Head.SavedAt, zone), k.Plan?.Problem == KeptPlans.Unreadable ? CannotBeRead : null, mark)).ToList();
        return [.. views.Where(v => v.Problem is null), .. views.Where(v => v.Problem is not null)];
    }

    /// <summary>The windows of all pieces in the coming days.</summary>
    public RibbonView Ribbon()
    {
        var zone = time.Zone;
        var now = time.Now;
        var to = now + Duration.FromHours(RibbonHours);

        // One piece that cannot be worked out is told, and hides no other.
        var all = kept.All();
        var within = around.Now;
        var spans =
            from known in all
            where known.Plan is not null
            from window in known.Plan!.Windows
            let open = window.In(within.Room)
            let state = CureWindow.StateAt(open.Opens, open.Closes, now)
            where state != WindowState.Never && open.Opens < to && (open.Closes ?? open.Opens) > now
            orderby open.Opens
            select new RibbonSpan(
                known.Head.Id, known.Head.Name, window.SittingId, window.Name, window.LayerId, window.Milestone,
                WorkshopTime.Local(open.Opens, zone),
                open.Closes is { } closes ? WorkshopTime.Local(closes, zone) : null, state, window.Poured, window.Half, known.Plan!.Layers,
                !known.Holds);
        return new(
            WorkshopTime.Local(now, zone), WorkshopTime.Local(to, zone), [.. Nights(now, to, within)], [.. spans],
            [.. all.Where(k => k.Plan?.Problem is not null).OrderBy(k => k.Plan!.Problem == KeptPlans.Unreadable)
                .Select(k => new PieceRef(k.Head.Id, k.Head.Name))],
            all.Any(k => !k.Holds));
    }

    /// <summary>The pieces that are kept aside. Those whose time is over are forgotten.</summary>
    public ImmutableArray<AsideView> Aside()
    {
        var zone = time.Zone;
        pieces.Forget(time.Now, DaysAside);
        return [.. pieces.Aside().Select(p => new AsideView(p.Id, p.Name, WorkshopTime.Local(p.TakenOffAt, zone),
            WorkshopTime.Local(p.TakenOffAt + Duration.FromDays(DaysAside), zone)))];
    }

    private static IEnumerable<RibbonNight> Nights(Instant from, Instant to, Surroundings within)
    {
        var (zone, habits) = (within.Zone, within.Habits);
        var day = from.InZone(zone).Date.PlusDays(-1);
        for (; zone.AtLeniently(day + habits.NightFrom).ToInstant() < to; day = day.PlusDays(1))
        {
            var start = Instant.Max(from, zone.AtLeniently(day + habits.NightFrom).ToInstant());
            var end = Instant.Min(to, zone.AtLeniently(day.PlusDays(1) + habits.NightTo).ToInstant());
            if (start < end)
            {
                yield return new(WorkshopTime.Local(start, zone), WorkshopTime.Local(end, zone));
            }
        }
    }
}
