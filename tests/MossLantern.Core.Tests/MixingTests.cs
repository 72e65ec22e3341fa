using NodaTime;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

public class MixingTests
{
    private static readonly MixRatio OneToOne = new(RatioBasis.Volume, 1, 1);

    [Theory]
    [InlineData(1, 1, 1.15, 0.98, 150, 75, 86.25, 75, 73.50, 85.22)]
    [InlineData(2, 1, 1.13, 0.97, 300, 200, 226.0, 100, 97.0, 42.92)]
    public void A_volume_splits_by_volume(
        double resin, double hardener, double resinDensity, double hardenerDensity, double ml,
        double resinMl, double resinG, double hardenerMl, double hardenerG, double per100)
    {
        var mixed = Parts.OfVolume(new(RatioBasis.Volume, resin, hardener), resinDensity, hardenerDensity, ml);
        Assert.Equal(resinMl, mixed.ResinMl, 0.005);
        Assert.Equal(resinG, mixed.ResinG, 0.005);
        Assert.Equal(hardenerMl, mixed.HardenerMl, 0.005);
        Assert.Equal(hardenerG, mixed.HardenerG, 0.005);
        Assert.Equal(per100, mixed.HardenerGPer100GResin, 0.005);
    }

    [Fact]
    public void A_mix_has_the_density_of_its_parts() =>
        Assert.Equal(1.065, Parts.OfVolume(OneToOne, 1.15, 0.98, 150).DensityGPerMl, 1e-9);

    [Fact]
    public void A_mass_splits_by_weight()
    {
        var mixed = Parts.OfMass(new(RatioBasis.Weight, 100, 45), 1.13, 0.97, 250);
        Assert.Equal(172.41, mixed.ResinG, 0.005);
        Assert.Equal(152.58, mixed.ResinMl, 0.005);
        Assert.Equal(77.59, mixed.HardenerG, 0.005);
        Assert.Equal(79.99, mixed.HardenerMl, 0.005);
        Assert.Equal(232.56, mixed.TotalMl, 0.005);
    }

    [Fact]
    public void Splitting_by_volume_and_by_mass_agree_for_either_basis() =>
        (from basis in Gen.Enum<RatioBasis>()
         from resin in Gen.Double[0.01, 1000]
         from hardener in Gen.Double[0.01, 1000]
         from resinDensity in Gen.Double[0.3, 20]
         from hardenerDensity in Gen.Double[0.3, 20]
         from ml in Gen.Double[0.01, 100_000]
         select (new MixRatio(basis, resin, hardener), resinDensity, hardenerDensity, ml))
        .Sample(sample =>
        {
            var (ratio, resinDensity, hardenerDensity, ml) = sample;
            var byVolume = Parts.OfVolume(ratio, resinDensity, hardenerDensity, ml);
            var byMass = Parts.OfMass(ratio, resinDensity, hardenerDensity, byVolume.TotalG);
            Assert.Equal(ml, byVolume.TotalMl, ml * 1e-9);
            Assert.Equal(byVolume.ResinMl, byMass.ResinMl, ml * 1e-9);
            Assert.Equal(byVolume.HardenerG, byMass.HardenerG, byVolume.TotalG * 1e-9);
            var (first, second) = ratio.Basis == RatioBasis.Volume
                ? (byVolume.ResinMl, byVolume.HardenerMl)
                : (byVolume.ResinG, byVolume.HardenerG);
            Assert.Equal(ratio.Resin / (ratio.Resin + ratio.Hardener), first / (first + second), 1e-9);
        });

    [Theory]
    [InlineData(225, 150, 1, 1, 75, 0)]
    [InlineData(225, 150, 2, 1, 75, 75)]
    [InlineData(299.9, 150, 2, 1, 149.9, 0.1)]
    [InlineData(300, 150, 2, 2, 0, 0)]
    [InlineData(0.7, 0.1, 9, 7, 0, 0.2)]
    public void What_is_mixed_fills_whole_ones_only(double mixed, double each, int wanted, int filled, double left, double lack)
    {
        var reach = Reach.Of(mixed, each, wanted);
        Assert.Equal(filled, reach.Filled);
        Assert.Equal(left, reach.LeftMl, 1e-9);
        Assert.Equal(lack, reach.LackMl, 1e-9);
    }

