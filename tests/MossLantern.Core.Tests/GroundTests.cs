using CsCheck;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

public class GroundTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly DateTimeZone Zone = DateTimeZoneProviders.Tzdb["Europe/Dublin"];

    [Theory]
    [InlineData(6, 680, 600, 8, 0.84, 0.005)]
    [InlineData(2, 1190, 300, 3, 2.9, 0.05)]
    public void A_board_sags_as_worked_out_by_hand(double thickness, double density, double span, double stiffness,
        double sag, double within) =>
        Assert.Equal(sag, Sag.Mm(Sag.LoadNPerMm2(thickness, density, 3, 1.065), span, stiffness, thickness), within);

    [Fact]
    public void A_ply_of_six_millimetres_weighs_what_it_weighs()
    {
        var standing = Plan(Piece(new Base(PieceKind.Panel, BaseMaterial.BirchPly, 6))).Ground.Standing;
        Assert.Equal(0.979, standing.BaseMass!.Value, 0.0005);
        Assert.Equal(standing.BaseMass.Value, standing.MassSoFar!.Value);

        // 720 ml of coating resin at 1.065 on top.
        Assert.Equal(0.9792 + 0.7668, standing.FinishedMass!.Value, 1e-9);
    }

    [Fact]
    public void What_is_not_known_stays_unknown()
    {
        var standing = Plan(Samples.Piece(Samples.Panel(), Samples.Layer(null, 0))).Ground.Standing;
        Assert.Null(standing.BaseMass);
        Assert.Null(standing.FinishedMass);
        Assert.Null(standing.Sag);
        Assert.Null(standing.Straight);
        Assert.Null(standing.Drift);
        Assert.Null(standing.Level);
        Assert.All(standing.Supports, s => Assert.Null(s.Shim));
        Assert.False(standing.OwnSupports);
    }

    [Theory]
    [InlineData(600, 0.1, 1.047)]
    [InlineData(700, 0.2, 2.443)]
    public void A_tilt_drifts_over_the_whole_piece(double width, double tilt, double drift)
    {
        var ground = Samples.Panel(width) with { Level = new(true, tilt, 0) };
        Assert.Equal(drift, Plan(Samples.Piece(ground, Samples.Layer(null, 0))).Ground.Standing.Drift!.Value, 0.0005);
    }

    /// <summary>The lower corners take what the higher ones lack, and from corner to corner it is the drift.</summary>
    [Fact]
    public void A_film_is_deeper_at_the_lower_corners() =>
        Gen.Select(Gen.Int[-200, 200], Gen.Int[-200, 200]).Sample((hundredthsAcross, hundredthsAlong) =>
        {
            var (across, along) = (hundredthsAcross / 100.0, hundredthsAlong / 100.0);
            var ground = Samples.Panel() with { Level = new(true, across, along) };
            var standing = Plan(Samples.Piece(ground, Samples.Layer(null, 0))).Ground.Standing;
            var deeper = standing.Corners.Select(c => c.Value).ToList();
            Assert.Equal(4, deeper.Count);
            Assert.Equal(0, deeper.Sum(), 1e-9);
            Assert.Equal(standing.Drift!.Value, deeper.Max() - deeper.Min(), 1e-9);
            Assert.Equal(across > 0, deeper[0] > deeper[1]);
            Assert.Equal(along > 0, deeper[0] > deeper[2]);
        }, iter: 50);

    [Fact]
    public void A_film_of_which_no_tilt_is_known_has_no_corners() =>
        Assert.Empty(Plan(Samples.Piece(Samples.Panel(), Samples.Layer(null, 0))).Ground.Standing.Corners);

    [Fact]
    public void Preparations_say_where_they_are_done()
    {
        string Where(Ground ground) => string.Join(' ', Preparation.Of(ground, Surroundings.Usual(Zone)).Select(s => $"{s.Id}:{s.Where}"));
        Assert.Equal("sand:Face seal:Face back:Back level:Under cover:Over", Where(Ground(new(PieceKind.Panel, BaseMaterial.Mdf))));
        Assert.Equal("clean:Face key:Face dam:Rim water:Rim level:Under cover:Over",
            Where(Ground(new(PieceKind.Slice, BaseMaterial.Acrylic))));
        Assert.Equal("degrease:Rim back-tape:Back caulk:Rim water:Rim level:Under cover:Over",
            Where(Ground(new(PieceKind.Frame, BaseMaterial.MetalRim))));
        Assert.Equal("stiffen:Back seal:Face back:Back level:Under cover:Over", Where(Ground(new(PieceKind.Panel, BaseMaterial.Canvas))));
    }

    [Fact]
    public void Corner_heights_say_the_same_as_tilts()
    {
        var tilts = new LevelReading(true, Corners: new(0, 3, -2, 1)).Tilts(600, 400);
        Assert.Equal(Math.Atan(3 / 600.0) * 180 / Math.PI, tilts!.Value.XDeg, 1e-9);
        Assert.Equal(-Math.Atan(2 / 400.0) * 180 / Math.PI, tilts.Value.YDeg, 1e-9);
        Assert.Null(new LevelReading(true, 0.1).Tilts(600, 400));
    }

    /// <summary>The seed is of a narrow rim with an opening in the way from a corner to the middle.</summary>
    [Theory]
    [InlineData(null, 200)]
    [InlineData("8hFXh7xBNss6", 1)]
    public void The_usual_supports_lie_under_every_outline(string? seed, int times) =>
        Samples.AnyOutline.Sample(
            outline =>
            {
                var ground = new Ground(outline, EdgeStyle.Walled, 10, "#ffffff");
                var supports = Standing.SupportsOf(ground);
                Assert.Equal(4, supports.Distinct().Count());
                Assert.All(supports, s => Assert.True(outline.SignedDistanceMm(s.XMm, s.YMm) < 0, $"{s} of {outline}"));
            },
            seed: seed,
            iter: times);

    [Fact]
    public void Preparations_follow_the_kind_and_dry_in_local_time()
    {
        string[] Ids(Ground ground) => [.. Preparation.Of(ground, Surroundings.Usual(Zone)).Select(s => s.Id)];
        Assert.Equal(["sand", "seal", "back", "level", "cover"], Ids(Ground(new(PieceKind.Panel, BaseMaterial.Mdf))));
        Assert.Equal(["clean", "key", "dam", "water", "level", "cover"], Ids(Ground(new(PieceKind.Slice, BaseMaterial.Acrylic))));
        Assert.Equal(["stiffen", "seal", "back", "level", "cover"], Ids(Ground(new(PieceKind.Panel, BaseMaterial.Canvas))));
        Assert.Equal(["sand", "seal", "caulk", "water", "level", "cover"], Ids(Ground(new(PieceKind.Frame, BaseMaterial.Pine))));

        // The clocks go forward in the night; eight hours stay eight hours.
        var painted = Ground(new(PieceKind.Panel, BaseMaterial.Mdf)) with
        {
            Paint = new(PaintKind.Oil, 2),
            Done = [new("paint", new LocalDateTime(2026, 3, 28, 20, 0))],
        };
        var paint = Preparation.Of(painted, Surroundings.Usual(Zone)).Single(s => s.Id == "paint");
        Assert.Equal(new LocalDateTime(2026, 3, 29, 5, 0), paint.ReadyAt);
        Assert.Equal(2400 * 100 * 0.1 * 2 / 1000, paint.Amount!.Value, 1e-9);
        Assert.Equal(2400 * 100 * 1.5 / 1000,
            Preparation.Of(Ground(new(PieceKind.Panel, BaseMaterial.Canvas)), Surroundings.Usual(Zone))[0].Amount!.Value, 1e-9);
    }

    public static TheoryData<string, Ground> Bad => new()
    {
        { "tilt", Ground(Ply(12)) with { Level = new(true, 0.1, -0.05) } },
        { "level-unknown", Ground(Ply(12)) },
        { "level-unknown", Ground(Ply(12)) with { Level = new(false, 0, 0) } },
        { "bow", Ground(Ply(4)) },
        { "canvas-sag", Ground(new(PieceKind.Panel, BaseMaterial.Canvas)) },
        { "paint-oil", Ground(Ply(12)) with { Paint = new(PaintKind.Oil) } },
        { "wet-glue", Ground(Ply(12)) with { Paint = new(PaintKind.Water), Done = [new("paint", Start.PlusHours(-1))] } },
        { "leaky", Ground(new(PieceKind.Frame, BaseMaterial.Mdf, 12)) },
        { "leaky", Ground(new(PieceKind.Slice, BaseMaterial.Mdf, 12, GapsSealed: true)) },
    };

    [Theory]
    [MemberData(nameof(Bad))]
    public void A_check_speaks_where_it_should_and_a_press_clears_it(string id, Ground ground)
    {
        var piece = Planned(ground);
        var finding = Assert.Single(Plan(piece).Findings, f => f.Check == id);
        Assert.NotEmpty(finding.Reason);
        Assert.NotEmpty(finding.Remedies);
        Assert.True(new PieceValidator().Validate(piece).IsValid);
        foreach (var remedy in finding.Remedies)
        {
            var remedied = remedy.Apply(piece);
            if (remedy.Field is not null)
            {
                Assert.Equal(piece, remedied);
                continue;
            }

            Assert.True(new PieceValidator().Validate(remedied).IsValid, remedy.Id);
            Assert.DoesNotContain(Plan(remedied).Findings, f => f.Key == finding.Key);
        }

        // As many numbers as the sentence has places for, each with its formula.
        Assert.All(Enumerable.Range(0, finding.Numbers.Length), i => Assert.Contains($"{{{i}}}", finding.Reason, StringComparison.Ordinal));
        Assert.DoesNotContain($"{{{finding.Numbers.Length}}}", finding.Reason, StringComparison.Ordinal);
        Assert.All(finding.Numbers, n => Assert.Contains(Units.Formulas.All, f => f.Id == n.Formula));
        Assert.All(finding.Remedies, r => Assert.Equal(r.Mm is not null, r.Label.Contains("{0}", StringComparison.Ordinal)));
    }

    /// <summary>The sitting that pours first counts, not the one that pours what is left.</summary>
    [Fact]
    public void What_is_not_dry_moves_the_first_sitting_and_all_that_follow()
    {
        var piece = Planned(Ground(Ply(12)) with { Paint = new(PaintKind.Water), Done = [new("paint", Start.PlusHours(-1))] });
        var rest = piece.Sittings[0] with { Start = Start.PlusDays(2), End = Start.PlusDays(2).PlusMinutes(30) };
        var early = rest with
        {
            Id = "early",
            Start = Start,
            End = Start.PlusMinutes(25),
            Rest = [],
            Fills = [new("f1", piece.Layers[0].Id, piece.Layers[0].RegionIds.First())]
        };
        piece = piece with { Sittings = [early, rest] };
        var finding = Assert.Single(Plan(piece).Findings, f => f.Check == "wet-glue");
        Assert.EndsWith(", and what follows later by as much", finding.Remedies[0].Label, StringComparison.Ordinal);

        var later = finding.Remedies[0].Apply(piece);
        var ready = Preparation.Of(piece.Ground, Surroundings.Usual(Zone)).Single(s => s.Id == "paint").ReadyAt!.Value;
        Assert.Equal([ready, ready.PlusDays(2)], later.Sittings.Select(s => s.Start!.Value));
        Assert.Equal([ready.PlusMinutes(25), ready.PlusDays(2).PlusMinutes(30)], later.Sittings.Select(s => s.End!.Value));
        Assert.DoesNotContain(Plan(later).Findings, f => f.Check == "wet-glue");
        Assert.DoesNotContain(Plan(piece with { Sittings = [early with { Start = ready }, rest] }).Findings, f => f.Check == "wet-glue");
        Assert.Contains(Plan(piece with { Sittings = [early with { Start = ready.PlusMinutes(-1) }, rest] }).Findings,
            f => f.Check == "wet-glue");
    }

    [Theory]
    [InlineData(14.9, true)]
    [InlineData(15.0, false)]
    [InlineData(null, false)]
    public void A_room_is_too_cold_below_fifteen_degrees(double? roomC, bool cold)
    {
        var piece = Planned(Ground(Ply(12)));
        piece = piece with { Sittings = [.. piece.Sittings.Select(s => s with { RoomC = roomC })] };
        var finding = Plan(piece).Findings.SingleOrDefault(f => f.Check == "too-cold");
        Assert.Equal(cold, finding is not null);
        if (finding is not null)
        {
            Assert.Equal("sittings[l1].roomC", Assert.Single(finding.Remedies).Field);
            Assert.Equal(["sittings[l1].roomC", null], finding.Numbers.Select(n => n.Inputs[0].Field));
        }
    }

    [Fact]
    public void What_is_poured_was_as_warm_as_it_was()
    {
        var piece = Planned(Ground(Ply(12)));
        piece = piece with { Sittings = [.. piece.Sittings.Select(s => s with { RoomC = 10 })] };
        var start = Instant.FromUtc(2026, 5, 2, 10, 0);
        Assert.DoesNotContain(Planner.Plan(piece, [new("l1", start, start, 10)], Zone).Findings, f => f.Check == "too-cold");
    }

    [Trait("Pace", "long")]
    [Fact]
    public void Remedies_of_a_bow_clear_it_whatever_the_board() =>
        (from material in Gen.OneOf(Gen.Const(BaseMaterial.BirchPly), Gen.Const(BaseMaterial.Mdf),
            Gen.Const(BaseMaterial.Acrylic), Gen.Const(BaseMaterial.Pine))
         from thickness in Gen.Double[1, 12]
         from width in Gen.Double[300, 2000]
         from depth in Gen.Double[0.5, 6]
         select (material, thickness, width, depth))
        .Sample(
            sample =>
            {
                var ground = Samples.Panel(sample.width) with { Base = new(PieceKind.Panel, sample.material, sample.thickness) };
                var piece = Samples.Piece(ground, Samples.Layer(null, 0) with { DepthMm = sample.depth });
                foreach (var remedy in Plan(piece).Findings.Where(f => f.Check == "bow").SelectMany(f => f.Remedies)
                    .Where(r => r.Field is null))
                {
                    Assert.DoesNotContain(Plan(remedy.Apply(piece)).Findings, f => f.Check == "bow");
                }
            },
            iter: 150);

    [Fact]
    public void Once_it_is_poured_the_ground_is_left_alone()
    {
        var piece = Planned(Ground(new(PieceKind.Frame, BaseMaterial.Mdf, 3)) with { Paint = new(PaintKind.Oil), Level = new(true, 1, 1) });
        Assert.Equal(4, Plan(piece).Findings.Length);
        var start = Instant.FromUtc(2026, 5, 2, 10, 0);
        Assert.Empty(Planner.Plan(piece, [new("l1", start, start, 20)], Zone).Findings);

        // A thin layer that is already poured does not ask for a better level; what is to come does.
        var more = piece.WithLayers(Sketch.Of(piece, 0) with { DepthMm = 0.5 }, Sketch.Of(piece, 0) with { Id = "l2", DepthMm = 4 });
        var standing = Planner.Plan(more, [new("l1", start, start, 20)], Zone).Ground.Standing;
        Assert.Equal(4, standing.Thinnest.Value);
        Assert.Equal(["tilt", "bow"], Planner.Plan(more, [new("l1", start, start, 20)], Zone).Findings
            .Where(f => f.Pin.Station == Station.Ground).Select(f => f.Check));
    }

    [Fact]
    public void A_deeper_layer_is_offered_only_where_its_resin_can_be_poured_so_deep()
    {
        Finding Tilt(double degrees) =>
            Plan(Planned(Ground(Ply(18)) with { Level = new(true, degrees, 0) })).Findings.Single(f => f.Check == "tilt");
        Assert.Equal(["shims", "deeper"], Tilt(0.04).Remedies.Select(r => r.Id));
        Assert.Equal(4.2, Tilt(0.04).Remedies[1].Mm);
        Assert.Equal(["shims"], Tilt(0.1).Remedies.Select(r => r.Id));
    }

    [Fact]
    public void Where_corners_were_read_the_corners_are_asked_for()
    {
        var finding = Plan(Planned(Ground(Ply(12)) with { Level = new(false, Corners: new(0, 0, 0, 0)) })).Findings
            .Single(f => f.Check == "level-unknown");
        Assert.Equal("ground.level.corners.topLeftMm", finding.Remedies[0].Field);
    }

    [Theory]
    [InlineData(PieceKind.Panel, EdgeStyle.TapedClean, BaseMaterial.BirchPly)]
    [InlineData(PieceKind.Slice, EdgeStyle.Walled, BaseMaterial.BirchPly)]
    [InlineData(PieceKind.Frame, EdgeStyle.Walled, BaseMaterial.BirchPly)]
    [InlineData(PieceKind.Casting, EdgeStyle.Walled, BaseMaterial.Silicone)]
    public void A_ground_that_becomes_another_kind_takes_its_edge_material_and_mould_with_it(PieceKind kind,
        EdgeStyle edge, BaseMaterial material)
    {
        foreach (var from in Enum.GetValues<PieceKind>())
        {
            var ground = Becoming.OfKind(Becoming.OfKind(Samples.Panel(), from), kind);
            Assert.Equal((edge, material, kind), (ground.Edge, ground.Base!.Material, ground.Base.Kind));
            Assert.Equal(kind == PieceKind.Casting, ground.Mould is not null);
            Assert.Equal(kind == PieceKind.Slice || from == PieceKind.Slice, ground.Outline is SliceOutline);
            Assert.True(new PieceValidator().Validate(Samples.Piece(ground, Samples.Layer(null, 0))).IsValid);
        }
    }

    [Fact]
    public void What_was_chosen_of_a_base_stays_when_its_kind_changes()
    {
        var dripped = Ground(new(PieceKind.Panel, BaseMaterial.Mdf, 9)) with { Edge = EdgeStyle.DrippedOver };
        Assert.Equal(dripped, Becoming.OfKind(dripped, PieceKind.Panel));
        var slice = Becoming.OfKind(dripped, PieceKind.Slice);
        Assert.Equal((BaseMaterial.Mdf, 9), (slice.Base!.Material, slice.Base.ThicknessMm));
        Assert.Same(slice.Outline, Becoming.OfKind(slice, PieceKind.Slice).Outline);
    }

    [Theory]
    [InlineData(OutlineShape.Rectangle, 600, 400)]
    [InlineData(OutlineShape.Round, 400, 400)]
    [InlineData(OutlineShape.Oval, 600, 400)]
    [InlineData(OutlineShape.Slice, 600, 400)]
    public void An_outline_of_another_shape_stands_in_the_same_box(OutlineShape shape, double width, double height)
    {
        var outline = Becoming.Shaped(new RectangleOutline(600, 400), shape);
        Assert.Equal((width, height), (outline.BoxWidthMm, outline.BoxHeightMm));
        Assert.Equal(shape.ToString() + "Outline", outline.GetType().Name);
    }

    [Fact]
    public void A_slice_keeps_its_curve_through_more_handles_and_opens_and_closes()
    {
        var slice = (SliceOutline)Becoming.Shaped(new RectangleOutline(600, 400), OutlineShape.Slice);
        var finer = Becoming.Through(slice, 16);
        Assert.Equal(16, finer.Reach.Length);
        Assert.Equal(slice.Reach, finer.Reach.Where((_, i) => i % 2 == 0));
        Assert.Equal(slice.AreaMm2, finer.AreaMm2, slice.AreaMm2 * 0.01);
        var open = Becoming.Opened(slice, true);
        Assert.True(open.OpeningFits(SliceOutline.LeastRimMm));
        Assert.True(open.AreaMm2 < slice.AreaMm2);
        Assert.Equal(slice, Becoming.Opened(open, false));
        Assert.NotEqual(slice.AreaMm2, Becoming.Reseeded(slice).AreaMm2);
    }

    [Fact]
    public void A_casting_needs_a_mould_and_nothing_else_has_one()
    {
        var casting = Becoming.OfKind(Samples.Panel(), PieceKind.Casting);
        foreach (var wrong in new[] { casting with { Mould = null }, Samples.Panel() with { Mould = casting.Mould } })
        {
            var result = new PieceValidator().Validate(Samples.Piece(wrong, Samples.Layer(null, 0)));
            Assert.Contains(result.Errors, e => e.ErrorMessage.StartsWith("A casting must have a mould", StringComparison.Ordinal));
        }
    }

    [Fact]
    public void A_good_ground_is_left_alone()
    {
        var ground = Ground(Ply(12)) with
        {
            Level = new(true, 0.005, 0.005),
            Paint = new(PaintKind.Water),
            Done = [new("paint", Start.PlusHours(-3))],
        };
        Assert.Empty(Plan(Planned(ground)).Findings);
        Assert.Empty(Plan(Planned(ground
            with
        { Base = new(PieceKind.Frame, BaseMaterial.Mdf, 18, GapsSealed: true, SealTested: true) })).Findings);
    }

    [Fact]
    public void A_tilt_read_on_another_spot_is_not_held_against_this_one()
    {
        var findings = Plan(Planned(Ground(Ply(12)) with { Level = new(false, 1, 1) })).Findings;
        Assert.Equal(["level-unknown"], findings.Select(f => f.Check));
        var here = findings[0].Remedies.Single(r => r.Id == "here").Apply(Planned(Ground(Ply(12)) with { Level = new(false, 1, 1) }));
        Assert.Equal(["tilt"], Plan(here).Findings.Select(f => f.Check));
    }

    [Fact]
    public void A_finding_waved_off_keeps_its_reason_and_comes_last()
    {
        var piece = Planned(Ground(Ply(4))) with { WavedOff = [new("bow@ground", "It lies flat on the bench.")] };
        var findings = Plan(piece).Findings;
        Assert.Equal(["level-unknown@ground", "bow@ground"], findings.Select(f => f.Key));
        Assert.Equal("It lies flat on the bench.", findings[^1].WavedOff);
    }

    [Fact]
    public void The_gravest_findings_come_first()
    {
        var findings = Plan(Planned(Ground(new(PieceKind.Frame, BaseMaterial.Mdf, 4)) with { Paint = new(PaintKind.Oil) })).Findings;
        Assert.Equal(findings.Select(f => f.Grade).Order(), findings.Select(f => f.Grade));
        Assert.Equal(4, findings.Length);
    }

    [Fact]
    public void Twelve_pieces_from_five_cavities_are_three_castings_and_the_cups_are_for_five()
    {
        var one = Samples.Piece(Coaster(new(10, CapacityFrom.Dimensions, null, 1, 1, 0)),
            Samples.Layer(Samples.Heart(50, 50, 20, 20), 6, 0));
        var dozen = one with { Ground = Coaster(new(10, CapacityFrom.Dimensions, null, 12, 5, 1.5)) };
        var mould = Plan(dozen).Ground.Mould!;
        Assert.Equal([5, 5, 2], mould.Castings);
        Assert.Equal(Math.PI * 2500 * 10 / 1000, mould.Capacity.Value, 1e-9);
        Assert.Equal(Math.PI * 2500 * 8.5 / 1000, mould.Body.Value, 1e-9);
        Assert.Equal(10 - 1.5 - 3, mould.Room.Value, 1e-9);
        Assert.Equal(
            Plan(one).Layers[0].Cups.Regions.Select(r => 5 * r.LayerMl.Value),
            Plan(dozen).Layers[0].Cups.Regions.Select(r => r.LayerMl.Value),
            (a, b) => Math.Abs(a - b) < 1e-9);
        Assert.Equal(5, Plan(dozen).Layers[0].Cups.Regions[0].LayerMl.Input("pieces at once").Value);
    }

    [Fact]
    public void What_a_mould_really_holds_scales_what_is_poured()
    {
        // Rounded sides: 70 ml of water where area × depth would be 78.54.
        var piece = Samples.Piece(Coaster(new(10, CapacityFrom.Water, 70, 1, 1, 2)), Samples.Layer(null, 0) with { DepthMm = 8 });
        var plan = Plan(piece);
        Assert.Equal(70 * 0.8, plan.Layers[0].Cups.Regions.Single().LayerMl.Value, 1e-9);
        Assert.Equal(70 * 0.8, plan.Ground.Mould!.Body.Value, 1e-9);
        Assert.Equal(0, plan.Ground.Mould.Room.Value, 1e-9);
        Assert.Equal(Units.Origin.Measured, plan.Ground.Mould.Capacity.Inputs.Single().Origin);
        Assert.Equal(70 * 0.8 * 1.065, plan.Layers[0].ResinG, 1e-9);
    }

    private static Ground Coaster(Mould mould) =>
        new(new RoundOutline(100), EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone), Mould: mould);

    private static LocalDateTime Start => new(2026, 5, 2, 10, 0);

    private static Base Ply(double thickness) => new(PieceKind.Panel, BaseMaterial.BirchPly, thickness);

    private static Ground Ground(Base of) => Samples.Panel() with { Base = of };

    private static Piece Piece(Base of) => Samples.Piece(Ground(of), Samples.Layer(null, 0));

    /// <summary>A layer that gives the second look nothing to say: one colour that shimmers.</summary>
    private static Piece Planned(Ground ground)
    {
        var layer = Samples.Layer(null, 0);
        return Samples.Piece(ground, layer with
        {
            Plan = new(Start, Start.PlusMinutes(20), 20),
            Recipes = [.. layer.Cups.Select(c => c.WithColourant(ColourantClass.Mica))]
        });
    }

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], Zone);
}
