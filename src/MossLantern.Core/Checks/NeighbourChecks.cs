using System.Collections.Immutable;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Two regions that touch while both are wet.</summary>
/// <param name="Layer">Their layer.</param>
/// <param name="At">Number of the band further out, from 0; what lies inside it is the band before, or the hearts' bed.</param>
/// <param name="Inner">Cup of the one nearer the heart.</param>
/// <param name="Outer">Cup of the other.</param>
/// <param name="XMm">Where the cut passes from one to the other, mm from the left; null where it does not.</param>
/// <param name="YMm">Height of the cut, mm from the top.</param>
internal sealed record Neighbours(Layer Layer, int At, Cup Inner, Cup Outer, double? XMm, double YMm)
{
    /// <summary>Width of a line that is put between two bands, mm.</summary>
    public const double LineMm = 3;

    public string Key => $"{Layer.Id}/{(At == 0 ? BandMap.HeartBedId : Layer.Bands[At - 1].Id)}+{Layer.Bands[At].Id}";

    /// <summary>All that touch in the layers that are still to be poured.</summary>
    public static IEnumerable<Neighbours> Of(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Layers.Zip(looked.Plan.Layers).Where(l => !l.Second.Poured))
        {
            var seen = plan.Regions.Where(r => r.Fits).Select(r => r.Id).ToHashSet();
            var cups = layer.Cups.ToDictionary(c => c.Id);
            for (var at = layer.Layout is not null || layer.Hearts.IsEmpty ? 1 : 0; at < layer.Bands.Length && layer.UsesBands; at++)
            {
                var inner = at == 0 ? BandMap.HeartBedId : layer.Bands[at - 1].Id;
                var outer = layer.Bands[at].Id;
                if (seen.Contains(inner) && seen.Contains(outer))
                {
                    yield return new(
                        layer, at, cups[at == 0 ? layer.HeartCup : layer.Bands[at - 1].Cup], cups[layer.Bands[at].Cup],
                        Between(plan.Cut, inner, outer), plan.CutAtMm);
                }
            }
        }
    }

    /// <summary>A line of a cup between the two; a cup that the layer does not have comes with it.</summary>
    public Layer WithLine(Cup cup)
    {
        var ids = Layer.Bands.Select(b => b.Id).ToHashSet();
        var id = Enumerable.Range(1, Layer.Bands.Length + 1).Select(n => FormattableString.Invariant($"line-{n}")).First(n => !ids.Contains(n));
        return Layer with
        {
            Cups = Layer.Cups.Any(c => c.Id == cup.Id) ? Layer.Cups : Layer.Cups.Add(cup),
            Bands = Layer.Bands.Insert(At, new(id, Math.Max(Accepted.BandMm.From, LineMm / Math.Pow(Layer.Widening, At)), false, cup.Id)),
        };
    }

    /// <summary>Whether there is room for another band, and for another cup where one is needed.</summary>
    public bool HasRoom(Cup cup) =>
        Layer.Bands.Length < Accepted.BandCount.To && (Layer.Cups.Any(c => c.Id == cup.Id) || Layer.Cups.Length < LayerValidator.MostCups);

    /// <summary>A cup of this layer by what it is, or a new one.</summary>
    public Cup Own(string name, string colour, ColourantClass? colourant, double load) =>
        Layer.Cups.FirstOrDefault(c => c.Colourant == colourant && (colourant is null || c.Colour == colour))
        ?? new(Enumerable.Range(1, Layer.Cups.Length + 1).Select(n => FormattableString.Invariant($"{name}-{n}")).First(n => Layer.Cups.All(c => c.Id != n)), name, colour, colourant, load);

    /// <summary>A remedy that changes this layer.</summary>
    public Remedy Change(string id, string label, Layer to, double? mm = null) => Remedy.Change(
        id, label, p => p with { Layers = [.. p.Layers.Select(l => l.Id == Layer.Id ? to : l)] }, mm);

    private static double? Between(ImmutableArray<CutSpan> cut, string inner, string outer)
    {
        var pair = cut.Zip(cut.Skip(1)).FirstOrDefault(p =>
            (p.First.RegionId == inner && p.Second.RegionId == outer) || (p.First.RegionId == outer && p.Second.RegionId == inner));
        return pair.First?.ToMm;
    }
}

