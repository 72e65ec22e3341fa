using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A pour of a puddle comes after all others.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Pour">The pour.</param>
public sealed record PourLast(string Layer, string? Zone, string Pour) : LayoutEdit<PuddleLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour it last";

    private protected override Edited Change(LaidOut laid, PuddleLayout layout, Cupboard cupboard) =>
        layout.Pours.FirstOrDefault(p => p.Id == Pour) is { } pour
        ? laid.With(layout with { Pours = layout.Pours.Remove(pour).Add(pour) }).Done()
        : Edited.No($"{laid.Place}.layout.pours[{Pour}]", "That pour is no longer there.");
}
