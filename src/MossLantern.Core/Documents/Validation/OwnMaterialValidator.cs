using FluentValidation;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using P = MossLantern.Core.Materials.MaterialProperties;

namespace MossLantern.Core.Documents;

/// <summary>Refuses what a person enters of a material where it is out of its range or fits nothing.</summary>
public sealed class OwnMaterialValidator : AbstractValidator<OwnMaterial>
{
    /// <summary>What begins and what ends: the one cannot come after the other.</summary>
    private static readonly (string From, string To)[] Spans =
    [
        (P.TapeFromHours, P.TapeToHours), (P.RecoatFromHours, P.RecoatToHours), (P.UsualFromPercent, P.UsualToPercent),
        (P.UsualFromDrops, P.UsualToDrops),
        (P.HeightFromMm, P.HeightToMm), (P.DryFromHours, P.DryToHours), (P.UsualToPercent, P.LimitPercent), (P.UsualToDrops, P.LimitDrops),
        (P.TackFreeHours, P.FullCureHours),
    ];

    /// <summary>A validator.</summary>
    public OwnMaterialValidator()
    {
        RuleFor(m => m.Kind).IsInEnum();
        RuleFor(m => m.Name).Named("The material's name");
        RuleFor(m => m.Note).Must(n => n.Length <= LibraryMouldValidator.LongestNote)
            .WithMessage($"A note has up to {LibraryMouldValidator.LongestNote} characters.");
        RuleFor(m => m.Like).Must((m, like) => Catalogue.Typical.Find(m.Kind, like) is not null)
            .WithMessage("A material must be like one of the typical ones of its kind.");
        RuleFor(m => m.Basis).Must((m, basis) => basis is null || Catalogue.Typical.Find(m.Kind, m.Like)?.Basis is not null)
            .WithMessage("Only what is mixed from two parts has a ratio, and only colourants have loads.");
        RuleFor(m => m.Colour!).IsColour("The colourant's colour").When(m => m.Colour is not null);
        RuleFor(m => m.Colour).Null().WithMessage("Only colourants of your own have a colour.").When(m => m.Kind != MaterialKind.Colourant);
        RuleFor(m => m.LeftPercent).In(Accepted.FullPercent);
        RuleFor(m => m.LeftPercent).Null()
            .WithMessage("Only what stands in bottles and jars has a level: resin, rubber, colourants and stones.")
            .When(m => !OwnMaterial.StandsInVessels(m.Kind));
        RuleFor(m => m).Custom((material, context) =>
        {
            if (Catalogue.Typical.Find(material.Kind, material.Like) is not { } like)
            {
                return;
            }

            var known = P.Of(material.Kind).ToDictionary(p => p.Id);
            var all = like.Values.SetItems(material.Values);
            foreach (var (id, value) in material.Values)
            {
                if (!known.TryGetValue(id, out var property) || !property.IsOf(like))
                {
                    context.AddFailure($"values.{id}", "This kind of material has no such property.");
                }
                else if (!property.Range.Contains(value))
                {
                    context.AddFailure($"values.{id}", property.Range.Sentence);
                }
            }

            if (material.Basis is null && (material.Values.ContainsKey(P.RatioResin) || material.Values.ContainsKey(P.RatioHardener)))
            {
                context.AddFailure("basis", "Say first whether the ratio is by volume or by weight: the two differ.");
            }

            if (all.TryGetValue(P.RatioResin, out var resin) && all.TryGetValue(P.RatioHardener, out var hardener)
                && !Accepted.RatioQuotient.Contains(resin / hardener))
            {
                context.AddFailure($"values.{(material.Values.ContainsKey(P.RatioHardener) ? P.RatioHardener : P.RatioResin)}",
                    Accepted.RatioSentence);
            }

            foreach (var (from, to) in Spans.Where(s => all.ContainsKey(s.From) && all.ContainsKey(s.To) && all[s.From] > all[s.To]))
            {
                context.AddFailure($"values.{(material.Values.ContainsKey(from) ? from : to)}",
                    $"{known[from].Range.What} cannot be more than {known[to].Label}.");
            }
        });
    }
}
