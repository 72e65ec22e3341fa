using Dapper;
using Microsoft.Data.Sqlite;

namespace MossLantern.Data.Tests;

/// <summary>One file in the place of another, with what SQLite keeps beside it, cut short at every step.</summary>
public sealed class FileSwapTests : IDisposable
{
    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    private sealed class CutShort : Exception;

    [Fact]
    public void A_log_that_a_lost_file_has_left_is_not_played_into_the_copy_that_is_brought_back()
    {
        var copy = Kept("Then");
        Abandoned("Later");
        File.Delete(workshop.File);
        WorkshopDatabase.Restore(workshop.Folder, copy, Workshop.Now);
        Assert.Equal(["Then"], Names());
    }

    [Fact]
    public void A_log_that_a_lost_file_has_left_is_not_played_into_an_empty_workshop()
    {
        Abandoned("Later");
        File.Delete(workshop.File);
        File.Delete(Path.Combine(workshop.Folder, ".workshop"));
        Assert.Empty(Names());
        Assert.Contains(Directory.GetFiles(workshop.Folder),
            f => f.Contains("left-behind", StringComparison.Ordinal) && f.EndsWith("-wal", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("null")]
    [InlineData("""{ "To": "" }""")]
    public void A_note_that_cannot_be_read_is_told_with_a_way_on_and_nothing_is_moved(string note)
    {
        Kept("Then");
        var path = workshop.File + ".swap";
        File.WriteAllText(path, note);
        var refused = Assert.Throws<WorkshopFileException>(() => workshop.Open());
        Assert.Contains(path, refused.Message, StringComparison.Ordinal);
        Assert.Contains("remove the note and start again", refused.Message, StringComparison.Ordinal);
        File.Delete(path);
        Assert.Equal(["Then"], Names());
    }

    [Fact]
    public void A_folder_in_the_place_of_the_mark_is_told_and_nothing_is_changed()
    {
        Kept("Then");
        var mark = Path.Combine(workshop.Folder, ".workshop");
        File.Delete(mark);
        Directory.CreateDirectory(mark);
        Assert.Contains("is a folder", Assert.Throws<WorkshopFileException>(() => workshop.Open()).Message, StringComparison.Ordinal);
        Directory.Delete(mark);
        Assert.Equal(["Then"], Names());
    }

    [Fact]
    public void A_hot_journal_goes_with_the_file_it_belongs_to()
    {
        var copy = Kept("Then");
        SqliteConnection.ClearAllPools();
        File.WriteAllBytes(workshop.File + "-journal", [.. Enumerable.Repeat((byte)7, 4096)]);
        var replaced = WorkshopDatabase.Restore(workshop.Folder, copy, Workshop.Now)!;
        Assert.Equal(["Then"], Names());
        Assert.False(File.Exists(workshop.File + "-journal"));
        Assert.True(File.Exists(replaced));
    }

    /// <summary>Killed after each of its file operations, the next start finds the copy in its place or the old
    /// workshop, and every save is somewhere.</summary>
    [Fact]
    public void Bringing_a_copy_back_can_be_cut_short_after_every_step()
    {
        var cut = 0;
        for (var done = false; !done; cut++)
        {
            using var own = new Workshop();
            var copy = Kept("Then", own);
            Abandoned("Later", own);
            var step = 0;
            try
            {
                WorkshopFile.Restore(own.File, copy, Workshop.Now, () =>
                {
                    if (step++ == cut)
                    {
                        throw new CutShort();
                    }
                });
                done = true;
            }
            catch (CutShort)
            {
                SqliteConnection.ClearAllPools();
            }

            var now = Names(own);
            var replaced = Directory.GetFiles(own.Folder, "workshop.db.replaced-*")
                .Where(f => !f.EndsWith("-wal", StringComparison.Ordinal) && !f.EndsWith("-shm", StringComparison.Ordinal)).ToList();
            if (now.SequenceEqual(["Then"]))
            {
                // What it replaces has every save of its own.
                using var connection = new SqliteConnection($"Data Source={Assert.Single(replaced)};Pooling=False");
                Assert.Equal(["Later", "Then"], connection.Query<string>("select name from piece order by name"));
            }
            else
            {
                Assert.Equal(["Later", "Then"], now.Order());
                Assert.Empty(replaced);
            }
        }

        Assert.InRange(cut, 6, 20);
    }

    [Fact]
    public void A_workshop_moved_aside_can_be_cut_short_and_is_then_moved_whole()
    {
        Abandoned("Later");
        var to = workshop.File + ".gone";
        var step = 0;
        Assert.Throws<CutShort>(() => FileSwap.Run(workshop.File, to, null, null, () =>
        {
            if (step++ == 2)
            {
                throw new CutShort();
            }
        }));
        WorkshopDatabase.FinishSwap(workshop.Folder);
        Assert.False(FileSwap.Any(workshop.File));
        using var connection = new SqliteConnection($"Data Source={to};Pooling=False");
        Assert.Equal(["Later"], connection.Query<string>("select name from piece"));
    }

    /// <summary>A workshop with one piece, and a copy of it.</summary>
    private string Kept(string name, Workshop? own = null)
    {
        own ??= workshop;
        new PieceStore(own.Open()).Add("p1", Workshop.Piece(name), Workshop.Now);
        own.Open();
        return Directory.GetFiles(Path.Combine(own.Folder, "backups")).Order(StringComparer.Ordinal).Last();
    }

    /// <summary>Saves one more piece, and leaves the file and its log as a program that is killed leaves them.</summary>
    private void Abandoned(string name, Workshop? own = null)
    {
        own ??= workshop;
        using var other = new Workshop();
        if (File.Exists(own.File))
        {
            SqliteConnection.ClearAllPools();
            File.Copy(own.File, other.File);
        }

        var database = other.Open();
        using var open = database.Connect();

        // Only what has read holds the log open when another test empties the pool.
        _ = open.Query<string>("select name from piece").ToList();
        new PieceStore(database).Add("p2", Workshop.Piece(name), Workshop.Now);
        foreach (var part in (string[])["", "-wal"])
        {
            File.Copy(other.File + part, own.File + part, overwrite: true);
        }

        Assert.True(new FileInfo(own.File + "-wal").Length > 0);
        File.WriteAllText(Path.Combine(own.Folder, ".workshop"), "");
    }

    private List<string> Names(Workshop? own = null) => [.. new PieceStore((own ?? workshop).Open()).All().Select(p => p.Piece.Name)];
}
