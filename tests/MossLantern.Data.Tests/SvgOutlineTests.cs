using System.Globalization;
using System.Text;
using MossLantern.Core.Shapes;
using MossLantern.Formats.Svg;

namespace MossLantern.Data.Tests;

/// <summary>Outlines from drawings as drawing programs write them, from odd ones, and from hostile ones.</summary>
public class SvgOutlineTests
{
    [Theory]
    [InlineData("""width="100mm" height="60mm" viewBox="0 0 100 60" """, """<rect width="100" height="60"/>""", 100, 60, 6000)]
    [InlineData("""width="10cm" height="6cm" viewBox="0 0 1000 600" """,
        """<rect x="100" y="50" width="500" height="400"/>""", 50, 40, 2000)]
    [InlineData("""width="4in" height="2in" viewBox="0 0 4 2" """, """<polygon points="0,0 4,0 4,2 0,2"/>""", 101.6, 50.8, 101.6 * 50.8)]
    [InlineData("""width="192" height="96" """, """<path d="M0 0H192V96H0z"/>""", 50.8, 25.4, 50.8 * 25.4)]
    [InlineData("""width="72pt" height="72pt" viewBox="0 0 10 10" """, """<ellipse cx="5" cy="5" rx="5" ry="5"/>""",
        25.4, 25.4, Math.PI * 12.7 * 12.7)]
    [InlineData("""width="100mm" height="50mm" viewBox="0 0 50 50" """, """<rect width="50" height="50"/>""", 50, 50, 2500)]
    [InlineData("""width="100mm" height="50mm" viewBox="0 0 50 50" preserveAspectRatio="none" """,
        """<rect width="50" height="50"/>""", 100, 50, 5000)]
    [InlineData("""width="100mm" height="50mm" viewBox="-20 -10 100 50" """,
        """<rect x="-20" y="-10" width="80" height="40"/>""", 80, 40, 3200)]
    public void Sizes_are_real_millimetres(string size, string body, double width, double height, double area)
    {
        var outline = Read(size, body);
        Assert.Equal(width, outline.BoxWidthMm, 0.01);
        Assert.Equal(height, outline.BoxHeightMm, 0.01);
        Assert.Equal(area, outline.AreaMm2, outline.PerimeterMm * 0.004);
    }

    private static string Scribble(int points, int seed)
    {
        var random = new Random(seed);
        return string.Join(' ', Enumerable.Range(0, points)
            .Select(_ => FormattableString.Invariant($"{random.NextDouble() * 200:0.##},{random.NextDouble() * 200:0.##}")));
    }

