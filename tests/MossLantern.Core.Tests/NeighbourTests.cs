using CsCheck;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Colours that touch while they are wet, grounds that show through, cups without a place.</summary>
public class NeighbourTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly string[] Palette = ["#33523f", "#3a5a46", "#c99b3a", "#f0e8d5", "#5a2233", "#2e2a28",
        "#6f7a80", "#d9667a", "#3f6c74", "#e2ab50"];

    /// <summary>Stacks of any of ten colours, some of them clear.</summary>
    private static readonly Gen<Sketch> AnyStack =
        from colours in Gen.Int[0, Palette.Length].Array[2, 9]
        from fill in Gen.Int[0, 8]
        let cups = colours.Select((c, i) => c == Palette.Length
            ? new Recipe($"c{i}", $"clear {i}", "#eef0ea", [])
            : Recipe.Plain($"c{i}", $"colour {i}", Palette[c], ColourantClass.Paste, 4)).ToArray()
        let bands = colours.Skip(1).Select((_, i) => new Band($"b{i + 1}", 9, i == fill % (colours.Length - 1), $"c{i + 1}")).ToArray()
        select new Sketch(
            "l1", "Rings", 3, new RingsLayout([Samples.Heart(200, 150, 60, 50)], [.. bands], 0, "c0"), [.. cups],
            new("coating"), Measure.ByVolume, null, [], PlannedTimes.None);

    [Fact]
    public void Two_reflectances_mix_as_worked_out_by_hand()
    {
        Assert.Equal(0.169, Pigment.Reflectance(0.8, 0.1, 0.5), 0.0005);
        Assert.Equal(0.8, Pigment.Reflectance(0.8, 0.1, 0), 1e-12);
        Assert.Equal(0.1, Pigment.Reflectance(0.8, 0.1, 1), 1e-12);
    }

    [Fact]
    public void A_mix_lies_between_its_colours_and_does_not_mind_their_order() =>
        Gen.Double[0.01, 1].Array[6].Select(Gen.Double[0.1, 10], Gen.Double[0.1, 10]).Sample((c, a, b) =>
        {
            Colour first = new(c[0], c[1], c[2]), second = new(c[3], c[4], c[5]);
            var mix = Pigment.Mix(first, a, second, b);
            Assert.InRange(mix.R, Math.Min(first.R, second.R) - 1e-9, Math.Max(first.R, second.R) + 1e-9);
            Assert.Equal(mix.G, Pigment.Mix(second, b, first, a).G, 1e-12);
            Assert.Equal(Pigment.IsMud(first, a, second, b), Pigment.IsMud(second, b, first, a));
        });

    [Fact]
    public void Opposite_colours_turn_to_mud_and_like_ones_do_not()
    {
        Assert.True(Pigment.IsMud(Colour.Of("#b0402c"), 4, Colour.Of("#2f7a52"), 4));
        Assert.False(Pigment.IsMud(Colour.Of("#b0402c"), 4, Colour.Of("#c9642a"), 4));
        Assert.False(Pigment.IsMud(Colour.Of("#b0402c"), 4, Colour.Of("#f7f3ea"), 4));
    }

    [Trait("Pace", "long")]
    [Fact]
    public void Every_remedy_of_a_pair_clears_it_makes_no_new_one_and_leaves_a_good_piece() =>
        AnyStack.Sample(
            layer =>
            {
                var piece = Samples.Piece(Samples.Panel(), layer);
                var findings = Of(piece, "twins", "mud");
                foreach (var finding in findings)
                {
                    Assert.NotEmpty(finding.Remedies);
                    foreach (var remedy in finding.Remedies)
                    {
                        var after = remedy.Apply(piece);
                        Assert.Empty(new PieceValidator().Validate(after).Errors);
                        var left = Of(after, "twins", "mud").Where(f => f.Check == finding.Check).ToList();
                        Assert.DoesNotContain(left, f => f.Key == finding.Key);
                        if (finding.Check == "twins")
                        {
                            Assert.True(left.Count < findings.Count(f => f.Check == "twins"), $"{remedy.Id} left {left.Count}");
                            Assert.Subset(piece.Layers.SelectMany(l => l.RecipeIds).ToHashSet(),
                                after.Layers.SelectMany(l => l.RecipeIds).ToHashSet());
                        }
                    }
                }
            },
            iter: 150);

    [Fact]
    public void Twins_are_told_where_they_touch_and_only_where_colours_are_to_stand_out()
    {
        var twins = Stack("#33523f", "#35543f", "#f0e8d5");
        var finding = Assert.Single(Of(twins, "twins"));
        Assert.Equal(("twins@l1/heart+b1", Station.Map, "l1"), (finding.Key, finding.Pin.Station, finding.Pin.LayerId));
        Assert.InRange(finding.Numbers[0].Value, 0.1, Lab.ReadsAsOne);
        Assert.InRange(finding.Pin.XMm!.Value, 0, 600);
        foreach (var other in new[] { Contrast.Gradual, Contrast.Any })
        {
            Assert.Empty(Of(twins.OnLayer(0, l => l with { Contrast = other }), "twins"));
        }

        var start = Instant.FromUtc(2026, 5, 2, 10, 0);
        Assert.DoesNotContain(Planner.Plan(twins, [new("l1", start, start, 20)], DateTimeZone.Utc).Findings, f => f.Check == "twins");
    }

    [Fact]
    public void A_swap_is_offered_only_where_it_helps()
    {
        // Green, green, bone, gold: swapping the second green with bone parts the greens.
        var finding = Assert.Single(Of(Stack("#33523f", "#35543f", "#f0e8d5", "#c99b3a"), "twins"));
        Assert.Equal(["swap", "line", "gradual"], finding.Remedies.Select(r => r.Id));

        // Nothing but greens: no swap can help.
        Assert.All(Of(Stack("#33523f", "#35543f", "#36553f"), "twins"), f => Assert.DoesNotContain(f.Remedies, r => r.Id == "swap"));
    }

    [Fact]
    public void Mud_is_told_even_where_colours_run_into_each_other_but_not_where_nobody_minds()
    {
        var red = Stack("#b0402c", "#2f7a52");
        var finding = Assert.Single(Of(red, "mud"));
        Assert.Contains("clear", finding.Remedies.Select(r => r.Id));
        Assert.Single(Of(red.OnLayer(0, l => l with { Contrast = Contrast.Gradual }), "mud"));
        Assert.Empty(Of(red.OnLayer(0, l => l with { Contrast = Contrast.Any }), "mud"));

        // Clear resin between is not a colour that could turn dull.
        var line = finding.Remedies.Single(r => r.Id == "clear").Apply(red).Filled[0];
        Assert.Equal(3, line.Bands[0].WidthMm);
        Assert.Null(line.Recipes.Single(c => c.Id == line.Bands[0].RecipeId).Colourant);
    }

    [Fact]
    public void Thin_colour_on_bare_ground_is_told_and_its_remedies_clear_it()
    {
        var thin = Stack("#33523f", "#f0e8d5");
        thin = thin.OnLayer(0, l => l with { Recipes = [.. l.Recipes.Select(c => c.WithColourant(ColourantClass.Mica).WithLoad(0.5))] });
        var finding = Assert.Single(Of(thin, "bare-ground"));
        Assert.Equal(["paint", "stronger"], finding.Remedies.Select(r => r.Id));
        Assert.All(finding.Remedies, r => Assert.Empty(Of(r.Apply(thin), "bare-ground")));
        Assert.Empty(Of(thin with { Ground = Edits.Rework.OverUnknown(thin.Ground) }, "bare-ground"));

        // A millimetre of interference pigment cannot cover half a ground within its limit.
        var shift = thin
            .OnLayer(0, l => l with { DepthMm = 1, Recipes = [.. l.Recipes.Select(c => c.WithColourant(ColourantClass.Interference))] });
        Assert.Equal(["paint"], Assert.Single(Of(shift, "bare-ground")).Remedies.Select(r => r.Id));
    }

    [Fact]
    public void A_cup_without_a_place_is_put_away()
    {
        var spare = Stack("#33523f", "#f0e8d5");
        spare = spare.OnLayer(0, l => l with { Recipes = l.Recipes.Add(Samples.Cup("spare")) });
        var finding = Assert.Single(Of(spare, "no-home"));
        Assert.Equal("no-home@l1/spare", finding.Key);
        Assert.Empty(Of(finding.Remedies.Single().Apply(spare), "no-home"));
    }

    [Fact]
    public void What_an_idle_mix_is_filled_from_is_put_away_after_it()
    {
        var spare = Stack("#33523f", "#f0e8d5").OnLayer(0, l => l with
        {
            Recipes = [.. l.Recipes, Samples.Cup("tea"), Samples.Cup("milk"),
                new("mix", "mix", "#ffffff", [], [new("tea", 1), new("milk", 1)])],
        });
        List<string> told = [];
        while (Of(spare, "no-home").FirstOrDefault() is { } finding)
        {
            told.Add(finding.Key);
            spare = finding.Remedies.Single().Apply(spare);
            Assert.True(new PieceValidator().Validate(spare).IsValid);
        }

        Assert.Equal(["no-home@l1/mix", "no-home@l1/tea", "no-home@l1/milk"], told);
    }

    /// <summary>A colour that is in two layers, of which the lower has been poured.</summary>
    [Fact]
    public void What_has_been_poured_of_a_colour_is_not_changed_by_a_remedy_above_it()
    {
        var lower = Sketch.Of(Stack("#33523f", "#f0e8d5"), 0);
        var two = Samples.Piece(Samples.Panel(), lower, lower with { Id = "l2" });
        Finding Dull(params PouredSitting[] poured) => Planner.Plan(two, poured, DateTimeZone.Utc).Findings
            .First(f => f.Check == "dull-field" && f.Key.StartsWith("dull-field@l2", StringComparison.Ordinal));
        Assert.Contains("shimmer", Dull().Remedies.Select(r => r.Id));
        var above = Dull(new PouredSitting("l1", Instant.FromUtc(2026, 5, 1, 9, 0), null, null)).Remedies;
        Assert.DoesNotContain("shimmer", above.Select(r => r.Id));
        Assert.Equal(two.Recipes, above.Single(r => r.Id == "any").Apply(two).Recipes);
    }

    /// <summary>A heart's bed and bands of these colours; the last fills the rest.</summary>
    private static Piece Stack(params string[] colours) => Samples.Piece(Samples.Panel(), new Sketch(
        "l1", "Rings", 3,
        new RingsLayout(
            [Samples.Heart(200, 150, 60, 50)],
            [.. colours.Skip(1).Select((_, i) => new Band($"b{i + 1}", 9, i == colours.Length - 2, $"c{i + 1}"))], 0, "c0"),
        [.. colours.Select((c, i) => Recipe.Plain($"c{i}", $"colour {i}", c, ColourantClass.Paste, 4))],
        new("coating"), Measure.ByVolume, null, [], PlannedTimes.None));

    private static List<Finding> Of(Piece piece, params string[] checks) =>
        [.. Planner.Plan(piece, [], DateTimeZone.Utc).Findings.Where(f => checks.Contains(f.Check))];

    [Fact]
    public void A_name_that_looks_like_a_place_for_a_number_is_not_one()
    {
        var layer = Samples.Layer(Samples.Heart(250, 180), 20, 0);
        layer = layer with
        {
            Recipes = [.. layer.Cups
            .Select(c => c with { Name = c.Id == "c1" ? "{0}" : c.Name, Colour = c.Id == "c1" ? "#33523f" : "#34533f" })]
        };
        var findings = new PiecePlanner(new()).Plan(Samples.Piece(Samples.Panel(), layer), [], NodaTime.DateTimeZone.Utc).Findings;
        var twins = findings.First(f => f.Check == "twins");
        Assert.Equal(1, twins.Reason.Split("{0}").Length - 1);
        Assert.Contains("❴0❵", twins.Reason, StringComparison.Ordinal);
    }
}
