using System.Buffers;
using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>
/// Grows a layer's bands from its hearts. The same piece always gives the same map; what depends only on a heart's form
/// or on the outline is kept between calls. Safe to share between threads.
/// </summary>
/// <remarks>Source: docs/craft/map.md.</remarks>
public sealed class BandMapper
{
    private const int Kept = 64;

    private readonly ConcurrentDictionary<(Heart Form, double GrainMm, double GridMm, double ReachMm), HeartForm> forms = new();
    private readonly ConcurrentDictionary<(Outline, GrowthGrid Grid), OutlineCover> covers = new();
    private readonly ConcurrentDictionary<(Outline, GrowthScale, string Layout), BandMap> maps = new();

    /// <summary>The map of a layer of a piece.</summary>
    /// <param name="outline">The piece's outline.</param>
    /// <param name="growth">The piece's growth scale.</param>
    /// <param name="layer">A valid layer.</param>
    public BandMap Map(Outline outline, GrowthScale growth, Layer layer)
    {
        ArgumentNullException.ThrowIfNull(outline);
        ArgumentNullException.ThrowIfNull(growth);
        ArgumentNullException.ThrowIfNull(layer);
        return Keep(maps, (outline, growth, Layout(layer)), _ => Grow(outline, growth, layer));
    }

    /// <summary>The area of every region that lies in a part of the outline, mm², in the order of the map's regions.</summary>
    /// <param name="outline">What the layer is poured in.</param>
    /// <param name="growth">The piece's growth scale.</param>
    /// <param name="layer">A valid layer.</param>
    /// <param name="part">A part of that outline, where it lies in it.</param>
    public ImmutableArray<double> AreasWithin(Outline outline, GrowthScale growth, Layer layer, Outline part)
    {
        ArgumentNullException.ThrowIfNull(part);
        var map = Map(outline, growth, layer);
        return [.. map.AreasWithin(Cover(part, map.Grid))];
    }

    private OutlineCover Cover(Outline outline, GrowthGrid grid) => Keep(covers, (outline, grid), _ => new(grid, outline));

    /// <summary>What the map of a layer depends on, as one text.</summary>
    private static string Layout(Layer layer) => string.Join('|',
        [
            layer.RimFollow.ToString("R", CultureInfo.InvariantCulture),
            layer.Widening.ToString("R", CultureInfo.InvariantCulture),
            .. layer.Hearts.Select(h => h.ToString()),
            .. layer.Bands.Select(b => string.Create(CultureInfo.InvariantCulture, $"{b.Id}/{(b.FillsRest ? -1 : b.WidthMm):R}")),
        ]);

    private BandMap Grow(Outline outline, GrowthScale growth, Layer layer)
    {
        var grid = GrowthGrid.Over(outline.BoxWidthMm, outline.BoxHeightMm, growth.GridMm);
        var cover = Cover(outline, grid);
        if (layer.Hearts.IsEmpty)
        {
            return WithoutHearts(outline, grid, layer);
        }

        // Rented: a drag grows dozens of maps a second. The field itself stays with the map.
        var arrival = new float[grid.Count];
        var held = ArrayPool<bool>.Shared.Rent(grid.Count);
        var slowness = ArrayPool<float>.Shared.Rent(grid.Count);
        held.AsSpan(0, grid.Count).Clear();
        var hearts = Place(layer.Hearts, growth, outline);
        SlownessField.Fill(grid, hearts, slowness);
        HeldHearts.Hold(grid, hearts, slowness, arrival, held);
        Eikonal.Solve(grid, arrival, held, slowness);

        var widths = layer.BandWidthsMm();
        var fixedMm = widths.Sum();
        var field = layer.RimFollow > 0
            ? FollowRim(grid, cover, slowness, arrival, (float)Math.Max(fixedMm, 1), (float)layer.RimFollow)
            : arrival;
        ArrayPool<bool>.Shared.Return(held);
        ArrayPool<float>.Shared.Return(slowness);

        var depths = DepthScale.Over(cover, field);
        var levels = Levels(layer.Bands, widths, fixedMm, depths);
        return new(grid, field, levels, depths, () => Regions(layer.Bands, widths, outline, cover, field, levels));
    }

