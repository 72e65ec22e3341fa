using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Valid;

namespace MossLantern.Core.Tests;

public class MapTests
{
    /// <summary>Four stacks round one heart on one ground: the ground and the heart's form are worked out once.</summary>
    private const int StacksOfAHeart = 4;

    private static readonly Gen<double[]> AnyStack =
        from widths in Gen.Double[0.5, 60].Array[0, 11]
        from fill in Gen.Int[0, 11]
        select widths.Take(fill % (widths.Length + 1)).Append(0).Concat(widths.Skip(fill % (widths.Length + 1))).ToArray();

    private static readonly Gen<(Ground Ground, ImmutableArray<Sketch> Layers)> AnyMaps =
        from outline in Samples.AnyOutline
        from x in Gen.Double[-0.1, 1.1]
        from y in Gen.Double[-0.1, 1.1]
        from heartWidth in Gen.Double[10, 160]
        from heartHeight in Gen.Double[10, 160]
        from turn in Gen.Double[0, 180]
        from waviness in Gen.Double[0, 24]
        from seed in Gen.Int[0, 100_000]
        from follow in Gen.OneOf(Gen.Const(0.0), Gen.Double[0, 1])
        from stacks in AnyStack.Array[StacksOfAHeart]
        let heart = new Heart("h1", x * outline.BoxWidthMm, y * outline.BoxHeightMm, heartWidth, heartHeight, turn, waviness, seed)
        select (
            new Ground(outline, EdgeStyle.TapedClean, 20, "#ffffff"),
            stacks.Select(s => Samples.Layer(heart, s).Rings(r => r with { RimFollow = follow })).ToImmutableArray());

    private static readonly Gen<(Ground Ground, Sketch Layer)> AnyMap = AnyMaps.Select(m => (m.Ground, m.Layers[0]));

    [Trait("Pace", "long")]
    [Fact]
    public void Regions_of_ten_thousand_stacks_partition_the_outline_and_its_edge() =>
        AnyMaps.Sample(
            sample =>
            {
                var (ground, layers) = sample;
                var (mapper, scale) = (new LayerMapper(), Samples.Coarse(ground.Outline));
                foreach (var map in layers.Select(l => (BandMap)mapper.Map(ground.Outline, scale, l, [])))
                {
                    Assert.All(map.Regions, r => Assert.InRange(r.AreaMm2, 0, ground.Outline.AreaMm2 * (1 + 1e-9)));
                    Assert.Equal(ground.Outline.AreaMm2, map.Regions.Sum(r => r.AreaMm2), ground.Outline.AreaMm2 * 1e-6);
                    Assert.Equal(ground.Outline.PerimeterMm, map.Regions.Sum(r => r.OpenEdgeMm), ground.Outline.PerimeterMm * 1e-9);
                    Assert.True(map.Levels.Zip(map.Levels.Skip(1), (a, b) => a <= b).All(ordered => ordered));
                }
            },
            iter: 10_000 / StacksOfAHeart);

    [Trait("Pace", "long")]
    [Fact]
    public void Bands_of_three_hundred_stacks_nest_and_never_cross() =>
        Gen.Select(AnyMap, Samples.IsFine).Sample(
            sample =>
            {
                var ((ground, layer), fine) = sample;
                var map = Samples.Map(ground, layer, fine ? null : Samples.Coarse(ground.Outline));
                var levels = map.Levels.Distinct().Where(l => l < Eikonal.Far / 2).ToArray();
                var sets = Contours.Trace(map.Grid, map.Field, levels).Select(Polygons).ToArray();
                for (var k = 0; k < sets.Length; k++)
                {
                    var error = new IsValidOp(sets[k]).ValidationError;
                    // Corners of one set may touch at a grid node; crossing is what must not happen.
                    Assert.True(error is null || error.ErrorType == TopologyValidationErrors.RingSelfIntersection, error?.ToString());
                    if (k > 0)
                    {
                        var stray = sets[k - 1].Buffer(0).Difference(sets[k].Buffer(0)).Area;
                        Assert.True(stray < 1e-3, $"{stray} mm² of set {k - 1} lies outside set {k}");
                    }
                }
            },
            iter: 300);

