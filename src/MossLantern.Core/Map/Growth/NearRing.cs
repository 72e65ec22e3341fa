using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Distances from the sides of a ring to the nodes near them.</summary>
internal static class NearRing
{
    /// <summary>Lowers the squared distance, mm², of every node that lies within so many cells of a side.</summary>
    public static void Tell(GrowthGrid grid, Ring ring, int reach, double[] squares)
    {
        for (int i = 0, j = ring.Count - 1; i < ring.Count; j = i++)
        {
            Side(grid, ring.Xs[j], ring.Ys[j], ring.Xs[i], ring.Ys[i], reach, squares);
        }
    }

    private static void Side(GrowthGrid grid, double x0, double y0, double x1, double y1, int reach, double[] squares)
    {
        // Long sides are walked in pieces, so that the box round each stays small.
        var pieces = Math.Max(1, (int)(Math.Max(Math.Abs(x1 - x0), Math.Abs(y1 - y0)) / (4 * grid.SpacingMm)));
        for (var piece = 0; piece < pieces; piece++)
        {
            double fromX = x0 + (x1 - x0) * piece / pieces, toX = x0 + (x1 - x0) * (piece + 1) / pieces;
            double fromY = y0 + (y1 - y0) * piece / pieces, toY = y0 + (y1 - y0) * (piece + 1) / pieces;
            var left = Math.Max(0, grid.Column(Math.Min(fromX, toX)) - reach);
            var right = Math.Min(grid.Columns - 1, grid.Column(Math.Max(fromX, toX)) + reach + 1);
            var bottom = Math.Min(grid.Rows - 1, grid.Row(Math.Max(fromY, toY)) + reach + 1);
            for (var row = Math.Max(0, grid.Row(Math.Min(fromY, toY)) - reach); row <= bottom; row++)
            {
                for (var column = left; column <= right; column++)
                {
                    var node = row * grid.Columns + column;
                    squares[node] = Math.Min(squares[node],
                        Ring.SegmentDistanceSquared(grid.X(column), grid.Y(row), fromX, fromY, toX, toY));
                }
            }
        }
    }
}
