using System.Buffers.Binary;
using System.Globalization;
using Dapper;
using DbUp;
using DbUp.Engine;
using Microsoft.Data.Sqlite;
using NodaTime;
using NodaTime.Text;

namespace MossLantern.Data;

/// <summary>The workshop's file cannot be used; the message is a sentence for the person.</summary>
public sealed class WorkshopFileException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>The workshop's file before it is in use: looked at, copied, brought up to date, brought back.</summary>
internal static class WorkshopFile
{
    /// <summary>Copies kept of earlier starts.</summary>
    public const int KeptCopies = 10;

    private const string CopiesFolder = "backups";

    /// <summary>Says that a folder has held a workshop: a file that is missing there has been lost.</summary>
    private const string MarkName = ".workshop";

    private static readonly InstantPattern Stamp = InstantPattern.CreateWithInvariantCulture("uuuu'-'MM'-'dd'T'HHmmss");

    /// <summary>Makes the file, or looks at the one that is there, copies it and brings it up to date.</summary>
    /// <param name="path">Where it is to be.</param>
    /// <param name="now">Names the copy.</param>
    /// <exception cref="WorkshopFileException">It cannot be used; it was left as it is.</exception>
    public static void Prepare(string path, Instant now)
    {
        var mark = Beside(path, MarkName);
        var isNew = !File.Exists(path);
        if (isNew)
        {
            if (File.Exists(mark))
            {
                throw new WorkshopFileException(
                    $"The workshop file {path} is gone, although its folder has held one. Put it back, or bring back a copy from {Beside(path, CopiesFolder)} with --restore FILE. To begin with an empty workshop remove {mark}.");
            }

            Make(path);
        }

        Told(path, () =>
        {
            Look(path);
            if (!isNew)
            {
                Copy(path, now);
            }

            BringUpToDate(path);
        });
        File.WriteAllText(mark, "A Moss Lantern workshop is kept in this folder.\n");
    }

    /// <summary>Puts a copy in the place of a workshop's file, and keeps what it replaces.</summary>
    /// <param name="path">The workshop's file.</param>
    /// <param name="from">The copy.</param>
    /// <param name="now">Names what is replaced.</param>
    /// <returns>Where what was replaced is kept now, or null where there was nothing.</returns>
    /// <exception cref="WorkshopFileException">The copy cannot be used; nothing was changed.</exception>
    public static string? Restore(string path, string from, Instant now)
    {
        if (!File.Exists(from))
        {
            throw new WorkshopFileException($"There is no file {from} to bring back; nothing was changed.");
        }

        Told(from, () => Look(from));
        var made = path + ".restoring";
        Told(from, () => CopyTo(from, made));
        string? replaced = null;
        if (File.Exists(path))
        {
            replaced = Free(number => $"{path}.replaced-{Stamp.Format(now)}{number}");
            Move(path, replaced);
        }

        File.Move(made, path);
        return replaced;
    }

    /// <summary>Moves a file and what its journal holds.</summary>
    public static void Move(string path, string to)
    {
        SqliteConnection.ClearAllPools();
        foreach (var part in (string[])["", "-wal", "-shm"])
        {
            File.Delete(to + part);
            if (File.Exists(path + part))
            {
                File.Move(path + part, to + part);
            }
        }
    }

    /// <summary>Forgets that a folder has held a workshop.</summary>
    public static void Unmark(string path) => File.Delete(Beside(path, MarkName));

    /// <summary>A new file is made under another name and put in place when it is whole: a start that is cut short leaves none.</summary>
    private static void Make(string path)
    {
        var made = path + ".new";
        File.Delete(made);
        File.Delete(made + "-journal");
        Told(made, () =>
        {
            using (var connection = Connect(made, SqliteOpenMode.ReadWriteCreate))
            {
                connection.Execute($"pragma application_id = {WorkshopDatabase.ApplicationId}");
            }

            BringUpToDate(made);
        });
        File.Move(made, path);
    }

    /// <summary>Looks at a file without changing it.</summary>
    private static void Look(string path)
    {
        var header = new byte[100];
        using (var stream = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete))
        {
            var length = stream.ReadAtLeast(header, header.Length, throwOnEndOfStream: false);
            if (length == 0)
            {
                throw new WorkshopFileException($"{path} is empty: its contents have been lost. Bring back a copy from {Beside(path, CopiesFolder)} with --restore FILE.");
            }

            if (length < header.Length || !header.AsSpan(0, 16).SequenceEqual("SQLite format 3\0"u8))
            {
                throw new WorkshopFileException($"{path} is not a workshop file; it was left as it is.");
            }
        }

