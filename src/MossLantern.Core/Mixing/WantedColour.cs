using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>A colourant that is at hand, with its colour.</summary>
/// <param name="Known">What is known of it.</param>
/// <param name="ColourantId">Its id in the cupboard; null for one that is only in a cup of the piece.</param>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Its colour at full cover.</param>
public sealed record AtHand(Colourant Known, string? ColourantId, string Name, Colour Colour);

/// <summary>A mixture of colourants that comes near to a wanted colour.</summary>
/// <param name="Doses">What is stirred in, each with its colour.</param>
/// <param name="Names">What each is called.</param>
/// <param name="Shown">How it looks on its ground.</param>
/// <param name="Apart">How far from what is wanted, ΔE00.</param>
public sealed record ColourMixture(ImmutableArray<Dose> Doses, ImmutableArray<string> Names, Colour Shown, double Apart);

/// <summary>Finds what to mix for a colour from the colourants at hand: of one, two and three of them, within their limits.</summary>
/// <remarks>Source: docs/craft/mixing.md, A wanted colour.</remarks>
public static class WantedColour
{
    /// <summary>Most colourants that are looked over.</summary>
    public const int Most = 40;

    /// <summary>Of each number of colourants, so many mixtures are told.</summary>
    private const int Told = 3;

    /// <summary>Below this load nobody doses, %.</summary>
    private const double LeastPercent = 0.02;

    /// <summary>Of the pairs and of the triples, so many are looked into closely.</summary>
    private const int Close = 160;

    /// <summary>Steps towards the nearest mixture: a few for each, more for those that come near.</summary>
    private const int FewSteps = 3, ManySteps = 40;

    /// <summary>The best mixtures, the nearest first; of more colourants only where they come nearer than fewer.</summary>
    /// <param name="wanted">The wanted colour, as it is to be seen.</param>
    /// <param name="ground">What it is poured over.</param>
    /// <param name="depthMm">How deep, mm; above 0.</param>
    /// <param name="atHand">The colourants; those beyond <see cref="Most"/>, and those without a colour, are not looked at.</param>
    /// <param name="mixDensity">Density of the mixed resin, g/ml.</param>
    /// <param name="stop">Stops the work.</param>
    public static ImmutableArray<ColourMixture> Of(Colour wanted, Colour ground, double depthMm,
        IReadOnlyList<AtHand> atHand, double mixDensity, CancellationToken stop = default)
    {
        ArgumentNullException.ThrowIfNull(atHand);
        var all = atHand.Where(a => a.Known.Cover > 0).Take(Most).Select(a => new Pigments(a, ground, depthMm, mixDensity)).ToArray();
        var search = new Search(Lab.Of(wanted), ground, all);
        List<ColourMixture> found = [];
        foreach (var of in new[] { 1, 2, 3 })
        {
            stop.ThrowIfCancellationRequested();
            var near = search.Of(of, stop);
            var best = found.Count == 0 ? double.PositiveInfinity : found.Min(f => f.Apart);
            found.AddRange(near.Where(n => n.Apart < best - Nearer).Take(Told));
        }

        return [.. found.OrderBy(f => f.Apart)];
    }

    /// <summary>How far two colours differ, ΔE00, with what went into it.</summary>
    /// <param name="shown">The one.</param>
    /// <param name="wanted">The other.</param>
    public static Reckoned Difference(Colour shown, Colour wanted)
    {
        var (one, other) = (Lab.Of(shown), Lab.Of(wanted));
        return Reckoned.Of(Lab.Difference(one, other), "ΔE00", Formulas.ColourDifference,
            new("L* of the mixture", one.L, "", Origin.Reckoned), new("a* of the mixture", one.A, "", Origin.Reckoned),
            new("b* of the mixture", one.B, "", Origin.Reckoned),
            new("L* of what is wanted", other.L, "", Origin.Own), new("a* of what is wanted", other.A, "", Origin.Own),
            new("b* of what is wanted", other.B, "", Origin.Own));
    }

