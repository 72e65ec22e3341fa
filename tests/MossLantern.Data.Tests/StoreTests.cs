using Dapper;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using NodaTime;

namespace MossLantern.Data.Tests;

public sealed class StoreTests : IDisposable
{
    private readonly Workshop workshop = new();
    private readonly WorkshopDatabase database;
    private readonly PieceStore pieces;
    private readonly RunStore runs;

    public StoreTests()
    {
        database = workshop.Open();
        pieces = new(database);
        runs = new(database);
    }

    public void Dispose() => workshop.Dispose();

    [Fact]
    public void A_wrong_clock_forgets_nothing()
    {
        var pieces = new PieceStore(workshop.Open());
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        pieces.TakeOff("p1", Workshop.Now);
        for (var years = 1; years <= 29; years++)
        {
            Assert.Equal(0, pieces.Forget(Workshop.Now + Duration.FromDays(365 * years), 30));
        }

        Assert.True(pieces.PutBack("p1"));
    }

    [Fact]
    public void A_piece_comes_back_as_it_was_kept_from_a_reopened_file()
    {
        var kept = pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        var found = new PieceStore(workshop.Open()).Find("p1")!;
        Assert.Equal((kept.Version, kept.SavedAt), (found.Version, found.SavedAt));
        Assert.Equal(Formats.PieceJson.Write(kept.Piece), Formats.PieceJson.Write(found.Piece));
        Assert.Null(pieces.Find("p2"));
    }

