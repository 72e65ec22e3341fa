using System.Globalization;

namespace MossLantern.Data.Tests;

public sealed class FolderLockTests : IDisposable
{
    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    [Fact]
    public void A_second_program_is_told_which_one_holds_the_folder_and_comes_in_when_that_has_ended()
    {
        using (FolderLock.Take(workshop.Folder, "serving http://127.0.0.1:5180"))
        {
            var refusal = Assert.Throws<WorkshopFileException>(() => FolderLock.Take(workshop.Folder, "")).Message;
            Assert.Contains("in use by another Moss Lantern", refusal, StringComparison.Ordinal);
            Assert.Contains($"process {Environment.ProcessId.ToString(CultureInfo.InvariantCulture)}", refusal, StringComparison.Ordinal);
            Assert.Contains("http://127.0.0.1:5180", refusal, StringComparison.Ordinal);
        }

        FolderLock.Take(workshop.Folder, "").Dispose();
    }

    [Fact]
    public void A_folder_that_is_not_there_is_made_and_held()
    {
        var folder = Path.Combine(workshop.Folder, "new", "folder");
        using (FolderLock.Take(folder, ""))
        {
            Assert.True(Directory.Exists(folder));
            Assert.Contains("in use by another", Assert.Throws<WorkshopFileException>(() => FolderLock.Take(folder, "")).Message,
                StringComparison.Ordinal);
        }
    }
}
