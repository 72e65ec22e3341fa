using Dapper;
using DbUp;
using DbUp.Engine;
using Microsoft.Data.Sqlite;

namespace MossLantern.Data;

/// <summary>The workshop's file cannot be used; the message is a sentence for the person.</summary>
public sealed class WorkshopFileException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>The workshop's one SQLite file.</summary>
public sealed class WorkshopDatabase
{
    /// <summary>Marks the file as ours: "MLan".</summary>
    public const int ApplicationId = 0x4D4C616E;

    /// <summary>Name of the file in the data folder.</summary>
    public const string FileName = "workshop.db";

    private readonly string connectionString;

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

    /// <summary>Opens the file of a data folder, making both where they are missing, and brings its tables up to date.</summary>
    /// <exception cref="WorkshopFileException">The file is not ours, newer than the program, or cannot be opened.</exception>
    public static WorkshopDatabase Open(string folder)
    {
        try
        {
            Directory.CreateDirectory(folder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new WorkshopFileException($"The data folder {folder} cannot be made: {e.Message}", e);
        }

        var database = new WorkshopDatabase(System.IO.Path.Combine(folder, FileName));
        try
        {
            database.Prepare();
        }
        catch (SqliteException e)
        {
            throw new WorkshopFileException($"The workshop file {database.Path} cannot be opened: {e.Message}", e);
        }

        return database;
    }

    /// <summary>Renames a folder's file, so that the next start makes a new one. An older file of that name is replaced.</summary>
    public static void MoveAside(string folder, string suffix)
    {
        SqliteConnection.ClearAllPools();
        foreach (var part in (string[])["", "-wal", "-shm"])
        {
            var from = System.IO.Path.Combine(folder, FileName + part);
            var to = System.IO.Path.Combine(folder, $"{FileName}.{suffix}{part}");
            File.Delete(to);
            if (File.Exists(from))
            {
                File.Move(from, to);
            }
        }
    }

    /// <summary>An open connection with the workshop's settings. Dispose of it soon.</summary>
    public SqliteConnection Connect()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();

        // Full: an acknowledged write survives a power cut. The setting belongs to the connection.
        connection.Execute("pragma synchronous = full");
        return connection;
    }

    /// <summary>Runs writes in one transaction that takes its lock at once.</summary>
    public T Write<T>(Func<SqliteConnection, T> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        using var connection = Connect();
        using var transaction = connection.BeginTransaction(deferred: false);
        var result = work(connection);
        transaction.Commit();
        return result;
    }

    private void Prepare()
    {
        using (var connection = Connect())
        {
            var id = connection.ExecuteScalar<long>("pragma application_id");
            var tables = connection.ExecuteScalar<long>("select count(*) from sqlite_master");
            if (id != ApplicationId && (id != 0 || tables > 0))
            {
                throw new WorkshopFileException($"{Path} belongs to another program; it was left as it is.");
            }

            connection.Execute("pragma journal_mode = wal");
            connection.Execute($"pragma application_id = {ApplicationId}");
        }

        var upgrade = DeployChanges.To.SqliteDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(WorkshopDatabase).Assembly)
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build();
        var known = upgrade.GetDiscoveredScripts().Select(s => s.Name).ToHashSet();
        if (upgrade.GetExecutedScripts().FirstOrDefault(s => !known.Contains(s)) is { } newer)
        {
            throw new WorkshopFileException($"{Path} was written by a newer version of the program (it has {newer}); it was left as it is.");
        }

        DatabaseUpgradeResult result = upgrade.PerformUpgrade();
        if (!result.Successful)
        {
            throw new WorkshopFileException($"{Path} could not be brought up to date: {result.Error.Message}", result.Error);
        }
    }
}