/// <summary>Two neighbours that read as one.</summary>
internal sealed class TwinsCheck : ICheck
{
    public string Id => "twins";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var ground = Colour.Of(looked.Piece.Ground.Colour);
        foreach (var pair in Neighbours.Of(looked).Where(n => n.Layer.Contrast == Contrast.Strong))
        {
            var apart = Apart(ground, pair.Layer, pair.Inner, pair.Outer);
            if (apart >= Lab.ReadsAsOne)
            {
                continue;
            }

            yield return new(
                Id, $"twins@{pair.Key}", Grade.Mind, "Twins",
                $"{pair.Inner.Name} and {pair.Outer.Name} lie beside each other and differ by {{0}} only: poured wet on wet they read as one.",
                [Reckoned.Of(apart, "ΔE00", Formulas.ColourDifference, new("depth", pair.Layer.DepthMm, "mm", Origin.Own), new("reads as one below", Lab.ReadsAsOne, "ΔE00", Origin.Default))],
                new("map", pair.Layer.Id, pair.XMm, pair.XMm is null ? null : pair.YMm),
                [.. Swap(ground, pair), .. Line(ground, pair), Remedy.Change("gradual", "They are meant to run into each other: gradual", p => p with
                {
                    Layers = [.. p.Layers.Select(l => l.Id == pair.Layer.Id ? l with { Contrast = Contrast.Gradual } : l)],
                })]);
        }
    }

    /// <summary>The swap of two bands' colours that leaves the fewest twins, where it leaves none of this pair and no new ones.</summary>
    private static IEnumerable<Remedy> Swap(Colour ground, Neighbours pair)
    {
        var layer = pair.Layer;
        var before = Twins(ground, layer);
        var best = Enumerable.Range(0, layer.Bands.Length)
            .SelectMany(other => new[] { pair.At - 1, pair.At }.Where(own => own >= 0 && layer.Bands[own].Cup != layer.Bands[other].Cup).Select(own => (Own: own, Other: other)))
            .Select(s => (s.Own, s.Other, Layer: layer with
            {
                Bands = layer.Bands
                    .SetItem(s.Own, layer.Bands[s.Own] with { Cup = layer.Bands[s.Other].Cup })
                    .SetItem(s.Other, layer.Bands[s.Other] with { Cup = layer.Bands[s.Own].Cup }),
            }))
            .Select(s => (s.Own, s.Other, s.Layer, Left: Twins(ground, s.Layer)))
            .Where(s => !s.Left.Contains(pair.At) && s.Left.IsProperSubsetOf(before))
            .OrderBy(s => s.Left.Count).FirstOrDefault();
        if (best.Layer is not null)
        {
            string Name(int band) => layer.Cups.Single(c => c.Id == layer.Bands[band].Cup).Name;
            yield return pair.Change("swap", $"Swap {Name(best.Own)} and {Name(best.Other)}", best.Layer);
        }
    }

    /// <summary>A line between them, of the layer's own colour that stands out most, else of bone or of soot.</summary>
    private static IEnumerable<Remedy> Line(Colour ground, Neighbours pair)
    {
        double Stands(Cup cup) => Math.Min(Apart(ground, pair.Layer, cup, pair.Inner), Apart(ground, pair.Layer, cup, pair.Outer));
        var own = pair.Layer.Cups.MaxBy(Stands)!;
        var cup = Stands(own) >= Lab.ReadsAsOne ? own
            : new[] { pair.Own("bone", "#f0e8d5", ColourantClass.Paste, 5), pair.Own("soot", "#1f1c1a", ColourantClass.Paste, 5) }.MaxBy(Stands)!;
        if (pair.HasRoom(cup) && Stands(cup) >= Lab.ReadsAsOne)
        {
            yield return pair.Change("line", $"Put a line of {cup.Name}, {{0}} wide, between them", pair.WithLine(cup), Neighbours.LineMm);
        }
    }

    /// <summary>Every band that reads as one with what lies inside it.</summary>
    private static HashSet<int> Twins(Colour ground, Layer layer)
    {
        var cups = layer.Cups.ToDictionary(c => c.Id);
        return [.. Enumerable.Range(layer.Hearts.IsEmpty ? 1 : 0, layer.Bands.Length - (layer.Hearts.IsEmpty ? 1 : 0))
            .Where(at => Apart(ground, layer, cups[at == 0 ? layer.HeartCup : layer.Bands[at - 1].Cup], cups[layer.Bands[at].Cup]) < Lab.ReadsAsOne)];
    }

    /// <summary>How far two cups' resins differ as they are seen on the ground.</summary>
    private static double Apart(Colour ground, Layer layer, Cup first, Cup second)
    {
        Lab Seen(Cup cup) => Lab.Of(ground.Mix(Colour.Of(cup.Colour), Colour.Opacity(cup, layer.DepthMm)));
        return Lab.Difference(Seen(first), Seen(second));
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
            if (!Muddy(pair.Inner, pair.Outer))
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
                new("map", pair.Layer.Id, pair.XMm, pair.XMm is null ? null : pair.YMm),
                [
                    .. pair.HasRoom(clear) ? [pair.Change("clear", "Put a line of clear, {0} wide, between them", pair.WithLine(clear), Neighbours.LineMm)] : Array.Empty<Remedy>(),
                    .. pair.HasRoom(white) && !Muddy(pair.Inner, white) && !Muddy(white, pair.Outer)
                        ? [pair.Change("white", $"Put a line of {white.Name}, {{0}} wide, between them", pair.WithLine(white), Neighbours.LineMm)]
                        : Array.Empty<Remedy>(),
                    Remedy.Change("any", "It does not matter here", p => p with
                    {
                        Layers = [.. p.Layers.Select(l => l.Id == pair.Layer.Id ? l with { Contrast = Contrast.Any } : l)],
                    }),
                ]);
        }
    }

    private static bool Muddy(Cup first, Cup second) =>
        first.Colourant is not null && second.Colourant is not null
        && Pigment.IsMud(Colour.Of(first.Colour), first.LoadPercent, Colour.Of(second.Colour), second.LoadPercent);
}

