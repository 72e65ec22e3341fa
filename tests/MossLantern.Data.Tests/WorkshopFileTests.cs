using Dapper;
using Microsoft.Data.Sqlite;

namespace MossLantern.Data.Tests;

public sealed class WorkshopFileTests : IDisposable
{
    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

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
        Assert.True(File.Exists(WorkshopDatabase.Open(Path.Combine(workshop.Folder, "new", "folder")).Path));

    [Fact]
    public void An_empty_file_becomes_a_workshop()
    {
        File.WriteAllBytes(workshop.File, []);
        Assert.Empty(new PieceStore(workshop.Open()).All());
    }

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
            connection.Execute("insert into SchemaVersions (ScriptName, Applied) values ('MossLantern.Data.Migrations.9999_later.sql', '2030-01-01')");
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
            connection.Execute("create table SchemaVersions (SchemaVersionID integer primary key autoincrement, ScriptName text, Applied text)");
            connection.Execute("insert into SchemaVersions (ScriptName, Applied) values ('MossLantern.Data.Migrations.0001_first_light.sql', '2026-01-01')");
            connection.Execute("insert into piece values ('p1', 'Second', 2, 300, 200, 60000, '2026-01-01T00:00:00Z', '2026-01-02T00:00:00Z')");
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
        Assert.Equal("First", pieces.Walk("p1", 2, Step.Undo, Workshop.Now)!.Piece.Name);
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
        Assert.Contains(folder, Assert.Throws<WorkshopFileException>(() => WorkshopDatabase.Open(folder)).Message, StringComparison.Ordinal);
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
        WorkshopDatabase.MoveAside(workshop.Folder, "before-fresh");
        Assert.Empty(new PieceStore(workshop.Open()).All());
        var aside = Directory.CreateDirectory(Path.Combine(workshop.Folder, "aside")).FullName;
        foreach (var part in (string[])["", "-wal"])
        {
            if (File.Exists(workshop.File + ".before-fresh" + part))
            {
                File.Copy(workshop.File + ".before-fresh" + part, Path.Combine(aside, WorkshopDatabase.FileName + part));
            }
        }

        Assert.Single(new PieceStore(WorkshopDatabase.Open(aside)).All());
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
            return connection.Execute("insert into setting (key, value) values ('large', @value)", new { value = new string('x', 200_000) });
        }));
        Assert.Equal("yes", new SettingStore(database).Find("kept"));
        Assert.Null(new SettingStore(database).Find("large"));
    }
}
