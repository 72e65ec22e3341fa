using System.Collections.Immutable;
using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;

namespace MossLantern.Data;

/// <summary>Writes and reads the entries of the journal. What they tell together is a fold over them (<see cref="Runs"/>).</summary>
internal static class Journal
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

        public Entry ToEntry() => new(
            Id, RunId, PieceId, SittingId, StepId, (int?)Copy, Enum.Parse<EntryKind>(Kind.Replace("-", "", StringComparison.Ordinal), ignoreCase: true), Times.Read(At), PageAt is null ? null : Times.Read(PageAt),
            Times.Read(ArrivedAt), Place, Vessel, Ml, Grams, Celsius, Words, PhotoSha, Replaces);
    }

    /// <summary>The entries of a piece, of a run, or all, in the order in which they were written.</summary>
    public static IEnumerable<Entry> Of(SqliteConnection connection, string? pieceId, string? runId = null) => connection.Query<Row>(
        """
        select id as Id, run_id as RunId, piece_id as PieceId, sitting_id as SittingId, step_id as StepId, copy as Copy, kind as Kind, at as At, page_at as PageAt,
            arrived_at as ArrivedAt, place as Place, vessel as Vessel, ml as Ml, grams as Grams, celsius as Celsius, words as Words, photo_sha as PhotoSha,
            replaces as Replaces
        from entry where (@pieceId is null or piece_id = @pieceId) and (@runId is null or run_id = @runId) order by seq
        """,
        new { pieceId, runId }).Select(r => r.ToEntry());

    /// <summary>Adds entries.</summary>
    public static void Add(SqliteConnection connection, IEnumerable<Entry> entries) => connection.Execute(
        """
        insert into entry (id, run_id, piece_id, sitting_id, step_id, copy, kind, at, page_at, arrived_at, place, vessel, ml, grams, celsius, words, photo_sha, replaces)
        values (@Id, @RunId, @PieceId, @SittingId, @StepId, @Copy, @kind, @at, @pageAt, @arrivedAt, @Place, @Vessel, @Ml, @Grams, @Celsius, @Words, @PhotoSha, @Replaces)
        """,
        entries.Select(e => new
        {
            e.Id,
            e.RunId,
            e.PieceId,
            e.SittingId,
            e.StepId,
            e.Copy,
            kind = JsonNamingPolicy.KebabCaseLower.ConvertName(e.Kind.ToString()),
            at = Times.Write(e.At),
            pageAt = e.PageAt is { } page ? Times.Write(page) : null,
            arrivedAt = Times.Write(e.ArrivedAt),
            e.Place,
            e.Vessel,
            e.Ml,
            e.Grams,
            e.Celsius,
            e.Words,
            e.PhotoSha,
            e.Replaces,
        }));

    /// <summary>What still holds: the entries that no other one replaces or takes back, each in the place of the first one that it goes back to.</summary>
    public static ImmutableArray<Entry> Holding(IEnumerable<Entry> entries)
    {
        var all = entries.ToList();
        var replaced = all.Select(e => e.Replaces).OfType<string>().ToHashSet();
        var first = new Dictionary<string, int>();
        foreach (var (entry, at) in all.Select((e, i) => (e, i)))
        {
            first[entry.Id] = entry.Replaces is { } before && first.TryGetValue(before, out var from) ? from : at;
        }

        return [.. all.Where(e => !replaced.Contains(e.Id) && e.Kind != EntryKind.TakenBack).OrderBy(e => first[e.Id])];
    }
}
