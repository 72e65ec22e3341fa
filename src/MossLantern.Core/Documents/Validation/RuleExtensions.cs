using System.Collections.Immutable;
using FluentValidation;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>Rules that say their range.</summary>
internal static class RuleExtensions
{
    public static IRuleBuilderOptions<T, double> In<T>(this IRuleBuilder<T, double> rule, AcceptedRange range, string? what = null) =>
        rule.Must(range.Contains).WithMessage((what is null ? range : range with { What = what }).Sentence);

    public static IRuleBuilderOptions<T, double?> In<T>(this IRuleBuilder<T, double?> rule, AcceptedRange range, string? what = null) =>
        rule.Must(v => v is null || range.Contains(v.Value)).WithMessage((what is null ? range : range with { What = what }).Sentence);

    public static IRuleBuilderOptions<T, string> IsColour<T>(this IRuleBuilder<T, string> rule, string what) =>
        rule.Must(c => Colour.Parse(c) is not null).WithMessage($"{what} must be a colour like #33523f.");

    public static IRuleBuilderOptions<T, string> Named<T>(this IRuleBuilder<T, string> rule, string what) =>
        rule.Must(n => !string.IsNullOrWhiteSpace(n) && n.Length <= PieceValidator.LongestName)
            .WithMessage($"{what} must have from 1 to {PieceValidator.LongestName} characters.");

    /// <summary>A local time within the years that the program knows.</summary>
    public static IRuleBuilderOptions<T, LocalDateTime?> Dated<T>(this IRuleBuilder<T, LocalDateTime?> rule, string what) =>
        rule.Must(t => t is null || Accepted.Years.Contains(t.Value.Year)).WithMessage(Accepted.DateSentence(what));

    /// <summary>Bands of which exactly one fills the rest.</summary>
    public static void AreBands<T>(this IRuleBuilderInitial<T, ImmutableArray<Band>> rule) =>
        rule.Cascade(CascadeMode.Stop).Must(b => Accepted.BandCount.Contains(b.Length)).WithMessage(Accepted.BandCount.Sentence)
            .Must(b => b.Count(x => x.FillsRest) == 1).WithMessage("Exactly one band must fill the rest.")
            .Must(b => PieceValidator.Unique(b.Select(x => x.Id).Append(RegionId.Heart.ToString())))
                .WithMessage("Each band needs an id of its own, other than 'heart'.");
}
