using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Two regions that touch while both are wet.</summary>
/// <param name="Layer">Their layer.</param>
/// <param name="Plan">What is worked out for it.</param>
/// <param name="First">One region; of two bands, the one nearer the middle.</param>
/// <param name="Second">The other.</param>
/// <param name="Inner">Cup of the one.</param>
/// <param name="Outer">Cup of the other.</param>
/// <param name="At">Where they touch; null where that is not on the cut.</param>
internal sealed record Neighbours(FilledLayer Layer, LayerPlan Plan, RegionId First, RegionId Second, Recipe Inner, Recipe Outer, Spot? At)
{
    /// <summary>Width of a line that is put between two bands, mm.</summary>
    public const double LineMm = 3;

    /// <summary>Volume of a pour that is put between two others, ml.</summary>
    private const double PourMl = 5;

    public string Key => $"{Layer.Id}/{First}+{Second}";

    /// <summary>Number of the band further out, from 0, where both are bands; what lies inside it is the band before, or the hearts' bed.</summary>
    public int? Band => Layer.Bands.Select(b => (RegionId)b.Id).ToList().IndexOf(Second) is >= 0 and var at
        && (at == 0 ? First == RegionId.Heart : First == Layer.Bands[at - 1].Id) ? at : null;

    /// <summary>All that touch in the layers that are still to be poured.</summary>
    public static IEnumerable<Neighbours> Of(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            var cups = layer.Recipes.ToDictionary(c => c.Id);
            var cupOf = plan.Regions.Where(r => r.Fits).ToDictionary(r => r.Id, r => r.CupId);
            foreach (var border in plan.Borders)
            {
                if (!Veined(layer, border) && cupOf.GetValueOrDefault(border.First) is { } inner && cupOf.GetValueOrDefault(border.Second) is { } outer)
                {
                    yield return new(layer, plan, border.First, border.Second, cups[inner], cups[outer], border.At ?? OnCut(plan, border));
                }
            }
        }
    }

    /// <summary>Fields with a vein between them do not touch.</summary>
    private static bool Veined(FilledLayer layer, Border border) =>
        layer.Layout is FieldsLayout { Vein: not null } && border.First.Zone is null && border.Second.Zone is null;

    /// <summary>The layer with a line of a cup between the two, a cup that it does not have coming with it; null where there is no way or no room.</summary>
    public FilledLayer? WithLine(Recipe cup)
    {
        var withCup = Layer.Recipes.Any(c => c.Id == cup.Id) ? Layer : Layer with { Recipes = Layer.Recipes.Add(cup) };
        if (withCup.Recipes.Length > PieceValidator.MostRecipes)
        {
            return null;
        }

        if (Layer.Layout is BandedLayout banded && Band is { } at && banded.Bands.Length < Accepted.BandCount.To)
        {
            var line = new Band(FreeId.Of("line", banded.Bands.Select(b => b.Id)), Math.Max(Accepted.BandMm.From, LineMm / Math.Pow(banded.Widening, at)), false, cup.Id);
            return withCup with { Layout = banded with { Bands = banded.Bands.Insert(at, line) } };
        }

        return Layer.Layout switch
        {
            FieldsLayout fields when fields.Vein is null => withCup with { Layout = fields with { Vein = new(cup.Id, LineMm, 1) } },
            PuddleLayout puddle when puddle.Pours.Length < PuddleValidator.MostPours && Pour(puddle, First) is { } one && Pour(puddle, Second) is { } other =>
                withCup with { Layout = puddle with { Pours = puddle.Pours.Insert(Math.Max(one, other), new(FreeId.Of("pour", puddle.Pours.Select(p => p.Id)), cup.Id, PourMl)) } },
            _ => null,
        };

        static int? Pour(PuddleLayout puddle, RegionId id) => puddle.Pours.Select(p => (RegionId)p.Id).ToList().IndexOf(id) is >= 0 and var at ? at : null;
    }

    /// <summary>A line in words, as it is put between the two: of a band's width, along all fields, or as a pour.</summary>
    public string LineWords(string colour) => Layer.Layout switch
    {
        FieldsLayout => $"Lay a vein of {colour}, {{0}} wide, along the fields",
        PuddleLayout => $"Pour a little {colour} between them",
        _ => $"Put a line of {colour}, {{0}} wide, between them",
    };

    /// <summary>A cup of this layer by what it is, or a new one.</summary>
    public Recipe Own(string name, string colour, ColourantClass? colourant, double load) =>
        Layer.Recipes.FirstOrDefault(c => c.Of is null && c.Colourant == colourant && (colourant is null || c.Colour == colour))
        ?? new(FreeId.Of(name, Layer.Recipes.Select(c => c.Id)), name, colour, colourant is { } own ? [new(own, load)] : []);

    /// <summary>A remedy that changes this layer.</summary>
    public Remedy Change(string id, string label, FilledLayer to, double? mm = null) => Remedy.OnLayer(id, label, Layer.Id, _ => to, mm);

    /// <summary>The layer with the colours of two places swapped, each by its number among <see cref="Places"/>.</summary>
    public FilledLayer Swapped(int one, int other) => Layer.Layout switch
    {
        FieldsLayout fields => Layer with { Layout = fields with { Recoloured = Recoloured(fields, one, other) } },
        PuddleLayout puddle => Layer with
        {
            Layout = puddle with
            {
                Pours = puddle.Pours.SetItem(one, puddle.Pours[one] with { RecipeId = puddle.Pours[other].RecipeId }).SetItem(other, puddle.Pours[other] with { RecipeId = puddle.Pours[one].RecipeId }),
            },
        },
        BandedLayout { Bands: var bands } banded => Layer with
        {
            Layout = banded with
            {
                Bands = bands.SetItem(one, bands[one] with { RecipeId = bands[other].RecipeId }).SetItem(other, bands[other] with { RecipeId = bands[one].RecipeId }),
            },
        },
        _ => Layer,
    };

    /// <summary>The regions whose colours can be swapped, with their cups.</summary>
    public ImmutableArray<(RegionId Id, string Cup)> Places => Layer.Layout switch
    {
        FieldsLayout fields =>
            [.. Enumerable.Range(1, fields.Fields).Select(RegionId.OfField).Select(id => (id, Plan.Regions.FirstOrDefault(r => r.Id == id)?.CupId ?? fields.Colours[0]))],
        PuddleLayout puddle => [.. puddle.Pours.Select(p => ((RegionId)p.Id, p.RecipeId))],
        _ => [.. Layer.Bands.Select(b => ((RegionId)b.Id, b.RecipeId))],
    };

    private ImmutableArray<FieldColour> Recoloured(FieldsLayout fields, int one, int other)
    {
        var places = Places;
        return
        [
            .. (fields.Recoloured ?? []).Where(r => r.Field != one + 1 && r.Field != other + 1),
            new(one + 1, places[other].Cup), new(other + 1, places[one].Cup),
        ];
    }

    private static Spot? OnCut(LayerPlan plan, Border border)
    {
        var pair = plan.Cut.Zip(plan.Cut.Skip(1)).FirstOrDefault(p =>
            (p.First.RegionId == border.First && p.Second.RegionId == border.Second) || (p.First.RegionId == border.Second && p.Second.RegionId == border.First));
        return pair.First is null ? null : new(pair.First.ToMm, plan.CutAtMm);
    }
}

