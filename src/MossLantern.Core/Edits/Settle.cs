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
        var sittings = after.Sittings.Select(s => Ordered(after, s)).ToImmutableArray();
        var (was, now) = (Named(before), Named(after));
        return after with
        {
            Sittings = sittings.SequenceEqual(after.Sittings) ? after.Sittings : sittings,
            // A colour that nobody ever named stays: it is on the bench, waiting.
            Recipes = [.. after.Recipes.Where(r => now.Contains(r.Id) || !was.Contains(r.Id))],
        };
    }

    /// <summary>The colours that something of a piece names, layouts put by and spots kept visible too.</summary>
    private static HashSet<string> Named(Piece piece)
    {
        var named = Recipe.WithShares(piece.Layers.SelectMany(l => l.NamedRecipeIds), piece.Recipes);
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

        var kept = order.Where(o => o.Region.Kept is not null || piece.Layers.Any(l => l.Id == o.LayerId && l.RegionIds.Contains(o.Region))).ToImmutableArray();
        return kept.Length == order.Length ? sitting : sitting with { Order = kept.IsEmpty ? null : kept };
    }

    /// <summary>A piece without some of its layers, and without what was poured only in them.</summary>
    public static Piece Without(Piece piece, Func<Layer, bool> gone)
    {
        var ids = piece.Layers.Where(gone).Select(l => l.Id).ToHashSet(StringComparer.Ordinal);
        return ids.Count == 0 ? piece : Of(piece, piece with
        {
            Layers = [.. piece.Layers.Where(l => !ids.Contains(l.Id))],
            Sittings = [.. piece.Sittings.Where(s => !s.Rest.All(ids.Contains))],
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
