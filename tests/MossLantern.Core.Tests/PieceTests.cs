using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

public class PieceTests
{
    private static readonly DateTimeZone Dublin = DateTimeZoneProviders.Tzdb["Europe/Dublin"];
    private static readonly Sketch Stack = Samples.Layer(Samples.Heart(250, 180), 12, 3, 30, 0, 20);

    [Fact]
    public void A_first_piece_is_valid_and_clear_all_over()
    {
        var piece = FirstPiece.Of("Fen Tray", Samples.Panel(300, 200));
        Assert.True(new PieceValidator().Validate(piece).IsValid);
        var layer = Plan(piece).Layers.Single();
        Assert.Equal(600, layer.Regions.Single().Area.Value, 1e-9);
        Assert.Equal(180, layer.Cups.Regions.Single().LayerMl.Value, 1e-9);
        Assert.Empty(layer.Windows);
    }

    [Fact]
    public void The_ground_is_measured_in_what_the_artist_reads()
    {
        var plan = Plan(Samples.Piece(Samples.Panel(), Stack)).Ground;
        Assert.Equal((2400, "cm²"), (plan.Area.Value, plan.Area.Unit));
        Assert.Equal((2000, "mm"), (plan.Perimeter.Value, plan.Perimeter.Unit));
        Assert.Equal((800, "cm²"), (plan.SideArea.Value, plan.SideArea.Unit));
        Assert.Equal(40, plan.SideArea.Input("side height").Value);
    }

    [Fact]
    public void Pours_go_ring_by_ring_from_the_heart_until_the_artist_says_otherwise()
    {
        Assert.Equal(["heart", "b1", "b2", "b3", "b4", "b5"], Steps(Stack).Select(s => s.RegionId).Written());
        Assert.Equal(["b4", "b2", "heart", "b1", "b3", "b5"],
            Steps(Stack with { PourOrder = [R("b4"), R("b2")] }).Select(s => s.RegionId).Written());
    }

    [Fact]
    public void A_region_without_area_is_not_poured() =>
        Assert.DoesNotContain("b2", Steps(Samples.Layer(Samples.Heart(250, 180), 2000 / 2.0, 30, 0)).Select(s => s.RegionId).Written());

    [Fact]
    public void What_is_left_in_a_cup_falls_with_every_pour_and_never_below_reserve_and_loss()
    {
        var shared = Stack.WithBands(Stack.Bands.Changed(2, b => b with { RecipeId = "c1" }));
        var plan = Plan(Samples.Piece(Samples.Panel(), shared)).Layers.Single();
        var cup = plan.Cups.Cups.Single(c => c.CupId == "c1");
        var steps = plan.Pours.Where(s => s.CupId == "c1").ToList();
        Assert.Equal(2, steps.Count);
        Assert.Equal(cup.MixMl.Value - steps[0].PourMl.Value, steps[0].LeftInCupMl!.Value, 1e-9);
        Assert.Equal(steps[0].LeftInCupMl!.Value - steps[1].PourMl.Value, steps[1].LeftInCupMl!.Value, 1e-9);
        Assert.True(steps[1].LeftInCupMl!.Value >= cup.Reserve.Value + cup.Loss.Value - 1e-9);
    }

    [Fact]
    public void Windows_follow_the_plan_in_local_time_and_mark_what_is_a_default()
    {
        var layer = Stack with { Plan = new(new(2026, 7, 1, 9, 0), null, null) };
        var sitting = Plan(Samples.Piece(Samples.Panel(), layer)).Layers.Single();
        var pour = sitting.Span!;
        Assert.Equal(Instant.FromUtc(2026, 7, 1, 8, 0), pour.Start);
        Assert.Equal(pour.Start + Duration.FromMinutes(sitting.Sittings[0].Batches.EndMinutes.Value), pour.End);
        Assert.Equal((22, Origin.Default), (pour.Room.At(null).Celsius, pour.Room.At(null).Origin));
    }

    [Fact]
    public void A_local_time_that_the_clocks_skip_moves_on_by_the_skipped_hour()
    {
        var layer = Stack with { Plan = new(new(2026, 3, 29, 1, 30), null, 20) };
        Assert.Equal(Instant.FromUtc(2026, 3, 29, 1, 30), Plan(Samples.Piece(Samples.Panel(), layer)).Layers.Single().Span!.Start);
    }

