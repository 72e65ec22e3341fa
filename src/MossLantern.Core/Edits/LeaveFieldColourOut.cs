using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour goes from among the fields.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Recipe">The colour.</param>
public sealed record LeaveFieldColourOut(string Layer, string? Zone, string Recipe) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"leave {Colour(before, Recipe)} out";

    private protected override Edited Change(LaidOut laid, FieldsLayout layout, Cupboard cupboard) =>
        layout.Colours.Length < 2 || !layout.Colours.Contains(Recipe)
        ? Edited.No($"{laid.Place}.layout.colours", "The fields have no such colour, or it is the only one.")
        : laid.With(layout with
        {
            Colours = layout.Colours.RemoveAll(c => c == Recipe),
            Recoloured = layout.Recoloured?.RemoveAll(r => r.RecipeId == Recipe),
        }).Done();
}
