using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>What looks otherwise at an angle, in resin, or with an additive.</summary>
public class AtAnAngleTests
{
    private static readonly Colour White = new(1, 1, 1), Black = new(0, 0, 0), Blue = Colour.Of("#3f6fd0");

    private static double Hue(Colour colour) => Lab.Of(colour) is var lab ? (Math.Atan2(lab.B, lab.A) * 180 / Math.PI + 360) % 360 : 0;

    [Fact]
    public void A_film_sends_back_a_shorter_wave_from_the_side()
    {
        Assert.Equal(1, Shimmer.WaveFactor(0));
        Assert.Equal(0.8409, Shimmer.WaveFactor(60), 1e-4);
        Assert.Equal(Shimmer.WaveFactor(60), Shimmer.WaveFactor(-60));

        // Orange of 620 nm is green at 60°: 521 nm; and what is grey stays so.
        var orange = new Lab(60, 60 * Math.Cos(42 * Math.PI / 180), 60 * Math.Sin(42 * Math.PI / 180)).ToColour();
        Assert.Equal(149.5, Hue(Shimmer.Reflected(orange, 60)), 4.0);
        Assert.Equal(42, Hue(Shimmer.Reflected(orange, 0)), 0.5);
        Assert.InRange(Lab.Of(Shimmer.Reflected(Colour.Of("#808080"), 60)).Chroma, 0, 0.5);
    }

    [Fact]
    public void Flakes_show_their_colour_over_dark_and_its_opposite_over_light_from_the_side()
    {
        Assert.Equal(0, Shimmer.Share(3, 0));
        Assert.Equal(0.6 * (1 - Math.Exp(-0.35 * 3)), Shimmer.Share(3, 1), 1e-12);
        var share = Shimmer.Share(3, 3);
        Assert.Equal("#000000", Shimmer.Seen(Blue, Black, 0, 30).ToHex());
        Assert.Equal("#ffffff", Shimmer.Seen(Blue, White, 0, 30).ToHex());

        // Over black: share × glint × what is sent, 1.6 from above and 0.3 + 1.3 cos⁴ 60° = 0.38125 at 60°.
        var above = Shimmer.Seen(Blue, Black, share, 0);
        Assert.Equal(share * 1.6 * Blue.G, above.G, 1e-3);
        var sent = Shimmer.Reflected(Blue, 60);
        Assert.Equal(share * 0.38125 * sent.G, Shimmer.Seen(Blue, Black, share, 60).G, 1e-9);
        Assert.Equal(share * 0.38125 * sent.G + Math.Pow(1 - share * sent.G, 2), Shimmer.Seen(Blue, White, share, 60).G, 1e-9);

        // From the side, over white, what is sent is what is missing: the other way on the b* axis.
        Assert.True(Lab.Of(above).B < -10);
        Assert.True(Lab.Of(Shimmer.Seen(Blue, White, share, 75)).Chroma > 2);
    }

    [Fact]
    public void Whatever_is_asked_a_colour_is_one() =>
        (from r in Gen.Double[0, 1]
         from g in Gen.Double[0, 1]
         from b in Gen.Double[0, 1]
         from below in Gen.Double[0, 1]
         from share in Gen.Double[0, 1]
         from deg in Gen.Double[-90, 90]
         select Shimmer.Seen(new(r, g, b), new(below, below, below), share, deg))
        .Sample(c => c is { R: >= 0 and <= 1, G: >= 0 and <= 1, B: >= 0 and <= 1 }, iter: 3000);

    [Theory]
    [InlineData(0, true)]
    [InlineData(75, true)]
    [InlineData(75.1, false)]
    [InlineData(-0.1, false)]
    [InlineData(double.NaN, false)]
    public void A_piece_is_tilted_by_up_to_75_degrees(double deg, bool can)
    {
        var piece = Samples.Piece(Samples.Panel(), Samples.Layer(Samples.Heart(150, 100), 12, 0));
        Assert.Equal(can, new Look(TiltDeg: deg).Refused(piece) is null);
    }

    private static Painting.Painting Painted(Piece piece, Look? look = null) =>
        new PiecePlanner(new LayerMapper()).Paint(piece, null, PaintDetail.Full, look);

    private static Painting.Painting Painted(Sketch layer, Look? look = null) => Painted(Samples.Piece(Samples.Panel(), layer), look);

