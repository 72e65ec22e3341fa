using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;

namespace MossLantern.Core.Checks;

/// <summary>A pass of colour over a spot that is to stay visible.</summary>
internal sealed class HidesInlayCheck : ICheck
{
    /// <summary>More cover than this hides what lies below, as a share.</summary>
    public const double HidesShare = 0.5;

    public string Id => "hides-inlay";

    public IEnumerable<Finding> Look(Looked looked)
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
