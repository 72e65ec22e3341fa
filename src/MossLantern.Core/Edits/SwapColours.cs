using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Two regions are poured from each other's colours, at once: neither colour is without a place in between.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="First">One region, in its own layout.</param>
/// <param name="FirstRecipe">The colour that it is poured from by now.</param>
/// <param name="Second">The other region.</param>
/// <param name="SecondRecipe">The colour that the other is poured from by now.</param>
public sealed record SwapColours(
    string Layer, string? Zone, RegionId First, string FirstRecipe, RegionId Second, string SecondRecipe) : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"swap {Colour(before, FirstRecipe)} with {Colour(before, SecondRecipe)}";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (new[] { FirstRecipe, SecondRecipe }.Any(id => laid.Piece.Recipes.All(r => r.Id != id)))
        {
            return Edited.No($"{laid.Place}.layout", "The piece no longer has these colours.");
        }

        return PourFrom.In(laid.Layout, First, SecondRecipe) is { } one && PourFrom.In(one, Second, FirstRecipe) is { } both
            ? laid.With(both).Done()
            : Edited.No($"{laid.Place}.layout", "These regions are no longer there.");
    }
}
