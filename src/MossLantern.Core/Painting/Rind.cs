using System.Collections.Immutable;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Painting;

/// <summary>The rind of a slice: a dark husk along its rim, a pale line and a thin dark one inside of it, now wider,
/// now narrower.</summary>
/// <remarks>Source: docs/craft/map.md, Painting.</remarks>
internal static class Rind
{
    /// <summary>How wide the husk is: a share of the slice's size, and the least and most of it, mm.</summary>
    private const double Share = 0.006, LeastMm = 1.2, MostMm = 4;

    /// <summary>Its corners are so far apart, mm.</summary>
    private const double StepMm = 2;

    private const string Dark = "#1d120b", Pale = "#f6ead2";

    /// <summary>Where it ends, in widths of the husk; its colour, and how much it hides.</summary>
    private static readonly ImmutableArray<(double From, double To, string Colour, double Opacity)> Parts =
        [(0, 1, Dark, 0.55), (1, 1.55, Pale, 0.34), (1.55, 1.8, Dark, 0.42)];

    /// <summary>Round an opening it is so much narrower.</summary>
    private const double AtOpening = 0.6;

    /// <summary>Adds the rind along the rim and along the opening.</summary>
    public static void Paint(SliceOutline slice, ImmutableArray<PaintPath>.Builder paths)
    {
        var husk = Math.Clamp(Share * Math.Sqrt(slice.BoxWidthMm * slice.BoxHeightMm), LeastMm, MostMm);
        foreach (var (number, ring) in slice.Rings.Index())
        {
            // Into the slice: from the rim inward, from the opening outward.
            var inward = number == 0 ? husk : -AtOpening * husk;
            foreach (var (from, to, colour, opacity) in Parts)
            {
                // The outer border of the husk is the rim itself.
                var path = PathText.Straight([from == 0 ? ring : Inset(ring, from * inward, slice.Seed),
                    Inset(ring, to * inward, slice.Seed)]);
                paths.Add(new(PaintRole.Rind, path, colour, null, 0, opacity, null, null));
            }
        }
    }

    /// <summary>A ring moved to the inside of itself, or to its outside for less than nothing, as the rind wavers.</summary>
    private static Ring Inset(Ring ring, double mm, int seed)
    {
        List<double> xs = [], ys = [];
        ReadOnlySpan<double> x = ring.Xs, y = ring.Ys;
        var turns = Math.Sign(ring.SignedAreaMm2);
        double along = 0, next = 0, round = ring.LengthMm;
        for (var i = 0; i < x.Length; i++)
        {
            var j = (i + 1) % x.Length;
            double dx = x[j] - x[i], dy = y[j] - y[i], side = Math.Sqrt(dx * dx + dy * dy);
            for (; next < along + side; next += StepMm)
            {
                var t = (next - along) / side;
                var into = mm * Waver(2 * Math.PI * next / round, seed);
                xs.Add(x[i] + t * dx - turns * into * dy / side);
                ys.Add(y[i] + t * dy + turns * into * dx / side);
            }

            along += side;
        }

        return new([.. xs], [.. ys]);
    }

    /// <summary>How wide it is on its way round, as a factor about 1.</summary>
    private static double Waver(double angle, int seed) =>
        1 + 0.25 * Math.Sin(3 * angle + seed) + 0.18 * Math.Sin(7 * angle + 2.3 * seed) + 0.12 * Math.Sin(17 * angle + 1.7 * seed);
}
