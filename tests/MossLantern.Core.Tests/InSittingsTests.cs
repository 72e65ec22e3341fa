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

/// <summary>Windows and checks of pieces that are poured in sittings: pass over pass, layer over layer, hollow and tray.</summary>
public class InSittingsTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);
    private static readonly LocalDateTime Noon = new(2026, 5, 4, 12, 0);
    private static readonly PieceValidator Validator = new();

    private static PiecePlan Plan(Piece piece, params PouredSitting[] poured) => Planner.Plan(piece, poured, Around);

    private static LocalDateTime Local(Instant at) => at.InUtc().LocalDateTime;

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Piece is not null, made.Refusal);
        return made.Piece!;
    }

    private static Piece At(Piece piece, string sitting, LocalDateTime? start) => piece with
    {
        Sittings = [.. piece.Sittings.Select(s => s.Id == sitting ? s with { Start = start, End = null } : s)],
    };

    private static Piece Coat(double depthMm, double width = 200) => Samples.Piece(Samples.Panel(width, 150),
        new Sketch("l1", "Coat", depthMm, new FloodLayout("moss"), [Samples.Cup("moss", ColourantClass.Mica, 3)], new("coating"),
            Measure.ByVolume, null, [], PlannedTimes.None));

    /// <summary>A colour, and clear over it in a sitting of its own.</summary>
    private static Piece ClearOver(double depthMm = 3)
    {
        var piece = Made(Coat(depthMm), new AddPass("l1", RegionId.Parse("flood"), null, false, null));
        var pass = piece.Sittings[0].Fills!.Value[^1];
        return piece with
        {
            Sittings =
            [
                piece.Sittings[0] with { Fills = piece.Sittings[0].Fills!.Value.Remove(pass), Start = Noon },
                piece.Sittings[0] with { Id = "clear", Name = "Clear", Rest = [], Fills = [pass], Start = null },
            ],
        };
    }

    private static Finding? Told(Piece piece, string check, params PouredSitting[] poured) =>
        Plan(piece, poured).Findings.FirstOrDefault(f => f.Check == check);

    /// <summary>Each press of a finding clears it and leaves a good piece.</summary>
    private static Finding Cleared(Piece piece, string check, params PouredSitting[] poured)
    {
        var finding = Told(piece, check, poured)!;
        Assert.NotNull(finding);
        foreach (var remedy in finding.Remedies.Where(r => r.Field is null))
        {
            var after = remedy.Apply(piece);
            Assert.Empty(Validator.Validate(after).Errors);
            Assert.DoesNotContain(Plan(after, poured).Findings, f => f.Key == finding.Key);
        }

        return finding;
    }

    [Fact]
    public void A_pass_over_a_colour_is_wet_in_wet_until_that_holds_early_until_its_window_and_late_after_it()
    {
        var piece = ClearOver();
        Assert.Empty(Validator.Validate(piece).Errors);
        var under = Plan(piece).Sittings[0];
        var (end, holds, recoat) = (under.Span!.End, under.Holds!.Value, under.Recoat!);
        Assert.True(end < holds && holds < recoat.Opens);
        Piece From(Instant at) => At(piece, "clear", Local(at));
        var second = Duration.FromSeconds(1);

        var before = Cleared(At(piece, "clear", Noon.PlusHours(-3)), "layer-early");
        Assert.Contains("before the pass below it is poured", before.Reason, StringComparison.Ordinal);
        Assert.Equal(Grade.Mend, Told(From(end - second), "layer-early")!.Grade);
        var wet = Cleared(From(end), "layer-early");
        Assert.Equal((Grade.Mind, "Wet in wet"), (wet.Grade, wet.Title));
        Assert.Equal(Grade.Mind, Told(From(holds - second), "layer-early")!.Grade);
        Assert.Equal(Grade.Mend, Told(From(holds), "layer-early")!.Grade);
        Assert.Equal(Grade.Mend, Cleared(From(recoat.Opens - second), "layer-early").Grade);
        Assert.Null(Told(From(recoat.Opens), "layer-early"));

        Assert.Null(Told(From(recoat.Closes!.Value - second), "recoat-closed"));
        Assert.Equal(["sand", "later"], Cleared(From(recoat.Closes!.Value), "recoat-closed").Remedies.Select(r => r.Id));
        Assert.Equal(["sand"],
            Told(At(piece, "clear", Noon.PlusDays(5)), "recoat-closed", new PouredSitting("l1", Noon.InUtc().ToInstant(), null, 22))!
            .Remedies.Select(r => r.Id));
        Assert.Contains("has a start, but the pass below it has none yet",
            Cleared(At(From(end), "l1", null), "layer-early").Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Passes_that_are_wet_together_count_as_one_depth()
    {
        var most = Around.Catalogue.Resin("coating")!.DeepestMm;

        // Two passes of one sitting, together as deep as the layer.
        Piece Both(double mm) => Made(Coat(mm), new AddPass("l1", RegionId.Parse("flood"), null, true, null));
        Assert.Null(Told(Both(most), "too-deep"));
        Assert.NotNull(Told(Both(most + 0.1), "too-deep"));

        // Clear below takes nothing off what is wet.
        Assert.Equal(Told(Coat(most * 2), "too-deep")!.Grade, Told(Both(most * 2), "too-deep")!.Grade);

        // In another sitting while what is below is wet, or when that has set.
        var piece = ClearOver(most + 0.5);
        var under = Plan(piece).Sittings[0];
        var wet = Told(At(piece, "clear", Local(under.Span!.End)), "too-deep")!;
        Assert.Contains("what is wet below it", wet.Reason, StringComparison.Ordinal);
        Assert.Equal(most + 0.5, wet.Numbers[0].Value, 1e-9);
        Assert.Null(Told(At(piece, "clear", Local(under.Recoat!.Opens)), "too-deep"));

        // Two layers of one sitting.
        Piece Two(double each)
        {
            var coat = Coat(each);
            return coat with
            {
                Layers = coat.Layers.Add(coat.Layers[0] with { Id = "l2", Name = "Over" }),
                Sittings = [coat.Sittings[0] with { Rest = ["l1", "l2"] }],
            };
        }

        Assert.Null(Told(Two(most / 2), "too-deep"));
        var two = Cleared(Two(most / 2 + 0.05), "too-deep");
        Assert.Equal(("l2", "apart"), (two.Pin.LayerId, two.Remedies[0].Id));
    }

    [Fact]
    public void Sittings_of_a_piece_that_overlap_are_told_and_moved_apart()
    {
        var piece = Made(Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0)),
            new PourApart("l1", [RegionId.Parse("b1"), RegionId.Parse("heart")], null));
        piece = At(piece, piece.Sittings[0].Id, Noon);
        var (one, other) = (piece.Sittings[0].Id, piece.Sittings[1].Id);
        var end = Plan(piece).Sittings[0].Span!.End;
        Finding? AtOnce(Piece p) => Plan(p).Findings.FirstOrDefault(f => f.Key.EndsWith("/at-once", StringComparison.Ordinal));
        Assert.Null(AtOnce(piece));
        Assert.Null(AtOnce(At(piece, other, Local(end))));
        var told = AtOnce(At(piece, other, Local(end - Duration.FromSeconds(1))))!;
        Assert.Equal((Grade.Mend, other), (told.Grade, told.Pin.SittingId));
        Assert.Null(AtOnce(told.Remedies[0].Apply(At(piece, other, Local(end - Duration.FromSeconds(1))))));
        Assert.Equal(other, AtOnce(At(piece, other, Noon))!.Pin.SittingId);
        Assert.Equal(one, AtOnce(At(piece, other, Noon.PlusMinutes(-2)))!.Pin.SittingId);
    }

    [Fact]
    public void Tape_comes_off_once_a_layer_by_its_last_pour_at_the_rim_and_its_first()
    {
        // Round a heart only the outermost band touches the rim.
        var rings = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100, 60, 40), 12, 20, 0));
        var inner = Made(rings, new PourApart("l1", [RegionId.Parse("b1"), RegionId.Parse("heart")], null));
        inner = inner with { Sittings = [.. inner.Sittings.Select((s, i) => s with { Start = Noon.PlusDays(i) })] };
        var tapes = Plan(inner).Sittings.Select(s => s.Windows.SingleOrDefault(w => w.Milestone == Milestone.TapePull)).ToList();
        Assert.Null(tapes[0]);
        Assert.NotNull(tapes[1]);
        Assert.Equal(Plan(inner).Sittings[1].Span!.Start, tapes[1]!.Age.ClosesFrom);

        // Few fields all touch it: the window opens by the last sitting and closes by the first.
        var plain = Samples.Piece(Samples.Panel(300, 200), LayoutTests.Layer(LayoutTests.Fields(4, 2)));
        var across = Made(plain, new PourApart("l1", [Plan(plain).Layers[0].Regions[0].Id], null));
        across = across with { Sittings = [.. across.Sittings.Select((s, i) => s with { Start = Noon.PlusHours(i) })] };
        var plan = Plan(across);
        var both = plan.Sittings.Select(s => s.Windows.SingleOrDefault(w => w.Milestone == Milestone.TapePull)).ToList();
        Assert.Null(both[0]);
        var system = Around.Catalogue.Resin("coating")!;
        Assert.Equal(plan.Sittings[1].Span!.End + Duration.FromHours(system.TapePull.FromHours), both[1]!.Opens);
        Assert.Equal(plan.Sittings[0].Span!.Start + Duration.FromHours(system.TapePull.ToHours), both[1]!.Closes);

        // Kept as ages it says the same.
        Assert.Equal(both[1]!.Closes, both[1]!.Age.ClosesIn(RoomCurve.Constant(22)));

        // Of two resins whose data are for other rooms, too.
        var casting = across with { Sittings = across.Sittings.SetItem(0, across.Sittings[0] with { Resin = new("casting") }) };
        var mixed = Plan(casting).Sittings.SelectMany(s => s.Windows.Where(w => w.Milestone == Milestone.TapePull)).Single();
        Assert.Equal(mixed.Closes!.Value.ToUnixTimeSeconds(), mixed.Age.ClosesIn(RoomCurve.Constant(22))!.Value.ToUnixTimeSeconds(), 1.0);
    }

    [Fact]
    public void What_something_was_poured_over_takes_no_next_layer()
    {
        var piece = ClearOver();
        var at = Noon.InUtc().ToInstant();
        bool Takes(SittingPlan s) => s.Windows.Any(w => w.Milestone == Milestone.NextLayer);
        var (first, second) = (new PouredSitting("l1", at, null, 22), new PouredSitting("clear", at + Duration.FromHours(8), null, 22));
        Assert.Equal([true], Plan(At(piece, "clear", null), first).Sittings.Where(s => s.Span is not null).Select(Takes));
        Assert.Equal([false, true], Plan(piece, first, second).Sittings.Select(Takes));

        // A layer over another, with the pass in between planned only.
        var two = piece with
        {
            Layers = piece.Layers.Add(piece.Layers[0] with { Id = "l2", Name = "Over" }),
            Sittings = piece.Sittings.Add(piece.Sittings[0] with { Id = "l2", Rest = ["l2"], Fills = null, Start = null }),
        };
        Assert.Equal([true, true, false], Plan(two, first).Sittings.Select(s => s.SittingId == "l2" ? false : Takes(s) || s.Span is null));
        Assert.Equal([false, false, true],
            Plan(two, first, second, new PouredSitting("l2", at + Duration.FromHours(20), null, 22)).Sittings.Select(Takes));
    }

    [Fact]
    public void A_sitting_of_two_layers_that_poured_one_of_them_leaves_the_other_to_be_begun()
    {
        var coat = Coat(2);
        var two = coat with
        {
            Layers = coat.Layers.Add(coat.Layers[0] with { Id = "l2", Name = "Over" }),
            Sittings = [coat.Sittings[0] with { Rest = ["l1", "l2"], Start = Noon }],
        };
        var flood = RegionId.Parse("flood");
        var log = new PouredSitting("l1", Noon.InUtc().ToInstant(), null, 22, [new("l1", flood)], [new(new("l1", flood), 0, 50)]);
        var plan = Plan(two, log);
        Assert.Equal([true, false], plan.Layers.Select(l => l.Poured));
        Assert.Equal([true, false], plan.Layers.Select(l => l.Done));
        Assert.Equal([new RegionOf("l2", flood)], plan.Sittings[0].OpenRegions);

        // What was begun and not brought to its end is neither done nor untouched.
        var half = Plan(two, log with { Regions = [], Amounts = [new(new("l1", flood), 0, 5)] });
        Assert.Equal([true, false], half.Layers.Select(l => l.Poured));
        Assert.Equal([false, false], half.Layers.Select(l => l.Done));
    }

    [Fact]
    public void Over_a_layer_that_is_poured_in_part_nothing_is_planned_without_a_word()
    {
        var rings = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0));
        var over = rings with
        {
            Layers = rings.Layers.Add(rings.Layers[0] with { Id = "l2", Name = "Over" }),
            Sittings = rings.Sittings.Add(rings.Sittings[0] with { Id = "l2", Rest = ["l2"], Start = Noon }),
        };
        RegionOf b1 = new("l1", RegionId.Parse("b1"));
        var first = Noon.PlusHours(-10).InUtc().ToInstant();
        Assert.Null(Told(over, "layer-early", new PouredSitting("l1", first, null, 22)));
        var told = Cleared(over, "layer-early", new PouredSitting("l1", first, null, 22, [b1], [new(b1, 0, 9)]));
        Assert.Equal("Not all below is poured", told.Title);
    }

    private static PouredSitting Flooded(double ml, double? planned, bool done = false, string sitting = "l1", int pass = 0)
    {
        RegionOf flood = new("l1", RegionId.Parse("flood"));
        return new(sitting, Noon.InUtc().ToInstant(), null, 22, done ? [flood] : [], [new(flood, pass, ml, planned, done)],
            [(flood, pass)]);
    }

    private static Piece OneMore(Piece piece, string? sitting, bool rest = false) =>
        Editing.Checked(piece, [new AddPass("l1", RegionId.Parse("flood"), sitting, false, null, rest)], AnyEdit.Cupboard).Piece!;

    /// <summary>Of 80 ml with 60 logged it is 20, whichever sitting pours it; the pass that was logged is as it was poured.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_pass_that_is_added_after_a_log_takes_what_the_aim_still_lacks(bool apart)
    {
        var coat = Coat(2);
        var all = Plan(coat).Sittings[0].Pours.Single().PourMl.Value;
        var later = coat with
        {
            Sittings = coat.Sittings.Add(coat.Sittings[0] with { Id = "later", Rest = [], Start = Noon.PlusHours(6) })
        };
        var more = OneMore(apart ? later : coat, apart ? "later" : null);
        var log = Flooded(0.75 * all, all);
        var plan = Plan(more, log);
        var pours = plan.Sittings.SelectMany(s => s.Pours).ToList();
        Assert.Equal([0.75 * all, 0.25 * all], pours.Select(p => p.PourMl.Value), (a, b) => Math.Abs(a - b) < 1e-6);
        Assert.Equal([apart ? "later" : "l1"], plan.Sittings.Where(s => !s.Done).Select(s => s.SittingId));
        Assert.Equal((true, false), (plan.Layers[0].Poured, plan.Layers[0].Done));

        // With it, all is.
        PouredSitting[] both = apart ? [log, Flooded(0.25 * all, 0.25 * all, true, "later")]
            : [log with { Amounts = [.. log.Amounts!, .. Flooded(0.25 * all, 0.25 * all, pass: 1).Amounts!], Told = [.. log.Told!,
                (new("l1", RegionId.Parse("flood")), 1)] }];
        Assert.True(Plan(more, both).Layers[0].Done);

        // Where all of it was poured nothing is left to take; nothing noted is all.
        int Pours(PouredSitting log) => Plan(more, log).Sittings.Sum(s => s.Pours.Length);
        Assert.Equal(1, Pours(Flooded(all, all, true)));
        Assert.Equal(2, Pours(new PouredSitting("l1", Noon.InUtc().ToInstant(), null, 22)));
    }

    /// <summary>Two passes that were planned from the start: half of the first is more to come, until the person says that is all.</summary>
    [Fact]
    public void A_pass_under_another_stays_as_it_is_planned_while_more_of_it_is_to_come()
    {
        var two = OneMore(Coat(2), null);
        var planned = Plan(two).Sittings[0].Pours.Select(p => p.PourMl.Value).ToList();
        var all = planned.Sum();
        double[] With(double ml, bool done, double? then = null) =>
            [.. Plan(two, Flooded(ml, then ?? planned[0], done)).Sittings[0].Pours.Select(p => p.PourMl.Value)];
        Assert.Equal(planned, With(0.5 * planned[0], false));
        Assert.Equal(planned, With(0.5 * planned[0], false, 1.009 * planned[0]));
        Assert.Equal(0.5 * planned[0], With(0.5 * planned[0], false, 1.02 * planned[0])[0], 1e-6);

        // That is all: the pass over it is at most as deep as it is planned, and no deeper than the aim.
        Assert.Equal([0.5 * planned[0], planned[1]], With(0.5 * planned[0], true), (a, b) => Math.Abs(a - b) < 1e-6);
        Assert.Equal(all, With(1.2 * planned[0], true).Sum(), 1e-6);
        Assert.Single(With(1.5 * all, true));
    }

    /// <summary>Whatever was poured under it, at an open edge and among stones: together they are what the region aims at, or what was
    /// poured if that is more.</summary>
    [Fact]
    public void What_is_poured_and_what_is_still_to_come_are_the_aim() =>
        (from width in Gen.Double[100, 400]
         from depth in Gen.Double[1.5, 5]
         from share in Gen.Double[0, 1.4]
         from edge in Gen.Enum<EdgeStyle>()
         from grams in Gen.OneOf(Gen.Const(0.0), Gen.Double[1, 30])
         from copies in Gen.Int[1, 3]
         select (width, depth, share, edge, grams, copies)).Sample(
            s =>
            {
                var coat = Coat(s.depth);
                coat = coat with
                {
                    Ground = Samples.Panel(s.width, 150, s.edge) with { Set = s.copies > 1 ? new(s.copies, 5, true) : null },
                    Layers = [coat.Layers[0] with
                    {
                        Stones = s.grams > 0 ? [new(RegionId.Parse("flood"), "crushed-glass", s.grams)] : null
                    }],
                };
                coat = coat with { Growth = GrowthScale.For(coat.Ground.MapOutline) };
                var whole = Plan(coat).Sittings[0];
                var all = whole.Pours.Single().PourMl.Value;
                var plan = Plan(OneMore(coat, null, true), Flooded(Math.Max(0.01, s.share * all), all, s.share > 0.9));
                var ml = plan.Sittings[0].Pours.Sum(p => p.PourMl.Value);
                Assert.Equal(Math.Max(all, s.share * all), ml, 1e-6);
            },
            iter: 60);

    [Fact]
    public void Castings_are_counted_by_their_logs_and_the_next_waits_until_the_last_is_out()
    {
        var mould = new Ground(new RoundOutline(98), EdgeStyle.Walled, 10, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone),
            Mould: new(10, CapacityFrom.Dimensions, null, 8, 4, 0));
        var piece = Samples.Piece(mould, new Sketch("l1", "Body", 5, new FloodLayout("moss"), [Samples.Cup("moss", ColourantClass.Mica, 3)],
            new("casting"), Measure.ByVolume, null, [], PlannedTimes.None));
        var at = Noon.InUtc().ToInstant();
        var flood = new RegionOf("l1", RegionId.Parse("flood"));
        PouredSitting Casting(int n, bool whole = true) =>
            new("l1", at + Duration.FromDays(2 * n), null, 22, whole ? [flood] : [], [new(flood, 0, whole ? 200 : 20)]);
        int Left(params PouredSitting[] poured) => Plan(piece, poured).Sittings[0].CopiesLeft;
        Assert.Equal(8, Left());
        Assert.Equal(4, Left(Casting(0)));
        Assert.Equal(4, Left(Casting(0), Casting(1, whole: false)));
        Assert.Equal(0, Left(Casting(0), Casting(1)));
        Assert.Equal(0, Left(Casting(0), Casting(1), Casting(2)));

        // The windows are those of the last casting, and the next is not poured into a full mould.
        var plan = Plan(piece, Casting(0), Casting(1)).Sittings[0];
        Assert.Equal(at + Duration.FromDays(2), plan.Span!.Start);
        var leaves = Plan(piece, Casting(0)).Sittings[0].Windows.Single(w => w.Milestone == Milestone.Demould).Opens;
        Assert.Null(Told(At(piece, "l1", Local(leaves)), "layer-early", Casting(0)));
        Assert.Equal("Mould still full",
            Cleared(At(piece, "l1", Local(leaves - Duration.FromSeconds(1))), "layer-early", Casting(0)).Title);

        // What it was planned for itself is no other casting, and after the last there is none.
        Assert.Null(Told(At(piece, "l1", Noon), "layer-early", Casting(0)));
        Assert.Null(Told(At(piece, "l1", Local(leaves - Duration.FromSeconds(1))), "layer-early", Casting(0), Casting(0)));
    }

    private static Piece Tray(double hollowMm = 4, LocalDateTime? tray = null, LocalDateTime? hollow = null)
    {
        var resin = Samples.Cup("moss", ColourantClass.Mica, 3);
        Sketch Layer(string id, double mm, LocalDateTime? start) => new(id, id, mm, new FloodLayout("moss"), [resin], new("casting"),
            Measure.ByVolume, null, [], new(start, null, 22));
        var piece = Samples.Piece(
            new Ground(new RectangleOutline(200, 150), EdgeStyle.Walled, 12, "#d8bd8c", new(PieceKind.Casting, BaseMaterial.Silicone),
                Mould: new(12, CapacityFrom.Dimensions, null, 1, 1, 1,
                    Inserts: [new("i1", "Well", new RoundOutline(60), 70, 45, 4, 1)])),
            Layer("tray", 10, tray), Layer("hollow", hollowMm, hollow));
        return piece with { Layers = [piece.Layers[0], piece.Layers[1] with { Within = "i1" }] };
    }

    [Fact]
    public void A_hollow_is_filled_when_its_insert_is_out_and_no_deeper_than_that_stood()
    {
        Assert.Empty(Validator.Validate(Tray()).Errors);
        var demould = Plan(Tray(tray: Noon)).Sittings[0].Windows.Single(w => w.Milestone == Milestone.Demould).Opens;
        Assert.Null(Told(Tray(tray: Noon, hollow: Local(demould)), "layer-early"));
        var early = Cleared(Tray(tray: Noon, hollow: Local(demould - Duration.FromSeconds(1))), "layer-early");
        Assert.Contains("before Well is out of tray", early.Reason, StringComparison.Ordinal);
        Assert.Equal(Grade.Mend, Told(Tray(tray: Noon, hollow: Noon.PlusDays(-1)), "layer-early")!.Grade);
        Assert.Contains("what stands round its hollow has none yet", Told(Tray(hollow: Noon), "layer-early")!.Reason,
            StringComparison.Ordinal);
        Assert.Null(Told(Tray(tray: Noon, hollow: Noon.PlusDays(30)), "recoat-closed"));
        var logged = Told(Tray(), "layer-early", new PouredSitting("hollow", Noon.InUtc().ToInstant(), null, 22))!;
        Assert.Contains("what stands round its hollow is not", logged.Reason, StringComparison.Ordinal);

        // It stood 4 mm above the floor in 10 mm.
        Assert.Null(Told(Tray(6), "overfill"));
        var deep = Cleared(Tray(6.1), "overfill");
        Assert.Equal((6.1, 6.0, "hollow"), (deep.Numbers[0].Value, deep.Numbers[1].Value, deep.Pin.LayerId));
    }
}
