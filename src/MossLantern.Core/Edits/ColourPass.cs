using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A pass is poured from another colour, or from that of its region.</summary>
/// <param name="Fill">The pass, by its id.</param>
/// <param name="Recipe">The colour; null for that of its region.</param>
public sealed record ColourPass(string Fill, string? Recipe) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour a pass from another colour";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var recipe = piece.Recipes.FirstOrDefault(r => r.Id == Recipe)?.SecondOf ?? Recipe;
        return piece.Sittings.FirstOrDefault(s => (s.Fills ?? []).Any(f => f.Id == Fill)) is not { } sitting
            ? Edited.No("sittings", "There is no such pass.")
            : Recipe is not null && piece.Recipes.All(r => r.Id != Recipe)
                ? Edited.No($"{PlaceIn.Sitting(sitting.Id)}.fills[{Fill}].recipeId", "There is no such colour.")
            : Settle.Of(piece, Filling.On(piece, sitting.Id,
                s => s with { Fills = [.. s.Fills!.Value.Select(f => f.Id == Fill ? f with { RecipeId = recipe, CupId = null } : f)] }));
    }
}
