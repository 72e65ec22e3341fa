using FluentValidation;
using MossLantern.Core.Pieces;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>A paint of the artist's own mixing, kept in a lidded pot: it paints grounds and tints the resin that goes with them.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Its colour, as <c>#rrggbb</c>.</param>
/// <param name="Kind">What paint it is.</param>
/// <param name="LeftMl">How much is left, ml.</param>
/// <param name="Note">How it was mixed; may be empty.</param>
/// <remarks>Source: docs/craft/grounds.md, Pots.</remarks>
public sealed record PaintPot(string Name, string Colour, PaintKind Kind, double LeftMl, string Note);

/// <summary>Whether what is left in a pot is enough for a ground.</summary>
/// <param name="Name">The pot's name.</param>
/// <param name="Left">What is left in it.</param>
/// <param name="Short">What is missing; null where it is enough.</param>
public sealed record PotLeft(string Name, Reckoned Left, Reckoned? Short)
{
    /// <summary>What is left in a pot beside what a ground takes.</summary>
    /// <param name="pot">The pot.</param>
    /// <param name="takes">What the ground takes, ml.</param>
    public static PotLeft Of(PaintPot pot, Reckoned takes)
    {
        ArgumentNullException.ThrowIfNull(pot);
        ArgumentNullException.ThrowIfNull(takes);
        ReckonedInput left = new("left in the pot", pot.LeftMl, "ml", Origin.Measured), amount = new("the ground takes", takes.Value, "ml", Origin.Reckoned);
        return new(
            pot.Name,
            Reckoned.Of(pot.LeftMl, "ml", Formulas.Stated, left),
            takes.Value > pot.LeftMl ? Reckoned.Of(takes.Value - pot.LeftMl, "ml", Formulas.PotShort, amount, left) : null);
    }
}

/// <summary>Refuses a pot with values outside the accepted ranges.</summary>
public sealed class PaintPotValidator : AbstractValidator<PaintPot>
{
    /// <summary>A validator.</summary>
    public PaintPotValidator()
    {
        RuleFor(p => p.Name).Named("The pot's name");
        RuleFor(p => p.Colour).IsColour("The pot's colour");
        RuleFor(p => p.Kind).IsInEnum();
        RuleFor(p => p.LeftMl).In(Accepted.PouredMl, "What is left");
        RuleFor(p => p.Note).Must(n => n.Length <= LibraryMouldValidator.LongestNote)
            .WithMessage($"A note has up to {LibraryMouldValidator.LongestNote} characters.");
    }
}
