using System.Collections.Immutable;
using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Core.Journal;

namespace MossLantern.Data;

/// <summary>Writes and reads entries of the journal. What they tell together is the core's to say.</summary>
internal static class EntryRows
{
    private sealed class Row
    {
        public required string Id { get; init; }

        public string? RunId { get; init; }

        public string? PieceId { get; init; }

        public string? SittingId { get; init; }

        public string? StepId { get; init; }

        public long? Copy { get; init; }

        public required string Kind { get; init; }

        public required string At { get; init; }

        public long? AtNoted { get; init; }

        public string? PageAt { get; init; }

        public required string ArrivedAt { get; init; }

        public string? Place { get; init; }

        public string? Vessel { get; init; }

        public double? Ml { get; init; }

        public double? Grams { get; init; }

        public double? Celsius { get; init; }

        public string? Words { get; init; }

        public string? PhotoSha { get; init; }

        public string? Replaces { get; init; }

        public Entry ToEntry()
        {
            var kind = Enum.Parse<EntryKind>(Kind.Replace("-", "", StringComparison.Ordinal), ignoreCase: true);

            // Entries of old say not whether their moment was noted: of the log's form only the start and the end were.
            var noted = AtNoted is { } told ? told != 0
                : kind is not (EntryKind.Room or EntryKind.Noted or EntryKind.Planned or EntryKind.Poured or EntryKind.Enough);
            return new(
                Id, kind,
                new(RunId, PieceId, SittingId, StepId is null ? null : Core.Journal.StepId.Parse(StepId), (int?)Copy, Place, Vessel),
                new(Times.Read(At), Times.Read(ArrivedAt), noted, PageAt is null ? null : Times.Read(PageAt)),
                new(Ml, Grams, Celsius, Words, PhotoSha), Replaces);
        }
    }

    private const string Columns =
        """
        select id as Id, run_id as RunId, piece_id as PieceId, sitting_id as SittingId, step_id as StepId,
          copy as Copy, kind as Kind, at as At, at_noted as AtNoted,
            page_at as PageAt, arrived_at as ArrivedAt, place as Place, vessel as Vessel, ml as Ml, grams as Grams,
              celsius as Celsius, words as Words,
            photo_sha as PhotoSha, replaces as Replaces
        from entry
        """;

    /// <summary>All entries of a piece, in the order in which they were written.</summary>
    public static IEnumerable<Entry> OfPiece(SqliteConnection connection, string pieceId) =>
        Read(connection, "where piece_id = @pieceId order by seq", new { pieceId });

    /// <summary>The entries of a run, in the order in which they were written.</summary>
    public static IEnumerable<Entry> OfRun(SqliteConnection connection, string runId) =>
        Read(connection, "where run_id = @runId order by seq", new { runId });

    /// <summary>The entries of runs that have a sitting of a piece, or of all runs, in the order in which they were written.</summary>
    public static IEnumerable<Entry> OfRuns(SqliteConnection connection, string? pieceId) => pieceId is null
        ? Read(connection, "where run_id is not null order by seq", new { })
        : Read(connection, "where run_id in (select run_id from run_part where piece_id = @pieceId) and piece_id = @pieceId order by seq",
            new { pieceId });

    /// <summary>What was weighed of a sitting outside of any run, and taken back, in the order in which it was written.</summary>
    public static IEnumerable<Entry> OfWeighing(SqliteConnection connection, string pieceId, string sittingId) => Read(
        connection,
        """
        where piece_id = @pieceId and sitting_id = @sittingId and run_id is null and step_id is not null
          and kind in ('weighed', 'taken-back') order by seq
        """,
        new { pieceId, sittingId });

    /// <summary>Adds entries.</summary>
    public static void Add(SqliteConnection connection, IEnumerable<Entry> entries) => connection.Execute(
        """
        insert into entry (id, run_id, piece_id, sitting_id, step_id, copy, kind, at, at_noted, page_at,
          arrived_at, place, vessel, ml, grams, celsius, words,
            photo_sha, replaces)
        values (@Id, @RunId, @PieceId, @SittingId, @step, @Copy, @kind, @at, @noted, @pageAt, @arrivedAt, @Place,
          @Vessel, @Ml, @Grams, @Celsius, @Words,
            @PhotoSha, @Replaces)
        """,
        entries.Select(e => new
        {
            e.Id,
            e.Of.RunId,
            e.Of.PieceId,
            e.Of.SittingId,
            step = e.Of.Step?.ToString(),
            e.Of.Copy,
            kind = JsonNamingPolicy.KebabCaseLower.ConvertName(e.Kind.ToString()),
            at = Times.Write(e.Time.At),
            noted = e.Time.Noted,
            pageAt = e.Time.PageAt is { } page ? Times.Write(page) : null,
            arrivedAt = Times.Write(e.Time.ArrivedAt),
            e.Of.Place,
            e.Of.Vessel,
            e.Says.Ml,
            e.Says.Grams,
            e.Says.Celsius,
            e.Says.Words,
            e.Says.PhotoSha,
            e.Replaces,
        }));

    private static IEnumerable<Entry> Read(SqliteConnection connection, string where, object with) =>
        connection.Query<Row>($"{Columns}\n{where}", with).Select(r => r.ToEntry());
}
