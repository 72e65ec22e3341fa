using System.Buffers;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Where the front starts: the hearts, stamped into the grid.</summary>
/// <remarks>Source: docs/craft/map.md, Growth front.</remarks>
internal static class HeldHearts
{
    /// <summary>
    /// Holds the hearts and what lies within two cells of their edge, by exact distance; deeper inside only that it is
    /// inside counts. A heart that reaches over the grid's border grows in over it.
    /// </summary>
    public static void Hold(
        GrowthGrid grid, List<PlacedHeart> hearts, float[] slowness, float[] arrival, bool[] held)
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
            int left = Math.Max(box.Left, (int)(Math.Min(xs[i], xs[j]) - 3)),
            right = Math.Min(box.Right, (int)(Math.Max(xs[i], xs[j]) + 4));
            int top = Math.Max(box.Top, (int)(Math.Min(ys[i], ys[j]) - 3)),
            bottom = Math.Min(box.Bottom, (int)(Math.Max(ys[i], ys[j]) + 4));
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
}
