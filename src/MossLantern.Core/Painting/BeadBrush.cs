using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;

namespace MossLantern.Core.Painting;

/// <summary>Paints what stands up from a face: a light side and a shadow along a bead.</summary>
internal sealed class BeadBrush(LayerBrush on)
{
    /// <summary>How far from its middle the light and the shadow lie, and how wide they are, as shares of a bead's width.</summary>
    private const double Off = 0.18, Wide = 0.22, ShadowOff = 0.34, ShadowWide = 0.3;

    /// <summary>How much lighter and darker they are.</summary>
    private const double Lit = 0.65, Shaded = -0.7;

    /// <summary>How much of the light and of the shadow is seen.</summary>
    private const double LitShare = 0.8, ShadedShare = 0.35;

    /// <summary>Clear liner is hardly seen.</summary>
    private const double LinerSeen = 0.18;

    /// <summary>What walls look like, by what they are laid of.</summary>
    public static string ColourOf(BarrierClass? of) => of switch
    {
        BarrierClass.Putty => "#ddd6c6",
        BarrierClass.Silicone => "#e4e8e4",
        BarrierClass.HotGlue => "#ece2bf",
        BarrierClass.Liner => "#eef2ee",
        _ => "#efe7d6",
    };

    /// <summary>A wall through a layout, with its light and its shadow.</summary>
    public void Wall(Patch patch, BarrierClass? of)
    {
        if (patch.Draft is not { Line: { IsEmpty: false } course, WidthMm: var widthMm })
        {
            return;
        }

        var (colour, plain) = (Colour.Of(ColourOf(of)).Tone(on.Sheet.Through ? ThroughTone : 0), on.Full && !on.Wet && !on.Sheet.Through);
        on.Sheet.Paths.Add(on.Full
            ? new(PaintRole.Wall, PathText.Straight(Flat.Rings(patch.Area)), colour.ToHex(), plain ? colour.Tone(EdgeTone).ToHex() : null,
                EdgeMm, 1, patch.Id.In(on.ZoneId), on.Material(""))
            : new(PaintRole.Wall, PathText.Open(Flat.Lines(course)), null, colour.ToHex(), widthMm, 1, patch.Id.In(on.ZoneId), null));
        if (plain)
        {
            Light(course, widthMm, ColourOf(of), 1);
        }
    }

    /// <summary>How much darker walls are against the light, and at their edges; how wide that is drawn, mm.</summary>
    public const double ThroughTone = -0.85, EdgeTone = -0.6, EdgeMm = 0.4;

    /// <summary>A raised line, with its light and its shadow.</summary>
    public void Raised(Patch patch, ReliefLine relief)
    {
        if (patch.Draft is not { Line: { IsEmpty: false } course, WidthMm: var widthMm, Even: var even })
        {
            return;
        }

        var seen = relief.Class == BarrierClass.Liner ? LinerSeen : 1;
        var colour = Colour.Of(relief.Colour).Tone(on.Sheet.Through ? Shaded : 0).ToHex();
        on.Sheet.Paths.Add(even ? new(PaintRole.FineLine, PathText.Open(Flat.Lines(course)), null, colour, widthMm, seen, null, null)
            : new(PaintRole.FineLine, PathText.Straight(Flat.Rings(patch.Area)), colour, null, 0, seen, null, null));
        if (on.Full && !on.Sheet.Through && even)
        {
            Light(course, widthMm, relief.Colour, seen);
        }
    }

    /// <summary>The light side of a bead and its shadow: light comes from above on the left.</summary>
    public void Light(Geometry course, double widthMm, string colour, double seen)
    {
        var own = Colour.Of(colour);
        Stroke(ShadowOff, ShadowWide, own.Tone(Shaded), ShadedShare);
        Stroke(-Off, Wide, own.Tone(Lit), LitShare);

        void Stroke(double off, double wide, Colour tone, double share) => on.Sheet.Paths.Add(new(
            PaintRole.FineLine,
            PathText.Open(Flat.Lines(AffineTransformation.TranslationInstance(off * widthMm, off * widthMm).Transform(course))), null,
            tone.ToHex(), wide * widthMm, share * seen, null, null));
    }
}