    [Fact]
    public void What_really_happened_wins_over_the_plan()
    {
        var layer = Stack with { Plan = new(new(2026, 7, 1, 9, 0), new(2026, 7, 1, 9, 30), 19) };
        var start = Instant.FromUtc(2026, 7, 2, 10, 0);
        var piece = Samples.Piece(Samples.Panel(), layer);

        var plan = Plan(piece, new PouredSitting("l1", start, null, null)).Layers.Single();
        Assert.True(plan.Poured);
        // A log counts from the first pour, not from mixing.
        var batches = plan.Sittings[0].Batches;
        var pouring = batches.EndMinutes.Value - batches.FirstPourMinutes;
        Assert.True(batches.FirstPourMinutes > 9);
        Assert.Equal(new PourSpan(start, start + Duration.FromMinutes(pouring),
            RoomCurve.Constant(19, Origin.Own, "sittings[l1].roomC")), plan.Span);

        var read = Plan(piece, new PouredSitting("l1", start, start + Duration.FromMinutes(41), 23.5)).Layers.Single();
        Assert.Equal(new PourSpan(start, start + Duration.FromMinutes(41),
            RoomCurve.Constant(23.5, Origin.Measured, "sittings[l1].roomC")), read.Span);
        Assert.Equal(start + Duration.FromMinutes(41) + Duration.FromHours(read.Windows[0].OpensAfterHours.Value), read.Windows[0].Opens);
    }

    [Fact]
    public void The_cut_runs_through_the_heart_and_spans_the_outline()
    {
        var cut = Plan(Samples.Piece(Samples.Panel(), Stack)).Layers.Single().Cut;
        Assert.Contains(cut, s => s.RegionId == "heart" && s.FromMm < 250 && s.ToMm > 250);
        Assert.Equal(0, cut[0].FromMm);
        Assert.Equal(600, cut[^1].ToMm);
        Assert.All(cut.Zip(cut.Skip(1)), pair => Assert.Equal(pair.First.ToMm, pair.Second.FromMm, 1e-9));
    }

    [Fact]
    public void A_scale_is_kept_while_the_outline_changes_a_little_and_renewed_when_it_changes_much()
    {
        var scale = GrowthScale.For(new RectangleOutline(600, 400));
        Assert.Same(scale, scale.Kept(new RectangleOutline(610, 420)));
        Assert.Equal(GrowthScale.For(new RectangleOutline(60, 40)), scale.Kept(new RectangleOutline(60, 40)));
    }

    [Fact]
    public void A_valid_piece_has_nothing_to_say() => Assert.Empty(Refusals(Samples.Piece(Samples.Panel(), Stack)));

