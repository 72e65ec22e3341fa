using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A zone of a layer goes.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone.</param>
public sealed record LeaveZoneOut(string Layer, string Zone) : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a part out";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        var left = laid.Layer.Zones!.Value.RemoveAll(z => z.Id == Zone);
        return laid.OnLayer(l => l with { Zones = left.IsEmpty ? null : left }).Done();
    }
}
