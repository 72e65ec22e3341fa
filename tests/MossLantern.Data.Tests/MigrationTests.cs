using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Formats;

namespace MossLantern.Data.Tests;

/// <summary>An older workshop is brought up to date, however often that is cut short.</summary>
public sealed class MigrationTests : IDisposable
{
    private static readonly string Golden = Path.Combine(AppContext.BaseDirectory, "golden", "format-1", "workshop.db");

    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    /// <summary>The steps that a file of the golden workshop has yet to take, each as its parts.</summary>
    private static IEnumerable<(string Name, string[] Parts)> Steps()
    {
        var assembly = typeof(WorkshopDatabase).Assembly;
        using var connection = new SqliteConnection($"Data Source={Golden};Mode=ReadOnly;Pooling=False");
        var taken = connection.Query<string>("select ScriptName from SchemaVersions").ToHashSet();
        foreach (var name in assembly.GetManifestResourceNames()
            .Where(n => n.EndsWith(".sql", StringComparison.Ordinal) && !taken.Contains(n)).Order(StringComparer.Ordinal))
        {
            using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
            yield return (name, reader.ReadToEnd().Split("\n\n"));
        }
    }

    private static string Told(WorkshopDatabase database)
    {
        var (pieces, runs) = (new PieceStore(database), new RunStore(database));
        return string.Join('\n', pieces.All()
            .Select(p => $"{p.Id} {p.Version} {p.Revision} {p.CanUndo} {PieceJson.Write(p.Piece)} {string.Join(' ', pieces.Named(p.Id))}")
            .Concat(runs.Of(null).Select(r => $"{r with { Pours = [] }} {string.Join(' ', r.Pours)}")));
    }

    [Fact]
    public void A_step_that_is_cut_short_anywhere_leaves_the_file_as_it_was_and_the_next_start_takes_it()
    {
        File.Copy(Golden, workshop.File);
        var wanted = Told(workshop.Open());
        var steps = Steps().ToList();
        Assert.True(steps.Count >= 2);
        foreach (var (step, at) in steps.Select((s, i) => (s, i)))
        {
            foreach (var parts in (int[])[0, step.Parts.Length / 3, 2 * step.Parts.Length / 3, step.Parts.Length])
            {
                using var cut = new Workshop();
                File.Copy(Golden, cut.File);
                using (var connection = new SqliteConnection($"Data Source={cut.File};Pooling=False"))
                {
                    connection.Open();
                    foreach (var (name, whole) in steps.Take(at))
                    {
                        connection.Execute(string.Join("\n\n", whole));
                        connection.Execute("insert into SchemaVersions (ScriptName, Applied) values (@name, '2026-05-01')", new { name });
                    }

                    // Ended in the middle of the step: nothing of it is in the file, whatever lies beside it.
                    connection.Execute("begin immediate");
                    connection.Execute(string.Join("\n\n", step.Parts.Take(parts)) + "\n;");
                    File.Copy(cut.File, cut.File + ".left");
                    connection.Execute("rollback");
                }

                File.Move(cut.File + ".left", cut.File, overwrite: true);
                Assert.Equal(wanted, Told(cut.Open()));
                Assert.NotEmpty(Directory.EnumerateFiles(Path.Combine(Path.GetDirectoryName(cut.File)!, "backups")));
            }
        }
    }

    [Fact]
    public void An_older_workshop_is_copied_as_it_is_before_anything_of_it_changes()
    {
        File.Copy(Golden, workshop.File);
        workshop.Open();
        var copy = Assert.Single(Directory.EnumerateFiles(Path.Combine(Path.GetDirectoryName(workshop.File)!, "backups")));
        using var connection = new SqliteConnection($"Data Source={copy};Mode=ReadOnly;Pooling=False");
        Assert.Equal(6, connection.ExecuteScalar<long>("select count(*) from run"));
        using var now = new SqliteConnection($"Data Source={workshop.File};Mode=ReadOnly;Pooling=False");
        Assert.Empty(now.Query("pragma foreign_key_check"));
        Assert.Equal("ok", now.ExecuteScalar<string>("pragma integrity_check"));
        Assert.Equal(6, now.ExecuteScalar<long>("select count(*) from journal_run"));
        Assert.Equal(5, now.ExecuteScalar<long>("select sum(logged > 0) from piece"));
    }
}
