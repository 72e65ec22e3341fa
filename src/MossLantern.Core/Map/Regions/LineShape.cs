using MossLantern.Core.Documents;
using NetTopologySuite.Geometries;
using NetTopologySuite.LinearReferencing;
using NetTopologySuite.Operation.Buffer;

namespace MossLantern.Core.Map;

/// <summary>The shape of a line along its course: even, swelling, or dot by dot.</summary>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
internal static class LineShape
{
    /// <summary>Corners of a quarter of an end or a dot.</summary>
    private const int Corners = 6;

    /// <summary>Most dots that are drawn of a line: beyond them it is drawn with fewer, and takes what it takes.</summary>
    private const int MostDots = 4000;

    /// <summary>A swell is so long on average, mm, and is followed by places so far apart.</summary>
    private const double SwellMm = 34, StepMm = 4;

    /// <summary>The shape.</summary>
    /// <param name="course">The line or lines that it runs along.</param>
    /// <param name="section">How it is laid.</param>
    public static Geometry Of(Geometry course, Section section)
    {
        if (course.IsEmpty)
        {
            return course;
        }

        var half = section.WidthMm / 2;
        return section.EveryMm is { } every ? Dots(course, every, half)
            : section.Swell == 0 ? course.Buffer(half, Corners) : Swelling(course, half, section);
    }

    private static Geometry Dots(Geometry course, double every, double half)
    {
        var along = new LengthIndexedLine(course);
        var count = Math.Clamp((int)(course.Length / every), 1, MostDots);
        var step = course.Length / count;
        return course.Factory.CreateMultiPointFromCoords([.. Enumerable.Range(0, count).Select(i => along.ExtractPoint((i + 0.5) * step))])
            .Buffer(half, Corners);
    }

    private static Geometry Swelling(Geometry course, double half, Section section)
    {
        var noise = new GradientNoise(section.Seed);
        var parts = new List<Geometry>();
        for (var i = 0; i < course.NumGeometries; i++)
        {
            var line = (LineString)Densify(course.GetGeometryN(i));
            var (at, way) = (0.0, new double[line.NumPoints]);
            for (var k = 0; k < way.Length; k++)
            {
                at += k == 0 ? 0 : line.GetCoordinateN(k).Distance(line.GetCoordinateN(k - 1));
                way[k] = half * (1 + section.Swell * Math.Clamp(noise.At((float)(at / SwellMm), i + 0.5f, 0.5f), -1, 1));
            }

            parts.Add(VariableBuffer.Buffer(line, way));
        }

        return Shapes.Flat.Together(parts);
    }

    private static Geometry Densify(Geometry line) => NetTopologySuite.Densify.Densifier.Densify(line, StepMm);
}
