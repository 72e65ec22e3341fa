using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using NetTopologySuite.Simplify;

namespace MossLantern.Formats.Svg;

/// <summary>A line of a drawing, in millimetres from the drawing's own corner.</summary>
/// <param name="Spots">What it runs through.</param>
/// <param name="WidthMm">How wide it is drawn, mm, as far as lines may be.</param>
public sealed record SvgLine(ImmutableArray<Spot> Spots, double WidthMm);

/// <summary>Walls and lines from the strokes of an SVG drawing.</summary>
/// <remarks>Source: docs/formats.md, Lines from SVG.</remarks>
public static class SvgLines
{
    /// <summary>Most lines that are taken from a drawing.</summary>
    public const int Most = DrawnCourse.MostWalls;

    /// <summary>How far a line may lie from the stroke that it is taken from, mm.</summary>
    private const double ToleranceMm = 0.2;

    /// <summary>The lines of a drawing: what is stroked, whatever fills it.</summary>
    /// <param name="svg">The drawing.</param>
    /// <param name="dpi">Pixels to an inch, for sizes in pixels or without a unit.</param>
    /// <exception cref="SvgRefusedException">The drawing cannot be taken; says why and what to do.</exception>
    public static ImmutableArray<SvgLine> Read(string svg, double dpi = SvgOutline.UsualDpi)
    {
        ArgumentNullException.ThrowIfNull(svg);
        var root = SvgOutline.Sized(svg);
        var strokes = new SvgShapes(SvgStyles.Of(root)).LinesOf(root, SvgSize.ToMillimetres(root, dpi));
        return strokes.Count switch
        {
            0 => throw new SvgRefusedException("Nothing in the drawing is stroked: give its lines a colour and a width."),
            > Most => throw new SvgRefusedException(
                $"The drawing has {strokes.Count} lines; up to {Most} are taken: take out what is not a wall or a line."),
            _ => [.. strokes.Select(s => new SvgLine(
                Thinned(s.Points), Math.Clamp(Math.Round(s.WidthMm, 2), Accepted.LineMm.From, Accepted.LineMm.To)))],
        };
    }

    private static ImmutableArray<Spot> Thinned(Coordinate[] points)
    {
        Effort.Check();
        var line = (LineString)DouglasPeuckerSimplifier.Simplify(new LineString(points), ToleranceMm);
        ImmutableArray<Spot> spots = [.. line.Coordinates.Select(c => new Spot(Math.Round(c.X, 1), Math.Round(c.Y, 1)))];
        return spots.Length > DrawnCourse.Most
            ? throw new SvgRefusedException(
                $"A line of the drawing runs through {spots.Length} spots; up to {DrawnCourse.Most} are taken: simplify it.")
            : spots.FirstOrDefault(s => !Accepted.PlaceMm.Contains(s.XMm) || !Accepted.PlaceMm.Contains(s.YMm)) is { } far
                ? throw new SvgRefusedException(string.Create(CultureInfo.InvariantCulture,
                    $"A line of the drawing reaches {far.XMm:0}, {far.YMm:0} mm; lines lie {Accepted.PlaceMm.Words}. Is it to scale?"))
            : spots;
    }
}
