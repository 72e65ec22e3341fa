using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A field's centre comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Field">Which field, from 1.</param>
/// <param name="XMm">Its centre, mm from the left.</param>
/// <param name="YMm">Its centre, mm from the top.</param>
public sealed record MoveField(string Layer, string? Zone, int Field, double XMm, double YMm) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"move field {Field}");

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveField other && IsOfTheSame(other) && other.Field == Field ? other : null;

    private protected override Edited Change(LaidOut laid, FieldsLayout layout) => Field < 1 || Field > layout.Fields
        ? Edited.No($"{laid.Place}.layout.fields", "There is no such field by now.")
        : laid.With(layout with { Moved = [.. (layout.Moved ?? []).Where(m => m.Field != Field), new FieldPlace(Field, Rounded.Whole(XMm), Rounded.Whole(YMm))] }).Done();
}
