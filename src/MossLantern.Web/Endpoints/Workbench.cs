using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text.Json;
using FluentValidation;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;
using MossLantern.Data;
using MossLantern.Formats;
using MossLantern.Web.Hosting;
using NodaTime;

namespace MossLantern.Web.Endpoints;

/// <summary>A window in the workshop's local time.</summary>
public sealed record WindowView(
    Milestone Milestone, Moment Opens, Moment? Closes, WindowState State, Reckoned OpensAfterHours, Reckoned? ClosesAfterHours);

/// <summary>The pour that windows count from.</summary>
public sealed record PourSpanView(Moment Start, Moment End, double RoomC, Origin RoomOrigin);

/// <summary>Everything worked out for a layer.</summary>
public sealed record LayerView(
    string LayerId,
    PieceBox Box,
    ImmutableArray<RegionPlan> Regions,
    ImmutableArray<Border> Borders,
    ImmutableArray<CutSpan> Cut,
    double CutAtMm,
    ImmutableArray<LayerColour> Colours,
    ImmutableArray<string> SittingIds,
    bool Poured,
    bool Done,
    ImmutableArray<RegionId> OpenRegions,
    ImmutableArray<ClearToLevel> LevelClear,
    ImmutableArray<StonesOut> StonesOut,
    ImmutableArray<LayoutFact> Facts,
    ImmutableArray<PoolHold> Holds,
    ImmutableArray<LinePlan> Lines,
    ImmutableArray<Waits> Waits,
    ImmutableArray<WallsTogether> WallsTogether,
    WallsView Walls,
    ImmutableArray<ColourBalance> Balance);

/// <summary>Whether what holds a layer's resin back does, and from when one may pour.</summary>
public sealed record WallsView(
    WallsState State, string Says, ImmutableArray<Reckoned> Numbers, RegionId? RegionId, Moment? PourFrom, ImmutableArray<string> ToLay);

/// <summary>Everything worked out for a sitting.</summary>
public sealed record SittingView(
    string SittingId,
    string Name,
    ImmutableArray<string> LayerIds,
    CupPlan Cups,
    BatchesPlan Batches,
    ImmutableArray<PlannedPour> Pours,
    string OrderSays,
    PourSpanView? Span,
    bool Poured,
    bool Done,
    ImmutableArray<WindowView> Windows,
    ImmutableArray<RegionOf> OpenRegions,
    int Copies,
    ImmutableArray<CastingNeed> Castings,
    ImmutableArray<CupReach> Reach,
    int CopiesLeft,
    Reckoned? Cost);

/// <summary>Everything worked out for a piece; why its underside is not seen and no light comes through it, where that is so.</summary>
public sealed record PlanView(GroundPlan Ground, ImmutableArray<LayerView> Layers, ImmutableArray<SittingView> Sittings,
    ImmutableArray<Finding> Findings, PotLeft? Pot, string? Hidden, ImmutableArray<PieceNeed> Need, Taping? Tape, DamPlan? Dam,
    SidesPlan? Sides, ImmutableArray<RubberPlan> Rubber, ImmutableArray<TapeOnView> TapeOn);

/// <summary>A run of tape that is on a sitting which was poured, and how it comes off now.</summary>
public sealed record TapeOnView(string SittingId, Milestone Milestone, TapePull Pull, Moment Opens);

/// <summary>A pour of a run as it is shown.</summary>
public sealed record LoggedPourView(string LayerId, RegionId RegionId, string ColourName, double? PlannedMl, double? PouredMl, int Pass,
    bool ThatIsAll);

/// <summary>A run as it is shown.</summary>
public sealed record RunView(
    string Id, string SittingId, int Version, Moment Start, Moment? End, double? RoomC, string Note,
    ImmutableArray<LoggedPourView> Pours, int? Revision);

/// <summary>A piece by its name.</summary>
public sealed record PieceRef(string Id, string Name);

/// <summary>
/// A piece with everything worked out for it. A finished one may lie beneath another, which was poured over it. A stored one that
/// cannot be worked out has no plan, and says so.
/// </summary>
public sealed record PieceView(
    string Id, int Version, int Revision, Moment SavedAt, bool CanUndo, bool CanRedo, string? Undoes, string? Redoes,
    string Painted, Piece Piece, PlanView? Plan, string? Problem, ImmutableArray<RunView> Runs,
    bool Finished, bool MayBePouredOver, PieceRef? Beneath, ImmutableArray<EarlierView> Earlier);

