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
    private static readonly FilledLayer Stack = Samples.Layer(Samples.Heart(250, 180), 12, 3, 30, 0, 20);

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
        Assert.Equal(["b5", "b4", "b3", "b2", "b1", "heart"], painting.Paths.Where(p => p.Role == PaintRole.Body).Select(p => p.Region));
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
        Assert.Subset(full.Paths.Where(p => p.Fill is not null).Select(p => p.Path).ToHashSet(), draft.Paths.Select(p => p.Path).ToHashSet());
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
        Assert.Equal("b1", Assert.Single(both.Paths, p => p.Opacity == 0).Region);
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
        foreach (var outline in new Outline[] { new OvalOutline(220, 160), new RectangleOutline(220, 160), new SliceOutline(230, 170, [0.96, 0.9, 0.95, 0.88, 0.93, 0.97], 4, 5, null), new SliceOutline(700, 450, [0.96, 0.9, 0.95, 0.88, 0.93, 0.97], 6, 5, new(400, 220, 90, 70)), new OvalOutline(900, 400), new RoundOutline(98) })
        {
            var ground = Samples.Panel() with { Outline = outline };
            var map = Samples.Map(ground, layer);
            var bodies = new PiecePlanner(new LayerMapper()).Paint(Samples.Piece(ground, layer), null, PaintDetail.Draft).Paths.Where(p => p.Role == PaintRole.Body).ToList();
            double Inside(int i) => i == bodies.Count ? 0 : i == 0 ? outline.AreaMm2
                : Flat.Shared(Flat.Of([.. Flatten(bodies[i].Path)]).Buffer(0), Flat.Of(outline)).Area;
            for (var i = 0; i < bodies.Count; i++)
            {
                var (painted, there) = (Inside(i) - Inside(i + 1), map.Area(bodies[i].Region!.Value));
                Assert.True(Math.Abs(painted - there) < 0.015 * there + 1.5, $"{outline.GetType().Name}: {bodies[i].Region} is painted {painted:0.0} mm² and has {there:0.0}");
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

    private static Painting.Painting Paint(PaintDetail detail, params FilledLayer[] layers) =>
        new PiecePlanner(new LayerMapper()).Paint(Samples.Piece(Samples.Panel(), layers), null, detail);

    [GeneratedRegex("^M(-?[0-9.]+) (-?[0-9.]+)")]
    private static partial Regex FirstPoint();
}