    [Fact]
    public void What_is_mixed_is_filled_or_left_over() =>
        (from mixed in Gen.Double[0, 10_000]
         from each in Gen.Double[0.01, 1000]
         from wanted in Gen.Int[0, 500]
         select (mixed, each, wanted)).Sample(s =>
        {
            var reach = Reach.Of(s.mixed, s.each, s.wanted);
            Assert.InRange(reach.Filled, 0, s.wanted);
            Assert.Equal(s.mixed, reach.Filled * s.each + reach.LeftMl, 1e-6);
            Assert.Equal(reach.Filled < s.wanted, reach.LackMl > 0);
            Assert.True(reach.Filled == s.wanted || reach.LeftMl < s.each + 1e-6);
        });

    [Theory]
    [InlineData(1, 20)]
    [InlineData(0.1, 2)]
    public void A_tool_measures_a_part_whose_half_tolerance_is_at_least_half_a_step(double step, double least) =>
        Assert.Equal(least, MeasuringSteps.SmallestMeasurable(step, TypicalMaterials.RatioTolerance), 1e-9);

    [Fact]
    public void Load_by_drops_and_by_weight()
    {
        Assert.Equal(0.1275, Load.DropsG(3, 0.85), 1e-9);
        Assert.Equal(0.399, Load.Percent(Load.DropsG(3, 0.85), 30 * 1.065), 0.0005);
        Assert.Equal(0.911, Load.Percent(Load.DropsG(6, 0.97), 30 * 1.065), 0.0005);
        Assert.Equal(12.21, Load.Percent(5 * 1.3, 50 * 1.065), 0.005);
        Assert.Equal(3, Load.Drops(0.1275, 0.85));
    }

    [Fact]
    public void A_ring_three_millimetres_deep()
    {
        var area = Math.PI * (65 * 65 - 40 * 40);
        Assert.Equal(8246.7, area, 0.05);
        Assert.Equal(24.74, Volume.Ml(area, 3), 0.005);
    }

    [Fact]
    public void An_open_edge_takes_a_film_and_drips() => Assert.Equal(70, CupPlanner.EdgeMl(2000, 40, 300), 1e-9);

    [Fact]
    public void A_cup_holds_need_and_what_stays_in_it()
    {
        Assert.Equal(113.7, CupPlanner.CupMl(110), 1e-9);
        Assert.Equal(117.4, CupPlanner.CupMl(110, transfers: 1), 1e-9);
    }

    [Fact]
    public void A_hundred_millilitres_of_region_are_mixed_as_114()
    {
        // 500 × 200 mm at 1 mm: 100 ml.
        var cups = Cups(Samples.Panel(500, 200), Samples.Layer(null, 0) with { DepthMm = 1 });
        var cup = cups.Cups.Single(c => c.CupId == "c1");
        Assert.Equal(110, cup.NeedMl, 1e-9);
        Assert.Equal(10, cup.Reserve.Value, 1e-9);
        Assert.Equal(3.7, cup.Loss.Value, 1e-9);
        Assert.Equal(114, cup.MixMl.Value);
        Assert.Equal(57, cup.ResinMl.Value, 1e-9);
        Assert.Equal(57 * 1.15, cup.ResinG.Value, 1e-9);
        Assert.Equal(57 * 0.98, cup.HardenerG.Value, 1e-9);
        Assert.Equal(114 * 1.065 * 0.04, cup.Doses.All[0].G!.Value, 1e-9);
    }

    [Fact]
    public void Cups_together_hold_what_the_regions_need()
    {
        var ground = Samples.Panel(edge: EdgeStyle.DrippedOver);
        var layer = Samples.Layer(Samples.Heart(250, 180), 12, 3, 30, 0, 20);
        var cups = Cups(ground, layer);
        var volume = ground.Outline.AreaMm2 * layer.DepthMm / 1000;
        Assert.Equal(volume, cups.Regions.Sum(r => r.LayerMl.Value), volume * 1e-6);
        Assert.Equal(CupPlanner.EdgeMl(2000, 40, volume), cups.Regions.Sum(r => r.EdgeMl.Value), volume * 1e-6);
        Assert.Equal(cups.Regions.Sum(r => r.PourMl.Value) * 1.1, cups.Cups.Sum(c => c.NeedMl), volume * 1e-6);
        Assert.Equal(cups.Cups.Sum(c => c.MixMl.Value), cups.TotalMl.Value);
        Assert.All(cups.Cups, c => Assert.InRange(c.MixMl.Value - c.NeedMl - c.Loss.Value, -1e-6, 2));
    }

    [Fact]
    public void A_taped_edge_takes_nothing() =>
        Assert.All(Cups(Samples.Panel(), Samples.Layer(Samples.Heart(250, 180), 12, 0)).Regions, r => Assert.Equal(0, r.EdgeMl.Value));

