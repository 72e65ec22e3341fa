using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A large region of one flat colour.</summary>
internal sealed class DullFieldCheck : ICheck
{
    /// <summary>A region is large from so much of the piece on.</summary>
    public const double LargePercent = 30;

    /// <summary>Below this much cover what lies beneath gives it life.</summary>
    private const double CoversPercent = 50;

    /// <summary>So much mica shimmers, %.</summary>
    private const double LeastMicaPercent = 3;

    public string Id => "dull-field";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers)
            .Where(l => !l.Second.Poured && l.First.Layer.Contrast != Contrast.Any))
        {
            // Under what is coloured it is not what is seen in the end.
            if (layer.Within is null && looked.Piece.Filled.SkipWhile(l => l.Id != layer.Id).Skip(1)
                .Any(l => l.Within is null && l.RecipesInUse.Any(id => l.Recipes.Any(r => r.Id == id && !r.IsClear))))
            {
                continue;
            }

            var whole = looked.Piece.Ground.OutlineWithin(layer.Within).AreaMm2 / 100;
            var cups = layer.Recipes.ToDictionary(c => c.Id);
            if (Pools(looked, layer, plan, cups, whole) is { } pools)
            {
                yield return pools;
                continue;
            }

            foreach (var region in plan.Regions
                .Where(r => r.CupId is not null && r.Kind is RegionKind.Band or RegionKind.Field or RegionKind.Pool or RegionKind.Flood))
            {
                var cup = cups[region.CupId!];
                var share = 100 * region.Area.Value / whole;
                if (share < LargePercent || !IsFlat(cup) || IsUnderPass(looked, layer, region.Id)
                    || layer.Layout is MarbleLayout || layer.Lines.Any(l => l.Course is AllBordersCourse)
                    || plan.OpacityOf(cup.Id).Value < CoversPercent)
                {
                    continue;
                }

                yield return new(
                    Id, $"dull-field@{layer.Id}/{region.Id}", Grade.Mind, "Dull field",
                    $"{cup.Name} is a flat colour over {{0}} of the piece: so large an area looks dull. A vein, leaf, "
                        + "crackle or shimmer brings it to life.",
                    [
                        Reckoned.Of(share, "%", Formulas.ColourShare,
                            new("area of the colour", region.Area.Value, "cm²", Origin.Reckoned),
                            new("area of the piece", whole, "cm²", Origin.Reckoned)),
                    ],
                    NoHomeCheck.Place(layer, region),
                    [
                        .. Lines(layer, region, share),
                        Shimmers(looked, layer, cup),
                    ]);
            }
        }
    }

    /// <summary>Pools that are each too small to be dull, but all of one flat kind: together they are.</summary>
    private Finding? Pools(Looked looked, FilledLayer layer, LayerPlan plan, Dictionary<string, Recipe> cups, double whole)
    {
        var pools = plan.Regions.Where(r => r is { CupId: not null, Fits: true } && r.Kind == RegionKind.Pool).ToList();
        var (share, largest) = (100 * pools.Sum(r => r.Area.Value) / whole, pools.MaxBy(r => r.Area.Value));
        if (layer.Layout is not PoolsLayout || pools.Count < 2 || share < LargePercent || 100 * largest!.Area.Value / whole >= LargePercent
            || pools.Any(r => !IsFlat(cups[r.CupId!]) || plan.OpacityOf(r.CupId!).Value < CoversPercent
                || IsUnderPass(looked, layer, r.Id)))
        {
            return null;
        }

        return new(
            Id, $"dull-field@{layer.Id}/pools", Grade.Mind, "Dull field",
            FormattableString.Invariant($"All {pools.Count} pools are flat colours, over {{0}} of the piece: so large an area looks dull. ")
                + "A vein, leaf, crackle or shimmer brings it to life.",
            [Reckoned.Of(share, "%", Formulas.ColourShare,
                new("area of the colour", pools.Sum(r => r.Area.Value), "cm²", Origin.Reckoned),
                new("area of the piece", whole, "cm²", Origin.Reckoned))],
            NoHomeCheck.Place(layer, largest), [Shimmers(looked, layer, cups[largest.CupId!])]);
    }

    /// <summary>Whether a coloured pass comes over what a region is filled with first.</summary>
    private static bool IsUnderPass(Looked looked, FilledLayer layer, RegionId region) =>
        layer.Filling.Passes?.GetValueOrDefault(region) is { IsDefaultOrEmpty: false, Length: > 1 } passes
        && passes.Skip(1).Any(p => p.RecipeId is { } id && looked.Piece.Recipes.Any(r => r.Id == id && !r.IsClear));

    /// <summary>Mica in place of its colourant; not where that would change what has been poured of it already.</summary>
    private static Remedy Shimmers(Looked looked, FilledLayer layer, Recipe cup)
    {
        var any = Remedy.Set("any", "That is fine here", PlaceIn.Layer(layer.Id) + ".contrast", "any");
        if (looked.Piece.Filled.Zip(looked.Layers).Any(l => l.Second.Poured && l.First.RecipesInUse.Contains(cup.Id)))
        {
            return any;
        }

        // A little more in a cup that is about to run away makes it do so.
        var (catalogue, recipe) = (looked.Around.Catalogue, cup.FirstId);
        var load = Math.Max(LeastMicaPercent, Math.Min(cup.LoadPercent, catalogue.Of(ColourantClass.Mica).LimitPercent));
        var shimmer = Remedy.Of("shimmer", $"Make {cup.Name} shimmer: mica instead of {catalogue.Of(cup.Colourant!.Value).Name}",
            new ChooseColourant(recipe, ColourantClass.Mica), SetField.To(PlaceIn.Recipe(recipe) + ".doses[0].percent", load));
        return CupTooBigCheck.IsNear(looked) && CupTooBigCheck.IsMadeBy(looked, shimmer) ? any : shimmer;
    }

    private static bool IsFlat(Recipe cup) =>
        cup.IsColoured && cup.Doses.All(d => d.Colourant is ColourantClass.Paste or ColourantClass.Acrylic
            or ColourantClass.Dye or ColourantClass.AlcoholInk or ColourantClass.Lacing)
        || IsMetal(cup);

    /// <summary>Metal without grain is as flat over a large field.</summary>
    private static bool IsMetal(Recipe cup) => cup.Doses is [{ Colourant: ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic }];

    /// <summary>A band falls into two halves with a metallic vein between; fields get a vein along their borders.</summary>
    private static IEnumerable<Remedy> Lines(FilledLayer layer, RegionPlan region, double share)
    {
        var metal = layer.Recipes.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)?.Name ?? Palette.Gilt.Name;
        if (layer.Recipes.Length >= PieceValidator.MostRecipes)
        {
            yield break;
        }

        if (layer.Layout is FieldsLayout)
        {
            yield return Remedy.Of("vein", $"Lay a vein of {metal} along the fields", new LayLine(layer.Id, null));
        }

        if (layer.Layout is BandedLayout banded && layer.Bands.FirstOrDefault(b => b.Region == region.Id) is { } band
            && share < 1.7 * LargePercent && BandThrough.HasRoom(banded, band))
        {
            yield return Remedy.Of("vein", $"Lay a line of {metal}, {{0}} wide, through it",
                new BandThrough(layer.Id, null, band.Id)) with
            { Mm = BandThrough.WidthMm };
        }
    }
}
