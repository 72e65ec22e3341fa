using CsCheck;
using MossLantern.Core.Map;
using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

public sealed class LabTests
{
    /// <summary>The published pairs for the CIEDE2000 formula.</summary>
    [Theory]
    [InlineData(50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425)]
    [InlineData(50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615)]
    [InlineData(50, 2.8361, -74.0200, 50, 0, -82.7485, 3.4412)]
    [InlineData(50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0000)]
    [InlineData(50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0000)]
    [InlineData(50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0000)]
    [InlineData(50, 0, 0, 50, -1, 2, 2.3669)]
    [InlineData(50, -1, 2, 50, 0, 0, 2.3669)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0009, 7.1792)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0010, 7.1792)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0011, 7.2195)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0012, 7.2195)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0009, -2.4900, 4.8045)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0010, -2.4900, 4.8045)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0011, -2.4900, 4.7461)]
    [InlineData(50, 2.5, 0, 50, 0, -2.5, 4.3065)]
    [InlineData(50, 2.5, 0, 73, 25, -18, 27.1492)]
    [InlineData(50, 2.5, 0, 61, -5, 29, 22.8977)]
    [InlineData(50, 2.5, 0, 56, -27, -3, 31.9030)]
    [InlineData(50, 2.5, 0, 58, 24, 15, 19.4535)]
    [InlineData(50, 2.5, 0, 50, 3.1736, 0.5854, 1.0000)]
    [InlineData(50, 2.5, 0, 50, 3.2972, 0, 1.0000)]
    [InlineData(50, 2.5, 0, 50, 1.8634, 0.5757, 1.0000)]
    [InlineData(50, 2.5, 0, 50, 3.2592, 0.3350, 1.0000)]
    [InlineData(60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644)]
    [InlineData(63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630)]
    [InlineData(61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731)]
    [InlineData(35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645)]
    [InlineData(22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373)]
    [InlineData(36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146)]
    [InlineData(90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441)]
    [InlineData(90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381)]
    [InlineData(6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377)]
    [InlineData(2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082)]
    public void The_published_pairs_differ_as_published(
        double l1, double a1, double b1, double l2, double a2, double b2, double difference) =>
        Assert.Equal(difference, Lab.Difference(new(l1, a1, b1), new(l2, a2, b2)), 0.00005);

    [Fact]
    public void A_difference_is_the_same_both_ways_and_nothing_from_itself()
    {
        var colour = Gen.Select(Gen.Double[0, 100], Gen.Double[-120, 120], Gen.Double[-120, 120]).Select((l, a, b) => new Lab(l, a, b));
        Gen.Select(colour, colour).Sample((first, second) =>
            Math.Abs(Lab.Difference(first, second) - Lab.Difference(second, first)) < 1e-9
            && Lab.Difference(first, first) == 0 && double.IsFinite(Lab.Difference(first, second)));
    }

    [Theory]
    [InlineData("#ffffff", 100, 0, 0)]
    [InlineData("#000000", 0, 0, 0)]
    [InlineData("#ff0000", 53.24, 80.09, 67.20)]
    [InlineData("#777777", 50.03, 0, 0)]
    public void Screen_colours_have_their_place(string hex, double l, double a, double b)
    {
        var lab = Lab.Of(Colour.Of(hex));
        Assert.Equal(l, lab.L, 0.01);
        Assert.Equal(a, lab.A, 0.02);
        Assert.Equal(b, lab.B, 0.02);
    }
}
