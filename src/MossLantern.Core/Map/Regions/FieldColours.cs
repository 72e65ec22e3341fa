using System.Collections.Immutable;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>Spreads colours over fields.</summary>
internal static class FieldColours
{
    private const int Steps = 6000;

    /// <summary>Weight of a colour that lies beside itself, against the spread.</summary>
    private const double Clash = 10;

    /// <summary>A colour for every field: all used equally often, none beside itself where that can be, each spread wide.</summary>
    /// <param name="centres">Where the fields lie.</param>
    /// <param name="touch">Which of them touch.</param>
    /// <param name="colours">How many colours.</param>
    /// <param name="seed">Seed.</param>
    public static int[] Spread(ImmutableArray<Spot> centres, HashSet<(int, int)> touch, int colours, int seed)
    {
        var random = new SplitMix((ulong)(uint)seed * 7919 + 13);
        var colour = Enumerable.Range(0, centres.Length).Select(i => i % colours).ToArray();
        var size = Size(centres);
        var energy = Energy(colour, centres, touch, size);
        var (best, least) = (colour.ToArray(), energy);
        for (var step = 0; step < Steps && centres.Length > 1; step++)
        {
            if (step % 100 == 0)
            {
                Effort.Check();
            }

            var heat = 2.0 * (Steps - step) / Steps;
            int a = random.Below(centres.Length), b = random.Below(centres.Length);
            if (colour[a] == colour[b])
            {
                continue;
            }

            (colour[a], colour[b]) = (colour[b], colour[a]);
            var next = Energy(colour, centres, touch, size);
            if (next <= energy || random.Unit() < Math.Exp((energy - next) / Math.Max(heat, 1e-6)))
            {
                energy = next;
                if (energy < least)
                {
                    (best, least) = (colour.ToArray(), energy);
                }
            }
            else
            {
                (colour[a], colour[b]) = (colour[b], colour[a]);
            }
        }

        return Mend(best, centres, touch, colours);
    }

    /// <summary>Changes as few colours as it can so that none lies beside itself.</summary>
    public static int[] Mend(int[] colours, ImmutableArray<Spot> centres, HashSet<(int, int)> touch, int count)
    {
        var mended = colours.ToArray();
        if (count < 2)
        {
            // One colour lies beside itself wherever fields touch, and there is no other to take.
            return mended;
        }

        var size = Size(centres);
        for (var round = 0; round < 4 * mended.Length; round++)
        {
            var clash = touch.Where(t => mended[t.Item1] == mended[t.Item2]).Order().Select(t => ((int, int)?)t).FirstOrDefault();
            if (clash is not { } pair)
            {
                return mended;
            }

            var before = Energy(mended, centres, touch, size);
            var best = new[] { pair.Item1, pair.Item2 }
                .SelectMany(field => Enumerable.Range(0, count).Where(c => c != mended[field]).Select(c => (Field: field, Colour: c)))
                .Select(change =>
                {
                    var tried = mended.ToArray();
                    tried[change.Field] = change.Colour;
                    return (Tried: tried, Energy: Energy(tried, centres, touch, size));
                })
                .MinBy(t => t.Energy);
            if (best.Energy >= before)
            {
                // No single change helps: then as many fields as need be are coloured anew.
                return Anew(mended, touch, count) ?? mended;
            }

            mended = best.Tried;
        }

        return mended;
    }

    /// <summary>
    /// Colours every field so that none lies beside itself, each in its own colour where that can be: the field with the
    /// fewest colours left comes next, and a way that leads nowhere is gone back. Null where no way was found.
    /// </summary>
    private static int[]? Anew(int[] colours, HashSet<(int, int)> touch, int count)
    {
        const int mostSteps = 20_000;
        var beside = colours.Select(_ => new List<int>()).ToArray();
        foreach (var (a, b) in touch.Order())
        {
            beside[a].Add(b);
            beside[b].Add(a);
        }

        var chosen = new int[colours.Length];
        Array.Fill(chosen, -1);
        var steps = 0;
        return Next() ? chosen : null;

        bool Next()
        {
            var open = Enumerable.Range(0, chosen.Length).Where(f => chosen[f] < 0).ToList();
            if (open.Count == 0)
            {
                return true;
            }

            var field = open.MinBy(f => (Free(f).Count(), -beside[f].Count, f));
            foreach (var colour in Free(field).OrderBy(c => c == colours[field] ? 0 : 1).ToList())
            {
                if (++steps > mostSteps)
                {
                    return false;
                }

                chosen[field] = colour;
                if (Next())
                {
                    return true;
                }

                chosen[field] = -1;
            }

            return false;
        }

        IEnumerable<int> Free(int field) => Enumerable.Range(0, count).Where(c => !beside[field].Exists(b => chosen[b] == c));
    }

    private static double Energy(int[] colour, ImmutableArray<Spot> centres, HashSet<(int, int)> touch, double size)
    {
        var energy = 0.0;
        foreach (var (a, b) in touch)
        {
            if (colour[a] == colour[b])
            {
                energy += Clash;
            }
        }

        for (var i = 0; i < colour.Length; i++)
        {
            for (var j = i + 1; j < colour.Length; j++)
            {
                if (colour[i] == colour[j])
                {
                    double dx = centres[i].XMm - centres[j].XMm, dy = centres[i].YMm - centres[j].YMm;
                    energy += 0.15 / (0.05 + (dx * dx + dy * dy) / (size * size));
                }
            }
        }

        return energy;
    }

    private static double Size(ImmutableArray<Spot> centres) => Math.Max(1, Math.Max(
        centres.Max(c => c.XMm) - centres.Min(c => c.XMm), centres.Max(c => c.YMm) - centres.Min(c => c.YMm)));
}
