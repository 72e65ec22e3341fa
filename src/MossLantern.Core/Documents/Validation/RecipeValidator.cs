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
    public const int MostDoses = PieceValidator.MostDoses;

    /// <summary>Longest note of a step of a trial.</summary>
    private const int LongestNote = 200;

    /// <summary>What is said of too many colourants.</summary>
    public static readonly string DosesSentence = FormattableString.Invariant($"A recipe has up to {MostDoses} colourants.");

    /// <summary>What is said of too many steps.</summary>
    public static readonly string TrialsSentence =
        FormattableString.Invariant($"Up to {PieceValidator.MostTrials} steps of a trial are kept.");

    public RecipeValidator()
    {
        RuleFor(r => r.Name).Named("The colour's name");
        RuleFor(r => r.Colour).IsColour("The cup's colour");
        RuleFor(r => r.Doses).Must(d => d.Length <= MostDoses).WithMessage(DosesSentence);
        RuleForEach(r => r.Doses).ChildRules(d =>
        {
            d.RuleFor(x => x.Colourant).IsInEnum();
            d.RuleFor(x => x.Percent).In(Accepted.LoadPercent);
            d.RuleFor(x => x.By).IsInEnum();
            d.RuleFor(x => x.Colour!).IsColour("The colourant's colour").When(x => x.Colour is not null);
            d.RuleFor(x => x.ColourantId).Must(id => id is null or { Length: > 0 and <= 40 })
                .WithMessage("A colourant of the cupboard is named by its id.");
            d.RuleFor(x => x.PotId).Must(id => id is null or { Length: > 0 and <= 40 })
                .WithMessage("A pot of the cupboard is named by its id.");
        });
        RuleFor(r => r.Seen!).IsColour("The colour that it came out as").When(r => r.Seen is not null);
        RuleFor(r => r.Trials).Must(t => t!.Value.Length <= PieceValidator.MostTrials).WithMessage(TrialsSentence)
            .When(r => r.Trials is not null);
        RuleForEach(r => r.Trials!.Value).ChildRules(t =>
        {
            t.RuleFor(x => x.Colourant).IsInEnum();
            t.RuleFor(x => x.Unit).IsInEnum();
            t.RuleFor(x => x.Amount).In(Accepted.DoseAmount);
            t.RuleFor(x => x.InMl).In(Accepted.VolumeMl, "Resin that it was tried in");
            t.RuleFor(x => x.ToPercent).In(Accepted.LoadPercent);
            t.RuleFor(x => x.Words).Must(w => w.Length <= LongestNote).WithMessage($"How it looked has up to {LongestNote} characters.");
            t.RuleFor(x => x.At).Dated("When it was tried");
        }).OverridePropertyName("trials").When(r => r.Trials is not null);
        RuleFor(r => r.Of).Must((r, o) => o!.Value.Length >= 2 || !r.Doses.IsEmpty)
            .WithMessage("A cup poured off another is tinted further: add a colourant.").When(r => r.Of is not null);
        RuleFor(r => r.Of).Must(o => o!.Value.Length is >= 1 and <= MostShares && Unique(o.Value.Select(s => s.RecipeId)))
            .WithMessage($"A mixed cup is filled from 1 to {MostShares} different cups.").When(r => r.Of is not null);
        RuleForEach(r => r.Of!.Value).ChildRules(s => s.RuleFor(x => x.Parts).In(Accepted.RatioPart, "Parts"))
            .OverridePropertyName("of").When(r => r.Of is not null);
    }
}
