using System.Collections.Immutable;
using System.Runtime.InteropServices;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>One of the strips that a field is cut into by its levels, from the lowest to the highest.</summary>
/// <param name="Id">Id of its region.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup.</param>
/// <param name="PlannedWidthMm">The width asked for, mm; null for the one that fills the rest.</param>
/// <param name="ToMm">Depth of its far edge, mm.</param>
internal sealed record Strip(RegionId Id, RegionKind Kind, string CupId, double? PlannedWidthMm, double ToMm);

/// <summary>A map whose regions nest: strips between rising levels of a field, the first of them the hearts' bed.</summary>
internal sealed class BandMap : LayerMap
{
    private const double LineToleranceMm = 0.15;

    private readonly Lazy<ImmutableArray<Region>> regions;
    private readonly Lazy<ImmutableArray<string>> edgeLines;

    /// <summary>A map whose regions are measured when they are first asked for: a drag that only paints does not ask.</summary>
    /// <param name="cover">What it is laid out in.</param>
    /// <param name="field">The field per node; below the first level in a heart.</param>
    /// <param name="levels">Outer edge of every strip but the last, in rising order.</param>
    /// <param name="depths">Levels as millimetres and back.</param>
    /// <param name="strips">The hearts' bed, then the others from the lowest out.</param>
    /// <param name="film">What they lie on; null for nothing.</param>
    public BandMap(OutlineCover cover, float[] field, double[] levels, DepthScale depths, ImmutableArray<Strip> strips, Region? film = null)
    {
        (Cover, Field, Levels, Depths, Strips, Film) = (cover, field, levels, depths, strips, film);
        regions = new(Measure);
        edgeLines = new(() => Lines(levels));
    }

    /// <summary>The hearts' bed, then the strips outward, then what they lie on.</summary>
    public override ImmutableArray<Region> Regions => regions.Value;

    /// <inheritdoc/>
    public override ImmutableArray<Border> Touching =>
        [.. Beside().Select(pair => new Border(Strips[pair.Inner].Id, Strips[pair.Outer].Id, null))];

    /// <summary>Strips that lie beside each other, by their numbers: what found no room between two keeps them not apart.</summary>
    private IEnumerable<(int Inner, int Outer)> Beside()
    {
        var there = Enumerable.Range(0, Strips.Length).Where(k => Regions[k].AreaMm2 > 0).ToList();
        return there.Zip(there.Skip(1));
    }

    /// <summary>Where the field is at the level between two strips, as far as it lies in the outline.</summary>
    private protected override ImmutableArray<BorderLine> FindLines()
    {
        var contours = Contours.Trace(Grid, Field, Levels);
        return
        [
            .. Beside().Select(pair => (pair.Inner, pair.Outer,
                Lines: contours[pair.Outer - 1].SelectMany(c => WithinOutline.Of(Cover.Outline, c.Xs, c.Ys)).ToList()))
                .Where(b => b.Lines.Count > 0).Select(b => BorderLine.Of(Strips[b.Inner].Id, Strips[b.Outer].Id, b.Lines)),
        ];
    }

    internal override double StepMm => Grid.SpacingMm / 2;

    internal OutlineCover Cover { get; }

    internal GrowthGrid Grid => Cover.Grid;

    internal ImmutableArray<Strip> Strips { get; }

    internal Region? Film { get; }

    /// <inheritdoc/>
    public override RegionId RegionAt(double xMm, double yMm)
    {
        var value = RimLengths.Value(Grid, Field, xMm, yMm);
        var strip = 0;
        while (strip < Levels.Length && value >= Levels[strip])
        {
            strip++;
        }

        return Strips[strip].Id;
    }

    internal override double[] AreasWithin(OutlineCover part)
    {
        var below = BandAreas.Below(part, Field, Levels);
        return
        [
            .. below.Select((area, k) => Math.Max(0, area - (k == 0 ? 0 : below[k - 1]))),
            .. Film is null ? Array.Empty<double>() : [below[^1]],
        ];
    }

    /// <summary>How deep the map reaches, counted from its far end, mm.</summary>
    internal double FarFromRimMm() => FarFromRimMm(Cover);