/// <summary>Two neighbours that read as one.</summary>
internal sealed class TwinsCheck : ICheck
{
    public string Id => "twins";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var (ground, all) = (Colour.Of(looked.Piece.Ground.Colour), looked.Around.Catalogue);
        foreach (var pair in Neighbours.Of(looked).Where(n => n.Layer.Contrast == Contrast.Strong))
        {
            var apart = Apart(all, ground, pair.Layer, pair.Inner, pair.Outer);
            if (apart >= Lab.ReadsAsOne)
            {
                continue;
            }

            yield return new(
                Id, $"twins@{pair.Key}", Grade.Mind, "Twins",
                $"{pair.Inner.Name} and {pair.Outer.Name} lie beside each other and differ by {{0}} only: poured wet on wet they read as one.",
                [
                    new(apart, "ΔE00", Formulas.ColourDifference,
                    [
                        .. Told(all, ground, pair.Layer, pair.Inner, "one"), .. Told(all, ground, pair.Layer, pair.Outer, "the other"),
                        new("depth", DepthOf(pair.Layer), "mm", Origin.Reckoned), new("reads as one below", Lab.ReadsAsOne, "ΔE00", Origin.Default),
                    ]),
                ],
                new("map", pair.Layer.Id, pair.At?.XMm, pair.At?.YMm),
                [
                    .. Swap(all, ground, pair), .. Line(all, ground, pair),
                    Remedy.OnLayer("gradual", "They are meant to run into each other: gradual", pair.Layer.Id, l => l with { Contrast = Contrast.Gradual }),
                ]);
        }
    }

    /// <summary>The swap of two places' colours that leaves the fewest twins, where it leaves none of this pair and no new ones.</summary>
    private static IEnumerable<Remedy> Swap(Catalogue all, Colour ground, Neighbours pair)
    {
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
            .SelectMany(other => own.Where(o => places[o].Cup != places[other].Cup).Select(o => (Own: o, Other: other, Left: Twins(o, other))))
            .Where(s => !s.Left.Contains((pair.First, pair.Second)) && s.Left.IsProperSubsetOf(before))
            .OrderBy(s => s.Left.Count).FirstOrDefault();
        if (best.Left is not null)
        {
            string Name(int place) => layer.Layout is FieldsLayout
                ? FormattableString.Invariant($"field {place + 1}, {cups[places[place].Cup].Name},") : cups[places[place].Cup].Name;
            yield return pair.Change("swap", $"Swap {Name(best.Own)} and {Name(best.Other)}".TrimEnd(','), pair.Swapped(best.Own, best.Other));
        }

        HashSet<(RegionId, RegionId)> Twins(int one, int other)
        {
            string CupOf(RegionId id) => number.TryGetValue(id, out var n) && (n == one || n == other) ? places[n == one ? other : one].Cup : plain[id];
            return [.. borders.Where(b => ReadAsOne(CupOf(b.First), CupOf(b.Second))).Select(b => (b.First, b.Second))];
        }

        bool ReadAsOne(string a, string b) => apart.TryGetValue((a, b), out var one) ? one : apart[(a, b)] = Apart(all, ground, layer, cups[a], cups[b]) < Lab.ReadsAsOne;
    }

    /// <summary>A line between them, of the layer's own colour that stands out most, else of bone or of soot.</summary>
    private static IEnumerable<Remedy> Line(Catalogue all, Colour ground, Neighbours pair)
    {
        double Stands(Recipe cup) => Math.Min(Apart(all, ground, pair.Layer, cup, pair.Inner), Apart(all, ground, pair.Layer, cup, pair.Outer));
        var own = pair.Layer.Recipes.MaxBy(Stands)!;
        var cup = Stands(own) >= Lab.ReadsAsOne ? own
            : new[] { pair.Own("bone", "#f0e8d5", ColourantClass.Paste, 5), pair.Own("soot", "#1f1c1a", ColourantClass.Paste, 5) }.MaxBy(Stands)!;
        if (Stands(cup) >= Lab.ReadsAsOne && pair.WithLine(cup) is { } with)
        {
            yield return pair.Change("line", pair.LineWords(cup.Name), with, Neighbours.LineMm);
        }
    }

    /// <summary>How far two cups' resins differ as they are seen on the ground.</summary>
    private static double Apart(Catalogue all, Colour ground, FilledLayer layer, Recipe first, Recipe second) => Lab.Difference(Seen(all, ground, layer, first), Seen(all, ground, layer, second));

    private static Lab Seen(Catalogue all, Colour ground, FilledLayer layer, Recipe cup) => Lab.Of(CupLook.Of(all, layer, cup).Over(ground, DepthOf(layer)));

    private static double DepthOf(FilledLayer layer) => DepthZones.DepthOf(layer, RegionKind.Band, layer.DepthMm);

    /// <summary>A colour as it is seen, by lightness and its two hues.</summary>
    private static IEnumerable<ReckonedInput> Told(Catalogue all, Colour ground, FilledLayer layer, Recipe cup, string which)
    {
        var seen = Seen(all, ground, layer, cup);
        return
        [
            new($"L* of {which}, {cup.Name}", seen.L, "", Origin.Reckoned), new($"a* of {which}, {cup.Name}", seen.A, "", Origin.Reckoned), new($"b* of {which}, {cup.Name}", seen.B, "", Origin.Reckoned),
        ];
    }
}

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

