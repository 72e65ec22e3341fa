using System.Collections.Immutable;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>How much of a painting is wanted.</summary>
public enum PaintDetail
{
    /// <summary>Bodies only: what a drag repaints.</summary>
    Draft,

    /// <summary>Edges, growth lines and crystals too.</summary>
    Full,
}

/// <summary>Turns the maps of a piece's layers into a painting.</summary>
/// <remarks>Source: docs/craft/map.md, Painting.</remarks>
public static class Painter
{
    private const int MostGrowthLines = 64;

    /// <summary>An outline by itself, in SVG path syntax, mm.</summary>
    public static string OutlinePath(Outline outline)
    {
        ArgumentNullException.ThrowIfNull(outline);
        return PathText.Straight(outline);
    }

    /// <summary>
    /// Paints layers over the ground, lowest first. The lowest is painted solid, as it looks on the ground; each layer
    /// above, and every layer over older work, lets what lies beneath show through by its opacity.
    /// </summary>
    /// <param name="mapper">Grows the maps.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="upTo">The topmost layer to paint, from 0; −1 for none.</param>
    /// <param name="detail">How much to paint.</param>
    public static Painting Paint(BandMapper mapper, Piece piece, int upTo, PaintDetail detail)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        var ground = piece.Ground;
        var layers = piece.Layers.Take(upTo + 1).ToList();
        var over = Layered(mapper, piece, [.. layers.Where(l => l.Within is null)], ground.MapOutline, ground.Old is null, detail);
        var mirrored = ground.Set is { Mirrored: true } ? ground.Panels : null;
        return over with
        {
            WidthMm = ground.Whole.BoxWidthMm,
            HeightMm = ground.Whole.BoxHeightMm,
            Outline = mirrored is null ? over.Outline : PathText.Straight(mirrored),
            Panel = mirrored is null ? null : over.Outline,
            Copies = mirrored?.Copies ?? [],
            Insets =
            [
                .. ground.Old is { } old ? [Beneath(mapper, old, detail)] : Array.Empty<PaintInset>(),
                .. (ground.Mould?.Inserts ?? []).Select(i => new PaintInset(
                    false, 0, 0, Layered(mapper, piece, [.. layers.Where(l => l.Within == i.Id)], i.Placed, true, detail))),
            ],
        };
    }

    private static PaintInset Beneath(BandMapper mapper, OldWork old, PaintDetail detail) =>
        new(true, old.XMm, old.YMm, Paint(mapper, new(old.Name, old.Ground, old.Growth, old.Layers), old.Layers.Length - 1, detail));

    private static Painting Layered(BandMapper mapper, Piece piece, ImmutableArray<Layer> layers, Outline outline, bool solid, PaintDetail detail)
    {
        var materials = ImmutableArray.CreateBuilder<PaintMaterial>();
        var paths = ImmutableArray.CreateBuilder<PaintPath>();
        for (var i = 0; i < layers.Length; i++)
        {
            new LayerBrush(
                piece.Ground, outline, layers[i], mapper.Map(outline, piece.Growth, layers[i]), solid && i == 0, detail == PaintDetail.Full, materials, paths).Paint();
        }

        return new(
            outline.BoxWidthMm, outline.BoxHeightMm, PathText.Straight(outline), piece.Ground.Colour,
            materials.ToImmutable(), paths.ToImmutable(), null, [], []);
    }

    /// <summary>Paints one layer. Bodies are nested sets painted from the outermost in, so no seam shows between them.</summary>
    private sealed class LayerBrush(
        Ground ground,
        Outline outline,
        Layer layer,
        BandMap map,
        bool lowest,
        bool full,
        ImmutableArray<PaintMaterial>.Builder materials,
        ImmutableArray<PaintPath>.Builder paths)
    {
        private readonly Dictionary<string, Cup> cups = layer.Cups.ToDictionary(c => c.Id);

        public void Paint()
        {
            foreach (var cup in layer.Cups)
            {
                var shown = Shown(cup);
                materials.Add(new(Material(cup), cup.Colourant, shown.Tone(0.4).ToHex(), shown.Tone(-0.5).ToHex()));
            }

            var tones = Tones();
            var lines = full ? map.Lines([.. tones.Select(t => t.Level)]) : [.. tones.Select(t => map.EdgeLines[t.Edge])];
            if (lowest)
            {
                Nested(tones, lines);
            }
            else
            {
                Rings(tones, lines);
            }

            // Clear resin over a heart lets the crystals of the layer below be seen.
            if (full && (lowest || cups[layer.HeartCup].Colourant is not null))
            {
                foreach (var heart in layer.Hearts)
                {
                    // Stones take up the colour of their bed and show little of the ground.
                    var bed = cups[layer.HeartCup];
                    Crystals.Paint(heart, Shown(bed).Mix(Colour.Of(bed.Colour), bed.Colourant is null ? 0 : 0.7), paths);
                }
            }
        }

        private void Nested(List<ToneLevel> tones, ImmutableArray<string> lines)
        {
            var rim = PathText.Straight(outline);
            for (var k = tones.Count; k >= 0; k--)
            {
                // The set below level k takes the tone that lies just inside it; the last one covers the outline.
                var tone = k < tones.Count ? tones[k] : null;
                var inside = tone ?? ToneLevel.Outermost(layer.Bands[^1].Id, layer.Bands[^1].Cup);
                var path = tone is null ? rim : lines[k];
                if (path.Length == 0)
                {
                    continue;
                }

                var cup = cups[inside.Cup];
                paths.Add(new(
                    inside.Grows ? PaintRole.GrowthLine : PaintRole.Body, path,
                    Shown(cup).Tone(inside.Tone).ToHex(), null, 0, 1, inside.Region, Material(cup)));
                if (tone is not null)
                {
                    Edge(tone, path, cup);
                }
            }
        }

        /// <summary>Where things show through, each region is a ring of its own.</summary>
        private void Rings(List<ToneLevel> tones, ImmutableArray<string> lines)
        {
            var rim = PathText.Straight(outline);
            for (var k = tones.Count; k >= 0; k--)
            {
                var inside = k < tones.Count ? tones[k] : ToneLevel.Outermost(layer.Bands[^1].Id, layer.Bands[^1].Cup);
                var cup = cups[inside.Cup];
                var opacity = Colour.Opacity(cup, layer.DepthMm);
                var outer = k < tones.Count ? lines[k] : rim;
                if (outer.Length == 0)
                {
                    continue;
                }

                var inner = k > 0 ? lines[k - 1] : "";
                paths.Add(new(
                    inside.Grows ? PaintRole.GrowthLine : PaintRole.Body, outer + inner,
                    Colour.Of(cup.Colour).Tone(inside.Tone).ToHex(), null, 0, Math.Round(opacity, 3), inside.Region, Material(cup)));
                if (k < tones.Count && opacity > 0.3)
                {
                    Edge(tones[k], outer, cup);
                }
            }
        }

        private void Edge(ToneLevel tone, string path, Cup cup)
        {
            var shown = Shown(cup);
            if (!full)
            {
                return;
            }

            if (!tone.Grows)
            {
                var metal = cup.Colourant is ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic;
                paths.Add(new(
                    PaintRole.Edge, path, null, shown.Tone(metal ? -0.75 : -0.6).ToHex(), metal ? 0.7 : 0.5,
                    metal ? 0.8 : 0.4, tone.Region, null));
            }
            else if (tone.Hairline)
            {
                paths.Add(new(PaintRole.GrowthLine, path, null, shown.Tone(0.6).ToHex(), 0.45, 0.5, tone.Region, null));
            }
        }

        /// <summary>The colour of a cup's resin on the ground, at this layer's depth.</summary>
        private Colour Shown(Cup cup) => Colour.Of(Below(cup)).Mix(Colour.Of(cup.Colour), Colour.Opacity(cup, layer.DepthMm));

        /// <summary>A painted map lies under the first layer; clear resin keeps the ground's own colour below it.</summary>
        private string Below(Cup cup) => lowest && ground.Paint is { AsMap: true } && cup.Colourant is not null ? cup.Colour : ground.Colour;

        private string Material(Cup cup) => layer.Id + "/" + cup.Id;

        /// <summary>Every level to paint, rising: the regions' outer edges, and growth lines between them.</summary>
        private List<ToneLevel> Tones()
        {
            var tones = new List<ToneLevel>();
            if (map.Levels.Length > 0 && !layer.Hearts.IsEmpty)
            {
                tones.Add(new(0, BandMap.HeartBedId, layer.HeartCup, 0, false, false, 0));
            }

            var spacing = Math.Max(2.4, map.Depths.FarMm / MostGrowthLines);
            var depth = 0.0;
            var widths = layer.BandWidthsMm();
            var fixedMm = widths.Sum();
            for (var k = 0; k < layer.Bands.Length; k++)
            {
                var band = layer.Bands[k];
                var width = band.FillsRest ? Math.Max(0, map.Depths.FarMm - fixedMm) : widths[k];
                if (full && !layer.Hearts.IsEmpty && cups[band.Cup].Colourant is not null)
                {
                    Grow(tones, band, depth, width, spacing, k);
                }

                depth += width;
                if (k < layer.Bands.Length - 1 && depth < map.Depths.FarMm)
                {
                    tones.Add(new(map.Levels[k + 1], band.Id, band.Cup, 0, false, false, k + 1));
                }
            }

            return tones;
        }

        private void Grow(List<ToneLevel> tones, Band band, double fromMm, double widthMm, double spacingMm, int number)
        {
            var random = new SplitMix((ulong)(layer.Hearts[0].Seed * 97 + number * 7 + 3));
            var cup = cups[band.Cup];
            var swing = cup.Colourant is ColourantClass.MetallicPaste ? 0.04 : 0.15;
            var tone = random.Between(-0.5, 0.5);
            var at = 0.0;
            while (true)
            {
                at += spacingMm * random.Between(0.55, 1.6);
                if (at > widthMm - 0.8 || fromMm + at >= map.Depths.FarMm)
                {
                    return;
                }

                // Slow drift from line to line, a pull back to the middle, and now and then a clear step.
                tone = 0.8 * tone + random.Between(-0.45, 0.45) + (random.Unit() < 0.12 ? random.Between(-0.6, 0.6) : 0);
                tones.Add(new(
                    map.Depths.Level(fromMm + at), band.Id, band.Cup, swing * Math.Clamp(tone, -1, 1), true, random.Unit() < 0.09));
            }
        }
    }

    /// <summary>A level to paint, and what lies just inside it; which of the map's edges it is, or none of them.</summary>
    private sealed record ToneLevel(double Level, string Region, string Cup, double Tone, bool Grows, bool Hairline, int Edge = -1)
    {
        public static ToneLevel Outermost(string region, string cup) => new(double.MaxValue, region, cup, 0, false, false);
    }
}
