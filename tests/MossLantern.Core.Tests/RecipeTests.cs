using System.Collections.Immutable;
using System.Diagnostics;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Planning;
using MossLantern.Core.Units;
using NodaTime;
using P = MossLantern.Core.Materials.MaterialProperties;

namespace MossLantern.Core.Tests;

/// <summary>What is stirred into a cup: loads and limits, drops and scoops, trials, covers, wanted colours, frozen and
/// kept recipes.</summary>
public class RecipeTests
{
    private const double Density = 1.065;

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(),
        Samples.Layer(Samples.Heart(250, 180), 9, 6, 0) with { Resin = new("coating") });

    private static readonly Catalogue Own = Catalogue.Typical.With(
    [
        ("fen-gold", new(MaterialKind.Colourant, "fen gold", "mica", Values((P.ScoopG, 0.12), (P.Cover, 0.4)), Colour: "#c9a23b")),
        ("bog-ink", new(MaterialKind.Colourant, "bog ink", "dye", Values((P.DropMl, 0.04)), RatioBasis.Volume, Colour: "#123456")),
    ]);

    private static readonly Cupboard Cupboard = AnyEdit.Cupboard with { Catalogue = Own };

    private static System.Collections.Immutable.ImmutableSortedDictionary<string, double> Values(params (string, double)[] own) =>
        own.ToImmutableSortedDictionary(v => v.Item1, v => v.Item2, StringComparer.Ordinal);

    private static Recipe Mixed(params Dose[] doses) => new("c", "c", "#33523f", [.. doses]);

    private static CupDoses Doses(Recipe recipe, double ml = 50, Catalogue? catalogue = null) =>
        CupDoses.Of(catalogue ?? Catalogue.Typical, recipe, ml, ml * Density, Density);

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, Cupboard);
        Assert.Null(made.Refusal);
        return made.Piece!;
    }

    private static string Refused(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, Cupboard);
        Assert.Null(made.Piece);
        return made.Refusal!;
    }

    private static Recipe Of(Piece piece, string id) => piece.Recipes.Single(r => r.Id == id);

    private static SetField Set(string place, object? value) => new(place, System.Text.Json.JsonSerializer.SerializeToElement(value));

    /// <summary>A cup of 9 % that is poured off and gets 9 % more has 18 %; of two parts of it and one of another, two thirds.</summary>
    [Theory]
    [InlineData(1, 0, 18)]
    [InlineData(2, 1, 16)]
    public void What_a_cup_is_filled_from_brings_its_colourants_along(double of, double other, double percent)
    {
        var first = Mixed(new Dose(ColourantClass.Paste, 9)) with { Id = "from", Name = "from" };
        var weak = Mixed(new Dose(ColourantClass.Paste, 3)) with { Id = "weak" };
        var cup = Mixed(new Dose(ColourantClass.Mica, 9))
            with
        { Of = other > 0 ? [new("from", of), new("weak", other)] : [new("from", of)] };
        var told = CupDoses.Of(Catalogue.Typical, cup, 50, 50 * Density, Density,
            new[] { first, weak, cup }.ToDictionary(r => r.Id));
        Assert.Equal(percent, told.Total!.Value, 1e-9);
        Assert.Equal(9, told.All[0].Load!.Value, 1e-9);
        Assert.True(told.OverTotal);
        Assert.Equal(percent, told.Total.Inputs.Sum(i => i.Value), 1e-9);
        var unknown = first with { Doses = [new(ColourantClass.Paste, 9, ByEye: true)] };
        Assert.Null(CupDoses.Of(Catalogue.Typical, cup, 50, 50 * Density, Density,
            new[] { unknown, weak, cup }.ToDictionary(r => r.Id)).Total);
    }

    [Fact]
    public void A_dose_by_eye_has_no_amount_and_its_cup_no_total_and_a_number_makes_it_known_again()
    {
        var by = Made(Rings, new DoseColour("c1", 0, 0, DoseUnit.ByEye));
        var dose = by.Recipes.Single(r => r.Id == "c1").Doses[0];
        Assert.True(dose.ByEye);
        Assert.Equal(Rings.Recipes.Single(r => r.Id == "c1").LoadPercent, dose.Percent);
        var told = CupDoses.Of(Own, by.Recipes.Single(r => r.Id == "c1"), 30, 30 * Density, Density);
        Assert.Equal((null, null, null, null, null, null),
            (told.All[0].G, told.All[0].Ml, told.All[0].Drops, told.All[0].Scoops, told.All[0].Tips, told.All[0].Load));
        Assert.Null(told.Total);
        Assert.False(told.Over);
        Assert.False(Made(by, new DoseColour("c1", 0, 3, DoseUnit.Percent)).Recipes.Single(r => r.Id == "c1").Doses[0].ByEye);
        Assert.False(Made(by, new MeasureDose("c1", 0, RatioBasis.Volume)).Recipes.Single(r => r.Id == "c1").Doses[0].ByEye);
        Assert.Contains("By eye gives no amount", Refused(Rings, new TryDose("c1", 0, 1, DoseUnit.ByEye)), StringComparison.Ordinal);
        var at = new LocalDateTime(2026, 5, 4, 18, 0);
        Assert.Equal(at,
            Made(Rings, new TryDose("c1", 0, 1, DoseUnit.Percent, At: at)).Recipes.Single(r => r.Id == "c1").Trials!.Value[0].At);
    }

    [Fact]
    public void A_stick_tip_is_as_much_as_somebody_weighed_and_unknown_until_then()
    {
        var tip = Catalogue.Typical.With([("paste", new(MaterialKind.Colourant, "Paste", "paste", Values((P.TipG, 0.03))))]);
        var cup = Samples.Cup("c1", ColourantClass.Paste);
        Assert.Equal(0.04 * 30 * Density / 0.03,
            CupDoses.Of(tip, cup with { Doses = [new(ColourantClass.Paste, 4)] }, 30, 30 * Density, Density).All[0].Tips!.Value, 1e-9);
        Assert.Null(CupDoses.Of(Own, cup, 30, 30 * Density, Density).All[0].Tips);
        Assert.Contains("stick tip of opaque paste weighs is not known",
            Refused(Rings, new DoseColour("c1", 0, 3, DoseUnit.Tips, 30)), StringComparison.Ordinal);
        var dosed = Editing.Checked(Rings, [new DoseColour("c1", 0, 3, DoseUnit.Tips, 30)],
            AnyEdit.Cupboard with { Catalogue = tip }).Piece!;
        Assert.Equal(100 * 3 * 0.03 / (30 * Rings.Sittings[0].Resin.From(tip).MixDensity),
            dosed.Recipes.Single(r => r.Id == "c1").LoadPercent, 1e-9);
    }

    [Fact]
    public void Five_millilitres_of_acrylic_in_fifty_are_ten_percent_by_volume_and_twelve_by_weight_whichever_the_limit_is_set_by()
    {
        var byVolume = Doses(Mixed(new Dose(ColourantClass.Acrylic, 10, RatioBasis.Volume))).All[0];
        Assert.Equal(5, byVolume.Ml!.Value, 1e-9);
        Assert.Equal(6.5, byVolume.G!.Value, 1e-9);
        Assert.Equal(12.21, byVolume.Load!.Value, 0.005);
        Assert.Equal((RatioBasis.Weight, true), (byVolume.LimitBy, byVolume.Over));

        // The same paint where its limit is by volume: at it, and not over.
        var volume = Catalogue.Typical
            .With([("acrylic", new(MaterialKind.Colourant, "acrylic paint or ink", "acrylic", Values(), RatioBasis.Volume))]);
        var there = Doses(Mixed(new Dose(ColourantClass.Acrylic, 10, RatioBasis.Volume)), catalogue: volume);
        Assert.Equal((10, false, false), (there.All[0].Load!.Value, there.All[0].Over, there.Over));
        Assert.True(Doses(Mixed(new Dose(ColourantClass.Acrylic, 10.01, RatioBasis.Volume)), catalogue: volume).Over);
        Assert.False(Doses(Mixed(new Dose(ColourantClass.Acrylic, 12.2, RatioBasis.Weight)), catalogue: volume).Over);
        Assert.True(Doses(Mixed(new Dose(ColourantClass.Acrylic, 12.21, RatioBasis.Weight)), catalogue: volume).Over);
    }

    [Fact]
    public void Each_class_has_its_limit_and_all_together_have_theirs_from_both_sides()
    {
        Assert.False(Doses(Mixed(new Dose(ColourantClass.Mica, 6), new Dose(ColourantClass.Dye, 4))).Over);
        var over = Doses(Mixed(new Dose(ColourantClass.Mica, 6), new Dose(ColourantClass.Dye, 4.01)));
        Assert.Equal((10.01, 10, true), (Math.Round(over.Total!.Value, 6), over.TotalLimitPercent, over.OverTotal));
        Assert.DoesNotContain(over.All, d => d.Over);
        Assert.Equal([false, true],
            Doses(Mixed(new Dose(ColourantClass.Dye, 1), new Dose(ColourantClass.Mica, 6.01))).All.Select(d => d.Over));

        // With glitter in it the limit of all is glitter's own.
        Assert.False(Doses(Mixed(new Dose(ColourantClass.Paste, 6), new Dose(ColourantClass.Glitter, 6))).Over);
        Assert.True(Doses(Mixed(new Dose(ColourantClass.Paste, 6), new Dose(ColourantClass.Glitter, 6.01))).OverTotal);
        Assert.Null(Doses(Recipe.Clear("clear")).Total);
        Assert.False(Doses(Recipe.Clear("clear")).Over);
    }

    [Fact]
    public void A_dose_is_told_in_grams_drops_and_level_scoops_of_ones_own()
    {
        var ink = Doses(Mixed(new Dose(ColourantClass.AlcoholInk, 0.399)), 30).All[0];
        Assert.Equal(3, ink.Drops!.Value, 0.005);
        Assert.Null(ink.Scoops);
        var gold = Doses(Mixed(new Dose(ColourantClass.Mica, 3, ColourantId: "fen-gold")), 30, Own).All[0];
        Assert.Equal("fen gold", gold.Name);
        Assert.Equal(0.03 * 30 * Density / 0.12, gold.Scoops!.Value, 1e-9);
        Assert.Null(gold.Drops);

        // Nobody has weighed a scoop of any mica; a colourant that is gone counts as any of its class.
        Assert.Null(Doses(Mixed(new Dose(ColourantClass.Mica, 3, ColourantId: "gone")), 30, Own).All[0].Scoops);
        Assert.Equal("mica or pearl powder", Doses(Mixed(new Dose(ColourantClass.Mica, 3, ColourantId: "gone")), 30, Own).All[0].Name);
    }

    [Theory]
    [InlineData(DoseUnit.Drops, 3, 30, "dye", 3 * 0.05 * 1.0 / (30 * 1.065) * 100)]
    [InlineData(DoseUnit.Grams, 2, 100, "dye", 2 / (100 * 1.065) * 100)]
    [InlineData(DoseUnit.Percent, 2.5, null, "dye", 2.5)]
    public void What_is_said_in_drops_or_grams_becomes_a_load(DoseUnit unit, double amount, object? inMl, string like, double percent)
    {
        Assert.Equal("dye", like);
        var to = Made(Rings, new DoseColour("bed", 0, amount, unit, inMl is null ? null : Convert.ToDouble(inMl)));
        Assert.Equal(percent, Of(to, "bed").LoadPercent, 1e-9);
    }

    [Fact]
    public void What_cannot_be_dosed_so_is_refused_in_words()
    {
        Assert.Contains("does not drip", Refused(Rings, new DoseColour("c1", 0, 3, DoseUnit.Drops, 30)), StringComparison.Ordinal);
        Assert.Contains("level scoop of opaque paste weighs is not known",
            Refused(Rings, new DoseColour("c1", 0, 3, DoseUnit.Scoops, 30)), StringComparison.Ordinal);
        Assert.Contains("Give the millilitres of resin", Refused(Rings, new DoseColour("c1", 0, 3, DoseUnit.Grams)),
            StringComparison.Ordinal);
        Assert.Contains("from 0 to 100 %", Refused(Rings, new DoseColour("c1", 0, 90, DoseUnit.Grams, 30)), StringComparison.Ordinal);
        Assert.Contains("That colour is no longer there", Refused(Rings, new DoseColour("c1", 1, 3, DoseUnit.Percent)),
            StringComparison.Ordinal);
        Assert.Contains("cannot be poured off itself", Refused(Rings, new PourOff("c1", "c1")), StringComparison.Ordinal);
        Assert.Contains("add a colourant first",
            Refused(Made(Rings, new ChooseColourant("c1", null)), new PourOff("c1", "c2")), StringComparison.Ordinal);
        Assert.Contains("poured off twice", Refused(Made(Rings, new PourOff("c1", "c2")), new PourOff("c2", "c3")),
            StringComparison.Ordinal);
        Assert.Contains("mixed by itself", Refused(Made(Rings, new PourOff("c1", "c2")), new PourOff("c3", "c1")),
            StringComparison.Ordinal);
        Assert.Contains("up to 6 colourants",
            Refused(Rings, [.. Enumerable.Repeat(new AddColourant("c1", ColourantClass.Dye), 6)]), StringComparison.Ordinal);
    }

    [Fact]
    public void A_trial_goes_on_in_small_steps_and_is_kept_with_how_it_looked()
    {
        var to = Made(Rings, new TryDose("bed", 0, 2, DoseUnit.Drops, 30, Note: "pale", Anew: true),
            new TryDose("bed", 0, 1, DoseUnit.Drops, 30, Note: " that is it "));
        var bed = Of(to, "bed");
        Assert.Equal(3 * 0.05 / (30 * 1.065) * 100, bed.LoadPercent, 1e-9);
        Assert.Equal([("pale", 2.0), ("that is it", 1.0)], bed.Trials!.Value.Select(t => (t.Words, t.Amount)));
        Assert.Equal(bed.LoadPercent, bed.Trials!.Value[1].ToPercent);
        var full = Made(to, [.. Enumerable.Repeat(new TryDose("bed", 0, 0.01, DoseUnit.Percent), 38)]);
        Assert.Contains("Up to 40 steps", Refused(full, new TryDose("bed", 0, 0.01, DoseUnit.Percent)), StringComparison.Ordinal);
    }

    [Fact]
    public void Dosed_by_volume_in_place_of_weight_it_stays_as_much_as_it_is()
    {
        var to = Made(Rings, new MeasureDose("c1", 0, RatioBasis.Volume));
        Assert.Equal(4 * Density / 1.8, Of(to, "c1").LoadPercent, 1e-9);
        double Grams(Piece piece) => new PiecePlanner(new LayerMapper())
            .Plan(piece, [], DateTimeZone.Utc).Sittings[0].Cups.Cups.Single(c => c.CupId == "c1").Doses.All[0].G!.Value;
        Assert.Equal(Grams(Rings), Grams(to), 1e-9);
    }

    [Fact]
    public void Several_colourants_are_mixed_by_their_loads_and_all_of_them_cover()
    {
        var mix = Mixed(new Dose(ColourantClass.Paste, 3, Colour: "#ffffff"), new Dose(ColourantClass.Mica, 1, Colour: "#800000"));
        var look = CupLook.Of(Catalogue.Typical, Samples.Layer(null, 0), mix);
        Assert.Equal(3 * 1.2 + 0.25, look.CoverPerMm, 1e-9);
        Assert.Equal(Pigment.Mix(Colour.Of("#ffffff"), 3, Colour.Of("#800000"), 1).ToHex(), look.Colour.ToHex());
        Assert.Equal(4, look.LoadPercent);

        // What came out of it is shown once it is known, and forgotten once it is mixed otherwise.
        Assert.Equal("#c0a0a0", CupLook.Of(Catalogue.Typical, Samples.Layer(null, 0), mix with { Seen = "#c0a0a0" }).Colour.ToHex());
        var seen = Made(Rings, Set("recipes[c1].seen", "#405060"));
        Assert.Equal("#405060", Of(seen, "c1").Seen);
        Assert.Null(Of(Made(seen, new DoseColour("c1", 0, 5, DoseUnit.Percent)), "c1").Seen);
        Assert.Equal("#405060", Of(Made(seen, Set("recipes[c1].name", "Mere")), "c1").Seen);
    }

    [Fact]
    public void Glitter_and_lacing_go_in_last_and_each_class_says_what_is_done_with_it_first()
    {
        var to = Made(Rings, new AddColourant("c1", ColourantClass.Lacing),
            new AddColourant("c1", ColourantClass.Glitter), new AddColourant("c1", ColourantClass.Mica, "fen-gold"));
        Assert.Equal([ColourantClass.Paste, ColourantClass.Mica, ColourantClass.Glitter, ColourantClass.Lacing],
            Of(to, "c1").Doses.Select(d => d.Colourant));
        Assert.Equal(["#33523f", "#c9a23b"], Of(to, "c1").Doses.Take(2).Select(d => d.Colour));
        Assert.All(Enum.GetValues<ColourantClass>(), c => Assert.False(string.IsNullOrEmpty(Preparing.Of(c, true))));
        Assert.NotEqual(Preparing.Of(ColourantClass.Glitter, true), Preparing.Of(ColourantClass.Glitter, false));
        Assert.Equal([ColourantClass.Mica, ColourantClass.Glitter, ColourantClass.Lacing],
            Of(Made(to, new LeaveColourantOut("c1", 0)), "c1").Doses.Select(d => d.Colourant));
        Assert.Equal("#c9a23b", Of(Made(to, new LeaveColourantOut("c1", 0)), "c1").Colour);
    }

    /// <summary>−ln(1 − 0.995) ÷ (2 mm × 1.2) = 2.21 %.</summary>
    [Fact]
    public void The_load_for_a_wanted_cover_is_solved_within_the_limits()
    {
        var to = Made(Rings, new CoverBelow("c1", "l1", null, 2));
        Assert.Equal(2.3, Of(to, "c1").LoadPercent, 1e-9);
        Assert.True(CupLook.Of(Catalogue.Typical, to.FilledBy("l1"), Of(to, "c1")).Opacity(2) >= 0.995);
        Assert.True(CupLook.Of(Catalogue.Typical, to.FilledBy("l1"), Of(to, "c1").WithLoad(2.2)).Opacity(2) < 0.995);

        // 6 % of dye, its limit, cover 1 − exp(−0.08 × 6 × 3) = 76 %; just below that it can, just above it cannot.
        Assert.Contains("cover 76 % at the most", Refused(Rings, new CoverBelow("bed", "l1", 76.4)), StringComparison.Ordinal);
        Assert.Equal(6, Of(Made(Rings, new CoverBelow("bed", "l1", 76.2)), "bed").LoadPercent, 0.1);
        Assert.Contains("Nothing in it hides what is below",
            Refused(Made(Rings, new ChooseColourant("c1", null)), new CoverBelow("c1", "l1", 50)), StringComparison.Ordinal);
        Assert.Contains("from 1 to 99.9 %", Refused(Rings, new CoverBelow("c1", "l1", 100)), StringComparison.Ordinal);

        // Of several, all are taken as much stronger.
        var two = Made(Rings, new AddColourant("c1", ColourantClass.Mica), new CoverBelow("c1", "l1", 90));
        Assert.Equal(Of(two, "c1").Doses[0].Percent / 4, Of(two, "c1").Doses[1].Percent / 1, 0.02);
        Assert.Equal(0.9, CupLook.Of(Catalogue.Typical, two.FilledBy("l1"), Of(two, "c1")).Opacity(3), 0.01);
    }

    [Fact]
    public void Poured_off_another_and_tinted_further_it_is_measured_once_and_has_both_colours()
    {
        var to = Made(Rings, new PourOff("c1", "c2"));
        var plan = new PiecePlanner(new LayerMapper()).Plan(to, [], DateTimeZone.Utc).Sittings[0];
        CupVolume Cup(string id) => plan.Cups.Cups.Single(c => c.CupId == id);
        Assert.Equal(("c2", Cup("c1").MixMl.Value), (Cup("c1").Draws.Single().CupId, Cup("c1").Draws.Single().Ml.Value));
        Assert.Equal(Cup("c1").MixMl.Value, Cup("c2").DrawnMl, 1e-9);
        Assert.Single(Cup("c1").Doses.All);
        Assert.DoesNotContain("c1", plan.Batches.All.SelectMany(b => b.CupIds));
        Assert.Equal(plan.Cups.TotalMl.Value, plan.Cups.Cups.Where(c => c.CupId != "c1").Sum(c => c.MixMl.Value), 1e-9);
        Assert.Equal(2 * 4 * 1.2, CupLook.Of(Catalogue.Typical, to.FilledBy("l1"), Of(to, "c1")).CoverPerMm, 1e-9);
        Assert.Null(Of(Made(to, new PourOff("c1", null)), "c1").Of);
    }

    [Fact]
    public void Twenty_millilitres_shared_two_one_one_are_ten_five_and_five()
    {
        var piece = Samples.Piece(
            Samples.Panel(100, 100) with { Outline = new MossLantern.Core.Shapes.RectangleOutline(100, 100) },
            Samples.Layer(null, 0) with
            {
                Layout = new FloodLayout("mix"),
                Recipes = [new("mix", "mix", "#445566", [], [new("a", 2), new("b", 1), new("c", 1)]), Samples.Cup("a"),
                    Samples.Cup("b"), Samples.Cup("c")],
                Losses = new(0, 0, 0, 0),
                ReservePercent = 0,
                DepthMm = 2,
            });
        var cup = new PiecePlanner(new LayerMapper()).Plan(piece, [], DateTimeZone.Utc).Sittings[0].Cups.Cups.Single(c => c.CupId == "mix");
        Assert.Equal([10.0, 5, 5], cup.Draws.Select(d => Math.Round(d.Ml.Value, 9)));
    }

    [Fact]
    public void A_change_to_a_frozen_recipe_makes_a_new_one_and_the_frozen_one_stays()
    {
        var frozen = Made(Rings, Set("recipes[c1].frozen", true));
        var to = Made(frozen, new DoseColour("c1", 0, 7, DoseUnit.Percent));
        Assert.Equal([("c1", 4, true), ("c1 2", 7, false)], to.Recipes
            .Where(r => r.Name.StartsWith("c1", StringComparison.Ordinal)).Select(r => (r.Name, r.LoadPercent, r.Frozen)).Order());
        Assert.Equal(7, Of(to, "c1").LoadPercent);

        // A name is no change of the mixture, and one that is let go may be changed.
        Assert.True(Of(Made(frozen, Set("recipes[c1].name", "Mere")), "c1").Frozen);
        Assert.Equal(frozen.Recipes.Length,
            Made(frozen, Set("recipes[c1].frozen", false), new DoseColour("c1", 0, 7, DoseUnit.Percent)).Recipes.Length);
        Assert.Contains(Made(frozen, new LeaveBandOut("l1", null, "b1")).Recipes, r => r.Id == "c1");
    }

    /// <summary>Whatever is done to a piece, each frozen recipe of it is still there, mixed as it was, unless somebody let it go.</summary>
    [Fact]
    public void Whatever_is_done_a_frozen_recipe_stays()
    {
        var random = new Random(11);
        var changed = 0;
        for (var i = 0; i < 60; i++)
        {
            var piece = Made(Rings, new AddColourant("c2", ColourantClass.Glitter), Set("recipes[c1].frozen", true),
                Set("recipes[c2].frozen", true));
            for (var step = 0; step < 10; step++)
            {
                var edit = AnyEdit.Of(piece, random);
                if (edit is SetField set && set.Place.EndsWith(".frozen", StringComparison.Ordinal)
                    || Editing.Checked(piece, [edit], AnyEdit.Cupboard).Piece is not { } next)
                {
                    continue;
                }

                var names = piece.Recipes.Where(r => r.Frozen).ToList();
                Assert.All(names, f => Assert.True(next.Recipes.Any(r => r.Frozen && r.MixedAlike(f)), $"{edit} lost {f}"));
                changed += next.Recipes.Length > piece.Recipes.Length ? 1 : 0;
                piece = next;
            }
        }

        Assert.True(changed > 10, $"{changed}");
    }

    [Fact]
    public void A_kept_recipe_is_taken_with_what_it_is_filled_from()
    {
        var kept = KeptRecipe.Of(Of(Rings, "c1") with { Frozen = true, Of = [new("c2", 1)] }, Rings.Recipes);
        Assert.True(new KeptRecipeValidator().Validate(kept).IsValid);
        Assert.False(kept.Recipe.Frozen);
        Assert.Equal(["c2"], kept.Others.Select(o => o.Id));
        var other = Made(Rings, new TakeRecipe("c3", "mixed"));
        Assert.Equal(("m", 1), (Of(other, "c3").Name, Of(other, "c3").Of!.Value.Length));
        Assert.Contains(other.Recipes, r => r.Name == "o");

        // What is there already is taken for it.
        Assert.Equal(other.Recipes.Length, Made(other, new TakeRecipe("c2", "mixed")).Recipes.Length);
        Assert.False(new KeptRecipeValidator().Validate(kept with { Others = [] }).IsValid);
        Assert.False(new KeptRecipeValidator().Validate(kept with { Note = new('x', 2001) }).IsValid);
    }

    [Fact]
    public void A_kept_recipe_is_dosed_anew_with_what_it_is_filled_from()
    {
        var cups = DosedCup.Of(Catalogue.Typical,
            new(new("m", "m", "#445566", [new(ColourantClass.Glitter, 2)], [new("a", 2), new("b", 1), new("c", 1)]),
                [Samples.Cup("a"), Samples.Cup("b"), Samples.Cup("c")]), 20, Density);
        Assert.Equal([("a", 10), ("b", 5), ("c", 5), ("m", 20)], cups.Select(c => (c.Name, c.Ml)));
        Assert.Equal(0.02 * 20 * Density, cups[3].Doses.All[0].G!.Value, 1e-9);
        Assert.Equal(0.04 * 10 * Density, cups[0].Doses.All[0].G!.Value, 1e-9);
    }

    [Theory]
    [InlineData(0.99, Nearness.Same)]
    [InlineData(1, Nearness.VeryNear)]
    [InlineData(3.99, Nearness.VeryNear)]
    [InlineData(4, Nearness.Near)]
    [InlineData(11.99, Nearness.Near)]
    [InlineData(12, Nearness.Another)]
    [InlineData(double.NaN, Nearness.Another)]
    public void How_near_a_colour_is_goes_by_its_difference(double apart, Nearness near) => Assert.Equal(near, Lab.NearnessOf(apart));

    private static readonly ImmutableArray<AtHand> Forty =
    [
        .. Enumerable.Range(0, 40).Select(i => new AtHand(
            Catalogue.Typical.Of(Enum.GetValues<ColourantClass>()[i % 9]), null, $"colourant {i}",
            Colour.Of($"#{(i * 67 + 20) % 230:x2}{(i * 131 + 60) % 240:x2}{(i * 29 + 90) % 220:x2}"))),
    ];

    private static Colour Shown(IReadOnlyList<(AtHand From, double Percent)> mix, Colour ground, double mm) => CupLook.Of(
        Catalogue.Typical, Mixed([.. mix.Select(m => new Dose(m.From.Known.Class, m.Percent, RatioBasis.Weight, null,
            m.From.Colour.ToHex()))]), _ => throw new InvalidOperationException(), () => Density).Over(ground, mm);

    /// <summary>A colour that was mixed from one to three colourants with known loads is found again.</summary>
    [Fact]
    public void A_colour_that_was_mixed_from_known_loads_is_found_again()
    {
        var any = from count in Gen.Int[1, 3]
                  from at in Gen.Shuffle(Enumerable.Range(0, 40).ToArray(), 3)
                  from share in Gen.Double[0.02, 1].Array[3]
                  from total in Gen.Double[0.05, 0.98]
                  from ground in Gen.Int[0, 0xffffff]
                  from mm in Gen.Double[0.5, 6]
                  select (Set: at.Take(count).ToArray(), share, total, Ground: Colour.Of($"#{ground:x6}"), mm);
        double worst = 0;
        any.Sample(
            a =>
            {
                var (sum, limit) = (a.share.Take(a.Set.Length).Sum(), a.Set.Select(i => Forty[i].Known.LimitPercent).Append(10).Max());
                var mix = a.Set
                    .Select((i, n) => (Forty[i], Math.Min(Forty[i].Known.LimitPercent, a.total * limit * a.share[n] / sum))).ToList();
                var wanted = Shown(mix, a.Ground, a.mm);
                var found = WantedColour.Of(wanted, a.Ground, a.mm, Forty, Density);
                Assert.NotEmpty(found);
                Assert.Equal(found.OrderBy(f => f.Apart).Select(f => f.Apart), found.Select(f => f.Apart));
                worst = Math.Max(worst, found[0].Apart);
                Assert.True(found[0].Apart <= 0.5,
                    $"ΔE00 {found[0].Apart} for "
                        + $"{string.Join(", ", mix.Select(m => $"{m.Item2:0.###} % {m.Item1.Name}"))} at {a.mm} mm on {a.Ground.ToHex()}");

                // What is told is how it comes out, and is within the limits.
                foreach (var one in found)
                {
                    var back = CupLook.Of(Catalogue.Typical, Mixed([.. one.Doses]),
                        _ => throw new InvalidOperationException(), () => Density).Over(a.Ground, a.mm);
                    Assert.True(Lab.Difference(Lab.Of(back), Lab.Of(one.Shown)) < 0.02,
                        $"{string.Join(", ", one.Doses)} shows {back} and not {one.Shown}");
                    Assert.False(Doses(Mixed([.. one.Doses])).All.Any(d => d.Load!.Value > d.LimitPercent + 0.01));
                    Assert.InRange(one.Doses.Length, 1, 3);
                }
            },
            iter: 25, threads: 1);
        TestContext.Current.SendDiagnosticMessage($"worst ΔE00 {worst:0.000}");
    }

    [Fact]
    public void Forty_colourants_are_looked_over_quickly_and_more_are_not_looked_at()
    {
        var wanted = Colour.Of("#5b7f4a");
        WantedColour.Of(wanted, Colour.Of("#d9c29a"), 3, Forty, Density);
        var clock = Stopwatch.StartNew();
        var found = WantedColour.Of(wanted, Colour.Of("#d9c29a"), 3, Forty, Density);
        TestContext.Current
            .SendDiagnosticMessage($"forty colourants in {clock.Elapsed.TotalMilliseconds:0} ms, ΔE00 {found[0].Apart:0.000}");
        var same = WantedColour.Of(wanted, Colour.Of("#d9c29a"), 3,
            [.. Forty, new(Catalogue.Typical.Of(ColourantClass.Paste), null, "it", wanted)], Density);
        Assert.Equal(found.Select(f => f.Apart), same.Select(f => f.Apart));
        Assert.Empty(WantedColour.Of(wanted, Colour.Of("#d9c29a"), 3,
            [new(Catalogue.Typical.Of(ColourantClass.Lacing), null, "lacing", wanted)], Density));

        // What is at hand as it is wanted is found by itself.
        var itself = WantedColour.Of(wanted, Colour.Of("#ffffff"), 4,
            [Forty[0], Forty[1], new(Catalogue.Typical.Of(ColourantClass.Paste), "p", "it", wanted)], Density);
        Assert.Equal(("p", 1), (itself[0].Doses[0].ColourantId, itself[0].Doses.Length));
    }

    [Fact]
    public void A_search_that_nobody_waits_for_stops()
    {
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Assert.Throws<OperationCanceledException>(() => WantedColour.Of(Colour.Of("#5b7f4a"), Colour.Of("#d9c29a"), 3,
            Forty, Density, gone.Token));
    }

    [Fact]
    public void Colourants_of_ones_own_have_a_class_a_colour_and_their_own_data()
    {
        Assert.Equal(["bog ink", "fen gold"], Own.OwnColourants.Select(c => c.Name).Order());
        Assert.Equal((ColourantClass.Mica, "#c9a23b", 0.4, 0.12),
            (Own.Of(ColourantClass.Mica, "fen-gold").Class, Own.Of(ColourantClass.Mica, "fen-gold").Colour,
                Own.Of(ColourantClass.Mica, "fen-gold").Cover, Own.Of(ColourantClass.Mica, "fen-gold").ScoopG));
        Assert.Equal("opaque paste", Own.Of(ColourantClass.Paste, "fen-gold").Name);
        Assert.NotEqual(Own.ColourKey, Catalogue.Typical.ColourKey);
        var to = Made(Rings, new ChooseColourant("c1", ColourantClass.Mica, 0, "fen-gold"));
        Assert.Equal(("fen gold", "#c9a23b", "fen-gold"), (Of(to, "c1").Name, Of(to, "c1").Colour, Of(to, "c1").Doses[0].ColourantId));
        OwnMaterial Like(string like, string? colour, MaterialKind kind = MaterialKind.Colourant) =>
            new(kind, "x", like, Values(), Colour: colour);
        Assert.True(new OwnMaterialValidator().Validate(Like("mica", "#123456")).IsValid);
        Assert.False(new OwnMaterialValidator().Validate(Like("mica", "gold")).IsValid);
        Assert.False(new OwnMaterialValidator().Validate(Like("coating", "#123456", MaterialKind.Resin)).IsValid);
        Assert.True(new OwnMaterialValidator().Validate(Like("mica", null) with { Values = Values((P.ScoopG, 0.2)) }).IsValid);
        Assert.False(new OwnMaterialValidator().Validate(Like("dye", null) with { Values = Values((P.ScoopG, 0.2)) }).IsValid);
        Assert.False(new OwnMaterialValidator().Validate(Like("mica", null) with { Values = Values((P.DropMl, 0.2)) }).IsValid);
    }
}
