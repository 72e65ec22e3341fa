using System.Globalization;
using System.Text.RegularExpressions;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

public partial class PaintingTests
{
    private static readonly Sketch Stack = Samples.Layer(Samples.Heart(250, 180), 12, 3, 30, 0, 20);

    [Fact]
    public void Metallic_acrylic_at_ten_percent_and_two_millimetres_covers_three_quarters()
    {
        Assert.Equal(0.753, CupLook.Of(Catalogue.Typical, Stack, Samples.Cup("c", ColourantClass.AcrylicMetallic, 10)).Opacity(2), 0.0005);
        Assert.Equal(0, CupLook.Of(Catalogue.Typical, Stack, Samples.Cup("c", null, 0)).Opacity(2));
        Assert.Equal(0, CupLook.Of(Catalogue.Typical, Stack, Samples.Cup("c", ColourantClass.Lacing, 3)).Opacity(2));
    }

    [Fact]
    public void The_ground_shows_through_in_linear_light()
    {
        // Half of white and black in linear light is lighter than the byte in the middle.
        Assert.Equal("#bcbcbc", Colour.Of("#ffffff").Mix(Colour.Of("#000000"), 0.5).ToHex());
        Assert.Equal("#c99b3a", Colour.Of("#c99b3a").ToHex());
    }

    [Theory]
    [InlineData("")]
    [InlineData("33523f")]
    [InlineData("#33523")]
    [InlineData("#33523g")]
    [InlineData("moss")]
    public void Other_text_is_not_a_colour(string text)
    {
        Assert.Null(Colour.Parse(text));
        Assert.Throws<FormatException>(() => Colour.Of(text));
    }

    [Fact]
    public void A_draft_has_a_body_for_every_region_and_no_growth_lines()
    {
        var painting = Paint(PaintDetail.Draft, Stack);
        Assert.Equal(["b5", "b4", "b3", "b2", "b1", "heart"],
            painting.Paths.Where(p => p.Role == PaintRole.Body).Select(p => p.Region).Written());
        Assert.All(painting.Paths, p => Assert.Equal(PaintRole.Body, p.Role));
    }

    [Fact]
    public void A_full_painting_keeps_the_bodies_of_the_draft_and_adds_growth_and_crystals()
    {
        var draft = Paint(PaintDetail.Draft, Stack);
        var full = Paint(PaintDetail.Full, Stack);
        Assert.True(full.Paths.Count(p => p.Role == PaintRole.GrowthLine) > 20);
        Assert.Contains(full.Paths, p => p.Role == PaintRole.Facet);

        // Nothing jumps on release: every shape of the draft is a shape of the full painting.
        Assert.NotEmpty(draft.Paths);
        Assert.Subset(full.Paths.Where(p => p.Fill is not null).Select(p => p.Path).ToHashSet(),
            draft.Paths.Select(p => p.Path).ToHashSet());
    }

    private static List<PaintPath> Fine(params double[] widths) =>
        [.. Paint(PaintDetail.Full, Samples.Layer(Samples.Heart(150, 100), widths)).Paths.Where(p => p.Role == PaintRole.FineLine)];

    /// <summary>A band below 4 mm has no fine lines; from 18 mm on it may have twice as many at an edge.</summary>
    [Fact]
    public void Bands_from_four_millimetres_have_fine_lines_along_their_edges()
    {
        Assert.DoesNotContain(Fine(3.9, 3.9, 3.9), p => p.Region == "b1" || p.Region == "b2");
        var (narrow, wide) = (0, 0);
        for (var seed = 0; seed < 12; seed++)
        {
            List<PaintPath> Of(double width) => [.. Paint(PaintDetail.Full,
                Samples.Layer(Samples.Heart(150, 100, seed: seed), width, width, 0)).Paths
            .Where(p => p.Role == PaintRole.FineLine && p.Region is { } r && (r == "b1" || r == "b2"))];
            Assert.InRange(Of(4).Count, 0, 8);
            narrow += Of(17.9).Count;
            wide += Of(18).Count;
        }

        Assert.True(narrow > 12 * 4, "most edges have a pair");
        Assert.InRange(wide, 1.2 * narrow, 2.2 * narrow);
    }

