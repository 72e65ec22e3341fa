using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A field's centre comes to lie elsewhere.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Field">Which field, from 1.</param>
/// <param name="XMm">Where its centre lies while nobody has moved it, mm from the left.</param>
/// <param name="YMm">The same, mm from the top.</param>
/// <param name="ByXMm">By how much it is moved to the right from where it is, mm.</param>
/// <param name="ByYMm">By how much down, mm.</param>
public sealed record MoveField(string Layer, string? Zone, int Field, double XMm, double YMm, double ByXMm,
    double ByYMm) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"move field {Field}");

    private protected override Edited Change(LaidOut laid, FieldsLayout layout, Cupboard cupboard)
    {
        if (Field < 1 || Field > layout.Fields)
        {
            return Edited.No($"{laid.Place}.layout.fields", "That field is no longer there.");
        }

        var at = (layout.Moved ?? []).FirstOrDefault(m => m.Field == Field) ?? new(Field, XMm, YMm);
        return laid.With(layout with
        {
            Moved = [.. (layout.Moved ?? []).Where(m => m.Field != Field),
                new FieldPlace(Field, Rounded.Whole(at.XMm + ByXMm), Rounded.Whole(at.YMm + ByYMm))],
        }).Done();
    }
}
