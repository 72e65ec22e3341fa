using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>Lengths as a person would say them. Halves go up, as a hand rounds them.</summary>
internal static class Rounded
{
    /// <summary>To whole millimetres, degrees or percent.</summary>
    public static double Whole(double value) => Math.Floor(value + 0.5);

    /// <summary>To a tenth.</summary>
    public static double Tenth(double value) => Math.Floor(value * 10 + 0.5) / 10;

    /// <summary>A spot to tenths.</summary>
    public static Spot Tenth(Spot spot) => new(Tenth(spot.XMm), Tenth(spot.YMm));

    /// <summary>To a thousandth.</summary>
    public static double Thousandth(double value) => Math.Floor(value * 1000 + 0.5) / 1000;
}
