using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a sequence with values outside the accepted ranges or with parts that do not fit together.</summary>
public sealed class KeptSequenceValidator : AbstractValidator<KeptSequence>
{
    /// <summary>A validator.</summary>
    public KeptSequenceValidator()
    {
        RuleFor(s => s.Name).Named("The sequence's name");
        RuleFor(s => s.Bands).AreBands();
        RuleForEach(s => s.Bands).SetValidator(new BandValidator());
        RuleForEach(s => s.Bands).Must((s, band) => s.Recipes.Any(r => r.Id == band.RecipeId))
            .WithMessage("A band's cup must be one of the sequence's cups.");
        RuleFor(s => s.Recipes).Must(c => c.Length is > 0 and <= KeptSequence.MostRecipes)
            .WithMessage($"A sequence has from 1 to {KeptSequence.MostRecipes} cups.")
            .Must(c => PieceValidator.Unique(c.Select(x => x.Id))).WithMessage("Each cup needs an id of its own.")
            .Must(c => c.SelectMany(x => x.Of ?? []).All(s => c.Any(x => x.Id == s.RecipeId && x.Of is null)))
            .WithMessage("A mixed cup is filled from other cups of the sequence that are not mixed themselves.");
        RuleForEach(s => s.Recipes).SetValidator(new RecipeValidator());
        RuleFor(s => s.AcrossMm).In(Accepted.OutlineMm, "How far across it was kept from");
        RuleFor(s => s.Widening).In(Accepted.Widening);
        RuleFor(s => s.Note).Must(n => n.Length <= LibraryMouldValidator.LongestNote)
            .WithMessage($"A note has up to {LibraryMouldValidator.LongestNote} characters.");
    }

    /// <inheritdoc/>
    protected override bool PreValidate(ValidationContext<KeptSequence> context, ValidationResult result) =>
        PieceValidator.Within(PieceBounds.Of(context?.InstanceToValidate ?? throw new ArgumentNullException(nameof(context))), result);
}