    /// <summary>Each of these keeps the library busy for minutes, or takes all memory, where it is asked.</summary>
    [Theory]
    [InlineData("one scribbled line")]
    [InlineData("lines that all cross")]
    [InlineData("a line wound up in a spot")]
    [InlineData("two combs across each other")]
    public void What_crosses_itself_everywhere_is_refused_before_it_is_widened(string what)
    {
        var body = what switch
        {
            "one scribbled line" => $"""<polyline points="{Scribble(2000, 1)}" fill="none" stroke="#000" stroke-width="2"/>""",
            "lines that all cross" => string.Concat(Enumerable.Range(0, 700)
                .Select(i => $"""<polyline points="{Scribble(2, i)}" fill="none" stroke="#000" stroke-width="0.1"/>""")),
            "a line wound up in a spot" => $"""
                <g transform="scale(0.001)"><polyline points="{Scribble(2000, 2)}" fill="none" stroke="#000" stroke-width="5000"/></g>
                """,
            _ => string.Concat(new[] { "", "rotate(90 100 100)" }.Select(turn => $"""<path transform="{turn}" d="M0 0{string.Concat(
                Enumerable.Range(0, 1000).Select(i => FormattableString.Invariant(
                    $"L{i * 0.2:0.#} 200L{i * 0.2 + 0.1:0.#} 200L{i * 0.2 + 0.1:0.#} 0")))}L200 -1L0 -1Z"/>""")),
        };
        var refused = Assert.Throws<SvgRefusedException>(() => Read(Mm(200, 200), body));
        Assert.Contains("in too many places", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_hatch_and_a_coil_that_lie_on_themselves_are_widened()
    {
        var hatch = string.Join(' ', Enumerable.Range(0, 400)
            .Select(i => FormattableString.Invariant($"{(i % 2 == 0 ? 10 : 190)},{10 + i * 0.45:0.##}")));
        Assert.Equal(181, Read(Mm(200, 200),
            $"""<polyline points="{hatch}" fill="none" stroke="#000" stroke-width="1" stroke-linejoin="round"/>""").BoxWidthMm, 0.2);
        var coil = string.Join(' ', Enumerable.Range(0, 3000).Select(i => FormattableString.Invariant(
            $"{100 + (20 + i * 0.02) * Math.Cos(i * 0.05):0.###},{100 + (20 + i * 0.02) * Math.Sin(i * 0.05):0.###}")));
        Assert.Equal(160, Read(Mm(200, 200),
            $"""<polyline points="{coil}" fill="none" stroke="#000" stroke-width="2"/>""").BoxWidthMm, 5.0);
    }

    [Fact]
    public void Pixels_are_as_large_as_is_said() =>
        Assert.Equal(96 / 300.0 * 25.4 * 2,
            SvgOutline.Read(Drawing("""width="192" height="96" """, """<rect width="192" height="96"/>"""), 300).BoxWidthMm, 0.01);

    [Fact]
    public void Arcs_and_curves_are_followed_within_a_hundredth_of_a_millimetre()
    {
        // A round of 50 mm radius drawn with arcs; the corners lie on it and the chords stay close.
        var round = Read(Mm(120, 120), """<path d="M10 60A50 50 0 0 1 110 60A50 50 0 0 1 10 60z"/>""");
        var ring = Assert.Single(round.Rings);
        Assert.Equal(Math.PI * 2500, round.AreaMm2, Math.PI * 100 * 0.01);
        for (var i = 0; i < ring.Count; i++)
        {
            double x = (ring.Xs[i] + ring.Xs[(i + 1) % ring.Count]) / 2 - 50, y = (ring.Ys[i] + ring.Ys[(i + 1) % ring.Count]) / 2 - 50;
            Assert.InRange(Math.Sqrt(x * x + y * y), 49.99, 50.005);
        }

        // Every command, relative and absolute, smooth curves and flags without blanks.
        var all = Read(Mm(200, 120), """
            <path d="M10,10 h30 v-5 l10 5 Q60 0 70 10 t20 0 C95 20 105 20 110 10 s15-10 20 0 a10 10 0 01-10 10 H20 V40 L10 .4e2z"/>
            """);
        Assert.Equal(120, all.BoxWidthMm, 0.01);

        // A flat oval drawn with arcs, and one of cubics, reach as far as they should.
        Assert.Equal(100, Read(Mm(200, 120), """<path d="M50 0a50 55 0 0 1 0 110a50 55 0 0 1 0-110z"/>""").BoxWidthMm, 0.01);
        Assert.Equal(75, Read(Mm(200, 120), """<path d="M10 10C10 110 110 110 110 10z"/>""").BoxHeightMm, 0.01);
    }

    [Theory]
    [InlineData("translate(10 5)", 40, 20, 800)]
    [InlineData("scale(2)", 80, 40, 3200)]
    [InlineData("scale(2, .5)", 80, 10, 800)]
    [InlineData("rotate(90)", 20, 40, 800)]
    [InlineData("matrix(0 1 -1 0 7 9)", 20, 40, 800)]
    [InlineData("translate(50,50) rotate(30 10 10) rotate(-30 10 10) scale(-1 1)", 40, 20, 800)]
    [InlineData("skewX(45)", 60, 20, 800)]
    public void Nested_transforms_are_applied_from_the_inside(string transform, double width, double height, double area)
    {
        var outline = Read(Mm(200, 200), $"""
            <g transform="translate(3 4)"><g transform="{transform}"><rect width="40" height="20"/></g></g>
            """);
        Assert.Equal((width, height), (Math.Round(outline.BoxWidthMm, 2), Math.Round(outline.BoxHeightMm, 2)));
        Assert.Equal(area, outline.AreaMm2, 0.1);
    }

    [Theory]
    [InlineData("evenodd", "M0 0H100V100H0zM20 20H80V80H20z", 6400, 1)]
    [InlineData("nonzero", "M0 0H100V100H0zM20 20H80V80H20z", 10000, 0)]
    [InlineData("nonzero", "M0 0H100V100H0zM20 20V80H80V20z", 6400, 1)]
    [InlineData("evenodd", "M0 0H100V100H0zM20 20H80V80H20zM40 40H60V60H40z", 6800, 1)]
    [InlineData("nonzero", "M0 0H100V100H0zM20 20H80V80H20zM40 40V60H60V40z", 10000, 0)]
    public void Compound_paths_have_holes_by_their_fill_rule(string rule, string path, double area, int holes)
    {
        var outline = Read(Mm(100, 100), $"""<path fill-rule="{rule}" d="{path}"/>""");
        Assert.Equal(area, outline.AreaMm2, 0.01);
        Assert.Equal(holes, outline.Rings.Count(r => r.SignedAreaMm2 < 0));
    }

    [Fact]
    public void Letters_are_parts_of_their_own_from_left_to_right()
    {
        var outline = Read(Mm(200, 60), """
            <path d="M120 0h40v60h-40zM130 10v40h20v-40z"/>
            <path d="M0 0h20v40h40v20h-60z"/>
            """);
        Assert.Equal([2000.0, 1600.0], outline.Parts.Select(p => Math.Round(p.AreaMm2, 3)));
        Assert.Equal(2, outline.Parts[1].Rings.Length);
        Assert.Equal(3600, outline.AreaMm2, 0.01);
    }

    [Theory]
    [InlineData("""<path fill="none" stroke="#000" stroke-width="4" d="M10 20H90"/>""", 80, 4, 320)]
    [InlineData("""<line stroke="black" stroke-width="4" stroke-linecap="square" x1="10" y1="20" x2="90" y2="20"/>""", 84, 4, 336)]
    [InlineData("""<polyline fill="none" stroke="black" stroke-width="4" points="10,10 90,10 90,50"/>""", 82, 42, 480)]
    [InlineData("""<rect fill="none" stroke="black" stroke-width="2" x="10" y="10" width="50" height="30"/>""", 52, 32, 320)]
    [InlineData("""<circle fill="#fff" stroke="black" stroke-width="2" cx="50" cy="50" r="20"/>""", 42, 42, Math.PI * 21 * 21)]
    public void Lines_with_a_width_become_outlines(string body, double width, double height, double area)
    {
        var outline = Read(Mm(100, 100), body);
        Assert.Equal((width, height), (Math.Round(outline.BoxWidthMm, 2), Math.Round(outline.BoxHeightMm, 2)));
        Assert.Equal(area, outline.AreaMm2, area * 1e-3);
    }

    [Fact]
    public void Styles_by_class_by_attribute_and_inherited_are_seen()
    {
        var outline = Read(Mm(100, 100), """
            <style>.ghost, .none { fill: none; stroke: none } path { fill: #abc }</style>
            <rect class="ghost" width="90" height="90"/>
            <g style="display: none"><rect width="99" height="99"/></g>
            <g fill="none"><rect width="99" height="99"/><rect fill="red" x="5" y="5" width="10" height="20"/></g>
            <metadata><anything/></metadata>
            """);
        Assert.Equal((10.0, 20.0), (outline.BoxWidthMm, outline.BoxHeightMm));
    }

    [Fact]
    public void Shapes_that_overlap_are_united()
    {
        var outline = Read(Mm(100, 100), """
            <rect width="40" height="40"/><rect x="20" width="40" height="40"/><rect x="70" width="10" height="40"/>
            """);
        Assert.Equal(2, outline.Parts.Length);
        Assert.Equal(60 * 40 + 400, outline.AreaMm2, 0.01);
    }

    [Fact]
    public void What_is_written_is_read_again_within_a_hundredth_of_a_millimetre()
    {
        Outline[] outlines =
        [
            new RectangleOutline(600, 400), new RoundOutline(300), new OvalOutline(320, 220),
            new SliceOutline(700, 450, [0.96, 0.9, 0.95, 0.88, 0.93, 0.97], 8, 5, new(430, 225, 110, 80)),
            Read(Mm(200, 60), """<path d="M120 0h40v60h-40zM130 10v40h20v-40z"/><path d="M0 0c20 0 20 40 60 40v20h-60z"/>"""),
        ];
        foreach (var outline in outlines)
        {
            var again = SvgOutline.Read(SvgOutline.Write(outline));
            Assert.Equal(outline.AreaMm2, again.AreaMm2, outline.PerimeterMm * 0.01);
            Assert.Equal(outline.Rings.Length, again.Rings.Length);
            double dx = outline.Rings.Min(r => r.Xs.ToArray().Min()), dy = outline.Rings.Min(r => r.Ys.ToArray().Min());
            Assert.All(again.Rings, ring => Assert.All(
                Enumerable.Range(0, ring.Count),
                i => Assert.InRange(Math.Abs(outline.SignedDistanceMm(ring.Xs[i] + dx, ring.Ys[i] + dy)), 0, 0.01)));
        }
    }

    public static TheoryData<string, string> Refused => new()
    {
        { Drawing(Mm(100, 100), """<text id="name" x="10" y="20">Fen</text>"""), "<text id=\"name\"> is text" },
        { Drawing(Mm(100, 100), "<script>alert(1)</script><rect width='9' height='9'/>"),
            "<script> in line 1 is not a shape and is never run" },
        { Drawing(Mm(100, 100), """<rect onclick="alert(1)" width="90" height="90"/>"""), "has a script (onclick)" },
        { Drawing(Mm(100, 100), """<image href="http://example.invalid/x.png" width="10" height="10"/>"""), "is a picture" },
        { Drawing(Mm(100, 100), """<use href="http://example.invalid/x.svg#a"/>"""), "turn copies into paths" },
        { Drawing(Mm(100, 100), """<foreignObject width="10" height="10"/>"""), "is not a shape" },
        { Drawing(Mm(100, 100), """
            <style>@import url(http://example.invalid/x.css);</style><rect width="90" height="90"/>
            """), "fetches something from elsewhere" },
        { """<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><svg width="1mm" height="1mm">&b;</svg>""", "entities" },
        { """<!DOCTYPE svg SYSTEM "file:///etc/passwd"><svg width="1mm" height="1mm"/>""", "entities" },
        { """<svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>""", "does not say how large" },
        { """
            <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><rect width="9" height="9"/></svg>
            """, "give it a width and a height in mm" },
        { """
            <svg xmlns="http://www.w3.org/2000/svg" width="100%" height="100%" viewBox="0 0 9 9"><rect width="9"
            height="9"/></svg>
            """, "does not say how large" },
        { """
            <svg xmlns="http://www.w3.org/2000/svg" width="-3mm" height="NaNmm"><rect width="9" height="9"/></svg>
            """, "does not say how large" },
        { """<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 0 9"/>""", "viewBox" },
        { Drawing(Mm(100, 100), """<path id="s" d="M0 0L90 0L90 90"/>"""), "<path id=\"s\"> is open: its ends lie 127.28 mm apart" },
        { Drawing(Mm(100, 100), """<path d="M0 0L90 90L90 0L0 90z"/>"""), "crosses itself near 45, 45" },
        { Drawing(Mm(100, 100), """<path d="M0 0H60V60H0zM30 30H90V90H30z"/>"""), "cross each other" },
        { Drawing(Mm(100, 100), ""), "Nothing in the drawing has an area" },
        { Drawing(Mm(100, 100), """<path d="M10 10L90 10z"/>"""), "Nothing in the drawing has an area" },
        { Drawing(Mm(100, 100), """<path d="M10 10 scribble"/>"""), "has a d that cannot be read" },
        { Drawing(Mm(100, 100), """<rect width="ten" height="9"/>"""), "has a width that cannot be read (ten)" },
        { Drawing(Mm(100, 100), """<rect transform="fold(3)" width="9" height="9"/>"""), "has a transform that cannot be read" },
        { Drawing(Mm(100, 100), """<rect transform="scale(0)" width="9" height="9"/>"""), "flattens it" },
        { Drawing(Mm(100, 100), """<rect clip-path="url(#c)" width="90" height="90"/>"""), "is clipped" },
        { Drawing(Mm(100, 100), """<path fill="none" stroke="#000" stroke-dasharray="3 2" d="M0 0H90"/>"""), "dashed" },
        { Drawing(Mm(100, 100), """<spiral turns="4"/>"""), "<spiral> in line 1 is not known here" },
        { "<html><body/></html>", "begins with <html>" },
        { "<svg", "line 1 is broken" },
        { "", "not an SVG drawing" },
        { Drawing(Mm(100, 100), $"<path d=\"M0 0{Zigzag(100_000)}V90H0z\"/>"), "corners; simplify its paths" },
        { Drawing(Mm(100, 100),
            $"<path d=\"{string.Concat(Enumerable.Range(0, 4000).Select(i => $"M{i % 100} {i / 100}h.5v.5h-.5z"))}\"/>"),
        "separate strands" },
        { Drawing(Mm(100, 100), string.Concat(Enumerable.Repeat("<rect width='9' height='9'/>", 3000))), "more than 2000 shapes" },
        { Drawing(Mm(100, 100), """<rect x="9e6" width="9" height="9"/>"""), "beyond all measure" },
        { Drawing(Mm(100, 100), string.Concat(Enumerable.Repeat("<g>", 300)) + "<rect width='9' height='9'/>"
            + string.Concat(Enumerable.Repeat("</g>", 300))), "in more than 200 groups" },
        { Drawing(Mm(100, 100), new string(' ', 5_000_000)), "million characters" },
    };

    [Theory]
    [MemberData(nameof(Refused))]
    public void What_cannot_be_taken_is_told_by_its_element_with_what_to_do(string svg, string says)
    {
        var refusal = Assert.Throws<SvgRefusedException>(() => SvgOutline.Read(svg));
        Assert.Contains(says, refusal.Message, StringComparison.Ordinal);
        Assert.EndsWith(".", refusal.Message, StringComparison.Ordinal);
    }

    private static string Zigzag(int corners)
    {
        var text = new StringBuilder();
        for (var i = 0; i < corners; i++)
        {
            text.Append(CultureInfo.InvariantCulture, $"L{90.0 * (i + 1) / corners:0.#####} {(i % 2 == 0 ? 5 : 6)}");
        }

        return text.ToString();
    }

    private static string Mm(double width, double height) =>
        string.Create(CultureInfo.InvariantCulture, $"""width="{width}mm" height="{height}mm" viewBox="0 0 {width} {height}" """);

    private static string Drawing(string size, string body) => $"""<svg xmlns="http://www.w3.org/2000/svg" {size}>{body}</svg>""";

    private static DrawnOutline Read(string size, string body)
    {
        var outline = SvgOutline.Read(Drawing(size, body));
        Assert.Null(outline.Problem);
        return outline;
    }
}