    [Fact]
    public void Every_save_is_a_revision_and_none_is_overwritten()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        var second = pieces.Save("p1", 1, Workshop.Piece("Fen Tray II"), Workshop.Now + Duration.FromMinutes(1))!;
        Assert.Equal(2, second.Version);
        Assert.Equal("Fen Tray II", pieces.Find("p1")!.Piece.Name);
        using var connection = database.Connect();
        var documents = connection.Query<string>("select document from piece_revision where piece_id = 'p1' order by revision").ToList();
        Assert.Equal(["Fen Tray", "Fen Tray II"], documents.Select(d => Formats.PieceJson.Read(d).Name));
    }

    [Fact]
    public void Steps_walk_the_revisions_without_limit_and_survive_a_reopened_file()
    {
        pieces.Add("p1", Workshop.Piece("0"), Workshop.Now);
        for (var i = 1; i <= 30; i++)
        {
            pieces.Save("p1", i, Workshop.Piece($"{i}"), Workshop.Now);
        }

        var reopened = new PieceStore(workshop.Open());
        var at = reopened.Find("p1")!;
        for (var i = 29; i >= 0; i--)
        {
            Assert.True(at.CanUndo);
            at = reopened.Walk("p1", at.Version, UndoStep.Undo, Workshop.Now)!;
            Assert.Equal($"{i}", at.Piece.Name);
            Assert.True(at.CanRedo);
        }

        Assert.False(at.CanUndo);
        Assert.Equal(at.Version, reopened.Walk("p1", at.Version, UndoStep.Undo, Workshop.Now)!.Version);
        at = reopened.Walk("p1", at.Version, UndoStep.Redo, Workshop.Now)!;
        Assert.Equal(("1", true), (at.Piece.Name, at.CanRedo));
    }

    [Fact]
    public void A_change_after_steps_back_is_what_a_step_forward_finds_and_the_other_way_is_kept()
    {
        pieces.Add("p1", Workshop.Piece("first"), Workshop.Now);
        pieces.Save("p1", 1, Workshop.Piece("old way"), Workshop.Now);
        pieces.Walk("p1", 2, UndoStep.Undo, Workshop.Now);
        var changed = pieces.Save("p1", 3, Workshop.Piece("new way"), Workshop.Now)!;
        Assert.False(changed.CanRedo);
        Assert.Equal("first", pieces.Walk("p1", 4, UndoStep.Undo, Workshop.Now)!.Piece.Name);
        Assert.Equal("new way", pieces.Walk("p1", 5, UndoStep.Redo, Workshop.Now)!.Piece.Name);
        using var connection = database.Connect();
        Assert.Equal(3, connection.ExecuteScalar<long>("select count(*) from piece_revision"));
    }

    [Fact]
    public void A_stale_step_moves_nothing()
    {
        pieces.Add("p1", Workshop.Piece("first"), Workshop.Now);
        pieces.Save("p1", 1, Workshop.Piece("second"), Workshop.Now);
        Assert.Equal(2, Assert.Throws<StaleVersionException>(() => pieces.Walk("p1", 1, UndoStep.Undo, Workshop.Now)).Newest);
        Assert.Equal("second", pieces.Find("p1")!.Piece.Name);
        Assert.Null(pieces.Walk("p2", 1, UndoStep.Undo, Workshop.Now));
    }

    [Fact]
    public void Key_figures_stand_in_columns()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        using var connection = database.Connect();
        var row = connection.QuerySingle("select name, width_mm, height_mm, area_mm2, saved_at from piece");
        Assert.Equal(("Fen Tray", 300.0, 200.0, 60_000.0, "2026-05-01T09:30:00Z"),
            ((string)row.name, (double)row.width_mm, (double)row.height_mm, (double)row.area_mm2, (string)row.saved_at));
    }

    [Fact]
    public void A_stale_save_writes_nothing_and_names_the_newest()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        pieces.Save("p1", 1, Workshop.Piece("Second"), Workshop.Now);
        var stale = Assert.Throws<StaleVersionException>(() => pieces.Save("p1", 1, Workshop.Piece("Late"), Workshop.Now));
        Assert.Equal(2, stale.Newest);
        Assert.Equal("Second", pieces.Find("p1")!.Piece.Name);
        Assert.Null(pieces.Save("p2", 1, Workshop.Piece(), Workshop.Now));
    }

    [Fact]
    public void Of_two_saves_at_once_exactly_one_wins()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        var outcomes = Enumerable.Range(0, 4).AsParallel().WithDegreeOfParallelism(4).Select(i =>
        {
            try
            {
                return pieces.Save("p1", 1, Workshop.Piece($"Save {i}"), Workshop.Now)!.Piece.Name;
            }
            catch (StaleVersionException)
            {
                return null;
            }
        }).ToList();
        Assert.Equal(pieces.Find("p1")!.Piece.Name, Assert.Single(outcomes, o => o is not null));
    }

    [Fact]
    public void Pieces_stand_in_the_order_they_were_begun()
    {
        pieces.Add("b", Workshop.Piece("Begun later"), Workshop.Now + Duration.FromDays(1));
        pieces.Add("a", Workshop.Piece("Begun first"), Workshop.Now);
        Assert.Equal(["Begun first", "Begun later"], pieces.All().Select(p => p.Piece.Name));
    }

    [Fact]
    public void A_run_keeps_what_is_unknown_unknown()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        runs.Save(new("r1", 0, new("p1", "layer-1"), Workshop.Now, null, null, "",
            [LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "clear", 198.5, null)]), 0, Workshop.Now);
        var run = Assert.Single(new RunStore(workshop.Open()).Of("p1"));
        Assert.Equal((1, Workshop.Now), (run.Version, run.Start));
        Assert.Null(run.End);
        Assert.Null(run.RoomC);
        Assert.Equal(LoggedPour.Of("layer-1", RegionId.Parse("band-1"), "clear", 198.5, null), Assert.Single(run.Pours));
    }

    [Fact]
    public void A_run_tells_what_its_next_version_corrects_and_what_that_leaves_alone()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        var first = runs.Save(
            new("r1", 0, new("p1", "layer-1"), Workshop.Now, null, null, "",
                [LoggedPour.Of("layer-1", RegionId.Parse("b"), "clear", 10, 9),
                    LoggedPour.Of("layer-1", RegionId.Parse("c"), "bone", 5, null)]), 0, Workshop.Now);
        runs.Save(first with
        {
            RoomC = 21.5,
            Note = "Ran a little.",
            Pours = [LoggedPour.Of("layer-1", RegionId.Parse("b"), "clear", 10, 11)]
        }, 1, Workshop.Now);
        var run = Assert.Single(runs.Of(null));
        Assert.Equal((2, 21.5, "Ran a little."), (run.Version, run.RoomC, run.Note));
        Assert.Equal([("b", 11), ("c", (double?)null)], run.Pours.Select(p => (p.RegionId.ToString(), p.PouredMl)));
        Assert.Equal(2, Assert.Throws<StaleVersionException>(() => runs.Save(first, 1, Workshop.Now)).Newest);
        Assert.Empty(runs.Of("p2"));
    }

    [Fact]
    public void A_run_of_no_piece_is_refused_by_the_file() =>
        Assert.Throws<Microsoft.Data.Sqlite.SqliteException>(() =>
            runs.Save(new("r1", 0, new("nowhere", "layer-1"), Workshop.Now, null, null, "", []), 0, Workshop.Now));

    [Fact]
    public void A_run_is_never_written_over_that_of_another_piece()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        pieces.Add("p2", Workshop.Piece(), Workshop.Now);
        runs.Save(new("r1", 0, new("p1", "layer-1"), Workshop.Now, null, null, "first", []), 0, Workshop.Now);
        Assert.Throws<TakenIdException>(() => runs
            .Save(new("r1", 0, new("p2", "layer-1"), Workshop.Now, null, null, "second", []), 1, Workshop.Now));
        Assert.Equal(("p1", "first"), (Assert.Single(runs.Of(null)).PieceId, runs.Of(null)[0].Note));
    }

    [Fact]
    public void A_run_keeps_the_revision_that_was_poured()
    {
        var kept = pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        runs.Save(new("r1", 0, new("p1", "layer-1", kept.Revision), Workshop.Now, null, null, "", []), 0, Workshop.Now);
        pieces.Save("p1", 1, Workshop.Piece("Changed since"), Workshop.Now);
        Assert.Equal("Fen Tray", pieces.At("p1", Assert.Single(runs.Of("p1")).Part.Revision!.Value)!.Name);
    }

    [Fact]
    public void A_piece_taken_off_the_shelf_comes_back_whole_until_it_is_forgotten_with_all_its_rows()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        pieces.Name("p1", 1, "As drawn", Workshop.Now);
        runs.Save(new("r1", 0, new("p1", "layer-1", 1), Workshop.Now, null, null, "",
            [LoggedPour.Of("layer-1", RegionId.Parse("b"), "clear", 10, 9)]), 0, Workshop.Now);
        pieces.Add("p2", Workshop.Piece("Stays"), Workshop.Now);
        Assert.True(pieces.TakeOff("p1", Workshop.Now));
        Assert.False(pieces.TakeOff("p1", Workshop.Now));
        Assert.Equal(["Stays"], pieces.All().Select(p => p.Piece.Name));
        Assert.Null(pieces.Find("p1"));
        Assert.Null(pieces.Save("p1", 1, Workshop.Piece(), Workshop.Now));
        Assert.Equal("Fen Tray", Assert.Single(pieces.Aside()).Name);
        Assert.Equal(0, pieces.Forget(Workshop.Now, 30));
        Assert.True(pieces.PutBack("p1"));
        Assert.False(pieces.PutBack("p1"));
        Assert.Equal("As drawn", Assert.Single(pieces.Named("p1")).Name);
        Assert.Single(runs.Of("p1"));

        pieces.TakeOff("p1", Workshop.Now);
        for (var day = 1; day <= 29; day++)
        {
            Assert.Equal(0, pieces.Forget(Workshop.Now + Duration.FromDays(day), 30));
        }

        // A clock that is years ahead, and back again, is one day.
        Assert.Equal(0, pieces.Forget(Workshop.Now + Duration.FromDays(29), 30));
        Assert.Equal(1, pieces.Forget(Workshop.Now + Duration.FromDays(3000), 30));
        Assert.False(pieces.PutBack("p1"));
        using var connection = database.Connect();
        foreach (var table in (string[])["piece", "piece_revision", "journal_run", "run_part", "entry", "revision_name"])
        {
            Assert.Equal(table.StartsWith("piece", StringComparison.Ordinal) ? 1 : 0,
                connection.ExecuteScalar<long>($"select count(*) from {table}"));
        }
    }

    [Fact]
    public void A_piece_that_cannot_be_read_hides_no_other()
    {
        pieces.Add("p1", Workshop.Piece(), Workshop.Now);
        pieces.Add("p2", Workshop.Piece("Sound"), Workshop.Now);
        using (var connection = database.Connect())
        {
            connection.Execute("update piece_revision set document = '{}' where piece_id = 'p1'");
        }

        Assert.Equal(["Sound"], pieces.All(out var unreadable).Select(p => p.Piece.Name));
        Assert.Equal(("p1", "Fen Tray", 300.0), (unreadable[0].Id, unreadable[0].Name, unreadable[0].WidthMm));
    }

    [Fact]
    public void What_is_done_together_is_kept_as_one_or_not_at_all()
    {
        Assert.Throws<InvalidOperationException>(() => database.Together(() =>
        {
            pieces.Add("p1", Workshop.Piece(), Workshop.Now);
            Assert.Single(pieces.All());
            new SettingStore(database).Set("half", "done");
            throw new InvalidOperationException();
        }));
        Assert.Empty(pieces.All());
        Assert.Null(new SettingStore(database).Find("half"));
        database.Together(() => pieces.Add("p1", Workshop.Piece(), Workshop.Now));
        Assert.Single(new PieceStore(workshop.Open()).All());
    }

    [Fact]
    public void A_setting_is_found_after_it_was_set_and_set_again()
    {
        var settings = new SettingStore(database);
        Assert.Null(settings.Find(SettingStore.TimeZone));
        settings.Set(SettingStore.TimeZone, "Europe/Dublin");
        settings.Set(SettingStore.TimeZone, "Europe/Riga");
        Assert.Equal("Europe/Riga", new SettingStore(workshop.Open()).Find(SettingStore.TimeZone));
    }
}
