using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
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
        foreach (var pair in Neighbours.Of(looked).Where(n => n.Layer.Layer.Contrast != Contrast.Any))
        {
            if (pair.Inner.Of is not null || pair.Outer.Of is not null)
            {
                continue;
            }

            var (inner, outer) = (LookOf(pair.Inner), LookOf(pair.Outer));
            if (!Muddy(inner, outer))
            {
                continue;
            }

            var mix = Lab.Of(Pigment.Mix(inner.Colour, inner.LoadPercent, outer.Colour, outer.LoadPercent)).Chroma;
            var white = pair.Own("white", "#f7f3ea", ColourantClass.Paste, 5);
            var clear = pair.Own("clear", "#eef0ea", null, 0);
            yield return new(
                Id, $"mud@{pair.Key}", Grade.Mind, "Mud",
                $"Where {pair.Inner.Name} and {pair.Outer.Name} bleed into each other they turn dull: a chroma of {{0}}.",
                [
                    Reckoned.Of(mix, "", Formulas.Mud,
                        new($"chroma of {pair.Inner.Name}", Lab.Of(inner.Colour).Chroma, "", Origin.Own),
                        new($"chroma of {pair.Outer.Name}", Lab.Of(outer.Colour).Chroma, "", Origin.Own),
                        new($"load of {pair.Inner.Name}", inner.LoadPercent, "%", Origin.Own),
                        new($"load of {pair.Outer.Name}", outer.LoadPercent, "%", Origin.Own)),
                ],
                new(Station.Map, pair.Layer.Id, pair.At?.XMm, pair.At?.YMm),
                [
                    .. Line("clear", clear),
                    .. !Muddy(inner, LookOf(white)) && !Muddy(LookOf(white), outer) ? Line("white", white) : [],
                    Remedy.Set("any", "That is fine here", PlaceIn.Layer(pair.Layer.Id) + ".contrast", "any"),
                ]);

            IEnumerable<Remedy> Line(string id, Recipe cup) =>
                Neighbours.Between(cup, [pair]) is { IsEmpty: false } edits
                    ? [new(id, pair.LineWords(cup.Name), edits, Mm: PutBetween.WidthMm)] : [];

            CupLook LookOf(Recipe cup) => CupLook.Of(looked.Around.Catalogue, pair.Layer, cup);
        }
    }

    private static bool Muddy(CupLook first, CupLook second) =>
        first.LoadPercent > 0 && second.LoadPercent > 0
            && Pigment.IsMud(first.Colour, first.LoadPercent, second.Colour, second.LoadPercent);
}
