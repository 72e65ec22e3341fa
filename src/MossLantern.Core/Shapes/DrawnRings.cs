using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Valid;

namespace MossLantern.Core.Shapes;

/// <summary>The rings of a drawn outline, looked over once.</summary>
internal sealed record DrawnRings(
    string? Problem, ImmutableArray<Ring> Rings, ImmutableArray<DrawnPart> Parts, double WidthMm, double HeightMm)
{
    private const double LeastAreaMm2 = 1;
    private const double OriginMm = 0.01;

    private static DrawnRings TooSmall => Wrong("Every ring of a drawn outline must have at least three corners and an area of 1 mm².");

    public static DrawnRings Read(string path)
    {
        List<Ring> rings;
        try
        {
            rings = Parse(path);
        }
        catch (FormatException)
        {
            return Wrong("The drawn outline must be rings of the form M x y L x y Z, in mm.");
        }

        if (rings.Count is 0 or > DrawnOutline.MostRings || rings.Sum(r => r.Count) > DrawnOutline.MostCorners)
        {
            return Wrong(
                $"A drawn outline has from 1 to {DrawnOutline.MostRings} rings and up to {DrawnOutline.MostCorners} corners in all.");
        }

        if (rings.Any(r => r.Count < 3))
        {
            return TooSmall;
        }

        double left = rings.Min(r => r.Xs.ToArray().Min()), top = rings.Min(r => r.Ys.ToArray().Min());
        if (Math.Abs(left) > OriginMm || Math.Abs(top) > OriginMm)
        {
            return Wrong("A drawn outline must begin at 0, 0: the top left of its box.");
        }

        return Nest(rings);
    }

    /// <summary>Sorts rings into parts: a ring that lies in an even number of others is an outer one, the rest are openings.</summary>
    private static DrawnRings Nest(List<Ring> rings)
    {
        var shells = rings.Select(Flat.Closed).ToList();
        for (var i = 0; i < shells.Count; i++)
        {
            Effort.Check();
            if (Crowding.Pairs(shells[i].Coordinates.AsSpan(0, shells[i].NumPoints - 1)) > Crowding.MostPairs)
            {
                return Wrong("The drawn outline has too many long sides that lie close together: simplify it.");
            }

            if (new IsValidOp(new Polygon(shells[i])).ValidationError is { } error)
            {
                return Wrong(string.Create(CultureInfo.InvariantCulture,
                    $"The drawn outline crosses itself at {error.Coordinate.X:0.#}, {error.Coordinate.Y:0.#} mm."));
            }
        }

        if (rings.Any(r => Math.Abs(r.SignedAreaMm2) < LeastAreaMm2))
        {
            return TooSmall;
        }

        var inside = rings.Select((r, i) => Enumerable.Range(0, rings.Count)
            .Where(j => j != i && shells[j].EnvelopeInternal.Contains(shells[i].EnvelopeInternal)
                && rings[j].SignedDistanceMm(r.Xs[0], r.Ys[0]) < 0)
            .ToList()).ToList();
        var turned = rings.Select((r, i) => r.SignedAreaMm2 > 0 == (inside[i].Count % 2 == 0) ? r : r.Reversed()).ToList();
        var parts = Enumerable.Range(0, rings.Count).Where(i => inside[i].Count % 2 == 0)
            .OrderBy(i => shells[i].EnvelopeInternal.MinX).ThenBy(i => shells[i].EnvelopeInternal.MinY)
            .Select(i => new DrawnPart(
            [
                turned[i],
                .. Enumerable.Range(0, rings.Count)
                    .Where(j => inside[j].Count == inside[i].Count + 1 && inside[j].Contains(i)).Select(j => turned[j]),
            ])).ToImmutableArray();
        if (rings.Count == 1)
        {
            // One ring that does not cross itself crosses nothing: it has been looked over.
            return new(null, [.. parts.SelectMany(p => p.Rings)], parts, shells[0].EnvelopeInternal.MaxX, shells[0].EnvelopeInternal.MaxY);
        }

        var whole = new MultiPolygon([.. parts
            .Select(p => new Polygon(Flat.Closed(p.Rings[0]), [.. p.Rings.Skip(1).Select(Flat.Closed)]))]);
        return new IsValidOp(whole).ValidationError is { } crossing
            ? Wrong(string.Create(CultureInfo.InvariantCulture,
                $"Parts of the drawn outline cross each other at {crossing.Coordinate.X:0.#}, {crossing.Coordinate.Y:0.#} mm."))
            : new(null, [.. parts.SelectMany(p => p.Rings)], parts, whole.EnvelopeInternal.MaxX, whole.EnvelopeInternal.MaxY);
    }

    private static DrawnRings Wrong(string problem) => new(problem, [], [], 0, 0);

    private static List<Ring> Parse(string path)
    {
        List<Ring> rings = [];
        List<double> xs = [], ys = [];
        var at = 0;
        while (at < path.Length)
        {
            var command = path[at++];
            switch (command)
            {
                case 'M' when xs.Count == 0:
                case 'L' when xs.Count > 0:
                    xs.Add(Number(path, ref at));
                    ys.Add(Number(path, ref at));
                    break;
                case 'Z' when xs.Count > 0:
                    rings.Add(new([.. xs], [.. ys]));
                    xs.Clear();
                    ys.Clear();
                    break;
                case ' ':
                    break;
                default:
                    throw new FormatException();
            }
        }

        return xs.Count == 0 ? rings : throw new FormatException();
    }

    private static double Number(string path, ref int at)
    {
        while (at < path.Length && path[at] == ' ')
        {
            at++;
        }

        var from = at;
        while (at < path.Length && (char.IsAsciiDigit(path[at]) || path[at] is '.' or '-'))
        {
            at++;
        }

        var number = double.Parse(path.AsSpan(from, at - from), NumberStyles.Float, CultureInfo.InvariantCulture);
        return Math.Abs(number) < 1e5 ? number : throw new FormatException();
    }
}
