using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>How interference and colour-shift flakes look at an angle, over light and over dark.</summary>
/// <remarks>Source: docs/craft/map.md, At an angle. Its constants are ours: nobody has measured them.</remarks>
public static class Shimmer
{
    /// <summary>The most that a piece is tilted to be looked at, degrees from straight above.</summary>
    public const double MostDeg = 75;

    /// <summary>The angles that a colour is told at, degrees from straight above.</summary>
    public static readonly ImmutableArray<double> AnglesDeg = [0, 15, 30, 45, 60, 75];

    /// <summary>How much slower light is in the film of a flake.</summary>
    public const double FilmIndex = 1.6;

    /// <summary>The most of the light that flakes send back, and how soon, per % and mm.</summary>
    public const double MostShare = 0.6, SharePerPercentMm = 0.35;

    /// <summary>Flakes shine brighter than what they lie over where the light falls right, and hardly from the side.</summary>
    public const double Brightest = 1.6, Faintest = 0.3;

    /// <summary>Hues along the spectrum, as waves of nm and as angles in CIELAB: below the shortest it begins again
    /// with the next order.</summary>
    private static readonly ImmutableArray<(double Nm, double HueDeg)> Spectrum =
        [(380, 380), (400, 345), (445, 305), (470, 275), (490, 205), (520, 150), (550, 130), (575, 100), (590, 75), (620, 42), (700, 20)];

    /// <summary>The share of the light that flakes send back; 0 for none, never more than <see cref="MostShare"/>.</summary>
    /// <param name="depthMm">Depth, mm.</param>
    /// <param name="loadPercent">Their load, % of the resin by weight.</param>
    public static double Share(double depthMm, double loadPercent) =>
        MostShare * (1 - Math.Exp(-SharePerPercentMm * depthMm * loadPercent));

    /// <summary>How much shorter the wave is that a film sends back at an angle, as a factor; 1 from straight above.</summary>
    /// <param name="deg">Degrees from straight above, on either side.</param>
    public static double WaveFactor(double deg)
    {
        var slant = Math.Sin(deg * Math.PI / 180) / FilmIndex;
        return Math.Sqrt(1 - slant * slant);
    }

    /// <summary>The colour that flakes send back at an angle: of the hue of a shorter wave. What has no hue stays as it is.</summary>
    /// <param name="faceOn">Their colour from straight above.</param>
    /// <param name="deg">Degrees from straight above, on either side.</param>
    public static Colour Reflected(Colour faceOn, double deg)
    {
        var lab = Lab.Of(faceOn);
        var hue = (Math.Atan2(lab.B, lab.A) * 180 / Math.PI + 340) % 360 + 20;
        var (shortest, longest) = (Spectrum[0].Nm, Spectrum[^1].Nm);
        var nm = Between(hue, s => s.HueDeg, s => s.Nm) * WaveFactor(deg);
        var to = Between(nm < shortest ? nm + longest - shortest : nm, s => s.Nm, s => s.HueDeg) * Math.PI / 180;
        var (r, g, b) = (lab with { A = lab.Chroma * Math.Cos(to), B = lab.Chroma * Math.Sin(to) }).ToColour();
        return new(Math.Clamp(r, 0, 1), Math.Clamp(g, 0, 1), Math.Clamp(b, 0, 1));
    }

    /// <summary>What is seen of flakes over a colour: what they send back, and what comes through them from below and back again.</summary>
    /// <param name="faceOn">Their colour from straight above.</param>
    /// <param name="below">What lies below.</param>
    /// <param name="share">The share of the light that they send back, 0 to 1.</param>
    /// <param name="deg">Degrees from straight above, on either side.</param>
    public static Colour Seen(Colour faceOn, Colour below, double share, double deg)
    {
        var sent = Reflected(faceOn, deg);
        var fall = Math.Pow(Math.Cos(deg * Math.PI / 180), 4);
        var glint = Faintest + (Brightest - Faintest) * fall;
        return new(Channel(below.R, sent.R), Channel(below.G, sent.G), Channel(below.B, sent.B));

        double Channel(double under, double own) => Math.Clamp(under * (1 - share * own) * (1 - share * own) + share * glint * own, 0, 1);
    }

    /// <summary>A value read off the spectrum, in between by parts.</summary>
    private static double Between(double at, Func<(double Nm, double HueDeg), double> from, Func<(double Nm, double HueDeg), double> to)
    {
        for (var i = 1; i < Spectrum.Length; i++)
        {
            var (a, b) = (from(Spectrum[i - 1]), from(Spectrum[i]));
            if (Math.Min(a, b) <= at && at <= Math.Max(a, b))
            {
                return to(Spectrum[i - 1]) + (to(Spectrum[i]) - to(Spectrum[i - 1])) * (at - a) / (b - a);
            }
        }

        return to(at < Math.Min(from(Spectrum[0]), from(Spectrum[^1])) == from(Spectrum[0]) < from(Spectrum[^1])
            ? Spectrum[0] : Spectrum[^1]);
    }
}
