using System.Buffers;

namespace MossLantern.Core.Map;

/// <summary>How much of an outline lies below each level of a field.</summary>
internal sealed class AreaCurve
{
    private const int Bins = 2048;

    /// <summary>Rounds in which a level is moved until it encloses the area asked for; each leaves about a thirtieth.</summary>
    private const int Rounds = 4;

    /// <summary>Rounds more in which what is still off by more than a share of its own is found by halves: small dots
    /// in few cells.</summary>
    private const int Halvings = 24;

    /// <summary>A share of what is asked for that does not matter.</summary>
    private const double NearOwn = 5e-4;

    /// <summary>A part of the whole that does not matter.</summary>
    private const double Near = 1e-6;

    private readonly OutlineCover cover;
    private readonly float[] field;
    private readonly double[] below = new double[Bins + 1];
    private readonly double step;

    public AreaCurve(OutlineCover cover, float[] field)
    {
        (this.cover, this.field) = (cover, field);
        var grid = cover.Grid;
        step = DepthScale.Farthest(cover, field) / Bins;
        for (var row = 0; row < grid.Rows - 1; row++)
        {
            var shares = cover.Shares(row);
            for (var column = 0; column < shares.Length; column++)
            {
                if (shares[column] > 0)
                {
                    var node = row * grid.Columns + column;
                    var mean = (field[node] + field[node + 1] + field[node + grid.Columns] + field[node + grid.Columns + 1]) / 4;
                    below[1 + Math.Clamp((int)(mean / step), 0, Bins - 1)] += shares[column] * grid.SpacingMm * grid.SpacingMm;
                }
            }
        }

        for (var bin = 0; bin < Bins; bin++)
        {
            below[bin + 1] += below[bin];
        }
    }

    /// <summary>Rising levels that enclose rising areas, mm²; beyond everything where an area is the whole outline.</summary>
    public double[] Levels(double[] areas)
    {
        var whole = below[^1];
        var beyond = areas.Select(a => a >= whole * (1 - 1e-9)).ToArray();
        var aims = areas.ToArray();
        var levels = Found();
        for (var round = 0; round < Rounds; round++)
        {
            var enclosed = BandAreas.Below(cover, field, levels);
            if (areas.Zip(enclosed, beyond).All(a => a.Third || Math.Abs(a.First - a.Second) < Near * whole))
            {
                return levels;
            }

            for (var k = 0; k < aims.Length; k++)
            {
                aims[k] += areas[k] - enclosed[k];
            }

            levels = Found();
        }

        return Halved(areas, levels, beyond);

        double[] Found()
        {
            var found = new double[aims.Length];
            for (var k = 0; k < found.Length; k++)
            {
                found[k] = Math.Max(k == 0 ? 0 : found[k - 1], beyond[k] ? Eikonal.Far / 2 : areas[k] <= 0 ? 0 : Level(aims[k]));
            }

            return found;
        }
    }

    /// <summary>Levels that are still off are found between nothing and the next that encloses enough.</summary>
    private double[] Halved(double[] areas, double[] levels, bool[] beyond)
    {
        var enclosed = BandAreas.Below(cover, field, levels);
        bool Off(int k) => !beyond[k] && areas[k] > 0
            && Math.Abs(enclosed[k] - areas[k]) > Math.Max(1e-3, NearOwn * (areas[k] - (k == 0 ? 0 : areas[k - 1])));
        if (!Enumerable.Range(0, levels.Length).Any(Off))
        {
            return levels;
        }

        var (low, high) = (new double[levels.Length], new double[levels.Length]);
        for (var k = 0; k < levels.Length; k++)
        {
            (low[k], high[k]) = enclosed[k] < areas[k] ? (levels[k], step * Bins) : (0, levels[k]);
        }

        for (var round = 0; round < Halvings && Enumerable.Range(0, levels.Length).Any(Off); round++)
        {
            var found = levels.ToArray();
            for (var k = 0; k < found.Length; k++)
            {
                found[k] = Off(k) ? (low[k] + high[k]) / 2 : levels[k];
                found[k] = Math.Max(found[k], k == 0 ? 0 : found[k - 1]);
            }

            var now = BandAreas.Below(cover, field, found);
            for (var k = 0; k < found.Length; k++)
            {
                if (Off(k))
                {
                    (low[k], high[k]) = now[k] < areas[k] ? (found[k], high[k]) : (low[k], found[k]);
                }
            }

            (levels, enclosed) = (found, now);
        }

        return levels;
    }

    private double Level(double area)
    {
        var at = Array.BinarySearch(below, area);
        at = Math.Clamp(at < 0 ? ~at : at, 1, Bins);
        double from = below[at - 1], to = below[at];
        return step * (at - 1 + (to > from ? Math.Clamp((area - from) / (to - from), 0, 1) : 0));
    }
}