    [Fact]
    public void A_line_of_metal_is_dark_light_and_dark_across_and_a_wide_one_has_fine_lines_as_any_band()
    {
        double[] Tones(double width, ColourantClass colourant)
        {
            var layer = Samples.Layer(Samples.Heart(150, 100), width, 0);
            layer = layer
                with
            { Recipes = [.. layer.Recipes.Select(r => r.Id == "c1" ? Recipe.Plain("c1", "gilt", "#8a7a50", colourant, 10) : r)] };
            var metal = Lab.Of(Colour.Of("#8a7a50")).L;
            return [.. Paint(PaintDetail.Full, layer).Paths.Where(p => p.Region == "b1" && p.Fill is not null)
                .Select(p => Lab.Of(Colour.Of(p.Fill!)).L - metal)];
        }

        foreach (var metal in new[] { ColourantClass.MetallicPaste, ColourantClass.AcrylicMetallic })
        {
            // From the outer edge in, each over the one before.
            var tones = Tones(6, metal);
            Assert.Equal(5, tones.Length);
            Assert.All(tones.Zip([-33.0, -22.2, 0, -22.2, -33]), t => Assert.Equal(t.Second, t.First - tones[2], 0.6));
            Assert.Equal(5, Tones(14, metal).Length);
        }

        Assert.All(Tones(14.1, ColourantClass.MetallicPaste),
            t => Assert.InRange(t, -Painter.FineLightness - 1, Painter.FineLightness + 1));

        // Paste hides the ground, so that it is known what it is measured from.
        Assert.Equal(-13, Tones(6, ColourantClass.MetallicPaste)[0], 0.6);
        Assert.All(Tones(6, ColourantClass.Paste), t => Assert.InRange(t, -Painter.FineLightness - 1, Painter.FineLightness + 1));
    }

    [Fact]
    public void Only_a_slice_has_a_rind_and_only_where_all_is_painted()
    {
        SliceOutline slice = new(300, 200, [.. Enumerable.Repeat(0.9, 8)], 4, 3, new(150, 100, 30, 20));
        List<PaintPath> Rinds(Outline outline, PaintDetail detail, Look? look = null)
        {
            var piece = Samples.Piece(new Ground(outline, EdgeStyle.TapedClean, 20, "#d9c29a",
                Base: new(PieceKind.Panel, BaseMaterial.Acrylic, 6)), Samples.Layer(Samples.Heart(90, 100, 40, 30), 12, 0));
            return [.. new PiecePlanner(new LayerMapper()).Paint(piece, null, detail, look).Paths.Where(p => p.Role == PaintRole.Rind)];
        }

        Assert.Equal(6, Rinds(slice, PaintDetail.Full).Count);
        Assert.Equal(3, Rinds(slice with { Opening = null }, PaintDetail.Full).Count);
        Assert.Empty(Rinds(slice, PaintDetail.Draft));
        Assert.Empty(Rinds(slice, PaintDetail.Full, Look.Usual with { Light = LightFrom.Back }));
        Assert.Empty(Rinds(new OvalOutline(300, 200), PaintDetail.Full));

        // Into the slice, from the rim as from the opening: 1.47 mm and 0.88 mm of it dark, and it wavers.
        foreach (var (at, most) in new[] { (0, 1.47 * 1.6), (3, 0.88 * 1.6) })
        {
            var rings = Flatten(Rinds(slice, PaintDetail.Full)[at].Path);
            var inner = rings[1];
            Assert.All(Enumerable.Range(0, inner.Count),
                i => Assert.InRange(slice.SignedDistanceMm(inner.Xs[i], inner.Ys[i]), -most, 0.05));
        }
    }

    [Theory]
    [InlineData("fields", true)]
    [InlineData("pools", false)]
    [InlineData("flood", false)]
    public void A_field_has_bands_of_its_own_and_pools_and_floods_are_one_flat_colour(string way, bool banded)
    {
        Layout layout = way switch
        {
            "fields" => new FieldsLayout(8, ["c1"], 4),
            "pools" => Draw.Pools([], 3, [new("p", 20, 20, "c1")]),
            _ => new FloodLayout("c1")
        };
        var painting = Paint(PaintDetail.Full, Samples.Layer(null, 0) with { Layout = layout });
        var body = Lab.Of(Colour.Of(painting.Paths.First(p => p.Role == PaintRole.Part && p.Material is not null).Fill!)).L;
        var off = painting.Paths.Where(p => p.Role == PaintRole.GrowthLine && p.Fill is not null)
            .Select(p => Lab.Of(Colour.Of(p.Fill!)).L - body).ToList();
        Assert.True(painting.Look.Full);
        Assert.Equal(banded, off.Count > 0);
        if (banded)
        {
            Assert.All(off, o => Assert.InRange(Math.Abs(o), 0.5 * Painter.GrowthLightness, Painter.InnerLightness + 0.6));
            Assert.Contains(off, o => o > 0);
            Assert.Contains(off, o => o < 0);
        }
    }

