using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.Triangulate;

namespace MossLantern.Core.Map;

/// <summary>Every place belongs to the site that is nearest to it: the sides between these cells.</summary>
internal static class CellSides
{
    /// <summary>Corners nearer than this are one, mm.</summary>
    private const double SameMm = 1e-5;

    /// <summary>The sides between the cells round the sites.</summary>
    public static List<(Coordinate From, Coordinate To, int First, int Second)> Of(Outline outline, Coordinate[] sites,
        out List<int>[] near)
    {
        var margin = 0.4 * Math.Max(outline.BoxWidthMm, outline.BoxHeightMm);
        var box = new Envelope(-margin, outline.BoxWidthMm + margin, -margin, outline.BoxHeightMm + margin);
        var builder = new VoronoiDiagramBuilder { ClipEnvelope = box };
        builder.SetSites(sites);

        // The cells as they are: sides are cut to the box one by one, which is far cheaper than overlaying cells.
        var cells = builder.GetSubdivision().GetVoronoiCellPolygons(GeometryFactory.Default);
        var numberOf = sites.Select((s, i) => (s, i)).GroupBy(p => (p.s.X, p.s.Y)).ToDictionary(g => g.Key, g => g.First().i);
        var seen = new Dictionary<(long, long, long, long), int>();
        var sides = new List<(Coordinate, Coordinate, int, int)>();
        near = [.. sites.Select(_ => new List<int>())];
        foreach (var cell in cells)
        {
            var at = (Coordinate)cell.UserData;
            var number = numberOf[(at.X, at.Y)];
            var corners = cell.Coordinates;
            for (var i = 1; i < corners.Length; i++)
            {
                var (from, to) = (Round(corners[i - 1]), Round(corners[i]));
                if (from == to || Cut(box, corners[i - 1], corners[i]) is not { } cut)
                {
                    continue;
                }

                var key = from.CompareTo(to) < 0 ? (from.Item1, from.Item2, to.Item1, to.Item2)
                    : (to.Item1, to.Item2, from.Item1, from.Item2);
                if (seen.Remove(key, out var other))
                {
                    sides.Add((Snap(Round(cut.From)), Snap(Round(cut.To)), other, number));
                    near[other].Add(number);
                    near[number].Add(other);
                }
                else
                {
                    seen[key] = number;
                }
            }
        }

        return sides;

        static (long, long) Round(Coordinate c) => ((long)Math.Round(c.X / SameMm), (long)Math.Round(c.Y / SameMm));
        static Coordinate Snap((long X, long Y) c) => new(c.X * SameMm, c.Y * SameMm);
    }

    /// <summary>The part of a line that lies in a box; null where none of it does.</summary>
    private static (Coordinate From, Coordinate To)? Cut(Envelope box, Coordinate from, Coordinate to)
    {
        if (box.Contains(from) && box.Contains(to))
        {
            return (from, to);
        }

        double dx = to.X - from.X, dy = to.Y - from.Y, enters = 0, leaves = 1;
        foreach (var (step, room) in ((double, double)[])[(-dx, from.X - box.MinX), (dx, box.MaxX - from.X),
            (-dy, from.Y - box.MinY), (dy, box.MaxY - from.Y)])
        {
            if (step < 0)
            {
                enters = Math.Max(enters, room / step);
            }
            else if (step > 0)
            {
                leaves = Math.Min(leaves, room / step);
            }
            else if (room < 0)
            {
                return null;
            }
        }

        return enters >= leaves ? null : (At(enters), At(leaves));

        Coordinate At(double share) => share == 0 ? from : share == 1 ? to : new(from.X + share * dx, from.Y + share * dy);
    }
}
