using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A field whose colour was chosen by hand gets the one again that it has as they are spread.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Field">Which field, from 1.</param>
public sealed record ColourFieldAsSpread(string Layer, string? Zone, int Field) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => FormattableString.Invariant($"colour field {Field} as spread");

    private protected override Edited Change(LaidOut laid, FieldsLayout layout, Cupboard cupboard) =>
        laid.With(layout with { Recoloured = layout.Recoloured?.RemoveAll(r => r.Field == Field) }).Done();
}
