using CsCheck;
using MossLantern.Core.Curing;

namespace MossLantern.Core.Tests;

public sealed class CureModelTests
{
    private static readonly CureModel Coating = CureModel.Of(45, 22);

    [Fact]
    public void The_rate_constant_meets_the_stated_working_time()
    {
        Assert.InRange(Coating.RatePerS, 9.22e4 * 0.98, 9.22e4 * 1.02);
        Assert.Equal(45, Coating.Cup(100, 22).WorkingMinutes, 0.01);
    }

    [Theory]
    [InlineData(50, 47.4, 88.8, 51)]
    [InlineData(100, 45.0, 73.0, 79)]
    [InlineData(300, 42.2, 60.7, 113)]
    [InlineData(1000, 40.1, 54.2, 131)]
    public void A_cup_gels_sooner_and_peaks_higher_the_fuller_it_is(double massG, double working, double gel, double peakC)
    {
        var cup = Coating.Cup(massG, 22);
        Within(0.02, working, cup.WorkingMinutes);
        Within(0.02, gel, cup.GelMinutes!.Value);
        Within(0.02, peakC, cup.PeakC);
    }

    [Theory]
    [InlineData(3, 66.5, 210.9, 24)]
    [InlineData(6, 58.1, 176.4, 28)]
    [InlineData(15, 45.8, 77.2, 69)]
    public void A_film_stays_open_longer_than_a_cup(double depthMm, double working, double gel, double peakC)
    {
        var film = Coating.Film(depthMm, 22);
        Within(0.02, working, film.WorkingMinutes);
        Within(0.02, gel, film.GelMinutes!.Value);
        Within(0.02, peakC, film.PeakC);
    }

    [Theory]
    [InlineData(50, HeatGrade.Fine)]
    [InlineData(100, HeatGrade.Warm)]
    [InlineData(300, HeatGrade.Danger)]
    public void A_peak_is_graded(double massG, HeatGrade grade) => Assert.Equal(grade, Coating.Cup(massG, 22).Grade);

    [Fact]
    public void A_film_goes_through_its_stages()
    {
        var coating = Viscosity.Stages(Coating, 1.6, 22, 3, 22);
        Assert.Equal([FilmStage.Runny, FilmStage.Flowing, FilmStage.Holding, FilmStage.Setting, FilmStage.Gelled],
            coating.Select(s => s.Stage));
        Assert.Equal(0, coating[0].Minutes);
        foreach (var (minutes, at) in new[] { (47.0, 1), (87, 2), (145, 3), (211, 4) })
        {
            Within(0.05, minutes, coating[at].Minutes);
        }

        // Thick resin draws lines without walls: it flows from the start.
        var thick = Viscosity.Stages(Coating, 3.5, 22, 3, 22);
        Assert.Equal([FilmStage.Flowing, FilmStage.Holding, FilmStage.Setting, FilmStage.Gelled], thick.Select(s => s.Stage));
        Within(0.05, 56, thick[1].Minutes);
        Within(0.05, 129, thick[2].Minutes);
    }

    [Fact]
    public void A_second_stated_pair_settles_how_a_cup_sheds_its_heat()
    {
        var same = CureModel.Of(45, 22, 300, Coating.Cup(300, 22).WorkingMinutes);
        Assert.Equal(CureModel.CupLossWPerM2K, same.CupLoss, 0.05);
        var sheds = CureModel.Of(45, 22, 300, 44);
        Assert.Equal(45, sheds.Cup(100, 22).WorkingMinutes, 0.01);
        Assert.Equal(44, sheds.Cup(300, 22).WorkingMinutes, 0.01);
        Assert.True(sheds.CupLoss < same.CupLoss);
        var refused = Assert.Throws<ArgumentException>(() => CureModel.Of(45, 22, 300, 60));
        Assert.Contains("does not go with 45 min for 100 g", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_casting_resin_gives_off_less_heat() =>
        Assert.True(CureModel.Of(60, 22, 180).Cup(300, 22).PeakC < CureModel.Of(60, 22).Cup(300, 22).PeakC - 15);

    [Fact]
    public void What_does_not_gel_within_seven_days_says_so()
    {
        var cold = CureModel.Of(600, 60).Film(3, -20);
        Assert.Null(cold.GelMinutes);
        Assert.True(cold.WorkingMinutes > 600);
    }

    [Fact]
    public void A_warmer_room_and_a_fuller_cup_never_gain_time() =>
        Gen.Select(Gen.Double[1, 600], Gen.Double[-20, 59], Gen.Double[0.1, 1], Gen.Double[0.1, 10_000], Gen.Double[1.05, 2])
            .Sample((minutes, roomC, warmer, massG, fuller) =>
            {
                var model = CureModel.Of(minutes, 22);
                var cup = model.Cup(massG, roomC);
                var (warm, full) = (model.Cup(massG, roomC + warmer), model.Cup(massG * fuller, roomC));
                return double.IsFinite(cup.PeakC) && cup.PeakC >= roomC
                    && cup.WorkingMinutes < (cup.GelMinutes ?? double.MaxValue)
                    && warm.WorkingMinutes <= cup.WorkingMinutes && full.WorkingMinutes <= cup.WorkingMinutes * (1 + 1e-6)
                    && full.PeakC >= cup.PeakC - 1e-3;
            }, iter: 400);

    [Fact]
    public void Cure_goes_on_where_it_was_when_resin_is_poured_from_a_cup()
    {
        var stirred = Coating.From(new(0, 0, 22), CuringBody.Cup(300), 22).First(s => s.Seconds >= 15 * 60);
        Assert.InRange(stirred.Degree, 0.02, 0.1);
        Assert.True(stirred.Celsius > 23);
        var spread = Coating.From(stirred, CuringBody.Film(3), 22).First(s => s.Degree >= CureModel.GelDegree).Seconds / 60;
        Assert.InRange(spread, Coating.Cup(300, 22).GelMinutes!.Value, Coating.Film(3, 22).GelMinutes!.Value);
    }

    private static void Within(double share, double wanted, double got) => Assert.InRange(got, wanted * (1 - share), wanted * (1 + share));
}
