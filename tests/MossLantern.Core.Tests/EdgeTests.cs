using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Stones;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Tests;

/// <summary>What the formulas do at 0, below it, with not-a-number and with nothing: as each says of itself.</summary>
public class EdgeTests
{
    private const double Nan = double.NaN;
    private static readonly Catalogue Typical = Catalogue.Typical;
    private static readonly MixRatio TwoToOne = new(RatioBasis.Volume, 2, 1);

    /// <summary>Name, result, and what it is to be.</summary>
    public static TheoryData<string, double, double> Formulas => new()
    {
        { "a bead of no height", Bead.SectionMm2(0, 3), 0 },
        { "a bead less than nothing", Bead.SectionMm2(-1, 4 / Math.PI), -1 },
        { "a bead of an unknown height", Bead.SectionMm2(Nan, 3), Nan },
        { "a volume laid with no section", Bead.LengthMm(1, 0), double.PositiveInfinity },
        { "nothing laid", Bead.VolumeMl(0, 3), 0 },
        { "a bead as low as it is high dries as long", Bead.DryHours(-1.5), 1 },
        { "no stones", Displacement.Ml(0, 2.5), 0 },
        { "stones of no density", Displacement.Ml(1, 0), double.PositiveInfinity },
        { "a bed of no depth", StoneBed.Of(100, 0, 1.4, 2.5, 0.56).Grams, 0 },
        { "a bed of unknown depth", StoneBed.Of(100, Nan, 1.4, 2.5, 0.56).VoidMl, Nan },
        { "colour in no resin", Load.Percent(1, 0), double.PositiveInfinity },
        { "nothing in nothing", Load.Percent(0, 0), Nan },
        { "half a drop", Load.DropsG(0.5, 1), 0.025 },
        { "two drops and a half", Load.Drops(0.125, 1), 3 },
        { "drops of no density", Load.Drops(1, 0), int.MaxValue },
        { "drops of nobody knows", Load.Drops(Nan, 1), 0 },
        { "a line of paste of no length", MossLantern.Core.Mixing.PasteMix.Of(0, 6, 4, 1.4, 0.56).StonesG, 0 },
        { "paste of solid stone", MossLantern.Core.Mixing.PasteMix.Of(500, 6, 4, 1.4, 1).BinderMl, 0 },
        { "rubber round nothing",
            MossLantern.Core.Mixing.MouldRubber.Of(Typical.Find(MaterialKind.Rubber, "mould-rubber")!, 100, 0, 0).G, 115 },
        { "rubber where the master takes up all",
            MossLantern.Core.Mixing.MouldRubber.Of(Typical.Find(MaterialKind.Rubber, "mould-rubber")!, 100, 100).Ml, 0 },
        { "the limit of no colourants", Load.TotalLimit(Typical, []), 10 },
        { "nothing in steps", MeasuringSteps.Up(0, 0.5), 0 },
        { "less than nothing in steps", MeasuringSteps.Up(-0.7, 0.5), -0.5 },
        { "a step of nothing", MeasuringSteps.Up(0, 0), Nan },
        { "both parts in steps of nothing", MeasuringSteps.InSteps(0.5, 10, 0, 0.05), Nan },
        { "a need without end in steps", MeasuringSteps.InSteps(0.5, double.PositiveInfinity, 1, 0.05), Nan },
        { "an unknown need in steps", MeasuringSteps.InSteps(0.5, Nan, 1, 0.05), Nan },
        { "nothing in parts", Parts.OfVolume(TwoToOne, 1.1, 1, 0).TotalG, 0 },
        { "less than nothing in parts", Parts.OfVolume(TwoToOne, 1.1, 1, -3).ResinMl, -2 },
        { "parts of nothing", Parts.OfVolume(new(RatioBasis.Weight, 0, 0), 1.1, 1, 3).TotalMl, Nan },
        { "the density of nothing", Parts.OfMass(TwoToOne, 1.1, 1, 0).DensityGPerMl, Nan },
        { "the ratio of nothing", Parts.OfMass(TwoToOne, 1.1, 1, 0).HardenerGPer100GResin, Nan },
        { "a level piece", Levelling.Of(0, 0, [new(0, 0), new(100, 0)], 3).HighestMm, 0 },
        { "a film on what is level", Levelling.DeeperAtCorners(0, 0, 100, 50).Max(Math.Abs), 0 },
        { "a tilt to the other side", Levelling.WedgeOver(-1, -2, 100, 50), Levelling.WedgeOver(1, 2, 100, 50) },
        { "a board without a span", Sag.Mm(1e-5, 0, 8, 6), 0 },
        { "a board of no thickness", Sag.Mm(1e-5, 600, 8, 0), double.PositiveInfinity },
        { "a board of unknown thickness", Sag.Mm(1e-5, 600, 8, Nan), Nan },
        { "a puddle over no depth", Puddle.OuterRadiiMm([1], 0)[0], double.PositiveInfinity },
        { "a pour of nothing", Puddle.OuterRadiiMm([5, 0], 3)[1], Puddle.OuterRadiiMm([5], 3)[0] },
        { "no pours", Puddle.OuterRadiiMm([], 3).Length, 0 },
        { "a bubble of nothing", Bubble.RiseMmPerS(0, 1, 1.1), 0 },
        { "a bubble past gel", Bubble.RiseMmPerS(1, double.PositiveInfinity, 1.1), 0 },
        { "the speed at the reference", EquivalentAge.Speed(22, 22), 1 },
        { "the speed at absolute zero", EquivalentAge.Speed(-273.15, 22), 0 },
        { "the speed of nobody knows", EquivalentAge.Speed(Nan, 22), Nan },
        { "the age after nothing", EquivalentAge.Hours([], 22), 0 },
        { "an age that is there", EquivalentAge.ClockHours(-1, [new(1, 20)], 22), 0 },
        { "drips without an edge", CupPlanner.EdgeMl(0, 20, 100), 10 },
        { "an edge without sides", CupPlanner.EdgeMl(500, 0, 0), 0 },
        { "a cup of nothing", CupPlanner.CupMl(0), CupLoss.UsualMl },
        { "what clings to three cups", CupLoss.Ml(0, 2), 3 * CupLoss.UsualMl },
        { "no pieces", Casting.Of(100, 0, 10, 5, [1]).TotalMl, 0 },
        { "nothing to fill", Reach.Of(100, 150, 0).LeftMl, 100 },
        { "nothing mixed", Reach.Of(0, 150, 2).LackMl, 300 },
        { "what takes nothing", Reach.Of(100, 0, 3).Filled, 3 },
        { "nobody knows what was mixed", Reach.Of(Nan, 150, 2).LackMl, Nan },
        { "more inserts than there is room", Casting.Of(10, 1, 15, 0, []).BodyMl, -5 },
        { "shares of nothing", Casting.Of(10, 1, 0, 0, [0]).ShareMl[0], Nan },
        { "a cup that nobody weighed", CureModel.Of(45, 22).Cup(Nan, 22).PeakC, Nan },
        { "a resin of unknown time", CureModel.Of(Nan, 22).Film(3, 22).WorkingMinutes, Nan },
    };

