using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>A piece from below, wet, and with the light behind it.</summary>
public class LookTests
{
    private static readonly LayerMapper Mapper = new();
    private static readonly PiecePlanner Planner = new(Mapper);
    private static readonly Look Below = new(Face.Underside);
    private static readonly Look Back = new(Light: LightFrom.Back);
    private static readonly Look Wet = new(Wet: true);

    private static readonly Sketch First = Samples.Layer(Samples.Heart(120, 90), 12, 3, 0) with { Id = "first" };
    private static readonly Sketch Second = Samples.Layer(Samples.Heart(200, 110), 9, 0)
        with
    { Id = "second", Recipes = [Samples.Cup("bed", null, 0), Samples.Cup("c1", ColourantClass.Dye, 2), Samples.Cup("c2")] };

    private static Ground On(BaseMaterial material, GroundPaint? paint = null) =>
        Samples.Panel(300, 200)
            with
        { Base = new(material == BaseMaterial.Silicone ? PieceKind.Casting : PieceKind.Panel, material, 4), Paint = paint };

    private static Piece Casting(params Sketch[] layers) => Samples.Piece(On(BaseMaterial.Silicone), layers);

    [Fact]
    public void Clear_resin_lets_all_light_through_dye_filters_it_and_paste_keeps_it_back()
    {
        var clear = new CupLook(new(0.2, 0.4, 0.6), 0, 0).Through(8);
        Assert.Equal(new Colour(1, 1, 1), clear);

        // Red dye at 3 %, 5 mm deep: a cover of 0.08 × 3 × 5 = 1.2; nothing reflects less than 0.002.
        var dye = CupLook.Of(Catalogue.Typical, First, Recipe.Plain("dye", "dye", "#ff0000", ColourantClass.Dye, 3)).Through(5);
        Assert.Equal(1, dye.R, 1e-9);
        Assert.Equal(0.0833, dye.G, 5e-5);
        Assert.Equal(dye.G, dye.B, 1e-9);

        // At a cover of 3 it lets through its own colour.
        Assert.Equal("#6b3f1f",
            CupLook.Of(Catalogue.Typical, First, Recipe.Plain("tea", "tea", "#6b3f1f", ColourantClass.Dye, 5)).Through(7.5).ToHex());

        // White paste at 4 %, 3 mm deep: 1.2 × 4 × 3 = 14.4.
        Assert.Equal(Math.Exp(-14.4),
            CupLook.Of(Catalogue.Typical, First, Recipe.Plain("white", "white", "#ffffff", ColourantClass.Paste, 4)).Through(3).G, 1e-12);
    }

    [Fact]
    public void The_deeper_the_less_light_comes_through_and_never_more_than_shows_of_the_ground() =>
        (from r in Gen.Double[0, 1]
         from g in Gen.Double[0, 1]
         from cover in Gen.Double[0, 3]
         from blocks in Gen.Double[0, 1]
         from mm in Gen.Double[0.1, 20]
         select (new CupLook(new(r, g, 0.5), cover, blocks * cover), mm)).Sample(
            (look, mm) =>
            {
                var (thin, thick) = (look.Through(mm), look.Through(1.5 * mm));
                Assert.True(thick.R <= thin.R && thick.G <= thin.G && thick.B <= thin.B);
                Assert.InRange(thin.R, 0, 1);
                Assert.True(look.BlocksPerMm < look.CoverPerMm || thin.R <= 1 - look.Opacity(mm) + 1e-12);
            });

