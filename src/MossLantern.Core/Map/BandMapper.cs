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
    private readonly ConcurrentDictionary<(Outline, double GridMm), OutlineCover> covers = new();
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

    /// <summary>What the map of a layer depends on, as one text.</summary>
    private static string Layout(Layer layer) => string.Join('|',
        [
            layer.RimFollow.ToString("R", CultureInfo.InvariantCulture),
            .. layer.Hearts.Select(h => h.ToString()),
            .. layer.Bands.Select(b => string.Create(CultureInfo.InvariantCulture, $"{b.Id}/{(b.FillsRest ? -1 : b.WidthMm):R}")),
        ]);

    private BandMap Grow(Outline outline, GrowthScale growth, Layer layer)
    {
        var ring = outline.ToRing();
        var grid = GrowthGrid.Over(outline.BoxWidthMm, outline.BoxHeightMm, growth.GridMm);
        var cover = Keep(covers, (outline, growth.GridMm), _ => new(grid, ring));
        var field = new float[grid.Count];
        if (layer.Hearts.IsEmpty)
        {
            return WithoutHearts(outline, grid, field, layer);
        }

        var arrival = new float[grid.Count];
        var held = new bool[grid.Count];
        var slowness = new float[grid.Count];
        var hearts = Place(layer.Hearts, growth, outline);
        Slowness(grid, hearts, slowness);
        HoldHearts(grid, hearts, slowness, arrival, held);
        Eikonal.Solve(grid, arrival, held, slowness);

        var fixedMm = layer.Bands.Where(b => !b.FillsRest).Sum(b => b.WidthMm);
        if (layer.RimFollow > 0)
        {
            FollowRim(grid, cover, slowness, arrival, (float)Math.Max(fixedMm, 1), (float)layer.RimFollow, field);
        }
        else
        {
            field = arrival;
        }

        var depths = DepthScale.Over(cover, field);
        var levels = Levels(layer.Bands, fixedMm, depths);
        return new(grid, field, levels, depths, Regions(layer.Bands, outline, cover, field, levels));
    }

    private static BandMap WithoutHearts(Outline outline, GrowthGrid grid, float[] field, Layer layer)
    {
        Array.Fill(field, 1f);
        var regions = layer.Bands.Select(b => b.FillsRest
            ? new Region(b.Id, RegionKind.Band, outline.AreaMm2, outline.PerimeterMm, null)
            : new Region(b.Id, RegionKind.Band, 0, 0, b.WidthMm));
        var fill = layer.Bands.TakeWhile(b => !b.FillsRest).Count();
        var levels = Enumerable.Range(0, layer.Bands.Length).Select(k => k <= fill ? 0.0 : Eikonal.Far / 2).ToArray();
        return new(grid, field, levels, new([0, 1], 1),
            [new(BandMap.HeartBedId, RegionKind.HeartBed, 0, 0, null), .. regions]);
    }

    private List<(Heart Heart, HeartForm Form)> Place(ImmutableArray<Heart> hearts, GrowthScale growth, Outline outline)
    {
        // The table reaches across the whole box from anywhere a heart of this size usually stands; beyond it the edge value holds.
        var reach = Math.Sqrt(outline.BoxWidthMm * outline.BoxWidthMm + outline.BoxHeightMm * outline.BoxHeightMm);
        return [.. hearts.Select(heart =>
        {
            var form = heart with { Id = "", XMm = 0, YMm = 0 };
            return (heart, Keep(forms, (form, growth.GrainMm, growth.GridMm, reach), _ => new HeartForm(form, growth.GrainMm, growth.GridMm, reach)));
        })];
    }

    private static void Slowness(GrowthGrid grid, List<(Heart Heart, HeartForm Form)> hearts, float[] slowness)
    {
        for (var row = 0; row < grid.Rows; row++)
        {
            var y = grid.Y(row);
            for (var column = 0; column < grid.Columns; column++)
            {
                var x = grid.X(column);
                double sum = 0, weights = 0;
                foreach (var (heart, form) in hearts)
                {
                    double dx = x - heart.XMm, dy = y - heart.YMm;
                    var log = form.LogSlowness(dx, dy);
                    if (hearts.Count == 1)
                    {
                        (sum, weights) = (log, 1);
                        break;
                    }

                    var away = Math.Max(0, Math.Sqrt(dx * dx + dy * dy) - form.RadiusMm) + 15;
                    var weight = 1 / (away * away * away);
                    sum += weight * log;
                    weights += weight;
                }

                slowness[row * grid.Columns + column] = MathF.Exp((float)(sum / weights));
            }
        }
    }

    /// <summary>Holds the exact signed distance inside the hearts and within two cells of their edge.</summary>
    private static void HoldHearts(
        GrowthGrid grid, List<(Heart Heart, HeartForm Form)> hearts, float[] slowness, float[] arrival, bool[] held)
    {
        Array.Fill(arrival, Eikonal.Far);
        var h = grid.SpacingMm;
        foreach (var (heart, form) in hearts)
        {
            double left = double.MaxValue, right = double.MinValue, top = double.MaxValue, bottom = double.MinValue;
            for (var i = 0; i < form.Outline.Count; i++)
            {
                left = Math.Min(left, form.Outline.Xs[i]);
                right = Math.Max(right, form.Outline.Xs[i]);
                top = Math.Min(top, form.Outline.Ys[i]);
                bottom = Math.Max(bottom, form.Outline.Ys[i]);
            }

            var firstColumn = Math.Max(0, (int)((heart.XMm + left) / h) - 3 + GrowthGrid.Padding);
            var lastColumn = Math.Min(grid.Columns - 1, (int)((heart.XMm + right) / h) + 4 + GrowthGrid.Padding);
            var firstRow = Math.Max(0, (int)((heart.YMm + top) / h) - 3 + GrowthGrid.Padding);
            var lastRow = Math.Min(grid.Rows - 1, (int)((heart.YMm + bottom) / h) + 4 + GrowthGrid.Padding);
            for (var row = firstRow; row <= lastRow; row++)
            {
                for (var column = firstColumn; column <= lastColumn; column++)
                {
                    var distance = form.Outline.SignedDistanceMm(grid.X(column) - heart.XMm, grid.Y(row) - heart.YMm);
                    if (distance <= 2 * h)
                    {
                        var node = row * grid.Columns + column;
                        var value = (float)(distance > 0 ? distance * slowness[node] : distance);
                        arrival[node] = Math.Min(arrival[node], value);
                        held[node] = true;
                    }
                }
            }
        }
    }

    /// <summary>Bends the outer levels towards the rim, where a second front grows inward from the outline.</summary>
    private static void FollowRim(
        GrowthGrid grid, OutlineCover cover, float[] slowness, float[] arrival, float widthsMm, float follow, float[] field)
    {
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
    }

    /// <summary>Outer edge of the hearts' bed and of every band but the last.</summary>
    private static double[] Levels(ImmutableArray<Band> bands, double fixedMm, DepthScale depths)
    {
        var levels = new double[bands.Length];
        var depth = 0.0;
        for (var k = 0; k < bands.Length - 1; k++)
        {
            depth += bands[k].FillsRest ? Math.Max(0, depths.FarMm - fixedMm) : bands[k].WidthMm;
            levels[k + 1] = depths.Level(depth);
        }

        return levels;
    }

    private static ImmutableArray<Region> Regions(
        ImmutableArray<Band> bands, Outline outline, OutlineCover cover, float[] field, double[] levels)
    {
        var below = BandAreas.Below(cover, field, levels);
        var edges = RimLengths.Between(cover.Grid, outline, field, levels);
        var regions = ImmutableArray.CreateBuilder<Region>(levels.Length + 1);
        for (var k = 0; k <= levels.Length; k++)
        {
            var area = Math.Max(0, below[k] - (k == 0 ? 0 : below[k - 1]));
            regions.Add(k == 0
                ? new(BandMap.HeartBedId, RegionKind.HeartBed, area, edges[0], null)
                : new(bands[k - 1].Id, RegionKind.Band, area, edges[k], bands[k - 1].FillsRest ? null : bands[k - 1].WidthMm));
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
