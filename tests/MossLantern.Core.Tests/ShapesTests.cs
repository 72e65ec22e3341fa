using MossLantern.Core.Shapes;

namespace MossLantern.Core.Tests;

public class ShapesTests
{
    [Fact]
    public void A_rectangle_is_measured_exactly()
    {
        var outline = new RectangleOutline(600, 400);
        Assert.Equal(240_000, outline.AreaMm2);
        Assert.Equal(2000, outline.PerimeterMm);
        Assert.Equal(240_000, outline.ToRing().SignedAreaMm2);
        Assert.Equal(2000, outline.ToRing().LengthMm);
        Assert.Equal((0, 600), outline.Chord(10));
    }

    [Fact]
    public void A_round_is_measured_exactly_and_its_ring_keeps_the_area()
    {
        var outline = new RoundOutline(300);
        Assert.Equal(Math.PI * 150 * 150, outline.AreaMm2, 1e-9);
        Assert.Equal(Math.PI * 300, outline.PerimeterMm, 1e-9);
        Assert.Equal(outline.AreaMm2, outline.ToRing().SignedAreaMm2, 1e-6);
        Assert.Equal(outline.PerimeterMm, outline.ToRing().LengthMm, 0.02);
        var (from, to) = outline.Chord(150);
        Assert.Equal((0, 300), (from, to));
        Assert.Equal(2 * Math.Sqrt(150 * 150 - 100 * 100), outline.Chord(50).ToMm - outline.Chord(50).FromMm, 1e-9);
    }

    [Theory]
    [InlineData(300, 200, -200)]
    [InlineData(10, 200, -10)]
    [InlineData(-30, -40, 50)]
    [InlineData(700, 200, 100)]
    public void Distance_to_a_ring_is_negative_inside(double x, double y, double distance) =>
        Assert.Equal(distance, new RectangleOutline(600, 400).ToRing().SignedDistanceMm(x, y), 1e-9);

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
