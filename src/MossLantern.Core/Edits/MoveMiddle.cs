using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The middle of petals or of a puddle comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="XMm">mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
public sealed record MoveMiddle(string Layer, string? Zone, double XMm, double YMm) : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "move the middle";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveMiddle other && IsOfTheSame(other) ? other : null;

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) => laid.Layout switch
    {
        PetalsLayout petals => laid.With(petals with { XMm = Rounded.Whole(XMm), YMm = Rounded.Whole(YMm) }).Done(),
        PuddleLayout puddle => laid.With(puddle with { XMm = Rounded.Whole(XMm), YMm = Rounded.Whole(YMm) }).Done(),
        _ => Edited.No($"{laid.Place}.layout", "It has no middle any more: it is laid out differently now."),
    };
}