    [Fact]
    public void A_mixed_cup_keeps_back_what_its_parts_keep_back()
    {
        var mixed = Samples.Cup("mixed", null) with { Of = [new("dye", 1), new("paste", 3)] };
        var layer = First with
        {
            Recipes = [.. First.Cups, Samples.Cup("dye", ColourantClass.Dye, 2),
            Samples.Cup("paste", ColourantClass.Paste, 4), mixed]
        };
        var look = CupLook.Of(Catalogue.Typical, layer, mixed);
        Assert.Equal(0.75 * 1.2 * 4, look.BlocksPerMm, 1e-9);
        Assert.Equal(0.75 * 1.2 * 4 + 0.25 * 0.08 * 2, look.CoverPerMm, 1e-9);
        Assert.Equal(0.75 * 1.2 * 4 + 0.25 * 2,
            CupLook.Of(Catalogue.Typical, layer, mixed with { Doses = [new(ColourantClass.Mica, 2)] }).BlocksPerMm, 1e-9);
    }

    [Fact]
    public void From_below_the_first_layer_lies_in_front_and_left_is_right()
    {
        var piece = Casting(First, Second);
        var (top, below) = (Planner.Paint(piece, null, PaintDetail.Draft), Planner.Paint(piece, null, PaintDetail.Draft, Below));
        Assert.Equal(["first", "second"], Layers(top));
        Assert.Equal(["second", "first"], Layers(below));
        Assert.Equal((top.WidthMm, top.HeightMm), (below.WidthMm, below.HeightMm));
        Assert.Equal(new PanelCopy(300, true), Assert.Single(below.Panels!.Copies));
        Assert.Equal(top.Outline, below.Panels.Outline);

        // What lies deepest is painted solid, in front of it all lets it be seen: pigments by their opacity, glass by what it takes.
        Assert.All(below.Paths.TakeWhile(p => p.Material!.StartsWith("second", StringComparison.Ordinal)), p => Assert.Equal(1, p.Opacity));
        Assert.Contains(below.Paths, p => p.Material == "first/bed" && (p.Opacity < 1 || p.Glass));
    }

    [Fact]
    public void Turned_over_an_outline_is_mirrored_whatever_it_is() =>
        Samples.AnyOutline.Sample(outline =>
        {
            var piece = Samples.Piece(On(BaseMaterial.Silicone) with { Outline = outline }, Samples.Layer(null, 0));
            var (top, below) = (Planner.Paint(piece, null, PaintDetail.Draft), Planner.Paint(piece, null, PaintDetail.Draft, Below));
            var there = Corners(top.Outline).Select(c => (Math.Round(outline.BoxWidthMm - c.X, 1), Math.Round(c.Y, 1))).ToHashSet();
            Assert.All(Corners(below.Outline),
                c => Assert.Contains(there, t => Math.Abs(t.Item1 - c.X) < 0.11 && Math.Abs(t.Item2 - c.Y) < 0.11));
            Assert.Equal(Corners(top.Outline).Count, Corners(below.Outline).Count);
        }, iter: 20);

    [Theory]
    [InlineData(1, 1)]
    [InlineData(12, 1)]
    [InlineData(12, 5)]
    public void Castings_of_one_mould_look_alike_from_below_and_from_above(int pieces, int cavities)
    {
        Piece Cast(int of, int in1) => Casting(First, Second) is var one
            ? one with { Ground = one.Ground with { Mould = new(12, CapacityFrom.Dimensions, null, of, in1, 0) } } : one;
        foreach (var look in new[] { Below, new Look(), Wet })
        {
            var (alone, many) = (Planner.Paint(Cast(1, 1), null, PaintDetail.Full, look),
                Planner.Paint(Cast(pieces, cavities), null, PaintDetail.Full, look));
            Assert.Equal(alone.Paths, many.Paths);
            Assert.Equal(alone.Outline, many.Outline);
        }
    }

    [Fact]
    public void A_mirrored_pair_from_below_has_its_panels_the_other_way_round()
    {
        var pair = Casting(First);
        pair = pair with { Ground = pair.Ground with { Set = new(2, 10, true) } };
        var (top, below) = (Planner.Paint(pair, null, PaintDetail.Draft), Planner.Paint(pair, null, PaintDetail.Draft, Below));
        Assert.Equal((2, 2), (top.Panels!.Copies.Length, below.Panels!.Copies.Length));

        // A place of a panel comes to lie as far from the right as it was from the left.
        Assert.All(top.Panels.Copies.Zip(below.Panels.Copies),
            c => Assert.All(new[] { 0.0, 40, 300 }, x => Assert.Equal(top.WidthMm - c.First.X(x), c.Second.X(x), 1e-9)));
    }

