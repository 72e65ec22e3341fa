using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Nothing is poured round a puddle.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record LeaveRestBare(string Layer, string? Zone) : LayoutEdit<PuddleLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour nothing round the puddle";

    private protected override Edited Change(LaidOut laid, PuddleLayout layout, Cupboard cupboard) =>
        laid.With(layout with { RestRecipeId = null }).Done();
}
