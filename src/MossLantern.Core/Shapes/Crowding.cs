using NetTopologySuite.Geometries;

namespace MossLantern.Core.Shapes;

/// <summary>
/// How much work it is to tell whether a ring crosses itself: every pair of sides whose boxes overlap has to be looked at. Of
/// usual outlines each side meets a few; of a star of thousands of long thin points nearly every side meets every other.
/// </summary>
/// <remarks>Source: docs/craft/shapes.md, Drawn shapes.</remarks>
public static class Crowding
{
    /// <summary>Most pairs of sides that are looked at.</summary>
    public const double MostPairs = 15_000_000;

    /// <summary>Sides that stand for all of them.</summary>
    private const int Sample = 200;

    /// <summary>Pairs of sides of a ring whose boxes overlap, estimated from some of them, evenly spread.</summary>
    /// <param name="corners">The ring's corners, in order; the last side leads back to the first. Fewer than three give 0.</param>
    public static double Pairs(ReadOnlySpan<Coordinate> corners)
    {
        var count = corners.Length;
        if (count < 3)
        {
            return 0;
        }

        var boxes = new (double Left, double Top, double Right, double Bottom)[count];
        for (var i = 0; i < count; i++)
        {
            Coordinate a = corners[i], b = corners[(i + 1) % count];
            boxes[i] = (Math.Min(a.X, b.X), Math.Min(a.Y, b.Y), Math.Max(a.X, b.X), Math.Max(a.Y, b.Y));
        }

        var looked = Math.Min(Sample, count);
        var met = 0L;
        for (var s = 0; s < looked; s++)
        {
            var box = boxes[(int)((long)s * count / looked)];
            foreach (var other in boxes)
            {
                met += box.Left <= other.Right && other.Left <= box.Right && box.Top <= other.Bottom && other.Top <= box.Bottom ? 1 : 0;
            }
        }

        return (double)met / looked * count / 2;
    }
}
