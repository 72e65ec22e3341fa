using System.Collections.Immutable;
using Dapper;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Data;

/// <summary>One pour of a run: planned beside poured.</summary>
/// <param name="LayerId">The layer of the region.</param>
/// <param name="RegionId">The region.</param>
/// <param name="ColourName">Name of the colour when it was logged.</param>
/// <param name="PlannedMl">What the plan said when it was logged, ml.</param>
/// <param name="PouredMl">What was poured, ml; null where nobody noted it.</param>
/// <param name="Pass">Which pass over the region, from 0.</param>
public sealed record LoggedPour(string LayerId, RegionId RegionId, string ColourName, double PlannedMl, double? PouredMl, int Pass = 0)
{
    /// <summary>The region, and whose it is.</summary>
    public RegionOf Of => new(LayerId, RegionId);
}

/// <summary>What really happened when a sitting was poured.</summary>
/// <param name="Id">Its id.</param>
/// <param name="PieceId">The piece.</param>
/// <param name="SittingId">The sitting.</param>
/// <param name="Version">Its version, from 1.</param>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour; null where nobody noted it.</param>
/// <param name="RoomC">Room temperature, °C; null where nobody read it.</param>
/// <param name="Note">A note; may be empty.</param>
/// <param name="Pours">Its pours in order.</param>
/// <param name="Revision">The revision of the piece that was poured; null where it is not known.</param>
public sealed record Run(
    string Id, string PieceId, string SittingId, int Version, Instant Start, Instant? End, double? RoomC, string Note,
    ImmutableArray<LoggedPour> Pours, int? Revision = null);

/// <summary>A log entry was to be written under an id that another piece's entry has. Nothing was written.</summary>
public sealed class TakenIdException() : Exception("This log entry belongs to another piece.");

/// <summary>Keeps the journal, and tells the runs of layers from it.</summary>
public sealed class RunStore(WorkshopDatabase database)
{
    private sealed record Row(string Id, string PieceId, string SittingId, long Version, long? Revision);

    private sealed record Kept(long Version, string PieceId);

    /// <summary>The runs of a piece, or of all pieces, earliest start first.</summary>
    public ImmutableArray<Run> Of(string? pieceId) => database.Read<ImmutableArray<Run>>(connection =>
    {
        var entries = Journal.Of(connection, pieceId).ToLookup(e => (e.RunId, e.PieceId));
        return
        [
            .. connection.Query<Row>(
                """
                select r.id as Id, p.piece_id as PieceId, p.sitting_id as SittingId, r.version as Version, p.revision as Revision
                from run_part p join journal_run r on r.id = p.run_id where @pieceId is null or p.piece_id = @pieceId
                """,
                new { pieceId })
                .Select(r => Runs.Fold(new(r.Id, r.PieceId, r.SittingId, (int)r.Version, default, null, null, "", [], (int?)r.Revision), entries[(r.Id, r.PieceId)]))
                .OrderBy(r => r.Start).ThenBy(r => r.Id, StringComparer.Ordinal),
        ];
    });

    /// <summary>The journal of a piece as it was written, entry by entry.</summary>
    public ImmutableArray<Entry> Entries(string pieceId) => database.Read<ImmutableArray<Entry>>(connection => [.. Journal.Of(connection, pieceId)]);

    /// <summary>Keeps a run as the version after the one it was based on; 0 is a new run. What it told before stays in the journal.</summary>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    /// <exception cref="TakenIdException">Its id is that of another piece's run.</exception>
    public Run Save(Run run, int basedOn, Instant now)
    {
        ArgumentNullException.ThrowIfNull(run);
        return database.Write(connection =>
        {
            var kept = connection.QuerySingleOrDefault<Kept>(
                "select r.version as Version, p.piece_id as PieceId from journal_run r join run_part p on p.run_id = r.id where r.id = @Id", new { run.Id });
            if (kept is not null && kept.PieceId != run.PieceId)
            {
                throw new TakenIdException();
            }

            var newest = (int)(kept?.Version ?? 0);
            if (newest != basedOn)
            {
                throw new StaleVersionException(newest);
            }

            var saved = run with { Version = basedOn + 1 };
            connection.Execute(
                """
                insert into journal_run (id, version, saved_at) values (@Id, @Version, @now)
                on conflict (id) do update set version = @Version, saved_at = @now
                """,
                new { saved.Id, saved.Version, now = Times.Write(now) });
            connection.Execute("delete from run_part where run_id = @Id", new { saved.Id });
            connection.Execute(
                "insert into run_part (run_id, piece_id, sitting_id, revision) values (@Id, @PieceId, @SittingId, @Revision)",
                new { saved.Id, saved.PieceId, saved.SittingId, saved.Revision });
            Journal.Add(connection, Runs.Told(saved, Journal.Of(connection, run.PieceId, run.Id), now));
            connection.Execute("update piece set logged = logged + 1 where id = @PieceId", new { saved.PieceId });
            return saved;
        });
    }
}
