using CsCheck;
using MossLantern.Core.Units;
using NodaTime;
using NodaTime.Text;

namespace MossLantern.Core.Tests;

/// <summary>Moments as people say them. It is Friday, 27 November 2026, half past ten in the morning.</summary>
public class MomentTextTests
{
    private static readonly LocalDateTime Now = new(2026, 11, 27, 10, 30);
    private static readonly LocalDateTimePattern Form = LocalDateTimePattern.CreateWithInvariantCulture("yyyy-MM-dd HH:mm");

    [Theory]
    [InlineData("now", "2026-11-27 10:30")]
    [InlineData("  NOW ", "2026-11-27 10:30")]
    [InlineData("tonight", "2026-11-27 20:00")]
    [InlineData("tonight 9", "2026-11-27 21:00")]
    [InlineData("tonight 22:15", "2026-11-27 22:15")]
    [InlineData("tomorrow 7", "2026-11-28 07:00")]
    [InlineData("7 tomorrow", "2026-11-28 07:00")]
    [InlineData("tomorrow at 7.30", "2026-11-28 07:30")]
    [InlineData("today 8", "2026-11-27 08:00")]
    [InlineData("yesterday 17:45", "2026-11-26 17:45")]
    [InlineData("Fri 18:30", "2026-12-04 18:30")]
    [InlineData("sat 9", "2026-11-28 09:00")]
    [InlineData("Thursday 9 pm", "2026-12-03 21:00")]
    [InlineData("in 2 h", "2026-11-27 12:30")]
    [InlineData("in 1.5 hours", "2026-11-27 12:00")]
    [InlineData("in 2 h 20 min", "2026-11-27 12:50")]
    [InlineData("in 45 min", "2026-11-27 11:15")]
    [InlineData("in 2 days", "2026-11-29 10:30")]
    [InlineData("20 min ago", "2026-11-27 10:10")]
    [InlineData("3h ago", "2026-11-27 07:30")]
    [InlineData("18", "2026-11-27 18:00")]
    [InlineData("18:30", "2026-11-27 18:30")]
    [InlineData("10:31", "2026-11-27 10:31")]
    [InlineData("10:30", "2026-11-28 10:30")]
    [InlineData("7", "2026-11-28 07:00")]
    [InlineData("7 pm", "2026-11-27 19:00")]
    [InlineData("12 am", "2026-11-28 00:00")]
    [InlineData("12 pm", "2026-11-27 12:00")]
    [InlineData("noon", "2026-11-27 12:00")]
    [InlineData("midnight", "2026-11-28 00:00")]
    [InlineData("28 Nov 9:30", "2026-11-28 09:30")]
    [InlineData("Sat 28 Nov, 09:30", "2026-11-28 09:30")]
    [InlineData("2 jan 8", "2027-01-02 08:00")]
    [InlineData("30 october 8", "2026-10-30 08:00")]
    [InlineData("28.11. 9:30", "2026-11-28 09:30")]
    [InlineData("28 Nov 2027 9:30", "2027-11-28 09:30")]
    [InlineData("2026-11-29T06:15", "2026-11-29 06:15")]
    [InlineData("2026-11-29 06:15", "2026-11-29 06:15")]
    public void What_people_say_is_read(string text, string read) => Assert.Equal(read, Form.Format(MomentText.Read(text, Now)!.Value));

    [Theory]
    [InlineData("7", "2026-11-27 19:00")]
    [InlineData("11", "2026-11-27 11:00")]
    [InlineData("10:30", "2026-11-27 22:30")]
    [InlineData("12", "2026-11-27 12:00")]
    [InlineData("7 am", "2026-11-28 07:00")]
    [InlineData("tomorrow 7", "2026-11-28 07:00")]
    public void Told_to_twelve_a_bare_hour_is_the_next_time_it_strikes(string text, string read) =>
        Assert.Equal(read, Form.Format(MomentText.Read(text, Now, twelve: true)!.Value));

    [Theory]
    [InlineData("")]
    [InlineData("soon")]
    [InlineData("tomorrow")]
    [InlineData("Fri")]
    [InlineData("25:00")]
    [InlineData("9:75")]
    [InlineData("13 pm")]
    [InlineData("in 2")]
    [InlineData("in")]
    [InlineData("2 h")]
    [InlineData("30 Feb 9")]
    [InlineData("tomorrow yesterday 9")]
    [InlineData("28 Nov 1969 9")]
    [InlineData("28 Nov 2201 9")]
    [InlineData("9999-12-31T23:59")]
    [InlineData("in 99999 weeks")]
    public void What_is_no_moment_is_not_read(string text) => Assert.Null(MomentText.Read(text, Now));

    [Fact]
    public void No_text_fails() =>
        Gen.String[Gen.OneOf(Gen.Char["0123456789 :.,"], Gen.Char["aptodmorwnighfinsv"]), 0, 30]
            .Sample(text => _ = MomentText.Read(text, Now), iter: 5000);

    [Fact]
    public void What_is_shown_is_read_as_the_same() =>
        (from days in Gen.Int[-150, 150]
         from minutes in Gen.Int[0, 1439]
         select Now.Date.PlusDays(days)
            + LocalTime.Midnight.PlusMinutes(minutes)).Sample(
            moment => Assert.Equal(moment,
                MomentText.Read(moment.ToString("ddd d MMM, HH:mm", System.Globalization.CultureInfo.InvariantCulture), Now)),
            iter: 500);
}