    [Fact]
    public void Older_work_lies_in_front_when_it_is_turned_over()
    {
        var old = Casting(First);
        var again = Rework.Over(old, "kiln");
        again = (again with
        {
            Ground = Rework.Grown(again.Ground, 20)
            with
            { Base = new(PieceKind.Slice, BaseMaterial.Resin) }
        }).WithLayers(Samples.Layer(null, 0));
        var (top, below) = (Planner.Paint(again, null, PaintDetail.Draft), Planner.Paint(again, null, PaintDetail.Draft, Below));
        Assert.True(Assert.Single(top.Insets).Below);
        var inset = Assert.Single(below.Insets);
        Assert.False(inset.Below);
        Assert.Equal(below.WidthMm - 20 - inset.Painting.WidthMm, inset.XMm, 1e-9);
        Assert.Null(inset.Painting.Ground);
        Assert.NotEmpty(below.Paths);
        Assert.All(below.Paths, p => Assert.Equal(1, p.Opacity));
    }

    [Fact]
    public void With_the_light_behind_it_layers_above_the_lowest_only_take_light_away()
    {
        var painting = Planner.Paint(Casting(First, Second), null, PaintDetail.Full, Back);
        var lowest = painting.Paths.Count(p => p.Material is null || p.Material.StartsWith("first", StringComparison.Ordinal));
        Assert.Equal("#ffffff", painting.Ground);
        Assert.Equal(lowest, painting.Look.FiltersFrom);
        Assert.All(painting.Paths.Skip(lowest), p => Assert.True(p.Opacity is 0 or 1));
        Assert.Equal(0, painting.Paths.First(p => p.Material == "second/second-bed").Opacity);
        Assert.DoesNotContain(painting.Paths, p => p.Role == PaintRole.Edge);

        // Through opaque paste, 3 mm of it, nothing comes.
        Assert.Equal("#000000", painting.Paths.First(p => p.Region == "b1" && p.Material == "first/c1").Fill);
        Assert.Equal(CupLook.Of(Catalogue.Typical, Second, Second.Cups[1]).Through(Second.DepthMm).ToHex(),
            painting.Paths.First(p => p.Material == "second/second-c1").Fill);
        Assert.Null(Planner.Paint(Casting(First), null, PaintDetail.Full).Look.FiltersFrom);
        Assert.NotNull(Planner.Paint(Casting(First), null, PaintDetail.Full, Back).Look.FiltersFrom);
    }

    [Fact]
    public void Just_poured_the_top_layer_runs_along_every_border_of_two_colours_and_has_no_edges()
    {
        var coloured = Second with
        {
            Recipes = [.. Second.Cups
            .Select((c, i) => c with { Colour = i == 1 ? "#2040a0" : "#d0a020", Doses = [new(ColourantClass.Paste, 5)] })]
        };
        var painting = Planner.Paint(Casting(First, coloured), null, PaintDetail.Full, Wet);
        Assert.True(painting.Look.Wet);
        var runs = painting.Paths.Where(p => p.Role == PaintRole.Bleed).ToList();
        Assert.Equal(["heart", "heart", "heart", "b1", "b1", "b1"], runs.Select(r => r.Region).Written());
        Assert.Equal(Look.BleedMm, runs.Max(r => r.StrokeMm), 1e-9);

        // Blue and yellow of equal loads, as they mix.
        Assert.All(runs, r => Assert.Equal(Pigment.Mix(Colour.Of("#2040a0"), 5, Colour.Of("#d0a020"), 5).ToHex(), r.Stroke));
        var second = painting.Paths
            .SkipWhile(p => p.Material is null || !p.Material.StartsWith("second", StringComparison.Ordinal)).ToList();
        Assert.DoesNotContain(second, p => p.Role == PaintRole.Edge);
        Assert.Contains(painting.Paths, p => p.Role == PaintRole.Edge);
        Assert.DoesNotContain(Planner.Paint(Casting(First, coloured), null, PaintDetail.Full).Paths, p => p.Role == PaintRole.Bleed);
    }

