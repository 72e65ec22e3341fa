using System.Diagnostics;
using Microsoft.Data.Sqlite;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>What happens to the workshop's file while somebody is at work, with real files on a small disk of their own.</summary>
public sealed class BadLuckTests(SharedWorkshop shared)
{
    [Fact]
    public void A_file_that_another_program_holds_is_told_and_the_edit_is_kept_when_it_lets_go()
    {
        using var workshop = shared.Own();
        using var page = Opened(workshop);
        using (var other = new SqliteConnection($"Data Source={Path.Combine(workshop.Folder, "workshop.db")};Pooling=False"))
        {
            other.Open();
            Run(other, "begin exclusive");
            page.Write("Width of band 1", "9");
            page.WaitForText("in use by another program");
            Assert.Equal("9", page.Find("textbox", "Width of band 1").GetAttribute("value"));
            Run(other, "rollback");
        }

        Kept(page, "9");
    }

    [Fact]
    public void A_full_disk_is_told_and_the_edit_is_kept_when_there_is_room()
    {
        using var disk = new SmallDisk();
        using var workshop = shared.Own(disk.Folder);
        using var page = Opened(workshop);
        var filler = Path.Combine(disk.Folder, "filler");
        disk.Fill(filler);
        page.Write("Width of band 1", "9");
        page.WaitForText("The disk is full. Nothing was saved; make room.");
        Assert.Equal("9", page.Find("textbox", "Width of band 1").GetAttribute("value"));
        File.Delete(filler);
        Kept(page, "9");
    }

    [Fact]
    public void A_disk_made_read_only_is_told_and_the_edit_is_kept_when_it_can_be_written()
    {
        using var disk = new SmallDisk();
        using var workshop = shared.Own(disk.Folder);
        using var page = Opened(workshop);

        // A disk is only made read-only while nothing on it is open for writing: the program is away meanwhile.
        workshop.Kill();
        SmallDisk.Mount("-o", "remount,ro", disk.Folder);
        var refusal = workshop.StartRefused();
        Assert.Contains("read-only", refusal, StringComparison.OrdinalIgnoreCase);
        page.Write("Width of band 1", "9");
        page.WaitForText("The workshop is not answering.");
        SmallDisk.Mount("-o", "remount,rw", disk.Folder);
        workshop.Start();
        Kept(page, "9");
    }

    private static Page Opened(WorkshopProcess workshop)
    {
        var page = new Page(workshop.Address);
        page.Open("/pieces/bogbean-round/map");
        page.WaitForPainting();
        page.WaitUntilKept();
        return page;
    }

    /// <summary>Waits until the edit is kept by itself, and looks that it was.</summary>
    private static void Kept(Page page, string width)
    {
        page.WaitUntilKept();
        page.Open("/pieces/bogbean-round/map");
        page.WaitForPainting();
        Assert.Equal(width, page.Find("textbox", "Width of band 1").GetAttribute("value"));
    }

    private static void Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    /// <summary>A disk of a few megabytes, in memory. Only root may make one: for anybody else the test is skipped.</summary>
    private sealed class SmallDisk : IDisposable
    {
        public SmallDisk()
        {
            Assert.SkipUnless(Environment.IsPrivilegedProcess, "Only root may mount a small disk.");
            Folder = Directory.CreateTempSubdirectory("moss-lantern-disk-").FullName;
            Mount("-t", "tmpfs", "-o", "size=3m", "tmpfs", Folder);
        }

        public string Folder { get; }

        public static void Mount(params string[] arguments) => Run("mount", arguments);

        /// <summary>Writes until nothing more fits.</summary>
        public void Fill(string file)
        {
            using var stream = File.Create(file, bufferSize: 1);
            try
            {
                while (true)
                {
                    stream.Write(new byte[4096]);
                }
            }
            catch (IOException)
            {
                // Full.
            }
        }

        public void Dispose()
        {
            Run("umount", "--lazy", Folder);
            Directory.Delete(Folder);
        }

        private static void Run(string program, params string[] arguments)
        {
            using var process = Process.Start(program, arguments);
            process.WaitForExit();
            Assert.Equal(0, process.ExitCode);
        }
    }
}
