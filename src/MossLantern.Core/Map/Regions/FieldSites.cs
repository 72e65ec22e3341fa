using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>The points that fields are grown from, and the fields before any is moved. A drag of one finds them where they were.</summary>
/// <param name="Sites">A point for every cell.</param>
/// <param name="Own">The point that each field grows from.</param>
/// <param name="Sides">The sides between the cells.</param>
/// <param name="FieldOf">The field of each point.</param>
internal sealed record FieldSites(
    Coordinate[] Sites, int[] Own, List<(Coordinate From, Coordinate To, int First, int Second)> Sides, int[] FieldOf)
{
    private const int LeastCells = 70;
    private const double CellsPerField = 4.6;

    /// <summary>The points of a layout.</summary>
    public static FieldSites Of(Outline outline, FieldsLayout layout)
    {
        var sites = Spread(outline, layout);
        var own = SpreadOut(sites, layout.Fields);
        var sides = CellSides.Of(outline, sites, out var near);
        return new(sites, own, sides, Grow(sites, own, near, layout.Seed));
    }

    /// <summary>Points spread over the outline, each far from those before.</summary>
    private static Coordinate[] Spread(Outline outline, FieldsLayout layout)
    {
        const int tries = 12;
        var random = new SplitMix((ulong)(uint)layout.Seed * 2654435761 + (ulong)layout.Fields);
        var count = Math.Max(LeastCells, (int)(CellsPerField * layout.Fields));
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm;
        var sites = new List<Coordinate>(count);
        for (var misses = 0; sites.Count < count && misses < 400 * count;)
        {
            Coordinate? best = null;
            var farthest = -1.0;
            for (var t = 0; t < tries; t++)
            {
                var candidate = new Coordinate(width * random.Unit(), height * random.Unit());
                if (!outline.Holds(candidate.X, candidate.Y))
                {
                    misses++;
                    continue;
                }

                var nearest = sites.Count == 0 ? 0 : sites.Min(s => s.Distance(candidate));
                if (nearest > farthest)
                {
                    (best, farthest) = (candidate, nearest);
                }
            }

            if (best is not null)
            {
                sites.Add(best);
            }
        }

        // An outline that is nearly nothing of its box is filled anyhow.
        while (sites.Count < count)
        {
            sites.Add(new(width * random.Unit(), height * random.Unit()));
        }

        return [.. sites];
    }

    /// <summary>As many of the sites as there are fields, each as far as can be from those before.</summary>
    private static int[] SpreadOut(Coordinate[] sites, int fields)
    {
        var own = new List<int> { 0 };
        while (own.Count < fields)
        {
            own.Add(Enumerable.Range(0, sites.Length).Where(i => !own.Contains(i)).MaxBy(i => own.Min(o => sites[o].Distance(sites[i]))));
        }

        return [.. own];
    }

    /// <summary>Grows every field from its own cell to its neighbours, the shortest way first: no field falls apart.</summary>
    public static int[] Grow(Coordinate[] sites, int[] own, List<int>[] near, int seed)
    {
        var fieldOf = new int[sites.Length];
        Array.Fill(fieldOf, -1);
        var queue = new PriorityQueue<(int Site, int Field), double>();
        for (var field = 0; field < own.Length; field++)
        {
            queue.Enqueue((own[field], field), 0);
        }

        while (queue.TryDequeue(out var next, out var far))
        {
            if (fieldOf[next.Site] >= 0)
            {
                continue;
            }

            fieldOf[next.Site] = next.Field;
            foreach (var other in near[next.Site].Where(o => fieldOf[o] < 0))
            {
                // Some ways are longer than they look, so that fields are of many shapes.
                var random = new SplitMix((ulong)(uint)seed * 31 + (ulong)Math.Min(next.Site, other) * 997
                    + (ulong)Math.Max(next.Site, other));
                queue.Enqueue((other, next.Field), far + sites[next.Site].Distance(sites[other]) * random.Between(0.7, 1.5));
            }
        }

        // A site without a neighbour belongs to the nearest field.
        for (var i = 0; i < fieldOf.Length; i++)
        {
            if (fieldOf[i] < 0)
            {
                fieldOf[i] = Enumerable.Range(0, own.Length).MinBy(f => sites[own[f]].Distance(sites[i]));
            }
        }

        return fieldOf;
    }
}
