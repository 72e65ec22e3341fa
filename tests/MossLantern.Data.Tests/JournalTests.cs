using System.Collections.Immutable;
using CsCheck;
using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
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

    private static readonly Gen<LoggedSitting> AnyRun =
        from started in Gen.Int[0, 3]
        from ends in Gen.Int[-1, 3]
        from room in Gen.Int[-1, 2]
        from note in Gen.Int[0, 3].Select(i => ((string[])["", "", "Bubbles at the rim", "Quiet"])[i])
        from planned in Gen.Int[1, 3]
        from poured in Gen.Int[-1, 2].Array[3]
        let start = Workshop.Now + Duration.FromHours(started)
        select new LoggedSitting(
            "r1", 0, new("p1", "layer-1", 1), start, ends < 0 ? null : start + Duration.FromMinutes(20 * ends),
            room < 0 ? null : 18 + room, note,
            [.. Enumerable.Range(0, planned).Select(i => LoggedPour.Of("layer-1", RegionId.Parse($"band-{i}"),
                $"colour {i}", 10 + i, poured[i] < 0 ? null : 5.5 * poured[i]))]);

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

            // Of places that a form does not name nothing is said.
            Assert.Equal(run.Pours, told.Pours.Where(p => run.Pours.Any(r => r.RegionId == p.RegionId)).OrderBy(p => p.RegionId));

            var now = runs.Entries("p1");
            Assert.Equal(written, now.Take(written.Length));
            Assert.All(now.Skip(written.Length), e => Assert.Equal(Workshop.Now + Duration.FromMinutes(version - 1), e.Time.ArrivedAt));
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
        var run = new LoggedSitting("r1", 0, new("p1", "layer-1", 1), Workshop.Now, null, 21, "",
            [LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 12, 11)]);
        runs.Save(run, 0, Workshop.Now);
        runs.Save(run with { RoomC = null, Pours = [LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 12, 13)] }, 1, Workshop.Now);
        var entries = runs.Entries("p1");
        Assert.Equal([EntryKind.Started, EntryKind.Room, EntryKind.Planned, EntryKind.Poured, EntryKind.TakenBack,
            EntryKind.Poured], entries.Select(e => e.Kind));
        Assert.Equal((11.0, 13.0, entries[3].Id, entries[1].Id),
            (entries[3].Says.Ml, entries[5].Says.Ml, entries[5].Replaces, entries[4].Replaces));
        using var connection = database.Connect();
        var refused = Assert.Throws<SqliteException>(() => connection.Execute("update entry set ml = 1"));
        Assert.Contains("never changed", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_belongs_together_is_held_together_and_what_is_asked_for_is_found_by_an_index()
    {
        var (database, runs) = Open();
        runs.Save(new("r1", 0, new("p1", "layer-1", 1), Workshop.Now, null, null, "", []), 0, Workshop.Now);
        using var connection = database.Connect();
        Assert.Throws<SqliteException>(() => connection
            .Execute("insert into revision_name (piece_id, revision, name, named_at) values ('p1', 9, 'x', 'x')"));
        Assert.Throws<SqliteException>(() => connection.Execute("update run_part set revision = 9"));
        Assert.Throws<SqliteException>(() => connection.Execute("delete from piece_revision"));
        Assert.Throws<SqliteException>(() => connection.Execute("delete from journal_run"));
        Assert.Throws<SqliteException>(() => connection.Execute(
            "insert into entry (id, run_id, piece_id, kind, at, arrived_at) values ('e', 'r9', 'p1', 'noted', 'x', 'x')"));
        foreach (var (question, index) in new[]
        {
            ("select max(revision) from piece_revision where piece_id = 'p1' and made_from = 1", "revision_made_from"),
            ("select * from entry where piece_id = 'p1' order by seq", "entry_of_piece"),
            ("select * from entry where piece_id = 'p1' and sitting_id = 'layer-1' and run_id is null order by seq", "entry_of_sitting"),
            ("select * from entry where run_id = 'r1' order by seq", "entry_of_run"),
            ("select * from run_part where piece_id = 'p1' and revision = 1", "part_of_"),
        })
        {
            var plan = string.Join(' ',
                connection.Query($"explain query plan {question}").Select(r => (string)((IDictionary<string, object>)r)["detail"]));
            Assert.Contains(index, plan, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_run_of_two_pieces_stays_as_long_as_one_of_them_does()
    {
        var (database, runs) = Open();
        var pieces = new PieceStore(database);
        pieces.Add("p2", Workshop.Piece("Other"), Workshop.Now);
        runs.Save(new("r1", 0, new("p1", "layer-1", 1), Workshop.Now, null, null, "both", []), 0, Workshop.Now);
        runs.Save(new("r1", 0, new("p2", "layer-1", 1), Workshop.Now, null, null, "beside it", []), 1, Workshop.Now, joins: true);
        pieces.TakeOff("p1", Workshop.Now - Duration.FromDays(1));
        Assert.Equal(1, pieces.Forget(Workshop.Now + Duration.FromDays(1), 1));
        Assert.Equal(1, database.Read(c => c.ExecuteScalar<long>("select count(*) from journal_run")));
        Assert.Empty(runs.Entries("p1"));
        Assert.Equal("beside it", Assert.Single(runs.Of(null)).Note);
        pieces.TakeOff("p2", Workshop.Now - Duration.FromDays(1));
        Assert.Equal(1, pieces.Forget(Workshop.Now + Duration.FromDays(1), 1));
        Assert.Equal(0, database.Read(c => c.ExecuteScalar<long>("select count(*) from journal_run")));
    }

    private static LoggedSitting Of(string piece, string sitting, string note, params LoggedPour[] pours) =>
        new("r1", 0, new(piece, sitting, 1), Workshop.Now, null, null, note, [.. pours]);

    /// <summary>Two pieces in one go, and two sittings of one: each is told by itself, and a form of one leaves the other alone.</summary>
    [Theory]
    [InlineData("p2", "layer-1")]
    [InlineData("p1", "layer-2")]
    public void A_run_of_two_parts_is_saved_read_and_told(string piece, string sitting)
    {
        var (database, runs) = Open();
        new PieceStore(database).Add("p2", Workshop.Piece("Other"), Workshop.Now);
        runs.Save(Of("p1", "layer-1", "one", LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 12, 11)), 0, Workshop.Now);
        Assert.Throws<TakenIdException>(() => runs.Save(Of(piece, sitting, "two"), 1, Workshop.Now));
        runs.Save(Of(piece, sitting, "two", LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 30, 29)), 1,
            Workshop.Now, joins: true);

        Assert.Equal([new("p1", "layer-1", 1), new RunPart(piece, sitting, 1)], runs.Find("r1")!.Parts);
        Assert.Equal([("one", 11), ("two", 29.0)],
            runs.Of(null).OrderBy(l => l.Note).Select(l => (l.Note, l.Pours.Single().PouredMl ?? 0)));

        // The first is put right, and the second is as it was.
        runs.Save(Of("p1", "layer-1", "", LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 12, null)), 2, Workshop.Now);
        Assert.Equal([("", null), ("two", (double?)29)],
            runs.Of(null).OrderBy(l => l.Note).Select(l => (l.Note, l.Pours.Single().PouredMl)));
        Assert.All(runs.Of(null), l => Assert.Equal(3, l.Version));
    }

    /// <summary>One place poured twice, and two copies of it: told together and one by one; what the bench wrote stays
    /// when a form is saved.</summary>
    [Fact]
    public void Two_pours_of_one_place_and_two_copies_are_told_together_and_one_by_one()
    {
        var (_, runs) = Open();
        var log = Of("p1", "layer-1", "", LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 40, null));
        runs.Save(log, 0, Workshop.Now);
        Entry Bench(string id, EntryKind kind, double? ml = null, int? copy = null, StepId? step = null) => new(
            id, kind, new("r1", "p1", "layer-1", step, copy, "layers[layer-1].regions[band-1]"),
            new(Workshop.Now + Duration.FromMinutes(3), Workshop.Now), new(Ml: ml));
        Entry[] written = [Bench("a", EntryKind.Poured, 20, 1), Bench("b", EntryKind.Poured, 15, 2),
            Bench("c", EntryKind.Poured, 4, 2), Bench("d", EntryKind.Done, null, 1, StepId.Parse("pour@band-1"))];
        Assert.Equal(4, runs.Add(written));
        Assert.Equal(0, runs.Add(written));

        var pour = Assert.Single(Assert.Single(runs.Of("p1")).Pours);
        Assert.Equal((40, 39), (pour.PlannedMl, pour.PouredMl));
        Assert.Equal([(20, 1), (15, 2), (4, 2)], pour.Poured.Select(p => (p.Ml!.Value, p.Copy!.Value)));
        Assert.All(pour.Poured, p => Assert.Equal(Workshop.Now + Duration.FromMinutes(3), p.At));

        // A form that says the same in all leaves them; one that says something else puts them right, and nothing else of the bench.
        var before = runs.Entries("p1").Length;
        var same = log with { Pours = [LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 40, 39)] };
        runs.Save(same, 1, Workshop.Now);
        Assert.Equal(before, runs.Entries("p1").Length);
        runs.Save(log with { Pours = [LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "moss", 40, 41)] }, 2, Workshop.Now);
        pour = Assert.Single(Assert.Single(runs.Of("p1")).Pours);
        Assert.Equal([new PouredOnce(41)], pour.Poured);
        Assert.Contains(Folds.Holding(runs.Entries("p1")), e => e.Kind == EntryKind.Done);
    }

    /// <summary>Whoever writes in the journal of a piece, its counter tells: a weighing too.</summary>
    [Fact]
    public void The_journal_of_a_piece_is_counted_whoever_writes_in_it()
    {
        var (database, runs) = Open();
        var (pieces, weighed) = (new PieceStore(database), new WeighingStore(database));
        var counts = new List<int> { pieces.Find("p1")!.Logged };
        void Count() => counts.Add(pieces.Find("p1")!.Logged);
        runs.Save(Of("p1", "layer-1", "note"), 0, Workshop.Now);
        Count();
        weighed.Add("w1", "p1", "layer-1", StepId.OfResin("batch-1"), 90.1, Workshop.Now);
        Count();
        weighed.Add("w1", "p1", "layer-1", StepId.OfResin("batch-1"), 90.1, Workshop.Now);
        Assert.Equal(counts[^1], pieces.Find("p1")!.Logged);
        weighed.TakeBack("p1", "layer-1", everything: false, Workshop.Now, "back");
        Count();
        Assert.Equal(counts.Distinct().Order(), counts);
        Assert.Equal(4, counts.Count);
        Assert.Equal(pieces.Find("p1")!.Logged, pieces.Heads().Single().Logged);
    }

    /// <summary>Entries as they were written before: a region by its id alone, without a word on whether its moment was noted.</summary>
    [Fact]
    public void Entries_of_old_are_read_as_they_were_meant()
    {
        var (database, runs) = Open();
        database.Write(c => c.Execute(
            """
            insert into journal_run (id, version, saved_at) values ('r1', 1, '2026-05-01T09:30:00Z');
            insert into run_part (run_id, piece_id, sitting_id) values ('r1', 'p1', 'layer-1');
            insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at, place, ml, words, step_id) values
                ('a', 'r1', 'p1', 'layer-1', 'started', '2026-05-01T08:00:00Z', '2026-05-01T09:30:00Z', null, null, null, null),
                ('b', 'r1', 'p1', 'layer-1', 'planned', '2026-05-01T08:00:00Z', '2026-05-01T09:30:00Z', 'moss', 12, 'moss', null),
                ('c', 'r1', 'p1', 'layer-1', 'poured', '2026-05-01T08:00:00Z', '2026-05-01T09:30:00Z', 'moss', 11, null, null),
                ('d', 'r1', 'p1', 'layer-1', 'planned', '2026-05-01T08:00:00Z', '2026-05-01T09:30:00Z', 'moss', 3, 'clear', 'pass-2'),
                ('e', 'r1', 'p1', 'layer-1', 'planned', '2026-05-01T08:00:00Z', '2026-05-01T09:30:00Z',
                  'layers[layer-2].regions[z/bone]', 5, 'bone', null);
            """));
        var told = Assert.Single(runs.Of("p1"));
        Assert.Equal(
            [LoggedPour.Of("layer-1", RegionId.Parse("moss"), "moss", 12, 11),
                LoggedPour.Of("layer-1", RegionId.Parse("moss"), "clear", 3, null, 1),
                LoggedPour.Of("layer-2", RegionId.Parse("z/bone"), "bone", 5, null)],
            told.Pours);
        Assert.Null(told.Pours[0].Poured[0].At);
        Assert.Equal([true, false, false, false, false], runs.Entries("p1").Select(e => e.Time.Noted));

        // A correction is spelled as places are, and replaces what was told in the spelling of old.
        runs.Save(told with { Pours = [told.Pours[0] with { Poured = [new(10)] }] }, 1, Workshop.Now);
        var written = runs.Entries("p1")[^1];
        Assert.Equal(("layers[layer-1].regions[moss]", "c", 10), (written.Of.Place, written.Replaces, written.Says.Ml));
        Assert.Equal(10, runs.Of("p1").Single().Pours[0].PouredMl);
    }

    /// <summary>Every kind that is named is written and read.</summary>
    [Fact]
    public void Every_kind_of_entry_is_written_and_read()
    {
        var (_, runs) = Open();
        foreach (var kind in Enum.GetValues<EntryKind>())
        {
            Entry entry = new(
                $"e-{kind}", kind, new(null, "p1", "layer-1", StepId.OfColourant("batch-1", "moss", 2), 3, "ground", "jug"),
                new(Workshop.Now, Workshop.Now + Duration.FromSeconds(1), kind != EntryKind.Felt, Workshop.Now - Duration.FromSeconds(1)),
                new(1.5, 2.5, 21, "words", "sha"), null);
            runs.Add([entry]);
            Assert.Equal(entry, runs.Entries("p1")[^1]);
        }
    }
}
