using Dapper;
using Microsoft.Data.Sqlite;

namespace MossLantern.Data.Tests;

public sealed class WorkshopFileTests : IDisposable
{
    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    /// <summary>A connection that comes back with a transaction still open is not used again, and nothing else is stopped by it.</summary>
    [Fact]
    public void A_write_that_was_cut_off_stops_no_other()
    {
        var database = workshop.Open();
        using (var cut = database.Connect())
        {
            cut.Execute("begin immediate");
            cut.Execute("create table half (id integer)");
        }

        Assert.Equal(0, database.Write(c => c.ExecuteScalar<int>("select count(*) from sqlite_master where name = 'half'")));
        Assert.Equal(2, database.Read(c => c.ExecuteScalar<int>("pragma synchronous")));
    }

    [Fact]
    public void A_new_file_is_marked_ours_and_set_to_lose_nothing()
    {
        using var connection = workshop.Open().Connect();
        Assert.Equal(WorkshopDatabase.ApplicationId, connection.ExecuteScalar<long>("pragma application_id"));
        Assert.Equal("wal", connection.ExecuteScalar<string>("pragma journal_mode"));
        Assert.Equal(2, connection.ExecuteScalar<long>("pragma synchronous"));
        Assert.Equal(1, connection.ExecuteScalar<long>("pragma foreign_keys"));
    }

    [Fact]
    public void A_missing_folder_is_made() =>
        Assert.True(File.Exists(WorkshopDatabase.Open(Path.Combine(workshop.Folder, "new", "folder"), Workshop.Now).Path));

    [Fact]
    public void A_file_that_has_lost_its_contents_is_left_as_it_is()
    {
        File.WriteAllBytes(workshop.File, []);
        Assert.Contains("is empty", Refusal(), StringComparison.Ordinal);
        Assert.Equal(0, new FileInfo(workshop.File).Length);
    }

    [Fact]
    public void A_file_that_is_gone_although_there_was_one_is_not_made_anew()
    {
        workshop.Open();
        SqliteConnection.ClearAllPools();
        File.Delete(workshop.File);
        Assert.Contains("is gone, although its folder has held one", Refusal(), StringComparison.Ordinal);
        Assert.False(File.Exists(workshop.File));
    }

    [Fact]
    public void A_damaged_file_is_left_as_it_is()
    {
        var store = new PieceStore(workshop.Open());
        for (var i = 0; i < 30; i++)
        {
            store.Add($"p{i}", Workshop.Piece(), Workshop.Now);
        }

        SqliteConnection.ClearAllPools();
        var bytes = File.ReadAllBytes(workshop.File);
        Random.Shared.NextBytes(bytes.AsSpan(5000, bytes.Length - 6000));
        File.WriteAllBytes(workshop.File, bytes);
        Assert.Contains("is damaged", Refusal(), StringComparison.Ordinal);
        Assert.Equal(bytes, File.ReadAllBytes(workshop.File));
    }

    [Fact]
    public void A_file_that_was_cut_short_is_left_as_it_is()
    {
        var store = new PieceStore(workshop.Open());
        for (var i = 0; i < 30; i++)
        {
            store.Add($"p{i}", Workshop.Piece(), Workshop.Now);
        }

        SqliteConnection.ClearAllPools();
        var bytes = File.ReadAllBytes(workshop.File)[..20_480];
        File.WriteAllBytes(workshop.File, bytes);
        Assert.Contains("is damaged", Refusal(), StringComparison.Ordinal);
        Assert.Equal(bytes, File.ReadAllBytes(workshop.File));
    }

    [Fact]
    public void A_file_that_another_program_holds_is_told_at_the_start()
    {
        workshop.Open();
        using var other = new SqliteConnection($"Data Source={workshop.File};Pooling=False");
        other.Open();
        other.Execute("begin exclusive");
        Assert.Contains("in use by another program", Refusal(), StringComparison.Ordinal);
        other.Execute("rollback");
        Assert.Empty(new PieceStore(workshop.Open()).All());
    }

