using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Two neighbours that mix to a dull colour where they bleed.</summary>
internal sealed class MudCheck : ICheck
{
    public string Id => "mud";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var pair in Neighbours.Of(looked).Where(n => n.Layer.Contrast != Contrast.Any))
        {
            var (inner, outer) = (Colour.Of(pair.Inner.Colour), Colour.Of(pair.Outer.Colour));
            if (pair.Inner.Of is not null || pair.Outer.Of is not null || !Muddy(pair.Inner, pair.Outer))
            {
                continue;
            }

            var mix = Lab.Of(Pigment.Mix(inner, pair.Inner.LoadPercent, outer, pair.Outer.LoadPercent)).Chroma;
            var white = pair.Own("white", "#f7f3ea", ColourantClass.Paste, 5);
            var clear = pair.Own("clear", "#eef0ea", null, 0);
            yield return new(
                Id, $"mud@{pair.Key}", Grade.Mind, "Mud",
                $"Where {pair.Inner.Name} and {pair.Outer.Name} bleed into each other they turn dull: a chroma of {{0}}.",
                [
                    Reckoned.Of(mix, "", Formulas.Mud,
                        new($"chroma of {pair.Inner.Name}", Lab.Of(inner).Chroma, "", Origin.Own), new($"chroma of {pair.Outer.Name}", Lab.Of(outer).Chroma, "", Origin.Own),
                        new($"load of {pair.Inner.Name}", pair.Inner.LoadPercent, "%", Origin.Own), new($"load of {pair.Outer.Name}", pair.Outer.LoadPercent, "%", Origin.Own)),
                ],
                new("map", pair.Layer.Id, pair.At?.XMm, pair.At?.YMm),
                [
                    .. Line("clear", clear),
                    .. !Muddy(pair.Inner, white) && !Muddy(white, pair.Outer) ? Line("white", white) : [],
                    Remedy.OnLayer("any", "It does not matter here", pair.Layer.Id, l => l with { Contrast = Contrast.Any }),
                ]);

            IEnumerable<Remedy> Line(string id, Recipe cup) =>
                pair.WithLine(cup) is { } with ? [pair.Change(id, pair.LineWords(cup.Name), with, Neighbours.LineMm)] : [];
        }
    }

    private static bool Muddy(Recipe first, Recipe second) =>
        first.Colourant is not null && second.Colourant is not null
        && Pigment.IsMud(Colour.Of(first.Colour), first.LoadPercent, Colour.Of(second.Colour), second.LoadPercent);
}
