using System.Globalization;
using System.Text;
using System.Xml;
using System.Xml.Linq;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Formats.Svg;

/// <summary>Outlines from and to SVG drawings, in real millimetres.</summary>
/// <remarks>Source: docs/formats.md, An outline from SVG.</remarks>
public static class SvgOutline
{
    /// <summary>Largest drawing, in characters.</summary>
    public const int MostCharacters = 5_000_000;

    /// <summary>Pixels to an inch where nobody says otherwise.</summary>
    public const double UsualDpi = 96;

    private const double GridMm = 0.001;

    /// <summary>The outline of everything that is filled or stroked in a drawing.</summary>
    /// <param name="svg">The drawing.</param>
    /// <param name="dpi">Pixels to an inch, for sizes in pixels or without a unit.</param>
    /// <exception cref="SvgRefusedException">The drawing cannot be taken; says why and what to do.</exception>
    public static DrawnOutline Read(string svg, double dpi = UsualDpi)
    {
        ArgumentNullException.ThrowIfNull(svg);
        var root = Sized(svg);
        var shape = new SvgShapes(SvgStyles.Of(root)).Of(root, SvgSize.ToMillimetres(root, dpi));
        if (shape.IsEmpty || shape.Area < 1)
        {
            throw new SvgRefusedException("Nothing in the drawing has an area: fill the shapes, or give their lines a width.");
        }

        var outline = new DrawnOutline(PathOf(shape));
        return outline.Problem is { } problem
            ? throw new SvgRefusedException($"{problem} Unite the shapes in your drawing program first.") : outline;
    }

    /// <summary>A drawing that is not too long to be read.</summary>
    internal static XElement Sized(string svg) => svg.Length <= MostCharacters ? Parse(svg)
        : throw new SvgRefusedException(
            $"The drawing has {svg.Length / 1_000_000} million characters; take out pictures and notes, up to "
                + $"{MostCharacters / 1_000_000} million are read.");

    /// <summary>An outline as a drawing of one path, in real millimetres.</summary>
    public static string Write(Core.Shapes.Outline outline)
    {
        ArgumentNullException.ThrowIfNull(outline);
        var path = new StringBuilder();
        foreach (var ring in outline.Rings)
        {
            Append(path, Enumerable.Range(0, ring.Count).Select(i => (ring.Xs[i], ring.Ys[i])));
        }

        var (w, h) = (outline.BoxWidthMm, outline.BoxHeightMm);
        return string.Create(CultureInfo.InvariantCulture,
            $"""
            <svg xmlns="http://www.w3.org/2000/svg" width="{w:0.###}mm" height="{h:0.###}mm" viewBox="0 0 {w:0.###} {h:0.###}">
              <path fill="#33523f" fill-rule="evenodd" d="{path}"/>
            </svg>

            """);
    }

    /// <summary>Deepest nesting of elements: groups in groups, with what lies in them.</summary>
    private const int DeepestElement = SvgShapes.DeepestGroups + 20;

    private const string OwnEntities =
        "The drawing has a document type with entities of its own, which are never read: save it as plain SVG.";

    /// <summary>
    /// Neither entities nor anything from elsewhere is ever read; a document type that only names the format, as older programs
    /// write it, is passed over. How deep the elements lie is looked at before the drawing is kept as a tree.
    /// </summary>
    private static XElement Parse(string svg)
    {
        var settings = new XmlReaderSettings
        {
            DtdProcessing = DtdProcessing.Ignore,
            XmlResolver = null,
            MaxCharactersInDocument = MostCharacters,
            IgnoreComments = true,
        };
        try
        {
            var text = svg.TrimStart('\uFEFF', ' ', '\n', '\r', '\t');
            if (HasOwnEntities(text))
            {
                throw new SvgRefusedException(OwnEntities);
            }

            using (var look = XmlReader.Create(new StringReader(text), settings))
            {
                while (look.Read())
                {
                    if (look.Depth > DeepestElement)
                    {
                        throw new SvgRefusedException(string.Create(CultureInfo.InvariantCulture,
                            $"<{look.LocalName}> in line {((IXmlLineInfo)look).LineNumber} lies in more than "
                                + $"{SvgShapes.DeepestGroups} groups: ungroup them."));
                    }
                }
            }

            using var reader = XmlReader.Create(new StringReader(text), settings);
            var root = XElement.Load(reader, LoadOptions.SetLineInfo);
            return root.Name.LocalName == "svg" ? root
                : throw new SvgRefusedException($"This is not an SVG drawing: it begins with <{root.Name.LocalName}>.");
        }
        catch (XmlException e)
        {
            throw new SvgRefusedException(e.Message.Contains("entity", StringComparison.OrdinalIgnoreCase)
                ? OwnEntities
                : $"This is not an SVG drawing that can be read; line {e.LineNumber} is broken.");
        }
    }

    /// <summary>Whether the document type of a drawing has declarations of its own, or takes them from a file. A public
    /// name is not fetched.</summary>
    private static bool HasOwnEntities(string svg)
    {
        var at = svg.IndexOf("<!DOCTYPE", StringComparison.OrdinalIgnoreCase);
        if (at < 0)
        {
            return false;
        }

        if (svg.AsSpan(at).IndexOfAny('[', '>') is > 0 and var end && svg.AsSpan(at, end).IndexOf(" SYSTEM ", StringComparison.Ordinal) > 0)
        {
            return true;
        }

        var quote = '\0';
        for (; at < svg.Length; at++)
        {
            var c = svg[at];
            if (quote != '\0')
            {
                quote = c == quote ? '\0' : quote;
            }
            else if (c is '"' or '\'')
            {
                quote = c;
            }
            else if (c is '[' or '>')
            {
                return c == '[';
            }
        }

        return true;
    }

    /// <summary>The rings moved so that their box begins at 0, 0.</summary>
    private static string PathOf(Geometry shape)
    {
        var box = shape.EnvelopeInternal;
        var path = new StringBuilder();
        for (var i = 0; i < shape.NumGeometries; i++)
        {
            var part = (Polygon)shape.GetGeometryN(i);
            foreach (var ring in (LineString[])[part.ExteriorRing, .. part.InteriorRings])
            {
                if (ring.Coordinates.Length > DrawnOutline.MostCorners)
                {
                    throw TooMany(ring.Coordinates.Length);
                }

                Append(path, ring.Coordinates.SkipLast(1).Select(c => (c.X - box.MinX, c.Y - box.MinY)));
            }
        }

        return path.ToString();
    }

    internal static SvgRefusedException TooMany(int corners) =>
        new($"The drawing has {corners} corners; simplify its paths to fewer than {DrawnOutline.MostCorners}.");

    private static void Append(StringBuilder path, IEnumerable<(double X, double Y)> points)
    {
        var command = 'M';
        foreach (var (x, y) in points)
        {
            path.Append(CultureInfo.InvariantCulture,
                $"{command}{Math.Round(x / GridMm) * GridMm:0.###} {Math.Round(y / GridMm) * GridMm:0.###}");
            command = 'L';
        }

        path.Append('Z');
    }
}
