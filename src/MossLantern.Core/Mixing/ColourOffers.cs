using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>Where a colour comes from that is offered.</summary>
public enum OfferFrom
{
    /// <summary>The colours that something new is offered.</summary>
    Usual,

    /// <summary>A colourant of the cupboard.</summary>
    Colourant,

    /// <summary>A recipe that is kept by name.</summary>
    Recipe,

    /// <summary>A sequence that is kept by name.</summary>
    Sequence,
}

/// <summary>What a cup's resin is poured over, and how deep.</summary>
/// <param name="Ground">Colour of what lies below.</param>
/// <param name="DepthMm">Depth, mm.</param>
/// <param name="MixDensity">Density of the mixed resin, g/ml.</param>
/// <param name="AsMap">Whether the ground is painted as the map: below each colour lies paint of that colour.</param>
public readonly record struct PouredOn(Colour Ground, double DepthMm, double MixDensity, bool AsMap = false);

/// <summary>How a colour will look where it is poured.</summary>
/// <param name="Shown">Over its ground at its depth, as <c>#rrggbb</c>.</param>
/// <param name="Wedge">The same from nothing to its depth in equal steps, as <c>#rrggbb</c>: as resin runs out thinner to a border.</param>
/// <param name="Hides">How much of the ground its pigments hide, %: dye and ink hide nothing.</param>
/// <param name="Word">A word for its colour at full cover.</param>
/// <param name="Tilted">How it looks at an angle; null for what looks alike from everywhere.</param>
/// <remarks>Source: docs/craft/mixing.md, Choosing a colour.</remarks>
public sealed record ColourSeen(string Shown, ImmutableArray<string> Wedge, Reckoned Hides, string Word, TiltedColour? Tilted)
{
    /// <summary>Steps of a wedge.</summary>
    private const int Steps = 6;

    /// <summary>How a mixture will look.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="recipe">The mixture.</param>
    /// <param name="others">What it is filled from, where it is a mixed one.</param>
    /// <param name="on">What it is poured over, and how deep.</param>
    public static ColourSeen Of(Catalogue catalogue, Recipe recipe, ImmutableArray<Recipe> others, PouredOn on)
    {
        ArgumentNullException.ThrowIfNull(recipe);
        var ground = on.AsMap && recipe.Colourant is not null ? Colour.Of(recipe.Colour) : on.Ground;
        var look = CupLook.Of(catalogue, recipe, id => others.Single(o => o.Id == id), () => on.MixDensity);
        var flakes = recipe.Colourant == ColourantClass.Interference ? Colour.Of(recipe.ColourOf(recipe.Doses[0])) : (Colour?)null;

        // Flakes are seen as they shine from straight above.
        string At(double mm) =>
            (flakes is { } own ? Shimmer.Seen(own, ground, Shimmer.Share(mm, recipe.LoadPercent), 0) : look.Over(ground, mm)).ToHex();
        return new(
            At(on.DepthMm),
            [.. Enumerable.Range(0, Steps + 1).Select(i => At(on.DepthMm * i / Steps))],
            Reckoned.Of(100 * look.Veil(on.DepthMm), "%", Formulas.Opacity,
                new("depth", on.DepthMm, "mm", Origin.Reckoned),
                new("cover κ", look.CoverPerMm - look.GlassPerMm, "per mm", Origin.Reckoned)),
            look.CoverPerMm > 0 ? Palette.WordFor(look.Colour) : Recipe.Clear("").Name,
            flakes is { } shine ? TiltedColour.Of(shine, Shimmer.Share(on.DepthMm, recipe.LoadPercent)) : null);
    }
}

/// <summary>How flakes look at each of <see cref="Shimmer.AnglesDeg"/>.</summary>
/// <param name="AnglesDeg">The angles, degrees from straight above.</param>
/// <param name="OverLight">Over white, as <c>#rrggbb</c>.</param>
/// <param name="OverDark">Over black, as <c>#rrggbb</c>.</param>
/// <remarks>Source: docs/craft/map.md, At an angle.</remarks>
public sealed record TiltedColour(ImmutableArray<double> AnglesDeg, ImmutableArray<string> OverLight, ImmutableArray<string> OverDark)
{
    /// <summary>Flakes of a colour that send back a share of the light.</summary>
    internal static TiltedColour Of(Colour faceOn, double share)
    {
        ImmutableArray<string> Over(Colour below) => [.. Shimmer.AnglesDeg.Select(a => Shimmer.Seen(faceOn, below, share, a).ToHex())];
        return new(Shimmer.AnglesDeg, Over(new(1, 1, 1)), Over(new(0, 0, 0)));
    }
}

/// <summary>A colour that a cup can be given: what it is called, what it is mixed from, and how it will look.</summary>
/// <param name="From">Where it comes from.</param>
/// <param name="Of">The name of the sequence that it comes from; null for anything else.</param>
/// <param name="Kept">The recipe's id in the cupboard; null for what is none of its.</param>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Colour of its first colourant at full cover, as <c>#rrggbb</c>.</param>
/// <param name="Doses">What is stirred in, the first first.</param>
/// <param name="Seen">How it will look.</param>
/// <param name="MixedFrom">How many cups it is filled from; 0 for one that is mixed by itself.</param>
public sealed record ColourOffer(OfferFrom From, string? Of, string? Kept, string Name, string Colour,
    ImmutableArray<Dose> Doses, ColourSeen Seen, int MixedFrom);

/// <summary>The colours that a cup can be given, each as it will look there.</summary>
/// <remarks>Source: docs/craft/mixing.md, Choosing a colour.</remarks>
public static class ColourOffers
{
    /// <summary>The colours of a workshop: its colourants, its recipes, what its sequences have, and the usual ones.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="recipes">The recipes that are kept by name, by their ids.</param>
    /// <param name="sequences">The sequences that are kept by name.</param>
    /// <param name="on">What a cup is poured over, and how deep.</param>
    public static ImmutableArray<ColourOffer> Of(Catalogue catalogue,
        IEnumerable<KeyValuePair<string, KeptRecipe>> recipes, IEnumerable<KeptSequence> sequences, PouredOn on)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(recipes);
        ArgumentNullException.ThrowIfNull(sequences);
        ColourOffer Offer(OfferFrom from, Recipe recipe, ImmutableArray<Recipe> others, string? of = null, string? kept = null) =>
            new(from, of, kept, recipe.Name, recipe.Colour, recipe.Doses, ColourSeen.Of(catalogue, recipe, others, on),
                recipe.Of?.Length ?? 0);

        return
        [
            .. catalogue.OwnColourants.Where(c => c is { Colour: not null, PutAway: false })
                .Select(c => Offer(OfferFrom.Colourant, FromCupboard(c), [])),
            .. recipes.Select(r => Offer(OfferFrom.Recipe, r.Value.Recipe, r.Value.Others, kept: r.Key)),
            .. Palette.All.Select(r => Offer(OfferFrom.Usual, r, [])),

            // What is filled from other cups would have to bring them: a sequence lays it, or a recipe.
            .. sequences.SelectMany(s => s.Recipes.Where(r => r.Of is null && !r.IsClear)
                .DistinctBy(r => (r.Name, r.Colour)).Select(r => Offer(OfferFrom.Sequence, r, [], of: s.Name))),
        ];
    }

    /// <summary>A colourant of the cupboard, as much of it as is usual.</summary>
    private static Recipe FromCupboard(Colourant own) =>
        new("", own.Name, own.Colour!, [new(own.Class, Math.Min(own.UsualFromPercent, own.LimitPercent), own.LimitBy, own.Id)]);
}
