using System.Buffers;
using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Globalization;
using System.Numerics;
using System.Runtime.InteropServices;
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
            layer.Widening.ToString("R", CultureInfo.InvariantCulture),
            .. layer.Hearts.Select(h => h.ToString()),
            .. layer.Bands.Select(b => string.Create(CultureInfo.InvariantCulture, $"{b.Id}/{(b.FillsRest ? -1 : b.WidthMm):R}")),
        ]);

    private BandMap Grow(Outline outline, GrowthScale growth, Layer layer)
    {
        var ring = outline.ToRing();
        var grid = GrowthGrid.Over(outline.BoxWidthMm, outline.BoxHeightMm, growth.GridMm);
        var cover = Keep(covers, (outline, growth.GridMm), _ => new(grid, ring));
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
        Slowness(grid, hearts, slowness);
        HoldHearts(grid, hearts, slowness, arrival, held);
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
        return new(grid, field, levels, depths, Regions(layer.Bands, widths, outline, cover, field, levels));
    }

    private static BandMap WithoutHearts(Outline outline, GrowthGrid grid, Layer layer)
    {
        var field = new float[grid.Count];
        Array.Fill(field, 1f);
        var widths = layer.BandWidthsMm();
        var regions = layer.Bands.Select((b, k) => b.FillsRest
            ? new Region(b.Id, RegionKind.Band, outline.AreaMm2, outline.PerimeterMm, null)
            : new Region(b.Id, RegionKind.Band, 0, 0, widths[k]));
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

    /// <summary>The hearts' slowness, blended on every second node and taken between those elsewhere.</summary>
    private static void Slowness(GrowthGrid grid, List<(Heart Heart, HeartForm Form)> hearts, float[] slowness)
    {
        int across = grid.Columns / 2 + 2, down = grid.Rows / 2 + 2;
        var lattice = new float[across * down];
        for (var row = 0; row < down; row++)
        {
            for (var column = 0; column < across; column++)
            {
                lattice[row * across + column] = LogSlowness(hearts, grid.X(2 * column), grid.Y(2 * row));
            }
        }

        for (var row = 0; row < grid.Rows; row++)
        {
            var above = row / 2 * across;
            var below = (row + 1) / 2 * across;
            for (var column = 0; column < grid.Columns; column++)
            {
                int left = column / 2, right = (column + 1) / 2;
                slowness[row * grid.Columns + column] =
                    (lattice[above + left] + lattice[above + right] + lattice[below + left] + lattice[below + right]) / 4;
            }
        }

        var whole = MemoryMarshal.Cast<float, Vector<float>>(slowness.AsSpan(0, grid.Count));
        for (var i = 0; i < whole.Length; i++)
        {
            whole[i] = Vector.Exp(whole[i]);
        }

        for (var i = whole.Length * Vector<float>.Count; i < grid.Count; i++)
        {
            slowness[i] = MathF.Exp(slowness[i]);
        }
    }

    private static float LogSlowness(List<(Heart Heart, HeartForm Form)> hearts, double x, double y)
    {
        if (hearts.Count == 1)
        {
            return hearts[0].Form.LogSlowness(x - hearts[0].Heart.XMm, y - hearts[0].Heart.YMm);
        }

        double sum = 0, weights = 0;
        foreach (var (heart, form) in hearts)
        {
            double dx = x - heart.XMm, dy = y - heart.YMm;
            var away = Math.Max(0, Math.Sqrt(dx * dx + dy * dy) - form.RadiusMm) + 15;
            var weight = 1 / (away * away * away);
            sum += weight * form.LogSlowness(dx, dy);
            weights += weight;
        }

        return (float)(sum / weights);
    }

    /// <summary>
    /// Holds the hearts and what lies within two cells of their edge, by exact distance; deeper inside only that it is
    /// inside counts. A heart that reaches over the grid's border grows in over it.
    /// </summary>
    private static void HoldHearts(
        GrowthGrid grid, List<(Heart Heart, HeartForm Form)> hearts, float[] slowness, float[] arrival, bool[] held)
    {
        Array.Fill(arrival, Eikonal.Far);
        var h = grid.SpacingMm;
        var nearest = ArrayPool<float>.Shared.Rent(grid.Count);
        foreach (var (heart, form) in hearts)
        {
            var xs = new double[form.Outline.Count];
            var ys = new double[form.Outline.Count];
            for (var i = 0; i < xs.Length; i++)
            {
                xs[i] = (form.Outline.Xs[i] + heart.XMm) / h + GrowthGrid.Padding;
                ys[i] = (form.Outline.Ys[i] + heart.YMm) / h + GrowthGrid.Padding;
            }

            var box = Box.Round(xs, ys, grid);
            Near(grid, xs, ys, box, nearest);
            Inside(grid, xs, ys, box, (node, inside) =>
            {
                var distance = MathF.Sqrt(nearest[node]) * (float)h;
                if (inside || distance <= 2 * h)
                {
                    var value = inside ? -Math.Min(distance, 3 * (float)h) : distance * slowness[node];
                    arrival[node] = Math.Min(arrival[node], value);
                    held[node] = true;
                }
            });
            if (box.LeavesGrid)
            {
                GrowOverBorder(grid, heart, form, arrival, held);
            }
        }

        ArrayPool<float>.Shared.Return(nearest);
    }

    /// <summary>Nodes near an outline, and whether it goes beyond the grid.</summary>
    private readonly record struct Box(int Left, int Right, int Top, int Bottom, bool LeavesGrid)
    {
        public static Box Round(double[] xs, double[] ys, GrowthGrid grid)
        {
            double left = xs.Min() - 3, right = xs.Max() + 3, top = ys.Min() - 3, bottom = ys.Max() + 3;
            return new(
                (int)Math.Clamp(left, 0, grid.Columns - 1), (int)Math.Clamp(Math.Ceiling(right), 0, grid.Columns - 1),
                (int)Math.Clamp(top, 0, grid.Rows - 1), (int)Math.Clamp(Math.Ceiling(bottom), 0, grid.Rows - 1),
                left < 0 || top < 0 || right > grid.Columns - 1 || bottom > grid.Rows - 1);
        }
    }

    /// <summary>Squared distance to the outline in cells, exact within three of it and large elsewhere.</summary>
    private static void Near(GrowthGrid grid, double[] xs, double[] ys, Box box, float[] nearest)
    {
        for (var row = box.Top; row <= box.Bottom; row++)
        {
            nearest.AsSpan(row * grid.Columns + box.Left, box.Right - box.Left + 1).Fill(9);
        }

        for (int i = 0, j = xs.Length - 1; i < xs.Length; j = i++)
        {
            int left = Math.Max(box.Left, (int)(Math.Min(xs[i], xs[j]) - 3)), right = Math.Min(box.Right, (int)(Math.Max(xs[i], xs[j]) + 4));
            int top = Math.Max(box.Top, (int)(Math.Min(ys[i], ys[j]) - 3)), bottom = Math.Min(box.Bottom, (int)(Math.Max(ys[i], ys[j]) + 4));
            for (var row = top; row <= bottom; row++)
            {
                for (var column = left; column <= right; column++)
                {
                    ref var best = ref nearest[row * grid.Columns + column];
                    best = Math.Min(best, (float)Ring.SegmentDistanceSquared(column, row, xs[j], ys[j], xs[i], ys[i]));
                }
            }
        }
    }

    /// <summary>Tells of every node in a box whether it lies inside an outline, row by row.</summary>
    private static void Inside(GrowthGrid grid, double[] xs, double[] ys, Box box, Action<int, bool> tell)
    {
        var crossings = new List<double>();
        for (var row = box.Top; row <= box.Bottom; row++)
        {
            crossings.Clear();
            for (int i = 0, j = xs.Length - 1; i < xs.Length; j = i++)
            {
                if (ys[i] > row != ys[j] > row)
                {
                    crossings.Add((xs[j] - xs[i]) * (row - ys[i]) / (ys[j] - ys[i]) + xs[i]);
                }
            }

            crossings.Sort();
            var passed = 0;
            for (var column = box.Left; column <= box.Right; column++)
            {
                while (passed < crossings.Count && crossings[passed] <= column)
                {
                    passed++;
                }

                tell(row * grid.Columns + column, passed % 2 == 1);
            }
        }
    }

    /// <summary>Bounds the arrival on the grid's border by the straight way from a heart that lies across or outside it.</summary>
    private static void GrowOverBorder(GrowthGrid grid, Heart heart, HeartForm form, float[] arrival, bool[] held)
    {
        const int samples = 6;
        for (var column = 0; column < grid.Columns; column++)
        {
            Bound(0, column);
            Bound(grid.Rows - 1, column);
        }

        for (var row = 0; row < grid.Rows; row++)
        {
            Bound(row, 0);
            Bound(row, grid.Columns - 1);
        }

        void Bound(int row, int column)
        {
            var node = row * grid.Columns + column;
            if (held[node])
            {
                return;
            }

            double x = grid.X(column) - heart.XMm, y = grid.Y(row) - heart.YMm;
            var distance = form.Outline.SignedDistanceMm(x, y);
            var share = Math.Min(1, distance / Math.Sqrt(x * x + y * y));
            var mean = 0.0;
            for (var i = 0; i < samples; i++)
            {
                var at = 1 - share * (i + 0.5) / samples;
                mean += Math.Exp(form.LogSlowness(x * at, y * at)) / samples;
            }

            arrival[node] = Math.Min(arrival[node], (float)(distance * mean));
        }
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
