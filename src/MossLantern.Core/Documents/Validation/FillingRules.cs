using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Units;
using static MossLantern.Core.Documents.Entries;

namespace MossLantern.Core.Documents;

/// <summary>What recipes and sittings a piece, or older work, must have for its layers to be filled.</summary>
internal static class FillingRules
{
    // To make a validator takes longer than to use it.
    private static readonly RecipeValidator OfRecipe = new();
    private static readonly SittingValidator OfSitting = new();

    /// <summary>What is wrong, each with its field.</summary>
    /// <param name="piece">A piece within its bounds.</param>
    public static IEnumerable<ValidationFailure> Problems(Piece piece) =>
        [.. Recipes(piece), .. Named(piece), .. LineRules.Problems(piece), .. Bare(piece), .. Sittings(piece)];

    private static IEnumerable<ValidationFailure> Recipes(Piece piece)
    {
        if (!Unique(piece.Recipes.Select(r => r.Id)))
        {
            yield return new("recipes", "Each recipe needs an id of its own.");
        }

        var mixed = piece.Recipes.GroupBy(r => r.Id).ToDictionary(g => g.Key, g => g.First().Of is not null);
        foreach (var (recipe, at) in piece.Recipes.Select((r, i) => (r, At("recipes", i))))
        {
            foreach (var failure in Told(OfRecipe, recipe, at))
            {
                yield return failure;
            }

            if ((recipe.Of ?? []).Any(s => mixed.GetValueOrDefault(s.RecipeId, true)))
            {
                yield return new($"{at}.of", "A mixed cup is filled from other cups of the piece that are not mixed themselves.");
            }

            if (recipe.SecondOf is { } first && !(piece.Recipes
                .FirstOrDefault(r => r.Id == first) is { SecondOf: null } own && own.Id != recipe.Id && own.MixedAlike(recipe)))
            {
                yield return new($"{at}.secondOf", "A second cup is one of a colour of the piece, and is mixed as that is.");
            }
        }
    }

    private static IEnumerable<ValidationFailure> Named(Piece piece)
    {
        var known = piece.Recipes.Where(r => r.SecondOf is null).Select(r => r.Id).ToHashSet();
        return piece.Layers.SelectMany((l, i) => Places(l, At("layers", i))).Where(p => !known.Contains(p.RecipeId))
            .Select(p => new ValidationFailure(p.Field,
                "What is laid out must be poured from one of the piece's recipes, and not from a second cup of one."));
    }

    private static IEnumerable<ValidationFailure> Bare(Piece piece) =>
        from pair in piece.Layers.Select((l, i) => (Layer: piece.Lined(l), Place: At("layers", i) + ".bare"))
        let bare = pair.Layer.Layer.Bare ?? []
        where !bare.All(pair.Layer.Has) || bare.Distinct().Count() < bare.Length
        select new ValidationFailure(pair.Place, "Each region that stays bare is named once.");

    private static IEnumerable<(string Field, string RecipeId)> Places(Layer layer, string at) =>
        Places(layer.Layout, layer.Aside ?? [], at)
            .Concat((layer.Zones ?? []).SelectMany((z, i) => Places(z.Layout, z.Aside ?? [], At($"{at}.zones", i))));

    private static IEnumerable<(string Field, string RecipeId)> Places(Layout layout, IEnumerable<Layout> aside, string at) =>
        layout.RecipePlaces.Select(p => ($"{at}.layout.{p.Field}", p.RecipeId))
            .Concat(aside.SelectMany((l, i) => l.RecipePlaces.Select(p => ($"{At($"{at}.aside", i)}.{p.Field}", p.RecipeId))));