    /// <summary>How deep the map reaches in a part of the outline, counted from its far end, mm.</summary>
    internal double FarFromRimMm(OutlineCover part)
    {
        var least = float.MaxValue;
        for (var row = 0; row < Grid.Rows - 1; row++)
        {
            var shares = part.Shares(row);
            for (var column = 0; column < shares.Length; column++)
            {
                if (shares[column] > 0)
                {
                    least = Math.Min(least, Field[row * Grid.Columns + column]);
                }
            }
        }

        return Math.Max(0, Strips[^1].ToMm - Depths.Depth(least));
    }

    private ImmutableArray<Region> Measure()
    {
        var areas = AreasWithin(Cover);

        // One strip alone is the outline, without the rounding of many cells.
        if (Film is null && areas.Count(a => a > 0) == 1)
        {
            areas[Array.FindIndex(areas, a => a > 0)] = Cover.Outline.AreaMm2;
        }

        var edges = RimLengths.Between(Grid, Cover.Outline, Field, Levels);
        var strips = Strips.Select((s, k) => new Region(
            s.Id, s.Kind, s.CupId, areas[k], edges[k], s.PlannedWidthMm,
            Widths: s.PlannedWidthMm is null || areas[k] == 0 ? null : WidthsOf(k)));
        return [.. strips, .. Film is null ? Array.Empty<Region>() : [Film with { AreaMm2 = areas[^1] }]];
    }

    /// <summary>Of a hundred places along a strip, so many are narrower than the range that is told, and as many wider.</summary>
    private const double Outside = 0.05;

    /// <summary>How narrow and how wide a strip is along its middle, mm; null where no cell lies there.</summary>
    private WidthRange? WidthsOf(int strip)
    {
        if (strip == 0 || strip >= Levels.Length)
        {
            return strip == 0 || Levels.Length == 0 ? null : Between(Levels[^1], Depths.Level(Depths.FarMm - 1e-9));
        }

        return Between(Levels[strip - 1], Levels[strip]);

        WidthRange? Between(double from, double to)
        {
            var middle = (from + to) / 2;
            List<(double Mm, double Share)> places = [];
            var half = 0.5 / Grid.SpacingMm;
            for (var row = 0; row < Grid.Rows - 1; row++)
            {
                var shares = Cover.Shares(row);
                for (var column = 0; column < shares.Length; column++)
                {
                    var node = row * Grid.Columns + column;
                    float a = Field[node], b = Field[node + 1], c = Field[node + Grid.Columns + 1], d = Field[node + Grid.Columns];
                    if (shares[column] > 0 && Math.Min(Math.Min(a, b), Math.Min(c, d)) <= middle
                        && Math.Max(Math.Max(a, b), Math.Max(c, d)) > middle)
                    {
                        double across = (b - a + c - d) * half, down = (d - a + c - b) * half,
                        slope = Math.Sqrt(across * across + down * down);
                        if (slope > 1e-6)
                        {
                            places.Add(((to - from) / slope, shares[column]));
                        }
                    }
                }
            }

            if (places.Count == 0)
            {
                return null;
            }

            places.Sort();
            var all = places.Sum(p => p.Share);
            return new(At(Outside * all), At((1 - Outside) * all));

            double At(double share) => places.First(p => (share -= p.Share) <= 0 || p == places[^1]).Mm;
        }
    }

    /// <summary>The outer edge of every region but the last, as SVG paths; kept, since a drag changes one layer of several.</summary>
    internal ImmutableArray<string> EdgeLines => edgeLines.Value;

    /// <summary>Where the field is at each of some rising levels, as SVG paths.</summary>
    internal ImmutableArray<string> Lines(double[] levels)
    {
        var contours = Contours.Trace(Grid, Field, levels);
        var lines = new string[contours.Length];
        Parallel.For(0, lines.Length, k => lines[k] = PathText.Smooth(contours[k], LineToleranceMm, 3 * Grid.SpacingMm));
        return ImmutableCollectionsMarshal.AsImmutableArray(lines);
    }

    /// <summary>The field per node; below the first level in a heart.</summary>
    internal float[] Field { get; }

    /// <summary>Outer edge of every strip but the last, in rising order.</summary>
    internal double[] Levels { get; }

    internal DepthScale Depths { get; }
}
