using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Curing;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Tests;

public class JourneyTests
{
    private static readonly CureModel Coating = CureModel.Of(45, 22);

    private static Journey Of(double paS, double roomC, params Stay[] stays) => Journey.Of(Coating, paS, 22, [new(1, roomC)], [.. stays]);

    private static Stay Cup(double massG, double? minutes) => new(new CupVessel(massG), minutes);

    private static Stay Film(double depthMm, double? minutes = null) => new(new FilmVessel(depthMm), minutes);

    public static TheoryData<string, double, double, Stay[], double, double, double[]> Ways => new()
    {
        { "poured at once", 1.6, 22, [Film(3)], 0, 22, [47.2, 86.9, 145.0, 210.9] },
        { "300 g, then 100 g", 1.6, 22, [Cup(300, 8), Cup(100, 12), Film(3)], 0.0617, 28.3, [43.1, 82.5, 140.5, 206.5] },
        { "300 g, then 30 g", 1.6, 22, [Cup(300, 8), Cup(30, 27), Film(3)], 0.1243, 30.5, [42.8, 76.0, 134.0, 200.0] },
        { "500 g for long", 1.6, 22, [Cup(500, 35), Film(3)], 0.1461, 37.1, [41.6, 65.4, 123.3, 189.2] },
        { "the second at 18 °C", 1.6, 18, [Cup(300, 8), Cup(100, 12), Film(3)], 0.0434, 22.4, [38.6, 100.0, 187.1, 285.3] },
        { "the second, thick", 3.5, 22, [Cup(300, 8), Cup(100, 12), Film(3)], 0.0617, 28.3, [0, 52.1, 124.5, 206.5] },
    };

    [Theory]
    [MemberData(nameof(Ways))]
    public void Resin_comes_to_its_stages_by_the_way_it_went(string way, double paS, double roomC, Stay[] stays,
        double degree, double celsius, double[] stages)
    {
        var journey = Of(paS, roomC, stays);
        Assert.NotEmpty(way);
        Assert.Equal(4, journey.Stages.Count);
        Assert.All(journey.Stages.Values.Zip(stages), s => Assert.Equal(s.Second, s.First, Math.Max(0.02 * s.Second, 1e-9)));
        var (atDegree, atCelsius) = stays.Length == 1 ? (0, roomC) : (journey.Stays[^2].At.Degree, journey.Stays[^2].At.Celsius);
        Assert.Equal(degree, atDegree, 0.0005);
        Assert.Equal(celsius, atCelsius, 0.3);
    }

    [Fact]
    public void A_batch_of_one_jug_is_as_warm_in_each_cup_as_its_time_in_it()
    {
        var jug = Of(1.6, 22, Cup(452, 14.5)).Stays[0].At;
        Assert.Equal(27.0, jug.Celsius, 0.3);
        var state = new CureState(60 * jug.Minutes, jug.Degree, jug.Celsius);
        ImmutableArray<RoomSegment> room = [new(1, 22)];
        Assert.Equal(28.9, Journey.Of(Coating, 1.6, 22, room, [Cup(29, 24.3 - 14.5)], state).Stays[0].At.Celsius, 0.3);
        Assert.Equal(32.0, Journey.Of(Coating, 1.6, 22, room, [Cup(228, 27.6 - 14.5)], state).Stays[0].At.Celsius, 0.3);
    }

    [Fact]
    public void Fresh_resin_that_joins_gives_the_mean_and_the_older_clock_goes_on()
    {
        var old = Of(1.6, 22, Cup(300, 20)).Stays[0].At;
        Assert.Equal((0.0624, 28.9), (Math.Round(old.Degree, 4), Math.Round(old.Celsius, 1)));
        var joined = new CureState(60 * old.Minutes, old.Degree, old.Celsius).Joined(300, new(0, 0, 22), 100);
        Assert.Equal(0.0468, joined.Degree, 0.0001);
        Assert.Equal(27.2, joined.Celsius, 0.1);
        Assert.Equal(46.1, Journey.Of(Coating, 1.6, 22, [new(1, 22)], [Cup(400, null)], joined).WorkingMinutes!.Value, 0.2);
        Assert.True(Viscosity.MayJoin(FilmStage.Runny) && Viscosity.MayJoin(FilmStage.Flowing));
        Assert.False(Viscosity.MayJoin(FilmStage.Holding));
    }

