using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;

namespace MossLantern.Core.Units;

/// <summary>Reads moments as people say them: "now", "tonight", "tomorrow 7", "Fri 18:30", "in 2 h", "28 Nov 9:30".</summary>
/// <remarks>Source: docs/craft/units.md, Moments.</remarks>
public static partial class MomentText
{
    private const int LongestText = 60;

    /// <summary>When tonight is, where no hour is said.</summary>
    public static readonly LocalTime Tonight = new(20, 0);

    private static readonly string[] Weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

    private static readonly string[] Months =
        ["january", "february", "march", "april", "may", "june", "july", "august", "september", "october", "november", "december"];

    /// <summary>What a person is told whose text is no moment.</summary>
    public const string Sentence = "Type a moment, such as now, tonight, tomorrow 7, Fri 18:30, 28 Nov 9:30 or in 2 h.";

    /// <summary>Reads a moment; null where the text is none, or its year is out of range.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="now">The workshop's wall clock now.</param>
    /// <param name="twelve">Whether hours are told to twelve: a bare hour is then the next of morning or evening.</param>
    public static LocalDateTime? Read(string text, LocalDateTime now, bool twelve = false)
    {
        ArgumentNullException.ThrowIfNull(text);
        if (text.Length > LongestText)
        {
            return null;
        }

        var words = Space().Replace(text.Trim().ToLowerInvariant().Replace(",", " ", StringComparison.Ordinal), " ");
        var read = words == "now" ? now : FromNow(words, now) ?? Iso(words) ?? Said(words, now, twelve);
        return read is { } moment && Accepted.Years.Contains(moment.Year) ? moment.With(TimeAdjusters.TruncateToMinute) : null;
    }

    private static LocalDateTime? FromNow(string words, LocalDateTime now)
    {
        var match = Span().Match(words);
        if (!match.Success || (match.Groups["in"].Length > 0) == (match.Groups["ago"].Length > 0))
        {
            return null;
        }

        var minutes = 0.0;
        for (var i = 0; i < match.Groups["number"].Captures.Count; i++)
        {
            var number = double.Parse(match.Groups["number"].Captures[i].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
            minutes += number * (match.Groups["unit"].Captures[i].Value[0] switch { 'd' => 1440, 'h' => 60, 'w' => 10_080, _ => 1 });
        }

        return minutes > 1e6 ? null : now.PlusMinutes((long)Math.Round(match.Groups["ago"].Length > 0 ? -minutes : minutes));
    }

    private static LocalDateTime? Iso(string words)
    {
        var match = IsoForm().Match(words);
        return match.Success && Date(Number(match, "year"), Number(match, "month"), Number(match, "day")) is { } date
            ? Time(Number(match, "hour"), Number(match, "minute")) is { } time ? date + time : null
            : null;
    }

    private static LocalDateTime? Said(string words, LocalDateTime now, bool twelve)
    {
        var today = now.Date;
        var (tonight, date, weekday, time, bare) = (false, (LocalDate?)null, (int?)null, (LocalTime?)null, false);
        var match = Parts().Match(words);
        if (!match.Success)
        {
            return null;
        }

        foreach (var part in match.Groups["part"].Captures.Select(c => c.Value.Trim()))
        {
            switch (part)
            {
                case "at" or "on":
                    break;
                case "tonight" when date is null:
                    (tonight, date) = (true, today);
                    break;
                case "today" when date is null:
                    date = today;
                    break;
                case "tomorrow" when date is null:
                    date = today.PlusDays(1);
                    break;
                case "yesterday" when date is null:
                    date = today.PlusDays(-1);
                    break;
                case "noon" when time is null:
                    time = LocalTime.Noon;
                    break;
                case "midnight" when time is null:
                    (time, date) = (LocalTime.Midnight, date ?? today.PlusDays(1));
                    break;
                default:
                    if (weekday is null && date is null && Weekday(part) is { } day)
                    {
                        weekday = day;
                    }
                    else if (date is null && DayOf(part, today) is { } named)
                    {
                        date = named;
                    }
                    else if (time is null && Clock(part) is { } clock)
                    {
                        (time, bare) = clock;
                    }
                    else
                    {
                        return null;
                    }

                    break;
            }
        }

        // A weekday beside a date is only said along.
        date ??= weekday is { } next ? today.PlusDays((next - (int)today.DayOfWeek + 6) % 7 + 1) : null;
        if (date is { } on)
        {
            var at = time ?? (tonight ? Tonight : null);
            return at is not { } hour ? null : on + (tonight && hour.Hour is > 0 and < 12 && bare ? hour.PlusHours(12) : hour);
        }

        if (time is not { } strikes)
        {
            return null;
        }

        var step = twelve && bare && strikes.Hour is > 0 and <= 12 ? 12 : 24;
        var first = today + (step == 12 && strikes.Hour == 12 ? LocalTime.Midnight.PlusMinutes(strikes.Minute) : strikes);
        while (first <= now)
        {
            first = first.PlusHours(step);
        }

        return first;
    }

    private static int? Weekday(string word)
    {
        var at = Array.FindIndex(Weekdays, d => word.Length >= 3 && d.StartsWith(word.TrimEnd('.'), StringComparison.Ordinal));
        return at < 0 ? null : at + 1;
    }

    /// <summary>A day of the year; without a year the one nearest to today.</summary>
    private static LocalDate? DayOf(string words, LocalDate today)
    {
        var match = DayForm().Match(words);
        if (!match.Success)
        {
            return null;
        }

        var name = match.Groups["name"].Value.TrimEnd('.');
        var month = match.Groups["number"].Length > 0 ? Number(match, "number")
            : Array.FindIndex(Months, m => m.StartsWith(name, StringComparison.Ordinal)) + 1;
        var day = Number(match, "day");
        return match.Groups["year"].Length > 0
            ? Date(Number(match, "year"), month, day)
            : Enumerable.Range(today.Year - 1, 3).Select(y => Date(y, month, day)).Where(d => d is not null)
                .MinBy(d => Math.Abs(Period.DaysBetween(today, d!.Value)));
    }

    private static (LocalTime, bool)? Clock(string word)
    {
        var match = ClockForm().Match(word);
        if (!match.Success)
        {
            return null;
        }

        var (hour, half) = (Number(match, "hour"), match.Groups["half"].Value);
        if (half.Length > 0 && hour is < 1 or > 12)
        {
            return null;
        }

        hour = half.Length == 0 ? hour : hour % 12 + (half[0] == 'p' ? 12 : 0);
        return Time(hour, match.Groups["minute"].Length > 0 ? Number(match, "minute") : 0) is { } time ? (time, half.Length == 0) : null;
    }

    private static int Number(Match match, string group) => int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);

