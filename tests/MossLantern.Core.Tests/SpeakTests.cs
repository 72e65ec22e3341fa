using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Checks;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>What the second look says of depth and heat, colour, time and room: at each threshold from both sides, and
/// what every remedy leaves.</summary>
public class SpeakTests
{
    private const string Layer = "l1";

    private static readonly PiecePlanner Planner = new(new LayerMapper());
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);
    private static readonly PieceValidator Validator = new();
    private static readonly LocalDateTime Noon = new(2026, 5, 4, 12, 0);

    /// <summary>A coat of one colour, so deep, over a panel.</summary>
    private static Piece Coat(double depthMm, string resin = "coating", Recipe? recipe = null, double width = 200,
        double height = 150, EdgeStyle edge = EdgeStyle.TapedClean, double sideMm = 10)
    {
        var moss = recipe ?? Samples.Cup("moss", ColourantClass.Mica, 3);
        var layer = new Sketch(Layer, "Coat", depthMm, new FloodLayout(moss.Id), [moss], new(resin), Measure.ByVolume,
            null, [], PlannedTimes.None);
        return Samples.Piece(new Ground(new RectangleOutline(width, height), edge, sideMm, "#d8bd8c"), layer);
    }

    /// <summary>Another coat over it, in a sitting of its own.</summary>
    private static Piece Over(Piece piece, double depthMm = 2) => piece with
    {
        Layers = piece.Layers.Add(piece.Layers[0] with { Id = "l2", Name = "Over", DepthMm = depthMm }),
        Sittings = piece.Sittings.Add(piece.Sittings[0] with { Id = "l2", Rest = ["l2"], Start = null, End = null }),
    };

    private static Piece At(Piece piece, int sitting, LocalDateTime start, LocalDateTime? end = null) =>
        piece with { Sittings = piece.Sittings.SetItem(sitting, piece.Sittings[sitting] with { Start = start, End = end }) };

    private static ImmutableArray<Finding> All(Piece piece) => Planner.Plan(piece, [], Around).Findings;

    private static Finding? Of(Piece piece, string check) => All(piece).FirstOrDefault(f => f.Check == check);

    /// <summary>Every press clears the finding, leaves a good piece and makes no new Stop.</summary>
    private static Finding Cleared(Piece piece, string check)
    {
        Assert.Empty(Validator.Validate(piece).Errors);
        var finding = Of(piece, check);
        Assert.True(finding is not null, check);
        Assert.NotEmpty(finding!.Remedies);
        // A sitting that is divided takes its dangers along, and a hair more of what was there is no new one.
        var before = All(piece);
        foreach (var remedy in finding.Remedies.Where(r => r.Field is null))
        {
            var after = remedy.Apply(piece);
            Assert.Empty(Validator.Validate(after).Errors.Select(e => $"{remedy.Id}: {e}"));
            var left = All(after);
            Assert.Empty(left.Where(f => f.Key == finding.Key
                || (f.Grade == Grade.Stop && !before.Any(b => b.Check == f.Check
                    && (b.Grade == Grade.Stop || f.Worth < b.Worth * 1.02)))).Select(f => $"{f.Key} by {remedy.Id} of {finding.Key}"));
        }

        return finding;
    }

    private static ResinSystem Resin(string id) => Around.Catalogue.Resin(id)!;

    [Fact]
    public void A_layer_is_too_deep_from_what_its_resin_takes_and_a_danger_from_half_as_much_again()
    {
        var most = Resin("coating").DeepestMm;
        Assert.Null(Of(Coat(most), "too-deep"));
        Assert.Equal(Grade.Mend, Cleared(Coat(most + 0.01), "too-deep").Grade);
        Assert.Equal(Grade.Mend, Of(Coat(most * TooDeepCheck.DangerTimes), "too-deep")!.Grade);
        Assert.Equal(Grade.Stop, Cleared(Coat(most * TooDeepCheck.DangerTimes + 0.01), "too-deep").Grade);

        // Twenty of a resin for six: as four layers, or in another resin.
        var deep = Cleared(Coat(20), "too-deep");
        Assert.Equal(["divide", "resin", "depth"], deep.Remedies.Select(r => r.Id));
        var divided = deep.Remedies[0].Apply(Coat(20));
        Assert.Equal(20, divided.Layers.Sum(l => l.DepthMm), 0.05);
        Assert.Equal(divided.Layers.Length, divided.Sittings.Length);

        Assert.Equal(1.5, TooDeepCheck.DangerTimes);
    }

    [Theory]
    [InlineData(60, null, Grade.Mend)]
    [InlineData(90, Grade.Mend, Grade.Stop)]
    public void A_film_that_gets_too_hot_is_too_deep_whatever_its_maker_says(double celsius, Grade? below, Grade above)
    {
        // A resin that may be poured as deep as one likes, by its label.
        var around = Around with
        {
            Catalogue = Catalogue.Typical
            .With([("coating", new(MaterialKind.Resin, "brave resin", "coating",
                ImmutableSortedDictionary<string, double>.Empty.Add(MaterialProperties.DeepestMm, 100)))])
        };
        var system = around.Catalogue.Resin("coating")!;
        var at = Crossing(depth => FilmHeat.HottestC(system, depth, RoomCurve.Constant(22).InputAt(null)).Value, celsius, 1, 100);
        Grade? Told(double depth)
        {
            var found = Planner.Plan(Coat(depth) is var coat
                ? coat with { Sittings = [coat.Sittings[0] with { RoomC = 22 }] } : null!, [], around).Findings
            .SingleOrDefault(f => f.Check == "too-deep");
            Assert.Equal(found is null ? null : "hot",
                found is null ? null : found.Reason.Contains("{2} hot", StringComparison.Ordinal) ? "hot" : found.Reason);
            return found?.Grade;
        }

        Assert.Equal((below, above), (Told(at - 0.01), Told(at + 0.01)));
    }

    /// <summary>Where what rises reaches a value.</summary>
    private static double Crossing(Func<double, double> rising, double value, double from, double to)
    {
        Assert.InRange(value, rising(from), rising(to));
        for (var i = 0; i < 60; i++)
        {
            var middle = (from + to) / 2;
            (from, to) = rising(middle) < value ? (middle, to) : (from, middle);
        }

        return from;
    }

    [Fact]
    public void A_cup_is_too_hot_from_45_degrees_at_the_end_of_its_pour_and_a_danger_from_60()
    {
        Assert.Null(Of(Coat(3), "cup-too-big"));
        Assert.Null(Of(Coat(3), "clock"));

        // Five litres in one cup; as many mixes as are proposed stay cool.
        var proposed = Coat(5, width: 1000, height: 1000);
        Assert.Null(Of(proposed, "cup-too-big"));
        var large = proposed with { Sittings = [proposed.Sittings[0] with { Batches = [new("all", ["moss"], 20_000)] }] };
        var plan = Planner.Plan(large, [], Around).Sittings[0];
        var hottest = plan.Batches.All.SelectMany(b => b.Cups).Max(c => c.Celsius.Value);
        var hot = Of(large, "cup-too-big");
        Assert.Equal(hottest > CupTooBigCheck.WarmC, hot is not null);
        Assert.Equal(Grade.Stop, hot!.Grade);
        Assert.Contains(hot.Remedies, r => r.Id == "resin");
        Assert.Contains(hot.Remedies, r => r.Id == "proposed");
    }

    /// <summary>A coat of one cup, which is the warmer and the sooner stiff the warmer the room.</summary>
    private static Piece InRoom(double roomC)
    {
        var large = Coat(4, width: 700, height: 700);
        return large with { Sittings = [large.Sittings[0] with { RoomC = roomC, Batches = [new("all", ["moss"], 20_000)] }] };
    }

    [Theory]
    [InlineData(45, null, Grade.Mend)]
    [InlineData(60, Grade.Mend, Grade.Stop)]
    public void The_warmth_of_a_cup_is_told_from_either_side(double celsius, Grade? below, Grade above)
    {
        double Hottest(double room) =>
            Planner.Plan(InRoom(room), [], Around).Sittings[0].Batches.All.SelectMany(b => b.Cups).Max(c => c.Celsius.Value);
        var room = Crossing(Hottest, celsius, 5, 40);
        Assert.Equal((below, above), (Of(InRoom(room - 0.001), "cup-too-big")?.Grade, Of(InRoom(room + 0.001), "cup-too-big")!.Grade));
    }

    [Fact]
    public void The_clock_of_a_cup_is_told_from_either_side()
    {
        double Late(double room) =>
            -Planner.Plan(InRoom(room), [], Around).Sittings[0].Batches.All.SelectMany(b => b.Cups).Min(c => c.InHandMinutes.Value);
        var room = Crossing(Late, 0, 5, 40);
        Assert.Equal((null, "clock@l1"), (Of(InRoom(room - 0.001), "clock")?.Key, Of(InRoom(room + 0.001), "clock")!.Key));
    }

    private static Gen<T> One<T>(T[] among) => Gen.Int[0, among.Length - 1].Select(i => among[i]);

    private static readonly Gen<Piece> AnyCoat =
        from depth in Gen.Int[2, 120].Select(d => d / 4.0)
        from resin in One([.. Around.Catalogue.Resins.Select(r => r.Id)])
        from colourant in One(Enum.GetValues<ColourantClass>())
        from load in Gen.Int[1, 14]
        from side in Gen.Int[100, 1200]
        from edge in One([EdgeStyle.TapedClean, EdgeStyle.DrippedOver, EdgeStyle.Walled])
        from room in Gen.Int[8, 34]
        from hour in Gen.Int[0, 23]
        from lasts in Gen.Int[0, 300]
        from over in Gen.Int[0, 120]
        select Told(depth, resin, colourant, load, side, edge, room, hour, lasts, over);

    private static Piece Told(double depth, string resin, ColourantClass colourant, int load, int side, EdgeStyle edge,
        int room, int hour, int lasts, int over)
    {
        var coat = Coat(depth, resin, Recipe.Plain("moss", "moss", "#33523f", colourant, load), side, side, edge, 12);
        var start = Noon.Date + new LocalTime(hour, 0);
        var piece = At(coat with { Sittings = [coat.Sittings[0] with { RoomC = room }] }, 0, start,
            lasts < 20 ? null : start.PlusMinutes(lasts));
        return over < 20 ? piece : At(Over(piece), 1, start.PlusHours(over));
    }

    [Fact]
    [Trait("Pace", "long")]
    public void Whatever_is_pressed_clears_its_finding_and_makes_no_new_Stop() => AnyCoat.Sample(piece =>
    {
        foreach (var check in All(piece).Select(f => f.Check).Distinct())
        {
            Cleared(piece, check);
        }
    }, iter: 60, threads: 1);

    [Fact]
    public void A_cup_that_is_poured_after_its_working_time_is_told_and_a_second_cup_or_sitting_is_offered()
    {
        // Many rings of one colour after others: the last of them comes late.
        var bands = Enumerable.Range(1, 30).Select(i => new Band($"b{i}", 9, i == 30, i % 3 == 0 ? "c0" : $"c{i}")).ToImmutableArray();
        var cups = bands.Select(b => b.RecipeId).Distinct().Select(id => Samples.Cup(id, ColourantClass.Mica, 3)).ToImmutableArray();
        var layer = new Sketch(Layer, "Rings", 3, new RingsLayout([Samples.Heart(300, 200)], bands, 0, "c0"), cups,
            new("coating"), Measure.ByVolume, null, [], PlannedTimes.None);
        var rings = Samples.Piece(Samples.Panel(700, 500), layer);
        rings = rings with { Sittings = [rings.Sittings[0] with { Batches = [new("all", [.. cups.Select(c => c.Id)], 20_000)] }] };
        var worst = Planner.Plan(rings, [], Around).Sittings[0].Batches.All.SelectMany(b => b.Cups).Min(c => c.InHandMinutes.Value);
        Assert.True(worst < 0);
        var late = Of(rings, "clock")!;
        Assert.Equal(["second-proposed", "apart", "resin"], late.Remedies.Select(r => r.Id));
        Assert.All(late.Remedies, r => Assert.Empty(Validator.Validate(r.Apply(rings)).Errors));
        Assert.Equal(-worst, late.Worth!.Value, 1e-9);
        Assert.Null(Of(late.Remedies[0].Apply(rings), "clock"));
    }

    [Fact]
    public void A_pour_that_is_planned_for_longer_than_its_batches_work_is_told()
    {
        var coat = Coat(3);
        var works = Planner.Plan(coat, [], Around).Sittings[0].Batches.All.Sum(b => b.Cups.Max(c => c.WorkingMinutes.Value));
        Piece For(double minutes) => At(coat, 0, Noon, Noon + Period.FromTicks((long)(minutes * 60 * NodaConstants.TicksPerSecond)));
        Assert.Null(Of(For(works - 0.01), "clock"));
        Assert.Equal("clock@l1/planned", Cleared(For(works + 0.01), "clock").Key);
        Cleared(For(180), "clock");
    }

    [Fact]
    public void More_colour_than_the_class_or_all_together_stand_is_told_and_brought_to_the_limit()
    {
        var mica = Around.Catalogue.Of(ColourantClass.Mica).LimitPercent;
        Recipe Of(params Dose[] doses) => new("moss", "moss", "#33523f", [.. doses]);
        Assert.Null(SpeakTests.Of(Coat(3, recipe: Of(new Dose(ColourantClass.Mica, mica))), "load-high"));
        Assert.Equal(mica, Cleared(Coat(3, recipe: Of(new Dose(ColourantClass.Mica, mica + 0.01))), "load-high").Numbers[1].Value);

        // Each at its own, and too much together.
        Assert.Null(SpeakTests.Of(Coat(3, recipe: Of(new Dose(ColourantClass.Mica, 5), new(ColourantClass.Paste, 5))), "load-high"));
        var all = Cleared(Coat(3, recipe: Of(new Dose(ColourantClass.Mica, 5.01), new(ColourantClass.Paste, 5))), "load-high");
        Assert.Contains("The colourants of", all.Reason, StringComparison.Ordinal);

        // What goes in by eye is not known to be over.
        Assert.Null(SpeakTests.Of(Coat(3, recipe: Of(new Dose(ColourantClass.Mica, 50, ByEye: true))), "load-high"));
    }

    [Fact]
    public void Acrylic_over_six_percent_dulls_resin()
    {
        Recipe Of(double percent) => Recipe.Plain("moss", "moss", "#33523f", ColourantClass.Acrylic, percent);
        Assert.Null(SpeakTests.Of(Coat(3, recipe: Of(WaterPaintCheck.MostPercent)), "water-paint"));
        Assert.Equal(["paste", "less"],
            Cleared(Coat(3, recipe: Of(WaterPaintCheck.MostPercent + 0.01)), "water-paint").Remedies.Select(r => r.Id));
        Assert.Equal(6, WaterPaintCheck.MostPercent);
    }

    [Fact]
    public void Heavy_paste_over_its_usual_load_sinks_through_wet_clear_and_not_where_none_lies_below()
    {
        var usual = Around.Catalogue.Of(ColourantClass.Paste).UsualToPercent;
        Piece Passes(double percent) => Editing.Checked(
            Coat(3, recipe: Recipe.Plain("moss", "moss", "#33523f", ColourantClass.Paste, percent)),
            [new AddPass(Layer, FloodLayout.FloodId, null, true, null)], Cupboard.Empty).Piece!;
        Assert.Null(Of(Passes(usual), "sinks"));
        Cleared(Passes(usual + 0.01), "sinks");
        Assert.Null(Of(Coat(3, recipe: Recipe.Plain("moss", "moss", "#33523f", ColourantClass.Paste, usual + 0.01)), "sinks"));
    }

    [Fact]
    public void Glitter_in_a_puddle_goes_in_last()
    {
        var glitter = new Recipe("g", "frost", "#dfe4e2", [new(ColourantClass.Glitter, 2)]);
        Piece Puddle(params string[] pours)
        {
            var layer = new Sketch(
                Layer, "Puddle", 3, new PuddleLayout(100, 75,
                    [.. pours.Select((p, i) => new PuddlePour($"p{i}", p, 10))]),
                [Samples.Cup("moss", ColourantClass.Mica, 3), Samples.Cup("bone", ColourantClass.Mica, 3), glitter],
                new("coating"), Measure.ByVolume, null, [], PlannedTimes.None);
            return Samples.Piece(Samples.Panel(200, 150), layer);
        }

        Cleared(Puddle("moss", "g", "bone"), "glitter-runs");
        Assert.Null(Of(Puddle("moss", "bone", "g"), "glitter-runs"));
        Assert.Null(Of(Puddle("moss", "bone"), "glitter-runs"));
    }

    [Fact]
    public void A_layer_after_the_window_of_the_one_below_does_not_bond_until_it_is_sanded()
    {
        var two = At(Over(Coat(3)), 0, Noon);
        var window = Planner.Plan(two, [], Around).Layers[0].NextLayer!;
        LocalDateTime Local(Instant at) => at.InUtc().LocalDateTime;
        Assert.Null(Of(At(two, 1, Local(window.Closes!.Value - Duration.FromMinutes(1))), "recoat-closed"));
        var late = Cleared(At(two, 1, Local(window.Closes!.Value)), "recoat-closed");
        Assert.Equal(["sand", "later"], late.Remedies.Select(r => r.Id));
        Assert.True(late.Remedies[0].Apply(At(two, 1, Noon.PlusDays(9))).Sittings[1].SandFirst);

        // Poured already, below: only sanding is left.
        var poured = Planner.Plan(At(two, 1, Noon.PlusDays(9)), [new(Layer, Noon.InUtc().ToInstant(), null, null)],
            Around).Findings.Single(f => f.Check == "recoat-closed");
        Assert.Equal(["sand"], poured.Remedies.Select(r => r.Id));
    }

    [Theory]
    [InlineData(-1, 0, false)]
    [InlineData(1, 0, true)]
    [InlineData(0, 1, true)]
    [InlineData(0, 360, true)]
    [InlineData(0, 539, true)]
    [InlineData(0, 540, false)]
    public void Nobody_pours_in_the_night(int minutesOver, int minutesInto, bool told)
    {
        // From the first mixing on until its last pour is done; in a rim, so that no tape has to come off.
        var night = new LocalDateTime(2026, 5, 4, 22, 0);
        var rim = Coat(3, edge: EdgeStyle.Walled);
        var lasts = Planner.Plan(rim, [], Around).Sittings[0].Batches.EndMinutes.Value;
        var start = minutesInto > 0 ? night.PlusMinutes(minutesInto) : night.PlusSeconds((long)(60 * (minutesOver - lasts)));
        var piece = At(rim, 0, start);
        Assert.Equal(told, Of(piece, "asleep") is not null);
        if (told)
        {
            Cleared(piece, "asleep");
        }
    }

    [Fact]
    public void Tape_that_comes_off_in_the_night_is_told_and_the_pour_moved_so_that_it_does_not()
    {
        var asleep = Enumerable.Range(7, 14).Select(h => At(Coat(3), 0, new LocalDateTime(2026, 5, 4, h, 0)))
            .Where(p => Of(p, "asleep") is not null).ToList();
        Assert.NotEmpty(asleep);
        foreach (var piece in asleep)
        {
            Assert.Contains("tape", Of(piece, "asleep")!.Reason, StringComparison.OrdinalIgnoreCase);
            Cleared(piece, "asleep");
        }
    }

    [Fact]
    public void What_is_still_to_dry_is_told_as_soon_as_it_cannot_be_dry_by_the_pour()
    {
        // Sealing dries for four hours, paint for two more; the coat is poured at noon.
        var board = Coat(3) with { Ground = Coat(3).Ground with { Base = new(PieceKind.Panel, BaseMaterial.BirchPly, 9) } };
        var noon = At(board, 0, Noon);
        var painted = noon with { Ground = noon.Ground with { Paint = new(PaintKind.Water, 1) } };
        Finding? Told(Piece piece, LocalTime now, params PouredSitting[] poured)
        {
            var plan = Planner.Plan(piece, [.. poured], Around);
            return Planner.FindingsAt(piece, plan, Around, (Noon.Date + now).InUtc().ToInstant())
                .SingleOrDefault(f => f.Check == "wet-glue");
        }

        Assert.Null(Told(noon, new(8, 0)));
        var late = Told(noon, new(8, 1))!;
        Assert.Equal(("wet-glue@ground", Grade.Mend), (late.Key, late.Grade));
        Assert.Contains("Begun now, that is dry at Mon 4 May, 12:05", late.Reason, StringComparison.Ordinal);
        var later = late.Remedies.Single().Apply(noon);
        Assert.Equal(Noon.PlusMinutes(5), later.Sittings[0].Start);
        Assert.Null(Told(later, new(8, 1)));
        Assert.Null(Told(painted, new(6, 0)));
        Assert.Contains("\"Seal the face\" and \"Paint the ground\" are still to do", Told(painted, new(6, 1))!.Reason,
            StringComparison.Ordinal);

        // What is ticked dries from then; what is past or begun is not told any more.
        Piece Ticked(LocalTime at) => painted with { Ground = painted.Ground with { Done = [new("seal", Noon.Date + at)] } };
        Assert.Null(Told(Ticked(new(6, 0)), new(7, 0)));
        Assert.NotNull(Told(Ticked(new(6, 1)), new(7, 0)));
        Assert.Null(Told(Ticked(new(5, 0)), new(10, 0)));
        Assert.NotNull(Told(Ticked(new(5, 0)), new(10, 1)));
        Assert.Null(Told(noon, new(12, 0)));
        Assert.Null(Told(noon, new(9, 0), new PouredSitting(Layer, Noon.InUtc().ToInstant() - Duration.FromHours(4), null, null)));
        Assert.Equal("it has days",
            Told(noon with { WavedOff = [new(late.Key, "it has days", late.Grade, late.Worth)] }, new(8, 1))!.WavedOff);
    }

    [Fact]
    public void A_layer_that_was_logged_early_is_told_until_something_lies_over_it()
    {
        var two = Over(Coat(3));
        var first = Noon.InUtc().ToInstant();
        PouredSitting Logged(string id, Instant at) => new(id, at, at, 22);
        Finding? Told(Piece piece, params PouredSitting[] poured) =>
            Planner.Plan(piece, [.. poured], Around).Findings.SingleOrDefault(f => f.Check == "layer-early");
        var opens = Planner.Plan(two, [Logged("l1", first)], Around).Layers[0].NextLayer!.Opens;
        Assert.Null(Told(two, Logged("l1", first), Logged("l2", opens)));
        var early = Told(two, Logged("l1", first), Logged("l2", opens - Duration.FromMinutes(1)))!;
        Assert.Equal((Grade.Mind, Station.Story, "l2"), (early.Grade, early.Pin.Station, early.Pin.LayerId));
        Assert.Contains("before Coat below was ready for it", early.Reason, StringComparison.Ordinal);
        Assert.Contains("Coat below it is not", Told(two, Logged("l2", first))!.Reason, StringComparison.Ordinal);
        var three = two with
        {
            Layers = two.Layers.Add(two.Layers[1] with { Id = "l3", Name = "Top" }),
            Sittings = two.Sittings.Add(two.Sittings[1] with { Id = "l3", Rest = ["l3"] })
        };
        Assert.Null(Told(three, Logged("l1", first), Logged("l2", first), Logged("l3", first + Duration.FromDays(3))));
    }

    [Fact]
    public void All_layers_together_fit_in_the_mould_or_under_the_wall()
    {
        Piece Walled(double first, double second) => Over(Coat(first, "casting", edge: EdgeStyle.Walled, sideMm: 25), second);
        Assert.Null(Of(Walled(23, 2), "overfill"));
        var over = Cleared(Walled(23.5, 2.5), "overfill");
        Assert.Equal((26, 25), (over.Numbers[0].Value, over.Numbers[1].Value));
        Assert.Equal(["lower", "higher", "depth"], over.Remedies.Select(r => r.Id));

        var mould = Coat(20, "casting", edge: EdgeStyle.Walled) with
        {
            Ground = new(new RectangleOutline(200, 150), EdgeStyle.Walled, 12, "#d8bd8c",
                new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(16, CapacityFrom.Dimensions, null, 1, 1, 1)),
        };
        Assert.Equal(15, Cleared(mould, "overfill").Numbers[1].Value);
        Assert.Null(Of(mould.OnLayer(0, l => l with { DepthMm = 15 }), "overfill"));
        Assert.NotNull(Of(mould.OnLayer(0, l => l with { DepthMm = 15.01 }), "overfill"));
        Assert.Null(Of(Coat(30, "casting"), "overfill"));
    }

    [Fact]
    public void An_amount_that_somebody_mixed_is_too_little_or_more_than_a_fifth_too_much()
    {
        var coat = Coat(3);
        Piece Mixed(double ml) => coat with { Sittings = [coat.Sittings[0] with { CupChoices = [new("moss", MixedMl: ml)] }] };
        var (cup, reach) = (Planner.Plan(coat, [], Around).Sittings[0].Cups.Cups[0], Planner.Plan(coat, [], Around).Sittings[0].Reach[0]);
        var exact = cup.MixMl.Value - reach.Left!.Value;
        var wanted = reach.Available.Value - reach.Left.Value;
        Assert.Null(Of(Mixed(exact), "runs-short"));
        Cleared(Mixed(exact - 0.1), "runs-short");
        Assert.Null(Of(Mixed(exact + wanted * 0.2 - 0.01), "leftover"));
        Cleared(Mixed(exact + wanted * 0.2 + 0.01), "leftover");
        Assert.Null(Of(coat, "leftover"));
    }

    [Fact]
    public void What_is_left_in_a_cup_in_the_middle_of_a_pour_is_told_while_more_can_be_mixed()
    {
        var layer = Samples.Layer(Samples.Heart(150, 100), 12, 20, 0);
        var piece = Samples.Piece(Samples.Panel(300, 200), layer
            with
        { Layout = new RingsLayout([Samples.Heart(150, 100)], [new("b1", 12, false, "c1"), new("b2", 0, true, "c1")], 0, "bed") });
        var planned = Planner.Plan(piece, [], Around).Sittings[0];
        var pours = planned.Pours.Where(s => s.CupId == "c1").ToDictionary(s => s.RegionId.ToString(), s => s.PourMl.Value);
        var reserve = planned.Reach.Single(r => r.CupId == "c1").Left!.Value;
        var bed = planned.Pours.Single(s => s.CupId == "bed");
        (SittingPlan Plan, Finding? Told) Logged(params PouredAmount[] amounts)
        {
            var plan = Planner.Plan(piece,
                [new("l1", Instant.FromUtc(2026, 5, 4, 9, 0), null, 22, [.. amounts.Select(a => a.Of)], [.. amounts])], Around);
            return (plan.Sittings[0], plan.Findings.SingleOrDefault(f => f.Check == "runs-short"));
        }

        // The first ring took as much more as there was in reserve: it just reaches. A little more, and the rest is short of that.
        PouredAmount First(double ml) => new(new("l1", R("b1")), 0, ml);
        Assert.Null(Logged(First(pours["b1"] + reserve)).Told);
        var (plan, told) = Logged(First(pours["b1"] + reserve + 3));
        Assert.Equal(3, told!.Numbers.Single().Value, 1e-6);
        Assert.Contains("Mix that much more", told.Reason, StringComparison.Ordinal);
        Assert.Equal("b2", plan.Reach.Single(r => r.CupId == "c1").First!.RegionId.ToString());
        Assert.Equal(pours["b1"] + reserve + 3, told.Numbers.Single().Inputs.Single(i => i.Name == "poured so far").Value, 1e-9);

        // It never lacks more than is to come, and what is poured lacks nothing.
        Assert.Equal(pours["b2"], Logged(First(pours["b1"] + reserve + 5000)).Told!.Numbers.Single().Value, 1e-6);
        Assert.Null(Logged(First(pours["b1"] + reserve + 3), new(new("l1", R("b2")), 0, 1), new(bed.Of, 0, bed.PourMl.Value)).Told);
        Assert.Null(Logged(new PouredAmount(bed.Of, 0, bed.PourMl.Value + 5000)).Told);
    }

    [Fact]
    public void Colour_over_what_is_to_stay_visible_hides_it_and_in_a_mould_it_belongs_there()
    {
        var paste = Recipe.Plain("moss", "moss", "#33523f", ColourantClass.Paste, 4);
        var panel = Coat(3, recipe: paste) with { Kept = [new("k1", "Shell", new RoundOutline(30), 40, 40, Keep.Visible)] };
        panel = panel with { Recipes = panel.Recipes.Add(Recipe.Clear("clear")) };
        Assert.Null(Of(panel, "hides-inlay"));
        var covered = Editing.Checked(panel, [new AddPass(Layer, R("kept/k1"), null, false, "moss")], Cupboard.Empty).Piece!;
        Cleared(covered, "hides-inlay");

        // What veils half of it at most does not hide it.
        var thin = covered with
        {
            Recipes = [.. covered.Recipes
            .Select(r => r.Id == "moss" ? Recipe.Plain("moss", "moss", "#33523f", ColourantClass.Dye, 1) : r)]
        };
        Assert.Null(Of(thin, "hides-inlay"));
    }

    [Fact]
    public void What_was_let_be_is_told_again_when_it_goes_further_and_not_when_a_number_moves()
    {
        var most = Resin("coating").DeepestMm;
        Piece Let(double depth) =>
            Coat(depth) with { WavedOff = [new($"too-deep@{Layer}/{Layer}", "It went well before.", Grade.Mend, 1.2)] };
        Assert.Equal("It went well before.", Of(Let(most * 1.2), "too-deep")!.WavedOff);
        Assert.NotNull(Of(Let(most * 1.2 * 1.099), "too-deep")!.WavedOff);
        Assert.Null(Of(Let(most * 1.2 * 1.101), "too-deep")!.WavedOff);
        Assert.Null(Of(Coat(most * 1.6) with { WavedOff = [new($"too-deep@{Layer}/{Layer}", "x", Grade.Mend, 5)] }, "too-deep")!.WavedOff);
        Assert.Equal("x", Of(Coat(most * 1.6) with { WavedOff = [new($"too-deep@{Layer}/{Layer}", "x")] }, "too-deep")!.WavedOff);
        Assert.Equal(0.1, SecondLook.WorseBy);
    }

    [Fact]
    public void One_colour_beside_itself_is_no_pair_of_twins_and_clear_below_colour_hides_no_ground()
    {
        var rings = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0));
        var same = Editing.Checked(rings, [new PourFrom(Layer, null, R("b2"), "c1"),
            new PourFrom(Layer, null, R("b3"), "c1"), new PourFrom(Layer, null, R("heart"), "c1")], AnyEdit.Cupboard).Piece!;
        Assert.Null(Of(same, "twins"));

        // A clear bed below thin blue, on raw wood: the wood shows through both.
        var blue = Recipe.Plain("blue", "blue", "#3355aa", ColourantClass.Dye, 1);
        var bed = Coat(2, recipe: Recipe.Clear("clear"));
        Assert.Null(Of(bed, "bare-ground"));
        var over = Over(bed) with { Recipes = [.. bed.Recipes, blue] };
        over = over with { Layers = over.Layers.SetItem(1, over.Layers[1] with { Layout = new FloodLayout("blue") }) };
        Assert.Equal("bare-ground@l2", Of(over, "bare-ground")!.Key);
    }

    [Fact]
    public void A_large_field_is_dull_from_thirty_percent_in_metal_too_and_not_below_other_colours()
    {
        var metal = Recipe.Plain("gold", "gold", "#c99b3a", ColourantClass.MetallicPaste, 5);
        Assert.Equal("dull-field", Of(Coat(3, recipe: metal), "dull-field")!.Check);
        Assert.Null(Of(Over(Coat(3, recipe: metal)) with { }, "dull-field") is { Pin.LayerId: Layer } below ? below : null);
        Assert.Null(Of(Coat(3, recipe: Samples.Cup("moss", ColourantClass.Mica, 3)), "dull-field"));
        Assert.Equal(30, DullFieldCheck.LargePercent);
    }

    [Fact]
    public void A_ground_is_bare_where_a_colour_covers_less_than_half_of_it()
    {
        // Half is covered at ln 2 ÷ (κ × depth) per cent.
        var half = Math.Log(2) / (Around.Catalogue.Of(ColourantClass.Mica).Cover * 3);
        Assert.NotNull(Of(Coat(3, recipe: Samples.Cup("moss", ColourantClass.Mica, half * 0.999)), "bare-ground"));
        Assert.Null(Of(Coat(3, recipe: Samples.Cup("moss", ColourantClass.Mica, half * 1.001)), "bare-ground"));
    }

    [Fact]
    public void Lines_from_the_rim_leave_a_tenth_of_the_room_for_the_clear_that_pushes_them()
    {
        Piece Lines(double widthMm)
        {
            var layer = new Sketch(
                Layer, "Lines", 3,
                Samples.Lines("clear", 1, 0, 3) with { Bands = [new("rest", 10, true, "clear"), new("line", widthMm, false, "moss")] },
                [Recipe.Clear("clear"), Samples.Cup("moss", ColourantClass.Mica, 3)], new("coating"), Measure.ByVolume,
                null, [], PlannedTimes.None);
            return Samples.Piece(Samples.Panel(300, 200), layer);
        }

        var room = Planner.Plan(Lines(20), [], Around).Layers[0].Facts.Single(f => f.Id == Pouring.LayoutFacts.RimRoom).Number!.Value;
        Assert.Null(Of(Lines(0.9 * room - 0.01), "rim-room"));
        Assert.NotNull(Of(Lines(0.9 * room + 0.01), "rim-room"));
    }

    [Fact]
    public void A_colour_is_on_one_side_from_seventeen_percent_of_the_diagonal()
    {
        var diagonal = Math.Sqrt(300 * 300 + 200 * 200);
        var told = Enumerable.Range(0, 300).SelectMany(seed =>
        {
            var layer = new Sketch(
                Layer, "Fields", 3, new FieldsLayout(7, ["moss", "bone", "gold"], seed),
                [.. new[] { "moss", "bone", "gold" }.Select(c => Samples.Cup(c, ColourantClass.Mica, 3))],
                new("coating"), Measure.ByVolume, null, [], PlannedTimes.None);
            return All(Samples.Piece(Samples.Panel(300, 200), layer)).Where(f => f.Check == "one-side");
        }).Select(f => f.Numbers[0].Value / diagonal).ToList();
        Assert.NotEmpty(told);
        Assert.InRange(told.Min(), 0.17, 0.18);
    }

    [Fact]
    public void A_base_of_unknown_thickness_and_a_bare_canvas_are_told()
    {
        Piece On(Base of) => Coat(3) with { Ground = Coat(3).Ground with { Base = of } };
        Assert.Equal("bow@ground/unknown", Of(On(new(PieceKind.Panel, BaseMaterial.BirchPly)), "bow")!.Key);
        Assert.Null(All(On(new(PieceKind.Panel, BaseMaterial.BirchPly, 18))).FirstOrDefault(f => f.Key == "bow@ground/unknown"));
        Cleared(On(new(PieceKind.Panel, BaseMaterial.Canvas, BackStiffened: true)), "canvas-bare");
    }
}
