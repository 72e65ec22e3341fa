using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Checks;

/// <summary>A colour that is meant to cover, and is as good as clear at its depth.</summary>
internal sealed class ThinColourCheck : ICheck
{
    /// <summary>Below this much cover it reads as tinted clear, %.</summary>
    public const double LeastPercent = 30;

    /// <summary>So much it is to cover, %.</summary>
    private const double CoversPercent = 50;

    public string Id => "thin-colour";

    public IEnumerable<Finding> Look(Looked looked)
    {
        HashSet<string> told = [];
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            var seen = plan.Regions.Where(r => r is { Fits: true, Bare: false }).Select(r => r.CupId).ToHashSet();
            foreach (var cup in layer.Recipes.Where(c => seen.Contains(c.Id) && Covers(c)
                && plan.OpacityOf(c.Id).Value < LeastPercent && !told.Contains(c.FirstId)))
            {
                told.Add(cup.FirstId);
                var depth = plan.Colours.Single(c => c.CupId == cup.Id).Beneath.DepthMm;
                yield return new(
                    Id, $"thin-colour@{cup.FirstId}", Grade.Mind, "Thin colour",
                    $"{cup.Name} is made to cover, and covers {{0}} of what lies below it in {layer.Name}: it reads as tinted clear"
                        + (cup.Colourant is ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic
                            ? ", its metal like dust." : "."),
                    [plan.OpacityOf(cup.Id)], new(Station.Cups, layer.Id, CupId: cup.Id),
                    [
                        .. WantedCover.Of(looked.Around.Catalogue, layer, cup, CoversPercent, depth) is { Fits: true }
                            ? [Remedy.Of("stronger", "Add pigment until half is hidden",
                                new CoverBelow(cup.FirstId, layer.Id, CoversPercent, depth))]
                            : Array.Empty<Remedy>(),
                        Remedy.Ask("deeper", "Pour it deeper", PlaceIn.Layer(layer.Id) + ".depthMm"),
                    ], Worth: LeastPercent - plan.OpacityOf(cup.Id).Value);
            }
        }
    }

    private static bool Covers(Recipe cup) => cup.Of is null && !cup.Doses.IsEmpty && cup.Doses.All(d => !d.ByEye
        && d.Colourant is ColourantClass.Paste or ColourantClass.MetallicPaste or ColourantClass.Acrylic or ColourantClass.AcrylicMetallic);
}
