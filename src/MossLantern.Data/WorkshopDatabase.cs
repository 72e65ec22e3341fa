using Dapper;
using Microsoft.Data.Sqlite;
using NodaTime;
using SQLitePCL;

namespace MossLantern.Data;

/// <summary>The workshop's one SQLite file.</summary>
public sealed class WorkshopDatabase
{
    /// <summary>Marks the file as ours: "MLan".</summary>
    public const int ApplicationId = 0x4D4C616E;

    /// <summary>Name of the file in the data folder.</summary>
    public const string FileName = "workshop.db";

    private readonly string connectionString;
    private readonly AsyncLocal<SqliteConnection?> together = new();

    private WorkshopDatabase(string path)
    {
        Path = path;
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            Mode = SqliteOpenMode.ReadWriteCreate,
            ForeignKeys = true,
            DefaultTimeout = 2,
        }.ToString();
    }

    /// <summary>Where the file is.</summary>
    public string Path { get; }

    /// <summary>
    /// Opens the file of a data folder. Both are made where neither is there; a file that is there is copied first, and
    /// brought up to date.
    /// </summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="now">Names the copy.</param>
    /// <exception cref="WorkshopFileException">
    /// The file is lost, damaged, locked, not ours, newer than the program, or cannot be opened. It was left as it is.
    /// </exception>
    public static WorkshopDatabase Open(string folder, Instant now)
    {
        WorkshopFile.MakeFolder(folder);
        var database = new WorkshopDatabase(FileOf(folder));
        WorkshopFile.Prepare(database.Path, now);
        using var connection = database.Connect();
        connection.Execute("pragma journal_mode = wal");
        return database;
    }

    /// <summary>Puts a copy in the place of a folder's file and keeps what it replaces.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="copy">The copy.</param>
    /// <param name="now">Names what is replaced.</param>
    /// <returns>Where what was replaced is kept now, or null where there was nothing.</returns>
    /// <exception cref="WorkshopFileException">The copy is missing, damaged, not ours or newer than the program;
    /// nothing was changed.</exception>
    public static string? Restore(string folder, string copy, Instant now)
    {
        WorkshopFile.MakeFolder(folder);
        return WorkshopFile.Restore(FileOf(folder), copy, now);
    }

    /// <summary>Finishes what an earlier start was about to move when it was cut short.</summary>
    public static void FinishSwap(string folder) => WorkshopFile.Finish(FileOf(folder));

    /// <summary>Renames a folder's file, so that the next start makes a new one.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="why">Stands in the new name.</param>
    /// <param name="now">Stands in the new name too.</param>
    /// <returns>The new name, or null where there was none.</returns>
    public static string? MoveAside(string folder, string why, Instant now) => WorkshopFile.MoveAside(FileOf(folder), why, now);

    /// <summary>An open connection with the workshop's settings. Dispose of it soon.</summary>
    public SqliteConnection Connect()
    {
        var connection = Opened();
        if (raw.sqlite3_get_autocommit(connection.Handle) == 0)
        {
            // A write that was cut off may leave its transaction open on a connection that is used again: that one is let go, and what
            // it had not written is rolled back.
            SqliteConnection.ClearPool(connection);
            connection.Dispose();
            connection = Opened();
        }

        // Full: an acknowledged write survives a power cut. The setting belongs to the connection.
        connection.Execute("pragma synchronous = full");
        return connection;
    }

    private SqliteConnection Opened()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();
        return connection;
    }

    /// <summary>Reads: on a connection of its own, or on that of the work it is part of.</summary>
    public T Read<T>(Func<SqliteConnection, T> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        if (together.Value is { } shared)
        {
            return work(shared);
        }

        using var connection = Connect();
        return work(connection);
    }

    /// <summary>Everything that stores do in here is kept as one, or not at all.</summary>
    public void Together(Action work)
    {
        ArgumentNullException.ThrowIfNull(work);
        Write(connection =>
        {
            together.Value = connection;
            try
            {
                work();
            }
            finally
            {
                together.Value = null;
            }

            return true;
        });
    }

    /// <summary>Runs writes in one transaction that takes its lock at once.</summary>
    public T Write<T>(Func<SqliteConnection, T> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        if (together.Value is { } shared)
        {
            return work(shared);
        }

        using var connection = Connect();
        using var transaction = connection.BeginTransaction(deferred: false);
        var result = work(connection);
        transaction.Commit();
        return result;
    }

    /// <summary>Gives back the room that what is gone took up.</summary>
    internal void Compact()
    {
        using var connection = Connect();
        using var vacuum = connection.CreateCommand();
        vacuum.CommandText = "vacuum; pragma wal_checkpoint(truncate)";
        vacuum.ExecuteNonQuery();
    }

    /// <summary>How large the workshop is on the disk, bytes.</summary>
    public long SizeBytes => ((string[])["", "-wal"]).Select(end => new FileInfo(Path + end)).Where(f => f.Exists).Sum(f => f.Length);

    private static string FileOf(string folder) => System.IO.Path.Combine(folder, FileName);
}
