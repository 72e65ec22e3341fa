using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A colour is dosed so that it covers so much of what lies below it.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Layer">A layer that it is poured in.</param>
/// <param name="CoverPercent">How much it is to cover, %; null for so much that no light comes through.</param>
/// <param name="DepthMm">How deep it is poured, mm; null for the layer's depth.</param>
public sealed record CoverBelow(string Recipe, string Layer, double? CoverPercent, double? DepthMm = null) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "dose it for a cover";

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        var place = PlaceIn.Recipe(Recipe);
        if (piece.Layers.All(l => l.Id != Layer) || cupboard.Catalogue.Resin(piece.SittingOf(Layer).Resin.System) is null)
        {
            return Edited.No(place, "That layer is no longer there.");
        }

        var depth = DepthMm ?? piece.Layers.First(l => l.Id == Layer).DepthMm;
        var cover = CoverPercent ?? WantedCover.LetsNothingThroughPercent;
        if (!Accepted.CoverPercent.Contains(cover) || !Accepted.DepthMm.Contains(depth))
        {
            return Edited.No(place, Accepted.CoverPercent.Contains(cover) ? Accepted.DepthMm.Sentence : Accepted.CoverPercent.Sentence);
        }

        return WantedCover.Of(cupboard.Catalogue, piece.FilledBy(Layer), recipe, cover, depth) is not { } wanted
            ? Edited.No(place, "Nothing in it hides what is below: add a colourant first.")
            : !wanted.Fits || wanted.Doses.Any(d => !Accepted.LoadPercent.Contains(d.Percent))
                ? Edited.No(place, string.Create(CultureInfo.InvariantCulture,
                    $"{depth:0.##} mm of it cover {wanted.MostPercent:0} % at the most: more colourant than its limit "
                        + $"leaves the resin weak. Pour it deeper, or in two layers."))
            : With(piece, recipe, recipe with { Doses = wanted.Doses });
    }
}
