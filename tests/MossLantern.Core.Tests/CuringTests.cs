using CsCheck;
using MossLantern.Core.Curing;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

public class CuringTests
{
    private static readonly Instant Noon = Instant.FromUtc(2026, 5, 1, 12, 0);
    private static readonly ResinSystem Coating = Catalogue.Typical.Resin("coating")!;

    [Theory]
    [InlineData(15, 0.610)]
    [InlineData(18, 0.756)]
    [InlineData(20, 0.870)]
    [InlineData(22, 1.000)]
    [InlineData(25, 1.228)]
    [InlineData(27, 1.404)]
    [InlineData(30, 1.712)]
    public void Cure_runs_faster_in_the_warm(double celsius, double times) =>
        Assert.Equal(times, EquivalentAge.Speed(celsius, 22), 0.0005);

    [Theory]
    [InlineData(18, 31.75)]
    [InlineData(25, 19.55)]
    public void A_day_at_the_reference_takes(double celsius, double hours) =>
        Assert.Equal(hours, EquivalentAge.ClockHours(24, [new(1, celsius)], 22), 0.005);

    [Fact]
    public void Age_adds_up_over_a_night_and_a_day() =>
        Assert.Equal(20.56, EquivalentAge.Hours([new(8, 17), new(16, 21)], 22), 0.005);

    [Fact]
    public void Clock_hours_undo_age() =>
        (from segments in (from hours in Gen.Double[0.1, 48]
                           from celsius in Gen.Double[-20,
            60]
                           select new RoomSegment(hours, celsius)).Array[1, 6]
         from share in Gen.Double[0, 1]
         select (segments, share))
        .Sample(sample =>
        {
            var clock = sample.share * sample.segments.Sum(s => s.Hours);
            var left = clock;
            var until = sample.segments.Select(s =>
            {
                var hours = Math.Min(left, s.Hours);
                left -= hours;
                return s with { Hours = hours };
            }).ToList();
            var age = EquivalentAge.Hours(until, 22);
            Assert.Equal(clock, EquivalentAge.ClockHours(age, [.. sample.segments], 22), 1e-6);
        });

    [Fact]
    public void The_last_segment_goes_on() => Assert.Equal(100, EquivalentAge.ClockHours(100, [new(1, 22), new(1, 22)], 22), 1e-9);

    [Fact]
    public void A_profile_without_segments_is_refused() => Assert.Throws<ArgumentException>(() => EquivalentAge.ClockHours(1, [], 22));

    [Fact]
    public void Windows_open_from_the_last_pour_and_close_from_the_first()
    {
        var windows = CureWindows.Of(Coating, Pour(22, 30));
        Assert.Equal(
            [Milestone.TapePull, Milestone.NextLayer, Milestone.TouchDry, Milestone.FullCure], windows.Select(w => w.Milestone));
        Assert.Equal(Noon + Duration.FromMinutes(30) + Duration.FromHours(2), windows[0].Opens);
        Assert.Equal(Noon + Duration.FromHours(3.5), windows[0].Closes);
        Assert.Equal(Noon + Duration.FromMinutes(30) + Duration.FromHours(4), windows[1].Opens);
        Assert.Equal(Noon + Duration.FromHours(24), windows[1].Closes);
        Assert.Null(windows[2].Closes);
        Assert.Equal(Noon + Duration.FromMinutes(30) + Duration.FromHours(72), windows[3].Opens);
    }

    [Theory]
    [InlineData(HeldBy.Wall, Milestone.NextLayer, Milestone.TouchDry, Milestone.FullCure)]
    [InlineData(HeldBy.Mould, Milestone.NextLayer, Milestone.TouchDry, Milestone.Demould, Milestone.FullCure)]
    public void Only_what_is_taped_is_untaped_and_only_a_casting_leaves_its_mould(HeldBy held, params Milestone[] milestones)
    {
        var windows = CureWindows.Of(Coating, Pour(22, 30), held);
        Assert.Equal(milestones, windows.Select(w => w.Milestone));
        Assert.All(windows.Where(w => w.Milestone == Milestone.Demould),
            w => Assert.Equal(Noon + Duration.FromMinutes(30) + Duration.FromHours(24), w.Opens));
    }

    [Fact]
    public void Windows_never_move_later_as_the_room_warms() =>
        (from system in Gen.OneOf([.. Catalogue.Typical.Resins.Select(s => Gen.Const(s))])
         from cool in Gen.Double[-20, 60]
         from warmer in Gen.Double[0.1, 30]
         from minutes in Gen.Int[0, 120]
         select (system, cool, warmer, minutes))
        .Sample(sample =>
        {
            var cool = CureWindows.Of(sample.system, Pour(sample.cool, sample.minutes));
            var warm = CureWindows.Of(sample.system, Pour(sample.cool + sample.warmer, sample.minutes));
            Assert.All(cool.Zip(warm), pair =>
            {
                Assert.True(pair.Second.Opens < pair.First.Opens);
                Assert.True(pair.First.Closes is null || pair.Second.Closes < pair.First.Closes);
            });
        });

