using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>What goes with a change: nothing is left that names what is gone.</summary>
internal static class Settle
{
    /// <summary>A piece after a change.</summary>
    /// <param name="before">The piece as it was.</param>
    /// <param name="after">The piece with the change.</param>
    public static Piece Of(Piece before, Piece after)
    {
        var (was, now) = (Named(before), Named(after));
        // A colour that nobody ever named stays: it is on the bench, waiting; one that is frozen stays for its order.
        return Filled(after with { Recipes = [.. after.Recipes.Where(r => r.Frozen || now.Contains(r.Id) || !was.Contains(r.Id))] });
    }

    /// <summary>
    /// A piece after a change, as far as its colours go: one that is frozen stays as it was, and what the change made of it is a new one in
    /// its place; what a colour once came out as is not known of it when it is mixed otherwise.
    /// </summary>
    /// <param name="before">The piece as it was.</param>
    /// <param name="after">The piece with the change.</param>
    public static Piece Mixed(Piece before, Piece after)
    {
        if (before.Recipes == after.Recipes)
        {
            return after;
        }

        var was = before.Recipes.ToDictionary(r => r.Id);
        var ids = after.Recipes.Select(r => r.Id).ToHashSet();
        var recipes = ImmutableArray.CreateBuilder<Recipe>();
        foreach (var recipe in after.Recipes)
        {
            if (was.GetValueOrDefault(recipe.Id) is not { } old || old.MixedAlike(recipe))
            {
                recipes.Add(recipe);
                continue;
            }

            var unseen = recipe.Seen is not null && recipe.Seen == old.Seen ? recipe with { Seen = null } : recipe;
            if (!old.Frozen)
            {
                recipes.Add(unseen);
                continue;
            }

            var free = FreeId.Of(old.Id, ids);
            ids.Add(free);
            recipes.Add(old with { Id = free });
            recipes.Add(unseen with { Frozen = false, Name = recipe.Name == old.Name ? Again(old.Name, after.Recipes.Select(r => r.Name)) : recipe.Name });
        }

        recipes.AddRange(before.Recipes.Where(r => r.Frozen && !ids.Contains(r.Id)));
        return after with { Recipes = Seconds(recipes.ToImmutable()) };
    }

    /// <summary>Second cups as their first ones are by now; one whose first is gone is a colour of its own.</summary>
    private static ImmutableArray<Recipe> Seconds(ImmutableArray<Recipe> recipes)
    {
        if (recipes.All(r => r.SecondOf is null))
        {
            return recipes;
        }

        var first = recipes.Where(r => r.SecondOf is null).ToDictionary(r => r.Id);
        var count = new Dictionary<string, int>();
        return [.. recipes.Select(r =>
        {
            if (r.SecondOf is not { } id)
            {
                return r;
            }

            if (!first.TryGetValue(id, out var own))
            {
                return r with { SecondOf = null };
            }

            count[id] = count.GetValueOrDefault(id, 1) + 1;
            return own.AnotherCup(r.Id, count[id]);
        })];
    }

    /// <summary>A name with a number after it that none of some has.</summary>
    private static string Again(string name, IEnumerable<string> names)
    {
        var taken = names.ToHashSet();
        for (var number = 2; ; number++)
        {
            var after = FormattableString.Invariant($" {number}");
            if (name[..Math.Min(name.Length, PieceValidator.LongestName - after.Length)] + after is var again && !taken.Contains(again))
            {
                return again;
            }
        }
    }

    /// <summary>A piece in which no sitting names a region, a recipe or a layer that is gone, and none is left with nothing to fill.</summary>
    public static Piece Filled(Piece piece)
    {
        ImmutableArray<Layer> layers = [.. piece.Layers.Select(Aimed)];
        var to = layers.SequenceEqual(piece.Layers) ? piece : piece with { Layers = layers };
        ImmutableArray<Sitting> poured = [.. to.Sittings.Select(s => Poured(to, s))];

        // A second cup is there for what is poured from it, and goes with the last of that.
        var cups = poured.SelectMany(s => s.Fills ?? []).Select(f => f.CupId).OfType<string>().ToHashSet();
        to = to.Recipes.All(r => r.SecondOf is null || cups.Contains(r.Id)) ? to : to with { Recipes = to.Recipes.RemoveAll(r => r.SecondOf is not null && !cups.Contains(r.Id)) };
        ImmutableArray<Sitting> sittings = [.. poured.Select(s => Ordered(to, Batched(to, s))).Where(s => s.LayerIds.Any())];
        return sittings.SequenceEqual(to.Sittings) ? to : to with { Sittings = sittings };
    }

    /// <summary>A layer whose depths, bare regions and stones are of regions that it has.</summary>
    private static Layer Aimed(Layer layer)
    {
        var depths = layer.RegionDepths?.RemoveAll(d => !layer.Has(d.Region) || layer.IsByAmount(d.Region));
        var bare = layer.Bare?.RemoveAll(r => !layer.Has(r));
        var stones = layer.Stones?.RemoveAll(s => !layer.Has(s.Region) || layer.IsByAmount(s.Region));
        return depths?.Length == layer.RegionDepths?.Length && bare?.Length == layer.Bare?.Length && stones?.Length == layer.Stones?.Length ? layer : layer with
        {
            Stones = stones is { IsEmpty: false } ? stones : null,
            RegionDepths = depths is { IsEmpty: false } ? depths : null,
            Bare = bare is { IsEmpty: false } ? bare : null,
        };
    }

