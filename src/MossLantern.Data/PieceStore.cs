using System.Collections.Immutable;
using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Core.Documents;
using MossLantern.Formats;
using NodaTime;

namespace MossLantern.Data;

/// <summary>Keeps pieces. Every save is a revision; none is ever overwritten.</summary>
public sealed class PieceStore(WorkshopDatabase database)
{
    /// <summary>Filled by property: a reckoned column of no rows has no type for a constructor to match.</summary>
    private sealed class Row
    {
        public required string Id { get; init; }

        public long Version { get; init; }

        public required string SavedAt { get; init; }

        public required string Document { get; init; }

        public long CanUndo { get; init; }

        public long CanRedo { get; init; }

        public long Revision { get; init; }

        public long Logged { get; init; }

        public required string Name { get; init; }

        public string? Undoes { get; init; }

        public string? Redoes { get; init; }

        public double WidthMm { get; init; }

        public double HeightMm { get; init; }

        public UnreadablePiece ToUnreadable() => new(Id, Name, (int)Version, WidthMm, HeightMm, Times.Read(SavedAt));

        /// <summary>Null where the document cannot be read.</summary>
        public StoredPiece? TryToStored()
        {
            try
            {
                return ToStored();
            }
            catch (PieceFormatException)
            {
                return null;
            }
        }

        public StoredPiece ToStored() =>
            new(Id, (int)Version, Times.Read(SavedAt), PieceJson.Read(Document), CanUndo != 0, CanRedo != 0,
                (int)Revision, (int)Logged, Undoes, Redoes);
    }

    private sealed record AsideRow(string Id, string Name, string TakenOffAt);

    private sealed record Place(long Version, long Revision);

    private const string Shown =
        """
        select p.id as Id, p.version as Version, p.saved_at as SavedAt, r.document as Document, r.revision as Revision,
            p.name as Name, p.width_mm as WidthMm, p.height_mm as HeightMm, p.logged as Logged,
            r.made_from is not null as CanUndo,
            exists (select 1 from piece_revision n where n.piece_id = p.id and n.made_from = p.revision) as CanRedo,
            case when r.made_from is not null then r.words end as Undoes,
            (select n.words from piece_revision n where n.piece_id = p.id and n.made_from = p.revision
              order by n.revision desc limit 1) as Redoes
        from piece p join piece_revision r on r.piece_id = p.id and r.revision = p.revision
        """;

    /// <summary>All pieces on the shelf as they stand, oldest piece first.</summary>
    public ImmutableArray<StoredPiece> All() => All(out _);

    /// <summary>All pieces on the shelf as they stand, oldest piece first.</summary>
    /// <param name="unreadable">Those whose documents cannot be read: one of them does not hide the others.</param>
    public ImmutableArray<StoredPiece> All(out ImmutableArray<UnreadablePiece> unreadable)
    {
        var rows = database.Read(connection =>
            connection.Query<Row>(Shown + " where p.taken_off_at is null order by p.created_at, p.id")
                .Select(r => (Row: r, Stored: r.TryToStored())).ToList());
        unreadable = [.. rows.Where(r => r.Stored is null).Select(r => r.Row.ToUnreadable())];
        return [.. rows.Select(r => r.Stored).OfType<StoredPiece>()];
    }

    private sealed record HeadRow(string Id, string Name, long Version, long Logged, string SavedAt, double WidthMm, double HeightMm);

    /// <summary>The pieces on the shelf by their rows alone, oldest piece first.</summary>
    public ImmutableArray<PieceHead> Heads() => database.Read<ImmutableArray<PieceHead>>(connection =>
        [.. connection.Query<HeadRow>($"{HeadOf} order by created_at, id").Select(Head)]);

    /// <summary>A piece on the shelf by its row alone, or null.</summary>
    public PieceHead? Head(string id) => database.Read(connection =>
        connection.QuerySingleOrDefault<HeadRow>($"{HeadOf} and id = @id", new { id }) is { } row ? Head(row) : null);