    [Fact]
    public void One_cup_may_serve_several_regions_and_pays_its_loss_once()
    {
        var layer = Samples.Layer(null, 0, 100).Rings(r => r with { HeartRecipeId = "c1" }) with { DepthMm = 1 };
        var apart = Cups(Samples.Panel(), layer);
        var shared = Cups(Samples.Panel(), layer.WithBands(layer.Bands.Changed(1, b => b with { RecipeId = "c1" })));
        var cup = shared.Cups.Single(c => c.CupId == "c1");
        Assert.Equal(["b1", "b2"], cup.RegionIds.Written());
        Assert.Equal(240 * 1.1, cup.NeedMl, 1e-6);
        Assert.True(shared.TotalMl.Value <= apart.TotalMl.Value);
        Assert.Equal(0, shared.Cups.Single(c => c.CupId == "c2").MixMl.Value);
    }

    [Fact]
    public void A_batch_too_small_for_the_cups_says_the_smallest_that_is_not()
    {
        var small = Samples.Layer(null, 0) with { DepthMm = 1 };
        var cup = Cups(Samples.Panel(100, 100), small).Cups.Single(c => c.CupId == "c1");
        Assert.Equal(14, cup.MixMl.Value);
        Assert.Equal(40, cup.Smallest?.Value);

        var weighed = Cups(Samples.Panel(100, 100), small with { Measure = Measure.ByWeight }).Cups.Single(c => c.CupId == "c1");
        Assert.Null(weighed.Smallest);
    }

    [Theory]
    [InlineData(ColourantClass.Paste, 10, false)]
    [InlineData(ColourantClass.Paste, 10.1, true)]
    [InlineData(ColourantClass.Mica, 6.5, true)]
    [InlineData(null, 0, false)]
    public void A_load_over_the_limit_of_its_class_is_told(ColourantClass? colourant, double load, bool over)
    {
        var layer = Samples.Layer(null, 0);
        var cups = Cups(Samples.Panel(), layer with { Recipes = layer.Recipes.Changed(1, _ => Samples.Cup("c1", colourant, load)) });
        Assert.Equal(over, cups.Cups.Single(c => c.CupId == "c1").Doses.Over);
    }

    [Fact]
    public void Every_number_of_a_cup_carries_its_inputs_and_where_they_came_from()
    {
        var ground = Samples.Panel(500, 200);
        var plain = Samples.Layer(null, 0) with { DepthMm = 1 };
        var cup = Cups(ground, plain).Cups.Single(c => c.CupId == "c1");
        Assert.Equal(Formulas.CupVolume, cup.MixMl.Formula);
        Assert.Equal(100, cup.MixMl.Input("regions").Value, 1e-9);
        Assert.Equal(Origin.Default, cup.MixMl.Input("reserve").Origin);
        Assert.Equal(Origin.Default, cup.ResinMl.Input("resin parts by volume").Origin);
        Assert.Equal(Origin.Own, cup.Doses.All[0].G!.Input("load").Origin);

        var own = Cups(ground, plain with
        {
            ReservePercent = 20,
            Measure = Measure.ByWeight,
            Resin = new("coating", new(RatioBasis.Weight, 100, 83), 1.1, 1.0),
        }).Cups.Single(c => c.CupId == "c1");
        Assert.Equal(Origin.Own, own.MixMl.Input("reserve").Origin);
        Assert.Equal(20, own.MixMl.Input("reserve").Value, 1e-9);
        Assert.Equal(Formulas.PartResinByWeight, own.ResinMl.Formula);
        Assert.Equal(Origin.Own, own.ResinMl.Input("resin parts by weight").Origin);
        Assert.Equal(Origin.Own, own.ResinG.Input("density of the resin").Origin);
        Assert.Equal(0.83, own.HardenerG.Value / own.ResinG.Value, 1e-9);
    }

    [Fact]
    public void The_artists_own_losses_win_over_the_defaults()
    {
        var ground = Samples.Panel(500, 200, EdgeStyle.DrippedOver);
        var plain = Samples.Layer(null, 0) with { DepthMm = 1, ReservePercent = 0 };
        var own = Cups(ground, plain with { Losses = new(FilmMm: 1, DripPercent: 0, CupMl: 3, CupPercent: 10) });

        // 1400 mm of edge, 40 mm high, 1 mm of film: 56 ml on 100 ml of region.
        var edge = own.Regions.Single(r => r.RegionId == "b1").EdgeMl;
        Assert.Equal(56, edge.Value, 1e-9);
        Assert.Equal((Origin.Own, "sittings[l1].losses.filmMm"), (edge.Input("film thickness").Origin, edge.Input("film thickness").Field));
        var cup = own.Cups.Single(c => c.CupId == "c1");
        Assert.Equal(3 + 15.6, cup.Loss.Value, 1e-9);
        Assert.Equal(Origin.Default, Cups(ground, plain).Cups.Single(c => c.CupId == "c1").MixMl.Input("stays in any cup").Origin);
    }

