using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>Paints a map of polygons side by side, with walls over them.</summary>
internal sealed class RegionBrush(LayerBrush on)
{
    /// <summary>Polygons side by side, each with growth lines that follow its own border.</summary>
    public void Paint(RegionMap map)
    {
        if (on.Full && on.Lowest && map.IsWhole && on.Piece.Ground.Old is null)
        {
            // Between two polygons side by side the ground would show as a hairline: what lies below is like them.
            List<Colour> shown = [.. map.Patches.Where(p => p.CupId is not null)
                .Select(p => on.Shown(on.Cups[p.CupId!]))];
            if (shown.Count > 1)
            {
                var mean = new Colour(shown.Average(c => c.R), shown.Average(c => c.G), shown.Average(c => c.B));
                on.Sheet.Paths.Add(new(PaintRole.Part, on.Whole, mean.ToHex(), null, 0, 1, null, null));
            }
        }

        foreach (var patch in map.Patches.Where(p => p.Kind is not RegionKind.Wall))
        {
            Effort.Check();
            var path = PathText.Straight(!on.Full && patch.Draft is { } draft ? draft.Rings : Flat.Rings(patch.Area));
            if (path.Length == 0)
            {
                continue;
            }

            if (patch.CupId is not { } id)
            {
                // Nothing is poured here: it is there to be pointed at.
                on.Sheet.Paths.Add(new(PaintRole.Part, path, on.Sheet.Ground, null, 0,
                    on.Lowest && on.Piece.Ground.Old is null ? 1 : 0, patch.Id.In(on.ZoneId), on.Material("")));
                continue;
            }

            on.Lay(PaintRole.Part, path, on.Cups[id], CupLook.Of(on.Catalogue, on.Layer, on.Cups[id]), on.DepthMm,
                on.Lowest, patch.Id.In(on.ZoneId));
        }

        // Pools and floods are poured in one: what moves in them is slow clouds, not lines.
        if (on.Full && on.Layer.Layout is not (PoolsLayout or FloodLayout))
        {
            InnerLines(map);
        }

        if (on.Wet)
        {
            Bleeds(map);
        }

        foreach (var patch in map.Patches.Where(p => p.Kind is RegionKind.Wall && !p.Area.IsEmpty))
        {
            var wall = Colour.Of(BeadBrush.ColourOf(on.Layer.Walls is [{ Class: var of }, ..] ? of : null))
                .Tone(on.Sheet.Through ? BeadBrush.ThroughTone : 0);
            on.Sheet.Paths.Add(new(
                PaintRole.Wall, PathText.Straight(Flat.Rings(patch.Area)), wall.ToHex(),
                on.Full && !on.Wet && !on.Sheet.Through ? wall.Tone(BeadBrush.EdgeTone).ToHex() : null, BeadBrush.EdgeMm, 1,
                patch.Id.In(on.ZoneId), on.Material("")));
        }

        if (on.Full && !on.Wet && !on.Sheet.Through)
        {
            var classes = on.Layer.Walls.ToDictionary(w => w.Id, w => w.Class);
            foreach (var wall in Pools.Snapped(on.Outline, Wall.Among(on.Layer.Walls)))
            {
                new BeadBrush(on).Light(Pools.Laid(wall.Spots), wall.WidthMm,
                    BeadBrush.ColourOf(classes[wall.Id]), 1);
            }
        }
    }

    /// <summary>What is dark stays dark: its bands are lighter by no more than growth lines are, and a part of its own lightness.</summary>
    private const double DarkPart = 10;

    private void InnerLines(RegionMap map)
    {
        var (seed, waviness, banded) = on.Layer.Layout is FieldsLayout fields ? (fields.Seed, 13.0, true) : (7, 3, false);
        foreach (var line in GrowthLines.Of(map, on.Outline, on.Piece.Growth, seed, waviness, banded))
        {
            Effort.Check();
            if (line.Patch.CupId is not { } id || on.Cups[id] is not { } cup
                || CupLook.Of(on.Catalogue, on.Layer, cup) is not { CoverPerMm: > 0 } look)
            {
                continue;
            }

            // Glass would be deepened twice by a shape over its body: there the line alone is drawn.
            var most = banded ? Math.Min(Painter.InnerLightness,
                Painter.GrowthLightness + Lab.Of(on.Shown(cup)).L / DarkPart) : Painter.GrowthLightness * Painter.OfFaces;
            var lightness = most * line.Tone * (Metals.Have(cup.Colourant) ? Painter.OfMetal : 1);
            if (on.Lowest || on.Sheet.Through || look.GlassPerMm == 0)
            {
                on.Lay(PaintRole.GrowthLine, line.Path, cup, look, on.DepthMm, on.Lowest, line.Patch.Id.In(on.ZoneId), lightness);
            }

            if (line.Hairline && !on.Wet && !on.Sheet.Through)
            {
                var shown = Lab.Lighter(look.Over(on.Below(cup), on.DepthMm), Painter.GrowthLightness);
                on.Sheet.Paths.Add(new(PaintRole.GrowthLine, line.Path, null, shown.ToHex(), 0.3,
                    on.Lowest ? 1 : Math.Round(look.Opacity(on.DepthMm), 3), line.Patch.Id.In(on.ZoneId), null));
            }
        }
    }

    /// <summary>Where wet regions that are polygons blend, along their borders.</summary>
    private void Bleeds(RegionMap map)
    {
        var cupOf = map.Patches.Where(p => p.CupId is not null).ToDictionary(p => p.Id, p => on.Cups[p.CupId!]);
        foreach (var border in map.Borders())
        {
            Effort.Check();
            if (cupOf.TryGetValue(border.First, out var one) && cupOf.TryGetValue(border.Second, out var other))
            {
                on.Run(PathText.Open(border.Lines), one, other, border.First);
            }
        }
    }
}
