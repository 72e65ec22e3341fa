using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace MossLantern.Formats.Svg;

/// <summary>What a drawing says of its elements: attributes, style attributes, and the classes of its style sheets.</summary>
internal sealed partial class SvgStyles
{
    private readonly Dictionary<string, Dictionary<string, string>> rules = new(StringComparer.Ordinal);
    private readonly Dictionary<XElement, Dictionary<string, string>> declared = [];

    /// <summary>The styles of a drawing.</summary>
    /// <exception cref="SvgRefusedException">A style sheet reaches outside the drawing.</exception>
    public static SvgStyles Of(XElement root)
    {
        var styles = new SvgStyles();
        foreach (var sheet in root.DescendantsAndSelf().Where(e => e.Name.LocalName == "style"))
        {
            if (Outside().IsMatch(sheet.Value))
            {
                throw new SvgRefusedException($"{SvgShapes.Named(sheet)} fetches something from elsewhere: save the drawing as plain SVG.");
            }

            foreach (Match rule in Rule.Matches(Comment.Replace(sheet.Value, "")))
            {
                foreach (var selector in rule.Groups[1].Value
                    .Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
                {
                    var into = styles.rules.TryGetValue(selector, out var known) ? known
                        : styles.rules[selector] = new(StringComparer.Ordinal);
                    Declare(into, rule.Groups[2].Value);
                }
            }
        }

        return styles;
    }

    /// <summary>A property of an element itself: its style attribute wins over its classes, these over its attribute.</summary>
    public string? Own(XElement element, string property)
    {
        return Declared(element).TryGetValue(property, out var value) ? value : element.Attribute(property)?.Value.Trim();
    }

    /// <summary>All that is declared for an element, read once: what lies in it asks for it again and again.</summary>
    private Dictionary<string, string> Declared(XElement element)
    {
        if (declared.TryGetValue(element, out var known))
        {
            return known;
        }

        Dictionary<string, string> own = new(StringComparer.Ordinal);
        var classes = (element.Attribute("class")?.Value ?? "").Split([' ', '\t', '\n'], StringSplitOptions.RemoveEmptyEntries);
        foreach (var selector in (string[])[element.Name.LocalName, .. classes.Select(c => $".{c}"), $"#{element.Attribute("id")?.Value}"])
        {
            foreach (var (name, value) in rules.TryGetValue(selector, out var rule) ? rule : [])
            {
                own[name] = value;
            }
        }

        Declare(own, element.Attribute("style")?.Value ?? "");
        return declared[element] = own;
    }

    /// <summary>A property that an element takes from those it lies in.</summary>
    public string? Inherited(XElement element, string property) =>
        element.AncestorsAndSelf().Select(e => Own(e, property)).FirstOrDefault(v => v is not null and not "inherit");

    private static void Declare(Dictionary<string, string> into, string declarations)
    {
        foreach (var declaration in declarations.Split(';'))
        {
            var colon = declaration.IndexOf(':', StringComparison.Ordinal);
            if (colon > 0)
            {
                into[declaration[..colon].Trim()] = declaration[(colon + 1)..].Replace("!important", "", StringComparison.Ordinal).Trim();
            }
        }
    }

    [GeneratedRegex(@"@import|url\s*\(\s*['""]?(?!#)", RegexOptions.IgnoreCase)]
    private static partial Regex Outside();

    // A sheet comes from elsewhere: what is looked for in it takes no longer than the sheet is long.
    private static readonly Regex Rule = new(@"([^{}]+)\{([^{}]*)\}", RegexOptions.NonBacktracking);
    private static readonly Regex Comment = new(@"/\*.*?\*/", RegexOptions.NonBacktracking | RegexOptions.Singleline);
}
