using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using NetTopologySuite.Operation.Buffer;
using NetTopologySuite.Operation.Union;
using NetTopologySuite.Operation.Valid;

namespace MossLantern.Formats.Svg;

/// <summary>The shapes of a drawing, united, in millimetres.</summary>
internal sealed class SvgShapes(SvgStyles styles)
{
    /// <summary>Ends of a filled path closer than this, in mm, count as joined.</summary>
    private const double JoinedMm = 0.05;

    /// <summary>How far a straight piece may lie from its curve, mm.</summary>
    private const double ToleranceMm = 0.004;

    private const double FarthestMm = 1e6;
    internal const int DeepestGroups = 200;
    private const int MostStrands = 1000;
    private const int MostShapes = 2000;

    // Part of the drawing, but not of what is seen.
    private static readonly HashSet<string> Skipped = new(StringComparer.Ordinal)
    {
        "defs", "title", "desc", "metadata", "style", "clipPath", "mask", "marker", "pattern", "symbol",
        "linearGradient", "radialGradient", "filter",
    };

    private readonly List<Func<Geometry>> shapes = [];
    private readonly Crowd crowd = new();
    private int corners;

    /// <summary>Everything that is filled or stroked below an element.</summary>
    public Geometry Of(XElement root, AffineTransformation toMm)
    {
        foreach (var child in root.Elements())
        {
            Add(child, toMm, 0);
        }

        // The library widens and unites whatever it is given, however long that takes: it is asked only for what is known to be little.
        if (crowd.IsTooDense())
        {
            throw new SvgRefusedException(
                "The lines of the drawing cross each other, or lie closer together than they are wide, in too many places: "
                    + "simplify it, or unite it in your drawing program.");
        }

        List<Geometry> made = [];
        foreach (var shape in shapes)
        {
            Effort.Check();
            made.Add(shape());
        }

        return UnaryUnionOp.Union(made) is { } all ? OnlyPolygons(all) : new MultiPolygon([]);
    }

    /// <summary>What is stroked and not filled below an element, line by line, in place of shapes.</summary>
    /// <returns>Each line in mm, a closed one with its first point again at its end, and its width, mm.</returns>
    public List<(Coordinate[] Points, double WidthMm)> LinesOf(XElement root, AffineTransformation toMm)
    {
        lines = [];
        foreach (var child in root.Elements())
        {
            Add(child, toMm, 0);
        }

        return lines;
    }

    /// <summary>The lines of a drawing, where they are what is wanted; null where shapes are.</summary>
    private List<(Coordinate[] Points, double WidthMm)>? lines;

    /// <summary>An element as a person finds it again: its name with its id, or its line.</summary>
    public static string Named(XElement element) => element.Attribute("id")?.Value is { Length: > 0 } id
        ? $"<{element.Name.LocalName} id=\"{(id.Length > 60 ? id[..60] : id)}\">"
        : $"<{element.Name.LocalName}> in line {((IXmlLineInfo)element).LineNumber}";

    private void Add(XElement element, AffineTransformation outer, int depth)
    {
        Effort.Check();
        var kind = element.Name.LocalName;
        if (Foreign(element) || Skipped.Contains(kind) || styles.Own(element, "display") == "none")
        {
            return;
        }

        if (depth > DeepestGroups)
        {
            throw new SvgRefusedException($"{Named(element)} lies in more than {DeepestGroups} groups: ungroup them.");
        }

        if (element.Attributes().FirstOrDefault(a => a.Name.LocalName.StartsWith("on", StringComparison.OrdinalIgnoreCase)) is { } handler)
        {
            throw new SvgRefusedException($"{Named(element)} has a script ({handler.Name.LocalName}): save the drawing as plain SVG.");
        }

        if ((styles.Own(element, "clip-path") ?? styles.Own(element, "mask")) is { } cut and not "none")
        {
            throw new SvgRefusedException(
                $"{Named(element)} is clipped ({cut}): apply the clip in your drawing program, so that only what is seen is left.");
        }

        var toMm = SvgTransform.Of(element) is { } own ? SvgTransform.Composed(own, outer) : outer;
        switch (kind)
        {
            case "g" or "a":
                foreach (var child in element.Elements())
                {
                    Add(child, toMm, depth + 1);
                }

                break;
            case "path" or "rect" or "circle" or "ellipse" or "polygon" or "polyline" or "line":
                AddShape(element, toMm);
                break;
            case "text" or "tspan" or "textPath":
                throw new SvgRefusedException(
                    $"{Named(element)} is text, and this machine may not have its font: turn text into paths in your drawing program.");
            case "script" or "foreignObject" or "set" or "animate" or "animateTransform" or "animateMotion":
                throw new SvgRefusedException($"{Named(element)} is not a shape and is never run: take it out.");
            case "image":
                throw new SvgRefusedException($"{Named(element)} is a picture: trace it into paths, or take it out.");
            case "use":
                throw new SvgRefusedException($"{Named(element)} is a copy of another element: turn copies into paths of their own.");
            case "svg":
                throw new SvgRefusedException($"{Named(element)} is a drawing in the drawing: ungroup it.");
            default:
                throw new SvgRefusedException($"{Named(element)} is not known here: turn it into paths, or take it out.");
        }
    }

