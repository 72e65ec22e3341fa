using System.Collections.Immutable;
using Dapper;
using NodaTime;

namespace MossLantern.Data;

/// <summary>One pour of a run: planned beside poured.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="ColourName">Name of the colour when it was logged.</param>
/// <param name="PlannedMl">What the plan said when it was logged, ml.</param>
/// <param name="PouredMl">What was poured, ml; null where nobody noted it.</param>
public sealed record RunPour(string RegionId, string ColourName, double PlannedMl, double? PouredMl);

/// <summary>What really happened when a layer was poured.</summary>
/// <param name="Id">Its id.</param>
/// <param name="PieceId">The piece.</param>
/// <param name="LayerId">The layer.</param>
/// <param name="Version">Its version, from 1.</param>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour; null where nobody noted it.</param>
/// <param name="RoomC">Room temperature, °C; null where nobody read it.</param>
/// <param name="Note">A note; may be empty.</param>
/// <param name="Pours">Its pours in order.</param>
/// <param name="Revision">The revision of the piece that was poured; null where it is not known.</param>
public sealed record Run(
    string Id, string PieceId, string LayerId, int Version, Instant Start, Instant? End, double? RoomC, string Note,
    ImmutableArray<RunPour> Pours, int? Revision = null);

/// <summary>A log entry was to be written under an id that another piece's entry has. Nothing was written.</summary>
public sealed class TakenIdException() : Exception("This log entry belongs to another piece.");

/// <summary>Keeps the runs of layers.</summary>
public sealed class RunStore(WorkshopDatabase database)
{
    private sealed record Row(
        string Id, string PieceId, string LayerId, long Version, string StartedAt, string? EndedAt, double? RoomC, string Note, long? Revision);

    private sealed record Kept(long Version, string PieceId);

    private sealed record PourRow(string RunId, string RegionId, string ColourName, double PlannedMl, double? PouredMl);

    /// <summary>The runs of a piece, or of all pieces, earliest start first.</summary>
    public ImmutableArray<Run> Of(string? pieceId) => database.Read<ImmutableArray<Run>>(connection =>
    {
        var rows = connection.Query<Row>(
            """
            select id as Id, piece_id as PieceId, layer_id as LayerId, version as Version, started_at as StartedAt,
                ended_at as EndedAt, room_c as RoomC, note as Note, revision as Revision
            from run where @pieceId is null or piece_id = @pieceId order by started_at, id
            """,
            new { pieceId });
        var pours = connection.Query<PourRow>(
            """
            select p.run_id as RunId, p.region_id as RegionId, p.colour_name as ColourName, p.planned_ml as PlannedMl,
                p.poured_ml as PouredMl
            from run_pour p join run r on r.id = p.run_id where @pieceId is null or r.piece_id = @pieceId
            order by p.run_id, p.position
            """,
            new { pieceId }).ToLookup(p => p.RunId);
        return
        [
            .. rows.Select(r => new Run(
                r.Id, r.PieceId, r.LayerId, (int)r.Version, Times.Read(r.StartedAt),
                r.EndedAt is null ? null : Times.Read(r.EndedAt), r.RoomC, r.Note,
                [.. pours[r.Id].Select(p => new RunPour(p.RegionId, p.ColourName, p.PlannedMl, p.PouredMl))], (int?)r.Revision)),
        ];
    });

    /// <summary>Keeps a run as the version after the one it was based on; 0 is a new run.</summary>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    /// <exception cref="TakenIdException">Its id is that of another piece's run.</exception>
    public Run Save(Run run, int basedOn, Instant now)
    {
        ArgumentNullException.ThrowIfNull(run);
        return database.Write(connection =>
        {
            var kept = connection.QuerySingleOrDefault<Kept>("select version as Version, piece_id as PieceId from run where id = @Id", new { run.Id });
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
                insert into run (id, piece_id, layer_id, version, started_at, ended_at, room_c, note, revision, saved_at)
                values (@Id, @PieceId, @LayerId, @Version, @start, @end, @RoomC, @Note, @Revision, @now)
                on conflict (id) do update set layer_id = @LayerId, version = @Version, started_at = @start, ended_at = @end,
                    room_c = @RoomC, note = @Note, revision = @Revision, saved_at = @now
                """,
                new
                {
                    saved.Id,
                    saved.PieceId,
                    saved.LayerId,
                    saved.Version,
                    start = Times.Write(saved.Start),
                    end = saved.End is { } end ? Times.Write(end) : null,
                    saved.RoomC,
                    saved.Note,
                    saved.Revision,
                    now = Times.Write(now),
                });
            connection.Execute("delete from run_pour where run_id = @Id", new { saved.Id });
            connection.Execute(
                """
                insert into run_pour (run_id, position, region_id, colour_name, planned_ml, poured_ml)
                values (@Id, @Position, @RegionId, @ColourName, @PlannedMl, @PouredMl)
                """,
                saved.Pours.Select((p, i) => new { saved.Id, Position = i, p.RegionId, p.ColourName, p.PlannedMl, p.PouredMl }));
            return saved;
        });
    }
}
