using FluentValidation;
using FluentValidation.Results;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a kept recipe with values outside the accepted ranges, or that names what is not kept with it.</summary>
public sealed class KeptRecipeValidator : AbstractValidator<KeptRecipe>
{
    /// <summary>A validator.</summary>
    public KeptRecipeValidator()
    {
        RuleFor(k => k.Recipe).SetValidator(new RecipeValidator());
        RuleForEach(k => k.Others).SetValidator(new RecipeValidator());
        RuleFor(k => k.Others).Must(o => o.All(r => r.Of is null))
            .WithMessage("A mixed cup is filled from cups that are not mixed themselves.")
            .Must((k, o) => PieceValidator.Unique(o.Select(r => r.Id).Append(k.Recipe.Id))).WithMessage("Each cup needs an id of its own.")
            .Must((k, o) => (k.Recipe.Of ?? []).All(s => o.Any(r => r.Id == s.RecipeId)))
                .WithMessage("What a mixed recipe is filled from is kept with it.");
        RuleFor(k => k.Note).Must(n => n.Length <= LibraryMouldValidator.LongestNote)
            .WithMessage($"A note has up to {LibraryMouldValidator.LongestNote} characters.");
    }

    /// <inheritdoc/>
    protected override bool PreValidate(ValidationContext<KeptRecipe> context, ValidationResult result) =>
        PieceValidator.Within(PieceBounds.Of(context?.InstanceToValidate ?? throw new ArgumentNullException(nameof(context))), result);
}