    [Fact]
    public void Only_flakes_have_a_look_for_each_angle_and_none_in_light_from_behind()
    {
        var layer = Samples.Layer(Samples.Heart(150, 100), 12, 0);
        Sketch With(ColourantClass colourant) =>
            layer with { Recipes = [.. layer.Recipes.Select(r => r.Id == "c1" ? Recipe.Plain("c1", "c1", "#3f6fd0", colourant, 3) : r)] };
        foreach (var colourant in Enum.GetValues<ColourantClass>())
        {
            var angles = Painted(With(colourant)).Materials.Single(m => m.Id.EndsWith("/c1", StringComparison.Ordinal)).Angles;
            Assert.Equal(colourant == ColourantClass.Interference, angles is not null);
        }

        var shown = Painted(With(ColourantClass.Interference)).Materials.Single(m => m.Angles is not null).Angles!.Value;
        Assert.Equal(Shimmer.AnglesDeg.Length, shown.Length);
        Assert.Equal(Shimmer.Seen(Blue, Colour.Of(Samples.Panel().Colour), Shimmer.Share(layer.DepthMm, 3), 45).ToHex(), shown[3]);
        Assert.Equal(40, Painted(layer, Look.Usual with { TiltDeg = 40 }).Look.TiltDeg);
    }

    [Theory]
    [InlineData("shell", Wetting.Brightens)]
    [InlineData("quartz-chips", Wetting.Deepens)]
    [InlineData("fire-glass", Wetting.Deepens)]
    [InlineData("sand", Wetting.Dulls)]
    [InlineData("pearls", Wetting.Dulls)]
    [InlineData("crushed-glass", Wetting.Hides)]
    [InlineData("glass-beads", Wetting.Hides)]
    [InlineData("quartz-points", Wetting.Hides)]
    [InlineData("mirror-glass", Wetting.Keeps)]
    [InlineData("resin-stones", Wetting.Keeps)]
    public void Resin_does_to_a_stone_what_it_does(string id, Wetting does)
    {
        var stone = WetStone.Of(id)!;
        Assert.Equal(does, stone.Does);
        var (dry, wet) = (Lab.Of(Colour.Of(stone.Dry)), Lab.Of(stone.In(Black)));
        switch (does)
        {
            case Wetting.Brightens:
                Assert.Equal((dry.L + 6, dry.Chroma * 1.35), (wet.L, wet.Chroma), ByHalf);
                break;
            case Wetting.Deepens:
                Assert.Equal((dry.L - 7, dry.Chroma * 1.4), (wet.L, wet.Chroma), ByHalf);
                break;
            case Wetting.Dulls:
                Assert.Equal((dry.L - 14, dry.Chroma * 0.8), (wet.L, wet.Chroma), ByHalf);
                break;
            case Wetting.Hides:
                Assert.Equal(Colour.Of(stone.Dry).Mix(Black, 0.8).ToHex(), stone.In(Black).ToHex());
                break;
            default:
                Assert.Equal(stone.Dry, stone.In(Black).ToHex());
                break;
        }
    }

    private static readonly IEqualityComparer<(double, double)> ByHalf = EqualityComparer<(double L, double C)>
        .Create((a, b) => Math.Abs(a.L - b.L) < 0.5 && Math.Abs(a.C - b.C) < 0.5, _ => 0);

