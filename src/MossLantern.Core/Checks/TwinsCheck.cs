using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Two neighbours that read as one.</summary>
internal sealed class TwinsCheck : ICheck
{
    public string Id => "twins";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var all = looked.Around.Catalogue;
        // The same two colours are one matter, however often they meet in a layer, or in the hollows of a mould.
        foreach (var alike in Neighbours.Of(looked)
            .Where(n => n.Layer.Layer.Contrast == Contrast.Strong && !MeantAsOne(n))
            .GroupBy(n => (n.Layer.Within is null ? n.Layer.Id : "hollows", Colours(n))).Select(g => g.ToList()))
        {
            var pair = alike[0];

            // As they are seen on what they lie on: the ground, or what most of the layer below looks like.
            var ground = Colour.Of(pair.Plan.Colours.FirstOrDefault()?.Beneath.Colour ?? looked.Piece.Ground.Colour);
            var apart = Apart(all, ground, pair.Layer, pair.Inner, pair.Outer);
            if (apart >= Lab.ReadsAsOne)
            {
                continue;
            }

            var places = alike.Count == 1 ? "" : FormattableString.Invariant($" in {alike.Count} places");
            yield return new(
                Id, $"twins@{pair.Key}", Grade.Mind, "Twins",
                $"{pair.Inner.Name} and {pair.Outer.Name} lie side by side{places} and differ by only {{0}}: poured "
                    + "wet on wet they read as one.",
                [
                    new(apart, "ΔE00", Formulas.ColourDifference,
                    [
                        .. Told(all, ground, pair.Layer, pair.Inner, "one"), .. Told(all, ground, pair.Layer, pair.Outer, "the other"),
                        new("depth", DepthOf(pair.Layer), "mm", Origin.Reckoned),
                        new("reads as one below", Lab.ReadsAsOne, "ΔE00", Origin.Default),
                    ]),
                ],
                new(Station.Map, pair.Layer.Id, pair.At?.XMm, pair.At?.YMm),
                [
                    .. Swap(all, ground, alike), .. Line(all, ground, alike),
                    Remedy.Set("gradual", "They are meant to blend", PlaceIn.Layer(pair.Layer.Id) + ".contrast", "gradual"),
                ], Worth: Lab.ReadsAsOne - apart);
        }
    }

    /// <summary>One recipe beside itself, and clear beside clear; and a flower's petals, in shades of one colour.</summary>
    private static bool MeantAsOne(Neighbours pair) =>
        pair.Inner.MixedAlike(pair.Outer) || (IsClear(pair.Inner) && IsClear(pair.Outer)) || pair.Layer.Layout is PetalsLayout;

    /// <summary>Clear, or clear with nothing but glitter in it: that is told from clear by what sparkles.</summary>
    private static bool IsClear(Recipe recipe) => recipe.IsClear
        || (recipe.Of is null && recipe.Doses.All(d => d.Colourant == ColourantClass.Glitter));

    private static (string, string) Colours(Neighbours pair) =>
        string.CompareOrdinal(pair.Inner.Id, pair.Outer.Id) < 0 ? (pair.Inner.Id, pair.Outer.Id) : (pair.Outer.Id, pair.Inner.Id);

    /// <summary>The swap of two places' colours that leaves the fewest twins, where it leaves none of these pairs and
    /// no new ones.</summary>
    private static IEnumerable<Remedy> Swap(Catalogue all, Colour ground, List<Neighbours> alike)
    {
        var pair = alike[0];
        var (layer, places) = (pair.Layer, pair.Places);
        var number = places.Select((p, i) => (p.Id, i)).ToDictionary(p => p.Id, p => p.i);

        // Places by their numbers, the hearts' bed as one that cannot be swapped.
        var cups = layer.Recipes.ToDictionary(c => c.Id);
        var plain = pair.Plan.Regions.Where(r => r.CupId is not null).ToDictionary(r => r.Id, r => r.CupId!);
        var borders = pair.Plan.Borders.Where(b => plain.ContainsKey(b.First) && plain.ContainsKey(b.Second)).ToList();
        var apart = new Dictionary<(string, string), bool>();
        var before = Twins(-1, -1);
        var own = new[] { pair.First, pair.Second }.Where(number.ContainsKey).Select(id => number[id]).ToList();
        var best = Enumerable.Range(0, places.Length)
            .SelectMany(other => own.Where(o => places[o].Cup != places[other].Cup)
                .Select(o => (Own: o, Other: other, Left: Twins(o, other))))
            .Where(s => !alike.Any(n => s.Left.Contains((n.First, n.Second))) && s.Left.IsProperSubsetOf(before))
            .OrderBy(s => s.Left.Count).FirstOrDefault();
        if (best.Left is not null)
        {
            string Name(int place) => pair.Plan.NameOf(places[place].Id);
            yield return Remedy.Of("swap", $"Swap {Name(best.Own)} with {Name(best.Other)}", pair.Swapped(best.Own, best.Other));
        }

        HashSet<(RegionId, RegionId)> Twins(int one, int other)
        {
            string CupOf(RegionId id) => number.TryGetValue(id, out var n) && (n == one || n == other)
                ? places[n == one ? other : one].Cup : plain[id];
            return [.. borders.Where(b => ReadAsOne(CupOf(b.First), CupOf(b.Second))).Select(b => (b.First, b.Second))];
        }

        bool ReadAsOne(string a, string b) => apart.TryGetValue((a, b), out var one) ? one
            : apart[(a, b)] = Apart(all, ground, layer, cups[a], cups[b]) < Lab.ReadsAsOne;
    }

    /// <summary>A line between them, of the layer's own colour that stands out most, where that stands out from both.</summary>
    private static IEnumerable<Remedy> Line(Catalogue all, Colour ground, List<Neighbours> alike)
    {
        var pair = alike[0];

        double Stands(Recipe cup) =>
            Math.Min(Apart(all, ground, pair.Layer, cup, pair.Inner), Apart(all, ground, pair.Layer, cup, pair.Outer));
        var cup = pair.Layer.Cups.Where(c => c.SecondOf is null).MaxBy(Stands)!;

        if (Stands(cup) >= Lab.ReadsAsOne && Neighbours.Between(cup, alike) is { IsEmpty: false } edits)
        {
            yield return new("line", pair.LineWords(cup.Name), edits, Mm: PutBetween.WidthMm);
        }
    }

    /// <summary>How far two cups' resins differ as they are seen on the ground.</summary>
    private static double Apart(Catalogue all, Colour ground, FilledLayer layer, Recipe first, Recipe second) =>
        Lab.Difference(Seen(all, ground, layer, first), Seen(all, ground, layer, second));

    private static Lab Seen(Catalogue all, Colour ground, FilledLayer layer, Recipe cup) =>
        Lab.Of(CupLook.Of(all, layer, cup).Over(ground, DepthOf(layer)));

    private static double DepthOf(FilledLayer layer) => DepthZones.DepthOf(layer, RegionKind.Band, layer.DepthMm);

    /// <summary>A colour as it is seen, by lightness and its two hues.</summary>
    private static IEnumerable<ReckonedInput> Told(Catalogue all, Colour ground, FilledLayer layer, Recipe cup, string which)
    {
        var seen = Seen(all, ground, layer, cup);
        return
        [
            new($"L* of {which}, {cup.Name}", seen.L, "", Origin.Reckoned),
            new($"a* of {which}, {cup.Name}", seen.A, "", Origin.Reckoned), new($"b* of {which}, {cup.Name}", seen.B, "", Origin.Reckoned),
        ];
    }
}
