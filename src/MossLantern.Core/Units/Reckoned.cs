using System.Collections.Immutable;
using System.Text.Json.Serialization;

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
/// The place in the piece where it is decided, such as <c>ground.sideHeightMm</c> or <c>recipes[amber].doses[0].percent</c>; null where
/// it is not decided there.
/// </param>
public sealed record ReckonedInput(string Name, double Value, string Unit, Origin Origin, string? Field = null);

/// <summary>A number shown to a person, with the formula and the inputs it came from.</summary>
/// <param name="Value">The value in <paramref name="Unit"/>, unrounded.</param>
/// <param name="Unit">Unit symbol; empty for a bare number.</param>
/// <param name="Formula">Id of the formula in <see cref="Formulas"/>.</param>
/// <param name="Inputs">The inputs, in the order the formula names them.</param>
/// <param name="Place">Where on the piece it is so, such as <c>layers[field].regions[moss]</c>; null where it is
/// nowhere in particular.</param>
public sealed record Reckoned(
    double Value, string Unit, string Formula, ImmutableArray<ReckonedInput> Inputs,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Place = null)
{
    /// <summary>A reckoned number from its inputs.</summary>
    public static Reckoned Of(double value, string unit, string formula, params ReadOnlySpan<ReckonedInput> inputs) =>
        new(value, unit, formula, [.. inputs]);
}
