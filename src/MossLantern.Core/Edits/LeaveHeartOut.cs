using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A heart goes; with the last of them its bed.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Heart">The heart.</param>
public sealed record LeaveHeartOut(string Layer, string? Zone, string Heart) : LayoutEdit<RingsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a heart out";

    private protected override Edited Change(LaidOut laid, RingsLayout layout, Cupboard cupboard)
    {
        var left = layout.Hearts.RemoveAll(h => h.Id == Heart);
        return left.Length == layout.Hearts.Length ? Edited.No($"{laid.Place}.layout.hearts[{Heart}]", "That heart is no longer there.")
            : laid.With(layout with { Hearts = left, HeartRecipeId = left.IsEmpty ? null : layout.HeartRecipeId }).Done();
    }
}
