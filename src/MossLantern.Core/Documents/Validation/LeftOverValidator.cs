using FluentValidation;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a left-over with values outside the accepted ranges.</summary>
public sealed class LeftOverValidator : AbstractValidator<LeftOver>
{
    /// <summary>A validator.</summary>
    public LeftOverValidator()
    {
        RuleFor(l => l.Name).Named("Its name");
        RuleFor(l => l.Colour).IsColour("Its colour");
        RuleFor(l => l.Use).IsInEnum();
        RuleFor(l => l.Grams).In(Accepted.LeftOverG);
        RuleFor(l => l.Note).Must(n => n.Length <= LibraryMouldValidator.LongestNote)
            .WithMessage($"A note has up to {LibraryMouldValidator.LongestNote} characters.");
    }
}
