using System.Collections.Immutable;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>Which part of every grid cell lies inside an outline.</summary>
internal sealed class OutlineCover
{
    private readonly float[] share;
    private readonly Lazy<float[]> rimDepth;
    private readonly Dictionary<int, (double[] Xs, double[] Ys)> cut = [];

    public OutlineCover(GrowthGrid grid, Outline outline)
    {
        Grid = grid;
        Outline = outline;
        share = new float[(grid.Columns - 1) * (grid.Rows - 1)];
        var h = grid.SpacingMm;
        var cellArea = h * h;
        var strip = new Clip();
        var part = new Clip();
        var whole = new Clip();
        var walk = outline.Walk();
        whole.Set(walk.Xs, walk.Ys);
        if (walk.SignedAreaMm2 < 0)
        {
            throw new ArgumentException("The outline's points must run clockwise as seen.", nameof(outline));
        }

        var crossed = new bool[grid.Columns - 1];
        var crossings = new List<(double X, int Turn)>();
        for (var row = 0; row < grid.Rows - 1; row++)
        {
            strip.Set(whole);
            strip.Keep(0, 1, grid.Y(row));
            strip.Keep(0, -1, -grid.Y(row + 1));
            Cross(strip, row, crossed, crossings);
            var (passed, turn) = (0, 0);
            for (var column = 0; column < grid.Columns - 1 && strip.Count >= 3; column++)
            {
                // A cell that no side runs through is inside whole, or not at all.
                if (!crossed[column])
                {
                    for (; passed < crossings.Count && crossings[passed].X < grid.X(column + 1); passed++)
                    {
                        turn += crossings[passed].Turn;
                    }

                    share[row * (grid.Columns - 1) + column] = turn == 0 ? 0 : 1;
                    continue;
                }

                if (column > 0 && !crossed[column - 1])
                {
                    strip.Keep(1, 0, grid.X(column));
                }

                part.Set(strip);
                part.Keep(-1, 0, -grid.X(column + 1));
                strip.Keep(1, 0, grid.X(column + 1));
                var area = part.SignedArea;
                var cell = row * (grid.Columns - 1) + column;
                if (area > cellArea * (1 - 1e-9))
                {
                    share[cell] = 1;
                }
                else if (area > cellArea * 1e-9)
                {
                    share[cell] = (float)(area / cellArea);
                    var xs = new double[part.Count];
                    var ys = new double[part.Count];
                    for (var i = 0; i < xs.Length; i++)
                    {
                        // In the cell's own frame, one cell wide.
                        xs[i] = (part.X(i) - grid.X(column)) / h;
                        ys[i] = (part.Y(i) - grid.Y(row)) / h;
                    }

                    cut[cell] = (xs, ys);
                }
            }
        }

        rimDepth = new(() => DepthsFrom(outline.Rings));
    }

    /// <summary>Which cells of a row the sides of what lies in it run through, and where they pass its middle, from left to right.</summary>
    private void Cross(Clip strip, int row, bool[] crossed, List<(double X, int Turn)> crossings)
    {
        double top = Grid.Y(row), bottom = Grid.Y(row + 1), middle = (top + bottom) / 2, hair = 1e-9 * Grid.SpacingMm;
        Array.Clear(crossed);
        crossings.Clear();
        for (int i = 0, j = strip.Count - 1; i < strip.Count; j = i++)
        {
            double fromX = strip.X(j), fromY = strip.Y(j), toX = strip.X(i), toY = strip.Y(i);
            bool Along(double y) => Math.Abs(fromY - y) < hair && Math.Abs(toY - y) < hair;
            if (Along(top) || Along(bottom))
            {
                continue;
            }

            var last = Math.Min(crossed.Length - 1, Grid.Column(Math.Max(fromX, toX) + hair));
            for (var column = Math.Max(0, Grid.Column(Math.Min(fromX, toX) - hair)); column <= last; column++)
            {
                crossed[column] = true;
            }

            if (fromY < middle != toY < middle)
            {
                crossings.Add((fromX + (middle - fromY) / (toY - fromY) * (toX - fromX), fromY < toY ? 1 : -1));
            }
        }

        crossings.Sort();
    }

    public GrowthGrid Grid { get; }

    public Outline Outline { get; }

    /// <summary>Share of a cell inside the outline, 0 to 1.</summary>
    public float Share(int cell) => share[cell];

    /// <summary>Shares of a row of cells.</summary>
    public ReadOnlySpan<float> Shares(int row) => share.AsSpan(row * (Grid.Columns - 1), Grid.Columns - 1);

    /// <summary>The inside part of a cell that the outline cuts, in the cell's unit frame.</summary>
    public (double[] Xs, double[] Ys) Part(int cell) => cut[cell];

    /// <summary>How far inside the outline every node lies, mm: exact near the outline, and only "far" or "outside" elsewhere.</summary>
    public ReadOnlySpan<float> RimDepths => rimDepth.Value;

    private float[] DepthsFrom(ImmutableArray<Ring> rings)
    {
        const int near = 3;
        int columns = Grid.Columns, rows = Grid.Rows;
        var depths = new float[Grid.Count];
        for (var node = 0; node < depths.Length; node++)
        {
            int row = Math.Min(node / columns, rows - 2), column = Math.Min(node % columns, columns - 2);
            depths[node] = Share(row * (columns - 1) + column) > 0 ? float.MaxValue : -(float)Grid.SpacingMm;
        }

        // A rectangle's sides may run along the grid and cut no cell, so every step from inside to outside counts too.
        var wanted = new bool[Grid.Count];
        for (var row = 0; row < rows - 1; row++)
        {
            for (var column = 0; column < columns - 1; column++)
            {
                var cell = row * (columns - 1) + column;
                if (OnRim(cell, row, column))
                {
                    for (var r = Math.Max(0, row - near + 1); r < Math.Min(rows, row + near + 1); r++)
                    {
                        for (var c = Math.Max(0, column - near + 1); c < Math.Min(columns, column + near + 1); c++)
                        {
                            wanted[r * columns + c] = true;
                        }
                    }
                }
            }
        }

        // Each side tells the nodes round it, so that a rim of many short sides costs no more than one of few.
        var squares = new double[Grid.Count];
        Array.Fill(squares, double.MaxValue);
        foreach (var ring in rings)
        {
            NearRing.Tell(Grid, ring, near + 2, squares);
        }

        var crossings = new List<double>();
        for (var row = 0; row < rows; row++)
        {
            crossings.Clear();
            crossings.AddRange(rings.SelectMany(r => r.Crossings(Grid.Y(row))));
            crossings.Sort();
            var passed = 0;
            for (var column = 0; column < columns; column++)
            {
                while (passed < crossings.Count && crossings[passed] <= Grid.X(column))
                {
                    passed++;
                }

                var node = row * columns + column;
                if (wanted[node])
                {
                    depths[node] = (float)((passed % 2 == 1 ? 1 : -1) * Math.Sqrt(squares[node]));
                }
            }
        }

        return depths;
    }

    private bool OnRim(int cell, int row, int column)
    {
        var here = share[cell];
        return here is > 0 and < 1
            || (here > 0) != (column > 0 && share[cell - 1] > 0)
            || (here > 0) != (row > 0 && share[cell - Grid.Columns + 1] > 0);
    }
}