    private const string HeadOf =
        """
        select id as Id, name as Name, version as Version, logged as Logged, saved_at as SavedAt, width_mm as WidthMm, height_mm as HeightMm
        from piece where taken_off_at is null
        """;

    private static PieceHead Head(HeadRow row) =>
        new(row.Id, row.Name, (int)row.Version, (int)row.Logged, Times.Read(row.SavedAt), row.WidthMm, row.HeightMm);

    /// <summary>Whether there has never been a piece; one that is kept aside counts.</summary>
    public bool IsEmpty => database.Read(connection => connection.ExecuteScalar<long>("select count(*) from piece") == 0);

    /// <summary>A piece on the shelf as it stands, or null.</summary>
    public StoredPiece? Find(string id) => database.Read(connection => Find(connection, id));

    /// <summary>Every piece that can be read, those that are kept aside among them.</summary>
    public ImmutableArray<StoredPiece> WithAside() => database.Read<ImmutableArray<StoredPiece>>(connection =>
        [.. connection.Query<Row>(Shown + " order by p.created_at, p.id").Select(r => r.TryToStored()).OfType<StoredPiece>()]);

    /// <summary>Takes a piece off the shelf; nothing of it is lost until it is forgotten.</summary>
    /// <returns>Whether it was on the shelf.</returns>
    public bool TakeOff(string id, Instant now) => database.Write(connection => connection.Execute(
        "update piece set taken_off_at = @now where id = @id and taken_off_at is null", new { id, now = Times.Write(now) }) > 0);

    /// <summary>Puts a piece back on the shelf.</summary>
    /// <returns>Whether it was kept aside.</returns>
    public bool PutBack(string id) => database.Write(connection => connection.Execute(
        "update piece set taken_off_at = null where id = @id and taken_off_at is not null", new { id }) > 0);

    /// <summary>The pieces that are kept aside, the last taken off first.</summary>
    public ImmutableArray<AsidePiece> Aside() => database.Read<ImmutableArray<AsidePiece>>(connection =>
    [
        .. connection.Query<AsideRow>(
            "select id as Id, name as Name, taken_off_at as TakenOffAt from piece where taken_off_at is not null "
                + "order by taken_off_at desc, id")
            .Select(r => new AsidePiece(r.Id, r.Name, Times.Read(r.TakenOffAt))),
    ]);

    /// <summary>
    /// Notes that the program runs on a day, and forgets the pieces that were taken off so many such days ago: their revisions, names
    /// and logs go too. Days are counted on which it ran, so that no wrong clock can take a piece.
    /// </summary>
    /// <param name="now">When this is.</param>
    /// <param name="days">After how many days a piece goes.</param>
    /// <returns>How many went.</returns>
    public int Forget(Instant now, int days) => database.Write(connection =>
    {
        connection.Execute("insert or ignore into run_day (day) values (@day)", new { day = Times.Write(now)[..DayLength] });
        var ran = connection.Query<string>("select day from run_day").ToList();
        var gone = connection
            .Query<AsideRow>("select id as Id, name as Name, taken_off_at as TakenOffAt from piece where taken_off_at is not null")
            .Where(r => Times.Read(r.TakenOffAt) + Duration.FromDays(days) < now
                && ran.Count(day => string.CompareOrdinal(day, r.TakenOffAt[..DayLength]) > 0) >= days).Select(r => r.Id).ToList();
        foreach (var id in gone)
        {
            // A run of several pieces stays as long as one of them does.
            var runs = connection.Query<string>("select run_id from run_part where piece_id = @id", new { id }).ToList();
            foreach (var rows in (string[])["entry where piece_id = @id", "run_part where piece_id = @id",
                "journal_run where id in @runs and id not in (select run_id from run_part)",
                "taken_step where piece_id = @id", "revision_name where piece_id = @id",
                "piece_revision where piece_id = @id", "piece where id = @id"])
            {
                connection.Execute($"delete from {rows}", new { id, runs });
            }
        }

        return gone.Count;
    });

