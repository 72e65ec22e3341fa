using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace MossLantern.Core.Documents;

/// <content>Its layers together with what they are filled from.</content>
public sealed partial record Piece
{
    private readonly OfItself<ImmutableArray<FilledLayer>> filled = new();

    /// <summary>Its layers, each with what it is filled from.</summary>
    /// <remarks>Of a valid piece: each layer has a sitting that takes its rest, and every recipe that it names is there.</remarks>
    [JsonIgnore]
    public ImmutableArray<FilledLayer> Filled => filled.Get(this, Fill);

    /// <summary>The sitting that takes the rest of a layer.</summary>
    /// <exception cref="InvalidOperationException">No sitting, or more than one, does.</exception>
    public Sitting SittingOf(string layerId) => Sittings.Single(s => s.Rest.Contains(layerId));

    /// <summary>The sittings that fill something of a layer, in their order: that of its rest where any region is left for it.</summary>
    public IEnumerable<Sitting> SittingsOf(Layer layer)
    {
        ArgumentNullException.ThrowIfNull(layer);
        var taken = Sittings.SelectMany(s => s.Fills ?? []).Where(f => f.LayerId == layer.Id).Select(f => f.Region)
            .Concat(layer.Bare ?? []).ToHashSet();
        var left = (Kept ?? []).Any(k => k.Keep == Keep.Visible && !taken.Contains(RegionId.OfSpot(k.Id)))
            || Lined(layer).RegionIds.Any(r => !taken.Contains(r));
        return Sittings.Where(s => (left && s.Rest.Contains(layer.Id)) || (s.Fills ?? []).Any(f => f.LayerId == layer.Id));
    }

    /// <summary>A layer with what it is filled from.</summary>
    /// <exception cref="InvalidOperationException">It has no such layer.</exception>
    public FilledLayer FilledBy(string layerId) => Filled.Single(l => l.Id == layerId);

    private ImmutableArray<FilledLayer> Fill()
    {
        var keepsClear = (Kept ?? []).Any(k => k.Keep == Keep.Visible);
        var passes = Sittings.SelectMany(s => s.Fills ?? []).ToLookup(f => f.LayerId);
        var named = Layers.SelectMany(l => Recipe.WithShares(Lined(l).NamedRecipeIds.Concat(passes[l.Id].SelectMany(OfFill)),
            Recipes)).ToImmutableHashSet();
        return
        [
            .. Layers.Select(layer => new FilledLayer(layer, SittingOf(layer.Id), Recipes, new(
                passes[layer.Id].GroupBy(f => f.Region).ToImmutableDictionary(g => g.Key, g => g.ToImmutableArray()),
                [.. passes[layer.Id].SelectMany(OfFill).Distinct()], named, keepsClear && layer.Within is null, [.. Lined(layer).There]))),
        ];

        static IEnumerable<string> OfFill(Fill fill) => new[] { fill.RecipeId, fill.CupId }.OfType<string>();
    }
}
