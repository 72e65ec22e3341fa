using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

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

    /// <summary>How far a growth line is lighter or darker than its band, L*: more would read as another colour.</summary>
    public const double GrowthLightness = 5;

    /// <summary>How far growth lines are in regions that are one large face, and in metal, as a share of that.</summary>
    private const double Soft = 0.5, OfMetal = 0.3;

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
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="piece">A valid piece.</param>
    /// <param name="upTo">The topmost layer to paint, from 0; −1 for none.</param>
    /// <param name="detail">How much to paint.</param>
    /// <param name="look">How it is looked at; null for as usual.</param>
    /// <exception cref="ArgumentException">The piece cannot be looked at in that way.</exception>
    public static Painting Paint(LayerMapper mapper, Catalogue catalogue, Piece piece, int upTo, PaintDetail detail, Look? look = null)
    {
        ArgumentNullException.ThrowIfNull(mapper);
        ArgumentNullException.ThrowIfNull(piece);
        look ??= Look.Usual;
        if (look.Refused(piece) is { } refused)
        {
            throw new ArgumentException(refused, nameof(look));
        }

        return new Picture(mapper, catalogue, detail == PaintDetail.Full, look).Of(piece, upTo);
    }

    /// <summary>Paints pieces in one detail, looked at in one way.</summary>
    private sealed class Picture(LayerMapper mapper, Catalogue catalogue, bool full, Look look)
    {
        private bool FromBelow => look.Face == Face.Underside;

        public Painting Of(Piece piece, int upTo, bool solid = true)
        {
            var ground = piece.Ground;
            var layers = piece.Filled.Take(upTo + 1).ToList();
            // From below, what lies beneath is in front of all that was poured over it.
            var alone = solid && (ground.Old is null || FromBelow);
            var over = Layered(piece, [.. layers.Where(l => l.Within is null)], ground.MapOutline, alone);
            var mirrored = ground.Set is { Mirrored: true } ? ground.Panels : null;
            var painting = over with
            {
                WidthMm = ground.Whole.BoxWidthMm,
                HeightMm = ground.Whole.BoxHeightMm,
                Outline = mirrored is null ? over.Outline : PathText.Straight(mirrored),
                Ground = solid ? over.Ground : null,
                Panel = mirrored is null ? null : over.Outline,
                Copies = mirrored?.Copies ?? [],
            };
            painting = FromBelow ? Turned(painting, ground.Whole, ground.MapOutline) : painting;
            return painting with
            {
                Insets =
                [
                    .. ground.Old is { } old ? [Beneath(old, painting.WidthMm)] : Array.Empty<PaintInset>(),
                    .. (ground.Mould?.Inserts ?? []).Select(i => new PaintInset(false, 0, 0, Filled(piece, layers, i, painting.WidthMm))),
                ],
            };
        }

        private PaintInset Beneath(OldWork old, double widthMm)
        {
            var painting = new Picture(mapper, catalogue, full, look with { Wet = false }).Of(old.Itself, old.Layers.Length - 1, !FromBelow);
            return new(!FromBelow, FromBelow ? widthMm - old.XMm - painting.WidthMm : old.XMm, old.YMm, painting);
        }

        private Painting Filled(Piece piece, List<FilledLayer> layers, Insert insert, double widthMm)
        {
            var filled = Layered(piece, [.. layers.Where(l => l.Within == insert.Id)], insert.Placed, true);
            return FromBelow ? Turned(filled, insert.Placed, insert.Placed, widthMm) : filled;
        }

        /// <summary>A painting seen from below: left is right.</summary>
        private static Painting Turned(Painting painting, Outline whole, Outline mapped, double? widthMm = null)
        {
            var width = widthMm ?? painting.WidthMm;
            ImmutableArray<PanelCopy> once = [new(0, false)];
            return painting with
            {
                Outline = PathText.Straight(whole.Rings.Select(r => new Ring([.. r.Xs.ToArray().Select(x => width - x)], r.Ys.ToArray()).Reversed())),
                Panel = painting.Panel ?? PathText.Straight(mapped),
                Copies = [.. (painting.Copies.IsEmpty ? once : painting.Copies).Select(c => new PanelCopy(width - c.FromMm, !c.Mirrored))],
            };
        }

        private Painting Layered(Piece piece, ImmutableArray<FilledLayer> layers, Outline outline, bool solid)
        {
            var sheet = new Sheet(catalogue, full, look.Light == LightFrom.Back, FromBelow, piece.Ground.Colour);
            int? filtersFrom = null;
            for (var i = 0; i < layers.Length; i++)
            {
                var layer = FromBelow ? layers[^(i + 1)] : layers[i];
                var lowest = solid && i == 0;
                filtersFrom ??= sheet.Through && !lowest ? sheet.Paths.Count : null;
                Layer(sheet, piece, outline, layer, mapper.Map(piece, layer), lowest, look.Wet && i == layers.Length - 1);
            }

            return new(
                outline.BoxWidthMm, outline.BoxHeightMm, PathText.Straight(outline), sheet.Ground,
                sheet.Materials.ToImmutable(), sheet.Paths.ToImmutable(), null, [], [], sheet.Clips.ToImmutable(), look.Wet,
                sheet.Through ? filtersFrom ?? sheet.Paths.Count : null);
        }
    }

    /// <summary>What is painted on so far.</summary>
    private sealed class Sheet(Catalogue catalogue, bool full, bool through, bool fromBelow, string ground)
    {
        public Catalogue Catalogue => catalogue;

        public bool Full => full;

        /// <summary>Whether it is seen from below.</summary>
        public bool FromBelow => fromBelow;

        /// <summary>Whether the light comes from behind.</summary>
        public bool Through => through;

        /// <summary>Colour of the ground, or of light from behind that nothing has taken its share of.</summary>
        public string Ground => through ? "#ffffff" : ground;

        public ImmutableArray<PaintMaterial>.Builder Materials { get; } = ImmutableArray.CreateBuilder<PaintMaterial>();

        public ImmutableArray<PaintPath>.Builder Paths { get; } = ImmutableArray.CreateBuilder<PaintPath>();

        public ImmutableArray<string>.Builder Clips { get; } = ImmutableArray.CreateBuilder<string>();
    }

    private static void Layer(Sheet sheet, Piece piece, Outline outline, FilledLayer layer, LayerMap map, bool lowest, bool wet)
    {
        Effort.Check();
        new LayerBrush(sheet, piece, outline, layer, null, lowest, wet).Materials();
        if (map is not ZonedMap zoned)
        {
            new LayerBrush(sheet, piece, outline, layer, null, lowest, wet).Paint(map);
            return;
        }

        foreach (var part in zoned.Parts.Where(p => p.Map is not null))
        {
            Effort.Check();
            var from = sheet.Paths.Count;
            new LayerBrush(sheet, piece, part.Outline, part.Of(layer), part.ZoneId, lowest, wet).Paint(part.Map!);
            if (!sheet.Full && lowest && part.ZoneId is null && piece.Ground.Old is null)
            {
                // Solid zones and kept spots are painted over what reaches into them; a draft need not pay for a clip.
                continue;
            }

            for (var i = from; i < sheet.Paths.Count; i++)
            {
                sheet.Paths[i] = sheet.Paths[i] with { Clip = sheet.Clips.Count };
            }

            sheet.Clips.Add(PathText.Straight(part.Outline));
        }

        new LayerBrush(sheet, piece, outline, layer, null, lowest, wet).Paint(zoned.Kept);
    }

    /// <summary>Paints one layer, or a part of one.</summary>
    private sealed class LayerBrush(Sheet sheet, Piece piece, Outline outline, FilledLayer layer, string? zoneId, bool lowest, bool wet)
    {
        private readonly Catalogue catalogue = sheet.Catalogue;

        private const string WallColour = "#efe7d6";

        private readonly Dictionary<string, Recipe> cups = layer.Recipes.ToDictionary(c => c.Id);

        private readonly bool full = sheet.Full;

        private readonly double depthMm = DepthZones.DepthOf(layer, RegionKind.Band, layer.DepthMm), filmMm = DepthZones.DepthOf(layer, RegionKind.Film, layer.DepthMm);

        /// <summary>What it paints on. All is cut along the outline in the end, so a draft need not follow it.</summary>
        private string Whole => PathText.Straight(full ? outline : new RectangleOutline(outline.BoxWidthMm, outline.BoxHeightMm));

        public void Materials()
        {
            foreach (var cup in layer.Cups)
            {
                var shown = Shown(cup);
                sheet.Materials.Add(new(Material(cup.Id), cup.Colourant, shown.Tone(0.4).ToHex(), shown.Tone(-0.5).ToHex()));
            }
        }

        public void Paint(LayerMap map)
        {
            switch (map)
            {
                case BandMap bands:
                    Paint(bands);
                    break;
                case RegionMap regions:
                    Paint(regions);
                    break;
            }
        }

        /// <summary>Bodies are nested sets painted from the outermost in, so no seam shows between them.</summary>
        private void Paint(BandMap map)
        {
            // The film lies below the lines: in front of them for one who looks from below.
            var film = map.Film is { CupId: { } id } && CupLook.Of(catalogue, layer, cups[id]) is { CoverPerMm: > 0 } look ? (cups[id], look) : ((Recipe Cup, CupLook Look)?)null;
            if (film is { } under && !sheet.FromBelow)
            {
                Lay(PaintRole.Body, Whole, under.Cup, under.Look, filmMm, lowest, null);
            }

            var tones = Tones(map);
            var lines = tones.All(t => t.Edge >= 0) ? [.. tones.Select(t => map.EdgeLines[t.Edge])] : map.Lines([.. tones.Select(t => t.Level)]);

            // A stack that is longer than its room ends with the strip that reaches its far end.
            var outermost = map.Strips.FirstOrDefault(s => s.ToMm >= map.Depths.FarMm) ?? map.Strips[^1];
            if (lowest)
            {
                Nested(tones, lines, outermost);
            }
            else
            {
                Rings(tones, lines, outermost);
            }

            if (film is { } front && sheet.FromBelow)
            {
                Lay(PaintRole.Body, Whole, front.Cup, front.Look, filmMm, false, null);
            }

            if (wet)
            {
                Runs(map);
            }

            // Clear resin over a heart lets the crystals of the layer below be seen.
            if (full && layer.Layout is RingsLayout { HeartRecipeId: { } bedId } rings && (lowest || cups[bedId].Colourant is not null))
            {
                foreach (var heart in rings.Hearts)
                {
                    // Stones take up the colour of their bed and show little of the ground.
                    var bed = cups[bedId];
                    Crystals.Paint(heart, Shown(bed).Mix(Colour.Of(bed.Colour), bed.Colourant is null ? 0 : 0.7), RegionId.Heart.In(zoneId), sheet.Paths);
                }
            }
        }

        /// <summary>Polygons side by side, each with growth lines that follow its own border.</summary>
        private void Paint(RegionMap map)
        {
            if (full && lowest && map.IsWhole && piece.Ground.Old is null)
            {
                // Between two polygons side by side the ground would show as a hairline: what lies below is like them.
                List<Colour> shown = [.. map.Patches.Where(p => p.CupId is not null && p.Kind is not RegionKind.Vein).Select(p => Shown(cups[p.CupId!]))];
                if (shown.Count > 1)
                {
                    var mean = new Colour(shown.Average(c => c.R), shown.Average(c => c.G), shown.Average(c => c.B));
                    sheet.Paths.Add(new(PaintRole.Part, Whole, mean.ToHex(), null, 0, 1, null, null));
                }
            }

            foreach (var patch in map.Patches.Where(p => p.Kind is not (RegionKind.Vein or RegionKind.Wall)))
            {
                var path = PathText.Straight(!full && patch.Draft is { } draft ? draft.Rings : Flat.Rings(patch.Area));
                if (path.Length == 0)
                {
                    continue;
                }

                if (patch.CupId is not { } id)
                {
                    // Nothing is poured here: it is there to be pointed at.
                    sheet.Paths.Add(new(PaintRole.Part, path, sheet.Ground, null, 0, lowest && piece.Ground.Old is null ? 1 : 0, patch.Id.In(zoneId), Material("")));
                    continue;
                }

                Lay(PaintRole.Part, path, cups[id], CupLook.Of(catalogue, layer, cups[id]), depthMm, lowest, patch.Id.In(zoneId));
            }

            if (full)
            {
                InnerLines(map);
            }

            if (wet)
            {
                Runs(map);
            }

            foreach (var patch in map.Patches.Where(p => p.Kind is RegionKind.Vein or RegionKind.Wall))
            {
                if (patch.CupId is not { } id)
                {
                    if (!patch.Area.IsEmpty)
                    {
                        var wall = Colour.Of(WallColour).Tone(sheet.Through ? -0.85 : 0);
                        sheet.Paths.Add(new(
                            PaintRole.Wall, PathText.Straight(Flat.Rings(patch.Area)), wall.ToHex(), full && !wet && !sheet.Through ? wall.Tone(-0.6).ToHex() : null, 0.4, 1,
                            patch.Id.In(zoneId), Material("")));
                    }

                    continue;
                }

                Vein(patch, cups[id], patch.Own?.ThicknessMm ?? depthMm);
            }
        }

        /// <summary>A vein lies on the fields, as thick as it is laid.</summary>
        private void Vein(Patch patch, Recipe cup, double thicknessMm)
        {
            var look = CupLook.Of(catalogue, layer, cup);
            // A draft draws the line itself: what it covers is dear.
            if (!full && !wet && patch.Draft is { Line: { } line, WidthMm: var widthMm })
            {
                var from = sheet.Paths.Count;
                Lay(PaintRole.Part, PathText.Open(Flat.Lines(line)), cup, look, thicknessMm, false, patch.Id.In(zoneId));
                for (var i = from; i < sheet.Paths.Count; i++)
                {
                    sheet.Paths[i] = sheet.Paths[i] with { Fill = null, Stroke = sheet.Paths[i].Fill, StrokeMm = widthMm };
                }

                return;
            }

            if (patch.Area.IsEmpty)
            {
                return;
            }

            var path = PathText.Straight(Flat.Rings(patch.Area));
            var (opacity, colour) = (Math.Round(look.Opacity(thicknessMm), 3), sheet.Through ? look.Through(thicknessMm) : look.Colour);
            if (wet)
            {
                Run(path, colour, opacity, patch.Id);
            }

            Lay(PaintRole.Part, path, cup, look, thicknessMm, false, patch.Id.In(zoneId));
            if (full && !wet && !sheet.Through && opacity > 0)
            {
                sheet.Paths.Add(new(PaintRole.Edge, path, null, colour.Tone(-0.6).ToHex(), 0.4, opacity, patch.Id.In(zoneId), null));
            }
        }

        /// <summary>
        /// A shape of a cup's resin: as it looks on the ground where it is solid; else first what its glass takes of the light
        /// from below, then what its pigments hide.
        /// </summary>
        private void Lay(PaintRole role, string path, Recipe cup, CupLook look, double depth, bool solid, RegionId? region, double lightness = 0)
        {
            void Add(Colour colour, double opacity, bool glass) => sheet.Paths.Add(
                new(role, path, Lab.Lighter(colour, lightness).ToHex(), null, 0, opacity, region, Material(cup.Id), null, glass));

            if (sheet.Through)
            {
                Add(look.Through(depth), solid || look.CoverPerMm > 0 ? 1 : 0, false);
                return;
            }

            if (solid)
            {
                Add(look.Over(Below(cup), depth), 1, false);
                return;
            }

            // Never quite solid: only what is has no hole where the next region lies.
            var veil = Math.Min(0.999, Math.Round(look.Veil(depth), 3));
            if (look.GlassPerMm > 0)
            {
                Add(look.Filter(depth), 1, true);
            }

            if (look.GlassPerMm == 0 || veil > 0)
            {
                Add(look.Colour, veil, false);
            }
        }

        private void InnerLines(RegionMap map)
        {
            var (seed, waviness) = layer.Layout switch { FieldsLayout f => (f.Seed, 13.0), PoolsLayout => (7, 13), _ => (7, 3) };
            foreach (var line in GrowthLines.Of(map, outline, piece.Growth, seed, waviness))
            {
                if (line.Patch.CupId is not { } id || cups[id] is not { } cup || CupLook.Of(catalogue, layer, cup) is not { CoverPerMm: > 0 } look)
                {
                    continue;
                }

                // Glass would be deepened twice by a shape over its body: there the line alone is drawn.
                var lightness = GrowthLightness * Soft * line.Tone * (cup.Colourant is ColourantClass.MetallicPaste ? OfMetal : 1);
                if (lowest || sheet.Through || look.GlassPerMm == 0)
                {
                    Lay(PaintRole.GrowthLine, line.Path, cup, look, depthMm, lowest, line.Patch.Id.In(zoneId), lightness);
                }

                if (line.Hairline && !wet && !sheet.Through)
                {
                    var shown = Lab.Lighter(look.Over(Below(cup), depthMm), GrowthLightness);
                    sheet.Paths.Add(new(PaintRole.GrowthLine, line.Path, null, shown.ToHex(), 0.3, lowest ? 1 : Math.Round(look.Opacity(depthMm), 3), line.Patch.Id.In(zoneId), null));
                }
            }
        }

        private void Nested(List<ToneLevel> tones, ImmutableArray<string> lines, Strip outermost)
        {
            var rim = Whole;
            for (var k = tones.Count; k >= 0; k--)
            {
                // The set below level k takes the tone that lies just inside it; the last one covers the outline.
                var tone = k < tones.Count ? tones[k] : null;
                var inside = tone ?? new ToneLevel(double.MaxValue, outermost.Id, outermost.CupId, 0, false, false, Look: OuterStreak(outermost));
                var path = tone is null ? rim : lines[k];
                if (path.Length == 0)
                {
                    continue;
                }

                var cup = cups[inside.Cup];
                Lay(
                    inside.Grows ? PaintRole.GrowthLine : PaintRole.Body, path, cup, inside.Look ?? CupLook.Of(catalogue, layer, cup), depthMm, true,
                    inside.Region.In(zoneId), inside.Lightness);
                if (tone is not null)
                {
                    Edge(tone, path, cup);
                }
            }
        }

        /// <summary>Where things show through, each region is a ring of its own.</summary>
        private void Rings(List<ToneLevel> tones, ImmutableArray<string> lines, Strip outermost)
        {
            var rim = Whole;
            for (var k = tones.Count; k >= 0; k--)
            {
                var inside = k < tones.Count ? tones[k] : new(double.MaxValue, outermost.Id, outermost.CupId, 0, false, false, Look: OuterStreak(outermost));
                var cup = cups[inside.Cup];
                var outer = k < tones.Count ? lines[k] : rim;
                if (outer.Length == 0)
                {
                    continue;
                }

                var inner = k > 0 ? lines[k - 1] : "";
                var look = inside.Look ?? CupLook.Of(catalogue, layer, cup);
                Lay(
                    inside.Grows ? PaintRole.GrowthLine : PaintRole.Body, outer + inner, cup, look, depthMm, false,
                    inside.Region.In(zoneId), inside.Lightness);
                if (k < tones.Count && look.Opacity(depthMm) > 0.3)
                {
                    Edge(tones[k], outer, cup);
                }
            }
        }

        private void Edge(ToneLevel tone, string path, Recipe cup)
        {
            var shown = Shown(cup);
            if (!full || wet || sheet.Through)
            {
                return;
            }

            if (!tone.Grows)
            {
                var metal = cup.Colourant is ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic;
                sheet.Paths.Add(new(
                    PaintRole.Edge, path, null, shown.Tone(metal ? -0.75 : -0.6).ToHex(), metal ? 0.7 : 0.5,
                    metal ? 0.8 : 0.4, tone.Region.In(zoneId), null));
            }
            else if (tone.Hairline)
            {
                sheet.Paths.Add(new(PaintRole.GrowthLine, path, null, Lab.Lighter(shown, GrowthLightness).ToHex(), 0.45, 0.8, tone.Region.In(zoneId), null));
            }
        }

        /// <summary>Where wet bands run into each other, along their edges.</summary>
        private void Runs(BandMap map)
        {
            for (var k = 0; k < map.Levels.Length; k++)
            {
                Run(map.EdgeLines[k], cups[map.Strips[k].CupId], cups[map.Strips[k + 1].CupId], map.Strips[k].Id);
            }
        }

        /// <summary>Where wet regions that are polygons run into each other, along their borders.</summary>
        private void Runs(RegionMap map)
        {
            var cupOf = map.Patches.Where(p => p.CupId is not null).ToDictionary(p => p.Id, p => cups[p.CupId!]);
            foreach (var border in map.BorderLines)
            {
                if (cupOf.TryGetValue(border.First, out var one) && cupOf.TryGetValue(border.Second, out var other))
                {
                    Run(PathText.Open(border.Lines), one, other, border.First);
                }
            }
        }

        private void Run(string path, Recipe one, Recipe other, RegionId region)
        {
            var between = CupLook.Between(catalogue, layer, one, other);
            if (one.Id != other.Id && path.Length > 0 && between.CoverPerMm > 0)
            {
                Run(path, lowest ? Shown(between, one) : sheet.Through ? between.Through(depthMm) : between.Colour, lowest ? 1 : between.Opacity(depthMm), region);
            }
        }

        /// <summary>A line that is strongest in its middle.</summary>
        private void Run(string path, Colour colour, double opacity, RegionId region)
        {
            foreach (var share in new[] { 1, 0.66, 0.33 })
            {
                sheet.Paths.Add(new(PaintRole.Run, path, null, colour.ToHex(), share * Look.RunMm, Math.Round(0.35 * opacity, 3), region.In(zoneId), null));
            }
        }

        /// <summary>The colour of a cup's resin on the ground, as deep as this layer's regions are.</summary>
        private Colour Shown(Recipe cup) => Shown(CupLook.Of(catalogue, layer, cup), cup);

        private Colour Shown(CupLook look, Recipe cup) => sheet.Through ? look.Through(depthMm) : look.Over(Below(cup), depthMm);

        /// <summary>
        /// A painted map lies under the first layer; clear resin keeps the ground's own colour below it. Lines lie on their film.
        /// </summary>
        private Colour Below(Recipe cup)
        {
            var ground = lowest && piece.Ground.Paint is { AsMap: true } && cup.Colourant is not null ? Colour.Of(cup.Colour) : Colour.Of(piece.Ground.Colour);
            return layer.Layout is LinesLayout lines && !sheet.FromBelow ? CupLook.Of(catalogue, layer, cups[lines.StartRecipeId]).Over(ground, filmMm) : ground;
        }

        private string Material(string cupId) => layer.Id + "/" + cupId;

        /// <summary>Every level to paint, rising: the regions' outer edges, and growth lines between them.</summary>
        private List<ToneLevel> Tones(BandMap map)
        {
            var tones = new List<ToneLevel>();
            var spacing = Math.Max(2.4, map.Depths.FarMm / MostGrowthLines);
            var from = 0.0;
            for (var k = 0; k < map.Strips.Length; k++)
            {
                var strip = map.Strips[k];
                if (strip.Kind == RegionKind.HeartBed)
                {
                    if (!layer.Hearts.IsEmpty)
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
                else if (full && layer.Layout is not MarbleLayout && layer.Layout is not RingsLayout { Hearts.IsEmpty: true } && CupLook.Of(catalogue, layer, cups[strip.CupId]).CoverPerMm > 0)
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
            var seed = layer.Layout switch { LinesLayout l => l.Seed, MarbleLayout m => m.Seed, RingsLayout r => r.Hearts[0].Seed, _ => 11 };
            var random = new SplitMix((ulong)(seed * 97 + (map.Strips[0].Kind == RegionKind.HeartBed ? number - 1 : number) * 7 + 3));
            var swing = GrowthLightness * (cups[strip.CupId].Colourant is ColourantClass.MetallicPaste ? OfMetal : 1);
            var tone = random.Between(-0.5, 0.5);
            var at = 0.0;
            while (true)
            {
                at += spacingMm * random.Between(0.55, 1.6);
                if (at > strip.ToMm - fromMm - 0.8 || fromMm + at >= map.Depths.FarMm)
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
                tones.Add(new(map.Levels[0] * i / StreakLines, strip.Id, strip.CupId, 0, full, false, -1, StreakLook(strip, i)));
            }
        }

        /// <summary>The look along a streak's edge; null for what is none.</summary>
        private CupLook? OuterStreak(Strip strip) => strip.Kind == RegionKind.Streaks ? StreakLook(strip, StreakLines) : null;

        private CupLook StreakLook(Strip strip, int line)
        {
            // Which of the colours a line is, by their shares.
            var cup = cups[strip.CupId];
            var shares = cup.Of ?? [new(cup.Id, 1)];
            var place = line * 0.618 % 1 * shares.Sum(s => s.Parts);
            var own = shares.First(s => (place -= s.Parts) <= 0 || s == shares[^1]);
            return CupLook.Of(catalogue, layer, cups[own.RecipeId]).Towards(CupLook.Of(catalogue, layer, cup), ((MarbleLayout)layer.Layout).Blend);
        }
    }

    /// <summary>A level to paint, and what lies just inside it; which of the map's edges it is, or none of them.</summary>
    private sealed record ToneLevel(
        double Level, RegionId Region, string Cup, double Lightness, bool Grows, bool Hairline, int Edge = -1, CupLook? Look = null);
}
