using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Judgement calls on what a ground is, on weight, drips, sets and floods, each from both sides of its threshold.</summary>
public class MoreChecksTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);
    private static readonly LocalDateTime Noon = new(2026, 5, 4, 12, 0);
    private static readonly PieceValidator Validator = new();
    private static readonly Recipe Moss = Samples.Cup("moss", ColourantClass.Mica, 3);
    private static readonly Recipe Clear = Recipe.Clear("clear");

    private static PiecePlan Plan(Piece piece, params PouredSitting[] poured) => Planner.Plan(piece, poured, Around);

    private static ImmutableArray<Finding> Told(Piece piece, string check) => [.. Plan(piece).Findings.Where(f => f.Check == check)];

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Piece is not null, made.Refusal);
        return made.Piece!;
    }

    private static Sketch Flood(string id, double mm, Recipe recipe, string resin = "coating") =>
        new(id, id, mm, new FloodLayout(recipe.Id), [recipe],
        new(resin), Measure.ByVolume, null, [], PlannedTimes.None);

    private static Piece On(Ground ground, params Sketch[] layers) =>
        Samples.Piece(ground, layers.Length == 0 ? [Flood("l1", 3, Moss)] : layers);

    private static Ground Board(BaseMaterial material, double? thick = null, EdgeStyle edge = EdgeStyle.TapedClean,
        PieceKind kind = PieceKind.Panel,
        double width = 300) => new(new RectangleOutline(width, 200), edge, 20, "#d8bd8c", new(kind, material, thick));

    /// <summary>Each press clears the finding and leaves a good piece.</summary>
    private static Finding Cleared(Piece piece, string check)
    {
        var finding = Told(piece, check)[0];
        Assert.NotEmpty(finding.Remedies);
        foreach (var remedy in finding.Remedies.Where(r => r.Field is null))
        {
            var after = remedy.Apply(piece);
            Assert.Empty(Validator.Validate(after).Errors);
            Assert.DoesNotContain(Plan(after).Findings, f => f.Key == finding.Key);
        }

        return finding;
    }

    [Theory]
    [InlineData(BaseMaterial.BirchPly, true, true, true, null)]
    [InlineData(BaseMaterial.Mdf, true, true, true, null)]
    [InlineData(BaseMaterial.Glass, false, true, true, null)]
    [InlineData(BaseMaterial.Resin, false, true, true, null)]
    [InlineData(BaseMaterial.CastingSheet, false, false, false, Milestone.OffSheet)]
    [InlineData(BaseMaterial.MetalRim, false, false, false, Milestone.BackTape)]
    public void A_ground_is_what_it_is_made_of(BaseMaterial material, bool wood, bool bows, bool painted, Milestone? leaves)
    {
        var thin = Samples.Cup("tint", ColourantClass.Paste, 0.02);
        var piece = On(Board(material), Flood("l1", 3, thin)) with { };
        piece = piece with { Sittings = [piece.Sittings[0] with { Start = Noon }] };
        Assert.Equal(wood, !Told(piece, "bare-ground").IsEmpty);
        Assert.Equal(bows, !Told(piece, "bow").IsEmpty);
        var paint = Editing.Checked(piece, [new PaintGround(PaintKind.Water)], AnyEdit.Cupboard);
        Assert.Equal(painted, paint.Piece is not null);
        var windows = Plan(piece).Sittings[0].Windows;
        Assert.Equal(leaves, windows.Select(w => w.Milestone).Where(m => m is Milestone.OffSheet or Milestone.BackTape).Select(m =>
            (Milestone?)m).SingleOrDefault());
        if (leaves is { } off)
        {
            var resin = Around.Catalogue.Resin("coating")!;
            Assert.Equal(Plan(piece).Sittings[0].Span!.End + Duration.FromHours(resin.DemouldHours),
                windows.Single(w => w.Milestone == off).Opens);

            // What was painted before it was said to be that is painted no more.
            var board = Made(On(Board(BaseMaterial.BirchPly)), new PaintGround(PaintKind.Water));
            Assert.Null(Made(board,
                SetField.To("ground.base.material", material == BaseMaterial.MetalRim ? "metal-rim" : "casting-sheet")).Ground.Paint);
        }
    }

    [Fact]
    public void A_piece_of_several_sittings_leaves_its_mould_once()
    {
        var mould = new Ground(new RectangleOutline(200, 150), EdgeStyle.Walled, 12, "#d8bd8c",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(12, CapacityFrom.Dimensions, null, 1, 1, 1));
        var two = On(mould, Flood("l1", 5, Moss, "casting"), Flood("l2", 5, Moss, "casting"));
        two = two with { Sittings = [.. two.Sittings.Select((s, i) => s with { Start = Noon.PlusDays(2 * i) })] };
        Assert.Equal([false, true], Plan(two).Sittings.Select(s => s.Windows.Any(w => w.Milestone == Milestone.Demould)));
    }

    [Fact]
    public void Drips_are_told_until_the_resin_gels()
    {
        Piece Edged(EdgeStyle edge, LocalDateTime? start) =>
            On(Board(BaseMaterial.BirchPly, 18, edge)) is var piece ? piece with { Sittings = [piece.Sittings[0] with { Start = start }] }
                : null!;
        Assert.Empty(Told(Edged(EdgeStyle.DrippedOver, null), "drips"));
        Assert.Empty(Told(Edged(EdgeStyle.TapedClean, Noon), "drips"));
        var told = Cleared(Edged(EdgeStyle.DrippedOver, Noon), "drips");
        var plan = Plan(Edged(EdgeStyle.DrippedOver, Noon)).Sittings[0];

        // A film of 3 mm gels 211 minutes after it was mixed; in the cups it had come some way before.
        Assert.InRange(plan.Batches.GelMinutes!.Value, 190, 215 + plan.Batches.EndMinutes.Value);
        Assert.Contains($"at about Mon {Noon.PlusMinutes((long)plan.Batches.GelMinutes.Value):HH:mm}", told.Reason,
            StringComparison.Ordinal);
    }

    [Fact]
    public void Weight_is_told_from_five_and_from_fifteen_kilograms()
    {
        var seen = new HashSet<string>();
        foreach (var width in Enumerable.Range(3, 40).Select(n => n * 70.0))
        {
            var piece = On(Board(BaseMaterial.Mdf, 36, width: width));
            var kg = Plan(piece).Ground.Standing.FinishedMass!.Value;
            var told = Told(piece, "heavy").SingleOrDefault();
            Assert.Equal(kg >= HeavyCheck.TwoPointsKg, told is not null);
            Assert.Equal(kg >= HeavyCheck.RailKg, told?.Reason.Contains("rail", StringComparison.Ordinal) == true);
            seen.Add(told is null ? "light" : kg < HeavyCheck.RailKg ? "two points" : "rail");
        }

        Assert.Equal(3, seen.Count);
    }

    [Fact]
    public void A_colour_that_is_to_cover_and_covers_less_than_thirty_percent_is_thin()
    {
        foreach (var (kind, covers) in new[] { (ColourantClass.Paste, true), (ColourantClass.MetallicPaste, true),
            (ColourantClass.Dye, false) })
        {
            foreach (var load in Enumerable.Range(1, 40).Select(n => n * 0.02))
            {
                var piece = On(Board(BaseMaterial.Glass, 6), Flood("l1", 3, Samples.Cup("c", kind, load)));
                Assert.Equal(covers && Plan(piece).Layers[0].OpacityOf("c").Value < ThinColourCheck.LeastPercent,
                    !Told(piece, "thin-colour").IsEmpty);
            }
        }

        var thin = Cleared(On(Board(BaseMaterial.Glass, 6), Flood("l1", 3, Samples.Cup("c", ColourantClass.MetallicPaste, 0.02))),
            "thin-colour");
        Assert.Contains("its metal like dust", thin.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void A_set_poured_copy_by_copy_is_uneven_from_ten_minutes_on()
    {
        Piece Set(int copies, bool inTurn)
        {
            var ground = new Ground(new RoundOutline(160), EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone),
                Mould: new(10, CapacityFrom.Dimensions, null, copies, copies, 0));
            var piece = Samples.Piece(ground, Samples.Layer(Samples.Heart(80, 80, 20, 15, 0), 8, 8, 8, 8, 0));
            return piece with { Sittings = [piece.Sittings[0] with { CopiesInTurn = inTurn }] };
        }

        var told = new List<bool>();
        foreach (var copies in Enumerable.Range(1, 14))
        {
            var apart = Plan(Set(copies, true)).Sittings[0].Batches.CopiesApartMinutes;
            told.Add(!Told(Set(copies, true), "uneven-set").IsEmpty);
            Assert.Equal(copies > 1 && apart >= UnevenSetCheck.MostMinutes, told[^1]);
        }

        Assert.Contains(true, told);
        Assert.Contains(false, told);
        Assert.Equal("by-colour", Cleared(Set(14, true), "uneven-set").Remedies[0].Id);
    }

    [Fact]
    public void Three_floods_of_clear_that_a_resin_takes_in_one_are_many()
    {
        Piece Floods(int count, double mm, Recipe? recipe = null) =>
            On(Board(BaseMaterial.BirchPly, 18), [.. Enumerable.Range(1, count).Select(i => Flood($"l{i}", mm, recipe ?? Clear))]);
        Assert.Empty(Told(Floods(ManyFloodsCheck.Many - 1, 3), "many-floods"));
        Assert.Equal(9, Assert.Single(Told(Floods(ManyFloodsCheck.Many, 3), "many-floods")).Numbers[0].Value);
        Assert.Empty(Told(Floods(ManyFloodsCheck.Many, 3, Moss), "many-floods"));
        Assert.Empty(Told(Floods(ManyFloodsCheck.Many, 60), "many-floods"));
    }

    [Fact]
    public void A_part_or_spot_wholly_off_the_piece_is_told_and_brought_back()
    {
        var plain = On(Board(BaseMaterial.BirchPly, 18), Flood("l1", 3, Moss));
        Piece Kept(double x) =>
            Made(plain with { Kept = [new("k", "Shell", new RoundOutline(40), x, 60, Keep.Bare)] }, new BuildDam("k", 3));
        Assert.Empty(Told(Kept(290), "part-outside"));
        Cleared(Kept(301), "part-outside");
        Piece Part(Outline outline, double x, double y) =>
            plain with { Layers = [plain.Layers[0] with { Zones = [new("z", "Corner", outline, x, y, new FloodLayout("moss"))] }] };
        Assert.Empty(Told(Part(new RoundOutline(40), 299, 60), "part-outside"));
        Cleared(Part(new RoundOutline(40), 301, 60), "part-outside");

        // One that the piece lies in wholly is not off it.
        Assert.Empty(Told(Part(new RectangleOutline(900, 900), -300, -300), "part-outside"));

        // Nor is a bar across it, of which no corner lies on the piece.
        Assert.Empty(Told(Part(new RectangleOutline(900, 10), -300, 60), "part-outside"));
    }

    [Fact]
    public void Metallic_acrylic_is_water_paint_too()
    {
        Piece Dosed(double percent) =>
            On(Board(BaseMaterial.BirchPly, 18), Flood("l1", 3, Samples.Cup("c", ColourantClass.AcrylicMetallic, percent)));
        Assert.Empty(Told(Dosed(WaterPaintCheck.MostPercent), "water-paint"));
        Cleared(Dosed(WaterPaintCheck.MostPercent + 0.1), "water-paint");
    }

    [Fact]
    public void Clear_beside_glitter_is_no_twin_and_hollows_of_a_mould_tell_twins_once()
    {
        var glitter = new Recipe("g", "frost", "#dfe4e2", [new(ColourantClass.Glitter, 1)]);
        Piece Beside(Recipe a, Recipe b) => On(Board(BaseMaterial.BirchPly, 18), new Sketch("l1", "Rings", 3,
            new RingsLayout([Samples.Heart(150, 100)], [new("b1", 20, false, a.Id), new("b2", 0, true, b.Id)], 0, a.Id),
            [a, b], new("coating"), Measure.ByVolume, null, [], PlannedTimes.None));
        Assert.Empty(Told(Beside(Clear, glitter), "twins"));
        var grey = new Recipe("one", "one", "#808080", [new(ColourantClass.Paste, 4)]);
        var alike = new Recipe("two", "two", "#848484", [new(ColourantClass.Paste, 4)]);
        Assert.Single(Told(Beside(grey, alike), "twins"));
    }

    [Fact]
    public void A_layer_of_flat_pools_is_dull_and_one_pool_of_mica_is_enough()
    {
        Piece Pools(params Recipe[] of)
        {
            var walls = Enumerable.Range(1, of.Length - 1)
                .Select(i => new Stroke($"w{i}", [new(300.0 * i / of.Length, -1), new(300.0 * i / of.Length, 201)])).ToImmutableArray();
            var layout = Draw.Pools(walls, 3,
                [.. of.Select((r, i) => new PoolColour($"p{i}", 300.0 * (i + 0.5) / of.Length, 100, r.Id))]);
            return On(Board(BaseMaterial.BirchPly, 18),
                new Sketch("l1", "Pools", 3, layout, [.. of], new("coating"), Measure.ByVolume, null, [], PlannedTimes.None));
        }

        Recipe Flat(int i) => new($"c{i}", $"c{i}", $"#{i}{i}6080", [new(ColourantClass.Paste, 5)]);
        Assert.Equal("dull-field@l1/pools", Assert.Single(Told(Pools([.. Enumerable.Range(1, 6).Select(Flat)]), "dull-field")).Key);
        Assert.Empty(Told(Pools([.. Enumerable.Range(1, 5).Select(Flat), Moss]), "dull-field"));

        // One large flat region is dull, and not where a colour comes over it in another pass.
        var flood = On(Board(BaseMaterial.BirchPly, 18), Flood("l1", 3, Flat(3)));
        Assert.Single(Told(flood, "dull-field"));
        Assert.Empty(Told(Made(flood, new AddColour("gold", "#c9a23b", [new(ColourantClass.Mica, 3)]),
            new AddPass("l1", FloodLayout.FloodId, null, false, AddColour.IdOf("gold", flood.Recipes))), "dull-field"));
    }

    [Fact]
    public void A_wall_that_stops_short_says_of_what()
    {
        Piece Wall(double to) => On(Board(BaseMaterial.BirchPly, 18), new Sketch("l1", "Pools", 3,
            Draw.Pools([new("w", [new(150, -1), new(150, to)])], 3, [new("p", 20, 100, "moss"), new("q", 280, 100, "moss")]),
            [Moss], new("coating"), Measure.ByVolume, null, [], PlannedTimes.None));
        Assert.Contains("short of the rim", Cleared(Wall(180), "near-miss").Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Stones_under_a_colour_that_hides_are_told_and_clear_first_keeps_them_in_sight()
    {
        Piece With(Recipe recipe) => Made(On(Board(BaseMaterial.BirchPly, 18), Flood("l1", 4, recipe)),
            new SetRegionStones("l1", FloodLayout.FloodId, "shell", 20));
        Assert.Empty(Told(With(Clear), "hides-inlay"));
        Assert.Empty(Told(With(Samples.Cup("c", ColourantClass.Dye, 0.05)), "hides-inlay"));
        Cleared(With(Samples.Cup("c", ColourantClass.Paste, 5)), "hides-inlay");
    }

    [Fact]
    public void Only_what_is_to_be_prepared_is_marked()
    {
        var piece = On(Board(BaseMaterial.BirchPly, 18));
        Assert.Equal("There is no such preparation.",
            Editing.Checked(piece, [new MarkPrepared("polish", true, Noon)], AnyEdit.Cupboard).Refusal);
        Assert.Equal(["sand"], Made(piece, new MarkPrepared("sand", true, Noon)).Ground.Done!.Value.Select(d => d.Id));
    }

    [Fact]
    public void A_wetting_coat_takes_the_start_of_what_comes_over_it()
    {
        var piece = On(Board(BaseMaterial.BirchPly, 18), Flood("l1", 3, Moss), Flood("l2", 3, Moss));
        piece = piece with { Sittings = [.. piece.Sittings.Select((s, i) => s with { Start = Noon.PlusDays(i), RoomC = 21 })] };
        var wet = Made(piece, new WetFirst());
        Assert.Equal([Noon, null, null], wet.Sittings.Select(s => s.Start));
        Assert.Empty(Told(wet, "layer-early"));
    }

    [Fact]
    public void White_ink_is_a_pigment_and_covers_white()
    {
        CupLook Look(string colour) => CupLook.Of(Around.Catalogue, new Recipe("i", "ink", colour, [new(ColourantClass.AlcoholInk, 3)]),
            _ => throw new InvalidOperationException(), () => 1.1);
        var dark = Units.Colour.Of("#202020");
        Assert.True(Look("#ffffff").Over(dark, 3).G > dark.G + 0.3);
        Assert.True(Look("#2060c0").Over(dark, 3).G <= dark.G);
    }

    [Fact]
    public void What_is_kept_visible_in_a_mould_is_painted_as_what_lies_behind_it()
    {
        var mould = new Ground(new RectangleOutline(200, 150), EdgeStyle.Walled, 12, "#808080",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(12, CapacityFrom.Dimensions, null, 1, 1, 1));
        var paste = Samples.Cup("rust", ColourantClass.Paste, 6) with { Colour = "#a03010" };
        var piece = Samples.Piece(mould, Flood("l1", 10, paste) with { Recipes = [paste, Clear] }) with
        {
            Kept = [new("k", "Shell", new RoundOutline(40), 80, 55, Keep.Visible)],
        };
        var painted = Planner.Paint(piece, Around.Catalogue, null, PaintDetail.Full);
        var spot = painted.Paths.Last(p => p.Region == RegionId.OfSpot("k"));
        var body = painted.Paths.First(p => p.Region == FloodLayout.FloodId);
        Assert.True(Lab.Difference(Lab.Of(Units.Colour.Of(spot.Fill!)), Lab.Of(Units.Colour.Of(body.Fill!))) < 6,
            $"{spot.Fill} in {body.Fill}");
    }

    [Fact]
    public void A_dome_on_an_open_edge_has_no_film_and_no_drips()
    {
        var round = Samples.Piece(new Ground(new RoundOutline(100), EdgeStyle.DrippedOver, 20, "#d8bd8c"), Flood("l1", 3, Moss));
        var domed = Made(round, new LayRegion("l1", FloodLayout.FloodId, null, FillWay.Domed));
        var pour = Plan(domed).Sittings[0].Cups.Regions.Single();
        Assert.Equal((8.67, 0.0), (Math.Round(pour.PourMl.Value, 2), pour.EdgeMl.Value));
    }

    [Fact]
    public void Coats_that_depth_was_kept_for_do_not_run_over()
    {
        Piece Cast(params double[] mm) => On(new Ground(new RectangleOutline(200, 150), EdgeStyle.Walled, 12, "#d8bd8c",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(12, CapacityFrom.Dimensions, null, 1, 1, 2)),
            [.. mm.Select((d, i) => Flood($"l{i + 1}", d, Moss, "casting"))]);
        Assert.Empty(Told(Cast(10), "overfill"));
        Assert.NotEmpty(Told(Cast(10.1), "overfill"));
        Assert.Empty(Told(Cast(10, 1, 1), "overfill"));
        Cleared(Cast(10, 1, 1.2), "overfill");
        Assert.Equal("overfill@l1", Cleared(Cast(10.5, 1), "overfill").Key);
    }

    [Fact]
    public void Silicone_of_ones_own_dries_as_long_as_one_says()
    {
        Ground Frame() => Board(BaseMaterial.Pine, 18, EdgeStyle.Walled, PieceKind.Frame);
        double? Dry(Catalogue catalogue) =>
            Preparation.Of(Frame(), Around with { Catalogue = catalogue }).Single(s => s.Id == "caulk").DryHours;
        Assert.Equal(Preparation.SealantHours, Dry(Catalogue.Typical));
        OwnMaterial Own(bool away) => new(MaterialKind.Barrier, "roof silicone", "silicone",
            ImmutableSortedDictionary<string, double>.Empty.Add(MaterialProperties.ReadyHours, 12), PutAway: away);
        Assert.Equal(12, Dry(Catalogue.Typical.With([("roof", Own(false))])));
        Assert.Equal(Preparation.SealantHours, Dry(Catalogue.Typical.With([("roof", Own(true))])));
    }
}
