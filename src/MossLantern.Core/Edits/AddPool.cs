using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A pool that was without a colour gets one.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="XMm">A spot in it, mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
/// <param name="Recipe">The colour; null for a new one of its own.</param>
public sealed record AddPool(string Layer, string? Zone, double XMm, double YMm, string? Recipe = null)
    : LayoutEdit<PoolsLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) =>
        Recipe is null ? "pour a pool from a new colour" : $"pour a pool from {Colour(before, Recipe)}";

    private protected override Edited Change(LaidOut laid, PoolsLayout layout, Cupboard cupboard)
    {
        if (laid.WithColour(Recipe) is not var (with, recipe))
        {
            return Edited.No($"{laid.Place}.layout.pools", "The piece no longer has that colour.");
        }

        // Chosen again before the map has answered: it is the same pool still, under the id it got.
        var at = layout.Pools.ToList().FindIndex(p => p.XMm == XMm && p.YMm == YMm);
        var pool = at < 0 ? new PoolColour(FreeId.Of("pool", layout.Pools.Select(p => p.Id)), XMm, YMm, recipe)
            : layout.Pools[at] with { RecipeId = recipe };
        return with.With(layout with { Pools = at < 0 ? layout.Pools.Add(pool) : layout.Pools.SetItem(at, pool) })
            .Done($"layout.pools[{pool.Id}]");
    }
}
