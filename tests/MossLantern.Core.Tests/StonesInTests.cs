using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Stones that lie in the resin of a region: what they take up is not mixed.</summary>
public class StonesInTests
{
    private const string Layer = "l1";

    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0));

    private static readonly Piece WithGlass = Made(Rings, new SetRegionStones(Layer, R("b1"), "crushed-glass", 10));

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Piece is not null, made.Refusal);
        return made.Piece!;
    }

    private static string Refused(Piece piece, params Edit[] edits) => Editing.Checked(piece, edits, AnyEdit.Cupboard).Refusal!;

    private static PiecePlan Plan(Piece piece) => Planner.Plan(piece, [], DateTimeZone.Utc);

    private static double[] Ml(PiecePlan plan, RegionId region) =>
        [.. plan.Sittings.SelectMany(s => s.Cups.Regions).Where(r => r.RegionId == region).Select(r => r.LayerMl.Value)];

    [Fact]
    public void Ten_grams_of_crushed_glass_are_four_millilitres_that_are_not_mixed()
    {
        var (before, plan) = (Plan(Rings), Plan(WithGlass));
        Assert.Equal(Ml(before, R("b1")).Single() - 4, Ml(plan, R("b1")).Single(), 1e-9);
        Assert.All(["b2", "b3", "heart"], r => Assert.Equal(Ml(before, RegionId.Parse(r)), Ml(plan, RegionId.Parse(r))));
        var (was, now) = (before.Sittings[0].Cups, plan.Sittings[0].Cups);
        var cup = now.Regions.Single(r => r.RegionId == "b1").CupId;
        Assert.Equal(was.Cups.Single(c => c.CupId == cup).NeedMl - 4 * 1.1, now.Cups.Single(c => c.CupId == cup).NeedMl, 1e-9);

        // The number says where it comes from, and what runs over the edge is not made less.
        var ml = now.Regions.Single(r => r.RegionId == "b1").LayerMl;
        Assert.Equal(Formulas.RegionAmongStones, ml.Formula);
        Assert.Contains(ml.Inputs,
            i => i is { Value: 10, Unit: "g", Origin: Origin.Own, Field: "layers[l1].stones[b1 crushed-glass].grams" });
        Assert.Contains(ml.Inputs, i => i is { Value: 2.5, Unit: "g/ml", Origin: Origin.Default });
        Assert.All(now.Regions.Zip(was.Regions), r => Assert.Equal(r.Second.EdgeMl.Value, r.First.EdgeMl.Value));
        Assert.All(now.Regions, r => Assert.Equal(r.LayerMl.Value + r.EdgeMl.Value, r.PourMl.Value, 1e-9));
    }

    [Fact]
    public void What_it_weighs_has_the_stones_in_it()
    {
        var board = new Base(PieceKind.Panel, BaseMaterial.BirchPly, 9);
        PiecePlan On(Piece piece) => Plan(piece with { Ground = piece.Ground with { Base = board } });
        var (before, plan) = (On(Rings), On(WithGlass));
        Assert.Equal(10, plan.Layers[0].StonesG);
        var resinG = before.Layers[0].ResinG - plan.Layers[0].ResinG;
        Assert.Equal(before.Layers[0].ResinG * 4 / before.Layers[0].LayerMl, resinG, 1e-9);
        Assert.Equal(before.Ground.Standing.FinishedMass!.Value + (10 - resinG) / 1000, plan.Ground.Standing.FinishedMass!.Value, 1e-9);
    }

    [Fact]
    public void Passes_over_them_need_less_as_they_share_the_depth_be_it_in_one_sitting_or_two()
    {
        var whole = Ml(Plan(Rings), R("b1")).Single();
        var apart = Made(WithGlass, new AddPass(Layer, R("b1"), null, true, null));
        var passes = Ml(Plan(apart), R("b1"));
        var plain = Ml(Plan(Made(Rings, new AddPass(Layer, R("b1"), null, true, null))), R("b1"));
        Assert.Equal(2, passes.Length);
        Assert.All(passes.Zip(plain), p => Assert.Equal(p.Second * (1 - 4 / whole), p.First, 1e-9));
        Assert.Equal(whole - 4, passes.Sum(), 1e-9);
    }

    [Fact]
    public void Every_copy_has_as_many()
    {
        Sketch flood = new(Layer, "Body", 4, new FloodLayout("moss"), [Samples.Cup("moss")], new("coating"),
            Measure.ByVolume, null, [], PlannedTimes.None);
        var ground = new Ground(new RoundOutline(100), EdgeStyle.Walled, 10, "#ffffff",
            new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(10, CapacityFrom.Dimensions, null, 12, 5, 0));
        var dozen = Samples.Piece(ground, flood);
        var glass = Made(dozen, new SetRegionStones(Layer, FloodLayout.FloodId, "crushed-glass", 10));
        double Poured(Piece piece) => Plan(piece).Sittings[0].Cups.Regions.Single().LayerMl.Value;
        Assert.Equal(Poured(dozen) - 5 * 4, Poured(glass), 1e-9);
        Assert.Equal(50, Plan(glass).Layers[0].StonesG, 1e-9);

        // Mixed for all twelve, each still has its own.
        Piece AllOf(Piece piece) => piece with { Sittings = [piece.Sittings[0] with { Copies = 12 }] };
        Assert.Equal(Poured(AllOf(dozen)) - 12 * 4, Poured(AllOf(glass)), 1e-9);
        Assert.Equal(50, Plan(AllOf(glass)).Layers[0].StonesG, 1e-9);
    }

    [Theory]
    [InlineData(90, "quartz-chips", 250, 40.5, 119)]
    [InlineData(110, "glass-beads", 240, 41.8, 69.5)]
    [InlineData(90, "quartz-chips", 131, 40.57, 0)]
    [InlineData(90, "quartz-chips", 132, 40.5, 0.8)]
    public void Stones_never_make_a_pour_vanish_and_what_stands_out_is_told(double ml, string stone, double grams, double poured,
        double outG)
    {
        Sketch flood = new(Layer, "Body", 3, new FloodLayout("moss"), [Samples.Cup("moss")], new("coating"),
            Measure.ByVolume, null, [], PlannedTimes.None);
        var plan = Plan(Made(Samples.Piece(Samples.Panel(ml / 0.3, 100), flood),
            new SetRegionStones(Layer, FloodLayout.FloodId, stone, grams)));
        Assert.Equal(poured, Ml(plan, FloodLayout.FloodId).Single(), 0.005);
        Assert.Equal(outG, plan.Layers[0].StonesOut.Sum(s => s.Grams.Value), 0.5);
        Assert.Equal(outG > 0.5, !plan.Layers[0].StonesOut.IsEmpty);
    }

    [Fact]
    public void In_a_region_that_is_filled_in_part_only_the_share_in_that_part_comes_off()
    {
        var whole = Ml(Plan(Rings), R("b1")).Single();
        var fill = new Fill("f1", Layer, R("b1"), DepthMm: 1);
        Piece Part(Piece piece) => piece with { Sittings = [piece.Sittings[0] with { Fills = [fill] }] };
        Assert.Equal(whole / 3, Ml(Plan(Part(Rings)), R("b1")).Single(), 1e-9);
        var plan = Plan(Part(WithGlass));
        Assert.Equal((whole - 4) / 3, Ml(plan, R("b1")).Single(), 1e-9);
        Assert.Equal(10 * 2 / 3.0, plan.Layers[0].StonesOut.Single().Grams.Value, 1e-9);
    }

    [Fact]
    public void More_than_there_is_room_for_leaves_what_their_heap_has_room_for_and_several_kinds_add_up()
    {
        var heap = Made(WithGlass, new SetRegionStones(Layer, R("b1"), "crushed-glass", 20_000));
        Assert.Equal(Ml(Plan(Rings), R("b1")).Single() * 0.44, Ml(Plan(heap), R("b1")).Single(), 1e-9);
        var both = Made(WithGlass, new SetRegionStones(Layer, R("b1"), "quartz-points", 2.65));
        Assert.Equal(Ml(Plan(WithGlass), R("b1")).Single() - 1, Ml(Plan(both), R("b1")).Single(), 1e-9);
        Assert.Equal(WithGlass.Layers[0].Stones!.Value,
            Made(both, new SetRegionStones(Layer, R("b1"), "quartz-points", null)).Layers[0].Stones!.Value);
        Assert.Equal(Rings.Layers, Made(WithGlass, new SetRegionStones(Layer, R("b1"), "crushed-glass", null)).Layers);
        Assert.Equal(20, Made(WithGlass, new SetRegionStones(Layer, R("b1"), "crushed-glass", 20)).Layers[0].Stones!.Value.Single().Grams);
    }

    [Fact]
    public void The_persons_own_density_counts()
    {
        var own = Catalogue.Typical.With([("crushed-glass",
            new OwnMaterial(MaterialKind.Stone, "our cullet", "crushed-glass",
                System.Collections.Immutable.ImmutableSortedDictionary<string, double>.Empty.Add(MaterialProperties.SolidDensity, 2)))]);
        var plan = Planner.Plan(WithGlass, [], Surroundings.Usual(DateTimeZone.Utc) with { Catalogue = own });
        Assert.Equal(Ml(Plan(Rings), R("b1")).Single() - 5, Ml(plan, R("b1")).Single(), 1e-9);
        Assert.Contains(plan.Sittings[0].Cups.Regions.Single(r => r.RegionId == "b1").LayerMl.Inputs,
            i => i is { Value: 2, Unit: "g/ml", Origin: Origin.Own });
        Assert.NotEqual(Catalogue.Typical.Key, own.Key);
    }

    [Fact]
    public void Stones_go_with_their_region_and_what_cannot_be_is_refused_in_words()
    {
        Assert.Null(Made(WithGlass, new LeaveBandOut(Layer, null, "b1")).Layers[0].Stones);
        Assert.Contains("from 0.1 to 20000 g", Refused(Rings, new SetRegionStones(Layer, R("b1"), "sand", 0))
            .Replace(",", "", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.Contains("region that the layer has", Refused(Rings, new SetRegionStones(Layer, R("b9"), "sand", 5)),
            StringComparison.Ordinal);
        var puddle = Samples.Piece(Samples.Panel(300, 200),
            LayoutTests.Layer(new PuddleLayout(150, 100, [new("p1", "moss", 40), new("p2", "bone", 20)], 0, 0)));
        Assert.Contains("by the millilitre", Refused(puddle, new SetRegionStones(Layer, R("p1"), "sand", 5)), StringComparison.Ordinal);
        var twice = Rings with { Layers = [Rings.Layers[0] with { Stones = [new(R("b1"), "sand", 1), new(R("b1"), "sand", 2)] }] };
        Assert.Contains(new PieceValidator().Validate(twice).Errors, e => e.ErrorMessage.Contains("named once", StringComparison.Ordinal));
        var unknown = Assert.Throws<FluentValidation.ValidationException>(() => KnownMaterials.Check(Made(Rings,
            new SetRegionStones(Layer, R("b1"), "moon-dust", 5)), Catalogue.Typical));
        Assert.Equal("layers[l1].stones[b1 moon-dust].stoneId", unknown.Errors.Single().PropertyName);
    }
}