    [Fact]
    public void Paths_lie_near_the_outline_and_name_materials_that_exist()
    {
        var painting = Paint(PaintDetail.Full, Stack);
        var known = painting.Materials.Select(m => m.Id).ToHashSet();
        Assert.All(painting.Paths, p =>
        {
            Assert.True(p.Material is null || known.Contains(p.Material));
            Assert.Matches("^M[-0-9. MLlqZ]+Z$", p.Path);
            var start = FirstPoint().Match(p.Path);
            Assert.InRange(double.Parse(start.Groups[1].Value, CultureInfo.InvariantCulture), -60, 660);
            Assert.InRange(double.Parse(start.Groups[2].Value, CultureInfo.InvariantCulture), -60, 460);
        });
    }

    [Fact]
    public void A_clear_layer_on_top_changes_nothing_that_is_seen()
    {
        var clear = Samples.Layer(null, 0);
        clear = clear with { Id = "l2", Recipes = [.. clear.Cups.Select(c => c with { Doses = [] })] };
        var both = Paint(PaintDetail.Full, Stack, clear);
        Assert.Equal(Paint(PaintDetail.Full, Stack).Paths, both.Paths.Where(p => p.Opacity > 0));
        Assert.Equal("b1", Assert.Single(both.Paths, p => p.Opacity == 0).Region?.ToString());
    }

    [Fact]
    public void A_layer_above_lets_the_one_below_show_by_its_opacity()
    {
        var veil = Samples.Layer(null, 0) with { Id = "l2", DepthMm = 1.5 };
        veil = veil with { Recipes = veil.Recipes.Changed(1, _ => Samples.Cup("c1", ColourantClass.Mica, 1)) };
        var top = Paint(PaintDetail.Full, Stack, veil).Paths[^1];
        Assert.Equal(Math.Round(1 - Math.Exp(-1.5 * 0.25), 3), top.Opacity);
        Assert.Equal("l2/l2-c1", top.Material);
    }

    [Fact]
    public void A_closed_line_is_simplified_within_its_tolerance()
    {
        var n = 400;
        var xs = Enumerable.Range(0, n).Select(i => 100 * Math.Cos(2 * Math.PI * i / n)).ToArray();
        var ys = Enumerable.Range(0, n).Select(i => 100 * Math.Sin(2 * Math.PI * i / n)).ToArray();
        var kept = Simplify.Closed(xs, ys, 0.15);
        Assert.InRange(kept.Count, 30, 120);
        var ring = new Ring([.. kept.Select(i => xs[i])], [.. kept.Select(i => ys[i])]);
        Assert.All(Enumerable.Range(0, n), i => Assert.InRange(Math.Abs(ring.SignedDistanceMm(xs[i], ys[i])), 0, 0.15));
    }

    [Theory]
    [InlineData(120, 150)]
    [InlineData(590, 390)]
    [InlineData(-40, 200)]
    public void What_is_painted_at_a_point_is_the_region_that_is_there(double x, double y)
    {
        // Wide bands, so that many run out over the edge and into the corners.
        var layer = Samples.Layer(Samples.Heart(x, y, 90, 70), 40, 50, 60, 70, 80, 0);
        var map = Samples.Map(Samples.Panel(), layer);
        var bodies = Paint(PaintDetail.Draft, layer).Paths.Select(p => (p.Region, Rings: Flatten(p.Path))).ToList();
        var random = new SplitMix(5);
        var differ = 0;
        for (var i = 0; i < 4000; i++)
        {
            // Every third point close to the rim or a corner.
            var close = i % 3 == 0;
            double px = close ? random.Unit() * 12 : random.Between(0, 600), py = random.Between(0, 400);
            px = random.Unit() < 0.5 ? px : 600 - px;
            var painted = bodies.Last(b => b.Rings.Count(r => r.SignedDistanceMm(px, py) < 0) % 2 == 1).Region;
            var there = map.Cut(py, px, Math.Min(600, px + 0.01))[0].RegionId;
            differ += painted == there ? 0 : 1;
        }

        // Only points within a hair of an edge may differ.
        Assert.InRange(differ, 0, 4000 * 0.006);
    }

