using FluentValidation;
using MossLantern.Core.Units;
using static MossLantern.Core.Documents.PieceValidator;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a recipe with values outside the accepted ranges.</summary>
internal sealed class RecipeValidator : AbstractValidator<Recipe>
{
    /// <summary>Most recipes that a mixed one is filled from.</summary>
    public const int MostShares = 8;

    /// <summary>Most colourants of a recipe.</summary>
    public const int MostDoses = 1;

    public RecipeValidator()
    {
        RuleFor(r => r.Name).Named("The colour's name");
        RuleFor(r => r.Colour).IsColour("The cup's colour");
        RuleFor(r => r.Doses).Must(d => d.Length <= MostDoses).WithMessage("A recipe has one colourant: mix two recipes for more.");
        RuleForEach(r => r.Doses).ChildRules(d =>
        {
            d.RuleFor(x => x.Colourant).IsInEnum();
            d.RuleFor(x => x.Percent).In(Accepted.LoadPercent);
        });
        RuleFor(r => r.Of).Must(o => o!.Value.Length is >= 2 and <= MostShares && Unique(o.Value.Select(s => s.RecipeId)))
            .WithMessage($"A mixed cup is filled from 2 to {MostShares} different cups.").When(r => r.Of is not null);
        RuleForEach(r => r.Of!.Value).ChildRules(s => s.RuleFor(x => x.Parts).In(Accepted.RatioPart, "Parts"))
            .OverridePropertyName("of").When(r => r.Of is not null);
    }
}
