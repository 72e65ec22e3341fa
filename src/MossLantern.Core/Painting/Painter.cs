using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Painting;

/// <summary>How much of a painting is wanted.</summary>
public enum PaintDetail
{
    /// <summary>Bodies only: what a drag repaints.</summary>
    Draft,

    /// <summary>Edges, growth lines and crystals too.</summary>
    Full,
}

/// <summary>Turns the maps of a piece's layers into a painting.</summary>
/// <remarks>Source: docs/craft/map.md, Painting.</remarks>
public static class Painter
{
    /// <summary>How far a growth line is lighter or darker than its band, L*: more would read as another colour.</summary>
    public const double GrowthLightness = 5;

    /// <summary>How far a fine line is lighter or darker than its band, L*: it is too thin to read as another colour.</summary>
    public const double FineLightness = 9;

    /// <summary>How far the inner bands of a field are lighter or darker than it, L*: they belong to it and are seen as bands.</summary>
    public const double InnerLightness = 8;

    /// <summary>How far a metal is darker along its edges, and lighter in its middle, L*.</summary>
    public const double MetalDark = 13, MetalLight = 20;

    /// <summary>How far growth lines are in metal, and in regions that are one large face, as a share of that.</summary>
    internal const double OfMetal = 0.3, OfFaces = 0.5;

    /// <summary>An outline by itself, in SVG path syntax, mm.</summary>
    public static string OutlinePath(Outline outline)
    {
        ArgumentNullException.ThrowIfNull(outline);
        return PathText.Straight(outline);
    }

    /// <summary>
    /// Paints layers over the ground, lowest first. The lowest is painted solid, as it looks on the ground; each layer
    /// above, and every layer over older work, lets what lies beneath show through by its opacity.
    /// </summary>
    /// <param name="mapper">Grows the maps.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="upTo">The topmost layer to paint, from 0; −1 for none.</param>
    /// <param name="detail">How much to paint.</param>
    /// <param name="look">How it is looked at; null for as usual.</param>
    /// <exception cref="ArgumentException">The piece cannot be looked at in that way.</exception>
    public static Painting Paint(LayerMapper mapper, Catalogue catalogue, Piece piece, int upTo, PaintDetail detail, Look? look = null)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        look ??= Look.Usual;
        if (look.Refused(piece) is { } refused)
        {
            throw new ArgumentException(refused, nameof(look));
        }

        return new Picture(mapper, catalogue, detail == PaintDetail.Full, look).Of(piece, upTo);
    }
}
