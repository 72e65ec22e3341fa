using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
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
        let slice = new SliceOutline(width, height, [.. reach], wobble, seed, open ? new(width / 2, height / 2, width / 6, height / 7) : null)
        select form switch
        {
            0 => new RoundOutline(width),
            1 => new OvalOutline(width, height),
            2 => slice.OpeningFits(SliceOutline.LeastRimMm) ? slice : slice with { Opening = null },
            _ => (Outline)new RectangleOutline(width, height),
        };

    public static Cup Cup(string id, ColourantClass? colourant = ColourantClass.Paste, double load = 4) =>
        new(id, id, "#33523f", colourant, load);

    public static Heart Heart(double x, double y, double width = 80, double height = 60, double waviness = 14, int seed = 3) =>
        new("h1", x, y, width, height, 0, waviness, seed);

    public static Ground Panel(double width = 600, double height = 400, EdgeStyle edge = EdgeStyle.TapedClean) =>
        new(new RectangleOutline(width, height), edge, 40, "#d9c29a");

    /// <summary>A layer whose bands each have a cup of their own; a width of 0 fills the rest.</summary>
    public static Layer Layer(Heart? heart, params double[] widths) => new(
        "l1", "Fields", 3,
        heart is null ? [] : [heart],
        [.. widths.Select((w, i) => new Band($"b{i + 1}", w, w == 0, $"c{i + 1}"))],
        0, "bed",
        [Cup("bed", ColourantClass.Dye, 2), .. widths.Select((_, i) => Cup($"c{i + 1}"))],
        new("coating"), Measure.ByVolume, null, [], PourTimes.None);

    public static Piece Piece(Ground ground, params Layer[] layers) =>
        new("Test", ground, GrowthScale.For(ground.MapOutline), [.. layers]);

    internal static BandMap Map(Ground ground, Layer layer, GrowthScale? growth = null) =>
        (BandMap)new LayerMapper().Map(ground.Outline, growth ?? GrowthScale.For(ground.Outline), layer, []);

    public static double Area(this LayerMap map, RegionId region) => map.Regions.Single(r => r.Id == region).AreaMm2;

    public static ReckonedInput Input(this Reckoned reckoned, string name) => reckoned.Inputs.Single(i => i.Name == name);

    public static ImmutableArray<T> Changed<T>(this ImmutableArray<T> items, int index, Func<T, T> change) =>
        items.SetItem(index, change(items[index]));
}
