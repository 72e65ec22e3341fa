using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>Layouts as they are begun: with the colours that are there, and as many more as they need.</summary>
internal static class LaidAnew
{
    private const int MostColours = 5;
    private const int LeastRings = 3;
    private const int Seed = 7;

    /// <summary>It laid out in a way for the first time.</summary>
    public static LaidOut As(LaidOut laid, LayoutKind kind)
    {
        var box = laid.Box;
        double x = Rounded.Whole(box.XMm + box.WidthMm / 2), y = Rounded.Whole(box.YMm + box.HeightMm / 2),
        small = Math.Min(box.WidthMm, box.HeightMm);
        switch (kind)
        {
            case LayoutKind.Rings:
                return Rings(laid);
            case LayoutKind.Stripes:
                return Lines(laid, small);
            case LayoutKind.Petals:
                return Petals(laid, x, y, small);
            case LayoutKind.Fields:
                var (withFields, four) = laid.WithColours(4);
                var chosen = four.Take(MostColours).ToImmutableArray();
                return withFields.With(new FieldsLayout(3 * chosen.Length, chosen, Seed));
            case LayoutKind.Pools:
                var (withPools, pool) = laid.WithColours(1);
                return withPools.With(new PoolsLayout([new("pool-1", x, y, pool[0])]));
            case LayoutKind.Puddle:
                var (withPours, three) = laid.WithColours(3);
                var cups = three.Take(MostColours).ToList();
                var ml = Math.Max(1, Rounded.Whole(0.35 * Volume.Ml(box.WidthMm * box.HeightMm, laid.Layer.DepthMm) / cups.Count));
                return withPours.With(new PuddleLayout(x, y,
                    [.. cups.Select((c, i) => new PuddlePour(FormattableString.Invariant($"pour-{i + 1}"), c, ml))]));
            case LayoutKind.Marble:
                var (withMarble, marbled) = laid.WithColours(3);
                var name = withMarble.Piece.Recipes.Single(r => r.Id == marbled[1]).Name;
                var (mixed, mix) = withMarble.WithNew(new("", $"{name} mix", "#999999", [], [new(marbled[1], 1), new(marbled[2], 1)]));
                return mixed.With(new MarbleLayout(marbled[0], mix, 35, 0.3, 20, Seed));
            default:
                var (withFlood, one) = laid.WithColours(1);
                return withFlood.With(new FloodLayout(one[0]));
        }
    }

    /// <summary>The bands that are there, or one of the first colour.</summary>
    private static LaidOut Rings(LaidOut laid)
    {
        if (laid.Layout is BandedLayout banded)
        {
            return laid.With(new RingsLayout([], banded.Bands, 0, null, banded.Widening));
        }

        var (with, one) = laid.WithColours(1);
        return with.With(new RingsLayout([], [new("band-1", 10, true, one[0])], 0, null));
    }

    /// <summary>The bands that are there as lines, or three of the first colours, on a film of clear.</summary>
    private static LaidOut Lines(LaidOut laid, double small)
    {
        var (colours, own) = laid.WithColours(3);
        var (with, start) = colours.WithClear();
        var width = Math.Max(2, Rounded.Whole(small / 40));
        var banded = laid.Layout as BandedLayout;
        var lines = (banded?.Bands ?? []).Where(b => !b.FillsRest && b.Id != "push").ToList();
        return with.With(new StripesLayout(
            [
                new("push", width, true, start),
                .. lines.Count > 0 ? lines
                    : own.Take(3).Select((c, i) => new Band(FormattableString.Invariant($"line-{i + 1}"), width, false, c)),
            ],
            start, Rounded.Whole(laid.Layer.DepthMm * 3) / 10, Rounded.Whole(Math.Min(12, small / 30)), Seed, banded?.Widening ?? 1));
    }

    /// <summary>The rings that are there, if they are enough to be drawn through, or one of each colour.</summary>
    private static LaidOut Petals(LaidOut laid, double x, double y, double small)
    {
        var (with, own) = laid.WithColours(4);
        var banded = laid.Layout as BandedLayout;
        var rings = banded is { Bands.Length: >= LeastRings } ? banded.Bands
            : [.. own.Select((c, i) => new Band(FormattableString.Invariant($"band-{i + 1}"),
                Math.Max(1, Rounded.Whole(small / 12)), i == own.Length - 1, c))];
        return with.With(new PetalsLayout(rings, x, y, 8, Rounded.Whole(small / 8), true,
            Math.Max(2, Rounded.Whole(small / 50)), -90, banded?.Widening ?? 1));
    }
}