    private static IEnumerable<ValidationFailure> Sittings(Piece piece)
    {
        if (!Unique(piece.Sittings.Select(s => s.Id)))
        {
            yield return new("sittings", "Each sitting needs an id of its own.");
        }

        if (Unique(piece.Layers.Select(l => l.Id)) && !piece.Sittings.SelectMany(s => s.Rest)
            .Order(StringComparer.Ordinal).SequenceEqual(piece.Layers.Select(l => l.Id).Order(StringComparer.Ordinal)))
        {
            yield return new("sittings", "The rest of each layer is filled by one sitting.");
        }

        if (piece.Sittings.SelectMany(s => s.Fills ?? []).ToList() is { Count: > 0 } fills && !Unique(fills.Select(f => f.Id)))
        {
            yield return new("sittings", "Each fill needs an id of its own.");
        }

        foreach (var (sitting, at) in piece.Sittings.Select((s, i) => (s, At("sittings", i))))
        {
            foreach (var failure in Told(OfSitting, sitting, at).Concat(Fills(piece, sitting, at)).Concat(Batches(piece, sitting, at)))
            {
                yield return failure;
            }

            if ((sitting.CupChoices ?? []).Any(c => piece.Recipes.All(r => r.Id != c.RecipeId)))
            {
                yield return new($"{at}.cupChoices", "A choice for a cup names one of the piece's recipes.");
            }

            if (!sitting.LayerIds.Any())
            {
                yield return new($"{at}.rest", "A sitting fills something: the rest of a layer, or regions of one.");
            }

            if ((sitting.Order ?? [])
                .Any(o => !sitting.LayerIds.Contains(o.LayerId) || piece.Lined(o.LayerId)?.Has(o.Region) != true))
            {
                yield return new($"{at}.order", "The pour order names a region that the layer does not have.");
            }
        }

        foreach (var failure in TooDeep(piece))
        {
            yield return failure;
        }
    }

    private static IEnumerable<ValidationFailure> Fills(Piece piece, Sitting sitting, string at)
    {
        var known = piece.Recipes.Where(r => r.SecondOf is null).Select(r => r.Id).ToHashSet();
        foreach (var (fill, place) in (sitting.Fills ?? []).Select((f, i) => (f, At($"{at}.fills", i))))
        {
            if (piece.Lined(fill.LayerId) is not { } layer || !layer.Has(fill.Region))
            {
                yield return new($"{place}.region", "A fill names a region of one of the piece's layers.");
            }
            else if ((layer.Layer.Bare ?? []).Contains(fill.Region))
            {
                yield return new($"{place}.region", "This region stays bare in its layer: nothing is poured there.");
            }
            else if (fill.TakesMm is not null && !layer.HasDepth(fill.Region))
            {
                yield return new($"{place}.depthMm", "This is poured by the millilitre, so it has no depth.");
            }

            if (fill.RecipeId is { } recipe && !known.Contains(recipe))
            {
                yield return new($"{place}.recipeId", "A fill is poured from one of the piece's recipes.");
            }

            if (fill.CupId is { } cup && piece.Recipes.FirstOrDefault(r => r.Id == cup) is not { SecondOf: not null })
            {
                yield return new($"{place}.cupId", "The cup of a fill is a second cup of one of the piece's recipes.");
            }
        }
    }

    /// <summary>What fills of a region come to beyond what it aims at.</summary>
    private static IEnumerable<ValidationFailure> TooDeep(Piece piece)
    {
        var fills = piece.Sittings
            .SelectMany((s, i) => (s.Fills ?? []).Select((f, k) => (Fill: f, Place: $"{At(At("sittings", i) + ".fills", k)}.depthMm")));
        foreach (var group in fills.GroupBy(f => (f.Fill.LayerId, f.Fill.Region)))
        {
            if (piece.Lined(group.Key.LayerId) is not { } layer || !layer.Has(group.Key.Region)
                || group.Any(f => f.Fill.DepthMm is { } mm && !Accepted.DepthMm.Contains(mm)))
            {
                continue;
            }

            var last = group.Last();
            if (!layer.HasDepth(group.Key.Region))
            {
                if (group.Count() > 1)
                {
                    yield return new(last.Place, "This is poured by the millilitre: it is poured in one go.");
                }

                continue;
            }

            var left = layer.Layer.AimMm(group.Key.Region) - group.Sum(f => f.Fill.TakesMm ?? 0);
            // Of several that take the rest, the lowest takes all of it, and those above it what was really left.
            if (left < -Hair || (left <= Hair && group.Any(f => f.Fill.TakesMm is null)))
            {
                yield return new(last.Place, string.Create(CultureInfo.InvariantCulture,
                    $"The fills of this region come to more than the {layer.Layer.AimMm(group.Key.Region):0.##} mm that it "
                        + $"aims at: leave them below that."));
            }
        }
    }

