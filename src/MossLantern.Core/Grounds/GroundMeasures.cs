using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>Measures of a ground: how large it is, how it stands, and what has to be done to it.</summary>
/// <remarks>Source: docs/craft/grounds.md and docs/craft/shapes.md.</remarks>
public static class GroundMeasures
{
    /// <summary>The measures of a piece's ground, its parts and what lies beneath it left out.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layers">The resin of each of its layers, lowest first.</param>
    /// <param name="areaCm2">What the first layer pours from each of its cups, cm².</param>
    /// <param name="around">What it is worked out in.</param>
    public static GroundPlan Of(Piece piece, ImmutableArray<LayerLoad> layers,
        IReadOnlyDictionary<string, double> areaCm2, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var ground = piece.Ground;
        var (outline, whole) = (ground.Outline, ground.Whole);
        var size = outline is RoundOutline round
            ? [new ReckonedInput("diameter", round.DiameterMm, "mm", Origin.Own, "ground.outline.diameterMm")]
            : outline is SliceOutline slice ? SliceInputs(slice)
            : outline is DrawnOutline drawn
                ? [.. drawn.Parts.Select((p, i) => new ReckonedInput($"part {i + 1}", p.AreaMm2 / 100, "cm²", Origin.Own))]
            : ImmutableArray.Create(
                new ReckonedInput("width", outline.BoxWidthMm, "mm", Origin.Own, "ground.outline.widthMm"),
                new ReckonedInput("height", outline.BoxHeightMm, "mm", Origin.Own, "ground.outline.heightMm"));
        size = ground.Set is { } set ? size.Add(new("panels", set.Count, "", Origin.Own, "ground.set.count")) : size;
        var (areaOf, perimeterOf) = outline switch
        {
            { OpeningOf: not null } => (Formulas.ShapeArea, Formulas.ShapePerimeter),
            RectangleOutline => (Formulas.OutlineArea, Formulas.OutlinePerimeter),
            RoundOutline => (Formulas.RoundArea, Formulas.RoundPerimeter),
            OvalOutline => (Formulas.OvalArea, Formulas.ShapePerimeter),
            _ => (Formulas.ShapeArea, Formulas.ShapePerimeter),
        };
        var span = SpanOf(whole);
        return new(
            whole.BoxWidthMm,
            whole.BoxHeightMm,
            new(whole.AreaMm2 / 100, "cm²", areaOf, size),
            new(whole.PerimeterMm, "mm", perimeterOf, size),
            Reckoned.Of(whole.PerimeterMm * ground.SideHeightMm / 100, "cm²", Formulas.SideArea,
                new("perimeter", whole.PerimeterMm, "mm", Origin.Reckoned),
                new("side height", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm")),
            Standing.Of(piece, layers, around.Catalogue),
            Preparation.Of(ground, around),
            ground is
            {
                Old: null, Base.Material: BaseMaterial.BirchPly or BaseMaterial.Mdf or BaseMaterial.Pine
                or BaseMaterial.CradledPanel
            } ? Preparation.SealWays(ground, around.Catalogue) : [],
            Preparation.PaintZones(ground, piece.Filled[0], areaCm2),
            [],
            MouldPlan.Of(piece),
            [],
            span.WidthMm,
            span.HeightMm,
            ground.Set is { } several ? [.. Enumerable.Range(2, several.Count - 1)
                .Select(p => new PanelStanding(p, Standing.Of(piece, layers, around.Catalogue, p)))] : null)
        { Edges = EdgeHold.Of(piece) };
    }

    /// <summary>How wide and high an outline really is: a slice's curve seldom reaches its box.</summary>
    private static (double WidthMm, double HeightMm) SpanOf(Outline outline)
    {
        var (xs, ys) = (outline.Rings.SelectMany(r => r.Xs.ToArray()).ToList(), outline.Rings.SelectMany(r => r.Ys.ToArray()).ToList());
        return (xs.Max() - xs.Min(), ys.Max() - ys.Min());
    }

    private static ImmutableArray<ReckonedInput> SliceInputs(SliceOutline slice) =>
    [
        new("width", slice.WidthMm, "mm", Origin.Own, "ground.outline.widthMm"),
        new("height", slice.HeightMm, "mm", Origin.Own, "ground.outline.heightMm"),
        new("handles", slice.Reach.Length, "", Origin.Own),
        new("wobble", slice.WobbleMm, "mm", Origin.Own, "ground.outline.wobbleMm"),
        .. slice.Rings.Skip(1).Select(r => new ReckonedInput("opening", -r.SignedAreaMm2 / 100, "cm²", Origin.Reckoned)),
    ];
}
