using System.Collections.Immutable;
using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Core.Journal;
using NodaTime;

namespace MossLantern.Data;

/// <summary>A log was to be written under an id that a log of another piece, or of another sitting, has. Nothing was written.</summary>
public sealed class TakenIdException() : Exception("This log entry belongs to another piece, or to another sitting.");

/// <summary>Keeps runs and their entries of the journal.</summary>
public sealed class RunStore(WorkshopDatabase database)
{
    private sealed record PartRow(string RunId, long Version, string PieceId, string SittingId, long? Revision)
    {
        public RunPart Part => new(PieceId, SittingId, (int?)Revision);
    }

    private const string Parts =
        """
        select r.id as RunId, r.version as Version, p.piece_id as PieceId, p.sitting_id as SittingId, p.revision as Revision
        from journal_run r join run_part p on p.run_id = r.id
        """;

    /// <summary>What runs tell of the sittings of a piece, or of all pieces, earliest start first.</summary>
    public ImmutableArray<LoggedSitting> Of(string? pieceId) => database.Read<ImmutableArray<LoggedSitting>>(connection =>
    {
        var entries = EntryRows.OfRuns(connection, pieceId).ToLookup(e => (e.Of.RunId, e.Of.PieceId));
        return
        [
            .. connection.Query<PartRow>($"{Parts} where @pieceId is null or p.piece_id = @pieceId", new { pieceId })
                .Select(r => Folds.Of(r.RunId, (int)r.Version, r.Part, entries[(r.RunId, r.PieceId)])).OfType<LoggedSitting>()
                .OrderBy(r => r.Start).ThenBy(r => r.RunId, StringComparer.Ordinal).ThenBy(r => r.SittingId, StringComparer.Ordinal),
        ];
    });

    /// <summary>A run with all of its sittings; null where there is none.</summary>
    public Run? Find(string runId) => database.Read(connection => Find(connection, runId));

    /// <summary>The journal of a piece as it was written, entry by entry.</summary>
    public ImmutableArray<Entry> Entries(string pieceId) =>
        database.Read<ImmutableArray<Entry>>(connection => [.. EntryRows.OfPiece(connection, pieceId)]);

    /// <summary>
    /// Keeps what a form says of a sitting as the version of its run after the one it was based on; 0 is a new run.
    /// What the run told before
    /// stays in the journal, and what it tells of other sittings is not touched.
    /// </summary>
    /// <param name="logged">What the form says.</param>
    /// <param name="basedOn">The version it was based on.</param>
    /// <param name="now">When this is.</param>
    /// <param name="joins">Whether the sitting may come to a run that has others.</param>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    /// <exception cref="TakenIdException">Its id is that of a run of other sittings, which it does not join.</exception>
    public LoggedSitting Save(LoggedSitting logged, int basedOn, Instant now, bool joins = false)
    {
        ArgumentNullException.ThrowIfNull(logged);
        return database.Write(connection =>
        {
            var kept = Find(connection, logged.RunId);
            if (kept is not null && !joins && !kept.Parts.Any(p => (p.PieceId, p.SittingId) == (logged.PieceId, logged.SittingId)))
            {
                throw new TakenIdException();
            }

            if ((kept?.Version ?? 0) != basedOn)
            {
                throw new StaleVersionException(kept?.Version ?? 0);
            }

            var saved = logged with { Version = basedOn + 1 };
            connection.Execute(
                """
                insert into journal_run (id, version, saved_at) values (@RunId, @Version, @now)
                on conflict (id) do update set version = @Version, saved_at = @now
                """,
                new { saved.RunId, saved.Version, now = Times.Write(now) });
            connection.Execute(
                """
                insert into run_part (run_id, piece_id, sitting_id, revision) values (@RunId, @PieceId, @SittingId, @Revision)
                on conflict (run_id, piece_id, sitting_id) do update set revision = @Revision
                """,
                new { saved.RunId, saved.PieceId, saved.SittingId, saved.Part.Revision });
            EntryRows.Add(connection, Corrections.Of(saved, EntryRows.OfRun(connection, saved.RunId), now, NewId));
            return saved;
        });
    }

    /// <summary>Writes entries as they come; under an id that is there already nothing is written.</summary>
    /// <returns>How many were written.</returns>
    public int Add(IEnumerable<Entry> entries) => database.Write(connection =>
    {
        var written = 0;
        foreach (var entry in entries
            .Where(e => connection.ExecuteScalar<long>("select count(*) from entry where id = @Id", new { e.Id }) == 0))
        {
            EntryRows.Add(connection, [entry]);
            written++;
        }

        return written;
    });

    private static Run? Find(SqliteConnection connection, string runId)
    {
        var rows = connection.Query<PartRow>($"{Parts} where r.id = @runId order by p.rowid", new { runId }).ToList();
        return rows.Count == 0 ? null : new(runId, (int)rows[0].Version, [.. rows.Select(r => r.Part)]);
    }

    private static string NewId() => Guid.NewGuid().ToString("n");
}