    [Fact]
    public void A_cup_is_rounded_up_to_the_artists_own_step()
    {
        var layer = Samples.Layer(null, 0) with { DepthMm = 1, ReservePercent = 10 };
        var mix = (MeasuringTools? tools) =>
            Cups(Samples.Panel(500, 200), layer with { Tools = tools }).Cups.Single(c => c.CupId == "c1").MixMl;

        // 100 ml of regions: 113.7 ml, in whole steps of both parts.
        Assert.Equal(114, mix(null).Value, 1e-9);
        Assert.Equal(120, mix(new(CupStepMl: 5)).Value, 1e-9);
        Assert.Equal(114, mix(new(CupStepMl: 0.2)).Value, 1e-9);
        Assert.Equal(113.7, mix(new(CupStepMl: 0.05)).Value, 1e-9);
        Assert.Equal((Origin.Own, "sittings[l1].tools.cupStepMl"),
            (mix(new(5)).Input("cup step").Origin, mix(new(5)).Input("cup step").Field));
        Assert.Equal(Origin.Default, mix(new(ScaleStepG: 1)).Input("cup step").Origin);
    }

    [Fact]
    public void A_batch_too_small_for_the_artists_own_step_names_the_smallest_that_is_not()
    {
        var layer = Samples.Layer(null, 0) with { DepthMm = 1, ReservePercent = 10 };
        var smallest = (Measure measure, MeasuringTools? tools) =>
            Cups(Samples.Panel(500, 200), layer with { Measure = measure, Tools = tools }).Cups
                .Single(c => c.CupId == "c1").Smallest?.Value;

        // At ±5 %, steps of 1 ml need 20 ml of the smaller part, and steps of 10 ml need 200.
        Assert.Null(smallest(Measure.ByVolume, null));
        Assert.Equal(400, smallest(Measure.ByVolume, new(CupStepMl: 10)));
        Assert.Null(smallest(Measure.ByWeight, new(CupStepMl: 10)));
        Assert.NotNull(smallest(Measure.ByWeight, new(ScaleStepG: 5)));
    }

    [Fact]
    public void Every_formula_of_a_plan_is_in_the_registry()
    {
        var known = Formulas.All.Select(f => f.Id).ToHashSet();
        Assert.Equal(Formulas.All.Length, known.Count);
        var cups = Cups(Samples.Panel(edge: EdgeStyle.DrippedOver), Samples.Layer(Samples.Heart(250, 180), 12, 0));
        Assert.All(
            cups.Regions.SelectMany(r => new[] { r.LayerMl, r.EdgeMl })
                .Concat(cups.Cups.SelectMany(c => new[] { c.MixMl, c.ResinMl, c.ResinG, c.HardenerMl, c.HardenerG }
                    .Concat(c.Doses.All.SelectMany(d => new[] { d.G!, d.Ml!, d.Load! }))))
                .Append(cups.TotalMl),
            r => Assert.Contains(r.Formula, known));
    }

    [Fact]
    public void A_resin_that_does_not_exist_is_refused_by_name() =>
        Assert.Contains("'syrup'",
            Assert.Throws<ArgumentException>(() => new ResinChoice("syrup").From(Catalogue.Typical)).Message, StringComparison.Ordinal);

    [Fact]
    public void The_lacing_additive_is_counted_in_drops_and_has_a_load_for_all_that()
    {
        var lacing = Catalogue.Typical.Of(ColourantClass.Lacing);
        Assert.Equal(0.911, lacing.LimitPercent, 0.0005);
        Assert.Equal(lacing.LimitPercent / 6, lacing.UsualFromPercent, 1e-12);
        Assert.Equal(0, lacing.Cover);
        Assert.Throws<ArgumentOutOfRangeException>(() => Catalogue.Typical.Of((ColourantClass)99));
    }

    private static CupPlan Cups(Ground ground, Sketch layer)
    {
        var (mapper, piece) = (new LayerMapper(), Samples.Piece(ground, layer));
        var laid = new LaidLayer(layer, mapper.Map(piece, layer), DepthZones.Of(mapper, piece, layer));
        var volumes = Portion.All(piece, [laid]).Values.Single().Select(p => CupPlanner.Volume(ground, p));
        return CupPlanner.Plan(layer, layer.Cups, [.. volumes], _ => CupPart.Whole(true), Surroundings.Usual(DateTimeZone.Utc));
    }
}
