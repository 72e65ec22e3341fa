using MossLantern.Core.Materials;
using MossLantern.Core.Stones;

namespace MossLantern.Core.Mixing;

/// <summary>Rubber for a mould: what the box holds round the master, with what is lost.</summary>
/// <param name="Ml">Rubber, ml.</param>
/// <param name="G">The same, g.</param>
/// <param name="FirstG">Its first part, g.</param>
/// <param name="SecondG">Its second part, g.</param>
/// <remarks>Source: docs/craft/mixing.md, Other two-part materials.</remarks>
public sealed record MouldRubber(double Ml, double G, double FirstG, double SecondG)
{
    /// <summary>Works it out. A master that takes up all of its box leaves no room for rubber, and gives nothing or
    /// less: who asks refuses.</summary>
    /// <param name="rubber">The rubber: its ratio is by weight.</param>
    /// <param name="boxMl">What the box holds, ml.</param>
    /// <param name="masterMl">What the master takes up in it, ml.</param>
    /// <param name="lossShare">Share that is lost on the way.</param>
    public static MouldRubber Of(Material rubber, double boxMl, double masterMl, double lossShare = Casting.LossShare)
    {
        ArgumentNullException.ThrowIfNull(rubber);
        var ml = (boxMl - masterMl) * (1 + lossShare);
        var g = ml * rubber[MaterialProperties.Density];
        var first = g * rubber[MaterialProperties.RatioResin] / (rubber[MaterialProperties.RatioResin]
            + rubber[MaterialProperties.RatioHardener]);
        return new(ml, g, first, g - first);
    }
}

/// <summary>Paste of stones, granules or sand with as little resin as holds its shape, for a line that is piped.</summary>
/// <param name="SectionMm2">Section of the line, mm².</param>
/// <param name="Ml">Paste, ml.</param>
/// <param name="StonesG">Stones in it, g.</param>
/// <param name="BinderMl">Resin in it, ml.</param>
/// <remarks>Source: docs/craft/mixing.md, Pastes.</remarks>
public sealed record PasteMix(double SectionMm2, double Ml, double StonesG, double BinderMl)
{
    /// <summary>Works it out. A line of no length or no section takes nothing.</summary>
    /// <param name="lengthMm">Length of the line, mm.</param>
    /// <param name="widthMm">Its width, mm.</param>
    /// <param name="heightMm">Its height, mm.</param>
    /// <param name="bulkDensity">Density of the heap of stones, g/ml.</param>
    /// <param name="solidsShare">Share of the heap that is stone.</param>
    public static PasteMix Of(double lengthMm, double widthMm, double heightMm, double bulkDensity, double solidsShare)
    {
        var section = Walls.Bead.SectionMm2(heightMm, widthMm);
        var ml = Walls.Bead.VolumeMl(lengthMm, section);
        var bed = StoneBed.Of(ml * 1000, 1, bulkDensity, bulkDensity / Math.Max(solidsShare, double.Epsilon), solidsShare);
        return new(section, ml, bed.Grams, bed.VoidMl * Walls.Paste.VoidsFilled(Documents.PasteStiffness.Holds));
    }
}
