using System.Collections.Immutable;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>Small pieces for tests.</summary>
internal static class Samples
{
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
        new("Test", ground, GrowthScale.For(ground.Outline), [.. layers]);

    public static BandMap Map(Ground ground, Layer layer, GrowthScale? growth = null) =>
        new BandMapper().Map(ground.Outline, growth ?? GrowthScale.For(ground.Outline), layer);

    public static double Area(this BandMap map, string region) => map.Regions.Single(r => r.Id == region).AreaMm2;

    public static ReckonedInput Input(this Reckoned reckoned, string name) => reckoned.Inputs.Single(i => i.Name == name);

    public static ImmutableArray<T> Changed<T>(this ImmutableArray<T> items, int index, Func<T, T> change) =>
        items.SetItem(index, change(items[index]));
}