/// <summary>A layer of the older work that a piece is poured over, as it was logged there.</summary>
public sealed record EarlierView(string PieceId, string PieceName, string LayerName, Moment Start, string Note);

/// <summary>A piece as a preview shows it: nothing is saved. What commands make of it comes with it.</summary>
public sealed record PreviewView(PlanView? Plan, Painting? Painting, Piece? Piece = null);

/// <summary>What a change made of a plan: what is as it was is left out. Layers and sittings are those of the piece, in
/// its order.</summary>
public sealed record PlanChange(GroundPlan? Ground, ImmutableArray<LayerView> Layers,
    ImmutableArray<SittingView> Sittings, ImmutableArray<Finding>? Findings, PotLeft? Pot, string? Hidden, ImmutableArray<PieceNeed> Need,
    Taping? Tape, DamPlan? Dam,
    SidesPlan? Sides, ImmutableArray<RubberPlan> Rubber, ImmutableArray<TapeOnView> TapeOn);

/// <summary>A piece after a change, with what that made of its plan; and where something was made anew, its place.</summary>
public sealed record EditedView(
    int Version, int Revision, Moment SavedAt, bool CanUndo, bool CanRedo, string? Undoes, string? Redoes,
    bool Finished, string Painted, Piece Piece, PlanChange Plan, string? Made);

/// <summary>A piece that is valid by its ranges and yet cannot be worked out. Nothing of it was kept.</summary>
public sealed class UnplannableException(Exception inner) : Exception("This cannot be worked out.", inner);

/// <summary>A command that was refused. Nothing was kept.</summary>
/// <param name="place">Where.</param>
/// <param name="sentence">Why.</param>
public sealed class RefusedException(string place, string sentence) : Exception(sentence)
{
    /// <summary>Where it was refused.</summary>
    public string Place { get; } = place;
}

/// <summary>A piece that may be kept: valid, and worked out.</summary>
public sealed record PlannedPiece(Piece Piece, WorkedOut Plan);

/// <summary>What a piece gives: as it is shown, and as the core works it out in the surroundings of that moment.</summary>
public sealed record WorkedOut(PlanView View, PiecePlan Plan, Surroundings Around);

