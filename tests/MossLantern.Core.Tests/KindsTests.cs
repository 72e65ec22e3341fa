using CsCheck;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Sets of panels, letters of different depth, moulds with inserts, older work: what each kind of piece adds up to.</summary>
public class KindsTests
{
    private const string TwoLetters = "M0 0L60 0L60 80L0 80ZM100 0L150 0L150 80L100 80ZM110 20L110 60L140 60L140 20Z";

    private static readonly LayerMapper Mapper = new();

    private static readonly PiecePlanner Planner = new(Mapper);

    /// <summary>A slice or a panel in a set, its hearts anywhere.</summary>
    private static readonly Gen<Piece> AnySet =
        from outline in Samples.AnyOutline
        from count in Gen.Int[2, 4]
        from gap in Gen.Double[0, 60]
        from mirrored in Gen.Bool
        from x in Gen.Double[0.1, 0.9]
        select Samples.Piece(
            new Ground(outline, EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Slice, BaseMaterial.Mdf), Set: new(count, gap, mirrored)),
            Samples.Layer(Samples.Heart(outline.BoxWidthMm * x, outline.BoxHeightMm * 0.4, 30, 24, 4), 7, 0, 5));

    /// <summary>An oval tray with two inserts, as deep as it likes.</summary>
    private static readonly Gen<Piece> AnyNested =
        from width in Gen.Double[200, 600]
        from height in Gen.Double[160, 400]
        from depth in Gen.Double[8, 30]
        from keep in Gen.Double[0, 3]
        from floor in Gen.Double[0, 3]
        from water in Gen.Bool
        let layer = Samples.Layer(Samples.Heart(width / 2, height / 2, 30, 30), 9, 0, 6) with { DepthMm = depth - keep }
        select Filled(Samples.Piece(
            Tray(new OvalOutline(width, height), new(depth, water ? CapacityFrom.Water : CapacityFrom.Dimensions,
                water ? 0.9 * Math.PI * width * height / 4 * depth / 1000 : null, 3, 2, keep,
                Inserts: [
                    new("a", "left pool", new RoundOutline(height / 5), width * 0.2, height * 0.4, floor, 0),
                    new("b", "right pool", new RectangleOutline(width / 6, height / 6), width * 0.6, height * 0.4, 0, 0),
                ])),
            layer));

    [Fact]
    public void Turned_over_twice_a_panel_is_itself() =>
        Samples.AnyOutline.Sample(outline =>
        {
            var over = new PanelCopy(outline.BoxWidthMm, true);
            foreach (var ring in outline.Rings)
            {
                var twice = over.Of(over.Of(ring));
                Assert.Equal(ring.Xs.ToArray(), twice.Xs.ToArray(), (a, b) => Math.Abs(a - b) < 1e-9);
                Assert.Equal(ring.Ys.ToArray(), twice.Ys.ToArray());
                Assert.Equal(ring.SignedAreaMm2, over.Of(ring).SignedAreaMm2, 1e-6);
            }
        });

    [Fact]
    public void A_set_is_as_large_as_its_panels_and_lies_in_its_box() =>
        AnySet.Sample(piece =>
        {
            var panels = piece.Ground.Panels!;
            Assert.Equal(panels.AreaMm2, panels.Rings.Sum(r => r.SignedAreaMm2), panels.AreaMm2 * 1e-4);

            // The polygon of a round reaches a hair beyond it.
            Assert.All(panels.Rings, r => Assert.InRange(r.Xs.ToArray().Min(), -0.01, panels.BoxWidthMm));
            Assert.All(panels.Rings, r => Assert.InRange(r.Xs.ToArray().Max(), 0, panels.BoxWidthMm + 0.01));
            Assert.Equal(piece.Ground.Set!.Count * piece.Ground.Outline.AreaMm2, panels.AreaMm2, 1e-6);
        });

    [Trait("Pace", "long")]
    [Fact]
    public void Every_set_is_divided_without_rest_and_its_cups_are_for_all_panels() =>
        AnySet.Sample(
            piece =>
            {
                Assert.Empty(new PieceValidator().Validate(piece).Errors);
                var plan = Plan(piece);
                var ml = plan.Layers[0].Cups.Regions.Sum(r => r.LayerMl.Value);
                Assert.Equal(Volume.Ml(piece.Ground.Whole.AreaMm2, 3), ml, ml * 1e-3);
                Assert.Equal(piece.Ground.MapOutline.AreaMm2 / 100, plan.Layers[0].Regions.Sum(r => r.Area.Value),
                    plan.Ground.Area.Value * 1e-3);
                Assert.Equal((plan.Ground.WidthMm, plan.Ground.HeightMm), (piece.Ground.Whole.BoxWidthMm, piece.Ground.Whole.BoxHeightMm));

                // Each panel weighs the same, however its resin was counted.
                Assert.Equal(Volume.Ml(piece.Ground.Outline.AreaMm2, 3) * 1.065 / 1000, Mass(piece), 2e-4);
            },
            iter: 60);

    [Fact]
    public void Mirrored_panels_are_cut_alike_from_the_seam_outward()
    {
        var pair = Samples.Piece(
            Samples.Panel(300, 500) with { Set = new(2, 20, true) }, Samples.Layer(Samples.Heart(300, 220), 12, 6, 0));
        var cut = Plan(pair).Layers[0].Cut;
        Assert.Equal(cut.Select(s => s.RegionId), cut.Reverse().Select(s => s.RegionId));
        Assert.Equal(cut.Select(s => s.FromMm), cut.Reverse().Select(s => 620 - s.ToMm), (a, b) => Math.Abs(a - b) < 1e-9);

        // A heart on the seam is cut by both panels.
        Assert.Equal(RegionId.Heart, cut.Single(s => s.FromMm < 299 && s.ToMm > 299).RegionId);
        Assert.Equal(2, cut.Count(s => s.RegionId == RegionId.Heart));
    }

    [Fact]
    public void Bands_run_on_across_the_gap_and_every_panel_has_its_part()
    {
        var layer = Samples.Layer(Samples.Heart(310, 220, 120, 90), 12, 6, 0);
        var triptych = Samples.Piece(Samples.Panel(300, 500) with { Set = new(3, 20, false) }, layer);
        var regions = Plan(triptych).Layers[0].Regions;
        var perPanel = triptych.Ground.Panels!.Copies
            .Select(c => Mapper.AreasWithin(triptych, layer, new PlacedOutline(triptych.Ground.Outline, c.FromMm, 0))).ToList();
        Assert.All(perPanel, areas => Assert.Equal(150_000, areas.Sum(), 1));
        for (var k = 0; k < regions.Length; k++)
        {
            Assert.Equal(regions[k].Area.Value * 100, perPanel.Sum(p => p[k]), 1);
        }

        // The heart reaches over the first gap, and not as far as the third panel.
        Assert.True(perPanel[0][0] > 100 && perPanel[1][0] > 100 && perPanel[2][0] == 0);
    }

    [Fact]
    public void Only_panels_and_slices_come_in_sets()
    {
        foreach (var kind in Enum.GetValues<PieceKind>())
        {
            var ground = Becoming.OfKind(Samples.Panel() with { Set = new(2, 10, true) }, kind);
            Assert.Equal(kind is PieceKind.Panel or PieceKind.Slice, ground.Set is not null);
        }

        var frame = Samples.Panel() with { Base = new(PieceKind.Frame, BaseMaterial.Mdf), Set = new(2, 10, true) };
        Assert.Contains(Errors(Samples.Piece(frame, Samples.Layer(null, 0))), e => e == "Only panels and slices come in sets.");
    }

    [Fact]
    public void Each_letter_has_its_own_depth_and_the_cups_follow()
    {
        var layer = Samples.Layer(Samples.Heart(30, 40, 20, 20, 3), 8, 0) with { DepthMm = 4, PartDepths = [new(2, 6.5)] };
        var sign = Samples.Piece(Letters(), layer);
        Assert.Empty(Errors(sign));
        var plan = Plan(sign);
        Assert.Equal([4.0], plan.Ground.Parts[0].LayerDepthMm);
        Assert.Equal([6.5], plan.Ground.Parts[1].LayerDepthMm);
        Assert.Equal(60 * 80 * 4 / 1000.0, plan.Ground.Parts[0].LayerMl[0].Value, 1e-9);
        Assert.Equal((50 * 80 - 30 * 40) * 6.5 / 1000, plan.Ground.Parts[1].LayerMl[0].Value, 1e-9);
        Assert.Equal(plan.Ground.Parts.Sum(p => p.LayerMl[0].Value), plan.Layers[0].Cups.Regions.Sum(r => r.LayerMl.Value), 1e-3);

        // The field that fills the rest lies in both letters and says so.
        var field = plan.Layers[0].Cups.Regions.Single(r => r.RegionId == "b2").LayerMl;
        Assert.Equal(6.5, field.Input("depth in part 2").Value);
        Assert.Equal(4, field.Input("depth in the other parts").Value);
        Assert.Equal(field.Value,
            (field.Input("area in part 2").Value * 6.5 + field.Input("area in the other parts").Value * 4) / 10, 1e-9);
    }

    [Theory]
    [InlineData(0, 4)]
    [InlineData(3, 4)]
    [InlineData(2, 0)]
    public void A_part_that_is_not_there_or_has_no_depth_is_refused(int part, double depth) =>
        Assert.NotEmpty(Errors(Samples.Piece(Letters(), Samples.Layer(null, 0) with { PartDepths = [new(part, depth)] })));

    [Fact]
    public void Different_cavities_of_one_mould_have_their_own_room()
    {
        var ground = Letters() with
        {
            Base = new(PieceKind.Casting, BaseMaterial.Silicone),
            Mould = new(10, CapacityFrom.Dimensions, null, 1, 1, 1, CavityDepths: [new(2, 18)]),
        };
        var piece = Samples.Piece(ground, Samples.Layer(null, 0) with { DepthMm = 9, PartDepths = [new(2, 17.5)] });
        Assert.Empty(Errors(piece));
        var mould = Plan(piece).Ground.Mould!;
        Assert.Equal((4800 * 10 + 2800 * 18) / 1000.0, mould.Capacity.Value, 1e-9);

        // 10 − 1 − 9 = 0 in the first, 18 − 1 − 17.5 = −0.5 in the second.
        Assert.Equal(-0.5, mould.Room.Value, 1e-9);
    }

    [Trait("Pace", "long")]
    [Fact]
    public void Inserts_and_body_together_are_what_the_mould_holds() =>
        AnyNested.Sample(
            piece =>
            {
                Assert.Empty(new PieceValidator().Validate(piece).Errors);
                var (mould, holds) = (piece.Ground.Mould!, piece.Ground.Mould!.Holds(piece.Ground.Outline));
                var plan = Plan(piece);
                var kept = Volume.Ml(piece.Ground.Outline.AreaMm2, mould.KeepMm) * holds;
                var body = plan.Layers[0].Cups.Regions.Sum(r => r.LayerMl.Value) / piece.Ground.AtOnce;
                var hollows = plan.Layers.Skip(1).Sum(l => l.Cups.Regions.Sum(r => r.LayerMl.Value)) / piece.Ground.AtOnce;
                Assert.Equal(plan.Ground.Mould!.Capacity.Value - kept, body + hollows, plan.Ground.Mould.Capacity.Value * 1e-3);
                Assert.Equal(plan.Ground.Mould.Body.Value, body, plan.Ground.Mould.Capacity.Value * 1e-3);
                Assert.Equal(plan.Ground.Mould.Inserts.Sum(i => i.Fill.Value), hollows, plan.Ground.Mould.Capacity.Value * 1e-3);
                Assert.Equal(plan.Ground.Mould.Inserts.Sum(i => i.Displaces.Value), hollows, plan.Ground.Mould.Capacity.Value * 1e-3);
            },
            iter: 60);

    [Fact]
    public void A_recessed_hollow_takes_depth_less_foot_less_recess()
    {
        var insert = new Insert("a", "well", new RoundOutline(60), 100, 60, 2, 1.5);
        var piece = Samples.Piece(Tray(new OvalOutline(320, 220),
            new(18, CapacityFrom.Dimensions, null, 1, 1, 0, Inserts: [insert])), Samples.Layer(null, 0) with { DepthMm = 18 });
        var plan = Plan(Rework.Filled(piece, "a"));
        var well = plan.Ground.Mould!.Inserts.Single();
        Assert.Equal(18 - 2 - 1.5, well.Depth.Value, 1e-9);
        Assert.Equal(Math.PI * 900 * 14.5 / 1000, well.Fill.Value, 1e-9);
        Assert.Equal(plan.Layers[1].LayerId, well.LayerId);
        Assert.Equal(well.Fill.Value, plan.Layers[1].Cups.Regions.Single(r => r.LayerMl.Value > 0).LayerMl.Value, 1e-2);
        Assert.Equal(2, plan.Layers[0].Cups.Regions.Single().LayerMl.Input("depth under well").Value);
    }

    [Fact]
    public void A_hollow_is_filled_once_and_leaves_its_mould_by_its_own_clock()
    {
        var start = new LocalDateTime(2026, 5, 2, 10, 0);
        var piece = Samples.Piece(
            Tray(new RoundOutline(200),
                new(12, CapacityFrom.Dimensions, null, 1, 1, 0, Inserts: [new("a", "well", new RoundOutline(60), 70, 70, 0, 0)])),
            Samples.Layer(null, 0) with { DepthMm = 12, Plan = new(start, null, 22) });
        var filled = Rework.Filled(piece, "a");
        Assert.Same(filled, Rework.Filled(filled, "a"));
        Assert.Same(piece, Rework.Filled(piece, "b"));
        filled = filled.OnLayer(1, l => l with { Resin = new("quick"), Plan = new(start.PlusDays(2), null, 22) });
        var demoulds = Plan(filled).Layers.Select(l => l.Windows.Single(w => w.Milestone == Curing.Milestone.Demould)).ToList();
        Assert.Equal(24 - 8, demoulds[0].OpensAfterHours.Value - demoulds[1].OpensAfterHours.Value, 1e-9);
        Assert.True(demoulds[1].Opens > demoulds[0].Opens);

        // It takes no room from the body, and its own surface is what its map divides.
        Assert.Equal(0, Plan(filled).Ground.Mould!.Room.Value, 1e-9);
        Assert.Equal(Math.PI * 900 / 100, Plan(filled).Layers[1].Regions.Sum(r => r.Area.Value), 0.01);
        Assert.Contains(Errors(filled with { Layers = filled.Layers.Add(filled.Layers[1] with { Id = "again" }) }),
            e => e == "Each hollow is filled by one layer.");
        Assert.Contains(Errors(filled with { Layers = [filled.Layers[1], filled.Layers[0]] }),
            e => e.StartsWith("The first layer of a casting", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(-5, 50, 60)]
    [InlineData(180, 50, 60)]
    [InlineData(120, 80, 60)]
    public void Inserts_stand_inside_the_cavity_and_not_on_each_other(double x, double y, double across)
    {
        Insert Round(string id, double atX, double atY, double size) => new(id, id, new RoundOutline(size), atX, atY, 0, 0);
        Piece With(params Insert[] inserts) => Samples.Piece(
            Tray(new RectangleOutline(220, 160),
                new(12, CapacityFrom.Dimensions, null, 1, 1, 0, Inserts: [.. inserts])), Samples.Layer(null, 0));
        Assert.Empty(Errors(With(Round("a", 20, 20, 60), Round("b", 130, 80, 60))));
        Assert.NotEmpty(Errors(With(Round("a", x, y, across), Round("b", 130, 80, 60))));
        Assert.NotEmpty(Errors(With(Round("a", 130, 80, 60), Round("b", 130, 80, 60))));

        // Rounds whose boxes meet at a corner are apart; crossed bars, and one in the other, are not.
        Assert.Empty(Errors(With(Round("a", 20, 20, 60), Round("b", 64, 64, 60))));
        Insert Bar(string id, double atX, double atY, double w, double h) => new(id, id, new RectangleOutline(w, h), atX, atY, 0, 0);
        Assert.NotEmpty(Errors(With(Bar("a", 20, 70, 180, 20), Bar("b", 100, 20, 20, 120))));
        Assert.NotEmpty(Errors(With(Bar("a", 20, 20, 180, 120), Round("b", 80, 50, 40))));
    }

    [Fact]
    public void Older_work_shows_beneath_and_its_new_rim_is_filled_up_to_it()
    {
        var old = Samples.Piece(Samples.Panel(300, 200) with { Base = new(PieceKind.Panel, BaseMaterial.BirchPly, 18) },
            Samples.Layer(Samples.Heart(120, 90), 10, 0));
        var again = Rework.Over(old, "kiln");
        Assert.Empty(Errors(again));
        Assert.Equal(("kiln", old.Name), (again.Ground.Old!.PieceId, again.Ground.Old.Name));
        var grown = again
            with
        { Ground = Rework.Grown(again.Ground, 25) with { Old = Rework.Grown(again.Ground, 25).Old! with { StandsMm = 9 } } };
        Assert.Empty(Errors(grown));
        Assert.Equal((350, 250), (grown.Ground.Outline.BoxWidthMm, grown.Ground.Outline.BoxHeightMm));
        Assert.Equal((25, 25), (grown.Ground.Old!.XMm, grown.Ground.Old.YMm));
        var ml = Plan(grown).Layers[0].Cups.Regions.Sum(r => r.LayerMl.Value);
        Assert.Equal((350 * 250 * 2 + (350 * 250 - 300 * 200) * 9) / 1000.0, ml, 1e-3);

        var painting = Planner.Paint(grown, null, PaintDetail.Full);
        var beneath = Assert.Single(painting.Insets);
        Assert.True(beneath is { Below: true, XMm: 25, YMm: 25 });
        Assert.Equal(Planner.Paint(old, null, PaintDetail.Full).Paths, beneath.Painting.Paths);
        Assert.All(painting.Paths, p => Assert.Equal(0, p.Opacity));
        Assert.Equal(old.Ground.Outline, Rework.OverNothing(grown.Ground).Outline);
    }

    [Fact]
    public void Every_outline_can_grow_and_the_older_work_lies_inside() =>
        Samples.AnyOutline.Select(Gen.Double[2, 60]).Sample(
            (outline, mm) =>
            {
                var ground = Rework.OverUnknown(new(outline, EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Slice, BaseMaterial.Mdf)));
                var grown = Rework.Grown(ground, mm);
                Assert.Empty(Errors(Samples.Piece(grown, Samples.Layer(null, 0))));
                Assert.True(grown.Outline.AreaMm2 > outline.AreaMm2);
                var ring = grown.Old!.Placed.Rings[0];
                Assert.All(Enumerable.Range(0, ring.Count),
                    i => Assert.True(grown.Outline.Rings[0].SignedDistanceMm(ring.Xs[i], ring.Ys[i]) < -0.5 * mm));

                // Round the outside only: an opening stays as it is.
                Assert.Equal(outline.Rings.Length, grown.Outline.Rings.Length);
            },
            iter: 120);

    [Fact]
    public void A_cast_piece_that_is_poured_over_is_its_own_base()
    {
        var coaster = Samples.Piece(Tray(new RoundOutline(100), new(10, CapacityFrom.Dimensions, null, 1, 1, 0)),
            Samples.Layer(null, 0) with { DepthMm = 8 });
        var ground = Rework.Over(coaster, "c").Ground;
        Assert.Equal((PieceKind.Panel, BaseMaterial.Resin, 8.0), (ground.Base!.Kind, ground.Base.Material, ground.Base.ThicknessMm!.Value));
        Assert.Null(ground.Mould);
        Assert.Empty(Errors(Rework.Over(coaster, "c")));
    }

    [Fact]
    public void Older_works_lie_at_most_four_deep()
    {
        var piece = Samples.Piece(Samples.Panel(100, 80), Samples.Layer(null, 0));
        for (var i = 0; i < OldWork.Deepest; i++)
        {
            piece = Rework.Over(piece, "p");
            Assert.Empty(Errors(piece));
        }

        Assert.Contains(Errors(Rework.Over(piece, "p")), e => e.StartsWith("Up to 4", StringComparison.Ordinal));
    }

    [Fact]
    public void Relief_below_asks_for_a_wetting_coat_unless_the_first_layer_is_clear()
    {
        var ground = Rework.OverUnknown(Samples.Panel()) with { Level = new(true, 0, 0) };
        ground = ground with { Old = ground.Old! with { ReliefMm = 1 } };
        var piece = Samples.Piece(ground, Samples.Layer(Samples.Heart(200, 200), 10, 0));
        var finding = Assert.Single(Plan(piece).Findings, f => f.Check == "relief-below");
        Assert.Equal(("relief-below", Grade.Mind), (finding.Check, finding.Grade));
        Assert.Equal(600 * 400 * 0.5 / 1000, finding.Numbers.Single().Value, 1e-9);
        foreach (var remedy in finding.Remedies)
        {
            var after = remedy.Apply(piece);
            Assert.Empty(Errors(after));
            Assert.DoesNotContain(Plan(after).Findings, f => f.Check == "relief-below");
        }

        Assert.DoesNotContain(Plan(piece.WithLayers(Samples.Layer(null, 0)
            .Rings(r => r with { HeartRecipeId = null })
            with
        { Recipes = [Samples.Cup("c1", null), Samples.Cup("bed", ColourantClass.Dye)] })).Findings,
        f => f.Check == "relief-below");
    }

    [Fact]
    public void A_painted_map_takes_paint_by_its_zones()
    {
        var ground = Samples.Panel() with { Paint = new(PaintKind.Water, 2, AsMap: true) };
        var piece = Samples.Piece(ground, Samples.Layer(Samples.Heart(200, 200), 10, 0, 12));
        var plan = Plan(piece);
        Assert.Equal(["bed", "c1", "c2", "c3"], plan.Ground.PaintZones.Select(z => z.Name));
        Assert.Equal(plan.Ground.Preparation.Single(s => s.Id == "paint").Amount!.Value,
            plan.Ground.PaintZones.Sum(z => z.Amount.Value), 1e-2);
        Assert.Empty(Plan(piece with { Ground = ground with { Paint = ground.Paint with { AsMap = false } } }).Ground.PaintZones);

        // The bed's dye deepens its painted ground, which is of its own colour.
        var shown = Planner.Paint(piece, null, PaintDetail.Draft).Paths.First(p => p.Region == RegionId.Heart).Fill;
        Assert.Equal(CupLook.Of(Catalogue.Typical, piece.Filled[0], piece.Recipes.Single(r => r.Id == "bed"))
            .Over(Colour.Of("#33523f"), 3).ToHex(), shown);
    }

    private static Ground Letters() =>
        new(new DrawnOutline(TwoLetters), EdgeStyle.Walled, 12, "#ffffff", new(PieceKind.Frame, BaseMaterial.Mdf));

    private static Ground Tray(Outline outline, Mould mould) =>
        new(outline, EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone), Mould: mould);

    private static Piece Filled(Piece piece) => piece.Ground.Mould!.Inserts!.Value.Aggregate(piece, (p, i) => Rework.Filled(p, i.Id));

    private static double Mass(Piece piece)
    {
        var with = piece with { Ground = piece.Ground with { Base = new(PieceKind.Slice, BaseMaterial.Mdf, 10) } };
        var standing = Plan(with).Ground.Standing;
        return standing.FinishedMass!.Value - standing.BaseMass!.Value;
    }

    private static IEnumerable<string> Errors(Piece piece) => new PieceValidator().Validate(piece).Errors.Select(e => e.ErrorMessage);

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], DateTimeZone.Utc);
}
