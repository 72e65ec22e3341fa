using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;
using MossLantern.Core.Materials;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using NetTopologySuite.LinearReferencing;

namespace MossLantern.Core.Painting;

/// <summary>Paints lines over what they are laid on.</summary>
internal sealed class LineBrush(LayerBrush on)
{
    /// <summary>Lines, the first lowest.</summary>
    public void Paint(ImmutableArray<Patch> lines)
    {
        foreach (var line in lines)
        {
            Effort.Check();
            var own = on.Layer.Lines.First(l => l.Id == line.Own!.LineId);
            if (own.Material is ReliefLine relief)
            {
                new BeadBrush(on).Raised(line, relief);
                continue;
            }

            if (own.Material is BarrierLine wall)
            {
                new BeadBrush(on).Wall(line, wall.Class);
                continue;
            }

            Paint(line, on.Cups[line.CupId!], line.Own!.ThicknessMm!.Value);
            if (own.Material is PasteLine paste && on.Full && line.Draft is { Line: { IsEmpty: false } course, Even: true })
            {
                Grains(paste, course, line.Own.WidthMm!.Value);
                new BeadBrush(on).Light(course, line.Own.WidthMm!.Value, PasteColour, PasteLit);
            }
        }
    }

    private const string PasteColour = "#b9b6a8";

    /// <summary>How much of light and shadow is seen on a paste.</summary>
    private const double PasteLit = 0.5;

    /// <summary>Most grains that are drawn of a line, and how far they are apart, as a share of its width.</summary>
    private const int MostGrains = 900;
    private const double GrainApart = 0.22, GrainWide = 0.2, GrainOff = 0.8;

    /// <summary>Granules that lie in a paste: some of each kind, as they look in resin.</summary>
    private void Grains(PasteLine paste, Geometry course, double widthMm)
    {
        var looks = paste.Granules.Select(g => WetStone.Of(on.Catalogue.Find(MaterialKind.Stone, g.StoneId)?.Like ?? g.StoneId))
            .OfType<WetStone>().ToList();
        if (looks.Count == 0)
        {
            return;
        }

        var along = new LengthIndexedLine(course);
        var count = (int)Math.Min(MostGrains, Math.Ceiling(course.Length / (GrainApart * widthMm)));
        var random = new SplitMix((ulong)count);
        var kinds = looks.Select(_ => new StringBuilder()).ToList();
        for (var i = 0; i < count; i++)
        {
            var at = along.ExtractPoint(course.Length * i / count, (random.Unit() - 0.5) * GrainOff * widthMm);
            var half = GrainWide * widthMm * (0.5 + random.Unit()) / 2;
            kinds[i % kinds.Count].Append(CultureInfo.InvariantCulture,
                $"M{at.X - half:0.##} {at.Y:0.##}L{at.X:0.##} {at.Y - half:0.##}L{at.X + half:0.##} {at.Y:0.##}L{at.X:0.##} {at.Y + half:0.##}Z");
        }

        foreach (var (look, path) in looks.Zip(kinds))
        {
            on.Sheet.Paths.Add(new(PaintRole.FineLine, path.ToString(), look.Dry, null, 0, 1, null, null));
        }
    }

    /// <summary>A line lies on what was poured, as thick as it is laid.</summary>
    private void Paint(Patch patch, Recipe cup, double thicknessMm)
    {
        var look = CupLook.Of(on.Catalogue, on.Layer, cup);
        // A draft draws the line itself: what it covers is dear.
        if (!on.Full && !on.Wet && patch.Draft is { Line: { } line, WidthMm: var widthMm, Even: true })
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
            if (Metals.Have(cup.Colourant) && patch.Draft is { Line: { } middle, WidthMm: var across, Even: true })
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
