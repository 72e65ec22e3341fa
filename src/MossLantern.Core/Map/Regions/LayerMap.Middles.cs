using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <content>Where regions are written on: as far as can be from everything else.</content>
public abstract partial class LayerMap
{
    /// <summary>So many places are looked at along the longer side.</summary>
    private const int Places = 110;

    /// <summary>A step to the side, and one across, as far as is counted.</summary>
    private const int Side = 5, Across = 7;

    /// <summary>So many cuts are made for what is too narrow to be met so.</summary>
    private const int Cuts = 24;

    private readonly Dictionary<RegionId, Spot> centres = [];

    private Dictionary<RegionId, Spot>? middles;

    /// <summary>Where its regions lie on the whole, mm: their centres of mass, which may lie outside of them. One that
    /// is too small to be met has none.</summary>
    /// <param name="outline">What it is grown over.</param>
    internal IReadOnlyDictionary<RegionId, Spot> CentresIn(Outline outline)
    {
        _ = MiddlesIn(outline);
        return centres;
    }

    /// <summary>Where its regions are written on, mm; one that is too small to be met has no place.</summary>
    /// <param name="outline">What it is grown over.</param>
    internal IReadOnlyDictionary<RegionId, Spot> MiddlesIn(Outline outline) => middles ??= WithNarrow(outline, Middles(outline));

    /// <summary>What is too narrow for places that far apart is written on where a cut passes it longest.</summary>
    private Dictionary<RegionId, Spot> WithNarrow(Outline outline, Dictionary<RegionId, Spot> found)
    {
        var narrow = Regions.Where(r => r.TakesArea && r.AreaMm2 > 0 && !found.ContainsKey(r.Id)).Select(r => r.Id).ToHashSet();
        var longest = new Dictionary<RegionId, double>();
        for (var cut = 0; narrow.Count > 0 && cut < Cuts; cut++)
        {
            var y = outline.BoxHeightMm * (cut + 0.5) / Cuts;
            foreach (var span in outline.Chords(y).SelectMany(c => Cut(y, c.FromMm, c.ToMm)).Where(s => narrow.Contains(s.RegionId)))
            {
                var (middle, length) = ((span.FromMm + span.ToMm) / 2, span.ToMm - span.FromMm);
                if (length > longest.GetValueOrDefault(span.RegionId) && RegionAt(middle, y) == span.RegionId)
                {
                    longest[span.RegionId] = length;
                    found[span.RegionId] = new(middle, y);
                }
            }
        }

        return found;
    }

    private Dictionary<RegionId, Spot> Middles(Outline outline)
    {
        var step = Math.Max(outline.BoxWidthMm, outline.BoxHeightMm) / Places;
        int columns = (int)Math.Ceiling(outline.BoxWidthMm / step) + 2, rows = (int)Math.Ceiling(outline.BoxHeightMm / step) + 2;
        var region = new RegionId?[rows, columns];
        var far = new int[rows, columns];
        var sums = new Dictionary<RegionId, (int X, int Y, int Met)>();
        for (var row = 1; row < rows - 1; row++)
        {
            var y = (row - 0.5) * step;
            foreach (var (from, to) in y < outline.BoxHeightMm ? outline.Chords(y) : [])
            {
                for (var column = Math.Max(1, (int)Math.Ceiling(from / step + 0.5)); column < columns - 1
                    && (column - 0.5) * step < to; column++)
                {
                    var here = RegionAt((column - 0.5) * step, y);
                    region[row, column] = here;
                    var sum = sums.GetValueOrDefault(here);
                    sums[here] = (sum.X + column, sum.Y + row, sum.Met + 1);
                    far[row, column] = int.MaxValue / 2;
                }
            }
        }

        foreach (var (id, (x, y, met)) in sums)
        {
            centres[id] = new((double)x / met * step - 0.5 * step, (double)y / met * step - 0.5 * step);
        }

        // How far it is to the nearest place of another region: once from the top left, once from the bottom right.
        for (var row = 1; row < rows - 1; row++)
        {
            for (var column = 1; column < columns - 1; column++)
            {
                Nearer(row, column, -1);
            }
        }

        var best = new Dictionary<RegionId, (int Far, int Row, int Column)>();
        for (var row = rows - 2; row > 0; row--)
        {
            for (var column = columns - 2; column > 0; column--)
            {
                Nearer(row, column, 1);
                if (region[row, column] is { } here && (!best.TryGetValue(here, out var found) || far[row, column] > found.Far))
                {
                    best[here] = (far[row, column], row, column);
                }
            }
        }

        return best.ToDictionary(b => b.Key, b => new Spot((b.Value.Column - 0.5) * step, (b.Value.Row - 0.5) * step));

        void Nearer(int row, int column, int by)
        {
            if (region[row, column] is not { } here)
            {
                return;
            }

            var least = Math.Min(Math.Min(By(by, 0, Side), By(0, by, Side)), Math.Min(By(by, by, Across), By(by, -by, Across)));
            far[row, column] = Math.Min(far[row, column], least);

            int By(int down, int right, int cost) => region[row + down, column + right] == here
                ? far[row + down, column + right] + cost : cost;
        }
    }
}