    private static LocalDate? Date(int year, int month, int day) =>
        month is >= 1 and <= 12 && year is >= 1 and <= 9998 && day >= 1
            && day <= CalendarSystem.Iso.GetDaysInMonth(year, month) ? new(year, month, day) : null;

    private static LocalTime? Time(int hour, int minute) => hour is >= 0 and <= 23 && minute is >= 0 and <= 59 ? new(hour, minute) : null;

    [GeneratedRegex(@"\s+")]
    private static partial Regex Space();

    [GeneratedRegex(
        @"^(?<in>in )?(?:(?<number>\d{1,5}(?:[.,]\d{1,2})?) ?(?<unit>weeks?|days?|d|hours?|hrs?|h|minutes?|mins?|min|m)"
            + @"(?: and)? ?)+(?<ago>ago)?$")]
    private static partial Regex Span();

    [GeneratedRegex(@"^(?<year>\d{4})-(?<month>\d{2})-(?<day>\d{2})[t ](?<hour>\d{2}):(?<minute>\d{2})(:\d{2})?$")]
    private static partial Regex IsoForm();

    /// <summary>A day by month's name keeps together; all else are words.</summary>
    [GeneratedRegex(
        @"^(?:(?<part>\d{1,2}\.? ?(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?(?: \d{4})?"
            + @"|\d{1,2}\.\d{1,2}\.(?:\d{4})?|\d{1,2}(?:[:.]\d{2})? ?[ap]\.?m\.?|\S+) ?)+$")]
    private static partial Regex Parts();

    [GeneratedRegex(@"^(?<day>\d{1,2})(?:\.? ?(?<name>[a-z]{3,9}\.?)|\.(?<number>\d{1,2})\.)(?: ?(?<year>\d{4}))?$")]
    private static partial Regex DayForm();

    [GeneratedRegex(@"^(?<hour>\d{1,2})(?:[:.](?<minute>\d{2}))?(?: ?h)?(?: ?(?<half>[ap])\.?m\.?)?$")]
    private static partial Regex ClockForm();
}