/// <summary>Brings stores, clock and the chain together for the endpoints.</summary>
public sealed class Workbench(
    PieceStore pieces, RunStore runs, PriceList prices, PotStore pots, PiecePlanner planner,
    IValidator<Piece> validator, WorkshopTime time, WorkshopSurroundings around,
    KeptPlans known, KnownOutlines outlines, WorkshopCupboard cupboard, ILogger<Workbench> log) : IDisposable
{
    private const int MostRevisions = 16;

    private readonly Few<(string Id, int Revision), Piece> revisions = new(MostRevisions);

    /// <inheritdoc/>
    public void Dispose() => revisions.Dispose();

    /// <summary>A piece with the growth scale its outline asks for, if it is valid.</summary>
    /// <exception cref="ValidationException">It is not; names every field and its range.</exception>
    public Piece Checked(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var ground = piece.Ground.With(outlines);
        var settled = piece with { Ground = ground, Growth = piece.Growth.Kept(ground.MapOutline) };
        validator.ValidateAndThrow(settled);
        KnownMaterials.Check(settled, around.Catalogue);
        return settled;
    }

    /// <summary>A piece that is to be saved, with its plan: it is looked over and worked out before anything is
    /// written. Null where there is no such piece.</summary>
    /// <param name="id">The piece's id.</param>
    /// <param name="basedOn">The version that the save is based on.</param>
    /// <param name="piece">The document.</param>
    /// <exception cref="ValidationException">It is not valid; names every field and its range.</exception>
    /// <exception cref="StaleVersionException">The version it is based on is not the newest.</exception>
    /// <exception cref="UnplannableException">It is valid, and yet cannot be worked out.</exception>
    public PlannedPiece? Planned(string id, int basedOn, Piece piece)
    {
        var settled = Checked(piece);
        if (!pieces.IsNewest(id, basedOn))
        {
            return null;
        }

        var kept = runs.Of(id);
        return Planned(id, settled.WithoutAside(Logged.LayerIds(settled, kept)), kept);
    }

    /// <summary>A new piece with its plan: it is looked over and worked out before anything is written.</summary>
    /// <param name="piece">The document.</param>
    /// <exception cref="ValidationException">It is not valid; names every field and its range.</exception>
    /// <exception cref="UnplannableException">It is valid, and yet cannot be worked out.</exception>
    public PlannedPiece Planned(Piece piece) => Planned(null, Checked(piece), []);

    /// <summary>A piece with commands made, planned and kept. The same change sent twice is taken once. Null where
    /// there is no such piece.</summary>
    /// <param name="id">The piece's id.</param>
    /// <param name="request">The change.</param>
    /// <exception cref="RefusedException">A command was refused; nothing was kept.</exception>
    /// <exception cref="ValidationException">What it gives is not valid; names every field and its range.</exception>
    /// <exception cref="StaleVersionException">The version it is based on is not the newest.</exception>
    /// <exception cref="UnplannableException">What it gives is valid, and yet cannot be worked out.</exception>
    public EditedView? Apply(string id, EditPiece request)
    {
        ArgumentNullException.ThrowIfNull(request);
        var editId = request.Id.ToString("n");
        if (pieces.HasEdit(id, editId))
        {
            return AsKept(id);
        }

        try
        {
            return Apply(id, request, editId);
        }
        catch (StaleVersionException) when (pieces.HasEdit(id, editId))
        {
            // Sent again, it may arrive while the first is still worked out: what made it old is itself.
            return AsKept(id);
        }
    }

    /// <summary>A piece as it is kept, told whole. Null where there is no such piece.</summary>
    private EditedView? AsKept(string id)
    {
        if (pieces.Find(id) is not { } stored)
        {
            return null;
        }

        var kept = runs.Of(id);
        return Changed(stored, null,
            TryPlan(stored, kept, around.Now)?.View ?? throw new UnplannableException(new InvalidOperationException(NotWorkedOut)), null);
    }

    private EditedView? Apply(string id, EditPiece request, string editId)
    {
        if (pieces.Find(id) is not { } before)
        {
            return null;
        }

        if (before.Version != request.BasedOn)
        {
            throw new StaleVersionException(before.Version);
        }

        var kept = runs.Of(id);
        var made = Made(before.Piece, request.Commands);
        var settled = Checked(made.Piece!);
        var planned = Planned(id, settled.WithoutAside(Logged.LayerIds(settled, kept)), kept);
        if (PieceJson.Write(planned.Piece) == PieceJson.Write(before.Piece))
        {
            // Nothing has become otherwise: that is no step.
            return Changed(before, planned.Plan.View, planned.Plan.View, made.Place);
        }

        if (pieces.Save(id, request.BasedOn, planned.Piece, time.Now,
            new(Editing.Words(before.Piece, request.Commands), editId)) is not { } stored)
        {
            return null;
        }

        var was = known.PlanOf(before, planned.Plan.Around) is { } plan ? Shown(before.Id, before.Piece, plan) : null;
        known.Keep(stored, kept, planned.Plan.Plan, planned.Plan.Around);
        return Changed(stored, was, planned.Plan.View, made.Place);
    }

    /// <summary>A piece with commands made. Nothing is kept.</summary>
    /// <exception cref="RefusedException">A command was refused.</exception>
    private Edited Made(Piece piece, ImmutableArray<Edit> commands)
    {
        var made = Editing.Apply(piece, commands, cupboard.For(commands));
        return made.Piece is null ? throw new RefusedException(made.Place ?? "", made.Refusal!) : made;
    }

    private EditedView Changed(StoredPiece stored, PlanView? was, PlanView now, string? made) => new(
        stored.Version, stored.Revision, WorkshopTime.Local(stored.SavedAt, time.Zone), stored.CanUndo, stored.CanRedo,
        stored.Undoes, stored.Redoes,
        IsFinished(now), MarkOf(stored.Piece, around.Catalogue), stored.Piece,
        new(
            was is not null && Alike(was.Ground, now.Ground) ? null : now.Ground,
            [.. now.Layers.Where(l => was?.Layers.FirstOrDefault(b => b.LayerId == l.LayerId) is not { } before || !Alike(before, l))],
            [.. now.Sittings
                .Where(s => was?.Sittings.FirstOrDefault(b => b.SittingId == s.SittingId) is not { } before || !Alike(before, s))],
            was is not null && Alike(was.Findings, now.Findings) ? null : now.Findings, now.Pot, now.Hidden, now.Need, now.Tape, now.Dam,
            now.Sides, now.Rubber, now.TapeOn),
        made);

    /// <summary>A mark that is another where the piece is painted otherwise.</summary>
    private static string MarkOf(Piece piece, Catalogue catalogue) => Convert.ToHexStringLower(SHA256.HashData(
        JsonSerializer.SerializeToUtf8Bytes(new { of = Core.Painting.Painted.Of(piece), by = catalogue.Key }, WorkshopJson.Options)))[..16];

    /// <summary>Whether two things are written alike.</summary>
    private static bool Alike<T>(T one, T other) =>
        JsonSerializer.SerializeToUtf8Bytes(one, WorkshopJson.Options).AsSpan()
            .SequenceEqual(JsonSerializer.SerializeToUtf8Bytes(other, WorkshopJson.Options));

    private PlannedPiece Planned(string? id, Piece settled, ImmutableArray<LoggedSitting> kept) =>
        new(settled, Finite(WorkOut(id, settled, kept, around.Now)));

    /// <summary>A plan that can be told: each of its numbers is one.</summary>
    /// <exception cref="UnplannableException">One of them is infinite, or none at all.</exception>
    private static WorkedOut Finite(WorkedOut worked)
    {
        try
        {
            JsonSerializer.Serialize(Stream.Null, worked.View, WorkshopJson.Options);
            return worked;
        }
        catch (ArgumentException e)
        {
            throw new UnplannableException(e);
        }
    }

    /// <summary>A stored piece with everything worked out. One that cannot be worked out is shown without, and says so.</summary>
    /// <param name="stored">The piece.</param>
    /// <param name="worked">Its plan, where it has been worked out already.</param>
    public PieceView View(StoredPiece stored, WorkedOut? worked = null)
    {
        ArgumentNullException.ThrowIfNull(stored);
        var zone = time.Zone;
        var kept = runs.Of(stored.Id);
        var within = around.Now;
        var settled = worked
            ?? (known.PlanOf(stored, within) is { } before ? new(Shown(stored.Id, stored.Piece, before), before, within)
                : TryPlan(stored, kept, within));
        known.Keep(stored, kept, settled?.Plan, settled?.Around ?? within);
        var plan = settled?.View;
        var finished = plan is not null && IsFinished(plan);
        return new(
            stored.Id, stored.Version, stored.Revision, WorkshopTime.Local(stored.SavedAt, zone), stored.CanUndo, stored.CanRedo,
            stored.Undoes, stored.Redoes, MarkOf(stored.Piece, within.Catalogue), stored.Piece, plan, plan is null ? NotWorkedOut : null,
            [.. kept.Select(r => View(r, zone))],
            finished,
            plan is not null && MayBePouredOver(stored.Piece, plan),
            finished && known.Documents().LastOrDefault(k => k.Plan?.BeneathId == stored.Id) is { } over
                ? new(over.Head.Id, over.Head.Name) : null,
            [.. Earlier(stored.Piece.Ground.Old, zone)]);
    }

    /// <summary>The story of a rework begins with that of what lies beneath it, the oldest first.</summary>
    private IEnumerable<EarlierView> Earlier(OldWork? old, DateTimeZone zone) => old is null ? [] :
    [
        .. Earlier(old.Ground.Old, zone),
        .. old.PieceId is not { } id ? Array.Empty<EarlierView>() : runs.Of(id).Select(r => new EarlierView(
            id, old.Name, old.Sittings.FirstOrDefault(s => s.Id == r.SittingId) is { } sitting
                ? sitting.Name ?? string.Join(", ", old.Layers.Where(l => sitting.LayerIds.Contains(l.Id))
                    .Select(l => l.Name)) : "", WorkshopTime.Local(r.Start, zone), r.Note)),
    ];

    /// <summary>The plan of a stored piece as the core works it out; null where it cannot be.</summary>
    public PiecePlan? PlanOf(StoredPiece stored)
    {
        ArgumentNullException.ThrowIfNull(stored);
        var (kept, within) = (runs.Of(stored.Id), around.Now);
        return known.PlanOf(stored, within) ?? TryPlan(stored, kept, within)?.Plan;
    }

    /// <summary>The plan of a stored piece, or null where it cannot be worked out: what is on the shelf must open all the same.</summary>
    private WorkedOut? TryPlan(StoredPiece stored, ImmutableArray<LoggedSitting> kept, Surroundings within)
    {
        try
        {
            return Finite(WorkOut(stored.Id, stored.Piece, kept, within));
        }
        catch (UnplannableException e)
        {
            log.LogError(e, "Piece {Id}, version {Version}, cannot be worked out", stored.Id, stored.Version);
            return null;
        }
    }

    private const string NotWorkedOut =
        "This piece cannot be worked out as it stands. Nothing of it is lost: step back to how it was before, take "
            + "its file out, or copy it.";

    /// <summary>Whether a piece, or one of its castings, is finished: then it can be poured over again.</summary>
    public bool MayBePouredOver(StoredPiece stored)
    {
        ArgumentNullException.ThrowIfNull(stored);
        return View(stored).MayBePouredOver;
    }

    /// <summary>A piece is finished when each pour of each layer is done, in every copy that is wanted.</summary>
    private static bool IsFinished(PlanView plan) =>
        plan.Layers.All(l => l.Done) && plan.Sittings.Where(s => !s.Pours.IsEmpty).All(s => s.CopiesLeft == 0);

    /// <summary>Of castings one that is done is enough: it is poured over, and the others stay.</summary>
    private static bool MayBePouredOver(Piece piece, PlanView plan) => IsFinished(plan) || (piece.Ground.Mould is not null
        && plan.Sittings.Any(s => !s.Pours.IsEmpty) && plan.Sittings.Where(s => !s.Pours.IsEmpty)
            .All(s => s.CopiesLeft < piece.Ground.Wanted));

    /// <summary>What a piece's document gives, with what was really poured of it.</summary>
    /// <exception cref="UnplannableException">It cannot be worked out.</exception>
    public PlanView Plan(string? id, Piece piece, ImmutableArray<LoggedSitting> kept) => WorkOut(id, piece, kept, around.Now).View;

    private WorkedOut WorkOut(string? id, Piece piece, ImmutableArray<LoggedSitting> kept, Surroundings within)
    {
        try
        {
            var plan = planner.Plan(piece, [.. kept.Select(PouredSitting.Of)], within);
            return new(Shown(id, piece, plan), plan, within);
        }
        catch (Exception e) when (e is not OperationCanceledException and not Microsoft.Data.Sqlite.SqliteException)
        {
            throw new UnplannableException(e);
        }
    }

    private PlanView Shown(string? id, Piece piece, PiecePlan plan)
    {
        var zone = time.Zone;
        var now = time.Now;
        var ground = plan.Ground.SealWays.IsEmpty ? plan.Ground
            : plan.Ground with { SealWays = Preparation.Priced(plan.Ground.SealWays, prices.Now, plan.Ground.Area.Value) };
        return new(
            ground,
            [
                .. plan.Layers.Select(l => new LayerView(
                    l.LayerId, l.Box, l.Regions, l.Borders, l.Cut, l.CutAtMm, l.Colours, [.. l.Sittings.Select(s => s.SittingId)],
                    l.Poured, l.Done, l.OpenRegions, l.LevelClear, l.StonesOut, l.Facts, l.Holds,
                    l.Lines, l.Waits, l.Walls, WallsOf(piece, plan, l.LayerId), l.Balance)),
            ],
            [
                .. plan.Sittings.Select(s => new SittingView(
                    s.SittingId, s.Name, s.LayerIds, s.Cups, s.Batches, s.Pours, s.OrderSays,
                    s.Span is { } p ? new(WorkshopTime.Local(p.Start, zone), WorkshopTime.Local(p.End, zone),
                        p.Room.At(p.Start).Celsius, p.Room.At(p.Start).Origin) : null,
                    s.Poured, s.Done,
                    [
                        .. s.Windows.Select(w => new WindowView(
                            w.Milestone, WorkshopTime.Local(w.Opens, zone), w.Closes is { } c
                                ? WorkshopTime.Local(c, zone) : null, w.StateAt(now), w.OpensAfterHours, w.ClosesAfterHours)),
                    ],
                    s.OpenRegions, s.Copies, s.Castings, s.Reach, s.CopiesLeft, CostOf(piece, s))),
            ],
            planner.FindingsAt(piece, plan, around.Now, now), PotOf(id, piece, plan.Ground), Look.Hidden(piece), plan.Need,
            plan.Tape, plan.Dam, plan.Sides, plan.Rubber,
            [.. TapeOn.All(plan.Sittings, now)
                .Select(t => new TapeOnView(t.SittingId, t.Milestone, t.Pull, WorkshopTime.Local(t.Opens, zone)))]);

        WallsView WallsOf(Piece of, PiecePlan worked, string layerId)
        {
            var says = WallsAnswer.Of(of, worked, layerId, zone, now);
            return new(says.State, says.Says, says.Numbers, says.RegionId,
                says.PourFrom is { } from ? WorkshopTime.Local(from, zone) : null, says.ToLay);
        }
    }

    private Reckoned? CostOf(Piece piece, SittingPlan sitting)
    {
        var resin = piece.Sittings.Single(s => s.Id == sitting.SittingId).Resin;
        return sitting.Cost(resin.From(around.Catalogue).Name, resin.System, prices.Now);
    }

    /// <summary>The pot that the ground's paint comes from, beside what the ground takes.</summary>
    private PotLeft? PotOf(string? pieceId, Piece piece, GroundPlan ground)
    {
        if (piece.Ground.Paint is not { PotId: { } id, AsMap: false }
            || ground.Preparation.FirstOrDefault(s => s.Id == "paint") is not { Amount: { } takes } step
            || pots.All().FirstOrDefault(p => p.Id == id) is not { } pot)
        {
            return null;
        }

        // What others have taken since it was measured is gone; what this ground takes is what is asked about.
        var others = PotEndpoints.Uses(known.Documents()
            .Select(k => k.Head.Id == pieceId && k.Plan is { } plan
                ? k with { Plan = plan with { Pots = plan.Pots.RemoveAll(t => t.OfGround) } } : k));
        return PotLeft.Of(pot.Thing.Name, PotStock.Of(pot.Thing, others[id]).Left, step.Done ? null : takes);
    }

    /// <summary>A preview of an edited piece: what is worked out for one layer, or for all, and a painting up to it, as
    /// far as they are asked for.</summary>
    public PreviewView Preview(string id, Piece piece, string? layerId, PaintDetail? detail, bool numbers, Look? look)
    {
        var painting = detail is { } wanted ? planner.Paint(piece, around.Catalogue, layerId, wanted, look) : null;
        if (!numbers)
        {
            return new(null, painting);
        }

        var plan = Plan(id, piece, runs.Of(id));
        return new(
            layerId is null ? plan : plan with
            {
                Layers = [plan.Layers.Single(l => l.LayerId == layerId)],
                Sittings = [.. plan.Sittings.Where(s => s.LayerIds.Contains(layerId))]
            },
            painting);
    }

    /// <summary>A revision of a piece with commands made. Nothing is kept. Null where there is no such piece or revision.</summary>
    /// <param name="id">The piece's id.</param>
    /// <param name="revision">The revision; it never changes, so that a drag need not know what was saved meanwhile.</param>
    /// <param name="commands">The commands in turn; none for the revision itself.</param>
    /// <exception cref="RefusedException">A command was refused.</exception>
    public Piece? Drafted(string id, int revision, ImmutableArray<Edit> commands) => At(id, revision) is not { } piece ? null
        : commands.IsEmpty ? piece : Checked(Made(piece, commands).Piece!);

    /// <summary>A revision, read once for the many steps of a drag.</summary>
    private Piece? At(string id, int revision)
    {
        if (revisions.Of((id, revision)) is { } known)
        {
            return known;
        }

        var piece = pieces.At(id, revision);
        return piece is null ? null : revisions.Keep((id, revision), piece);
    }

    /// <summary>A painting of a piece.</summary>
    public Painting Paint(Piece piece, string? layerId, PaintDetail detail, Look? look = null) =>
        planner.Paint(piece, around.Catalogue, layerId, detail, look);

    /// <summary>A run as it is shown.</summary>
    public static RunView View(LoggedSitting run, DateTimeZone zone)
    {
        ArgumentNullException.ThrowIfNull(run);
        return new(
            run.RunId, run.SittingId, run.Version, WorkshopTime.Local(run.Start, zone),
            run.End is { } end ? WorkshopTime.Local(end, zone) : null, run.RoomC, run.Note,
            [.. run.Pours
                .Select(p => new LoggedPourView(p.LayerId, p.RegionId, p.ColourName, p.PlannedMl, p.PouredMl, p.Pass, p.ThatIsAll))],
                    run.Part.Revision);
    }
}
