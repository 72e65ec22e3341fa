using System.Collections.Immutable;

namespace MossLantern.Core.Shapes;

/// <summary>Ellipses along the axes.</summary>
/// <remarks>Source: docs/craft/shapes.md, Outline.</remarks>
internal static class Ellipse
{
    private const int Corners = 720;

    /// <summary>A polygon clockwise as seen; its corners stand out by a hair so that its area is that of the ellipse.</summary>
    public static Ring Ring(double middleX, double middleY, double radiusX, double radiusY)
    {
        var step = 2 * Math.PI / Corners;
        var stretch = Math.Sqrt(step / Math.Sin(step));
        var xs = new double[Corners];
        var ys = new double[Corners];
        for (var i = 0; i < Corners; i++)
        {
            xs[i] = middleX + radiusX * stretch * Math.Cos(i * step);
            ys[i] = middleY + radiusY * stretch * Math.Sin(i * step);
        }

        return new(xs, ys);
    }

    /// <summary>Left and right end of the horizontal line across it at a height; empty where it passes by.</summary>
    public static ImmutableArray<(double FromMm, double ToMm)> Chords(double middleX, double middleY, double radiusX,
        double radiusY, double y)
    {
        var part = 1 - (y - middleY) * (y - middleY) / (radiusY * radiusY);
        var half = radiusX * Math.Sqrt(Math.Max(0, part));
        return part < 0 ? [] : [(middleX - half, middleX + half)];
    }

    /// <summary>Perimeter by the arithmetic-geometric mean, exact to rounding, mm.</summary>
    public static double PerimeterMm(double radius, double otherRadius)
    {
        double mean = Math.Max(radius, otherRadius), geometric = Math.Min(radius, otherRadius);
        double sum = (mean * mean + geometric * geometric) / 2, power = 1;
        while (mean - geometric > 1e-12 * mean)
        {
            var half = (mean - geometric) / 2;
            (mean, geometric) = ((mean + geometric) / 2, Math.Sqrt(mean * geometric));
            sum -= power * half * half;
            power *= 2;
        }

        return 2 * Math.PI * sum / mean;
    }
}