    [Fact]
    public void Areas_agree_with_a_polygon_overlay()
    {
        var ground = Samples.Panel();
        var map = Samples.Map(ground, Samples.Layer(Samples.Heart(250, 180), 12, 3, 30, 0, 20).Rings(r => r with { RimFollow = 0.5 }));
        var outline = new Polygon(new([new(0, 0), new(600, 0), new(600, 400), new(0, 400), new(0, 0)]));
        var sets = Contours.Trace(map.Grid, map.Field, map.Levels).Select(Polygons).ToArray();
        var below = 0.0;
        for (var k = 0; k < sets.Length; k++)
        {
            below += map.Regions[k].AreaMm2;
            Assert.Equal(sets[k].Buffer(0).Intersection(outline).Area, below, 0.05);
        }
    }

    [Theory]
    [InlineData(0)]
    [InlineData(14)]
    [InlineData(20)]
    public void Bands_are_as_wide_on_average_as_asked(double waviness)
    {
        var ground = Samples.Panel();
        var map = Samples.Map(ground, Samples.Layer(Samples.Heart(300, 200, waviness: waviness), 10, 25, 0));
        var edges = Contours.Trace(map.Grid, map.Field, map.Levels)
            .Select(set => set.Sum(c => new Ring(c.Xs, c.Ys).LengthMm)).ToArray();

        // A band's area over the mean length of its two edges is its mean width.
        Assert.Equal(10, map.Area(R("b1")) / ((edges[0] + edges[1]) / 2), 10 * 0.04);
        Assert.Equal(25, map.Area(R("b2")) / ((edges[1] + edges[2]) / 2), 25 * 0.04);
    }

    [Fact]
    public void Smooth_bands_round_a_round_heart_are_rings()
    {
        var ground = new Ground(new RoundOutline(300), EdgeStyle.TapedClean, 10, "#ffffff");
        var heart = new Heart("h1", 150, 150, 80, 80, 0, 0, 5);
        var map = Samples.Map(ground, Samples.Layer(heart, 25, 0));
        var bed = map.Area(R("heart"));
        var radius = Math.Sqrt(bed / Math.PI);
        Assert.Equal(Math.PI * ((radius + 25) * (radius + 25) - radius * radius), map.Area(R("b1")), bed * 0.02);
    }

    [Fact]
    public void A_band_that_no_longer_fits_keeps_its_place_without_area()
    {
        var map = Samples.Map(Samples.Panel(200, 150), Samples.Layer(Samples.Heart(100, 75), 300, 40, 0));
        Assert.Equal(["heart", "b1", "b2", "b3"], map.Regions.Select(r => r.Id).Written());
        Assert.Equal(0, map.Area(R("b2")));
        Assert.Equal(0, map.Area(R("b3")));
    }

    [Fact]
    public void Bands_after_the_one_that_fills_the_rest_count_back_from_the_far_end()
    {
        var ground = Samples.Panel();
        var narrow = Samples.Map(ground, Samples.Layer(Samples.Heart(120, 120), 20, 0, 15));
        var wide = Samples.Map(ground, Samples.Layer(Samples.Heart(120, 120), 20, 0, 60));
        Assert.Equal(narrow.Area(R("b1")), wide.Area(R("b1")), 1e-6);
        Assert.True(wide.Area(R("b3")) > narrow.Area(R("b3")));
        Assert.True(narrow.Area(R("b3")) > 0);
    }

    [Fact]
    public void Without_a_heart_the_filling_band_takes_the_whole_outline()
    {
        var map = Samples.Map(Samples.Panel(), Samples.Layer(null, 20, 0, 15));
        Assert.Equal(600 * 400, map.Area(R("b2")));
        Assert.Equal(600 * 400, map.Regions.Sum(r => r.AreaMm2));
    }

    [Fact]
    public void Following_the_rim_turns_the_outermost_band_into_a_rim_all_round()
    {
        var ground = Samples.Panel();
        var layer = Samples.Layer(Samples.Heart(250, 180), 20, 0, 12);
        double Edge(double follow) =>
            Samples.Map(ground, layer.Rings(r => r with { RimFollow = follow })).Regions.Single(r => r.Id == "b3").OpenEdgeMm;
        Assert.True(Edge(1) > 0.97 * 2000);
        Assert.True(Edge(0) < 0.5 * 2000);
    }

