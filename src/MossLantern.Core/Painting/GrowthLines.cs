using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Painting;

/// <summary>A growth line inside a region.</summary>
/// <param name="Patch">The region.</param>
/// <param name="Path">The line, closed, in SVG path syntax, mm.</param>
/// <param name="Tone">Lighter or darker, −1 to 1.</param>
/// <param name="Hairline">Whether it has a pale edge.</param>
internal sealed record GrowthLine(Patch Patch, string Path, double Tone, bool Hairline);

/// <summary>Growth lines inside regions that are polygons: one front grows inward from all their borders at once.</summary>
/// <remarks>Source: docs/craft/map.md, Painting.</remarks>
internal static class GrowthLines
{
    private const int Most = 16;

    /// <summary>Lines of every region, from its border inward.</summary>
    /// <param name="map">The regions.</param>
    /// <param name="outline">What they lie in.</param>
    /// <param name="growth">How finely they grow.</param>
    /// <param name="seed">What they grow from.</param>
    /// <param name="wavinessMm">How far they waver, mm.</param>
    /// <param name="bands">Whether each region has bands of its own, lighter and darker in turn, some wide and some
    /// narrow; else hardly seen lines.</param>
    public static List<GrowthLine> Of(RegionMap map, Outline outline, GrowthScale growth, int seed, double wavinessMm, bool bands)
    {
        var grid = GrowthGrid.Over(outline.BoxWidthMm, outline.BoxHeightMm, growth.GridMm);
        var arrival = new float[grid.Count];
        var held = new bool[grid.Count];
        var slowness = Grain.Slowness(grid, seed, wavinessMm, 0.6 * growth.GrainMm);
        var squares = new double[grid.Count];
        Array.Fill(squares, double.MaxValue);
        foreach (var patch in map.Patches.Where(p => p.Kind is not (RegionKind.Line or RegionKind.Film)))
        {
            foreach (var ring in Flat.Rings(patch.Area))
            {
                NearRing.Tell(grid, ring, 3, squares);
            }
        }

        for (var node = 0; node < arrival.Length; node++)
        {
            held[node] = squares[node] < 9 * grid.SpacingMm * grid.SpacingMm;
            arrival[node] = held[node] ? (float)Math.Sqrt(squares[node]) * slowness[node] : Eikonal.Far;
        }

        Eikonal.Solve(grid, arrival, held, slowness);

        // Falling inward, so that the set below a level is what lies further in; what lies outside the outline does not count.
        var deepest = 0f;
        for (var row = 0; row < grid.Rows; row++)
        {
            foreach (var (from, to) in outline.Chords(grid.Y(row)))
            {
                for (var column = Math.Max(0, grid.Column(from) + 1); column <= Math.Min(grid.Columns - 1, grid.Column(to)); column++)
                {
                    deepest = Math.Max(deepest, arrival[row * grid.Columns + column]);
                }
            }
        }

        for (var node = 0; node < arrival.Length; node++)
        {
            arrival[node] = deepest - arrival[node];
        }

        var step = Math.Max(2.4, deepest / Most);
        var levels = Enumerable.Range(1, Most).Select(i => (double)deepest - step * (Most + 1 - i)).Where(l => l > 0).ToArray();
        var traced = Contours.Trace(grid, arrival, levels);
        var ids = map.Patches.Select(p => p.Id).ToList();
        var lines = new List<GrowthLine>();
        for (var k = levels.Length - 1; k >= 0; k--)
        {
            // None of them crosses a border, so each lies in one region; round a hole there are two, and what is between them counts.
            foreach (var inside in traced[k].GroupBy(c => map.Holds(c.Xs[0], c.Ys[0])).Where(g => g.Key is not null))
            {
                // A line keeps its tone all over its region, however many parts it falls into.
                var number = ids.IndexOf(inside.Key!.Value);
                var random = new SplitMix((ulong)(seed * 131 + number * 17 + k));
                var tone = bands ? Banded(seed, number, k, ref random) : random.Between(-1, 1);
                if (tone is { } told && random.Unit() > (bands ? 0 : 0.25))
                {
                    lines.Add(new(map.Patches[number], PathText.Smooth(inside, 0.2, 3 * grid.SpacingMm), told, random.Unit() < 0.14));
                }
            }
        }

        return lines;
    }

    /// <summary>How light a band is that begins at a line; null where none begins, and the one outside of it goes on.</summary>
    private static double? Banded(int seed, int number, int line, ref SplitMix random)
    {
        // A field has its own measure of how its bands follow each other, and which of them are the light ones.
        var own = new SplitMix((ulong)(seed * 131 + number * 17 + Most));
        var (share, first) = (own.Between(0.3, 0.6), own.Unit() < 0.5 ? 0 : 1);
        return random.Unit() > share ? null : ((line + first) % 2 == 0 ? 1 : -1) * random.Between(0.55, 1);
    }
}
