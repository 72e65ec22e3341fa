using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Bases as they are, and openings in every plain outline.</summary>
public class BaseTests
{
    private static readonly PiecePlanner Planner = new(new());

    private static PiecePlan Plan(Ground ground) =>
        Planner.Plan(Samples.Piece(ground, Samples.Layer(Samples.Heart(150, 100, 30, 24), 10, 0)), [], DateTimeZone.Utc);

    private static Ground On(BaseMaterial material, PieceKind kind = PieceKind.Panel, double? thickness = null) =>
        Samples.Panel(400, 300) with { Base = new(kind, material, thickness) };

    private static string[] Steps(Ground ground) => [.. Preparation.Of(ground, Surroundings.Usual(DateTimeZone.Utc)).Select(s => s.Id)];

    [Fact]
    public void A_casting_sheet_is_neither_roughened_nor_painted_nor_weighed()
    {
        var ground = On(BaseMaterial.CastingSheet, PieceKind.Slice);
        Assert.Equal(["sheet", "release", "dam", "water", "level", "cover"], Steps(ground));
        var standing = Plan(ground).Ground.Standing;
        Assert.Equal(0, standing.BaseMass!.Value);
        Assert.Null(standing.Sag);
        Assert.Null(Look.Hidden(Samples.Piece(ground, Samples.Layer(null, 0))));
    }

    [Fact]
    public void A_metal_rim_is_neither_sanded_nor_sealed_and_its_weight_is_not_known()
    {
        var ground = On(BaseMaterial.MetalRim, PieceKind.Frame);
        Assert.Equal(["degrease", "back-tape", "caulk", "water", "level", "cover"], Steps(ground));
        Assert.Null(Plan(ground).Ground.Standing.BaseMass);
    }

    [Fact]
    public void A_finished_painting_is_neither_sanded_nor_painted_over()
    {
        Assert.Equal(["dust", "seal-painting", "back", "level", "cover"], Steps(On(BaseMaterial.Painting)));
        Assert.Equal(400 * 300 * 0.3 / 1000, Preparation.Of(On(BaseMaterial.Painting),
            Surroundings.Usual(DateTimeZone.Utc)).Single(s => s.Id == "seal-painting").Amount!.Value, 1e-9);
    }

    [Fact]
    public void A_canvas_is_sealed_and_its_back_stiffened() =>
        Assert.Equal(["stiffen", "seal", "back", "level", "cover"], Steps(On(BaseMaterial.Canvas)));

    [Fact]
    public void A_cradled_panel_is_a_face_on_bars()
    {
        // A face of 4 mm ply on bars of 18 mm that fill sides of 40 mm.
        var ground = On(BaseMaterial.CradledPanel, thickness: 4);
        Assert.Equal(["sand", "seal", "back", "level", "cover"], Steps(ground));
        var plan = Plan(ground).Ground;
        Assert.Equal((0.12 * 0.004 * 680) + (1.4 * 0.018 * 0.036 * 500), plan.Standing.BaseMass!.Value, 1e-9);
        Assert.Equal(300 - 36, plan.Standing.Span.Value, 1e-9);
        Assert.NotEmpty(plan.SealWays);
        var wide = Plan(ground with { Base = ground.Base! with { BarWidthMm = 40 } }).Ground.Standing;
        Assert.Equal(220, wide.Span.Value, 1e-9);
        Assert.True(wide.BaseMass!.Value > plan.Standing.BaseMass.Value);
        Assert.Null(Plan(On(BaseMaterial.CradledPanel)).Ground.Standing.BaseMass);
    }

    [Fact]
    public void An_opening_in_any_plain_outline_takes_its_area_and_adds_its_rim() =>
        (from shape in Gen.Int[0, 2]
         from width in Gen.Double[120, 900]
         from height in Gen.Double[120, 900]
         from share in Gen.Double[0.1, 0.35]
         select (shape, width, height, share)).Sample(
            s =>
            {
                Outline plain = s.shape switch
                {
                    0 => new RectangleOutline(s.width, s.height),
                    1 => new RoundOutline(s.width),
                    _ => new OvalOutline(s.width, s.height)
                };
                var opening = new Opening(plain.BoxWidthMm / 2, plain.BoxHeightMm / 2, plain.BoxWidthMm * s.share,
                    plain.BoxHeightMm * s.share);
                var opened = plain.Opened(opening);
                Assert.True(opened.OpeningFits(SliceOutline.LeastRimMm));
                Assert.Equal(plain.AreaMm2 - Math.PI * opening.WidthMm * opening.HeightMm / 4, opened.AreaMm2, 2e-4 * plain.AreaMm2);
                Assert.Equal(opened.AreaMm2, opened.Rings.Sum(r => r.SignedAreaMm2), 1e-3);
                Assert.Equal(2, opened.Chords(plain.BoxHeightMm / 2).Length);
                Assert.True(opened.PerimeterMm > plain.PerimeterMm);

                // Bands and all ways of laying out leave it free.
                var piece = Samples.Piece(Samples.Panel() with { Outline = opened },
                    Samples.Layer(Samples.Heart(s.width / 5, s.height / 3, 30, 20), 12, 0));
                var map = new LayerMapper().Map(piece, piece.Filled[0]);
                Assert.Equal(opened.AreaMm2, map.Regions.Sum(r => r.AreaMm2), 1e-4 * opened.AreaMm2);
                Assert.Empty(new PieceValidator().Validate(piece).Errors);
            },
            iter: 60);

    [Theory]
    [InlineData(30, 100, false)]
    [InlineData(34.5, 100, false)]
    [InlineData(35.5, 100, true)]
    [InlineData(150, 100, true)]
    public void An_opening_stays_five_millimetres_from_the_rim(double x, double y, bool fits)
    {
        var ground = Samples.Panel(300, 200) with { Outline = new RectangleOutline(300, 200, new(x, y, 60, 40)) };
        var errors = new PieceValidator().Validate(Samples.Piece(ground, Samples.Layer(null, 0))).Errors;
        Assert.Equal(fits, errors.Count == 0);
        Assert.All(errors, e => Assert.Equal("ground.outline.opening", e.PropertyName));
    }

    [Fact]
    public void An_opening_goes_with_another_shape_and_with_a_rim_that_grows()
    {
        var ground = Rework.OverUnknown(Samples.Panel(300, 200) with { Outline = new RectangleOutline(300, 200, new(150, 100, 60, 40)) });
        Assert.Equal(new Opening(150, 100, 60, 40), Becoming.Shaped(ground.Outline, OutlineShape.Oval).OpeningOf);
        Assert.Equal(new Opening(170, 120, 60, 40), Rework.Grown(ground, 20).Outline.OpeningOf);
        Assert.Null(Becoming.Opened(ground.Outline, false).OpeningOf);
        Assert.NotNull(Becoming.Opened(new RoundOutline(120), true).OpeningOf);
    }
}
