using System.Collections.Immutable;
using CsCheck;
using Dapper;
using Microsoft.Data.Sqlite;
using NodaTime;

namespace MossLantern.Data.Tests;

/// <summary>The journal is only ever added to, and tells what was saved last.</summary>
public sealed class JournalTests : IDisposable
{
    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    private (WorkshopDatabase Database, RunStore Runs) Open()
    {
        var database = workshop.Open();
        new PieceStore(database).Add("p1", Workshop.Piece(), Workshop.Now);
        return (database, new RunStore(database));
    }

    private static readonly Gen<Run> AnyRun =
        from layer in Gen.Int[1, 2]
        from started in Gen.Int[0, 3]
        from ends in Gen.Int[-1, 3]
        from room in Gen.Int[-1, 2]
        from note in Gen.Int[0, 3].Select(i => ((string[])["", "", "Bubbles at the rim", "Quiet"])[i])
        from planned in Gen.Int[1, 3]
        from poured in Gen.Int[-1, 2].Array[3]
        let start = Workshop.Now + Duration.FromHours(started)
        select new Run(
            "r1", "p1", $"layer-{layer}", 0, start, ends < 0 ? null : start + Duration.FromMinutes(20 * ends), room < 0 ? null : 18 + room, note,
            [.. Enumerable.Range(0, planned).Select(i => new LoggedPour("layer-1", $"band-{i}", $"colour {i}", 10 + i, poured[i] < 0 ? null : 5.5 * poured[i]))], 1);

    [Fact]
    public void Whatever_is_saved_one_after_another_the_last_is_told_and_no_entry_is_ever_changed()
    {
        var (_, runs) = Open();
        var version = 0;
        ImmutableArray<Entry> written = [];
        AnyRun.Sample(run =>
        {
            var saved = runs.Save(run, version, Workshop.Now + Duration.FromMinutes(version));
            version = saved.Version;
            var told = Assert.Single(runs.Of("p1"));
            Assert.Equal(run with { Version = version, Pours = [] }, told with { Pours = [] });
            Assert.Equal(run.Pours.OrderBy(p => p.RegionId), told.Pours.OrderBy(p => p.RegionId));

            var now = runs.Entries("p1");
            Assert.Equal(written, now.Take(written.Length));
            Assert.All(now.Skip(written.Length), e => Assert.Equal(Workshop.Now + Duration.FromMinutes(version - 1), e.ArrivedAt));
            written = now;

            // The same once more says nothing new.
            version = runs.Save(run, version, Workshop.Now).Version;
            Assert.Equal(written.Length, runs.Entries("p1").Length);
        }, iter: 60, threads: 1);
        Assert.Contains(written, e => e.Kind == EntryKind.TakenBack);
        Assert.Contains(written, e => e.Replaces is not null);
    }

    [Fact]
    public void An_entry_cannot_be_changed_and_one_that_was_replaced_stays()
    {
        var (database, runs) = Open();
        var run = new Run("r1", "p1", "layer-1", 0, Workshop.Now, null, 21, "", [new("layer-1", "band-1", "moss", 12, 11)], 1);
        runs.Save(run, 0, Workshop.Now);
        runs.Save(run with { RoomC = null, Pours = [new("layer-1", "band-1", "moss", 12, 13)] }, 1, Workshop.Now);
        var entries = runs.Entries("p1");
        Assert.Equal([EntryKind.Started, EntryKind.Room, EntryKind.Planned, EntryKind.Poured, EntryKind.Poured, EntryKind.TakenBack], entries.Select(e => e.Kind));
        Assert.Equal((11.0, 13.0, entries[3].Id, entries[1].Id), (entries[3].Ml, entries[4].Ml, entries[4].Replaces, entries[5].Replaces));
        using var connection = database.Connect();
        var refused = Assert.Throws<SqliteException>(() => connection.Execute("update entry set ml = 1"));
        Assert.Contains("never changed", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_belongs_together_is_held_together_and_what_is_asked_for_is_found_by_an_index()
    {
        var (database, runs) = Open();
        runs.Save(new("r1", "p1", "layer-1", 0, Workshop.Now, null, null, "", [], 1), 0, Workshop.Now);
        using var connection = database.Connect();
        Assert.Throws<SqliteException>(() => connection.Execute("insert into revision_name (piece_id, revision, name, named_at) values ('p1', 9, 'x', 'x')"));
        Assert.Throws<SqliteException>(() => connection.Execute("update run_part set revision = 9"));
        Assert.Throws<SqliteException>(() => connection.Execute("delete from piece_revision"));
        Assert.Throws<SqliteException>(() => connection.Execute("delete from journal_run"));
        Assert.Throws<SqliteException>(() => connection.Execute(
            "insert into entry (id, run_id, piece_id, kind, at, arrived_at) values ('e', 'r9', 'p1', 'noted', 'x', 'x')"));
        foreach (var (question, index) in new[]
        {
            ("select max(revision) from piece_revision where piece_id = 'p1' and made_from = 1", "revision_made_from"),
            ("select * from entry where piece_id = 'p1' order by seq", "entry_of_piece"),
            ("select * from run_part where piece_id = 'p1' and revision = 1", "part_of_"),
        })
        {
            var plan = string.Join(' ', connection.Query($"explain query plan {question}").Select(r => (string)((IDictionary<string, object>)r)["detail"]));
            Assert.Contains(index, plan, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_run_of_two_pieces_stays_as_long_as_one_of_them_does()
    {
        var (database, runs) = Open();
        var pieces = new PieceStore(database);
        pieces.Add("p2", Workshop.Piece("Other"), Workshop.Now);
        runs.Save(new("r1", "p1", "layer-1", 0, Workshop.Now, null, null, "both", [], 1), 0, Workshop.Now);
        database.Write(c => c.Execute("insert into run_part (run_id, piece_id, sitting_id, revision) values ('r1', 'p2', 'layer-1', 1)"));
        pieces.TakeOff("p1", Workshop.Now);
        Assert.Equal(1, pieces.Forget(Workshop.Now + Duration.FromSeconds(1)));
        Assert.Equal(1, database.Read(c => c.ExecuteScalar<long>("select count(*) from journal_run")));
        Assert.Empty(runs.Entries("p1"));
        pieces.TakeOff("p2", Workshop.Now);
        Assert.Equal(1, pieces.Forget(Workshop.Now + Duration.FromSeconds(1)));
        Assert.Equal(0, database.Read(c => c.ExecuteScalar<long>("select count(*) from journal_run")));
    }
}
