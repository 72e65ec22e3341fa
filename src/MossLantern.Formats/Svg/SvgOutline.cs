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
        if (svg.Length > MostCharacters)
        {
            throw new SvgRefusedException($"The drawing has {svg.Length / 1_000_000} million characters; take out pictures and notes, up to {MostCharacters / 1_000_000} million are read.");
        }

        var root = Parse(svg);
        var shape = new SvgShapes(SvgStyles.Of(root)).Of(root, SvgSize.ToMillimetres(root, dpi));
        if (shape.IsEmpty || shape.Area < 1)
        {
            throw new SvgRefusedException("Nothing in the drawing has an area: fill the shapes, or give their lines a width.");
        }

        var outline = new DrawnOutline(PathOf(shape));
        return outline.Problem is { } problem ? throw new SvgRefusedException($"{problem} Unite the shapes in your drawing program first.") : outline;
    }

    /// <summary>An outline as a drawing of one path, in real millimetres.</summary>
    public static string Write(Core.Shapes.Outline outline)
    {
        ArgumentNullException.ThrowIfNull(outline);
        var path = new StringBuilder();
        foreach (var ring in outline.Rings)
        {
            Append(path, Enumerable.Range(0, ring.Count).Select(i => (ring.Xs[i], ring.Ys[i])));
        }

        return string.Create(CultureInfo.InvariantCulture,
            $"""
            <svg xmlns="http://www.w3.org/2000/svg" width="{outline.BoxWidthMm:0.###}mm" height="{outline.BoxHeightMm:0.###}mm" viewBox="0 0 {outline.BoxWidthMm:0.###} {outline.BoxHeightMm:0.###}">
              <path fill="#33523f" fill-rule="evenodd" d="{path}"/>
            </svg>

            """);
    }

    /// <summary>Neither entities nor anything from elsewhere is ever read.</summary>
    private static XElement Parse(string svg)
    {
        var settings = new XmlReaderSettings
        {
            DtdProcessing = DtdProcessing.Prohibit,
            XmlResolver = null,
            MaxCharactersInDocument = MostCharacters,
            IgnoreComments = true,
        };
        try
        {
            using var reader = XmlReader.Create(new StringReader(svg.TrimStart('\uFEFF', ' ', '\n', '\r', '\t')), settings);
            var root = XElement.Load(reader, LoadOptions.SetLineInfo);
            return root.Name.LocalName == "svg" ? root : throw new SvgRefusedException($"This is not an SVG drawing: it begins with <{root.Name.LocalName}>.");
        }
        catch (XmlException e)
        {
            throw new SvgRefusedException(e.Message.Contains("DTD", StringComparison.Ordinal)
                ? "The drawing has a document type with entities of its own, which are never read: save it as plain SVG."
                : $"This is not an SVG drawing that can be read; line {e.LineNumber} is broken.");
        }
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
            path.Append(CultureInfo.InvariantCulture, $"{command}{Math.Round(x / GridMm) * GridMm:0.###} {Math.Round(y / GridMm) * GridMm:0.###}");
            command = 'L';
        }

        path.Append('Z');
    }
}
