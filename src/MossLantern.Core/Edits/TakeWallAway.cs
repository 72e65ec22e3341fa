using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A wall goes.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Wall">The wall.</param>
public sealed record TakeWallAway(string Layer, string? Zone, string Wall) : LayoutEdit<PoolsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a wall away";

    private protected override Edited Change(LaidOut laid, PoolsLayout layout) =>
        laid.With(layout with { Strokes = layout.Strokes.RemoveAll(s => s.Id == Wall) }).Done();
}