    /// <summary>One more colourant has to bring it nearer by so much, ΔE00, to be worth it.</summary>
    private const double Nearer = 0.1;

    /// <summary>A colourant as the search needs it.</summary>
    private sealed class Pigments
    {
        public Pigments(AtHand from, Colour ground, double depthMm, double mixDensity)
        {
            From = from;
            Most = from.Known.Percent(from.Known.LimitPercent, from.Known.LimitBy, RatioBasis.Weight, mixDensity);
            (R, G, B) = (Pigment.Absorbs(from.Colour.R), Pigment.Absorbs(from.Colour.G), Pigment.Absorbs(from.Colour.B));
            Veils = from.Known.IsGlass ? 0 : depthMm * from.Known.Cover;
            var takes = from.Known.IsGlass ? depthMm * from.Known.Cover : 0;
            (TakesR, TakesG, TakesB) = (takes * Takes(from.Colour.R), takes * Takes(from.Colour.G), takes * Takes(from.Colour.B));
        }

        public AtHand From { get; }

        public double Most { get; }

        public double R { get; }

        public double G { get; }

        public double B { get; }

        public double Veils { get; }

        public double TakesR { get; }

        public double TakesG { get; }

        public double TakesB { get; }

        private static double Takes(double channel) => -Math.Log(Math.Clamp(channel, Pigment.LeastReflectance, 1));
    }

    /// <summary>Walks from a start to the nearest mixture of given colourants, in steps that a fit of the lightness and
    /// hues gives.</summary>
    private sealed class Search(Lab wanted, Colour ground, Pigments[] all)
    {
        private readonly double[] loads = new double[3], tried = new double[3], slope = new double[9],
        square = new double[9], right = new double[3], step = new double[3];

        /// <summary>The best of all sets of so many, the nearest first.</summary>
        public List<ColourMixture> Of(int count, CancellationToken stop)
        {
            List<(double Apart, int[] Set, double[] Loads)> rough = [];
            foreach (var set in Sets(count))
            {
                stop.ThrowIfCancellationRequested();
                rough.Add(count == 1 ? Closest(set) : From(set, Total(set) / 2, FewSteps));
            }

            var nearest = count == 1 ? rough.OrderBy(r => r.Apart)
                : rough.OrderBy(r => r.Apart).Take(Close).Select(r => r.Apart < 1e-3 ? r : Nearer(r, Closest(r.Set))).OrderBy(r => r.Apart);
            return [.. nearest.Where(r => r.Loads.All(l => l >= LeastPercent)).Take(Told).Select(Mixture)];
        }

        private static (double Apart, int[] Set, double[] Loads) Nearer((double Apart, int[] Set, double[] Loads) one,
            (double Apart, int[] Set, double[] Loads) other) => other.Apart < one.Apart ? other : one;

        private ColourMixture Mixture((double Apart, int[] Set, double[] Loads) found)
        {
            // Rounded as it is dosed, and told as it comes out then.
            var parts = found.Set.Zip(found.Loads)
                .Select(p => (all[p.First].From, Percent: Math.Round(p.Second, p.Second < 1 ? 3 : 2)))
                .OrderBy(p => Preparing.Turn(p.From.Known.Class)).ThenByDescending(p => p.Percent).ToList();
            var rounded = found.Set.Select((at, i) => Math.Round(found.Loads[i], found.Loads[i] < 1 ? 3 : 2)).ToArray();
            var shown = Shown(found.Set, rounded);
            return new(
                [.. parts
                    .Select(p => new Dose(p.From.Known.Class, p.Percent, RatioBasis.Weight, p.From.ColourantId, p.From.Colour.ToHex()))],
                [.. parts.Select(p => p.From.Name)], shown, Lab.Difference(Lab.Of(shown), wanted));
        }

