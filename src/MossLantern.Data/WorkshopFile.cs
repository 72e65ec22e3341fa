using System.Buffers.Binary;
using System.Globalization;
using Dapper;
using DbUp;
using DbUp.Engine;
using Microsoft.Data.Sqlite;
using NodaTime;

namespace MossLantern.Data;

/// <summary>The workshop's file cannot be used; the message is a sentence for the person.</summary>
public sealed class WorkshopFileException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>The workshop's file before it is in use: looked at, copied, brought up to date, brought back.</summary>
internal static class WorkshopFile
{
    private const string CopiesFolder = "backups";

    /// <summary>Says that a folder has held a workshop: a file that is missing there has been lost.</summary>
    private const string MarkName = ".workshop";

    /// <summary>Makes the file, or looks at the one that is there, copies it and brings it up to date.</summary>
    /// <param name="path">Where it is to be.</param>
    /// <param name="now">Names the copy.</param>
    /// <exception cref="WorkshopFileException">It cannot be used; it was left as it is.</exception>
    public static void Prepare(string path, Instant now)
    {
        Finish(path);
        var mark = Beside(path, MarkName);
        if (Directory.Exists(mark))
        {
            throw new WorkshopFileException(
                $"{mark} is a folder, where a small file of the program belongs. Nothing was changed: rename it, and start again.");
        }

        var isNew = !File.Exists(path);
        if (isNew)
        {
            if (File.Exists(mark))
            {
                throw new WorkshopFileException(
                    $"The workshop file {path} is gone, although its folder has held one. Put it back, or bring back "
                        + $"a copy from {Beside(path, CopiesFolder)} with --restore FILE. To begin with an empty workshop remove {mark}.");
            }

            // A log that a lost file has left behind would be played into the new one.
            Told(path, () => SetAside(path, "left-behind", now, null, null, null));
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
    /// <param name="step">Called after each file operation of the swap; a test ends it there.</param>
    /// <returns>Where what was replaced is kept now, or null where there was nothing.</returns>
    /// <exception cref="WorkshopFileException">The copy cannot be used; nothing was changed.</exception>
    public static string? Restore(string path, string from, Instant now, Action? step = null)
    {
        if (!File.Exists(from))
        {
            throw new WorkshopFileException($"There is no file {from} to bring back; nothing was changed.");
        }

        Finish(path);
        var copies = Beside(path, CopiesFolder);
        Told(from, () => Look(from, copies), copies);
        var made = path + ".restoring";
        Told(from, () => CopyTo(from, made), copies);
        string? replaced = null;
        Told(path, () =>
        {
            replaced = SetAside(path, "replaced", now, made, null, step);
            if (replaced is null)
            {
                File.Move(made, path);
            }
        });
        return replaced;
    }

    /// <summary>Renames a file, so that the next start makes a new one.</summary>
    /// <param name="path">The workshop's file.</param>
    /// <param name="why">Stands in the new name.</param>
    /// <param name="now">Stands in the new name too.</param>
    /// <returns>The new name, or null where nothing was there.</returns>
    public static string? MoveAside(string path, string why, Instant now)
    {
        Finish(path);
        string? to = null;
        Told(path, () => to = SetAside(path, why, now, null, Beside(path, MarkName), null));
        return to;
    }

    /// <summary>Finishes what an earlier start was about to do when it was cut short.</summary>
    public static void Finish(string path) => Told(path, () => FileSwap.Finish(path));

    /// <summary>Makes a data folder where there is none.</summary>
    /// <exception cref="WorkshopFileException">It cannot be made.</exception>
    public static void MakeFolder(string folder)
    {
        try
        {
            Directory.CreateDirectory(folder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new WorkshopFileException($"The data folder {folder} cannot be made: {e.Message}", e);
        }
    }

    private static string? SetAside(string path, string why, Instant now, string? made, string? forget, Action? step)
    {
        if (!FileSwap.Any(path))
        {
            return null;
        }

        var to = Free(number => $"{path}.{why}-{KeptCopies.Stamped(now)}{number}");
        FileSwap.Run(path, to, made, forget, step);
        return to;
    }

    /// <summary>A new file is made under another name and put in place when it is whole: a start that is cut short leaves none.</summary>
    private static void Make(string path)
    {
        var made = path + ".new";
        foreach (var part in FileSwap.Parts)
        {
            File.Delete(made + part);
        }

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
    /// <param name="path">The file.</param>
    /// <param name="copies">Where copies are kept; null for beside it.</param>
    private static void Look(string path, string? copies = null)
    {
        var header = new byte[100];
        using (var stream = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete))
        {
            var length = stream.ReadAtLeast(header, header.Length, throwOnEndOfStream: false);
            if (length == 0)
            {
                throw new WorkshopFileException(
                    $"{path} is empty: its contents have been lost. Bring back a copy from "
                        + $"{copies ?? Beside(path, CopiesFolder)} with --restore FILE.");
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
            throw Damaged(path, found, copies);
        }

        var known = Upgrade(path).GetDiscoveredScripts().Select(s => s.Name).ToHashSet();
        if (connection.Query<string>("select ScriptName from SchemaVersions").FirstOrDefault(s => !known.Contains(s)) is { } newer)
        {
            throw new WorkshopFileException(
                $"{path} was written by a newer version of the program (it has {newer}); it was left as it is.");
        }
    }

    /// <summary>Keeps a copy as the file is now, before anything is changed in it, and lets the oldest go.</summary>
    internal static void Copy(string path, Instant now)
    {
        var folder = Beside(path, CopiesFolder);
        Directory.CreateDirectory(folder);
        var name = Path.GetFileNameWithoutExtension(path);
        KeptCopies.ClearUp(folder, name);
        CopyTo(path, KeptCopies.Next(folder, name, now));
        KeptCopies.LetGo(folder, name);
    }

    private static void CopyTo(string path, string to)
    {
        var made = to + KeptCopies.Unfinished;
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
    private static void Told(string path, Action work, string? copies = null)
    {
        try
        {
            work();
        }
        catch (SqliteException e)
        {
            throw e.SqliteErrorCode switch
            {
                5 or 6 =>
                    new WorkshopFileException(
                        $"{path} is in use by another program, perhaps by this one in another window. Close it and start again.", e),
                8 => new WorkshopFileException($"{path} cannot be written to: it or its folder is read-only.", e),
                11 or 26 => Damaged(path, e.Message, copies),
                13 => new WorkshopFileException($"The disk that holds {path} is full. Make room and start again.", e),
                _ => new WorkshopFileException($"The workshop file {path} cannot be opened: {e.Message}", e),
            };
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new WorkshopFileException($"The workshop file {path} cannot be used: {e.Message}", e);
        }
    }

    private static WorkshopFileException Damaged(string path, string? found, string? copies) => new(string.Create(
        CultureInfo.InvariantCulture,
        $"{path} is damaged ({found}); it was left as it is. Bring back a copy from {copies ?? Beside(path, CopiesFolder)} "
            + $"with --restore FILE."));

    /// <summary>The first name of a kind that is not taken: the second of one second ends in _2.</summary>
    private static string Free(Func<string, string> name) =>
        Enumerable.Range(1, int.MaxValue).Select(i => name(i == 1 ? "" : $"_{i}")).First(path => !FileSwap.Any(path));

    private static string Beside(string path, string name) => Path.Combine(Path.GetDirectoryName(path)!, name);
}
