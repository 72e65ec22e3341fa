using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>Small pieces for tests.</summary>
internal static class Samples
{
    /// <summary>An outline of any form; a slice has an opening half of the time.</summary>
    public static readonly Gen<Outline> AnyOutline =
        from form in Gen.Int[0, 3]
        from width in Gen.Double[60, 900]
        from height in Gen.Double[60, 900]
        from reach in Gen.Double[0.4, 1].Array[3, 14]
        from wobble in Gen.Double[0, 20]
        from seed in Gen.Int[0, 100_000]
        from open in Gen.Bool
        let slice = new SliceOutline(width, height, [.. reach], wobble, seed,
            open ? new(width / 2, height / 2, width / 6, height / 7) : null)
        select form switch
        {
            0 => new RoundOutline(width),
            1 => new OvalOutline(width, height),
            2 => slice.OpeningFits(SliceOutline.LeastRimMm) ? slice : slice with { Opening = null },
            _ => (Outline)new RectangleOutline(width, height),
        };

    public static Recipe Cup(string id, ColourantClass? colourant = ColourantClass.Paste, double load = 4) =>
        new(id, id, "#33523f", colourant is { } own ? [new(own, load)] : []);

    public static Heart Heart(double x, double y, double width = 80, double height = 60, double waviness = 14, int seed = 3) =>
        new("h1", x, y, width, height, 0, waviness, seed);

    /// <summary>Lines whose bands come with the layer they are laid in.</summary>
    public static StripesLayout Lines(string startRecipeId, double startMm, double wavinessMm, int seed) =>
        new([new("b1", 10, true, startRecipeId)], startRecipeId, startMm, wavinessMm, seed);

    /// <summary>Petals whose rings come with the layer they are drawn in.</summary>
    public static PetalsLayout Petals(double xMm, double yMm, int petals, double pullMm, bool inward, double toolMm, double turnDeg) =>
        new([], xMm, yMm, petals, pullMm, inward, toolMm, turnDeg);

    public static Ground Panel(double width = 600, double height = 400, EdgeStyle edge = EdgeStyle.TapedClean) =>
        new(new RectangleOutline(width, height), edge, 40, "#d9c29a");

    /// <summary>The growth of an outline on a grid six times as coarse: what has to hold on any grid holds on it too, and a map
    /// takes a twentieth of the time.</summary>
    public static GrowthScale Coarse(Outline outline) => GrowthScale.For(outline) with { GridMm = 6 * GrowthScale.For(outline).GridMm };

    /// <summary>The grid that a sample is looked at on: each tenth on that of a piece, the others on a coarse one.</summary>
    public static readonly Gen<bool> IsFine = Gen.Int[0, 9].Select(n => n == 0);

    /// <summary>A layer whose bands each have a cup of their own; a width of 0 fills the rest.</summary>
    public static Sketch Layer(Heart? heart, params double[] widths) => new(
        "l1", "Fields", 3,
        new RingsLayout(heart is null ? [] : [heart],
            [.. widths.Select((w, i) => new Band($"b{i + 1}", w, w == 0, $"c{i + 1}"))], 0, "bed"),
        [Cup("bed", ColourantClass.Dye, 2), .. widths.Select((_, i) => Cup($"c{i + 1}"))],
        new("coating"), Measure.ByVolume, null, [], PlannedTimes.None);

    /// <summary>A piece of layers, each in a sitting of its own. What has one id in several of them and is another
    /// colour gets an id of its own.</summary>
    public static Piece Piece(Ground ground, params Sketch[] layers)
    {
        List<Sketch> own = [];
        foreach (var layer in layers)
        {
            var known = own.SelectMany(l => l.Recipes).ToList();
            own.Add(layer.Recipes.Where(r => known.Any(k => k.Id == r.Id && k != r))
                .Aggregate(layer, (l, r) => Renamed(l, r.Id, $"{l.Id}-{r.Id}")));
        }

        return own.Aggregate(
            new Piece(
                "Test", ground, GrowthScale.For(ground.MapOutline), [.. own.SelectMany(l => l.Recipes).DistinctBy(r => r.Id)],
                [.. own.Select(l => l.Layer)], [.. own.Select(l => l.Sitting)]),
            (piece, layer) => (layer with { Recipes = piece.Recipes }).In(piece));
    }

    private static Sketch Renamed(Sketch layer, string from, string to)
    {
        string Of(string id) => id == from ? to : id;
        return layer with
        {
            Recipes = [.. layer.Recipes.Select(r => r with { Id = Of(r.Id) })],
            Layout = layer.Layout switch
            {
                RingsLayout rings => rings with
                {
                    Bands = [.. rings.Bands
                    .Select(b => b with { RecipeId = Of(b.RecipeId) })],
                    HeartRecipeId = rings.HeartRecipeId is { } id ? Of(id) : null
                },
                FloodLayout flood => new FloodLayout(Of(flood.RecipeId)),
                var other => Assert.IsType<Layout>(other, exactMatch: false),
            },
        };
    }

    /// <summary>The piece with other layers in place of its own, each in a sitting of its own.</summary>
    public static Piece WithLayers(this Piece piece, params Sketch[] layers)
    {
        var filled = Piece(piece.Ground, layers);
        return piece with { Recipes = filled.Recipes, Layers = filled.Layers, Sittings = filled.Sittings };
    }

    /// <summary>The piece with one of its layers changed.</summary>
    public static Piece OnLayer(this Piece piece, int index, Func<Sketch, Sketch> change) => change(Sketch.Of(piece, index)).In(piece);

    /// <summary>A piece with commands made, none of which was refused.</summary>
    public static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, [.. edits], AnyEdit.Cupboard);
        Assert.True(made.Refusal is null, $"{made.Place}: {made.Refusal}");
        return made.Piece!;
    }

    public static Sketch Rings(this Sketch layer, Func<RingsLayout, RingsLayout> change) =>
        layer with { Layout = change((RingsLayout)layer.Layout) };

    public static Sketch WithBands(this Sketch layer, params ImmutableArray<Band> bands) =>
        layer with { Layout = (BandedLayout)layer.Layout with { Bands = bands } };

    public static Sketch WithHearts(this Sketch layer, params ImmutableArray<Heart> hearts) => layer.Rings(r => r with { Hearts = hearts });

    internal static BandMap Map(Ground ground, Sketch layer, GrowthScale? growth = null) =>
        (BandMap)new LayerMapper().Map(ground.Outline, growth ?? GrowthScale.For(ground.Outline), layer, []);

    public static double Area(this LayerMap map, RegionId region) => map.Regions.Single(r => r.Id == region).AreaMm2;

    public static ReckonedInput Input(this Reckoned reckoned, string name) => reckoned.Inputs.Single(i => i.Name == name);

    public static ImmutableArray<T> Changed<T>(this ImmutableArray<T> items, int index, Func<T, T> change) =>
        items.SetItem(index, change(items[index]));
}
