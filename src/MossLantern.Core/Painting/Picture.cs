using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>Paints pieces in one detail, looked at in one way.</summary>
internal sealed class Picture(LayerMapper mapper, Catalogue catalogue, bool full, Look look)
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
            Panels = mirrored is null ? null : new(over.Outline, mirrored.Copies),
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
        var painting = new Picture(mapper, catalogue, full, look with { Wet = false }).Of(old.Piece, old.Layers.Length - 1, !FromBelow);
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
        var panels = painting.Panels ?? new(PathText.Straight(mapped), [new(0, false)]);
        return painting with
        {
            Outline = PathText.Straight(whole.Rings
                .Select(r => new Ring([.. r.Xs.ToArray().Select(x => width - x)], r.Ys.ToArray()).Reversed())),
            Panels = panels with { Copies = [.. panels.Copies.Select(c => new PanelCopy(width - c.FromMm, !c.Mirrored))] },
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
            Layer(sheet, piece, outline, layer, mapper.Map(piece, layer), lowest, look.Wet && i == layers.Length - 1, look.Torched);
            if (lowest && full && !sheet.Through && outline is SliceOutline slice)
            {
                Rind.Paint(slice, sheet.Paths);
            }
        }

        return new(
            outline.BoxWidthMm, outline.BoxHeightMm, PathText.Straight(outline), sheet.Ground,
            sheet.Materials.ToImmutable(), sheet.Paths.ToImmutable(), sheet.Clips.ToImmutable(), null, [],
            new(full, look.Wet, sheet.Through ? filtersFrom ?? sheet.Paths.Count : null, look.TiltDeg));
    }

    private static void Layer(Sheet sheet, Piece piece, Outline outline, FilledLayer layer, LayerMap map, bool lowest,
        bool wet, bool torched)
    {
        Effort.Check();
        var whole = new LayerBrush(sheet, piece, outline, layer, null, lowest, wet)
        {
            ThroughFace = map.Regions.Select(r => (r.Id, Seen: Portion.ThroughFace(piece, layer, map, r)))
                .Where(r => r.Seen is not null).ToDictionary(r => r.Id, r => r.Seen!.Value),
        };
        whole.Materials();
        if (map is not ZonedMap zoned)
        {
            Paint(whole, map);
            new Scatter(whole, map).Paint(torched);
            return;
        }

        foreach (var part in zoned.Parts.Where(p => p.Map is not null))
        {
            Effort.Check();
            var from = sheet.Paths.Count;
            Paint(new(sheet, piece, part.Outline, part.Of(layer), part.ZoneId, lowest, wet), part.Map!);
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

        Paint(whole, zoned.Kept);
        new Scatter(whole, map).Paint(torched);
    }

    private static void Paint(LayerBrush brush, LayerMap map)
    {
        switch (map)
        {
            case LinedMap lined:
                Paint(brush, lined.On);
                new LineBrush(brush).Paint(lined.Lines);
                break;
            case BandMap bands:
                new BandBrush(brush).Paint(bands);
                break;
            case RegionMap regions:
                new RegionBrush(brush).Paint(regions);
                break;
        }
    }
}
