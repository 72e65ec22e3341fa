using System.Text.RegularExpressions;
using System.Xml.Linq;
using NetTopologySuite.Geometries.Utilities;

namespace MossLantern.Formats.Svg;

/// <summary>Reads what elements of a drawing are moved, turned and scaled by.</summary>
internal static partial class SvgTransform
{
    /// <summary>What an element is moved, turned or scaled by; null for nothing.</summary>
    /// <exception cref="SvgRefusedException">It cannot be read.</exception>
    public static AffineTransformation? Of(XElement element)
    {
        if (element.Attribute("transform")?.Value is not { Length: > 0 } text)
        {
            return null;
        }

        var whole = new AffineTransformation();
        var rest = Step().Replace(text, "");
        foreach (Match step in Step().Matches(text))
        {
            var n = SvgSize.Numbers(step.Groups[2].Value);
            AffineTransformation? one = (step.Groups[1].Value, n.Count) switch
            {
                ("matrix", 6) => new(n[0], n[2], n[4], n[1], n[3], n[5]),
                ("translate", 1 or 2) => AffineTransformation.TranslationInstance(n[0], n.ElementAtOrDefault(1)),
                ("scale", 1) => AffineTransformation.ScaleInstance(n[0], n[0]),
                ("scale", 2) => AffineTransformation.ScaleInstance(n[0], n[1]),
                ("rotate", 1) => AffineTransformation.RotationInstance(n[0] * Math.PI / 180),
                ("rotate", 3) => AffineTransformation.RotationInstance(n[0] * Math.PI / 180, n[1], n[2]),
                ("skewX", 1) => AffineTransformation.ShearInstance(Math.Tan(n[0] * Math.PI / 180), 0),
                ("skewY", 1) => AffineTransformation.ShearInstance(0, Math.Tan(n[0] * Math.PI / 180)),
                _ => null,
            };
            whole = one is null ? throw Unreadable() : Composed(one, whole);
        }

        return rest.Trim(' ', ',', '\n', '\r', '\t').Length == 0 ? whole : throw Unreadable();

        SvgRefusedException Unreadable() =>
            new($"{SvgShapes.Named(element)} has a transform that cannot be read ({text}): apply the transform in your drawing program.");
    }

    /// <summary>First the inner, then the outer.</summary>
    public static AffineTransformation Composed(AffineTransformation inner, AffineTransformation outer)
    {
        var both = new AffineTransformation(inner);
        both.Compose(outer);
        return both;
    }

    [GeneratedRegex(@"([a-zA-Z]+)\s*\(([^)]*)\)")]
    private static partial Regex Step();
}