    [Fact]
    public void The_same_piece_gives_the_same_map_and_another_seed_another()
    {
        var ground = Samples.Panel();
        var layer = Samples.Layer(Samples.Heart(250, 180), 20, 0, 12);
        Assert.Equal(Samples.Map(ground, layer).Field, Samples.Map(ground, layer).Field);
        var other = layer.WithHearts([layer.Hearts[0] with { Seed = 4 }]);
        Assert.NotEqual(Samples.Map(ground, layer).Field, Samples.Map(ground, other).Field);
    }

    [Fact]
    public void A_small_move_of_a_heart_changes_areas_little()
    {
        var ground = Samples.Panel();
        var layer = Samples.Layer(Samples.Heart(250, 180), 20, 0, 12);
        var moved = layer.WithHearts([layer.Hearts[0] with { XMm = 250.5 }]);
        Assert.Equal(Samples.Map(ground, layer).Area(R("b1")), Samples.Map(ground, moved).Area(R("b1")),
            Samples.Map(ground, layer).Area(R("b1")) * 0.01);
    }

    [Theory]
    [InlineData(0, 200)]
    [InlineData(-30, 200)]
    [InlineData(-250, 150)]
    [InlineData(300, 900)]
    public void Rings_of_a_heart_at_across_or_outside_the_edge_run_out_over_it(double x, double y)
    {
        var ground = Samples.Panel();
        var map = Samples.Map(ground, Samples.Layer(Samples.Heart(x, y, 120, 90), 60, 200, 5, 80, 0));
        Assert.Equal(600 * 400, map.Regions.Sum(r => r.AreaMm2), 1);
        Assert.All(map.Regions.Where(r => r.AreaMm2 > 0), r => Assert.True(r.OpenEdgeMm > 0, r.Id.ToString()));
        Assert.True(map.Area(R("b3")) > 0 || map.Area(R("b4")) > 0 || map.Area(R("b5")) > 0);
    }

    [Fact]
    public void Rings_of_an_outside_heart_lie_as_far_from_it_as_asked()
    {
        // The heart's edge is 150 mm from the panel's left side; with no waviness growth is even.
        var map = Samples.Map(Samples.Panel(), Samples.Layer(Samples.Heart(-200, 200, 100, 100, waviness: 0), 150, 100, 0));
        var cut = map.Cut(200, 0, 600);
        Assert.DoesNotContain(cut, s => s.RegionId == "heart");
        Assert.Equal(100, cut.Single(s => s.RegionId == "b2").ToMm, 8.0);
    }

    [Trait("Pace", "long")]
    [Fact]
    public void A_heart_carried_over_the_edge_changes_the_map_little_by_little()
    {
        var ground = Samples.Panel();
        BandMap? before = null;
        for (var x = 80.0; x > -160; x -= 2)
        {
            var map = Samples.Map(ground, Samples.Layer(Samples.Heart(x, 200), 60, 80, 60, 0));
            if (before is not null)
            {
                Assert.All(map.Regions.Zip(before.Regions), pair => Assert.Equal(pair.Second.AreaMm2, pair.First.AreaMm2, 240_000 * 0.012));
            }

            before = map;
        }
    }

    [Fact]
    public void Six_hearts_share_one_stack_of_bands()
    {
        var layer = Samples.Layer(null, 12, 20, 0);
        layer = layer.WithHearts([.. Enumerable.Range(0, 6)
            .Select(i => Samples.Heart(80 + 200 * (i % 3), 100 + 200 * (i / 3), 50, 40, seed: i) with { Id = $"h{i}" })]);
        var map = Samples.Map(Samples.Panel(), layer);
        Assert.Equal(240_000, map.Regions.Sum(r => r.AreaMm2), 1);
        Assert.Equal(6, Contours.Trace(map.Grid, map.Field, map.Levels.AsSpan(0, 1))[0].Count);
        Assert.True(map.Area(R("b1")) > 6 * 12 * Math.PI * 40);
    }

