using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;
using NodaTime.Calendars;
using NodaTime.Text;

namespace MossLantern.Data;

/// <summary>
/// The copies of a workshop's file. They are numbered in the order they are made, so that it does not matter what the clock says:
/// the last ten are kept, besides the newest of each of the last fourteen days and of the last thirteen weeks that have one.
/// </summary>
internal static partial class KeptCopies
{
    /// <summary>Copies kept whatever their day.</summary>
    public const int Last = 10;

    /// <summary>Days of which one copy is kept.</summary>
    public const int Days = 14;

    /// <summary>Weeks of which one copy is kept: a quarter of a year.</summary>
    public const int Weeks = 13;

    private static readonly LocalDateTimePattern Stamp = LocalDateTimePattern.CreateWithInvariantCulture("uuuu'-'MM'-'dd'T'HHmmss");

    private sealed record Copy(string Path, long Number, LocalDateTime Made);

    /// <summary>A moment as it stands in a file's name, UTC.</summary>
    public static string Stamped(Instant now) => Stamp.Format(now.InUtc().LocalDateTime);

    /// <summary>The name of the next copy.</summary>
    /// <param name="folder">Where copies are kept; must exist.</param>
    /// <param name="name">The workshop's name.</param>
    /// <param name="now">When it is made.</param>
    public static string Next(string folder, string name, Instant now)
    {
        var number = All(folder, name).Select(c => c.Number).FirstOrDefault() + 1;
        return Path.Combine(folder, string.Create(CultureInfo.InvariantCulture, $"{name}-{number:000000}-{Stamped(now)}.db"));
    }

    /// <summary>Clears up copies that were cut short.</summary>
    /// <param name="folder">Where copies are kept.</param>
    /// <param name="name">The workshop's name.</param>
    public static void ClearUp(string folder, string name)
    {
        foreach (var part in Directory.GetFiles(folder, $"{name}-*.db{Unfinished}*"))
        {
            File.Delete(part);
        }
    }

    /// <summary>How the name of a copy ends that is still being made.</summary>
    public const string Unfinished = ".part";

    /// <summary>Lets those go that are not kept; never the newest.</summary>
    /// <param name="folder">Where copies are kept.</param>
    /// <param name="name">The workshop's name.</param>
    public static void LetGo(string folder, string name)
    {
        var all = All(folder, name);
        var kept = all.Take(Last)
            .Concat(all.DistinctBy(c => c.Made.Date).Take(Days))
            .Concat(all.DistinctBy(c => (WeekYearRules.Iso.GetWeekYear(c.Made.Date),
                WeekYearRules.Iso.GetWeekOfWeekYear(c.Made.Date))).Take(Weeks))
            .Select(c => c.Path).ToHashSet();
        foreach (var copy in all.Where(c => !kept.Contains(c.Path)))
        {
            File.Delete(copy.Path);
        }
    }

    /// <summary>All copies, the newest first. Those without a number were made by an earlier program, in the order of
    /// their names.</summary>
    private static List<Copy> All(string folder, string name) =>
    [
        .. Directory.GetFiles(folder, $"{name}-*.db")
            .Select(path => (Path: path, Match: CopyName().Match(Path.GetFileNameWithoutExtension(path)[(name.Length + 1)..])))
            .Where(c => c.Match.Success)
            .Select(c => (c.Path, c.Match, Made: Stamp.Parse(c.Match.Groups[2].Value)))

            // A day that no calendar has was written by a hand: its file is left alone.
            .Where(c => c.Made.Success)
            .Select(c => new Copy(
                c.Path,
                c.Match.Groups[1].Success ? long.Parse(c.Match.Groups[1].Value, CultureInfo.InvariantCulture) : 0,
                c.Made.Value))
            .OrderByDescending(c => c.Number).ThenByDescending(c => c.Path, StringComparer.Ordinal),
    ];

    [GeneratedRegex(@"^(?:(\d{6,15})-)?(\d{4}-\d\d-\d\dT\d{6})(?:_\d+)?$")]
    private static partial Regex CopyName();
}
