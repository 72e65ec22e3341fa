using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A mixed colour is filled from one more.</summary>
/// <param name="Mix">The mixed colour; one that was mixed by itself becomes a mixed one.</param>
/// <param name="Layer">The layer where it is poured: a new colour is other than those it has.</param>
/// <param name="Recipe">The colour that is added; null for a new one.</param>
public sealed record AddToMix(string Mix, string Layer, string? Recipe = null) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "add a colour to the mix";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Recipes.FirstOrDefault(r => r.Id == Mix) is not { } mix
            || LaidOut.Of(piece, Layer, null)?.WithColour(Recipe) is not var (laid, added) || added == Mix)
        {
            return Edited.No(PlaceIn.Recipe(Mix), "The piece no longer has that colour, or that layer.");
        }

        var of = (mix.Of ?? []).Add(new(added, 1));
        return laid.Piece with { Recipes = laid.Piece.Recipes.Replace(mix, mix with { Of = of, Doses = mix.Of is null ? [] : mix.Doses }) };
    }
}