    [Fact]
    public void Every_class_of_stones_has_a_look_and_nothing_else_has()
    {
        Assert.All(Catalogue.Typical.Materials.Where(m => m.Kind == MaterialKind.Stone), m => Assert.NotNull(WetStone.Of(m.Id)));
        Assert.Null(WetStone.Of("gravel"));
    }

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(), Samples.Layer(Samples.Heart(250, 180), 30, 0));

    private static Piece With(params LaidStones[] stones) => Rings with { Layers = [Rings.Layers[0] with { Stones = [.. stones] }] };

    private static List<PaintPath> StonesOf(Piece piece, RegionId region) =>
        [.. Painted(piece).Paths.Where(p => p.Role == PaintRole.Facet && p.Region == region)];

    [Fact]
    public void Stones_are_drawn_in_their_region_and_none_over_another()
    {
        var map = new LayerMapper().Map(Rings, Rings.Filled.First());

        // 0.5 × 0.8³ cm³ of 2.7 g: 0.69 g each.
        var all = StonesOf(With(new LaidStones(R("b1"), "shell", 30)), R("b1"))
            .SelectMany(p => PaintingTests.Flatten(p.Path))
            .Select(r => (X: r.Xs.ToArray().Average(), Y: r.Ys.ToArray().Average())).ToList();
        Assert.InRange(all.Count, 38, 43);
        Assert.All(all, at => Assert.Equal("b1", map.RegionAt(at.X, at.Y).ToString()));
        Assert.All(all.SelectMany((one, i) => all.Skip(i + 1)
            .Select(other => Math.Sqrt(Math.Pow(one.X - other.X, 2) + Math.Pow(one.Y - other.Y, 2)))),
        apart => Assert.InRange(apart, 5, double.MaxValue));

        // A beach of sand is more than anybody draws.
        Assert.Equal(500, StonesOf(With(new LaidStones(R("b2"), "sand", 300)), R("b2")).Sum(p => PaintingTests.Flatten(p.Path).Count));
    }

    [Fact]
    public void Where_nothing_is_poured_stones_lie_dry_and_no_cells_open()
    {
        var wet = With(new LaidStones(R("b1"), "sand", 5));
        var bare = wet with { Layers = [wet.Layers[0] with { Bare = [R("b1")] }] };
        double Lightest(Piece piece) => StonesOf(piece, R("b1")).Max(p => Lab.Of(Colour.Of(p.Fill!)).L);
        Assert.InRange(Lightest(bare) - Lightest(wet), 3, 20);
        var laced = Rings with { Recipes = [.. Rings.Recipes.Select(r => r.Id == "c1" ? Laced(0.15) with { Id = "c1" } : r)] };
        Assert.NotEmpty(StonesOf(laced, R("b1")));
        Assert.Empty(StonesOf(laced with { Layers = [laced.Layers[0] with { Bare = [R("b1")] }] }, R("b1")));
        Assert.Empty(StonesOf(laced with { Layers = [laced.Layers[0] with { Bare = [R("b2"), R("heart")] }] }, R("b1")));
    }

    private static Recipe Laced(double percent, string colourant = "mica", double load = 3) =>
        new("laced", "laced", "#335544", [new(Enum.Parse<ColourantClass>(colourant, true), load), new(ColourantClass.Lacing, percent)]);

    [Fact]
    public void Cells_open_by_the_drops_the_pair_and_the_torch()
    {
        // A drop is 0.05 ml of 0.97 g/ml, in 30 ml of 1.065 g/ml: 0.1518 %.
        const double drop = 100 * 0.05 * 0.97 / (30 * TypicalMaterials.MixedDensity);
        Recipe light = Recipe.Plain("o", "o", "#ffffff", ColourantClass.AlcoholInk, 3),
        heavy = Recipe.Plain("o", "o", "#ffffff", ColourantClass.MetallicPaste, 9);
        Lacing Of(double drops, Recipe other, bool torched = false) =>
            Lacing.Of(Catalogue.Typical, Laced(drops * drop), other, TypicalMaterials.MixedDensity, torched)!.Value;
        Assert.Equal(0.09 * 1.3, Of(1, light).Share, 1e-9);
        Assert.Equal(0.09 * 0.7, Of(1, heavy).Share, 1e-9);
        Assert.Equal(0.09 * 1.3 * 1.6, Of(1, light, true).Share, 1e-9);
        Assert.Equal(5, Of(1, light).AcrossMm, 1e-9);
        Assert.Equal(9 * 1.4, Of(3, light, true).AcrossMm, 1e-9);
        Assert.Equal(0.55, Of(6, light, true).Share);

        // Past its limit of six drops the cells grow no more.
        Assert.Equal(15, Of(6, light).AcrossMm, 1e-6);
        Assert.Equal(15, Of(9, light).AcrossMm, 1e-6);
        Assert.Null(Lacing.Of(Catalogue.Typical, light, heavy, 1, false));
        Assert.Null(Lacing.Of(Catalogue.Typical, Laced(drop), Laced(drop), 1, false));
    }

    [Fact]
    public void Cells_are_drawn_where_a_laced_colour_meets_another_and_more_of_them_after_the_torch()
    {
        var layer = Samples.Layer(Samples.Heart(250, 180), 30, 0);
        layer = layer with { Recipes = [.. layer.Recipes.Select(r => r.Id == "c1" ? Laced(0.15) with { Id = "c1" } : r)] };
        PaintPath Cells(Look look) => Painted(layer, look).Paths.Single(p => p.Role == PaintRole.Facet && p.Region == "b1");
        double Area(Look look) => PaintingTests.Flatten(Cells(look).Path).Sum(r => Math.Abs(r.SignedAreaMm2));
        Assert.True(Area(Look.Usual with { Torched = true }) > 1.3 * Area(Look.Usual));
        Assert.DoesNotContain(Painted(Samples.Layer(Samples.Heart(250, 180), 30, 0)).Paths,
            p => p.Role == PaintRole.Facet && p.Region == "b1");
    }
}
