using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A pour of a puddle goes.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Pour">The pour.</param>
public sealed record LeavePourOut(string Layer, string? Zone, string Pour) : LayoutEdit<PuddleLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a pour out";

    private protected override Edited Change(LaidOut laid, PuddleLayout layout, Cupboard cupboard)
    {
        var left = layout.Pours.RemoveAll(p => p.Id == Pour);
        return left.IsEmpty || left.Length == layout.Pours.Length
            ? Edited.No($"{laid.Place}.layout.pours[{Pour}]", "There is no such pour, or it is the only one.")
            : laid.With(layout with { Pours = left }).Done();
    }
}
