using NetTopologySuite.Geometries;

namespace MossLantern.Formats.Svg;

/// <summary>One run of a path, as straight pieces.</summary>
/// <param name="Points">Its points; a closed run does not repeat the first.</param>
/// <param name="Closed">Whether it was closed.</param>
internal sealed record Strand(Coordinate[] Points, bool Closed);

/// <summary>Draws paths as straight pieces that stay within a tolerance of their curves. Exact where drawing libraries
/// are not: their arcs are off by hundredths.</summary>
/// <param name="tolerance">How far a piece may lie from its curve, in the path's units.</param>
internal sealed class Pen(double tolerance)
{
    private const int MostPieces = 4000;

    private List<Coordinate> points = [];

    /// <summary>The finished runs.</summary>
    public List<Strand> Strands { get; } = [];

    /// <summary>Where the pen is.</summary>
    public Coordinate At => points.Count > 0 ? points[^1] : new(0, 0);

    public void Move(double x, double y)
    {
        Finish(closed: false);
        points = [new(x, y)];
    }

    public void Line(double x, double y)
    {
        var to = new Coordinate(x, y);
        if (points.Count == 0 || At.Distance(to) > 0)
        {
            points.Add(to);
        }
    }

    public void Quad(double x1, double y1, double x, double y)
    {
        var from = At;
        Curve(Bend(from.X, from.Y, x1, y1, x, y) / 4, t =>
        {
            double a = (1 - t) * (1 - t), b = 2 * t * (1 - t), c = t * t;
            return (a * from.X + b * x1 + c * x, a * from.Y + b * y1 + c * y);
        }, x, y);
    }

    public void Cubic(double x1, double y1, double x2, double y2, double x, double y)
    {
        var from = At;
        Curve(0.75 * Math.Max(Bend(from.X, from.Y, x1, y1, x2, y2), Bend(x1, y1, x2, y2, x, y)), t =>
        {
            var u = 1 - t;
            double a = u * u * u, b = 3 * u * u * t, c = 3 * u * t * t, d = t * t * t;
            return (a * from.X + b * x1 + c * x2 + d * x, a * from.Y + b * y1 + c * y2 + d * y);
        }, x, y);
    }

    /// <summary>An elliptical arc by its end, its radii, its turn and its two flags.</summary>
    public void Arc(double radiusX, double radiusY, double turnDeg, bool large, bool sweep, double x, double y)
    {
        var from = At;
        double rx = Math.Abs(radiusX), ry = Math.Abs(radiusY);
        if (rx == 0 || ry == 0 || (from.X == x && from.Y == y))
        {
            Line(x, y);
            return;
        }

        // From ends to a middle, as the recommendation for scalable graphics describes it.
        var turn = turnDeg * Math.PI / 180;
        double cos = Math.Cos(turn), sin = Math.Sin(turn);
        double halfX = (from.X - x) / 2, halfY = (from.Y - y) / 2;
        double ownX = cos * halfX + sin * halfY, ownY = cos * halfY - sin * halfX;
        var tooSmall = ownX * ownX / (rx * rx) + ownY * ownY / (ry * ry);
        if (tooSmall > 1)
        {
            (rx, ry) = (rx * Math.Sqrt(tooSmall), ry * Math.Sqrt(tooSmall));
        }

        var left = rx * rx * ry * ry - rx * rx * ownY * ownY - ry * ry * ownX * ownX;
        var factor = Math.Sqrt(Math.Max(0, left / (rx * rx * ownY * ownY + ry * ry * ownX * ownX))) * (large == sweep ? -1 : 1);
        double middleOwnX = factor * rx * ownY / ry, middleOwnY = -factor * ry * ownX / rx;
        var middleX = cos * middleOwnX - sin * middleOwnY + (from.X + x) / 2;
        var middleY = sin * middleOwnX + cos * middleOwnY + (from.Y + y) / 2;
        var start = Math.Atan2((ownY - middleOwnY) / ry, (ownX - middleOwnX) / rx);
        var end = Math.Atan2((-ownY - middleOwnY) / ry, (-ownX - middleOwnX) / rx);
        var sweepBy = end - start;
        if (sweep && sweepBy < 0)
        {
            sweepBy += 2 * Math.PI;
        }
        else if (!sweep && sweepBy > 0)
        {
            sweepBy -= 2 * Math.PI;
        }

        Curve(Math.Max(rx, ry) * sweepBy * sweepBy / 8, t =>
        {
            double angle = start + sweepBy * t, ex = rx * Math.Cos(angle), ey = ry * Math.Sin(angle);
            return (middleX + cos * ex - sin * ey, middleY + sin * ex + cos * ey);
        }, x, y);
    }

    /// <summary>Closes the run; the pen goes back to where it began.</summary>
    public void Close()
    {
        var first = points.FirstOrDefault();
        Finish(closed: true);
        points = first is null ? [] : [first.Copy()];
    }

    /// <summary>All runs, the last one too.</summary>
    public List<Strand> Done()
    {
        Finish(closed: false);
        return Strands;
    }

    private void Finish(bool closed)
    {
        if (points.Count > 1)
        {
            // Drawn back to its beginning and then closed: the last point is the first.
            if (closed && points.Count > 3 && points[0].Distance(points[^1]) < 1e-9)
            {
                points.RemoveAt(points.Count - 1);
            }

            Strands.Add(new([.. points], closed));
        }

        points = [];
    }

    /// <summary>Pieces enough that the middle of none lies farther off than the tolerance; the end is exact.</summary>
    private void Curve(double offInOnePiece, Func<double, (double X, double Y)> at, double endX, double endY)
    {
        var pieces = (int)Math.Clamp(Math.Ceiling(Math.Sqrt(offInOnePiece / tolerance)), 1, MostPieces);
        for (var i = 1; i < pieces; i++)
        {
            var (x, y) = at((double)i / pieces);
            Line(x, y);
        }

        Line(endX, endY);
    }

    /// <summary>How far the middle one of three points lies off the middle of the others, twice.</summary>
    private static double Bend(double x0, double y0, double x1, double y1, double x2, double y2)
    {
        double x = x0 - 2 * x1 + x2, y = y0 - 2 * y1 + y2;
        return Math.Sqrt(x * x + y * y);
    }
}
