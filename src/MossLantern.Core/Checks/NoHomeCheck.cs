using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Checks;

/// <summary>A cup that nothing is poured from, or a region that nobody has given a cup.</summary>
internal sealed class NoHomeCheck : ICheck
{
    public string Id => "no-home";

    public IEnumerable<Finding> Look(Looked looked)
    {
        HashSet<string> told = [];
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            // What no layer names is a cup of each: it is told once. What another recipe is filled from cannot be put away before it.
            var used = layer.RecipesInUse;
            var filledFrom = layer.Recipes.SelectMany(r => r.Of ?? []).Select(s => s.RecipeId).ToHashSet();
            foreach (var cup in layer.Cups.Where(c => !used.Contains(c.Id) && !filledFrom.Contains(c.Id)
                && !(looked.Piece.Kept is { IsEmpty: false } && c.Id == layer.ClearRecipe) && told.Add(c.Id)))
            {
                yield return new(
                    Id, $"no-home@{layer.Id}/{cup.Id}", Grade.Mind, "Cup with no use",
                    $"Nothing in {layer.Name} is poured from {cup.Name}.", [],
                    new(Station.Cups, layer.Id, CupId: cup.Id), [Remedy.Of("away", $"Put {cup.Name} away", new PutColourAway(cup.Id))]);
            }

            foreach (var region in plan.Regions.Where(r => r is { Fits: true, CupId: null, Bare: false }))
            {
                if (region.Kind == RegionKind.KeptVisible && told.Add(region.Id.ToString()))
                {
                    yield return new(
                        Id, $"no-home@{layer.Id}/{region.Id}", Grade.Mind, "Spot without a cup",
                        $"{NameOf(looked.Piece, region.Id)} is to stay visible, but {layer.Name} has no cup of clear for it.", [],
                        Place(layer, region),
                        [Remedy.Of("clear", "Add a cup of clear for it", AddColour.Of(Recipe.Clear("clear")))]);
                }
                else if (region.Kind == RegionKind.Pool && layer.Layout is PoolsLayout)
                {
                    yield return new(
                        Id, $"no-home@{layer.Id}/{region.Id}", Grade.Mind, "Pool without a cup",
                        "No cup has been chosen for this pool of {0}.", [region.Area],
                        Place(layer, region), [.. Colours(layer, plan, region)]);
                }
            }

            foreach (var region in plan.Regions.Where(r => r is { Fits: false, Kind: RegionKind.Pool, CupId: not null }))
            {
                yield return new(
                    Id, $"no-home@{layer.Id}/{region.Id}", Grade.Mind, "Colour without a pool",
                    $"{layer.Recipes.Single(c => c.Id == region.CupId).Name} no longer has a pool of its own: its "
                        + "walls leave it in another's.",
                    [], Place(layer, region),
                    [Remedy.Of("let-go", "Let it go", new LeavePoolOut(layer.Id, region.Id.Zone, region.Id.Own))]);
            }
        }
    }

    internal static string NameOf(Piece piece, RegionId regionId) =>
        (piece.Kept ?? []).FirstOrDefault(k => regionId.Kept == k.Id)?.Name ?? "The reserved spot";

    internal static FindingPin Place(FilledLayer layer, RegionPlan region) =>
        new(Station.Map, layer.Id, region.Anchor?.XMm, region.Anchor?.YMm);

    /// <summary>The layer's cups that stand out most from what the other pools hold.</summary>
    private static IEnumerable<Remedy> Colours(FilledLayer layer, LayerPlan plan, RegionPlan region)
    {
        var shares = plan.Regions.Where(r => r.CupId is not null).GroupBy(r => r.CupId!)
            .ToDictionary(g => g.Key, g => g.Sum(r => r.Area.Value));
        foreach (var cup in layer.Cups.Where(c => c.Of is null).OrderBy(c => shares.GetValueOrDefault(c.Id)).Take(2))
        {
            if (region.Anchor is { } at)
            {
                yield return Remedy.Of($"pour-{cup.Id}", $"Pour it from {cup.Name}", new AddPool(layer.Id, null, at.XMm, at.YMm, cup.Id));
            }
        }
    }
}