    /// <summary>Sums of depths that differ by less are the same, mm.</summary>
    private const double Hair = 1e-6;

    private static IEnumerable<ValidationFailure> Batches(Piece piece, Sitting sitting, string at)
    {
        if (sitting.Batches is not { } batches)
        {
            yield break;
        }

        if (!batches.IsEmpty && !Unique(batches.Select(b => b.Id)))
        {
            yield return new($"{at}.batches", "Each batch needs an id of its own.");
        }

        var mixed = piece.Recipes.GroupBy(r => r.Id).ToDictionary(g => g.Key, g => g.First().Of is not null);
        var often = batches.SelectMany(b => b.RecipeIds.Distinct()).CountBy(id => id).ToDictionary();
        foreach (var (batch, place) in batches.Select((b, i) => (b, At($"{at}.batches", i))))
        {
            if (batch.RecipeIds.Any(id => mixed.GetValueOrDefault(id, true)))
            {
                yield return new($"{place}.recipeIds",
                    "A batch is divided into cups of the piece's recipes that are not filled from others.");
            }
            else if (!Unique(batch.RecipeIds))
            {
                yield return new($"{place}.recipeIds", "A batch names each of its cups once.");
            }

            foreach (var failure in Shares(batch, often, place))
            {
                yield return failure;
            }
        }

        var whole = piece.Recipes.SelectMany(r => r.Of ?? []).Select(s => s.RecipeId).ToHashSet();
        foreach (var id in often.Where(o => o.Value > 1).Select(o => o.Key))
        {
            if (whole.Contains(id))
            {
                yield return new($"{at}.batches", "A cup that others are filled from is filled from one batch.");
            }
            else if (!(Math.Abs(batches.Where(b => b.RecipeIds.Contains(id)).Sum(b => b.PercentOf(id)) - 100) <= PercentHair))
            {
                yield return new($"{at}.batches", "The shares of one cup in its batches must add up to 100 %.");
            }
        }
    }

    /// <summary>Shares that are 100 % but for so much are all of a cup, %.</summary>
    private const double PercentHair = 0.01;

    /// <summary>A batch says its share of each cup that others fill too, and of no other.</summary>
    private static IEnumerable<ValidationFailure> Shares(Batch batch, Dictionary<string, int> often, string place)
    {
        var shares = batch.Shares ?? [];
        if (!Unique(shares.Select(s => s.RecipeId)) || !shares.Select(s => s.RecipeId).ToHashSet()
            .SetEquals(batch.RecipeIds.Where(id => often[id] > 1)))
        {
            yield return new($"{place}.shares",
                "Where several batches fill one cup, each names its share of that cup once; a cup of one batch has no share.");
        }

        foreach (var (share, of) in shares.Select((s, i) => (s, At($"{place}.shares", i))))
        {
            if (!Accepted.SharePercent.Contains(share.Percent))
            {
                yield return new($"{of}.percent", Accepted.SharePercent.Sentence);
            }
        }
    }

    private static IEnumerable<ValidationFailure> Told<T>(AbstractValidator<T> validator, T value, string at) =>
        validator.Validate(value).Errors.Select(f => new ValidationFailure($"{at}.{f.PropertyName}", f.ErrorMessage));
}
