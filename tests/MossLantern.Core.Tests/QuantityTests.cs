using MossLantern.Core.Units;

namespace MossLantern.Core.Tests;

public class QuantityTests
{
    [Theory]
    [InlineData("250 mm", QuantityKind.Length, 250, "250 mm")]
    [InlineData("1 3/4 in", QuantityKind.Length, 44.45, "44.45 mm")]
    [InlineData("1-3/4\"", QuantityKind.Length, 44.45, "44.45 mm")]
    [InlineData("3/8 inch", QuantityKind.Length, 9.525, "9.525 mm")]
    [InlineData("2 ft 6 in", QuantityKind.Length, 762, "762 mm")]
    [InlineData("2'6\"", QuantityKind.Length, 762, "762 mm")]
    [InlineData("12,5cm", QuantityKind.Length, 125, "125 mm")]
    [InlineData("-3 mm", QuantityKind.Length, -3, "-3 mm")]
    [InlineData("250 ml", QuantityKind.Volume, 250, "250 ml")]
    [InlineData("3 oz", QuantityKind.Volume, 88.7205886875, "88.7206 ml")]
    [InlineData("3 fl. oz", QuantityKind.Volume, 88.7205886875, "88.7206 ml")]
    [InlineData(".5 L", QuantityKind.Volume, 500, "500 ml")]
    [InlineData("3 oz", QuantityKind.Mass, 85.048569375, "85.0486 g")]
    [InlineData("1 lb 2 oz", QuantityKind.Mass, 510.29141625, "510.2914 g")]
    [InlineData("1.5 kg", QuantityKind.Mass, 1500, "1500 g")]
    [InlineData("68 F", QuantityKind.Temperature, 20, "20 °C")]
    [InlineData("-4 °F", QuantityKind.Temperature, -20, "-20 °C")]
    [InlineData("21,5°C", QuantityKind.Temperature, 21.5, "21.5 °C")]
    public void What_people_type_is_read(string text, QuantityKind kind, double value, string normalised)
    {
        var read = QuantityText.Read(text, kind)!;
        Assert.Equal(value, read.Value, 1e-9);
        Assert.Equal(normalised, read.Normalised);
    }

    [Theory]
    [InlineData("250", QuantityKind.Length)]
    [InlineData("", QuantityKind.Length)]
    [InlineData("mm", QuantityKind.Length)]
    [InlineData("3 ml", QuantityKind.Length)]
    [InlineData("3 oz", QuantityKind.Length)]
    [InlineData("1/0 in", QuantityKind.Length)]
    [InlineData("1 2 in", QuantityKind.Length)]
    [InlineData("20", QuantityKind.Temperature)]
    [InlineData("20 K", QuantityKind.Temperature)]
    [InlineData("NaN ml", QuantityKind.Volume)]
    [InlineData("1e9 ml", QuantityKind.Volume)]
    public void What_is_no_quantity_is_not_guessed(string text, QuantityKind kind)
    {
        Assert.Null(QuantityText.Read(text, kind));
        Assert.Contains("such as", QuantityText.Sentence(kind), StringComparison.Ordinal);
    }
}