    [Fact]
    public void Every_start_keeps_a_copy()
    {
        new PieceStore(workshop.Open()).Add("p1", Workshop.Piece(), Workshop.Now);
        Assert.Empty(Copies());
        for (var day = 1; day <= 12; day++)
        {
            WorkshopDatabase.Open(workshop.Folder, Workshop.Now + NodaTime.Duration.FromDays(day));
        }

        // One of each day for two weeks.
        Assert.Equal(12, Copies().Length);
        Assert.EndsWith("workshop-000012-2026-05-13T093000.db", Copies()[^1], StringComparison.Ordinal);
        Assert.EndsWith("workshop-000001-2026-05-02T093000.db", Copies()[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Two_starts_in_one_second_keep_a_copy_each()
    {
        workshop.Open();
        workshop.Open();
        workshop.Open();
        Assert.Equal(["workshop-000001-2026-05-01T093000.db", "workshop-000002-2026-05-01T093000.db"], Copies().Select(Path.GetFileName));
    }

    [Fact]
    public void A_copy_brought_back_is_the_workshop_of_then_and_what_it_replaces_is_kept()
    {
        var store = new PieceStore(workshop.Open());
        store.Add("p1", Workshop.Piece("Then"), Workshop.Now);
        workshop.Open();
        store.Add("p2", Workshop.Piece("Later"), Workshop.Now);
        var replaced = WorkshopDatabase.Restore(workshop.Folder, Copies()[^1], Workshop.Now);
        Assert.Equal(["Then"], new PieceStore(workshop.Open()).All().Select(p => p.Piece.Name));
        WorkshopDatabase.Restore(workshop.Folder, replaced!, Workshop.Now);
        Assert.Equal(["Later", "Then"], new PieceStore(workshop.Open()).All().Select(p => p.Piece.Name).Order());
    }

    [Fact]
    public void An_empty_copy_among_the_copies_is_told_with_the_place_where_they_are()
    {
        workshop.Open();
        var copies = Path.Combine(workshop.Folder, "backups");
        Directory.CreateDirectory(copies);
        var empty = Path.Combine(copies, "workshop-000001-2026-05-01T100000.db");
        File.WriteAllBytes(empty, []);
        var refused = Assert.Throws<WorkshopFileException>(() => WorkshopDatabase.Restore(workshop.Folder, empty, Workshop.Now));
        Assert.Contains($"Bring back a copy from {copies} with", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_no_copy_is_not_brought_back()
    {
        new PieceStore(workshop.Open()).Add("p1", Workshop.Piece(), Workshop.Now);
        var other = Path.Combine(workshop.Folder, "notes.txt");
        File.WriteAllText(other, "Tape came off clean this time.");
        foreach (var (file, sentence) in new[] { (other, "is not a workshop file"), (other + ".gone", "There is no file") })
        {
            var refused = Assert.Throws<WorkshopFileException>(() => WorkshopDatabase.Restore(workshop.Folder, file, Workshop.Now));
            Assert.Contains(sentence, refused.Message, StringComparison.Ordinal);
        }

        Assert.Single(new PieceStore(workshop.Open()).All());
    }

    private string[] Copies() => Directory.Exists(Path.Combine(workshop.Folder, "backups"))
        ? [.. Directory.GetFiles(Path.Combine(workshop.Folder, "backups")).Order(StringComparer.Ordinal)]
        : [];

    private string Refusal() => Assert.Throws<WorkshopFileException>(workshop.Open).Message;

    [Fact]
    public void A_file_of_another_program_is_left_as_it_is()
    {
        using (var connection = new SqliteConnection($"Data Source={workshop.File};Pooling=False"))
        {
            connection.Execute("create table recipes (name text)");
        }

        var before = File.ReadAllBytes(workshop.File);
        Assert.Contains("another program", Assert.Throws<WorkshopFileException>(workshop.Open).Message, StringComparison.Ordinal);
        Assert.Equal(before, File.ReadAllBytes(workshop.File));
    }

    [Fact]
    public void A_file_that_is_no_database_is_told_by_name()
    {
        File.WriteAllText(workshop.File, "Tape came off clean this time.");
        Assert.Contains(workshop.File, Assert.Throws<WorkshopFileException>(workshop.Open).Message, StringComparison.Ordinal);
        Assert.Equal("Tape came off clean this time.", File.ReadAllText(workshop.File));
    }

    [Fact]
    public void A_file_of_a_newer_program_is_left_as_it_is()
    {
        using (var connection = workshop.Open().Connect())
        {
            connection
                .Execute(
                    "insert into SchemaVersions (ScriptName, Applied) values ('MossLantern.Data.Migrations.9999_later.sql', '2030-01-01')");
        }

        Assert.Contains("newer version", Assert.Throws<WorkshopFileException>(workshop.Open).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_of_the_first_version_keeps_its_pieces_and_can_step_back()
    {
        using (var connection = new SqliteConnection($"Data Source={workshop.File};Pooling=False"))
        {
            connection.Execute(Script("0001_first_light.sql"));
            connection.Execute($"pragma application_id = {WorkshopDatabase.ApplicationId}");
            connection
                .Execute("create table SchemaVersions (SchemaVersionID integer primary key autoincrement, ScriptName text, Applied text)");
            connection
                .Execute(
                    "insert into SchemaVersions (ScriptName, Applied) values "
                        + "('MossLantern.Data.Migrations.0001_first_light.sql', '2026-01-01')");
            connection
                .Execute("insert into piece values ('p1', 'Second', 2, 300, 200, 60000, '2026-01-01T00:00:00Z', '2026-01-02T00:00:00Z')");
            foreach (var (version, name) in ((int, string)[])[(1, "First"), (2, "Second")])
            {
                connection.Execute(
                    "insert into piece_revision values ('p1', @version, @document, '2026-01-01T00:00:00Z')",
                    new { version, document = Formats.PieceJson.Write(Workshop.Piece(name)) });
            }
        }

        var pieces = new PieceStore(workshop.Open());
        var found = pieces.Find("p1")!;
        Assert.Equal(("Second", 2, true, false), (found.Piece.Name, found.Version, found.CanUndo, found.CanRedo));
        Assert.Equal("First", pieces.Walk("p1", 2, UndoStep.Undo, Workshop.Now)!.Piece.Name);
    }

    [Fact]
    public void A_file_of_the_second_version_gets_an_empty_mould_library()
    {
        using (var connection = new SqliteConnection($"Data Source={workshop.File};Pooling=False"))
        {
            connection.Execute($"pragma application_id = {WorkshopDatabase.ApplicationId}");
            connection
                .Execute("create table SchemaVersions (SchemaVersionID integer primary key autoincrement, ScriptName text, Applied text)");
            foreach (var script in new[] { "0001_first_light.sql", "0002_steps.sql" })
            {
                connection.Execute(Script(script));
                connection.Execute("insert into SchemaVersions (ScriptName, Applied) values (@name, '2026-01-01')",
                    new { name = $"MossLantern.Data.Migrations.{script}" });
            }
        }

        Assert.Empty(new MouldStore(workshop.Open()).All());
        Assert.Empty(new PieceStore(workshop.Open()).All());
    }

    private static string Script(string name)
    {
        using var stream = typeof(WorkshopDatabase).Assembly.GetManifestResourceStream($"MossLantern.Data.Migrations.{name}")!;
        return new StreamReader(stream).ReadToEnd();
    }

    [Fact]
    public void A_folder_that_cannot_be_made_is_told_by_name()
    {
        File.WriteAllText(Path.Combine(workshop.Folder, "taken"), "");
        var folder = Path.Combine(workshop.Folder, "taken", "data");
        Assert.Contains(folder,
            Assert.Throws<WorkshopFileException>(() => WorkshopDatabase.Open(folder, Workshop.Now)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Opening_again_keeps_what_is_there()
    {
        new PieceStore(workshop.Open()).Add("p1", Workshop.Piece(), Workshop.Now);
        Assert.Single(new PieceStore(workshop.Open()).All());
    }

    [Fact]
    public void A_file_moved_aside_can_be_opened_again()
    {
        new PieceStore(workshop.Open()).Add("p1", Workshop.Piece(), Workshop.Now);
        var moved = WorkshopDatabase.MoveAside(workshop.Folder, "before-fresh", Workshop.Now)!;
        Assert.Empty(new PieceStore(workshop.Open()).All());
        var aside = Directory.CreateDirectory(Path.Combine(workshop.Folder, "aside")).FullName;
        foreach (var part in (string[])["", "-wal"])
        {
            if (File.Exists(moved + part))
            {
                File.Copy(moved + part, Path.Combine(aside, WorkshopDatabase.FileName + part));
            }
        }

        Assert.Single(new PieceStore(WorkshopDatabase.Open(aside, Workshop.Now)).All());
    }

    [Fact]
    public void A_write_that_fails_leaves_nothing_behind()
    {
        var database = workshop.Open();
        Assert.Throws<InvalidOperationException>(() => database.Write<int>(connection =>
        {
            connection.Execute("insert into setting (key, value) values ('half', 'done')");
            throw new InvalidOperationException();
        }));
        Assert.Null(new SettingStore(database).Find("half"));
    }

    [Fact]
    public void A_full_disk_is_an_error_and_keeps_what_was_there()
    {
        var database = workshop.Open();
        new SettingStore(database).Set("kept", "yes");
        Assert.Throws<SqliteException>(() => database.Write(connection =>
        {
            connection.Execute("pragma max_page_count = 1");
            return connection
                .Execute("insert into setting (key, value) values ('large', @value)", new { value = new string('x', 200_000) });
        }));
        Assert.Equal("yes", new SettingStore(database).Find("kept"));
        Assert.Null(new SettingStore(database).Find("large"));
    }
}
