using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a mould with values outside the accepted ranges.</summary>
public sealed class LibraryMouldValidator : AbstractValidator<LibraryMould>
{
    /// <summary>Most characters of a note.</summary>
    public const int LongestNote = 500;

    private static readonly GroundValidator Grounds = new();

    /// <summary>A validator.</summary>
    public LibraryMouldValidator()
    {
        RuleFor(m => m.Name).Named("The mould's name");
        RuleFor(m => m.Note).Must(n => n.Length <= LongestNote).WithMessage($"A note has up to {LongestNote} characters.");
        RuleFor(m => (double)m.CavitiesEach).In(Accepted.Copies, "Cavities of one mould").OverridePropertyName("cavitiesEach");
        RuleFor(m => (double)m.Owned).In(Accepted.Owned).OverridePropertyName("owned");
        RuleFor(m => m).Custom((mould, context) =>
        {
            const string inMould = "Mould.";
            var ground = mould.AsGround();
            var looked = Grounds.Validate(ground with { Mould = ground.Mould! with { Cavities = 1 } });
            foreach (var failure in looked.Errors)
            {
                var at = failure.PropertyName;
                context.AddFailure(at.StartsWith(inMould, StringComparison.OrdinalIgnoreCase) ? at[inMould.Length..]
                    : at, failure.ErrorMessage);
            }
        });
    }

    /// <inheritdoc/>
    protected override bool PreValidate(ValidationContext<LibraryMould> context, ValidationResult result) =>
        PieceValidator.Within(PieceBounds.Of(context?.InstanceToValidate ?? throw new ArgumentNullException(nameof(context))), result);
}