    public static TheoryData<string, string, Func<Piece, Piece>> Refused => new()
    {
        { "Name", "from 1 to 120 characters", p => p with { Name = "  " } },
        { "Name", "from 1 to 120 characters", p => p with { Name = new('x', 121) } },
        { "Ground.outline.widthMm", "Width must be from 20 to 3000 mm.",
            p => OnGround(p, g => g with { Outline = new RectangleOutline(19.9, 400) }) },
        { "Ground.outline.heightMm", "Height must be from 20 to 3000 mm.",
            p => OnGround(p, g => g with { Outline = new RectangleOutline(600, 3001) }) },
        { "Ground.outline.diameterMm", "Diameter must be from 20 to 3000 mm.",
            p => OnGround(p, g => g with { Outline = new RoundOutline(double.NaN) }) },
        { "Ground.SideHeightMm", "Side height must be from 0 to 300 mm.", p => OnGround(p, g => g with { SideHeightMm = -1 }) },
        { "Ground.Colour", "a colour like #33523f", p => OnGround(p, g => g with { Colour = "red" }) },
        { "Growth.GridMm", "suit the outline", p => p with { Growth = p.Growth with { GridMm = 0.1 } } },
        { "Layers", "from 1 to 20 layers", p => p with { Layers = [] } },
        { "Layers", "an id of its own", p => p with { Layers = [p.Layers[0], p.Layers[0]] } },
        { "layers[l1].DepthMm", "Layer depth must be from 0.1 to 100 mm.", p => OnLayer(p, l => l with { DepthMm = 0 }) },
        { "layers[l1].DepthMm", "Layer depth must be from 0.1 to 100 mm.",
            p => OnLayer(p, l => l with { DepthMm = double.PositiveInfinity }) },
        { "layers[l1].Layout.RimFollow", "from 0 to 1", p => OnLayer(p, l => l.Rings(r => r with { RimFollow = 1.1 })) },
        { "layers[l1].Layout.Hearts", "Number of hearts must be from 0 to 6.",
            p => OnLayer(p, l => l.WithHearts([.. Enumerable.Range(1, 7).Select(i => l.Hearts[0] with { Id = $"h{i}" })])) },
        { "layers[l1].Layout.hearts[h1].WidthMm", "Heart width must be from 4 to 2000 mm.",
            p => OnLayer(p, l => l.WithHearts([l.Hearts[0] with { WidthMm = 3 }])) },
        { "layers[l1].Layout.hearts[h1].WavinessMm", "Waviness must be from 0 to 40 mm.",
            p => OnLayer(p, l => l.WithHearts([l.Hearts[0] with { WavinessMm = 41 }])) },
        { "layers[l1].Layout.Bands", "Number of bands must be from 1 to 40.", p => OnLayer(p, l => l.WithBands([])) },
        { "layers[l1].Layout.Bands", "Exactly one band must fill the rest.",
            p => OnLayer(p, l => l.WithBands(l.Bands.Changed(0, b => b with { FillsRest = true }))) },
        { "layers[l1].Layout.Bands", "an id of its own, other than 'heart'",
            p => OnLayer(p, l => l.WithBands(l.Bands.Changed(0, b => b with { Id = "heart" }))) },
        { "layers[l1].Layout.bands[b2].WidthMm", "Band width must be from 0.5 to 1000 mm.",
            p => OnLayer(p, l => l.WithBands(l.Bands.Changed(1, b => b with { WidthMm = 0.4 }))) },
        { "layers[l1].Layout.bands[b2].RecipeId", "one of the piece's recipes",
            p => OnLayer(p, l => l.WithBands(l.Bands.Changed(1, b => b with { RecipeId = "nowhere" }))) },
        { "layers[l1].Layout.HeartRecipeId", "one of the piece's recipes",
            p => OnLayer(p, l => l.Rings(r => r with { HeartRecipeId = "nowhere" })) },
        { "recipes[bed].Doses[0].Percent", "Load must be from 0 to 100 %.",
            p => OnLayer(p, l => l with { Recipes = l.Recipes.Changed(0, c => c.WithLoad(101)) }) },
        { "sittings[l1].Resin.System", "one of the cupboard's", p => OnLayer(p, l => l with { Resin = new("") }) },
        { "sittings[l1].Resin.Ratio.Resin", "Resin parts must be from 0.01 to 1000.",
            p => OnLayer(p, l => l with { Resin = new("coating", new(RatioBasis.Volume, 0, 1)) }) },
        { "sittings[l1].Resin.ResinDensity", "Density of the resin must be from 0.3 to 20 g/ml.",
            p => OnLayer(p, l => l with { Resin = new("coating", null, 0.2) }) },
        { "sittings[l1].ReservePercent", "Reserve must be from 0 to 100 %.", p => OnLayer(p, l => l with { ReservePercent = -1 }) },
        { "sittings[l1].Losses.FilmMm", "Film thickness must be from 0 to 10 mm.",
            p => OnLayer(p, l => l with { Losses = new(FilmMm: 11) }) },
        { "sittings[l1].Losses.CupMl", "What stays in a cup must be from 0 to 100 ml.",
            p => OnLayer(p, l => l with { Losses = new(CupMl: -1) }) },
        { "sittings[l1].Order", "a region that the layer does not have", p => OnLayer(p, l => l with { PourOrder = [R("b9")] }) },
        { "sittings[l1].RoomC", "Room temperature must be from -20 to 60 °C.",
            p => OnLayer(p, l => l with { Plan = new(null, null, 61) }) },
        { "sittings[l1].End", "cannot be before the first",
            p => OnLayer(p, l => l with { Plan = new(new(2026, 5, 1, 9, 0), new(2026, 5, 1, 8, 59), null) }) },
    };

    [Theory(DisableDiscoveryEnumeration = true)]
    [MemberData(nameof(Refused))]
    public void What_does_not_fit_is_refused_by_name_and_range(string field, string sentence, Func<Piece, Piece> change)
    {
        var refusal = Assert.Single(Refusals(change(Samples.Piece(Samples.Panel(), Stack))));
        // A place is the same to the world whichever letter it begins with: the interface writes it small.
        Assert.Equal(field, refusal.Field, ignoreCase: true);
        Assert.Contains(sentence, refusal.Sentence, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(20, true)]
    [InlineData(3000, true)]
    [InlineData(19.999, false)]
    [InlineData(3000.001, false)]
    [InlineData(double.NaN, false)]
    [InlineData(double.NegativeInfinity, false)]
    public void A_range_takes_its_ends(double value, bool taken) => Assert.Equal(taken, Accepted.OutlineMm.Contains(value));

    [Fact]
    public void A_range_may_leave_its_lower_end_out()
    {
        Assert.False(Accepted.SegmentHours.Contains(0));
        Assert.Equal("Hours in a segment must be above 0 to 8760 h.", Accepted.SegmentHours.Sentence);
    }

    private static IEnumerable<(string Field, string Sentence)> Refusals(Piece piece) =>
        new PieceValidator().Validate(piece).Errors.Select(e => (e.PropertyName, e.ErrorMessage));

    private static Piece OnGround(Piece piece, Func<Ground, Ground> change) => piece with { Ground = change(piece.Ground) };

    private static Piece OnLayer(Piece piece, Func<Sketch, Sketch> change) => piece.OnLayer(0, change);

    private static IEnumerable<PlannedPour> Steps(Sketch layer) => Plan(Samples.Piece(Samples.Panel(), layer)).Layers.Single().Pours;

    private static PiecePlan Plan(Piece piece, params PouredSitting[] poured) =>
        new PiecePlanner(new LayerMapper()).Plan(piece, poured, Dublin);
}
