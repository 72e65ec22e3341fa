using System.Collections.Immutable;
using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Layouts to begin with.</summary>
public sealed class BeginLayoutTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static Piece Begun(Starter starter, Ground? ground = null) => FirstPiece.Of("First", ground ?? Samples.Panel(), starter);

    private static ImmutableArray<string> Names(Piece piece) => [.. piece.Recipes.Select(r => r.Name)];

    /// <summary>Whole on any outline: every region that has room has a colour, and there are several of them.</summary>
    [Theory]
    [InlineData(Starter.RingPiece)]
    [InlineData(Starter.RimStripes)]
    [InlineData(Starter.Fields)]
    [InlineData(Starter.Pools)]
    [InlineData(Starter.Flower)]
    [InlineData(Starter.Marble)]
    public void None_of_them_is_empty_on_a_panel_a_round_or_an_oval(Starter starter)
    {
        foreach (var outline in (Outline[])[new RectangleOutline(600, 400), new RoundOutline(300), new OvalOutline(220, 160)])
        {
            var piece = Begun(starter, new Ground(outline, EdgeStyle.TapedClean, 20, "#e6d6b4"));
            Assert.Empty(new PieceValidator().Validate(piece).Errors);
            var plan = Planner.Plan(piece, [], DateTimeZone.Utc);
            var poured = plan.Layers[0].Regions.Where(r => r.Fits && r.CupId is not null).ToList();
            Assert.True(poured.Select(r => r.CupId).Distinct().Count() >= 2, $"{starter} on {outline}");
            Assert.DoesNotContain(plan.Layers[0].Regions,
                r => r.Id != PoolsLayout.WallId && r is { CupId: null, Fits: true, Area.Value: > 5 });
            Assert.True(plan.Sittings[0].Cups.TotalMl.Value > 0);
            Assert.Equal([], plan.Findings.Where(f => f.Grade == Grade.Stop).Select(f => f.Check));
        }
    }

    [Fact]
    public void A_ring_piece_has_three_colours_and_a_gold_vein_round_an_amber_heart()
    {
        var piece = Begun(Starter.RingPiece, new Ground(new RoundOutline(300), EdgeStyle.TapedClean, 20, "#e6d6b4"));
        var layout = Assert.IsType<RingsLayout>(piece.Layers[0].Layout);
        Assert.Single(layout.Hearts);
        Assert.Equal(["bone", "umber", "gilt", "moss"], layout.Bands.Select(b => piece.Recipes.Single(r => r.Id == b.RecipeId).Name));
        Assert.Equal([15, 27, 3.5, 27], layout.Bands.Select(b => b.WidthMm));
        Assert.Equal([false, false, false, true], layout.Bands.Select(b => b.FillsRest));
        Assert.Equal("amber", piece.Recipes.Single(r => r.Id == layout.HeartRecipeId).Name);
        Assert.DoesNotContain("clear", Names(piece));
    }

    /// <summary>A vein stays as wide as it can be poured, from a stick.</summary>
    [Theory]
    [InlineData(100, 1.5)]
    [InlineData(200, 2.5)]
    public void A_gold_vein_is_never_too_fine_to_be_poured(double across, double wide)
    {
        var piece = Begun(Starter.RingPiece, new Ground(new RoundOutline(across), EdgeStyle.TapedClean, 20, "#e6d6b4"));
        Assert.Equal(wide, Assert.IsType<RingsLayout>(piece.Layers[0].Layout).Bands[2].WidthMm);
    }

    [Fact]
    public void Pools_stand_between_two_walls_and_fields_have_a_vein()
    {
        var begun = Begun(Starter.Pools);
        var walls = begun.Lines!.Value.Select(l => ((DrawnCourse)l.Course).Spots).ToList();
        Assert.Equal((2, 3), (walls.Count, Assert.IsType<PoolsLayout>(begun.Layers[0].Layout).Pools.Length));
        Assert.Equal([0.36, 0.67], walls.Select(w => Math.Round(w[0].YMm / 400, 2)));
        Assert.Equal(0.41, walls[0][3].YMm / 400, 1e-3);
        Assert.Equal(0.62, walls[1][3].YMm / 400, 1e-3);
        var fields = Begun(Starter.Fields);
        Assert.IsType<FieldsLayout>(fields.Layers[0].Layout);
        Assert.IsType<AllBordersCourse>(Assert.Single(fields.Lines!.Value).Course);
    }

    /// <summary>What was laid out is put by and comes back; the bare layer of a new piece would not be missed.</summary>
    [Fact]
    public void What_was_laid_out_is_put_by_and_comes_back()
    {
        var begun = Begun(Starter.RingPiece);
        Assert.True(begun.Layers[0].Aside is null or []);
        var flower = new BeginLayout("layer-1", null, Starter.Flower).Apply(begun, Cupboard.Empty).Piece!;
        Assert.IsType<RingsLayout>(Assert.Single(flower.Layers[0].Aside!.Value));
        var back = new LayOutAs("layer-1", null, LayoutKind.Rings).Apply(flower, Cupboard.Empty).Piece!;
        Assert.Equal(begun.Layers[0].Layout, back.Layers[0].Layout);
    }

    [Fact]
    public void What_there_is_not_is_refused_in_words_and_begins_nothing()
    {
        var bare = FirstPiece.Of("First", Samples.Panel());
        Assert.Equal("There is no such layout to begin with.",
            new BeginLayout("layer-1", null, (Starter)99).Apply(bare, Cupboard.Empty).Refusal);
        Assert.Single(FirstPiece.Of("First", Samples.Panel(), (Starter)99).Recipes);
        Assert.Equal("begin with stripes from the rim", new BeginLayout("layer-1", null, Starter.RimStripes).Words(bare));
    }
}