    /// <summary>A day as a moment is written: 2026-05-01.</summary>
    private const int DayLength = 10;

    private sealed record Kept(string PieceId, long Revision, long? MadeFrom, string SavedAt, long Stays)
    {
        public bool Goes(Instant before) => Stays == 0 && Times.Read(SavedAt) < before;
    }

    /// <summary>Every step, and whether it stays whatever its age: what a piece shows, named versions, and what a log
    /// was poured from.</summary>
    private const string Steps =
        """
        select r.piece_id as PieceId, r.revision as Revision, r.made_from as MadeFrom, r.saved_at as SavedAt,
            exists (select 1 from piece p where p.id = r.piece_id and p.revision = r.revision)
            or exists (select 1 from revision_name v where v.piece_id = r.piece_id and v.revision = r.revision)
            or exists (select 1 from run_part u where u.piece_id = r.piece_id and u.revision = r.revision) as Stays
        from piece_revision r
        """;

    /// <summary>How many steps there are, and how many of them are older than a moment and may go.</summary>
    public (int All, int Old) StepsBefore(Instant before) => database.Read(connection =>
    {
        var steps = connection.Query<Kept>(Steps).ToList();
        return (steps.Count, steps.Count(s => s.Goes(before)));
    });

    /// <summary>
    /// Lets the steps go that are older than a moment; what a piece shows, named versions and what a log was poured from stay. A
    /// step back goes to the step before that is still there. The file is copied first and is smaller afterwards.
    /// </summary>
    /// <param name="before">The moment.</param>
    /// <param name="now">When this is.</param>
    /// <returns>How many went.</returns>
    public int LetGo(Instant before, Instant now)
    {
        WorkshopFile.Copy(database.Path, now);
        var gone = database.Write(connection =>
        {
            var steps = connection.Query<Kept>(Steps).ToDictionary(s => (s.PieceId, s.Revision));
            var going = steps.Values.Where(s => s.Goes(before)).ToList();
            foreach (var step in steps.Values.Where(s => !s.Goes(before) && s.MadeFrom is not null))
            {
                var from = step.MadeFrom;
                while (from is { } revision && steps.TryGetValue((step.PieceId, revision), out var older) && older.Goes(before))
                {
                    from = older.MadeFrom;
                }

                if (from != step.MadeFrom)
                {
                    connection.Execute(
                        "update piece_revision set made_from = @from where piece_id = @PieceId and revision = @Revision",
                        new { from, step.PieceId, step.Revision });
                }
            }

            connection.Execute("delete from piece_revision where piece_id = @PieceId and revision = @Revision",
                going.Select(g => new { g.PieceId, g.Revision }));
            return going.Count;
        });
        database.Compact();
        return gone;
    }

