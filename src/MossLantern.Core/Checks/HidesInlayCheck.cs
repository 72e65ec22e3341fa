using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Checks;

/// <summary>A pass of colour over a spot that is to stay visible.</summary>
internal sealed class HidesInlayCheck : ICheck
{
    /// <summary>More cover than this hides what lies below, as a share.</summary>
    public const double HidesShare = 0.5;

    public string Id => "hides-inlay";

    public IEnumerable<Finding> Look(Looked looked) => Stones(looked).Concat(Spots(looked)).Concat(Raised(looked));

    /// <summary>Colour that hides, poured straight over stones that lie in a region.</summary>
    private IEnumerable<Finding> Stones(Looked looked)
    {
        var recipes = looked.Piece.Recipes.ToDictionary(r => r.Id);
        foreach (var pour in ToPour.Of(looked))
        {
            // The first pass over them counts: thin clear there keeps them in sight from the side and on the edge.
            foreach (var region in pour.Plan.Cups.Regions.Where(r => r.Pass == 0 && !recipes[r.CupId].IsClear))
            {
                var layer = looked.Piece.FilledBy(region.LayerId);
                if ((layer.Layer.Stones ?? []).Where(s => s.Region == region.RegionId).ToList() is not { Count: > 0 } stones
                    || CupLook.Of(looked.Around.Catalogue, layer, recipes[region.CupId]).Opacity(layer.DepthMm) <= HidesShare
                    || looked.Sittings.TakeWhile(s => s.SittingId != pour.Sitting.Id).SelectMany(s => s.Pours)
                        .Any(p => p.LayerId == region.LayerId && p.RegionId == region.RegionId))
                {
                    continue;
                }

                var plan = looked.Layers.Single(l => l.LayerId == region.LayerId);
                var names = string.Join(", ", stones.Select(s =>
                    looked.Around.Catalogue.Find(MaterialKind.Stone, s.StoneId)?.Name ?? s.StoneId));
                var anchor = plan.Regions.First(r => r.Id == region.RegionId).Middle;
                yield return new(
                    Id, $"hides-inlay@{region.LayerId}/{region.RegionId}/stones", Grade.Mend, "Hides stones",
                    $"{recipes[region.CupId].Name} is poured straight over {names} in {plan.NameOf(region.RegionId)} and hides them.", [],
                    new(Station.Map, region.LayerId, anchor is null ? null : plan.Box.XMm + anchor.XMm, anchor is null ? null
                        : plan.Box.YMm + anchor.YMm),
                    [Remedy.Of("clear", "Thin clear over them first",
                        new AddPass(region.LayerId, region.RegionId, pour.Sitting.Id, true, null))]);
            }
        }
    }

    /// <summary>A raised line that stands lower than what is poured round it, where that hides it.</summary>
    private IEnumerable<Finding> Raised(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            foreach (var line in layer.Filling.Lines.Where(l => l.Material is ReliefLine))
            {
                var stands = BarrierBead.HoldsMm(line.Class!.Value, line.Section.HeightMm!.Value);
                var over = layer.DepthMm - stands;
                if (over <= 0 || plan.Colours.Select(c => layer.Recipes.Single(r => r.Id == c.CupId))
                    .All(r => r.IsClear || CupLook.Of(looked.Around.Catalogue, layer, r).Opacity(over) <= HidesShare))
                {
                    continue;
                }

                var higher = Math.Ceiling(2 * BarrierBead.LaidMm(line.Class.Value, layer.DepthMm)) / 2;
                yield return new(
                    Id, $"hides-inlay@{layer.Id}/{line.Id}", Grade.Mend, "Hides a raised line",
                    "The raised line stands {0} high when it is dry, and what is poured round it is {1} deep: its colours close over it.",
                    [
                        Reckoned.Of(stands, "mm", Formulas.LineHolds,
                            new("height", line.Section.HeightMm.Value, "mm", Origin.Own, line.Place + ".section.heightMm"),
                            new("what is left when it is dry", stands / line.Section.HeightMm.Value, "", Origin.Default)),
                        Reckoned.Of(layer.DepthMm, "mm", Formulas.Stated,
                            new ReckonedInput("depth", layer.DepthMm, "mm", Origin.Own, layer.Place + ".depthMm")),
                    ],
                    new(Station.Walls, layer.Id),
                    [Remedy.Set("higher", "Lay it {0} high", line.Place + ".section.heightMm", higher, higher)], Worth: over);
            }
        }
    }

    private IEnumerable<Finding> Spots(Looked looked)
    {
        // In a mould it is seen through the face: there colour belongs behind it.
        if (looked.Piece.Ground.Mould is not null)
        {
            yield break;
        }

        var recipes = looked.Piece.Recipes.ToDictionary(r => r.Id);
        foreach (var kept in (looked.Piece.Kept ?? []).Where(k => k.Keep == Keep.Visible))
        {
            var id = RegionId.OfSpot(kept.Id);
            foreach (var pour in ToPour.Of(looked))
            {
                foreach (var region in pour.Plan.Cups.Regions.Where(r => r.RegionId == id && !recipes[r.CupId].IsClear))
                {
                    var layer = looked.Piece.FilledBy(region.LayerId);
                    var depth = region.LayerMl.Inputs.FirstOrDefault(i => i.Unit == "mm")?.Value ?? layer.DepthMm;
                    if (CupLook.Of(looked.Around.Catalogue, layer, recipes[region.CupId]).Opacity(depth) <= HidesShare)
                    {
                        continue;
                    }

                    var anchor = looked.Layers.Single(l => l.LayerId == region.LayerId).Regions.First(r => r.Id == id).Anchor;
                    yield return new(
                        Id, $"hides-inlay@{region.LayerId}/{kept.Id}", Grade.Mend, "Hides a reserved spot",
                        $"{recipes[region.CupId].Name} is poured over {kept.Name} and hides it for good.", [],
                        new(Station.Map, region.LayerId, anchor?.XMm, anchor?.YMm),
                        [Remedy.Of("clear", "Pour clear there", new PourWithRest(region.LayerId, [id]))]);
                    break;
                }
            }
        }
    }
}