        /// <summary>From several starts: little and much of all, and mostly of each.</summary>
        private (double Apart, int[] Set, double[] Loads) Closest(int[] set)
        {
            var best = (double.PositiveInfinity, set, new double[set.Length]);
            var total = Total(set);
            foreach (var share in new[] { 0.08, 0.5, 0.95 })
            {
                best = Nearer(best, From(set, share * total, ManySteps));
                for (var most = 0; set.Length > 1 && most < set.Length && best.Item1 > 1e-3; most++)
                {
                    best = Nearer(best, From(set, share * total, ManySteps, most));
                }

                if (best.Item1 < 1e-3)
                {
                    break;
                }
            }

            return best;
        }

        /// <summary>Highest load of all of a set together, %.</summary>
        private double Total(int[] set)
        {
            var limit = Load.TotalLimitPercent;
            foreach (var at in set)
            {
                limit = Math.Max(limit, all[at].From.Known.LimitPercent);
            }

            return limit;
        }

        private (double Apart, int[] Set, double[] Loads) From(int[] set, double percent, int steps, int most = -1)
        {
            var (count, total) = (set.Length, Total(set));
            for (var i = 0; i < count; i++)
            {
                var share = most < 0 ? 1.0 / count : i == most ? 0.9 : 0.1 / (count - 1);
                loads[i] = Math.Min(share * percent, all[set[i]].Most);
            }

            Within(set, loads, total);
            var now = Seen(set, loads);
            var apart = Square(now);
            var damp = 0.02;
            for (var at = 0; at < steps && apart > 1e-6; at++)
            {
                // How lightness and hues change with each load.
                for (var i = 0; i < count; i++)
                {
                    var hair = Math.Max(1e-4, 1e-3 * loads[i]);
                    loads[i] += hair;
                    var then = Seen(set, loads);
                    loads[i] -= hair;
                    (slope[3 * i], slope[3 * i + 1], slope[3 * i + 2]) = ((then.L - now.L) / hair,
                        (then.A - now.A) / hair, (then.B - now.B) / hair);
                }

                (double l, double a, double b) = (wanted.L - now.L, wanted.A - now.A, wanted.B - now.B);
                for (var i = 0; i < count; i++)
                {
                    right[i] = slope[3 * i] * l + slope[3 * i + 1] * a + slope[3 * i + 2] * b;
                    for (var k = 0; k < count; k++)
                    {
                        square[3 * i + k] = slope[3 * i] * slope[3 * k] + slope[3 * i + 1] * slope[3 * k + 1]
                            + slope[3 * i + 2] * slope[3 * k + 2];
                    }
                }

                for (var i = 0; i < count; i++)
                {
                    square[3 * i + i] = square[3 * i + i] * (1 + damp) + 1e-9;
                }

                if (!Solve(count))
                {
                    break;
                }

                for (var i = 0; i < count; i++)
                {
                    tried[i] = loads[i] + step[i];
                }

                Within(set, tried, total);
                var next = Seen(set, tried);
                var nearer = Square(next);
                if (nearer < apart)
                {
                    var little = apart - nearer < 1e-9 * apart;
                    (now, apart, damp) = (next, nearer, Math.Max(1e-6, damp / 4));
                    Array.Copy(tried, loads, count);
                    if (little)
                    {
                        break;
                    }
                }
                else
                {
                    damp *= 8;
                    if (damp > 1e7)
                    {
                        break;
                    }
                }
            }

            return (Lab.Difference(now, wanted), set, loads[..count]);
        }

        private double Square(Lab seen) =>
            (seen.L - wanted.L) * (seen.L - wanted.L) + (seen.A - wanted.A) * (seen.A - wanted.A)
            + (seen.B - wanted.B) * (seen.B - wanted.B);

        /// <summary>No load is below nothing or above its limit, and all together are within theirs.</summary>
        private void Within(int[] set, double[] of, double total)
        {
            var sum = 0.0;
            for (var i = 0; i < set.Length; i++)
            {
                of[i] = Math.Clamp(of[i], 0, all[set[i]].Most);
                sum += of[i];
            }

            for (var i = 0; sum > total && i < set.Length; i++)
            {
                of[i] *= total / sum;
            }
        }

