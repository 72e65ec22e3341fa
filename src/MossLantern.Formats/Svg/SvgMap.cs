using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Xml.Linq;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Formats.Svg;

/// <summary>A layer as it goes into a drawing.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Shapes">Its regions.</param>
/// <param name="Names">What they are called.</param>
public sealed record DrawnLayer(FilledLayer Layer, ImmutableArray<RegionShape> Shapes, ImmutableDictionary<RegionId, string> Names);

/// <summary>The map of a piece as an SVG drawing in real millimetres: one group for each region, with its name as the title.</summary>
/// <remarks>Source: docs/formats.md, The map as SVG.</remarks>
public static class SvgMap
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";

    /// <summary>Writes layers of a piece, lowest first.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="layers">The layers with their regions.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    public static string Write(Piece piece, IEnumerable<DrawnLayer> layers, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layers);
        var whole = piece.Ground.Whole;
        string width = Number(whole.BoxWidthMm), height = Number(whole.BoxHeightMm);
        var mirrored = piece.Ground.Set is { Mirrored: true } ? piece.Ground.Panels : null;
        var root = new XElement(Svg + "svg",
            new XAttribute("width", width + "mm"), new XAttribute("height", height + "mm"),
            new XAttribute("viewBox", $"0 0 {width} {height}"),
            new XElement(Svg + "title", piece.Name),
            layers.Select((l, i) => new XElement(Svg + "g",
                new XAttribute("id", $"layer-{i + 1}"), new XElement(Svg + "title", l.Layer.Name),
                l.Shapes.Select((s, k) => Region(catalogue, l, s, $"layer-{i + 1}-region-{k + 1}", mirrored)))),
            new XElement(Svg + "g", new XAttribute("id", "outline"), new XElement(Svg + "title", "outline"),
                new XElement(Svg + "path",
                    new XAttribute("d", Path(whole.Rings)), new XAttribute("fill", "none"),
                    new XAttribute("stroke", "#20302a"), new XAttribute("stroke-width", "0.3"))));
        return "<?xml version=\"1.0\" encoding=\"utf-8\"?>\n" + root;
    }

    private static XElement Region(Catalogue catalogue, DrawnLayer drawn, RegionShape shape, string id, PanelsOutline? mirrored)
    {
        var layer = drawn.Layer;
        var cup = layer.Recipes.FirstOrDefault(c => c.Id == shape.CupId);
        var raised = layer.Filling.Lines.FirstOrDefault(l => l.Region == shape.RegionId)?.Material as ReliefLine;
        var look = cup is null ? raised?.Colour : CupLook.Of(catalogue, layer, cup) is { CoverPerMm: > 0 } l ? l.Colour.ToHex() : null;
        var rings = mirrored is null ? shape.Rings : [.. mirrored.Copies.SelectMany(copy => shape.Rings.Select(copy.Of))];
        return new(Svg + "g",
            new XAttribute("id", id),
            new XElement(Svg + "title", drawn.Names.GetValueOrDefault(shape.RegionId, "raised line")),
            new XElement(Svg + "desc", shape.RegionId.ToString()),
            new XElement(Svg + "path",
                new XAttribute("d", Path(rings)), new XAttribute("fill-rule", "evenodd"),
                new XAttribute("fill", look ?? "#eef0ea"), new XAttribute("fill-opacity", look is null ? "0.2" : "1"),
                new XAttribute("stroke", "#20302a"), new XAttribute("stroke-width", "0.2")));
    }

    /// <summary>Rings in SVG path syntax, to a hundredth of a millimetre.</summary>
    internal static string Path(IEnumerable<Ring> rings)
    {
        var text = new StringBuilder();
        foreach (var ring in rings)
        {
            for (var i = 0; i < ring.Count; i++)
            {
                text.Append(i == 0 ? 'M' : 'L').Append(Number(ring.Xs[i])).Append(' ').Append(Number(ring.Ys[i]));
            }

            text.Append('Z');
        }

        return text.ToString();
    }

    private static string Number(double mm) => mm.ToString("0.##", CultureInfo.InvariantCulture);
}
