using NodaTime;

namespace MossLantern.Data.Tests;

public sealed class KeptCopiesTests : IDisposable
{
    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    [Fact]
    public void Starts_one_after_the_other_do_not_push_out_the_copies_of_other_days()
    {
        Start(0, 12);
        Start(1, 12);
        var days = Start(2, 12).Select(c => c.Split('-', 3)[2][..10]).ToList();
        Assert.Equal(10, days.Count(d => d == "2026-05-03"));
        Assert.Equal(1, days.Count(d => d == "2026-05-02"));
        Assert.Equal(1, days.Count(d => d == "2026-05-01"));
    }

    [Fact]
    public void One_of_a_day_is_kept_for_fourteen_days_and_one_of_a_week_for_thirteen_weeks()
    {
        workshop.Open();
        for (var day = 1; day <= 120; day++)
        {
            Start(day, 1);
        }

        var days = Copies().Select(c => (int)(Read(c) - Workshop.Now).TotalDays).ToList();
        Assert.Equal(Enumerable.Range(107, 14), days.TakeLast(14));

        // Friday the first of May and 107 days is a Sunday: weeks end on Sundays, and three of the thirteen are among those days.
        Assert.Equal([37, 44, 51, 58, 65, 72, 79, 86, 93, 100], days.SkipLast(14));
    }

    [Fact]
    public void A_copy_of_a_day_that_no_calendar_has_is_left_alone_and_one_that_was_cut_short_is_cleared_up()
    {
        workshop.Open();
        Start(0, 1);
        var folder = Path.Combine(workshop.Folder, "backups");
        var (odd, cut) = (Path.Combine(folder, "workshop-000007-2026-02-31T100000.db"),
            Path.Combine(folder, "workshop-000008-2026-05-01T100000.db.part"));
        File.WriteAllText(odd, "by hand");
        File.WriteAllText(cut, "cut short");
        workshop.Open();
        Assert.True(File.Exists(odd));
        Assert.False(File.Exists(cut));
    }

    [Fact]
    public void The_newest_is_kept_although_the_clock_was_set_back()
    {
        Start(400, 12);
        var newest = Start(0, 1)[^1];
        Assert.Contains("2026-05-01", newest, StringComparison.Ordinal);
        Assert.Equal(newest, Start(-30, 1)[^2]);
    }

    [Fact]
    public void Copies_of_an_earlier_program_count_as_older()
    {
        workshop.Open();
        var folder = Directory.CreateDirectory(Path.Combine(workshop.Folder, "backups")).FullName;
        File.WriteAllText(Path.Combine(folder, "workshop-2030-01-01T000000.db"), "");
        File.WriteAllText(Path.Combine(folder, "workshop-notes.db"), "");
        Start(0, 9);
        Assert.Equal(11, Copies().Count);
        Start(0, 3);
        Assert.Equal(["workshop-2030-01-01T000000.db", "workshop-notes.db"],
            Copies().Where(c => !c.StartsWith("workshop-0", StringComparison.Ordinal)));
        Assert.Equal(10, Copies().Count(c => c.StartsWith("workshop-0", StringComparison.Ordinal)));
    }

    private List<string> Start(int day, int times)
    {
        for (var i = 0; i < times; i++)
        {
            WorkshopDatabase.Open(workshop.Folder, Workshop.Now + Duration.FromDays(day) + Duration.FromSeconds(i));
        }

        return Copies();
    }

    private List<string> Copies() =>
        [.. Directory.GetFiles(Path.Combine(workshop.Folder, "backups")).Select(f => Path.GetFileName(f)).Order(StringComparer.Ordinal)];

    private static Instant Read(string name) =>
        NodaTime.Text.InstantPattern.CreateWithInvariantCulture("uuuu'-'MM'-'dd'T'HHmmss").Parse(name[16..33]).Value;
}