/// <summary>A cup that no region is poured from.</summary>
internal sealed class NoHomeCheck : ICheck
{
    public string Id => "no-home";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, _) in looked.Piece.Layers.Zip(looked.Plan.Layers).Where(l => !l.Second.Poured))
        {
            var used = layer.Layout is null ? layer.CupsInUse.Add(layer.HeartCup) : layer.CupsInUse;
            foreach (var cup in layer.Cups.Where(c => !used.Contains(c.Id)))
            {
                yield return new(
                    Id, $"no-home@{layer.Id}/{cup.Id}", Grade.Mind, "Cup without a place", $"Nothing of {layer.Name} is poured from {cup.Name}.", [],
                    new("cups", layer.Id),
                    [Remedy.Change("away", $"Put {cup.Name} away", p => p with
                    {
                        Layers = [.. p.Layers.Select(l => l.Id == layer.Id ? l with { Cups = l.Cups.RemoveAll(c => c.Id == cup.Id) } : l)],
                    })]);
            }
        }
    }
}

/// <summary>Thin colour on a ground that nobody has painted.</summary>
internal sealed class BareGroundCheck : ICheck
{
    private const double ShowsPercent = 50;

    public string Id => "bare-ground";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var (ground, layer) = (looked.Piece.Ground, looked.Piece.Layers[0]);
        if (!looked.Bare || ground.Paint is not null || ground.Old is not null || ground.Mould is not null)
        {
            yield break;
        }

        var seen = looked.Plan.Layers[0].Regions.Where(r => r.Fits).Select(r => r.CupId).ToHashSet();
        var thin = layer.Cups.Where(c => seen.Contains(c.Id) && c.Colourant is not null and not ColourantClass.Lacing && 100 * Colour.Opacity(c, layer.DepthMm) < ShowsPercent).ToList();
        if (thin.Count == 0)
        {
            yield break;
        }

        var thinnest = thin.MinBy(c => Colour.Opacity(c, layer.DepthMm))!;
        yield return new(
            Id, $"bare-ground@{layer.Id}", Grade.Mind, "Bare ground",
            $"More than half of the ground shows through {string.Join(", ", thin.Select(c => c.Name))} (opacity {{0}}), and it is not painted: wood swallows the colour.",
            [looked.Plan.Layers[0].Opacity[thinnest.Id]], new("map", layer.Id),
            [
                Remedy.OnGround("paint", "Paint the ground in its colour first", g => g with { Paint = new(Grounds.PaintKind.Water) }),
                .. Stronger(layer, thin),
            ]);
    }

    /// <summary>As much colour as covers half of the ground, where every class allows it.</summary>
    private static IEnumerable<Remedy> Stronger(Layer layer, List<Cup> thin)
    {
        var loads = thin.ToDictionary(
            c => c.Id, c => Math.Ceiling(10 * -Math.Log(1 - ShowsPercent / 100) / (layer.DepthMm * TypicalMaterials.Of(c.Colourant!.Value).Cover)) / 10);
        if (thin.All(c => loads[c.Id] <= TypicalMaterials.Of(c.Colourant!.Value).LimitPercent))
        {
            yield return Remedy.Change("stronger", "Take as much colour as covers half of it", p => p with
            {
                Layers = p.Layers.SetItem(0, p.Layers[0] with
                {
                    Cups = [.. p.Layers[0].Cups.Select(c => loads.TryGetValue(c.Id, out var load) ? c with { LoadPercent = load } : c)],
                }),
            });
        }
    }
}
