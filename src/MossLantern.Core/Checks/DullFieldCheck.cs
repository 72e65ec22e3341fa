using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A large region of one flat colour.</summary>
internal sealed class DullFieldCheck : ICheck
{
    /// <summary>A region is large from so much of the piece on.</summary>
    public const double LargePercent = 30;

    /// <summary>Below this much cover what lies beneath gives it life.</summary>
    private const double CoversPercent = 50;

    private const double LineMm = 2;

    public string Id => "dull-field";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured && l.First.Contrast != Contrast.Any))
        {
            // Under what is coloured it is not what is seen in the end.
            if (layer.Within is null && looked.Piece.Filled.SkipWhile(l => l.Id != layer.Id).Skip(1).Any(l => l.Within is null && l.RecipesInUse.Any(id => l.Recipes.Any(r => r.Id == id && !r.IsClear))))
            {
                continue;
            }

            var whole = looked.Piece.Ground.OutlineWithin(layer.Within).AreaMm2 / 100;
            var cups = layer.Recipes.ToDictionary(c => c.Id);
            foreach (var region in plan.Regions.Where(r => r.CupId is not null && r.Kind is RegionKind.Band or RegionKind.Field or RegionKind.Pool or RegionKind.Flood))
            {
                var cup = cups[region.CupId!];
                var share = 100 * region.Area.Value / whole;
                if (share < LargePercent || !IsFlat(cup) || layer.Layout is FieldsLayout { Vein: not null } or MarbleLayout || plan.OpacityOf(cup.Id).Value < CoversPercent)
                {
                    continue;
                }

                yield return new(
                    Id, $"dull-field@{layer.Id}/{region.Id}", Grade.Mind, "Dull field",
                    $"{cup.Name} is a flat colour over {{0}} of the piece: so large an area looks dull. A vein, leaf, crackle or shimmer brings it to life.",
                    [
                        Reckoned.Of(share, "%", Formulas.ColourShare,
                            new("area of the colour", region.Area.Value, "cm²", Origin.Reckoned), new("area of the piece", whole, "cm²", Origin.Reckoned)),
                    ],
                    NoHomeCheck.Place(layer, region),
                    [
                        .. Vein(layer, region, share, cup),
                        Shimmers(looked, layer, cup),
                    ]);
            }
        }
    }

    /// <summary>Mica in place of its colourant; not where that would change what has been poured of it already.</summary>
    private static Remedy Shimmers(Looked looked, FilledLayer layer, Recipe cup)
    {
        var any = Remedy.OnLayer("any", "That is fine here", layer.Id, l => l with { Contrast = Contrast.Any });
        if (looked.Piece.Filled.Zip(looked.Layers).Any(l => l.Second.Poured && l.First.RecipesInUse.Contains(cup.Id)))
        {
            return any;
        }

        // A little more in a cup that is about to run away makes it do so.
        var shimmer = Remedy.OnLayer("shimmer", $"Make {cup.Name} shimmer: mica instead of {looked.Around.Catalogue.Of(cup.Colourant!.Value).Name}", layer.Id, l => l with
        {
            Recipes = [.. l.Recipes.Select(c => c.Id == cup.Id ? c.WithColourant(ColourantClass.Mica).WithLoad(Math.Max(3, c.LoadPercent)) : c)],
        });
        return CupTooBigCheck.IsNear(looked) && CupTooBigCheck.IsMadeBy(looked, shimmer) ? any : shimmer;
    }

    private static bool IsFlat(Recipe cup) =>
        cup.IsColoured && cup.Doses.All(d => d.Colourant is ColourantClass.Paste or ColourantClass.Acrylic or ColourantClass.Dye or ColourantClass.AlcoholInk or ColourantClass.Lacing)
        || IsMetal(cup);

    /// <summary>Metal without grain is as flat over a large field.</summary>
    private static bool IsMetal(Recipe cup) => cup.Doses is [{ Colourant: ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic }];

    /// <summary>A band falls into two halves with a metallic line between; fields get a vein along their borders.</summary>
    private static IEnumerable<Remedy> Vein(FilledLayer layer, RegionPlan region, double share, Recipe cup)
    {
        var metal = layer.Recipes.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)
            ?? Recipe.Plain(FreeId.Of("gilt", layer.Recipes.Select(c => c.Id)), "gilt", "#c99b3a", ColourantClass.MetallicPaste, 5);
        FilledLayer With(FilledLayer l) => l.Recipes.Any(c => c.Id == metal.Id) ? l : l with { Recipes = l.Recipes.Add(metal) };
        if (layer.Recipes.Length >= PieceValidator.MostRecipes)
        {
            yield break;
        }

        if (layer.Layout is FieldsLayout fields)
        {
            yield return Remedy.OnLayer("vein", $"Lay a vein of {metal.Name} along the fields", layer.Id, l => With(l) with { Layout = fields with { Vein = new(metal.Id, 3, 1) } });
        }

        var at = layer.Layout is BandedLayout ? layer.Bands.Select(b => (RegionId)b.Id).ToList().IndexOf(region.Id) : -1;
        if (at >= 0 && layer.Bands[at] is { FillsRest: false, WidthMm: > 3 * LineMm } band && share < 1.7 * LargePercent && layer.Bands.Length + 2 <= Accepted.BandCount.To)
        {
            var ids = layer.Bands.Select(b => b.Id).ToList();
            var line = new Band(FreeId.Of("line", ids), LineMm, false, metal.Id);
            var half = band with { WidthMm = Math.Round((band.WidthMm - LineMm) / 2, 1) };
            var other = half with { Id = FreeId.Of("half", ids) };
            yield return Remedy.OnLayer("vein", $"Lay a line of {metal.Name}, {{0}} wide, through it", layer.Id, l => With(l) with
            {
                Layout = (BandedLayout)l.Layout with { Bands = [.. l.Bands.Take(at), half, line, other, .. l.Bands.Skip(at + 1)] },
            }, LineMm);
        }
    }
}
