using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>What is wanted otherwise of one cup of a sitting: its reserve, something that is held back, and how much is really mixed in it.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The cup, by its recipe.</param>
/// <param name="ReservePercent">Reserve in it, %; null for that of the sitting.</param>
/// <param name="HeldFor">What something of it is kept for; null for nothing.</param>
/// <param name="HeldMl">How much of it is kept, ml; null for nothing.</param>
/// <param name="MixedMl">How much is mixed in it, ml; null for as much as is planned.</param>
/// <param name="ByEye">Whether nobody measures how much is mixed in it.</param>
public sealed record ChooseForCup(
    string Sitting, string Recipe, double? ReservePercent = null, string? HeldFor = null, double? HeldMl = null, double? MixedMl = null, bool ByEye = false) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "choose for a cup";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is ChooseForCup other && (other.Sitting, other.Recipe) == (Sitting, Recipe) ? other : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Sitting) is { } unknown)
        {
            return unknown;
        }

        if (piece.Recipes.All(r => r.Id != Recipe))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.");
        }

        if (ByEye && MixedMl is not null)
        {
            return Edited.No($"{PlaceIn.Sitting(Sitting)}.cupChoices[{Recipe}].mixedMl", "Mixed by eye and a number of millilitres cannot both be given: leave one of them out.");
        }

        if (HeldMl is not null && string.IsNullOrWhiteSpace(HeldFor))
        {
            return Edited.No($"{PlaceIn.Sitting(Sitting)}.cupChoices[{Recipe}].heldBack.name", "Enter what it is held back for.");
        }

        var held = HeldMl is { } ml ? new HeldBack(HeldFor!.Trim(), ml) : null;
        return Filling.On(piece, Sitting, s =>
        {
            var others = (s.CupChoices ?? []).RemoveAll(c => c.RecipeId == Recipe);
            var all = ReservePercent is null && held is null && MixedMl is null && !ByEye ? others : others.Add(new(Recipe, ReservePercent, held, MixedMl, ByEye));
            return s with { CupChoices = all.IsEmpty ? null : all };
        });
    }
}
