using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>Crystals in a heart: large facets fanned from tips off the middle, a finer ring of small ones round them.</summary>
internal static class Crystals
{
    public static void Paint(Heart heart, Colour bed, RegionId region, ImmutableArray<PaintPath>.Builder paths)
    {
        var form = new HeartForm(heart, 60, 30, 30).Outline;
        var random = new SplitMix((ulong)(heart.Seed * 1009 + 11));
        var size = Math.Sqrt(Math.Abs(form.SignedAreaMm2));

        // From the rim inward: an outer lining, a ring of small crystals, then large ones down into the hollow.
        Ring(1.0, 0.86, Math.Max(2.2, size * 0.055), 0.22, -0.55);
        Ring(0.87, 0.72, Math.Max(2.6, size * 0.07), 0.30, -0.50);
        Ring(0.74, 0.50, Math.Max(4, size * 0.14), 0.30, -0.60);
        Ring(0.53, 0.26, Math.Max(5, size * 0.17), 0.16, -0.75);
        Ring(0.28, 0.0, Math.Max(6, size * 0.16), 0.0, -0.88);

        void Ring(double outer, double inner, double across, double lightest, double darkest)
        {
            var length = form.LengthMm * (outer + inner) / 2;
            var count = Math.Clamp((int)(length / across), 7, 90);
            var outerEdge = Edge(outer, count, inner == 0 ? 0.1 : 0.35);
            var innerEdge = Edge(inner, count, 0.35);
            for (var i = 0; i < count; i++)
            {
                Effort.Check();
                var next = (i + 1) % count;
                var tip = Point(
                    (i + random.Between(0.2, 0.8)) / count,
                    inner + (outer - inner) * random.Between(0.35, 0.7));
                Facet(outerEdge[i], outerEdge[next], tip);
                Facet(outerEdge[next], innerEdge[next], tip);
                Facet(innerEdge[next], innerEdge[i], tip);
                Facet(innerEdge[i], outerEdge[i], tip);
            }

            (double X, double Y)[] Edge(double share, int n, double jitter)
            {
                var edge = new (double, double)[n];
                for (var i = 0; i < n; i++)
                {
                    edge[i] = Point((i + random.Between(-jitter, jitter)) / n, share * random.Between(0.94, 1.05));
                }

                return edge;
            }

            void Facet((double X, double Y) a, (double X, double Y) b, (double X, double Y) c)
            {
                // The tip stands up: the facet leans away from it, and light falls from the upper left.
                double nx = (a.X + b.X) / 2 - c.X, ny = (a.Y + b.Y) / 2 - c.Y;
                var lean = Math.Sqrt(nx * nx + ny * ny);
                var light = lean > 0 ? -(nx + ny) / lean / Math.Sqrt(2) : 0;
                light = Math.Clamp(0.62 * light + random.Between(-0.5, 0.5), -1, 1);
                var tone = light > 0 ? light * lightest * 1.5 : -light * darkest;
                if (random.Unit() < 0.04)
                {
                    tone = 0.8;
                }

                // Brighter before paler: a lit facet keeps its colour, and only the brightest glint is white.
                var lit = Math.Max(0, tone);
                var colour = new Colour(bed.R * (1 + 1.6 * lit), bed.G * (1 + 1.6 * lit), bed.B * (1 + 1.6 * lit))
                    .Mix(new(1, 1, 1), lit * lit).Tone(Math.Clamp(Math.Min(tone, 0), -0.9, 0));
                var text = string.Create(CultureInfo.InvariantCulture,
                    $"M{heart.XMm + a.X:0.##} {heart.YMm + a.Y:0.##}L{heart.XMm + b.X:0.##} "
                        + $"{heart.YMm + b.Y:0.##}L{heart.XMm + c.X:0.##} {heart.YMm + c.Y:0.##}Z");
                paths.Add(new(PaintRole.Facet, text, colour.ToHex(), colour.Tone(-0.25).ToHex(), 0.18, 1, region, null));
            }
        }

        (double X, double Y) Point(double turn, double share)
        {
            var at = (turn - Math.Floor(turn)) * form.Count;
            int i = (int)at % form.Count, j = (i + 1) % form.Count;
            var t = at - Math.Floor(at);
            return (share * (form.Xs[i] + t * (form.Xs[j] - form.Xs[i])), share * (form.Ys[i] + t * (form.Ys[j] - form.Ys[i])));
        }
    }
}
