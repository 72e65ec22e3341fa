using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The vein along the fields goes.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record LeaveVeinOut(string Layer, string? Zone) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "leave the vein out";

    private protected override Edited Change(LaidOut laid, FieldsLayout layout) => laid.With(layout with { Vein = null }).Done();
}