    private void AddShape(XElement element, AffineTransformation toMm)
    {
        if (styles.Inherited(element, "visibility") is "hidden" or "collapse")
        {
            return;
        }

        var scale = Math.Sqrt(Math.Abs(toMm.MatrixEntries[0] * toMm.MatrixEntries[4] - toMm.MatrixEntries[1] * toMm.MatrixEntries[3]));
        if (scale is 0 or > 1e6 || !double.IsFinite(scale))
        {
            throw new SvgRefusedException($"{Named(element)} has a transform that flattens it: take the transform out.");
        }

        var strands = SvgStrands.Of(element, ToleranceMm / scale);
        corners += strands.Sum(s => s.Points.Length);
        if (corners > DrawnOutline.MostCorners)
        {
            throw SvgOutline.TooMany(corners);
        }

        if (strands.Count > MostStrands)
        {
            throw new SvgRefusedException(
                $"{Named(element)} has {strands.Count} separate strands; simplify it to fewer than {MostStrands}.");
        }

        if (lines is not null)
        {
            if (styles.Inherited(element, "stroke") is null or "none")
            {
                return;
            }

            var wide = StrokeWidth(element) * scale;
            lines.AddRange(strands.Where(s => s.Points.Length > 1).Select(s => (
                (Coordinate[])[.. (s.Closed ? s.Points.Append(s.Points[0]) : s.Points).Select(p => toMm.Transform(p, new Coordinate()))],
                wide)));
            return;
        }

        var filled = element.Name.LocalName != "line" && styles.Inherited(element, "fill") != "none";
        var width = styles.Inherited(element, "stroke") is null or "none" ? 0 : StrokeWidth(element);
        if (filled)
        {
            var area = toMm.Transform(Filled(element, strands, scale, width > 0));
            foreach (var polygon in Enumerable.Range(0, area.NumGeometries).Select(area.GetGeometryN).OfType<Polygon>())
            {
                foreach (var ring in (LineString[])[polygon.ExteriorRing, .. polygon.InteriorRings])
                {
                    crowd.Add(ring.Coordinates, 0);
                }
            }

            Add(element, area.EnvelopeInternal, () => area);
        }

        if (width > 0)
        {
            var box = new Envelope();
            foreach (var strand in strands)
            {
                Coordinate[] line = [.. strand.Points.Select(p => toMm.Transform(p, new Coordinate()))];
                crowd.Add(strand.Closed && line.Length > 2 ? [.. line, line[0]] : line, width * scale);
                foreach (var corner in line)
                {
                    box.ExpandToInclude(corner);
                }
            }

            box.ExpandBy(width * scale);
            Add(element, box, () => toMm.Transform(Stroked(element, strands, width, width / 2 * scale)));
        }
    }

    private void Add(XElement element, Envelope box, Func<Geometry> shape)
    {
        if (!box.IsNull && !(Math.Max(Math.Abs(box.MaxX), Math.Abs(box.MinX)) < FarthestMm
            && Math.Max(Math.Abs(box.MaxY), Math.Abs(box.MinY)) < FarthestMm))
        {
            throw new SvgRefusedException($"{Named(element)} reaches beyond all measure: look at its numbers.");
        }

        if (shapes.Count == MostShapes)
        {
            throw new SvgRefusedException($"The drawing has more than {MostShapes} shapes: take out what is not the outline.");
        }

        shapes.Add(shape);
    }

    /// <summary>The inside of closed strands by the element's fill rule.</summary>
    private Geometry Filled(XElement element, List<Strand> strands, double scale, bool stroked)
    {
        List<LinearRing> rings = [];
        foreach (var strand in strands.Where(s => s.Points.Length >= 3))
        {
            var gap = strand.Points[0].Distance(strand.Points[^1]) * scale;
            if (!strand.Closed && gap > JoinedMm && element.Name.LocalName is "path" or "polyline")
            {
                throw new SvgRefusedException(
                    $"{Named(element)} is open: its ends lie {gap.ToString("0.##", CultureInfo.InvariantCulture)} mm "
                        + "apart. Close the "
                        + $"path{(stroked ? ", or take its fill away" : ", or give it a line with a width and no fill")}.");
            }

            var points = gap <= JoinedMm && strand.Points.Length > 3 ? strand.Points[..^1] : strand.Points;
            var ring = new LinearRing([.. points, points[0].Copy()]);
            if (ring.ConvexHull().Area * scale * scale < 1e-4)
            {
                continue;
            }

            if (Crowding.Pairs(points) > Crowding.MostPairs)
            {
                throw new SvgRefusedException(
                    $"{Named(element)} has too many long sides that lie close together, {points.Length} corners in all: simplify it.");
            }

            if (new IsValidOp(new Polygon(ring)).ValidationError is { } error)
            {
                throw new SvgRefusedException(string.Create(CultureInfo.InvariantCulture,
                    $"{Named(element)} crosses itself near {error.Coordinate.X:0.##}, {error.Coordinate.Y:0.##} in "
                        + $"its own units: unite it in your drawing program, or redraw it without the crossing."));
            }

            rings.Add(ring);
        }

        return ByFillRule(element, rings, styles.Inherited(element, "fill-rule") == "evenodd");
    }