    [Fact]
    public void One_colour_does_not_run_into_itself_and_fields_run_where_they_touch()
    {
        var layer = LayoutTests.Layer(LayoutTests.Fields(12, 4)) with { Id = "l1" };
        var ground = On(BaseMaterial.Silicone);
        var map = (RegionMap)Mapper.Map(Samples.Piece(ground, layer), layer);
        var cups = map.Regions.ToDictionary(r => r.Id, r => r.CupId);
        var expected = map.Touching.Count(b => cups[b.First] != cups[b.Second]);
        Assert.True(expected > 10);
        var painting = Planner.Paint(Samples.Piece(ground, layer), null, PaintDetail.Draft, Wet);
        Assert.Equal(3 * expected, painting.Paths.Count(p => p.Role == PaintRole.Bleed));

        // Along the lines both regions are near.
        Assert.All(map.Borders(), line => Assert.All(line.Lines.SelectMany(l => l), spot =>
            Assert.All(new[] { line.First, line.Second }, id => Assert.True(
                map.Patches.Single(p => p.Id == id).Area.Distance(new NetTopologySuite.Geometries.Point(spot.X, spot.Y)) < 1e-4))));

        var plain = layer with { Layout = new FloodLayout("clear") };
        Assert.DoesNotContain(Planner.Paint(Samples.Piece(ground, plain), null, PaintDetail.Full, Wet).Paths,
            p => p.Role == PaintRole.Bleed);
    }

    [Theory]
    [InlineData(BaseMaterial.BirchPly, "Only castings")]
    [InlineData(BaseMaterial.Canvas, "Only castings")]
    [InlineData(BaseMaterial.Glass, null)]
    [InlineData(BaseMaterial.Acrylic, null)]
    [InlineData(BaseMaterial.Silicone, null)]
    public void Only_what_is_clear_is_seen_from_below_and_lets_light_through(BaseMaterial material, string? refused)
    {
        var piece = Samples.Piece(On(material), First);
        foreach (var look in new[] { Below, Back, Below with { Light = LightFrom.Back } })
        {
            if (refused is null)
            {
                Assert.Null(look.Refused(piece));
                continue;
            }

            Assert.StartsWith(refused, look.Refused(piece), StringComparison.Ordinal);
            Assert.Throws<ArgumentException>(() => Planner.Paint(piece, null, PaintDetail.Draft, look));
        }

        Assert.Null(Wet.Refused(piece));
        Assert.Contains("cured", (Below with { Wet = true }).Refused(Casting(First)), StringComparison.Ordinal);
    }

    [Fact]
    public void Paint_on_glass_hides_the_resin_from_below_and_an_unknown_base_is_not_seen_through()
    {
        Assert.StartsWith("The base has no material yet", Back.Refused(Samples.Piece(Samples.Panel(), First)), StringComparison.Ordinal);
        var painted = Samples.Piece(On(BaseMaterial.Glass, new GroundPaint(PaintKind.Water)), First);
        Assert.StartsWith("The ground is painted", Below.Refused(painted), StringComparison.Ordinal);
    }

    private static IEnumerable<string> Layers(Painting.Painting painting) =>
        painting.Paths.Select(p => p.Material!.Split('/')[0]).Distinct();

    private static List<(double X, double Y)> Corners(string path) =>
    [
        .. path.Split(['M', 'L', 'Z'], StringSplitOptions.RemoveEmptyEntries)
            .Select(c => c.Split(' ').Select(v => double.Parse(v, System.Globalization.CultureInfo.InvariantCulture))
                .ToArray()).Select(c => (c[0], c[1])),
    ];
}