        if (BinaryPrimitives.ReadInt32BigEndian(header.AsSpan(68)) != WorkshopDatabase.ApplicationId)
        {
            throw new WorkshopFileException($"{path} belongs to another program; it was left as it is.");
        }

        using var connection = Connect(path, SqliteOpenMode.ReadOnly);
        if (connection.ExecuteScalar<string>("pragma quick_check(1)") is not "ok" and var found)
        {
            throw Damaged(path, found);
        }

        var known = Upgrade(path).GetDiscoveredScripts().Select(s => s.Name).ToHashSet();
        if (connection.Query<string>("select ScriptName from SchemaVersions").FirstOrDefault(s => !known.Contains(s)) is { } newer)
        {
            throw new WorkshopFileException($"{path} was written by a newer version of the program (it has {newer}); it was left as it is.");
        }
    }

    /// <summary>Keeps a copy as the file is now, before anything is changed in it, and lets the oldest go.</summary>
    private static void Copy(string path, Instant now)
    {
        var folder = Beside(path, CopiesFolder);
        Directory.CreateDirectory(folder);
        var name = Path.GetFileNameWithoutExtension(path);
        CopyTo(path, Free(number => Path.Combine(folder, $"{name}-{Stamp.Format(now)}{number}.db")));
        foreach (var old in Directory.GetFiles(folder, $"{name}-*.db").OrderDescending(StringComparer.Ordinal).Skip(KeptCopies))
        {
            File.Delete(old);
        }
    }

    private static void CopyTo(string path, string to)
    {
        var made = to + ".part";
        File.Delete(made);
        using (var source = Connect(path, SqliteOpenMode.ReadOnly))
        using (var target = Connect(made, SqliteOpenMode.ReadWriteCreate))
        {
            source.BackupDatabase(target);

            // A copy is one file: it carries no journal beside it.
            target.Execute("pragma journal_mode = delete");
        }

        File.Move(made, to, overwrite: true);
    }

    private static void BringUpToDate(string path)
    {
        // A file that another program holds is told of now, not at the first save.
        using (var connection = Connect(path, SqliteOpenMode.ReadWrite))
        {
            connection.Execute("begin immediate; rollback");
        }

        DatabaseUpgradeResult result = Upgrade(path).PerformUpgrade();
        if (!result.Successful)
        {
            throw new WorkshopFileException($"{path} could not be brought up to date: {result.Error.Message}", result.Error);
        }
    }

    private static UpgradeEngine Upgrade(string path) =>
        DeployChanges.To.SqliteDatabase(ConnectionString(path, SqliteOpenMode.ReadWrite))
            .WithScriptsEmbeddedInAssembly(typeof(WorkshopFile).Assembly)
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build();

    private static SqliteConnection Connect(string path, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(ConnectionString(path, mode));
        connection.Open();
        return connection;
    }

    private static string ConnectionString(string path, SqliteOpenMode mode) => new SqliteConnectionStringBuilder
    {
        DataSource = path,
        Mode = mode,
        Pooling = false,
        DefaultTimeout = 2,
    }.ToString();

    /// <summary>Turns what can go wrong with a file into a sentence.</summary>
    private static void Told(string path, Action work)
    {
        try
        {
            work();
        }
        catch (SqliteException e)
        {
            throw e.SqliteErrorCode switch
            {
                5 or 6 => new WorkshopFileException($"{path} is in use by another program, perhaps by this one in another window. Close it and start again.", e),
                8 => new WorkshopFileException($"{path} cannot be written to: it or its folder is read-only.", e),
                11 or 26 => Damaged(path, e.Message),
                13 => new WorkshopFileException($"The disk that holds {path} is full. Make room and start again.", e),
                _ => new WorkshopFileException($"The workshop file {path} cannot be opened: {e.Message}", e),
            };
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new WorkshopFileException($"The workshop file {path} cannot be used: {e.Message}", e);
        }
    }

    private static WorkshopFileException Damaged(string path, string? found) => new(string.Create(
        CultureInfo.InvariantCulture,
        $"{path} is damaged ({found}); it was left as it is. Bring back a copy from {Beside(path, CopiesFolder)} with --restore FILE."));

    /// <summary>The first name of a kind that is not taken: the second of one second ends in _2.</summary>
    private static string Free(Func<string, string> name) =>
        Enumerable.Range(1, int.MaxValue).Select(i => name(i == 1 ? "" : $"_{i}")).First(path => !File.Exists(path));

    private static string Beside(string path, string name) => Path.Combine(Path.GetDirectoryName(path)!, name);
}