    [Theory]
    [MemberData(nameof(Formulas))]
    public void A_formula_does_at_its_edges_what_it_says(string what, double is_, double shouldBe) =>
        Assert.True(is_.Equals(shouldBe) || Math.Abs(is_ - shouldBe) < 1e-12, $"{what}: {is_}, not {shouldBe}");

    [Fact]
    public void An_empty_cup_is_on_ratio_and_one_part_alone_asks_for_all_of_the_other()
    {
        Assert.True(MixCorrection.Of(TwoToOne, 1, 1, 0, 0).OnRatio);
        Assert.Equal(20, MixCorrection.Of(TwoToOne, 1, 1, 0, 10).AddResinG, 1e-12);
        Assert.Equal(5, MixCorrection.Of(TwoToOne, 1, 1, 10, 0).AddHardenerG, 1e-12);
        Assert.True(MixCorrection.Of(TwoToOne, 1, 1, Nan, 10).OnRatio);
        Assert.False(MixCorrection.Of(TwoToOne, 1, 1, 10, 5.0001, 0).OnRatio);
    }

    [Fact]
    public void No_tape_is_told_as_none()
    {
        Assert.Equal((null, null), (EdgeTape.Of(1000, 4, 20, 3, []).MaskWidthMm, EdgeTape.Of(1000, 4, 20, 3, []).DamWidthMm));
        Assert.Null(EdgeTape.Of(1000, 4, Nan, 3, [24, 48]).MaskWidthMm);
    }

    [Fact]
    public void A_stage_that_is_not_a_number_is_gelled_and_a_tilt_is_not_accepted()
    {
        Assert.Equal(FilmStage.Gelled, Viscosity.Stage(Nan));
        Assert.Equal(FilmStage.Gelled, Viscosity.Stage(double.PositiveInfinity));
        Assert.Equal(FilmStage.Setting, Viscosity.Stage(double.MaxValue));
        Assert.False(Levelling.Of(Nan, 0, [new(0, 0), new(100, 0)], 3).Accept);
        Assert.False(Levelling.Of(0.1, 0, [new(0, 0), new(100, 0)], 0).Accept);
        Assert.True(Levelling.Of(0, 0, [new(0, 0), new(100, 0)], 0).Accept);
    }

    [Fact]
    public void A_room_too_cold_to_gel_within_a_week_is_told_as_unknown()
    {
        Assert.Null(CureModel.Of(45, 22).Film(1, -60).GelMinutes);
        Assert.NotNull(CureModel.Of(45, 22).Film(1, 15).GelMinutes);
        Assert.Equal(-60, CureModel.Of(45, 22).Film(1, -60).PeakC, 0.1);
    }

    [Fact]
    public void What_is_missing_is_thrown_by_name()
    {
        Assert.Throws<ArgumentException>("supports", () => Levelling.Of(0, 0, [], 3));
        Assert.Throws<ArgumentException>("supports", () => Levelling.Of(0, 0, default, 3));
        Assert.Throws<ArgumentException>("profile", () => EquivalentAge.ClockHours(1, [], 22));
        Assert.Throws<ArgumentNullException>("profile", () => EquivalentAge.Hours(null!, 22));
        Assert.Throws<ArgumentNullException>("stockWidthsMm", () => EdgeTape.Of(1000, 4, 20, 3, null!));
        Assert.Throws<ArgumentNullException>("volumesMl", () => Puddle.OuterRadiiMm(null!, 3));
        Assert.Throws<ArgumentNullException>("catalogue", () => Load.TotalLimit(null!, []));
        Assert.Throws<ArgumentNullException>("colourants", () => Load.TotalLimit(Typical, null!));
        Assert.Throws<ArgumentNullException>("ratio", () => Parts.OfMass(null!, 1, 1, 1));
        Assert.Throws<ArgumentNullException>("model", () => Viscosity.Stages(null!, 1, 22, 3, 20));
    }
}
