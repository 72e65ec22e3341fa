using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Walls;

/// <summary>The dam all round a slice, which is as high as its sides are to be.</summary>
/// <param name="Of">Of what; null where nobody has said.</param>
/// <param name="Length">How long it is.</param>
/// <param name="Width">How wide it is laid; null while it is not known of what.</param>
/// <param name="Ml">What it takes.</param>
/// <param name="Grams">Its mass, of putty.</param>
/// <param name="Tubes">Tubes for it, where it comes from tubes.</param>
/// <param name="Peels">When silicone has dried through and peels, h.</param>
/// <remarks>Source: docs/craft/walls.md, A dam all round.</remarks>
public sealed record DamPlan(
    BarrierClass? Of, Reckoned Length, Reckoned? Width, Reckoned? Ml, Reckoned? Grams, Reckoned? Tubes, Reckoned? Peels)
{
    /// <summary>The dam of a piece; null where it has none.</summary>
    public static DamPlan? For(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var ground = piece.Ground;
        if (ground is not { Mould: null, Edge: EdgeStyle.Walled, Base.Kind: PieceKind.Slice, SideHeightMm: > 0 })
        {
            return null;
        }

        var (mm, high) = (ground.Boards * ground.Outline.PerimeterMm, ground.SideHeightMm);
        ReckonedInput length = new("length", mm, "mm", Origin.Reckoned),
        height = new("height", high, "mm", Origin.Own, "ground.sideHeightMm");
        var along = Reckoned.Of(mm, "mm", Formulas.LineLength, new ReckonedInput("its course", mm, "mm", Origin.Reckoned));
        if (ground.DamOf is not { } of)
        {
            return new(null, along, null, null, null, null, null);
        }

        var wide = BarrierBead.WidthMm(of, high);
        var section = BarrierBead.SectionMm2(of, wide, high);
        var ml = Bead.VolumeMl(mm, section);
        return new(
            of, along,
            Reckoned.Of(wide, "mm", Formulas.DamWidth, height,
                new("share", BarrierBead.WidthShare(of), "", Origin.Default),
                new("at least", BarrierBead.LeastWidthMm(of), "mm", Origin.Default)),
            Reckoned.Of(ml, "ml", Formulas.LineMl, length, new("section", section, "mm²", Origin.Reckoned)),
            BarrierBead.Grams(of, ml), BarrierBead.Tubes(of, ml),
            BarrierBead.Peels(of, new("width", wide, "mm", Origin.Reckoned), height));
    }
}
