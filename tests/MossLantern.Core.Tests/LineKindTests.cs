using System.Collections.Immutable;
using System.Text.Json;
using FluentValidation;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;
using NodaTime;
using static MossLantern.Core.Tests.Samples;

namespace MossLantern.Core.Tests;

/// <summary>Lines of every kind: how they run, what they take, when resin may meet them, and what holds all that.</summary>
public class LineKindTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);
    private static readonly LocalDateTime Ten = new(2026, 5, 4, 10, 0);

    private static PiecePlan Plan(Piece piece, Surroundings? around = null) => Planner.Plan(piece, [], around ?? Around);

    private static Piece Rings() => Piece(Panel(300, 200), Layer(Heart(140, 100), 18, 12, 0));

    private static Piece With(Course course, LineOf of = LineOf.Resin) => Made(Rings(), new LayLine("l1", null, course, of, "c1"));

    private static LinePlan Of(Piece piece) => Plan(piece).Layers[0].Lines.Single();

    private static Piece Set(Piece piece, string field, object value) =>
        Made(piece, SetField.To($"lines[{piece.Lines!.Value[^1].Id}].{field}", Written(value)));

    private static object Written(object value) => value is Enum ? JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString()!) : value;

    private static DrawnCourse Straight(double mm) => new([new(20, 100), new(20 + mm, 100)]);

    [Fact]
    public void What_comes_from_a_cup_lies_flat_and_what_comes_from_a_bag_is_half_round()
    {
        // 800 × 4 × 1 mm laid on wet are 3.2 ml, so 200 mm a quarter of it; 3 × 1 mm along 500 are 1.5, so 250 mm half of it.
        var flat = Set(Set(With(Straight(200)), "section.widthMm", 4), "section.heightMm", 1);
        Assert.Equal(3.2 / 4, Of(flat).Ml!.Value, 1e-6);
        Assert.Equal(1.5 / 2, Of(With(Straight(250))).Ml!.Value, 1e-6);
        Assert.Equal(Math.PI * 8 * 5 / 4 * 200 / 1000, Of(With(Straight(200), LineOf.Paste)).Ml!.Value, 1e-6);
        Assert.Equal(200 / 8.0 / 60, Of(flat).Draw.Value, 1e-9);
    }

    [Fact]
    public void A_line_is_as_long_as_it_is_drawn_as_far_as_there_is_something_to_lie_on()
    {
        Assert.Equal(200, Of(With(Straight(200))).Length.Value, 1e-6);
        Assert.Equal(280, Of(With(Straight(2000))).Length.Value, 1e-6);
        Assert.Equal(Math.PI * 60, Of(With(new RingCourse(140, 100, 60))).Length.Value, 0.2);

        // A spiral of so many even turns is about half as long as so many rings.
        Assert.Equal(3 * Math.PI * 60 / 2, Of(With(new RingCourse(140, 100, 60, 3))).Length.Value, 6.0);
        Assert.Equal(0, Of(With(new RingCourse(2000, 100, 60))).Length.Value, 1e-9);
    }

    [Fact]
    public void A_line_beside_a_border_lies_on_the_side_that_is_meant_and_part_of_it_is_as_long_as_its_share()
    {
        var whole = Of(With(new BorderCourse(R("b1"), R("b2")))).Length.Value;
        Assert.Equal(whole / 2, Of(With(new BorderCourse(R("b1"), R("b2"), 0, 0.25, 0.75))).Length.Value, whole * 2e-3);

        Assert.Equal(whole / 2, Of(With(new BorderCourse(R("b1"), R("b2"), 0, 0.75, 0.25))).Length.Value, whole * 2e-3);
        Assert.Equal(0, Of(With(new BorderCourse(R("b1"), R("b2"), 0, 0.5, 0.5))).Length.Value);

        // Round a closed curve a line 3 mm outside is longer by 2π × 3, inside shorter by as much.
        var (outside, inside) = (Of(With(new BorderCourse(R("b1"), R("b2"), 3))).Length.Value,
            Of(With(new BorderCourse(R("b1"), R("b2"), -3))).Length.Value);
        Assert.True(outside > whole && inside < whole, $"{inside} {whole} {outside}");
        Assert.Equal(inside, Of(With(new BorderCourse(R("b2"), R("b1"), 3))).Length.Value, 1e-6);
    }

    [Theory]
    [InlineData(PasteStiffness.Crumbly, 0.5)]
    [InlineData(PasteStiffness.Holds, 0.7)]
    [InlineData(PasteStiffness.Creeps, 0.9)]
    [InlineData(PasteStiffness.Pours, 1.2)]
    public void A_paste_takes_resin_for_what_its_granules_leave_between_them(PasteStiffness stiffness, double filled)
    {
        // Glass leaves 44 of 100, sand 40: three parts to one leave 43.
        var piece = Set(Made(With(Straight(200), LineOf.Paste),
            new MixPaste("paste-1", [new("crushed-glass", 3), new("sand", 1)])), "material.stiffness", stiffness);
        var ml = Math.PI * 8 * 5 / 4 * 200 / 1000;
        var bulk = ml / Math.Max(1, 0.57 + 0.43 * filled);
        var plan = Plan(piece).Layers[0];
        Assert.Equal(bulk * 0.43 * filled * 1.1, plan.Cups.Regions.Single(r => r.RegionId == "paste").LayerMl.Value, 1e-6);
        Assert.Equal([bulk * 1.1 * 0.75 * 1.40, bulk * 1.1 * 0.25 * 1.60],
            plan.Lines.Single().Granules.Select(g => g.Grams.Value), (a, b) => Math.Abs(a - b) < 1e-6);
        Assert.Equal(stiffness == PasteStiffness.Pours, bulk < ml);
    }

    [Fact]
    public void A_paste_is_mixed_in_a_cup_of_its_own_and_poured_from_another_it_stays_a_paste()
    {
        var piece = Made(Rings(), new LayLine("l1", null, Straight(200), LineOf.Paste));
        var own = piece.Recipes.Single(r => r.Name == LayLine.PasteName);
        Assert.Equal(own.Id, piece.Lines!.Value[0].RecipeId);
        var other = Made(piece, new PourFrom("l1", null, R("paste"), "c2"));
        Assert.Equal("c2", Assert.IsType<PasteLine>(other.Lines!.Value[0].Material).RecipeId);
        Assert.Single(Plan(piece).Sittings[0].Pours, p => p.RegionId == "paste");
    }

    [Fact]
    public void A_raised_line_is_poured_round_from_no_cup_and_changes_no_number_of_what_it_stands_in()
    {
        var piece = With(new BorderCourse(R("b1"), R("b2")), LineOf.Relief);
        var (with, without) = (Plan(piece).Layers[0], Plan(Rings()).Layers[0]);
        Assert.Equal(without.Regions.Select(r => (r.Id, r.Area.Value)), with.Regions.Select(r => (r.Id, r.Area.Value)));
        Assert.Equal(without.Cups.Regions.Select(r => r.PourMl.Value), with.Cups.Regions.Select(r => r.PourMl.Value));
        Assert.Null(with.Lines.Single().Peels);
        var full = Planner.Paint(piece, null, Painting.PaintDetail.Full);
        Assert.Contains(full.Paths, p => p.Stroke == LayLine.UsualReliefColour && p.StrokeMm == LayLine.ReliefWidthMm);
    }

    [Fact]
    public void A_line_dries_with_the_square_of_its_height_and_by_the_persons_own_data()
    {
        // 1 h at 1.5 mm, so 2.78 h at 2.5.
        var raised = Set(With(Straight(200), LineOf.Relief), "section.heightMm", 2.5);
        Assert.Equal(2.778, Of(raised).Dry!.Value, 5e-4);
        var own = Around.Catalogue.With([("outliner", new(MaterialKind.Barrier, "raised outliner", "outliner",
            ImmutableSortedDictionary<string, double>.Empty.Add(MaterialProperties.ReadyHours, 2)
                .Add(MaterialProperties.ReadyAtMm, 2.5)))]);
        Assert.Equal(2, Plan(raised, Around with { Catalogue = own }).Layers[0].Lines.Single().Dry!.Value, 1e-9);
        Assert.Equal([3, 24, 0.5], new[] { BarrierClass.Putty, BarrierClass.Liner, BarrierClass.Silicone }
            .Select(c => Of(Set(raised, "material.class", c)).Dry!.Value), (a, b) => Math.Abs(a - b) < 1e-9);
        Assert.Equal(24 * 1.5 / 3, Of(Set(raised, "material.class", BarrierClass.Silicone)).Peels!.Value, 1e-9);
        Assert.Equal(0.2 * Math.PI * 3 * 2.5 / 4 * 1.1 / 20, Of(raised).Tubes!.Value, 1e-9);
    }

    [Theory]
    [InlineData(179, false)]
    [InlineData(181, true)]
    public void A_wall_that_is_not_dry_when_its_sitting_begins_is_told_and_the_pour_waits(int minutes, bool told)
    {
        // Putty is firm after 3 h; it was laid so long before the pour.
        var raised = Made(Set(With(Straight(200), LineOf.Relief), "material.class", BarrierClass.Putty),
            new MarkLaid(["relief-1"], true, Ten), new PourAt("l1", Ten.PlusMinutes(360 - minutes)));
        var found = Plan(raised).Findings.SingleOrDefault(f => f.Key == "wet-glue@l1/relief-1");
        Assert.Equal(told, found is not null);
        Assert.Equal(Ten.PlusHours(3), Of(raised).Ready);
        if (found is not null)
        {
            Assert.DoesNotContain(Plan(Made(raised, [.. found.Remedies[0].Edits])).Findings, f => f.Key == found.Key);
        }
    }

    [Theory]
    [InlineData(179, true)]
    [InlineData(181, false)]
    public void A_wall_that_is_not_begun_and_cannot_be_dry_by_then_is_told(int minutes, bool told)
    {
        var raised = Made(Set(With(Straight(200), LineOf.Relief), "material.class", BarrierClass.Putty),
            new PourAt("l1", Ten.PlusMinutes(minutes)));
        var found = Planner.FindingsAt(raised, Plan(raised), Around, Ten.InUtc().ToInstant());
        Assert.Equal(told, found.Any(f => f.Key == "wet-glue@l1/lines"));
    }

    [Theory]
    [InlineData(4.38, true)]
    [InlineData(4.41, false)]
    public void A_raised_line_that_stands_lower_than_its_layer_is_hidden(double heightMm, bool told)
    {
        // It dries to 0.65 of its height in a layer 3 mm deep, of paste at 4 %: half is hidden by 0.144 mm of that.
        var piece = Made(Rings(), SetField.To("layers[l1].depthMm", 3), new LayLine("l1", null, Straight(200), LineOf.Relief));
        piece = Set(piece, "section.heightMm", heightMm);
        var found = Plan(piece).Findings.SingleOrDefault(f => f.Key == "hides-inlay@l1/relief-1");
        Assert.Equal(told, found is not null);
        if (found is not null)
        {
            Assert.DoesNotContain(Plan(Made(piece, [.. found.Remedies[0].Edits])).Findings, f => f.Key == found.Key);
        }
    }

    [Fact]
    public void Under_clear_a_raised_line_is_seen()
    {
        var piece = Made(Rings(), new LayLine("l1", null, Straight(200), LineOf.Relief));
        piece = piece with { Recipes = [.. piece.Recipes.Select(r => Recipe.Clear(r.Id))] };
        Assert.DoesNotContain(Plan(piece).Findings, f => f.Key.StartsWith("hides-inlay@l1/relief", StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_laid_is_marked_and_what_is_poured_is_not()
    {
        var piece = Made(With(Straight(200), LineOf.Relief), new LayLine("l1", null, Straight(100), LineOf.Resin, "c1"));
        var laid = Made(piece, new MarkLaid(["relief-1"], true, Ten));
        Assert.Equal(new LineLaid(Ten), laid.Lines!.Value[0].Laid);
        Assert.Null(Made(laid, new MarkLaid(["relief-1"], false)).Lines!.Value[0].Laid);
        Assert.NotNull(Editing.Checked(piece, [new MarkLaid(["line-1"], true)], AnyEdit.Cupboard).Refusal);
    }

    [Theory]
    [InlineData(DryingKind.CracklePaste, 3)]
    [InlineData(DryingKind.Glue, 12)]
    [InlineData(DryingKind.Mask, 2)]
    public void What_else_dries_takes_its_typical_time_or_ones_own_and_the_pour_waits_for_it(DryingKind kind, double typical)
    {
        var piece = Made(Rings(), new AddDrying("l1", kind), new PourAt("l1", Ten));
        Waits One(Piece of) => Assert.Single(Plan(of).Layers[0].Waits);
        Assert.Equal((typical, Origin.Default), (One(piece).Dry!.Value, One(piece).Dry!.Inputs[0].Origin));

        // Not on yet, it cannot be dry by then from a minute on; on, it is told from a minute on too.
        bool Begun(Piece of, double hoursBefore) => Planner.FindingsAt(of, Plan(of), Around,
            Ten.InUtc().ToInstant() - Duration.FromHours(hoursBefore)).Any(f => f.Key == "wet-glue@l1/lines");
        Assert.True(Begun(piece, typical - 0.1));
        Assert.False(Begun(piece, typical + 0.1));
        Piece On(double hours) => Made(piece, SetField.To("dries[dry-1].hours", hours), new MarkLaid(["dry-1"], true, Ten.PlusHours(-5)));
        Assert.Equal(Origin.Own, One(On(4.9)).Dry!.Inputs[0].Origin);
        Assert.DoesNotContain(Plan(On(4.9)).Findings, f => f.Key == "wet-glue@l1/dry-1");
        var wet = Plan(On(5.1)).Findings.Single(f => f.Key == "wet-glue@l1/dry-1");
        Assert.DoesNotContain(Plan(Made(On(5.1), [.. wet.Remedies[0].Edits])).Findings, f => f.Key == wet.Key);
        Assert.Null(Made(piece, new TakeLineAway("dry-1")).Dries);
    }

    [Fact]
    public void Of_something_of_ones_own_it_is_not_known_how_long_it_dries_until_that_is_said()
    {
        var piece = Made(Rings(), new AddDrying("l1", DryingKind.Other), SetField.To("dries[dry-1].name", "shellac"));
        Assert.Null(Plan(piece).Layers[0].Waits.Single().Dry);
        Assert.Equal("\"shellac\"", Plan(piece).Layers[0].Waits.Single().What);
        var answer = WallsAnswer.Of(piece, Plan(piece), "l1", DateTimeZone.Utc, Ten.InUtc().ToInstant());
        Assert.Empty(answer.ToLay);
        var known = Made(piece, SetField.To("dries[dry-1].hours", 1.5));
        var told = WallsAnswer.Of(known, Plan(known), "l1", DateTimeZone.Utc, Ten.InUtc().ToInstant());
        Assert.Equal(["dry-1"], told.ToLay);
        Assert.Equal(Ten.InUtc().ToInstant() + Duration.FromHours(1.5), told.PourFrom);
        Assert.Equal(["dry-1"], Made(known, new MarkLaid(["dry-1"], true)).Dries!.Value.Where(d => d.Laid is not null).Select(d => d.Id));
        foreach (var (field, bad) in new (string, Drying)[]
        {
            ("dries[dry-1].hours", new("dry-1", DryingKind.Other, "l1", null, -1)),
            ("dries[dry-1]", new("dry-1", DryingKind.Other, "gone")),
            ("dries[dry-1].name", new("dry-1", DryingKind.Other, "l1", " ")), ("dries", new("", DryingKind.Other, "l1")),
        })
        {
            ImmutableArray<Drying> all = field == "dries" ? [bad, bad] : [bad];
            Assert.Contains(field, new PieceValidator().Validate(known with { Dries = all }).Errors.Select(e => e.PropertyName));
        }
    }

    private static PasteLine Paste(params ImmutableArray<Granules> granules) => new("c1", granules, PasteStiffness.Holds);

    public static TheoryData<string, Func<Line, Line>> Wrong() => new()
    {
        { "lines[line-1].course.spots", l => l with { Course = new DrawnCourse([new(1, 1)]) } },
        { "lines[line-1].course.offMm", l => l with { Course = new BorderCourse(R("b1"), R("b2"), 50.1) } },
        { "lines[line-1].course.offMm", l => l with { Course = new BorderCourse(R("b1"), R("b2"), double.NaN) } },
        { "lines[line-1].course.to", l => l with { Course = new BorderCourse(R("b1"), R("b2"), 0, 0.5, 1.1) } },
        { "lines[line-1].course.from", l => l with { Course = new BorderCourse(R("b1"), R("b2"), 0, -0.1) } },
        { "lines[line-1].course.diameterMm", l => l with { Course = new RingCourse(1, 1, 1.9) } },
        { "lines[line-1].course.turns", l => l with { Course = new RingCourse(1, 1, 40, 50.1) } },
        { "lines[line-1].course.xMm", l => l with { Course = new RingCourse(4501, 1, 40) } },
        { "lines[line-1].section.widthMm", l => l with { Section = new(0, 1) } },
        { "lines[line-1].section.heightMm", l => l with { Section = new(3) } },
        { "lines[line-1].material.class", l => l with { Material = new ReliefLine((BarrierClass)9, "#c9a227") } },
        { "lines[line-1].material.colour", l => l with { Material = new ReliefLine(BarrierClass.Outliner, "gold") } },
        { "lines[line-1].material.granules", l => l with { Material = new PasteLine("c1", [], PasteStiffness.Holds) } },
        { "lines[line-1].material.granules", l => l with { Material = Paste(new("sand", 1), new("sand", 2)) } },
        { "lines[line-1].material.granules[sand].parts", l => l with { Material = Paste(new Granules("sand", 0)) } },
        { "lines[line-1].material.stiffness", l => l with { Material = new PasteLine("c1", [new("sand", 1)], (PasteStiffness)7) } },
        { "lines[line-1].material.recipeId", l => l with { Material = new PasteLine("nobody", [new("sand", 1)], PasteStiffness.Holds) } },
        { "lines", l => l with { Course = new DrawnCourse([.. Enumerable.Range(0, 400).Select(i => new Spot(i, i))]) } },
    };

    [Theory(DisableDiscoveryEnumeration = true)]
    [MemberData(nameof(Wrong))]
    public void A_line_that_cannot_be_laid_is_refused_by_its_field(string field, Func<Line, Line> change)
    {
        var piece = With(Straight(100));
        var line = change(piece.Lines!.Value[0]);

        // Sixteen lines of 400 spots are more than a layer takes.
        ImmutableArray<Line> lines = field == "lines"
            ? [.. Enumerable.Range(0, 16).Select(i => line with { Id = $"line-{i}", Region = R($"line-{i}") })] : [line];
        var problems = new PieceValidator().Validate(piece with { Lines = lines });
        Assert.Contains(field, problems.Errors.Select(e => e.PropertyName));
        Assert.DoesNotContain(new PieceValidator().Validate(piece).Errors,
            e => e.PropertyName.StartsWith("lines", StringComparison.Ordinal));
    }

    [Fact]
    public void Granules_that_the_cupboard_does_not_have_are_named()
    {
        var piece = With(Straight(100), LineOf.Paste) is var p
            ? p with { Lines = [p.Lines!.Value[0] with { Material = Paste(new Granules("gravel", 1)) }] } : null!;
        var failure = Assert.Throws<ValidationException>(() => KnownMaterials.Check(piece, Around.Catalogue));
        Assert.Equal("lines[paste-1].material.granules[gravel].stoneId", Assert.Single(failure.Errors).PropertyName);
    }

    [Theory]
    [InlineData(34, null, TapeRuns.Two, 36.0, 24.0)]
    [InlineData(30, 8.0, TapeRuns.One, 48.0, null)]
    [InlineData(36.1, 9.0, TapeRuns.Two, 48.0, 24.0)]
    [InlineData(48.1, 14.1, TapeRuns.Two, null, 36.0)]
    public void Tape_is_the_narrowest_that_covers(double side, double? dam, TapeRuns runs, double? first, double? second)
    {
        // 6 mm of layers ask for a dam of 9 mm: 19 with its overlap.
        var piece = Piece(Panel(600, 400), Layer(Heart(140, 100), 18, 0) with { DepthMm = 6 });
        piece = piece with { Ground = piece.Ground with { SideHeightMm = side, Tape = new(runs, dam) } };
        var tape = Plan(piece).Tape!;
        Assert.Equal(second is null ? [first] : [first, second], tape.Each.Select(r => r.WidthMm));
        Assert.Equal(dam ?? 9, tape.DamMm.Value, 1e-9);
        Assert.Equal((4, 2000 + 4 * 25 + 20.0), (tape.Corners, tape.Each[0].Length.Value));
        Assert.Equal(runs == TapeRuns.Two ? [true, false] : [true], tape.Each.Select(r => r.Clockwise));
        Assert.Equal(new Spot(300, 0), tape.StartsAt);
    }

    [Fact]
    public void A_round_has_no_corners_a_mould_no_tape_and_an_edge_that_runs_over_its_back_alone()
    {
        Piece On(Ground ground) => Piece(ground, Layer(Heart(60, 50), 18, 0));
        Assert.Equal(0, Plan(On(new(new RoundOutline(200), EdgeStyle.TapedClean, 10, "#ffffff"))).Tape!.Corners);
        Assert.Equal(TapeRun.Back, Assert.Single(Plan(On(Panel(300, 200, EdgeStyle.DrippedOver))).Tape!.Each).Run);
        Assert.Null(Plan(On(Panel(300, 200, EdgeStyle.Walled))).Tape);
        var own = Around.Catalogue.With([("wide", new(MaterialKind.Tape, "wide tape", "tape-48",
            ImmutableSortedDictionary<string, double>.Empty.Add(MaterialProperties.TapeWidthMm, 75)))]);
        Assert.Equal([75.0], own.TapeWidthsMm);
        Assert.Equal([24.0, 36, 48], Around.Catalogue.TapeWidthsMm);
    }

    [Fact]
    public void Dam_tape_comes_off_from_when_the_film_holds_until_the_side_tape_is_to_be_off()
    {
        var piece = Made(Rings(), new PourAt("l1", Ten));
        Assert.DoesNotContain(Plan(piece).Sittings[0].Windows, w => w.Milestone == Curing.Milestone.DamPull);
        var plan = Plan(Made(piece, new TapeEdge(TapeRuns.Two))).Sittings[0];
        var (dam, side) = (plan.Windows.Single(w => w.Milestone == Curing.Milestone.DamPull),
            plan.Windows.Single(w => w.Milestone == Curing.Milestone.TapePull));
        Assert.Equal(plan.Holds, dam.Opens);
        Assert.Equal(side.Closes, dam.Closes);
        Assert.True(dam.Opens < side.Opens);
    }

    [Theory]
    [InlineData(EdgeStyle.TapedClean, 0, 0)]
    [InlineData(EdgeStyle.RolledOver, 40, 0)]
    [InlineData(EdgeStyle.DrippedOver, 40, 0.1)]
    public void What_an_edge_takes_is_its_film_and_its_drips_as_it_is_finished(EdgeStyle edge, double film, double drips)
    {
        // 2000 × 40 × 0.5 mm: 40 ml of film, and a tenth of the layer where it drips.
        var piece = Piece(Panel(600, 400, edge) with { SideHeightMm = 40 }, Layer(Heart(140, 100), 18, 0));
        var regions = Plan(piece).Sittings[0].Cups.Regions;
        Assert.Equal(film + drips * regions.Where(r => r.EdgeMl.Value > 0).Sum(r => r.LayerMl.Value),
            regions.Sum(r => r.EdgeMl.Value), 0.05);
    }

    [Fact]
    public void An_edge_is_rolled_over_from_when_its_film_holds_until_it_gels()
    {
        var piece = Made(Rings(), new PourAt("l1", Ten));
        Assert.DoesNotContain(Plan(piece).Sittings[0].Windows, w => w.Milestone == Curing.Milestone.EdgeRoll);
        var rolled = Plan(Made(piece, SetField.To("ground.edge", "rolled-over"))).Sittings[0];
        var roll = rolled.Windows.Single(w => w.Milestone == Curing.Milestone.EdgeRoll);
        Assert.Equal(rolled.Holds, roll.Opens);
        Assert.True(roll.Closes > roll.Opens);
        Assert.Equal(rolled.Batches.GelMinutes!.Value, (roll.Closes!.Value - rolled.Span!.Start).TotalMinutes, 1e-6);
    }

    [Fact]
    public void Tape_that_is_on_comes_off_by_itself_in_its_window_later_warmed_and_dry_to_the_touch_scored()
    {
        var sitting = Plan(Made(Rings(), new PourAt("l1", Ten))).Sittings[0];
        Assert.Empty(TapeOn.All([sitting], sitting.Span!.End));
        var poured = sitting with { Poured = true };
        var tape = poured.Windows.Single(w => w.Milestone == Curing.Milestone.TapePull);
        var dry = poured.Windows.Single(w => w.Milestone == Curing.Milestone.TouchDry);
        var hair = Duration.FromSeconds(1);
        TapePull At(Instant now) => Assert.Single(TapeOn.All([poured], now)).Pull;
        Assert.Equal([TapePull.Wait, TapePull.Soft, TapePull.Soft, TapePull.Warm, TapePull.Warm, TapePull.Score],
            new[] { tape.Opens - hair, tape.Opens, tape.Closes!.Value - hair, tape.Closes.Value, dry.Opens - hair, dry.Opens }.Select(At));
    }

    [Theory]
    [InlineData(TapeRuns.One, false)]
    [InlineData(TapeRuns.Two, false)]
    [InlineData(TapeRuns.Back, true)]
    [InlineData(TapeRuns.None, true)]
    public void An_edge_that_is_to_be_clean_is_taped(TapeRuns runs, bool told)
    {
        var piece = Made(Rings(), new TapeEdge(runs));
        var found = Plan(piece).Findings.SingleOrDefault(f => f.Key == "edge-untaped@ground");
        Assert.Equal(told, found is not null);
        Assert.DoesNotContain(Plan(Made(piece, SetField.To("ground.edge", "dripped-over"))).Findings, f => f.Key == "edge-untaped@ground");
        foreach (var remedy in found?.Remedies ?? [])
        {
            Assert.DoesNotContain(Plan(Made(piece, [.. remedy.Edits])).Findings, f => f.Key == "edge-untaped@ground");
        }
    }

    [Fact]
    public void A_rim_of_rubber_takes_both_parts_by_weight_and_names_what_leans_over_the_resin()
    {
        // Round a disc of 100 mm, 10 wide and 20 high, upright: π × (60² − 50²) × 20 mm.
        var piece = Made(FirstPiece.Of("Disc", new(new RoundOutline(100), EdgeStyle.Walled, 20, "#ffffff")), new CastOfRubber(null),
            SetField.To("ground.rubber[rubber-1].widthMm", 10), SetField.To("ground.rubber[rubber-1].heightMm", 20),
            SetField.To("ground.rubber[rubber-1].faceDeg", 0), SetField.To("ground.rubber[rubber-1].backDeg", 0));
        var upright = Plan(piece).Rubber.Single();
        Assert.Equal(Math.PI * 1100 * 20 / 1000, upright.Ml.Value, 0.8);
        Assert.Equal(upright.Ml.Value * 1.1 * 1.15, upright.Grams.Value, 1e-9);
        Assert.Equal((upright.Grams.Value / 2, upright.Grams.Value / 2, 40, 70),
            (upright.First.Value, upright.Second.Value, upright.Works.Value, upright.Sets.Value));
        Assert.Null(upright.Undercut);
        Assert.DoesNotContain(Plan(piece).Findings, f => f.Key == "undercut@ground/rubber-1");

        // Leaning away it takes less, and crystals take their room; leaning over by a hair, it is told.
        Assert.True(Plan(Made(piece, SetField.To("ground.rubber[rubber-1].faceDeg", 10))).Rubber.Single().Ml.Value < upright.Ml.Value);
        Assert.Equal(upright.Ml.Value - 10,
            Plan(Made(piece, SetField.To("ground.rubber[rubber-1].crystalsG", 26.5))).Rubber.Single().Ml.Value, 1e-9);
        var over = Made(piece, SetField.To("ground.rubber[rubber-1].faceDeg", -0.1));
        Assert.Equal(20 * Math.Tan(0.1 * Math.PI / 180), Plan(over).Rubber.Single().Undercut!.Value, 1e-9);
        var told = Plan(over).Findings.Single(f => f.Key == "undercut@ground/rubber-1");
        Assert.DoesNotContain(Plan(Made(over, [.. told.Remedies[0].Edits])).Findings, f => f.Key == told.Key);
        Assert.Null(Made(piece, new LeaveRubberOut("rubber-1")).Ground.Rubber);
        Assert.NotNull(Editing.Checked(piece, [new CastOfRubber(null)], AnyEdit.Cupboard).Refusal);
        Assert.NotNull(Editing.Checked(piece, [new CastOfRubber("gone")], AnyEdit.Cupboard).Refusal);
    }

    [Fact]
    public void Sides_take_leaf_by_the_sheet_or_resin_on_a_brush()
    {
        // 2000 × 40 mm with sheets of 140 mm: five of them; 0.2 mm on a brush: 16 ml.
        var piece = Piece(Panel(600, 400) with { SideHeightMm = 40 }, Layer(Heart(140, 100), 18, 0));
        Assert.Null(Plan(piece).Sides);
        Assert.Equal(5, Plan(Made(piece, SetField.To("ground.sides", "leafed"))).Sides!.Sheets!.Value);
        Assert.Equal(16, Plan(Made(piece, SetField.To("ground.sides", "brushed"))).Sides!.Ml!.Value, 1e-9);
    }

    [Fact]
    public void A_dam_all_round_takes_what_its_material_takes_at_its_height()
    {
        var slice = FirstPiece.Of("Slice", new(new SliceOutline(260, 220, [0.9, 0.8, 0.95, 0.85, 0.9], 3, 4), EdgeStyle.Walled, 24,
            "#ffffff", new(PieceKind.Slice, BaseMaterial.Mdf)));
        Assert.Null(Plan(slice).Dam!.Ml);
        var putty = Plan(Made(slice, SetField.To("ground.damOf", "putty")));
        var mm = slice.Ground.Outline.PerimeterMm;
        Assert.Equal((8, mm * 8 * 24 / 1000, mm * 8 * 24 / 1000 * 1.7),
            (putty.Dam!.Width!.Value, putty.Dam.Ml!.Value, putty.Dam.Grams!.Value));
        Assert.Equal(3, putty.Ground.Preparation.Single(s => s.Id == "dam").DryHours);
        Assert.NotNull(Plan(Made(slice, SetField.To("ground.damOf", "silicone"))).Dam!.Peels);
        Assert.Null(Plan(Rings()).Dam);
    }

    [Fact]
    public void On_a_tilt_the_low_side_of_a_pool_and_of_a_mould_counts()
    {
        // 300 mm tilted by 0.3°: the low side stands 0.79 mm deeper than the middle.
        Ground Tilted(double x) => Panel(300, 100) with { Level = new(true, x, 0) };
        Assert.Equal((0.785, "left"),
            (Math.Round(LowSide.Of(Tilted(0.3), 300, 100)!.DeeperMm, 3), LowSide.Of(Tilted(0.3), 300, 100)!.Name));
        Assert.Equal("right", LowSide.Of(Tilted(-0.3), 300, 100)!.Name);
        Assert.Null(LowSide.Of(Tilted(0), 300, 100));
        Assert.Null(LowSide.Of(Panel(300, 100) with { Level = new(false, 0.3, 0) }, 300, 100));

        Piece Frame(double tilt, double depth) => Piece(
            Panel(300, 100, EdgeStyle.Walled) with { SideHeightMm = 10, Level = new(true, tilt, 0) },
            Layer(Heart(60, 50), 18, 0) with { DepthMm = depth });
        bool Over(Piece piece) => Plan(piece).Findings.Any(f => f.Key == "overfill@l1");
        Assert.Equal((false, true, false, true), (Over(Frame(0.3, 9.2)), Over(Frame(0.3, 9.3)), Over(Frame(0, 10)), Over(Frame(0, 10.01))));
    }

    [Fact]
    public void The_answer_of_the_walls_says_whether_they_hold_and_from_when_one_may_pour()
    {
        var now = Ten.InUtc().ToInstant();
        WallsAnswer Of(Piece piece) => WallsAnswer.Of(piece, Plan(piece), "l1", DateTimeZone.Utc, now);
        Assert.Equal(WallsState.NoWalls, Of(Rings()).State);
        var pools = Made(Rings(), new LayOutAs("l1", null, LayoutKind.Pools), new PutWallAcross("l1", null));
        pools = Made(pools, new AddPool("l1", null, 20, 20, "c1"), new AddPool("l1", null, 280, 180, "c2"));
        Assert.Equal(WallsState.Unknown, Of(pools).State);
        var walls = pools.Lines!.Value.Select(l => l.Id).ToImmutableArray();
        Piece High(double mm) => Made(pools, [.. walls.SelectMany(w => new Edit[]
        {
            SetField.To($"lines[{w}].material.class", "putty"), SetField.To($"lines[{w}].section.heightMm", mm),
        })]);
        var depth = pools.Layers[0].DepthMm;
        var hold = Of(High(depth + 1));
        Assert.Equal((WallsState.Holds, walls.Length), (hold.State, hold.ToLay.Length));
        Assert.True(hold.PourFrom >= now + Duration.FromHours(3));
        Assert.Equal(WallsState.Full, Of(High(depth)).State);
        Assert.Equal(WallsState.RunsOver, Of(High(depth - 1.5)).State);

        // Laid, it counts from then; what is past asks for nothing any more.
        var laid = Made(High(depth + 1), new MarkLaid(walls, true, Ten.PlusHours(-2)));
        Assert.Empty(Of(laid).ToLay);
        var bare = laid with { Ground = laid.Ground with { Base = null, Done = null } };
        Assert.Equal(now + Duration.FromHours(1), WallsAnswer.Of(bare, Plan(bare) is var p
            ? p with { Ground = p.Ground with { Preparation = [] } } : null!, "l1", DateTimeZone.Utc, now).PourFrom);
    }

    [Fact]
    public void The_mixing_sheet_says_what_is_laid_for_a_sitting()
    {
        var piece = Made(Rings(), new LayLine("l1", null, Straight(200), LineOf.Paste, "c1"),
            new LayLine("l1", null, Straight(100), LineOf.Relief));
        var plan = Plan(piece);
        var sheet = MixingSheet.Of(piece, plan.Sittings[0], [.. plan.Layers.SelectMany(l => l.Lines)], plan.Tape, Around);
        Assert.Equal(["tape", "granules", "raised line"], sheet.Laid.Select(l => l.What));
        Assert.Equal((plan.Layers[0].Lines[1].Tubes!.Value, 100.0), (sheet.Laid[2].Tubes, sheet.Laid[2].LengthMm));
        Assert.Equal(plan.Layers[0].Lines[0].Granules[0].Grams.Value, sheet.Laid[1].G);
        Assert.Empty(MixingSheet.Of(piece, plan.Sittings[0], [], null, Around).Laid);
    }

    [Fact]
    public void A_raised_line_on_the_bare_mould_is_told_and_one_on_a_board_is_not()
    {
        var tray = Piece(new(new RectangleOutline(200, 150), EdgeStyle.Walled, 10, "#ffffff",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(18, CapacityFrom.Dimensions, null, 1, 1, 0)),
            Layer(Heart(60, 50), 18, 0));
        string[] Pinned(Piece piece) => [.. Plan(Made(piece, new LayLine("l1", null, Straight(60), LineOf.Relief))).Findings
            .Where(f => f.Key.StartsWith("line-pinned", StringComparison.Ordinal)).Select(f => f.Key)];
        Assert.Equal(["line-pinned@l1/relief-1"], Pinned(tray));
        Assert.Empty(Pinned(Rings()));
    }

    [Theory]
    [InlineData(1.12, false)]
    [InlineData(1.11, true)]
    public void Tape_that_runs_out_before_the_edge_does_is_told(double leftMetres, bool told)
    {
        // 1000 mm of edge, four corners and a tab: 1.12 m.
        var own = Around.Catalogue.With([("tape-36", new(MaterialKind.Tape, "tape, 36 mm", "tape-36",
            ImmutableSortedDictionary<string, double>.Empty.Add(MaterialProperties.LeftMetres, leftMetres)))]);
        var around = Around with { Catalogue = own };
        var piece = Rings() is var p ? p with { Ground = p.Ground with { SideHeightMm = 20 } } : null!;
        Assert.Equal(told, Plan(piece, around).Findings.Any(f => f.Key == "not-in-stock@tape/36"));
        Assert.DoesNotContain(Plan(piece).Findings, f => f.Key.StartsWith("not-in-stock", StringComparison.Ordinal));
        var high = piece with { Ground = piece.Ground with { SideHeightMm = 46 } };
        var wide = Plan(high).Findings.Single(f => f.Key == "not-in-stock@tape/SideAndDam");
        Assert.DoesNotContain(Plan(Made(high, [.. wide.Remedies[0].Edits])).Findings,
            f => f.Key.StartsWith("not-in-stock", StringComparison.Ordinal));
    }

    [Fact]
    public void Pastes_share_a_cup_and_a_line_is_laid_as_wide_as_it_is_asked_for()
    {
        var piece = Made(Rings(), new LayLine("l1", null, Straight(200), LineOf.Paste, WidthMm: 6),
            new LayLine("l1", null, Straight(100), LineOf.Paste), new LayLine("l1", null, Straight(90), LineOf.Relief, WidthMm: 2.5));
        Assert.Single(piece.Recipes, r => r.Name == LayLine.PasteName);
        Assert.Equal([6, LayLine.PasteWidthMm, 2.5], piece.Lines!.Value.Select(l => l.Section.WidthMm));
        var pools = Made(Rings(), new LayOutAs("l1", null, LayoutKind.Pools), new PutWallAcross("l1", null),
            new DrawWall("l1", null, [new(20, 20), new(20, 90)], 4.5), new DrawWall("l1", null, [new(40, 20), new(40, 90)]));
        Assert.Equal([DrawWall.UsualMm, 4.5, 4.5], pools.Lines!.Value.Select(l => l.Section.WidthMm));
        Assert.NotNull(Editing.Checked(pools, [new DrawWall("l1", null, [new(20, 20), new(20, 90)], 50.1)], AnyEdit.Cupboard).Refusal);
    }

    [Fact]
    public void A_first_wall_is_of_what_the_person_lays_walls_of()
    {
        var pools = Made(Rings(), new LayOutAs("l1", null, LayoutKind.Pools));
        var cupboard = AnyEdit.Cupboard with { Habits = Habits.Usual with { WallsOf = "hot-glue" } };
        var made = Editing.Checked(pools, [new PutWallAcross("l1", null)], cupboard).Piece!;
        Assert.Equal(BarrierClass.HotGlue, made.Lines!.Value[0].Class);
        Assert.Null(Made(pools, new PutWallAcross("l1", null)).Lines!.Value[0].Class);
    }

    [Fact]
    public void What_the_person_is_used_to_is_told_as_theirs_and_taped_and_measured_so()
    {
        Origin Reserve(Habits habits) =>
            Plan(Rings(), Around with { Habits = habits }).Sittings[0].Cups.Cups[0].Reserve.Input("reserve").Origin;
        Assert.Equal(Origin.Default, Reserve(Habits.Usual));
        Assert.Equal(Origin.Own, Reserve(Habits.Usual with { ReservePercent = 25 }));
        var two = Around with { Habits = Habits.Usual with { Tape = TapeRuns.Two } };
        Assert.Equal((TapeRuns.Two, false), (Plan(Rings(), two).Tape!.Runs, Plan(Rings(), two).Tape!.Own));

        // An edge that runs over has no dam, whatever the usual way is.
        var dripped = Made(Rings() with { Ground = Panel(300, 200, EdgeStyle.DrippedOver) }, new PourAt("l1", Ten));
        Assert.DoesNotContain(Plan(dripped, two).Sittings[0].Windows, w => w.Milestone == Curing.Milestone.DamPull);
        Assert.Contains(Plan(Made(Rings(), new PourAt("l1", Ten)), two).Sittings[0].Windows, w => w.Milestone == Curing.Milestone.DamPull);
    }

    [Theory]
    [InlineData(0.0)]
    [InlineData(0.6)]
    public void A_pool_that_is_too_full_on_its_low_side_holds_once_its_walls_are_as_high_as_is_offered(double tiltDeg)
    {
        var pools = Made(Rings() with { Ground = Panel(300, 200) with { Level = new(true, tiltDeg, 0) } },
            new LayOutAs("l1", null, LayoutKind.Pools), new PutWallAcross("l1", null), new AddPool("l1", null, 20, 20, "c1"),
            new AddPool("l1", null, 280, 180, "c2"), SetField.To("lines[wall-1].material.class", "putty"),
            SetField.To("lines[wall-1].section.heightMm", 3.2));
        var found = Plan(pools).Findings.Where(f => f.Key.StartsWith("overfill@l1/", StringComparison.Ordinal)).ToList();
        Assert.Equal(2, found.Count);
        var higher = Plan(Made(pools, [.. found[0].Remedies.Single(r => r.Id == "higher").Edits]));
        Assert.DoesNotContain(higher.Findings, f => f.Key.StartsWith("overfill@l1/", StringComparison.Ordinal));
        Assert.All(higher.Layers[0].Holds, h => Assert.Equal(PoolState.Holds, h.State));
        Assert.All(Plan(pools).Layers[0].Holds, h => Assert.Equal(tiltDeg == 0, h.Side is null));
    }

    [Fact]
    public void All_walls_together_are_the_sum_of_each_and_unknown_while_one_is()
    {
        var pools = Made(Rings(), new LayOutAs("l1", null, LayoutKind.Pools), new PutWallAcross("l1", null),
            new DrawWall("l1", null, [new(60, -5), new(60, 205)]));
        Assert.Null(Assert.Single(Plan(pools).Layers[0].Walls).Ml);
        var told = Made(pools, [.. pools.Lines!.Value.SelectMany((l, i) => new Edit[]
        {
            SetField.To($"{l.Place}.material.class", "outliner"), SetField.To($"{l.Place}.section.heightMm", 1.5 + i),
        })]);
        var (all, each) = (Plan(told).Layers[0].Walls.Single(), Plan(told).Layers[0].Lines);
        Assert.Equal(each.Sum(l => l.Ml!.Value), all.Ml!.Value, 1e-9);
        Assert.Equal(each.Sum(l => l.Tubes!.Value), all.Tubes!.Value, 1e-9);
        Assert.Equal(2.7778, all.Dry!.Value, 1e-3);
        Assert.Null(all.Grams);
    }
}
