using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A layer is poured as several, each as deep as the next and laid out alike, each in a sitting of its own.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Count">Into how many.</param>
public sealed record DivideLayer(string Layer, int Count) : Edit
{
    /// <summary>How deep each of several layers is that come to a depth together, mm: rounded up to a hundredth.</summary>
    public static double EachMm(double depthMm, int count) => Math.Ceiling(100 * depthMm / count) / 100;

    /// <summary>Whether a layer can be divided into so many: what regions of it are to be by themselves would not be known.</summary>
    public static bool IsPossible(Piece piece, Layer layer, int count)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return layer is { RegionDepths: null, PartDepths: null, Within: null, Layout: not StripesLayout and not PuddleLayout }
            && !piece.Sittings.SelectMany(s => s.Fills ?? []).Any(f => f.LayerId == layer.Id)
            && count >= 2 && (piece.Lines ?? []).Length + (count - 1L) * piece.Lined(layer).There.Count() <= Line.Most
            && piece.Layers.Length + (long)count - 1 <= PieceValidator.MostLayers
            && piece.Sittings.Length + (long)count - 1 <= PieceValidator.MostSittings;
    }

    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"pour it as {Count} layers");

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Layers.FirstOrDefault(l => l.Id == Layer) is not { } layer)
        {
            return Edited.No(PlaceIn.Layer(Layer), "There is no such layer.");
        }

        if (!IsPossible(piece, layer, Count))
        {
            return Edited.No(PlaceIn.Layer(Layer),
                "Only a layer whose regions are all poured to its depth in one go can be divided, and into so many "
                    + "that the piece has room for.");
        }

        var (at, rest, each) = (piece.Layers.IndexOf(layer), piece.SittingOf(Layer), EachMm(layer.DepthMm, Count));
        var ids = piece.Layers.Select(l => l.Id).Concat(piece.Sittings.Select(s => s.Id)).ToHashSet();
        var to = piece with { Layers = piece.Layers.SetItem(at, layer with { DepthMm = each }) };
        for (var n = 2; n <= Count; n++)
        {
            var id = FreeId.Of("layer", ids);
            ids.Add(id);
            to = to with
            {
                Layers = to.Layers.Insert(at + n - 1, layer with { Id = id, Name = Numbered(layer.Name, n), DepthMm = each, Aside = null }),
                Sittings = to.Sittings.Add(Filling.Like(rest, id) with { Rest = [id] }),
                Lines = Lined(to.Lines, piece.Lined(layer), id),
            };
        }

        return to;
    }

    /// <summary>The lines of a piece with those of a layer once more in another.</summary>
    private static ImmutableArray<Line>? Lined(ImmutableArray<Line>? all, LinedLayer of, string layerId)
    {
        foreach (var line in of.There)
        {
            all = all!.Value.Add(line with { Id = FreeId.Of("line", all.Value.Select(l => l.Id)), LayerId = layerId });
        }

        return all;
    }

    private static string Numbered(string name, int number) =>
        FormattableString.Invariant($"{name[..Math.Min(name.Length, PieceValidator.LongestName - 4)]} {number}");
}