    private static BandMap WithoutHearts(Outline outline, GrowthGrid grid, Layer layer)
    {
        var field = new float[grid.Count];
        Array.Fill(field, 1f);
        var widths = layer.BandWidthsMm();
        var regions = layer.Bands.Select((b, k) => b.FillsRest
            ? new Region(b.Id, RegionKind.Band, outline.AreaMm2, outline.PerimeterMm, null)
            : new Region(b.Id, RegionKind.Band, 0, 0, widths[k])).ToList();
        var fill = layer.Bands.TakeWhile(b => !b.FillsRest).Count();
        var levels = Enumerable.Range(0, layer.Bands.Length).Select(k => k <= fill ? 0.0 : Eikonal.Far / 2).ToArray();
        return new(grid, field, levels, new([0, 1], 1),
            () => [new(BandMap.HeartBedId, RegionKind.HeartBed, 0, 0, null), .. regions]);
    }

    private List<PlacedHeart> Place(ImmutableArray<Heart> hearts, GrowthScale growth, Outline outline)
    {
        // The table reaches across the whole box from anywhere a heart of this size usually stands; beyond it the edge value holds.
        var reach = Math.Sqrt(outline.BoxWidthMm * outline.BoxWidthMm + outline.BoxHeightMm * outline.BoxHeightMm);
        return [.. hearts.Select(heart =>
        {
            var form = heart with { Id = "", XMm = 0, YMm = 0 };
            return new PlacedHeart(heart, Keep(forms, (form, growth.GrainMm, growth.GridMm, reach), _ => new HeartForm(form, growth.GrainMm, growth.GridMm, reach)));
        })];
    }

    /// <summary>Bends the outer levels towards the rim, where a second front grows inward from the outline.</summary>
    private static float[] FollowRim(
        GrowthGrid grid, OutlineCover cover, float[] slowness, float[] arrival, float widthsMm, float follow)
    {
        var field = new float[grid.Count];
        var fromRim = new float[grid.Count];
        var held = new bool[grid.Count];
        var h = (float)grid.SpacingMm;
        for (var node = 0; node < fromRim.Length; node++)
        {
            fromRim[node] = Eikonal.Far;
            var depth = cover.RimDepth(node);
            if (depth <= 2 * h)
            {
                held[node] = true;
                fromRim[node] = Math.Max(0, widthsMm - arrival[node]) + Math.Max(0, depth) * slowness[node];
            }
        }

        Eikonal.Solve(grid, fromRim, held, slowness);
        for (var node = 0; node < field.Length; node++)
        {
            var t = arrival[node];
            field[node] = t <= 0 ? t : t * (1 - follow + follow * widthsMm / Math.Max(t + fromRim[node], 1e-3f));
        }

        return field;
    }

    /// <summary>Outer edge of the hearts' bed and of every band but the last.</summary>
    private static double[] Levels(ImmutableArray<Band> bands, double[] widths, double fixedMm, DepthScale depths)
    {
        var levels = new double[bands.Length];
        var depth = 0.0;
        for (var k = 0; k < bands.Length - 1; k++)
        {
            depth += bands[k].FillsRest ? Math.Max(0, depths.FarMm - fixedMm) : widths[k];
            levels[k + 1] = depths.Level(depth);
        }

        return levels;
    }

    private static ImmutableArray<Region> Regions(
        ImmutableArray<Band> bands, double[] widths, Outline outline, OutlineCover cover, float[] field, double[] levels)
    {
        var below = BandAreas.Below(cover, field, levels);
        var edges = RimLengths.Between(cover.Grid, outline, field, levels);
        var regions = ImmutableArray.CreateBuilder<Region>(levels.Length + 1);
        for (var k = 0; k <= levels.Length; k++)
        {
            var area = Math.Max(0, below[k] - (k == 0 ? 0 : below[k - 1]));
            regions.Add(k == 0
                ? new(BandMap.HeartBedId, RegionKind.HeartBed, area, edges[0], null)
                : new(bands[k - 1].Id, RegionKind.Band, area, edges[k], bands[k - 1].FillsRest ? null : widths[k - 1]));
        }

        return regions.MoveToImmutable();
    }

    private static TValue Keep<TKey, TValue>(ConcurrentDictionary<TKey, TValue> cache, TKey key, Func<TKey, TValue> make)
        where TKey : notnull
    {
        if (cache.Count > Kept)
        {
            cache.Clear();
        }

        return cache.GetOrAdd(key, make);
    }
}