    private static Geometry ByFillRule(XElement element, List<LinearRing> rings, bool evenOdd)
    {
        var areas = rings.Select(r => new Polygon(r)).ToList();
        Geometry result = new MultiPolygon([]);
        foreach (var i in Enumerable.Range(0, rings.Count).OrderByDescending(i => areas[i].Area))
        {
            Effort.Check();
            var around = Enumerable.Range(0, rings.Count)
                .Where(j => j != i && areas[j].Area >= areas[i].Area && areas[j].EnvelopeInternal.Contains(areas[i].EnvelopeInternal)
                && areas[j].Contains(areas[i])).ToList();
            if (Enumerable.Range(0, rings.Count)
                .Any(j => j != i && areas[j].EnvelopeInternal.Intersects(areas[i].EnvelopeInternal) && areas[i].Overlaps(areas[j])))
            {
                throw new SvgRefusedException($"Parts of {Named(element)} cross each other: unite them in your drawing program.");
            }

            var outside = evenOdd ? around.Count % 2 : around.Sum(j => Turn(rings[j]));
            var inside = evenOdd ? (around.Count + 1) % 2 : outside + Turn(rings[i]);
            if ((outside != 0) != (inside != 0))
            {
                result = inside != 0 ? result.Union(areas[i]) : result.Difference(areas[i]);
            }
        }

        return result;
    }

    private static int Turn(LinearRing ring) => NetTopologySuite.Algorithm.Orientation.IsCCW(ring.Coordinates) ? 1 : -1;

    /// <summary>What a line of a width covers.</summary>
    private Geometry Stroked(XElement element, List<Strand> strands, double width, double radiusMm)
    {
        if (styles.Inherited(element, "stroke-dasharray") is { } dashes and not ("none" or "0"))
        {
            throw new SvgRefusedException($"{Named(element)} is a dashed line ({dashes}): make it a whole one.");
        }

        var parameters = new BufferParameters
        {
            QuadrantSegments = (int)Math.Clamp(Math.Ceiling(Math.PI / 4 / Math.Sqrt(2 * ToleranceMm / Math.Max(radiusMm,
                ToleranceMm))), 4, 200),
            EndCapStyle = styles.Inherited(element, "stroke-linecap") switch
            {
                "round" => EndCapStyle.Round,
                "square" => EndCapStyle.Square,
                _ => EndCapStyle.Flat,
            },
            JoinStyle = styles.Inherited(element, "stroke-linejoin") switch
            {
                "round" => JoinStyle.Round,
                "bevel" => JoinStyle.Bevel,
                _ => JoinStyle.Mitre,
            },
            MitreLimit = SvgSize.Numbers(styles.Inherited(element, "stroke-miterlimit") ?? "") is [>= 1 and var limit] ? limit : 4,
        };
        return UnaryUnionOp.Union(strands.Where(s => s.Points.Length >= 2).Select(strand =>
        {
            if (!strand.Closed || strand.Points.Length < 3)
            {
                return BufferOp.Buffer(new LineString(strand.Points), width / 2, parameters);
            }

            var ring = strand.Points[0].Distance(strand.Points[^1]) < 1e-9 ? strand.Points[..^1] : strand.Points;
            return BufferOp.Buffer(new LinearRing([.. ring, ring[0].Copy()]), width / 2, parameters);
        })) ?? new MultiPolygon([]);
    }

    private double StrokeWidth(XElement element)
    {
        var text = styles.Inherited(element, "stroke-width") ?? "1";
        var number = SvgSize.Numbers(SvgStrands.PlainLength().Match(text).Groups[1].Value);
        return number is [>= 0 and < 1e6 and var width]
            ? width
            : throw new SvgRefusedException(
                $"{Named(element)} has a line width that cannot be read ({text}): give it in the drawing's own units.");
    }

    /// <summary>What drawing programs keep for themselves.</summary>
    private static bool Foreign(XElement element) => element.Name.NamespaceName is not ("" or "http://www.w3.org/2000/svg");

    private static MultiPolygon OnlyPolygons(Geometry geometry) => new(
    [
        .. Enumerable.Range(0, geometry.NumGeometries).Select(geometry.GetGeometryN).OfType<Polygon>().Where(p => p.Area > 0.01),
    ]);
}
