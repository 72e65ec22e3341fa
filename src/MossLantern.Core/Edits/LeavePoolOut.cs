using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour of a pool goes; what it lay in is another's, or has none.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Pool">The pool.</param>
public sealed record LeavePoolOut(string Layer, string? Zone, string Pool) : LayoutEdit<PoolsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take a pool's colour out";

    private protected override Edited Change(LaidOut laid, PoolsLayout layout, Cupboard cupboard) =>
        layout.Pools.RemoveAll(p => p.Id == Pool) is var left && left.Length < layout.Pools.Length
        ? laid.With(layout with { Pools = left }).Done()
        : Edited.No($"{laid.Place}.layout.pools[{Pool}]", "That pool is no longer there.");
}
