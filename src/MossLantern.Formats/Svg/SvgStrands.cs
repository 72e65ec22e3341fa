using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace MossLantern.Formats.Svg;

/// <summary>Draws the elements of a drawing: paths, rectangles, circles, lines.</summary>
internal static partial class SvgStrands
{
    /// <summary>The lines of one element, in its own units.</summary>
    /// <exception cref="SvgRefusedException">A number of it cannot be read.</exception>
    public static List<Strand> Of(XElement element, double tolerance)
    {
        double Number(string name, double fallback = 0) => element.Attribute(name)?.Value is not { } text ? fallback
            : SvgSize.Numbers(PlainLength().Match(text).Groups[1].Value) is [var number] && Math.Abs(number) < 1e7 ? number
            : throw new SvgRefusedException(
                $"{SvgShapes.Named(element)} has a {name} that cannot be read ({text}): give it in the drawing's own units.");

        var pen = new Pen(tolerance);
        switch (element.Name.LocalName)
        {
            case "path":
                try
                {
                    PathData.Draw(element.Attribute("d")?.Value ?? "", pen);
                }
                catch (FormatException)
                {
                    throw new SvgRefusedException($"{SvgShapes.Named(element)} has a d that cannot be read: save the drawing again.");
                }

                break;
            case "rect":
                double rx = Number("rx", Number("ry")), ry = Number("ry", rx), width = Number("width"), height = Number("height");
                Rectangle(pen, Number("x"), Number("y"), width, height, Math.Clamp(rx, 0, Math.Max(0, width / 2)),
                    Math.Clamp(ry, 0, Math.Max(0, height / 2)));
                break;
            case "circle":
                Oval(pen, Number("cx"), Number("cy"), Number("r"), Number("r"));
                break;
            case "ellipse":
                Oval(pen, Number("cx"), Number("cy"), Number("rx"), Number("ry"));
                break;
            case "line":
                pen.Move(Number("x1"), Number("y1"));
                pen.Line(Number("x2"), Number("y2"));
                break;
            default:
                var points = SvgSize.Numbers(element.Attribute("points")?.Value ?? "");
                for (var i = 0; i + 1 < points.Count; i += 2)
                {
                    if (i == 0)
                    {
                        pen.Move(points[0], points[1]);
                    }
                    else
                    {
                        pen.Line(points[i], points[i + 1]);
                    }
                }

                if (element.Name.LocalName == "polygon")
                {
                    pen.Close();
                }

                break;
        }

        return pen.Done();
    }

    private static void Rectangle(Pen pen, double x, double y, double width, double height, double rx, double ry)
    {
        if (width < 0 || height < 0)
        {
            return;
        }

        pen.Move(x + rx, y);
        pen.Line(x + width - rx, y);
        pen.Arc(rx, ry, 0, false, true, x + width, y + ry);
        pen.Line(x + width, y + height - ry);
        pen.Arc(rx, ry, 0, false, true, x + width - rx, y + height);
        pen.Line(x + rx, y + height);
        pen.Arc(rx, ry, 0, false, true, x, y + height - ry);
        pen.Line(x, y + ry);
        pen.Arc(rx, ry, 0, false, true, x + rx, y);
        pen.Close();
    }

    private static void Oval(Pen pen, double x, double y, double rx, double ry)
    {
        pen.Move(x + rx, y);
        pen.Arc(rx, ry, 0, false, true, x, y + ry);
        pen.Arc(rx, ry, 0, false, true, x - rx, y);
        pen.Arc(rx, ry, 0, false, true, x, y - ry);
        pen.Arc(rx, ry, 0, false, true, x + rx, y);
        pen.Close();
    }

    /// <summary>A length that says no unit, or pixels.</summary>
    [GeneratedRegex(@"^\s*([0-9.eE+-]+)\s*(?:px)?\s*$")]
    internal static partial Regex PlainLength();
}
