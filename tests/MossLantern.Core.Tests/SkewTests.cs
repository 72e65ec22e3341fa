using CsCheck;
using MossLantern.Core.Map;

namespace MossLantern.Core.Tests;

/// <summary>The storage that sweeps run on: what goes in comes out, whichever side is the longer.</summary>
public sealed class SkewTests
{
    private static readonly Gen<GrowthGrid> Grids = Gen.Select(Gen.Int[Skew.Lanes, 60], Gen.Int[2, 60],
        (columns, rows) => new GrowthGrid(1, columns, rows));

    [Fact]
    public void Turned_over_and_read_it_is_the_grid() =>
        Gen.Select(Grids, Gen.Int).Sample((grid, seed) =>
        {
            var values = Values(grid, seed);
            var (skew, straight, turned) = Stored(grid, values);
            skew.TurnOver(straight, turned);
            var read = new float[grid.Count];
            skew.ReadTurnedOver(turned, read);
            Assert.Equal(values, read);
        });

    [Fact]
    public void Every_node_lies_on_its_diagonal_with_the_outside_round_it() =>
        Gen.Select(Grids, Gen.Int).Sample((grid, seed) =>
        {
            var values = Values(grid, seed);
            var (skew, straight, turned) = Stored(grid, values);
            skew.TurnOver(straight, turned);
            for (var line = 0; line < skew.Lines; line++)
            {
                var (first, last) = skew.Span(line);
                for (var column = first; column <= last; column++)
                {
                    Assert.Equal(values[(line - column) * grid.Columns + column], straight[skew.At(line) + column]);
                    Assert.Equal(values[(grid.Rows - 1 - line + column) * grid.Columns + column], turned[skew.At(line) + column]);
                }

                // A sweep's last vector reaches as far beyond a line as there are lanes, and a neighbour one further.
                foreach (var beyond in Enumerable.Range(last + 1, Skew.Lanes).Append(first - 1))
                {
                    Assert.Equal(Eikonal.Far, straight[skew.At(line) + beyond]);
                    Assert.Equal(Eikonal.Far, turned[skew.At(line) + beyond]);
                }
            }
        });

    /// <summary>Every node from its nearer neighbours, again and again until nothing changes: slow, and plainly right.</summary>
    [Fact]
    public void A_front_arrives_when_plain_iteration_says() =>
        Gen.Select(Gen.Int[Skew.Lanes, 24], Gen.Int[4, 24], Gen.Int).Sample((columns, rows, seed) =>
        {
            var grid = new GrowthGrid(1, columns, rows);
            var random = new Random(seed);
            var slowness = Enumerable.Range(0, grid.Count).Select(_ => 0.8f + 0.4f * random.NextSingle()).ToArray();
            var held = new bool[grid.Count];
            var arrival = Enumerable.Repeat(Eikonal.Far, grid.Count).ToArray();
            var start = random.Next(grid.Count);
            (held[start], arrival[start]) = (true, 0);
            var plain = Plainly(grid, arrival, held, slowness);
            Eikonal.Solve(grid, arrival, held, slowness);
            Assert.All(plain.Zip(arrival), pair => Assert.Equal(pair.First, pair.Second, 0.02));
        }, iter: 100);

    private static (Skew Skew, float[] Straight, float[] Turned) Stored(GrowthGrid grid, float[] values)
    {
        var skew = new Skew(grid);
        var outside = Enumerable.Repeat(Eikonal.Far, grid.Columns).ToArray();
        var (straight, turned) = (skew.Rent(), skew.Rent());
        skew.Fill(straight, [.. outside, .. values, .. outside]);
        return (skew, straight, turned);
    }

    private static float[] Values(GrowthGrid grid, int seed)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, grid.Count).Select(_ => random.NextSingle())];
    }

    private static float[] Plainly(GrowthGrid grid, float[] arrival, bool[] held, float[] slowness)
    {
        var times = arrival.ToArray();
        for (var changed = true; changed;)
        {
            changed = false;
            for (var node = 0; node < times.Length; node++)
            {
                int row = node / grid.Columns, column = node % grid.Columns;
                double a = Math.Min(At(row, column - 1), At(row, column + 1)), b = Math.Min(At(row - 1, column), At(row + 1, column));
                double f = slowness[node], gap = Math.Min(Math.Abs(a - b), f);
                var next = (float)(Math.Min(a, b) + (gap + Math.Sqrt(2 * f * f - gap * gap)) / 2);
                if (!held[node] && next < times[node] - 1e-4f)
                {
                    (times[node], changed) = (next, true);
                }
            }
        }

        return times;

        float At(int row, int column) =>
            row < 0 || row >= grid.Rows || column < 0 || column >= grid.Columns ? Eikonal.Far : times[row * grid.Columns + column];
    }
}