    [Fact]
    public void A_window_opens_and_closes_at_its_very_instants()
    {
        var tape = CureWindows.Of(Coating, Pour(22, 20))[0];
        var tick = Duration.Epsilon;
        Assert.Equal(WindowState.Ahead, tape.StateAt(tape.Opens - tick));
        Assert.Equal(WindowState.Open, tape.StateAt(tape.Opens));
        Assert.Equal(WindowState.Open, tape.StateAt(tape.Closes!.Value - tick));
        Assert.Equal(WindowState.Closed, tape.StateAt(tape.Closes.Value));
        var dry = CureWindows.Of(Coating, Pour(22, 20))[2];
        Assert.Equal(WindowState.Ahead, dry.StateAt(dry.Opens - tick));
        Assert.Equal(WindowState.Reached, dry.StateAt(dry.Opens));
    }

    [Fact]
    public void A_pour_longer_than_its_window_leaves_no_window()
    {
        var tape = CureWindows.Of(Coating, Pour(22, 95))[0];
        Assert.Equal(WindowState.Never, tape.StateAt(tape.Opens));
        Assert.Equal(WindowState.Never, tape.StateAt(Noon));
    }

    [Fact]
    public void A_window_tells_what_it_was_reckoned_from()
    {
        var opens = CureWindows.Of(Coating, Pour(18, 20, Origin.Measured))[1].OpensAfterHours;
        Assert.Equal(Formulas.Milestone, opens.Formula);
        Assert.Equal(4 / 0.756, opens.Value, 0.005);
        Assert.Equal((18, Origin.Measured), (opens.Input("room").Value, opens.Input("room").Origin));
        Assert.Equal(Origin.Default, opens.Input("at the reference temperature").Origin);
    }

    private static PourSpan Pour(double roomC, int minutes, Origin origin = Origin.Own) =>
        new(Noon, Noon + Duration.FromMinutes(minutes), RoomCurve.Constant(roomC, origin));
}

/// <summary>A room over time, and ages in it.</summary>
public sealed class RoomCurveTests
{
    private static readonly Instant Noon = Instant.FromUtc(2026, 5, 1, 12, 0);

    /// <summary>8 h at 17 °C, then 21.</summary>
    private static readonly RoomCurve Night = new(
        [new(null, 17, Origin.Measured), new(Noon + Duration.FromHours(8), 21, Origin.Default)], "sittings[l1].roomC");

    [Fact]
    public void Each_moment_has_its_stretch_and_what_was_measured_is_decided_nowhere()
    {
        Assert.Equal(17, Night.At(null).Celsius);
        Assert.Equal((17, 17, 21), (Night.At(Noon).Celsius,
            Night.At(Noon + Duration.FromHours(8) - Duration.Epsilon).Celsius, Night.At(Noon + Duration.FromHours(8)).Celsius));
        Assert.Equal((Origin.Measured, null), (Night.InputAt(Noon).Origin, Night.InputAt(Noon).Field));
        Assert.Equal("sittings[l1].roomC", Night.InputAt(Noon + Duration.FromDays(1)).Field);
        Assert.Equal([(8.0, 17.0), (1, 21)], Night.After(Noon));
        Assert.Equal([(1.0, 21.0)], Night.After(Noon + Duration.FromHours(9)));
    }

    [Fact]
    public void An_age_is_reached_along_the_curve_and_a_constant_room_is_as_it_was()
    {
        // 8 h at 17 °C, then 16 h at 21 °C, are 20.56 h of age.
        Assert.Equal(24, EquivalentAge.ClockHours(20.56, Night, Noon, 22), 0.01);
        Assert.Equal(EquivalentAge.ClockHours(24, [new(1, 18)], 22), EquivalentAge.ClockHours(24, RoomCurve.Constant(18), Noon, 22));
        var age = new WindowAge(24, 72, 22, Noon + Duration.FromMinutes(20), Noon);
        Assert.Equal(Noon + Duration.FromMinutes(20)
            + Duration.FromHours(EquivalentAge.ClockHours(24, [new(1, 25)], 22)), age.OpensIn(RoomCurve.Constant(25)));
        Assert.Equal(Noon + Duration.FromHours(72), age.ClosesIn(RoomCurve.Constant(22)));
        Assert.Null((age with { ClosesHours = null }).ClosesIn(Night));
    }

    [Fact]
    public void Rooms_are_alike_when_they_give_the_same_numbers()
    {
        Assert.Equal(RoomCurve.Constant(20, Origin.Own), RoomCurve.Constant(20, Origin.Own));
        Assert.NotEqual(RoomCurve.Constant(20), RoomCurve.Constant(20.5));
        Assert.NotEqual(RoomCurve.Constant(20).Key, Night.Key);
    }
}
