using System.Collections.Immutable;
using FluentValidation;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;

namespace MossLantern.Web.Endpoints;

/// <summary>A window in the workshop's local time.</summary>
public sealed record WindowView(
    Milestone Milestone, Moment Opens, Moment? Closes, WindowState State, Reckoned OpensAfterHours, Reckoned? ClosesAfterHours);

/// <summary>The pour that windows count from.</summary>
public sealed record PourView(Moment Start, Moment End, double RoomC, Origin RoomOrigin);

/// <summary>Everything worked out for a layer.</summary>
public sealed record LayerView(
    string LayerId,
    PieceBox Box,
    ImmutableArray<RegionPlan> Regions,
    ImmutableArray<CutSpan> Cut,
    double CutAtMm,
    CupPlan Cups,
    ImmutableArray<PourStep> Steps,
    ImmutableDictionary<string, Reckoned> Opacity,
    PourView? Pour,
    bool Poured,
    ImmutableArray<WindowView> Windows,
    ImmutableArray<LayoutFact> Facts,
    ImmutableArray<ColourBalance> Balance);

/// <summary>Everything worked out for a piece; why its underside is not seen and no light comes through it, where that is so.</summary>
public sealed record PlanView(GroundPlan Ground, ImmutableArray<LayerView> Layers, ImmutableArray<Finding> Findings, PotLeft? Pot, string? Hidden);

/// <summary>A pour of a run as it is shown.</summary>
public sealed record RunPourView(string RegionId, string ColourName, double PlannedMl, double? PouredMl);

/// <summary>A run as it is shown.</summary>
public sealed record RunView(
    string Id, string LayerId, int Version, Moment Start, Moment? End, double? RoomC, string Note, ImmutableArray<RunPourView> Pours);

/// <summary>A piece by its name.</summary>
public sealed record PieceRef(string Id, string Name);

/// <summary>A piece with everything worked out for it. A finished one may lie beneath another, which was poured over it.</summary>
public sealed record PieceView(
    string Id, int Version, Moment SavedAt, bool CanUndo, bool CanRedo, Piece Piece, PlanView Plan, ImmutableArray<RunView> Runs,
    bool Finished, PieceRef? Beneath);

/// <summary>A piece as a preview shows it: nothing is saved.</summary>
public sealed record PreviewView(PlanView? Plan, Painting? Painting);

/// <summary>A piece on the shelf; its foot is what its box reaches below its outline.</summary>
public sealed record ShelfView(
    string Id, int Version, string Name, double WidthMm, double HeightMm, double FootMm, int Layers, int Poured, Moment SavedAt);

/// <summary>A window of one of the pieces, for the ribbon.</summary>
public sealed record RibbonSpan(
    string PieceId, string PieceName, string LayerId, string LayerName, Milestone Milestone, Moment Opens, Moment? Closes, WindowState State, bool Poured);

/// <summary>A night, when nobody is at the bench.</summary>
public sealed record RibbonNight(Moment From, Moment To);

/// <summary>The coming days across all pieces.</summary>
public sealed record RibbonView(Moment Now, Moment To, ImmutableArray<RibbonNight> Nights, ImmutableArray<RibbonSpan> Spans);

