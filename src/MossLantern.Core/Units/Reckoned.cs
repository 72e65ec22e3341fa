using System.Collections.Immutable;

namespace MossLantern.Core.Units;

/// <summary>Where a number that enters a formula came from.</summary>
public enum Origin
{
    /// <summary>A typical value of the program; the person's own data wins over it.</summary>
    Default,

    /// <summary>Entered by the person for this piece or product.</summary>
    Own,

    /// <summary>Read from the bench: logged, weighed or measured.</summary>
    Measured,

    /// <summary>Learned from earlier layers.</summary>
    Learned,

    /// <summary>Worked out by another formula.</summary>
    Reckoned,
}

/// <summary>One input of a reckoned number.</summary>
/// <param name="Name">What it is, in the words of the craft.</param>
/// <param name="Value">Its value in <paramref name="Unit"/>.</param>
/// <param name="Unit">Unit symbol; empty for a bare number.</param>
/// <param name="Origin">Where it came from.</param>
/// <param name="Field">
/// Where it is decided in the piece, or null: from the ground (<c>ground.sideHeightMm</c>) or from the layer
/// (<c>reservePercent</c>, <c>cups[amber].loadPercent</c>, parts of a list by their id).
/// </param>
public sealed record ReckonedInput(string Name, double Value, string Unit, Origin Origin, string? Field = null);

/// <summary>A number shown to a person, with the formula and the inputs it came from.</summary>
/// <param name="Value">The value in <paramref name="Unit"/>, unrounded.</param>
/// <param name="Unit">Unit symbol; empty for a bare number.</param>
/// <param name="Formula">Id of the formula in <see cref="Formulas"/>.</param>
/// <param name="Inputs">The inputs, in the order the formula names them.</param>
public sealed record Reckoned(double Value, string Unit, string Formula, ImmutableArray<ReckonedInput> Inputs)
{
    /// <summary>A reckoned number from its inputs.</summary>
    public static Reckoned Of(double value, string unit, string formula, params ReadOnlySpan<ReckonedInput> inputs) =>
        new(value, unit, formula, [.. inputs]);
}
