using System.Globalization;

namespace MossLantern.Data;

/// <summary>
/// One program at a time works in a data folder. The lock is the operating system's: it is gone with the process, however that ends.
/// </summary>
public sealed class FolderLock : IDisposable
{
    private const string LockName = ".in-use";
    private const string HolderName = ".in-use-by";
    private readonly FileStream held;

    private FolderLock(FileStream held) => this.held = held;

    /// <summary>Takes the lock of a data folder, before any other file in it is touched. The folder is made where there is none.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="holder">What is told to a program that comes second, such as where this one listens.</param>
    /// <exception cref="WorkshopFileException">Another program holds it, or the folder cannot be used.</exception>
    public static FolderLock Take(string folder, string holder)
    {
        WorkshopFile.MakeFolder(folder);
        FileStream held;
        try
        {
            held = new(Path.Combine(folder, LockName), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None, 1);
        }
        catch (UnauthorizedAccessException e)
        {
            throw new WorkshopFileException($"The data folder {folder} cannot be used: {e.Message}", e);
        }
        catch (IOException e) when (ReadOnly(e))
        {
            throw new WorkshopFileException($"The data folder {folder} cannot be written to: it or its disk is read-only.", e);
        }
        catch (IOException e)
        {
            throw new WorkshopFileException(
                $"The workshop in {folder} is in use by another Moss Lantern{Holder(folder)}. Close that one first; nothing was changed.",
                e);
        }

        try
        {
            File.WriteAllText(Path.Combine(folder, HolderName),
                string.Create(CultureInfo.InvariantCulture, $"process {Environment.ProcessId}{(holder.Length > 0 ? $", {holder}" : "")}"));
        }
        catch (IOException)
        {
            // A full disk: the lock holds all the same, and a second program is told less.
        }

        return new(held);
    }

    /// <inheritdoc/>
    public void Dispose() => held.Dispose();

    private static bool ReadOnly(IOException e) => e.Message.Contains("Read-only", StringComparison.OrdinalIgnoreCase);

    private static string Holder(string folder)
    {
        try
        {
            return File.ReadAllText(Path.Combine(folder, HolderName)) is { Length: > 0 } told ? $" ({told})" : "";
        }
        catch (IOException)
        {
            return "";
        }
    }
}
