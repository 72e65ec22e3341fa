using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>What two regions of a layer have in common.</summary>
/// <param name="First">One of them; of two bands, the one nearer the middle.</param>
/// <param name="Second">The other.</param>
/// <param name="At">The middle of its longest side.</param>
/// <param name="Lines">The lines along which they touch, corner by corner, mm; one that closes ends where it begins.</param>
/// <remarks>Source: docs/craft/layouts.md, Borders.</remarks>
public sealed record BorderLine(RegionId First, RegionId Second, Spot At, IReadOnlyList<IReadOnlyList<(double X, double Y)>> Lines)
{
    /// <summary>Ends that are nearer than this are one, mm.</summary>
    private const double SameMm = 1e-5;

    /// <summary>How long it is, mm.</summary>
    public double LengthMm => Lines.Sum(l => l.Zip(l.Skip(1)).Sum(s => Length(s.First, s.Second)));

    /// <summary>Of polylines: those that go on in each other are one.</summary>
    /// <param name="first">One region.</param>
    /// <param name="second">The other.</param>
    /// <param name="lines">The polylines, each of two corners at least.</param>
    internal static BorderLine Of(RegionId first, RegionId second, IEnumerable<List<(double X, double Y)>> lines)
    {
        var open = lines.ToList();
        var joined = new List<IReadOnlyList<(double X, double Y)>>();
        while (open.Count > 0)
        {
            var line = open[^1];
            open.RemoveAt(open.Count - 1);
            while (!Same(line[0], line[^1]))
            {
                if (open.FindIndex(o => Same(o[0], line[^1])) is >= 0 and var after)
                {
                    line.AddRange(open[after].Skip(1));
                    open.RemoveAt(after);
                }
                else if (open.FindIndex(o => Same(o[^1], line[0])) is >= 0 and var before)
                {
                    line = [.. open[before], .. line.Skip(1)];
                    open.RemoveAt(before);
                }
                else
                {
                    break;
                }
            }

            joined.Add(line);
        }

        joined.Reverse();
        var (from, to) = joined.SelectMany(l => l.Zip(l.Skip(1))).MaxBy(s => Length(s.First, s.Second));
        return new(first, second, new((from.X + to.X) / 2, (from.Y + to.Y) / 2), joined);
    }

    /// <summary>The same of regions of a zone.</summary>
    internal BorderLine In(string? zoneId) => zoneId is null ? this : this with { First = First.In(zoneId), Second = Second.In(zoneId) };

    private static double Length((double X, double Y) from, (double X, double Y) to) =>
        Math.Sqrt((to.X - from.X) * (to.X - from.X) + (to.Y - from.Y) * (to.Y - from.Y));

    private static bool Same((double X, double Y) one, (double X, double Y) other) =>
        Math.Abs(one.X - other.X) < SameMm && Math.Abs(one.Y - other.Y) < SameMm;
}