    [Fact]
    public void Left_where_it_is_it_comes_to_what_the_model_says_of_a_cup_and_a_film()
    {
        foreach (var mass in new[] { 50.0, 100, 1000 })
        {
            var (cured, journey) = (Coating.Cup(mass, 22), Of(1.6, 22, Cup(mass, null)));
            Assert.Equal(cured.WorkingMinutes, journey.WorkingMinutes!.Value, 1e-9 * cured.WorkingMinutes + 1e-6);
            Assert.Equal(cured.GelMinutes!.Value, journey.Stages[FilmStage.Gelled], 1e-6);
            Assert.Equal(cured.PeakC, journey.Stays[0].PeakC, 1e-9);
        }

        Assert.Equal(210.9, Of(1.6, 22, Film(3)).Stages[FilmStage.Gelled], 0.5);
    }

    [Fact]
    public void What_is_not_reached_is_not_told()
    {
        var short_ = Of(1.6, 22, Cup(100, 30));
        Assert.Null(short_.WorkingMinutes);
        Assert.DoesNotContain(FilmStage.Gelled, short_.Stages.Keys);
        Assert.Equal(30, short_.Stays[0].At.Minutes, 1e-9);
        var cold = Of(1.6, -15, Film(1));
        Assert.DoesNotContain(FilmStage.Gelled, cold.Stages.Keys);
        Assert.Equal(2880, cold.Stays[0].At.Minutes, 1e-6);
    }

    [Fact]
    public void A_room_that_changes_counts_from_when_it_does()
    {
        Journey In(params (double Hours, double Celsius)[] room) =>
            Journey.Of(Coating, 1.6, 22, [.. room.Select(r => new RoomSegment(r.Hours, r.Celsius))], [Film(3)]);
        Assert.Equal(In((1, 22)).Stages[FilmStage.Gelled], In((0.4, 22), (0.7, 22), (1, 22)).Stages[FilmStage.Gelled], 0.05);
        Assert.True(In((1, 22), (1, 28)).Stages[FilmStage.Gelled] < In((1, 22)).Stages[FilmStage.Gelled]);
        Assert.Equal(In((1, 22)).Stages[FilmStage.Flowing], In((1, 22), (1, 28)).Stages[FilmStage.Flowing], 0.05);
    }

    /// <summary>Cut anywhere, a stay is the same stay.</summary>
    [Fact]
    public void A_stay_in_two_halves_is_one_stay() =>
        (from mass in Gen.Double[5, 900]
         from minutes in Gen.Double[1, 60]
         from share in Gen.Double[0.05,
            0.95]
         from room in Gen.Double[12, 30]
         select (mass, minutes, share, room))
        .Sample(
            s =>
            {
                var (whole, halves) = (Of(1.6, s.room, Cup(s.mass, s.minutes)).Stays[0],
                    Of(1.6, s.room, Cup(s.mass, s.minutes * s.share), Cup(s.mass, s.minutes * (1 - s.share))).Stays[1]);
                Assert.Equal(whole.At.Minutes, halves.At.Minutes, 1e-6);
                Assert.Equal(whole.At.Degree, halves.At.Degree, 2e-4);
                Assert.Equal(whole.At.Celsius, halves.At.Celsius, 0.1);
            },
            iter: 100);

    [Fact]
    public void What_cannot_be_followed_is_thrown_by_name()
    {
        Assert.Throws<ArgumentException>("room", () => Journey.Of(Coating, 1.6, 22, [], [Film(3)]));
        Assert.Throws<ArgumentException>("stays", () => Journey.Of(Coating, 1.6, 22, [new(1, 22)], []));
        Assert.Throws<ArgumentException>("stays", () => Of(1.6, 22, Film(3), Film(3)));
        Assert.Throws<ArgumentNullException>("model", () => Journey.Of(null!, 1.6, 22, [new(1, 22)], [Film(3)]));
    }
}
