using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>Paints lines of resin over what they are laid on.</summary>
internal sealed class LineBrush(LayerBrush on)
{
    /// <summary>Lines, the first lowest.</summary>
    public void Paint(ImmutableArray<Patch> lines)
    {
        foreach (var line in lines)
        {
            Effort.Check();
            Paint(line, on.Cups[line.CupId!], line.Own!.ThicknessMm!.Value);
        }
    }

    /// <summary>A line lies on what was poured, as thick as it is laid.</summary>
    private void Paint(Patch patch, Recipe cup, double thicknessMm)
    {
        var look = CupLook.Of(on.Catalogue, on.Layer, cup);
        // A draft draws the line itself: what it covers is dear.
        if (!on.Full && !on.Wet && patch.Draft is { Line: { } line, WidthMm: var widthMm })
        {
            var from = on.Sheet.Paths.Count;
            on.Lay(PaintRole.Part, PathText.Open(Flat.Lines(line)), cup, look, thicknessMm, false, patch.Id.In(on.ZoneId));
            for (var i = from; i < on.Sheet.Paths.Count; i++)
            {
                on.Sheet.Paths[i] = on.Sheet.Paths[i] with { Fill = null, Stroke = on.Sheet.Paths[i].Fill, StrokeMm = widthMm };
            }

            return;
        }

        if (patch.Area.IsEmpty)
        {
            return;
        }

        var path = PathText.Straight(Flat.Rings(patch.Area));
        var (opacity, colour) = (Math.Round(look.Opacity(thicknessMm), 3), on.Sheet.Through ? look.Through(thicknessMm) : look.Colour);
        if (on.Wet)
        {
            on.Run(path, colour, opacity, patch.Id);
        }

        on.Lay(PaintRole.Part, path, cup, look, thicknessMm, false, patch.Id.In(on.ZoneId));
        if (on.Full && !on.Wet && !on.Sheet.Through && opacity > 0)
        {
            if (Metals.Have(cup.Colourant) && patch.Draft is { Line: { } middle, WidthMm: var across })
            {
                var course = PathText.Open(Flat.Lines(middle));
                foreach (var (share, lightness) in Metal)
                {
                    on.Sheet.Paths.Add(new(PaintRole.FineLine, course, null, Lab.Lighter(colour, lightness).ToHex(),
                        share * across, opacity, patch.Id.In(on.ZoneId), null));
                }
            }

            on.Sheet.Paths.Add(new(PaintRole.Edge, path, null, colour.Tone(-0.6).ToHex(), 0.4, opacity, patch.Id.In(on.ZoneId), null));
        }
    }

    /// <summary>A line of metal: shares of its width, from its edges to its middle, and how much lighter each is, L*.</summary>
    private static readonly ImmutableArray<(double Share, double Lightness)> Metal = [(1, -Painter.MetalDark),
        (0.66, 0), (0.34, Painter.MetalLight)];
}
