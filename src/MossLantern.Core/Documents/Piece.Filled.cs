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
        var taken = Sittings.SelectMany(s => s.Fills ?? []).Where(f => f.LayerId == layer.Id).Select(f => f.Region).Concat(layer.Bare ?? []).ToHashSet();
        var left = (Kept ?? []).Any(k => k.Keep == Keep.Visible && !taken.Contains(RegionId.OfSpot(k.Id))) || layer.RegionIds.Any(r => !taken.Contains(r));
        return Sittings.Where(s => (left && s.Rest.Contains(layer.Id)) || (s.Fills ?? []).Any(f => f.LayerId == layer.Id));
    }

    /// <summary>A layer with what it is filled from.</summary>
    /// <exception cref="InvalidOperationException">It has no such layer.</exception>
    public FilledLayer FilledBy(string layerId) => Filled.Single(l => l.Id == layerId);

    /// <summary>The piece with a layer as it is now, its sitting's part and the recipes too.</summary>
    /// <param name="layer">One of <see cref="Filled"/>, changed.</param>
    public Piece With(FilledLayer layer)
    {
        ArgumentNullException.ThrowIfNull(layer);
        return this with
        {
            Recipes = layer.Recipes,
            Layers =
            [
                .. Layers.Select(l => l.Id != layer.Id ? l : l with
                {
                    Name = layer.Name,
                    DepthMm = layer.DepthMm,
                    Layout = layer.Layout,
                    Zones = layer.Zones,
                    Within = layer.Within,
                    PartDepths = layer.PartDepths,
                    Contrast = layer.Contrast,
                }),
            ],
            Sittings =
            [
                .. Sittings.Select(s => !s.Rest.Contains(layer.Id) ? s : s.At(layer.Plan) with
                {
                    Resin = layer.Resin,
                    Measure = layer.Measure,
                    ReservePercent = layer.ReservePercent,
                    Losses = layer.Losses,
                    Tools = layer.Tools,
                    Order = Ordered(s.Order ?? [], layer),
                }),
            ],
        };
    }

    private static ImmutableArray<RegionOf>? Ordered(ImmutableArray<RegionOf> all, FilledLayer layer)
    {
        // Where it stood in the order of the sitting.
        var at = all.TakeWhile(o => o.LayerId != layer.Id).Count();
        ImmutableArray<RegionOf> order =
            [.. all.Take(at), .. layer.PourOrder.Select(r => new RegionOf(layer.Id, r)), .. all.Skip(at).Where(o => o.LayerId != layer.Id)];
        return order.IsEmpty ? null : order;
    }

    private ImmutableArray<FilledLayer> Fill()
    {
        var keepsClear = (Kept ?? []).Any(k => k.Keep == Keep.Visible);
        var passes = Sittings.SelectMany(s => s.Fills ?? []).ToLookup(f => f.LayerId);
        var fills = passes.SelectMany(p => p).SelectMany(f => new[] { f.RecipeId, f.CupId }.OfType<string>().Select(r => (f.LayerId, Recipe: r))).ToLookup(f => f.LayerId, f => f.Recipe);
        var named = Layers.Select(l => Recipe.WithShares(l.NamedRecipeIds.Concat(fills[l.Id]), Recipes)).ToList();
        return [.. Layers.Select((layer, i) =>
        {
            var sitting = SittingOf(layer.Id);
            return new FilledLayer(
                layer.Id, layer.Name, layer.DepthMm, layer.Layout, Recipes, sitting.Resin, sitting.Measure, sitting.ReservePercent,
                sitting.OrderIn(layer.Id), sitting.Plan, sitting.Losses, sitting.Tools,
                layer.Within, layer.PartDepths, layer.Contrast, layer.Zones, [.. named.SelectMany(n => n)], keepsClear && layer.Within is null, sitting.Id,
                RegionDepths: layer.RegionDepths, Bare: layer.Bare, Passes: passes.Contains(layer.Id) ? passes[layer.Id].GroupBy(f => f.Region).ToImmutableDictionary(g => g.Key, g => g.ToImmutableArray()) : null,
                Copies: sitting.Copies, FillRecipes: fills.Contains(layer.Id) ? [.. fills[layer.Id].Distinct()] : null, Stones: layer.Stones);
        })];
    }
}
