using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>A level to paint, and what lies just inside it; which of the map's edges it is, or none of them.</summary>
internal sealed record ToneLevel(
    double Level, RegionId Region, string Cup, double Lightness, bool Grows, bool Hairline, int Edge = -1,
    CupLook? Look = null, bool Fine = false)
{
    /// <summary>What it is painted as.</summary>
    public PaintRole Role => Fine ? PaintRole.FineLine : Grows ? PaintRole.GrowthLine : PaintRole.Body;
}

/// <summary>The levels of a band map that are painted: edges of regions, growth lines between them, streaks of a mixed cup.</summary>
internal sealed class BandTones(LayerBrush on)
{
    private const int MostGrowthLines = 64;

    /// <summary>Least distance from one growth line to the next, mm; and of the last to the edge.</summary>
    private const double LeastSpacingMm = 2.4, EdgeMm = 0.8;

    /// <summary>Every level to paint, rising: the regions' outer edges, and growth lines between them.</summary>
    public List<ToneLevel> Of(BandMap map)
    {
        var tones = new List<ToneLevel>();
        var spacing = Math.Max(LeastSpacingMm, map.Depths.FarMm / MostGrowthLines);
        var from = 0.0;
        for (var k = 0; k < map.Strips.Length; k++)
        {
            Effort.Check();
            var strip = map.Strips[k];
            if (strip.Kind == RegionKind.HeartBed)
            {
                if (!on.Layer.Hearts.IsEmpty)
                {
                    tones.Add(new(map.Levels[k], strip.Id, strip.CupId, 0, false, false, k));
                }

                continue;
            }

            CupLook? edge = null;
            var lightness = 0.0;
            if (strip.Kind == RegionKind.Streaks)
            {
                edge = OuterStreak(strip);
                Streak(tones, map, strip);
            }
            else if (on.Full && on.Layer.Layout is not MarbleLayout
                && on.Layer.Layout is not RingsLayout { Hearts.IsEmpty: true }
                && CupLook.Of(on.Catalogue, on.Layer, on.Cups[strip.CupId]).CoverPerMm > 0)
            {
                lightness = Inside(tones, map, strip, from, spacing, k);
            }

            from = strip.ToMm;
            if (k < map.Levels.Length && strip.ToMm < map.Depths.FarMm)
            {
                tones.Add(new(map.Levels[k], strip.Id, strip.CupId, lightness, false, false, k, edge));
            }
        }

        return tones;
    }

    /// <summary>A metal that is wider than this has its light along both edges, as any band has fine lines, mm.</summary>
    private const double MetalMm = 14;

    /// <summary>Bands narrower than this have no fine lines, mm; wider ones than the other have two pairs at an edge.</summary>
    private const double FineFromMm = 4, TwoFromMm = 18;

    /// <summary>A fine line's share of its band's width, and the least and most of it, mm.</summary>
    private const double FineShare = 0.05, FineLeastMm = 0.35, FineMostMm = 1.1;

    /// <summary>No more levels than these get fine lines in between: each is traced all round.</summary>
    private const int MostFine = 150;

    /// <summary>What ends at a depth into a band, mm, and how much lighter than the band it is, L*.</summary>
    private readonly record struct Tone(double AtMm, double Lightness, bool Hairline = false, bool Fine = false);

    /// <summary>Adds what a band has inside; how much lighter than the band its last part is, L*.</summary>
    private double Inside(List<ToneLevel> tones, BandMap map, Strip strip, double fromMm, double spacingMm, int number)
    {
        // The number of a band counts from 0 after the hearts' bed.
        var seed = on.Layer.Layout
            switch
        { StripesLayout l => l.Seed, MarbleLayout m => m.Seed, RingsLayout r => r.Hearts[0].Seed, _ => 11 };
        var random = new SplitMix((ulong)(seed * 97 + (map.Strips[0].Kind == RegionKind.HeartBed ? number - 1 : number) * 7 + 3));
        var width = Math.Min(strip.ToMm, map.Depths.FarMm) - fromMm;
        var metal = Metals.Have(on.Cups[strip.CupId].Colourant);
        var across = metal && width <= MetalMm;
        var inside = across ? Across(width) : Grown(width, spacingMm, metal ? Painter.OfMetal : 1, ref random);
        if (!across && width >= FineFromMm && tones.Count + inside.Count < MostFine)
        {
            inside = WithFine(inside, width, ref random);
        }

        tones.AddRange(inside.Where(t => t.AtMm > 0 && fromMm + t.AtMm < map.Depths.FarMm)
            .Select(t => new ToneLevel(map.Depths.Level(fromMm + t.AtMm), strip.Id, strip.CupId, t.Lightness, true,
                t.Hairline, Fine: t.Fine)));
        return across ? -Painter.MetalDark : 0;
    }