/// <summary>Brings stores, clock and the chain together for the endpoints.</summary>
public sealed class Workbench(
    PieceStore pieces, RunStore runs, PriceList prices, PotStore pots, PiecePlanner planner, IValidator<Piece> validator, WorkshopTime time)
{
    private const int RibbonHours = 72;

    /// <summary>A piece with the growth scale its outline asks for, if it is valid.</summary>
    /// <exception cref="ValidationException">It is not; names every field and its range.</exception>
    public Piece Checked(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var settled = piece with { Growth = piece.Growth.Kept(piece.Ground.MapOutline) };
        validator.ValidateAndThrow(settled);
        return settled;
    }

    /// <summary>A stored piece with everything worked out.</summary>
    public PieceView View(StoredPiece stored)
    {
        ArgumentNullException.ThrowIfNull(stored);
        var zone = time.Zone;
        var kept = runs.Of(stored.Id);
        var finished = Finished(stored.Piece, kept);
        return new(
            stored.Id, stored.Version, WorkshopTime.Local(stored.SavedAt, zone), stored.CanUndo, stored.CanRedo,
            stored.Piece, Plan(stored.Piece, kept),
            [.. kept.Select(r => View(r, zone))],
            finished,
            finished && pieces.All().LastOrDefault(p => p.Piece.Ground.Old?.PieceId == stored.Id) is { } over ? new(over.Id, over.Piece.Name) : null);
    }

    /// <summary>Whether every layer of a piece has been poured.</summary>
    public bool Finished(StoredPiece stored)
    {
        ArgumentNullException.ThrowIfNull(stored);
        return Finished(stored.Piece, runs.Of(stored.Id));
    }

    private static bool Finished(Piece piece, ImmutableArray<Run> kept) => piece.Layers.All(l => kept.Any(r => r.LayerId == l.Id));

    /// <summary>What a piece's document gives, with what was really poured of it.</summary>
    public PlanView Plan(Piece piece, ImmutableArray<Run> kept)
    {
        var zone = time.Zone;
        var now = time.Now;
        var plan = planner.Plan(piece, [.. kept.Select(r => new PouredLayer(r.LayerId, r.Start, r.End, r.RoomC))], zone);
        var ground = plan.Ground.SealWays.IsEmpty ? plan.Ground
            : plan.Ground with { SealWays = Preparation.Priced(plan.Ground.SealWays, prices.Now, plan.Ground.Area.Value) };
        return new(ground, [.. plan.Layers.Select(l => new LayerView(
            l.LayerId, l.Box, l.Regions, l.Cut, l.CutAtMm, l.Cups, l.Steps, l.Opacity,
            l.Pour is { } p ? new(WorkshopTime.Local(p.Start, zone), WorkshopTime.Local(p.End, zone), p.RoomC, p.RoomOrigin) : null,
            l.Poured,
            [.. l.Windows.Select(w => new WindowView(
                w.Milestone, WorkshopTime.Local(w.Opens, zone), w.Closes is { } c ? WorkshopTime.Local(c, zone) : null,
                w.StateAt(now), w.OpensAfterHours, w.ClosesAfterHours))], l.Facts, l.Balance))], plan.Findings, PotOf(piece, plan.Ground), Look.Hidden(piece));
    }

    /// <summary>The pot that the ground's paint comes from, beside what the ground takes.</summary>
    private PotLeft? PotOf(Piece piece, GroundPlan ground) =>
        piece.Ground.Paint is { PotId: { } id, AsMap: false }
        && ground.Preparation.FirstOrDefault(s => s.Id == "paint")?.Amount is { } takes
        && pots.All().FirstOrDefault(p => p.Id == id) is { } pot
            ? PotLeft.Of(pot.Thing, takes)
            : null;

    /// <summary>A piece with a remedy applied, or null where there is no such finding or remedy.</summary>
    public Piece? Remedied(string id, Piece piece, string finding, string remedy)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Plan(piece, runs.Of(id)).Findings.FirstOrDefault(f => f.Key == finding)?.Remedies.FirstOrDefault(r => r.Id == remedy)?.Apply(piece);
    }

    /// <summary>A preview of an edited piece: what is worked out for one layer, or for all, and a painting up to it, as far as they are asked for.</summary>
    public PreviewView Preview(string id, Piece piece, string? layerId, PaintDetail? detail, bool numbers, Look? look)
    {
        var painting = detail is { } wanted ? planner.Paint(piece, layerId, wanted, look) : null;
        if (!numbers)
        {
            return new(null, painting);
        }

        var plan = Plan(piece, runs.Of(id));
        return new(
            layerId is null ? plan : plan with { Layers = [plan.Layers.Single(l => l.LayerId == layerId)] },
            painting);
    }

    /// <summary>A painting of a piece.</summary>
    public Painting Paint(Piece piece, string? layerId, PaintDetail detail, Look? look = null) => planner.Paint(piece, layerId, detail, look);

    /// <summary>All pieces for the shelf; what lies beneath another is one with it.</summary>
    public ImmutableArray<ShelfView> Shelf()
    {
        var zone = time.Zone;
        var poured = runs.Of(null).ToLookup(r => r.PieceId, r => r.LayerId);
        var all = pieces.All();
        var beneath = all.Select(p => p.Piece.Ground.Old?.PieceId).ToHashSet();
        return
        [
            .. all.Where(p => !beneath.Contains(p.Id)).Select(p => new ShelfView(
                p.Id, p.Version, p.Piece.Name, p.Piece.Ground.Whole.BoxWidthMm, p.Piece.Ground.Whole.BoxHeightMm,
                FootOf(p.Piece.Ground.Whole), p.Piece.Layers.Length, p.Piece.Layers.Count(l => poured[p.Id].Contains(l.Id)),
                WorkshopTime.Local(p.SavedAt, zone))),
        ];
    }

    /// <summary>The windows of all pieces in the coming days.</summary>
    public RibbonView Ribbon()
    {
        var zone = time.Zone;
        var now = time.Now;
        var to = now + Duration.FromHours(RibbonHours);
        var kept = runs.Of(null).ToLookup(r => r.PieceId);

        var spans = pieces.All().SelectMany(p => Uncovered(Plan(p.Piece, [.. kept[p.Id]]).Layers.Zip(p.Piece.Layers))
            .SelectMany(pair => pair.First.Windows
                .Where(w => w.State != WindowState.Never && w.Opens.At < to && (w.Closes?.At ?? w.Opens.At) > now)
                .Select(w => new RibbonSpan(
                    p.Id, p.Piece.Name, pair.Second.Id, pair.Second.Name, w.Milestone, w.Opens, w.Closes, w.State, pair.First.Poured))));
        return new(
            WorkshopTime.Local(now, zone), WorkshopTime.Local(to, zone), [.. Nights(now, to, zone)],
            [.. spans.OrderBy(s => s.Opens.At)]);
    }

    /// <summary>A layer that another has been poured over has no windows of its own any more; a filled hollow covers nothing and keeps its own.</summary>
    private static IEnumerable<(LayerView First, Layer Second)> Uncovered(IEnumerable<(LayerView First, Layer Second)> layers)
    {
        var all = layers.ToList();
        return all.Where(l => l.Second.Within is null).Reverse().TakeUntil(l => l.First.Poured).Concat(all.Where(l => l.Second.Within is not null));
    }

    /// <summary>A run as it is shown.</summary>
    public static RunView View(Run run, DateTimeZone zone)
    {
        ArgumentNullException.ThrowIfNull(run);
        return new(
            run.Id, run.LayerId, run.Version, WorkshopTime.Local(run.Start, zone),
            run.End is { } end ? WorkshopTime.Local(end, zone) : null, run.RoomC, run.Note,
            [.. run.Pours.Select(p => new RunPourView(p.RegionId, p.ColourName, p.PlannedMl, p.PouredMl))]);
    }

    /// <summary>A slice seldom reaches the lower side of its frame.</summary>
    private static double FootOf(Outline outline) =>
        Math.Max(0, outline.BoxHeightMm - outline.Rings.Max(r => r.Ys.ToArray().Max()));

    private static IEnumerable<RibbonNight> Nights(Instant from, Instant to, DateTimeZone zone)
    {
        var day = from.InZone(zone).Date.PlusDays(-1);
        for (; zone.AtLeniently(day + new LocalTime(22, 0)).ToInstant() < to; day = day.PlusDays(1))
        {
            var start = Instant.Max(from, zone.AtLeniently(day + new LocalTime(22, 0)).ToInstant());
            var end = Instant.Min(to, zone.AtLeniently(day.PlusDays(1) + new LocalTime(7, 0)).ToInstant());
            if (start < end)
            {
                yield return new(WorkshopTime.Local(start, zone), WorkshopTime.Local(end, zone));
            }
        }
    }
}

internal static class Sequences
{
    /// <summary>Items up to and including the first that meets a condition.</summary>
    public static IEnumerable<T> TakeUntil<T>(this IEnumerable<T> items, Func<T, bool> last)
    {
        foreach (var item in items)
        {
            yield return item;
            if (last(item))
            {
                yield break;
            }
        }
    }
}
