using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Stones;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Tests;

public sealed class WallsAndStonesTests
{
    [Fact]
    public void A_tube_lays_so_much_bead()
    {
        Assert.Equal(3.534, Bead.SectionMm2(1.5, Bead.OutlinerWidthMm(1.5)), 0.0005);
        Assert.Equal(5659, Bead.LengthMm(20, Bead.SectionMm2(1.5, 3)), 0.5);
        Assert.Equal(1.778, Bead.DryHours(2), 0.0005);
    }

    [Fact]
    public void Each_run_of_tape_takes_the_narrowest_that_will_do()
    {
        var tape = EdgeTape.Of(2000, 4, 38, 5, [50, 25, 38, 19]);
        Assert.Equal((38, 19, 8, 2120), (tape.MaskWidthMm, tape.DamWidthMm, tape.DamHeightMm, tape.LengthEachMm));
        Assert.Null(EdgeTape.Of(2000, 4, 51, 5, [50, 25]).MaskWidthMm);
        Assert.Null(EdgeTape.Of(2000, 4, 10, 40, [50, 25]).DamWidthMm);
    }

    [Fact]
    public void A_tilt_makes_a_wedge_and_shims_level_it()
    {
        Assert.Equal(1.047, Levelling.Of(0.1, 0, [new(0, 0), new(600, 0)], 3).WedgeMm, 0.0005);
        Assert.Equal(2.443, Levelling.Of(0, -0.2, [new(0, 0), new(0, 700)], 3).WedgeMm, 0.0005);
        Assert.True(Levelling.Of(0.0286, 0, [new(0, 0), new(600, 0)], 3).Accept);
        Assert.False(Levelling.Of(0.0288, 0, [new(0, 0), new(600, 0)], 3).Accept);
        Assert.Equal([1.047, 0], Levelling.Of(0.1, 0, [new(0, 0), new(600, 0)], 3).ShimsMm.Select(s => Math.Round(s, 3)));
    }

    [Fact]
    public void Shimmed_supports_lie_level_and_the_highest_gets_none()
    {
        var support = Gen.Select(Gen.Double[0, 600], Gen.Double[0, 400]).Select((x, y) => new Support(x, y));
        Gen.Select(Gen.Double[-10, 10], Gen.Double[-10, 10], support.Array[1, 8]).Sample((x, y, supports) =>
        {
            var level = Levelling.Of(x, y, [.. supports], 3);
            var heights = supports.Zip(level.ShimsMm, (s, shim) =>
                s.XMm * Math.Tan(x * Math.PI / 180) + s.YMm * Math.Tan(y * Math.PI / 180) + shim).ToList();
            return level.ShimsMm.Min() == 0 && heights.Max() - heights.Min() < 1e-9;
        });
    }

    [Fact]
    public void A_bed_of_crushed_glass_is_filled_between_its_stones()
    {
        var bed = StoneBed.Of(8000, 6, 1.40, 2.50, 0.56);
        Assert.Equal(48, bed.BulkMl, 1e-9);
        Assert.Equal(67.2, bed.Grams, 1e-9);
        Assert.Equal(26.88, bed.SolidMl, 1e-9);
        Assert.Equal(21.12, bed.VoidMl, 1e-9);
        Assert.Equal(33.6, StoneBed.Of(8000, 6, 1.40, 2.50, 0.56, 0.5).Grams, 1e-9);
    }

    [Fact]
    public void A_puddle_spreads_with_each_colour()
    {
        var radii = Puddle.OuterRadiiMm([60, 40, 80], 3);
        Assert.Equal([79.79, 103.01, 138.20], radii.Select(r => Math.Round(r, 2)));
    }

    [Theory]
    [InlineData(0.1, 206.7)]
    [InlineData(0.05, 827.0)]
    public void A_bubble_rises_with_the_square_of_its_radius(double radiusMm, double seconds) =>
        Assert.Equal(seconds, 3 / Bubble.RiseMmPerS(radiusMm, 1.6, 1.065), 0.05);

