using System.Collections.Immutable;
using System.Text.Json.Serialization;
using FluentValidation;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>A sequence of colours that is kept by name, to be laid again in any other piece.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Bands">Its bands or lines, from the middle to the rim; widths in mm.</param>
/// <param name="Recipes">The colours that they are poured from, with those that mixed ones are filled from.</param>
/// <param name="AcrossMm">How far across the smaller way the place was that it was kept from, mm: what a fitted one is
/// measured against.</param>
/// <param name="Widening">Factor by which each band is wider than the one inside it.</param>
/// <param name="Note">A note; may be empty.</param>
/// <remarks>Source: docs/craft/layouts.md, Sequences.</remarks>
public sealed record KeptSequence(string Name, ImmutableArray<Band> Bands, ImmutableArray<Recipe> Recipes,
    double AcrossMm, double Widening = 1, string Note = "")
{
    /// <summary>Most recipes of a sequence.</summary>
    public const int MostRecipes = 40;

    /// <summary>Width of every band with the widening in it, mm; 0 for the one that fills the rest.</summary>
    [JsonIgnore]
    public ImmutableArray<double> WidthsMm => [.. Band.WidthsMm(Bands, Widening)];

    /// <summary>What its bands take up together, the one that fills the rest aside, mm.</summary>
    [JsonIgnore]
    public Reckoned Together => new(WidthsMm.Sum(), "mm", Formulas.StripesNeed,
        [.. Bands.Zip(WidthsMm).Where(b => !b.First.FillsRest)
            .Select(b => new ReckonedInput(Recipes.First(r => r.Id == b.First.RecipeId).Name, b.Second, "mm", Origin.Own))]);

    /// <summary>The sequence of a layout.</summary>
    /// <param name="layout">A valid layout of bands.</param>
    /// <param name="recipes">The recipes of its piece.</param>
    /// <param name="name">Name to keep it by.</param>
    /// <param name="acrossMm">How far across the place is that it fills, the smaller way, mm.</param>
    public static KeptSequence Of(BandedLayout layout, ImmutableArray<Recipe> recipes, string name, double acrossMm)
    {
        ArgumentNullException.ThrowIfNull(layout);
        var used = Recipe.WithShares(layout.Bands.Select(b => b.RecipeId), recipes);
        return new(name, layout.Bands, [.. recipes.Where(r => used.Contains(r.Id))], acrossMm, layout.Widening);
    }

    /// <summary>
    /// A layout with this sequence in place of its own bands, and the recipes with those that it needs: one that is mixed in the same
    /// way is taken for it, the others come with it.
    /// </summary>
    /// <param name="layout">A valid layout of bands.</param>
    /// <param name="recipes">The recipes of its piece.</param>
    /// <param name="acrossMm">How far across the place is that it fills, the smaller way, mm, to fit the widths to it;
    /// null lays them as wide as they were kept.</param>
    public LaidSequence LaidIn(BandedLayout layout, ImmutableArray<Recipe> recipes, double? acrossMm)
    {
        ArgumentNullException.ThrowIfNull(layout);
        (recipes, var ids) = Recipe.Brought(Recipes, recipes);
        var scale = (acrossMm ?? AcrossMm) / AcrossMm;
        return new(
            layout with
            {
                Bands = [.. Bands.Select(b => b
                with { WidthMm = Width(b.WidthMm * scale), RecipeId = ids[b.RecipeId] })],
                Widening = Widening
            },
            recipes);
    }

    private static double Width(double mm) => Math.Clamp(Math.Round(mm, 1), Accepted.BandMm.From, Accepted.BandMm.To);
}

/// <summary>A sequence as it was laid.</summary>
/// <param name="Layout">The layout with its bands.</param>
/// <param name="Recipes">The recipes of the piece, with those that came with it.</param>
public sealed record LaidSequence(Layout Layout, ImmutableArray<Recipe> Recipes);
