using System.Collections.Immutable;
using MossLantern.Core.Pieces;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Prepared;

namespace MossLantern.Core.Map;

/// <summary>A puddle: rings inside each other, the newest innermost; a tilt draws them out in one direction.</summary>
/// <remarks>Source: docs/craft/layouts.md, Puddle.</remarks>
internal static class Puddles
{
    private const int Corners = 180;

    public static RegionMap Map(Outline outline, GrowthScale growth, PuddleLayout layout, double depthMm)
    {
        var inside = Flat.Of(outline);

        // From the newest, in the middle, out: what was poured before lies round what came after.
        var radii = Puddle.OuterRadiiMm(layout.Pours.Reverse().Select(p => p.Ml), depthMm);
        var patches = new List<Patch>();
        Geometry? within = null;
        var whole = PreparedGeometryFactory.Prepare(inside);
        Polygon? clear = null;
        foreach (var (pour, radius) in layout.Pours.Reverse().Zip(radii))
        {
            // A ring that nothing cuts has a hole where the one before it lies; the others are overlaid.
            var round = new Polygon(Ring(layout, radius));
            var uncut = whole.ContainsProperly(round);
            var all = uncut ? round : Flat.Shared(round, inside);
            var area = within is null ? all
                : uncut && clear is not null ? new Polygon(round.Shell, [(LinearRing)clear.Shell.Reverse()])
                : Flat.Without(all, within);
            patches.Insert(0, new(pour.Id, RegionKind.PuddleRing, pour.Cup, area, new(pour.Ml), new(layout.XMm, layout.YMm)));
            (within, clear) = (all, uncut ? round : null);
        }

        var rest = within is null ? inside : Flat.Without(inside, within);
        if (rest.Area > Flat.LeastMm2)
        {
            patches.Add(new(PuddleLayout.RestId, RegionKind.Flood, layout.RestCup, rest));
        }

        return new(outline, [.. patches], growth.GridMm / 2);
    }

    /// <summary>A ring of the area of a round; drawn out by a tilt, it keeps its upper end.</summary>
    private static LinearRing Ring(PuddleLayout layout, double radius)
    {
        var stretch = Math.Sqrt(1 + layout.TiltPercent / 100);
        double turn = layout.TiltDeg * Math.PI / 180, cos = Math.Cos(turn), sin = Math.Sin(turn);
        double along = radius * stretch, across = radius / stretch, shift = along - radius;

        // Corners stand out by a hair so that the area is exact.
        var step = 2 * Math.PI / Corners;
        var hair = Math.Sqrt(step / Math.Sin(step));
        return new([.. Enumerable.Range(0, Corners + 1).Select(i =>
        {
            double u = shift + along * hair * Math.Cos(i % Corners * step), v = across * hair * Math.Sin(i % Corners * step);
            return new Coordinate(layout.XMm + u * cos - v * sin, layout.YMm + u * sin + v * cos);
        })]);
    }
}
