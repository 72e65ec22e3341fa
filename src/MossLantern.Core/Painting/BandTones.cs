using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Painting;

/// <summary>A level to paint, and what lies just inside it; which of the map's edges it is, or none of them.</summary>
internal sealed record ToneLevel(
    double Level, RegionId Region, string Cup, double Lightness, bool Grows, bool Hairline, int Edge = -1, CupLook? Look = null);

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
            if (strip.Kind == RegionKind.Streaks)
            {
                edge = OuterStreak(strip);
                Streak(tones, map, strip);
            }
            else if (on.Full && on.Layer.Layout is not MarbleLayout && on.Layer.Layout is not RingsLayout { Hearts.IsEmpty: true } && CupLook.Of(on.Catalogue, on.Layer, on.Cups[strip.CupId]).CoverPerMm > 0)
            {
                Grow(tones, map, strip, from, spacing, k);
            }

            from = strip.ToMm;
            if (k < map.Levels.Length && strip.ToMm < map.Depths.FarMm)
            {
                tones.Add(new(map.Levels[k], strip.Id, strip.CupId, 0, false, false, k, edge));
            }
        }

        return tones;
    }

    private void Grow(List<ToneLevel> tones, BandMap map, Strip strip, double fromMm, double spacingMm, int number)
    {
        // The number of a band counts from 0 after the hearts' bed.
        var seed = on.Layer.Layout switch { LinesLayout l => l.Seed, MarbleLayout m => m.Seed, RingsLayout r => r.Hearts[0].Seed, _ => 11 };
        var random = new SplitMix((ulong)(seed * 97 + (map.Strips[0].Kind == RegionKind.HeartBed ? number - 1 : number) * 7 + 3));
        var swing = Painter.GrowthLightness * (on.Cups[strip.CupId].Colourant is ColourantClass.MetallicPaste ? Painter.OfMetal : 1);
        var tone = random.Between(-0.5, 0.5);
        var at = 0.0;
        while (true)
        {
            at += spacingMm * random.Between(0.55, 1.6);
            if (at > strip.ToMm - fromMm - EdgeMm || fromMm + at >= map.Depths.FarMm)
            {
                return;
            }

            // Slow drift from line to line, a pull back to the middle, and now and then a clear step.
            tone = 0.8 * tone + random.Between(-0.45, 0.45) + (random.Unit() < 0.12 ? random.Between(-0.6, 0.6) : 0);
            tones.Add(new(
                map.Depths.Level(fromMm + at), strip.Id, strip.CupId, swing * Math.Clamp(tone, -1, 1), true, random.Unit() < 0.09));
        }
    }

    private const int StreakLines = 6;

    /// <summary>A mixed cup's colours lie side by side in its streaks, the more alike the further it is blended; a draft has them too.</summary>
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
        return CupLook.Of(on.Catalogue, on.Layer, on.Cups[own.RecipeId]).Towards(CupLook.Of(on.Catalogue, on.Layer, cup), ((MarbleLayout)on.Layer.Layout).Blend);
    }
}