        private Lab Seen(int[] set, double[] of) => Lab.Of(Shown(set, of));

        /// <summary>How a mixture looks on the ground: as <see cref="CupLook.Over"/> has it.</summary>
        private Colour Shown(int[] set, double[] of)
        {
            // One alone is as it is: K/S would leave the very darkest a little lighter.
            if (set.Length == 1 && of[0] > 0)
            {
                var (one, alone) = (all[set[0]], 1 - Math.Exp(-of[0] * all[set[0]].Veils));
                return new Colour(ground.R * Math.Exp(-of[0] * one.TakesR), ground.G * Math.Exp(-of[0] * one.TakesG),
                    ground.B * Math.Exp(-of[0] * one.TakesB)).Mix(one.From.Colour, alone);
            }

            var (load, r, g, b, veils, takesR, takesG, takesB) = (0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0);
            for (var i = 0; i < set.Length; i++)
            {
                var (pigment, percent) = (all[set[i]], of[i]);
                load += percent;
                r += percent * pigment.R;
                g += percent * pigment.G;
                b += percent * pigment.B;
                veils += percent * pigment.Veils;
                takesR += percent * pigment.TakesR;
                takesG += percent * pigment.TakesG;
                takesB += percent * pigment.TakesB;
            }

            if (load <= 0)
            {
                return ground;
            }

            var veil = 1 - Math.Exp(-veils);
            return takesR + takesG + takesB == 0
                ? new(ground.R + veil * (Pigment.Reflects(r / load) - ground.R),
                    ground.G + veil * (Pigment.Reflects(g / load) - ground.G), ground.B + veil * (Pigment.Reflects(b / load) - ground.B))
                : new(Over(ground.R * Math.Exp(-takesR), Pigment.Reflects(r / load)),
                    Over(ground.G * Math.Exp(-takesG), Pigment.Reflects(g / load)),
                    Over(ground.B * Math.Exp(-takesB), Pigment.Reflects(b / load)));

            double Over(double below, double above) => below + veil * (above - below);
        }

        /// <summary>Solves the few equations for the step.</summary>
        private bool Solve(int count)
        {
            for (var i = 0; i < count; i++)
            {
                var best = i;
                for (var k = i + 1; k < count; k++)
                {
                    best = Math.Abs(square[3 * k + i]) > Math.Abs(square[3 * best + i]) ? k : best;
                }

                if (!(Math.Abs(square[3 * best + i]) > 1e-12))
                {
                    return false;
                }

                if (best != i)
                {
                    for (var k = 0; k < count; k++)
                    {
                        (square[3 * i + k], square[3 * best + k]) = (square[3 * best + k], square[3 * i + k]);
                    }

                    (right[i], right[best]) = (right[best], right[i]);
                }

                for (var k = i + 1; k < count; k++)
                {
                    var times = square[3 * k + i] / square[3 * i + i];
                    for (var j = i; j < count; j++)
                    {
                        square[3 * k + j] -= times * square[3 * i + j];
                    }

                    right[k] -= times * right[i];
                }
            }

            for (var i = count - 1; i >= 0; i--)
            {
                var sum = right[i];
                for (var k = i + 1; k < count; k++)
                {
                    sum -= square[3 * i + k] * step[k];
                }

                step[i] = sum / square[3 * i + i];
            }

            return true;
        }

        private IEnumerable<int[]> Sets(int count)
        {
            for (var i = 0; i < all.Length; i++)
            {
                if (count == 1)
                {
                    yield return [i];
                    continue;
                }

                for (var k = i + 1; k < all.Length; k++)
                {
                    if (count == 2)
                    {
                        yield return [i, k];
                        continue;
                    }

                    for (var j = k + 1; j < all.Length; j++)
                    {
                        yield return [i, k, j];
                    }
                }
            }
        }
    }
}
