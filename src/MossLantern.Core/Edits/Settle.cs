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
        return (after with { Recipes = [.. after.Recipes.Where(r => r.Frozen || now.Contains(r.Id) || !was.Contains(r.Id))] }).Mended();
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
            recipes.Add(unseen
                with
            { Frozen = false, Name = recipe.Name == old.Name ? Again(old.Name, after.Recipes.Select(r => r.Name)) : recipe.Name });
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

    /// <summary>Whether something of a piece names a colour, layouts put by and spots kept visible too.</summary>
    public static bool IsNamed(Piece piece, string recipeId) => Named(piece).Contains(recipeId);

    /// <summary>The colours that something of a piece names, layouts put by and spots kept visible too.</summary>
    private static HashSet<string> Named(Piece piece)
    {
        var poured = piece.Sittings.SelectMany(s => s.Fills ?? []).SelectMany(f => new[] { f.RecipeId, f.CupId }).OfType<string>();
        var named = Recipe.WithShares(piece.Layers.SelectMany(l => piece.Lined(l).NamedRecipeIds).Concat(poured), piece.Recipes);
        named.UnionWith([.. piece.Recipes.Where(r => named.Contains(r.Id)).Select(r => r.SecondOf).OfType<string>()]);
        if ((piece.Kept ?? []).Any(k => k.Keep == Keep.Visible))
        {
            named.UnionWith(piece.Recipes.Where(r => r.IsClear).Select(r => r.Id));
        }

        return named;
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
    /// A piece on another ground: what only another outline had a place for goes, such as cavities of their own depth
    /// or inserts, and a layer
    /// whose hollow is gone goes with it.
    /// </summary>
    public static Piece OnGround(Piece piece, Ground ground)
    {
        var drawn = ground.Outline is DrawnOutline;
        var redrawn = piece.Ground.Outline.GetType() != ground.Outline.GetType() || (drawn && piece.Ground.Outline != ground.Outline);
        var to = ground.Mould is not { } mould || (drawn ? mould.Inserts is null : mould.CavityDepths is null) ? ground
            : ground with
            {
                Mould = mould
                with
                { CavityDepths = drawn ? mould.CavityDepths : null, Inserts = drawn ? null : mould.Inserts }
            };
        var left = Without(piece, l => l.Within is { } id && to.Mould?.Insert(id) is null);
        return left with
        {
            Ground = to,
            Layers = redrawn ? [.. left.Layers.Select(l => l.PartDepths is null ? l : l with { PartDepths = null })] : left.Layers
        };
    }
}