    public static TheoryData<string> Nesting => ["lines", "thin lines", "rings", "petals"];

    /// <summary>A line of 3 mm that is painted a third of a millimetre off is a tenth off its area.</summary>
    [Theory]
    [MemberData(nameof(Nesting))]
    public void What_is_painted_has_the_area_that_is_worked_out(string way)
    {
        var layer = way switch
        {
            "lines" => LayoutTests.Layer(Samples.Lines("clear", 1, 5, 3), 0, 7, 7, 7),
            "thin lines" => LayoutTests.Layer(Samples.Lines("clear", 1, 9, 8), 0, 2, 3, 2, 3),
            "rings" => Samples.Layer(Samples.Heart(110, 80, 50, 40), 3, 8, 2, 0, 4),
            _ => LayoutTests.Layer(Samples.Petals(110, 80, 7, 12, true, 8, 10), 12, 3, 20, 0),
        };
        foreach (var outline in new Outline[] { new OvalOutline(220, 160), new RectangleOutline(220, 160),
            new SliceOutline(230, 170, [0.96, 0.9, 0.95, 0.88, 0.93, 0.97], 4, 5, null),
            new SliceOutline(700, 450, [0.96, 0.9, 0.95, 0.88, 0.93, 0.97], 6, 5, new(400, 220, 90, 70)),
            new OvalOutline(900, 400), new RoundOutline(98) })
        {
            var ground = Samples.Panel() with { Outline = outline };
            var map = Samples.Map(ground, layer);
            var bodies = new PiecePlanner(new LayerMapper())
                .Paint(Samples.Piece(ground, layer), null, PaintDetail.Draft).Paths.Where(p => p.Role == PaintRole.Body).ToList();
            double Inside(int i) => i == bodies.Count ? 0 : i == 0 ? outline.AreaMm2
                : Flat.Shared(Flat.Of([.. Flatten(bodies[i].Path)]).Buffer(0), Flat.Of(outline)).Area;
            for (var i = 0; i < bodies.Count; i++)
            {
                var (painted, there) = (Inside(i) - Inside(i + 1), map.Area(bodies[i].Region!.Value));
                Assert.True(Math.Abs(painted - there) < 0.015 * there + 1.5,
                    $"{outline.GetType().Name}: {bodies[i].Region} is painted {painted:0.0} mm² and has {there:0.0}");
            }
        }
    }

    /// <summary>The closed lines of a path, its curves in eight straight pieces.</summary>
    internal static List<Ring> Flatten(string path)
    {
        var rings = new List<Ring>();
        List<double> xs = [], ys = [];
        double x = 0, y = 0;
        foreach (var match in Command().Matches(path).Cast<Match>())
        {
            var n = Numbers().Matches(match.Groups[2].Value).Select(m => double.Parse(m.Value, CultureInfo.InvariantCulture)).ToArray();
            switch (match.Groups[1].Value)
            {
                case "M" or "L":
                    (x, y) = (n[0], n[1]);
                    break;
                case "l":
                    (x, y) = (x + n[0], y + n[1]);
                    break;
                case "q":
                    for (var i = 1; i < 8; i++)
                    {
                        var t = i / 8.0;
                        xs.Add(x + 2 * t * (1 - t) * n[0] + t * t * n[2]);
                        ys.Add(y + 2 * t * (1 - t) * n[1] + t * t * n[3]);
                    }

                    (x, y) = (x + n[2], y + n[3]);
                    break;
                default:
                    rings.Add(new([.. xs], [.. ys]));
                    (xs, ys) = ([], []);
                    continue;
            }

            xs.Add(x);
            ys.Add(y);
        }

        return rings;
    }

    [GeneratedRegex("([MLlqZ])([^MLlqZ]*)")]
    private static partial Regex Command();

    [GeneratedRegex(@"-?[0-9]*\.?[0-9]+")]
    private static partial Regex Numbers();

    private static Painting.Painting Paint(PaintDetail detail, params Sketch[] layers) =>
        new PiecePlanner(new LayerMapper()).Paint(Samples.Piece(Samples.Panel(), layers), null, detail);

    [GeneratedRegex("^M(-?[0-9.]+) (-?[0-9.]+)")]
    private static partial Regex FirstPoint();
}