    [Fact]
    public void Bands_widen_outward_by_the_factor()
    {
        var ground = Samples.Panel(900, 900);
        var layer = Samples.Layer(Samples.Heart(450, 450, 60, 60, waviness: 0), 20, 20, 20, 0).Rings(r => r with { Widening = 1.5 });
        Assert.Equal([20, 30, 45, 0], ((RingsLayout)layer.Layout).BandWidthsMm());
        var map = Samples.Map(ground, layer);
        Assert.Equal([null, 20.0, 30.0, 45.0, null], map.Regions.Select(r => r.PlannedWidthMm));
        var radii = map.Regions.Take(4).Select((_, k) => Math.Sqrt(map.Regions.Take(k + 1).Sum(r => r.AreaMm2) / Math.PI)).ToArray();
        Assert.Equal(20, radii[1] - radii[0], 1.0);
        Assert.Equal(30, radii[2] - radii[1], 1.0);
        Assert.Equal(45, radii[3] - radii[2], 1.5);
    }

    [Fact]
    public void Even_growth_arrives_after_the_distance()
    {
        var grid = GrowthGrid.Over(200, 200, 2);
        var arrival = new float[grid.Count];
        var held = new bool[grid.Count];
        var slowness = new float[grid.Count];
        Array.Fill(slowness, 1f);
        for (var node = 0; node < grid.Count; node++)
        {
            double dx = grid.X(node % grid.Columns) - 60, dy = grid.Y(node / grid.Columns) - 80;
            arrival[node] = (float)(Math.Sqrt(dx * dx + dy * dy) - 20);
            held[node] = arrival[node] <= 4;
        }

        var exact = (float[])arrival.Clone();
        for (var node = 0; node < grid.Count; node++)
        {
            arrival[node] = held[node] ? arrival[node] : Eikonal.Far;
        }

        Eikonal.Solve(grid, arrival, held, slowness);
        Assert.All(arrival.Zip(exact), pair => Assert.Equal(pair.Second, pair.First, 1.6f));
    }

    [Fact]
    public void Growth_flows_round_a_wall()
    {
        var grid = GrowthGrid.Over(100, 100, 2);
        var arrival = new float[grid.Count];
        var held = new bool[grid.Count];
        var slowness = new float[grid.Count];
        Array.Fill(slowness, 1f);
        Array.Fill(arrival, Eikonal.Far);
        arrival[(grid.Rows / 2 * grid.Columns) + 5] = 0;
        held[(grid.Rows / 2 * grid.Columns) + 5] = true;
        for (var row = 6; row < grid.Rows; row++)
        {
            slowness[row * grid.Columns + 25] = Eikonal.Far;
        }

        Eikonal.Solve(grid, arrival, held, slowness);
        var behind = arrival[(grid.Rows / 2 * grid.Columns) + 45];
        Assert.InRange(behind, 95, 130);
    }

    [Fact]
    public void Noise_has_unit_variance_and_no_bias()
    {
        var noise = new GradientNoise(7);
        var random = new SplitMix(1);
        var values = Enumerable.Range(0, 200_000).Select(_ =>
            (double)noise.At((float)random.Between(-50, 50), (float)random.Between(-50, 50), (float)random.Between(0, 50))).ToArray();
        Assert.Equal(0, values.Average(), 0.03);
        Assert.Equal(1, values.Average(v => v * v), 0.04);
    }

    private static MultiPolygon Polygons(List<Contour> contours)
    {
        var rings = contours.Select(c => (Ring: Linear(c), Area: new Ring(c.Xs, c.Ys).SignedAreaMm2)).ToList();
        var shells = rings.Where(r => r.Area > 0).OrderBy(r => r.Area).Select(r => (r.Ring, Holes: new List<LinearRing>())).ToList();
        foreach (var hole in rings.Where(r => r.Area < 0))
        {
            var inside = new Point(hole.Ring.GetCoordinateN(0));
            shells.First(s => new Polygon(s.Ring).Covers(inside)).Holes.Add(hole.Ring);
        }

        return new([.. shells.Select(s => new Polygon(s.Ring, [.. s.Holes]))]);
    }

    private static LinearRing Linear(Contour contour) =>
        new([.. contour.Xs.Zip(contour.Ys, (x, y) => new Coordinate(x, y)), new(contour.Xs[0], contour.Ys[0])]);
}