    [Fact]
    public void A_batch_over_its_hardener_gets_resin()
    {
        var ratio = new MixRatio(RatioBasis.Volume, 1, 1);
        var over = MixCorrection.Of(ratio, 1.15, 0.98, 90.1, 82);
        Assert.Equal(76.78, over.TargetHardenerG, 0.005);
        Assert.Equal(72.94, over.AcceptFromG, 0.005);
        Assert.Equal(80.62, over.AcceptToG, 0.005);
        Assert.Equal(6.124, over.AddResinG, 0.0005);
        Assert.Equal(0, over.AddHardenerG);
        Assert.False(over.OnRatio);
        Assert.Equal((90.1 + 6.124) / 1.15 + 82 / 0.98, over.After.TotalMl, 0.001);
        Assert.Equal(76.78 - 60, MixCorrection.Of(ratio, 1.15, 0.98, 90.1, 60).AddHardenerG, 0.005);
        Assert.True(MixCorrection.Of(ratio, 1.15, 0.98, 90.1, 80.6).OnRatio);
    }

    [Fact]
    public void A_corrected_batch_is_always_on_ratio_and_never_smaller() =>
        Gen.Select(
            Gen.Select(Gen.Bool, Gen.Double[0.01, 1000], Gen.Double[0.01, 1000]),
            Gen.Double[0.3, 20], Gen.Double[0.3, 20], Gen.Double[0.1, 20_000], Gen.Double[0, 20_000], Gen.Double[0, 1])
            .Sample((parts, resinDensity, hardenerDensity, resinG, hardenerG, tolerance) =>
            {
                var ratio = new MixRatio(parts.Item1 ? RatioBasis.Volume : RatioBasis.Weight, parts.Item2, parts.Item3);
                var once = MixCorrection.Of(ratio, resinDensity, hardenerDensity, resinG, hardenerG, tolerance);
                var again = MixCorrection.Of(
                    ratio, resinDensity, hardenerDensity, once.After.ResinG, once.After.HardenerG, tolerance + 1e-9);
                return again.OnRatio && once.AddResinG >= 0 && once.AddHardenerG >= 0 && (once.AddResinG == 0 || once.AddHardenerG == 0);
            });

    [Fact]
    public void A_batch_that_is_split_keeps_its_sum() =>
        Gen.Select(Gen.Double[0.01, 100_000], Gen.Double[0.01, 1000].Array[1, 12]).Sample((totalMl, shares) =>
        {
            var cast = Casting.Of(totalMl, 1, 0, 0, [.. shares], 0);
            return Math.Abs(cast.ShareMl.Sum() - totalMl) < 1e-9 * totalMl && cast.ShareMl.All(s => s > 0);
        });

    [Fact]
    public void A_set_of_castings_leaves_room_for_inserts_and_coats()
    {
        var set = Casting.Of(180, 12, 20, 10, [2, 1, 1]);
        Assert.Equal(150, set.BodyMl);
        Assert.Equal(1980, set.TotalMl, 1e-9);
        Assert.Equal([990, 495, 495], set.ShareMl.Select(s => Math.Round(s, 6)));
    }

    [Fact]
    public void The_total_load_may_be_as_high_as_the_highest_limit_in_the_cup()
    {
        Assert.Equal(10, Load.TotalLimit(Catalogue.Typical, [ColourantClass.Mica, ColourantClass.Dye]));
        Assert.Equal(12, Load.TotalLimit(Catalogue.Typical, [ColourantClass.Mica, ColourantClass.Glitter]));
        Assert.Equal(0.911, Load.LimitPercent(Catalogue.Typical, ColourantClass.Lacing), 0.0005);
    }

    [Fact]
    public void Stones_that_take_up_all_of_a_region_leave_nothing_to_pour()
    {
        Assert.Equal(0, CupPlanner.NeedMl(10, 12, 0, 0.1));
        Assert.Equal(110, CupPlanner.NeedMl(120, 20, 0, 0.1), 1e-9);
    }
}
