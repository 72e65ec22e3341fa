using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>Paints a band map: nested sets, or rings of their own where things show through.</summary>
internal sealed class BandBrush(LayerBrush on)
{
    private readonly BandTones growth = new(on);

    /// <summary>Bodies are nested sets painted from the outermost in, so no seam shows between them.</summary>
    public void Paint(BandMap map)
    {
        // The film lies below the lines: in front of them for one who looks from below.
        var film = map.Film is { CupId: { } id }
            && CupLook.Of(on.Catalogue, on.Layer, on.Cups[id]) is { CoverPerMm: > 0 } look ? (on.Cups[id], look)
            : ((Recipe Cup, CupLook Look)?)null;
        if (film is { } under && !on.Sheet.FromBelow)
        {
            on.Lay(PaintRole.Body, on.Whole, under.Cup, under.Look, on.FilmMm, on.Lowest, null);
        }

        var tones = growth.Of(map);
        var lines = tones.All(t => t.Edge >= 0) ? [.. tones.Select(t => map.EdgeLines[t.Edge])]
            : map.Lines([.. tones.Select(t => t.Level)]);

        // A stack that is longer than its room ends with the strip that reaches its far end.
        var outermost = map.Strips.FirstOrDefault(s => s.ToMm >= map.Depths.FarMm) ?? map.Strips[^1];
        if (on.Lowest)
        {
            Nested(tones, lines, outermost);
        }
        else
        {
            Rings(tones, lines, outermost);
        }

        if (film is { } front && on.Sheet.FromBelow)
        {
            on.Lay(PaintRole.Body, on.Whole, front.Cup, front.Look, on.FilmMm, false, null);
        }

        if (on.Wet)
        {
            Bleeds(map);
        }

        // Clear resin over a heart lets the crystals of the layer below be seen.
        if (on.Full && on.Layer.Layout is RingsLayout { HeartRecipeId: { } bedId } rings
            && (on.Lowest || on.Cups[bedId].Colourant is not null))
        {
            foreach (var heart in rings.Hearts)
            {
                // Stones take up the colour of their bed and show little of the ground.
                var bed = on.Cups[bedId];
                Crystals.Paint(heart, on.Shown(bed).Mix(Colour.Of(bed.Colour), bed.Colourant is null ? 0 : 0.7),
                    RegionId.Heart.In(on.ZoneId), on.Sheet.Paths);
            }
        }
    }

    private void Nested(List<ToneLevel> tones, ImmutableArray<string> lines, Strip outermost)
    {
        var rim = on.Whole;
        for (var k = tones.Count; k >= 0; k--)
        {
            Effort.Check();
            // The set below level k takes the tone that lies just inside it; the last one covers the outline.
            var tone = k < tones.Count ? tones[k] : null;
            var inside = tone
                ?? new ToneLevel(double.MaxValue, outermost.Id, outermost.CupId, 0, false, false, Look: growth.OuterStreak(outermost));
            var path = tone is null ? rim : lines[k];
            if (path.Length == 0)
            {
                continue;
            }

            var cup = on.Cups[inside.Cup];
            on.Lay(
                inside.Role, path, cup, inside.Look ?? CupLook.Of(on.Catalogue, on.Layer, cup), on.DepthMm, true,
                inside.Region.In(on.ZoneId), inside.Lightness);
            if (tone is not null)
            {
                Edge(tone, path, cup);
            }
        }
    }

    /// <summary>Where things show through, each region is a ring of its own.</summary>
    private void Rings(List<ToneLevel> tones, ImmutableArray<string> lines, Strip outermost)
    {
        var rim = on.Whole;
        for (var k = tones.Count; k >= 0; k--)
        {
            var inside = k < tones.Count ? tones[k]
                : new(double.MaxValue, outermost.Id, outermost.CupId, 0, false, false, Look: growth.OuterStreak(outermost));
            var cup = on.Cups[inside.Cup];
            var outer = k < tones.Count ? lines[k] : rim;
            if (outer.Length == 0)
            {
                continue;
            }

            var inner = k > 0 ? lines[k - 1] : "";
            var look = inside.Look ?? CupLook.Of(on.Catalogue, on.Layer, cup);
            on.Lay(
                inside.Role, outer + inner, cup, look, on.DepthMm, false,
                inside.Region.In(on.ZoneId), inside.Lightness);
            if (k < tones.Count && look.Opacity(on.DepthMm) > 0.3)
            {
                Edge(tones[k], outer, cup);
            }
        }
    }

    private void Edge(ToneLevel tone, string path, Recipe cup)
    {
        var shown = on.Shown(cup);
        if (!on.Full || on.Wet || on.Sheet.Through)
        {
            return;
        }

        if (!tone.Grows)
        {
            var metal = Metals.Have(cup.Colourant);
            on.Sheet.Paths.Add(new(
                PaintRole.Edge, path, null, shown.Tone(metal ? -0.75 : -0.6).ToHex(), metal ? 0.7 : 0.5,
                metal ? 0.8 : 0.4, tone.Region.In(on.ZoneId), null));
        }
        else if (tone.Hairline)
        {
            on.Sheet.Paths.Add(new(PaintRole.GrowthLine, path, null,
                Lab.Lighter(shown, Painter.GrowthLightness).ToHex(), 0.45, 0.8, tone.Region.In(on.ZoneId), null));
        }
    }

    /// <summary>Where wet bands blend, along their edges.</summary>
    private void Bleeds(BandMap map)
    {
        for (var k = 0; k < map.Levels.Length; k++)
        {
            Effort.Check();
            on.Run(map.EdgeLines[k], on.Cups[map.Strips[k].CupId], on.Cups[map.Strips[k + 1].CupId], map.Strips[k].Id);
        }
    }
}
