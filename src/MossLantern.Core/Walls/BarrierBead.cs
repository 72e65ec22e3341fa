using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Walls;

/// <summary>What follows from the material of a wall or a dam: one function for every section, volume, mass and drying.</summary>
/// <remarks>Source: docs/craft/walls.md, What walls are laid of.</remarks>
public static class BarrierBead
{
    /// <summary>Putty, g/ml.</summary>
    public const double PuttyGPerMl = 1.7;

    /// <summary>Putty is at least so wide, mm, and a share of its height.</summary>
    public const double LeastPuttyMm = 6, PuttyShare = 1.0 / 3;

    /// <summary>A water-based bead dries to this share of its height.</summary>
    public const double DryShare = 0.65;

    /// <summary>This share of what is laid stays in its tube or bag besides.</summary>
    public const double StaysShare = 0.1;

    /// <summary>When resin may meet putty, a bead of silicone that has skinned, hot glue, and clear liner, h.</summary>
    public const double PuttyFirmHours = 3, SiliconeHoldsHours = 0.5, GlueHours = 2.0 / 60, LinerHours = 24;

    /// <summary>A bead of silicone of so many millimetres dries through in a day.</summary>
    public const double SiliconeMmADay = 3;

    /// <summary>What a tube of outliner or clear liner holds, ml.</summary>
    public const double TubeMl = 20;

    /// <summary>A careful hand draws so fast, mm/s.</summary>
    public const double HandMmPerS = 8;

    /// <summary>Whether it is laid of something with water in it, which dries away.</summary>
    public static bool IsWaterBased(BarrierClass of) => of is BarrierClass.Outliner or BarrierClass.Liner;

    /// <summary>Tubes for a volume, with what stays in them; null for what comes from none.</summary>
    public static Reckoned? Tubes(BarrierClass of, double ml) => !IsWaterBased(of) ? null
        : Reckoned.Of(ml * (1 + StaysShare) / TubeMl, "tubes", Formulas.LineTubes,
        new("volume", ml, "ml", Origin.Reckoned), new("stays in the tube", StaysShare, "", Origin.Default),
        new("a tube", TubeMl, "ml", Origin.Default));

    /// <summary>Mass of what is mixed by weight, of a volume; null for what is not.</summary>
    public static Reckoned? Grams(BarrierClass of, double ml) => of != BarrierClass.Putty ? null
        : Reckoned.Of(ml * PuttyGPerMl, "g", Formulas.LineGrams,
            new("volume", ml, "ml", Origin.Reckoned), new("density", PuttyGPerMl, "g/ml", Origin.Default));

    /// <summary>When silicone has dried through and peels; null for all else.</summary>
    /// <param name="of">Of what it is.</param>
    /// <param name="width">Its width, mm.</param>
    /// <param name="height">Its height, mm.</param>
    public static Reckoned? Peels(BarrierClass of, ReckonedInput width, ReckonedInput height)
    {
        ArgumentNullException.ThrowIfNull(width);
        ArgumentNullException.ThrowIfNull(height);
        return of != BarrierClass.Silicone ? null : Reckoned.Of(PeelsHours(width.Value, height.Value), "h", Formulas.LinePeels,
            height, width, new("a day dries", SiliconeMmADay, "mm", Origin.Default));
    }

    /// <summary>How wide a bead of a height is laid, mm.</summary>
    public static double WidthMm(BarrierClass of, double heightMm) => Math.Max(LeastWidthMm(of), WidthShare(of) * heightMm);

    /// <summary>How wide a bead is, as a share of its height.</summary>
    public static double WidthShare(BarrierClass of) => of switch
    {
        BarrierClass.Putty => PuttyShare,
        BarrierClass.Silicone or BarrierClass.HotGlue => Bead.SiliconeWidthMm(1),
        _ => Bead.OutlinerWidthMm(1),
    };

    /// <summary>How wide it is at least, mm.</summary>
    public static double LeastWidthMm(BarrierClass of) => of == BarrierClass.Putty ? LeastPuttyMm : 0;

    /// <summary>Its cross-section, mm²: putty is a rectangle, all else half an ellipse.</summary>
    public static double SectionMm2(BarrierClass of, double widthMm, double heightMm) =>
        of == BarrierClass.Putty ? LineSection.FlatMm2(widthMm, heightMm) : LineSection.HalfRoundMm2(widthMm, heightMm);

    /// <summary>To what height it holds resin, mm: what has water in it by what is left when it is dry.</summary>
    public static double HoldsMm(BarrierClass of, double heightMm) => IsWaterBased(of) ? DryShare * heightMm : heightMm;

    /// <summary>How high it has to be laid to hold resin to a height, mm.</summary>
    public static double LaidMm(BarrierClass of, double holdsMm) => IsWaterBased(of) ? holdsMm / DryShare : holdsMm;

    /// <summary>How long it dries until resin may meet it, h.</summary>
    public static double ReadyHours(BarrierClass of, double heightMm) => of switch
    {
        BarrierClass.Putty => PuttyFirmHours,
        BarrierClass.Silicone => SiliconeHoldsHours,
        BarrierClass.HotGlue => GlueHours,
        BarrierClass.Liner => LinerHours,
        _ => Bead.DryHours(heightMm),
    };

    /// <summary>How long silicone dries through until it peels, h.</summary>
    public static double PeelsHours(double widthMm, double heightMm) => 24 * Math.Min(heightMm, widthMm / 2) / SiliconeMmADay;
}