/// <summary>Thin colour on a ground that nobody has painted.</summary>
internal sealed class BareGroundCheck : ICheck
{
    private const double ShowsPercent = 50;

    public string Id => "bare-ground";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var (ground, layer) = (looked.Piece.Ground, looked.Piece.Filled[0]);
        if (!looked.Bare || ground.Paint is not null || ground.Old is not null || ground.Mould is not null)
        {
            yield break;
        }

        var seen = looked.Layers[0].Regions.Where(r => r.Fits).Select(r => r.CupId).ToHashSet();
        var thin = layer.Recipes.Where(c => seen.Contains(c.Id) && c.Colourant is not null and not ColourantClass.Lacing && 100 * CupLook.Of(looked.Around.Catalogue, layer, c).Opacity(layer.DepthMm) < ShowsPercent).ToList();
        if (thin.Count == 0)
        {
            yield break;
        }

        var thinnest = thin.MinBy(c => CupLook.Of(looked.Around.Catalogue, layer, c).Opacity(layer.DepthMm))!;
        yield return new(
            Id, $"bare-ground@{layer.Id}", Grade.Mind, "Bare ground",
            $"More than half of the ground shows through {string.Join(", ", thin.Select(c => c.Name))} (opacity {{0}}), and it is not painted: wood swallows the colour.",
            [looked.Layers[0].Opacity[thinnest.Id]], new("map", layer.Id),
            [
                Remedy.OnGround("paint", "Paint the ground in its colour first", g => g with { Paint = new(PaintKind.Water) }),
                .. Stronger(looked.Around.Catalogue, layer, thin),
            ]);
    }

    /// <summary>As much colour as covers half of the ground, where every class allows it.</summary>
    private static IEnumerable<Remedy> Stronger(Catalogue all, FilledLayer layer, List<Recipe> thin)
    {
        var loads = thin.ToDictionary(
            c => c.Id, c => Math.Ceiling(10 * -Math.Log(1 - ShowsPercent / 100) / (layer.DepthMm * all.Of(c.Colourant!.Value).Cover)) / 10);
        if (thin.All(c => loads[c.Id] <= all.Of(c.Colourant!.Value).LimitPercent))
        {
            yield return Remedy.Change("stronger", "Take as much colour as covers half of it", p => p with
            {
                Recipes = [.. p.Recipes.Select(r => loads.TryGetValue(r.Id, out var load) ? r.WithLoad(load) : r)],
            });
        }
    }
}
