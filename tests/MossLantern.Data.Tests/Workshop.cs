global using Xunit;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Data.Tests;

/// <summary>A data folder with a real workshop file, gone when the test ends.</summary>
public sealed class Workshop : IDisposable
{
    public static readonly Instant Now = Instant.FromUtc(2026, 5, 1, 9, 30);

    public string Folder { get; } = Directory.CreateTempSubdirectory("moss-lantern-").FullName;

    public string File => Path.Combine(Folder, WorkshopDatabase.FileName);

    public WorkshopDatabase Open() => WorkshopDatabase.Open(Folder, Now);

    public static Piece Piece(string name = "Fen Tray") =>
        FirstPiece.Of(name, new(new RectangleOutline(300, 200), EdgeStyle.TapedClean, 20, "#d9c29a"));

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
    }
}
