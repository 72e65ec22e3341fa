using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Checks;

/// <summary>Thin colour on a ground that nobody has painted.</summary>
internal sealed class BareGroundCheck : ICheck
{
    private const double ShowsPercent = 50;

    public string Id => "bare-ground";

    public IEnumerable<Finding> Look(Looked looked)
    {
        // What is poured clear all over hides nothing: the ground shows through the first layer that has a colour.
        var ground = looked.Piece.Ground;
        var (layer, plan) = looked.Piece.Filled.Zip(looked.Layers)
            .FirstOrDefault(l => l.First.Within is null
                && l.Second.Regions.Any(r => r.Fits && l.First.Recipes.Any(c => c.Id == r.CupId && !c.IsClear)));
        if (layer is null)
        {
            yield break;
        }

        if (!looked.Bare || ground.Paint is not null || ground.Old is not null || ground.Base?.Material.IsBareWood() == false)
        {
            yield break;
        }

        var seen = plan.Regions.Where(r => r.Fits).Select(r => r.CupId).ToHashSet();
        var thin = layer.Recipes.Where(c => seen.Contains(c.Id) && c.IsColoured
            && 100 * CupLook.Of(looked.Around.Catalogue, layer, c).Opacity(layer.DepthMm) < ShowsPercent).ToList();
        if (thin.Count == 0)
        {
            yield break;
        }

        var thinnest = thin.MinBy(c => CupLook.Of(looked.Around.Catalogue, layer, c).Opacity(layer.DepthMm))!;
        yield return new(
            Id, $"bare-ground@{layer.Id}", Grade.Mind, "Bare ground",
            $"More than half of the ground shows through {string.Join(", ", thin.Select(c => c.Name))} (opacity "
                + $"{{0}}), and the ground is not painted: bare wood dulls the colour.",
            [plan.OpacityOf(thinnest.Id)], new(Station.Map, layer.Id),
            [
                Remedy.Of("paint", "Paint the ground in that colour first", new PaintGround(PaintKind.Water)),
                .. Stronger(looked.Around.Catalogue, layer, thin),
            ]);
    }

    /// <summary>As much colour as covers half of the ground, where every class and all together allow it.</summary>
    private static IEnumerable<Remedy> Stronger(Catalogue all, FilledLayer layer, List<Recipe> thin)
    {
        var stronger = thin.ToDictionary(c => c.Id, c => WantedCover.Of(all, layer, c, ShowsPercent, layer.DepthMm));
        if (stronger.Values.All(c => c is { Fits: true }))
        {
            yield return Remedy.Of("stronger", "Add pigment until half is hidden",
                [.. thin.Select(c => new CoverBelow(c.Id, layer.Id, ShowsPercent, layer.DepthMm))]);
        }
    }
}
