using MossLantern.Core.Documents;
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
        // From the newest, in the middle, out: what was poured before lies round what came after. While it is dragged it
        // is drawn by the rounds alone; what the outline and the rings leave each other is overlaid when it is asked for.
        var pours = layout.Pours.Reverse().ToArray();
        var radii = Puddle.OuterRadiiMm(pours.Select(p => p.Ml), depthMm).ToArray();
        var rounds = radii.Select(r => Round(layout, r)).ToArray();
        var inside = new Lazy<Geometry>(() => Flat.Of(outline));
        var whole = new Lazy<IPreparedGeometry>(() => PreparedGeometryFactory.Prepare(inside.Value));
        var shapes = rounds.Select(r => new Lazy<Polygon>(() => new(Flat.Closed(r)))).ToArray();
        var uncut = shapes.Select(s => new Lazy<bool>(() => whole.Value.ContainsProperly(s.Value))).ToArray();
        var reached = shapes
            .Select((s, i) => new Lazy<Geometry>(() => uncut[i].Value ? s.Value : Flat.SharedArea(s.Value, inside.Value))).ToArray();
        List<Patch> patches =
        [
            .. pours.Select((pour, i) => new Patch(
                pour.Region, RegionKind.PuddleRing, pour.RecipeId, new Lazy<Geometry>(() => RingOf(i)), new(pour.Ml),
                new(layout.XMm, layout.YMm),
                new([.. rounds[Math.Max(0, i - 1)..(i + 1)]]))).Reverse(),
        ];
        if (!outline.Rings
            .All(r => Enumerable.Range(0, r.Count).All(i => radii.Length > 0 && Reaches(layout, radii[^1], r.Xs[i], r.Ys[i]))))
        {
            patches.Add(new(
                PuddleLayout.RestId, RegionKind.Flood, layout.RestRecipeId,
                new Lazy<Geometry>(() => reached.Length == 0 ? inside.Value : Flat.Without(inside.Value, reached[^1].Value)),
                Draft: new([.. outline.Rings, .. rounds.TakeLast(1)])));
        }

        return new(outline, [.. patches], growth.GridMm / 2);

        // A ring that nothing cuts has a hole where the one before it lies; the others are overlaid.
        Geometry RingOf(int i) => i == 0 ? reached[0].Value
            : uncut[i].Value && uncut[i - 1].Value ? new Polygon(shapes[i].Value.Shell, [(LinearRing)shapes[i - 1].Value.Shell.Reverse()])
            : Flat.Without(reached[i].Value, reached[i - 1].Value);
    }

    /// <summary>A ring of the area of a round; drawn out by a tilt, it keeps its upper end.</summary>
    private static Ring Round(PuddleLayout layout, double radius)
    {
        var (cos, sin, along, across, shift) = Form(layout, radius);

        // Corners stand out by a hair so that the area is exact.
        const double step = 2 * Math.PI / Corners;
        var hair = Math.Sqrt(step / Math.Sin(step));
        var xs = new double[Corners];
        var ys = new double[Corners];
        for (var i = 0; i < Corners; i++)
        {
            double u = shift + along * hair * Math.Cos(i * step), v = across * hair * Math.Sin(i * step);
            (xs[i], ys[i]) = (layout.XMm + u * cos - v * sin, layout.YMm + u * sin + v * cos);
        }

        return new(xs, ys);
    }

    /// <summary>Whether such a ring reaches a place.</summary>
    private static bool Reaches(PuddleLayout layout, double radius, double x, double y)
    {
        var (cos, sin, along, across, shift) = Form(layout, radius);
        double dx = x - layout.XMm, dy = y - layout.YMm;
        double u = (dx * cos + dy * sin - shift) / along, v = (dy * cos - dx * sin) / across;
        return u * u + v * v <= 1;
    }

    private static (double Cos, double Sin, double Along, double Across, double Shift) Form(PuddleLayout layout, double radius)
    {
        var stretch = Math.Sqrt(1 + layout.TiltPercent / 100);
        var turn = layout.TiltDeg * Math.PI / 180;
        return (Math.Cos(turn), Math.Sin(turn), radius * stretch, radius / stretch, radius * stretch - radius);
    }
}
