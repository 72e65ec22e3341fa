using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using NetTopologySuite.Geometries.Utilities;

namespace MossLantern.Formats.Svg;

/// <summary>How large a drawing is, in millimetres.</summary>
internal static partial class SvgSize
{
    private const double InchMm = 25.4;

    /// <summary>From the drawing's own units to millimetres.</summary>
    /// <exception cref="SvgRefusedException">The drawing does not say how large it is.</exception>
    public static AffineTransformation ToMillimetres(XElement root, double dpi)
    {
        if (Length(root, "width", dpi) is not { } width || Length(root, "height", dpi) is not { } height)
        {
            throw new SvgRefusedException("<svg> does not say how large it is: give it a width and a height in mm.");
        }

        if (root.Attribute("viewBox")?.Value is not { } viewBox)
        {
            return AffineTransformation.ScaleInstance(InchMm / dpi, InchMm / dpi);
        }

        var box = Numbers(viewBox);
        if (box.Count != 4 || box[2] <= 0 || box[3] <= 0)
        {
            throw new SvgRefusedException("<svg viewBox> must be four numbers: left, top, width and height.");
        }

        double x = width / box[2], y = height / box[3];
        var fit = root.Attribute("preserveAspectRatio")?.Value.Trim() ?? "";
        if (!fit.StartsWith("none", StringComparison.Ordinal))
        {
            x = y = fit.EndsWith("slice", StringComparison.Ordinal) ? Math.Max(x, y) : Math.Min(x, y);
        }

        return AffineTransformation.ScaleInstance(x, y);
    }

    /// <summary>The numbers of a list, separated by blanks or commas.</summary>
    public static List<double> Numbers(string text)
    {
        List<double> numbers = [];
        foreach (var word in text.Split([' ', ',', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (!double.TryParse(word, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) || !double.IsFinite(number))
            {
                return [];
            }

            numbers.Add(number);
        }

        return numbers;
    }

    /// <summary>A length in millimetres, or null where it is none: missing, a share of something else, or nonsense.</summary>
    private static double? Length(XElement root, string attribute, double dpi)
    {
        var found = LengthText().Match(root.Attribute(attribute)?.Value ?? "");
        if (!found.Success
            || !double.TryParse(found.Groups[1].Value, NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            || !double.IsFinite(number) || number <= 0)
        {
            return null;
        }

        return found.Groups[2].Value.ToUpperInvariant() switch
        {
            "MM" => number,
            "CM" => number * 10,
            "IN" => number * InchMm,
            "PT" => number * InchMm / 72,
            "PC" => number * InchMm / 6,
            "" or "PX" => number * InchMm / dpi,
            _ => null,
        };
    }

    [GeneratedRegex(@"^\s*\+?([0-9.eE+-]+?)\s*([a-zA-Z%]*)\s*$")]
    private static partial Regex LengthText();
}
