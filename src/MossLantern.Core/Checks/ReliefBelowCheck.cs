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
        var (ground, first) = (looked.Piece.Ground, looked.Piece.Layers[0]);
        if (!looked.Bare || ground.Old is not { ReliefMm: > 0 } old || IsClear(first))
        {
            yield break;
        }

        var ml = Reckoned.Of(Volume.Ml(old.Ground.Whole.AreaMm2, Rework.WettingMm), "ml", Formulas.WettingCoat,
            new("area of the older work", old.Ground.Whole.AreaMm2 / 100, "cm²", Origin.Reckoned),
            new("depth", Rework.WettingMm, "mm", Origin.Default));
        yield return new(
            Id, "relief-below@ground", Grade.Mind, "Relief below",
            $"Lines and stones stand up from the older work and {first.Name} is not clear: rings break on them. A thin clear coat of {{0}} first wets them over.",
            [ml], new("ground", first.Id, old.XMm + old.Ground.Whole.BoxWidthMm / 2, old.YMm + old.Ground.Whole.BoxHeightMm / 2),
            [
                .. looked.Piece.Layers.Length < PieceValidator.MostLayers
                    ? [Remedy.Change("wet", "Pour a thin clear coat of {0} first", p => p with { Layers = p.Layers.Insert(0, Wetting(p)) }, Rework.WettingMm)]
                    : Array.Empty<Remedy>(),
                Remedy.OnGround("flat", "It was sanded flat", g => g with { Old = g.Old! with { ReliefMm = 0 } }),
            ]);
    }

    private static bool IsClear(Layer layer)
    {
        var used = layer.CupsInUse;
        return layer.Cups.Where(c => used.Contains(c.Id)).All(c => c.Colourant is null);
    }

    private static Layer Wetting(Piece piece)
    {
        var over = piece.Layers[0];
        var ids = piece.Layers.Select(l => l.Id).ToHashSet();
        return new(
            Enumerable.Range(0, ids.Count + 1).Select(i => i == 0 ? "wetting" : FormattableString.Invariant($"wetting-{i}")).First(id => !ids.Contains(id)),
            "Wetting coat", Rework.WettingMm, [], [new("band-1", 10, true, "cup-1")], 0, "cup-1", [new("cup-1", "clear", "#eef0ea", null, 0)],
            over.Resin, over.Measure, null, [], PourTimes.None);
    }
}
