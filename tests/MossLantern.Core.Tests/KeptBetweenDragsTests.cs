using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

/// <summary>What is kept between the steps of a drag never changes what comes out.</summary>
public class KeptBetweenDragsTests
{
    private static readonly ImmutableArray<Band> Lines = [new("b1", 9, true, "moss"), new("b2", 5, false, "bone"),
        new("b3", 7, false, "umber")];

    /// <summary>A layout, and how a hand changes it step by step.</summary>
    private static readonly Dictionary<string, Func<double, Sketch>> Drags = new()
    {
        ["lines"] = by =>
            LayoutTests.Layer(Samples.Lines("clear", 1, 8, 3)).WithBands(Lines.SetItem(1, Lines[1] with { WidthMm = 5 + by / 10 })),
        ["waves"] = by => LayoutTests.Layer(Samples.Lines("clear", 1, 2 + by / 8, 3)).WithBands(Lines),
        ["marble"] = by => LayoutTests.Layer(new MarbleLayout("moss", "bone", 20 + by / 2, 0.4, 20, 5)),
        ["grain"] = by => LayoutTests.Layer(new MarbleLayout("moss", "bone", 30, 0.4, by, 5)),
        ["fields"] = by => LayoutTests.Layer((LayoutTests.Fields(12, 4) with { Moved = [new(2, 100 + by, 90)] }).Veined("gilt", 3, 1)),
        ["unmoved"] = by => LayoutTests.Layer(LayoutTests.Fields(9 + (int)by / 30, 4)),
        ["pools"] = by => LayoutTests.Layer(Draw.Pools([new("w",
            [new(0, 60 + by), new(140, 80 + by), new(300, 70 + by)])], 3, [new("p", 20, 20, "moss")])),
        ["puddle"] = by => LayoutTests.Layer(new PuddleLayout(100 + by, 100,
            [new("a", "moss", 40), new("b", "bone", 25), new("c", "umber", 10)], 20, 30, "clear")),
        ["petals"] = by => LayoutTests.Layer(Samples.Petals(120 + by, 100, 8, 25, true, 6, 0)).WithBands(Lines),
        ["rings"] = by => Samples.Layer(Samples.Heart(100 + by, 90), 9, 6, 0),
        ["zone"] = by => LayoutTests.Layer(new FloodLayout("moss")) with
        {
            Zones =
            [
                new("z", "Zone", new OvalOutline(120, 90), 30 + by, 40, new MarbleLayout("bone", "umber", 40, 0.2, 0, 7)),
                new("y", "Over it", new RoundOutline(60), 90, 60, new RingsLayout([Samples.Heart(120, 90, 20, 15)], Lines, 0, "moss")),
            ],
        },
    };

    public static TheoryData<string> Ways => [.. Drags.Keys];

    /// <summary>Work that is left when its bound is reached leaves nothing half done: the next who asks gets it whole.</summary>
    [Theory]
    [MemberData(nameof(Ways))]
    public async Task Work_that_was_left_half_way_spoils_nothing_that_is_kept(string way)
    {
        var layer = Drags[way](17);
        var piece = Samples.Piece(Samples.Panel(300, 200), layer);
        var planner = new PiecePlanner(new LayerMapper());
        using (var gone = new CancellationTokenSource())
        {
            gone.Cancel();
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => Bounded(gone.Token));
        }

        for (var i = 0; i < 6; i++)
        {
            using var bound = new CancellationTokenSource(TimeSpan.FromMilliseconds(i * 3));
            try
            {
                await Bounded(bound.Token);
            }
            catch (OperationCanceledException)
            {
                // As it should be, or it was done before.
            }
        }

        var fresh = new PiecePlanner(new LayerMapper());
        Assert.Equal(fresh.Paint(piece, null, PaintDetail.Full).Paths, planner.Paint(piece, null, PaintDetail.Full).Paths);
        Assert.Equal(Areas(fresh), Areas(planner));

        List<(RegionId, double, double)> Areas(PiecePlanner of) =>
            [.. of.Plan(piece, [], NodaTime.DateTimeZone.Utc).Layers[0].Regions.Select(r => (r.Id, r.Area.Value, r.OpenEdgeMm))];

        Task Bounded(CancellationToken stop) => Task.Run(
            () =>
            {
                Effort.Until(stop);
                planner.Plan(piece, [], NodaTime.DateTimeZone.Utc);
                planner.Paint(piece, null, PaintDetail.Full);
            },
            CancellationToken.None);
    }

    [Trait("Pace", "long")]
    [Theory]
    [MemberData(nameof(Ways))]
    public void A_mapper_that_has_followed_a_drag_lays_out_what_a_fresh_one_does(string way) =>
        Gen.Double[0, 60].Array[3, 5].Select(Gen.Bool).Sample(
            (steps, keeps) =>
            {
                ImmutableArray<ReservedSpot>? kept = keeps
                    ? [new("shell", "Shell", new RoundOutline(40), 200, 120, Keep.Visible),
                        new("leaf", "Leaf", new RoundOutline(30), 20, 120, Keep.Bare)]
                    : null;
                var warm = new PiecePlanner(new LayerMapper());
                var mapper = new LayerMapper();
                foreach (var by in steps)
                {
                    var layer = Drags[way](by);
                    var piece = Samples.Piece(Samples.Panel(300, 200), layer) with { Kept = kept };
                    var fresh = new LayerMapper();
                    Assert.Equal(fresh.Map(piece, layer).Regions, mapper.Map(piece, layer).Regions);
                    Assert.Equal(
                        new PiecePlanner(fresh).Paint(piece, null, PaintDetail.Draft).Paths,
                        warm.Paint(piece, null, PaintDetail.Draft).Paths);
                }
            }, iter: 4);

    [Theory]
    [MemberData(nameof(Ways))]
    public void The_shape_of_every_region_is_as_large_as_the_region(string way)
    {
        var layer = Drags[way](17);
        var piece = Samples.Piece(Samples.Panel(300, 200), layer)
            with
        { Kept = [new("leaf", "Leaf", new RoundOutline(40), 200, 120, Keep.Bare)] };
        piece = piece with { Lines = [.. piece.Lines ?? [], Draw.Dam("leaf", 6)] };
        var mapper = new LayerMapper();
        var shapes = RegionShapes.Of(mapper, piece, layer).ToDictionary(s => s.RegionId);
        var regions = mapper.Map(piece, layer).Regions.Where(r => r.TakesArea && r.AreaMm2 > 1).ToList();
        Assert.NotEmpty(regions);
        Assert.All(regions, r => Assert.Equal(r.AreaMm2, shapes[r.Id].Rings.Sum(x => x.SignedAreaMm2), 2 + r.AreaMm2 * 0.01));
        Assert.Equal(60_000,
            shapes.Values.Where(s => s.Kind is not (RegionKind.Line or RegionKind.Film)).Sum(s => s.Rings.Sum(x => x.SignedAreaMm2)), 10.0);
    }

    [Fact]
    public void Along_the_edge_of_a_zone_both_sides_are_neighbours()
    {
        var layer = Drags["zone"](0);
        var map = new LayerMapper().Map(Samples.Piece(Samples.Panel(300, 200), layer), layer);
        var touching = map.Touching.Select(b => (b.First, b.Second)).ToList();
        Assert.Contains((R("flood"), R("z/ground")), touching);
        Assert.Contains(touching, t => t.First.Zone == "z" && t.Second.Zone == "y");
        Assert.DoesNotContain(touching, t => t.First == t.Second);
    }
}
