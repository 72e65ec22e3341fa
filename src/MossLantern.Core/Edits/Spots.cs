using System.Collections.Immutable;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>Places on a piece with an outline of their own: zones and what is kept.</summary>
internal static class Spots
{
    private const double LeastMm = 5;
    private const double LeastSliceMm = 20;
    private const double MostMm = 2900;
    private const double OvalShare = 0.7;

    private static readonly ImmutableArray<double> Reach = [0.95, 0.85, 0.97, 0.88, 0.94, 0.83, 0.96, 0.9];

    /// <summary>An outline of another shape in about the same place.</summary>
    public static (Outline Outline, double XMm, double YMm) Shaped(Outline outline, double xMm, double yMm, OutlineShape shape)
    {
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm;
        Outline to = shape switch
        {
            OutlineShape.Round => new RoundOutline(Rounded.Whole(Math.Sqrt(width * height))),
            OutlineShape.Slice => new SliceOutline(Math.Max(LeastSliceMm, width), Math.Max(LeastSliceMm, height), Reach, 2, 5),
            OutlineShape.Oval => new OvalOutline(width, Lower(outline)),
            _ => new RectangleOutline(width, Lower(outline)),
        };
        return Middled(outline, to, xMm, yMm);
    }

    /// <summary>An outline stretched to another size, its middle where it was.</summary>
    public static (Outline Outline, double XMm, double YMm) Stretched(Outline outline, double xMm, double yMm,
        double widthMm, double heightMm)
    {
        double Fit(double mm) => double.IsNaN(mm) ? LeastSliceMm
            : Math.Clamp(Rounded.Whole(mm), outline is SliceOutline ? LeastSliceMm : LeastMm, MostMm);
        Outline to = outline switch
        {
            RoundOutline round => round with { DiameterMm = Fit(widthMm) },
            RectangleOutline rectangle => rectangle with { WidthMm = Fit(widthMm), HeightMm = Fit(heightMm) },
            OvalOutline oval => oval with { WidthMm = Fit(widthMm), HeightMm = Fit(heightMm) },
            SliceOutline slice => slice with { WidthMm = Fit(widthMm), HeightMm = Fit(heightMm) },
            _ => outline,
        };
        return Middled(outline, to, xMm, yMm);
    }

    private static double Lower(Outline outline) =>
        outline is RoundOutline ? Rounded.Whole(outline.BoxHeightMm * OvalShare) : outline.BoxHeightMm;

    private static (Outline Outline, double XMm, double YMm) Middled(Outline was, Outline to, double xMm, double yMm) => (
        to, Rounded.Whole(xMm + (was.BoxWidthMm - to.BoxWidthMm) / 2), Rounded.Whole(yMm + (was.BoxHeightMm - to.BoxHeightMm) / 2));
}
