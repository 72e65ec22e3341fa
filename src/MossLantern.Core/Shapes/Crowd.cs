using MossLantern.Core.Units;
using NetTopologySuite.Algorithm;
using NetTopologySuite.Geometries;
using NetTopologySuite.Index.HPRtree;

namespace MossLantern.Core.Shapes;

/// <summary>
/// Lines of a width that are to be widened and united. How much work that is goes with how often they come nearer to each other than
/// they are wide: a drawn line does so where it crosses itself, one that was scribbled does so nearly everywhere. They are counted
/// before the library is asked, which looks at no bound of its own.
/// </summary>
/// <remarks>Source: docs/craft/shapes.md, Drawn shapes.</remarks>
public sealed class Crowd
{
    /// <summary>So many meetings are united in a second or two, mostly much less; more are refused.</summary>
    public const int MostMeetings = 40_000;

    /// <summary>Sides that follow each other meet where the line bends, for so many widths along it: that is no crossing.</summary>
    private const double AlongWidths = 4;

    /// <summary>Boxes that overlap are looked at, up to so many for each meeting that is allowed.</summary>
    private const long MostLooks = 500L * MostMeetings;

    private readonly List<Side> sides = [];
    private int lines;

    /// <param name="A">Its beginning.</param>
    /// <param name="B">Its end.</param>
    /// <param name="Line">Which line it is of.</param>
    /// <param name="AlongMm">Where on the line its beginning is.</param>
    /// <param name="HalfMm">Half of the line's width.</param>
    private sealed record Side(Coordinate A, Coordinate B, int Line, double AlongMm, double HalfMm)
    {
        public Envelope Box { get; } = Wide(A, B, HalfMm);

        private static Envelope Wide(Coordinate a, Coordinate b, double half)
        {
            var box = new Envelope(a, b);
            box.ExpandBy(half);
            return box;
        }
    }

    /// <summary>Adds a line.</summary>
    /// <param name="corners">Its corners, mm; fewer than two are no line.</param>
    /// <param name="widthMm">How wide it is, mm; 0 for the edge of an area.</param>
    public void Add(IReadOnlyList<Coordinate> corners, double widthMm)
    {
        ArgumentNullException.ThrowIfNull(corners);
        var along = 0.0;
        for (var i = 1; i < corners.Count; i++)
        {
            sides.Add(new(corners[i - 1], corners[i], lines, along, widthMm / 2));
            along += corners[i - 1].Distance(corners[i]);
        }

        lines++;
    }

    /// <summary>Whether they meet so often that they are not united.</summary>
    /// <exception cref="OperationCanceledException">The bound of the work is reached.</exception>
    public bool IsTooDense()
    {
        var (tree, met, looks) = (new HPRtree<int>(), 0, 0L);
        for (var i = 0; i < sides.Count; i++)
        {
            tree.Insert(sides[i].Box, i);
        }

        for (var i = 0; i < sides.Count && met <= MostMeetings && looks <= MostLooks; i++)
        {
            if (i % 64 == 0)
            {
                Effort.Check();
            }

            foreach (var other in tree.Query(sides[i].Box))
            {
                looks++;
                met += other > i && Meet(sides[i], sides[other]) ? 1 : 0;
            }
        }

        return met > MostMeetings || looks > MostLooks;
    }

    private static bool Meet(Side one, Side other)
    {
        var near = one.HalfMm + other.HalfMm;
        return !(one.Line == other.Line && other.AlongMm - one.AlongMm - one.A.Distance(one.B) <= AlongWidths * near)
            && one.Box.Intersects(other.Box)
            && DistanceComputer.SegmentToSegment(one.A, one.B, other.A, other.B) <= near;
    }
}
