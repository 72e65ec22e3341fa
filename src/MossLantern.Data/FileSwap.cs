using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace MossLantern.Data;

/// <summary>
/// Moves a workshop's file out of the way, with everything that SQLite keeps beside it and under one name, and puts another in
/// its place. What is meant is written down first, so that a swap that was cut short at any step is finished by the next start:
/// a new file never stands beside an old one's log.
/// </summary>
internal static class FileSwap
{
    /// <summary>The file itself first, then what SQLite keeps beside it.</summary>
    public static readonly string[] Parts = ["", "-journal", "-wal", "-shm"];

    /// <summary>What is meant.</summary>
    /// <param name="To">Where the old file goes.</param>
    /// <param name="Made">What comes in its place; null for nothing.</param>
    /// <param name="Forget">What is to be deleted afterwards; null for nothing.</param>
    private sealed record Swap(string To, string? Made, string? Forget);

    /// <summary>Whether a file or anything of it is there.</summary>
    public static bool Any(string path) => Parts.Any(part => File.Exists(path + part));

    /// <summary>Moves what is there to another name and puts a file in its place.</summary>
    /// <param name="path">The workshop's file.</param>
    /// <param name="to">Where it goes; must be free.</param>
    /// <param name="made">What comes in its place; null for nothing.</param>
    /// <param name="forget">What is to be deleted afterwards; null for nothing.</param>
    /// <param name="step">Called after each file operation; a test ends it there.</param>
    public static void Run(string path, string to, string? made, string? forget, Action? step = null)
    {
        Checkpoint(path);
        var intent = Intent(path);
        Write(intent + ".part", JsonSerializer.SerializeToUtf8Bytes(new Swap(to, made, forget)));
        step?.Invoke();
        File.Move(intent + ".part", intent, overwrite: true);
        step?.Invoke();
        Finish(path, step);
    }

    /// <summary>Finishes a swap that was cut short; does nothing where none was.</summary>
    /// <param name="path">The workshop's file.</param>
    /// <param name="step">Called after each file operation.</param>
    public static void Finish(string path, Action? step = null)
    {
        var intent = Intent(path);
        if (!File.Exists(intent))
        {
            return;
        }

        var swap = Read(path, intent);
        SqliteConnection.ClearAllPools();

        // Once what was made is in its place, nothing of the old file is left to be moved.
        if (swap.Made is null || File.Exists(swap.Made))
        {
            foreach (var part in Parts.Where(part => File.Exists(path + part)))
            {
                File.Move(path + part, swap.To + part);
                step?.Invoke();
            }

            if (swap.Made is not null)
            {
                File.Move(swap.Made, path);
                step?.Invoke();
            }
        }

        if (swap.Forget is not null)
        {
            File.Delete(swap.Forget);
            step?.Invoke();
        }

        File.Delete(intent);
        step?.Invoke();
    }

    /// <summary>What is meant counts only when it is on the disk.</summary>
    private static void Write(string path, byte[] text)
    {
        using var stream = new FileStream(path, FileMode.Create, FileAccess.Write);
        stream.Write(text);
        stream.Flush(flushToDisk: true);
    }

    private static Swap Read(string path, string intent)
    {
        try
        {
            if (JsonSerializer.Deserialize<Swap>(File.ReadAllText(intent)) is { To.Length: > 0 } swap)
            {
                return swap;
            }
        }
        catch (JsonException)
        {
            // Told below.
        }

        throw new WorkshopFileException(
            $"The note {intent}, in which an earlier start wrote what it was about to move, cannot be read. Nothing was changed. "
                + $"Look whether {path} is the workshop you want, or put it back from beside it; then remove the note and start again.");
    }

    /// <summary>Brings what the log holds into the file, where it opens; one that does not is moved as it is, with its log.</summary>
    private static void Checkpoint(string path)
    {
        SqliteConnection.ClearAllPools();
        if (!File.Exists(path))
        {
            return;
        }

        try
        {
            using var connection = new SqliteConnection(new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = SqliteOpenMode.ReadWrite,
                Pooling = false,
                DefaultTimeout = 2,
            }.ToString());
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "pragma wal_checkpoint(truncate)";
            command.ExecuteNonQuery();
        }
        catch (SqliteException)
        {
            // Damaged or read-only: its log goes with it.
        }
    }

    private static string Intent(string path) => path + ".swap";
}
