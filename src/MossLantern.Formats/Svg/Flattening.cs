using NetTopologySuite.Geometries;
using SkiaSharp;

namespace MossLantern.Formats.Svg;

/// <summary>One run of a path, as straight pieces.</summary>
/// <param name="Points">Its points; a closed run does not repeat the first.</param>
/// <param name="Closed">Whether it was closed.</param>
internal sealed record Strand(Coordinate[] Points, bool Closed);

/// <summary>Curves as straight pieces that stay within a tolerance.</summary>
internal static class Flattening
{
    /// <summary>How far a straight piece may lie from its curve, mm.</summary>
    public const double ToleranceMm = 0.004;

    /// <summary>The runs of a path.</summary>
    /// <param name="path">The path.</param>
    /// <param name="tolerance">How far off a piece may lie, in the path's units.</param>
    public static List<Strand> Of(SKPath path, double tolerance)
    {
        List<Strand> strands = [];
        List<Coordinate> points = [];
        using var iterator = path.CreateRawIterator();
        var p = new SKPoint[4];
        SKPathVerb verb;
        while ((verb = iterator.Next(p)) != SKPathVerb.Done)
        {
            switch (verb)
            {
                case SKPathVerb.Move:
                    Finish(false);
                    points.Add(At(p[0]));
                    break;
                case SKPathVerb.Line:
                    Put(At(p[1]));
                    break;
                case SKPathVerb.Quad:
                    Curve(tolerance, Bend(p[0], p[1], p[2]) / 4, t => Quad(p, t));
                    break;
                case SKPathVerb.Conic:
                    var weight = iterator.ConicWeight();

                    // A conic runs unevenly: fastest where it bends most.
                    Curve(tolerance, Bend(p[0], p[1], p[2]) * Math.Max(weight, 1 / weight), t => Conic(p, weight, t));
                    break;
                case SKPathVerb.Cubic:
                    Curve(tolerance, Math.Max(Bend(p[0], p[1], p[2]), Bend(p[1], p[2], p[3])) * 0.75, t => Cubic(p, t));
                    break;
                case SKPathVerb.Close:
                    Finish(true);
                    break;
            }
        }

        Finish(false);
        return strands;

        void Finish(bool closed)
        {
            if (points.Count > 1)
            {
                // Drawn back to its beginning and then closed: the last point is the first.
                if (closed && points.Count > 3 && points[0].Distance(points[^1]) < 1e-9)
                {
                    points.RemoveAt(points.Count - 1);
                }

                strands.Add(new([.. points], closed));
            }

            // After a close a path goes on from where it began.
            var first = points.FirstOrDefault();
            points = closed && first is not null ? [first.Copy()] : [];
        }

        void Put(Coordinate at)
        {
            if (points.Count == 0 || points[^1].Distance(at) > 0)
            {
                points.Add(at);
            }
        }

        void Curve(double within, double bend, Func<double, Coordinate> at)
        {
            var pieces = (int)Math.Clamp(Math.Ceiling(Math.Sqrt(bend / within)), 1, 2000);
            for (var i = 1; i <= pieces; i++)
            {
                Put(at((double)i / pieces));
            }
        }
    }

    private static Coordinate At(SKPoint p) => new(p.X, p.Y);

    /// <summary>How far the middle one of three points lies off the middle of the others, twice.</summary>
    private static double Bend(SKPoint a, SKPoint b, SKPoint c)
    {
        double x = a.X - 2 * (double)b.X + c.X, y = a.Y - 2 * (double)b.Y + c.Y;
        return Math.Sqrt(x * x + y * y);
    }

    private static Coordinate Quad(SKPoint[] p, double t) => Sum(p, (1 - t) * (1 - t), 2 * t * (1 - t), t * t, 0);

    private static Coordinate Conic(SKPoint[] p, double w, double t)
    {
        double a = (1 - t) * (1 - t), b = 2 * w * t * (1 - t), c = t * t, all = a + b + c;
        return Sum(p, a / all, b / all, c / all, 0);
    }

    private static Coordinate Cubic(SKPoint[] p, double t)
    {
        var u = 1 - t;
        return Sum(p, u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t);
    }

    private static Coordinate Sum(SKPoint[] p, double a, double b, double c, double d) =>
        new(a * p[0].X + b * p[1].X + c * p[2].X + d * p[3].X, a * p[0].Y + b * p[1].Y + c * p[2].Y + d * p[3].Y);
}