    private static Sitting Poured(Piece piece, Sitting sitting)
    {
        var layers = piece.Layers.ToDictionary(l => l.Id);
        var rest = sitting.Rest.All(layers.ContainsKey) ? sitting.Rest : [.. sitting.Rest.Where(layers.ContainsKey)];
        if (sitting.Fills is not { } fills)
        {
            return rest == sitting.Rest ? sitting : sitting with { Rest = rest };
        }

        var known = piece.Recipes.Select(r => r.Id).ToHashSet();
        var seconds = piece.Recipes.Where(r => r.SecondOf is not null).Select(r => r.Id).ToHashSet();
        fills = [.. fills.Select(f => f.CupId is { } cup && !seconds.Contains(cup) ? f with { CupId = null } : f)];
        ImmutableArray<Fill> left =
        [
            .. fills.Where(f => layers.GetValueOrDefault(f.LayerId) is { } l && l.Has(f.Region) && l.Bare?.Contains(f.Region) != true).Select(f =>
                (f.RecipeId is null || known.Contains(f.RecipeId)) && (f.TakesMm is null || !layers[f.LayerId].IsByAmount(f.Region)) ? f
                    : f with { RecipeId = f.RecipeId is { } id && known.Contains(id) ? id : null, DepthMm = layers[f.LayerId].IsByAmount(f.Region) ? null : f.DepthMm, Way = layers[f.LayerId].IsByAmount(f.Region) ? FillWay.Poured : f.Way }),
        ];
        return rest == sitting.Rest && left.SequenceEqual(sitting.Fills!.Value) ? sitting : sitting with { Rest = rest, Fills = left.IsEmpty ? null : left };
    }

    private static Sitting Batched(Piece piece, Sitting sitting)
    {
        if (sitting.CupChoices is { } choices && choices.RemoveAll(c => piece.Recipes.All(r => r.Id != c.RecipeId)) is var chosen && chosen.Length < choices.Length)
        {
            sitting = sitting with { CupChoices = chosen.IsEmpty ? null : chosen };
        }

        if (sitting.Batches is not { } batches)
        {
            return sitting;
        }

        var known = piece.Recipes.Where(r => r.Of is null).Select(r => r.Id).ToHashSet();
        ImmutableArray<Batch> left =
            [.. batches.Select(b => b.RecipeIds.All(known.Contains) ? b : b with { RecipeIds = [.. b.RecipeIds.Where(known.Contains)] }).Where(b => !b.RecipeIds.IsEmpty)];
        return left.SequenceEqual(batches) ? sitting : sitting with { Batches = left.IsEmpty ? null : left };
    }

    /// <summary>Whether something of a piece names a colour, layouts put by and spots kept visible too.</summary>
    public static bool IsNamed(Piece piece, string recipeId) => Named(piece).Contains(recipeId);

    /// <summary>The colours that something of a piece names, layouts put by and spots kept visible too.</summary>
    private static HashSet<string> Named(Piece piece)
    {
        var poured = piece.Sittings.SelectMany(s => s.Fills ?? []).SelectMany(f => new[] { f.RecipeId, f.CupId }).OfType<string>();
        var named = Recipe.WithShares(piece.Layers.SelectMany(l => l.NamedRecipeIds).Concat(poured), piece.Recipes);
        named.UnionWith([.. piece.Recipes.Where(r => named.Contains(r.Id)).Select(r => r.SecondOf).OfType<string>()]);
        if ((piece.Kept ?? []).Any(k => k.Keep == Keep.Visible))
        {
            named.UnionWith(piece.Recipes.Where(r => r.IsClear).Select(r => r.Id));
        }

        return named;
    }

    private static Sitting Ordered(Piece piece, Sitting sitting)
    {
        if (sitting.Order is not { } order)
        {
            return sitting;
        }

        var kept = order.Where(o => sitting.LayerIds.Contains(o.LayerId) && piece.Layers.Any(l => l.Id == o.LayerId && l.Has(o.Region))).ToImmutableArray();
        return kept.Length == order.Length ? sitting : sitting with { Order = kept.IsEmpty ? null : kept };
    }

    /// <summary>A piece without some of its layers, and without what was poured only in them.</summary>
    public static Piece Without(Piece piece, Func<Layer, bool> gone)
    {
        var ids = piece.Layers.Where(gone).Select(l => l.Id).ToHashSet(StringComparer.Ordinal);
        return ids.Count == 0 ? piece : Of(piece, piece with
        {
            Layers = [.. piece.Layers.Where(l => !ids.Contains(l.Id))],
        });
    }

    /// <summary>
    /// A piece on another ground: what only another outline had a place for goes, such as cavities of their own depth or inserts, and a layer
    /// whose hollow is gone goes with it.
    /// </summary>
    public static Piece OnGround(Piece piece, Ground ground)
    {
        var drawn = ground.Outline is DrawnOutline;
        var redrawn = piece.Ground.Outline.GetType() != ground.Outline.GetType() || (drawn && piece.Ground.Outline != ground.Outline);
        var to = ground.Mould is not { } mould || (drawn ? mould.Inserts is null : mould.CavityDepths is null) ? ground
            : ground with { Mould = mould with { CavityDepths = drawn ? mould.CavityDepths : null, Inserts = drawn ? null : mould.Inserts } };
        var left = Without(piece, l => l.Within is { } id && to.Mould?.Insert(id) is null);
        return left with { Ground = to, Layers = redrawn ? [.. left.Layers.Select(l => l.PartDepths is null ? l : l with { PartDepths = null })] : left.Layers };
    }
}
