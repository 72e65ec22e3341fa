using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using static MossLantern.Core.Documents.PieceValidator;

namespace MossLantern.Core.Documents;

/// <summary>What recipes and sittings a piece, or older work, must have for its layers to be filled.</summary>
internal static class FillingRules
{
    // To make a validator takes longer than to use it.
    private static readonly RecipeValidator OfRecipe = new();
    private static readonly SittingValidator OfSitting = new();

    /// <summary>What is wrong, each with its field.</summary>
    /// <param name="piece">A piece within its bounds.</param>
    public static IEnumerable<ValidationFailure> Problems(Piece piece) => Recipes(piece).Concat(Named(piece)).Concat(Sittings(piece));

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
        }
    }

    private static IEnumerable<ValidationFailure> Named(Piece piece)
    {
        var known = piece.Recipes.Select(r => r.Id).ToHashSet();
        return piece.Layers.SelectMany((l, i) => Places(l, At("layers", i))).Where(p => !known.Contains(p.RecipeId))
            .Select(p => new ValidationFailure(p.Field, "What is laid out must be poured from one of the piece's recipes."));
    }

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

        if (Unique(piece.Layers.Select(l => l.Id)) && !piece.Sittings.SelectMany(s => s.Rest).Order(StringComparer.Ordinal).SequenceEqual(piece.Layers.Select(l => l.Id).Order(StringComparer.Ordinal)))
        {
            yield return new("sittings", "Each layer is filled by one sitting, and each sitting fills a layer.");
        }

        foreach (var (sitting, at) in piece.Sittings.Select((s, i) => (s, At("sittings", i))))
        {
            foreach (var failure in Told(OfSitting, sitting, at))
            {
                yield return failure;
            }

            if ((sitting.Order ?? []).Any(o => !sitting.Rest.Contains(o.LayerId)
                || (o.Region.Kept is null && !piece.Layers.Any(l => l.Id == o.LayerId && l.RegionIds.Contains(o.Region)))))
            {
                yield return new($"{at}.order", "The pour order names a region that the layer does not have.");
            }
        }
    }

    private static IEnumerable<ValidationFailure> Told<T>(AbstractValidator<T> validator, T value, string at) =>
        validator.Validate(value).Errors.Select(f => new ValidationFailure($"{at}.{f.PropertyName}", f.ErrorMessage));

    private static string At(string list, int index) => string.Create(CultureInfo.InvariantCulture, $"{list}[{index}]");
}
