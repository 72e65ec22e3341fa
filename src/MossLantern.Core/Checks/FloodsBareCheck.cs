using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Checks;

/// <summary>Resin is poured beside a spot that is to stay bare, and nothing holds it back.</summary>
internal sealed class FloodsBareCheck : ICheck
{
    public string Id => "floods-bare";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var kept in (looked.Piece.Kept ?? []).Where(k => k.Keep == Keep.Bare && looked.Piece.DamOf(k.Id) is null))
        {
            var regionId = RegionId.OfSpot(kept.Id);
            var wet = looked.Piece.Filled.Zip(looked.Layers)
                .Where(l => !l.Second.Poured && l.First.Within is null && l.Second.Regions
                    .Any(r => r.Id == regionId && r.Fits) && Reaches(l.First, l.Second, regionId)).Select(l => l.First).ToList();
            if (wet.Count == 0)
            {
                continue;
            }

            var depth = looked.Piece.Filled.Where(l => l.Within is null).Sum(l => l.DepthMm);
            var height = EdgeTape.LeastDamHeightMm(depth);
            var width = Math.Clamp(Math.Ceiling(2 * Bead.SiliconeWidthMm(height)) / 2, Accepted.LineMm.From, Accepted.LineMm.To);
            var anchor = looked.Layers.SelectMany(l => l.Regions).First(r => r.Id == regionId).Anchor;
            yield return new(
                Id, $"floods-bare@{kept.Id}", Grade.Mend, "Floods a reserved spot",
                $"{wet[0].Name} is poured round {kept.Name} and nothing holds it back: resin fills a texture and "
                    + $"kills a colour shift. A dam of {{0}} keeps it out.",
                [Reckoned.Of(height, "mm", Formulas.DamHeight, new("depth of all layers", depth, "mm", Origin.Own),
                    new("above it", EdgeTape.AboveMm, "mm", Origin.Default))],
                new(Station.Map, wet[0].Id, anchor?.XMm, anchor?.YMm),
                [
                    Remedy.Of("dam", "Build a dam {0} wide round it", new BuildDam(kept.Id, width)) with { Mm = width },
                    Remedy.Set("visible", "It may be covered with clear: keep it visible instead", $"kept[{kept.Id}].keep", "visible"),
                ]);

            // A puddle that is poured elsewhere stays where it is.
            static bool Reaches(FilledLayer layer, LayerPlan plan, RegionId kept) =>
                layer.Layout is not PuddleLayout { RestRecipeId: null } || plan.Borders.Any(b => b.First == kept || b.Second == kept);
        }
    }
}
