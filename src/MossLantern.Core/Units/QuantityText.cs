using System.Collections.Frozen;
using System.Globalization;
using System.Text.RegularExpressions;

namespace MossLantern.Core.Units;

/// <summary>What a typed quantity is a quantity of.</summary>
public enum QuantityKind
{
    /// <summary>Length, mm.</summary>
    Length,

    /// <summary>Volume, ml.</summary>
    Volume,

    /// <summary>Mass, g.</summary>
    Mass,

    /// <summary>Temperature, °C.</summary>
    Temperature,
}

/// <summary>A typed quantity, read.</summary>
/// <param name="Value">Its value in mm, ml, g or °C.</param>
/// <param name="Normalised">The same as text, such as <c>44.45 mm</c>.</param>
public sealed record QuantityRead(double Value, string Normalised);

/// <summary>
/// Reads quantities as people type them: <c>3 oz</c>, <c>250 ml</c>, <c>1 3/4 in</c>, <c>5 ft 3 in</c>, <c>68 F</c>, with
/// a decimal comma or point. A bare number is not a quantity: its unit would be a guess.
/// </summary>
/// <remarks>Source: docs/craft/units.md, Typed quantities.</remarks>
public static partial class QuantityText
{
    private const double InchMm = 25.4;
    private const double FluidOunceMl = 29.5735295625;
    private const double OunceG = 28.349523125;

    private static readonly FrozenDictionary<string, double> Lengths = Names(
        (1, "mm millimetre millimetres millimeter millimeters"), (10, "cm centimetre centimetres centimeter centimeters"),
        (1000, "m metre metres meter meters"), (InchMm, "in inch inches \" ″ ”"), (12 * InchMm, "ft foot feet ' ′ ’"));

    private static readonly FrozenDictionary<string, double> Volumes = Names(
        (1, "ml millilitre millilitres milliliter milliliters cc"), (10, "cl"), (1000, "l litre litres liter liters"),
        (FluidOunceMl, "floz oz fluidounce fluidounces ounce ounces"), (FluidOunceMl / 6, "tsp teaspoon teaspoons"),
        (FluidOunceMl / 2, "tbsp tablespoon tablespoons"), (16 * FluidOunceMl, "pt pint pints"),
        (32 * FluidOunceMl, "qt quart quarts"), (128 * FluidOunceMl, "gal gallon gallons"));

    private static readonly FrozenDictionary<string, double> Masses = Names(
        (1, "g gram grams gramme grammes"), (0.001, "mg"), (1000, "kg kilo kilos kilogram kilograms"),
        (OunceG, "oz ounce ounces"), (16 * OunceG, "lb lbs pound pounds"));

    /// <summary>Reads a quantity.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="kind">What it is a quantity of.</param>
    /// <returns>The quantity, or null when the text is none; <see cref="Sentence"/> says what would be.</returns>
    public static QuantityRead? Read(string text, QuantityKind kind)
    {
        ArgumentNullException.ThrowIfNull(text);
        if (text.Length > 60)
        {
            return null;
        }

        var value = kind == QuantityKind.Temperature ? Degrees(text) : Sum(text, UnitsOf(kind));
        return value is { } v && double.IsFinite(v)
            ? new(v, string.Create(CultureInfo.InvariantCulture, $"{Math.Round(v, 4):0.####} {UnitOf(kind)}"))
            : null;
    }

    /// <summary>What a person is told whose text is no quantity.</summary>
    public static string Sentence(QuantityKind kind) => kind switch
    {
        QuantityKind.Length => "Type a length with its unit, such as 250 mm, 1 3/4 in or 2 ft 6 in.",
        QuantityKind.Volume => "Type a volume with its unit, such as 250 ml or 3 oz.",
        QuantityKind.Mass => "Type a mass with its unit, such as 120 g or 3 1/2 oz.",
        _ => "Type a temperature with its unit, such as 20 C or 68 F.",
    };

    /// <summary>The unit values of a kind are in.</summary>
    public static string UnitOf(QuantityKind kind) => kind switch
    {
        QuantityKind.Length => "mm",
        QuantityKind.Volume => "ml",
        QuantityKind.Mass => "g",
        _ => "°C",
    };

    private static FrozenDictionary<string, double> UnitsOf(QuantityKind kind) => kind switch
    {
        QuantityKind.Length => Lengths,
        QuantityKind.Volume => Volumes,
        _ => Masses,
    };

    private static double? Sum(string text, FrozenDictionary<string, double> units)
    {
        var match = Whole().Match(text);
        if (!match.Success)
        {
            return null;
        }

        var sum = 0.0;
        var numbers = match.Groups["number"].Captures;
        for (var i = 0; i < numbers.Count; i++)
        {
            // "fl. oz", "fluid ounces": spaces, dots and hyphens are not part of a unit's name.
            var unit = Filler().Replace(match.Groups["unit"].Captures[i].Value, "").ToLowerInvariant();
            if (Number(numbers[i].Value) is not { } number || !units.TryGetValue(unit, out var factor))
            {
                return null;
            }

            sum += number * factor;
        }

        return match.Groups["sign"].Length > 0 ? -sum : sum;
    }

    private static double? Degrees(string text)
    {
        var match = Temperature().Match(text);
        if (!match.Success || Number(match.Groups["number"].Value) is not { } number)
        {
            return null;
        }

        number = match.Groups["sign"].Length > 0 ? -number : number;
        return match.Groups["unit"].Value is "F" or "f" ? (number - 32) / 1.8 : number;
    }

    private static double? Number(string text)
    {
        var match = Fraction().Match(text);
        if (!match.Success)
        {
            return double
                .TryParse(text.Replace(',', '.').Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var plain)
                ? plain
                : null;
        }

        var whole = match.Groups["whole"].Length > 0 ? double.Parse(match.Groups["whole"].Value, CultureInfo.InvariantCulture) : 0;
        var below = double.Parse(match.Groups["below"].Value, CultureInfo.InvariantCulture);
        return below == 0 ? null : whole + double.Parse(match.Groups["above"].Value, CultureInfo.InvariantCulture) / below;
    }

    private static FrozenDictionary<string, double> Names(params (double Factor, string Words)[] units) =>
        units.SelectMany(u => u.Words.Split(' ').Select(word => (word, u.Factor))).ToFrozenDictionary(p => p.word, p => p.Factor);

    private const string NumberPattern = @"(?<number>(?:\d+[ -]+)?\d+\s*/\s*\d+|\d+[.,]?\d*|[.,]\d+)";

    [GeneratedRegex(@"^\s*(?<sign>[-−])?(?:\s*" + NumberPattern + @"\s*(?<unit>[\p{L}""'″′”’](?:[\p{L}. -]*\p{L}\.?)?))+\s*$")]
    private static partial Regex Whole();

    [GeneratedRegex(@"^\s*(?<sign>[-−])?\s*" + NumberPattern + @"\s*(?:°|deg(?:rees)?)?\s*(?<unit>[CcFf])\s*$")]
    private static partial Regex Temperature();

    [GeneratedRegex(@"^(?:(?<whole>\d+)[ -]+)?(?<above>\d+)\s*/\s*(?<below>\d+)$")]
    private static partial Regex Fraction();

    [GeneratedRegex(@"[\s.-]+")]
    private static partial Regex Filler();
}
