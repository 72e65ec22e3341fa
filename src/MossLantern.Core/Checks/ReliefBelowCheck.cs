using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Colour is poured straight over lines and stones that stand up from older work.</summary>
internal sealed class ReliefBelowCheck : ICheck
{
    public string Id => "relief-below";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var (ground, first) = (looked.Piece.Ground, looked.Piece.Filled[0]);
        if (!looked.Bare || ground.Old is not { ReliefMm: > 0 } old || IsClear(first))
        {
            yield break;
        }

        var ml = Reckoned.Of(Volume.Ml(old.Ground.Whole.AreaMm2, Rework.WettingMm), "ml", Formulas.WettingCoat,
            new("area of the older work", old.Ground.Whole.AreaMm2 / 100, "cm²", Origin.Reckoned),
            new("depth", Rework.WettingMm, "mm", Origin.Default));
        yield return new(
            Id, "relief-below@ground", Grade.Mind, "Relief below",
            $"Lines and stones stand proud of the older work, and {first.Name} is not clear: rings break on them. A "
                + $"thin clear coat of {{0}} first covers them.",
            [ml], new(Station.Ground, first.Id, old.XMm + old.Ground.Whole.BoxWidthMm / 2, old.YMm + old.Ground.Whole.BoxHeightMm / 2),
            [
                .. looked.Piece.Filled.Length < PieceValidator.MostLayers
                    ? [Remedy.Of("wet", "Pour a thin clear coat of {0} first", new WetFirst()) with { Mm = Rework.WettingMm }]
                    : Array.Empty<Remedy>(),
                Remedy.Set("flat", "It was sanded flat", "ground.old.reliefMm", 0),
            ]);
    }

    private static bool IsClear(FilledLayer layer)
    {
        var used = layer.RecipesInUse;
        return layer.Recipes.Where(c => used.Contains(c.Id)).All(c => c.Colourant is null);
    }
}
