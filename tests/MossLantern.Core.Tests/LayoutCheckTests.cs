using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

public class LayoutCheckTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly string[] Palette = ["#33523f", "#3a5a46", "#c99b3a", "#f0e8d5", "#5a2233", "#2e2a28",
        "#6f7a80", "#d9667a", "#3f6c74", "#e2ab50"];

    private static ImmutableArray<Finding> Of(Piece piece, params string[] checks) =>
        [.. Planner.Plan(piece, [], DateTimeZone.Utc).Findings.Where(f => checks.Contains(f.Check))];

    private static Sketch Coloured(Layout layout, params int[] colours) =>
        Samples.Layer(null, 0) with
        {
            Layout = layout is BandedLayout banded
            ? banded with { Bands = [new("b1", 10, true, "c0")] } : layout,
            Recipes = [.. colours.Select((c, i) => Recipe.Plain($"c{i}", $"colour {i}", Palette[c],
                ColourantClass.Paste, 4)), new Recipe("clear", "clear", "#eef0ea", [])]
        };

    /// <summary>Every change that a finding offers leaves a good piece without that finding.</summary>
    private static void Cleared(Piece piece, params string[] checks)
    {
        foreach (var finding in Of(piece, checks))
        {
            Assert.NotEmpty(finding.Remedies);
            foreach (var remedy in finding.Remedies)
            {
                var after = remedy.Apply(piece);
                Assert.Empty(new PieceValidator().Validate(after).Errors);
                Assert.DoesNotContain(Of(after, finding.Check), f => f.Key == finding.Key);
            }
        }
    }

    [Trait("Pace", "long")]
    [Fact]
    public void Every_remedy_over_fields_clears_what_it_answers() =>
        (from colours in Gen.Int[0, 9].Array[4, 6]
         from seed in Gen.Int[0, 5000]
         select (colours, seed)).Sample(
            s =>
            {
                var fields = new FieldsLayout(3 * s.colours.Length, [.. s.colours.Select((_, i) => $"c{i}")], s.seed);
                Cleared(Samples.Piece(Samples.Panel(), Coloured(fields, s.colours)), "twins", "mud", "one-side", "dull-field", "no-home");
            },
            iter: 25);

    [Trait("Pace", "long")]
    [Fact]
    public void Every_remedy_over_puddles_clears_what_it_answers() =>
        (from colours in Gen.Int[0, 9].Array[2, 6]
         from ml in Gen.Double[10, 60].Array[6]
         select (colours, ml)).Sample(
            s =>
            {
                var puddle = new PuddleLayout(300, 200, [.. s.colours.Select((_, i) => new PuddlePour($"p{i}", $"c{i}", s.ml[i]))]);
                Cleared(Samples.Piece(Samples.Panel(), Coloured(puddle, s.colours)), "twins", "mud", "dull-field", "no-home");
            },
            iter: 60);

    [Fact]
    public void A_colour_that_was_dragged_to_one_side_is_told_and_a_swap_spreads_it()
    {
        // The three fields furthest to the left get one colour, and no others.
        var found = Enumerable.Range(0, 400).Select(seed =>
        {
            var fields = new FieldsLayout(12, ["c0", "c1", "c2", "c3"], seed);
            var regions = Planner.Plan(Samples.Piece(Samples.Panel(), Coloured(fields, 0, 2, 4, 7)), [],
                DateTimeZone.Utc).Layers[0].Regions;
            var leftmost = regions.OrderBy(r => r.Anchor!.XMm).Take(3).Select(r => r.Id.Field!.Value).ToHashSet();
            var recoloured = regions
                .Select((r, i) => new FieldColour(i + 1, leftmost.Contains(i + 1) ? "c0" : r.CupId == "c0" ? "c1" : r.CupId!));
            return Samples.Piece(Samples.Panel(), Coloured(fields with { Recoloured = [.. recoloured] }, 0, 2, 4, 7));
        }).First(p => Of(p, "one-side").Any(f => f.Remedies.Length == 2));
        var finding = Of(found, "one-side")[0];
        Assert.Equal(Grade.Mind, finding.Grade);
        Assert.True(finding.Numbers[0].Value > 50);
        Cleared(found, "one-side");
    }

    [Fact]
    public void A_large_flat_region_is_dull_until_it_shimmers_or_has_a_line_through_it()
    {
        var layer = Samples.Layer(Samples.Heart(300, 200), 10, 130, 0);
        layer = layer with { Recipes = layer.Recipes.Changed(3, c => c.WithColourant(ColourantClass.Mica)) };
        var piece = Samples.Piece(Samples.Panel(), layer);
        var finding = Assert.Single(Of(piece, "dull-field"));
        Assert.Equal("dull-field@l1/b2", finding.Key);
        Assert.Equal(["vein", "shimmer"], finding.Remedies.Select(r => r.Id));
        Cleared(piece, "dull-field");
        Assert.Empty(Of(Samples.Piece(Samples.Panel(), layer with { Contrast = Contrast.Any }), "dull-field"));
    }

    [Fact]
    public void Resin_beside_what_stays_bare_asks_for_a_dam_as_high_as_all_layers_and_three_millimetres()
    {
        var layer = Samples.Layer(Samples.Heart(300, 200), 10, 0);
        var piece = Samples.Piece(Samples.Panel(), layer, layer with { Id = "l2", DepthMm = 2 })
            with
        { Kept = [new("k", "Foil", new RoundOutline(60), 50, 50, Keep.Bare)] };
        var finding = Assert.Single(Of(piece, "floods-bare"));
        Assert.Equal(Grade.Mend, finding.Grade);
        Assert.Equal(8, finding.Numbers[0].Value);
        Cleared(piece, "floods-bare");
        Assert.Equal(10, finding.Remedies[0].Apply(piece).DamOf("k")!.Section.WidthMm);
        Assert.Empty(Of(piece with { Kept = [piece.Kept!.Value[0] with { XMm = 900 }] }, "floods-bare"));
    }

    [Fact]
    public void What_stays_visible_needs_clear_and_a_pool_needs_a_cup()
    {
        var layer = Samples.Layer(Samples.Heart(300, 200), 10, 0);
        var kept = Samples.Piece(Samples.Panel(), layer) with { Kept = [new("k", "Shell", new RoundOutline(60), 50, 50, Keep.Visible)] };
        Assert.Equal("no-home@l1/kept/k", Assert.Single(Of(kept, "no-home")).Key);
        Cleared(kept, "no-home");

        var pools = Samples.Piece(Samples.Panel(),
            Coloured(Draw.Pools([new("w", [new(0, 100), new(600, 100)])], 3, [new("p", 300, 50, "c0")]), 0, 2));
        Assert.Contains(Of(pools, "no-home"), f => f.Key == "no-home@l1/open-1");
        Cleared(pools, "no-home");

        var joined = Samples.Piece(Samples.Panel(),
            Coloured(Draw.Pools([], 3, [new("p", 300, 50, "c0"), new("q", 300, 250, "c1")]), 0, 2));
        Assert.Contains(Of(joined, "no-home"), f => f.Key == "no-home@l1/q");
        Cleared(joined, "no-home");
    }

    [Fact]
    public void A_cup_that_only_idle_bands_name_can_be_put_away()
    {
        var layer = Coloured(new FloodLayout("c1"), 0, 2);
        var piece = Samples.Piece(Samples.Panel(), layer);
        Assert.Contains(Of(piece, "no-home"), f => f.Key == "no-home@l1/c0");
        Cleared(piece, "no-home");
    }

    [Fact]
    public void A_wall_that_stops_short_is_drawn_on()
    {
        var piece = Samples.Piece(Samples.Panel(),
            Coloured(Draw.Pools([new("w", [new(0, 100), new(590, 100)])], 4, [new("p", 300, 50, "c0")]), 0));
        var finding = Assert.Single(Of(piece, "near-miss"));
        Assert.Equal(10, finding.Numbers[0].Value, 1e-6);
        Cleared(piece, "near-miss");

        // However wide the gap is: a wall of four fifths of the way was meant to close a pool, a shorter one divides what is open.
        Piece Short(double gapMm) => Samples.Piece(Samples.Panel(),
            Coloured(Draw.Pools([new("w", [new(0, 200), new(600 - gapMm, 200)])], 4, [new("p", 300, 50, "c0")]), 0));
        Assert.Equal(0.25, Pools.OfItsLength);
        Cleared(Short(119.9), "near-miss");
        Assert.NotEmpty(Of(Short(119.9), "near-miss"));
        Assert.Empty(Of(Short(120.1), "near-miss"));
    }

    [Theory]
    [InlineData(30, 30, 30)]
    [InlineData(200, 40, 40)]
    public void Lines_that_need_more_room_than_there_is_are_made_narrower_or_fewer(double a, double b, double c)
    {
        var layer = Coloured(Samples.Lines("clear", 1, 0, 5), 0, 2, 4)
            .WithBands([new("fill", 10, true, "clear"), new("x", a, false, "c0"), new("y", b, false, "c1"), new("z", c, false, "c2")]);
        var piece = Samples.Piece(Samples.Panel(200, 160), layer);
        var finding = Assert.Single(Of(piece, "rim-room"));
        Assert.Equal(a + b + c, finding.Numbers[0].Value);
        Assert.Equal(80, finding.Numbers[1].Value, 2.0);
        Cleared(piece, "rim-room");
    }

    [Fact]
    public void In_a_zone_too_there_must_be_room_and_walls_must_meet()
    {
        var layer = Coloured(new FloodLayout("c0"), 0, 2, 4) with
        {
            Zones =
            [
                new("rim", "Rim", new RoundOutline(120), 40, 40, Samples.Lines("clear", 1, 0, 5) with
                {
                    Bands = [new("fill", 10, true, "clear"), new("x", 30, false, "c0"), new("y", 40, false, "c1")],
                }),
                new("pools", "Pools", new RectangleOutline(200, 160), 300, 100,
                    Draw.Pools([new("w", [new(300, 180), new(490, 180)])], 4, [new("p", 400, 120, "c0"), new("q", 400, 220, "c1")])),
            ],
        };
        var piece = Samples.Piece(Samples.Panel(), layer);
        Assert.Equal("rim-room@l1/rim", Assert.Single(Of(piece, "rim-room")).Key);
        Assert.Equal(70, Of(piece, "rim-room")[0].Numbers[0].Value);
        Cleared(piece, "rim-room");
        Assert.Equal("near-miss@l1/pools/w/end", Assert.Single(Of(piece, "near-miss")).Key);
        Cleared(piece, "near-miss");
    }
}
