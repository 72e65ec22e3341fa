using CsCheck;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Tests;

public class ShapesTests
{
    [Fact]
    public void A_rectangle_is_measured_exactly()
    {
        var outline = new RectangleOutline(600, 400);
        Assert.Equal(240_000, outline.AreaMm2);
        Assert.Equal(2000, outline.PerimeterMm);
        Assert.Equal(240_000, Assert.Single(outline.Rings).SignedAreaMm2);
        Assert.Equal(2000, Assert.Single(outline.Rings).LengthMm);
        Assert.Equal([(0, 600)], outline.Chords(10));
    }

    [Fact]
    public void A_round_is_measured_exactly_and_its_ring_keeps_the_area()
    {
        var outline = new RoundOutline(300);
        Assert.Equal(Math.PI * 150 * 150, outline.AreaMm2, 1e-9);
        Assert.Equal(Math.PI * 300, outline.PerimeterMm, 1e-9);
        Assert.Equal(outline.AreaMm2, Assert.Single(outline.Rings).SignedAreaMm2, 1e-6);
        Assert.Equal(outline.PerimeterMm, Assert.Single(outline.Rings).LengthMm, 0.02);
        var (from, to) = Assert.Single(outline.Chords(150));
        Assert.Equal((0, 300), (from, to));
        Assert.Equal(2 * Math.Sqrt(150 * 150 - 100 * 100), outline.Chords(50)[0].ToMm - outline.Chords(50)[0].FromMm, 1e-9);
    }

    [Fact]
    public void An_oval_is_measured_exactly_and_its_ring_keeps_the_area()
    {
        var outline = new OvalOutline(320, 220);
        Assert.Equal(Math.PI * 160 * 110, outline.AreaMm2, 1e-9);
        Assert.Equal(outline.AreaMm2, Assert.Single(outline.Rings).SignedAreaMm2, 1e-6);
        Assert.Equal(Assert.Single(outline.Rings).LengthMm, outline.PerimeterMm, 0.02);
        Assert.Equal(Math.PI * 300, new OvalOutline(300, 300).PerimeterMm, 1e-9);

        // Perimeter of the ellipse with half axes 2 and 1, known to ten digits.
        Assert.Equal(9.688448221, new OvalOutline(4, 2).PerimeterMm, 1e-9);
    }

    [Fact]
    public void A_slice_without_wobble_and_full_reach_is_an_oval()
    {
        var slice = new SliceOutline(300, 200, [1, 1, 1, 1, 1], 0, 1);
        Assert.Equal(new OvalOutline(300, 200).AreaMm2, slice.AreaMm2, 5.0);
        Assert.Equal(new OvalOutline(300, 200).PerimeterMm, slice.PerimeterMm, 0.1);
    }

    [Fact]
    public void A_changed_slice_is_another_one_and_the_same_slice_is_the_same()
    {
        SliceOutline Slice() => new(300, 200, [1, 0.8, 0.9], 6, 4, new(150, 100, 40, 30));
        Assert.Equal(Slice(), Slice());
        Assert.Equal(Slice().GetHashCode(), Slice().GetHashCode());
        var slice = Slice();
        var before = slice.AreaMm2;
        Assert.True((slice with { WidthMm = 400 }).AreaMm2 > before * 1.2);
        Assert.NotEqual(slice, slice with { Reach = [1, 0.8, 0.7] });
        Assert.NotEqual(slice, slice with { Seed = 5 });
    }

    [Fact]
    public void Outlines_stay_in_their_box_never_cross_themselves_and_are_cut_to_their_area() =>
        Samples.AnyOutline.Sample(
            outline =>
            {
                Assert.Equal(outline.AreaMm2, outline.Rings.Sum(r => r.SignedAreaMm2), outline.AreaMm2 * 1e-9);
                Assert.Equal(outline.AreaMm2, outline.Walk().SignedAreaMm2, outline.AreaMm2 * 1e-9);
                var shell = Closed(outline.Rings[0]);
                var polygon = new Polygon(shell, [.. outline.Rings.Skip(1).Select(Closed)]);
                Assert.True(polygon.IsValid);
                Assert.InRange(shell.EnvelopeInternal.MaxX, 0, outline.BoxWidthMm + 0.01);
                Assert.InRange(shell.EnvelopeInternal.MaxY, 0, outline.BoxHeightMm + 0.01);
                Assert.InRange(shell.EnvelopeInternal.MinX, -0.01, outline.BoxWidthMm);

                // Straight cuts a tenth of a millimetre apart add up to the area again.
                var strips = Enumerable.Range(0, (int)(outline.BoxHeightMm * 10))
                    .Sum(i => outline.Chords(i * 0.1 + 0.05).Sum(c => c.ToMm - c.FromMm) * 0.1);
                Assert.Equal(outline.AreaMm2, strips, outline.AreaMm2 * 2e-3);
            },
            iter: 60);

    private static LinearRing Closed(Ring ring) => new(
        [.. Enumerable.Range(0, ring.Count + 1).Select(i => new Coordinate(ring.Xs[i % ring.Count], ring.Ys[i % ring.Count]))]);

    [Theory]
    [InlineData(300, 200, -200)]
    [InlineData(10, 200, -10)]
    [InlineData(-30, -40, 50)]
    [InlineData(700, 200, 100)]
    public void Distance_to_a_ring_is_negative_inside(double x, double y, double distance) =>
        Assert.Equal(distance, new RectangleOutline(600, 400).SignedDistanceMm(x, y), 1e-9);

    [Fact]
    public void Half_planes_cut_a_polygon_to_the_part_they_keep()
    {
        var clip = new Clip();
        clip.Set([0, 10, 10, 0], [0, 0, 10, 10]);
        clip.Keep(1, 0, 4);
        Assert.Equal(60, clip.SignedArea, 1e-9);
        clip.Keep(-1, -1, -14);
        Assert.Equal(60 - 18, clip.SignedArea, 1e-9);
        clip.Keep(0, 1, 20);
        Assert.Equal(0, clip.SignedArea);
    }
}
