using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Formats.Svg;

namespace MossLantern.Data.Tests;

/// <summary>Walls and lines from the strokes of a drawing.</summary>
public class SvgLinesTests
{
    private static string Svg(string body, string size = "width=\"200mm\" height=\"100mm\" viewBox=\"0 0 200 100\"") =>
        $"<svg xmlns=\"http://www.w3.org/2000/svg\" {size}>{body}</svg>";

    [Fact]
    public void Strokes_become_lines_in_millimetres_as_wide_as_they_are_drawn()
    {
        var lines = SvgLines.Read(Svg("""
            <g transform="translate(10 0)" stroke="#000" stroke-width="3"><line x1="0" y1="10" x2="50" y2="10"/></g>
            <path d="M0 50 L100 50 L100 90 Z" fill="#abc" stroke="red" stroke-width="2"/>
            <rect x="1" y="1" width="5" height="5" fill="#123"/>
            """));
        Assert.Equal([3, 2], lines.Select(l => l.WidthMm));
        Assert.Equal([new Spot(10, 10), new Spot(60, 10)], lines[0].Spots);
        Assert.Equal([new Spot(0, 50), new Spot(100, 50), new Spot(100, 90), new Spot(0, 50)], lines[1].Spots);

        // Half the size: half the width; and a hair is as wide as a line may be.
        var half = SvgLines.Read(Svg("<line x1=\"0\" y1=\"0\" x2=\"100\" y2=\"0\" stroke=\"#000\" stroke-width=\"4\"/>",
            "width=\"100mm\" height=\"50mm\" viewBox=\"0 0 200 100\""));
        Assert.Equal((2, new Spot(50, 0)), (half[0].WidthMm, half[0].Spots[1]));
        Assert.Equal(0.5, SvgLines.Read(Svg("<line x2=\"9\" stroke=\"#000\" stroke-width=\"0.1\"/>"))[0].WidthMm);
    }

    [Fact]
    public void A_curve_keeps_to_its_stroke_with_few_spots()
    {
        var line = Assert.Single(SvgLines.Read(Svg(
            "<path d=\"M0 0 A 90 90 0 0 1 180 0\" fill=\"none\" stroke=\"#000\" stroke-width=\"2\"/>")));
        Assert.InRange(line.Spots.Length, 8, 60);
        Assert.All(line.Spots, s => Assert.Equal(90, Math.Sqrt((s.XMm - 90) * (s.XMm - 90) + s.YMm * s.YMm), 0.2));
    }

    [Theory]
    [InlineData("<rect width=\"9\" height=\"9\"/>", "Nothing in the drawing is stroked")]
    [InlineData("<line x2=\"9000\" stroke=\"#000\"/>", "Is it to scale?")]
    [InlineData("<line x2=\"9\" stroke=\"#000\" onclick=\"x()\"/>", "has a script")]
    [InlineData("<text>a</text>", "is text")]
    public void What_cannot_be_taken_is_refused_in_words(string body, string says) =>
        Assert.Contains(says, Assert.Throws<SvgRefusedException>(() => SvgLines.Read(Svg(body))).Message, StringComparison.Ordinal);

    [Theory]
    [InlineData(60, false)]
    [InlineData(61, true)]
    [InlineData(2001, true)]
    public void No_more_lines_are_taken_than_a_layer_has(int count, bool refused)
    {
        var body = string.Concat(Enumerable.Range(0, count).Select(i =>
            $"<line y1=\"{i % 90}\" x2=\"9\" y2=\"{i % 90}\" stroke=\"#000\"/>"));
        Assert.Equal(refused, Record.Exception(() => SvgLines.Read(Svg(body))) is SvgRefusedException);
        Assert.Equal(DrawnCourse.MostWalls, SvgLines.Most);
    }

    [Theory]
    [InlineData(400, false)]
    [InlineData(401, true)]
    public void No_more_spots_are_taken_than_a_line_has(int count, bool refused)
    {
        var points = string.Join(' ', Enumerable.Range(0, count).Select(i => FormattableString.Invariant($"{i * 0.4:0.0},{i % 2 * 4}")));
        Assert.Equal(refused, Record.Exception(() =>
            SvgLines.Read(Svg($"<polyline points=\"{points}\" fill=\"none\" stroke=\"#000\"/>"))) is SvgRefusedException);
    }
}
