using FluentValidation;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

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
