using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A change of how a layer, or a zone of it, is laid out.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public abstract record LayoutEdit(string Layer, string? Zone) : Edit
{
    /// <inheritdoc/>
    public sealed override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return LaidOut.Of(piece, Layer, Zone) is { } laid ? Change(laid, cupboard)
            : Edited.No(PlaceIn.Layer(Layer), "There is no such layer, or it has no such part.");
    }

    /// <summary>What it is laid out as with the change made, or why it cannot be.</summary>
    private protected abstract Edited Change(LaidOut laid, Cupboard cupboard);

    /// <summary>The name of a colour of a piece.</summary>
    private protected static string Colour(Piece piece, string? recipeId) =>
        piece.Recipes.FirstOrDefault(r => r.Id == recipeId)?.Name ?? "a colour";

    /// <summary>Whether another is a change of the same layer or zone.</summary>
    private protected bool IsOfTheSame(LayoutEdit other) => other.Layer == Layer && other.Zone == Zone;
}

/// <summary>A change that only one kind of layout can have.</summary>
/// <typeparam name="T">The kind.</typeparam>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public abstract record LayoutEdit<T>(string Layer, string? Zone) : LayoutEdit(Layer, Zone)
    where T : Layout
{
    private protected sealed override Edited Change(LaidOut laid, Cupboard cupboard) =>
        laid.Layout is T layout ? Change(laid, layout, cupboard)
        : Edited.No($"{laid.Place}.layout", "It is laid out differently now.");

    /// <summary>What it is laid out as with the change made, or why it cannot be.</summary>
    private protected abstract Edited Change(LaidOut laid, T layout, Cupboard cupboard);
}

/// <summary>A change of one band, line or ring.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
public abstract record BandEdit(string Layer, string? Zone, string Band) : LayoutEdit<BandedLayout>(Layer, Zone)
{
    private protected sealed override Edited Change(LaidOut laid, BandedLayout layout, Cupboard cupboard)
    {
        var at = layout.Bands.ToList().FindIndex(b => b.Id == Band);
        return at < 0 ? Edited.No($"{laid.Place}.layout.bands[{Band}]", "That band is no longer there.")
            : Change(laid, layout, at, cupboard);
    }

    /// <summary>What it is laid out as with the band changed, or why it cannot be.</summary>
    private protected abstract Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard);

    /// <summary>The name of the band's colour.</summary>
    private protected string BandName(Piece piece) =>
        Colour(piece, (LaidOut.Of(piece, Layer, Zone)?.Layout as BandedLayout)?.Bands.FirstOrDefault(b => b.Id == Band)?.RecipeId);
}