    /// <summary>A line of metal: dark along its edges, light in its middle.</summary>
    private static List<Tone> Across(double widthMm) =>
    [
        new(0.2 * widthMm, -Painter.MetalDark, Fine: true), new(0.36 * widthMm, -Painter.MetalDark / 6, Fine: true),
        new(0.62 * widthMm, Painter.MetalLight, Fine: true),
        new(0.8 * widthMm, -Painter.MetalDark / 6, Fine: true),
    ];

    /// <summary>Growth lines: slow drift from line to line, a pull back to the middle, and now and then a clear step.</summary>
    private static List<Tone> Grown(double widthMm, double spacingMm, double swing, ref SplitMix random)
    {
        List<Tone> lines = [];
        var tone = random.Between(-0.5, 0.5);
        var at = 0.0;
        while ((at += spacingMm * random.Between(0.55, 1.6)) <= widthMm - EdgeMm)
        {
            tone = 0.8 * tone + random.Between(-0.45, 0.45) + (random.Unit() < 0.12 ? random.Between(-0.6, 0.6) : 0);
            lines.Add(new(at, swing * Painter.GrowthLightness * Math.Clamp(tone, -1, 1), random.Unit() < 0.09));
        }

        return lines;
    }

    /// <summary>The same with fine pairs along both edges, a dark and a light line each: now fainter, now nearer, and
    /// here and there none.</summary>
    private static List<Tone> WithFine(List<Tone> grown, double widthMm, ref SplitMix random)
    {
        var line = Math.Clamp(FineShare * widthMm, FineLeastMm, FineMostMm);
        foreach (var outer in new[] { false, true })
        {
            var at = line * random.Between(0.8, 1.8);
            for (var pair = 0; pair < (widthMm >= TwoFromMm ? 2 : 1); pair++)
            {
                var lightness = Painter.FineLightness * random.Between(0.55, 1);
                if (random.Unit() < 0.8 && at + 2 * line < widthMm / 2)
                {
                    grown = outer
                        ? Laid(grown, widthMm - at - 2 * line, new(widthMm - at - line, lightness, Fine: true),
                            new(widthMm - at, -lightness, Fine: true))
                        : Laid(grown, at, new(at + line, -lightness, Fine: true), new(at + 2 * line, lightness, Fine: true));
                }

                at += line * random.Between(3.5, 7);
            }
        }

        return grown;
    }

    /// <summary>Two lines that lie side by side, from a depth on, in place of what lies there.</summary>
    private static List<Tone> Laid(List<Tone> all, double fromMm, Tone one, Tone other)
    {
        var beneath = all.FirstOrDefault(t => t.AtMm >= fromMm).Lightness;
        return [.. all.Where(t => t.AtMm < fromMm), new(fromMm, beneath), one, other, .. all.Where(t => t.AtMm > other.AtMm)];
    }

    private const int StreakLines = 6;

    /// <summary>A mixed cup's colours lie side by side in its streaks, the more alike the further it is blended; a
    /// draft has them too.</summary>
    private void Streak(List<ToneLevel> tones, BandMap map, Strip strip)
    {
        for (var i = 1; i < StreakLines; i++)
        {
            tones.Add(new(map.Levels[0] * i / StreakLines, strip.Id, strip.CupId, 0, on.Full, false, -1, StreakLook(strip, i)));
        }
    }

    /// <summary>The look along a streak's edge; null for what is none.</summary>
    public CupLook? OuterStreak(Strip strip) => strip.Kind == RegionKind.Streaks ? StreakLook(strip, StreakLines) : null;

    private CupLook StreakLook(Strip strip, int line)
    {
        // Which of the colours a line is, by their shares.
        var cup = on.Cups[strip.CupId];
        var shares = cup.Of ?? [new(cup.Id, 1)];
        var place = line * 0.618 % 1 * shares.Sum(s => s.Parts);
        var own = shares.First(s => (place -= s.Parts) <= 0 || s == shares[^1]);
        return CupLook.Of(on.Catalogue, on.Layer, on.Cups[own.RecipeId])
            .Towards(CupLook.Of(on.Catalogue, on.Layer, cup), ((MarbleLayout)on.Layer.Layout).Blend);
    }
}
