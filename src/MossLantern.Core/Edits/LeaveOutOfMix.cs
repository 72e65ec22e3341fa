using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A mixed colour is filled without one of its colours.</summary>
/// <param name="Mix">The mixed colour.</param>
/// <param name="Recipe">What is left out.</param>
public sealed record LeaveOutOfMix(string Mix, string Recipe) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "leave a colour out of the mix";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return piece.Recipes.FirstOrDefault(r => r.Id == Mix) is { Of: { } of } mix && of.Any(s => s.RecipeId == Recipe)
            ? Settle.Of(piece,
                piece with { Recipes = piece.Recipes.Replace(mix, mix with { Of = of.RemoveAll(s => s.RecipeId == Recipe) }) })
            : Edited.No(PlaceIn.Recipe(Mix), "The mixed colour is not filled from that.");
    }
}