    /// <summary>Keeps a new piece as version 1.</summary>
    public StoredPiece Add(string id, Piece piece, Instant now)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return database.Write(connection =>
        {
            connection.Execute(
                """
                insert into piece (id, name, version, revision, width_mm, height_mm, area_mm2, created_at, saved_at)
                values (@id, @Name, 1, 1, @WidthMm, @HeightMm, @AreaMm2, @now, @now)
                """,
                Figures(id, piece, now));
            Revise(connection, id, 1, null, piece, now);
            return Find(connection, id)!;
        });
    }

    /// <summary>Looks whether a save based on a version can be made, so that nothing is worked out for one that cannot.</summary>
    /// <returns>Whether there is such a piece.</returns>
    /// <exception cref="StaleVersionException">The version is not the newest.</exception>
    public bool IsNewest(string id, int version)
    {
        var newest = database.Read(connection =>
            connection.ExecuteScalar<int?>("select version from piece where id = @id and taken_off_at is null", new { id }));
        return newest is null ? false : newest == version ? true : throw new StaleVersionException(newest.Value);
    }

    /// <summary>Whether a change has been kept in a piece.</summary>
    public bool HasEdit(string id, string editId) => database.Read(connection =>
        connection
            .ExecuteScalar<long>("select count(*) from piece_revision where piece_id = @id and edit_id = @editId", new { id, editId }) > 0);

    private bool HasStep(string id, string stepId) => database.Read(connection =>
        connection.ExecuteScalar<long>("select count(*) from taken_step where piece_id = @id and id = @stepId", new { id, stepId }) > 0);

    /// <summary>Saves a piece as a new revision, made from the one it shows.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="basedOn">The version it was based on.</param>
    /// <param name="piece">The document.</param>
    /// <param name="now">When this is.</param>
    /// <param name="by">What made it; null for what says nothing of itself. The same change sent twice is kept once.</param>
    /// <returns>The new version, or null when there is no such piece.</returns>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    public StoredPiece? Save(string id, int basedOn, Piece piece, Instant now, MadeBy? by = null)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Change(id, basedOn, (connection, place) =>
        {
            var newest = connection.ExecuteScalar<long>("select max(revision) from piece_revision where piece_id = @id", new { id });
            Revise(connection, id, newest + 1, place.Revision, piece, now, by);
            return (newest + 1, piece);
        }, now);
    }

    /// <summary>Steps a piece back or forward along its revisions. Nothing is lost: a step back can be undone by a step forward.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="basedOn">The version it was based on.</param>
    /// <param name="step">Which way.</param>
    /// <param name="now">When this is.</param>
    /// <param name="stepId">The step's own id; null for what says nothing of itself. The same step sent twice is taken once.</param>
    /// <returns>The new version, the same version when there is nowhere to step to or the step was taken before, or null when there is
    /// no such piece.</returns>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    public StoredPiece? Walk(string id, int basedOn, UndoStep step, Instant now, string? stepId = null)
    {
        if (stepId is not null && HasStep(id, stepId))
        {
            return Find(id);
        }

        try
        {
            return Walked(id, basedOn, step, now, stepId);
        }
        catch (StaleVersionException) when (stepId is not null && HasStep(id, stepId))
        {
            // Sent again, it may arrive while the first is still taken: what made it old is itself.
            return Find(id);
        }
    }

    private StoredPiece? Walked(string id, int basedOn, UndoStep step, Instant now, string? stepId) =>
        Change(id, basedOn, (connection, place) =>
        {
            if (stepId is not null)
            {
                connection.Execute("insert into taken_step (id, piece_id) values (@stepId, @id)", new { stepId, id });
            }

            var to = connection.ExecuteScalar<long?>(
                step == UndoStep.Undo
                    ? "select made_from from piece_revision where piece_id = @id and revision = @Revision"
                    : "select max(revision) from piece_revision where piece_id = @id and made_from = @Revision",
                new { id, place.Revision });
            return to is null
                ? null
                : (to.Value, PieceJson.Read(connection.QuerySingle<string>(
                    "select document from piece_revision where piece_id = @id and revision = @to", new { id, to })));
        }, now);

    /// <summary>The named revisions of a piece, oldest name first.</summary>
    public ImmutableArray<NamedRevision> Named(string id) => database.Read(connection => Named(connection, id));

    /// <summary>Names the revision that a piece shows; a name it had is replaced.</summary>
    /// <returns>The named revisions, or null when there is no such piece.</returns>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    public ImmutableArray<NamedRevision>? Name(string id, int basedOn, string name, Instant now) =>
        database.Write<ImmutableArray<NamedRevision>?>(connection =>
        {
            var place =
                connection
                .QuerySingleOrDefault<Place>(
                    "select version as Version, revision as Revision from piece where id = @id and taken_off_at is null", new { id });
            if (place is null)
            {
                return null;
            }

            if (place.Version != basedOn)
            {
                throw new StaleVersionException((int)place.Version);
            }

            connection.Execute(
                """
                insert into revision_name (piece_id, revision, name, named_at) values (@id, @Revision, @name, @now)
                on conflict (piece_id, revision) do update set name = @name, named_at = @now
                """,
                new { id, place.Revision, name, now = Times.Write(now) });
            return Named(connection, id);
        });

    /// <summary>Takes a name away again; the revision stays.</summary>
    /// <returns>Whether there was one.</returns>
    public bool Unname(string id, int revision) =>
        database.Write(connection => connection
            .Execute("delete from revision_name where piece_id = @id and revision = @revision", new { id, revision }) > 0);

    /// <summary>A piece as it was at a revision, or null.</summary>
    public Piece? At(string id, int revision) => database.Read(connection =>
        connection.QuerySingleOrDefault<string>("select document from piece_revision where piece_id = @id and revision = @revision",
            new { id, revision })
            is { } document ? PieceJson.Read(document) : null);

    /// <summary>Filled by property, as <see cref="Row"/> is.</summary>
    private sealed class NamedRow
    {
        public long Revision { get; init; }

        public required string Name { get; init; }

        public required string NamedAt { get; init; }

        public long Shown { get; init; }
    }

    private static ImmutableArray<NamedRevision> Named(SqliteConnection connection, string id) =>
    [
        .. connection.Query<NamedRow>(
            """
            select v.revision as Revision, v.name as Name, v.named_at as NamedAt, v.revision = p.revision as Shown
            from revision_name v join piece p on p.id = v.piece_id where v.piece_id = @id order by v.named_at, v.revision
            """,
            new { id }).Select(r => new NamedRevision((int)r.Revision, r.Name, Times.Read(r.NamedAt), r.Shown != 0)),
    ];

    private StoredPiece? Change(
        string id, int basedOn, Func<SqliteConnection, Place, (long Revision, Piece Piece)?> work, Instant now) =>
        database.Write(connection =>
        {
            var place = connection.QuerySingleOrDefault<Place>(
                "select version as Version, revision as Revision from piece where id = @id and taken_off_at is null", new { id });
            if (place is null)
            {
                return null;
            }

            if (place.Version != basedOn)
            {
                throw new StaleVersionException((int)place.Version);
            }

            if (work(connection, place) is var (revision, piece))
            {
                var figures = new DynamicParameters(Figures(id, piece, now));
                figures.Add("revision", revision);
                connection.Execute(
                    """
                    update piece set name = @Name, version = version + 1, revision = @revision, width_mm = @WidthMm,
                        height_mm = @HeightMm, area_mm2 = @AreaMm2, saved_at = @now
                    where id = @id
                    """,
                    figures);
            }

            return Find(connection, id);
        });

    private static StoredPiece? Find(SqliteConnection connection, string id) =>
        connection.QuerySingleOrDefault<Row>(Shown + " where p.id = @id and p.taken_off_at is null", new { id })?.ToStored();

    private static void Revise(SqliteConnection connection, string id, long revision, long? madeFrom, Piece piece,
        Instant now, MadeBy? by = null) =>
        connection.Execute(
            """
            insert into piece_revision (piece_id, revision, made_from, document, saved_at, words, edit_id)
            values (@id, @revision, @madeFrom, @document, @now, @Words, @EditId)
            """,
            new { id, revision, madeFrom, document = PieceJson.Write(piece), now = Times.Write(now), by?.Words, by?.EditId });

    private static object Figures(string id, Piece piece, Instant now) => new
    {
        id,
        piece.Name,
        WidthMm = piece.Ground.Whole.BoxWidthMm,
        HeightMm = piece.Ground.Whole.BoxHeightMm,
        piece.Ground.Whole.AreaMm2,
        now = Times.Write(now),
    };
}
